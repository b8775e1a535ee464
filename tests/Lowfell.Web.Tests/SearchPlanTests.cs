using System.Text;
using Lowfell.Store;
using Lowfell.Web.Benches;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>How the database finds entries: back from the newest for words that are met soon, by the index of words for those that are not.</summary>
public sealed class SearchPlanTests(TestHost host) : IClassFixture<TestHost>, IAsyncLifetime
{
    public async ValueTask InitializeAsync()
    {
        var zone = await host.ZoneAsync("Walkway");
        await host.ExecuteAsync(
            $"""
            INSERT INTO log ("Id", "BenchId", "At", "Kind", "ZoneId", "Pass", "Copy", "Paint", "Label", "RoomC", "RoomHumidity", "Note")
            SELECT gen_random_uuid(), (SELECT "Id" FROM benches LIMIT 1), now() - i * interval '1 minute', 'Note', '{zone["id"]}', 1, 1, 'Kelp Wash', 'Straight, Walkway', 20, 0.5,
              CASE WHEN i % 20000 = 3 THEN 'quillwort' ELSE 'even over the joints' END FROM generate_series(1, 60000) i
            WHERE NOT EXISTS (SELECT 1 FROM log WHERE "Note" = 'quillwort');
            ANALYZE log;
            """);
    }

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private async Task<string> PlanAsync(Func<LowfellDb, IQueryable<LogRow>> query)
    {
        await using var scope = host.Services.CreateAsyncScope();
        scope.ServiceProvider.GetRequiredService<OpenBench>().Open(OpenBench.Home);
        var db = scope.ServiceProvider.GetRequiredService<LowfellDb>();
        await db.Database.OpenConnectionAsync(TestContext.Current.CancellationToken);
        await using var command = query(db).OrderByDescending(l => l.At).ThenByDescending(l => l.Id).Take(6).CreateDbCommand();
        command.CommandText = "EXPLAIN " + command.CommandText;
        var plan = new StringBuilder();
        await using var lines = await command.ExecuteReaderAsync(TestContext.Current.CancellationToken);
        while (await lines.ReadAsync(TestContext.Current.CancellationToken))
        {
            plan.AppendLine(lines.GetString(0));
        }

        return plan.ToString();
    }

    [Theory]
    [InlineData("kelp")]
    [InlineData("ke")]
    [InlineData("zzyzx")]
    public async Task The_way_back_is_walked_by_its_index_and_ends_after_so_many(string word)
    {
        var plan = await PlanAsync(db => LogSearch.OnTheWay(db, [word], null));
        Assert.Contains("Index Scan Backward using \"IX_log_BenchId_At_Id\"", plan, StringComparison.Ordinal);
        Assert.Contains("Limit", plan, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("quillwort")]
    [InlineData("zzyzx")]
    [InlineData("ke")]
    [InlineData("even")]
    public async Task What_that_leaves_comes_from_the_index_of_words_however_common_the_word(string word) =>
        Assert.Contains("Bitmap Index Scan on \"IX_log_words\"", await PlanAsync(db => LogSearch.ByWords(db, [word])), StringComparison.Ordinal);

    [Fact]
    public async Task Every_entry_is_walked_without_a_sort() => Assert.DoesNotContain("Sort", await PlanAsync(db => db.Log), StringComparison.Ordinal);

    [Fact]
    public async Task Both_ways_find_the_same_and_the_newest_first()
    {
        foreach (var word in new[] { "quillwort", "even", "joi" })
        {
            var found = (await host.GetAsync($"/api/log?search={word}")).AsArray().Select(e => (string)e!["at"]!).ToList();
            Assert.Equal(found.OrderDescending(StringComparer.Ordinal), found);
            Assert.Equal(word == "quillwort" ? 3 : 100, found.Count);
        }
    }
}
