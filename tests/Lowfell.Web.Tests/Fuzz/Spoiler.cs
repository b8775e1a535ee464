using System.Text;
using System.Text.Json.Nodes;

namespace Lowfell.Web.Tests.Fuzz;

/// <summary>Spoils requests, by chance: values, whole bodies, headers, addresses, files.</summary>
public static class Spoiler
{
    /// <summary>Stands for half of a sign, which the library does not write: put in as text afterwards.</summary>
    public const string HalfSign = "HALF-SIGN";

    private const int Long = 6000;

    // What a program could send where a text is told to stand, as it is written into an address.
    private static readonly string[] Addresses =
        ["%00", "a%00b", "%FF%FE", "%F0%28%8C%BC", "%ED%A0%80", "", "null", "-1", "2147483648", "1e400", "NaN", "..%2f..%2fetc", "%27%20OR%201=1--", "%25", "[]", "{}", "%0d%0aX:%20y", "%E2%80%8B", "0x10", "true", new('x', Long), "0001-01-01T00:00:00Z", "9999-12-31T23:59:59Z", "00000000-0000-0000-0000-000000000000", "%C4%B0", "*", "%5C", "%22"];

    private static readonly string[] ContentTypes =
        ["application/json; charset=klingon", "application/json; charset=utf-16", "application/json; charset=\"\"", "text/plain", "application/xml", "application/json;;", "multipart/form-data", "application/x-www-form-urlencoded", "application/problem+json", "*/*", "image/png", "text/csv; charset=utf-7"];

    private static readonly (string Name, string Value)[] Headers =
    [
        ("If-None-Match", "\"x\", W/\"y\""), ("If-Match", "*"), ("Range", "bytes=9999999-"), ("Range", "bytes=5-2"), ("Accept", "application/xml"), ("Accept", "*/*;q=9"), ("Accept-Language", new string('d', Long)), ("Accept-Encoding", "zstd, br;q=-1, *;q=0"),
        ("Cookie", "lowfell-bench=%00; a=b; =;;"), ("Content-Encoding", "gzip"), ("traceparent", "00-zz"), ("X-HTTP-Method-Override", "DELETE"), ("If-Modified-Since", "yesterday"), ("Last-Event-ID", "\t"), ("Prefer", "return=nothing"),
    ];

    /// <summary>Something that may not stand where it is put.</summary>
    public static JsonNode? Nasty(Random random) => random.Next(34) switch
    {
        0 => null,
        1 => "",
        2 => "a\0b",
        3 => new string('x', Long),
        4 => HalfSign,
        5 => "\u202e\u200b\ufeff",
        6 => "=cmd|' /C calc'!A0",
        7 => JsonNode.Parse("1e308"),
        8 => JsonNode.Parse("-1e308"),
        9 => JsonNode.Parse("1e-320"),
        10 => JsonNode.Parse("2147483648"),
        11 => JsonNode.Parse("-2147483649"),
        12 => JsonNode.Parse("99999999999999999999999999999999"),
        13 => JsonNode.Parse("1e999"),
        14 => "NaN",
        15 => -1,
        16 => 0,
        17 => 0.5,
        18 => true,
        19 => new JsonArray(),
        20 => new JsonObject(),
        21 => new JsonArray(null, null),
        22 => JsonNode.Parse(new string('[', 40) + new string(']', 40)),
        23 => new JsonArray([.. Enumerable.Range(0, 3000).Select(i => (JsonNode)i)]),
        24 => "00000000-0000-0000-0000-000000000000",
        25 => Guid.NewGuid().ToString(),
        26 => "9999-12-31T23:59:59.9999999+00:00",
        27 => "0001-01-01T00:00:00+14:00",
        28 => "#gggggg",
        29 => "\u0130\u0131\u00df",
        30 => new JsonObject { ["$type"] = "System.IO.FileInfo" },
        31 => "line\r\nbreak\u2028and\u0085more",
        32 => "../../etc/passwd",
        _ => "Europe/Nowhere",
    };

    /// <summary>Puts something nasty at a place of a body, leaves something out, says something twice or something that nobody knows.</summary>
    public static JsonNode? Value(JsonNode? body, Random random)
    {
        var places = new List<JsonNode>();
        void Gather(JsonNode? node)
        {
            if (node is JsonObject or JsonArray)
            {
                places.Add(node);
            }

            foreach (var inner in node switch { JsonObject o => o.Select(p => p.Value), JsonArray a => a, _ => Enumerable.Empty<JsonNode?>() })
            {
                Gather(inner);
            }
        }

        Gather(body);
        if (places.Count == 0)
        {
            return Nasty(random);
        }

        switch (places[random.Next(places.Count)])
        {
            case JsonObject thing when thing.Count > 0:
                var field = thing.ElementAt(random.Next(thing.Count)).Key;
                _ = random.Next(8) switch { 0 => thing.Remove(field), 1 => thing.TryAdd("unheardOf", Nasty(random)), _ => Set(thing, field, Nasty(random)) };
                break;
            case JsonObject thing:
                thing["unheardOf"] = Nasty(random);
                break;
            case JsonArray { Count: > 0 } list when random.Next(4) == 0:
                for (var i = random.Next(5); i >= 0; i--)
                {
                    list.Add(list[random.Next(list.Count)]?.DeepClone());
                }

                break;
            case JsonArray { Count: > 0 } list:
                list[random.Next(list.Count)] = Nasty(random);
                break;
            case JsonArray list:
                list.Add(Nasty(random));
                break;
            default:
                break;
        }

        return body;
    }

    private static bool Set(JsonObject thing, string field, JsonNode? value)
    {
        thing[field] = value;
        return true;
    }

    /// <summary>A body that is no JSON any more, or only just.</summary>
    public static byte[] Body(byte[] json, Random random)
    {
        switch (random.Next(9))
        {
            case 0: return json[..random.Next(json.Length + 1)];
            case 1: return Flipped(json, random);
            case 2: return [0xEF, 0xBB, 0xBF, .. json];
            case 3: return Encoding.Unicode.GetBytes(Encoding.UTF8.GetString(json));
            case 4: return Encoding.ASCII.GetBytes(new string('[', 5000));
            case 5: return [.. json, .. json];
            case 6: return [.. "{\"a\":1,\"a\":2}"u8];
            case 7: return [0xFF, 0xFE, 0, .. json];
            default: return [];
        }
    }

    /// <summary>Some bytes are others.</summary>
    public static byte[] Flipped(byte[] file, Random random)
    {
        var spoilt = file.ToArray();
        for (var i = random.Next(12); i >= 0 && spoilt.Length > 0; i--)
        {
            spoilt[random.Next(spoilt.Length)] = (byte)random.Next(256);
        }

        return spoilt;
    }

    /// <summary>Something to stand in an address, written as it may stand there.</summary>
    public static string Address(Random random) => Addresses[random.Next(Addresses.Length)];

    /// <summary>A kind of body that is not taken.</summary>
    public static string ContentType(Random random) => ContentTypes[random.Next(ContentTypes.Length)];

    /// <summary>A header that nobody sends.</summary>
    public static (string Name, string Value) Header(Random random) => Headers[random.Next(Headers.Length)];
}
