namespace Lowfell.Core.Rules;

/// <summary>What a check found, before it is placed in its stack.</summary>
/// <param name="Severity">How bad.</param>
/// <param name="At">Place of the coat that it is about.</param>
/// <param name="What">One plain sentence: what will be seen. Under 120 characters, without figures of science.</param>
/// <param name="Why">One plain sentence: why.</param>
public sealed record Fault(Severity Severity, int At, string What, string Why)
{
    /// <summary>The gap it sits in: gap g lies under coat g; the count of coats is the gap on top. Where not said, under its coat.</summary>
    public int? Gap { get; init; }

    /// <summary>Which of several faults that the rule can find on one coat; mostly empty.</summary>
    public string Aspect { get; init; } = "";

    /// <summary>The figure of the craft or of science that stands behind the sentence; empty where there is none.</summary>
    public string Figure { get; init; } = "";

    /// <summary>The school that decides, in words; empty where none does.</summary>
    public string School { get; init; } = "";

    /// <summary>Another coat that it is about; -1 for none.</summary>
    public int With { get; init; } = -1;
}

/// <summary>What a rule found in a stack.</summary>
/// <param name="Rule">The rule.</param>
/// <param name="Fault">What it found.</param>
/// <param name="CoatId">The coat it is about.</param>
/// <param name="Gap">The gap it sits in.</param>
/// <param name="Mark">What the coats are that it is about: an answer "I know" rests while this stays the same.</param>
/// <param name="Rests">Why the painter lets it rest; null where it speaks.</param>
public sealed record Finding(Rule Rule, Fault Fault, Guid CoatId, int Gap, string Mark, string? Rests)
{
    /// <summary>Another coat that it is about; null where it is about one.</summary>
    public Guid? WithId { get; init; }

    /// <summary>How bad.</summary>
    public Severity Severity => Fault.Severity;

    /// <summary>What.</summary>
    public string What => Fault.What;

    /// <summary>Why.</summary>
    public string Why => Fault.Why;

    /// <summary>Whether it is the same fault as another, of this or of an edited stack.</summary>
    public bool Is(string rule, Guid coatId, string aspect) => Rule.Id == rule && CoatId == coatId && Fault.Aspect == aspect;

    /// <summary>Whether another finding is the same fault.</summary>
    public bool SameAs(Finding other) => Is(other.Rule.Id, other.CoatId, other.Fault.Aspect);
}
