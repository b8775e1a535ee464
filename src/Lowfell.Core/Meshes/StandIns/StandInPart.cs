using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Meshes.StandIns;

/// <summary>A part of a stand-in that a zone is shown on.</summary>
/// <param name="Name">As a painter calls it.</param>
/// <param name="Facing">Which way most of it looks.</param>
/// <param name="Words">Beginnings of words in names of zones that mean it.</param>
public sealed record StandInPart(string Name, Facing Facing, params string[] Words);

/// <summary>Facts of the kinds of stand-ins.</summary>
/// <param name="Parts">Its parts, in the order of its mesh.</param>
/// <param name="Words">Beginnings of words in the name or kind of a piece that mean it.</param>
public sealed record StandInFacts(IReadOnlyList<StandInPart> Parts, params string[] Words);

/// <summary>The kinds: what each is made of, and which names mean it.</summary>
public static class StandInKinds
{
    private static readonly StandInPart Faces = new("faces", Facing.Side, "stone", "course", "brick", "wall", "face", "skim", "render", "concrete", "masonry");
    private static readonly StandInPart Foot = new("foot", Facing.Side, "weed", "foot", "damp", "tide", "plinth", "low", "base");
    private static readonly StandInPart WallTop = new("top", Facing.Up, "top", "walk", "cap", "coping", "parapet");
    private static readonly StandInPart Rubble = new("rubble", Facing.Side, "rubble", "debris", "loose");
    private static readonly StandInPart Roof = new("roof", Facing.Slope, "roof", "shingle", "thatch", "tile");
    private static readonly StandInPart Doors = new("doors and frames", Facing.Side, "door", "window", "shutter", "frame", "timber", "beam", "cut");
    private static readonly StandInPart Track = new("running gear", Facing.Side, "track", "wheel", "running", "suspension", "gear", "link");

    private static readonly Dictionary<StandInKind, StandInFacts> Table = new()
    {
        [StandInKind.Block] = new([new("sides", Facing.Side, "side", "face", "body"), new("top", Facing.Up, "top")]),
        [StandInKind.RuinedWall] = new([Faces, new("broken top", Facing.Up, "top", "broken", "cut", "core"), Foot, Rubble], "ruin", "broken"),
        [StandInKind.StraightWall] = new([Faces, WallTop, Foot], "wall", "straight", "fence", "rampart", "sluice"),
        [StandInKind.CornerWall] = new([Faces, WallTop, Foot], "corner", "bend"),
        [StandInKind.Hall] = new([new("sheets", Facing.Side, "sheet", "wall", "corrugat", "panel", "side"), Roof, Doors, Foot], "hall", "shed", "hangar", "warehouse", "silo"),
        [StandInKind.House] = new([new("walls", Facing.Side, "wall", "skim", "board", "plank", "side"), Roof, Doors, Foot], "house", "building", "cottage", "hut", "lean", "barn", "cabin"),
        [StandInKind.Hull] = new(
            [new("hull", Facing.Side, "hull", "panel", "armour", "body", "camouflage"), new("deck", Facing.Up, "deck", "bed", "roof", "top", "cargo"), new("fittings", Facing.Side, "hatch", "fitting", "tool", "stowage", "grille", "lamp", "metal"), Track],
            "hull", "vehicle", "tank", "carrier", "crawler", "truck", "car", "transport"),
        [StandInKind.Turret] = new([new("turret", Facing.Side, "turret", "panel", "armour", "body"), new("hatches", Facing.Up, "hatch", "fitting", "top"), new("barrel", Facing.Side, "barrel", "gun", "muzzle", "metal")], "turret", "cupola", "gun"),
        [StandInKind.RunningGear] = new([Track with { Name = "tracks", Words = ["track", "link", "running"] }, new("wheels", Facing.Side, "wheel", "hub", "rubber", "tyre")], "running", "track", "wheel", "suspension"),
        [StandInKind.Gantry] = new([new("frame", Facing.Side, "frame", "girder", "beam", "post", "steel"), new("deck", Facing.Up, "deck", "plate", "walk", "floor", "grating"), new("pipes", Facing.Side, "pipe", "valve", "tank", "flange")], "gantry", "pipe", "platform", "crane", "refiner", "tower"),
        [StandInKind.Rock] = new([new("rock", Facing.Side, "rock", "stone", "cliff", "face"), new("top", Facing.Up, "top", "moss", "snow", "grass"), Foot], "rock", "boulder", "cliff", "hill", "crag"),
        [StandInKind.Stair] = new([Faces with { Name = "sides" }, new("treads", Facing.Up, "tread", "step", "walk", "top"), Foot], "stair", "step", "ramp"),
        [StandInKind.Base] = new([new("ground", Facing.Up, "ground", "crust", "earth", "top", "sand", "texture"), new("rim", Facing.Side, "rim", "edge"), new("stones and tufts", Facing.Up, "stone", "slate", "tuft", "rock", "debris")], "base", "plinth", "scenic"),
        [StandInKind.Figure] = new([new("coat", Facing.Side, "coat", "cloth", "cloak", "armour", "robe", "uniform"), new("legs and boots", Facing.Side, "leg", "boot", "trouser", "leather"), new("skin", Facing.Side, "skin", "face", "head", "hand", "flesh"), new("gear", Facing.Side, "gear", "weapon", "metal", "pack", "strap")], "figure", "miniature", "hero", "trooper", "crew", "guard"),
        [StandInKind.Pan] = new([new("iron", Facing.Side, "iron", "pan", "rust", "metal", "side"), new("what it holds", Facing.Up, "brine", "water", "salt", "liquid", "top"), new("hearth mouth", Facing.Side, "furnace", "mouth", "fire", "hearth", "ember")], "pan", "trough", "basin", "vat", "pool"),
        [StandInKind.Gate] = new([new("planks", Facing.Side, "plank", "board", "wood", "gate", "timber"), new("straps", Facing.Side, "strap", "iron", "metal", "hinge", "bolt")], "gate", "door", "hatch", "barrier"),
    };

