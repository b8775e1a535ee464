using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Prediction;

/// <summary>The base colour that lands on a target after the coats above it.</summary>
/// <param name="Colour">What to mix the base to.</param>
/// <param name="LeftDeltaE">dE00 that is left at the end of the stack; more than 1 means that the target cannot be reached with these coats above.</param>
public sealed record SolvedBase(Srgb Colour, double LeftDeltaE);

/// <summary>A material of the shelf in the place of a coat's, judged by what the finished stack then looks like.</summary>
/// <param name="Material">The material.</param>
/// <param name="DeltaE">dE00 of the finished face to what is wanted.</param>
/// <param name="Result">The finished face.</param>
public sealed record NearMaterial(Material Material, double DeltaE, Srgb Result);

/// <summary>Questions about colour that are solved rather than shown.</summary>
public static class ColourHelp
{
    /// <summary>Passes are counted up to this many.</summary>
    public const int MostPasses = 12;

    /// <summary>A coat covers when it is this near to its masstone, dE00.</summary>
    public const double CoveredDeltaE = 2;

    /// <summary>Passes of a coat until the ground no longer shows at a height: dE00 to the masstone under 2.</summary>
    /// <returns>1..12, or 13 where twelve are not enough.</returns>
    public static int PassesToCover(StackDraft draft, int index, ReliefHeight height)
    {
        return PassesToCover(Predictor.WalkTo(draft, index), draft.Coats[index], draft.Zone, height);
    }

    /// <summary>As above, over a ground that has been walked to already; the walk is left as it was.</summary>
    internal static int PassesToCover(StackWalk ground, Coat coat, Zone zone, ReliefHeight height)
    {
        if (coat.Paint is not { Lead.Clear: false } || PreparedCoat.Of(coat with { Passes = 1 }, zone, null) is not { Optics: not null } prepared)
        {
            return 1;
        }

        var h = (int)height;
        var walk = ground.Copy();
        var goal = ground.Masstone(h, prepared).ToLab();
        for (var pass = 1; pass <= MostPasses; pass++)
        {
            walk.LayAt(h, prepared, prepared.Deposit.Coverage[h], 1);
            if (ColourDifference.Ciede2000(walk.Colour(h).ToLab(), goal) < CoveredDeltaE)
            {
                return pass;
            }
        }

        return MostPasses + 1;
    }

    /// <summary>The coat that gives the zone its colour: the last one that is meant to cover, of a pigmented paint; -1 where there is none.</summary>
    public static int BaseCoat(StackDraft draft)
    {
        for (var i = draft.Coats.Count - 1; i >= 0; i--)
        {
            var coat = draft.Coats[i];
            if (!coat.Skipped && coat.How.Covers && coat.Paint is { Lead.Clear: false })
            {
                return i;
            }
        }

        return -1;
    }

    /// <summary>The colour for coat <paramref name="index"/> whose face ends on the zone's target after the coats above it.</summary>
    /// <remarks>
    /// Levenberg-Marquardt (Marquardt 1963) in three logits of linear RGB on the Lab residual. The hiding of the coat stays that of its paint.
    /// </remarks>
    /// <returns>Null where the zone has no target or the coat no pigment.</returns>
    public static SolvedBase? BaseForTarget(StackDraft draft, int index)
    {
        if (draft.Zone.Target is not { } target || draft.Coats[index].Paint is not { Lead.Clear: false } paint)
        {
            return null;
        }

        var lead = paint.Lead;
        var goal = target.ToLab();
        var below = Predictor.WalkTo(draft, index);
        var own = Predictor.Prepare(draft, index, null);
        var above = new List<(PreparedCoat Coat, bool Worked)>();
        for (var i = index + 1; i < draft.Coats.Count; i++)
        {
            if (!draft.Coats[i].Skipped)
            {
                above.Add((Predictor.Prepare(draft, i, null), Predictor.IsWorked(draft, i)));
            }
        }

        Lab End(FilmOptics optics)
        {
            var walk = below.Copy();
            walk.LayFace(own.With(optics), Predictor.IsWorked(draft, index));
            foreach (var (next, worked) in above)
            {
                walk.LayFace(next, worked);
            }

            return walk.Colour((int)ReliefHeight.Face).ToLab();
        }

        var solver = new BaseSolver(lead, End, goal);
        var colour = solver.Solve(target.ToLinear()).ToSrgb();
        var material = lead.MixedTo(colour) with { Effect = Effect.Plain };
        return new(colour, ColourDifference.Ciede2000(End(material.Optics()[(int)ReliefHeight.Face]), goal));
    }

    /// <summary>Materials of the shelf that bring the finished face nearest to the zone's target, or, without one, to what it is now.</summary>
    /// <param name="draft">The stack.</param>
    /// <param name="index">The coat whose material is in question.</param>
    /// <param name="shelf">What there is.</param>
    /// <param name="count">How many to give.</param>
    /// <param name="mostTried">How many of the nearest swatches to try through the whole stack.</param>
    public static IReadOnlyList<NearMaterial> NearestOnShelf(StackDraft draft, int index, Shelf shelf, int count, int mostTried = int.MaxValue)
    {
        var coat = draft.Coats[index];
        if (coat.Paint is not { } paint || paint.Lead.Clear)
        {
            return [];
        }

        var goal = draft.Zone.Target?.ToLab() ?? Predictor.Predict(draft).Top.Face.Lab;
        var family = paint.Lead.Family;
        var own = (coat.MixedTo ?? paint.Lead.Colour).ToLab();
        var aim = draft.Zone.Target is not null && BaseForTarget(draft, index) is { } solved ? solved.Colour.ToLab() : own;
        return [.. shelf.Materials
            .Where(m => m.Family == family && m.Effect == paint.Lead.Effect && m.Id != coat.Material?.Id)
            .OrderBy(m => ColourDifference.Ciede2000(aim, m.Colour.ToLab()))
            .Take(mostTried)
            .Select(m =>
            {
                var end = Predictor.WalkTo(draft.Replace((coat with { MixedTo = null }).Of(m)), draft.Coats.Count, faceOnly: true).Colour((int)ReliefHeight.Face);
                return new NearMaterial(m, ColourDifference.Ciede2000(end.ToLab(), goal), end.ToSrgb());
            })
            .OrderBy(n => n.DeltaE)
            .Take(count)];
    }
}
