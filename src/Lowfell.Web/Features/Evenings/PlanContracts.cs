using Lowfell.Core.Evenings;
using Lowfell.Core.Stacks;
using Lowfell.Web.Features.Stack;

namespace Lowfell.Web.Features.Evenings;

/// <summary>What is to be planned.</summary>
/// <param name="SetIds">Sets; all where none are named.</param>
/// <param name="WithoutOptional">Leaves out the coats that may be left out.</param>
/// <param name="WarmAir">Hurries every coat that takes warm air.</param>
/// <param name="MostCopies">Most copies painted in one go, 1-1000; as many as fit where none is given.</param>
/// <param name="OneMore">One more evening every week.</param>
/// <param name="Learn">Corrects the minutes by those of the log.</param>
public sealed record PlanRequest(
    IReadOnlyList<Guid>? SetIds = null, bool WithoutOptional = false, bool WarmAir = false, int? MostCopies = null, WeeklyEvening? OneMore = null, bool Learn = true);

/// <summary>What the log says of the minutes of a technique.</summary>
/// <param name="Technique">The technique.</param>
/// <param name="Factor">Real over planned minutes, the median.</param>
/// <param name="Readings">How many readings.</param>
/// <param name="Low">A quarter of them are below.</param>
/// <param name="High">A quarter of them are above.</param>
public sealed record LearnedMinutes(Technique Technique, double Factor, int Readings, double Low, double High);

/// <summary>A planned step: one pass of a coat on some copies, one after the other.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="Pass">Which pass.</param>
/// <param name="Passes">Of how many.</param>
/// <param name="Piece">Piece.</param>
/// <param name="Zone">Zone.</param>
/// <param name="Technique">Technique.</param>
/// <param name="Paint">Paint; none where nothing is laid on.</param>
/// <param name="Colour">Its colour.</param>
/// <param name="Copies">Numbers of the copies.</param>
/// <param name="Station">Station.</param>
/// <param name="StartUtc">Hands-on work begins.</param>
/// <param name="EndUtc">It ends.</param>
/// <param name="SetUpMin">Setting up before it, minutes.</param>
/// <param name="DryUtc">The last copy is recoat-dry.</param>
/// <param name="NextFromUtc">The next coat may come.</param>
/// <param name="NextByUtc">By then it must; none without a window.</param>
/// <param name="Before">Recess, face, edge before the coat.</param>
/// <param name="After">The same after all its passes.</param>
/// <param name="Mix">What to mix for these copies.</param>
/// <param name="Cautions">Cautions.</param>
public sealed record PlannedStep(
    Guid ZoneId,
    Guid CoatId,
    int Pass,
    int Passes,
    string Piece,
    string Zone,
    Technique Technique,
    string? Paint,
    string? Colour,
    IReadOnlyList<int> Copies,
    Station Station,
    DateTimeOffset StartUtc,
    DateTimeOffset EndUtc,
    int SetUpMin,
    DateTimeOffset DryUtc,
    DateTimeOffset NextFromUtc,
    DateTimeOffset? NextByUtc,
    IReadOnlyList<string> Before,
    IReadOnlyList<string> After,
    CoatMixView? Mix,
    IReadOnlyList<string> Cautions);

/// <summary>An evening with its steps.</summary>
/// <param name="Day">The day.</param>
/// <param name="OpenUtc">It begins.</param>
/// <param name="CloseUtc">It ends.</param>
/// <param name="Steps">Steps in order.</param>
public sealed record PlannedEvening(DateOnly Day, DateTimeOffset OpenUtc, DateTimeOffset CloseUtc, IReadOnlyList<PlannedStep> Steps);

/// <summary>What a plan comes to.</summary>
/// <param name="DoneOn">The day on which it is done; none where it can't be.</param>
/// <param name="NotBefore">The day before which no plan can be done; none where the calendar ends first.</param>
/// <param name="Evenings">Evenings used.</param>
/// <param name="WorkMin">Hands-on, minutes.</param>
/// <param name="SetUps">Set-ups.</param>
/// <param name="IdleMin">Minutes at the table with nothing to do.</param>
/// <param name="PaintMl">Paint and thinner, ml.</param>
public sealed record PlanSummary(DateOnly? DoneOn, DateOnly? NotBefore, int Evenings, double WorkMin, int SetUps, double IdleMin, double PaintMl);

/// <summary>A plan of the evenings.</summary>
/// <param name="Summary">What it comes to.</param>
/// <param name="Steps">Steps copy by copy.</param>
/// <param name="Problem">What stands in its way.</param>
/// <param name="Waiting">What can't be planned yet, and why.</param>
/// <param name="Calendar">Evenings that are used.</param>
/// <param name="TimeZone">Time zone.</param>
/// <param name="Learned">What the log says of the minutes; told whether or not the plan follows it.</param>
/// <param name="CautionNote">What every caution ends with.</param>
public sealed record PlanView(
    PlanSummary Summary, int Steps, string? Problem, IReadOnlyList<string> Waiting, IReadOnlyList<PlannedEvening> Calendar, string TimeZone, IReadOnlyList<LearnedMinutes> Learned, string CautionNote);

/// <summary>Another way to do it.</summary>
/// <param name="Name">What is done otherwise.</param>
/// <param name="Summary">What it comes to.</param>
public sealed record WhatIf(string Name, PlanSummary Summary);
