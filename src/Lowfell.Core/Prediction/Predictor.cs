using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Prediction;

/// <summary>Predicts the colours of a stack, coat by coat, at recess, face and edge.</summary>
public static class Predictor
{
    /// <summary>Film of a light hand over the table's. Craft estimate.</summary>
    public const double LightHand = 0.7;

    /// <summary>Film of a heavy hand over the table's. Craft estimate.</summary>
    public const double HeavyHand = 1.3;

    /// <summary>Share of the first film that a thirsty ground leaves on top. Craft estimate.</summary>
    public const double ThirstyShare = 0.5;

    // In the order that Read takes them apart.
    private static readonly double[] Hands = [1, LightHand, HeavyHand];
    private static readonly double[] MiddleHand = [1];

    /// <summary>Predicts every stratum of a draft.</summary>
    public static PredictedStack Predict(StackDraft draft) => Predict(draft, Hands) with { Elevations = Elevations(draft) };

    /// <summary>As <see cref="Predict(StackDraft)"/>, by a middle hand alone: light and heavy are left as the middle.</summary>
    public static PredictedStack PredictMiddle(StackDraft draft) => Predict(draft, MiddleHand);

    private static PredictedStack Predict(StackDraft draft, double[] hands)
    {
        var zone = draft.Zone;
        var target = new ByHeight<Lab?>(zone.TargetRecess?.ToLab(), zone.Target?.ToLab(), zone.TargetEdge?.ToLab());
        var known = PredictionMemory.Like(draft, hands);
        var common = known is null ? 0 : PredictionMemory.Common(known, draft);
        var strata = new Stratum[draft.Coats.Count];
        var walks = new StackWalk[Math.Max(0, (strata.Length - 1) / PredictionMemory.Stride)];

        // From the last walk that is kept below the coat that changed.
        var from = Math.Min(common / PredictionMemory.Stride, Math.Min(walks.Length, known?.Walks.Length ?? 0));
        var walk = from > 0 ? known!.Walks[from - 1].Copy() : new StackWalk(zone, hands);
        var substrate = known?.Substrate ?? Read(Guid.Empty, zone, target, walk, null, null, null);
        for (var i = 0; i < from; i++)
        {
            walks[i] = known!.Walks[i];
        }

        known?.Strata.AsSpan(0, common).CopyTo(strata);
        var below = common > 0 ? strata[common - 1] : substrate;
        for (var i = from * PredictionMemory.Stride; i < strata.Length; i++)
        {
            if (i > from * PredictionMemory.Stride && i % PredictionMemory.Stride == 0)
            {
                walks[(i / PredictionMemory.Stride) - 1] = walk.Copy();
            }

            var coat = draft.Coats[i];
            if (i < common)
            {
                LayOn(walk, draft, i);
                continue;
            }

            if (coat.Skipped)
            {
                strata[i] = below = Unchanged(coat.Id, below);
                continue;
            }

            var prepared = Prepare(draft, i, null);
            Srgb? mark = coat.How.Marks || coat.Shape is not null ? walk.MarkOnFace(prepared).ToSrgb() : null;
            walk.Lay(prepared, IsWorked(draft, i));
            strata[i] = below = Read(coat.Id, zone, target, walk, prepared, below, mark);
        }

        PredictionMemory.Keep(new(draft, hands, substrate, strata, walks));
        return new(substrate, strata);
    }

    /// <summary>A coat of a draft made ready: with what is left in the brush, on this ground, at this height.</summary>
    /// <param name="draft">The stack.</param>
    /// <param name="index">The coat.</param>
    /// <param name="elevationMm">Height above the foot, mm; null for the middle of the zone.</param>
    internal static PreparedCoat Prepare(StackDraft draft, int index, double? elevationMm)
    {
        var (coat, zone) = (draft.Coats[index], draft.Zone);
        if (coat.How.Role == Role.WetStreak)
        {
            return Drawing(draft, index) is { } drawn ? PreparedCoat.Smeared(coat, drawn, zone) : PreparedCoat.Of(coat, zone, null);
        }

        var share = zone.Substrate.Facts().Thirst != Thirst.None && coat.LeavesFilm && draft.FilmBelow(index) < 0 ? 1 - ((1 - ThirstyShare) / coat.Passes) : 1;
        if (coat.Fade is { } fade && zone is { HeightFromMm: { } from, HeightToMm: { } to })
        {
            share *= fade.At(elevationMm ?? (from + to) / 2);
        }

        return PreparedCoat.Of(coat, zone, Residue(draft, index), share);
    }

    /// <summary>The paint left in the brush from the dry-brush step before, by school.</summary>
    internal static Paint? Residue(StackDraft draft, int index)
    {
        if (draft.Schools.DryBrush != ResidueSchool.Keep || draft.Coats[index].How.Role != Role.DryBrush)
        {
            return null;
        }

        for (var i = index - 1; i >= 0; i--)
        {
            if (!draft.Coats[i].Skipped)
            {
                return draft.Coats[i].How.Role == Role.DryBrush ? draft.Coats[i].Paint : null;
            }
        }

        return null;
    }

