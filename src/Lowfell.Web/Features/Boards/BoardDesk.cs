using Lowfell.Core.Boards;
using Lowfell.Core.Surfaces;
using Lowfell.Web.Api;

namespace Lowfell.Web.Features.Boards;

/// <summary>A piece of a board, as it is reckoned with.</summary>
/// <param name="Id">The piece.</param>
/// <param name="Name">Its name.</param>
/// <param name="Copies">How many there are.</param>
/// <param name="LengthMm">Length, mm.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="FilmMm">Thickest paint on any of its zones once it is painted, mm.</param>
internal sealed record DeskPiece(Guid Id, string Name, int Copies, double LengthMm, double WidthMm, double HeightMm, double FilmMm)
{
    // Where a free shape tells no size, and where a tile is too thin to stand, mm.
    private const double LeastMm = 1;

    /// <summary>Sizes of a shape, as a rectangle.</summary>
    public static (double Length, double Width, double Height) Sizes(PieceShape shape, double length, double width, double height, double freeMm2)
    {
        var side = Math.Sqrt(Math.Max(0, freeMm2));
        return shape switch
        {
            PieceShape.Free => (Math.Max(LeastMm, side), Math.Max(LeastMm, side), Math.Max(LeastMm, side)),
            PieceShape.Disc or PieceShape.Cylinder => (Math.Max(LeastMm, length), Math.Max(LeastMm, length), Math.Max(LeastMm, height)),
            _ => (Math.Max(LeastMm, length), Math.Max(LeastMm, width), Math.Max(LeastMm, height)),
        };
    }
}

/// <summary>Answers boards: all that is said is Core's.</summary>
internal static class BoardDesk
{
    // A line is drawn at so many places from left to right.
    private const int Places = 31;

    /// <summary>Checks what no bound tells.</summary>
    /// <exception cref="RefusedException">Something names what is not there.</exception>
    public static void Check(BoardDraft board, IReadOnlyDictionary<Guid, DeskPiece> pieces, string prefix)
    {
        var checks = new Checks();
        foreach (var (i, copy) in board.Copies.Index())
        {
            if (!pieces.TryGetValue(copy.PieceId, out var piece))
            {
                checks.Fault($"{prefix}copies[{i}].pieceId", "There is no such piece in the set.");
            }
            else if (copy.Copy > piece.Copies)
            {
                checks.Fault($"{prefix}copies[{i}].copy", $"There is no copy {copy.Copy} of {piece.Name}; 1 to {piece.Copies} are there.");
            }

            if (board.Copies.Take(i).Any(c => c.Id == copy.Id || (c.PieceId == copy.PieceId && c.Copy == copy.Copy)))
            {
                checks.Fault($"{prefix}copies[{i}].copy", $"Copy {copy.Copy} of {piece?.Name ?? "it"} stands on the board twice.");
            }
        }

        foreach (var (i, piece) in board.Pieces.Index())
        {
            foreach (var (k, part) in piece.Parts.Index())
            {
                if (part.ToMm <= part.FromMm)
                {
                    checks.Fault($"{prefix}pieces[{i}].parts[{k}].toMm", FormattableString.Invariant($"{part.Name} begins at {part.FromMm} mm and ends at {part.ToMm} mm. The second has to be the larger one."));
                }
            }
        }

        checks.Enforce();
    }

