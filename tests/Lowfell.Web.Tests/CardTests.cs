using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Sets as cards, a set by itself, a piece by itself.</summary>
public sealed class CardTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<JsonNode> CardAsync(string name)
    {
        for (var i = 0; ; i++)
        {
            var card = (await host.GetAsync("/api/sets/cards")).AsArray().Single(c => (string)c!["name"]! == name)!;
            if ((bool)card["current"]! || i == 100)
            {
                return card;
            }

            await Task.Delay(50, TestContext.Current.CancellationToken);
        }
    }

    private async Task<JsonNode> OpenStepAsync(string setId)
    {
        var progress = await host.GetAsync($"/api/log/progress?setId={setId}");
        var zone = progress.AsArray().First(z => z!["copies"]!.AsArray().Any(c => ((string)c!).Contains('.')) && z["steps"]![0]!["coatId"] is not null)!;
        var copies = zone["copies"]!.AsArray().Select(c => (string)c!).ToList();
        var copy = copies.FindIndex(c => c.Contains('.'));
        var step = zone["steps"]![copies[copy].IndexOf('.')]!;
        return new JsonObject { ["id"] = Guid.NewGuid(), ["kind"] = "done", ["zoneId"] = (string)zone["zoneId"]!, ["coatId"] = (string)step["coatId"]!, ["pass"] = (int)step["pass"]!, ["copies"] = new JsonArray(copy + 1), ["minutes"] = 5 };
    }

    [Fact]
    public async Task A_card_tells_what_its_set_tells_piece_by_piece()
    {
        foreach (var card in (await host.GetAsync("/api/sets")).AsArray().Select(s => (string)s!["name"]!))
        {
            var facts = (await CardAsync(card))["facts"]!;
            var set = await host.GetAsync($"/api/sets/{(await CardAsync(card))["id"]}");
            var pieces = set["pieces"]!.AsArray();
            var zones = pieces.SelectMany(p => p!["zones"]!.AsArray()).ToList();
            Assert.Equal(pieces.Count, (int)facts["pieces"]!);
            Assert.Equal(pieces.Sum(p => (int)p!["piece"]!["copies"]!), (int)facts["copies"]!);
            Assert.Equal(zones.Count, (int)facts["zones"]!);
            Assert.Equal(zones.Sum(z => (int)z!["findings"]!["risks"]!), (int)facts["findings"]!["risks"]!);
            Assert.Equal(pieces.Sum(p => (int)p!["piece"]!["copies"]! * (double)p["areaMm2"]!), (double)facts["areaMm2"]!, 0.5);
            var largest = zones.MaxBy(z => (double)z!["areaMm2"]!)!;
            Assert.Equal((double)largest["areaMm2"]!, (double)zones.Single(z => (string)z!["id"]! == (string)facts["largest"]!["zoneId"]!)!["areaMm2"]!);
            Assert.True(JsonNode.DeepEquals(zones.Single(z => (string)z!["id"]! == (string)facts["largest"]!["zoneId"]!)!["sample"], facts["sample"]));
            var progress = (await host.GetAsync($"/api/log/progress?setId={set["id"]}")).AsArray().SelectMany(z => z!["copies"]!.AsArray()).Select(c => (string)c!).ToList();
            Assert.Equal(progress.Sum(c => c.Length), (int)facts["steps"]!);
            Assert.Equal(progress.Sum(c => c.Count(l => l != '.')), (int)facts["done"]!);
        }
    }

    [Fact]
    public async Task A_zone_or_a_piece_by_itself_is_as_far_as_it_is_in_its_set_parts_that_are_fitted_with_it()
    {
        static string Of(JsonNode zone) => zone.ToJsonString();
        var fitted = 0;
        foreach (var set in (await host.GetAsync("/api/sets")).AsArray())
        {
            var all = (await host.GetAsync($"/api/log/progress?setId={set!["id"]}")).AsArray().Select(z => z!).ToList();
            foreach (var zone in all.GroupBy(z => (string)z["zoneId"]!))
            {
                Assert.Equal(zone.Select(Of).Order(), (await host.GetAsync($"/api/log/progress?zoneId={zone.Key}")).AsArray().Select(z => Of(z!)).Order());
            }

            foreach (var piece in set["pieces"]!.AsArray())
            {
                var page = await host.GetAsync($"/api/pieces/{piece!["id"]}");

                // The fitting of a part is told with the zone of the part that it is written down to.
                var zones = piece["zones"]!.AsArray().Select(z => (string)z!["id"]!).ToHashSet();
                var copies = all.Where(z => zones.Contains((string)z["zoneId"]!)).SelectMany(z => z["copies"]!.AsArray()).Select(c => (string)c!).ToList();
                Assert.Equal((copies.Sum(c => c.Count(l => l is 'd' or 's')), copies.Sum(c => c.Count(l => l != '-'))), ((int)page["done"]!, (int)page["steps"]!));
            }

            fitted += all.Count(z => z["steps"]!.AsArray().Any(s => s!["partId"] is not null));
            Assert.Empty((await host.GetAsync($"/api/log/progress?setId={set["id"]}&zoneId={(await host.GetAsync("/api/zones")).AsArray().First(z => !all.Exists(a => (string)a["zoneId"]! == (string)z!["id"]!))!["id"]}")).AsArray());
        }

        Assert.True(fitted > 0);
    }

    [Fact]
    public async Task What_is_logged_and_taken_back_shows_on_its_card_and_on_no_other()
    {
        var (before, other) = (await CardAsync("Sea wall"), await CardAsync("Pan house"));
        var action = await OpenStepAsync((string)before["id"]!);
        await host.PostAsync("/api/log", action);
        var after = await CardAsync("Sea wall");
        Assert.Equal((int)before["facts"]!["done"]! + 1, (int)after["facts"]!["done"]!);
        action["id"] = Guid.NewGuid();
        action["kind"] = "takenBack";
        action.AsObject().Remove("minutes");
        await host.PostAsync("/api/log", action);
        Assert.Equal((int)before["facts"]!["done"]!, (int)(await CardAsync("Sea wall"))["facts"]!["done"]!);
        Assert.True(JsonNode.DeepEquals(other, await CardAsync("Pan house")));
    }

    [Fact]
    public async Task A_card_follows_its_set_through_every_change_of_it()
    {
        var set = await host.PostAsync("/api/sets", new { name = "Sluice" }, HttpStatusCode.Created);
        var empty = await CardAsync("Sluice");
        Assert.Equal((0, 0, 0), ((int)empty["facts"]!["pieces"]!, (int)empty["facts"]!["steps"]!, (int)empty["facts"]!["done"]!));
        Assert.Null(empty["facts"]!["next"]);
        var piece = await host.PostAsync($"/api/sets/{set["id"]}/pieces", new { name = "Gate", copies = 2 }, HttpStatusCode.Created);
        Assert.Equal(2, (int)(await CardAsync("Sluice"))["facts"]!["copies"]!);
        var scheme = (string)(await host.ZoneAsync("Roof boards"))["scheme"]!["id"]!;
        await host.PostAsync($"/api/pieces/{piece["id"]}/zones", new { name = "Planks", areaShare = 1, schemeId = scheme }, HttpStatusCode.Created);
        var full = await CardAsync("Sluice");
        Assert.Equal("Planks", (string)full["facts"]!["largest"]!["zone"]!);
        Assert.True((int)full["facts"]!["steps"]! > 0);
        Assert.NotNull(full["facts"]!["next"]);
        await host.DeleteAsync($"/api/pieces/{piece["id"]}");
        Assert.Equal(0, (int)(await CardAsync("Sluice"))["facts"]!["pieces"]!);
        await host.PostAsync($"/api/pieces/{piece["id"]}/restore", null, HttpStatusCode.NoContent);
        Assert.True(JsonNode.DeepEquals(full["facts"], (await CardAsync("Sluice"))["facts"]));
        await host.DeleteAsync($"/api/sets/{set["id"]}");
        Assert.DoesNotContain((await host.GetAsync("/api/sets/cards")).AsArray(), c => (string)c!["name"]! == "Sluice");
    }

    [Fact]
    public async Task A_set_of_hundreds_of_zones_holds_no_list_up_and_is_worked_out_beside_it()
    {
        var set = await host.PostAsync("/api/sets", new { name = "Breakwater" }, HttpStatusCode.Created);
        var piece = await host.PostAsync($"/api/sets/{set["id"]}/pieces", new { name = "Block", copies = 1 }, HttpStatusCode.Created);
        var scheme = (string)(await host.ZoneAsync("Roof boards"))["scheme"]!["id"]!;
        var zone = await host.PostAsync($"/api/pieces/{piece["id"]}/zones", new { name = "Face", areaShare = 0.002, schemeId = scheme }, HttpStatusCode.Created);
        await CardAsync("Breakwater");
        await host.ExecuteAsync(
            $"""INSERT INTO zones SELECT (jsonb_populate_record(z, jsonb_build_object('Id', gen_random_uuid(), 'Name', 'Face ' || n))).* FROM zones z, generate_series(1, 400) n WHERE z."Id" = '{zone["id"]}'""");

        // Told as it was before, until it has been worked out; the others wait for nothing of it.
        var cards = (await host.GetAsync("/api/sets/cards")).AsArray();
        var card = cards.Single(c => (string)c!["name"]! == "Breakwater")!;
        Assert.Equal((false, 1), ((bool)card["current"]!, (int)card["facts"]!["zones"]!));
        Assert.Equal(401, (int)(await CardAsync("Breakwater"))["facts"]!["zones"]!);
        await host.DeleteAsync($"/api/sets/{set["id"]}");
    }

    [Fact]
    public async Task A_piece_is_told_with_its_set_and_how_far_it_is()
    {
        var page = await host.ZoneAsync("Walkway");
        var piece = await host.GetAsync($"/api/pieces/{page["pieceId"]}");
        Assert.Equal("Sea wall", (string)piece["setName"]!);
        Assert.Contains(piece["pieces"]!.AsArray(), p => (string)p!["id"]! == (string)piece["piece"]!["id"]!);
        Assert.InRange((int)piece["done"]!, 0, (int)piece["steps"]!);
        await host.SendAsync(HttpMethod.Get, $"/api/pieces/{Guid.NewGuid()}", null, HttpStatusCode.NotFound);
        await host.SendAsync(HttpMethod.Get, $"/api/sets/{Guid.NewGuid()}", null, HttpStatusCode.NotFound);
        var names = (await host.GetAsync("/api/zones")).AsArray();
        Assert.Contains(names, z => (string)z!["name"]! == "Walkway" && (string)z["set"]! == "Sea wall");
    }

    [Fact]
    public async Task Several_zones_are_changed_all_or_none()
    {
        var set = (await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == "Salt-crust bases")!;
        var zones = set["pieces"]!.AsArray().SelectMany(p => p!["zones"]!.AsArray()).ToList();
        JsonArray Changed(string finish) => [.. zones.Select(z => (JsonNode)new JsonObject
        {
            ["id"] = (string)z!["id"]!,
            ["version"] = (int)z["version"]!,
            ["settings"] = ((JsonObject)z["settings"]!.DeepClone()).With("finish", finish),
        })];
        async Task<List<string>> FinishesAsync() => [.. (await host.GetAsync($"/api/sets/{set["id"]}"))["pieces"]!.AsArray().SelectMany(p => p!["zones"]!.AsArray()).Select(z => (string)z!["settings"]!["finish"]!).Distinct()];
        await host.PutAsync("/api/zones", new { zones = Changed("satin") }, HttpStatusCode.NoContent);
        Assert.Equal(["satin"], await FinishesAsync());

        // Made on what was there before the first of them: refused as a whole, though some would still fit.
        var mixed = Changed("gloss");
        for (var i = 0; i < mixed.Count - 1; i++)
        {
            mixed[i]!["version"] = (int)mixed[i]!["version"]! + 1;
        }

        await host.PutAsync("/api/zones", new { zones = mixed }, HttpStatusCode.Conflict);
        Assert.Equal(["satin"], await FinishesAsync());
    }
}
