using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Lowfell.Drill;

// What breaks, broken on purpose: hosts and databases that are killed while painters press on, two hosts that begin at once, and two
// behind a proxy of which one dies. Each part says what it did and what it measured; the first that finds something wrong ends it.
const int Many = 100, ManyDatabases = 20, Few = 4, FewDatabases = 1;
var isShort = args.Contains("--short");
var (kills, databaseKills) = isShort ? (Few, FewDatabases) : (Many, ManyDatabases);
var backWithin = TimeSpan.FromSeconds(3);
const double MostGrowth = 1.3;
var idle = TimeSpan.FromSeconds(isShort ? 0 : 60);
var place = Place.FromEnvironment();
var random = new Random(20_261_127);
var all = Stopwatch.StartNew();
try
{
    await TwoBeginAsync();
    await KillsAsync();
    await BehindProxyAsync();
    Say($"The drill held, in {all.Elapsed.TotalSeconds:0} s.");
    return 0;
}
catch (DrillException found)
{
    Console.Error.WriteLine($"drill: {found.Message}");
    return 1;
}

// Two hosts on a database that is not there yet: one makes it and fills it, both serve.
async Task TwoBeginAsync()
{
    using var first = new Host(place, "drill_two");
    using var second = new Host(place, "drill_two");
    first.Start();
    second.Start();
    await Task.WhenAll(first.ReadyAsync(), second.ReadyAsync());
    var sets = await Task.WhenAll(CountAsync(first), CountAsync(second));
    if (sets[0] != sets[1] || sets[0] == 0)
    {
        throw new DrillException($"Two hosts on a new database see {sets[0]} and {sets[1]} sets.");
    }

    // One that is cut off while it fills leaves nothing half there: the next one fills it.
    using var cut = new Host(place, "drill_cut");
    cut.Start();
    await Task.Delay(isShort ? 2500 : 3500);
    cut.Kill();
    cut.Start();
    await cut.ReadyAsync();
    if (await CountAsync(cut) != sets[0])
    {
        throw new DrillException($"After a start that was cut off there are {await CountAsync(cut)} sets of {sets[0]}.");
    }

    var (code, took) = first.Stop();
    if (code != 0 || took > TimeSpan.FromSeconds(10))
    {
        throw new DrillException($"A host that was asked to stop ended with {code} after {took.TotalSeconds:0.0} s.");
    }

    second.Kill();
    Say($"Two hosts on no database: both serve {sets[0]} sets; one that was cut off while it began is made whole by the next. A stop took {took.TotalSeconds:0.0} s.");
}

async Task KillsAsync()
{
    await CopyAsync("drill");
    using var host = new Host(place, "drill");
    host.Start();
    await host.ReadyAsync();
    using var painters = new Painters([host.Http.BaseAddress!]);
    await painters.LookAsync();
    painters.Begin();
    await Task.Delay(5_000);
    var before = host.WorkingSetMb();
    var back = new List<double>();
    for (var i = 0; i < kills; i++)
    {
        await Task.Delay(random.Next(100, 2500));
        host.Kill();
        host.Start();
        back.Add((await host.ReadyAsync()).TotalSeconds);
    }

    var answered = painters.Taken;
    var afterDatabase = new List<double>();
    for (var i = 0; i < databaseKills; i++)
    {
        await Task.Delay(random.Next(300, 1500));
        place.KillDatabase();
        await Task.Delay(random.Next(100, 1000));
        place.StartDatabase();
        var serves = await host.ReadyAsync();
        afterDatabase.Add(serves.TotalSeconds);
    }

    await Task.Delay(1_000);
    await painters.EndAsync();
    await painters.CompareAsync($"{place.Owner};Database=drill");
    if (painters.Failures > 0)
    {
        throw new DrillException($"{painters.Failures} answers were failures of the host.");
    }

    if (afterDatabase.Max() > backWithin.TotalSeconds)
    {
        throw new DrillException($"After the database was back the host took {afterDatabase.Max():0.0} s.");
    }

    Say(string.Create(CultureInfo.InvariantCulture, $"{kills} kills of the host and {databaseKills} of the database while {painters.Taken} actions were answered ({answered} before the database's): none is lost, none half there. Back after a kill in {Median(back):0.0} s (at most {back.Max():0.0}), once the database is back in {Median(afterDatabase):0.00} s (at most {afterDatabase.Max():0.00})."));
    await Task.Delay(idle);
    var after = host.WorkingSetMb();
    Say(string.Create(CultureInfo.InvariantCulture, $"Working set {before:0} MB before, {after:0} MB after {idle.TotalSeconds:0} s of rest: {after / before:0.00} times."));
    if (!isShort && after > before * MostGrowth)
    {
        throw new DrillException($"The host has grown from {before:0} MB to {after:0} MB.");
    }
}

