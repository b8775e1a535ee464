using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using Lowfell.Web.Host;
using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What a host says of itself: that it is there, what was slow, what failed; and no secret with it.</summary>
public sealed class LogTests(TestHost host) : IClassFixture<TestHost>
{
    private const string Key = "0123456789abcdef0123456789abcdef";

    [Fact]
    public async Task It_is_live_in_any_case_and_ready_when_the_database_is()
    {
        Assert.Equal("live", (string)(await host.GetAsync("/api/health/live"))["status"]!);
        Assert.Equal("ready", (string)(await host.GetAsync("/api/health/ready"))["status"]!);
    }

    [Fact]
    public async Task What_fails_is_told_by_the_pattern_of_its_address_and_not_by_the_key_in_it()
    {
        // The feed fails where its bench can't be read.
        var said = await SaidAsync(async () =>
        {
            await host.ExecuteAsync("ALTER TABLE benches RENAME COLUMN \"FeedHash\" TO \"Mislaid\"");
            try
            {
                using var answer = await host.Http.GetAsync(new Uri($"/api/plan/feed/{Key}.ics", UriKind.Relative), TestContext.Current.CancellationToken);
                Assert.Equal(HttpStatusCode.InternalServerError, answer.StatusCode);
            }
            finally
            {
                await host.ExecuteAsync("ALTER TABLE benches RENAME COLUMN \"Mislaid\" TO \"FeedHash\"");
            }
        });
        Assert.Contains("/api/plan/feed/{key}.ics failed, trace 00-", said, StringComparison.Ordinal);
        Assert.DoesNotContain(Key, said, StringComparison.Ordinal);
    }

    [Fact]
    public void It_is_written_as_json_into_a_folder_too()
    {
        var folder = Directory.CreateTempSubdirectory("lowfell-log").FullName;
        try
        {
            var builder = WebApplication.CreateBuilder(["--Log:Folder=" + folder]);
            builder.AddLog();
            using (var services = builder.Services.BuildServiceProvider())
            {
                services.GetRequiredService<ILoggerFactory>().CreateLogger("test").LogWarning("A query took {Took} ms", 700);
            }

            var line = JsonNode.Parse(File.ReadLines(Assert.Single(Directory.GetFiles(folder))).Single())!;
            Assert.Equal(("A query took {Took} ms", 700, "Warning"), ((string)line["@mt"]!, (int)line["Took"]!, (string)line["@l"]!));
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    [Fact]
    public async Task A_slow_query_is_told_without_what_it_was_asked_with()
    {
        var said = await SaidAsync(async () =>
        {
            await using var scope = host.Services.CreateAsyncScope();
            var db = scope.ServiceProvider.GetRequiredService<Store.LowfellDb>();
            var (secret, seconds) = ("of-the-painter", 0.6);
            await Microsoft.EntityFrameworkCore.RelationalDatabaseFacadeExtensions.ExecuteSqlAsync(db.Database, $"SELECT pg_sleep({seconds}), {secret}", TestContext.Current.CancellationToken);
        });
        Assert.Contains("A query took", said, StringComparison.Ordinal);
        Assert.Contains("pg_sleep", said, StringComparison.Ordinal);
        Assert.DoesNotContain("of-the-painter", said, StringComparison.Ordinal);
    }

    // What is written to the console meanwhile; other tests may write there too.
    private static async Task<string> SaidAsync(Func<Task> does)
    {
        var (before, said) = (Console.Out, new StringWriter(new StringBuilder()));
        Console.SetOut(TextWriter.Synchronized(said));
        try
        {
            await does();
        }
        finally
        {
            Console.SetOut(before);
        }

        return said.ToString();
    }
}
