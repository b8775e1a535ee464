using Lowfell.Core.Evenings.Steps;

namespace Lowfell.Core.Evenings.Facts;

/// <summary>When a step was done on a copy, or left out for good.</summary>
/// <param name="AtMin">When, minutes from the plan's origin.</param>
/// <param name="Skipped">It was left out.</param>
/// <param name="Minutes">Hands-on minutes, where they were measured.</param>
public readonly record struct StepDone(double AtMin, bool Skipped, double? Minutes);

/// <summary>What the log says is done. Later entries count over earlier ones; nothing is ever taken out of the log.</summary>
public sealed class DoneSteps
{
    private readonly Dictionary<CopyStep, StepDone> done = [];

    /// <summary>Replays a log.</summary>
    /// <param name="log">Its entries in the order of their times.</param>
    public DoneSteps(IEnumerable<LogFact> log)
    {
        foreach (var fact in log)
        {
            switch (fact.Kind)
            {
                case LogKind.Done or LogKind.Skipped:
                    done[fact.On] = new(fact.AtMin, fact.Kind == LogKind.Skipped, fact.Minutes);
                    break;
                case LogKind.TakenBack:
                    done.Remove(fact.On);
                    break;
            }
        }
    }

    /// <summary>All that is off the list: done or left out.</summary>
    public IReadOnlyDictionary<CopyStep, StepDone> All => done;

    /// <summary>Whether a step was written down as done or left out on a copy.</summary>
    public bool Knows(CopyStep step) => done.ContainsKey(step);

    /// <summary>When it was done or left out; null where it is open.</summary>
    public StepDone? Of(CopyStep step) => done.TryGetValue(step, out var it) ? it : null;

    /// <summary>When it was really done, minutes from the plan's origin; null where it was not, or was left out.</summary>
    public double? DoneAt(CopyStep step) => Of(step) is { Skipped: false } it ? it.AtMin : null;

    /// <summary>
    /// Whether a step of a zone is off the list on a copy: written down, left out, or, for cleaning up, masking and unmasking, done as far as what comes after it tells; a mend of other copies is.
    /// </summary>
    /// <param name="zoneId">The zone.</param>
    /// <param name="steps">Its steps.</param>
    /// <param name="place">Place of the step.</param>
    /// <param name="copy">The copy.</param>
    public bool IsOff(Guid zoneId, IReadOnlyList<Step> steps, int place, int copy)
    {
        if (Knows(steps[place].Id(zoneId).On(copy)) || !steps[place].Concerns(copy))
        {
            return true;
        }

        if (steps[place].IsBeside)
        {
            for (var later = place + 1; later < steps.Count; later++)
            {
                if (Knows(steps[later].Id(zoneId).On(copy)))
                {
                    return true;
                }
            }
        }

        return false;
    }
}
