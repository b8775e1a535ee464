using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What a scheme was before can be seen and gone back to.</summary>
public sealed class SchemeVersionTests(TestHost host) : IClassFixture<TestHost>
{
    private static async Task<JsonNode> PutAsync(TestHost host, JsonNode scheme, JsonArray coats) =>
        await host.PutAsync($"/api/schemes/{scheme["id"]}/stack", new { version = (int)scheme["version"]!, coats });

    private async Task<(JsonNode Scheme, JsonArray Coats)> SchemeAsync(string zone)
    {
        var scheme = (await host.ZoneAsync(zone))["scheme"]!;
        return (scheme, scheme["coats"]!.DeepClone().AsArray());
    }

    private async Task<JsonArray> VersionsAsync(JsonNode scheme) => (await host.GetAsync($"/api/schemes/{scheme["id"]}/versions")).AsArray();

    [Fact]
    public async Task A_sitting_leaves_one_version_however_many_changes_it_has_and_one_can_go_back()
    {
        var (scheme, first) = await SchemeAsync("Walkway");
        Assert.Empty(await VersionsAsync(scheme));
        var coats = first.DeepClone().AsArray();
        for (var i = 0; i < 3; i++)
        {
            coats = coats.DeepClone().AsArray();
            coats.RemoveAt(coats.Count - 1);
            await PutAsync(host, (await SchemeAsync("Walkway")).Scheme, coats);
        }

        var version = Assert.Single(await VersionsAsync(scheme))!;
        Assert.True(JsonNode.DeepEquals(first, version["coats"]));
        await PutAsync(host, (await SchemeAsync("Walkway")).Scheme, version["coats"]!.DeepClone().AsArray());
        Assert.True(JsonNode.DeepEquals(first, (await SchemeAsync("Walkway")).Coats));

        // Another day, another sitting: what stood between is kept as well.
        await host.ExecuteAsync($"UPDATE schemes SET \"ChangedAt\" = now() - interval '1 day' WHERE \"Id\" = '{scheme["id"]}'");
        var fewer = first.DeepClone().AsArray();
        fewer.RemoveAt(0);
        await PutAsync(host, (await SchemeAsync("Walkway")).Scheme, fewer);
        Assert.Equal(2, (await VersionsAsync(scheme)).Count);
        Assert.NotNull((await VersionsAsync(scheme))[0]!["from"]);
    }

    [Fact]
    public async Task A_change_that_is_refused_or_comes_too_late_leaves_no_version()
    {
        var (scheme, coats) = await SchemeAsync("Roof boards");
        var broken = coats.DeepClone().AsArray();
        broken[0]!["passes"] = 900;
        await host.SendAsync(HttpMethod.Put, $"/api/schemes/{scheme["id"]}/stack", new { version = (int)scheme["version"]!, coats = broken }, HttpStatusCode.BadRequest);
        await host.SendAsync(HttpMethod.Put, $"/api/schemes/{scheme["id"]}/stack", new { version = (int)scheme["version"]! - 1, coats }, HttpStatusCode.Conflict);
        Assert.Empty(await VersionsAsync(scheme));
        await host.SendAsync(HttpMethod.Get, $"/api/schemes/{Guid.NewGuid()}/versions", null, HttpStatusCode.NotFound);
    }
}
