using Lowfell.Core.Wording;

namespace Lowfell.Core.Techniques;

/// <summary>What a mark of wear or weather is meant as.</summary>
public enum MarkKind
{
    /// <summary>Paint broken off at an edge.</summary>
    [Said("chip")]
    Chip,

    /// <summary>A line that something hard drew.</summary>
    [Said("scratch")]
    Scratch,

    /// <summary>An edge rubbed bare.</summary>
    [Said("edge wear")]
    Wear,

    /// <summary>Rubbed or kicked pale.</summary>
    [Said("scuff")]
    Scuff,

    /// <summary>Where feet go.</summary>
    [Said("footfall wear")]
    Foot,

    /// <summary>A shot hole.</summary>
    [Said("hole")]
    Hole,

    /// <summary>A blow that bent or broke.</summary>
    [Said("dent")]
    Dent,

    /// <summary>Where something was dragged past.</summary>
    [Said("graze")]
    Graze,

    /// <summary>Wet from below.</summary>
    [Said("damp")]
    Damp,

    /// <summary>Between low water and the tide line.</summary>
    [Said("weed")]
    Weed,

    /// <summary>The line that water leaves.</summary>
    [Said("tide line")]
    Tide,

    /// <summary>What dries out over the line.</summary>
    [Said("salt bloom")]
    Salt,

    /// <summary>Grown.</summary>
    [Said("moss")]
    Moss,

    /// <summary>Bleached from above.</summary>
    [Said("fading")]
    Fading,

    /// <summary>Dirt along creases.</summary>
    [Said("crease grime")]
    CreaseGrime,

    /// <summary>Dirt from corners that hold water.</summary>
    [Said("grime")]
    Grime,

    /// <summary>Run down by rain.</summary>
    [Said("rain streak")]
    Rain,

    /// <summary>Run down from bare iron.</summary>
    [Said("rust run")]
    Rust,

    /// <summary>From the lip of an overhang.</summary>
    [Said("drip")]
    Drip,

    /// <summary>Out of a bolt or plug.</summary>
    [Said("leak under bolts")]
    Bolt,

    /// <summary>Spilt.</summary>
    [Said("oil or fuel stain")]
    Oil,

    /// <summary>From birds.</summary>
    [Said("bird-lime")]
    Lime,

    /// <summary>Thrown up wet.</summary>
    [Said("mud splash")]
    Mud,

    /// <summary>From an exhaust or a fire.</summary>
    [Said("soot")]
    Soot,

    /// <summary>Dust thrown up from the ground.</summary>
    [Said("dust kick-up")]
    Kick,

    /// <summary>Dust that settles.</summary>
    [Said("dust fall")]
    Dust,

    /// <summary>A letter or figure.</summary>
    [Said("letter")]
    Letter,
}

/// <summary>What carries a mark.</summary>
public enum MarkHost
{
    /// <summary>Nothing in particular.</summary>
    [Said("nothing")]
    None,

    /// <summary>A horizontal that water runs off.</summary>
    [Said("sills, copings, bars, rivets")]
    Ledge,

    /// <summary>Iron without paint.</summary>
    [Said("bare iron: rings, bars, bolts")]
    Iron,

    /// <summary>The lower lip of an overhang.</summary>
    [Said("lower lips of overhangs")]
    Lip,

    /// <summary>What holds liquid.</summary>
    [Said("bolts and plugs that hold liquid")]
    Bolt,

    /// <summary>Where oil or fuel gets out.</summary>
    [Said("fillers, hinges, axles")]
    Filler,

    /// <summary>Where birds sit.</summary>
    [Said("perches")]
    Perch,

    /// <summary>A corner that holds water.</summary>
    [Said("corners that hold water")]
    Corner,
}

/// <summary>What the number of marks goes by.</summary>
public enum MarksBy
{
    /// <summary>A share of the places that can carry one.</summary>
    [Said("of the places that can carry one")]
    Hosts,

    /// <summary>A share of the length of hot edges.</summary>
    [Said("of the hot edges")]
    Edge,

    /// <summary>A share of the area.</summary>
    [Said("of the area")]
    Cover,

    /// <summary>A share of a strip beside a line.</summary>
    [Said("of the strip")]
    Band,

    /// <summary>All along a line.</summary>
    [Said("of the line")]
    Line,
}

/// <summary>What a strip is measured from.</summary>
public enum StripFrom
{
    /// <summary>The foot of the piece.</summary>
    Ground,

    /// <summary>A line that keeps its height above the table.</summary>
    Level,

    /// <summary>From the foot up to such a line.</summary>
    FootToLevel,

    /// <summary>The upper border, downward.</summary>
    Top,
}

/// <summary>How a mark is usually made.</summary>
/// <param name="Technique">Technique.</param>
/// <param name="Families">What it is made with, the first that is there before the rest.</param>
public sealed record MarkWay(Technique Technique, IReadOnlyList<Materials.Family> Families);
