using System.Collections.Concurrent;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Npgsql;

namespace Lowfell.Drill;

/// <summary>
/// Painters who press on whatever happens: taps of the bench card, sent again under their ids until they are taken, and names of schemes,
/// kept on the version that was last seen. What was answered is remembered, and compared in the end with what is kept.
/// </summary>
/// <param name="addresses">Where hosts are; a painter goes to the next where one does not answer.</param>
internal sealed class Painters(IReadOnlyList<Uri> addresses) : IDisposable
{
    private const int Copies = 2;
    private static readonly TimeSpan Again = TimeSpan.FromMilliseconds(50);
    private readonly HttpClient http = new() { Timeout = TimeSpan.FromSeconds(20) };
    private readonly ConcurrentDictionary<Guid, bool> taken = new();
    private readonly ConcurrentDictionary<Guid, string> sent = new();
    private readonly ConcurrentDictionary<Guid, (string Kept, string? Asked)> names = new();
    private readonly CancellationTokenSource stop = new();
    private readonly List<Task> working = [];
    private readonly List<Guid> schemes = [];
    private List<(Guid Zone, Guid Coat)> coats = [];
    private int next;
    private int failures;
    private int pause;

    /// <summary>Actions that were answered.</summary>
    public int Taken => taken.Count;

    /// <summary>Answers that say that a host failed: none is right.</summary>
    public int Failures => failures;

    /// <summary>Reads what there is to paint.</summary>
    public async Task LookAsync()
    {
        foreach (var zone in (await GetAsync("/api/zones")).AsArray().Take(12))
        {
            var scheme = (await GetAsync($"/api/zones/{zone!["id"]}"))["scheme"]!;
            coats = [.. coats, .. scheme["coats"]!.AsArray().Where(c => c!["materialId"] is not null).Take(2).Select(c => (Guid.Parse((string)zone["id"]!), Guid.Parse((string)c!["id"]!)))];
            if (!schemes.Contains(Guid.Parse((string)scheme["id"]!)))
            {
                schemes.Add(Guid.Parse((string)scheme["id"]!));
            }
        }
    }

    /// <summary>Begins: some who tap, some who rename.</summary>
    /// <param name="pauseMs">How long each waits between two presses.</param>
    public void Begin(int pauseMs = 0)
    {
        pause = pauseMs;
        working.AddRange(Enumerable.Range(0, 4).Select(i => Task.Run(() => TapAsync(i))));
        working.AddRange(schemes.Take(3).Select(s => Task.Run(() => RenameAsync(s))));
    }

    /// <summary>Ends: what is on its way is sent until it is taken.</summary>
    public async Task EndAsync()
    {
        await stop.CancelAsync();
        await Task.WhenAll(working);
    }

