using Lowfell.Core.Wording;

namespace Lowfell.Core.Boards;

/// <summary>A side of a piece, as one stands before its front.</summary>
public enum BoardSide
{
    /// <summary>Left.</summary>
    [Said("left side")]
    Left,

    /// <summary>Right.</summary>
    [Said("right side")]
    Right,

    /// <summary>Front.</summary>
    [Said("front")]
    Front,

    /// <summary>Back.</summary>
    [Said("back")]
    Back,
}

/// <summary>How a part moves.</summary>
public enum PartMoves
{
    /// <summary>About an upright axis: a door, a turret.</summary>
    [Said("turns")]
    Turns,

    /// <summary>Up and down: a gate.</summary>
    [Said("lifts")]
    Lifts,

    /// <summary>About a level axis: a gun, a ramp.</summary>
    [Said("tilts")]
    Tilts,
}

/// <summary>A part that moves, where it is at rest.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Moves">How.</param>
/// <param name="FromMm">Where it begins, from the left corner of what carries it, mm.</param>
/// <param name="ToMm">Where it ends, mm.</param>
/// <param name="AboveMm">Its own foot above that of what carries it, mm.</param>
/// <param name="HeightMm">How tall it is, mm.</param>
public sealed record BoardPart(string Name, PartMoves Moves, double FromMm, double ToMm, double AboveMm, double HeightMm);

/// <summary>A copy that stands on the board.</summary>
/// <param name="Id">Identity.</param>
/// <param name="PieceId">Its piece.</param>
/// <param name="Name">Piece and number.</param>
/// <param name="LengthMm">From its left to its right side, along the foot, mm.</param>
/// <param name="WidthMm">From its front to its back, mm.</param>
/// <param name="HeightMm">How tall it is, square to the foot, mm.</param>
/// <param name="XMm">Its middle across the board, mm.</param>
/// <param name="YMm">Its middle up the board, mm.</param>
/// <param name="Turn">Quarter turns against the clock, as seen from above, 0 to 3.</param>
/// <param name="OnMm">Its left foot above the table, as it is set up, mm.</param>
/// <param name="TiltDeg">Its foot rises to the right, degrees.</param>
public sealed record PlacedCopy(Guid Id, Guid PieceId, string Name, double LengthMm, double WidthMm, double HeightMm, double XMm, double YMm, int Turn = 0, double OnMm = 0, double TiltDeg = 0)
{
    /// <summary>Parts of it that move.</summary>
    public IReadOnlyList<BoardPart> Parts { get; init; } = [];

    /// <summary>Tilt, radians.</summary>
    public double Tilt => TiltDeg * Math.PI / 180;

    /// <summary>Foot at a place from its left corner, above the left foot, mm.</summary>
    public double Rise(double sMm) => sMm * Math.Sin(Tilt);

    /// <summary>What it takes up of the board, half of it each way, mm.</summary>
    public (double X, double Y) Half => Turn % 2 == 0 ? (LengthMm * Math.Cos(Tilt) / 2, WidthMm / 2) : (WidthMm / 2, LengthMm * Math.Cos(Tilt) / 2);

    /// <summary>The side that looks a way of the board: 0 to the right, 1 up, 2 to the left, 3 down.</summary>
    public BoardSide Looking(int way) => ((way - Turn + 4) % 4) switch { 0 => BoardSide.Right, 1 => BoardSide.Back, 2 => BoardSide.Left, _ => BoardSide.Front };

    /// <summary>Where a place of the board is along its length, from its left corner along the foot, mm.</summary>
    public double Along(double x, double y)
    {
        var (dx, dy) = (x - XMm, y - YMm);
        var level = Turn switch { 0 => dx, 1 => dy, 2 => -dx, _ => -dy };
        return Math.Clamp((LengthMm / 2) + (level / Math.Cos(Tilt)), 0, LengthMm);
    }
}

/// <summary>Two sides that meet.</summary>
/// <param name="A">One copy.</param>
/// <param name="ASide">Its side.</param>
/// <param name="B">The other.</param>
/// <param name="BSide">Its side.</param>
/// <param name="StepMm">Foot of the other over foot of the one where they meet, as it was measured, mm; null where it follows from how both are set up.</param>
public sealed record BoardJoin(Guid A, BoardSide ASide, Guid B, BoardSide BSide, double? StepMm = null)
{
    /// <summary>Where they meet along the one, from its left corner, mm; null for the end, or the middle, of that side.</summary>
    public double? AAtMm { get; init; }

    /// <summary>Where they meet along the other, mm.</summary>
    public double? BAtMm { get; init; }

    /// <summary>The same two sides, whichever is named first.</summary>
    public bool Same(BoardJoin other) => other is not null && ((A == other.A && ASide == other.ASide && B == other.B && BSide == other.BSide) || (A == other.B && ASide == other.BSide && B == other.A && BSide == other.ASide));

    /// <summary>Where it meets a copy along that, mm.</summary>
    internal double At(PlacedCopy copy)
    {
        var (side, told) = copy.Id == A ? (ASide, AAtMm) : (BSide, BAtMm);
        return told ?? (side == BoardSide.Left ? 0 : side == BoardSide.Right ? copy.LengthMm : copy.LengthMm / 2);
    }
}

/// <summary>Something that a board cannot be.</summary>
/// <param name="Field">What of it.</param>
/// <param name="What">In the painter's words.</param>
public sealed record BoardFault(string Field, string What);

