using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Rules over all zones of a piece, asked with stacks that are sent.</summary>
public sealed class PieceTests(TestHost host) : IClassFixture<TestHost>
{
    private readonly Guid wall = Guid.NewGuid();
    private readonly Guid trim = Guid.NewGuid();

    private static JsonObject Zone(Guid id, string name, double areaMm2, Guid touches, params JsonObject[] coats) => new()
    {
        ["id"] = id.ToString(),
        ["name"] = name,
        ["zone"] = new JsonObject { ["substrate"] = "resin", ["relief"] = "textured", ["areaMm2"] = areaMm2, ["copies"] = 4 },
        ["coats"] = new JsonArray(coats),
        ["touches"] = new JsonArray(touches.ToString()),
    };

    private static JsonObject Paint(string technique, string name, string colour) => Drafts.Coat(technique, new() { ["name"] = name, ["family"] = "acrylicPaint", ["colour"] = colour }, 0.6);

    // Neat trim first, then the wall is sprayed beside it.
    private JsonObject Piece(bool wallFirst = false, string wallBy = "airbrush")
    {
        JsonObject[] zones =
        [
            Zone(trim, "Trim", 6000, wall, Paint("baseCoat", "Tarred Oak", "#4a3a2c"), Paint("edgeHighlight", "Driftwood", "#a3947c")),
            Zone(wall, "Wall", 20_000, trim, Paint(wallBy, "Bone Shell", "#d8cfb4")),
        ];
        return new() { ["zones"] = new JsonArray(wallFirst ? [zones[1], zones[0]] : zones) };
    }

    private static string[] Rules(JsonNode answer) => [.. answer["findings"]!.AsArray().Select(f => (string)f!["rule"]!)];

    [Fact]
    public async Task A_spray_beside_a_finished_zone_is_told_with_what_it_costs_and_a_better_order()
    {
        var answer = await host.PostAsync("/api/preview/piece", Piece());
        Assert.Contains("overspray-neighbour", Rules(answer));
        var finding = answer["findings"]!.AsArray().First(f => (string)f!["rule"]! == "overspray-neighbour")!;
        Assert.Equal((wall.ToString(), trim.ToString(), "note"), ((string)finding["zoneId"]!, (string)finding["withZoneId"]!, (string)finding["severity"]!));
        Assert.True((double)finding["minutes"]! > 0);
        Assert.Contains("min", (string)finding["figure"]!, StringComparison.Ordinal);
        Assert.Equal([wall.ToString(), trim.ToString()], answer["better"]!["zoneIds"]!.AsArray().Select(z => (string)z!));
        Assert.True((double)answer["better"]!["savesMinutes"]! >= 1);
    }

    [Theory]
    [InlineData(true, "airbrush")]
    [InlineData(false, "baseCoat")]
    public async Task Messy_before_neat_and_brushwork_are_left_in_peace(bool wallFirst, string by)
    {
        var answer = await host.PostAsync("/api/preview/piece", Piece(wallFirst, by));
        Assert.Empty(Rules(answer));
        Assert.Null(answer["better"]);
    }

    [Fact]
    public async Task A_finding_rests_once_the_painter_knows_until_its_coat_changes()
    {
        var piece = Piece();
        var finding = (await host.PostAsync("/api/preview/piece", piece))["findings"]!.AsArray().First(f => (string)f!["rule"]! == "overspray-neighbour")!;
        var coat = piece["zones"]![1]!["coats"]![0]!.AsObject();
        coat["known"] = new JsonArray(new JsonObject { ["rule"] = "overspray-neighbour", ["aspect"] = "", ["mark"] = (string)finding["mark"]!, ["reason"] = "it is masked" });
        var rests = (await host.PostAsync("/api/preview/piece", piece))["findings"]!.AsArray().First(f => (string)f!["rule"]! == "overspray-neighbour")!;
        Assert.Equal("it is masked", (string)rests["rests"]!);
        coat["technique"] = "zenithal";
        var other = (await host.PostAsync("/api/preview/piece", piece))["findings"]!.AsArray().Where(f => (string)f!["rule"]! == "overspray-neighbour");
        Assert.All(other, f => Assert.Null(f!["rests"]));
    }

    [Fact]
    public async Task A_coat_on_a_zone_that_an_assembly_step_has_closed_is_a_stop()
    {
        var piece = Piece(wallFirst: true);
        piece["assembly"] = new JsonArray(new JsonObject { ["name"] = "roof", ["closes"] = new JsonArray(trim.ToString()), ["afterZoneId"] = wall.ToString() });
        var answer = await host.PostAsync("/api/preview/piece", piece);
        var finding = Assert.Single(answer["findings"]!.AsArray(), f => (string)f!["rule"]! == "blocked-after-assembly")!;
        Assert.Equal(("stop", trim.ToString()), ((string)finding["severity"]!, (string)finding["zoneId"]!));
    }

