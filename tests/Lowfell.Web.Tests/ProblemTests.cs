using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using Lowfell.Web.Api;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Every problem says why in a code that a program can go by.</summary>
public sealed class ProblemTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<JsonNode> AskAsync(HttpMethod method, string path, HttpContent? content, HttpStatusCode expected)
    {
        using var request = new HttpRequestMessage(method, path) { Content = content };
        using var answer = await host.Http.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(expected, answer.StatusCode);
        return JsonNode.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!;
    }

    private static StringContent Json(string text, string kind = "application/json") => new(text, Encoding.UTF8, MediaTypeHeaderValue.Parse(kind));

    [Fact]
    public async Task What_is_gone_stale_taken_in_use_or_out_of_bounds_says_so()
    {
        async Task<string> CodeAsync(HttpMethod method, string path, object? body, HttpStatusCode status) => (string)(await host.SendAsync(method, path, body, status))["code"]!;
        var paint = await host.MaterialAsync("Rope Tan");
        var other = await host.MaterialAsync("Salt White");
        Assert.Equal("gone", await CodeAsync(HttpMethod.Get, $"/api/zones/{Guid.NewGuid()}", null, HttpStatusCode.NotFound));
        Assert.Equal("noSuchAddress", await CodeAsync(HttpMethod.Get, "/api/nowhere", null, HttpStatusCode.NotFound));
        Assert.Equal("stale", await CodeAsync(HttpMethod.Put, $"/api/materials/{paint["id"]}", new { version = 99, material = paint["material"] }, HttpStatusCode.Conflict));
        Assert.Equal("taken", await CodeAsync(HttpMethod.Put, $"/api/materials/{paint["id"]}", new { version = (int)paint["version"]!, material = paint["material"]!.DeepClone().With("name", (string)other["material"]!["name"]!) }, HttpStatusCode.Conflict));
        Assert.Equal("inUse", await CodeAsync(HttpMethod.Delete, $"/api/materials/{paint["id"]}", null, HttpStatusCode.Conflict));
        Assert.Equal("outOfBounds", await CodeAsync(HttpMethod.Post, "/api/sets", new { name = "" }, HttpStatusCode.BadRequest));
        Assert.Equal("unreadable", await CodeAsync(HttpMethod.Post, "/api/sets", new { name = "x", colour = "y" }, HttpStatusCode.BadRequest));
    }

    [Theory]
    [InlineData("/api/sets", "{\"name\":\"x\"}")]
    [InlineData("/api/log", "{}")]
    [InlineData("/api/plan", "{}")]
    [InlineData("/api/preview/mends", "{}")]
    public async Task A_charset_that_nobody_knows_is_refused(string path, string body) =>
        Assert.Equal("unreadable", (string)(await AskAsync(HttpMethod.Post, path, Json(body, "application/json; charset=marsh-9"), HttpStatusCode.UnsupportedMediaType))["code"]!);

    [Theory]
    [InlineData("/api/log", "{\"id\":\"01a20000-0000-7000-8000-000000000001\",\"kind\":\"note\",\"zoneId\":\"01a20000-0000-7000-8000-000000000002\",\"copies\":null}")]
    [InlineData("/api/preview/mix", "{\"components\":[null],\"ground\":\"#888888\",\"totalMl\":5}")]
    [InlineData("/api/preview/ratio", "{\"materialIds\":null,\"target\":\"#888888\"}")]
    [InlineData("/api/preview/piece", "{\"zones\":[null]}")]
    [InlineData("/api/preview/stack", "{\"zone\":{},\"coats\":[null]}")]
    [InlineData("/api/preview/mends", "{\"zone\":{},\"coats\":[null],\"rule\":\"heavy-wash\",\"coatId\":\"01a20000-0000-7000-8000-000000000001\"}")]
    [InlineData("/api/amounts", "{\"copies\":[null]}")]
    [InlineData("/api/amounts", "{\"dilutions\":[null],\"only\":[null]}")]
    [InlineData("/api/tiles", "{\"name\":\"x\",\"plan\":{\"zone\":{},\"under\":[null],\"rows\":[null],\"columns\":[null]},\"painted\":[null]}")]
    [InlineData("/api/plan", "{\"setIds\":[null]}")]
    public async Task A_null_where_something_must_be_is_refused(string path, string body)
    {
        var problem = await AskAsync(HttpMethod.Post, path, Json(body), HttpStatusCode.BadRequest);
        Assert.Contains((string)problem["code"]!, new[] { "unreadable", "outOfBounds" });
        Assert.NotEmpty(problem["errors"]!.AsObject());
    }

    [Fact]
    public async Task An_id_of_another_bench_is_as_good_as_none()
    {
        var other = Guid.NewGuid();
        var set = Guid.NewGuid();
        await host.ExecuteAsync($"INSERT INTO benches (\"Id\", \"Name\", \"IsDemo\", \"ShelfVersion\") VALUES ('{other}', 'Another', false, 1)");
        await host.ExecuteAsync($"INSERT INTO sets (\"BenchId\", \"Id\", \"Version\", \"Name\", \"Position\") VALUES ('{other}', '{set}', 1, 'Theirs', 0)");
        foreach (var (method, path, body) in new (HttpMethod, string, object?)[]
        {
            (HttpMethod.Put, $"/api/sets/{set}", new { version = 1, name = "Mine now" }),
            (HttpMethod.Delete, $"/api/sets/{set}", null),
            (HttpMethod.Post, $"/api/sets/{set}/copy", null),
            (HttpMethod.Post, "/api/plan", new { setIds = new[] { set } }),
        })
        {
            var problem = await host.SendAsync(method, path, body, HttpStatusCode.NotFound);
            Assert.Equal("gone", (string)problem["code"]!);
        }

        Assert.Equal("Theirs", await host.ScalarAsync<string>($"SELECT \"Name\" FROM sets WHERE \"Id\" = '{set}'"));
    }

    [Fact]
    public async Task A_kept_document_of_a_version_that_is_not_known_is_told_of_and_left_as_it_is()
    {
        Assert.Throws<KeptByNewerException>(() => Kept.Read<List<int>>($"{{\"version\":{Kept.Version + 1},\"content\":[1]}}"));
        Assert.Equal([1], Kept.Read<List<int>>("[1]"));
        var before = await host.ScalarAsync<string>("SELECT \"Plan\" FROM tiles LIMIT 1");
        await host.ExecuteAsync($"UPDATE tiles SET \"Plan\" = '{{\"version\":{Kept.Version + 1},\"content\":{{}}}}'");
        var problem = await host.SendAsync(HttpMethod.Get, "/api/tiles", null, HttpStatusCode.InternalServerError);
        Assert.Equal("unreadable", (string)problem["code"]!);
        Assert.Contains("restore a backup", (string)problem["detail"]!, StringComparison.Ordinal);
        Assert.Equal($"{{\"version\":{Kept.Version + 1},\"content\":{{}}}}", await host.ScalarAsync<string>("SELECT \"Plan\" FROM tiles LIMIT 1"));
        await host.ExecuteAsync($"UPDATE tiles SET \"Plan\" = '{before!.Replace("'", "''", StringComparison.Ordinal)}'");
        await host.GetAsync("/api/tiles");
    }
}
