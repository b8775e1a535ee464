using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Bases.Making;

/// <summary>Rims of bases: what they measure, and what they are painted with by school.</summary>
public static class Rims
{
    /// <summary>Passes of a rim: one never covers an edge.</summary>
    public const int Passes = 2;

    // A dark is neutral below this chroma, and no dark above this lightness. Craft estimates.
    private const double MostChroma = 12, MostLightness = 45;

    // A number is as high as it can be read and fits, mm; its strokes cover about half of the square it stands in.
    private const double TallMm = 3, LeastTallMm = 1.2, Stroked = 0.5;

    /// <summary>Mean area of the rims, mm2.</summary>
    public static double MeanMm2(IReadOnlyCollection<BaseForm> forms) => forms.Count == 0 ? 0 : forms.Average(f => f.RimMm2);

    /// <summary>Height of a copy number that fits the lowest of some rims, mm; 0 where none does: it goes underneath.</summary>
    public static double NumberMm(IReadOnlyCollection<BaseForm> forms)
    {
        var room = forms.Count == 0 ? 0 : forms.Min(f => f.HeightMm) - 0.4;
        return room < LeastTallMm ? 0 : Math.Min(TallMm, room);
    }

    /// <summary>Width that a copy number covers, mm, by its digits and height.</summary>
    public static double NumberWidthMm(int copies, double tallMm) => (copies > 9 ? 2 : 1) * 0.7 * tallMm * Stroked;

    /// <summary>Paint of a shelf for a rim: the darkest neutral one for the whole force, or the strongest colour for a team; null where the shelf has no paint.</summary>
    public static Material? PaintOf(RimSchool school, IEnumerable<Material> shelf)
    {
        List<(Material Material, Lab Lab)> paints = [.. shelf.Where(m => m.Family.Facts() is { Kind: Kind.Paint, Carrier: Carrier.Water } && m.Effect == Effect.Plain && !m.Clear)
            .Select(m => (m, m.Colour.ToLab())).OrderBy(p => p.m.Name, StringComparer.Ordinal)];
        double Chroma((Material, Lab Lab) p) => Math.Sqrt((p.Lab.A * p.Lab.A) + (p.Lab.B * p.Lab.B));
        return (school == RimSchool.TeamColour
            ? paints.OrderByDescending(Chroma)
            : paints.OrderBy(p => Chroma(p) > MostChroma || p.Lab.L > MostLightness).ThenBy(p => p.Lab.L)).Select(p => p.Material).FirstOrDefault();
    }

    /// <summary>Varnish of a shelf for a rim: the dullest that is laid by water; null where the shelf has none.</summary>
    public static Material? VarnishOf(IEnumerable<Material> shelf) =>
        shelf.Where(m => m.Family.Facts() is { Kind: Kind.Varnish, Carrier: Carrier.Water }).OrderByDescending(m => m.Sheen).ThenBy(m => m.Name, StringComparer.Ordinal).FirstOrDefault();

    /// <summary>Paint of a shelf that a number reads in on a colour: the one that differs most in lightness; null where the shelf has none.</summary>
    public static Material? NumberOn(Material rim, IEnumerable<Material> shelf)
    {
        var on = rim.Colour.ToLab().L;
        return shelf.Where(m => m.Family.Facts() is { Kind: Kind.Paint, Carrier: Carrier.Water } && m.Effect == Effect.Plain && !m.Clear && m.Id != rim.Id)
            .OrderBy(m => m.Name, StringComparer.Ordinal).MaxBy(m => Math.Abs(m.Colour.ToLab().L - on));
    }
}
