using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Searches and rolls whose host dies: another takes them up within half a minute, or they end with a word.</summary>
public sealed class JobTests(TestHost host) : IClassFixture<TestHost>
{
    private static readonly TimeSpan HalfAMinute = TimeSpan.FromSeconds(30);

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private async Task<JsonNode> UntilAsync(string path, Func<JsonNode, bool> until, TimeSpan within)
    {
        var clock = System.Diagnostics.Stopwatch.StartNew();
        var seen = await host.GetAsync(path);
        while (!until(seen))
        {
            Assert.True(clock.Elapsed < within, $"After {within} it is still {seen}");
            await Task.Delay(200, Cancel);
            seen = await host.GetAsync(path);
        }

        return seen;
    }

    private async Task<string> LostSearchAsync(int losses, string status = "Running")
    {
        var (id, bench) = (Guid.NewGuid(), await host.ScalarAsync<Guid>("SELECT \"Id\" FROM benches LIMIT 1"));
        var set = (string)(await host.GetAsync("/api/sets"))[0]!["id"]!;
        await host.ExecuteAsync($$$"""
            INSERT INTO solves ("Id", "BenchId", "AskedAt", "SeenAt", "Run", "Losses", "Request", "Seconds", "Status", "CancelWanted", "Progress", "Message")
            SELECT '{{{id}}}', '{{{bench}}}', now() - interval '1 minute', now() - interval '17 seconds', gen_random_uuid(), {{{losses}}}, '{"version":2,"content":{"setIds":["{{{set}}}"]}}', 1, '{{{status}}}', false, '', ''
            """);
        return $"/api/plan/solves/{id}";
    }

    [Theory]
    [InlineData("Running")]
    [InlineData("Waiting")]
    public async Task A_search_that_was_cut_is_taken_up_and_done_within_half_a_minute(string status)
    {
        var path = await LostSearchAsync(0, status);
        var ended = await UntilAsync(path, v => (string)v["status"]! is "ended" or "failed", HalfAMinute);
        Assert.Equal("ended", (string)ended["status"]!);
        Assert.NotNull(ended["planId"]);
    }

    [Fact]
    public async Task What_hosts_are_lost_over_again_and_again_ends_with_a_word()
    {
        var path = await LostSearchAsync(2);
        var ended = await UntilAsync(path, v => (string)v["status"]! is "ended" or "failed", HalfAMinute);
        Assert.Equal("failed", (string)ended["status"]!);
        Assert.Contains("the plan at once still stands", (string)ended["message"]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task One_that_is_to_end_is_ended_though_its_host_was_lost()
    {
        var path = await LostSearchAsync(0);
        await host.DeleteAsync(path, HttpStatusCode.OK);
        Assert.Equal("cancelled", (string)(await UntilAsync(path, v => (string)v["status"]! is not ("running" or "waiting"), HalfAMinute))["status"]!);
    }

    [Fact]
    public async Task A_run_that_another_host_has_taken_up_keeps_nothing()
    {
        var set = (string)(await host.GetAsync("/api/sets"))[1]!["id"]!;
        var begun = await host.PostAsync("/api/plan/solves", new { request = new { setIds = new[] { set } }, seconds = 3 }, HttpStatusCode.Accepted);
        var path = $"/api/plan/solves/{begun["id"]}";
        await UntilAsync(path, v => v["progress"] is not null, HalfAMinute);

        // As another host would, that had not heard of this one.
        await host.ExecuteAsync($"UPDATE solves SET \"Run\" = gen_random_uuid(), \"SeenAt\" = now() + interval '1 minute' WHERE \"Id\" = '{begun["id"]}'");
        await Task.Delay(5_000, Cancel);
        var still = await host.GetAsync(path);
        Assert.Equal("running", (string)still["status"]!);
        Assert.Null(still["planId"]);
        await host.ExecuteAsync($"UPDATE solves SET \"Status\" = 'Ended' WHERE \"Id\" = '{begun["id"]}'");
    }

    [Fact]
    public async Task A_long_search_of_one_bench_does_not_hold_up_another()
    {
        var set = (string)(await host.GetAsync("/api/sets"))[0]!["id"]!;
        var lengthy = await host.PostAsync("/api/plan/solves", new { request = new { setIds = new[] { set } }, seconds = 120 }, HttpStatusCode.Accepted);
        await UntilAsync($"/api/plan/solves/{lengthy["id"]}", v => v["progress"] is not null, HalfAMinute);

        // The other bench asks for one that has nothing to plan, and is answered while the first goes on.
        using var other = host.CreateClient();
        using var opened = await other.PostAsync(new Uri("/api/bench/open", UriKind.Relative), System.Net.Http.Json.JsonContent.Create(new { demo = false }), Cancel);
        Assert.Equal(HttpStatusCode.OK, opened.StatusCode);
        using var asked = await other.PostAsync(new Uri("/api/plan/solves", UriKind.Relative), System.Net.Http.Json.JsonContent.Create(new { request = new { }, seconds = 1 }), Cancel);
        var id = JsonNode.Parse(await asked.Content.ReadAsStringAsync(Cancel))!["id"]!;
        var clock = System.Diagnostics.Stopwatch.StartNew();
        string status;
        do
        {
            await Task.Delay(200, Cancel);
            status = (string)JsonNode.Parse(await other.GetStringAsync(new Uri($"/api/plan/solves/{id}", UriKind.Relative), Cancel))!["status"]!;
        }
        while (status is "waiting" or "running" && clock.Elapsed < HalfAMinute);

        Assert.Contains(status, new[] { "ended", "failed" });
        Assert.Equal("running", (string)(await host.GetAsync($"/api/plan/solves/{lengthy["id"]}"))["status"]!);
        await host.DeleteAsync($"/api/plan/solves/{lengthy["id"]}", HttpStatusCode.OK);
    }
}
