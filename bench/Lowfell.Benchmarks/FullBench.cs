using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Lowfell.Benchmarks;

/// <summary>A bench of 200 sets of 20 pieces: how long a save takes while the painter edits, and the list of sets.</summary>
internal static class FullBench
{
    private const int Sets = 200;
    private const int Pieces = 20;
    private const int Saves = 300;
    private const int PauseMs = 25;
    private const int WarmUp = 200;
    private const int AskAgainMs = 1_500;

    // The database looks after its tables once they have grown.
    private const int SettleMs = 15_000;

    public static async Task RunAsync(HttpClient http)
    {
        var zone = await SeedAsync(http);
        var page = (await http.GetFromJsonAsync<JsonObject>($"/api/zones/{zone}"))!;
        var (scheme, coats) = (page["scheme"]!, page["scheme"]!["coats"]!.AsArray());
        var version = (int)scheme["version"]!;
        var times = new List<double>();
        await Task.Delay(SettleMs);
        for (var i = -WarmUp; i < Saves; i++)
        {
            coats[0]!["note"] = $"Save {i}";
            var clock = Stopwatch.StartNew();
            using var answer = await http.PutAsJsonAsync($"/api/schemes/{scheme["id"]}/stack", new { version, coats });
            answer.EnsureSuccessStatusCode();
            version = (int)JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["version"]!;
            if (i >= 0)
            {
                times.Add(clock.Elapsed.TotalMilliseconds);
            }

            await Task.Delay(PauseMs);
        }

        times.Sort();
        Noted.Less("save with 200 sets, p95", At(times, 0.95), "ms");
        Say($"save of an edit with {Sets} sets of {Pieces} pieces: one request, p50 {At(times, 0.5):0.0} ms, p95 {At(times, 0.95):0.0} ms, p99 {At(times, 0.99):0.0} ms");

        var (first, asked, whole) = await ListAsync(http);
        Noted.Less("list of 200 sets, all behind, all of today", whole, "ms");
        Say($"list of these sets when all is behind: first answer {first:0} ms, all of today after {asked} askings and {whole:0} ms");
        var again = await ListAsync(http);
        Noted.Less("list of 200 sets, nothing changed", again.First, "ms");
        Say($"list of these sets when nothing has changed: {again.First:0} ms");
    }

    private static async Task<(double First, int Asked, double Whole)> ListAsync(HttpClient http)
    {
        var (clock, first) = (Stopwatch.StartNew(), 0.0);
        for (var asked = 1; ; asked++)
        {
            var text = await http.GetStringAsync("/api/sets");
            first = asked == 1 ? clock.Elapsed.TotalMilliseconds : first;
            if (!text.Contains("\"current\":false", StringComparison.Ordinal))
            {
                return (first, asked, clock.Elapsed.TotalMilliseconds);
            }

            await Task.Delay(AskAgainMs);
        }
    }

    // One set of pieces painted like the demo's walls, copied; schemes are shared, as copies share them.
    public static async Task<string> SeedAsync(HttpClient http)
    {
        var demo = (await http.GetFromJsonAsync<JsonArray>("/api/sets"))!.SelectMany(s => s!["pieces"]!.AsArray()).SelectMany(p => p!["zones"]!.AsArray()).Select(z => (string)z!["settings"]!["schemeId"]!).Distinct().ToList();
        var set = await PostAsync(http, "/api/sets", new { name = "Sea wall 0" });
        var zone = "";
        for (var p = 0; p < Pieces; p++)
        {
            var piece = await PostAsync(http, $"/api/sets/{set}/pieces", new { name = $"Straight {p}", shape = "box", lengthMm = 120, widthMm = 20, heightMm = 60, copies = 4 });
            for (var z = 0; z < 2; z++)
            {
                zone = await PostAsync(http, $"/api/pieces/{piece}/zones", new { name = $"Face {z}", areaShare = 0.5, schemeId = demo[((2 * p) + z) % demo.Count] });
            }
        }

        for (var s = 1; s < Sets; s++)
        {
            await PostAsync(http, $"/api/sets/{set}/copy", new { });
        }

        return zone;
    }

    private static async Task<string> PostAsync(HttpClient http, string path, object body)
    {
        using var answer = await http.PostAsJsonAsync(path, body);
        answer.EnsureSuccessStatusCode();
        return (string)JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["id"]!;
    }

    private static double At(List<double> sorted, double share) => sorted[(int)Math.Min(sorted.Count - 1, share * sorted.Count)];

    private static void Say(FormattableString text) => Console.WriteLine(text.ToString(CultureInfo.InvariantCulture));
}
