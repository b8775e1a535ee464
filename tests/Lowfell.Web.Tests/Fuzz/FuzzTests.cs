using System.Diagnostics;
using System.Globalization;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests.Fuzz;

/// <summary>
/// Asks the host everything that its own description tells, right and spoilt: every field, address, header and file. None of it may be
/// answered with a failure of the host, and what is refused says why. A request follows from its seed: one that failed is told with it.
/// </summary>
[Trait("Kind", "Fuzz")]
public sealed class FuzzTests(ListeningHost host) : IClassFixture<ListeningHost>
{
    private const int Seed = 20_261_127;

    // As long as the tests may take; with LOWFELL_LONG as many as nobody waits for.
    private static readonly TimeSpan Short = TimeSpan.FromMinutes(2);
    private const int LongCount = 40_000;

    // Every so many requests the ids are asked for anew, as some are of what is gone by now.
    private const int IdsEvery = 1500;

    // Answers that are no single answer, or wait by design.
    private static readonly string[] Streams = ["/api/plan/solves/{id}/events"];

    // What is refused with what is kept, for the painter to choose.
    private const string AnswersWithKept = "PUT /api/schemes/{id}/stack";

    private static readonly byte[] OnePixel = Convert.FromBase64String("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAIAAACQd1PeAAAADElEQVR4nGP4z8AAAAMBAQDJ/pLvAAAAAElFTkSuQmCC");

    private static readonly TimeSpan Slow = TimeSpan.FromSeconds(2);

    // What the schemas name by another word than their collection.
    private static readonly (string Pool, string Path)[] Collections =
    [
        ("sets", "/api/sets/cards"), ("zones", "/api/zones"), ("materials", "/api/materials"), ("mixes", "/api/mixes"), ("mix-records", "/api/mix-records"), ("tiles", "/api/tiles"), ("schemes", "/api/schemes"), ("painted", "/api/painted"),
        ("base-families", "/api/base-families"), ("element-boxes", "/api/element-boxes"),
    ];

    [Fact]
    public async Task Nothing_that_is_asked_makes_the_host_fail()
    {
        var isLong = Environment.GetEnvironmentVariable("LOWFELL_LONG") is { Length: > 0 };
        var seed = int.Parse(Environment.GetEnvironmentVariable("LOWFELL_FUZZ_SEED") ?? Seed.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);
        var api = await ReadAsync();
        var clock = Stopwatch.StartNew();
        var failed = new List<string>();
        var slow = new SortedDictionary<string, (double Seconds, string Told)>(StringComparer.Ordinal);
        var statuses = new SortedDictionary<int, int>();
        var asked = 0;
        for (; isLong ? asked < LongCount : clock.Elapsed < Short; asked++)
        {
            if (asked > 0 && asked % IdsEvery == 0)
            {
                api = await ReadAsync();
            }

            var random = new Random(HashCode(seed, asked));
            var operation = api.Operations[random.Next(api.Operations.Count)];
            var (request, told) = Make(api, operation, random);
            var begun = clock.Elapsed;
            var (status, fault) = await AskAsync(request, operation);
            statuses[status] = statuses.GetValueOrDefault(status) + 1;
            if (clock.Elapsed - begun is var took && took > Slow && took.TotalSeconds > slow.GetValueOrDefault(operation.ToString()).Seconds)
            {
                slow[operation.ToString()] = (took.TotalSeconds, told);
            }

            if (fault is not null)
            {
                failed.Add($"{asked}: {status} {fault}\n    {told}");
            }
        }

        TestContext.Current.TestOutputHelper?.WriteLine($"{asked} requests of seed {seed}: {string.Join(", ", statuses.Select(s => $"{s.Value} x {s.Key}"))}; over 2 s: {string.Join(", ", slow.Select(s => $"{s.Key} {s.Value.Seconds:0.0} s ({s.Value.Told})"))}");
        Assert.True(asked > 500, $"Only {asked} requests were made.");
        Assert.True(statuses.GetValueOrDefault(200) > asked / 20, "Hardly anything that was asked was right: the fuzzer does not reach beyond the checks.");
        Assert.True(failed.Count == 0, $"{failed.Count} of {asked} requests of seed {seed} failed:\n{string.Join('\n', failed.Take(40))}");
    }

    // The same on every machine, unlike that of the library.
    private static int HashCode(int seed, int number) => unchecked((seed * 31) + (number * 1_000_003));

    private async Task<ApiDescription> ReadAsync()
    {
        var ids = new Dictionary<string, IReadOnlyList<string>>();
        foreach (var (pool, path) in Collections)
        {
            ids[pool] = [.. (await host.GetAsync(path)).AsArray().Select(t => (string)t!["id"]!).Take(60)];
        }

        ids["pieces"] = [.. (await host.GetAsync("/api/zones")).AsArray().Select(z => (string)z!["pieceId"]!).Distinct().Take(40)];
        return new(await host.GetAsync("/openapi/v1.json"), ids);
    }

