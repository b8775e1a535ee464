using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>How well a layout is composed; 0 is best. Weights and limits are craft estimates.</summary>
/// <remarks>What a body takes of the calm ground and of the way round is kept with it, and rows by kind, so that a move costs what moved and no more.</remarks>
internal sealed class Score
{
    /// <summary>Names of the terms, in the order of <see cref="Terms"/>.</summary>
    public static readonly string[] Names = ["ring", "row", "rise", "front", "calm", "cohesion", "apart", "diagonal", "balance", "strata", "interest"];

    /// <summary>Directions that the way round is told in.</summary>
    public const int Directions = 36;

    private const int CalmPoints = 72;
    private const double CalmMm = 1.2;
    private static readonly double[] Weights = [4, 2, 2, 2, 3, 2.2, 1.5, 1, 1, 0.7, 0.7];

    private readonly Placement place;
    private readonly Point rise;
    private readonly double riseReach;
    private readonly double strata;
    private readonly bool livelyFront;
    private readonly double calm;
    private readonly Point[] points;
    private readonly double[] rows = new double[Enum.GetValues<ElementKind>().Length];

    /// <param name="place">What stands where.</param>
    /// <param name="riseAngle">Way that the ground rises, radians.</param>
    /// <param name="strata">Way of the layers of the rock, radians.</param>
    /// <param name="family">The family.</param>
    public Score(Placement place, double riseAngle, double strata, BaseFamily family)
    {
        (this.place, this.strata, rise, livelyFront) = (place, strata, Point.Towards(riseAngle), family.LivelyFront);
        calm = Math.Max(BaseFamily.LeastCalm, family.Calm - 0.13);
        var form = place.Seat.Form;
        riseReach = form.Reach(rise);

        // Evenly over the face, as seeds in a sunflower (Vogel 1979).
        points = [.. Enumerable.Range(0, CalmPoints).Select(i =>
        {
            var way = Point.Towards(i * 2.399963229728653);
            return Math.Sqrt((i + 0.5) / CalmPoints) * form.Reach(way) * way;
        })];
    }

    /// <summary>The terms, unweighted.</summary>
    public double[] Terms { get; } = new double[Names.Length];

    /// <summary>Looks at bodies anew after they have moved.</summary>
    public void Look(Body body)
    {
        var form = place.Seat.Form;
        var far = Math.Sqrt((body.X * body.X) + (body.Y * body.Y));
        var way = far < 1e-9 ? new Point(1, 0) : new Point(body.X / far, body.Y / far);
        (body.Way, body.Out) = (Steady.Atan2(body.Y, body.X), far / form.Reach(way));
        body.Round = 0;
        if (body.Out >= 0.5)
        {
            // Half the angle that it takes, seen from the middle.
            var sine = Math.Min(1, body.Around * 0.9 / Math.Max(far, body.Around));
            var half = Steady.Atan2(sine, Math.Sqrt(1 - (sine * sine))) + 0.06;
            var (from, to) = ((int)Math.Floor((body.Way - half) / (2 * Math.PI) * Directions), (int)Math.Floor((body.Way + half) / (2 * Math.PI) * Directions));
            for (var k = from; k <= to; k++)
            {
                body.Round |= 1UL << (((k % Directions) + Directions) % Directions);
            }
        }

        body.Covers = 0;
        var reach = (body.Around * 0.86) + CalmMm;
        for (var i = 0; i < points.Length; i++)
        {
            var (dx, dy) = (points[i].X - body.X, points[i].Y - body.Y);
            var square = (dx * dx) + (dy * dy);
            if (square < reach * reach && (square < reach * reach * 0.3 || Outlines.Distance(body.Outline, points[i]) < CalmMm))
            {
                body.Covers |= UInt128.One << i;
            }
        }
    }

    /// <summary>Looks for rows of a kind anew.</summary>
    public void LookAtRows(ElementKind kind) => rows[(int)kind] = Marks.Row(place.Bodies, kind);

    /// <summary>What was found of rows of a kind; to be put back where a move is taken back.</summary>
    public double RowsOf(ElementKind kind) => rows[(int)kind];

    /// <summary>Puts back what was found.</summary>
    public void RowsOf(ElementKind kind, double was) => rows[(int)kind] = was;

    /// <summary>Looks at everything.</summary>
    public void LookAtAll()
    {
        foreach (var body in place.Bodies)
        {
            Look(body);
        }

        foreach (var kind in Enum.GetValues<ElementKind>())
        {
            LookAtRows(kind);
        }
    }

