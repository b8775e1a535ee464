using Lowfell.Web.Jobs;
using Lowfell.Store;
using Lowfell.Tests;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>The real host on a database of its own, in the cluster that the test command starts.</summary>
public class TestHost : WebApplicationFactory<Program>, IAsyncLifetime
{
    private readonly string database = "lowfell_test_" + Guid.NewGuid().ToString("n")[..12];
    private readonly bool first;
    private bool made;

    public TestHost()
    {
    }

    /// <summary>The host that fills the database that others begin with, and leaves it.</summary>
    protected TestHost(string name) => (database, first) = (name, true);

    /// <summary>Whether the demo is loaded.</summary>
    protected virtual bool Demo => true;

    /// <summary>Whether it begins with a copy of a database that is ready; else with what it finds.</summary>
    protected virtual bool BeginsReady => !first;

    /// <summary>How long an answer waits for what takes long, ms; null for as long as usual. Who is told to ask again has tests of their own.</summary>
    protected virtual int? PatienceMs => 240_000;

    /// <summary>Connection to the test cluster.</summary>
    public static string Cluster => Environment.GetEnvironmentVariable("LOWFELL_TEST_DB")
        ?? throw new InvalidOperationException("These tests need a PostgreSQL: run them with ./lowfell test web.");

    /// <summary>Connection string of this host's database.</summary>
    protected virtual string Connection => new NpgsqlConnectionStringBuilder(Cluster) { Database = database, MaxPoolSize = 20 }.ConnectionString;

    /// <summary>A client of the host.</summary>
    public HttpClient Http => field ??= ReadyClient();

    /// <summary>Where backups of this host go.</summary>
    public string BackupFolder { get; } = Path.Combine(Path.GetTempPath(), "lowfell-test-" + Guid.NewGuid().ToString("n")[..12]);

