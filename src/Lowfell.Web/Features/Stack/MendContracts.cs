using Lowfell.Core.Mending;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Web.Features.Stack;

/// <summary>A stack, and one of its findings.</summary>
/// <param name="Zone">What it goes on.</param>
/// <param name="Coats">From the substrate up.</param>
/// <param name="Rule">Rule of the finding.</param>
/// <param name="CoatId">Coat of the finding.</param>
/// <param name="Aspect">Which of several faults that the rule finds on one coat.</param>
/// <param name="Schools">Preferences.</param>
public sealed record MendsRequest(ZoneDraft Zone, [CoatsBound] IReadOnlyList<CoatDraft> Coats, [TagBound] string Rule, Guid CoatId, [TagBound] string Aspect = "", Schools? Schools = null);

/// <summary>How a stack stands with the rules; what rests does not count.</summary>
/// <param name="Stops">Stops.</param>
/// <param name="Risks">Risks.</param>
/// <param name="Notes">Notes.</param>
public sealed record OutcomeView(int Stops, int Risks, int Notes)
{
    /// <summary>From Core.</summary>
    public static OutcomeView Of(Outcome o) => new(o.Stops, o.Risks, o.Notes);

    /// <summary>Of several stacks together.</summary>
    public static OutcomeView Sum(IEnumerable<OutcomeView> all) => all.Aggregate(new OutcomeView(0, 0, 0), (a, b) => new(a.Stops + b.Stops, a.Risks + b.Risks, a.Notes + b.Notes));
}

/// <summary>What a stack, or a change of one, costs on all copies.</summary>
/// <param name="WaitHours">Hours that its coats wait for each other.</param>
/// <param name="Minutes">Hands-on minutes.</param>
/// <param name="Ml">Paint and thinner, ml.</param>
/// <param name="Coats">Coats.</param>
public sealed record CostView(double WaitHours, double Minutes, double Ml, int Coats)
{
    /// <summary>From Core.</summary>
    public static CostView Of(StackCost c) => new(Math.Round(c.WaitingMin / 60, 2), Math.Round(c.HandsOnMin, 1), Math.Round(c.Ml, 2), c.Coats);
}

/// <summary>How far the finished colours move, dE00.</summary>
/// <param name="Recess">In the recess.</param>
/// <param name="Face">On the face.</param>
/// <param name="Edge">On the edge.</param>
public sealed record MovedView(double Recess, double Face, double Edge)
{
    /// <summary>From Core.</summary>
    public static MovedView Of(ByHeight<double> m) => new(Math.Round(m.Recess, 1), Math.Round(m.Face, 1), Math.Round(m.Edge, 1));
}

/// <summary>One way to mend a finding, with what it leads to.</summary>
/// <param name="Id">Its name within the finding.</param>
/// <param name="Label">What the painter reads.</param>
/// <param name="After">How the mended stack stands.</param>
/// <param name="Added">What it costs more.</param>
/// <param name="Moved">How far the finished colours move.</param>
/// <param name="Coats">The coats after the mend.</param>
public sealed record MendView(string Id, string Label, OutcomeView After, CostView Added, MovedView Moved, IReadOnlyList<CoatDraft> Coats);

/// <summary>Mends of one finding.</summary>
/// <param name="Mends">The best first.</param>
public sealed record MendsView(IReadOnlyList<MendView> Mends);

/// <summary>One mend of several.</summary>
/// <param name="Rule">The rule whose finding it mends.</param>
/// <param name="What">What the rule found.</param>
/// <param name="Label">What it does.</param>
public sealed record MendStepView(string Rule, string What, string Label);

/// <summary>A stack mended all over, beside what it was.</summary>
/// <param name="Steps">The mends, in their order; none where nothing could be mended.</param>
/// <param name="Before">How the stack stood.</param>
/// <param name="After">How it stands.</param>
/// <param name="CostBefore">What it cost.</param>
/// <param name="CostAfter">What it costs.</param>
/// <param name="Moved">How far the finished colours move.</param>
/// <param name="Coats">The coats after the mends.</param>
public sealed record MendedAllView(
    IReadOnlyList<MendStepView> Steps, OutcomeView Before, OutcomeView After, CostView CostBefore, CostView CostAfter, MovedView Moved, IReadOnlyList<CoatDraft> Coats);