    /// <summary>The score as it stands.</summary>
    public double Total()
    {
        var bodies = place.Bodies;
        if (bodies.Count == 0)
        {
            Array.Clear(Terms);
            return 0;
        }

        var form = place.Seat.Form;
        var round = 0UL;
        UInt128 covered = 0;
        double volume = 0, along = 0, mx = 0, my = 0, front = 0, strataSum = 0, interest = 0;
        var layered = 0;
        foreach (var body in bodies)
        {
            round |= body.Round;
            covered |= body.Covers;
            var v = body.Rigid ? body.Volume : 0.25 * body.Volume;
            volume += v;
            along += v * ((body.X * rise.X) + (body.Y * rise.Y));
            mx += v * body.X;
            my += v * body.Y;
            front += Front(body, form.Radius);
            if (body.Source.Kind.Facts().FollowsStrata && body.Source.LengthMm > 1.3 * body.Source.WidthMm)
            {
                layered++;
                strataSum += Over(Math.Abs(Math.IEEERemainder(body.Angle - strata, Math.PI)), 0.4, 1.2);
            }

            interest += Interest(body);
        }

        Terms[0] = Over(BitCount(round) / (double)Directions, 0.45, 0.5);
        Terms[1] = rows.Max();
        Terms[2] = Under(along / (riseReach * volume), 0.35, 0.35);
        Terms[3] = livelyFront ? 0 : Math.Min(4, front * front);
        Terms[4] = Under(1 - ((double)(int)UInt128.PopCount(covered) / CalmPoints), calm, 0.2);
        Clusters();
        var off = Math.Sqrt(Square(mx / volume / form.A) + Square(my / volume / form.B));
        Terms[8] = Under(off, 0.15, 0.15) + Over(off, 0.55, 0.3);
        Terms[9] = layered > 0 ? strataSum / layered : 0;
        Terms[10] = interest;
        var total = 0.0;
        for (var i = 0; i < Terms.Length; i++)
        {
            total += Weights[i] * Terms[i];
        }

        return total;
    }

    /// <summary>Share of the way round that something stands on near the rim.</summary>
    public static double RoundShare(IEnumerable<Body> bodies) => BitCount(bodies.Aggregate(0UL, (all, b) => all | b.Round)) / (double)Directions;

    // Cohesion: gap to the next of the cluster. Apart: hearts keep a distance. Diagonal: the two heaviest are neither in line nor side by side.
    private void Clusters()
    {
        var bodies = place.Bodies;
        var form = place.Seat.Form;
        double cohesion = 0, apart = 0, diagonal = 0;
        var counted = 0;
        Body? first = null, second = null;
        for (var i = 0; i < bodies.Count; i++)
        {
            var body = bodies[i];
            if (body.Source.Heart)
            {
                for (var j = i + 1; j < bodies.Count; j++)
                {
                    if (bodies[j].Source.Heart)
                    {
                        apart += Square(Math.Max(0, (0.85 * form.Radius) - Far(body, bodies[j])) / form.Radius);
                    }
                }

                (first, second) = first is null || body.Volume > first.Volume ? (body, first) : second is null || body.Volume > second.Volume ? (first, body) : (first, second);
                continue;
            }

            var gap = double.MaxValue;
            for (var j = 0; j < bodies.Count; j++)
            {
                var other = bodies[j];
                if (j != i && other.Source.Cluster == body.Source.Cluster && (other.Source.Heart || j < i))
                {
                    gap = Math.Min(gap, Far(body, other) - ((body.Source.LengthMm + body.Source.WidthMm + other.Source.LengthMm + other.Source.WidthMm) / 4));
                }
            }

            if (gap < double.MaxValue)
            {
                counted++;
                cohesion += Math.Min(4, Square((gap - 0.5) / 2));
            }
        }

        if (second is not null)
        {
            var angle = Steady.Atan2(Math.Abs(first!.X - second.X) * form.B / form.A, Math.Abs(first.Y - second.Y)) * 180 / Math.PI;
            diagonal = Under(angle, 22, 22) + Over(angle, 68, 22);
        }

        (Terms[5], Terms[6], Terms[7]) = (counted > 0 ? cohesion / counted : 0, apart, diagonal);
    }

    private static double Front(Body body, double radius)
    {
        var far = Math.Sqrt((body.X * body.X) + (body.Y * body.Y));
        if (body.HeightMm < 2.2 || far <= 0.25 * radius)
        {
            return 0;
        }

        var ahead = -body.Y / far;
        return ahead > 0.6 ? (body.HeightMm - 1.5) / 4 * (ahead - 0.6) / 0.4 * (body.Rigid ? 1 : 0.5) : 0;
    }

    // What draws the eye stands off a front third point; what should stand out over the edge, does.
    private double Interest(Body body)
    {
        var form = place.Seat.Form;
        var sum = 0.0;
        if (body.Source.OverhangMm is > 0 and var wanted)
        {
            var reached = 0.0;
            foreach (var v in body.Outline)
            {
                reached = Math.Max(reached, -form.Within(v.X, v.Y));
            }

            sum += 4 * Square(Math.Max(0, (wanted * 0.8) - reached) / wanted);
        }

        if (body.Source.Kind.IsOfInterest())
        {
            var (left, right) = (new Point(body.X + (0.5 * form.A), body.Y + (0.35 * form.B)), new Point(body.X - (0.5 * form.A), body.Y + (0.35 * form.B)));
            sum += Square(Math.Min(left.Length, right.Length) / form.Radius);
        }

        return sum;
    }

    private static int BitCount(ulong bits) => System.Numerics.BitOperations.PopCount(bits);

    private static double Far(Body a, Body b) => Math.Sqrt(Square(a.X - b.X) + Square(a.Y - b.Y));

    private static double Over(double x, double limit, double per) => Square(Math.Max(0, x - limit) / per);

    private static double Under(double x, double limit, double per) => Square(Math.Max(0, limit - x) / per);

    private static double Square(double x) => x * x;
}
