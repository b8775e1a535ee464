using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Likeness;

/// <summary>How well a base belongs to its family, 0..1. Weights are craft estimates.</summary>
public static class Resemblance
{
    /// <summary>From here on it belongs.</summary>
    public const double Belongs = 0.75;

    /// <summary>Resemblance of a layout to its family.</summary>
    public static double Of(Layout layout)
    {
        var family = layout.Family;
        var textures = layout.Cover.Shares.Zip(family.Shares).Sum(s => Math.Abs(s.First - s.Second)) / 2;
        var (rock, tufts) = (Share(layout, rigid: true), Share(layout, rigid: false));
        var (wantedRock, wantedTufts) = Wanted(layout);
        double Off(double is_, double wanted) => wanted <= 0 ? Math.Min(1, is_ / 0.05) : Math.Min(1, Math.Abs(is_ - wanted) / wanted);
        var rise = Math.Abs((layout.RiseMm / Math.Max(0.01, family.RiseMm * BaseFamily.RiseOf(layout.Form.Size))) - 1);
        return Math.Clamp(
            1
            - (0.35 * textures / 0.3)
            - (0.2 * Off(rock, wantedRock))
            - (0.15 * Off(tufts, wantedTufts))
            - (0.15 * Math.Min(1, Math.Max(0, Math.Abs(layout.Cover.CalmShare - family.Calm) - 0.05) / 0.3))
            - (0.1 * Math.Min(1, rise / 0.5))
            - (0.05 * Math.Min(1, layout.Terms["rise"])),
            0,
            1);
    }

    private static double Share(Layout layout, bool rigid) => layout.Elements.Where(e => e.Kind.IsRigid() == rigid).Sum(e => Outlines.Area(e.Shape())) / layout.Form.TopMm2;

    // What the family's clusters for this size of base take on the average.
    private static (double Rock, double Tufts) Wanted(Layout layout)
    {
        double rock = 0, tufts = 0;
        foreach (var group in layout.Family.For(layout.Form))
        {
            var weight = group.Sum(c => c.Weight);
            foreach (var cluster in group)
            {
                foreach (var e in cluster.Elements)
                {
                    // Outlines take about three quarters of their box, and rock is two thirds as wide as long.
                    var area = 0.75 * e.LengthMm * e.LengthMm * (e.Kind == ElementKind.Tuft ? 1 : e.Kind.Facts().Corners == 0 ? 0.23 : 0.7);
                    (rock, tufts) = e.Kind.IsRigid() ? (rock + (area * cluster.Weight / weight), tufts) : (rock, tufts + (area * cluster.Weight / weight));
                }
            }
        }

        var halves = layout.Form.IsLong ? 2 : 1;
        return (halves * rock / layout.Form.TopMm2, halves * tufts / layout.Form.TopMm2);
    }
}
