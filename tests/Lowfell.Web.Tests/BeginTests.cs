using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Lowfell.Web.Benches;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>The first hour over the API, on an empty bench.</summary>
public sealed class BeginTests(BareHost host) : IClassFixture<BareHost>
{
    private const string Paints = "Lampblack\nSalt white\nRope tan\nPier grey\nMarsh green\nDark green\nDark brown\nRust brown\nRust orange\nBone\nBlack wash\nBlack primer can\nMatt varnish";
    private static readonly object Brushes = new { brushes = true, airbrush = false, cans = true, booth = false, sponge = true, oils = false };

    private static object Ask(Guid set, string pieces = "Wall, 6\nCarrier", string paints = Paints, bool dryRun = false, object? schemes = null, bool leaveOut = false, string? readyBy = null, string times = "everyEvening") =>
        new { setId = set, pieces, paints, tools = Brushes, dryRun, schemes, leaveOut, readyBy, times, timeZone = "Europe/London" };

    [Fact]
    public async Task Six_walls_and_a_carrier_become_a_set_with_coats_amounts_and_a_day()
    {
        var id = Guid.CreateVersion7();
        var looked = await host.PostAsync("/api/begin", Ask(id, dryRun: true));
        Assert.Null(looked["setId"]);
        Assert.Equal(["Wall", "Carrier"], looked["pieces"]!.AsArray().Select(p => (string)p!["name"]!));
        Assert.Equal(13, looked["paints"]!["rows"]!.AsArray().Count(r => r!["fault"] is null));
        Assert.DoesNotContain((await host.GetAsync("/api/sets")).AsArray(), s => (string)s!["id"]! == id.ToString());

        var by = DateTime.UtcNow.AddDays(20).ToString("yyyy-MM-dd");
        var made = await host.PostAsync("/api/begin", Ask(id, readyBy: by));
        Assert.Equal(id.ToString(), (string)made["setId"]!);
        var set = await host.GetAsync($"/api/sets/{id}");
        Assert.Equal(("Wall and Carrier", by), ((string)set["name"]!, (string)set["readyBy"]!));
        Assert.Equal([6, 1], set["pieces"]!.AsArray().Select(p => (int)p!["piece"]!["copies"]!));
        Assert.All(set["pieces"]!.AsArray().SelectMany(p => p!["zones"]!.AsArray()), z => Assert.Equal((0, 0), ((int)z!["findings"]!["stops"]!, (int)z["findings"]!["risks"]!)));
        Assert.All(set["pieces"]!.AsArray().SelectMany(p => p!["zones"]!.AsArray()), z => Assert.True(z!["sample"]!.AsArray().Count > 3));
        var amounts = await host.PostAsync("/api/amounts", new { setId = id });
        Assert.True((double)amounts["totalMl"]! > 10);
        var done = (await host.GetAsync("/api/plan/done-by")).AsArray().Single(d => (string)d!["setId"]! == id.ToString())!;
        Assert.NotNull(done["doneOn"]);

        // Sent once more, as after a lost answer, it is made once.
        await host.PostAsync("/api/begin", Ask(id, readyBy: by));
        await host.RefusesAsync(HttpMethod.Post, "/api/begin", Ask(id), "id", HttpStatusCode.Conflict);
        Assert.Equal(2, (await host.GetAsync($"/api/sets/{id}"))["pieces"]!.AsArray().Count);
        Assert.Equal("Europe/London", (string)(await host.GetAsync("/api/calendar"))["timeZone"]!);
        Assert.False((bool)(await host.GetAsync("/api/bench"))["tools"]!["airbrush"]!);
    }

