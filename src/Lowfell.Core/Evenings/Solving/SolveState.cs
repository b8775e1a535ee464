using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Solving;

/// <summary>How long and how a plan may be looked for.</summary>
/// <param name="Seconds">Seconds of looking, 1-600.</param>
/// <param name="Workers">Threads of the solver; two on two cores are best, one gives the same plan again.</param>
/// <param name="Seed">Seed of what is left to chance.</param>
/// <param name="Counted">Seconds are counted by the solver's own work instead of a clock: with one thread and an <c>elapsed</c> that counts too, the same plan on any machine.</param>
public sealed record SolveLimits(double Seconds = 10, int Workers = 2, int Seed = 1, bool Counted = false);

/// <summary>What a search is at.</summary>
public enum SolveStage
{
    /// <summary>Trying orders of priority.</summary>
    [Said("trying orders of the work")]
    Orders,

    /// <summary>Looking whether a plan can be done sooner.</summary>
    [Said("looking whether it can be done sooner")]
    Finish,

    /// <summary>With the finish held: fewer sessions.</summary>
    [Said("looking for fewer evenings")]
    Sessions,

    /// <summary>With these held: fewer set-ups.</summary>
    [Said("looking for fewer set-ups")]
    SetUps,

    /// <summary>With these held: less idle time at the table.</summary>
    [Said("looking for less waiting")]
    Idle,

    /// <summary>Ended.</summary>
    [Said("ended")]
    Ended,
}

/// <summary>What is known of the best plan that can be.</summary>
/// <param name="LastSession">No plan is done before this session, however copies are grouped.</param>
/// <param name="Grouped">No plan with copies grouped as they are is done before this session; that of any plan at least.</param>
/// <param name="Sessions">No plan that is done then uses fewer; null where it was not looked at.</param>
/// <param name="SetUps">No plan in so many sessions has fewer; null where it was not looked at.</param>
/// <param name="IdleMin">No plan with so few set-ups idles less, minutes; null where it was not looked at.</param>
public sealed record PlanBounds(int LastSession, int Grouped, int? Sessions = null, int? SetUps = null, double? IdleMin = null);

/// <summary>Where a search stands.</summary>
/// <param name="Stage">What it is at.</param>
/// <param name="Best">The best plan so far; it has passed <see cref="PlanCheck"/>.</param>
/// <param name="Bounds">What no plan can do better.</param>
public sealed record SolveState(SolveStage Stage, Plan Best, PlanBounds Bounds)
{
    /// <summary>Whether no plan can be done sooner, however copies are grouped.</summary>
    public bool FinishProven => Best.Problem is null && Best.LastSession <= Bounds.LastSession;

    /// <summary>Whether none with copies grouped as they are can be.</summary>
    public bool GroupedProven => Best.Problem is null && Best.LastSession <= Math.Max(Bounds.LastSession, Bounds.Grouped);
}
