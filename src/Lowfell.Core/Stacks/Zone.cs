using Lowfell.Core.Colour;
using Lowfell.Core.Materials;

namespace Lowfell.Core.Stacks;

/// <summary>Relief of a zone.</summary>
public enum Relief
{
    /// <summary>Plain surfaces.</summary>
    Smooth,

    /// <summary>Panels, rivets, planks.</summary>
    Panelled,

    /// <summary>Brick, bark, sand.</summary>
    Textured,

    /// <summary>Rubble and rock.</summary>
    Rough,
}

/// <summary>Which way a zone looks.</summary>
public enum Facing
{
    /// <summary>Up.</summary>
    Up,

    /// <summary>Sloping up.</summary>
    Slope,

    /// <summary>Sideways.</summary>
    Side,

    /// <summary>Leaning over.</summary>
    Overhang,

    /// <summary>Down.</summary>
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

/// <summary>An area of a piece that gets its own coats.</summary>
public sealed record Zone
{
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

    /// <summary>Touched in play.</summary>
    public bool Handled { get; init; }

    /// <summary>Sawn or punched edges that drink more than the face.</summary>
    public bool CutEdges { get; init; }

    /// <summary>Sheen that the finished zone should have.</summary>
    public Sheen Finish { get; init; } = Sheen.Matt;

    /// <summary>Colour that the face should end at.</summary>
    public Srgb? Target { get; init; }

    /// <summary>How far from the target is still right, dE00.</summary>
    public double Tolerance { get; init; } = 5;

    /// <summary>Shares of recess, face and edge in the area. Craft estimates.</summary>
    public ReadOnlySpan<double> HeightShares => Relief switch
    {
        Relief.Smooth => [0.02, 0.96, 0.02],
        Relief.Panelled => [0.08, 0.82, 0.10],
        Relief.Textured => [0.25, 0.50, 0.25],
        _ => [0.35, 0.35, 0.30],
    };
}
