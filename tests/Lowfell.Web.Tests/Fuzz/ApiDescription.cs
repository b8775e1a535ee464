using System.Globalization;
using System.Text.Json.Nodes;

namespace Lowfell.Web.Tests.Fuzz;

/// <summary>One thing that the API can be asked, as its own description tells it.</summary>
/// <param name="Method">Method.</param>
/// <param name="Path">Path with its places.</param>
/// <param name="Parameters">Places in path and query.</param>
/// <param name="MediaTypes">Kinds of body that it takes; none where it takes no body.</param>
/// <param name="Body">Schema of a JSON body.</param>
public sealed record Operation(string Method, string Path, IReadOnlyList<JsonNode> Parameters, IReadOnlyList<string> MediaTypes, JsonNode? Body)
{
    /// <inheritdoc/>
    public override string ToString() => $"{Method} {Path}";
}

/// <summary>Makes what fits the description of the API: requests that are right by their schemas, with ids of things that are there.</summary>
/// <param name="description">The description (OpenAPI).</param>
/// <param name="idsOf">Ids of things that are there, by the name of what they are: "zones", "materials".</param>
public sealed class ApiDescription(JsonNode description, IReadOnlyDictionary<string, IReadOnlyList<string>> idsOf)
{
    private const int Deepest = 6;

    private static readonly string[] Words = ["Slate", "brine", "Rope Tan", "wash", "Tide line, left", "a", "Größe 3", "潮"];

    /// <summary>Everything that can be asked.</summary>
    public IReadOnlyList<Operation> Operations { get; } =
    [
        .. description["paths"]!.AsObject().SelectMany(path => path.Value!.AsObject().Where(m => m.Key is "get" or "put" or "post" or "delete").Select(method => new Operation(
            method.Key.ToUpperInvariant(),
            path.Key,
            [.. method.Value!["parameters"]?.AsArray().Select(p => p!) ?? []],
            [.. method.Value["requestBody"]?["content"]?.AsObject().Select(c => c.Key) ?? []],
            method.Value["requestBody"]?["content"]?["application/json"]?["schema"]))).OrderBy(o => o.ToString(), StringComparer.Ordinal),
    ];

    /// <summary>A value that the schema allows.</summary>
    /// <param name="schema">Schema.</param>
    /// <param name="name">What it is called, which tells whose id it is.</param>
    /// <param name="random">Chance.</param>
    /// <param name="depth">How deep it stands.</param>
    public JsonNode? Value(JsonNode schema, string name, Random random, int depth = 0)
    {
        if (schema["$ref"] is { } reference)
        {
            return Value(description["components"]!["schemas"]![((string)reference!).Split('/')[^1]]!, name, random, depth);
        }

        if (schema["oneOf"] is JsonArray ways)
        {
            var way = ways[random.Next(ways.Count)]!;
            return (string?)(way["type"] as JsonValue) == "null" ? null : Value(way, name, random, depth);
        }

        if (schema["enum"] is JsonArray words)
        {
            return words[random.Next(words.Count)]?.DeepClone();
        }

        var types = schema["type"] is JsonArray several ? several.Select(t => (string)t!).ToList() : [(string?)schema["type"] ?? "object"];
        if (types.Contains("null") && random.Next(3) == 0)
        {
            return null;
        }

        return types.First(t => t != "null") switch
        {
            "boolean" => random.Next(2) == 0,
            "integer" => Whole(schema, random),
            "number" => Number(schema, random),
            "string" => Text(schema, name, random),
            "array" => List(schema, name, random, depth),
            _ => Thing(schema, name, random, depth),
        };
    }

    /// <summary>An id of something that is there, by what it is called: "zoneId", "setIds", or the path that asks for it.</summary>
    public string Id(string name, Random random)
    {
        var of = name.EndsWith("Ids", StringComparison.Ordinal) ? name[..^3] : name.EndsWith("Id", StringComparison.Ordinal) ? name[..^2] : name;
        var pool = idsOf.FirstOrDefault(i => i.Key.StartsWith(of, StringComparison.OrdinalIgnoreCase)).Value ?? [.. idsOf.SelectMany(i => i.Value)];
        return pool.Count == 0 || random.Next(20) == 0 ? Guid.NewGuid().ToString() : pool[random.Next(pool.Count)];
    }

    private static JsonNode Whole(JsonNode schema, Random random)
    {
        var (least, most) = ((long?)(double?)schema["minimum"] ?? 1, (long?)(double?)schema["maximum"] ?? 6);
        return random.Next(4) switch { 0 => least, 1 => most, _ => random.NextInt64(least, Math.Min(most, least + 8) + 1) };
    }

    private static JsonNode Number(JsonNode schema, Random random)
    {
        var (least, most) = ((double?)schema["minimum"] ?? 0, (double?)schema["maximum"] ?? 10);
        return random.Next(6) switch { 0 => least, 1 => most, _ => Math.Round(least + ((most - least) * Math.Pow(random.NextDouble(), 3)), 4) };
    }

    private JsonNode Text(JsonNode schema, string name, Random random)
    {
        switch ((string?)schema["format"])
        {
            case "uuid": return Id(name, random);
            case "date-time": return DateTimeOffset.UtcNow.AddMinutes(random.Next(-100_000, 1000)).ToString("O", CultureInfo.InvariantCulture);
            case "date": return DateTime.UtcNow.AddDays(random.Next(-20, 60)).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
            default: break;
        }

        if (((string?)schema["pattern"])?.StartsWith("^#", StringComparison.Ordinal) == true)
        {
            return $"#{random.Next(0x1000000):x6}";
        }

        var most = (int?)schema["maxLength"] ?? 40;
        var text = $"{Words[random.Next(Words.Length)]} {random.Next(1000)}";
        return text.Length > most ? text[..most] : text;
    }

    private JsonArray List(JsonNode schema, string name, Random random, int depth)
    {
        var least = (int?)schema["minItems"] ?? 0;
        var count = depth > Deepest ? least : Math.Min((int?)schema["maxItems"] ?? 4, least + random.Next(4));
        return [.. Enumerable.Range(0, count).Select(_ => Value(schema["items"]!, name, random, depth + 1))];
    }

    private JsonObject Thing(JsonNode schema, string name, Random random, int depth)
    {
        var thing = new JsonObject();
        var needed = schema["required"]?.AsArray().Select(r => (string)r!).ToHashSet() ?? [];
        foreach (var (field, of) in schema["properties"]?.AsObject() ?? [])
        {
            if (needed.Contains(field) || (depth < Deepest && random.Next(3) == 0))
            {
                thing[field] = Value(of!, field is "id" ? name : field, random, depth + 1);
            }
        }

        if (schema["additionalProperties"] is JsonObject any)
        {
            thing[Words[random.Next(Words.Length)]] = Value(any, name, random, depth + 1);
        }

        return thing;
    }
}