    private HttpClient ReadyClient()
    {
        StartServer();
        var client = CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false, BaseAddress = ClientOptions.BaseAddress });
        Services.GetRequiredService<Readiness>().Done.GetAwaiter().GetResult();
        if (Demo)
        {
            using var source = NpgsqlDataSource.Create(Connection);
            using var move = source.CreateCommand(SameHour.Statement);
            move.ExecuteNonQuery();
        }

        return client;
    }

    public virtual ValueTask InitializeAsync() => ValueTask.CompletedTask;

    public override async ValueTask DisposeAsync()
    {
        await base.DisposeAsync();
        if (Directory.Exists(BackupFolder))
        {
            Directory.Delete(BackupFolder, recursive: true);
        }

        NpgsqlConnection.ClearAllPools();
        if (first)
        {
            return;
        }

        await using var admin = new NpgsqlConnection(Cluster);
        await admin.OpenAsync();
        await using var drop = admin.CreateCommand();
        drop.CommandText = $"DROP DATABASE IF EXISTS {database} WITH (FORCE)";
        await drop.ExecuteNonQueryAsync();
        GC.SuppressFinalize(this);
    }

    // Starts a host on a database and ends it.
    private static void Fill(string name, bool demo)
    {
        using var host = new FirstHost(name, demo);
        host.ReadyClient().Dispose();
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        // A second host on the same database finds it there.
        if (BeginsReady && !made)
        {
            made = true;
            ReadyDatabase.Make(Cluster, database, Demo, name => Fill(name, Demo));
        }

        // Every test asks a host that owns nothing: what it may not do to the database none of its answers needs.
        ServingRole.Make(Cluster);
        builder.UseSetting("ConnectionStrings:Owner", Connection);
        builder.UseSetting("ConnectionStrings:Lowfell", ServingRole.In(Connection));
        builder.UseSetting("Demo", Demo ? "true" : "false");
        builder.UseSetting("Backups:Folder", BackupFolder);

        foreach (var patience in PatienceMs is null ? [] : new[] { "Looks:PatienceMs", "Plans:PatienceMs" })
        {
            builder.UseSetting(patience, $"{PatienceMs}");
        }
    }

    public async Task<JsonNode> GetAsync(string path) => await ReadAsync(await Http.GetAsync(path), HttpStatusCode.OK);

    public async Task<JsonNode> SendAsync(HttpMethod method, string path, object? body, HttpStatusCode expected)
    {
        using var request = new HttpRequestMessage(method, method == HttpMethod.Delete && !path.Contains('?', StringComparison.Ordinal) ? await AsKeptAsync(path) : path) { Content = body is null ? null : JsonContent.Create(body) };
        return await ReadAsync(await Http.SendAsync(request), expected);
    }

    public Task<JsonNode> PostAsync(string path, object? body, HttpStatusCode expected = HttpStatusCode.OK) => SendAsync(HttpMethod.Post, path, body, expected);

    public Task<JsonNode> PutAsync(string path, object? body, HttpStatusCode expected = HttpStatusCode.OK) => SendAsync(HttpMethod.Put, path, body, expected);

    /// <summary>Deletes what is there, as it is kept now.</summary>
    public Task<JsonNode> DeleteAsync(string path, HttpStatusCode expected = HttpStatusCode.NoContent) => SendAsync(HttpMethod.Delete, path, null, expected);

    /// <summary>An address with the version of what it names as it is kept now, where it names something that two windows may change.</summary>
    public async Task<string> AsKeptAsync(string path)
    {
        var parts = path.Split('/', StringSplitOptions.RemoveEmptyEntries);
        if (parts is [_, "bench", ..] or [_, "plan", "feed", ..])
        {
            // Of the bench that is open.
            return $"{path}?version={(await GetAsync(parts[1] == "bench" ? "/api/bench" : "/api/plan/feed"))["version"]}";
        }

        var version = parts switch
        {
            [_, "plan", "held", ..] => "SELECT \"Id\"::text FROM plans WHERE \"InForce\"",
            [_, "sets" or "pieces" or "zones" or "mixes" or "mix-records" or "materials" or "bottles" or "tiles" or "trays" or "element-boxes" or "base-families" or "references", _]
                or [_, "materials", _, "calibration" or "calibrations"]
                => $"SELECT \"Version\" FROM {TableOf(parts[1])} WHERE \"Id\" = '{parts[2]}'",
            _ => null,
        };
        return version is null ? path : $"{path}?{(parts[2] == "held" ? "held" : "version")}={await OnDatabaseAsync(version, c => c.ExecuteScalarAsync()) ?? (parts[2] == "held" ? Guid.Empty : 0)}";
    }

    private static string TableOf(string path) => path is "references" ? "reference_pictures" : path.Replace('-', '_');

    /// <summary>Expects a problem that names a field.</summary>
    public async Task RefusesAsync(HttpMethod method, string path, object? body, string field, HttpStatusCode expected = HttpStatusCode.BadRequest)
    {
        var problem = await SendAsync(method, path, body, expected);
        var fields = problem["errors"]!.AsObject().Select(e => e.Key).ToList();
        Assert.Contains(field, fields);
    }

    /// <summary>The first zone of this name.</summary>
    public async Task<JsonNode> ZoneAsync(string name)
    {
        var sets = await GetAsync("/api/sets");
        var zone = sets.AsArray().SelectMany(s => s!["pieces"]!.AsArray()).SelectMany(p => p!["zones"]!.AsArray()).First(z => (string)z!["settings"]!["name"]! == name)!;
        return await GetAsync($"/api/zones/{zone["id"]}");
    }

    public async Task<JsonNode> MaterialAsync(string name) =>
        (await GetAsync("/api/materials")).AsArray().First(m => (string)m!["material"]!["name"]! == name)!;

    /// <summary>The home bench's shelf as the host holds it.</summary>
    public async Task<OpenShelf> ShelfAsync()
    {
        _ = Http;
        await using var scope = Services.CreateAsyncScope();
        var bench = scope.ServiceProvider.GetRequiredService<OpenBench>();
        bench.Open(OpenBench.Home);
        return await Services.GetRequiredService<ShelfCache>().OpenAsync(bench, scope.ServiceProvider, TestContext.Current.CancellationToken);
    }

    /// <summary>Empties the bin, as the host does every few hours.</summary>
    public async Task EmptyBinAsync()
    {
        await using var scope = Services.CreateAsyncScope();
        await BinWatch.EmptyAsync(scope.ServiceProvider.GetRequiredService<LowfellDb>(), DateTimeOffset.UtcNow - BinWatch.Stay, TestContext.Current.CancellationToken);
    }

    /// <summary>Runs a statement on this host's database, as another program would.</summary>
    public Task ExecuteAsync(string sql) => OnDatabaseAsync(sql, command => command.ExecuteNonQueryAsync());

    /// <summary>The demo's log stays, but nothing is learned from it any more.</summary>
    public Task ForgetReadingsAsync() => ExecuteAsync("UPDATE log SET \"Minutes\" = NULL, \"SetUpMinutes\" = NULL WHERE \"Kind\" <> 'Dry'; UPDATE log SET \"Kind\" = 'Note' WHERE \"Kind\" = 'Dry'");

    /// <summary>Asks this host's database for one value, as another program would.</summary>
    public async Task<T> ScalarAsync<T>(string sql) => (T)(await OnDatabaseAsync(sql, command => command.ExecuteScalarAsync()))!;

    private async Task<T> OnDatabaseAsync<T>(string sql, Func<NpgsqlCommand, Task<T>> run)
    {
        // The database is there once the host is.
        _ = Http;
        await using var other = new NpgsqlConnection(new NpgsqlConnectionStringBuilder(Cluster) { Database = database }.ConnectionString);
        await other.OpenAsync();
        await using var command = other.CreateCommand();
        command.CommandText = sql;
        return await run(command);
    }

    private static async Task<JsonNode> ReadAsync(HttpResponseMessage response, HttpStatusCode expected)
    {
        var text = await response.Content.ReadAsStringAsync();
        Assert.True(response.StatusCode == expected, $"{(int)response.StatusCode} instead of {(int)expected}: {text}");
        return text.Length == 0 ? new JsonObject() : JsonNode.Parse(text)!;
    }
}

