using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>How bad a finding is.</summary>
public enum Severity
{
    /// <summary>Will ruin it.</summary>
    Stop,

    /// <summary>May spoil it.</summary>
    Risk,

    /// <summary>Advice.</summary>
    Note,
}

/// <summary>One way to mend a finding: a single edit of the stack, one step of undo.</summary>
/// <param name="Id">Name of the mend within its finding.</param>
/// <param name="Label">What the painter reads on the key.</param>
/// <param name="Apply">The stack with the mend made.</param>
public sealed record Mend(string Id, string Label, Func<StackDraft> Apply);

/// <summary>What a rule found.</summary>
public sealed class Finding
{
    private readonly Lazy<IReadOnlyList<Mend>> mends;

    internal Finding(string rule, Severity severity, Guid coatId, int gap, string what, string why, Func<IEnumerable<Mend>> mends, string aspect = "")
    {
        Aspect = aspect;
        Rule = rule;
        Severity = severity;
        CoatId = coatId;
        Gap = gap;
        What = what;
        Why = why;
        this.mends = new(() => [.. mends()]);
    }

    /// <summary>Id of the rule.</summary>
    public string Rule { get; }

    /// <summary>Which of several faults that the rule can find on one coat; mostly empty.</summary>
    public string Aspect { get; }

    /// <summary>How bad.</summary>
    public Severity Severity { get; }

    /// <summary>The coat it is about.</summary>
    public Guid CoatId { get; }

    /// <summary>The gap it sits in: gap g lies under coat g; the count of coats is the gap on top.</summary>
    public int Gap { get; }

    /// <summary>One plain sentence: what.</summary>
    public string What { get; }

    /// <summary>One plain sentence: why.</summary>
    public string Why { get; }

    /// <summary>Ways out. Worked out when first read, as some of them solve for a colour.</summary>
    public IReadOnlyList<Mend> Mends => mends.Value;
}