    /// <summary>Facts of a kind.</summary>
    public static StandInFacts Facts(this StandInKind kind) => Table[kind];

    /// <summary>The kind nearest to a piece, by its name first, then by what kind of piece it is and by its shape.</summary>
    public static StandInKind Nearest(string name, string pieceKind, PieceShape shape)
    {
        // The last word says what it is: a sluice gate is a gate.
        foreach (var word in Words(name).Reverse().Concat(Words(pieceKind).Reverse()))
        {
            foreach (var (kind, facts) in Table)
            {
                if (facts.Words.Any(k => word.StartsWith(k, StringComparison.Ordinal)))
                {
                    return kind;
                }
            }
        }

        return shape switch { PieceShape.Wall => StandInKind.StraightWall, PieceShape.Disc => StandInKind.Base, _ => StandInKind.Block };
    }

    /// <summary>Which zone each part shows: by names and facings, every zone that can be at least once.</summary>
    /// <param name="kind">Kind.</param>
    /// <param name="zones">Name, facing and area of the zones.</param>
    /// <returns>For each part the place of its zone; -1 where there are no zones.</returns>
    public static int[] Matched(StandInKind kind, IReadOnlyList<(string Name, Facing Facing, double AreaMm2)> zones)
    {
        ArgumentNullException.ThrowIfNull(zones);
        var parts = kind.Facts().Parts;
        var of = new int[parts.Count];
        Array.Fill(of, -1);
        if (zones.Count == 0)
        {
            return of;
        }

        double Score(int part, int zone) =>
            (Words(zones[zone].Name).Any(w => parts[part].Words.Any(k => w.StartsWith(k, StringComparison.Ordinal))) ? 3 : 0)
            + (parts[part].Facing == zones[zone].Facing ? 1 : Math.Abs((int)parts[part].Facing - (int)zones[zone].Facing) == 1 ? 0.3 : 0) - (0.01 * part);
        var pairs = from zone in Enumerable.Range(0, zones.Count) from part in Enumerable.Range(0, parts.Count) orderby Score(part, zone) descending, zones[zone].AreaMm2 descending, zone, part select (zone, part);
        var shown = new HashSet<int>();
        foreach (var (zone, part) in pairs)
        {
            if (of[part] < 0 && shown.Add(zone))
            {
                of[part] = zone;
            }
        }

        for (var part = 0; part < of.Length; part++)
        {
            of[part] = of[part] >= 0 ? of[part] : Enumerable.Range(0, zones.Count).OrderByDescending(z => Score(part, z)).ThenByDescending(z => zones[z].AreaMm2).First();
        }

        return of;
    }

    private static string[] Words(string text) => text.ToLowerInvariant().Split([' ', '-', ',', '/', '.', '(', ')'], StringSplitOptions.RemoveEmptyEntries);
}
