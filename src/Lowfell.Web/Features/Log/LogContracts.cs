using Lowfell.Core.Diagnosis;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Mixes;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;

namespace Lowfell.Web.Features.Log;

/// <summary>Something done at the table, on one or more copies.</summary>
/// <param name="Id">Given by who sends it: the same action sent twice is one.</param>
/// <param name="Kind">What it tells.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="CoatId">The coat; that or a part is needed for done, left out, dry and taken back.</param>
/// <param name="PartId">The part that is fitted, instead of a coat.</param>
/// <param name="Pass">Which pass; 0 for cleaning the coat up.</param>
/// <param name="Copies">Numbers of the copies, from 1.</param>
/// <param name="At">When; now where none is given.</param>
/// <param name="Minutes">Hands-on minutes for all of them together.</param>
/// <param name="SetUpMinutes">Minutes of setting up before it.</param>
/// <param name="Who">Who did it.</param>
/// <param name="PaintFraction">Share of paint in what was laid on, where it was not as planned.</param>
/// <param name="MixRecordId">The recorded mix that it was painted with.</param>
/// <param name="Deviation">What was done otherwise than planned.</param>
/// <param name="Cause">Why it went wrong.</param>
/// <param name="Remedy">What mended it.</param>
/// <param name="PhotoId">Its picture, kept before.</param>
/// <param name="Note">What went wrong, or a remark.</param>
/// <param name="MixedMl">How much was mixed for it, ml, where it was not as planned: so much is taken from the shelf.</param>
/// <param name="Ticks">How it was worked.</param>
/// <param name="OfId">A problem or remark that this takes back, or says anew.</param>
/// <param name="Symptom">Key of the symptom that is seen; empty where none of the list is named.</param>
/// <param name="CauseKey">Key of the cause that it turned out to be; empty where that is not known.</param>
public sealed record LogAction(
    Guid Id,
    LogKind Kind,
    Guid ZoneId,
    [CopyListBound, CopiesBound] IReadOnlyList<int> Copies,
    Guid? CoatId = null,
    Guid? PartId = null,
    [StepPassBound] int Pass = 1,
    DateTimeOffset? At = null,
    [StepMinutesBound] double? Minutes = null,
    [SetUpBound] double? SetUpMinutes = null,
    [TagBound] string Who = "",
    [PaintFractionBound] double? PaintFraction = null,
    Guid? MixRecordId = null,
    [NoteBound] string Deviation = "",
    [NoteBound] string Cause = "",
    [NoteBound] string Remedy = "",
    Guid? PhotoId = null,
    [NoteBound] string Note = "",
    [MixedVolumeBound] double? MixedMl = null,
    [TicksBound] IReadOnlyList<WorkedWith>? Ticks = null,
    Guid? OfId = null,
    [TagBound] string Symptom = "",
    [TagBound] string CauseKey = "")
{
    /// <summary>Checks what no bound says.</summary>
    /// <exception cref="RefusedException">Something of it can't be.</exception>
    internal void Check(ZoneRow zone, DateTimeOffset now)
    {
        var checks = new Checks();
        if (Id == Guid.Empty)
        {
            checks.Fault("id", "An action has an id of its own.");
        }

        if (this is { CoatId: null, PartId: null, OfId: null } && Kind is not (LogKind.Problem or LogKind.Note))
        {
            checks.Fault("coatId", "Say which coat, or which part.");
        }
        else if (this is { CoatId: not null, PartId: not null })
        {
            checks.Fault("partId", "A step is a coat or a part, not both.");
        }

        if (PartId is { } part && (part != zone.PieceId || zone.Piece!.PartOfId is null))
        {
            throw RefusedException.NotFound("partId", part);
        }

        if (OfId is not null && (Kind is not (LogKind.Problem or LogKind.Note or LogKind.TakenBack) || (Kind == LogKind.TakenBack && (CoatId ?? PartId) is not null)))
        {
            checks.Fault("ofId", "Only a problem or a remark is taken back by its entry; a step is taken back by its coat and copies.");
        }

        if (Kind is LogKind.Problem or LogKind.Note && Note.Trim().Length == 0 && PhotoId is null)
        {
            checks.Fault("note", "Say what happened.");
        }

        if (Symptom.Length > 0 && SymptomBook.Book.Of(Symptom) is null)
        {
            checks.Fault("symptom", $"'{Symptom}' is no symptom of the list.");
        }
        else if (CauseKey.Length > 0 && (Symptom.Length == 0 || (CauseKey != Ranking.Other && SymptomBook.Book.Of(Symptom)!.Causes.All(c => c.Key != CauseKey))))
        {
            checks.Fault("causeKey", $"'{CauseKey}' is no cause of {(Symptom.Length == 0 ? "what is not named" : SymptomBook.Book.Of(Symptom)!.Name)}.");
        }

        if (Copies.FirstOrDefault(c => c < 1 || c > zone.Piece!.Copies) is var gone and not 0)
        {
            checks.Fault("copies", $"There is no copy {gone} of {zone.Piece!.Name}; 1 to {zone.Piece.Copies} are there.");
        }

        if (At > now.AddMinutes(10) || At < now.AddYears(-20))
        {
            checks.Fault("at", $"{At:yyyy-MM-dd HH:mm} is not in the past.");
        }

        checks.Enforce();
    }
}

