using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Rules;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>A step, and how long it comes after the step before it on the same copy.</summary>
/// <param name="Before">The step before.</param>
/// <param name="Next">The step.</param>
/// <param name="GapMin">Minutes from the end of the one to the start of the other.</param>
/// <param name="Zone">Where.</param>
public sealed record TimedStep(Step Before, Step Next, double GapMin, Zone Zone);

/// <summary>What is wrong with the time of a step.</summary>
/// <param name="Rule">The rule.</param>
/// <param name="Severity">How bad.</param>
/// <param name="What">What will be seen.</param>
/// <param name="Why">Why.</param>
/// <param name="Figure">The figure behind it.</param>
/// <param name="Remedy">What helps now; empty where nothing but waiting does.</param>
public sealed record TimeFinding(BookRule Rule, Severity Severity, string What, string Why, string Figure, string Remedy);

/// <summary>A rule that looks at the time between two steps: planned, about to be done, or written down.</summary>
/// <param name="Id">Its id, as in the documentation.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Severities">How bad its findings can be.</param>
/// <param name="About">One sentence for the book: when it speaks.</param>
public sealed record EveningRule(string Id, string Title, Severity[] Severities, string About) : BookRule(Id, Title, Severities, About)
{
    /// <inheritdoc/>
    public override Scope Scope => Scope.Evening;

    /// <summary>Its check; null where nothing is wrong.</summary>
    public required Func<TimedStep, TimeFinding?> Check { get; init; }
}

/// <summary>The time of a step, looked at by every rule of the evenings.</summary>
public static class StepTiming
{
    private static readonly IReadOnlyList<EveningRule> Rules = RuleBook.Every<EveningRule>();

    /// <summary>What is wrong with the time of a step; empty where it comes when it should.</summary>
    public static IReadOnlyList<TimeFinding> Judge(TimedStep step) => [.. Rules.Select(r => r.Check(step)).OfType<TimeFinding>()];
}
