using Lowfell.Core.Mending;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Tests.Rules;
using Xunit;

namespace Lowfell.Core.Tests.Mending;

/// <summary>Mends on stacks of everyday work with faults planted: they help, and make nothing worse.</summary>
public sealed class MendTests
{
    private static readonly int Stacks = Long.Times(2000);
    private const double Clean = 0.97;
    private const double AtFirst = 0.6;

    private sealed record Outcomes(int Seed, string Planted, StackDraft Stack, MendedAll Mended)
    {
        public bool Began => !Mended.Before.IsSound;

        public double Hours => Math.Max(0, Mended.CostBefore.To(Mended.CostAfter).WaitingMin) / 60;

        public int Coats => Mended.CostAfter.Coats - Mended.CostBefore.Coats;
    }

    private static readonly Lazy<Outcomes[]> All = new(() => [.. Enumerable.Range(1, Stacks).AsParallel().AsOrdered().Select(seed =>
    {
        var (stack, planted) = FaultyStacks.Of(seed);
        return new Outcomes(seed, planted, stack, MendAll.Of(stack, Build.Shelf));
    })]);

    [Fact]
    public void Most_of_the_planted_faults_are_found()
    {
        var began = All.Value.Count(o => o.Began);
        Assert.True(began >= AtFirst * Stacks, $"{began} of {Stacks} begin with a stop or risk");
    }

    [Fact]
    public void Mending_all_leaves_nearly_every_stack_without_stop_or_risk()
    {
        var left = All.Value.Where(o => !o.Mended.After.IsSound).ToList();
        Assert.True(left.Count <= (1 - Clean) * Stacks, $"{left.Count} of {Stacks} are left; the smallest: {Smallest(left)}");
    }

    [Fact]
    public void No_stack_is_left_with_more_stops_or_risks_than_before() =>
        None(o => o.Mended.After.Stops > o.Mended.Before.Stops || o.Mended.After.Risks > o.Mended.Before.Risks);

    [Fact]
    public void What_is_mended_stays_mended() => None(o =>
    {
        var again = MendAll.Of(o.Mended.Draft, Build.Shelf);
        return o.Mended.After.IsSound && again.Steps.Count > 0;
    });

    [Fact]
    public void Coats_of_colour_stay_in_their_order_unless_a_finding_is_about_them() => None(o =>
    {
        var touched = o.Mended.Steps.SelectMany(s => new[] { s.Finding.CoatId, s.Finding.WithId ?? s.Finding.CoatId }).ToHashSet();
        Guid[] Kept(StackDraft stack) => [.. stack.Coats.Where(c => c.LeavesFilm && !c.How.ColourFree && !c.What!.Clear && !touched.Contains(c.Id) && o.Stack.Coats.Any(b => b.Id == c.Id)).Select(c => c.Id)];
        return !Kept(o.Stack).SequenceEqual(Kept(o.Mended.Draft));
    });

    [Fact]
    public void It_costs_little()
    {
        var mended = All.Value.Where(o => o.Began && o.Mended.After.IsSound).ToList();
        Assert.InRange(Part(mended.Select(o => o.Hours), 0.5), 0, 1);
        Assert.True(Part(mended.Select(o => (double)o.Coats), 0.5) <= 0, "half of them need a coat more");
        Assert.InRange(Part(mended.Select(o => o.Hours), 0.95), 0, 24);
    }

    [Fact]
    public void A_sound_stack_is_left_as_it_is() => None(o => !o.Began && (o.Mended.Steps.Count > 0 || !ReferenceEquals(o.Mended.Draft, o.Stack) && o.Mended.Draft.Coats.Count != o.Stack.Coats.Count));

    [Fact]
    public void Every_mend_on_offer_is_rid_of_its_finding_and_brings_no_stop_or_risk()
    {
        foreach (var o in All.Value.Where(o => o.Began).Take(60))
        {
            var reading = new Reading(o.Stack, Predictor.Predict(o.Stack));
            var before = RuleBook.Read(reading);
            foreach (var finding in before.Where(f => f.Severity != Severity.Note))
            {
                foreach (var mend in RankedMends.Of(reading, finding, Build.Shelf))
                {
                    var after = mend.Mend.Draft.Read();
                    Assert.DoesNotContain(after, f => f.SameAs(finding));
                    Assert.True(after.Where(f => f.Severity != Severity.Note).All(f => before.Any(b => b.SameAs(f) && b.Severity <= f.Severity)), $"seed {o.Seed}: {mend.Mend.Label} for {finding.Rule.Id} brings {string.Join(", ", after.Select(f => f.Rule.Id))}");
                }
            }
        }
    }

    [Fact]
    public void Mends_are_ranked_by_what_they_lead_to()
    {
        foreach (var o in All.Value.Where(o => o.Began).Take(60))
        {
            var reading = new Reading(o.Stack, Predictor.Predict(o.Stack));
            var ranked = RuleBook.Read(reading).Where(f => f.Severity != Severity.Note).Select(f => RankedMends.Of(reading, f, Build.Shelf));
            Assert.All(ranked, mends => Assert.Equal(mends.Select(m => m.After).Order(), mends.Select(m => m.After)));
        }
    }

    [Fact]
    public void Everyday_stacks_have_nothing_to_mend_by_themselves()
    {
        foreach (var stack in TextbookStack.Everyday)
        {
            Assert.Empty(MendAll.Of(stack.Draft, Build.Shelf).Steps);
        }
    }

    [Fact]
    public void A_fault_of_the_textbook_is_mended_for_good()
    {
        foreach (var stack in TextbookStack.Faulty.Where(s => s.AtLeast != Severity.Note))
        {
            var mended = MendAll.Of(stack.Draft, Build.Shelf);
            Assert.True(mended.After.IsSound, $"{stack.Name}: {string.Join("; ", mended.Steps.Select(s => s.Label))} leaves {mended.After}");
        }
    }

    private static void None(Func<Outcomes, bool> fails)
    {
        var failing = All.Value.Where(fails).ToList();
        Assert.True(failing.Count == 0, $"{failing.Count} fail; the smallest: {Smallest(failing)}");
    }

    private static string Smallest(IEnumerable<Outcomes> failing)
    {
        var small = failing.MinBy(o => o.Stack.Coats.Count);
        return small is null ? "none" : $"seed {small.Seed} ({small.Planted}):\n{string.Join("\n", small.Stack.Coats.Select(c => $"  {c.Technique} {c.Family} {c.Dilution.PaintFraction:0.00} {c.Thinner} wait {c.OwnWaitMin}"))}\n  {small.Mended.Before} to {small.Mended.After} by {string.Join("; ", small.Mended.Steps.Select(s => s.Label))}\n  found: {string.Join("; ", small.Mended.Draft.Read().Select(f => $"{f.Severity} {f.Rule.Id}"))}";
    }

    private static double Part(IEnumerable<double> values, double part)
    {
        var sorted = values.Order().ToList();
        return sorted[(int)(part * (sorted.Count - 1))];
    }
}