    [Fact]
    public async Task What_nothing_stands_in_for_is_put_on_the_shelf_empty_and_on_the_shopping_list()
    {
        var id = Guid.CreateVersion7();
        var made = await host.PostAsync("/api/begin", Ask(id, "Furnace stove, 2", "Black primer can\nDark brown", schemes: new[] { new { line = 1, zone = 0, scheme = "Furnace mouth in reverse" } }));
        var bought = made["toBuy"]!.AsArray().Select(b => (string)b!).ToList();
        Assert.Contains("Yellow", bought);
        var amounts = await host.PostAsync("/api/amounts", new { setId = id });
        var yellow = amounts["materials"]!.AsArray().Single(m => (string)m!["name"]! == "Yellow")!;
        Assert.Equal("gone", (string)yellow["verdict"]!);
        Assert.True((int)yellow["bottles"]! >= 1);
        using var list = await host.Http.PostAsJsonAsync("/api/amounts/shopping.csv", new { setId = id }, TestContext.Current.CancellationToken);
        Assert.Contains("Yellow", await list.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task A_scheme_can_be_chosen_for_each_zone()
    {
        var looked = await host.PostAsync("/api/begin", Ask(Guid.NewGuid(), "Carrier", dryRun: true, schemes: new[] { new { line = 1, zone = 0, scheme = "Chipped winter white" } }));
        Assert.Equal(["Chipped winter white", "Pan iron"], looked["pieces"]![0]!["zones"]!.AsArray().Select(z => (string)z!["scheme"]!));
        await host.RefusesAsync(HttpMethod.Post, "/api/begin", Ask(Guid.NewGuid(), schemes: new[] { new { line = 1, zone = 0, scheme = "Tartan" } }), "schemes");
    }

    [Theory]
    [InlineData("", Paints, "pieces")]
    [InlineData("Wall, many", Paints, "pieces")]
    [InlineData("Wall, 6", "Number seven", "paints")]
    [InlineData("Wall, 6", "\u0089PNG\r\n", "text")]
    public async Task What_can_t_be_taken_is_said_and_nothing_is_half_added(string pieces, string paints, string field)
    {
        var before = (await host.GetAsync("/api/materials")).AsArray().Count;
        var id = Guid.CreateVersion7();
        await host.RefusesAsync(HttpMethod.Post, "/api/begin", Ask(id, pieces, "Brick red\n" + paints is var both && field == "text" ? paints : both), field);
        Assert.Equal(before, (await host.GetAsync("/api/materials")).AsArray().Count);
        await host.SendAsync(HttpMethod.Get, $"/api/sets/{id}", null, HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Two_at_once_with_one_id_make_one_set()
    {
        var id = Guid.CreateVersion7();
        var answers = await Task.WhenAll(Enumerable.Range(0, 4).Select(_ => host.Http.PostAsJsonAsync("/api/begin", Ask(id, "Pier, 2", "Quay blue\n"), TestContext.Current.CancellationToken)));
        Assert.Contains(answers, a => a.StatusCode == HttpStatusCode.OK);
        Assert.DoesNotContain(answers, a => a.StatusCode == HttpStatusCode.InternalServerError);
        Assert.Single((await host.GetAsync("/api/materials")).AsArray(), m => (string)m!["material"]!["name"]! == "Quay blue");
        Assert.Single((await host.GetAsync($"/api/sets/{id}"))["pieces"]!.AsArray());
    }

    [Fact]
    public async Task A_table_is_pasted_with_its_columns_by_hand()
    {
        const string Table = "Deck grey;#777777;2,90;what\nHull red;#8a3030;3,10;ever";
        var read = await host.PostAsync("/api/shelf/paste", new { text = Table, dryRun = true });
        Assert.Equal(["name", "colour", "price", "none"], read["columns"]!.AsArray().Select(c => (string)c!));
        var kept = await host.PostAsync("/api/shelf/paste", new { text = Table, columns = new[] { "name", "colour", "none", "house" } });
        Assert.Equal(2, (int)kept["added"]!);
        var deck = await host.MaterialAsync("Deck grey");
        Assert.Equal(("what", "#777777"), ((string)deck["material"]!["house"]!, (string)deck["material"]!["colour"]!));
        Assert.Empty(deck["stock"]!["bottles"]!.AsArray());
        Assert.All((await host.PostAsync("/api/shelf/paste", new { text = Table, dryRun = true }))["rows"]!.AsArray(), r => Assert.True((bool)r!["onShelf"]!));
        await host.RefusesAsync(HttpMethod.Post, "/api/shelf/paste", new { text = Table, columns = new[] { "name", "name" } }, "columns");
    }

    [Fact]
    public async Task Rows_with_faults_refuse_the_whole_unless_they_are_left_out()
    {
        const string Table = "name\tprice\nLime wash\t3\nOdd\tdear";
        await host.RefusesAsync(HttpMethod.Post, "/api/shelf/paste", new { text = Table }, "text");
        Assert.DoesNotContain((await host.GetAsync("/api/materials")).AsArray(), m => (string)m!["material"]!["name"]! == "Lime wash");
        var kept = await host.PostAsync("/api/shelf/paste", new { text = "name\tprice\tcolour\nLime wash\t3\t#aabb44\nOdd\tdear\t", leaveOut = true });
        Assert.Equal(1, (int)kept["added"]!);
        Assert.Equal(3, (double)(await host.MaterialAsync("Lime wash"))["stock"]!["bottles"]![0]!["bottle"]!["price"]!);
    }

    [Fact]
    public async Task Twenty_thousand_rows_are_told_before_they_are_read()
    {
        var text = new StringBuilder();
        for (var i = 0; i < 20_000; i++)
        {
            text.Append("Tan ").Append(i).Append('\n');
        }

        var problem = await host.SendAsync(HttpMethod.Post, "/api/shelf/paste", new { text = text.ToString() }, HttpStatusCode.BadRequest);
        Assert.Equal("Bring them in in parts: 20000 rows are too many, 2000 are the most at once.", (string)problem["errors"]!["text"]![0]!);
    }

    [Fact]
    public async Task The_starter_shelf_is_ticked_onto_the_shelf_once()
    {
        var starter = (await host.GetAsync("/api/shelf/starter")).AsArray();
        Assert.Equal(40, starter.Count);
        var ticked = starter.Where(s => (string)s!["name"]! is "Ochre" or "Satin varnish").Select(s => (string)s!["id"]!).ToList();
        await host.PostAsync("/api/shelf/paste", new { text = "", starter = ticked });
        Assert.Equal("satin", (string)(await host.MaterialAsync("Satin varnish"))["material"]!["sheen"]!);
        Assert.Equal(0, (int)(await host.PostAsync("/api/shelf/paste", new { text = "", starter = ticked }))["added"]!);
        await host.RefusesAsync(HttpMethod.Post, "/api/shelf/paste", new { text = "", starter = new[] { Guid.NewGuid() } }, "starter");
    }

    [Fact]
    public async Task Ready_schemes_are_told_as_this_bench_would_paint_them()
    {
        var ready = (await host.GetAsync("/api/ready")).AsArray();
        Assert.Equal(20, ready.Count);
        Assert.All(ready, r => Assert.NotEmpty(r!["roles"]!.AsArray()));
    }

    [Fact]
    public async Task The_demo_is_looked_around_in_beside_an_own_bench_and_both_stay_apart()
    {
        using var browser = host.CreateClient();
        Assert.False((bool)(await Of(browser, "/api/bench"))["holdsDemo"]!);
        using var there = await browser.PostAsJsonAsync("/api/bench/open", new { demo = true }, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.OK, there.StatusCode);
        Assert.StartsWith($"{BenchGate.Cookie}={BenchGate.OtherWord}", there.Headers.GetValues("Set-Cookie").Single(), StringComparison.Ordinal);
        Assert.True((bool)(await Of(browser, "/api/bench"))["holdsDemo"]!);
        Assert.Contains((await Of(browser, "/api/sets/cards")).AsArray(), s => (string)s!["name"]! == "Sea wall");
        Assert.DoesNotContain((await host.GetAsync("/api/sets/cards")).AsArray(), s => (string)s!["name"]! == "Sea wall");
        using var back = await browser.PostAsJsonAsync("/api/bench/open", new { demo = false }, TestContext.Current.CancellationToken);
        Assert.False((bool)(await Of(browser, "/api/bench"))["holdsDemo"]!);

        // A second time it is as it was left.
        using var again = await browser.PostAsJsonAsync("/api/bench/open", new { demo = true }, TestContext.Current.CancellationToken);
        Assert.Equal(5, (await Of(browser, "/api/sets/cards")).AsArray().Count);
    }

    [Fact]
    public async Task A_browser_that_has_a_bench_open_which_is_not_there_any_more_is_at_home()
    {
        await using var anew = new BareHost();
        using var browser = anew.CreateClient();
        _ = anew.Http;
        browser.DefaultRequestHeaders.Add("Cookie", $"{BenchGate.Cookie}={BenchGate.OtherWord}");
        Assert.Equal(OpenBench.Home.ToString(), (string)(await Of(browser, "/api/bench"))["id"]!);
        Assert.Empty((await Of(browser, "/api/sets")).AsArray());
    }

    private static async Task<JsonNode> Of(HttpClient client, string path) => JsonNode.Parse(await client.GetStringAsync(path, TestContext.Current.CancellationToken))!;
}
