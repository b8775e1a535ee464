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

    /// <summary>Predicts every stratum of a draft.</summary>
    public static Prediction Predict(StackDraft draft)
    {
        var zone = draft.Zone;
        var target = zone.Target?.ToLab();
        StackWalk light = new(zone, LightHand), middle = new(zone, 1), heavy = new(zone, HeavyHand);
        var substrate = Read(Guid.Empty, zone, target, light, middle, heavy, null, null, null, 0);
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
            var mark = Mark(middle, prepared);
            light.Lay(prepared);
            middle.Lay(prepared);
            heavy.Lay(prepared);
            strata[i] = below = Read(coat.Id, zone, target, light, middle, heavy, prepared, below, mark, below.TotalFilmUm);
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
        var walk = new StackWalk(draft.Zone, 1);
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

    private static Srgb? Mark(StackWalk middle, in PreparedCoat coat)
    {
        if (!coat.Coat.Technique.Facts().Marks)
        {
            return null;
        }

        var trial = middle.Copy();
        trial.Lay(coat, fullCoverage: true);
        return trial.Colour((int)ReliefHeight.Face).ToSrgb();
    }

    private static Stratum Unchanged(Guid id, Stratum below)
    {
        static HeightColour Still(HeightColour c) => c with { DeltaBelow = 0, FilmUm = 0 };
        return below with { CoatId = id, Recess = Still(below.Recess), Face = Still(below.Face), Edge = Still(below.Edge), Mark = null };
    }

    private static Stratum Read(
        Guid id, Zone zone, Lab? target, StackWalk light, StackWalk middle, StackWalk heavy, PreparedCoat? coat, Stratum? below, Srgb? mark, double filmBelow)
    {
        Span<HeightColour> heights = stackalloc HeightColour[3];
        var shares = zone.HeightShares;
        LinearRgb mean = default;
        var film = filmBelow;
        for (var h = 0; h < 3; h++)
        {
            var colour = middle.Colour(h);
            var lab = colour.ToLab();
            LinearRgb lightColour = light.Colour(h), heavyColour = heavy.Colour(h);
            var added = coat is { } c && c.Optics is not null ? c.DryFilmUm(h, 1) * c.Coat.Passes : 0;
            heights[h] = new(
                lab,
                colour.ToSrgb(),
                below is null ? 0 : ColourDifference.Ciede2000(below.At(h).Lab, lab),
                target is { } t ? ColourDifference.Ciede2000(lab, t) : null,
                added,
                lightColour.ToSrgb(),
                heavyColour.ToSrgb(),
                ColourDifference.Ciede2000(lightColour.ToLab(), heavyColour.ToLab()));
            mean = new(mean.R + (shares[h] * colour.R), mean.G + (shares[h] * colour.G), mean.B + (shares[h] * colour.B));
            film += shares[h] * added * (coat?.Deposit.Coverage[h] ?? 0);
        }

        return new(id, heights[0], heights[1], heights[2], mean.ToSrgb(), mark, film);
    }
}
