using Lowfell.Core.Boards;
using Lowfell.Core.Wording;

namespace Lowfell.Web.Features.Boards;

/// <summary>A part that moves, on what carries it.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Moves">How it moves.</param>
/// <param name="FromMm">Where it begins, from the left corner of what carries it, mm.</param>
/// <param name="ToMm">Where it ends, mm.</param>
/// <param name="AboveMm">Its own foot above that of what carries it, mm.</param>
/// <param name="HeightMm">How tall it is, mm.</param>
public sealed record BoardPartDraft([NameBound] string Name, PartMoves Moves, [AlongBound] double FromMm, [AlongBound] double ToMm, [StepBound] double AboveMm, [BoardSizeBound] double HeightMm);

/// <summary>A copy that stands on a board.</summary>
/// <param name="Id">Identity.</param>
/// <param name="PieceId">Its piece.</param>
/// <param name="Copy">Which copy of it.</param>
/// <param name="XMm">Its middle across the board, mm.</param>
/// <param name="YMm">Its middle up the board, mm.</param>
/// <param name="Turn">Quarter turns against the clock, as seen from above.</param>
/// <param name="OnMm">Its left foot above the table, mm.</param>
/// <param name="TiltDeg">Its foot rises to the right, degrees.</param>
public sealed record StandingCopy(
    Guid Id, Guid PieceId, [BoardCopyBound] int Copy, [BoardPlaceBound] double XMm, [BoardPlaceBound] double YMm, [QuarterTurnBound] int Turn = 0, [StepBound] double OnMm = 0, [TiltBound] double TiltDeg = 0);

/// <summary>How large a piece is on the board, and what moves on it.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Parts">Parts that move.</param>
/// <param name="LengthMm">From its left to its right side, mm; none for its own.</param>
/// <param name="WidthMm">From its front to its back, mm; none for its own.</param>
/// <param name="HeightMm">How tall it is, mm; none for its own.</param>
public sealed record StandingPiece(Guid PieceId, [BoardListBound] IReadOnlyList<BoardPartDraft> Parts, [BoardSizeBound] double? LengthMm = null, [BoardSizeBound] double? WidthMm = null, [BoardSizeBound] double? HeightMm = null);

/// <summary>What was measured of two sides that meet.</summary>
/// <param name="A">One copy.</param>
/// <param name="ASide">Its side.</param>
/// <param name="B">The other.</param>
/// <param name="BSide">Its side.</param>
/// <param name="StepMm">Foot of the other over foot of the one where they meet, mm; none where it follows from how both stand.</param>
/// <param name="GapMm">Room between both bare sides, mm; none where it was not measured.</param>
public sealed record MeasuredJoin(Guid A, BoardSide ASide, Guid B, BoardSide BSide, [StepBound] double? StepMm = null, [GapBound] double? GapMm = null);

/// <summary>A line that runs on over pieces.</summary>
/// <param name="Id">Identity.</param>
/// <param name="Name">Its name.</param>
/// <param name="Kind">What it keeps its height above.</param>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="WanderMm">How far it wanders between joins, mm.</param>
/// <param name="PieceIds">The pieces that it is on; none for all.</param>
public sealed record DatumDraft(Guid Id, [NameBound] string Name, DatumKind Kind, [DatumHeightBound] double HeightMm, [WanderBound] double WanderMm, [BoardListBound] IReadOnlyList<Guid> PieceIds)
{
    /// <summary>To Core.</summary>
    internal Datum ToCore() => new(Id, Name, Kind, HeightMm, WanderMm, PieceIds);
}

/// <summary>Sides of one class may stand beside each other in any order.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Side">Its side.</param>
/// <param name="Class">Name of the class.</param>
public sealed record ClassedSide(Guid PieceId, BoardSide Side, [NameBound] string Class);

/// <summary>What stands where on the table, and the lines that run on over it.</summary>
/// <param name="Copies">Copies on the board.</param>
/// <param name="Pieces">Sizes and moving parts, where they are not as the piece says.</param>
/// <param name="Joins">What was measured where sides meet.</param>
/// <param name="Datums">Lines.</param>
/// <param name="Classes">Classes of sides.</param>
public sealed record BoardDraft(
    [BoardCopiesBound] IReadOnlyList<StandingCopy> Copies, [BoardListBound] IReadOnlyList<StandingPiece> Pieces, [BoardStepsBound] IReadOnlyList<MeasuredJoin> Joins, [DatumsBound] IReadOnlyList<DatumDraft> Datums, [BoardListBound] IReadOnlyList<ClassedSide> Classes);

/// <summary>A board as it is to be kept.</summary>
/// <param name="Version">Version that it was changed from; 0 for the first.</param>
/// <param name="Board">The board.</param>
public sealed record BoardChange([VersionBound] int Version, BoardDraft Board);

/// <summary>A piece that may stand on a board.</summary>
/// <param name="Id">The piece.</param>
/// <param name="Name">Its name.</param>
/// <param name="Copies">How many there are.</param>
/// <param name="LengthMm">From its left to its right side, mm.</param>
/// <param name="WidthMm">From its front to its back, mm.</param>
/// <param name="HeightMm">How tall it is, mm.</param>
/// <param name="Rectangle">It is taken for a rectangle, which it is not.</param>
/// <param name="Colour">Colour of its largest zone, as it is planned; null where nothing is.</param>
public sealed record BoardPiece(Guid Id, string Name, int Copies, double LengthMm, double WidthMm, double HeightMm, bool Rectangle, string? Colour);

