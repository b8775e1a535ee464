using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Solving;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Rules;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Features.Stack;

namespace Lowfell.Web.Features.Evenings;

/// <summary>What is to be planned.</summary>
/// <param name="SetIds">Sets; all where none are named.</param>
/// <param name="WithoutOptional">Leaves out the coats that may be left out.</param>
/// <param name="WithoutCoats">Leaves out these coats.</param>
/// <param name="WarmAir">Hurries every coat that takes warm air.</param>
/// <param name="MostCopies">Most copies painted in one go; as many as fit where none is given.</param>
/// <param name="OneMore">One more evening every week.</param>
/// <param name="Learn">Corrects minutes, set-ups and drying by those of the log.</param>
/// <param name="Overspray">What is planned for spray on touching zones.</param>
/// <param name="OtherWash">Washes as the other school has them: one generous for two thin, or two thin for one.</param>
public sealed record PlanRequest(
    [ManyBound] IReadOnlyList<Guid>? SetIds = null,
    bool WithoutOptional = false,
    [ManyBound] IReadOnlyList<Guid>? WithoutCoats = null,
    bool WarmAir = false,
    [CopiesBound] int? MostCopies = null,
    WeeklyEvening? OneMore = null,
    bool Learn = true,
    OversprayWay Overspray = OversprayWay.Care,
    bool OtherWash = false)
{
    /// <summary>How the work is done, as Core knows it.</summary>
    /// <param name="cansFit">Cans may be sprayed.</param>
    internal WorkWay Way(bool cansFit) => new()
    {
        WithoutOptional = WithoutOptional,
        WithoutCoats = WithoutCoats ?? [],
        WarmAir = WarmAir,
        OtherWash = OtherWash,
        Overspray = Overspray,
        MostCopies = MostCopies,
        Learn = Learn,
        CansFit = cansFit,
    };
}

/// <summary>What readings of the log say of a figure.</summary>
/// <param name="Key">What it is known by.</param>
/// <param name="Of">Technique, station or material.</param>
/// <param name="Factor">Real over planned, the median.</param>
/// <param name="Readings">How many readings.</param>
/// <param name="Low">A quarter of them are below.</param>
/// <param name="High">A quarter of them are above.</param>
/// <param name="Follows">Whether plans follow it.</param>
/// <param name="Asks">It is so far off that plans follow it only once the painter says so, and nothing was said yet.</param>
/// <param name="Said">What the painter said of following it; none where nothing was said.</param>
public sealed record Learned(string Key, string Of, double Factor, int Readings, double Low, double High, bool Follows, bool Asks, bool? Said = null)
{
    /// <summary>From Core.</summary>
    internal static Learned From(string of, LearnedFigure figure)
    {
        var c = figure.Correction;
        return new(figure.Key, of, Math.Round(c.Factor, 2), c.Readings, Math.Round(c.Low, 2), Math.Round(c.High, 2), figure.Rules, c.IsFar && figure.Answer is null, figure.Answer);
    }
}

/// <summary>What the log says of the painter's own figures; told whether or not the plan follows it.</summary>
/// <param name="Minutes">Hands-on minutes, by technique.</param>
/// <param name="SetUps">Minutes of setting up, by station.</param>
/// <param name="Drying">Minutes until the next coat, by material.</param>
public sealed record LearnedView(IReadOnlyList<Learned> Minutes, IReadOnlyList<Learned> SetUps, IReadOnlyList<Learned> Drying)
{
    /// <summary>From Core; those first that most readings tell.</summary>
    /// <param name="learned">The figures.</param>
    /// <param name="material">Name of a material; null for one that is gone for good.</param>
    internal static LearnedView Of(LearnedFigures learned, Func<Guid, string?> material)
    {
        static IReadOnlyList<Learned> Most(IEnumerable<(string Of, LearnedFigure Figure)> all) => [.. all.OrderByDescending(l => l.Figure.Correction.Readings).ThenBy(l => l.Of).Select(l => Learned.From(l.Of, l.Figure))];
        return new(
            Most(learned.Minutes.Select(m => (StepWords.Of(m.Key), m.Value))),
            Most(learned.SetUps.Select(s => (StepWords.Of(s.Key), s.Value))),
            Most(learned.Drying.Select(d => (Name: material(d.Key), d.Value)).Where(d => d.Name is not null).Select(d => (d.Name!, d.Value))));
    }
}

