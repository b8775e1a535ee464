using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class AmountTests(TestHost host) : IClassFixture<TestHost>
{
    private static JsonNode Need(JsonNode amounts, string name) => amounts["materials"]!.AsArray().Single(m => (string)m!["name"]! == name)!;

    [Fact]
    public async Task A_set_adds_up_over_copies_and_zones_and_the_shortage_leaves_when_a_bottle_comes()
    {
        var sets = await host.GetAsync("/api/sets");
        var wall = sets.AsArray().Single(s => (string)s!["name"]! == "Sea wall")!;
        var request = new { setId = (string)wall["id"]! };
        var amounts = await host.PostAsync("/api/amounts", request);
        Assert.All(amounts["coats"]!.AsArray(), c => Assert.Equal((double)c!["onPieceMl"]! + (double)c["transferMl"]! + (double)c["lossMl"]!, (double)c["totalMl"]!, 0.003));
        Assert.Equal(amounts["coats"]!.AsArray().Sum(c => (double)c!["totalMl"]!), amounts["materials"]!.AsArray().Sum(m => (double)m!["ml"]!) + amounts["thinners"]!.AsArray().Sum(t => (double)t!["ml"]!), 0);
        var kelp = Need(amounts, "Kelp Wash");
        Assert.Equal("short", (string)kelp["verdict"]!);
        Assert.Equal((double)kelp["ml"]! - (double)kelp["leftMl"]!, (double)kelp["shortMl"]!, 1);
        using var list = await host.Http.PostAsJsonAsync("/api/amounts/shopping.csv", request, TestContext.Current.CancellationToken);
        Assert.Contains("Kelp Wash,", await list.Content.ReadAsStringAsync(TestContext.Current.CancellationToken), StringComparison.Ordinal);
        await host.PostAsync($"/api/materials/{kelp["materialId"]}/bottles", new { sizeMl = 60, leftMl = 60 }, HttpStatusCode.Created);
        Assert.Equal("enough", (string)Need(await host.PostAsync("/api/amounts", request), "Kelp Wash")["verdict"]!);
    }

    [Fact]
    public async Task Copies_dilution_palette_and_tonight_move_it_and_nothing_is_kept()
    {
        var sets = await host.GetAsync("/api/sets");
        var pans = sets.AsArray().Single(s => (string)s!["name"]! == "Brine pans")!;
        var piece = pans["pieces"]![0]!;
        var setId = (string)pans["id"]!;
        async Task<JsonNode> Ask(object request) => await host.PostAsync("/api/amounts", request);
        var plain = await Ask(new { setId });
        var coat = plain["coats"]!.AsArray().First(c => (string)c!["technique"]! == "baseCoat")!;
        var more = await Ask(new { setId, copies = new[] { new { pieceId = (string)piece["id"]!, copies = 30 } } });
        var same = more["coats"]!.AsArray().Single(c => c!["coatId"]!.ToString() == coat["coatId"]!.ToString())!;
        Assert.Equal((double)coat["onPieceMl"]! * 30 / (int)coat["copies"]!, (double)same["onPieceMl"]!, 1);
        var thin = await Ask(new { setId, dilutions = new[] { new { schemeId = (string)coat["schemeId"]!, coatId = (string)coat["coatId"]!, paintFraction = 0.5 } } });
        var thinned = thin["coats"]!.AsArray().Single(c => c!["coatId"]!.ToString() == coat["coatId"]!.ToString())!;
        Assert.Equal((double)thinned["totalMl"]! / 2, (double)thinned["paintMl"]!, 2);
        var tonight = await Ask(new { setId, only = new[] { new { schemeId = (string)coat["schemeId"]!, coatId = (string)coat["coatId"]! } } });
        Assert.Single(tonight["coats"]!.AsArray());
        Assert.True((await Ask(new { setId, palette = "dry" }))["coats"]!.AsArray().Sum(c => (int)c!["batches"]!) >= plain["coats"]!.AsArray().Sum(c => (int)c!["batches"]!));
        Assert.Equal(plain.ToJsonString(), (await Ask(new { setId })).ToJsonString());
    }

    [Fact]
    public async Task Nonsense_is_refused_by_name()
    {
        await host.RefusesAsync(HttpMethod.Post, "/api/amounts", new { setId = Guid.NewGuid() }, "setId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, "/api/amounts", new { schemeId = Guid.NewGuid() }, "schemeId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, "/api/amounts", new { copies = new[] { new { pieceId = Guid.NewGuid(), copies = -1 } } }, "copies[0].copies");
        await host.RefusesAsync(HttpMethod.Post, "/api/amounts", new { dilutions = new[] { new { schemeId = Guid.NewGuid(), coatId = Guid.NewGuid(), paintFraction = 1.5 } } }, "dilutions[0].paintFraction");
    }

    [Fact]
    public async Task Amounts_are_the_sum_of_the_plans_mixes_before_and_after_half_of_a_set_is_logged_and_taken_back()
    {
        var shelf = await StockAsync();
        var all = await Task.WhenAll((await host.GetAsync("/api/sets")).AsArray().Select(async s => (Id: (string)s!["id"]!, Sum: await SumAsync((string)s["id"]!))));
        Assert.Equal(5, all.Length);
        Assert.All(all, s => Agrees(s.Sum.Plan, s.Sum.Amounts));
        foreach (var (id, before) in all)
        {
            // Every other lot, half of its copies.
            var done = before.Steps.Where((_, i) => i % 2 == 0).Where(s => s["coatId"] is not null).ToList();
            async Task WriteAsync(string kind)
            {
                foreach (var step in done)
                {
                    var copies = step["copies"]!.AsArray().Select(c => (int)c!).ToList();
                    await host.PostAsync("/api/log", new
                    {
                        id = Guid.NewGuid(),
                        kind,
                        zoneId = (string)step["zoneId"]!,
                        coatId = (string)step["coatId"]!,
                        pass = (int)step["pass"]!,
                        copies = copies.Take((copies.Count + 1) / 2),
                    });
                }
            }

            await WriteAsync("done");
            var half = await SumAsync(id);
            Agrees(half.Plan, half.Amounts);
            Assert.True(half.Amounts.Ml < before.Amounts.Ml);
            await WriteAsync("takenBack");
            var back = await SumAsync(id);
            Agrees(back.Plan, back.Amounts);
            Agrees(before.Amounts, back.Amounts);

            // The bottles hold again what they did.
            Assert.Equal(shelf, await StockAsync());
        }
    }

    private async Task<List<string>> StockAsync() => [.. (await host.GetAsync("/api/materials")).AsArray().Select(m => $"{m!["material"]!["name"]} {(double)m["stock"]!["leftMl"]!:0.00}")];

    private static void Agrees((double Ml, double Minutes) a, (double Ml, double Minutes) b)
    {
        // The least that is asked is 0.1; a sum of a hundred mixes, each rounded, must not come near it.
        Assert.Equal(a.Ml, b.Ml, 0.02);
        Assert.Equal(a.Minutes, b.Minutes, 0.02);
    }

    private async Task<((double Ml, double Minutes) Plan, (double Ml, double Minutes) Amounts, List<JsonNode> Steps)> SumAsync(string setId)
    {
        var plan = await host.PostAsync("/api/plan", new { setIds = new[] { setId } });
        Assert.Equal(0, (int)plan["notPlanned"]!["steps"]!);
        var steps = plan["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()).Select(s => s!).ToList();
        var amounts = await host.PostAsync("/api/amounts", new { setId });
        Assert.Equal((double)amounts["totalMl"]!, amounts["coats"]!.AsArray().Sum(c => (double)c!["totalMl"]!), 0.1);
        return ((steps.Sum(s => (double?)s["mix"]?["totalMl"] ?? 0), steps.Where(s => s["coatId"] is not null).Sum(s => (double)s["minutes"]!)), ((double)amounts["totalMl"]!, (double)amounts["minutes"]!), steps);
    }

    [Fact]
    public async Task A_held_plan_is_what_amounts_are_of()
    {
        var setId = (string)(await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == "Pan house")!["id"]!;
        await host.PutAsync("/api/plan/held", new { request = new { setIds = new[] { setId }, mostCopies = 1 } });
        var held = await SumAsync(setId);
        Agrees(held.Plan, held.Amounts);
        await host.DeleteAsync("/api/plan/held");
        Agrees((await SumAsync(setId)).Plan, (await SumAsync(setId)).Amounts);
    }

    [Fact]
    public async Task Whole_bottles_and_their_price_are_told_and_what_a_coat_a_copy_and_a_set_cost()
    {
        var setId = (string)(await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == "Sea wall")!["id"]!;
        var white = await host.MaterialAsync("Salt White");
        await host.RefusesAsync(HttpMethod.Post, $"/api/materials/{white["id"]}/bottles", new { sizeMl = 20, leftMl = 0, price = -1 }, "price");
        await host.PostAsync($"/api/materials/{white["id"]}/bottles", new { sizeMl = 20, leftMl = 0, price = 0 }, HttpStatusCode.Created);
        var free = await host.PostAsync("/api/amounts", new { setId });
        Assert.All(free["coats"]!.AsArray().Where(c => (string)c!["paint"]! == "Salt White"), c => Assert.Equal(0, (double)c!["cost"]!));
        await host.PostAsync($"/api/materials/{white["id"]}/bottles", new { sizeMl = 20, leftMl = 0, price = 3 }, HttpStatusCode.Created);
        var amounts = await host.PostAsync("/api/amounts", new { setId });
        var need = Need(amounts, "Salt White");
        Assert.Equal((double)need["ml"]! * 3 / 20, (double)amounts["cost"]! - (double)free["cost"]!, 0.02);
        Assert.Equal((double)amounts["cost"]!, amounts["coats"]!.AsArray().Sum(c => (double)c!["cost"]!), 0.05);
        Assert.Equal((double)amounts["cost"]!, amounts["pieces"]!.AsArray().Sum(c => (double)c!["cost"]!), 0.05);
        Assert.Equal((int)free["unpriced"]!, (int)amounts["unpriced"]!);
        Assert.Equal((int)Math.Ceiling(((double)need["ml"]! + (double)need["reserveMl"]! - (double)need["leftMl"]!) / 20), (int)need["bottles"]!);
        Assert.Equal(3.0 * (int)need["bottles"]!, (double)need["buyPrice"]!);
        using var list = await host.Http.PostAsJsonAsync("/api/amounts/shopping.csv", new { setId }, TestContext.Current.CancellationToken);
        Assert.Contains($",{need["bottles"]},20,{need["buyPrice"]}", await list.Content.ReadAsStringAsync(TestContext.Current.CancellationToken), StringComparison.Ordinal);
    }
}
