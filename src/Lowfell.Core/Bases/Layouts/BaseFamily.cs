using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>What covers the ground between the elements.</summary>
public enum Texture
{
    /// <summary>Crackle paste.</summary>
    [Said("crackle")]
    Crackle,

    /// <summary>Coarse grit.</summary>
    [Said("coarse grit")]
    Coarse,

    /// <summary>Fine grit.</summary>
    [Said("fine grit")]
    Fine,

    /// <summary>Fine sand.</summary>
    [Said("fine sand")]
    Sand,

    /// <summary>Bare skim.</summary>
    [Said("bare skim")]
    Skim,
}

/// <summary>An element that a family wishes for: whichever box of the kind comes nearest.</summary>
/// <param name="Kind">Kind.</param>
/// <param name="LengthMm">About how long, mm.</param>
public sealed record WishedElement(ElementKind Kind, double LengthMm);

/// <summary>A cluster that a family lays: the first is its heart, the others gather round it.</summary>
/// <param name="Name">What the painter calls it.</param>
/// <param name="Group">One cluster of each group is laid on a base.</param>
/// <param name="FromMm">Smallest size of base that it is for, mm.</param>
/// <param name="ToMm">Size of base up to which it is for, mm, itself left out.</param>
/// <param name="Elements">What is in it; empty for a place that stays bare.</param>
/// <param name="Weight">How often it is drawn, beside the others of its group.</param>
public sealed record ClusterRule(string Name, int Group, double FromMm, double ToMm, IReadOnlyList<WishedElement> Elements, double Weight = 1);

/// <summary>A family of bases: rules by which they differ and yet belong.</summary>
public sealed record BaseFamily
{
    /// <summary>Least share of the ground that stays calm: a third.</summary>
    public const double LeastCalm = 1 / 3.0;

    /// <summary>Name.</summary>
    public required string Name { get; init; }

    /// <summary>Clusters.</summary>
    public required IReadOnlyList<ClusterRule> Clusters { get; init; }

    /// <summary>Shares of crackle, coarse grit, fine grit, fine sand and bare skim in the ground; they add up to 1.</summary>
    public IReadOnlyList<double> Shares { get; init; } = [0.14, 0.16, 0.30, 0.28, 0.12];

    /// <summary>Skim under all of it, mm.</summary>
    public double SkimMm { get; init; } = 0.7;

    /// <summary>How far the ground rises to the rear, mm, on a base of middling size.</summary>
    public double RiseMm { get; init; } = 2.2;

    /// <summary>Crackle paste laid, mm.</summary>
    public double CrackleMm { get; init; } = 0.8;

    /// <summary>Share of the ground that is calm on a base as it should be, 0.33..0.9.</summary>
    public double Calm { get; init; } = 0.6;

    /// <summary>How much wider than usual the edge stays free of what is rigid, mm.</summary>
    public double RimMm { get; init; }

    /// <summary>Static grass round the tufts, 0..1.</summary>
    public double Grass { get; init; } = 0.5;

    /// <summary>Fewest tufts that are laid together; 1 where they are accents.</summary>
    public int LeastTufts { get; init; } = 3;

    /// <summary>The liveliest piece may stand before the feet as well as behind.</summary>
    public bool LivelyFront { get; init; }

    /// <summary>What a tile of the painter's own crackle paste showed; null where none was made.</summary>
    public CrackleTile? Tile { get; init; }

    /// <summary>How its crackle comes out: as the tile shows it, else as usual on a primed ground.</summary>
    public Crackle Law => Tile?.Law ?? new Crackle();

    /// <summary>Whether the landings are kept bare for glue, or get the skim that lies round them.</summary>
    public bool BareLandings { get; init; }

    /// <summary>Colour of the ground, sRGB, #rrggbb.</summary>
    public string Ground { get; init; } = "#6b563f";

    /// <summary>Colour of the crust of a crackle.</summary>
    public string Crust { get; init; } = "#c8bca6";

    /// <summary>Colour in its cracks.</summary>
    public string Crack { get; init; } = "#463a30";

    /// <summary>Colour that edges are dry-brushed with.</summary>
    public string Light { get; init; } = "#cebe9e";

    /// <summary>Colour of its tufts.</summary>
    public string Tufts { get; init; } = "#766f3c";

    /// <summary>How much of its rise a base of a size gets. Craft: three quarters under 30 mm, a third more from 45 mm.</summary>
    public static double RiseOf(double sizeMm) => sizeMm < 30 ? 0.75 : sizeMm < 45 ? 1 : 1.35;

    /// <summary>Clusters that are for a form, by group.</summary>
    public IEnumerable<IGrouping<int, ClusterRule>> For(BaseForm form)
    {
        // On a narrow base clusters are those of a base as wide, on each half some.
        var size = form.IsLong ? Math.Min(form.LengthMm, form.WidthMm) : Math.Min(form.Size, form.Radius * 2.7);
        return Clusters.Where(c => size >= c.FromMm && size < c.ToMm).GroupBy(c => c.Group).OrderBy(g => g.Key);
    }
}
