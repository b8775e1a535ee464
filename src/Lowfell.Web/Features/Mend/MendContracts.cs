using Lowfell.Core.Diagnosis;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;
using Lowfell.Web.Features.Stack;

namespace Lowfell.Web.Features.Mend;

/// <summary>Something that a painter may see and not want.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">In two words.</param>
/// <param name="Sees">In a sentence.</param>
/// <param name="Group">Where it stands on the list.</param>
/// <param name="Fits">The coats of the zone have something that it can be about; true where no zone is named.</param>
/// <param name="Causes">What it may come from, the usual first.</param>
/// <param name="Remedies">What mends it.</param>
public sealed record SymptomView(string Key, string Name, string Sees, string Group, bool Fits, IReadOnlyList<CauseName> Causes, IReadOnlyList<string> Remedies);

/// <summary>An answer to a question.</summary>
/// <param name="Question">Its number, from 1.</param>
/// <param name="Yes">Yes or no.</param>
public sealed record CaseAnswer([QuestionBound] int Question, bool Yes);

/// <summary>A sign that only the painter can tell.</summary>
/// <param name="Sign">Which.</param>
/// <param name="Yes">Yes or no.</param>
public sealed record CaseTold(Sign Sign, bool Yes);

/// <summary>What is seen, and where.</summary>
/// <param name="Symptom">Key of the symptom.</param>
/// <param name="ZoneId">The zone; none for a general answer.</param>
/// <param name="CoatId">The coat that it is about; none for the last one on that it can be about.</param>
/// <param name="Copies">Numbers of the copies that show it.</param>
/// <param name="Answers">Answers so far.</param>
/// <param name="Told">What the painter says of signs.</param>
public sealed record CaseQuestion(
    [TagBound] string Symptom,
    Guid? ZoneId = null,
    Guid? CoatId = null,
    [AnyCopiesBound, CopiesBound] IReadOnlyList<int>? Copies = null,
    [AnswersBound] IReadOnlyList<CaseAnswer>? Answers = null,
    [SignsBound] IReadOnlyList<CaseTold>? Told = null);

/// <summary>A step that was written down, as it comes with a draft.</summary>
/// <param name="Copy">Number of the copy.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="AtMin">When it was done, minutes from any origin.</param>
/// <param name="Pass">Which pass; 0 for its clean-up.</param>
/// <param name="Minutes">Hands-on minutes.</param>
/// <param name="RoomC">Temperature, C.</param>
/// <param name="RoomHumidity">Humidity, 0..1.</param>
/// <param name="PaintFraction">Share of paint, where it was not as planned.</param>
/// <param name="Ticks">How it was worked.</param>
public sealed record CaseLog(
    [CopiesBound] int Copy,
    Guid CoatId,
    [CaseMinutesBound] double AtMin,
    [Core.Evenings.Steps.StepPassBound] int Pass = 1,
    [Core.Evenings.Steps.StepMinutesBound] double? Minutes = null,
    [Core.Materials.TemperatureBound] double RoomC = 20,
    [Core.Materials.HumidityBound] double RoomHumidity = 0.5,
    [Core.Mixes.PaintFractionBound] double? PaintFraction = null,
    [Core.Evenings.Steps.TicksBound] IReadOnlyList<WorkedWith>? Ticks = null);

/// <summary>A whole case as a draft: nothing is kept.</summary>
/// <param name="Symptom">Key of the symptom.</param>
/// <param name="Zone">The zone; none for a general answer.</param>
/// <param name="Coats">Its coats, from the substrate up.</param>
/// <param name="Schools">Preferences; those of the bench where none are given.</param>
/// <param name="CoatId">The coat that it is about.</param>
/// <param name="Copies">Copies that show it.</param>
/// <param name="Sound">Copies that have come as far and do not.</param>
/// <param name="Log">What was written down, in any order.</param>
/// <param name="Answers">Answers so far.</param>
/// <param name="Told">What the painter says of signs.</param>
public sealed record CaseDraft(
    [TagBound] string Symptom,
    ZoneDraft? Zone = null,
    [CoatsBound] IReadOnlyList<CoatDraft>? Coats = null,
    Schools? Schools = null,
    Guid? CoatId = null,
    [AnyCopiesBound, CopiesBound] IReadOnlyList<int>? Copies = null,
    [AnyCopiesBound, CopiesBound] IReadOnlyList<int>? Sound = null,
    [CaseLogBound] IReadOnlyList<CaseLog>? Log = null,
    [AnswersBound] IReadOnlyList<CaseAnswer>? Answers = null,
    [SignsBound] IReadOnlyList<CaseTold>? Told = null);

