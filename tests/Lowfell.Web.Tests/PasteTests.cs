using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Pieces by paste; amounts of one piece; what a stack costs; when sets are done.</summary>
public sealed class PasteTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<string> SetAsync(string name) => (string)(await host.PostAsync("/api/sets", new { name }, HttpStatusCode.Created))["id"]!;

    private Task<JsonNode> PasteAsync(string set, string text, bool dryRun = false, HttpStatusCode expected = HttpStatusCode.OK) =>
        host.PostAsync($"/api/sets/{set}/pieces/paste", new { text, substrate = "resin", dryRun }, expected);

    [Fact]
    public async Task A_list_is_looked_at_and_then_taken_whole_and_zones_of_one_name_share_their_coats()
    {
        var set = await SetAsync("Groyne");
        const string List = "Post, 12, 8 x 8 x 60, Timber + Weed line\nRail, 4, 120 x 5 x 8, timber\nCap";
        var seen = (await PasteAsync(set, List, dryRun: true)).AsArray();
        Assert.Equal(["8 x 8 x 60 mm", "120 x 5 x 8 mm", ""], seen.Select(l => (string)l!["size"]!));
        Assert.Empty((await host.GetAsync($"/api/sets/{set}"))["pieces"]!.AsArray());

        await PasteAsync(set, List);
        var pieces = (await host.GetAsync($"/api/sets/{set}"))["pieces"]!.AsArray();
        Assert.Equal(["Post", "Rail", "Cap"], pieces.Select(p => (string)p!["piece"]!["name"]!));
        Assert.Equal([12, 4, 1], pieces.Select(p => (int)p!["piece"]!["copies"]!));
        Assert.All(pieces, p => Assert.Equal("resin", (string)p!["piece"]!["substrate"]!));
        var timber = (string)pieces[0]!["zones"]![0]!["settings"]!["schemeId"]!;
        Assert.Equal(timber, (string)pieces[1]!["zones"]![0]!["settings"]!["schemeId"]!);
        Assert.NotEqual(timber, (string)pieces[0]!["zones"]![1]!["settings"]!["schemeId"]!);
        Assert.Equal(0.5, (double)pieces[0]!["zones"]![0]!["settings"]!["areaShare"]!);
        await host.GetAsync($"/api/zones/{pieces[0]!["zones"]![1]!["id"]}");
    }

    [Fact]
    public async Task One_wrong_line_keeps_all_of_them_out_and_is_named()
    {
        var set = await SetAsync("Mole");
        var seen = (await PasteAsync(set, "Good\nBad, many", dryRun: true)).AsArray();
        Assert.Null(seen[0]!["fault"]);
        Assert.Contains("'many'", (string)seen[1]!["fault"]!);
        var problem = await PasteAsync(set, "Good\nBad, many", expected: HttpStatusCode.BadRequest);
        Assert.Contains("Line 2", problem["errors"]!["text"]![0]!.ToString());
        Assert.Empty((await host.GetAsync($"/api/sets/{set}"))["pieces"]!.AsArray());
    }

    [Fact]
    public async Task Twenty_thousand_pieces_are_refused_at_once_and_a_full_set_says_how_full_it_is()
    {
        var set = await SetAsync("Pier");
        var problem = await PasteAsync(set, string.Join('\n', Enumerable.Range(1, 20_000).Select(i => "Post")), expected: HttpStatusCode.BadRequest);
        Assert.Contains("20000 lines are too many, 500", problem["errors"]!["text"]![0]!.ToString());
        await PasteAsync(set, string.Join('\n', Enumerable.Range(1, 480).Select(i => $"Post {i}")));
        problem = await PasteAsync(set, string.Join('\n', Enumerable.Range(1, 30).Select(i => $"More {i}")), expected: HttpStatusCode.BadRequest);
        Assert.Contains("the 480 that are there", problem["errors"]!["text"]![0]!.ToString());
        await PasteAsync(Guid.NewGuid().ToString(), "Post", expected: HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Amounts_of_the_pieces_of_a_set_add_up_to_those_of_the_set()
    {
        var set = (await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == "Marsh crawler")!;
        double Total(JsonNode amounts) => amounts["coats"]!.AsArray().Sum(c => (double)c!["totalMl"]!);
        var parts = 0.0;
        foreach (var piece in set["pieces"]!.AsArray())
        {
            parts += Total(await host.PostAsync("/api/amounts", new { pieceId = (string)piece!["id"]! }));
        }

        // Lots of several pieces share what is lost in the palette: never more together than apart.
        Assert.InRange(Total(await host.PostAsync("/api/amounts", new { setId = (string)set["id"]! })), 0.6 * parts, parts + 0.1);
        await host.SendAsync(HttpMethod.Post, "/api/amounts", new { pieceId = Guid.NewGuid() }, HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_stack_without_coats_costs_nothing_and_one_more_coat_costs_more()
    {
        var page = await host.ZoneAsync("Stone courses");
        var coats = page["scheme"]!["coats"]!.AsArray();
        async Task<JsonNode> CostAsync(int count) => await host.PostAsync("/api/preview/cost", new { zone = page["zone"], coats = coats.Take(count).Select(c => c!.DeepClone()), schools = page["schools"] });
        Assert.Equal((0, 0.0, 0.0), ((int)(await CostAsync(0))["coats"]!, (double)(await CostAsync(0))["minutes"]!, (double)(await CostAsync(0))["ml"]!));
        var before = 0.0;
        for (var count = 1; count <= coats.Count; count++)
        {
            var minutes = (double)(await CostAsync(count))["minutes"]!;
            Assert.True(minutes > before);
            before = minutes;
        }
    }

    [Fact]
    public async Task Sets_are_done_on_the_last_evening_that_has_a_step_of_theirs()
    {
        // Held, so that both askings are of the same plan.
        var plan = await host.PutAsync("/api/plan/held", new { request = new { } });
        var done = (await host.GetAsync("/api/plan/done-by")).AsArray();
        var setOf = (await host.GetAsync("/api/zones")).AsArray().ToDictionary(z => (string)z!["id"]!, z => (string)z!["setId"]!);
        Assert.Equal((string)plan["summary"]!["doneOn"]!, done.Max(d => (string)d!["doneOn"]!));
        Assert.Equal(5, done.Count);
        foreach (var set in done)
        {
            var last = plan["calendar"]!.AsArray().Last(e => e!["steps"]!.AsArray().Any(s => setOf[(string)s!["zoneId"]!] == (string)set!["setId"]!))!;
            Assert.Equal((string)last["day"]!, (string)set!["doneOn"]!);
        }
    }
}
