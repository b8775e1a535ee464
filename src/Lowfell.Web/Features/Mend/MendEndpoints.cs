using Lowfell.Core.Diagnosis;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Mend;

/// <summary>What is kept of a mend that was taken back.</summary>
/// <param name="Left">What could not be taken back, in words; empty where all was.</param>
public sealed record RepairBack(string Left);

/// <summary>From what one sees to what to do.</summary>
public static class MendEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/mend").WithTags("Mend").ProducesValidationProblem();
        group.MapGet("symptoms", Symptoms).WithSummary("What a painter may see and not want; with a zone, whether its coats have anything that it can be about.");
        group.MapPost("case", Case).WithSummary("What it comes from and what to do, by the stack, the log and the air of a zone; without a zone a general answer.");
        group.MapGet("repairs", Repairs).WithSummary("Mends that were taken up for a piece, the newest first.");
        group.MapPost("repairs", Take).WithSummary("Takes a remedy up: steps on the copies concerned, a change of the plan for those that come after, an entry of the log. Sent twice, it is taken up once.").ProducesProblem(409);
        group.MapDelete("repairs/{zoneId:guid}/{id:guid}", Undo).WithSummary("Takes a mend back, with its entry and its change of the plan, as one step.").ProducesProblem(409);
        group.MapPost("repairs/{zoneId:guid}/{id:guid}/outcome", Outcome).WithSummary("Writes down whether it helped, and which cause it was: the next case of the bench goes by it.");
        app.MapPost("/api/preview/mending", Preview).WithTags("Preview").ProducesValidationProblem().WithSummary("A whole case as a draft, everything worked out; nothing is kept.");
    }

    private static async Task<Ok<List<SymptomView>>> Symptoms(LowfellDb db, OpenBench open, CancellationToken cancel, Guid? zoneId = null)
    {
        StackDraft? stack = null;
        if (zoneId is { } id)
        {
            var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == id, cancel) ?? throw RefusedException.NotFound("zoneId", id);
            stack = ZoneStacks.Read(zone, await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        }

        return TypedResults.Ok(SymptomBook.Book.Symptoms.Select(s => CaseWriter.Symptom(s, stack)).ToList());
    }

    private static async Task<Ok<CaseView>> Case(CaseQuestion question, CaseReader reader, CancellationToken cancel)
    {
        var (of, zone, shelf, reached) = await reader.ReadAsync(question, cancel);
        return TypedResults.Ok(CaseWriter.View(of, Diagnosing.Of(of, shelf.Shelf, Guid.NewGuid), zone?.Piece!.Copies ?? 0, reached, zone?.PieceId, zone is null ? "" : $"{zone.Piece!.Name}, {zone.Name}"));
    }

    private static async Task<Ok<IReadOnlyList<RepairTaken>>> Repairs(Guid pieceId, LowfellDb db, RepairDesk desk, CancellationToken cancel) =>
        await db.Pieces.AnyAsync(p => p.Id == pieceId, cancel)
            ? TypedResults.Ok(await desk.ListAsync(zones => zones.Where(z => z.PieceId == pieceId), cancel))
            : throw RefusedException.NotFound("pieceId", pieceId);

    private static async Task<Ok<RepairTaken>> Take(RepairAction action, RepairDesk desk, CancellationToken cancel) => TypedResults.Ok(await desk.TakeAsync(action, cancel));

    private static async Task<Ok<RepairBack>> Undo(Guid zoneId, Guid id, RepairDesk desk, CancellationToken cancel) => TypedResults.Ok(new RepairBack(await desk.UndoAsync(zoneId, id, cancel)));

    private static async Task<Ok<RepairTaken>> Outcome(Guid zoneId, Guid id, RepairOutcome outcome, RepairDesk desk, CancellationToken cancel) => TypedResults.Ok(await desk.OutcomeAsync(zoneId, id, outcome, cancel));

    private static async Task<Ok<CaseView>> Preview(CaseDraft draft, OpenBench open, CancellationToken cancel)
    {
        var symptom = CaseReader.Of(draft.Symptom);
        var shelf = StackReader.NamesShelf(draft.Coats ?? []) ? await open.ShelfAsync(cancel) : null;
        var stack = draft.Zone is { } zone ? StackReader.Read(zone, draft.Coats ?? [], draft.Schools, shelf) : null;
        if (draft.CoatId is { } id && (stack is null || stack.IndexOf(id) < 0))
        {
            throw new RefusedException("coatId", $"Coat {id} is not in this stack.");
        }

        if (draft.Log?.FirstOrDefault(l => stack is null || stack.IndexOf(l.CoatId) < 0) is { } stray)
        {
            throw new RefusedException("log", $"Coat {stray.CoatId} is logged and not in this stack.");
        }

        var entries = (draft.Log ?? []).OrderBy(l => l.AtMin).Select(l => new CaseEntry(
            l.Copy, l.CoatId, l.Pass, l.AtMin, l.Minutes, l.RoomC, l.RoomHumidity, l.PaintFraction, (l.Ticks ?? []).Aggregate(WorkedWith.Unsaid, (all, tick) => all | tick), FormattableString.Invariant($"minute {l.AtMin:0}"))).ToList();
        var of = new MendCase
        {
            Symptom = symptom,
            Stack = stack is { Coats.Count: > 0 } ? stack : null,
            CoatId = draft.CoatId,
            Seen = [.. (draft.Copies ?? []).Distinct().Order()],
            Sound = [.. (draft.Sound ?? []).Except(draft.Copies ?? []).Order()],
            Log = entries,
            Answers = CaseReader.Answers(symptom, draft.Answers),
            Told = CaseReader.Told(draft.Told),
        };
        var about = of.CoatAt < 0 ? Guid.Empty : of.Stack!.Coats[of.CoatAt].Id;
        return TypedResults.Ok(CaseWriter.View(of, Diagnosing.Of(of, shelf?.Shelf ?? Core.Materials.Shelf.Staples, Guid.NewGuid), stack?.Zone.Copies ?? 0, entries.Where(e => e.CoatId == about).Select(e => e.Copy).ToHashSet()));
    }
}