/// <summary>What the painter says of following a learned figure.</summary>
/// <param name="Key">The figure.</param>
/// <param name="Follow">Follow it or not; none to leave it to the rule again.</param>
/// <param name="Was">What was said of it before; none where nothing was.</param>
public sealed record LearnedAnswer([TagBound] string Key, bool? Follow, bool? Was = null);

/// <summary>A planned step: one pass of a coat on some copies, one after the other, or a part that is fitted on them.</summary>
/// <param name="ZoneId">The zone; of a part one of its zones.</param>
/// <param name="CoatId">The coat; none where a part is fitted.</param>
/// <param name="PartId">The piece that is fitted; none where a coat is laid.</param>
/// <param name="Pass">Which pass.</param>
/// <param name="Passes">Of how many.</param>
/// <param name="Piece">Piece.</param>
/// <param name="Zone">Zone.</param>
/// <param name="What">What is done, in a painter's words: the technique, or that a part is fitted.</param>
/// <param name="Technique">Technique; none for a part.</param>
/// <param name="Paint">Paint; none where nothing is laid on.</param>
/// <param name="Colour">Its colour.</param>
/// <param name="Copies">Numbers of the copies.</param>
/// <param name="Station">Station.</param>
/// <param name="StartAt">Hands-on work begins.</param>
/// <param name="EndAt">It ends.</param>
/// <param name="Minutes">Hands-on minutes, all copies together.</param>
/// <param name="SetUpMin">Setting up before it, minutes.</param>
/// <param name="ReadyAt">From when all its copies are ready for it, by what is written down; none where nothing is or it is long ago.</param>
/// <param name="DueAt">Until when it has to be begun, by what is written down; none without a window.</param>
/// <param name="DryAt">The last copy is recoat-dry.</param>
/// <param name="NextFrom">The next coat may come.</param>
/// <param name="NextBy">By then it must; none without a window.</param>
/// <param name="After">Recess, face and edge after all its passes.</param>
/// <param name="Sample">Core sample before the coat: substrate first.</param>
/// <param name="Mix">What to mix for these copies.</param>
/// <param name="PaintFraction">Share of paint in it, as planned.</param>
/// <param name="Tool">What it is done with.</param>
/// <param name="Readying">What is done to the material first.</param>
/// <param name="Note">The painter's own note on the coat.</param>
/// <param name="Thinner">What it is thinned with, by name; none where it is not.</param>
/// <param name="Right">How to see that it is right.</param>
/// <param name="WhenDry">What changes while it dries; none for what does not dry.</param>
/// <param name="JudgeMin">Minutes after which it may be judged: touch-dry.</param>
/// <param name="Faults">What usually goes wrong with it.</param>
/// <param name="Air">What is told of the air that it would be sprayed in; none where that is fit.</param>
/// <param name="Cautions">Cautions.</param>
/// <param name="LooksAs">The coat of the stack whose look stands for it: of a mend the one that it comes after; none where a part is fitted.</param>
public sealed record PlannedStep(
    Guid ZoneId,
    Guid? CoatId,
    Guid? PartId,
    int Pass,
    int Passes,
    string Piece,
    string Zone,
    string What,
    Technique? Technique,
    string? Paint,
    string? Colour,
    IReadOnlyList<int> Copies,
    Station Station,
    DateTimeOffset StartAt,
    DateTimeOffset EndAt,
    double Minutes,
    double SetUpMin,
    DateTimeOffset? ReadyAt,
    DateTimeOffset? DueAt,
    DateTimeOffset DryAt,
    DateTimeOffset NextFrom,
    DateTimeOffset? NextBy,
    IReadOnlyList<string> After,
    IReadOnlyList<Sets.SampleStratum> Sample,
    CoatMixView? Mix,
    double? PaintFraction,
    string Tool,
    IReadOnlyList<string> Readying,
    string Note,
    string? Thinner,
    string Right,
    string? WhenDry,
    double JudgeMin,
    IReadOnlyList<string> Faults,
    string? Air,
    IReadOnlyList<string> Cautions,
    Guid? LooksAs);

