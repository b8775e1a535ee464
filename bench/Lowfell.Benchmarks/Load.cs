using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using Lowfell.Core.Stacks;

namespace Lowfell.Benchmarks;

/// <summary>Load on a running host: a steady 50 requests a second for the latency, then wrk for the throughput against an empty endpoint.</summary>
internal static partial class Load
{
    private const int PerSecond = 50;
    private const int Seconds = 20;
    private const int Rounds = 3;
    private static int runs;

    public static async Task RunAsync(string address, string folder)
    {
        using var http = new HttpClient { BaseAddress = new Uri(address), Timeout = TimeSpan.FromSeconds(10) };
        await ReadyAsync(http);
        var inline = Inline(FifteenCoats.Draft());
        var quiet = Inline(FifteenCoats.Quiet());
        await QuietAsync(http, quiet);
        var byId = await ByIdAsync(http, FifteenCoats.Draft());
        foreach (var (name, body) in new[] { ("inline", inline), ("by id", byId) })
        {
            for (var i = 0; i < 400; i++)
            {
                await PostAsync(http, Anew(body, 0, i));
            }

            var stolen = Stolen();
            var clock = Stopwatch.StartNew();
            var times = await SteadyAsync(http, body);
            Noted.Less($"preview {name}, p50", At(times, 0.5), "ms");
            Noted.Less($"preview {name}, p95", At(times, 0.95), "ms");
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"preview of 15 coats, {name}, {PerSecond}/s for {Seconds} s: p50 {At(times, 0.5):0.0} ms, p95 {At(times, 0.95):0.0} ms, p99 {At(times, 0.99):0.0} ms, {body.Length} bytes sent; {Share(stolen, clock):P0} of the processors' time was taken by other machines"));
        }

        await FilesAsync(http, folder);
        await LogAsync(http);
        await FullBench.RunAsync(http);

        // Round by round, so that a neighbour on the machine slows all of them alike; the best round of each counts.
        // A stack asked for again is remembered; one that has never been asked for is computed: the share of paint of its last coat counts up.
        (string Name, string Url, string Body, bool New)[] targets =
        [
            ("empty", "/api/health/empty", "{}", false),
            ("empty with the same body", "/api/health/empty", inline, false),
            ("empty with a new body each time", "/api/health/empty", inline, true),
            ("bound and not answered, a new quiet stack each time", "/api/preview/stack/bound", quiet, true),
            ("preview of a new quiet stack each time", "/api/preview/stack", quiet, true),
            ("preview inline", "/api/preview/stack", inline, false),
            ("preview by id", "/api/preview/stack", byId, false),
            ("preview inline, a new stack each time", "/api/preview/stack", inline, true),
            ("preview by id, a new stack each time", "/api/preview/stack", byId, true),
        ];
        var best = new double[targets.Length];
        var stolenFrom = Stolen();
        var rounds = Stopwatch.StartNew();
        for (var round = 0; round < Rounds; round++)
        {
            for (var t = 0; t < targets.Length; t++)
            {
                best[t] = Math.Max(best[t], Throughput(address + targets[t].Url, targets[t].Body, targets[t].New ? Interlocked.Increment(ref runs) : 0, folder));
            }
        }

        foreach (var (target, rate) in targets.Zip(best))
        {
            Noted.More($"throughput, {target.Name}", rate, "requests/s");
        }

        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"throughput, requests/s: {string.Join(", ", targets.Zip(best, (t, b) => string.Create(CultureInfo.InvariantCulture, $"{t.Name} {b:0} ({b / best[0]:P0})")))}; {Share(stolenFrom, rounds):P0} of the processors' time was taken by other machines"));
    }

    // A CSV looked through row by row: the time, and the most memory that the host held meanwhile.
    private static async Task FilesAsync(HttpClient http, string folder)
    {
        var pid = (await File.ReadAllTextAsync(Path.Combine(folder, "bench.pid"))).Trim();
        foreach (var rows in new[] { 1_000, 10_000, 40_000 })
        {
            var file = new StringBuilder("name,family,colour,house,left_ml,bottle_ml,lot\n");
            for (var i = 0; i < rows; i++)
            {
                file.Append(CultureInfo.InvariantCulture, $"Paint {i},acrylicPaint,#{i % 0xffffff:x6},Tarnside,12,17,L{i}\n");
            }

            var bytes = Encoding.UTF8.GetBytes(file.ToString());
            await File.WriteAllTextAsync($"/proc/{pid}/clear_refs", "5");
            var clock = Stopwatch.StartNew();
            using var content = new ByteArrayContent(bytes);
            content.Headers.ContentType = new("text/csv");
            using var request = new HttpRequestMessage(HttpMethod.Post, "/api/shelf/check") { Content = content };
            using var answer = await http.SendAsync(request, HttpCompletionOption.ResponseHeadersRead);
            await using var report = await answer.EnsureSuccessStatusCode().Content.ReadAsStreamAsync();
            await report.CopyToAsync(Stream.Null);
            Noted.Less($"CSV of {rows} rows", clock.Elapsed.TotalMilliseconds, "ms");
            Noted.Less($"peak of the host with a CSV of {rows} rows", Peak(pid), "MB");
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"CSV of {rows} rows ({bytes.Length / 1024} KB) looked through in {clock.Elapsed.TotalMilliseconds:0} ms; the host's peak was {Peak(pid)} MB"));
        }
    }

    // Ten thousand entries of the log, searched by words.
    private static async Task LogAsync(HttpClient http)
    {
        const int Entries = 10_000, Searches = 60;
        using var sets = JsonDocument.Parse(await http.GetStringAsync("/api/sets"));
        var piece = sets.RootElement.EnumerateArray().SelectMany(s => s.GetProperty("pieces").EnumerateArray()).MaxBy(p => p.GetProperty("piece").GetProperty("copies").GetInt32());
        var copies = Enumerable.Range(1, piece.GetProperty("piece").GetProperty("copies").GetInt32()).ToArray();
        var zone = piece.GetProperty("zones")[0].GetProperty("id").GetGuid();
        for (var written = 0; written < Entries; written += copies.Length)
        {
            var action = JsonSerializer.Serialize(new { id = Guid.NewGuid(), kind = "note", zoneId = zone, copies, note = $"Remark {written}: the tide line wants another glaze." });
            using var content = new StringContent(action, Encoding.UTF8, new MediaTypeHeaderValue("application/json"));
            using var answer = await http.PostAsync("/api/log", content);
            answer.EnsureSuccessStatusCode();
        }

        var times = new double[Searches];
        for (var i = 0; i < Searches; i++)
        {
            var clock = Stopwatch.StartNew();
            await http.GetStringAsync($"/api/log?search=remark+{i * 100}%3A+glaze");
            times[i] = clock.Elapsed.TotalMilliseconds;
        }

        Array.Sort(times);
        Noted.Less("search in the log, p95", At(times, 0.95), "ms");
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"log of {Entries} entries searched by three words: p50 {At(times, 0.5):0.0} ms, p95 {At(times, 0.95):0.0} ms"));
    }

    private static long Peak(string pid) => long.Parse(File.ReadLines($"/proc/{pid}/status").First(l => l.StartsWith("VmHWM", StringComparison.Ordinal)).Split(' ', StringSplitOptions.RemoveEmptyEntries)[1], CultureInfo.InvariantCulture) / 1024;

    // Ticks of 10 ms that the hypervisor gave to others, over all processors (proc(5)).
    private static long Stolen() => File.Exists("/proc/stat") ? long.Parse(File.ReadLines("/proc/stat").First().Split(' ', StringSplitOptions.RemoveEmptyEntries)[8], CultureInfo.InvariantCulture) : 0;

    private static double Share(long since, Stopwatch clock) => (Stolen() - since) / (clock.Elapsed.TotalSeconds * 100 * Environment.ProcessorCount);

    private static async Task ReadyAsync(HttpClient http)
    {
        for (var i = 0; i < 200; i++)
        {
            try
            {
                if ((await http.GetAsync("/api/health")).IsSuccessStatusCode)
                {
                    return;
                }
            }
            catch (HttpRequestException)
            {
                // Not there yet.
            }

            await Task.Delay(150);
        }

        throw new TimeoutException("The host does not answer.");
    }

    // A figure of a stack without findings is none once the rules find something in it.
    private static async Task QuietAsync(HttpClient http, string body)
    {
        using var content = new StringContent(body, Encoding.UTF8, new MediaTypeHeaderValue("application/json"));
        using var answer = await http.PostAsync("/api/preview/stack", content);
        using var preview = JsonDocument.Parse(await answer.EnsureSuccessStatusCode().Content.ReadAsStringAsync());
        if (preview.RootElement.GetProperty("findings") is { } findings && findings.GetArrayLength() > 0)
        {
            throw new InvalidOperationException($"The quiet stack has findings: {findings}");
        }
    }

    private static async Task PostAsync(HttpClient http, string body)
    {
        using var content = new StringContent(body, Encoding.UTF8, new MediaTypeHeaderValue("application/json"));
        using var answer = await http.PostAsync("/api/preview/stack", content);
        answer.EnsureSuccessStatusCode();
        await answer.Content.ReadAsByteArrayAsync();
    }

    // Open loop: a request leaves at its time, whether or not the last has come back, so that a stall is not hidden.
    private static async Task<double[]> SteadyAsync(HttpClient http, string body)
    {
        var clock = Stopwatch.StartNew();
        var flights = new List<Task<double>>();
        for (var i = 0; i < PerSecond * Seconds; i++)
        {
            var due = TimeSpan.FromSeconds((double)i / PerSecond);
            if (due > clock.Elapsed)
            {
                await Task.Delay(due - clock.Elapsed);
            }

            var number = i;
            flights.Add(Task.Run(async () =>
            {
                var start = clock.Elapsed;
                await PostAsync(http, Anew(body, 1, number));
                return (clock.Elapsed - start).TotalMilliseconds;
            }));
        }

        return [.. (await Task.WhenAll(flights)).Order()];
    }

    private static double At(double[] sorted, double share) => sorted[(int)Math.Min(sorted.Length - 1, share * sorted.Length)];

    // run: 0 to send the same body again and again; else bodies that no other run sends either.
    private static double Throughput(string url, string body, int run, string folder)
    {
        var script = Path.Combine(folder, "post.lua");
        var lua = $"wrk.method = \"POST\"\nwrk.headers[\"Content-Type\"] = \"application/json\"\nwrk.body = [==[{body}]==]\n";
        if (run > 0)
        {
            var (before, after) = Around(body);
            lua += $"local count = 0\nlocal before, after = [==[{before}]==], [==[{after}]==]\n"
                + $"request = function()\n  count = count + 1\n  return wrk.format(nil, nil, nil, before .. string.format('0.7{run:000}%06d', count) .. after)\nend\n";
        }

        File.WriteAllText(script, lua);
        using var wrk = Process.Start(new ProcessStartInfo("wrk", $"-t1 -c8 -d4s -s {script} {url}") { RedirectStandardOutput = true })!;
        var output = wrk.StandardOutput.ReadToEnd();
        wrk.WaitForExit();
        return output.Contains("Non-2xx", StringComparison.Ordinal)
            ? throw new InvalidOperationException($"The host refused: {output}")
            : double.Parse(PerSecondLine().Match(output).Groups[1].Value, CultureInfo.InvariantCulture);
    }

    // A stack that has not been asked for: the share of paint of the last coat is its number.
    private static string Anew(string body, int run, int number)
    {
        var (before, after) = Around(body);
        return string.Create(CultureInfo.InvariantCulture, $"{before}0.8{run}{number:000000}{after}");
    }

    private static (string Before, string After) Around(string body)
    {
        var share = LastPaintFraction().Match(body).Groups[1];
        return (body[..share.Index], body[(share.Index + share.Length)..]);
    }

    [GeneratedRegex(@"""paintFraction"":([\d.]+)", RegexOptions.RightToLeft)]
    private static partial Regex LastPaintFraction();

    [GeneratedRegex(@"Requests/sec:\s+([\d.]+)")]
    private static partial Regex PerSecondLine();

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) } };

    private static string Inline(StackDraft draft) => JsonSerializer.Serialize(new { zone = Zone(draft), coats = draft.Coats.Select(c => Coat(c, Material(c), null)) }, Json);

    // The same stack with its materials put on the shelf first.
    private static async Task<string> ByIdAsync(HttpClient http, StackDraft draft)
    {
        var ids = new Dictionary<string, Guid>();
        foreach (var coat in draft.Coats.DistinctBy(c => c.Material!.Name))
        {
            var material = JsonSerializer.SerializeToNode(Material(coat), Json)!;
            material["name"] = $"Bench {coat.Material!.Name} {Guid.NewGuid():n}";
            using var content = new StringContent(material.ToJsonString(), Encoding.UTF8, new MediaTypeHeaderValue("application/json"));
            using var answer = await http.PostAsync("/api/materials", content);
            using var made = JsonDocument.Parse(await answer.EnsureSuccessStatusCode().Content.ReadAsStringAsync());
            ids[coat.Material.Name] = made.RootElement.GetProperty("id").GetGuid();
        }

        return JsonSerializer.Serialize(new { zone = Zone(draft), coats = draft.Coats.Select(c => Coat(c, null, ids[c.Material!.Name])) }, new JsonSerializerOptions(Json) { DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull });
    }

    private static object Zone(StackDraft draft) => new { draft.Zone.Substrate, draft.Zone.Relief, draft.Zone.Facing, draft.Zone.AreaMm2, draft.Zone.Copies, draft.Zone.Handled };

    private static object Coat(Coat c, object? material, Guid? materialId) => new { c.Id, c.Technique, c.Passes, c.Dilution.PaintFraction, c.Thinner, material, materialId };

    private static object Material(Coat c) => new
    {
        c.Material!.Name,
        c.Material.Family,
        Colour = c.Material.Colour.ToString(),
        c.Material.ContrastRatio,
        c.Material.ReferenceFilmUm,
        c.Material.VolumeSolids,
        c.Material.Sheen,
        c.Material.UndertonePower,
    };
}
