using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What of a piece is seen from the table, over the API.</summary>
public sealed class SightTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<string> PieceAsync(string name) => (string)(await host.GetAsync("/api/sets")).AsArray().SelectMany(s => s!["pieces"]!.AsArray()).Single(p => (string)p!["piece"]!["name"]! == name)!["id"]!;

    [Fact]
    public async Task Details_are_told_with_their_minutes_what_is_unseen_first_and_what_would_show()
    {
        var sight = await host.GetAsync($"/api/pieces/{await PieceAsync("Hull")}/sight");
        Assert.Equal((1.0, "clubHall", "sharp"), ((double)sight["metres"]!, (string)sight["room"]!, (string)sight["eyes"]!));
        var rows = sight["rows"]!.AsArray();
        static bool Hardly(JsonNode? row) => (bool)row!["hardly"]!;
        Assert.All(rows, r => Assert.Equal((string)r!["word"]! is "lost" or "barely", Hardly(r)));
        Assert.Contains(rows, r => (string)r!["kind"]! == "neighbour" && ((string)r["what"]!).StartsWith("Beside ", StringComparison.Ordinal));
        Assert.Equal(rows.Count(Hardly), rows.TakeWhile(Hardly).Count());
        Assert.Equal((double)sight["hardlySeenMinutes"]!, rows.Where(Hardly).Sum(r => (double)r!["minutes"]!), 1e-6);
        Assert.True((double)sight["minutes"]! > (double)sight["hardlySeenMinutes"]!);
        Assert.All(rows, r => Assert.Equal([0.3, 0.6, 0.9, 1.2, 2], r!["looks"]!.AsArray().Select(l => (double)l!["metres"]!)));

        // A varnish or a primer is not there to be seen, and what is seen needs nothing.
        Assert.DoesNotContain(rows, r => ((string)r!["what"]!).StartsWith("Varnish", StringComparison.Ordinal) || ((string)r["what"]!).Contains("Primer", StringComparison.Ordinal));
        Assert.All(rows.Where(r => !Hardly(r)), r => Assert.Empty(r!["tones"]!.AsArray()));
        Assert.Contains(rows, r => r!["tones"]!.AsArray().Any(t => t!["material"] is not null));
    }

    [Fact]
    public async Task A_set_is_told_piece_by_piece_those_first_that_no_one_sees()
    {
        var sets = (await host.GetAsync("/api/sets")).AsArray();
        var set = (string)sets.Single(s => (string)s!["name"]! == "Sea wall")!["id"]!;
        var sight = await host.GetAsync($"/api/sets/{set}/sight");
        var pieces = sight["pieces"]!.AsArray();
        Assert.Equal(pieces.Select(p => (double)p!["hardlySeenMinutes"]!).OrderDescending(), pieces.Select(p => (double)p!["hardlySeenMinutes"]!));
        Assert.Equal(0, (int)sight["zonesLeft"]!);
        foreach (var of in pieces)
        {
            // The same as the piece says of itself.
            var own = await host.GetAsync($"/api/pieces/{of!["pieceId"]}/sight");
            Assert.Equal((double)own["hardlySeenMinutes"]!, (double)of["hardlySeenMinutes"]!, 0.1);
            Assert.Equal((double)of["hardlySeenMinutes"]!, of["coats"]!.AsArray().Sum(c => (double)c!["minutes"]!), 0.1);
        }

        Assert.True((double)(await host.GetAsync($"/api/sets/{set}/sight?metres=0.3"))["hardlySeenMinutes"]! < (double)(await host.GetAsync($"/api/sets/{set}/sight?metres=2"))["hardlySeenMinutes"]!);
        await host.RefusesAsync(HttpMethod.Get, $"/api/sets/{Guid.NewGuid()}/sight", null, "id", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Get, $"/api/sets/{set}/sight?room=cave", null, "room");
    }

    [Fact]
    public async Task Ten_ticks_fit_a_factor_that_the_verdicts_follow_until_it_is_forgotten()
    {
        var piece = await PieceAsync("Straight");
        var before = await host.GetAsync($"/api/pieces/{piece}/sight");
        Assert.Equal(1, (double)before["factor"]!);
        var trial = await host.GetAsync($"/api/pieces/{piece}/sight/trial");
        Assert.Equal((0, 10), ((int)trial["ticks"]!, (int)trial["leastTicks"]!));
        var details = trial["details"]!.AsArray();
        Assert.True(details.Count >= 6);
        object[] Ticks(bool seen) => [.. details.Take(6).Select(d => new { zoneId = (string)d!["zoneId"]!, coatId = (string?)d["coatId"], kind = (string)d["kind"]!, seen })];
        var look = new { id = Guid.NewGuid(), metres = 1, ticks = Ticks(true) };
        await host.PostAsync($"/api/pieces/{piece}/sight/trial", look);
        var some = await host.PostAsync($"/api/pieces/{piece}/sight/trial", look);
        Assert.Equal((6, 1.0), ((int)some["ticks"]!, (double)some["factor"]!));
        var enough = await host.PostAsync($"/api/pieces/{piece}/sight/trial", new { id = Guid.NewGuid(), metres = 1, ticks = Ticks(true) });
        Assert.True((double)enough["factor"]! > 1);
        var after = await host.GetAsync($"/api/pieces/{piece}/sight");
        Assert.Equal((double)enough["factor"]!, (double)after["factor"]!);
        Assert.True((double)after["hardlySeenMinutes"]! <= (double)before["hardlySeenMinutes"]!);
        await host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{piece}/sight/trial", new { id = Guid.NewGuid(), metres = 1, ticks = new[] { new { zoneId = Guid.NewGuid(), kind = "coat", seen = true } } }, "ticks", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{piece}/sight/trial", new { id = Guid.NewGuid(), metres = 9, ticks = Ticks(true) }, "metres");

        // What is said of a stack follows it too.
        var zone = (string)details[0]!["zoneId"]!;
        async Task<double> OfZoneAsync() => (double)(await host.GetAsync($"/api/zones/{zone}"))["zone"]!["trialFactor"]!;
        Assert.Equal((double)enough["factor"]!, await OfZoneAsync(), 0.01);
        await host.DeleteAsync("/api/sight/trial");
        Assert.Equal(1, await OfZoneAsync());
        Assert.Equal((double)before["hardlySeenMinutes"]!, (double)(await host.GetAsync($"/api/pieces/{piece}/sight"))["hardlySeenMinutes"]!, 1e-6);
    }

    [Fact]
    public async Task To_scale_it_is_enough_to_see_it_from_close_by()
    {
        var piece = await PieceAsync("Hull");
        var schools = (await host.GetAsync("/api/bench"))["schools"]!.AsObject();
        async Task<JsonNode> UnderAsync(string school, string value)
        {
            await host.PutAsync(await host.AsKeptAsync("/api/bench/schools"), schools.DeepClone().AsObject().With(school, value));
            return await host.GetAsync($"/api/pieces/{piece}/sight");
        }

        var (table, near, hand) = (await UnderAsync("contrast", "exaggerate"), await UnderAsync("contrast", "toScale"), await UnderAsync("fidelity", "asReference"));
        await host.PutAsync(await host.AsKeptAsync("/api/bench/schools"), schools);
        Assert.Equal((1.0, 0.6, 0.3), ((double)table["wantedM"]!, (double)near["wantedM"]!, (double)hand["wantedM"]!));
        Assert.True((double)near["hardlySeenMinutes"]! < (double)table["hardlySeenMinutes"]! && (double)hand["hardlySeenMinutes"]! <= (double)near["hardlySeenMinutes"]!);
        Assert.Equal(table["rows"]!.AsArray().Count, near["rows"]!.AsArray().Count);
        Assert.Equal((double)near["metres"]!, (double)table["metres"]!);
    }

    [Fact]
    public async Task A_coat_that_is_hardly_seen_is_kept_painted_otherwise_or_drawn_wider_and_each_is_taken_back()
    {
        var piece = await PieceAsync("Hull");
        async Task<JsonNode> SightAsync() => await host.GetAsync($"/api/pieces/{piece}/sight?metres=2");
        static JsonNode RowOf(JsonNode sight, JsonNode row) => sight["rows"]!.AsArray().Single(r => (string?)r!["coatId"] == (string?)row["coatId"] && (string)r["zoneId"]! == (string)row["zoneId"]!)!;
        var before = await SightAsync();
        var mark = before["rows"]!.AsArray().First(r => (string)r!["kind"]! == "mark" && (bool)r["hardly"]! && r["tones"]!.AsArray().Count > 0)!;
        object Of(object? materialId = null, double? widthMm = null, string? keep = null, JsonNode? back = null) => new { zoneId = (string)mark["zoneId"]!, coatId = (string)mark["coatId"]!, materialId, widthMm, keep, back = back?["was"], from = back?["now"] };
        var address = $"/api/pieces/{piece}/sight/change";

        var was = await host.PostAsync(address, Of(keep: "seen in the hand"));
        var kept = RowOf(await SightAsync(), mark);
        Assert.Equal(("seen in the hand", true), ((string)kept["kept"]!, (bool)kept["hardly"]!));
        Assert.Equal((double)before["hardlySeenMinutes"]! - (double)mark["minutes"]!, (double)(await SightAsync())["hardlySeenMinutes"]!, 1e-6);
        await host.PostAsync(address, Of(keep: ""));
        Assert.Null(RowOf(await SightAsync(), mark)["kept"]);

        // Changed since, it is not put back over that.
        await host.RefusesAsync(HttpMethod.Post, address, Of(back: was), "coatId", HttpStatusCode.Conflict);

        was = await host.PostAsync(address, Of(materialId: (string)mark["tones"]![0]!["materialId"]!));
        Assert.NotEqual((string)mark["near"]!, (string)RowOf(await SightAsync(), mark)["near"]!);
        await host.PostAsync(address, Of(back: was));

        was = await host.PostAsync(address, Of(widthMm: 1.5));
        Assert.Equal(1.5, (double)RowOf(await SightAsync(), mark)["widthMm"]!);
        await host.PostAsync(address, Of(back: was));
        Assert.Equal(before.ToJsonString(), (await SightAsync()).ToJsonString());

        await host.RefusesAsync(HttpMethod.Post, address, Of(), "coatId");
        await host.RefusesAsync(HttpMethod.Post, address, Of(keep: "so", widthMm: 1), "coatId");
        await host.RefusesAsync(HttpMethod.Post, address, Of(widthMm: 0), "widthMm");
        await host.RefusesAsync(HttpMethod.Post, address, Of(materialId: Guid.NewGuid()), "materialId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, address, new { zoneId = (string)mark["zoneId"]!, coatId = Guid.NewGuid(), keep = "so" }, "coatId", HttpStatusCode.NotFound);
        Assert.Equal(before.ToJsonString(), (await SightAsync()).ToJsonString());
    }

    [Fact]
    public async Task Nearer_in_better_light_and_by_sharper_eyes_less_is_lost()
    {
        var piece = await PieceAsync("Straight");
        async Task<double> LostAsync(string query) => (double)(await host.GetAsync($"/api/pieces/{piece}/sight?{query}"))["hardlySeenMinutes"]!;
        Assert.True(await LostAsync("metres=0.3") < await LostAsync("metres=1.5"));
        Assert.True(await LostAsync("metres=0.9&eyes=sharp") <= await LostAsync("metres=0.9&eyes=weaker"));
        Assert.True(await LostAsync("metres=0.9&room=bench") <= await LostAsync("metres=0.9&room=eveningLamp"));
    }

    [Fact]
    public async Task What_cannot_be_is_refused_by_name_and_a_bare_piece_has_nothing_to_see()
    {
        var piece = await PieceAsync("Straight");
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece}/sight?metres=7", null, "metres");
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece}/sight?metres=NaN", null, "metres");
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece}/sight?room=cellar", null, "room");
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece}/sight?eyes=none", null, "eyes");
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{Guid.NewGuid()}/sight", null, "id", HttpStatusCode.NotFound);
        var set = await host.PostAsync("/api/sets", new { name = "Bare" }, HttpStatusCode.Created);
        var bare = await host.PostAsync($"/api/sets/{set["id"]}/pieces", new { name = "Bare", substrate = "resin", shape = "box", lengthMm = 30, widthMm = 20, heightMm = 10, copies = 2 }, HttpStatusCode.Created);
        Assert.Empty((await host.GetAsync($"/api/pieces/{bare["id"]}/sight"))["rows"]!.AsArray());
    }
}
