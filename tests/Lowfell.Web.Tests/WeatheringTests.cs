using System.Net;
using System.Text.Json.Nodes;
using System.Xml.Linq;
using Lowfell.Web.Api;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Weathering plans over the API: proposed, kept, put into the coats, told on cards and on the bench.</summary>
public sealed class WeatheringTests(TestHost host) : IClassFixture<TestHost>
{
    private static JsonObject Plan(string went, JsonNode? entries = null) => new()
    {
        ["history"] = new JsonObject { ["age"] = "tenYears", ["went"] = new JsonArray([.. went.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(w => (JsonNode)w)]), ["thrown"] = "feet" },
        ["hosts"] = new JsonArray(),
        ["entries"] = entries?.DeepClone() ?? new JsonArray(),
    };

    private async Task<(string Piece, string Address)> PieceAsync(string set, string name)
    {
        var of = (await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == set)!["pieces"]!.AsArray().Single(p => (string)p!["piece"]!["name"]! == name)!;
        return ((string)of["id"]!, $"/api/pieces/{of["id"]}/weathering");
    }

    private async Task<(string Address, JsonNode View)> ProposedAsync(string set, string name, string went)
    {
        var (_, address) = await PieceAsync(set, name);
        var entries = await host.PostAsync($"{address}/proposal", new { plan = Plan(went) });
        var version = (int)(await host.GetAsync(address))["version"]!;
        return (address, await host.PutAsync(address, new { version, plan = Plan(went, entries) }));
    }

    private static JsonNode Entry(JsonNode view, string kind) => view["plan"]!["entries"]!.AsArray().First(e => (string)e!["kind"]! == kind)!;

    private static JsonNode Said(JsonNode view, JsonNode entry) => view["answer"]!["entries"]!.AsArray().Single(e => (string)e!["id"]! == (string)entry["id"]!)!;

    private static JsonArray Marks(JsonNode view, JsonNode entry) => view["answer"]!["marks"]!.AsArray().Single(m => (string)m!["entryId"]! == (string)entry["id"]!)!["marks"]!.AsArray();

