using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>A zone of a piece with its stack.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Stack">Its stack, on all copies.</param>
/// <param name="Touches">Zones that it touches.</param>
public sealed record PieceZone(Guid Id, string Name, StackDraft Stack, IReadOnlyList<Guid> Touches);

/// <summary>Two faces that fit against each other.</summary>
/// <param name="A">A zone.</param>
/// <param name="B">The other.</param>
/// <param name="ClearanceMm">Room between both bare faces, mm.</param>
public sealed record Join(Guid A, Guid B, double ClearanceMm);

/// <summary>A part that is fitted in the course of the work.</summary>
/// <param name="Name">What is fitted.</param>
/// <param name="Closes">Zones that no brush reaches afterwards.</param>
/// <param name="AfterZone">The zone after whose coat it is done; null before all of them.</param>
/// <param name="AfterCoat">That coat; null for the last one of the zone.</param>
public sealed record AssemblyStep(string Name, IReadOnlyList<Guid> Closes, Guid? AfterZone, Guid? AfterCoat);

/// <summary>All zones of a piece with their stacks, in the order in which they are painted.</summary>
/// <param name="Zones">Zones.</param>
/// <param name="Joins">Faces that fit against each other.</param>
/// <param name="Steps">Parts that are fitted.</param>
public sealed record PieceStacks(IReadOnlyList<PieceZone> Zones, IReadOnlyList<Join> Joins, IReadOnlyList<AssemblyStep> Steps)
{
    /// <summary>Most zones of a piece.</summary>
    public const int MostZones = 60;
}

/// <summary>What a rule found on a piece, before it is placed.</summary>
/// <param name="Severity">How bad.</param>
/// <param name="Zone">Place of the zone that it is about.</param>
/// <param name="Coat">Place of the coat in its stack.</param>
/// <param name="What">One plain sentence: what will be seen.</param>
/// <param name="Why">One plain sentence: why.</param>
/// <param name="Advice">What can be done about it.</param>
public sealed record PieceFault(Severity Severity, int Zone, int Coat, string What, string Why, string Advice)
{
    /// <summary>Another zone that it is about; -1 for none.</summary>
    public int With { get; init; } = -1;

    /// <summary>The figure behind it; empty where there is none.</summary>
    public string Figure { get; init; } = "";

    /// <summary>Minutes that it costs on all copies, where it does.</summary>
    public double Minutes { get; init; }
}

/// <summary>What a rule found on a piece.</summary>
/// <param name="Rule">The rule.</param>
/// <param name="Fault">What.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="WithId">Another zone that it is about; null for none.</param>
/// <param name="Mark">What the coat is: an answer "I know" rests while this stays the same.</param>
/// <param name="Rests">Why the painter lets it rest; null where it speaks.</param>
public sealed record PieceFinding(PieceRule Rule, PieceFault Fault, Guid ZoneId, Guid CoatId, Guid? WithId, string Mark, string? Rests);

/// <summary>A rule that looks at all zones of a piece.</summary>
/// <param name="Id">Its id, as in the documentation.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Severities">How bad its findings can be.</param>
/// <param name="About">One sentence for the book: when it speaks.</param>
public sealed record PieceRule(string Id, string Title, Severity[] Severities, string About) : BookRule(Id, Title, Severities, About)
{
    /// <inheritdoc/>
    public override Scope Scope => Scope.Piece;

    /// <summary>Its check of a piece.</summary>
    public required Func<PieceReading, IEnumerable<PieceFault>> Check { get; init; }
}
