using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Mending;

/// <summary>What another answer to a question of schools does to the stacks of a bench.</summary>
/// <param name="School">The question.</param>
/// <param name="Value">The answer.</param>
/// <param name="Cost">What all stacks cost more once they follow it; less than nothing where they cost less.</param>
/// <param name="Asked">Findings that speak under it and did not before.</param>
/// <param name="Spared">Findings that no longer speak.</param>
/// <param name="Touched">Stacks in which something changes.</param>
/// <param name="FarthestMove">dE00 by which the finished colour that moves farthest does.</param>
public sealed record SchoolEffect(string School, string Value, StackCost Cost, int Asked, int Spared, int Touched, double FarthestMove);

/// <summary>Works out what each choice among schools buys and costs on a bench: its stacks are read under both answers, what is newly asked for is mended, and coats that only the old answer asked for are left out.</summary>
public static class SchoolEffects
{
    // What is mended is what the answer asks for; more rounds than these are a search of their own.
    private const int MostMends = 4;

    // A difference that nobody would see on a plan.
    private const double LeastMinutes = 0.5;
    private const double LeastMove = 0.5;

    /// <summary>The effects of the other answers to one question.</summary>
    /// <param name="school">The question.</param>
    /// <param name="stacks">The stacks of the bench, under its preferences, each with how often it is there.</param>
    /// <param name="shelf">What mends may reach for.</param>
    /// <param name="cancel">Nobody waits for the answer any more.</param>
    public static IReadOnlyList<SchoolEffect> Of(School school, IReadOnlyList<(StackDraft Stack, int Times)> stacks, Shelf shelf, CancellationToken cancel = default) =>
        [.. school.Choices.Select(c => Of(school, c.Value, stacks, shelf, cancel))];

    private static SchoolEffect Of(School school, string value, IReadOnlyList<(StackDraft Stack, int Times)> stacks, Shelf shelf, CancellationToken cancel)
    {
        var cost = new StackCost(0, 0, 0, 0);
        int asked = 0, spared = 0, touched = 0;
        var farthest = 0.0;
        foreach (var (stack, times) in stacks)
        {
            cancel.ThrowIfCancellationRequested();
            if (SchoolBook.ValueOf(stack.Schools, school.Id) == value)
            {
                continue;
            }

            var change = Change(school, value, stack, shelf);
            if (!change.Touches)
            {
                continue;
            }

            var more = change.Cost;
            cost = new(cost.WaitingMin + (times * more.WaitingMin), cost.HandsOnMin + (times * more.HandsOnMin), cost.Ml + (times * more.Ml), cost.Coats + (times * more.Coats));
            (asked, spared, touched) = (asked + (times * change.Asked), spared + (times * change.Spared), touched + times);
            farthest = Math.Max(farthest, change.Moved);
        }

        return new(school.Id, value, cost, asked, spared, touched, farthest);
    }

    private sealed record StackChange(StackCost Cost, int Asked, int Spared, double Moved)
    {
        public bool Touches => Asked > 0 || Spared > 0 || Cost.Coats != 0 || Moved >= LeastMove || Math.Abs(Cost.HandsOnMin) >= LeastMinutes || Math.Abs(Cost.WaitingMin) >= LeastMinutes;
    }

    private static StackChange Change(School school, string value, StackDraft stack, Shelf shelf)
    {
        var now = Read(stack);
        var then = Read(stack with { Schools = SchoolBook.With(stack.Schools, school.Id, value) });
        var (before, after) = (Named(now, school), Named(then, school));
        var asked = after.Where(f => IsNew([f], before)).ToList();
        var spared = before.Count(b => IsNew([b], after));
        var moved = Enum.GetValues<ReliefHeight>().Max(h => ColourDifference.Ciede2000(now.Prediction.Top.At((int)h).Lab, then.Prediction.Top.At((int)h).Lab));
        var end = Mended(Spared(now, then, school), school, asked, shelf);
        return new(StackCost.Of(now).To(StackCost.Of(end)), asked.Count, spared, moved);
    }

    // Coats without colour that the old answer asked for and the new one does not.
    private static Reading Spared(Reading now, Reading then, School school)
    {
        foreach (var coat in then.Draft.Coats.Where(c => !c.Skipped && c.LeavesFilm && c.How.ColourFree).ToList())
        {
            var without = Read(then.Draft.Remove(c => c.Id == coat.Id));
            if (IsNew(Named(Read(now.Draft.Remove(c => c.Id == coat.Id)), school), Named(now, school)) && !IsNew(RuleBook.Read(without), RuleBook.Read(then)))
            {
                then = without;
            }
        }

        return then;
    }

    private static Reading Mended(Reading reading, School school, List<Finding> asked, Shelf shelf)
    {
        for (var i = 0; i < MostMends; i++)
        {
            var finding = Named(reading, school).FirstOrDefault(f => asked.Any(a => a.SameAs(f)));
            if (finding is null || RankedMends.Of(reading, finding, shelf) is not [var best, ..])
            {
                break;
            }

            reading = Read(best.Mend.Draft);
        }

        return reading;
    }

    private static Reading Read(StackDraft draft) => new(draft, Predictor.PredictMiddle(draft));

    private static List<Finding> Named(Reading reading, School school) => [.. RuleBook.Read(reading).Where(f => f.Rests is null && f.Rule.Schools.Contains(school.Id))];

    private static bool IsNew(IEnumerable<Finding> after, IReadOnlyList<Finding> before) => after.Any(f => !before.Any(b => b.SameAs(f) && b.Severity <= f.Severity));
}
