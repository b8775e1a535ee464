using System.Net;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What was deleted waits, comes back whole, and goes when its time is over.</summary>
public sealed class BinTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<List<string>> BinAsync() => [.. (await host.GetAsync("/api/bin")).AsArray().Select(i => $"{i!["kind"]} {i["name"]}")];

    private async Task<string> SetAsync(string name)
    {
        var set = (string)(await host.PostAsync("/api/sets", new { name }, HttpStatusCode.Created))["id"]!;
        var piece = (string)(await host.PostAsync($"/api/sets/{set}/pieces", new { name = name + " piece" }, HttpStatusCode.Created))["id"]!;
        var scheme = (string)(await host.ZoneAsync("Roof boards"))["scheme"]!["id"]!;
        await host.PostAsync($"/api/pieces/{piece}/zones", new { name = name + " zone", areaShare = 1, schemeId = scheme }, HttpStatusCode.Created);
        return set;
    }

    [Fact]
    public async Task A_piece_of_a_deleted_set_waits_with_it_and_one_deleted_alone_waits_alone()
    {
        var set = await SetAsync("Weir");
        var piece = (string)(await host.GetAsync($"/api/sets/{set}"))["pieces"]![0]!["id"]!;
        await host.DeleteAsync($"/api/pieces/{piece}");
        Assert.Contains("piece Weir piece", await BinAsync());
        await host.DeleteAsync($"/api/sets/{set}");
        Assert.Contains("set Weir", await BinAsync());
        Assert.DoesNotContain("piece Weir piece", await BinAsync());
        await host.PostAsync($"/api/sets/{set}/restore", null, HttpStatusCode.NoContent);
        Assert.Contains("piece Weir piece", await BinAsync());
        await host.PostAsync($"/api/pieces/{piece}/restore", null, HttpStatusCode.NoContent);
        Assert.DoesNotContain(await BinAsync(), i => i.Contains("Weir"));
        Assert.Single((await host.GetAsync($"/api/sets/{set}"))["pieces"]![0]!["zones"]!.AsArray());
    }

    [Fact]
    public async Task After_thirty_days_it_is_gone_but_not_what_something_still_points_to()
    {
        var set = await SetAsync("Jetty");
        await host.GetAsync("/api/sets/cards");
        await host.DeleteAsync($"/api/sets/{set}");
        var used = (await host.ZoneAsync("Walkway"))["scheme"]!["coats"]!.AsArray().First(c => c!["materialId"] is not null)!["materialId"]!;
        await host.ExecuteAsync(
            $"""
            UPDATE sets SET "DeletedAt" = now() - interval '31 days' WHERE "Id" = '{set}';
            UPDATE materials SET "DeletedAt" = now() - interval '31 days' WHERE "Id" = '{used}';
            """);
        Assert.DoesNotContain(await BinAsync(), i => i.Contains("Jetty"));
        await host.EmptyBinAsync();
        Assert.Equal(0, await host.ScalarAsync<long>($"SELECT count(*) FROM sets WHERE \"Id\" = '{set}'"));
        Assert.Equal(0, await host.ScalarAsync<long>($"SELECT count(*) FROM stamps WHERE \"OfId\" = '{set}'"));
        Assert.Equal(0, await host.ScalarAsync<long>("SELECT count(*) FROM zones WHERE \"Name\" = 'Jetty zone'"));
        Assert.Equal(1, await host.ScalarAsync<long>($"SELECT count(*) FROM materials WHERE \"Id\" = '{used}'"));
        await host.ExecuteAsync($"UPDATE materials SET \"DeletedAt\" = NULL WHERE \"Id\" = '{used}'");
        Assert.NotEmpty((await host.GetAsync("/api/sets")).AsArray());
    }

    [Fact]
    public async Task Paints_mixes_and_tiles_wait_there_too()
    {
        var paint = await host.PostAsync("/api/materials", Drafts.Material("Bin Ochre"), HttpStatusCode.Created);
        await host.DeleteAsync($"/api/materials/{paint["id"]}");
        var item = (await host.GetAsync("/api/bin")).AsArray().Single(i => (string)i!["name"]! == "Bin Ochre")!;
        Assert.Equal(30, (DateTimeOffset.Parse((string)item["untilAt"]!) - DateTimeOffset.Parse((string)item["deletedAt"]!)).TotalDays, 1e-6);
        await host.PostAsync($"/api/materials/{paint["id"]}/restore", null, HttpStatusCode.NoContent);
        Assert.DoesNotContain("material Bin Ochre", await BinAsync());
    }
}
