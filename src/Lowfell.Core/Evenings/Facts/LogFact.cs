using Lowfell.Core.Evenings.Steps;
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

/// <summary>An entry of the log, as far as the work depends on it.</summary>
/// <param name="On">The step, on one copy.</param>
/// <param name="Kind">What it tells.</param>
/// <param name="AtMin">When, minutes from the plan's origin; before it is negative.</param>
/// <param name="Minutes">Hands-on minutes, where they were measured.</param>
/// <param name="SetUpMinutes">Minutes of setting up before it, where they were measured.</param>
public readonly record struct LogFact(CopyStep On, LogKind Kind, double AtMin, double? Minutes = null, double? SetUpMinutes = null);