    private static (HttpRequestMessage Request, string Told) Make(ApiDescription api, Operation operation, Random random)
    {
        var path = operation.Path;
        var query = new List<string>();
        var spoil = random.Next(10);
        foreach (var parameter in operation.Parameters)
        {
            var name = (string)parameter["name"]!;
            var isPath = (string)parameter["in"]! == "path";
            var of = name is "id" ? operation.Path.Split('/')[2] : name;
            var value = api.Value(parameter["schema"]!, of, random)?.ToString() ?? "";
            var written = spoil < 2 && random.Next(operation.Parameters.Count) == 0 ? Spoiler.Address(random) : Uri.EscapeDataString(value);
            if (isPath)
            {
                path = path.Replace($"{{{name}}}", written.Length == 0 ? "%20" : written, StringComparison.Ordinal);
            }
            else if ((bool?)parameter["required"] == true || random.Next(2) == 0)
            {
                query.Add($"{name}={written}");
            }
        }

        var address = path + (query.Count > 0 ? "?" + string.Join('&', query) : "");
        var request = new HttpRequestMessage(new(operation.Method), address);
        var body = Body(api, operation, spoil, random);
        if (body is not null)
        {
            request.Content = new ByteArrayContent(body);
            var type = spoil == 8 ? Spoiler.ContentType(random) : operation.MediaTypes[random.Next(operation.MediaTypes.Count)];
            request.Content.Headers.TryAddWithoutValidation("Content-Type", type);
        }

        if (spoil == 9)
        {
            var (name, value) = Spoiler.Header(random);
            if (!request.Headers.TryAddWithoutValidation(name, value))
            {
                request.Content?.Headers.TryAddWithoutValidation(name, value);
            }
        }

        var text = body is null ? "" : Encoding.UTF8.GetString(body);
        return (request, $"{operation.Method} {address[..Math.Min(address.Length, 400)]} {request.Content?.Headers.ContentType} {text[..Math.Min(text.Length, 1500)]}");
    }

    private static byte[]? Body(ApiDescription api, Operation operation, int spoil, Random random)
    {
        if (operation.Body is { } schema)
        {
            var value = api.Value(schema, operation.Path.Split('/')[2], random);
            for (var i = spoil is >= 2 and < 6 ? 1 + random.Next(2) : 0; i > 0; i--)
            {
                value = Spoiler.Value(value, random);
            }

            var json = Encoding.UTF8.GetBytes((value?.ToJsonString() ?? "null").Replace(Spoiler.HalfSign, "\\ud800", StringComparison.Ordinal));
            return spoil == 6 ? Spoiler.Body(json, random) : json;
        }

        byte[]? file = operation.MediaTypes switch
        {
            [] => null,
            ["text/csv", ..] => Encoding.UTF8.GetBytes("name,family,colour,left_ml\n" + string.Join('\n', Enumerable.Range(0, random.Next(6)).Select(i => $"Fuzz {random.Next(9999)},acrylicPaint,#{random.Next(0xffffff):x6},{i}"))),
            [var kind, ..] when kind.StartsWith("image", StringComparison.Ordinal) => OnePixel,
            _ => "{\"format\":\"lowfell-scheme\",\"formatVersion\":1,\"name\":\"Fuzz\",\"roles\":[]}"u8.ToArray(),
        };
        return file is null || spoil > 7 ? file : spoil < 4 ? Spoiler.Flipped(file, random) : Spoiler.Body(file, random);
    }

    private async Task<(int Status, string? Fault)> AskAsync(HttpRequestMessage request, Operation operation)
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        var streams = Streams.Contains(operation.Path);
        patience.CancelAfter(TimeSpan.FromSeconds(60));
        using (request)
        {
            try
            {
                using var answer = await host.Http.SendAsync(request, streams ? HttpCompletionOption.ResponseHeadersRead : HttpCompletionOption.ResponseContentRead, patience.Token);
                var status = (int)answer.StatusCode;
                if (status >= 500)
                {
                    return (status, "the host failed");
                }

                // An address that is none is refused by the server itself, before the program.
                var isAddress = !request.RequestUri!.OriginalString.Split('?')[0].Contains("%00", StringComparison.Ordinal);
                return (status, status >= 400 && isAddress && !(status == 409 && operation.ToString() == AnswersWithKept) && !await SaysWhyAsync(answer, patience.Token) ? "is refused without a word" : null);
            }
            catch (OperationCanceledException) when (!TestContext.Current.CancellationToken.IsCancellationRequested)
            {
                return (0, "no answer within a minute");
            }
            catch (UriFormatException)
            {
                // No client sends it.
                return (-1, null);
            }
            catch (HttpRequestException cut)
            {
                return (0, $"no answer: {cut.Message}");
            }
        }
    }

    private static async Task<bool> SaysWhyAsync(HttpResponseMessage answer, CancellationToken cancel)
    {
        try
        {
            return answer.Content.Headers.ContentType?.MediaType == "application/problem+json" && JsonNode.Parse(await answer.Content.ReadAsStringAsync(cancel))!["title"] is not null;
        }
        catch (JsonException)
        {
            return false;
        }
    }
}