/// <summary>A host that fills a database for others.</summary>
file sealed class FirstHost(string name, bool demo) : TestHost(name)
{
    protected override bool Demo => demo;
}

/// <summary>A host without the demo.</summary>
public sealed class BareHost : TestHost
{
    protected override bool Demo => false;
}

/// <summary>Drafts for previews.</summary>
public static class Drafts
{
    public static JsonObject Material(string name = "Rope Tan", string family = "acrylicPaint", string colour = "#b59a6b", double contrast = 0.92, double solids = 0.36, string sheen = "matt") => new()
    {
        ["name"] = name,
        ["family"] = family,
        ["colour"] = colour,
        ["contrastRatio"] = contrast,
        ["referenceFilmUm"] = 20,
        ["volumeSolids"] = solids,
        ["sheen"] = sheen,
    };

    public static JsonObject Coat(string technique, JsonObject? material, double fraction = 1, int passes = 1) => new()
    {
        ["id"] = Guid.NewGuid().ToString(),
        ["technique"] = technique,
        ["material"] = material,
        ["passes"] = passes,
        ["paintFraction"] = fraction,
    };

    public static JsonObject Stack(params JsonObject[] coats) => new() { ["zone"] = new JsonObject { ["substrate"] = "resin", ["relief"] = "panelled" }, ["coats"] = new JsonArray(coats) };

    public static T With<T>(this T node, string path, JsonNode? value)
        where T : JsonNode
    {
        JsonNode at = node;
        var parts = path.Split('.');
        foreach (var part in parts[..^1])
        {
            at = int.TryParse(part, out var index) ? at[index]! : at[part]!;
        }

        if (int.TryParse(parts[^1], out var last))
        {
            at[last] = value;
        }
        else
        {
            at[parts[^1]] = value;
        }

        return node;
    }
}

/// <summary>A host that listens on a port, as painters' hosts do: what the server itself refuses is refused here too.</summary>
public sealed class ListeningHost : TestHost
{
    /// <summary>Chooses a free port.</summary>
    public ListeningHost() => UseKestrel(0);

    /// <summary>It waits no longer than a painter's host does.</summary>
    protected override int? PatienceMs => null;
}