    [Fact]
    public async Task A_plan_is_proposed_kept_and_told_copy_by_copy()
    {
        var (address, view) = await ProposedAsync("Sea wall", "Corner", "rain tideWater birds");
        var rain = Entry(view, "rain");
        var said = Said(view, rain);
        Assert.Equal((int)said["total"]!, said["perCopy"]!.AsArray().Sum(n => (int)n!));
        Assert.Equal("streak", (string)said["technique"]!);
        Assert.Contains("sills", (string)said["why"]!, StringComparison.Ordinal);
        Assert.True((double)said["minutes"]! > 0 && (double)said["ml"]! > 0);
        Assert.Equal((int)said["perCopy"]![0]!, Marks(view, rain).Count);
        Assert.All(view["answer"]!["stacks"]!.AsArray(), s => Assert.Equal(0, (int)s!["alarms"]!));

        // Another copy has others, the same each time.
        var second = await host.GetAsync($"{address}?copy=2");
        Assert.NotEqual(Marks(view, rain).ToJsonString(), Marks(second, rain).ToJsonString());
        Assert.Equal(Marks(second, rain).ToJsonString(), Marks(await host.GetAsync($"{address}?copy=2"), rain).ToJsonString());

        // What is locked stays when the rest is proposed anew; a second window is told.
        var version = (int)view["version"]!;
        var plan = view["plan"]!.DeepClone().AsObject();
        plan["entries"]!.AsArray().Single(e => (string)e!["id"]! == (string)rain["id"]!)!["locked"] = true;
        plan["entries"]!.AsArray().Single(e => (string)e!["id"]! == (string)rain["id"]!)!["count"] = 2;
        await host.PutAsync(address, new { version, plan });
        var anew = (await host.PostAsync($"{address}/proposal", new { plan = plan.With("history", Plan("rain sun")["history"]!.DeepClone()) })).AsArray();
        Assert.Equal(2.0, (double)anew.Single(e => (string)e!["id"]! == (string)rain["id"]!)!["count"]!);
        Assert.Contains(anew, e => (string)e!["kind"]! == "fading");
        Assert.DoesNotContain(anew, e => (string)e!["kind"]! == "tide");
        await host.RefusesAsync(HttpMethod.Put, address, new { version, plan }, "version", HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task Marks_go_into_the_coats_and_out_again()
    {
        var (address, view) = await ProposedAsync("Sea wall", "Stair", "rain tideWater dryDust");
        var before = await StacksAsync("Stair");
        var put = await host.PostAsync($"{address}/coats", new { version = (int)view["version"]! });
        var after = await StacksAsync("Stair");
        var rain = Entry(view, "rain");
        var zone = after.Single(z => z.Zone == (string)rain["zoneId"]!);
        var coat = zone.Coats.Single(c => (string)c!["id"]! == (string)rain["id"]!)!;
        Assert.Equal(("streak", "rain"), ((string)coat["technique"]!, (string)coat["marks"]!["kind"]!));

        // Fields lie below runs, runs below what is loose.
        int Place(string kind) => zone.Coats.Select(c => (string?)c!["marks"]?["kind"]).ToList().IndexOf(kind);
        Assert.True(Place("damp") < Place("rain") && Place("rain") < Place("kick"));
        Assert.True((bool)Said(await host.GetAsync(address), rain)["inStack"]!);

        // Its minutes are those that the plan told of.
        var said = Said(view, rain);
        var amounts = (await host.GetAsync($"/api/zones/{zone.Zone}"))["scheme"]!;
        Assert.Equal((int)Math.Round((double)rain["count"]!), (int)amounts["coats"]!.AsArray().Single(c => (string)c!["id"]! == (string)rain["id"]!)!["marks"]!["count"]!);
        Assert.True((double)said["minutesEach"]! > 0.3);

        // Other pieces that shared the scheme keep theirs.
        Assert.All(await StacksAsync("Corner"), z => Assert.DoesNotContain(z.Coats, c => (string)c!["id"]! == (string)rain["id"]!));

        // On the bench each copy has its marks; the look draws them where the plan has them.
        var here = (await host.GetAsync($"/api/zones/{zone.Zone}/coats/{rain["id"]}/marks")).AsArray();
        Assert.Equal(said["perCopy"]!.AsArray().Select(n => (int)n!), here.Select(c => (int)c!["count"]!));
        Assert.All(here, c => Assert.True((int)c!["first"]! > 0));
        Assert.Empty((await host.GetAsync($"/api/zones/{zone.Zone}/coats/{Guid.NewGuid()}/marks")).AsArray());
        var look = await host.GetAsync($"/api/pieces/{(await PieceAsync("Sea wall", "Stair")).Piece}/look?copy=2");
        Assert.Contains(look["marks"]!.AsArray(), m => (string)m!["shape"]! == "band");

        // Its scheme was shared with other walls: it has one of its own now.
        var shared = before.ConvertAll(z => z.Scheme);
        Assert.NotEqual(shared, after.ConvertAll(z => z.Scheme));

        // Again changes nothing; taking it back gives the coats as they were, once.
        Assert.Empty((await host.PostAsync($"{address}/coats", new { version = (int)put["version"]! }))["was"]!.AsArray());
        var version = (int)(await host.GetAsync(address))["version"]!;
        await host.PostAsync($"{address}/coats", new { version, back = put["was"] });
        Assert.Equal(before.SelectMany(z => z.Coats).Select(c => c!.ToJsonString()), (await StacksAsync("Stair")).SelectMany(z => z.Coats).Select(c => c!.ToJsonString()));
        Assert.Equal(shared, (await StacksAsync("Stair")).ConvertAll(z => z.Scheme));
        Assert.DoesNotContain((await host.GetAsync("/api/schemes")).AsArray(), s => ((string)s!["name"]!).EndsWith("weathered on Stair", StringComparison.Ordinal));
        await host.RefusesAsync(HttpMethod.Post, $"{address}/coats", new { version = version + 1, back = put["was"]!.AsArray().Select(w => w!.DeepClone().AsObject().With("version", 99)) }, "back", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Post, $"{address}/coats", new { version }, "version", HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task Marks_that_are_moved_or_painted_stay_when_the_rest_is_drawn_again()
    {
        var (address, view) = await ProposedAsync("Sea wall", "Sluice", "rain");
        var rain = Entry(view, "rain");
        var was = Marks(await host.GetAsync($"{address}?copy=2"), rain).ToJsonString();
        var moved = Marks(view, rain).DeepClone().AsArray();
        moved[0]!["xMm"] = 33.5;
        var plan = view["plan"]!.DeepClone().AsObject();
        var entry = plan["entries"]!.AsArray().Single(e => (string)e!["id"]! == (string)rain["id"]!)!;
        entry["held"] = new JsonArray(new JsonObject { ["copy"] = 1, ["marks"] = moved });
        var kept = await host.PutAsync(address, new { version = (int)view["version"]!, plan });
        Assert.Equal(moved.ToJsonString(), Marks(kept, rain).ToJsonString());

        // Copy 2 is painted with it: it keeps its marks although the others are drawn again.
        await host.PostAsync($"{address}/coats", new { version = (int)kept["version"]! });
        await host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind = "done", zoneId = (string)rain["zoneId"]!, coatId = (string)rain["id"]!, pass = 1, copies = new[] { 2 } });
        var version = (int)(await host.GetAsync(address))["version"]!;
        entry["version"] = 2;
        var again = await host.PutAsync($"{address}?copy=2", new { version, plan });
        Assert.Equal(was, Marks(again, rain).ToJsonString());
        Assert.Equal(moved.ToJsonString(), Marks(await host.GetAsync(address), rain).ToJsonString());
        plan["history"]!["from"] = "back";
        entry["held"] = new JsonArray();
        entry["version"] = 2;
        version = (int)(await host.GetAsync(address))["version"]!;
        var turned = await host.PutAsync($"{address}?copy=2", new { version, plan });
        Assert.Equal(was, Marks(turned, rain).ToJsonString());
        Assert.Equal([1, 2], Entry(again, "rain")["held"]!.AsArray().Select(h => (int)h!["copy"]!).Order());
    }

    [Fact]
    public async Task A_plan_goes_on_when_a_zone_is_deleted_and_has_it_again_when_it_is_put_back()
    {
        var (address, view) = await ProposedAsync("Pan house", "Lean-to", "rain shade");
        var zone = (string)view["zones"]![0]!["id"]!;
        var all = view["plan"]!["entries"]!.AsArray().Count;
        await host.DeleteAsync($"/api/zones/{zone}");
        var without = await host.GetAsync(address);
        Assert.DoesNotContain(without["plan"]!["entries"]!.AsArray(), e => (string)e!["zoneId"]! == zone);
        await host.SendAsync(HttpMethod.Post, $"/api/zones/{zone}/restore", null, HttpStatusCode.NoContent);
        Assert.Equal(all, (await host.GetAsync(address))["plan"]!["entries"]!.AsArray().Count);
        await host.DeleteAsync($"/api/zones/{zone}");
        var kept = await host.PutAsync(address, new { version = (int)without["version"]!, plan = without["plan"] });
        Assert.NotEmpty(kept["plan"]!["entries"]!.AsArray());
    }

    [Fact]
    public async Task Cards_are_drawn_at_true_size_in_black_and_white()
    {
        var (address, view) = await ProposedAsync("Sea wall", "Straight", "rain saltWind tideWater");
        var cards = await CardsAsync(address);
        Assert.Equal(Enumerable.Range(1, (int)view["copies"]!), cards.Select(c => (int)c["copy"]!));

        // Who has no time is told of one after the other, and asks on: the same in the end.
        await using var hurried = host.WithWebHostBuilder(b => b.UseSetting("Cards:PatienceMs", "0"));
        await hurried.Services.GetRequiredService<Readiness>().Done;
        using var http = hurried.CreateClient();
        List<string> told = [];
        for (int? from = 1; from is not null;)
        {
            var some = JsonNode.Parse(await http.GetStringAsync($"{address}/cards?from={from}"))!;
            told.Add(some["cards"]!.AsArray().Single()!.ToJsonString());
            from = (int?)some["next"];
        }

        Assert.Equal(cards.Select(c => c.ToJsonString()), told);
        var svg = XDocument.Parse(await host.Http.GetStringAsync($"{address}/card.svg?copy=3"));
        Assert.Equal(("210mm", "148mm"), ((string)svg.Root!.Attribute("width")!, (string)svg.Root!.Attribute("height")!));
        var ns = svg.Root!.Name.Namespace;

        // The front is as long as the piece; lines of its board are told at both ends.
        Assert.Contains(svg.Descendants(ns + "rect"), r => (string)r.Attribute("width")! == "150");
        Assert.Contains(svg.Descendants(ns + "text"), t => t.Value.StartsWith("Tide", StringComparison.Ordinal));
        Assert.All(svg.Descendants().SelectMany(e => e.Attributes()).Where(a => a.Name.LocalName is "fill" or "stroke"), a => Assert.True(a.Value is "none" or "black" or "white" or "gray", a.Value));
        Assert.Equal(await host.Http.GetStringAsync($"{address}/card.svg?copy=3"), await host.Http.GetStringAsync($"{address}/card.svg?copy=3"));
        await host.RefusesAsync(HttpMethod.Get, $"{address}/card.svg?copy=99", null, "copy");
        await host.RefusesAsync(HttpMethod.Get, $"{address}/card.svg?copy=1&page=50", null, "page");
        await host.RefusesAsync(HttpMethod.Get, $"{address}/cards?from=0", null, "from");
        await host.RefusesAsync(HttpMethod.Get, $"{address}/cards?from=99", null, "from");
    }

    // Which cards there are, however many answers tell it.
    private async Task<List<JsonNode>> CardsAsync(string address)
    {
        var cards = new List<JsonNode>();
        for (int? from = 1; from is not null;)
        {
            var some = await host.GetAsync($"{address}/cards?from={from}");
            cards.AddRange(some["cards"]!.AsArray().Select(c => c!));
            from = (int?)some["next"];
        }

        return cards;
    }

    [Fact]
    public async Task Numbers_of_a_kind_are_the_same_on_screen_at_the_bench_and_on_paper_where_some_copies_have_too_many_for_them()
    {
        var (address, view) = await ProposedAsync("Sea wall", "Straight", "rain tideWater fought");
        var plan = view["plan"]!;

        // Sixteen on the mean of one kind: some copies have more, and then no copy has numbers for it; what comes after it begins at one all the same.
        var entries = plan["entries"]!.AsArray();
        entries.First(e => (string)e!["kind"]! == "chip")!["count"] = 16;
        view = await host.PutAsync(address, new { version = (int)view["version"]!, plan });
        var (copies, cards) = ((int)view["copies"]!, await CardsAsync(address));
        for (var copy = 1; copy <= copies; copy += copies - 1)
        {
            var card = "";
            for (var page = 1; page <= (int)cards[copy - 1]["pages"]!; page++)
            {
                card += await host.Http.GetStringAsync($"{address}/card.svg?copy={copy}&page={page}");
            }

            var seen = await host.GetAsync($"{address}?copy={copy}");
            foreach (var marks in seen["answer"]!["marks"]!.AsArray())
            {
                var entry = entries.Single(e => (string)e!["id"]! == (string)marks!["entryId"]!)!;
                var here = (await host.GetAsync($"/api/zones/{entry["zoneId"]}/coats/{entry["id"]}/marks")).AsArray()[copy - 1]!;
                var (first, count) = ((int)here["first"]!, marks!["marks"]!.AsArray().Count);
                Assert.Equal((int)marks["first"]!, first);
                Assert.True(first == 0 || card.Contains($">{first}-{first + count - 1} ", StringComparison.Ordinal), $"{first} of {entry["kind"]} on copy {copy}");
            }

            Assert.Contains(seen["answer"]!["marks"]!.AsArray(), m => (int)m!["first"]! == 1);
            Assert.Contains(seen["answer"]!["entries"]!.AsArray(), e => e!["perCopy"]!.AsArray().Select(n => (int)n!).ToList() is [_, ..] some && some.Min() <= 16 && some.Max() > 16);
        }
    }

    [Fact]
    public async Task Letters_are_shared_out_and_a_decal_brings_its_gloss()
    {
        var (piece, address) = await PieceAsync("Marsh crawler", "Hull");
        var view = await host.GetAsync(address);
        var zone = view["zones"]!.AsArray().First(z => (string)z!["facing"]! == "side")!;
        var plan = Plan("");
        plan["letters"] = new JsonArray(new JsonObject { ["id"] = Guid.NewGuid().ToString(), ["zoneId"] = (string)zone["id"]!, ["texts"] = new JsonArray("14", "27"), ["side"] = "front", ["xMm"] = 50, ["yMm"] = 20, ["tallMm"] = 6, ["by"] = "decal" });
        plan["pattern"] = new JsonObject { ["id"] = Guid.NewGuid().ToString(), ["zoneIds"] = new JsonArray((string)zone["id"]!), ["tones"] = new JsonArray(new JsonObject { ["materialId"] = (string)(await host.MaterialAsync("Rope Tan"))["id"]!, ["share"] = 0.4 }), ["patchRealMm"] = 600, ["stretch"] = 1.5, ["gapMm"] = 0.5 };
        var kept = await host.PutAsync(address, new { version = (int)view["version"]!, plan });
        var letters = kept["answer"]!["letters"]![0]!;
        Assert.Equal(["14", "27"], letters["perCopy"]!.AsArray().Select(t => (string)t!).Order());
        Assert.Equal(336.0, (double)letters["lifeMm"]!);
        Assert.Empty(letters["faults"]!.AsArray());
        var cells = string.Concat(kept["answer"]!["pattern"]!.AsArray().SelectMany(s => s!["rows"]!.AsArray()).Select(r => (string)r!));
        Assert.Equal(0.4, cells.Count(c => c == '0') / (double)cells.Length, 0.08);
        await host.PostAsync($"{address}/coats", new { version = (int)kept["version"]! });
        var coats = (await StacksAsync("Hull")).Single(z => z.Zone == (string)zone["id"]!).Coats;
        var gloss = coats.ToList().FindIndex(c => ((string?)c!["note"])?.StartsWith("Under the decal", StringComparison.Ordinal) == true);
        Assert.StartsWith("Over the decal", (string)coats[gloss + 1]!["note"]!, StringComparison.Ordinal);
        Assert.Contains(coats, c => ((string?)c!["note"])?.StartsWith("Tone 1", StringComparison.Ordinal) == true);
        Assert.Contains("14", await host.Http.GetStringAsync($"/api/pieces/{piece}/weathering/card.svg?copy={letters["perCopy"]!.AsArray().ToList().FindIndex(t => (string)t! == "14") + 1}"), StringComparison.Ordinal);
        await host.RefusesAsync(HttpMethod.Put, address, new { version = (int)kept["version"]! + 1, plan = plan.With("pattern", plan["pattern"]!.DeepClone().AsObject().With("tones", new JsonArray(new JsonObject { ["materialId"] = (string)(await host.MaterialAsync("Rope Tan"))["id"]!, ["share"] = 0.99 }))) }, "plan.pattern.tones");
    }

    [Fact]
    public async Task What_cannot_be_is_said_in_a_painters_words()
    {
        var (_, address) = await PieceAsync("Sea wall", "Sluice gate");
        var view = await host.GetAsync(address);
        var zone = (string)view["zones"]![0]!["id"]!;
        JsonObject With(params JsonObject[] entries) => Plan("", new JsonArray([.. entries]));
        static JsonObject Of(string zone, string kind, double count = 3) => new() { ["id"] = Guid.NewGuid().ToString(), ["zoneId"] = zone, ["kind"] = kind, ["count"] = count, ["widthMm"] = 0.5, ["lengthMm"] = 5 };
        await host.RefusesAsync(HttpMethod.Put, address, new { version = 0, plan = With(Of(Guid.NewGuid().ToString(), "rain")) }, "plan.entries[0].zoneId");
        await host.RefusesAsync(HttpMethod.Put, address, new { version = 0, plan = With(Of(zone, "rain").With("materialId", (string)(await host.MaterialAsync("Tarnside Matt Varnish"))["id"]!)) }, "plan.entries[0].materialId");
        await host.RefusesAsync(HttpMethod.Post, $"{address}/coats", new { version = 0 }, "version");

        // Faults of an entry are told beside it, and keep it out of the coats.
        var plan = With(Of(zone, "rust"), Of(zone, "moss"), Of(zone, "rain", 50)).With("hosts", new JsonArray(new JsonObject { ["zoneId"] = zone, ["iron"] = 0, ["ledges"] = 4 }));
        var kept = await host.PutAsync(address, new { version = 0, plan });
        string[] Faults(string kind) => [.. Said(kept, Entry(kept, kind))["faults"]!.AsArray().Select(f => (string)f!)];
        Assert.Equal(["No bare iron: rings, bars, bolts are counted on Planks: count them, or drop the rust runs."], Faults("rust"));
        Assert.Contains("is found on what faces up", Faults("moss").Single(), StringComparison.Ordinal);
        Assert.Contains("4 places", Faults("rain").Single(), StringComparison.Ordinal);
        Assert.All(kept["answer"]!["stacks"]!.AsArray(), s => Assert.DoesNotContain(s!["coats"]!.AsArray(), c => c!["marks"]?["kind"] is not null));
        await host.RefusesAsync(HttpMethod.Post, $"{address}/kind", new { plan, zoneId = zone, kind = "moss" }, "kind", HttpStatusCode.Conflict);
        Assert.Equal("drip", (string)(await host.PostAsync($"{address}/kind", new { plan, zoneId = zone, kind = "drip" }))["kind"]!);
    }

    [Fact]
    public async Task A_whole_draft_comes_back_computed_out_and_nothing_is_kept()
    {
        var zone = Guid.NewGuid();
        var preview = new JsonObject
        {
            ["set"] = "seawall",
            ["piece"] = "straight",
            ["copies"] = 6,
            ["lengthMm"] = 150,
            ["widthMm"] = 14,
            ["heightMm"] = 70,
            ["zones"] = new JsonArray(new JsonObject { ["id"] = zone.ToString(), ["name"] = "stone", ["zone"] = new JsonObject { ["substrate"] = "foam", ["areaMm2"] = 22960, ["facing"] = "side" }, ["coats"] = new JsonArray() }),
            ["plan"] = Plan("rain tideWater").With("hosts", new JsonArray(new JsonObject { ["zoneId"] = zone.ToString(), ["ledges"] = 14 })),
        };
        var answer = await host.PostAsync("/api/preview/weathering", preview);
        Assert.Equal(["damp", "grime", "rain", "salt", "tide", "weed"], answer["entries"]!.AsArray().Select(e => (string)e!["kind"]!).Order(StringComparer.Ordinal));
        var rain = answer["entries"]!.AsArray().Single(e => (string)e!["kind"]! == "rain")!;
        Assert.Equal(7.0, (double)rain["count"]!);
        Assert.Equal(42, (int)answer["answer"]!["entries"]!.AsArray().Single(e => (string)e!["id"]! == (string)rain["id"]!)!["total"]!);
        Assert.Equal(answer.ToJsonString(), (await host.PostAsync("/api/preview/weathering", preview)).ToJsonString());
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/weathering", preview.DeepClone().AsObject().With("heightMm", 0), "heightMm");
        var scaled = preview.DeepClone().AsObject();
        scaled["zones"]![0]!["zone"]!["scale"] = 0;
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/weathering", scaled, "zones[0].zone.scale");
    }

    [Fact]
    public async Task A_copied_set_takes_its_plans_along()
    {
        var (_, view) = await ProposedAsync("Brine pans", "Shallow pan", "rain sun");
        var copied = (await host.PostAsync($"/api/sets/{view["setId"]}/copy", null, HttpStatusCode.Created))["id"]!;
        var piece = (await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["id"]! == (string)copied!)!["pieces"]![0]!["id"]!;
        var other = await host.GetAsync($"/api/pieces/{piece}/weathering");
        Assert.Equal(view["plan"]!["entries"]!.AsArray().Count, other["plan"]!["entries"]!.AsArray().Count);
        Assert.All(other["plan"]!["entries"]!.AsArray(), e => Assert.Contains(other["zones"]!.AsArray(), z => (string)z!["id"]! == (string)e!["zoneId"]!));
        await host.DeleteAsync($"/api/sets/{copied}");
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece}/weathering", null, "id", HttpStatusCode.NotFound);
    }

    private async Task<List<(string Zone, string Scheme, JsonArray Coats)>> StacksAsync(string piece)
    {
        var of = (await host.GetAsync("/api/sets")).AsArray().SelectMany(s => s!["pieces"]!.AsArray()).First(p => (string)p!["piece"]!["name"]! == piece)!;
        var stacks = new List<(string, string, JsonArray)>();
        foreach (var zone in of["zones"]!.AsArray())
        {
            var scheme = (await host.GetAsync($"/api/zones/{zone!["id"]}"))["scheme"]!;
            stacks.Add(((string)zone["id"]!, (string)scheme["id"]!, scheme["coats"]!.AsArray()));
        }

        return stacks;
    }
}
