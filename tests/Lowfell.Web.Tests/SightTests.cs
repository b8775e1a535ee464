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
        static bool Hardly(JsonNode? row) => (string)row!["word"]! is "lost" or "barely";
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
        await host.DeleteAsync("/api/sight/trial");
        Assert.Equal((double)before["hardlySeenMinutes"]!, (double)(await host.GetAsync($"/api/pieces/{piece}/sight"))["hardlySeenMinutes"]!, 1e-6);
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
