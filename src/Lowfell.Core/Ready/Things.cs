using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Ready;

/// <summary>What kind of thing stands before the painter.</summary>
public enum ThingKind
{
    /// <summary>Wall, coping, pier.</summary>
    [Said("wall")]
    Wall,

    /// <summary>House, shed, tower.</summary>
    [Said("building")]
    Building,

    /// <summary>Anything that drives or floats.</summary>
    [Said("vehicle")]
    Vehicle,

    /// <summary>Base under a figure.</summary>
    [Said("base")]
    Base,

    /// <summary>Floor or ground tile.</summary>
    [Said("ground")]
    Ground,

    /// <summary>Barrels, crates, rocks, figures' gear.</summary>
    [Said("scatter")]
    Scatter,
}

/// <summary>A zone as it is proposed for a kind of thing.</summary>
/// <param name="Name">Name.</param>
/// <param name="Share">Share of the piece's area.</param>
/// <param name="Relief">Relief.</param>
/// <param name="Facing">Facing.</param>
/// <param name="Scheme">The ready scheme that is proposed.</param>
/// <param name="ByBrush">The one that is proposed where there is no airbrush; null for the same.</param>
public sealed record ThingZone(string Name, double Share, Relief Relief, Facing Facing, string Scheme, string? ByBrush = null)
{
    /// <summary>The scheme that is proposed with these tools.</summary>
    public string SchemeWith(Tools tools) => tools.Airbrush ? Scheme : ByBrush ?? Scheme;
}

/// <summary>What a thing of a kind usually is, where nobody says otherwise.</summary>
/// <param name="Kind">Kind.</param>
/// <param name="Words">Words in a name that speak for it.</param>
/// <param name="Substrate">What it is usually made of.</param>
/// <param name="Shape">Shape that its area comes from.</param>
/// <param name="LengthMm">Usual length at 1:56, mm.</param>
/// <param name="WidthMm">Usual width, mm.</param>
/// <param name="HeightMm">Usual height, mm.</param>
/// <param name="Zones">Zones, the largest first.</param>
public sealed record Thing(ThingKind Kind, IReadOnlyList<string> Words, Substrate Substrate, PieceShape Shape, double LengthMm, double WidthMm, double HeightMm, IReadOnlyList<ThingZone> Zones);

/// <summary>What a name says about a thing. Craft estimates.</summary>
public static class Things
{
    private static readonly Thing[] Table =
    [
        new(ThingKind.Base, ["base", "bases", "plinth", "plinths"], Substrate.Polystyrene, PieceShape.Disc, 25, 25, 4, [new("Top", 0.75, Relief.Rough, Facing.Up, "Slate and kelp ground")]),
        new(ThingKind.Vehicle, ["carrier", "carriers", "tank", "tanks", "truck", "trucks", "lorry", "wagon", "wagons", "cart", "carts", "car", "cars", "vehicle", "vehicles", "crawler", "crawlers", "tractor", "boat", "boats", "barge", "barges", "hauler", "engine", "transport", "walker"], Substrate.Polystyrene, PieceShape.Box, 110, 60, 50,
            [new("Hull", 0.75, Relief.Panelled, Facing.Side, "Marsh green by airbrush", "Marsh green by brush"), new("Running gear", 0.25, Relief.Textured, Facing.Side, "Pan iron")]),
        new(ThingKind.Wall, ["wall", "walls", "coping", "pier", "piers", "jetty", "gate", "gates", "fence", "fences", "barricade", "barricades", "trench", "trenches", "bunker", "bunkers", "ruin", "ruins", "bridge", "bridges", "stair", "stairs", "corner", "corners"], Substrate.Resin, PieceShape.Wall, 180, 15, 75,
            [new("Stone", 1, Relief.Textured, Facing.Side, "Sea-worn stone")]),
        new(ThingKind.Building, ["house", "houses", "hut", "huts", "shed", "sheds", "barn", "cottage", "tower", "towers", "chapel", "mill", "warehouse", "building", "buildings", "store", "works", "lean-to"], Substrate.Mdf, PieceShape.Box, 150, 110, 110,
            [new("Walls", 0.65, Relief.Textured, Facing.Side, "Whitewashed brick"), new("Timber and roof", 0.35, Relief.Textured, Facing.Slope, "Tarred timber")]),
        new(ThingKind.Ground, ["tile", "tiles", "floor", "floors", "road", "roads", "board", "boards", "hill", "hills", "beach", "field", "pan", "pans"], Substrate.Foam, PieceShape.Tile, 200, 200, 12, [new("Ground", 1, Relief.Rough, Facing.Up, "Wet sand")]),
        new(ThingKind.Scatter, ["barrel", "barrels", "crate", "crates", "rock", "rocks", "sack", "sacks", "rope", "ropes", "scatter", "lamp", "lamps", "chimney", "stove", "bones", "post", "posts"], Substrate.Resin, PieceShape.Box, 40, 30, 30, [new("All over", 1, Relief.Textured, Facing.Side, "Tarred timber")]),
    ];

    /// <summary>Every kind.</summary>
    public static IReadOnlyList<Thing> All => Table;

    /// <summary>A kind.</summary>
    public static Thing Of(ThingKind kind) => Table.First(t => t.Kind == kind);

    /// <summary>What a name says: the kind whose word stands last in it, as in "wall gate house"; scatter where none does.</summary>
    public static Thing Guess(string name)
    {
        var words = name.ToLowerInvariant().Split([' ', '-', ',', '(', ')', '.', '/'], StringSplitOptions.RemoveEmptyEntries);
        foreach (var word in words.Reverse())
        {
            if (Table.FirstOrDefault(t => t.Words.Contains(word)) is { } thing)
            {
                return thing;
            }
        }

        return Of(ThingKind.Scatter);
    }
}