    /// <summary>Looks whether what was answered is kept, once and whole.</summary>
    /// <exception cref="DrillException">Something is lost, twice or half there.</exception>
    public async Task CompareAsync(string connection)
    {
        await using var source = NpgsqlDataSource.Create(connection);
        var kept = await ListAsync(source, "SELECT \"Press\", count(*), count(DISTINCT \"Id\"), min(\"Note\") FROM log GROUP BY \"Press\"", r => (Press: r.GetGuid(0), Rows: r.GetInt64(1), Ids: r.GetInt64(2), Note: r.GetString(3)));
        var byPress = kept.ToDictionary(k => k.Press);
        foreach (var id in taken.Keys)
        {
            if (!byPress.TryGetValue(id, out var row))
            {
                throw new DrillException($"Action {id} was answered and is lost.");
            }

            if (row.Rows != Copies || row.Ids != Copies || row.Note != sent[id])
            {
                throw new DrillException($"Action {id} is kept as {row.Rows} entries of {Copies}, with the note '{row.Note}' instead of '{sent[id]}'.");
            }
        }

        foreach (var (id, (last, asked)) in names)
        {
            var name = (await ListAsync(source, $"SELECT \"Name\" FROM schemes WHERE \"Id\" = '{id}'", r => r.GetString(0)))[0];
            if (name != last && name != asked)
            {
                throw new DrillException($"Scheme {id} was kept as '{last}' and is called '{name}'.");
            }
        }

        var half = await ListAsync(source, "SELECT count(*) FROM sent_actions s WHERE NOT EXISTS (SELECT 1 FROM log l WHERE l.\"BenchId\" = s.\"BenchId\" AND l.\"Press\" = s.\"Id\")", r => r.GetInt64(0));
        if (half[0] > 0)
        {
            throw new DrillException($"{half[0]} actions are known and have no entry: they are half there.");
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        http.Dispose();
        stop.Dispose();
    }

    private async Task TapAsync(int who)
    {
        var random = new Random(who);
        while (!stop.IsCancellationRequested)
        {
            var (zone, coat) = coats[random.Next(coats.Count)];
            var id = Guid.NewGuid();
            var note = $"tap {id}";
            sent[id] = note;
            var kind = random.Next(3) == 0 ? "takenBack" : "done";
            var action = new { id, kind, zoneId = zone, coatId = coat, pass = 1, copies = Enumerable.Range(1, Copies), note };
            if (await UntilTakenAsync(() => new(HttpMethod.Post, "/api/log") { Content = JsonContent.Create(action) }) is HttpStatusCode.OK)
            {
                taken[id] = true;
            }

            await Task.Delay(pause);
        }
    }

    private async Task RenameAsync(Guid scheme)
    {
        var at = $"/api/schemes/{scheme}";
        for (var number = 0; !stop.IsCancellationRequested; number++)
        {
            var now = await GetAsync(at);
            var (version, before) = ((int)now["version"]!, (string)now["name"]!);
            if (names.TryGetValue(scheme, out var known) && before != known.Kept && before != known.Asked)
            {
                throw new DrillException($"Scheme {scheme} was kept as '{known.Kept}' and is called '{before}'.");
            }

            var name = $"drill {number}";
            names[scheme] = (before, name);
            var status = await UntilTakenAsync(() => new(HttpMethod.Put, at + "/name") { Content = JsonContent.Create(new { name, version }) });

            // Its answer was lost, and it was taken: said again it is stale.
            names[scheme] = status == HttpStatusCode.OK ? (name, null) : (before, name);
            await Task.Delay(pause);
        }
    }

    // Sent again as it is until somebody answers.
    private async Task<HttpStatusCode> UntilTakenAsync(Func<HttpRequestMessage> ask)
    {
        while (true)
        {
            using var request = ask();
            request.RequestUri = new(addresses[next % addresses.Count], request.RequestUri!);
            try
            {
                using var answer = await http.SendAsync(request);
                if ((int)answer.StatusCode is 500)
                {
                    Interlocked.Increment(ref failures);
                    return answer.StatusCode;
                }

                if ((int)answer.StatusCode < 500 && (int)answer.StatusCode != 429)
                {
                    return answer.StatusCode;
                }
            }
            catch (Exception e) when (e is HttpRequestException or TaskCanceledException or IOException)
            {
                Interlocked.Increment(ref next);
            }

            await Task.Delay(Again);
        }
    }

    private async Task<JsonNode> GetAsync(string path)
    {
        while (true)
        {
            try
            {
                using var answer = await http.GetAsync(new Uri(addresses[next % addresses.Count], path));
                if (answer.IsSuccessStatusCode)
                {
                    return JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
                }
            }
            catch (Exception e) when (e is HttpRequestException or TaskCanceledException or IOException)
            {
                Interlocked.Increment(ref next);
            }

            await Task.Delay(Again);
        }
    }

    private static async Task<List<T>> ListAsync<T>(NpgsqlDataSource source, string sql, Func<NpgsqlDataReader, T> read)
    {
        await using var command = source.CreateCommand(sql);
        await using var reader = await command.ExecuteReaderAsync();
        var all = new List<T>();
        while (await reader.ReadAsync())
        {
            all.Add(read(reader));
        }

        return all;
    }
}
