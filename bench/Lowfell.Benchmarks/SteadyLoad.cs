using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;

namespace Lowfell.Benchmarks;

/// <summary>
/// A club evening on a running host with the demo: reads and previews at a steady pace, and open bench cards that ask for their plan and
/// whether the host is there. A request leaves at its time, whether or not others have come back; how late it left is the generator's own,
/// and told beside what the host took.
/// </summary>
internal static class SteadyLoad
{
    private const int PerSecond = 200;
    private const int Cards = 50;
    private static readonly TimeSpan CardAsksHealth = TimeSpan.FromSeconds(5);
    private static readonly TimeSpan CardAsksPlan = TimeSpan.FromSeconds(30);

    public static async Task RunAsync(string address, int seconds, string folder)
    {
        using var handler = new SocketsHttpHandler { PooledConnectionIdleTimeout = TimeSpan.FromMinutes(5) };
        using var http = new HttpClient(handler) { BaseAddress = new Uri(address), Timeout = TimeSpan.FromSeconds(30) };
        var kinds = await KindsAsync(http);
        for (var i = 0; i < 600; i++)
        {
            await SendAsync(http, kinds[i % kinds.Count].Make(i));
        }

        var pid = int.Parse((await File.ReadAllTextAsync(Path.Combine(folder, "bench.pid"))).Trim(), CultureInfo.InvariantCulture);
        using var own = Process.GetCurrentProcess();
        using var host = Process.GetProcessById(pid);
        var (ownBefore, hostBefore) = (own.TotalProcessorTime, host.TotalProcessorTime);
        var clock = Stopwatch.StartNew();
        var took = new ConcurrentBag<(int Kind, double Ms)>();
        var late = new ConcurrentBag<double>();
        var errors = new ConcurrentBag<string>();
        using var stop = new CancellationTokenSource();
        var cards = Enumerable.Range(0, Cards).Select(i => CardAsync(http, i, took, errors, clock, stop.Token)).ToList();
        var flights = new List<Task>();
        for (var i = 0; i < PerSecond * seconds; i++)
        {
            var due = TimeSpan.FromSeconds((double)i / PerSecond);
            if (due - clock.Elapsed is var wait && wait > TimeSpan.FromMilliseconds(1))
            {
                await Task.Delay(wait);
            }

            var number = i;
            flights.Add(Task.Run(async () =>
            {
                var kind = number % kinds.Count;
                var begun = clock.Elapsed;
                late.Add((begun - due).TotalMilliseconds);
                await TimedAsync(http, kinds[kind].Make(number + 1000), kind, took, errors, clock);
            }));
        }

        await Task.WhenAll(flights);
        await stop.CancelAsync();
        await Task.WhenAll(cards);
        var elapsed = clock.Elapsed.TotalSeconds;
        own.Refresh();
        host.Refresh();
        var (all, lags) = (took.Select(t => t.Ms).Order().ToArray(), late.Order().ToArray());
        Noted.Less("evening of 200 requests/s, p95", At(all, 0.95), "ms");
        Console.WriteLine(Line($"{PerSecond}/s of reads and previews with {Cards} open cards for {seconds} s: {all.Length} answers, {errors.Count} errors; p50 {At(all, 0.5):0.0} ms, p95 {At(all, 0.95):0.0} ms, p99 {At(all, 0.99):0.0} ms, worst {all[^1]:0} ms"));
        Console.WriteLine(Line($"the generator itself: left late by p50 {At(lags, 0.5):0.0} ms, p95 {At(lags, 0.95):0.0} ms; it took {(own.TotalProcessorTime - ownBefore).TotalSeconds / elapsed:P0} of a core, the host {(host.TotalProcessorTime - hostBefore).TotalSeconds / elapsed:P0}"));
        foreach (var (kind, i) in kinds.Select((k, i) => (k.Name, i)).DistinctBy(k => k.Name))
        {
            var of = took.Where(t => t.Kind >= 0 && kinds[t.Kind].Name == kind).Select(t => t.Ms).Order().ToArray();
            Console.WriteLine(Line($"  {kind,-22} {of.Length,6}  p50 {At(of, 0.5),6:0.0}  p95 {At(of, 0.95),6:0.0} ms"));
        }

        var ofCards = took.Where(t => t.Kind < 0).Select(t => t.Ms).Order().ToArray();
        Console.WriteLine(Line($"  {"cards",-22} {ofCards.Length,6}  p50 {At(ofCards, 0.5),6:0.0}  p95 {At(ofCards, 0.95),6:0.0} ms"));
        foreach (var error in errors.GroupBy(e => e).OrderByDescending(e => e.Count()).Take(5))
        {
            Console.WriteLine($"  {error.Count()} x {error.Key}");
        }
    }

