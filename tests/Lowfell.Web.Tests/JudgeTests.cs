using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>The judge as it answers to inline stacks: everyday and faulty ones, waits, heights, and what can't be meant.</summary>
public sealed class JudgeTests(TestHost host) : IClassFixture<TestHost>
{
    private static readonly string[] Worst = ["stop", "risk", "note"];
    private static readonly string[] OfZone = ["substrate", "relief", "facing", "areaMm2", "copies", "handled", "finish", "smallestDetailMm", "rim"];

    private static JsonNode Book { get; } = JsonNode.Parse(File.ReadAllText(Textbook()))!;

    public static TheoryData<string, bool> Everyday => Both("good");

    public static TheoryData<string> Faulty => [.. Book["faulty"]!.AsArray().Select(s => (string)s!["name"]!)];

    private static string Textbook([System.Runtime.CompilerServices.CallerFilePath] string here = "") => Path.Combine(Path.GetDirectoryName(here)!, "..", "Lowfell.Core.Tests", "Rules", "textbook-stacks.json");

    private static TheoryData<string, bool> Both(string list)
    {
        var both = new TheoryData<string, bool>();
        foreach (var stack in Book[list]!.AsArray())
        {
            both.Add((string)stack!["name"]!, true);
            both.Add((string)stack["name"]!, false);
        }

        return both;
    }

    // Materials by family and colour alone; what the file leaves out is one, or left to the technique.
    private static JsonObject Request(string list, string name, bool neat)
    {
        var stack = Book[list]!.AsArray().Single(s => (string)s!["name"]! == name)!;
        var zone = new JsonObject();
        foreach (var field in OfZone.Where(f => stack[f] is not null))
        {
            zone[field] = stack[field]!.DeepClone();
        }

        return new()
        {
            ["zone"] = zone,
            ["coats"] = new JsonArray([.. stack["coats"]!.AsArray().Select(c => Coat(c!.AsObject(), neat))]),
        };
    }

    private static JsonObject Coat(JsonObject told, bool neat)
    {
        var coat = new JsonObject { ["id"] = Guid.NewGuid().ToString() };
        var material = new JsonObject();
        foreach (var (field, value) in told)
        {
            (field is "family" or "colour" or "sheen" or "effect" ? material : coat)[field] = value?.DeepClone();
        }

        if (material.Count > 0)
        {
            coat["material"] = material;
        }

        if (neat && !told.ContainsKey("paintFraction"))
        {
            coat["paintFraction"] = 1;
        }

        return coat;
    }

    [Theory]
    [MemberData(nameof(Everyday))]
    public async Task Everyday_work_gets_no_stop_and_no_risk(string name, bool neat)
    {
        var answer = await host.PostAsync("/api/preview/stack", Request("good", name, neat));
        var bad = answer["findings"]!.AsArray().Where(f => (string)f!["severity"]! != "note").Select(f => $"{f!["severity"]} {f["rule"]}");
        Assert.Empty(bad);
    }

    [Theory]
    [MemberData(nameof(Faulty))]
    public async Task A_fault_is_found_by_its_rule(string name)
    {
        var stack = Book["faulty"]!.AsArray().Single(s => (string)s!["name"]! == name)!;
        var answer = await host.PostAsync("/api/preview/stack", Request("faulty", name, neat: true));
        var found = answer["findings"]!.AsArray().Where(f => (string)f!["rule"]! == (string)stack["finds"]!).Select(f => Array.IndexOf(Worst, (string)f!["severity"]!));
        Assert.Contains(found, s => s <= Array.IndexOf(Worst, ((string?)stack["severity"] ?? "note").ToLowerInvariant()));
    }

    private static JsonObject Wall() => Drafts.Stack(
        Drafts.Coat("sprayCan", new() { ["family"] = "primerAerosol", ["colour"] = "#3a3a3c" }),
        Drafts.Coat("baseCoat", new() { ["family"] = "acrylicPaint", ["colour"] = "#b59a6b" }, 0.75),
        Drafts.Coat("wash", new() { ["family"] = "acrylicWash", ["colour"] = "#3b2a1c" }, 0.5),
        Drafts.Coat("dryBrush", new() { ["family"] = "acrylicPaint", ["colour"] = "#d8cfb4" }));

