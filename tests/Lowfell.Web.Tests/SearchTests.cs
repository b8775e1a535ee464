using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>One search over names and the log.</summary>
public sealed class SearchTests(TestHost host) : IClassFixture<TestHost>
{
    private Task<JsonNode> AskAsync(string q) => host.GetAsync($"/api/search?q={Uri.EscapeDataString(q)}");

    private async Task<List<string>> NamesAsync(string q, string? kind = null) =>
        [.. (await AskAsync(q))["names"]!.AsArray().Where(n => kind is null || (string)n!["kind"]! == kind).Select(n => (string)n!["name"]!)];

    [Theory]
    [InlineData("sea", "set", "Sea wall")]
    [InlineData("straig", "piece", "Straight")]
    [InlineData("walk", "zone", "Walkway")]
    [InlineData("stone straight", "zone", "Stone courses")]
    [InlineData("kelp", "paint", "Kelp Wash")]
    [InlineData("KELP", "paint", "Kelp Wash")]
    public async Task The_beginning_of_a_name_finds_it(string q, string kind, string name) => Assert.Contains(name, await NamesAsync(q, kind));

    [Theory]
    [InlineData("straihgt", "Straight")]
    [InlineData("walkwya", "Walkway")]
    [InlineData("klep wash", "Kelp Wash")]
    public async Task A_slip_of_the_fingers_finds_it_too_and_says_that_it_is_only_like_it(string q, string name)
    {
        var found = (await AskAsync(q))["names"]!.AsArray().First(n => (string)n!["name"]! == name)!;
        Assert.True((bool)found["near"]!);
    }

    [Fact]
    public async Task A_coat_is_found_by_technique_and_paint_and_leads_to_its_zone()
    {
        var coat = (await AskAsync("dry brush salt"))["names"]!.AsArray().First(n => (string)n!["kind"]! == "coat")!;
        Assert.StartsWith("Dry brush", (string)coat["name"]!);
        Assert.Contains("Salt", (string)coat["name"]!);
        var page = await host.GetAsync($"/api/zones/{coat["zoneId"]}");
        Assert.Contains(page["scheme"]!["coats"]!.AsArray(), c => (string)c!["id"]! == (string)coat["id"]!);
    }

    [Fact]
    public async Task Entries_come_the_newest_first_by_the_beginnings_of_their_words()
    {
        var zone = await host.ZoneAsync("Walkway");
        foreach (var (day, note) in new[] { (3, "Gritty quillwort here"), (1, "quillworts again"), (2, "no such plant") })
        {
            await host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind = "note", zoneId = (string)zone["id"]!, copies = new[] { 1 }, note, at = DateTimeOffset.UtcNow.AddDays(-day) });
        }

        var found = (await AskAsync("quillw"))["entries"]!.AsArray().Select(e => (string)e!["note"]!);
        Assert.Equal(["quillworts again", "Gritty quillwort here"], found);
        Assert.Equal(2, (await host.GetAsync("/api/log?search=quill")).AsArray().Count);
        Assert.Single((await host.GetAsync("/api/log?search=quill%20gritt")).AsArray());
        Assert.Empty((await host.GetAsync("/api/log?search=illwort")).AsArray());
    }

    [Fact]
    public async Task Pages_of_the_log_follow_each_other_without_a_gap()
    {
        var zone = await host.ZoneAsync("Walkway");
        await host.ExecuteAsync(
            $"""
            INSERT INTO log ("Id", "BenchId", "At", "Kind", "ZoneId", "Pass", "Copy", "Paint", "Label", "RoomC", "RoomHumidity", "Note")
            SELECT gen_random_uuid(), (SELECT "Id" FROM benches LIMIT 1), now() - (i / 7) * interval '1 hour', 'Note', '{zone["id"]}', 1, 1 + i % 3, '', 'x', 20, 0.5, 'pagemark' FROM generate_series(1, 1300) i
            """);
        var seen = new List<string>();
        for (var after = ""; ;)
        {
            var page = (await host.GetAsync($"/api/log?search=pagemark{after}")).AsArray();
            seen.AddRange(page.Select(e => (string)e!["id"]!));
            if (page.Count == 0)
            {
                break;
            }

            after = $"&after={page[^1]!["id"]}";
        }

        Assert.Equal(1300, seen.Count);
        Assert.Equal(1300, seen.Distinct().Count());
        await host.SendAsync(HttpMethod.Get, $"/api/log?after={Guid.NewGuid()}", null, HttpStatusCode.NotFound);
        Assert.Equal(1300, (await host.Http.GetStringAsync("/api/log/log.csv")).Split("pagemark").Length - 1);
        Assert.Equal(1300, (await host.GetAsync("/api/log/log.json")).AsArray().Count(e => (string)e!["note"]! == "pagemark"));
    }

    [Theory]
    [InlineData("'; DROP TABLE log; --")]
    [InlineData("%_\\")]
    [InlineData("\U0001F3A8\U0001F3A8")]
    [InlineData("a & b | !c <-> (")]
    [InlineData("  ")]
    [InlineData("")]
    public async Task Whatever_is_asked_for_is_only_looked_for(string q)
    {
        Assert.NotNull((await AskAsync(q))["names"]);
        Assert.NotNull(await host.GetAsync($"/api/log?search={Uri.EscapeDataString(q)}"));
    }

    [Fact]
    public async Task Five_hundred_characters_are_looked_for_and_more_are_refused()
    {
        Assert.Empty(await NamesAsync(new string('q', 500)));
        await host.RefusesAsync(HttpMethod.Get, "/api/search?q=" + new string('q', 501), null, "q");
        await host.RefusesAsync(HttpMethod.Get, "/api/search?q=a%00b", null, "q");
    }

    [Fact]
    public async Task What_is_deleted_or_on_another_bench_is_not_found()
    {
        var set = await host.PostAsync("/api/sets", new { name = "Zwieback tower" }, HttpStatusCode.Created);
        Assert.Contains("Zwieback tower", await NamesAsync("zwieb"));
        await host.DeleteAsync($"/api/sets/{set["id"]}");
        Assert.Empty(await NamesAsync("zwieb"));
        await host.ExecuteAsync(
            """
            INSERT INTO benches ("Id", "Name", "IsDemo", "ShelfVersion") VALUES ('b4f1a5e0-0000-4000-8000-0000000000ff', 'Other', false, 1) ON CONFLICT DO NOTHING;
            INSERT INTO sets ("Id", "BenchId", "Name", "Position", "Version") VALUES (gen_random_uuid(), 'b4f1a5e0-0000-4000-8000-0000000000ff', 'Zwingli hall', 0, 1);
            """);
        Assert.Empty(await NamesAsync("zwing"));
    }
}
