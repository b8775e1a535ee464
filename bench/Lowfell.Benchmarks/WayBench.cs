using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Lowfell.Tests;

namespace Lowfell.Benchmarks;

/// <summary>The way through a bench of 200 sets, 4,000 pieces, 8,000 zones and a million entries of the log: cards, a set, a piece, names, entries, pages, the export.</summary>
internal static class WayBench
{
    private const int Times = 60;
    private const int AskAgainMs = 2_000;

    public static async Task RunAsync(string address)
    {
        using var http = new HttpClient(new AskAgain { InnerHandler = new SocketsHttpHandler() }) { BaseAddress = new Uri(address), Timeout = TimeSpan.FromMinutes(10) };
        var clock = Stopwatch.StartNew();
        while ((await http.GetStringAsync("/api/sets/cards")).Contains("\"current\":false", StringComparison.Ordinal))
        {
            await Task.Delay(AskAgainMs);
        }

        Say($"cards of 200 sets, all behind: all of today after {clock.Elapsed.TotalSeconds:0} s");
        await NoteAsync(http, "cards of 200 sets", ["/api/sets/cards"]);
        using (var small = new HttpRequestMessage(HttpMethod.Get, "/api/sets/cards"))
        {
            small.Headers.AcceptEncoding.ParseAdd("br");
            using var answer = await http.SendAsync(small);
            var bytes = (await answer.Content.ReadAsByteArrayAsync()).Length;
            Noted.Less("cards of 200 sets, compressed", bytes / 1024.0, "KB");
            Say($"cards of 200 sets, compressed: {bytes / 1024.0:0} KB");
        }

        await PlansAsync(http);
        var cards = (await http.GetFromJsonAsync<JsonArray>("/api/sets/cards"))!;
        var ids = cards.Select(c => (string)c!["id"]!).Where((_, i) => i % 20 == 7).ToList();
        foreach (var id in ids)
        {
            // Each is worked out once.
            await http.GetStringAsync($"/api/sets/{id}");
        }

        await NoteAsync(http, "a set opened", [.. ids.Select(id => $"/api/sets/{id}")]);
        await NoteAsync(http, "a piece opened", [.. cards.Where((_, i) => i % 20 == 7).Select(c => $"/api/pieces/{c!["facts"]!["largest"]!["pieceId"]}")]);
        await NoteAsync(http, "names and entries, common words", ["/api/search?q=straight", "/api/search?q=face", "/api/search?q=sea%20wall", "/api/search?q=kelp", "/api/search?q=stra"]);
        await NoteAsync(http, "names and entries, two letters", ["/api/search?q=st", "/api/search?q=se", "/api/search?q=ke", "/api/search?q=wa"]);
        await NoteAsync(http, "names and entries, with a slip", ["/api/search?q=staright", "/api/search?q=klep%20wash", "/api/search?q=slat%20grond"]);
        await NoteAsync(http, "names and entries, absent words", ["/api/search?q=zzyzx", "/api/search?q=qwpo"]);
        foreach (var (what, word) in new[] { ("common", "slate"), ("common in a note", "joints"), ("rare", "quillwort"), ("absent", "zzyzx"), ("two letters", "ke"), ("two words", "kelp%20tide") })
        {
            await NoteAsync(http, $"log of a million, {what} word", [$"/api/log?search={word}"]);
        }

        var after = "";
        var pages = new List<string>();
        for (var page = 0; page < Times; page++)
        {
            pages.Add("/api/log" + after);
            var entries = (await http.GetFromJsonAsync<JsonArray>(pages[^1]))!;
            after = $"?after={entries[^1]!["id"]}";
        }

        await NoteAsync(http, "a page of the log, by key", pages);
        clock.Restart();
        await using var export = await http.GetStreamAsync("/api/log/log.csv");
        var (buffer, sum) = (new byte[1 << 16], 0L);
        for (int read; (read = await export.ReadAsync(buffer)) > 0;)
        {
            sum += read;
        }

        Say($"the log as CSV: {sum / 1e6:0} MB in {clock.Elapsed.TotalSeconds:0.0} s");
    }

    // A plan made anew after each of a few changes, and one that still holds; what is asked of it; the card at the bench.
    private static async Task PlansAsync(HttpClient http)
    {
        var calendar = (await http.GetFromJsonAsync<JsonObject>("/api/calendar"))!;
        var cold = new List<double>();
        JsonNode plan = calendar;
        for (var i = 0; i < 8; i++)
        {
            calendar["version"] = (int)(await http.GetFromJsonAsync<JsonObject>("/api/calendar"))!["version"]!;
            calendar["room"]!["temperatureC"] = 16 + (0.5 * i);
            (await http.PutAsJsonAsync("/api/calendar", calendar)).EnsureSuccessStatusCode();
            var clock = Stopwatch.StartNew();
            plan = JsonNode.Parse(await (await http.PostAsJsonAsync("/api/plan", new { })).Content.ReadAsStringAsync())!;
            cold.Add(clock.Elapsed.TotalMilliseconds);
        }

        cold.Sort();
        Noted.Less("plan of 200 sets, cold", At(cold, 0.5), "ms");
        Say($"plan of 200 sets, cold: median {At(cold, 0.5):0} ms, worst of {cold.Count} {cold[^1]:0} ms");
        var step = plan["calendar"]![0]!["steps"]![0]!;
        await NoteAsync(http, "plan of 200 sets, kept", [""], _ => http.PostAsJsonAsync("/api/plan", new { }));
        await NoteAsync(http, "done-by of 200 sets", ["/api/plan/done-by"]);
        await NoteAsync(http, "card at the bench: how far its zone is", [$"/api/log/progress?zoneId={step["zoneId"]}"]);
        await NoteAsync(http, "amounts of all that is planned", [""], _ => http.PostAsJsonAsync("/api/amounts", new { }));
        var whatIfs = Stopwatch.StartNew();
        var answers = 0;
        for (int? from = 0; from is not null; answers++)
        {
            using var answer = (await http.PostAsJsonAsync($"/api/plan/what-ifs?from={from}", new { })).EnsureSuccessStatusCode();
            from = (int?)JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["next"];
        }

        Say($"what-ifs of 200 sets: {whatIfs.Elapsed.TotalSeconds:0.0} s in {answers} answers");
    }

    private static Task NoteAsync(HttpClient http, string what, IReadOnlyList<string> paths) => NoteAsync(http, what, paths, path => http.GetAsync(path));

    private static async Task NoteAsync(HttpClient http, string what, IReadOnlyList<string> paths, Func<string, Task<HttpResponseMessage>> ask)
    {
        foreach (var path in paths)
        {
            (await ask(path)).EnsureSuccessStatusCode();
        }

        var times = new List<double>();
        for (var i = 0; i < Times; i++)
        {
            var clock = Stopwatch.StartNew();
            using var answer = await ask(paths[i % paths.Count]);
            await answer.Content.ReadAsStringAsync();
            times.Add(clock.Elapsed.TotalMilliseconds);
        }

        times.Sort();
        Noted.Less($"{what}, p95", At(times, 0.95), "ms");
        Say($"{what}: p50 {At(times, 0.5):0.0} ms, p95 {At(times, 0.95):0.0} ms");
    }

    private static double At(List<double> sorted, double share) => sorted[(int)Math.Min(sorted.Count - 1, share * sorted.Count)];

    private static void Say(FormattableString text) => Console.WriteLine(text.ToString(CultureInfo.InvariantCulture));
}
