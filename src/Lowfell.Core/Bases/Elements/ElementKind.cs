using Lowfell.Core.Wording;

namespace Lowfell.Core.Bases.Elements;

/// <summary>What stands on the ground of a base.</summary>
public enum ElementKind
{
    /// <summary>Split slate.</summary>
    [Said("slate")]
    Slate,

    /// <summary>Torn cork.</summary>
    [Said("cork")]
    Cork,

    /// <summary>Bark.</summary>
    [Said("bark")]
    Bark,

    /// <summary>Small stones.</summary>
    [Said("stone")]
    Stone,

    /// <summary>Pebbles and coarse grains set one by one.</summary>
    [Said("pebble")]
    Pebble,

    /// <summary>Tufts of grass.</summary>
    [Said("tuft")]
    Tuft,

    /// <summary>Splinters, driftwood, scraps.</summary>
    [Said("debris")]
    Debris,

    /// <summary>A pipe: a piece of interest.</summary>
    [Said("pipe")]
    Pipe,

    /// <summary>A post or beam: a piece of interest.</summary>
    [Said("post")]
    Post,
}

/// <summary>Facts of a kind. Craft estimates where no other source stands.</summary>
/// <param name="Corners">Corners of its outline; 0 for a plain rectangle, and a tuft is a disc.</param>
/// <param name="Fullness">How full its outline is drawn: 1 an ellipse, lower towards a rectangle.</param>
/// <param name="Density">Density, mg/mm3 (slate 2.7, stone 2.6, cork 0.2, wood 0.6, hard plastic 1.1; handbook values).</param>
/// <param name="Drinks">Drinks paint and wants a sealing coat.</param>
/// <param name="IsProp">A thing somebody left there, not grown ground.</param>
/// <param name="FollowsStrata">Lies along the layers of the rock.</param>
/// <param name="StandsIn">Kinds that may stand in for it, the likest first.</param>
public sealed record ElementFacts(int Corners, double Fullness, double Density, bool Drinks, bool IsProp, bool FollowsStrata, ElementKind[] StandsIn);

/// <summary>Facts of kinds.</summary>
public static class ElementKinds
{
    private static readonly Dictionary<ElementKind, ElementFacts> Table = new()
    {
        [ElementKind.Slate] = new(7, 0.62, 2.7, false, false, true, [ElementKind.Cork, ElementKind.Bark, ElementKind.Stone]),
        [ElementKind.Cork] = new(9, 0.62, 0.2, true, false, true, [ElementKind.Slate, ElementKind.Bark, ElementKind.Stone]),
        [ElementKind.Bark] = new(7, 0.62, 0.5, true, false, true, [ElementKind.Cork, ElementKind.Slate]),
        [ElementKind.Stone] = new(8, 0.85, 2.6, false, false, true, [ElementKind.Cork, ElementKind.Slate]),
        [ElementKind.Pebble] = new(8, 0.85, 2.6, false, false, false, [ElementKind.Stone]),
        [ElementKind.Tuft] = new(10, 1, 0.05, false, false, false, []),
        [ElementKind.Debris] = new(0, 0, 0.6, false, true, false, [ElementKind.Post]),
        [ElementKind.Pipe] = new(0, 0, 1.1, false, true, true, [ElementKind.Post]),
        [ElementKind.Post] = new(0, 0, 0.6, false, true, true, [ElementKind.Pipe]),
    };

    /// <summary>Facts of a kind.</summary>
    public static ElementFacts Facts(this ElementKind kind) => Table[kind];

    /// <summary>As a painter calls it.</summary>
    public static string Word(this ElementKind kind) => kind.ToString().ToLowerInvariant();

    /// <summary>Whether it neither bends nor gives way.</summary>
    public static bool IsRigid(this ElementKind kind) => kind != ElementKind.Tuft;

    /// <summary>A piece of interest: one draws the eye, two quarrel.</summary>
    public static bool IsOfInterest(this ElementKind kind) => kind is ElementKind.Pipe or ElementKind.Post;
}
