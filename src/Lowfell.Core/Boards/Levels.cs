using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Boards;

/// <summary>What a line keeps its height above.</summary>
public enum DatumKind
{
    /// <summary>The table: tide, weed, salt, damp in water.</summary>
    [Said("level: the same above the table")]
    Level,

    /// <summary>The foot: dust, mud, splash, rising damp.</summary>
    [Said("with the ground: the same above the foot")]
    Ground,
}

/// <summary>A line that runs on over the pieces of a board.</summary>
/// <param name="Id">Identity.</param>
/// <param name="Name">Its name.</param>
/// <param name="Kind">What it keeps its height above.</param>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="WanderMm">How far it wanders from that between joins, mm.</param>
/// <param name="PieceIds">The pieces that it is on; none for all.</param>
public sealed record Datum(Guid Id, string Name, DatumKind Kind, double HeightMm, double WanderMm, IReadOnlyList<Guid> PieceIds)
{
    /// <summary>Whether it is on a piece.</summary>
    public bool On(Guid pieceId) => PieceIds.Count == 0 || PieceIds.Contains(pieceId);
}

/// <summary>How a line lies on a copy.</summary>
public enum LevelState
{
    /// <summary>It runs over it.</summary>
    [Said("over it")]
    Over,

    /// <summary>It is below its foot all along.</summary>
    [Said("none")]
    None,

    /// <summary>It is above its top all along.</summary>
    [Said("all of it is under")]
    Under,
}

/// <summary>Height of a line on a copy.</summary>
/// <param name="AtMm">Where, from the left corner along the foot, mm.</param>
/// <param name="HeightMm">Above its own foot, square to it, mm; less than nothing where the line is below it.</param>
/// <param name="MarkMm">As it is marked, to half a millimetre.</param>
public sealed record LevelPoint(double AtMm, double HeightMm, double MarkMm);

/// <summary>Height of a line on a part that moves, as it is at rest.</summary>
/// <param name="Name">The part.</param>
/// <param name="Moves">How it moves.</param>
/// <param name="LeftMm">At its left, above its own foot, mm.</param>
/// <param name="RightMm">At its right, mm.</param>
/// <param name="AllRound">The same height all round.</param>
/// <param name="HiddenShare">What it hides at rest gets so much of the line, share; 0 where it hides nothing.</param>
public sealed record PartLevel(string Name, PartMoves Moves, double LeftMm, double RightMm, bool AllRound, double HiddenShare);

/// <summary>A line on a copy.</summary>
/// <param name="DatumId">The line.</param>
/// <param name="State">How it lies there.</param>
/// <param name="Points">At left, middle and right, and every 50 mm on a tilted foot.</param>
/// <param name="FadesAt">Sides at which it fades out over a centimetre, as the ground steps there.</param>
/// <param name="Parts">On parts that move.</param>
public sealed record CopyLevel(Guid DatumId, LevelState State, IReadOnlyList<LevelPoint> Points, IReadOnlyList<BoardSide> FadesAt, IReadOnlyList<PartLevel> Parts);

/// <summary>Heights of lines over joins.</summary>
public static class Levels
{
    // Waves of the wander along a side.
    private static readonly int[] Waves = [2, 3, 5];

    /// <summary>Height of a line on a copy, above its own foot and square to it, mm: <c>(H - z - s sin t) / cos t</c> of a level one.</summary>
    /// <param name="copy">The copy.</param>
    /// <param name="leftFootMm">Its left foot above the table, mm.</param>
    /// <param name="datum">The line.</param>
    /// <param name="atMm">Where, from the left corner along the foot, mm.</param>
    public static double Own(PlacedCopy copy, double leftFootMm, Datum datum, double atMm)
    {
        ArgumentNullException.ThrowIfNull(copy);
        ArgumentNullException.ThrowIfNull(datum);
        return datum.Kind == DatumKind.Ground ? datum.HeightMm : (datum.HeightMm - leftFootMm - copy.Rise(atMm)) / Math.Cos(copy.Tilt);
    }

    /// <summary>Above the table, mm, of what is so high above the foot of a copy, square to it.</summary>
    public static double Above(PlacedCopy copy, double leftFootMm, double atMm, double heightMm)
    {
        ArgumentNullException.ThrowIfNull(copy);
        return leftFootMm + copy.Rise(atMm) + (heightMm * Math.Cos(copy.Tilt));
    }

