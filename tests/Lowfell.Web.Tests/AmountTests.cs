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
        var slate = Need(amounts, "Slate Ground");
        Assert.Equal("short", (string)slate["verdict"]!);
        Assert.Equal((double)slate["ml"]! - (double)slate["leftMl"]!, (double)slate["shortMl"]!, 1);
        using var list = await host.Http.PostAsJsonAsync("/api/amounts/shopping.csv", request, TestContext.Current.CancellationToken);
        Assert.Contains("Slate Ground,", await list.Content.ReadAsStringAsync(TestContext.Current.CancellationToken), StringComparison.Ordinal);
        await host.PostAsync($"/api/materials/{slate["materialId"]}/bottles", new { sizeMl = 60, leftMl = 60 }, HttpStatusCode.Created);
        Assert.Equal("enough", (string)Need(await host.PostAsync("/api/amounts", request), "Slate Ground")["verdict"]!);
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
        Assert.Equal((double)coat["onPieceMl"]! * 10, (double)same["onPieceMl"]!, 1);
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
}