/// <summary>Two sides that meet.</summary>
/// <param name="A">One copy.</param>
/// <param name="ASide">Its side.</param>
/// <param name="B">The other.</param>
/// <param name="BSide">Its side.</param>
/// <param name="StepMm">Foot of the other over foot of the one, mm.</param>
/// <param name="Measured">It was measured.</param>
/// <param name="MissMm">How far the heights that were found are from that, mm.</param>
/// <param name="PaintMm">Paint on both sides together once all is painted, mm.</param>
/// <param name="GapMm">Room between both bare sides, mm; null where it was not measured.</param>
/// <param name="GapLeftMm">Room once both are painted, mm.</param>
public sealed record BoardMeeting(Guid A, BoardSide ASide, Guid B, BoardSide BSide, double StepMm, bool Measured, double MissMm, double PaintMm, double? GapMm, double? GapLeftMm);

/// <summary>A line on a copy.</summary>
/// <param name="DatumId">The line.</param>
/// <param name="State">How it lies there.</param>
/// <param name="Points">At left, middle and right, and every 50 mm on a tilted foot.</param>
/// <param name="FadesAt">Sides at which it fades out over a centimetre.</param>
/// <param name="Parts">On parts that move, at rest.</param>
/// <param name="Line">As it is drawn, wandering: height above the foot at even steps from left to right, mm.</param>
public sealed record DatumOnCopy(Guid DatumId, LevelState State, IReadOnlyList<LevelPoint> Points, IReadOnlyList<BoardSide> FadesAt, IReadOnlyList<PartLevel> Parts, IReadOnlyList<double> Line);

/// <summary>A copy, and the lines on it.</summary>
/// <param name="Id">The copy on the board; that of the piece for all copies that stand elsewhere.</param>
/// <param name="PieceId">Its piece.</param>
/// <param name="Name">Piece and number.</param>
/// <param name="FootMm">Its left foot above the table, mm.</param>
/// <param name="Levels">The lines.</param>
public sealed record CopyHeights(Guid Id, Guid PieceId, string Name, double FootMm, IReadOnlyList<DatumOnCopy> Levels);

/// <summary>What follows from a board.</summary>
/// <param name="Joins">Sides that meet.</param>
/// <param name="Copies">Heights on each copy.</param>
/// <param name="Loose">Heights on copies that stand elsewhere, by the classes of their sides.</param>
/// <param name="Groups">How many parts of it hang together by joins.</param>
/// <param name="Faults">What cannot be, or does not agree.</param>
/// <param name="Notes">What is worth knowing.</param>
public sealed record BoardAnswer(IReadOnlyList<BoardMeeting> Joins, IReadOnlyList<CopyHeights> Copies, IReadOnlyList<CopyHeights> Loose, int Groups, IReadOnlyList<BoardFault> Faults, IReadOnlyList<string> Notes);

/// <summary>The board of a set.</summary>
/// <param name="SetId">The set.</param>
/// <param name="Name">Its name.</param>
/// <param name="Version">Version; 0 for one that was not kept yet.</param>
/// <param name="Board">What stands where.</param>
/// <param name="Pieces">What may.</param>
/// <param name="Answer">What follows.</param>
/// <param name="Gone">Copies that are no longer in the set; they are left out once the board is kept.</param>
/// <param name="UsualLines">Lines that can be added, as they begin.</param>
public sealed record BoardView(Guid SetId, string Name, int Version, BoardDraft Board, IReadOnlyList<BoardPiece> Pieces, BoardAnswer Answer, int Gone, IReadOnlyList<UsualLine> UsualLines);

/// <summary>A piece, for a board that is not kept.</summary>
/// <param name="Id">The piece.</param>
/// <param name="Name">Its name.</param>
/// <param name="LengthMm">From its left to its right side, mm.</param>
/// <param name="WidthMm">From its front to its back, mm.</param>
/// <param name="HeightMm">How tall it is, mm.</param>
/// <param name="Copies">How many there are.</param>
public sealed record PreviewPiece(Guid Id, [NameBound] string Name, [BoardSizeBound] double LengthMm, [BoardSizeBound] double WidthMm, [BoardSizeBound] double HeightMm, [BoardCopyBound] int Copies = 1);

/// <summary>A whole board, with its pieces.</summary>
/// <param name="Pieces">The pieces.</param>
/// <param name="Board">What stands where.</param>
/// <param name="Joins">The joins themselves, where they are told instead of found from where copies stand.</param>
public sealed record BoardPreview([BoardListBound] IReadOnlyList<PreviewPiece> Pieces, BoardDraft Board, [BoardStepsBound] IReadOnlyList<MeasuredJoin>? Joins = null);

/// <summary>Lines on a copy of a piece, as they are marked.</summary>
/// <param name="Copy">Number of the copy; 0 for all that stand elsewhere.</param>
/// <param name="Lines">The lines.</param>
public sealed record LinesOnCopy(int Copy, IReadOnlyList<NamedLine> Lines);

/// <summary>A line, by its name.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Kind">What it keeps its height above.</param>
/// <param name="On">How it lies there.</param>
/// <param name="HeightMm">Its height, mm.</param>
public sealed record NamedLine(string Name, DatumKind Kind, DatumOnCopy On, double HeightMm);
