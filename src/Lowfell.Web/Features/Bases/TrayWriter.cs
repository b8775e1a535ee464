using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Making;
using Lowfell.Core.Bases.Plane;
using Lowfell.Store;

namespace Lowfell.Web.Features.Bases;

/// <summary>Puts bases into what a screen draws.</summary>
internal static class TrayWriter
{
    public static BaseView Base(int copy, TrayCopyDraft kept, LayoutMemory.Known known, double scale, string? ground = null, bool laid = false)
    {
        var layout = known.Layout;
        var faults = layout.Notes.Where(n => n.Element is not null).ToLookup(n => n.Element!.Value, n => n.Text);
        return new(
            copy,
            kept,
            layout.Form.Word,
            [.. layout.Elements.Select((e, i) => new StandingView(kept.Elements[i], Outline(e.Outline()), Math.Round(layout.Terrain.Near(e.X, e.Y), 2), string.Join(" ", faults[i])))],
            [.. layout.Plot.Seat.Landings.Select(l => new SeatPlace(l.Name, Outline(l.Outline), Math.Round(layout.Terrain.LandingMm + l.StoneMm, 2)))],
            [.. layout.Plot.Seat.Free.Select(f => new SeatPlace(f.Name, Outline(f.Outline), f.Mm))],
            layout.Form.MarginMm + layout.Family.RimMm,
            Math.Round(layout.Score, 2),
            Math.Round(layout.Cover.CalmShare, 3),
            Math.Round(known.Resemblance, 3),
            [.. layout.Cover.Shares.Select(s => Math.Round(s, 3))],
            [.. new[] { layout.Ring, layout.Row }.OfType<string>()],
            [.. layout.Notes.Where(n => n.Element is null).Select(n => n.Text), .. CrackleNotes(layout, scale)],
            Takes(known.Takes),
            Steady(kept, known),
            ground is null ? known.Mark : known.Mark + ground.TrimStart('#'),
            ground ?? layout.Family.Ground,
            laid);
    }

    public static QuantitiesView Takes(BaseQuantities q) => new(
        Math.Round(q.PasteMl, 2), Math.Round(q.CrackleMl, 2), Math.Round(q.CoarseG, 2), Math.Round(q.FineG, 2), Math.Round(q.SandG, 2), Math.Round(q.PvaMl, 2), Math.Round(q.SealMl, 2), Math.Round(q.SuperGlueDrops, 1));

    public static RollView Roll(TrayRollRow row) => new(row.Id, row.Status, row.Done, row.Of, row.Message);

    private static IEnumerable<string> CrackleNotes(Layout layout, double scale)
    {
        if (layout.Cover.Shares[(int)Texture.Crackle] > 0 && layout.Family.CrackleMm > 0)
        {
            yield return "Crackle: " + layout.Family.Law.Look(layout.Family.CrackleMm, scale, layout.Cover.LeastPatchMm).Verdict;
        }
    }

    private static SteadyView? Steady(TrayCopyDraft kept, LayoutMemory.Known known)
    {
        if (kept.Figure is not { Stance: not Stance.None, WeightG: > 0 } figure)
        {
            return null;
        }

        var form = known.Layout.Form;
        var wanted = Steadiness.UsualDeg(figure.Stance);
        var s = Steadiness.Of(
            form,
            [new(figure.WeightG, form.HeightMm + known.Layout.Terrain.LandingMm + known.Layout.Plot.Seat.Landings.Average(l => l.StoneMm) + figure.CentreMm, figure.AtXMm, figure.AtYMm), Steadiness.Shell(form), new(known.Takes.MassG, form.HeightMm + known.Takes.CentreMm)],
            wanted);
        return new(Math.Round(s.TipsAtDeg, 1), s.WeightG is { } g ? Math.Round(g, 1) : null, Math.Round(s.FitsG, 1), Math.Round(s.WithWeightDeg, 1), wanted, s.Verdict);
    }

    private static List<PlaceView> Outline(IEnumerable<Point> outline) => [.. outline.Select(v => new PlaceView(Math.Round(v.X, 2), Math.Round(v.Y, 2)))];
}
