using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>So much film on two faces that they no longer fit.</summary>
public static class JointClearance
{
    /// <summary>The rule.</summary>
    public static readonly PieceRule Rule = new("joint-clearance", "The join jams", [Severity.Stop, Severity.Risk],
        "The films on two faces that fit against each other take up more room than there is between them.")
    {
        Check = Find,
    };

    private static IEnumerable<PieceFault> Find(PieceReading reading)
    {
        foreach (var join in reading.Piece.Joins)
        {
            var (a, b) = (reading.Place(join.A), reading.Place(join.B));
            if (a < 0 || b < 0)
            {
                continue;
            }

            var film = Film(reading, a) + Film(reading, b);
            var room = join.ClearanceMm * 1000;
            if (film * Predictor.HeavyHand <= room || film <= 0)
            {
                continue;
            }

            var jams = film > room;
            var zone = Film(reading, a) >= Film(reading, b) ? a : b;
            var other = zone == a ? b : a;
            yield return new(
                jams ? Severity.Stop : Severity.Risk,
                zone,
                Thickest(reading, zone),
                $"{reading.Piece.Zones[zone].Name} and {reading.Piece.Zones[other].Name} {(jams ? "will not fit" : "may not fit")} together once they are painted.",
                jams ? "The paint on both faces is thicker than the room between them." : "With a heavy hand the paint on both faces fills the room between them.",
                "Mask the faces that meet, lay fewer passes there, or sand them back.")
            {
                With = other,
                Figure = $"{film:0} um of film, {film * Predictor.HeavyHand:0} um by a heavy hand, for {room:0} um of room.",
            };
        }
    }

    private static double Film(PieceReading reading, int zone) => reading.Stack(zone).Applied.Sum(reading.Stack(zone).FaceFilmUm);

    private static int Thickest(PieceReading reading, int zone) => reading.Stack(zone).Applied.MaxBy(reading.Stack(zone).FaceFilmUm);
}