/// <summary>Which sides touch.</summary>
public static class Board
{
    /// <summary>Finds the sides that meet, those that were measured with their steps.</summary>
    /// <param name="copies">Copies on the board.</param>
    /// <param name="measured">Steps that were measured: what is not there any more is left out.</param>
    public static IReadOnlyList<BoardJoin> Joins(IReadOnlyList<PlacedCopy> copies, IReadOnlyList<BoardJoin> measured)
    {
        ArgumentNullException.ThrowIfNull(copies);
        ArgumentNullException.ThrowIfNull(measured);
        var joins = new List<BoardJoin>();
        foreach (var (i, a) in copies.Index())
        {
            foreach (var b in copies.Skip(i + 1))
            {
                if (Meeting(a, b) is { } join)
                {
                    joins.Add(measured.FirstOrDefault(m => m.Same(join)) is { StepMm: { } step } known ? join with { StepMm = known.A == join.A ? step : -step } : join);
                }
            }
        }

        return joins;
    }

    /// <summary>What cannot be: copies that stand in each other, a side that meets two, a tilt too steep.</summary>
    public static IReadOnlyList<BoardFault> Faults(IReadOnlyList<PlacedCopy> copies, IReadOnlyList<BoardJoin> joins)
    {
        ArgumentNullException.ThrowIfNull(copies);
        ArgumentNullException.ThrowIfNull(joins);
        var faults = new List<BoardFault>();
        foreach (var (i, a) in copies.Index())
        {
            if (!(Math.Abs(a.TiltDeg) <= BoardTable.MostTiltDeg))
            {
                faults.Add(new($"copies[{i}].tiltDeg", $"{a.Name}: tilt goes up to {BoardTable.MostTiltDeg} degrees."));
            }

            foreach (var b in copies.Skip(i + 1))
            {
                var (x, y) = Overlap(a, b);
                if (Math.Min(x, y) > BoardTable.GapMm)
                {
                    faults.Add(new($"copies[{i}]", FormattableString.Invariant($"{a.Name} and {b.Name} stand {Math.Min(x, y):0} mm in each other: move one of them.")));
                }
            }
        }

        var byId = copies.DistinctBy(c => c.Id).ToDictionary(c => c.Id);
        var taken = new Dictionary<(Guid, BoardSide), Guid>();
        foreach (var (number, join) in joins.Index())
        {
            var (a, b) = (byId.GetValueOrDefault(join.A), byId.GetValueOrDefault(join.B));
            if (a is null || b is null || a.Id == b.Id)
            {
                faults.Add(new($"joins[{number}]", a is null && b is null ? "This join is between copies that are not on the board." : a?.Id == b?.Id ? $"{a!.Name} can't meet itself." : $"{(a ?? b)!.Name} is joined to something that is not on the board."));
                continue;
            }

            foreach (var (copy, side, other) in new[] { (a, join.ASide, b), (b, join.BSide, a) })
            {
                // A long front may have several before it; an end meets one.
                if (side is BoardSide.Left or BoardSide.Right && !taken.TryAdd((copy.Id, side), other.Id) && byId[taken[(copy.Id, side)]] is var before && before.Id != other.Id && Narrow(copy, before) && Narrow(copy, other))
                {
                    faults.Add(new($"joins[{number}]", $"{copy.Name}'s {SaidAttribute.Of(typeof(BoardSide))[side.ToString()]} already meets {before.Name}."));
                }
            }
        }

        return faults;
    }

    // What is as deep as the end that it meets takes all of it; two half as deep may share it.
    private static bool Narrow(PlacedCopy copy, PlacedCopy other) => Math.Min(other.LengthMm, other.WidthMm) > copy.WidthMm / 2;

    // How far two reach into each other each way; less than nothing for a gap.
    private static (double X, double Y) Overlap(PlacedCopy a, PlacedCopy b) =>
        (a.Half.X + b.Half.X - Math.Abs(a.XMm - b.XMm), a.Half.Y + b.Half.Y - Math.Abs(a.YMm - b.YMm));

    private static BoardJoin? Meeting(PlacedCopy a, PlacedCopy b)
    {
        var (x, y) = Overlap(a, b);
        if (Math.Abs(x) <= BoardTable.GapMm && y >= BoardTable.MeetMm)
        {
            return Of(b.XMm > a.XMm ? 0 : 2, (a.XMm + b.XMm) / 2, (Math.Max(a.YMm - a.Half.Y, b.YMm - b.Half.Y) + Math.Min(a.YMm + a.Half.Y, b.YMm + b.Half.Y)) / 2);
        }

        return Math.Abs(y) <= BoardTable.GapMm && x >= BoardTable.MeetMm
            ? Of(b.YMm > a.YMm ? 1 : 3, (Math.Max(a.XMm - a.Half.X, b.XMm - b.Half.X) + Math.Min(a.XMm + a.Half.X, b.XMm + b.Half.X)) / 2, (a.YMm + b.YMm) / 2)
            : null;

        BoardJoin Of(int way, double atX, double atY)
        {
            var join = new BoardJoin(a.Id, a.Looking(way), b.Id, b.Looking((way + 2) % 4));
            return join with { AAtMm = Place(a, join.ASide), BAtMm = Place(b, join.BSide) };
            double Place(PlacedCopy copy, BoardSide side) => side == BoardSide.Left ? 0 : side == BoardSide.Right ? copy.LengthMm : copy.Along(atX, atY);
        }
    }
}
