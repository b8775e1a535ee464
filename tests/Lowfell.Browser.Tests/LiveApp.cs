using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Lowfell.Tests;
using Lowfell.Web.Api;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

namespace Lowfell.Browser.Tests;

/// <summary>The whole application on a port and a database of its own.</summary>
public sealed class LiveApp : WebApplicationFactory<Program>
{
    private readonly string database;

    public LiveApp(bool demo = true, bool pictures = false)
        : this(demo, "lowfell_browser_" + Guid.NewGuid().ToString("n")[..12], 0, pictures)
    {
    }

    private LiveApp(bool demo, string database, int port, bool pictures, bool begins = true)
    {
        Demo = demo;
        Pictures = pictures;
        this.database = database;
        if (begins)
        {
            ReadyDatabase.Make(Cluster, database, demo, name => new LiveApp(demo, name, 0, false, begins: false).Leave());
        }

        UseKestrel(port);
        StartServer();
        Http = new HttpClient(new AskAgain { InnerHandler = new SocketsHttpHandler() }) { BaseAddress = ClientOptions.BaseAddress };
        Services.GetRequiredService<Readiness>().Done.GetAwaiter().GetResult();
        if (Demo)
        {
            using var source = NpgsqlDataSource.Create(Connection);
            using var move = source.CreateCommand(SameHour.Statement);
            move.ExecuteNonQuery();
        }
    }

    public bool Demo { get; }

    /// <summary>Draws the small pictures beside names: not what most tests are about, and it takes a core from them.</summary>
    public bool Pictures { get; }

    public HttpClient Http { get; }

    public string Address => ClientOptions.BaseAddress.ToString().TrimEnd('/');

    private static string Cluster => Environment.GetEnvironmentVariable("LOWFELL_TEST_DB")
        ?? throw new InvalidOperationException("These tests need a PostgreSQL: run them with ./lowfell test browser.");

    private string Connection => new NpgsqlConnectionStringBuilder(Cluster) { Database = database, MaxPoolSize = 20 }.ConnectionString;

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseStaticWebAssets();
        builder.UseSetting("ConnectionStrings:Lowfell", Connection);
        builder.UseSetting("Demo", Demo ? "true" : "false");
        builder.UseSetting("Looks:SmallPictures", Pictures ? "true" : "false");
    }

    public async Task<string> ZoneIdAsync(string name, string? set = null)
    {
        var sets = await Http.GetFromJsonAsync<JsonArray>("/api/sets");
        return (string)sets!.Where(s => set is null || (string)s!["name"]! == set).SelectMany(s => s!["pieces"]!.AsArray()).SelectMany(p => p!["zones"]!.AsArray())
            .First(z => (string)z!["settings"]!["name"]! == name)!["id"]!;
    }

    /// <summary>Holds no plan any more.</summary>
    public async Task HoldNoneAsync()
    {
        if ((string?)(await Http.GetFromJsonAsync<JsonObject>("/api/plan/held"))!["id"] is { } held)
        {
            (await Http.DeleteAsync(new Uri($"/api/plan/held?held={held}", UriKind.Relative))).EnsureSuccessStatusCode();
        }
    }

    /// <summary>Stops the host and leaves its database; gives what starts it again where it was.</summary>
    public async Task<Func<LiveApp>> StopAsync()
    {
        var port = ClientOptions.BaseAddress.Port;
        Http.Dispose();
        await base.DisposeAsync();
        return () => new LiveApp(Demo, database, port, Pictures, begins: false);
    }

    // Ends the host; its database stays.
    private void Leave()
    {
        Http.Dispose();
        base.DisposeAsync().AsTask().GetAwaiter().GetResult();
    }

    public override async ValueTask DisposeAsync()
    {
        Http.Dispose();
        await base.DisposeAsync();
        NpgsqlConnection.ClearAllPools();
        await using var admin = new NpgsqlConnection(Cluster);
        await admin.OpenAsync();
        await using var drop = admin.CreateCommand();
        drop.CommandText = $"DROP DATABASE IF EXISTS {database} WITH (FORCE)";
        await drop.ExecuteNonQueryAsync();
    }
}