    [Fact]
    public async Task Each_coat_says_what_it_waits_for_and_how_long()
    {
        var strata = (await host.PostAsync("/api/preview/stack", Wall()))["strata"]!.AsArray();
        var wait = strata[3]!["wait"]!;
        Assert.Equal(("recoat", "wash"), ((string)wait["kind"]!, (string)wait["film"]!));
        Assert.Equal((string)strata[2]!["coatId"]!, (string)wait["from"]!);
        Assert.InRange((double)wait["minutes"]!, 20, 240);
        Assert.Null(wait["needed"]);
    }

    [Fact]
    public async Task A_wait_may_be_longer_for_nothing_and_shorter_at_a_price()
    {
        var longer = await host.PostAsync("/api/preview/stack", Wall().With("coats.3.waitMinutes", 2000));
        Assert.Equal(2000, (double)longer["strata"]![3]!["wait"]!["minutes"]!);
        Assert.DoesNotContain(longer["findings"]!.AsArray(), f => (string)f!["rule"]! == "coat-too-soon");
        var shorter = await host.PostAsync("/api/preview/stack", Wall().With("coats.3.waitMinutes", 2));
        Assert.True((double)shorter["strata"]![3]!["wait"]!["needed"]! > 20);
        var finding = shorter["findings"]!.AsArray().Single(f => (string)f!["rule"]! == "coat-too-soon")!;
        Assert.Equal("stop", (string)finding["severity"]!);
    }

    [Fact]
    public async Task A_coat_into_wet_paint_waits_for_nothing_and_has_a_last_moment()
    {
        var wet = await host.PostAsync("/api/preview/stack", Wall().With("coats.3.whileWet", true).With("coats.3.technique", "baseCoat"));
        var wait = wet["strata"]![3]!["wait"]!;
        Assert.Equal("whileWet", (string)wait["kind"]!);
        Assert.True((double)wait["most"]! > 0);
    }

    [Fact]
    public async Task A_zone_told_by_height_shows_top_middle_and_foot()
    {
        var draft = Wall().With("zone.heightFromMm", 0).With("zone.heightToMm", 40).With("zone.pieceHeightMm", 60).With("coats.2.fade", JsonNode.Parse("""{"fullMm":5,"noneMm":30}"""));
        var heights = (await host.PostAsync("/api/preview/stack", draft))["elevations"]!;
        Assert.Equal((40, 20, 0), ((double)heights["top"]!["heightMm"]!, (double)heights["middle"]!["heightMm"]!, (double)heights["foot"]!["heightMm"]!));
        string Recess(string place) => (string)heights[place]!["strata"]!.AsArray()[2]!.AsArray()[0]!;
        Assert.NotEqual(Recess("top"), Recess("foot"));
        Assert.NotEqual(Recess("middle"), Recess("foot"));
        Assert.Null((await host.PostAsync("/api/preview/stack", Wall()))["elevations"]);
    }

    [Fact]
    public async Task Mend_all_says_what_it_did_and_its_coats_are_sound()
    {
        var draft = Drafts.Stack(
            Drafts.Coat("sprayCan", new() { ["family"] = "primerAerosol", ["colour"] = "#3a3a3c" }),
            Drafts.Coat("baseCoat", new() { ["family"] = "acrylicPaint", ["colour"] = "#5b6a50" }, 0.75),
            Drafts.Coat("pinWash", new() { ["family"] = "enamelWash", ["colour"] = "#2a211b" }, 0.8),
            Drafts.Coat("varnishSpray", new() { ["family"] = "varnishWater", ["sheen"] = "gloss" }, 0.8));
        var mended = await host.PostAsync("/api/preview/mend-all", draft);
        Assert.True((int)mended["before"]!["risks"]! > 0);
        Assert.Equal((0, 0), ((int)mended["after"]!["stops"]!, (int)mended["after"]!["risks"]!));
        Assert.All(mended["steps"]!.AsArray(), s => Assert.True(((string)s!["label"]!).Length > 3 && ((string)s["what"]!).EndsWith('.')));
        var again = Drafts.Stack([.. mended["coats"]!.AsArray().Select(c => (JsonObject)c!.DeepClone())]);
        Assert.DoesNotContain((await host.PostAsync("/api/preview/stack", again))["findings"]!.AsArray(), f => (string)f!["severity"]! != "note");
        Assert.Empty((await host.PostAsync("/api/preview/mend-all", again))["steps"]!.AsArray());
    }

