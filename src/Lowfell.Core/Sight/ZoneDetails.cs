using Lowfell.Core.Amounts;
using Lowfell.Core.Colour;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Sight;

/// <summary>What there is to see.</summary>
public enum SightKind
{
    /// <summary>What lies in recesses, on the face.</summary>
    [Said("recesses")]
    Recess,

    /// <summary>What lies on edges, on the face.</summary>
    [Said("edges")]
    Edge,

    /// <summary>One mark of a coat.</summary>
    [Said("one mark of it")]
    Mark,

    /// <summary>A coat: the zone with it on the zone without.</summary>
    [Said("with and without it")]
    Coat,

    /// <summary>A coat that fades with height: where it lies, on what is beside it.</summary>
    [Said("the band of it")]
    Band,

    /// <summary>The face of a zone, on that of one that touches it.</summary>
    [Said("beside it")]
    Neighbour,
}

/// <summary>A detail of a zone.</summary>
/// <param name="Kind">What of it.</param>
/// <param name="CoatId">The coat that it is of; null for the finished zone.</param>
/// <param name="Detail">Its size and colours, by a middle hand.</param>
/// <param name="ByHands">Colour and ground by a light and a heavy hand; none where hands are not told.</param>
/// <param name="RowShare">What of a row marks cover, where they stand in one; 0 where they do not.</param>
/// <param name="Minutes">Hands-on minutes over all copies; 0 for what no coat makes by itself.</param>
public sealed record ZoneDetail(SightKind Kind, Guid? CoatId, SightDetail Detail, IReadOnlyList<(LinearRgb Colour, LinearRgb Ground)> ByHands, double RowShare, double Minutes)
{
    /// <summary>Looks at it.</summary>
    public Sighting At(in SightFrom from) => Sights.Best(Detail, RowShare, from);

    /// <summary>Whether a light or a heavy hand would change the verdict.</summary>
    /// <param name="stand">Where the set is looked at from, and who.</param>
    public bool Unsure(SightFrom stand)
    {
        SightVerdict Of(SightDetail detail) => Sights.Verdict(m => (this with { Detail = detail }).At(stand with { Metres = m }).Word, stand.Metres);
        var middle = Of(Detail);
        return ByHands.Any(h => Of(Detail with { Colour = h.Colour, Ground = h.Ground }) != middle);
    }
}

/// <summary>What there is to see on a zone: its recesses and edges, single marks, and each coat that is there for its colour.</summary>
public static class ZoneDetails
{
    // Where the painter has not measured, mm.
    private const double RecessMm = 0.4, RecessTimes = 10, EdgeMm = 0.3, EdgeLongMm = 8, BorderMm = 3, BorderLongMm = 20;

    // A recess, an edge or a face that moves less than this is not what a coat is for, dE00.
    private const double Unmoved = 0.05;

    /// <summary>Lists them.</summary>
    public static IReadOnlyList<ZoneDetail> Of(StackDraft stack)
    {
        ArgumentNullException.ThrowIfNull(stack);
        var predicted = Predictor.Predict(stack);
        var details = new List<ZoneDetail>();
        var zone = stack.Zone;
        if (stack.Coats.All(c => c.Skipped))
        {
            return details;
        }

        var top = predicted.Top;
        var ground = Ground(zone, top);
        if (zone.Relief != Relief.Smooth)
        {
            details.Add(new(SightKind.Recess, null, Detail(RecessWidth(zone), RecessWidth(zone) * RecessTimes, top.Recess, top.Face), Hands(top.Recess, top.Face), 0, 0));
        }

        details.Add(new(SightKind.Edge, null, Detail(EdgeMm, EdgeLongMm, top.Edge, top.Face), Hands(top.Edge, top.Face), 0, 0));
        for (var i = 0; i < stack.Coats.Count; i++)
        {
            var coat = stack.Coats[i];
            if (coat.Skipped || coat.How.ColourFree || coat.How.Builds || IsGround(stack, i))
            {
                continue;
            }

            var minutes = CoatAmount.Of(coat, [zone], Palette.Dry).Minutes;
            if (coat.Shape is not null && predicted.Strata[i].Mark is { } mark)
            {
                var (size, below) = (CoatMarks.Of(coat, zone), predicted.Below(i));
                var inRow = coat.Shape is MarkShape.Chip or MarkShape.Dot ? coat.DepositOn(zone).Coverage[(int)ReliefHeight.Edge] : 0;
                var (contrast, pitch) = Ground(zone, below);
                details.Add(new(SightKind.Mark, coat.Id, new(Size(size.WidthMm), Size(size.LengthMm), mark.ToLinear(), below.Face.Lab.ToLinear(), contrast, pitch), [], inRow, minutes));
                continue;
            }

            if ((Band(stack, i) ?? WithAndWithout(stack, predicted, i)) is { } seen)
            {
                details.Add(seen with { Minutes = minutes });
            }
        }

        return details;

        SightDetail Detail(double width, double length, HeightColour colour, HeightColour on) => new(Size(width), Size(length), colour.Lab.ToLinear(), on.Lab.ToLinear(), ground.Contrast, ground.PitchMm);
    }