/// <summary>An entry of the log.</summary>
/// <param name="Id">Its id.</param>
/// <param name="At">When.</param>
/// <param name="Kind">What it tells.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="Label">Piece and zone then.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="PartId">The part that was fitted.</param>
/// <param name="Paint">What it was painted with then.</param>
/// <param name="Pass">Which pass.</param>
/// <param name="Copy">Number of the copy.</param>
/// <param name="Minutes">Hands-on minutes.</param>
/// <param name="RoomC">Temperature then.</param>
/// <param name="RoomHumidity">Humidity then.</param>
/// <param name="SetUpMinutes">Minutes of setting up before it.</param>
/// <param name="Who">Who did it.</param>
/// <param name="PaintFraction">Share of paint in it, where it was not as planned.</param>
/// <param name="MixRecordId">The recorded mix.</param>
/// <param name="Notice">What was noticed of its time: too soon, or past its window; empty where it came when it should.</param>
/// <param name="Deviation">What was done otherwise than planned.</param>
/// <param name="Cause">Why it went wrong.</param>
/// <param name="Remedy">What mended it.</param>
/// <param name="PhotoId">Its picture.</param>
/// <param name="Note">Note.</param>
/// <param name="Press">What was written down at once, on however many copies, has one of these; none for entries of before it was kept.</param>
/// <param name="Ticks">How it was worked.</param>
/// <param name="OfId">The problem or remark that this takes back, or says anew.</param>
/// <param name="Symptom">Key of the symptom; empty where none of the list was named.</param>
/// <param name="CauseKey">Key of the cause that it turned out to be; empty where that was not said.</param>
/// <param name="After">What became of a problem or remark: taken back, or said anew; none where it stands.</param>
public sealed record LogEntry(
    Guid Id,
    DateTimeOffset At,
    LogKind Kind,
    Guid ZoneId,
    string Label,
    Guid? CoatId,
    Guid? PartId,
    string Paint,
    int Pass,
    int Copy,
    double? Minutes,
    double RoomC,
    double RoomHumidity,
    double? SetUpMinutes,
    string Who,
    double? PaintFraction,
    Guid? MixRecordId,
    string Notice,
    string Deviation,
    string Cause,
    string Remedy,
    Guid? PhotoId,
    string Note,
    Guid? Press,
    IReadOnlyList<WorkedWith> Ticks,
    Guid? OfId,
    string Symptom,
    string CauseKey,
    LogKind? After);
