using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Evenings.Steps;

/// <summary>What goes all round a piece that lies flat: one side, a wait until it may be turned, and the other.</summary>
public static class TwoSided
{
    /// <summary>Minutes to turn one copy and lay it down again.</summary>
    public const double TurnMin = 0.3;

    /// <summary>The pass that stands for the other side of a pass.</summary>
    public static int Other(int pass) => Step.OtherSidePass - pass + 1;

    /// <summary>The steps of a stack, on a piece that lies flat or does not.</summary>
    public static IReadOnlyList<Step> Of(StackDraft stack, bool liesFlat) => liesFlat ? Of(StackSteps.Of(stack), stack.Zone) : StackSteps.Of(stack);

    /// <summary>The steps of a zone with each that goes all round in two: half its minutes each, with the turning between them.</summary>
    /// <param name="steps">Steps of the zone.</param>
    /// <param name="zone">The zone: only what is on its sides goes all round; a zone that looks up or down has but one.</param>
    public static IReadOnlyList<Step> Of(IReadOnlyList<Step> steps, Zone zone) =>
        zone.Facing is Facing.Up or Facing.Slope or Facing.Under or Facing.Overhang ? steps : [.. steps.SelectMany(s => GoesAllRound(s) ? Turned(s) : [s])];

    private static bool GoesAllRound(Step step) => !step.IsBeside && step.Coat is { LeavesFilm: true, How: { Hides: true, FillsDetail: true } } && step.MostLagMin is null;

    private static IEnumerable<Step> Turned(Step step)
    {
        var half = step.MinutesPerCopy / 2;
        yield return step with { Share = 0.5, MinutesPerCopy = half, LagMin = step.Times.TouchMin, NeededMin = step.Times.TouchMin };
        yield return step with { Share = 0.5, MinutesPerCopy = half + TurnMin, Pass = Other(step.Pass) };
    }
}