    /// <summary>The border of two zones that touch: one finished face on the other; null where one of them has none yet.</summary>
    public static ZoneDetail? Border(StackDraft stack, StackDraft neighbour)
    {
        ArgumentNullException.ThrowIfNull(stack);
        ArgumentNullException.ThrowIfNull(neighbour);
        if (stack.Coats.All(c => c.Skipped) || neighbour.Coats.All(c => c.Skipped))
        {
            return null;
        }

        var (face, beside) = (Predictor.Predict(stack).Top.Face, Predictor.Predict(neighbour).Top.Face);
        return new(SightKind.Neighbour, null, new(BorderMm, BorderLongMm, face.Lab.ToLinear(), beside.Lab.ToLinear()), Hands(face, beside), 0, 0);
    }

    /// <summary>What a coat changes where it is laid: a single mark of it, or recess, face and edge with it on what is below.</summary>
    /// <param name="zone">The zone.</param>
    /// <param name="coat">The coat.</param>
    /// <param name="on">The stack with it.</param>
    /// <param name="below">The stack below it.</param>
    public static IEnumerable<(SightDetail Detail, double RowShare)> Laid(Zone zone, Coat coat, Stratum on, Stratum below)
    {
        ArgumentNullException.ThrowIfNull(zone);
        if (coat.Shape is not null && on.Mark is { } mark)
        {
            var size = CoatMarks.Of(coat, zone);
            var inRow = coat.Shape is MarkShape.Chip or MarkShape.Dot ? coat.DepositOn(zone).Coverage[(int)ReliefHeight.Edge] : 0;
            var (contrast, pitch) = Ground(zone, below);
            yield return (new(Size(size.WidthMm), Size(size.LengthMm), mark.ToLinear(), below.Face.Lab.ToLinear(), contrast, pitch), inRow);
            yield break;
        }

        foreach (var detail in Between(zone, on, below))
        {
            yield return (detail, 0);
        }
    }

    /// <summary>The whole of a zone, its recess, face and edge as one stack leaves them on what another does.</summary>
    public static IEnumerable<SightDetail> Between(Zone zone, Stratum on, Stratum below)
    {
        ArgumentNullException.ThrowIfNull(zone);
        var side = Size(Math.Sqrt(zone.AreaMm2));

        // From afar fine relief melts into one colour.
        yield return new(side, side, on.Mean.ToLinear(), below.Mean.ToLinear());
        for (var h = 0; h < 3; h++)
        {
            var (width, length) = (ReliefHeight)h switch { ReliefHeight.Recess => (RecessWidth(zone), RecessWidth(zone) * RecessTimes), ReliefHeight.Edge => (EdgeMm, EdgeLongMm), _ => (side, side) };
            yield return new(Size(width), Size(length), on.At(h).Lab.ToLinear(), below.At(h).Lab.ToLinear());
        }
    }

    // What another covering coat goes over is there for hold and evenness, not to be seen.
    private static bool IsGround(StackDraft stack, int index) => Covers(stack.Coats[index]) && stack.Coats.Skip(index + 1).Any(c => !c.Skipped && Covers(c));

    private static bool Covers(Coat coat) => coat.LeavesFilm && (coat.How.Covers || coat.How.Role == Role.Spray);