// Two hosts behind nginx, of which one is killed under load: painters notice nothing but a wait, and each job is done once.
async Task BehindProxyAsync()
{
    await CopyAsync("drill_proxy");
    using var one = new Host(place, "drill_proxy");
    using var two = new Host(place, "drill_proxy");
    one.Start();
    two.Start();
    await Task.WhenAll(one.ReadyAsync(), two.ReadyAsync());
    using var proxy = new Proxy(place, one.Port, two.Port);
    using var painters = new Painters([proxy.Address]);
    await painters.LookAsync();
    painters.Begin(pauseMs: 5);
    using var http = new HttpClient { BaseAddress = proxy.Address };
    var searches = new List<string>();
    var rounds = isShort ? 2 : 6;
    const int LastStops = 1;
    for (var i = 0; i < rounds; i++)
    {
        var asked = await PostAsync(http, "/api/plan/solves", new { request = new { }, seconds = isShort ? 4 : 8 });
        searches.Add((string)asked["id"]!);
        await Task.Delay(2_000);
        var dies = i % 2 == 0 ? one : two;
        if (i < rounds - LastStops)
        {
            dies.Kill();
        }
        else if (dies.Stop() is var (code, took) && (code != 0 || took > TimeSpan.FromSeconds(10)))
        {
            // Asked to stop it gives its requests and its search back.
            throw new DrillException($"A host that was asked to stop under load ended with {code} after {took.TotalSeconds:0.0} s.");
        }

        await Task.Delay(isShort ? 1_000 : 3_000);
        dies.Start();
        await dies.ReadyAsync();
        await DoneAsync(http, searches[^1]);
    }

    await painters.EndAsync();
    await painters.CompareAsync($"{place.Owner};Database=drill_proxy");
    await using var source = Npgsql.NpgsqlDataSource.Create($"{place.Owner};Database=drill_proxy");
    await using var count = source.CreateCommand("SELECT count(*) FROM plans");
    var plans = (long)(await count.ExecuteScalarAsync())!;
    if (plans != searches.Count)
    {
        throw new DrillException($"{searches.Count} searches have left {plans} plans.");
    }

    if (painters.Failures > 0)
    {
        throw new DrillException($"{painters.Failures} answers were failures of a host.");
    }

    Say($"Two hosts behind nginx, one of them killed {rounds - LastStops} times under load and once asked to stop: {painters.Taken} actions answered, none lost; {searches.Count} searches, each ended with one plan.");
}

// A database with the demo, as the first part has left it.
async Task CopyAsync(string name)
{
    await using var source = Npgsql.NpgsqlDataSource.Create($"{place.Owner};Database=postgres");
    await using var leave = source.CreateCommand("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = 'drill_two'");
    await leave.ExecuteNonQueryAsync();
    await using var copy = source.CreateCommand($"CREATE DATABASE {name} TEMPLATE drill_two");
    await copy.ExecuteNonQueryAsync();
}

async Task DoneAsync(HttpClient http, string id)
{
    for (var clock = Stopwatch.StartNew(); clock.Elapsed < TimeSpan.FromSeconds(60); await Task.Delay(300))
    {
        try
        {
            var state = JsonNode.Parse(await http.GetStringAsync(new Uri($"/api/plan/solves/{id}", UriKind.Relative)))!;
            if ((string)state["status"]! is "ended")
            {
                return;
            }

            if ((string)state["status"]! is not ("waiting" or "running"))
            {
                throw new DrillException($"A search whose host was killed is {state["status"]}: {state["message"]}");
            }
        }
        catch (HttpRequestException)
        {
            // The proxy has not noticed yet.
        }
    }

    throw new DrillException("A search whose host was killed was not taken up and done within a minute.");
}

static async Task<JsonNode> PostAsync(HttpClient http, string path, object body)
{
    using var answer = await http.PostAsJsonAsync(path, body);
    return JsonNode.Parse(await answer.EnsureSuccessStatusCode().Content.ReadAsStringAsync())!;
}

static async Task<int> CountAsync(Host host) => JsonNode.Parse(await host.Http.GetStringAsync(new Uri("/api/sets/cards", UriKind.Relative)))!.AsArray().Count;

static double Median(List<double> of) => of.Order().ElementAt(of.Count / 2);

void Say(string line) => Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{all.Elapsed.TotalSeconds,5:0} s  {line}"));
