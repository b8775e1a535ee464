using Hangfire;
using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Making;
using Lowfell.Core.Bases.Plane;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Bases;

/// <summary>Trays of bases: begun, rolled, moved by hand, looked at.</summary>
public static class TrayEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var pieces = app.MapGroup("/api/pieces/{pieceId:guid}/tray").WithTags("Bases").ProducesValidationProblem();
        pieces.MapGet("", OfPiece).WithSummary("The tray of a piece; nothing where it has none.");
        pieces.MapPost("", Begin).WithSummary("Begins a tray: forms and figures, nothing on them yet.").ProducesProblem(409);
        var trays = app.MapGroup("/api/trays/{id:guid}").WithTags("Bases").ProducesValidationProblem();
        trays.MapPut("", Change).WithSummary("Keeps a tray as it was moved by hand or is to be again; 409 when somebody else has meanwhile.").ProducesProblem(409);
        trays.MapDelete("", Remove).WithSummary("Takes a tray away; its piece stays.");
        trays.MapPost("roll", Roll).WithSummary("Rolls up to four copies anew at once; what is locked stays.").ProducesProblem(409);
        trays.MapPost("rolls", RollAsJob).WithSummary("Rolls any number of copies anew, as a job that can be ended.").ProducesProblem(409);
        trays.MapGet("rolls/{rollId:guid}", RollState).WithSummary("How far a roll is.");
        trays.MapDelete("rolls/{rollId:guid}", EndRoll).WithSummary("Ends a roll; the tray stays as it was.");
        trays.MapPut("grounds", ChangeGrounds).WithSummary("Gives a tray three to five related grounds of two browns, or one; 409 when somebody else has changed it.").ProducesProblem(409);
        trays.MapPost("ground", Ground).WithSummary("Where an element may be put, as it is turned.");
        app.MapPost("/api/preview/bases", Preview).WithTags("Preview").ProducesValidationProblem().WithSummary("Rolls or reads up to four bases without keeping them: layouts, differences, quantities.");
    }

    private static async Task<Ok<TrayOfPiece>> OfPiece(Guid pieceId, TrayDesk desk, CancellationToken cancel) =>
        TypedResults.Ok(new TrayOfPiece(await desk.OfPieceAsync(pieceId, cancel) is { } tray ? await desk.ViewAsync(tray, cancel) : null));

    private static async Task<Created<TrayView>> Begin(Guid pieceId, TrayBegin begin, TrayDesk desk, LowfellDb db, CancellationToken cancel)
    {
        var piece = await db.Pieces.SingleOrDefaultAsync(p => p.Id == pieceId && p.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("pieceId", pieceId);
        var family = await db.BaseFamilies.SingleOrDefaultAsync(f => f.Id == begin.FamilyId, cancel) ?? throw RefusedException.NotFound("familyId", begin.FamilyId);
        if (await db.Trays.AnyAsync(t => t.PieceId == pieceId, cancel))
        {
            throw new RefusedException("pieceId", $"{piece.Name} has a tray already.", 409);
        }

        var seeds = new Seeds(Seeds.Of(pieceId, 3));
        List<TrayCopyDraft> copies = [.. begin.Groups.SelectMany(g => Enumerable.Range(0, g.Copies).Select(_ =>
            new TrayCopyDraft(g.Form, BaseFigureDraft.Of(Figure.Usual(g.Stance, g.Form.ToCore())), (long)(seeds.Next() & uint.MaxValue), [])))];
        if (copies.Count is 0 or > TrayCopiesBoundAttribute.MostCopies)
        {
            throw new RefusedException("groups", $"{copies.Count} bases were asked for; a tray holds 1 to {TrayCopiesBoundAttribute.MostCopies}. Make a second piece of the rest.");
        }

        TrayDesk.Check(copies, "copies");
        var tray = new TrayRow { Id = Guid.CreateVersion7(), PieceId = pieceId, Piece = piece, FamilyId = family.Id, Family = family, Copies = "" };
        db.Trays.Add(tray);
        await desk.KeepAsync(tray, copies, [], cancel);
        return TypedResults.Created($"/api/trays/{tray.Id}", await desk.ViewAsync(tray, cancel));
    }

    private static async Task<Ok<TrayView>> Change(Guid id, TrayChange change, TrayDesk desk, LowfellDb db, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        Versions.Check(change.Version, tray.Version);
        TrayDesk.Check(change.Tray.Copies, "tray.copies");
        if (change.Tray.FamilyId != tray.FamilyId)
        {
            tray.Family = await db.BaseFamilies.SingleOrDefaultAsync(f => f.Id == change.Tray.FamilyId, cancel) ?? throw RefusedException.NotFound("tray.familyId", change.Tray.FamilyId);
            tray.FamilyId = tray.Family.Id;
        }

        await desk.KeepAsync(tray, TrayDesk.WithLaid(tray, change.Tray.Copies), null, cancel);
        return TypedResults.Ok(await desk.ViewAsync(tray, cancel));
    }

    private static async Task<Ok<TrayView>> ChangeGrounds(Guid id, GroundsChange change, TrayDesk desk, OpenBench open, LowfellDb db, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        Versions.Check(change.Version, tray.Version);
        if (change.Count is 1 or 2)
        {
            throw new RefusedException("count", $"Take 3 to 5 grounds, or 0 for one everywhere: {change.Count} are too few to differ.");
        }

        var shelf = await open.ShelfAsync(cancel);
        foreach (var (field, brown) in new[] { ("aId", change.AId), ("bId", change.BId) })
        {
            if (change.Count > 0 && (brown is not { } material || !shelf.Materials.ContainsKey(material)))
            {
                throw new RefusedException(field, "Grounds are mixed of two paints of the shelf; choose both.");
            }
        }

        if (change.Count > 0 && change.AId == change.BId)
        {
            throw new RefusedException("bId", "Choose two browns: both are the same paint.");
        }

        (tray.Grounds, tray.GroundAId, tray.GroundBId) = change.Count == 0 ? (0, null, null) : (change.Count, change.AId, change.BId);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(await desk.ViewAsync(tray, cancel));
    }

    private static async Task<NoContent> Remove(Guid id, int version, TrayDesk desk, LowfellDb db, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        Versions.Check(version, tray.Version);
        var piece = tray.Piece!;
        (piece.LaidPasteMl, piece.LaidCrackleMl, piece.LaidGlueMl, piece.LaidGritMl, piece.LaidDripMl) = (null, null, null, null, null);
        db.Trays.Remove(tray);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<TrayView>> Roll(Guid id, RollRequest request, TrayDesk desk, LayoutMemory memory, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        Versions.Check(request.Version, tray.Version);
        var copies = TrayDesk.ToRoll(tray);
        Check(request, copies);
        if (TrayRoller.Rolled(copies, request) is { Count: > TrayDesk.MostAtOnce } many)
        {
            throw new RefusedException("copies", $"Ask for them as a job: {many.Count} bases take a while, at once it is at most {TrayDesk.MostAtOnce}.");
        }

        var (rolled, lacking) = TrayRoller.Roll(copies, TrayDesk.Family(tray), await desk.StockAsync(tray, cancel), request, memory, () => { }, cancel);
        await desk.KeepAsync(tray, TrayDesk.AsLocked(rolled, TrayDesk.Copies(tray)), lacking, cancel);
        return TypedResults.Ok(await desk.ViewAsync(tray, cancel));
    }

    private static async Task<Accepted<RollView>> RollAsJob(Guid id, RollRequest request, TrayDesk desk, LowfellDb db, OpenBench open, IBackgroundJobClient jobs, TimeProvider clock, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        Versions.Check(request.Version, tray.Version);
        var copies = TrayDesk.ToRoll(tray);
        Check(request, copies);
        if (await db.TrayRolls.AnyAsync(r => r.TrayId == id && (r.Status == JobStatus.Waiting || r.Status == JobStatus.Running), cancel))
        {
            throw new RefusedException("id", "Wait for it, or end it: a roll of this tray is under way.", 409);
        }

        var row = new TrayRollRow { Id = Guid.CreateVersion7(), TrayId = id, Request = Kept.Write(request), AskedAt = clock.GetUtcNow(), Of = TrayRoller.Rolled(copies, request).Count * request.Rolls };
        db.TrayRolls.Add(row);
        await db.SaveChangesAsync(cancel);
        var bench = open.BenchId;
        jobs.Enqueue<TrayJob>(job => job.RunAsync(bench, row.Id, CancellationToken.None));
        return TypedResults.Accepted($"/api/trays/{id}/rolls/{row.Id}", TrayWriter.Roll(row));
    }

    private static async Task<Ok<RollView>> RollState(Guid id, Guid rollId, LowfellDb db, CancellationToken cancel)
    {
        return TypedResults.Ok(TrayWriter.Roll(await db.TrayRolls.AsNoTracking().SingleOrDefaultAsync(r => r.Id == rollId && r.TrayId == id, cancel) ?? throw RefusedException.NotFound("rollId", rollId)));
    }

    private static async Task<NoContent> EndRoll(Guid id, Guid rollId, LowfellDb db, CancellationToken cancel)
    {
        var changed = await db.TrayRolls.Where(r => r.Id == rollId && r.TrayId == id).ExecuteUpdateAsync(r => r.SetProperty(x => x.CancelWanted, true), cancel);
        return changed == 0 ? throw RefusedException.NotFound("rollId", rollId) : TypedResults.NoContent();
    }

    private static async Task<Ok<MaskView>> Ground(Guid id, MaskRequest request, TrayDesk desk, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        var copies = TrayDesk.Copies(tray);
        if (request.Copy > copies.Count || request.Element >= copies[request.Copy - 1].Elements.Count)
        {
            throw new RefusedException("element", $"There is no element {request.Element + 1} on base {request.Copy} of this tray.", 404);
        }

        var plot = copies[request.Copy - 1].Plot();
        var open = OpenGround.Of(plot, TrayDesk.Family(tray), request.Element, request.AngleDeg);
        return TypedResults.Ok(new MaskView(
            OpenGround.StepMm, open.Columns, open.Rows, Math.Round(-plot.Seat.Form.A, 3), Math.Round(-plot.Seat.Form.B, 3),
            string.Create(open.Cells.Count, open.Cells, static (text, cells) =>
            {
                for (var i = 0; i < text.Length; i++)
                {
                    text[i] = Letter(cells[i]);
                }
            }),
            Enum.GetValues<Hindrance>().Where(h => h != Hindrance.None).ToDictionary(h => Letter(h).ToString(), h => Roller.Say(h, "figure"))));
    }

    private static Ok<BasesLook> Preview(BasesPreview preview, LayoutMemory memory)
    {
        var checks = new Checks();
        preview.Family.Check(checks, "family.");
        checks.Enforce();
        TrayDesk.Check(preview.Bases, "bases");
        var family = preview.Family.ToCore();
        var (copies, lacking) = (preview.Bases, (IReadOnlyList<string>)[]);
        if (preview.Roll)
        {
            List<ElementStock> stock = [.. preview.Stock.Select(b => new ElementStock(new(b.Id, b.Box.Name, b.Box.Kind, b.Box.LengthMm, b.Box.WidthMm, b.Box.HeightMm, b.Box.Spread), b.Box.Count))];
            if (stock.GroupBy(s => s.Class.Id).FirstOrDefault(g => g.Count() > 1) is { } twice)
            {
                throw new RefusedException("stock", $"The box {twice.First().Class.Name} stands here twice.");
            }

            (copies, lacking) = TrayRoller.Roll(copies, family, stock, new(0, preview.Seed, Rolls: 1), memory, () => { }, CancellationToken.None);
        }

        // While one is moved the others are known from before.
        var known = memory.Of(copies, family);
        var pairs = Enumerable.Range(0, known.Length).SelectMany(b => Enumerable.Range(0, b).Select(a => (a, b))).ToList();
        return TypedResults.Ok(new BasesLook(
            [.. known.Select((k, i) => TrayWriter.Base(i + 1, copies[i], k, preview.Scale))],
            TrayDesk.Differences(known, pairs).Told,
            TrayWriter.Takes(BaseQuantities.Of([.. known.Select(k => k.Takes)])),
            lacking));
    }

    private static char Letter(Hindrance h) => h switch { Hindrance.None => '.', Hindrance.Rim => 'r', Hindrance.Landing => 'l', Hindrance.Hull => 'h', Hindrance.Overhead => 't', Hindrance.Strays => 's', _ => 'o' };

    private static void Check(RollRequest request, IReadOnlyList<TrayCopyDraft> copies)
    {
        var checks = new Checks();
        foreach (var copy in request.Copies ?? [])
        {
            checks.Within("copies", copy, 1, copies.Count);
        }

        if (request.AwayFrom is { } other)
        {
            checks.Within("awayFrom", other, 1, copies.Count);
        }

        if (TrayRoller.Rolled(copies, request).Count == 0)
        {
            checks.Fault("copies", "Every base that was asked for is locked: nothing would change. Unlock one.");
        }

        checks.Enforce();
    }
}
