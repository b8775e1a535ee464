using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;

namespace Lowfell.Core.Ready;

/// <summary>The forty plain paints that most benches begin with, by colour word and family; bought under whatever name.</summary>
public static class StarterShelf
{
    private sealed record Row(string Name, Family Family, string Colour, Sheen? Sheen = null, Effect Effect = Effect.Plain);

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) } };

    /// <summary>Every one, by what it is there for.</summary>
    public static IReadOnlyList<Material> Materials { get; } = Read();

    /// <summary>As a shelf.</summary>
    public static Shelf Shelf { get; } = new(Materials);

    private static List<Material> Read()
    {
        using var stream = typeof(StarterShelf).Assembly.GetManifestResourceStream("starter-shelf.json")!;
        return [.. JsonSerializer.Deserialize<List<Row>>(stream, Json)!.Select(r => new Material
        {
            Id = new Guid(SHA256.HashData(Encoding.UTF8.GetBytes("starter " + r.Name)).AsSpan(0, 16)),
            Name = r.Name,
            Family = r.Family,
            Colour = Srgb.Parse(r.Colour),
            OwnSheen = r.Sheen,
            Effect = r.Effect,
        })];
    }
}
