using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Prediction;

/// <summary>A coat as it looks while it is wet, and once it is dry.</summary>
/// <param name="Wet">Just laid on.</param>
/// <param name="Dry">Dry.</param>
/// <param name="Says">How it changes as it dries, in words.</param>
public sealed record WetCoat(ByHeight<Srgb> Wet, ByHeight<Srgb> Dry, string Says)
{
    // A wet film has not sunk in: so many times as thick as what settles, at recess, face and edge. Craft estimates.
    private static readonly double[] Stands = [1, 1.5, 2];

    // Under this nobody sees it dry, dE00.
    private const double Unseen = 1;

    /// <summary>The last pass of a coat wet over all that is dry below it; null for what is never wet, or leaves no colour that could change.</summary>
    /// <param name="draft">The stack.</param>
    /// <param name="index">The coat.</param>
    public static WetCoat? Of(StackDraft draft, int index)
    {
        ArgumentNullException.ThrowIfNull(draft);
        var coat = draft.Coats[index];
        if (coat.Skipped || !coat.LeavesFilm || !StackDraft.WasWet(coat) || coat.What!.Kind is Kind.Glue or Kind.Grit or Kind.Plants)
        {
            return null;
        }

        var below = Predictor.WalkTo(draft, index);
        var (wet, dry) = (below.Copy(), below);
        dry.Lay(Predictor.Prepare(draft, index, null));
        if (coat.Passes > 1)
        {
            wet.Lay(Predictor.Prepare(draft.Replace(coat with { Passes = coat.Passes - 1 }), index, null));
        }

        for (var h = 0; h < Stands.Length; h++)
        {
            var ready = Predictor.Prepare(draft.Replace(coat with { Passes = 1, Hand = coat.Hand * Stands[h] }), index, null);
            if (ready.Optics is not { } optics)
            {
                return null;
            }

            wet.LayAt(h, ready.With(optics[h].Wet(coat.Paint!.Lead.WetScatter, Surface.WetTerm)), ready.Deposit.Coverage[h], 1);
        }

        ByHeight<Srgb> Look(StackWalk walk) => new(walk.Colour(0).ToSrgb(), walk.Colour(1).ToSrgb(), walk.Colour(2).ToSrgb());
        var (from, to) = (Look(wet), Look(dry));
        return new(from, to, Words(from, to, coat.Paint!.Lead.WetScatter > 1));
    }

    /// <summary>How much a wet film scatters, from a stripe over black that was read while it was wet and is known dry.</summary>
    /// <param name="material">The material.</param>
    /// <param name="wetOverBlack">What was read.</param>
    /// <param name="dryFilmUm">Film that it dries to, um, above 0.</param>
    /// <returns>Between the bounds of such a factor: over black more scatter is always lighter, so it is halved down to (bisection).</returns>
    public static double ScatterFrom(Material material, Srgb wetOverBlack, double dryFilmUm)
    {
        ArgumentNullException.ThrowIfNull(material);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(dryFilmUm);
        var wanted = wetOverBlack.ToLinear().Luminance;
        var optics = Paint.Of(material).Optics[1];
        double Luminance(double factor)
        {
            var card = StackWalk.OnCard(Cards.Black);
            card.LayFilm(1, optics.Wet(factor, Surface.WetTerm), dryFilmUm * Stands[1]);
            return card.Colour(1).Luminance;
        }

        double low = Math.Log(WetScatterBoundAttribute.Least), high = Math.Log(WetScatterBoundAttribute.Most);
        for (var step = 0; step < 40; step++)
        {
            var middle = (low + high) / 2;
            if (Luminance(Math.Exp(middle)) < wanted)
            {
                low = middle;
            }
            else
            {
                high = middle;
            }
        }

        return Math.Exp((low + high) / 2);
    }

    // Told of the height that changes most.
    private static string Words(ByHeight<Srgb> wet, ByHeight<Srgb> dry, bool milky)
    {
        var most = Enumerable.Range(0, 3).MaxBy(h => ColourDifference.Ciede2000(wet[h].ToLab(), dry[h].ToLab()));
        var (from, to) = (wet[most].ToLab(), dry[most].ToLab());
        var off = ColourDifference.Ciede2000(from, to);
        if (off < Unseen)
        {
            return "Dries as it looks.";
        }

        var amount = DifferenceWords.Unlike(off) ? DifferenceWords.Amount(off) : "a trace";
        var where = new[] { "in the recess", "on the face", "on the edge" }[most];
        return $"Dries {(milky ? "clear, " : "")}{amount} {(to.L > from.L ? "paler" : "darker")} {where}.";
    }
}
