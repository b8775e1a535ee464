using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Surfaces;

/// <summary>Relief of a zone.</summary>
public enum Relief
{
    /// <summary>Plain surfaces.</summary>
    [Said("smooth")]
    Smooth,

    /// <summary>Panels, rivets, planks.</summary>
    [Said("panelled, planks")]
    Panelled,

    /// <summary>Brick, bark, sand.</summary>
    [Said("textured, brick")]
    Textured,

    /// <summary>Rubble and rock.</summary>
    [Said("rough, rubble")]
    Rough,
}

/// <summary>Which way a zone looks.</summary>
public enum Facing
{
    /// <summary>Up.</summary>
    [Said("up")]
    Up,

    /// <summary>Sloping up.</summary>
    [Said("sloping up")]
    Slope,

    /// <summary>Sideways.</summary>
    [Said("sideways")]
    Side,

    /// <summary>Leaning over.</summary>
    [Said("leaning over")]
    Overhang,

    /// <summary>Down.</summary>
    [Said("down")]
    Under,
}

/// <summary>The three heights that every prediction is told for.</summary>
public enum ReliefHeight
{
    /// <summary>Where a wash lives.</summary>
    Recess,

    /// <summary>The surface between.</summary>
    Face,

    /// <summary>Where a dry brush lives.</summary>
    Edge,
}

/// <summary>What a tray of bases lays on one copy.</summary>
/// <param name="PasteMl">Paste, ml.</param>
/// <param name="CrackleMl">Crackle paste, ml.</param>
/// <param name="GlueMl">Glue under the grit, ml.</param>
/// <param name="GritMl">Grit, as it is poured, ml.</param>
/// <param name="DripMl">Thinned glue on the grit, ml.</param>
public sealed record LaidByTray(double PasteMl, double CrackleMl, double GlueMl, double GritMl, double DripMl);

/// <summary>An area of a piece that gets its own coats.</summary>
public sealed record Zone
{
    /// <summary>Scale of 28 mm figures, one to so many.</summary>
    public const double UsualScale = 56;

    /// <summary>Distance that a piece on the table is looked at from, mm.</summary>
    public const double UsualViewingMm = 1000;

    /// <summary>Name.</summary>
    public string Name { get; init; } = "";

    /// <summary>What lies under the first coat.</summary>
    public Substrate Substrate { get; init; }

    /// <summary>Relief.</summary>
    public Relief Relief { get; init; } = Relief.Textured;

    /// <summary>Facing.</summary>
    public Facing Facing { get; init; } = Facing.Side;

    /// <summary>Area of the zone on one copy, mm2.</summary>
    public double AreaMm2 { get; init; } = 5000;

    /// <summary>Copies painted alike.</summary>
    public int Copies { get; init; } = 1;

    /// <summary>Smallest engraved width, mm, where there is one.</summary>
    public double? SmallestDetailMm { get; init; }

    /// <summary>Length of creases on one copy, mm, where measured.</summary>
    public double? CreaseMm { get; init; }

    /// <summary>Length of raised edges on one copy, mm, where measured.</summary>
    public double? EdgeMm { get; init; }

    /// <summary>Share of the raised edges that faces the light, 0..1.</summary>
    public double LitEdges { get; init; } = 1;

    /// <summary>Share of the zone that no hand reaches or eye sees, 0..1.</summary>
    public double Unseen { get; init; }

    /// <summary>Where it begins above the foot of the piece, mm, where it is told by height.</summary>
    public double? HeightFromMm { get; init; }

    /// <summary>Where it ends above the foot of the piece, mm, where it is told by height.</summary>
    public double? HeightToMm { get; init; }

    /// <summary>Touched in play.</summary>
    public bool Handled { get; init; }

    /// <summary>Reaches to the rim, where what overhangs is knocked off.</summary>
    public bool Rim { get; init; }

    /// <summary>Sawn or punched edges that drink more than the face.</summary>
    public bool CutEdges { get; init; }

    /// <summary>Sheen that the finished zone should have.</summary>
    public Sheen Finish { get; init; } = Sheen.Matt;

    /// <summary>Colour that the face should end at.</summary>
    public Srgb? Target { get; init; }

    /// <summary>Colour wanted in the recess; null where none is.</summary>
    public Srgb? TargetRecess { get; init; }

    /// <summary>Colour wanted on the raised edge; null where none is.</summary>
    public Srgb? TargetEdge { get; init; }

    /// <summary>How far from the target is still right, dE00.</summary>
    public double Tolerance { get; init; } = 5;

    /// <summary>Colour that should show in the cracks of a crackle.</summary>
    public Srgb? CrackColour { get; init; }

    /// <summary>Scale of the piece, one to so many.</summary>
    public double Scale { get; init; } = UsualScale;

    /// <summary>Distance that it is looked at from, mm.</summary>
    public double ViewingMm { get; init; } = UsualViewingMm;

    /// <summary>How much more, or less, than usual its painter notices, by trials: a factor on what a detail is over the threshold.</summary>
    public double TrialFactor { get; init; } = 1;

    /// <summary>What a tray of bases lays on one copy, the mean of all; null where there is none.</summary>
    public LaidByTray? Tray { get; init; }

    /// <summary>Whether it is told by height.</summary>
    public bool HasHeights => HeightFromMm is not null && HeightToMm is not null;

    /// <summary>Shares of recess, face and edge in the area. Craft estimates.</summary>
    public ReadOnlySpan<double> HeightShares => Relief switch
    {
        Relief.Smooth => [0.02, 0.96, 0.02],
        Relief.Panelled => [0.08, 0.82, 0.10],
        Relief.Textured => [0.25, 0.50, 0.25],
        _ => [0.35, 0.35, 0.30],
    };

    /// <summary>How much more a ground of this relief drinks of what is brushed on. Craft estimates.</summary>
    public double Drinks => Relief switch { Relief.Textured => 1.2, Relief.Rough => 1.5, _ => 1 };
}