/// <summary>An evening with its steps.</summary>
/// <param name="Day">The day.</param>
/// <param name="OpenAt">It begins.</param>
/// <param name="CloseAt">It ends.</param>
/// <param name="Steps">Steps in order.</param>
public sealed record PlannedEvening(DateOnly Day, DateTimeOffset OpenAt, DateTimeOffset CloseAt, IReadOnlyList<PlannedStep> Steps);

/// <summary>What a plan comes to.</summary>
/// <param name="DoneOn">The day on which it is done; none where it can't be.</param>
/// <param name="NotBefore">The day before which no plan can be done, however copies are grouped; none where the calendar ends first.</param>
/// <param name="Evenings">Evenings used.</param>
/// <param name="WorkMin">Hands-on, minutes.</param>
/// <param name="SetUps">Set-ups.</param>
/// <param name="IdleMin">Minutes at the table with nothing to do.</param>
/// <param name="PaintMl">Paint and thinner, ml.</param>
/// <param name="LeastEvenings">No plan done that day uses fewer evenings; none where it was not looked at.</param>
/// <param name="LeastSetUps">No plan in so many evenings has fewer set-ups; none where it was not looked at.</param>
/// <param name="NotBeforeGrouped">The day before which none with copies grouped as they are can be done; none where the calendar ends first, or it is not known.</param>
/// <param name="LateDays">Days late, over all sets that have to be done by one.</param>
public sealed record PlanSummary(
    DateOnly? DoneOn,
    DateOnly? NotBefore,
    int Evenings,
    double WorkMin,
    int SetUps,
    double IdleMin,
    double PaintMl,
    int? LeastEvenings = null,
    int? LeastSetUps = null,
    DateOnly? NotBeforeGrouped = null,
    int LateDays = 0);

/// <summary>A step that another plan has on another day.</summary>
/// <param name="What">What is done, on which piece and zone.</param>
/// <param name="From">Its day before; none where it was not planned.</param>
/// <param name="To">Its day now; none where it is not planned any more.</param>
public sealed record MovedStep(string What, DateOnly? From, DateOnly? To);

/// <summary>A plan beside the one that it took the place of.</summary>
/// <param name="Before">What that one came to when it was made.</param>
/// <param name="After">What this one comes to.</param>
/// <param name="Moved">Steps on another day.</param>
public sealed record PlanComparison(PlanSummary Before, PlanSummary After, IReadOnlyList<MovedStep> Moved);

/// <summary>An evening that is over: what was planned, and what was done.</summary>
/// <param name="Day">The day.</param>
/// <param name="Planned">Steps planned, copy by copy.</param>
/// <param name="Done">Of these done by its end.</param>
/// <param name="Later">Done afterwards.</param>
/// <param name="Extra">Done that evening without being planned for it.</param>
/// <param name="PlannedMin">Hands-on minutes planned.</param>
/// <param name="RealMin">Hands-on minutes taken, where they were measured.</param>
/// <param name="MeasuredPlanMin">Minutes that were planned for what was measured.</param>
public sealed record EveningFact(DateOnly Day, int Planned, int Done, int Later, int Extra, double PlannedMin, double? RealMin, double? MeasuredPlanMin)
{
    /// <summary>From Core.</summary>
    internal static EveningFact Of(EveningDone e)
    {
        static double? Whole(double? minutes) => minutes is { } m ? Math.Round(m) : null;
        return new(e.Day, e.Planned, e.Done, e.Later, e.Extra, Math.Round(e.PlannedMin), Whole(e.RealMin), Whole(e.MeasuredPlanMin));
    }
}

