using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Mending;

/// <summary>One mend of a search.</summary>
/// <param name="Finding">What it mends, in the stack as the steps before have left it.</param>
/// <param name="Label">What it does.</param>
public sealed record MendStep(Finding Finding, string Label);

/// <summary>A stack mended all over, beside what it was.</summary>
/// <param name="Draft">The mended stack.</param>
/// <param name="Steps">The mends, in their order.</param>
/// <param name="Before">How the stack stood.</param>
/// <param name="After">How it stands.</param>
/// <param name="CostBefore">What it cost.</param>
/// <param name="CostAfter">What it costs.</param>
/// <param name="Moved">dE00 by which recess, face and edge end elsewhere.</param>
/// <param name="Evaluations">Stacks that were tried.</param>
public sealed record MendedAll(
    StackDraft Draft, IReadOnlyList<MendStep> Steps, Outcome Before, Outcome After, StackCost CostBefore, StackCost CostAfter, ByHeight<double> Moved, int Evaluations);

/// <summary>Searches for the mends that leave no stop and no risk at the least cost.</summary>
/// <remarks>
/// Best first (Hart, Nilsson and Raphael 1968, with an estimate that is not a bound): the stack with the least of hours added, coats added,
/// choices given up and alarms left is looked at next, and none twice. By a middle hand alone. It ends with the first stack that is sound;
/// else with the best that has no more stops and no more risks than before.
/// </remarks>
public static class MendAll
{
    /// <summary>Most stacks that are tried.</summary>
    public const int MostEvaluations = 1000;

    // Prices in hours. Craft estimates, found by trying thousands of stacks.
    private const double CoatHours = 3;
    private const double PassHours = 0.5;
    private const double StopHours = 14;
    private const double RiskHours = 8;
    private const double ChoiceHours = RankedMends.ChoiceMin / 60;

    /// <summary>Alarms of a stack that are mended from: the worst and the lowest.</summary>
    private const int AlarmsAtOnce = 3;

    /// <summary>Mends a stack all over.</summary>
    /// <param name="draft">The stack.</param>
    /// <param name="shelf">What may be reached for.</param>
    public static MendedAll Of(StackDraft draft, Shelf shelf)
    {
        var search = new Search(draft, shelf);
        var best = search.Run();
        var (before, after) = (search.Start.Reading, best.Reading);
        var (top, end) = (before.Prediction.Top, after.Prediction.Top);
        return new(
            best.Reading.Draft,
            best.Steps(),
            Outcome.Of(RuleBook.Read(before)),
            Outcome.Of(RuleBook.Read(after)),
            StackCost.Of(before),
            StackCost.Of(after),
            new(ColourDifference.Ciede2000(top.Recess.Lab, end.Recess.Lab), ColourDifference.Ciede2000(top.Face.Lab, end.Face.Lab), ColourDifference.Ciede2000(top.Edge.Lab, end.Edge.Lab)),
            search.Evaluations);
    }

    private sealed record Node(Reading Reading, IReadOnlyList<Finding> Alarms, Node? From, MendStep? Step, double Choices)
    {
        public int Stops { get; } = Alarms.Count(f => f.Severity == Severity.Stop);

        public int Risks => Alarms.Count - Stops;

        public IReadOnlyList<MendStep> Steps()
        {
            var steps = new List<MendStep>();
            for (var node = this; node.Step is not null; node = node.From!)
            {
                steps.Insert(0, node.Step);
            }

            return steps;
        }
    }

    private sealed class Search(StackDraft draft, Shelf shelf)
    {
        private readonly HashSet<ulong> seen = [CoatMark.OfStack(draft)];
        private readonly PriorityQueue<Node, (double Cost, int Order)> open = new();
        private readonly int passes = Passes(draft);

        public Node Start { get; } = Read(draft, null, null, 0);

        public int Evaluations { get; private set; } = 1;

        public Node Run()
        {
            var best = Start;
            Offer(Start);
            while (open.TryDequeue(out var node, out _))
            {
                if (node.Alarms.Count == 0)
                {
                    return node;
                }

                if (node.Stops <= Start.Stops && node.Risks <= Start.Risks && (node.Stops, node.Risks, Hours(node)).CompareTo((best.Stops, best.Risks, Hours(best))) < 0)
                {
                    best = node;
                }

                if (Evaluations < MostEvaluations)
                {
                    Expand(node);
                }
            }

            return best;
        }

        private void Expand(Node node)
        {
            foreach (var finding in node.Alarms.Take(AlarmsAtOnce))
            {
                foreach (var mend in OwnTools.Mends(node.Reading, finding, shelf))
                {
                    if (Evaluations >= MostEvaluations)
                    {
                        return;
                    }

                    if (mend.Draft.Coats.Count > StackDraft.MostCoats || !seen.Add(CoatMark.OfStack(mend.Draft)) || mend.Draft.FirstImpossible() >= 0 || !KeepsColours(node.Reading.Draft, mend.Draft, finding))
                    {
                        continue;
                    }

                    Evaluations++;
                    Offer(Read(mend.Draft, node, new(finding, mend.Label), node.Choices + (mend.GivesUpChoice ? 1 : 0)));
                }
            }
        }

        private void Offer(Node node) => open.Enqueue(node, (Cost(node), Evaluations));

        private double Cost(Node node)
        {
            var added = node.Reading.Draft.Coats.Count - draft.Coats.Count;
            return Hours(node) + (CoatHours * Math.Max(0, added)) + (PassHours * Math.Abs(Passes(node.Reading.Draft) - passes)) + (StopHours * node.Stops) + (RiskHours * node.Risks) + (ChoiceHours * node.Choices);
        }

        private double Hours(Node node) => Math.Max(0, node.Reading.WaitingMin - Start.Reading.WaitingMin) / 60;

        private static int Passes(StackDraft draft) => draft.Coats.Sum(c => c.Skipped ? 0 : c.Passes);

        private static Node Read(StackDraft draft, Node? from, MendStep? step, double choices)
        {
            var reading = new Reading(draft, Predictor.PredictMiddle(draft));
            return new(reading, [.. RuleBook.ReadAlarms(reading).Where(f => f.Rests is null)], from, step, choices);
        }

        // Coats of colour stay in place unless the finding is about them.
        private static bool KeepsColours(StackDraft before, StackDraft after, Finding finding)
        {
            bool Counts(Coat c) => c.LeavesFilm && !c.How.ColourFree && !c.What!.Clear && c.Id != finding.CoatId && c.Id != finding.WithId;
            var kept = before.Coats.Where(Counts).Select(c => c.Id).ToList();
            var there = new HashSet<Guid>(kept);
            return after.Coats.Where(c => there.Contains(c.Id)).Select(c => c.Id).SequenceEqual(kept);
        }
    }
}