/// <summary>A cause as it is told.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Word">In words.</param>
/// <param name="Share">How likely, 0..1.</param>
/// <param name="For">What speaks for it.</param>
/// <param name="Against">What speaks against it.</param>
/// <param name="Hits">How often it was it on this bench.</param>
public sealed record CaseCause(string Key, string Word, double Share, IReadOnlyList<string> For, IReadOnlyList<string> Against, int Hits);

/// <summary>A question to the painter.</summary>
/// <param name="Question">Its number, from 1.</param>
/// <param name="Text">The question.</param>
/// <param name="Answer">The answer; none where it was not given.</param>
public sealed record CaseAsk(int Question, string Text, bool? Answer);

/// <summary>A question of what only the painter can tell.</summary>
/// <param name="Sign">Which sign.</param>
/// <param name="Text">The question.</param>
/// <param name="Answer">The answer; none where it was not given.</param>
public sealed record CaseAskSign(Sign Sign, string Text, bool? Answer);

/// <summary>A step of a remedy.</summary>
/// <param name="What">What is done.</param>
/// <param name="Paint">What it is laid with; none for work by hand.</param>
/// <param name="Colour">Its colour.</param>
/// <param name="Share">Share of the zone.</param>
/// <param name="Minutes">Hands-on minutes a copy.</param>
/// <param name="WaitMin">Minutes that the copy then rests.</param>
public sealed record CaseStep(string What, string? Paint, string? Colour, double Share, double Minutes, double WaitMin);

/// <summary>A remedy.</summary>
/// <param name="Remedy">Its place among those of the symptom.</param>
/// <param name="Kind">What it asks for.</param>
/// <param name="Does">What is done.</param>
/// <param name="Minutes">Hands-on minutes a copy.</param>
/// <param name="AllMinutes">Hands-on minutes on all copies that show it.</param>
/// <param name="Takes">What it takes.</param>
/// <param name="Risks">What may come of it.</param>
/// <param name="Risk">What the rules say of it in this stack; empty where nothing.</param>
/// <param name="Ml">Of all its coats on all copies, ml.</param>
/// <param name="Missing">What of it is not on the shelf.</param>
/// <param name="Cautions">Cautions.</param>
/// <param name="Steps">Its steps.</param>
public sealed record CaseOffer(
    int Remedy, RemedyKind Kind, string Does, double Minutes, double AllMinutes, string Takes, string Risks, string Risk, double Ml, string Missing, IReadOnlyList<string> Cautions, IReadOnlyList<CaseStep> Steps);

/// <summary>A change of the plan for copies that come after.</summary>
/// <param name="Sign">The sign that it takes away.</param>
/// <param name="Words">What is changed.</param>
/// <param name="HandsOnMin">Hands-on minutes more on those copies.</param>
/// <param name="WaitingMin">Minutes of waiting more.</param>
/// <param name="Ml">Paint more on those copies, ml.</param>
public sealed record CaseEdit(Sign Sign, string Words, double HandsOnMin, double WaitingMin, double Ml);

/// <summary>A copy of the piece.</summary>
/// <param name="Copy">Its number.</param>
/// <param name="Reached">The coat that it is about is on.</param>
/// <param name="Shows">It shows the symptom.</param>
public sealed record CaseCopy(int Copy, bool Reached, bool Shows);

/// <summary>A coat that it can be about.</summary>
/// <param name="Id">Its id.</param>
/// <param name="What">Technique and paint.</param>
public sealed record CaseCoat(Guid Id, string What);

