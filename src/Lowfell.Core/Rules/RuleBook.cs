using System.Reflection;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>All rules, and the reading of a stack by them.</summary>
public static class RuleBook
{
    private static readonly BookRule[] Found = [.. typeof(RuleBook).Assembly.GetTypes()
        .SelectMany(t => t.GetFields(BindingFlags.Static | BindingFlags.Public | BindingFlags.DeclaredOnly))
        .Where(f => f.FieldType.IsSubclassOf(typeof(BookRule))).Select(f => (BookRule)f.GetValue(null)!)
        .OrderBy(r => r.Id, StringComparer.Ordinal).ThenBy(r => r.Scope)];

    /// <summary>Every rule, by id; one that looks at stacks and at evenings alike stands once. Each is a static field of a file of its own.</summary>
    public static IReadOnlyList<BookRule> Book { get; } = [.. Found.DistinctBy(r => r.Id)];

    /// <summary>The rules of a stack.</summary>
    public static IReadOnlyList<Rule> All { get; } = [.. Found.OfType<Rule>()];

    /// <summary>The rules of one kind, for who reads more than a stack.</summary>
    internal static IReadOnlyList<T> Every<T>()
        where T : BookRule => [.. Found.OfType<T>()];

    private static readonly Rule[] Alarming = [.. All.Where(r => r.CanAlarm)];

    /// <summary>A rule by its id; null where there is none.</summary>
    public static BookRule? Of(string id) => Book.FirstOrDefault(r => r.Id == id);

    /// <summary>Reads a stack with every rule: the worst first, then from below.</summary>
    /// <param name="draft">The stack.</param>
    /// <param name="prediction">Its prediction.</param>
    public static IReadOnlyList<Finding> Read(StackDraft draft, PredictedStack prediction) => Read(new Reading(draft, prediction));

    /// <summary>As above, of a reading.</summary>
    public static IReadOnlyList<Finding> Read(Reading reading) => Read(reading, All);

    /// <summary>Stops and risks alone, as the search for mends asks for them.</summary>
    public static IReadOnlyList<Finding> ReadAlarms(Reading reading)
    {
        var findings = Read(reading, Alarming);
        findings.RemoveAll(f => f.Severity == Severity.Note);
        return findings;
    }

    private static List<Finding> Read(Reading reading, IReadOnlyList<Rule> rules)
    {
        var findings = new List<Finding>();
        foreach (var rule in rules)
        {
            foreach (var fault in rule.Check(reading))
            {
                findings.Add(Placed(rule, fault, reading.Draft));
            }
        }

        if (findings.Count > 1)
        {
            findings.Sort(static (a, b) => a.Severity != b.Severity ? a.Severity.CompareTo(b.Severity) : a.Gap != b.Gap ? a.Gap.CompareTo(b.Gap) : string.CompareOrdinal(a.Rule.Id, b.Rule.Id));
        }

        return findings;
    }

    private static Finding Placed(Rule rule, Fault fault, StackDraft draft)
    {
        var coat = draft.Coats[fault.At];
        var mark = CoatMark.Of(draft, fault.At, fault.With);
        string? rests = null;
        foreach (var known in coat.Known)
        {
            if (known.Rule == rule.Id && known.Aspect == fault.Aspect && known.Mark == mark)
            {
                rests = known.Reason;
            }
        }

        return new(rule, fault, coat.Id, fault.Gap ?? fault.At, mark, rests) { WithId = fault.With < 0 ? null : draft.Coats[fault.With].Id };
    }
}