    /// <summary>The stack up to but without coat <paramref name="count"/>, by a middle hand.</summary>
    internal static StackWalk WalkTo(StackDraft draft, int count, bool faceOnly = false, double? elevationMm = null)
    {
        var walk = new StackWalk(draft.Zone);
        for (var i = 0; i < count; i++)
        {
            LayOn(walk, draft, i, faceOnly, elevationMm);
        }

        return walk;
    }

    /// <summary>Lays one coat of a draft on a walk that has come as far as it.</summary>
    internal static void LayOn(StackWalk walk, StackDraft draft, int index, bool faceOnly = false, double? elevationMm = null)
    {
        if (draft.Coats[index].Skipped)
        {
            return;
        }

        var coat = Prepare(draft, index, elevationMm);
        if (faceOnly)
        {
            walk.LayFace(coat, IsWorked(draft, index));
        }
        else
        {
            walk.Lay(coat, IsWorked(draft, index));
        }
    }

    /// <summary>Lays one coat as it lies within a single mark of it.</summary>
    internal static void LayWithinMark(StackWalk walk, StackDraft draft, int index, double? elevationMm)
    {
        if (!draft.Coats[index].Skipped)
        {
            walk.LayWithinMark(Prepare(draft, index, elevationMm));
        }
    }

    /// <summary>Whether handwork follows on a coat while it is open.</summary>
    internal static bool IsWorked(StackDraft draft, int index)
    {
        for (var i = index + 1; i < draft.Coats.Count; i++)
        {
            if (!draft.Coats[i].Skipped)
            {
                return draft.Coats[i].How.Hand is not null;
            }
        }

        return false;
    }

    private static Coat? Drawing(StackDraft draft, int index)
    {
        for (var i = index - 1; i >= 0; i--)
        {
            if (!draft.Coats[i].Skipped && draft.Coats[i] is { How.Role: Role.Drawing, LeavesFilm: true } drawn)
            {
                return drawn;
            }
        }

        return null;
    }

    // Top, middle and foot after each coat, where the zone is told by height and something fades.
    private static IReadOnlyList<Elevation>? Elevations(StackDraft draft)
    {
        if (draft.Zone is not { HeightFromMm: { } from, HeightToMm: { } to } || !draft.Coats.Any(c => c.Fade is not null && !c.Skipped))
        {
            return null;
        }

        return [.. new[] { to, (from + to) / 2, from }.Select(height =>
        {
            var walk = new StackWalk(draft.Zone);
            var looks = new ByHeight<Srgb>[draft.Coats.Count];
            for (var i = 0; i < looks.Length; i++)
            {
                LayOn(walk, draft, i, elevationMm: height);
                looks[i] = new(walk.Colour(0).ToSrgb(), walk.Colour(1).ToSrgb(), walk.Colour(2).ToSrgb());
            }

            return new Elevation(height, looks);
        })];
    }

    private static Stratum Unchanged(Guid id, Stratum below)
    {
        static HeightColour Still(HeightColour c) => c with { DeltaBelow = 0, FilmUm = 0 };
        return below with { CoatId = id, Recess = Still(below.Recess), Face = Still(below.Face), Edge = Still(below.Edge), Mark = null };
    }

    private static Stratum Read(Guid id, Zone zone, ByHeight<Lab?> target, StackWalk walk, PreparedCoat? coat, Stratum? below, Srgb? mark)
    {
        Span<HeightColour> heights = stackalloc HeightColour[3];
        var shares = zone.HeightShares;
        var three = walk.Hands > 1;
        LinearRgb mean = default;
        var film = below?.TotalFilmUm ?? 0;
        for (var h = 0; h < 3; h++)
        {
            var middle = walk.Colour(h);
            var lab = middle.ToLab();
            var colour = middle.ToSrgb();
            var added = coat is { Optics: not null } c ? c.DryFilmUm(h, 1) * c.Coat.Passes : 0;
            var step = below is null ? 0 : ColourDifference.Ciede2000(below.At(h).Lab, lab);
            double? off = target[h] is { } t ? ColourDifference.Ciede2000(lab, t) : null;
            heights[h] = three ? new(lab, colour, step, off, added, walk.Colour(h, 1), walk.Colour(h, 2)) : new(lab, colour, step, off, added, middle, middle);
            mean = new(mean.R + (shares[h] * middle.R), mean.G + (shares[h] * middle.G), mean.B + (shares[h] * middle.B));
            film += shares[h] * added * (coat?.Deposit.Coverage[h] ?? 0);
        }

        return new(id, heights[0], heights[1], heights[2], mean.ToSrgb(), mark, film);
    }
}
