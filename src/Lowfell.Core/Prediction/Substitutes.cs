using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Prediction;

/// <summary>A material in the place of another, judged by what the stacks that use it would look like.</summary>
/// <param name="Material">The substitute.</param>
/// <param name="MeanDeltaE">dE00 between the finished zone with and without it, over recess, face and edge by their shares, mean of the stacks.</param>
/// <param name="WorstDeltaE">The same of the stack that suffers most.</param>
/// <param name="WorstStack">Place of that stack in the list that was given.</param>
public sealed record Substitute(Material Material, double MeanDeltaE, double WorstDeltaE, int WorstStack);

/// <summary>Ranks substitutes for a material by predicted result, not by swatch.</summary>
public static class Substitutes
{
    /// <summary>The best substitutes, the nearest first.</summary>
    /// <param name="materialId">What is to be replaced.</param>
    /// <param name="stacks">Stacks; those that do not use it are passed over.</param>
    /// <param name="candidates">What there is.</param>
    /// <param name="count">How many to give.</param>
    public static IReadOnlyList<Substitute> Rank(Guid materialId, IReadOnlyList<StackDraft> stacks, IReadOnlyList<Material> candidates, int count)
    {
        var trials = stacks.Select((s, i) => Trial.Of(s, i, materialId)).OfType<Trial>().ToList();
        if (trials.Count == 0)
        {
            return [];
        }

        var own = trials[0].Replaced;
        return [.. candidates
            .Where(m => m.Id != materialId && m.Family == own.Family && m.Effect == own.Effect)
            .AsParallel().AsOrdered()
            .Select(m =>
            {
                var off = trials.Select(t => t.DeltaE(m)).ToList();
                var worst = off.IndexOf(off.Max());
                return new Substitute(m, off.Average(), off[worst], trials[worst].Place);
            })
            .OrderBy(s => s.MeanDeltaE).ThenBy(s => s.Material.Name, StringComparer.Ordinal)
            .Take(count)];
    }

    /// <summary>A stack with one material in the place of another throughout.</summary>
    public static StackDraft InPlaceOf(StackDraft draft, Guid materialId, Material other) => draft with { Coats = [.. draft.Coats.Select(c => With(c, materialId, other))] };

    /// <summary>A coat with one material in the place of another, also within its mix; the coat itself where it does not hold it.</summary>
    internal static Coat With(Coat coat, Guid materialId, Material other)
    {
        if (coat.Paint is not { } paint || !paint.Content.Materials.Any(m => m.Material.Id == materialId))
        {
            return coat;
        }

        return coat.Material?.Id == materialId ? (other.Id == materialId ? coat : coat with { MixedTo = null }).Of(other) : coat with { Paint = paint.With(materialId, other) };
    }

    /// <summary>One stack, walked up to the first coat that changes; what comes above is made ready once.</summary>
    private sealed class Trial
    {
        private readonly StackWalk below;
        private readonly (Coat Coat, PreparedCoat Ready, bool Worked, Paint? Residue, bool Changes)[] above;
        private readonly Zone zone;
        private readonly Guid materialId;
        private readonly Lab[] goal;

        private Trial(StackDraft draft, int place, Guid materialId, int first, Material replaced)
        {
            (Place, Replaced, zone, this.materialId) = (place, replaced, draft.Zone, materialId);
            below = Predictor.WalkTo(draft, first);
            above = [.. Enumerable.Range(first, draft.Coats.Count - first).Where(i => !draft.Coats[i].Skipped).Select(i =>
            {
                var coat = draft.Coats[i];
                var residue = Predictor.Residue(draft, i);
                bool Holds(Paint? paint) => paint?.Content.Materials.Any(m => m.Material.Id == materialId) == true;
                return (coat, Predictor.Prepare(draft, i, null), Predictor.IsWorked(draft, i), residue, Holds(coat.Paint) || Holds(residue));
            })];
            var end = below.Copy();
            foreach (var step in above)
            {
                end.Lay(step.Ready, step.Worked);
            }

            goal = [.. Enumerable.Range(0, 3).Select(h => end.Colour(h).ToLab())];
        }

        public int Place { get; }

        public Material Replaced { get; }

        public static Trial? Of(StackDraft draft, int place, Guid materialId)
        {
            for (var i = 0; i < draft.Coats.Count; i++)
            {
                if (!draft.Coats[i].Skipped && draft.Coats[i].Paint?.Content.Materials.FirstOrDefault(m => m.Material.Id == materialId).Material is { } replaced)
                {
                    return new(draft, place, materialId, i, replaced);
                }
            }

            return null;
        }

        public double DeltaE(Material other)
        {
            var walk = below.Copy();
            foreach (var (coat, ready, worked, residue, changes) in above)
            {
                walk.Lay(changes ? PreparedCoat.Of(With(coat, materialId, other), zone, residue?.With(materialId, other), ready.Share) : ready, worked);
            }

            var off = 0.0;
            var shares = zone.HeightShares;
            for (var h = 0; h < goal.Length; h++)
            {
                off += shares[h] * ColourDifference.Ciede2000(walk.Colour(h).ToLab(), goal[h]);
            }

            return off;
        }
    }
}
