using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Making;

/// <summary>What bases take: paste, crackle, grit and glue, without and with loss.</summary>
/// <param name="PasteMl">Skim and rise, ml.</param>
/// <param name="CrackleMl">Crackle paste, ml.</param>
/// <param name="CoarseG">Coarse grit, g.</param>
/// <param name="FineG">Fine grit, g.</param>
/// <param name="SandG">Fine sand, g.</param>
/// <param name="PvaMl">PVA under the grit, ml.</param>
/// <param name="SealMl">Thinned glue on the grit, ml.</param>
/// <param name="SuperGlueDrops">Drops of super glue under the pieces.</param>
/// <param name="MassG">All of it dry, with the pieces, g.</param>
/// <param name="CentreMm">Middle of that mass above the top face, mm.</param>
public sealed record BaseQuantities(double PasteMl, double CrackleMl, double CoarseG, double FineG, double SandG, double PvaMl, double SealMl, double SuperGlueDrops, double MassG, double CentreMm)
{
    /// <summary>Grit and sand as they are poured, ml: 1.6 g/ml in bulk.</summary>
    public double GritMl => (CoarseG + FineG + SandG) / 1.6;

    /// <summary>A drop of super glue from its nozzle, ml. Craft estimate.</summary>
    public const double SuperGlueDropMl = 0.02;

    /// <summary>Nothing.</summary>
    public static BaseQuantities None { get; } = new(0, 0, 0, 0, 0, 0, 0, 0, 0, 0);

    // Grain sizes, mm; loss as a part, and what stays in the pot of each batch, ml. Craft estimates.
    private const double CoarseMm = 1, FineMm = 0.4, SandMm = 0.15;
    private const double PasteLoss = 0.1, GritLoss = 0.3, PasteBatchMl = 1, GlueBatchMl = 0.5;
    private const double PvaUm = 200, SealUm = 150, Transfer = 0.8;

    // Film of super glue under a piece, mm.
    private const double GlueMm = 0.1;

    // A piece is pressed in: it takes the place of so much of the paste under it.
    private const double Sunk = 0.7;

    // Dry paste weighs so much of what was laid, g/ml: density by solids.
    private const double DryPasteGPerMl = 0.95;

    /// <summary>Drops of super glue under what stands on one base: its rigid elements, and flat stones under its landings. No layout is needed for that.</summary>
    public static double DropsUnder(IEnumerable<Element> elements, IEnumerable<Landing> landings) =>
        elements.Where(e => e.Kind.IsRigid()).Sum(e => Drops(Outlines.Area(e.Shape()))) + landings.Where(l => l.StoneMm > 0).Sum(l => Drops(StoneMm2(l)));

    /// <summary>Area of a flat stone under a landing, mm2.</summary>
    private static double StoneMm2(Landing landing) => Outlines.Area(landing.Outline) + (Outlines.Perimeter(landing.Outline) * Cover.PlinthMm);

    // A film under a piece, in drops; never less than half a one.
    private static double Drops(double mm2) => Math.Max(0.5, mm2 * GlueMm / 1000 / SuperGlueDropMl);

    /// <summary>Of one base, without loss.</summary>
    /// <remarks>Grit of one layer: two thirds of the density of quartz (2.65 mg/mm3) by its diameter, nine tenths covered: 1.6 d mg/mm2.</remarks>
    public static BaseQuantities Of(Layout layout)
    {
        const double Cell = Cover.StepMm * Cover.StepMm;
        var cover = layout.Cover;
        double paste = 0, moment = 0;
        Span<double> areas = stackalloc double[Cover.Kinds + 1];
        for (var i = 0; i < cover.Cells.Length; i++)
        {
            var kind = cover.At(i);
            if (kind == Cover.Outside)
            {
                continue;
            }

            // Under a flat stone lies what lies under the landings.
            var height = kind == Cover.Plinth ? layout.Terrain.LandingMm : cover.HeightMm[i] - (kind == (byte)Texture.Crackle ? layout.Family.CrackleMm : 0);
            paste += height * Cell;
            moment += height * height / 2 * Cell;
            if (kind <= Cover.Rim)
            {
                areas[kind] += Cell;
            }
        }

        double pieces = 0, piecesMoment = 0;
        foreach (var landing in layout.Plot.Seat.Landings.Where(l => l.StoneMm > 0))
        {
            var mass = StoneMm2(landing) * landing.StoneMm * ElementKind.Slate.Facts().Density;
            pieces += mass;
            piecesMoment += mass * (layout.Terrain.LandingMm + (landing.StoneMm / 2));
        }

        foreach (var element in layout.Elements)
        {
            var area = Outlines.Area(element.Shape());
            var ground = layout.Terrain.Near(element.X, element.Y);
            paste -= Math.Min(Sunk * ground, element.HeightMm) * area;
            var mass = area * element.HeightMm * element.Kind.Facts().Density * (element.Kind.Facts().Corners == 0 ? 0.8 : 0.75);
            pieces += mass;
            piecesMoment += mass * (ground + (element.HeightMm / 2));
        }

        var grit = areas[(int)Texture.Coarse] + areas[(int)Texture.Fine] + areas[(int)Texture.Sand] + areas[Cover.Rim];
        var crackle = areas[(int)Texture.Crackle] * layout.Family.CrackleMm;
        double Grams(double mm2, double mm) => 1.6 * mm * mm2 / 1000;
        var (coarse, fine, sand) = (Grams(areas[(int)Texture.Coarse], CoarseMm), Grams(areas[(int)Texture.Fine], FineMm), Grams(areas[(int)Texture.Sand] + areas[Cover.Rim], SandMm));
        var dry = Math.Max(0, (paste + crackle) / 1000 * DryPasteGPerMl);
        var loose = coarse + fine + sand;
        var all = dry + loose + (pieces / 1000);
        var centre = all <= 0 ? 0 : ((moment / 1000 * DryPasteGPerMl) + (crackle / 1000 * DryPasteGPerMl * layout.Family.SkimMm) + (loose * layout.Family.SkimMm) + (piecesMoment / 1000)) / all;
        return new(Math.Max(0, paste) / 1000, crackle / 1000, coarse, fine, sand, grit * PvaUm / 1e6 / Transfer, grit * SealUm / 1e6 / Transfer, DropsUnder(layout.Elements, layout.Plot.Seat.Landings), all, centre);
    }

    /// <summary>Of a tray, with loss and what stays behind in the pots.</summary>
    public static BaseQuantities Of(IReadOnlyCollection<BaseQuantities> bases)
    {
        double Sum(Func<BaseQuantities, double> of) => bases.Sum(of);
        double Wet(Func<BaseQuantities, double> of, double loss, double batch) => Sum(of) is > 0 and var ml ? (ml * (1 + loss)) + batch : 0;
        return new(
            Wet(b => b.PasteMl, PasteLoss, PasteBatchMl),
            Wet(b => b.CrackleMl, PasteLoss, PasteBatchMl),
            Sum(b => b.CoarseG) * (1 + GritLoss),
            Sum(b => b.FineG) * (1 + GritLoss),
            Sum(b => b.SandG) * (1 + GritLoss),
            Wet(b => b.PvaMl, 0, GlueBatchMl),
            Wet(b => b.SealMl, 0, GlueBatchMl),
            Math.Ceiling(Sum(b => b.SuperGlueDrops)),
            Sum(b => b.MassG),
            0);
    }
}
