using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Facts;

/// <summary>What an entry of the log tells.</summary>
public enum LogKind
{
    /// <summary>A pass of a coat is on a copy.</summary>
    [Said("done")]
    Done,

    /// <summary>It is not, after all: a correction of an earlier entry.</summary>
    [Said("taken back")]
    TakenBack,

    /// <summary>Something went wrong.</summary>
    [Said("problem")]
    Problem,

    /// <summary>A remark.</summary>
    [Said("note")]
    Note,

    /// <summary>A coat was left out on a copy, for good.</summary>
    [Said("left out")]
    Skipped,

    /// <summary>A coat was found dry enough for the next.</summary>
    [Said("found dry")]
    Dry,
}

/// <summary>How a coat was worked, as it was ticked: what a fault that shows later is asked about first.</summary>
[Flags]
public enum WorkedWith
{
    /// <summary>Nothing was said.</summary>
    [Said("nothing said")]
    Unsaid = 0,

    /// <summary>The paint was shaken or stirred first.</summary>
    [Said("shaken")]
    Shaken = 1,

    /// <summary>It was hurried by warm air.</summary>
    [Said("warm air")]
    WarmAir = 2,

    /// <summary>It was laid with a heavy hand.</summary>
    [Said("heavy hand")]
    HeavyHand = 4,

    /// <summary>The water or spirit was fresh.</summary>
    [Said("fresh water")]
    FreshWater = 8,
}

/// <summary>What a step was when something was written down about it: the plan's own figure, before any correction.</summary>
/// <param name="Technique">Technique.</param>
/// <param name="Station">Station.</param>
/// <param name="LeadId">Leading material of what was laid; null where nothing is laid.</param>
/// <param name="Minutes">Of an entry that it is done, the hands-on minutes a copy; of one that it was found dry, the drying in the air between: above 0.</param>
public sealed record StepThen(Technique Technique, Station Station, Guid? LeadId, double Minutes);

/// <summary>An entry of the log, as far as the work depends on it.</summary>
/// <param name="On">The step, on one copy.</param>
/// <param name="Kind">What it tells.</param>
/// <param name="AtMin">When, minutes from the plan's origin; before it is negative.</param>
/// <param name="Minutes">Hands-on minutes, where they were measured.</param>
/// <param name="SetUpMinutes">Minutes of setting up before it, where they were measured.</param>
/// <param name="Press">What was written down at once, on however many copies, has one of these; empty where that is not known.</param>
/// <param name="Then">What the step was then; null where that was not written down.</param>
public readonly record struct LogFact(CopyStep On, LogKind Kind, double AtMin, double? Minutes = null, double? SetUpMinutes = null, Guid Press = default, StepThen? Then = null);