    /// <summary>What follows from a board.</summary>
    /// <param name="board">The board, checked.</param>
    /// <param name="pieces">Its pieces.</param>
    /// <param name="told">Joins that are told; null where they follow from where copies stand.</param>
    public static BoardAnswer Answer(BoardDraft board, IReadOnlyDictionary<Guid, DeskPiece> pieces, IReadOnlyList<MeasuredJoin>? told = null)
    {
        PlacedCopy Core(StandingCopy c)
        {
            var (piece, own) = (pieces[c.PieceId], board.Pieces.FirstOrDefault(p => p.PieceId == c.PieceId));
            return new(c.Id, c.PieceId, piece.Copies > 1 ? $"{piece.Name} {c.Copy}" : piece.Name, own?.LengthMm ?? piece.LengthMm, own?.WidthMm ?? piece.WidthMm, own?.HeightMm ?? piece.HeightMm, c.XMm, c.YMm, c.Turn, c.OnMm, c.TiltDeg)
            {
                Parts = [.. (own?.Parts ?? []).Select(p => new BoardPart(p.Name, p.Moves, p.FromMm, p.ToMm, p.AboveMm, p.HeightMm))],
            };
        }

        PlacedCopy[] copies = [.. board.Copies.Select(Core)];
        static BoardJoin Join(MeasuredJoin j) => new(j.A, j.ASide, j.B, j.BSide, j.StepMm);
        List<BoardJoin> measured = [.. board.Joins.Select(Join)];
        IReadOnlyList<BoardJoin> joins = told is null ? Board.Joins(copies, measured) : [.. told.Select(Join)];
        Datum[] datums = [.. board.Datums.Select(d => d.ToCore())];
        SideClass[] classes = [.. board.Classes.Select(c => new SideClass(c.PieceId, c.Side, c.Class.Trim()))];
        var read = BoardReading.Of(copies, joins, datums, classes);
        var faults = read.Faults.ToList();
        var loose = new List<CopyHeights>();
        foreach (var piece in pieces.Values.Where(p => read.Feet is not null && board.Copies.Count(c => c.PieceId == p.Id) < p.Copies))
        {
            // All of a piece that stand elsewhere have the same; they are set up as the first of it on the board is.
            var like = board.Copies.FirstOrDefault(c => c.PieceId == piece.Id);
            var copy = Core(new(piece.Id, piece.Id, 1, 0, 0, 0, 0, like?.TiltDeg ?? 0)) with { Name = $"{piece.Name}, others" };
            if (read.Elsewhere(copy, datums, classes, faults) is { } elsewhere)
            {
                loose.Add(Heights(copy, elsewhere.FootMm, elsewhere.Levels, datums));
            }
        }

        return new(
            [.. (read.Feet?.Joins ?? [.. joins.Select(j => new JoinStep(j, j.StepMm ?? 0, 0))]).Select(j => Meeting(j, board, copies, pieces))],
            read.Feet is { } feet ? [.. copies.Select(c => Heights(c, feet.ByCopy[c.Id], read.Levels[c.Id], datums))] : [],
            loose, read.Feet?.Groups.Count ?? 0, faults, read.Notes);
    }

    private static BoardMeeting Meeting(JoinStep step, BoardDraft board, PlacedCopy[] copies, IReadOnlyDictionary<Guid, DeskPiece> pieces)
    {
        var join = step.Join;
        double Film(Guid copy) => copies.FirstOrDefault(c => c.Id == copy) is { } of && pieces.TryGetValue(of.PieceId, out var piece) ? piece.FilmMm : 0;
        var paint = Film(join.A) + Film(join.B);
        var gap = board.Joins.FirstOrDefault(m => new BoardJoin(m.A, m.ASide, m.B, m.BSide).Same(join))?.GapMm;
        return new(join.A, join.ASide, join.B, join.BSide, Math.Round(step.StepMm, 3), join.StepMm is not null, Math.Round(step.MissMm, 3), Math.Round(paint, 3), gap, gap is { } room ? Math.Round(room - paint, 3) : null);
    }

    private static CopyHeights Heights(PlacedCopy copy, double foot, IReadOnlyList<CopyLevel> levels, Datum[] datums) => new(
        copy.Id, copy.PieceId, copy.Name, Math.Round(foot, 3),
        [.. levels.Select(l => new DatumOnCopy(l.DatumId, l.State, [.. l.Points.Select(p => p with { HeightMm = Math.Round(p.HeightMm, 3) })], l.FadesAt, l.Parts, Line(copy, foot, datums.First(d => d.Id == l.DatumId))))]);

    private static double[] Line(PlacedCopy copy, double foot, Datum datum) =>
    [
        .. Enumerable.Range(0, Places).Select(i => copy.LengthMm * i / (Places - 1)).Select(s => Math.Round(Levels.Own(copy, foot, datum, s) + Levels.Wander(datum, copy.Id, copy.LengthMm, s), 2)),
    ];
}
