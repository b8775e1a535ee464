using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>What a rule reads of a stack, so that one whose facts are not there is passed over.</summary>
[Flags]
public enum Reads
{
    /// <summary>Techniques, families and their order.</summary>
    Order = 0,

    /// <summary>What the stack will look like.</summary>
    Look = 1,

    /// <summary>How long coats wait for each other.</summary>
    Waits = 2,
}

/// <summary>One way to mend a finding: a single edit of the stack, one step of undo.</summary>
/// <param name="Id">Name of the mend within its finding.</param>
/// <param name="Label">What the painter reads on the key.</param>
/// <param name="Draft">The stack with the mend made.</param>
public sealed record Mend(string Id, string Label, StackDraft Draft)
{
    /// <summary>The painter's own choice of a material or a coat goes with it.</summary>
    public bool GivesUpChoice { get; init; }
}

/// <summary>What mends may work with.</summary>
/// <param name="Reading">The stack.</param>
/// <param name="Finding">What is to be mended.</param>
/// <param name="Shelf">What may be reached for.</param>
public sealed record MendContext(Reading Reading, Finding Finding, Shelf Shelf)
{
    /// <summary>The stack.</summary>
    public StackDraft Draft => Reading.Draft;

    /// <summary>Place of the coat that the finding is about.</summary>
    public int At => Finding.Fault.At;

    /// <summary>That coat.</summary>
    public Coat Coat => Reading.Draft.Coats[Finding.Fault.At];
}

/// <summary>Where a rule looks.</summary>
public enum Scope
{
    /// <summary>At the stack of one zone.</summary>
    Stack,

    /// <summary>At all zones of a piece.</summary>
    Piece,

    /// <summary>At the times between steps: in the plan, at the bench and in the log.</summary>
    Evening,
}

/// <summary>What the book says of a rule, wherever it looks. A rule is a value with all that is asked of it: one rule, one file, found by itself.</summary>
/// <param name="Id">Its id, as in the documentation.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Severities">How bad its findings can be.</param>
/// <param name="About">One sentence for the book: when it speaks.</param>
public abstract record BookRule(string Id, string Title, Severity[] Severities, string About)
{
    /// <summary>Where it looks.</summary>
    public abstract Scope Scope { get; }

    /// <summary>Preferences that it follows, by the ids of their questions.</summary>
    public string[] Schools { get; init; } = [];
}

/// <summary>A rule that looks at the stack of one zone.</summary>
/// <param name="Id">Its id, as in the documentation.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Severities">How bad its findings can be.</param>
/// <param name="Reads">What it reads.</param>
/// <param name="About">One sentence for the book: when it speaks.</param>
public sealed record Rule(string Id, string Title, Severity[] Severities, Reads Reads, string About) : BookRule(Id, Title, Severities, About)
{
    /// <inheritdoc/>
    public override Scope Scope => Scope.Stack;

    /// <summary>Its check of a stack.</summary>
    public required Func<Reading, IEnumerable<Fault>> Check { get; init; }

    /// <summary>Its mends, the ones first that leave most as it is.</summary>
    public Func<MendContext, IEnumerable<Mend>> Mends { get; init; } = static _ => [];

    /// <summary>Whether it can find more than advice.</summary>
    public bool CanAlarm => Array.Exists(Severities, s => s != Severity.Note);
}
