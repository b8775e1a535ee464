using System.Text.Json.Nodes;
using Lowfell.Web.Benches;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>A shelf in memory must never outlive a change, whoever made it.</summary>
public sealed class ShelfNewsTests(CuttableHost host) : IClassFixture<CuttableHost>
{
    [Fact]
    public async Task A_change_by_another_host_is_heard_and_one_missed_while_deaf_is_caught_up_with()
    {
        var zone = await host.ZoneAsync("Cut edges");
        var request = new JsonObject { ["zone"] = zone["zone"]!.DeepClone(), ["coats"] = zone["scheme"]!["coats"]!.DeepClone() };
        async Task<string> Face() => (string)(await host.PostAsync("/api/preview/stack", request))["strata"]![1]!["face"]!["hex"]!;
        await HearingAsync(true);
        var before = await Face();
        await RecolourAsync("#b0a090");
        var lighter = await UntilAsync(Face, face => face != before);

        host.Cut();
        await HearingAsync(false);
        await RecolourAsync("#204060");
        host.Join();
        await HearingAsync(true);

        // The first requests may still meet a connection that was cut in the pool; each heals one.
        await UntilAsync(async () => (await host.Http.GetAsync("/api/bench")).IsSuccessStatusCode, well => well);
        Assert.NotEqual(lighter, await Face());
    }

    [Fact]
    public async Task The_database_counts_the_versions_itself()
    {
        _ = host.Http;
        var news = host.Services.GetRequiredService<ShelfNews>();
        await HearingAsync(true);
        var before = await host.ScalarAsync<long>("""SELECT "ShelfVersion" FROM benches""");
        await host.ExecuteAsync("""UPDATE benches SET "ShelfVersion" = 5""");
        await host.ExecuteAsync("""UPDATE benches SET "ShelfVersion" = 5""");
        await UntilAsync(() => Task.FromResult(news.Newest(OpenBench.Home)), v => v == before + 2);
        Assert.Equal(before + 2, await host.ScalarAsync<long>("""SELECT "ShelfVersion" FROM benches"""));
    }

    // As another host saves a material: the row and the bench's version in one transaction.
    private Task RecolourAsync(string colour) =>
        host.ExecuteAsync($"""BEGIN; UPDATE materials SET "Colour" = '{colour}' WHERE "Name" = 'Tarred Oak'; UPDATE benches SET "ShelfVersion" = "ShelfVersion" + 1; COMMIT""");

    private Task HearingAsync(bool hears)
    {
        var news = host.Services.GetRequiredService<ShelfNews>();
        return UntilAsync(() => Task.FromResult(news.Listening), l => l == hears);
    }

    private static async Task<T> UntilAsync<T>(Func<Task<T>> look, Func<T, bool> right)
    {
        for (var i = 0; i < 100; i++)
        {
            var seen = await look();
            if (right(seen))
            {
                return seen;
            }

            await Task.Delay(100, TestContext.Current.CancellationToken);
        }

        throw new TimeoutException("Not heard within ten seconds.");
    }
}