    /// <summary>A height as it is marked.</summary>
    public static double Marked(double heightMm) => Math.Round(heightMm / BoardTable.MarkMm, MidpointRounding.AwayFromZero) * BoardTable.MarkMm;

    /// <summary>A line on a copy.</summary>
    /// <param name="copy">The copy.</param>
    /// <param name="feet">How all of them stand.</param>
    /// <param name="datum">The line.</param>
    public static CopyLevel Of(PlacedCopy copy, Feet feet, Datum datum)
    {
        ArgumentNullException.ThrowIfNull(copy);
        ArgumentNullException.ThrowIfNull(feet);
        ArgumentNullException.ThrowIfNull(datum);
        var z = feet.ByCopy[copy.Id];
        var tilted = copy.TiltDeg != 0;
        var places = new[] { 0, copy.LengthMm / 2, copy.LengthMm }.Concat(tilted ? Enumerable.Range(1, (int)(copy.LengthMm / BoardTable.EveryMm)).Select(i => i * BoardTable.EveryMm) : []).Where(s => s <= copy.LengthMm).Distinct().Order();
        LevelPoint[] points = [.. places.Select(s => Own(copy, z, datum, s)).Zip(places, (h, s) => new LevelPoint(s, h, Marked(h)))];
        var state = points.All(p => p.HeightMm < 0) ? LevelState.None : points.All(p => p.HeightMm > copy.HeightMm) ? LevelState.Under : LevelState.Over;
        return new(
            datum.Id, state, points, datum.Kind == DatumKind.Ground ? FadesAt(copy, feet) : [],
            [.. copy.Parts.Select(p => Part(copy, z, datum, p)).OfType<PartLevel>()]);
    }

    /// <summary>How far a line wanders from its height, mm: three seeded waves that die out within a centimetre of each side, so that lines meet at joins.</summary>
    /// <param name="datum">The line.</param>
    /// <param name="copyId">The copy.</param>
    /// <param name="lengthMm">Its length, mm.</param>
    /// <param name="atMm">Where, mm.</param>
    public static double Wander(Datum datum, Guid copyId, double lengthMm, double atMm)
    {
        ArgumentNullException.ThrowIfNull(datum);
        if (datum.WanderMm == 0)
        {
            return 0;
        }

        var seeds = new Seeds(Seeds.Of(copyId, Seeds.Of(datum.Id, 0)));
        var (sum, most) = (0.0, 0.0);
        foreach (var wave in Waves)
        {
            var (strength, phase) = (seeds.In(0.5, 1) / wave, seeds.In(0, 2 * Math.PI));
            sum += strength * Steady.Sin((2 * Math.PI * wave * atMm / lengthMm) + phase);
            most += strength;
        }

        var near = Math.Clamp(Math.Min(atMm, lengthMm - atMm) / BoardTable.CalmMm, 0, 1);
        return datum.WanderMm * sum / most * near * near * (3 - (2 * near));
    }

    // On the higher of two whose feet differ.
    private static IReadOnlyList<BoardSide> FadesAt(PlacedCopy copy, Feet feet) =>
    [
        .. feet.Joins.Where(j => (j.Join.A == copy.Id && j.StepMm < -BoardTable.MissMm) || (j.Join.B == copy.Id && j.StepMm > BoardTable.MissMm))
            .Select(j => j.Join.A == copy.Id ? j.Join.ASide : j.Join.BSide).Distinct().Order(),
    ];

    private static PartLevel? Part(PlacedCopy copy, double z, Datum datum, BoardPart part)
    {
        double At(double s) => Own(copy, z, datum, s) - part.AboveMm;
        var (left, right) = (At(part.FromMm), At(part.ToMm));
        if (Math.Max(left, right) < 0 || Math.Min(left, right) > part.HeightMm)
        {
            return null;
        }

        // What goes round keeps the height of its axis.
        var middle = At((part.FromMm + part.ToMm) / 2);
        return part.Moves == PartMoves.Turns ? new(part.Name, part.Moves, Marked(middle), Marked(middle), true, 0) : new(part.Name, part.Moves, Marked(left), Marked(right), false, BoardTable.HiddenShare);
    }
}