    // Half reads, half previews of stacks that nobody has asked for yet, as a painter who changes a figure asks.
    private static async Task<IReadOnlyList<(string Name, Func<int, HttpRequestMessage> Make)>> KindsAsync(HttpClient http)
    {
        var zones = (await ReadAsync(http, "/api/zones")).AsArray();
        var pages = new List<(Guid Id, Guid Piece, JsonNode Page)>();
        foreach (var zone in zones.Take(24))
        {
            var id = Guid.Parse((string)zone!["id"]!);
            pages.Add((id, Guid.Parse((string)zone["pieceId"]!), await ReadAsync(http, $"/api/zones/{id}")));
        }

        var sets = (await ReadAsync(http, "/api/sets/cards")).AsArray().Select(s => (string)s!["id"]!).ToList();
        HttpRequestMessage Preview(int i)
        {
            var page = pages[i % pages.Count].Page;
            var coats = page["scheme"]!["coats"]!.DeepClone().AsArray();
            if (coats.Count > 0)
            {
                coats[i % coats.Count]!["paintFraction"] = Math.Round(0.5 + (i % 4000 * 0.0001), 4);
            }

            var body = new JsonObject { ["zone"] = page["zone"]!.DeepClone(), ["coats"] = coats };
            return new(HttpMethod.Post, "/api/preview/stack") { Content = new StringContent(body.ToJsonString(), Encoding.UTF8, new MediaTypeHeaderValue("application/json")) };
        }

        (string, Func<int, HttpRequestMessage>) preview = ("a stack, changed", Preview);
        return
        [
            preview,
            ("cards of the sets", _ => new(HttpMethod.Get, "/api/sets/cards")),
            preview,
            ("a zone", i => new(HttpMethod.Get, $"/api/zones/{pages[i % pages.Count].Id}")),
            preview,
            ("a piece", i => new(HttpMethod.Get, $"/api/pieces/{pages[i % pages.Count].Piece}")),
            preview,
            ("the shelf", _ => new(HttpMethod.Get, "/api/materials")),
            preview,
            ("a search", i => new(HttpMethod.Get, $"/api/search?q={new[] { "wall", "rust", "slate", "wash" }[i % 4]}")),
            preview,
            ("the log", _ => new(HttpMethod.Get, "/api/log")),
            preview,
            ("a set", i => new(HttpMethod.Get, $"/api/sets/{sets[i % sets.Count]}")),
            preview,
            ("how far a zone is", i => new(HttpMethod.Get, $"/api/log/progress?zoneId={pages[i % pages.Count].Id}")),
        ];
    }

    private static async Task CardAsync(HttpClient http, int number, ConcurrentBag<(int, double)> took, ConcurrentBag<string> errors, Stopwatch clock, CancellationToken stop)
    {
        try
        {
            // Not all at once, as no club opens its cards.
            await Task.Delay(CardAsksPlan * number / Cards, stop);
            for (var asked = TimeSpan.Zero; !stop.IsCancellationRequested;)
            {
                await TimedAsync(http, new(HttpMethod.Get, "/api/health"), -1, took, errors, clock);
                if (asked == TimeSpan.Zero || clock.Elapsed - asked >= CardAsksPlan)
                {
                    asked = clock.Elapsed;
                    await TimedAsync(http, new(HttpMethod.Post, "/api/plan") { Content = new StringContent("{}", Encoding.UTF8, new MediaTypeHeaderValue("application/json")) }, -1, took, errors, clock);
                }

                await Task.Delay(CardAsksHealth, stop);
            }
        }
        catch (OperationCanceledException)
        {
            // The evening is over.
        }
    }

    private static async Task TimedAsync(HttpClient http, HttpRequestMessage request, int kind, ConcurrentBag<(int, double)> took, ConcurrentBag<string> errors, Stopwatch clock)
    {
        var begun = clock.Elapsed;
        try
        {
            await SendAsync(http, request);
            took.Add((kind, (clock.Elapsed - begun).TotalMilliseconds));
        }
        catch (Exception e) when (e is HttpRequestException or TaskCanceledException)
        {
            errors.Add($"{request.Method} {request.RequestUri}: {e.Message}");
        }
    }

    private static async Task SendAsync(HttpClient http, HttpRequestMessage request)
    {
        using (request)
        {
            using var answer = await http.SendAsync(request);
            answer.EnsureSuccessStatusCode();
            await answer.Content.ReadAsByteArrayAsync();
        }
    }

    private static async Task<JsonNode> ReadAsync(HttpClient http, string path) => JsonNode.Parse(await http.GetStringAsync(new Uri(path, UriKind.Relative)))!;

    private static double At(double[] sorted, double share) => sorted.Length == 0 ? 0 : sorted[(int)Math.Min(sorted.Length - 1, share * sorted.Length)];

    private static string Line(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
