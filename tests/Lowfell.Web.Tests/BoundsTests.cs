using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Every field of every request: what the API says of it holds, and outside of that it is refused by name.</summary>
public sealed class BoundsTests(TestHost host) : IClassFixture<TestHost>
{
    private const string AnId = "01a20000-0000-7000-8000-000000000001";

    // Free by their nature: dates have no end, and words that are looked up are answered with what there is.
    private static readonly string[] Unbounded = ["date", "date-time", "uuid", "word", "boolean", "object"];

    private JsonNode? schemas;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    /// <summary>A field of a body: where it is, what may be there, and bodies in which something else is.</summary>
    private sealed record Field(string Path, JsonNode Schema, IReadOnlyList<(JsonNode Body, string Allowed)> Spoilt);

    [Fact]
    public async Task A_field_outside_its_bounds_is_refused_by_name_with_what_is_allowed()
    {
        var tried = 0;
        var wrong = new List<string>();
        foreach (var (method, path, schema) in await RequestsAsync())
        {
            var whole = Make(schema, 0);
            foreach (var field in Fields(schema, whole, "", whole, 0))
            {
                foreach (var (body, allowed) in field.Spoilt)
                {
                    tried++;
                    using var request = new HttpRequestMessage(new HttpMethod(method), path) { Content = new StringContent(body.ToJsonString(), Encoding.UTF8, "application/json") };
                    using var answer = await host.Http.SendAsync(request, Cancel);
                    var text = await answer.Content.ReadAsStringAsync(Cancel);
                    var problem = answer.StatusCode == HttpStatusCode.BadRequest ? JsonNode.Parse(text)! : null;
                    var named = problem?["errors"]?.AsObject().Where(e => e.Key == field.Path).SelectMany(e => e.Value!.AsArray()).Aggregate("", (all, one) => $"{all} {one}");
                    if (named?.Contains(allowed, StringComparison.Ordinal) != true)
                    {
                        wrong.Add($"{method} {path} {field.Path}, {allowed}: {(int)answer.StatusCode} {text[..Math.Min(text.Length, 200)]}");
                    }
                }
            }
        }

        Assert.True(wrong.Count == 0, $"{wrong.Count} of {tried}:\n{string.Join('\n', wrong.Take(20))}");
        Assert.True(tried > 1000, $"only {tried} were tried");
    }

    [Fact]
    public async Task No_figure_text_or_list_that_is_sent_is_without_bounds()
    {
        var open = new HashSet<string>();
        foreach (var (method, path, schema) in await RequestsAsync())
        {
            var whole = Make(schema, 0);
            open.UnionWith(Fields(schema, whole, "", whole, 0).Where(f => f.Spoilt.Count == 0 && !Unbounded.Contains(Kind(f.Schema))).Select(f => $"{method} {path} {f.Path}"));
        }

        Assert.True(open.Count == 0, string.Join((char)10, open));
    }

    private async Task<IReadOnlyList<(string Method, string Path, JsonNode Schema)>> RequestsAsync()
    {
        var api = await host.GetAsync("/openapi/v1.json");
        schemas = api["components"]!["schemas"]!;
        return
        [
            .. from path in api["paths"]!.AsObject()
               from operation in path.Value!.AsObject()
               let schema = (operation.Value as JsonObject)?["requestBody"]?["content"]?["application/json"]?["schema"]
               where schema is not null
               select (operation.Key.ToUpperInvariant(), Address(path.Key) + Query(operation.Value!), schema),
        ];
    }

    private static string Address(string path) => System.Text.RegularExpressions.Regex.Replace(path, "{[^}]*}", AnId);

    // What has to be named beside the body: a version.
    private static string Query(JsonNode operation) => string.Concat((operation["parameters"]?.AsArray() ?? []).Where(p => (string)p!["in"]! == "query" && (bool?)p["required"] == true).Select((p, i) => $"{(i == 0 ? '?' : '&')}{p!["name"]}={((string?)p["schema"]!["format"] == "uuid" ? AnId : "1")}"));

    private JsonNode Resolve(JsonNode schema)
    {
        var reference = (string?)schema["$ref"] ?? schema["oneOf"]?.AsArray().Select(o => (string?)o!["$ref"]).FirstOrDefault(r => r is not null);
        return reference is null ? schema : schemas![reference.Split('/')[^1]]!;
    }

    private static string Kind(JsonNode schema)
    {
        if (schema["enum"] is not null)
        {
            return "word";
        }

        var type = schema["type"] is JsonArray several ? (string)several.First(t => (string?)t != "null")! : (string?)schema["type"] ?? "object";
        return type == "string" ? (string?)schema["format"] ?? "string" : type;
    }

    private static double? Figure(JsonNode schema, string name) => schema[name] is { } value ? double.Parse(value.ToString(), CultureInfo.InvariantCulture) : null;

