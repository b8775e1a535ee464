using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Which coats make a piece good enough, and a bare detail, over the API.</summary>
public sealed class StairTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<(string Piece, string[] Zones)> PieceAsync(string name)
    {
        var piece = (await host.GetAsync("/api/sets")).AsArray().SelectMany(s => s!["pieces"]!.AsArray()).Single(p => (string)p!["piece"]!["name"]! == name)!;
        return ((string)piece["id"]!, [.. piece["zones"]!.AsArray().Select(z => (string)z!["id"]!)]);
    }

    private async Task<string> CoatsAsync(string[] zones)
    {
        var all = new List<string>();
        foreach (var zone in zones)
        {
            all.Add((await host.GetAsync($"/api/zones/{zone}"))["scheme"]!["coats"]!.ToJsonString());
        }

        return string.Join('\n', all);
    }

    [Fact]
    public async Task A_finish_is_shown_taken_and_put_back_as_one()
    {
        var (piece, zones) = await PieceAsync("Straight");
        var stairs = await host.GetAsync($"/api/pieces/{piece}/sight/stairs?minutes=20");
        Assert.Equal(["table", "good", "show"], stairs["finishes"]!.AsArray().Select(f => (string)f!["finish"]!));
        var table = stairs["finishes"]![0]!;
        Assert.True((double)table["minutes"]! <= (double)stairs["minutes"]!);
        Assert.All(table["steps"]!.AsArray(), s => Assert.Contains((string)s!["word"]!, new[] { "lost", "barely" }));
        var stair = stairs["stairs"]!.AsArray();
        Assert.NotEmpty(stair);
        Assert.Equal(stair.Select(s => (double)s!["minutesLeft"]!).OrderDescending(), stair.Select(s => (double)s!["minutesLeft"]!));
        Assert.NotNull(stairs["within"]);

        var drop = new[] { stair[0]! };
        var coats = drop.SelectMany(s => s["coatIds"]!.AsArray().Select(c => new { zoneId = (string)s["zoneId"]!, coatId = (string)c! })).ToArray();
        var before = await CoatsAsync(zones);
        await host.SendAsync(HttpMethod.Post, $"/api/pieces/{piece}/sight/cut", new { coats }, HttpStatusCode.NoContent);
        var after = await host.GetAsync($"/api/pieces/{piece}/sight/stairs");
        Assert.Equal((double)stair[0]!["minutesLeft"]!, (double)after["minutes"]! * (int)after["copies"]!, 0.1);
        Assert.NotEqual(before, await CoatsAsync(zones));
        await host.SendAsync(HttpMethod.Post, $"/api/pieces/{piece}/sight/cut", new { coats, skip = false }, HttpStatusCode.NoContent);
        Assert.Equal(before, await CoatsAsync(zones));
    }

    [Fact]
    public async Task What_cannot_be_left_out_is_refused_and_nothing_is_changed()
    {
        var (piece, zones) = await PieceAsync("Straight");
        var before = await CoatsAsync(zones);
        var first = (string)JsonNode.Parse((await CoatsAsync(zones)).Split('\n')[0])![0]!["id"]!;
        await host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{piece}/sight/cut", new { coats = new[] { new { zoneId = zones[0], coatId = first }, new { zoneId = zones[1], coatId = Guid.NewGuid().ToString() } } }, "coats", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{piece}/sight/cut", new { coats = new[] { new { zoneId = Guid.NewGuid(), coatId = Guid.NewGuid() } } }, "coats", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{piece}/sight/cut", new { coats = Array.Empty<object>() }, "coats");
        await host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{Guid.NewGuid()}/sight/cut", new { coats = new[] { new { zoneId = zones[0], coatId = first } } }, "id", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece}/sight/stairs?minutes=-1", null, "minutes");
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece}/sight/stairs?metres=9", null, "metres");
        Assert.Equal(before, await CoatsAsync(zones));
    }

    [Fact]
    public async Task A_bare_detail_is_answered_with_how_far_over_the_threshold_it_is()
    {
        // A dark hair on paper is noticed without searching to 1.6 m, and last at 3.3.
        async Task<JsonNode> HairAsync(double m) => (await host.PostAsync("/api/preview/table-check", new { widthMm = 0.07, lengthMm = 30, colour = "#2a2018", ground = "#f2efe6", distanceM = m })).AsArray().Single()!;
        Assert.Equal(2.5, (double)(await HairAsync(1.6))["j"]!, 0.15);
        Assert.Equal(1, (double)(await HairAsync(3.3))["j"]!, 0.05);
        Assert.Equal("lost", (string)(await HairAsync(4))["word"]!);
        Assert.Equal("seen", (string)(await HairAsync(0.5))["word"]!);
        Assert.Equal(0.24, (double)(await HairAsync(1))["formM"]!, 0.01);
        async Task<double> JAsync(object detail) => (double)(await host.PostAsync("/api/preview/table-check", detail)).AsArray().Single()!["j"]!;
        var detail = new { widthMm = 0.5, colour = "#7a7a5c", ground = "#8a8a6c", distanceM = 1.0, whiteCdM2 = 150.0, acuity = 1.0 };
        Assert.True(await JAsync(detail with { whiteCdM2 = 5 }) < await JAsync(detail));
        Assert.True(await JAsync(detail with { acuity = 0.5 }) < await JAsync(detail));
        Assert.Equal(0, await JAsync(detail with { colour = "#8a8a6c" }), 1e-9);
    }

    [Theory]
    [InlineData("distanceM", 0.0)]
    [InlineData("distanceM", 6.0)]
    [InlineData("widthMm", 0.0)]
    [InlineData("widthMm", 301.0)]
    [InlineData("whiteCdM2", 0.0)]
    [InlineData("acuity", 0.0)]
    public async Task A_bare_detail_out_of_bounds_is_refused_by_name(string field, double value)
    {
        var detail = new JsonObject { ["widthMm"] = 1, ["colour"] = "#000000", ["ground"] = "#ffffff", [field] = value };
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/table-check", detail, field);
    }

    [Fact]
    public async Task A_whole_stack_is_answered_detail_by_detail_and_a_bare_one_has_no_face()
    {
        var paint = new { name = "Tan", family = "acrylicPaint", colour = "#b59a6b" };
        var wash = new { name = "Kelp", family = "acrylicWash", colour = "#3b2a1c" };
        var said = (await host.PostAsync("/api/preview/table-check", new
        {
            zone = new { relief = "textured", copies = 4 },
            coats = new object[] { new { id = Guid.NewGuid(), technique = "baseCoat", material = paint }, new { id = Guid.NewGuid(), technique = "wash", material = wash } },
        })).AsArray();
        Assert.Contains(said, d => (string)d!["what"]! == "Wash, Kelp" && (double)d["minutes"]! > 0);
        Assert.Contains(said, d => d!["coatId"] is null);
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/table-check", new { zone = new { }, coats = Array.Empty<object>() }, "coats");
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/table-check", new { widthMm = 1 }, "colour");
    }
}