/// <summary>The plan that is held.</summary>
/// <param name="Id">Its id.</param>
/// <param name="MadeAt">When it was made.</param>
/// <param name="Request">What was asked for.</param>
/// <param name="Slipped">Steps, copy by copy, whose evening is over and that are not done.</param>
/// <param name="Missing">Open steps that it does not have.</param>
/// <param name="Gone">Steps that it has and that are no longer in their stacks.</param>
/// <param name="Compared">It beside the one before.</param>
/// <param name="Facts">Evenings that are over, the last first.</param>
public sealed record KeptPlanView(Guid Id, DateTimeOffset MadeAt, PlanRequest Request, int Slipped, int Missing, int Gone, PlanComparison? Compared, IReadOnlyList<EveningFact> Facts);

/// <summary>A step that comes too soon or too late for what is below it.</summary>
/// <param name="Rule">Rule.</param>
/// <param name="Title">What the rule is called.</param>
/// <param name="Severity">How bad.</param>
/// <param name="ZoneId">Zone.</param>
/// <param name="CoatId">Coat.</param>
/// <param name="Piece">Name of the piece.</param>
/// <param name="Zone">Name of the zone.</param>
/// <param name="Copies">Numbers of the copies.</param>
/// <param name="At">When it is planned.</param>
/// <param name="What">What will be seen.</param>
/// <param name="Why">Why.</param>
/// <param name="Figure">The figure behind it.</param>
/// <param name="Remedy">What helps then; empty where nothing but waiting does.</param>
public sealed record PlanFinding(
    string Rule, string Title, Severity Severity, Guid ZoneId, Guid CoatId, string Piece, string Zone, IReadOnlyList<int> Copies, DateTimeOffset At, string What, string Why, string Figure, string Remedy);

/// <summary>What one copy of a piece costs, from the ground up.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Piece">Its name.</param>
/// <param name="Copies">How many there are.</param>
/// <param name="Minutes">Hands-on minutes a copy.</param>
/// <param name="WaitMin">Minutes that its coats wait for each other.</param>
/// <param name="BreakEven">Copies at a time that hide the waits of an evening behind the work.</param>
/// <param name="PaletteMost">Copies that the palette lasts for; none where nothing on it goes off.</param>
public sealed record CopyCostView(Guid PieceId, string Piece, int Copies, double Minutes, double WaitMin, int BreakEven, int? PaletteMost);

/// <summary>A set that has to be done by a day.</summary>
/// <param name="SetId">The set.</param>
/// <param name="Name">Its name.</param>
/// <param name="ReadyBy">The day.</param>
/// <param name="DoneOn">When it is done by the plan; none where the plan does not reach its end.</param>
/// <param name="Late">Whether that is too late.</param>
/// <param name="Help">What would have to go so that it is not, each with the day it is done then; empty where it is in time, or nothing that was tried helps.</param>
public sealed record SetDueView(Guid SetId, string Name, DateOnly ReadyBy, DateOnly? DoneOn, bool Late, IReadOnlyList<string> Help);

/// <summary>What lies drying: a step that is done and that something waits for.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="Pass">The pass.</param>
/// <param name="What">What was done, with what.</param>
/// <param name="Where">Piece and zone.</param>
/// <param name="Copies">Numbers of the copies.</param>
/// <param name="DryAt">When the next step may come; it may be over.</param>
public sealed record DryingLot(Guid ZoneId, Guid CoatId, int Pass, string What, string Where, IReadOnlyList<int> Copies, DateTimeOffset DryAt);

/// <summary>Open steps of a zone that a plan does not have.</summary>
/// <param name="Where">Piece and zone.</param>
/// <param name="Steps">Steps, copy by copy.</param>
public sealed record NotPlannedZone(string Where, int Steps);

/// <summary>Open steps that a plan does not have.</summary>
/// <param name="Steps">How many, copy by copy.</param>
/// <param name="Zones">Where most of them are.</param>
/// <param name="More">Zones that are not named.</param>
public sealed record NotPlanned(int Steps, IReadOnlyList<NotPlannedZone> Zones, int More);