    // A body with everything in it, one of each list, all of it within bounds.
    private JsonNode Make(JsonNode reference, int depth)
    {
        var schema = Resolve(reference);
        switch (Kind(schema))
        {
            case "word":
                return schema["enum"]!.AsArray().First(w => w is not null)!.DeepClone();
            case "uuid":
                return AnId;
            case "date":
                return "2026-03-01";
            case "date-time":
                return "2026-03-01T19:30:00Z";
            case "string":
                return schema["pattern"] is null ? "x" : "#112233";
            case "boolean":
                return false;
            case "integer":
                return (int)Math.Max(1, Figure(schema, "minimum") ?? 1);
            case "number":
                return Figure(schema, "minimum") is { } least ? Math.Max(least, Math.Min(1, Figure(schema, "maximum")!.Value)) : 1;
            case "array":
                return new JsonArray([.. Enumerable.Range(0, (int)Math.Max(1, Figure(schema, "minItems") ?? 1)).Select(_ => Make(schema["items"]!, depth + 1))]);
            default:
                return new JsonObject((schema["properties"]?.AsObject() ?? []).Where(_ => depth < 12).Select(p => KeyValuePair.Create(p.Key, (JsonNode?)Make(p.Value!, depth + 1))));
        }
    }

    // Every field of a body with bodies in which it alone is out of bounds; of a list its first element.
    private IEnumerable<Field> Fields(JsonNode reference, JsonNode here, string at, JsonNode whole, int depth)
    {
        var schema = Resolve(reference);
        foreach (var (name, inner) in schema["properties"]?.AsObject() ?? [])
        {
            var field = Resolve(inner!);
            var path = at + name;
            var value = here[name]!;
            yield return new(path, field, [.. Spoil(field).Select(s => (With(whole, value.GetPath(), s.Value), s.Allowed))]);
            if (Kind(field) == "object")
            {
                foreach (var deeper in Fields(field, value, path + ".", whole, depth + 1))
                {
                    yield return deeper;
                }
            }
            else if (Kind(field) == "array" && Resolve(field["items"]!) is { } item && value.AsArray() is [{ } first, ..])
            {
                if (Kind(item) == "object")
                {
                    foreach (var deeper in Fields(item, first, path + "[0].", whole, depth + 1))
                    {
                        yield return deeper;
                    }
                }
                else if (Kind(item) is "number" or "integer")
                {
                    yield return new(path, item, [.. Spoil(item).Select(s => (With(whole, first.GetPath(), s.Value), s.Allowed))]);
                }
            }
        }
    }

    private static JsonNode With(JsonNode whole, string path, JsonNode value)
    {
        var copy = whole.DeepClone();
        var steps = System.Text.RegularExpressions.Regex.Matches(path, @"\.(\w+)|\[(\d+)\]").Select(m => m.Groups[1].Success ? m.Groups[1].Value : (object)int.Parse(m.Groups[2].Value, CultureInfo.InvariantCulture)).ToList();
        var node = copy;
        foreach (var step in steps[..^1])
        {
            node = step is int i ? node[i]! : node[(string)step]!;
        }

        if (steps[^1] is int last)
        {
            node[last] = value;
        }
        else
        {
            node[(string)steps[^1]] = value;
        }

        return copy;
    }

    private IEnumerable<(JsonNode Value, string Allowed)> Spoil(JsonNode schema)
    {
        string Words(double figure) => figure.ToString(CultureInfo.InvariantCulture);
        if (Figure(schema, "maximum") is { } most)
        {
            var least = Figure(schema, "minimum") ?? Figure(schema, "exclusiveMinimum")!.Value;
            var whole = Kind(schema) == "integer";
            var above = Figure(schema, "exclusiveMinimum") is not null;
            if (!whole || most < int.MaxValue)
            {
                yield return (whole ? (int)most + 1 : (most * 1.001) + 0.001, $"{Words(least)} to {Words(most)}");
            }

            yield return (above ? least : whole ? (int)least - 1 : least - 0.001, $"{(above ? "above " : "")}{Words(least)} to {Words(most)}");
        }

        if (Figure(schema, "maxLength") is { } longest)
        {
            yield return (new string('x', (int)longest + 1), $"shorten it to {longest} characters");
            yield return ("x\0y", "U+0000");
            if (Figure(schema, "minLength") > 0)
            {
                yield return ("  ", $"1 to {longest} characters");
            }
        }

        if (schema["pattern"] is not null)
        {
            yield return ("rust", "#rrggbb");
        }

        if (Kind(schema) == "word")
        {
            yield return ("unheard", "is not known; ");
        }

        if (Figure(schema, "maxItems") is { } many)
        {
            yield return (new JsonArray([.. Enumerable.Range(0, (int)many + 1).Select(_ => Make(schema["items"]!, 0))]), $"at most {many},");
            if (Figure(schema, "minItems") is > 0 and { } few)
            {
                yield return (new JsonArray([.. Enumerable.Range(0, (int)few - 1).Select(_ => Make(schema["items"]!, 0))]), $"{few}");
            }
        }
    }
}