    // A coat that fades within the zone: its face at the full end, on the face without it, as wide as half the film reaches and as long as the zone is.
    private static ZoneDetail? Band(StackDraft stack, int index)
    {
        var zone = stack.Zone;
        if (stack.Coats[index].Fade is not { } fade || zone is not { HeightFromMm: { } low, HeightToMm: { } high } || high <= low || fade.At(low) == fade.At(high))
        {
            return null;
        }

        var end = fade.At(low) > fade.At(high) ? low : high;
        var half = Math.Clamp((fade.FullMm + fade.NoneMm) / 2, low, high);
        if (Math.Abs(half - end) < SightTable.LeastMm || fade.At(end) <= 0)
        {
            return null;
        }

        // The zone is looked at where the coat is fullest: told as if it were only as high.
        var there = stack with { Zone = zone with { HeightFromMm = end, HeightToMm = end } };
        var without = there with { Coats = [.. there.Coats.Select((c, i) => i == index ? c with { Skipped = true } : c)] };
        var (with, bare) = (Predictor.Predict(there).Top.Face, Predictor.Predict(without).Top.Face);
        return new(SightKind.Band, stack.Coats[index].Id, new(Size(Math.Abs(half - end)), Size(zone.AreaMm2 / (high - low)), with.Lab.ToLinear(), bare.Lab.ToLinear()), Hands(with, bare), 0, 0);
    }

    // The height at which a coat is seen best, the zone with it on the zone without.
    private static ZoneDetail? WithAndWithout(StackDraft stack, PredictedStack predicted, int index)
    {
        var zone = stack.Zone;
        var without = Predictor.Predict(stack with { Coats = [.. stack.Coats.Select((c, i) => i == index ? c with { Skipped = true } : c)] }).Top;
        var (best, most) = (default(ZoneDetail), (Word: SightWord.Lost, J: -1.0));
        var side = Size(Math.Sqrt(zone.AreaMm2));
        foreach (var height in Enum.GetValues<ReliefHeight>())
        {
            var (with, bare) = (predicted.Top.At((int)height), without.At((int)height));
            if (ColourDifference.Ciede2000(with.Lab, bare.Lab) < Unmoved)
            {
                continue;
            }

            var (width, length) = height switch { ReliefHeight.Recess => (RecessWidth(zone), RecessWidth(zone) * RecessTimes), ReliefHeight.Edge => (EdgeMm, EdgeLongMm), _ => (side, side) };
            var detail = new ZoneDetail(SightKind.Coat, stack.Coats[index].Id, new(Size(width), Size(length), with.Lab.ToLinear(), bare.Lab.ToLinear()), Hands(with, bare), 0, 0);
            var seen = detail.At(new(zone.ViewingMm / 1000) { TrialFactor = zone.TrialFactor });
            (best, most) = seen.Word > most.Word || (seen.Word == most.Word && seen.J > most.J) ? (detail, (seen.Word, seen.J)) : (best, most);
        }

        // One that moves nothing at all is hidden by what follows: it has been seen by nobody.
        return best ?? new(SightKind.Coat, stack.Coats[index].Id, new(side, side, predicted.Top.Face.Lab.ToLinear(), without.Face.Lab.ToLinear()), [], 0, 0);
    }

    private static IReadOnlyList<(LinearRgb Colour, LinearRgb Ground)> Hands(HeightColour colour, HeightColour on) => [(colour.ByLightHand, on.ByLightHand), (colour.ByHeavyHand, on.ByHeavyHand)];

    private static (double Contrast, double PitchMm) Ground(Zone zone, Stratum of)
    {
        Span<double> light = stackalloc double[3];
        for (var h = 0; h < light.Length; h++)
        {
            light[h] = of.At(h).Lab.ToLinear().Luminance;
        }

        return (Sights.ReliefContrast(zone.HeightShares, light), zone.Relief.PitchMm());
    }

    private static double RecessWidth(Zone zone) => zone.SmallestDetailMm ?? RecessMm;

    private static double Size(double mm) => Math.Clamp(mm, SightTable.LeastMm, SightTable.MostMm);
}
