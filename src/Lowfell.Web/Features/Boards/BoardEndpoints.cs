using Lowfell.Core.Boards;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Surfaces;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Boards;

/// <summary>Boards: how the pieces of a set stand, and the lines that run on over them.</summary>
public static class BoardEndpoints
{
    private const double MmPerUm = 0.001;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var board = app.MapGroup("/api/sets/{id:guid}/board").WithTags("Boards").ProducesValidationProblem();
        board.MapGet("", Get).WithSummary("How the pieces of a set stand on the table, which sides meet, and the heights of lines on each copy.");
        board.MapPut("", Put).WithSummary("Keeps a board; 409 when somebody else has changed it.").ProducesProblem(409);
        app.MapGet("/api/zones/{id:guid}/lines", OfZone).WithTags("Boards").ProducesValidationProblem().WithSummary("Heights of lines on the copies of the piece of a zone, by the board of its set; nothing where it has none.");
        app.MapPost("/api/preview/board", Preview).WithTags("Preview").ProducesValidationProblem().WithSummary("A whole board in, the heights of its lines out; nothing is kept.");
    }

    private static Ok<BoardAnswer> Preview(BoardPreview preview)
    {
        if (preview.Pieces.GroupBy(p => p.Id).FirstOrDefault(g => g.Count() > 1) is { } twice)
        {
            throw new RefusedException("pieces", $"{twice.First().Name} is there twice.");
        }

        var pieces = preview.Pieces.ToDictionary(p => p.Id, p => new DeskPiece(p.Id, p.Name, p.Copies, p.LengthMm, p.WidthMm, p.HeightMm, 0));
        BoardDesk.Check(preview.Board, pieces, "board.");
        return TypedResults.Ok(BoardDesk.Answer(preview.Board, pieces, preview.Joins));
    }

    private static async Task<Ok<BoardView>> Get(Guid id, LowfellDb db, OpenBench open, CancellationToken cancel) => TypedResults.Ok(await ViewAsync(id, db, open, cancel));

    private static async Task<Ok<BoardView>> Put(Guid id, BoardChange change, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var set = await SetAsync(id, db, cancel);
        var row = await db.Boards.SingleOrDefaultAsync(b => b.SetId == id, cancel);
        Versions.Check(change.Version, row?.Version ?? 0);
        BoardDesk.Check(change.Board, await PiecesAsync(set, db, cancel), "board.");
        if (row is null)
        {
            db.Boards.Add(new() { Id = Guid.CreateVersion7(), SetId = id, Board = Kept.Write(change.Board) });
        }
        else
        {
            row.Board = Kept.Write(change.Board);
            db.Entry(row).State = EntityState.Modified;
        }

        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException twice) when (twice.InnerException is Npgsql.PostgresException { SqlState: Npgsql.PostgresErrorCodes.UniqueViolation })
        {
            // Another window kept the first one at the same moment.
            Versions.Check(change.Version, change.Version + 1);
        }

        return TypedResults.Ok(await ViewAsync(id, db, open, cancel));
    }

    private static async Task<Ok<List<LinesOnCopy>>> OfZone(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var zone = await db.Zones.AsNoTracking().Include(z => z.Piece!.Set).SingleOrDefaultAsync(z => z.Id == id && z.DeletedAt == null && z.Piece!.DeletedAt == null && z.Piece.Set!.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("id", id);
        return TypedResults.Ok((await OfPieceAsync(zone.Piece!, db, cancel)).Lines);
    }

    /// <summary>Heights of lines on the copies of a piece, by the board of its set, and that board; nothing where it has none.</summary>
    internal static async Task<(List<LinesOnCopy> Lines, BoardDraft? Board)> OfPieceAsync(PieceRow piece, LowfellDb db, CancellationToken cancel)
    {
        if (await db.Boards.AsNoTracking().Where(b => b.SetId == piece.SetId).Select(b => b.Board).SingleOrDefaultAsync(cancel) is not { } kept)
        {
            return ([], null);
        }

        var desk = await PiecesAsync(piece.Set!, db, cancel);
        var board = There(Kept.Read<BoardDraft>(kept), desk);
        var answer = BoardDesk.Answer(board, desk);
        NamedLine Named(DatumOnCopy level) => board.Datums.First(d => d.Id == level.DatumId) is var d ? new(d.Name, d.Kind, level, d.HeightMm) : null!;
        return ([.. answer.Copies.Concat(answer.Loose).Where(c => c.PieceId == piece.Id && c.Levels.Count > 0)
            .Select(c => new LinesOnCopy(board.Copies.FirstOrDefault(s => s.Id == c.Id)?.Copy ?? 0, [.. c.Levels.Select(Named)])).OrderBy(c => c.Copy == 0).ThenBy(c => c.Copy)], board);
    }

    // A piece that was deleted, or copies that were taken away, come back with them.
    private static BoardDraft There(BoardDraft kept, Dictionary<Guid, DeskPiece> desk) => kept with
    {
        Copies = [.. kept.Copies.Where(c => desk.TryGetValue(c.PieceId, out var of) && c.Copy <= of.Copies)],
        Pieces = [.. kept.Pieces.Where(p => desk.ContainsKey(p.PieceId))],
    };

    private static async Task<SetRow> SetAsync(Guid id, LowfellDb db, CancellationToken cancel) =>
        await db.Sets.AsNoTracking().SingleOrDefaultAsync(s => s.Id == id && s.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("id", id);

    // Names and sizes alone: what a change is checked against.
    private static async Task<Dictionary<Guid, DeskPiece>> PiecesAsync(SetRow set, LowfellDb db, CancellationToken cancel) =>
        (await db.Pieces.AsNoTracking().Where(p => p.SetId == set.Id && p.DeletedAt == null).ToListAsync(cancel)).ToDictionary(p => p.Id, p => Desk(p, 0));

    private static DeskPiece Desk(PieceRow piece, double filmMm)
    {
        var (length, width, height) = DeskPiece.Sizes(piece.Shape, piece.LengthMm, piece.WidthMm, piece.HeightMm, piece.FreeAreaMm2);
        return new(piece.Id, piece.Name, piece.Copies, length, width, height, filmMm);
    }

    private static async Task<BoardView> ViewAsync(Guid id, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var set = await SetAsync(id, db, cancel);
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var rows = await db.Pieces.AsNoTracking().Where(p => p.SetId == id && p.DeletedAt == null).OrderBy(p => p.Position).ToListAsync(cancel);
        var zones = (await ZoneStacks.Rows(db).Where(z => z.Piece!.SetId == id).ToListAsync(cancel)).ToLookup(z => z.PieceId);
        var stacks = rows.ToDictionary(p => p.Id, p => zones[p.Id].Select(z => ZoneStacks.Read(z, bench, shelf)).Where(s => s.Coats.Any(c => !c.Skipped)).ToList());

        // The thickest of its zones: which one a side is of is not known.
        double Film(Guid piece) => stacks[piece].Select(s => new Reading(s, Predictor.PredictMiddle(s))).Select(r => r.Applied.Sum(r.FaceFilmUm)).DefaultIfEmpty().Max() * MmPerUm;
        var desk = rows.ToDictionary(p => p.Id, p => Desk(p, Film(p.Id)));
        var row = await db.Boards.AsNoTracking().SingleOrDefaultAsync(b => b.SetId == id, cancel);
        var kept = row is null ? new BoardDraft([], [], [], [], []) : Kept.Read<BoardDraft>(row.Board);

        var board = There(kept, desk);
        string? Colour(Guid piece) => stacks[piece].MaxBy(s => s.Zone.AreaMm2) is { } stack ? Predictor.PredictMiddle(stack).Top.Face.Colour.ToString() : null;
        return new(
            id, set.Name, row?.Version ?? 0, board,
            [.. rows.Select(p => desk[p.Id] is var d ? new BoardPiece(p.Id, p.Name, p.Copies, d.LengthMm, d.WidthMm, d.HeightMm, p.Shape is PieceShape.Disc or PieceShape.Cylinder or PieceShape.Free, Colour(p.Id)) : null!)],
            BoardDesk.Answer(board, desk), kept.Copies.Count - board.Copies.Count, BoardTable.UsualLines);
    }
}