/// <summary>A plan of the evenings.</summary>
/// <param name="Summary">What it comes to.</param>
/// <param name="Steps">Steps copy by copy.</param>
/// <param name="Problem">What stands in its way.</param>
/// <param name="Waiting">What can't be planned yet, and why.</param>
/// <param name="NotPlanned">Open steps that it does not have.</param>
/// <param name="Due">Sets that have to be done by a day, and when they are.</param>
/// <param name="Later">Sets that are not begun within the weeks that are planned ahead.</param>
/// <param name="Findings">Steps that come too soon or too late.</param>
/// <param name="Copies">What one copy of each piece costs.</param>
/// <param name="Calendar">Evenings that are used.</param>
/// <param name="Drying">What lies drying by the log, the soonest first.</param>
/// <param name="TimeZone">Time zone.</param>
/// <param name="Today">The painter's day when it was made.</param>
/// <param name="Learned">What the log says of the painter's own figures.</param>
/// <param name="Kept">The held plan that this is; none for one made at this moment.</param>
/// <param name="CautionNote">What every caution ends with.</param>
public sealed record PlanView(
    PlanSummary Summary,
    int Steps,
    string? Problem,
    IReadOnlyList<string> Waiting,
    NotPlanned NotPlanned,
    IReadOnlyList<SetDueView> Due,
    IReadOnlyList<string> Later,
    IReadOnlyList<PlanFinding> Findings,
    IReadOnlyList<CopyCostView> Copies,
    IReadOnlyList<PlannedEvening> Calendar,
    IReadOnlyList<DryingLot> Drying,
    string TimeZone,
    DateOnly Today,
    LearnedView Learned,
    KeptPlanView? Kept,
    string CautionNote);

/// <summary>When a set is done.</summary>
/// <param name="SetId">The set.</param>
/// <param name="DoneOn">The evening; none where the plan does not reach its end.</param>
public sealed record SetDone(Guid SetId, DateOnly? DoneOn);

/// <summary>Another way to do it.</summary>
/// <param name="Name">What is done otherwise.</param>
/// <param name="Summary">What it comes to.</param>
/// <param name="Request">It, to be looked at and taken; none for the plan that the others are beside.</param>
public sealed record WhatIf(string Name, PlanSummary Summary, PlanRequest? Request);

/// <summary>Other ways, as many as one answer has the time for.</summary>
/// <param name="Ways">The plan that they are beside comes first, where it is asked from the first on.</param>
/// <param name="Next">From which one to ask on; none where these were the last.</param>
public sealed record WhatIfPage(IReadOnlyList<WhatIf> Ways, int? Next);

/// <summary>What is to be held as the plan: one that a search found, or one made at this moment.</summary>
/// <param name="PlanId">A plan that was found.</param>
/// <param name="Request">What to plan now, where no plan is named.</param>
/// <param name="Instead">The plan whose place it takes; none where none is held.</param>
public sealed record KeepRequest(Guid? PlanId = null, PlanRequest? Request = null, Guid? Instead = null);

/// <summary>Which plan is held.</summary>
/// <param name="Id">Its id; none where none is.</param>
public sealed record HeldNow(Guid? Id = null);

/// <summary>A search for a better plan.</summary>
/// <param name="Request">What is to be planned.</param>
/// <param name="Seconds">Seconds that it may take.</param>
public sealed record SolveRequest(PlanRequest Request, [SearchBound] double Seconds = 10);

/// <summary>How far a search is.</summary>
/// <param name="Stage">What it is at.</param>
/// <param name="Seconds">Seconds it has taken.</param>
/// <param name="Summary">What its best plan comes to so far.</param>
/// <param name="Proven">No plan can be done sooner.</param>
/// <param name="ProvenGrouped">None with copies grouped as they are can be.</param>
public sealed record SolveProgress(SolveStage Stage, double Seconds, PlanSummary? Summary, bool Proven, bool ProvenGrouped = false);

/// <summary>A search for a better plan.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Status">Where it stands.</param>
/// <param name="Seconds">Seconds that it may take.</param>
/// <param name="Progress">How far it is; none until it begins.</param>
/// <param name="PlanId">The plan it found.</param>
/// <param name="Message">Why it failed.</param>
public sealed record SolveView(Guid Id, JobStatus Status, double Seconds, SolveProgress? Progress, Guid? PlanId, string Message);
