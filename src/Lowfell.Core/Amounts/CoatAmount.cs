using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Amounts;

/// <summary>What a painter mixes on.</summary>
public enum Palette
{
    /// <summary>Damp paper under the paint: hours.</summary>
    Wet,

    /// <summary>A tile or a saucer: minutes.</summary>
    Dry,
}

/// <summary>How much of its mix a coat takes over all zones that share it, term by term.</summary>
/// <param name="AreaMm2">Area over all zones and copies, mm2.</param>
/// <param name="MeanWetUm">Wet film of one pass, mean of that area with its coverage, um.</param>
/// <param name="Passes">Passes.</param>
/// <param name="OnPieceMl">What ends up on the pieces, ml.</param>
/// <param name="TransferMl">What stays in brush, sponge or the air on the way, ml.</param>
/// <param name="LossMl">Left behind in each batch, ml, all batches together.</param>
/// <param name="Minutes">Hands-on time without set-up and clean-up, min.</param>
/// <param name="CleanUpMinutes">Hands-on time of cleaning it up, where it is, min.</param>
/// <param name="PaletteMin">Minutes that a batch stays workable; 0 where it does not go off.</param>
/// <param name="Batches">Batches that the palette life asks for, from 1.</param>
public sealed record CoatAmount(
    double AreaMm2, double MeanWetUm, int Passes, double OnPieceMl, double TransferMl, double LossMl, double Minutes, double CleanUpMinutes, int PaletteMin, int Batches)
{
    /// <summary>Handling of one copy, min. Craft estimate.</summary>
    public const double HandlingMin = 0.3;

    /// <summary>A zone of this area takes the large tool, where there is one, mm2. Craft estimate.</summary>
    public const double LargeMm2 = 20_000;

    // um x mm2 = 1e-3 mm3 = 1e-6 ml.
    private const double MlPerUmMm2 = 1e-6;

    /// <summary>Everything together, ml.</summary>
    public double TotalMl => OnPieceMl + TransferMl + LossMl;

    /// <summary>The amount of one coat on the zones that share it.</summary>
    /// <remarks>
    /// <c>ml = area x wet film x passes x coverage / transfer / 1e6 + loss per batch</c>: the film is the one that is brushed or sprayed on,
    /// the coverage the kernel's at the three heights by their shares; a textured ground drinks 1.2, a rough one 1.5 times the film. Lines go
    /// by length x width x film, marks by number, a coat that fades by its mean. Craft estimates throughout.
    /// </remarks>
    public static CoatAmount Of(Coat coat, IReadOnlyList<Zone> zones, Palette palette, HighlightSchool highlights = HighlightSchool.FacingLight)
    {
        var how = coat.How;
        double area = 0, laid = 0, minutes = 0, cleaning = 0;
        foreach (var zone in zones)
        {
            area += zone.AreaMm2 * zone.Copies;
            var one = OnCopy(coat, how, zone, highlights);
            laid += one.Laid * zone.Copies * coat.Passes;
            minutes += ((one.Minutes * coat.Passes) + HandlingMin) * zone.Copies;
            cleaning += one.CleanUp > 0 ? (one.CleanUp + HandlingMin) * zone.Copies : 0;
        }

        var life = palette == Palette.Wet ? how.WetPaletteMin : how.DryPaletteMin;
        var batches = life == 0 ? 1 : Math.Max(1, (int)Math.Ceiling((minutes / life) - 1e-9));
        var onPiece = laid * MlPerUmMm2;
        var mean = area > 0 ? laid / area / coat.Passes : 0;
        return new(area, mean, coat.Passes, onPiece, (onPiece / how.Transfer) - onPiece, how.LossMl * batches, minutes, cleaning, life, batches);
    }

    // One pass on one copy: um x mm2 that end up on it, hands-on minutes, minutes of cleaning up.
    private static (double Laid, double Minutes, double CleanUp) OnCopy(Coat coat, TechniqueFacts how, Zone zone, HighlightSchool highlights)
    {
        var reached = 1 - zone.Unseen;
        var stroke = coat.OwnDeposit is null ? how.Stroke : null;
        var share = coat.Hand * Faded(coat, zone);
        var length = how.GoesBy switch { GoesBy.Creases => zone.CreaseMm, GoesBy.Edges => zone.EdgeMm * (highlights == HighlightSchool.All ? 1 : zone.LitEdges), _ => null };
        if (coat is { OwnDeposit: null, Marks: { Kind: { } kind } meant })
        {
            return (meant.AreaMm2 * kind.Facts().WetFilmUm * share, meant.MinutesOf(coat.Carrier, how.RateCm2PerMin), meant.DownMinutesOf(coat.Carrier));
        }

        if (stroke is { MmPerMin: > 0 } line && length is { } mm)
        {
            mm *= reached;
            return (mm * line.WidthMm * line.WetFilmUm * share, mm / line.MmPerMin, how.CleanMmPerMin > 0 ? mm / how.CleanMmPerMin : 0);
        }

        if (stroke is { MarksPerMin: > 0 } mark && coat.Marks is { } marks)
        {
            return (marks.Count * marks.WidthMm * marks.LengthMm * mark.WetFilmUm * share, marks.Count / mark.MarksPerMin, 0);
        }

        if (how.GoesBy == GoesBy.Copies)
        {
            return (0, 1, 0);
        }

        var area = zone.AreaMm2 * reached;
        var rate = how.LargeRateCm2PerMin > 0 && zone.AreaMm2 >= LargeMm2 ? how.LargeRateCm2PerMin : how.RateCm2PerMin;
        var work = area / 100 / rate;

        // Where no crease is measured, cleaning up takes as much longer than laying as it does along one.
        var clean = how.CleanMmPerMin > 0 && how.Stroke is { MmPerMin: > 0 } along ? work * along.MmPerMin / how.CleanMmPerMin : 0;
        return ((OfTray(coat, zone.Tray) / MlPerUmMm2) ?? (area * WetUm(coat, how, zone) * share), work, clean);
    }

    // A tray of bases knows what lies on it, by its first pass; glue is what leaves the pot, of which some stays in the brush.
    private static double? OfTray(Coat coat, LaidByTray? tray) => coat.How.Role switch
    {
        Role.Paste => tray?.PasteMl,
        Role.CracklePaste => tray?.CrackleMl,
        Role.Grit => (coat.What?.Kind == Kind.Grit ? tray?.GritMl : tray?.GlueMl) * coat.How.Transfer,
        Role.Drip => tray?.DripMl * coat.How.Transfer,
        _ => null,
    };

    private static double Faded(Coat coat, Zone zone) =>
        coat.Fade is { } fade && zone is { HeightFromMm: { } from, HeightToMm: { } to } ? fade.Mean(from, to) : 1;

    private static double WetUm(Coat coat, TechniqueFacts how, Zone zone)
    {
        var deposit = coat.DepositOn(zone);
        var shares = zone.HeightShares;
        double covered = 0, own = 0;
        for (var h = 0; h < shares.Length; h++)
        {
            covered += shares[h] * deposit.Coverage[h];
            own += shares[h] * deposit.Coverage[h] * deposit.WetFilmUm[h];
        }

        // A film of one's own is what lies there; the table's is what is brushed on, and the ground drinks of it.
        return coat.OwnDeposit is not null ? own : covered * how.AppliedUm * zone.Drinks;
    }
}
