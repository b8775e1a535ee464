using Lowfell.Core.Colour;
using Lowfell.Core.Mixes;

namespace Lowfell.Core.Stacks;

/// <summary>Predicts the colours of a stack, coat by coat, at recess, face and edge.</summary>
public static class Predictor
{
    /// <summary>Film of a light hand over the table's. Craft estimate.</summary>
    public const double LightHand = 0.7;

    /// <summary>Film of a heavy hand over the table's. Craft estimate.</summary>
    public const double HeavyHand = 1.3;

    // In the order that Read takes them apart.
    private static readonly double[] Hands = [1, LightHand, HeavyHand];

    /// <summary>Predicts every stratum of a draft.</summary>
    public static Prediction Predict(StackDraft draft)
    {
        var zone = draft.Zone;
        var target = zone.Target?.ToLab();
        var walk = new StackWalk(zone, Hands);
        var substrate = Read(Guid.Empty, zone, target, walk, null, null, null);
        var strata = new Stratum[draft.Coats.Count];
        var below = substrate;
        for (var i = 0; i < strata.Length; i++)
        {
            var coat = draft.Coats[i];
            if (coat.Skipped)
            {
                strata[i] = below = Unchanged(coat.Id, below);
                continue;
            }

            var prepared = PreparedCoat.Of(coat, zone, Residue(draft, i));
            Srgb? mark = coat.Technique.Facts().Marks ? walk.MarkOnFace(prepared).ToSrgb() : null;
            walk.Lay(prepared);
            strata[i] = below = Read(coat.Id, zone, target, walk, prepared, below, mark);
        }

        return new(substrate, strata);
    }

    /// <summary>The paint left in the brush from the dry-brush step before, by school.</summary>
    internal static Paint? Residue(StackDraft draft, int index)
    {
        if (draft.Schools.DryBrush != ResidueSchool.Keep || draft.Coats[index].Technique != Technique.DryBrush)
        {
            return null;
        }

        for (var i = index - 1; i >= 0; i--)
        {
            if (!draft.Coats[i].Skipped)
            {
                return draft.Coats[i] is { Technique: Technique.DryBrush } before ? before.Paint : null;
            }
        }

        return null;
    }

    /// <summary>The stack up to but without coat <paramref name="count"/>, by a middle hand.</summary>
    internal static StackWalk WalkTo(StackDraft draft, int count, bool faceOnly = false)
    {
        var walk = new StackWalk(draft.Zone);
        for (var i = 0; i < count; i++)
        {
            if (!draft.Coats[i].Skipped)
            {
                var coat = PreparedCoat.Of(draft.Coats[i], draft.Zone, Residue(draft, i));
                if (faceOnly)
                {
                    walk.LayFace(coat);
                }
                else
                {
                    walk.Lay(coat);
                }
            }
        }

        return walk;
    }

    private static Stratum Unchanged(Guid id, Stratum below)
    {
        static HeightColour Still(HeightColour c) => c with { DeltaBelow = 0, FilmUm = 0 };
        return below with { CoatId = id, Recess = Still(below.Recess), Face = Still(below.Face), Edge = Still(below.Edge), Mark = null };
    }

    private static Stratum Read(Guid id, Zone zone, Lab? target, StackWalk walk, PreparedCoat? coat, Stratum? below, Srgb? mark)
    {
        Span<HeightColour> heights = stackalloc HeightColour[3];
        var shares = zone.HeightShares;
        LinearRgb mean = default;
        var film = below?.TotalFilmUm ?? 0;
        for (var h = 0; h < 3; h++)
        {
            LinearRgb middle = walk.Colour(h), light = walk.Colour(h, 1), heavy = walk.Colour(h, 2);
            var lab = middle.ToLab();
            var added = coat is { Optics: not null } c ? c.DryFilmUm(h, 1) * c.Coat.Passes : 0;
            heights[h] = new(
                lab,
                middle.ToSrgb(),
                below is null ? 0 : ColourDifference.Ciede2000(below.At(h).Lab, lab),
                target is { } t ? ColourDifference.Ciede2000(lab, t) : null,
                added,
                light.ToSrgb(),
                heavy.ToSrgb(),
                ColourDifference.Ciede2000(light.ToLab(), heavy.ToLab()));
            mean = new(mean.R + (shares[h] * middle.R), mean.G + (shares[h] * middle.G), mean.B + (shares[h] * middle.B));
            film += shares[h] * added * (coat?.Deposit.Coverage[h] ?? 0);
        }

        return new(id, heights[0], heights[1], heights[2], mean.ToSrgb(), mark, film);
    }
}