    [Fact]
    public async Task Films_on_both_faces_of_a_join_are_held_against_its_clearance()
    {
        var piece = Piece(wallFirst: true);
        piece["joins"] = new JsonArray(new JsonObject { ["a"] = wall.ToString(), ["b"] = trim.ToString(), ["clearanceMm"] = 0.01 });
        Assert.Contains("joint-clearance", Rules(await host.PostAsync("/api/preview/piece", piece)));
        piece["joins"]![0]!["clearanceMm"] = 2;
        Assert.DoesNotContain("joint-clearance", Rules(await host.PostAsync("/api/preview/piece", piece)));
    }

    [Fact]
    public async Task What_is_wrong_with_a_piece_is_named()
    {
        var nobody = Guid.NewGuid().ToString();
        await RefusedAsync(p => p["zones"]![0]!["touches"] = new JsonArray(nobody), "no zone of this piece");
        await RefusedAsync(p => p["zones"]![0]!["id"] = wall.ToString(), "given twice");
        await RefusedAsync(p => p["joins"] = new JsonArray(new JsonObject { ["a"] = wall.ToString(), ["b"] = wall.ToString(), ["clearanceMm"] = 1 }), "not joined to itself");
        await RefusedAsync(p => p["joins"] = new JsonArray(new JsonObject { ["a"] = wall.ToString(), ["b"] = trim.ToString(), ["clearanceMm"] = -1 }), "give 0 to 50 mm");
        await RefusedAsync(p => p["assembly"] = new JsonArray(new JsonObject { ["name"] = "roof", ["closes"] = new JsonArray(nobody) }), "no zone of this piece");
        await RefusedAsync(p => p["assembly"] = new JsonArray(new JsonObject { ["name"] = "roof", ["closes"] = new JsonArray(), ["afterZoneId"] = wall.ToString(), ["afterCoatId"] = nobody }), "no coat of that zone");
        await RefusedAsync(p => p["zones"] = new JsonArray(), "give 1 to 60");
    }

    private async Task RefusedAsync(Action<JsonObject> spoil, string says)
    {
        var piece = Piece();
        spoil(piece);
        var problem = await host.PostAsync("/api/preview/piece", piece, HttpStatusCode.BadRequest);
        Assert.Contains(says, problem["errors"]!.ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_zone_is_judged_alike_in_the_list_of_sets_and_on_its_own_screen()
    {
        foreach (var zone in (await host.GetAsync("/api/sets")).AsArray().SelectMany(s => s!["pieces"]!.AsArray()).SelectMany(p => p!["zones"]!.AsArray()).Take(12))
        {
            var page = await host.GetAsync($"/api/zones/{(string)zone!["id"]!}");
            Assert.Equal(17, (double)page["zone"]!["air"]!["temperatureC"]!);
            var answer = await host.PostAsync("/api/preview/stack", new JsonObject { ["zone"] = page["zone"]!.DeepClone(), ["coats"] = page["scheme"]!["coats"]!.DeepClone(), ["schools"] = page["schools"]!.DeepClone() });
            int Count(string severity) => answer["findings"]!.AsArray().Count(f => (string)f!["severity"]! == severity);
            Assert.Equal((Count("stop"), Count("risk"), Count("note")), ((int)zone["findings"]!["stops"]!, (int)zone["findings"]!["risks"]!, (int)zone["findings"]!["notes"]!));
        }
    }

    [Fact]
    public async Task The_pieces_of_the_demo_carry_their_judgement_and_the_stack_screen_what_is_around()
    {
        var sets = await host.GetAsync("/api/sets");
        var pieces = sets.AsArray().SelectMany(s => s!["pieces"]!.AsArray()).ToList();
        Assert.All(pieces, p => Assert.DoesNotContain("stop", p!["judgement"]!["findings"]!.AsArray().Select(f => (string)f!["severity"]!)));
        Assert.Contains(pieces, p => p!["judgement"]!["findings"]!.AsArray().Count > 0);
        var gate = pieces.Single(p => (string)p!["piece"]!["name"]! == "Sluice gate")!;
        var page = await host.GetAsync($"/api/zones/{(string)gate["zones"]![0]!["id"]!}");
        var asked = page["around"]!.AsObject();
        var answer = await host.PostAsync("/api/preview/piece", JsonNode.Parse(asked.ToJsonString())!.AsObject());
        Assert.Equal(gate["judgement"]!["findings"]!.AsArray().Select(f => (string)f!["rule"]!), Rules(answer));
    }
}