    [Fact]
    public async Task The_figure_behind_a_finding_and_the_school_that_decides_are_told()
    {
        var heavy = Wall().With("coats.2.paintFraction", 1);
        var finding = (await host.PostAsync("/api/preview/stack", heavy))["findings"]!.AsArray().Single(f => (string)f!["rule"]! == "heavy-wash")!;
        Assert.Contains("school", (string)finding["school"]!, StringComparison.Ordinal);
        var other = ((JsonObject)heavy.DeepClone()).With("schools", JsonNode.Parse("""{"wash":"oneGenerous"}"""));
        Assert.DoesNotContain((await host.PostAsync("/api/preview/stack", other))["findings"]!.AsArray(), f => (string)f!["rule"]! == "heavy-wash");
    }

    [Theory]
    [InlineData("coats.3.waitMinutes", "-1", "Coat 4", "0 to 86400")]
    [InlineData("coats.3.waitMinutes", "90000", "Coat 4", "0 to 86400")]
    [InlineData("coats.0.whileWet", "true", "Coat 1", "")]
    [InlineData("coats.2.marks", """{"count":3,"widthMm":0,"lengthMm":2}""", "Coat 3", "")]
    [InlineData("coats.2.marks", """{"count":0,"widthMm":1,"lengthMm":2}""", "Coat 3", "")]
    [InlineData("coats.2.known", """[{"rule":"no-such-rule","aspect":"","reason":"x","mark":"y"}]""", "no-such-rule", "")]
    [InlineData("zone.heightToMm", "12", "eight", "")]
    [InlineData("zone.scale", "0", "Scale", "1 to 1000")]
    [InlineData("zone.viewingMm", "5", "Viewing distance", "")]
    [InlineData("zone.litEdges", "1.5", "Share of edges in the light", "0 to 1")]
    [InlineData("zone.unseen", "1.1", "Share that nobody sees", "")]
    [InlineData("schools", """{"wash":"none"}""", "is not known; twoThin, oneGenerous are.", "")]
    [InlineData("schools", """{"taste":"good"}""", "nothing is called that here", "")]
    [InlineData("coats.1.material.family", "\"gouache\"", "'gouache' is not known", "")]
    [InlineData("coats.1.technique", "\"dunk\"", "'dunk' is not known", "")]
    public async Task What_can_not_be_meant_is_named_in_the_painters_words(string path, string json, string says, string allowed)
    {
        var problem = await host.PostAsync("/api/preview/stack", Wall().With(path, JsonNode.Parse(json)), HttpStatusCode.BadRequest);
        var text = string.Join(" ", problem["errors"]!.AsObject().SelectMany(e => e.Value!.AsArray()).Select(m => (string)m!));
        Assert.Contains(says, text, StringComparison.Ordinal);
        Assert.Contains(allowed, text, StringComparison.Ordinal);
        Assert.DoesNotContain(".NET", text, StringComparison.Ordinal);
        Assert.DoesNotContain("$", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Heights_stay_within_the_piece_and_in_their_order()
    {
        var crossed = Wall().With("zone.heightFromMm", 30).With("zone.heightToMm", 10);
        await host.PostAsync("/api/preview/stack", crossed, HttpStatusCode.BadRequest);
        var outside = Wall().With("zone.heightFromMm", 0).With("zone.heightToMm", 90).With("zone.pieceHeightMm", 60);
        await host.PostAsync("/api/preview/stack", outside, HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task Nothing_is_worked_wet_over_a_film_that_never_was_wet()
    {
        var dry = Drafts.Stack(
            Drafts.Coat("baseCoat", new() { ["family"] = "acrylicPaint", ["colour"] = "#b59a6b" }, 0.75),
            Drafts.Coat("pigment", new() { ["family"] = "pigment", ["colour"] = "#8a7558" }),
            Drafts.Coat("baseCoat", new() { ["family"] = "acrylicPaint", ["colour"] = "#5b6a50" }, 0.75).With("whileWet", true));
        var problem = await host.PostAsync("/api/preview/stack", dry, HttpStatusCode.BadRequest);
        Assert.Contains("Coat 3", problem["errors"]!.ToJsonString(), StringComparison.Ordinal);
    }
}
