using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>What makes up a layout, and all that has to be kept of it: everything else follows, on any machine.</summary>
/// <param name="Seat">Form and figure.</param>
/// <param name="Elements">Elements where they stand.</param>
/// <param name="Seed">Seed of its rise, strata and textures.</param>
public sealed record Plot(Seat Seat, IReadOnlyList<Element> Elements, ulong Seed);

/// <summary>A layout as it was reckoned.</summary>
public sealed class Layout
{
    /// <summary>What it was reckoned from.</summary>
    public required Plot Plot { get; init; }

    /// <summary>Its family.</summary>
    public required BaseFamily Family { get; init; }

    /// <summary>Ground under everything.</summary>
    public required Terrain Terrain { get; init; }

    /// <summary>Way that the ground rises, degrees.</summary>
    public required double RiseDeg { get; init; }

    /// <summary>How far it rises, mm.</summary>
    public required double RiseMm { get; init; }

    /// <summary>What covers it.</summary>
    public required Cover Cover { get; init; }

    /// <summary>How well it is composed; 0 is best.</summary>
    public required double Score { get; init; }

    /// <summary>Its terms, by name.</summary>
    public required IReadOnlyDictionary<string, double> Terms { get; init; }

    /// <summary>Why it reads as a ring; null where it does not.</summary>
    public string? Ring { get; init; }

    /// <summary>What reads as a row; null where nothing does.</summary>
    public string? Row { get; init; }

    /// <summary>What breaks a rule, element by element, and what was left out and why.</summary>
    public IReadOnlyList<LayoutNote> Notes { get; init; } = [];

    /// <summary>Form.</summary>
    public BaseForm Form => Plot.Seat.Form;

    /// <summary>Elements.</summary>
    public IReadOnlyList<Element> Elements => Plot.Elements;
}

/// <summary>Something to be said of a layout.</summary>
/// <param name="Text">In the painter's words.</param>
/// <param name="Element">Place of the element in the list, from 0; null where it is of none that stands there.</param>
public sealed record LayoutNote(string Text, int? Element = null);