/// <summary>What went wrong, and what to do.</summary>
/// <param name="Symptom">The symptom.</param>
/// <param name="PieceId">The piece; none without a zone.</param>
/// <param name="Place">Piece and zone, in words; empty without one.</param>
/// <param name="CoatId">The coat that it is about; none where there is none.</param>
/// <param name="Coats">Coats that it can be about.</param>
/// <param name="Copies">Copies; none without a zone.</param>
/// <param name="Causes">Causes, the likeliest first.</param>
/// <param name="Said">How sure it is.</param>
/// <param name="Ask">The question that tells most next; none where none is needed.</param>
/// <param name="Asked">Questions that were answered.</param>
/// <param name="AskSigns">What only the painter can tell.</param>
/// <param name="Offers">Remedies, the cheapest first.</param>
/// <param name="Next">Changes of the plan for copies that come after.</param>
/// <param name="NextCopies">How many copies come after.</param>
/// <param name="Strip">When stripping is the better way.</param>
/// <param name="Notices">What is to be known of the answer itself.</param>
/// <param name="Cases">Cases on this bench in which the cause was said.</param>
/// <param name="CautionNote">Ends every caution.</param>
public sealed record CaseView(
    SymptomView Symptom, Guid? PieceId, string Place, Guid? CoatId, IReadOnlyList<CaseCoat> Coats, IReadOnlyList<CaseCopy> Copies, IReadOnlyList<CaseCause> Causes, string Said, CaseAsk? Ask, IReadOnlyList<CaseAsk> Asked,
    IReadOnlyList<CaseAskSign> AskSigns, IReadOnlyList<CaseOffer> Offers, IReadOnlyList<CaseEdit> Next, int NextCopies, string Strip, IReadOnlyList<string> Notices, int Cases, string CautionNote);

/// <summary>A remedy that is taken up, and a change of the plan with it.</summary>
/// <param name="Id">Given by who sends it: the same sent twice is one.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="Symptom">Key of the symptom.</param>
/// <param name="Copies">Copies that show it.</param>
/// <param name="Remedy">Place of the remedy; none for the plan alone.</param>
/// <param name="CoatId">The coat that it is about.</param>
/// <param name="Answers">Answers.</param>
/// <param name="Told">What the painter says of signs.</param>
/// <param name="Edits">Signs whose change of the plan is made.</param>
/// <param name="Note">What is seen, in the painter's own words.</param>
/// <param name="Who">Who.</param>
/// <param name="PhotoId">Its picture, kept before.</param>
public sealed record RepairAction(
    Guid Id,
    Guid ZoneId,
    [TagBound] string Symptom,
    [CopyListBound, CopiesBound] IReadOnlyList<int> Copies,
    [RemedyBound] int? Remedy = null,
    Guid? CoatId = null,
    [AnswersBound] IReadOnlyList<CaseAnswer>? Answers = null,
    [SignsBound] IReadOnlyList<CaseTold>? Told = null,
    [SignsBound] IReadOnlyList<Sign>? Edits = null,
    [NoteBound] string Note = "",
    [TagBound] string Who = "",
    Guid? PhotoId = null);

/// <summary>A mend that was taken up.</summary>
/// <param name="Id">Its id.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="Zone">Its name.</param>
/// <param name="At">When.</param>
/// <param name="Copies">Copies.</param>
/// <param name="Symptom">Name of the symptom.</param>
/// <param name="Cause">The cause that was thought of, in words.</param>
/// <param name="Causes">Causes of the symptom, to say which it was.</param>
/// <param name="Does">What is done; empty where the plan alone was changed.</param>
/// <param name="PlanChanged">The plan was changed with it.</param>
/// <param name="Steps">Steps on all its copies.</param>
/// <param name="Done">Of these, done or left out.</param>
/// <param name="Helped">The painter's word; none until then.</param>
public sealed record RepairTaken(
    Guid Id, Guid ZoneId, string Zone, DateTimeOffset At, IReadOnlyList<int> Copies, string Symptom, string Cause, IReadOnlyList<CauseName> Causes, string Does, bool PlanChanged, int Steps, int Done, bool? Helped);

/// <summary>A cause by its name.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Word">In words.</param>
public sealed record CauseName(string Key, string Word);

/// <summary>What became of a mend.</summary>
/// <param name="Helped">It helped.</param>
/// <param name="Cause">The cause that it was; empty where that is not known.</param>
public sealed record RepairOutcome(bool Helped, [TagBound] string Cause = "");
