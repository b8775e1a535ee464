using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>Moves bodies about until they stand well together (annealing after Kirkpatrick, Gelatt and Vecchi 1983). What is locked counts and never moves.</summary>
internal sealed class Annealing
{
    private const double Hot = 0.5, Cold = 0.004;
    private const int Steps = 1200, StepsPerBody = 80;

    private readonly Placement place;
    private readonly Score score;
    private readonly Seeds random;
    private readonly int[] free;
    private readonly Body.Was[] was;
    private readonly List<int> moved = [];
    private readonly double[] rowsWere = new double[Enum.GetValues<ElementKind>().Length];
    private bool looked;

    public Annealing(Placement place, Score score, Seeds random)
    {
        (this.place, this.score, this.random) = (place, score, random);
        free = [.. place.Bodies.Index().Where(b => !b.Item.Source.Locked).Select(b => b.Index)];
        was = new Body.Was[place.Bodies.Count];
    }

    /// <summary>Runs it; what it found best stands at the end.</summary>
    /// <param name="effort">Part of the usual steps.</param>
    public void Run(double effort)
    {
        if (free.Length == 0)
        {
            return;
        }

        var bodies = place.Bodies;
        var steps = (int)((Steps + (StepsPerBody * bodies.Count)) * effort);
        var radius = place.Seat.Form.Radius;
        var energy = score.Total();
        var best = energy;
        Body.Was[] kept = [.. bodies.Select(b => b.Now())];
        var cooling = Steady.Log(Cold / Hot);
        var narrowing = Steady.Log(0.05);
        for (var step = 0; step < steps; step++)
        {
            var gone = (double)step / steps;
            var heat = Hot * Steady.Exp(cooling * gone);
            if (!Move(radius * 0.5 * Steady.Exp(narrowing * gone), gone))
            {
                Back();
                continue;
            }

            Look();
            var now = score.Total();
            if (now > energy && random.Unit() >= Steady.Exp((energy - now) / heat))
            {
                Back();
                continue;
            }

            energy = now;
            if (energy < best - 1e-9)
            {
                best = energy;
                for (var i = 0; i < kept.Length; i++)
                {
                    kept[i] = bodies[i].Now();
                }
            }
        }

        for (var i = 0; i < kept.Length; i++)
        {
            bodies[i].Put(kept[i].X, kept[i].Y, kept[i].Angle);
        }

        score.LookAtAll();
    }

    // Of ten moves six shift one, one turns one, one shifts a cluster, one turns one about the middle, one swaps two.
    private bool Move(double far, double gone)
    {
        moved.Clear();
        looked = false;
        var bodies = place.Bodies;
        var kind = random.Below(10);
        if (kind < 7 || bodies.Count < 2)
        {
            var body = bodies[free[random.Below(free.Length)]];
            return kind < 1
                ? Try(body, body.X, body.Y, body.Angle + (random.Normal() * 0.8)) && Stands()
                : Try(body, body.X + (random.Normal() * far), body.Y + (random.Normal() * far), body.Angle + (random.Normal() * 0.25)) && Stands();
        }

        if (kind == 9)
        {
            var (a, b) = (bodies[free[random.Below(free.Length)]], bodies[free[random.Below(free.Length)]]);
            if (a == b)
            {
                return false;
            }

            var (x, y) = (a.X, a.Y);
            Try(a, b.X, b.Y, a.Angle);
            Try(b, x, y, b.Angle);
            return Stands();
        }

        var cluster = bodies[free[random.Below(free.Length)]].Source.Cluster;
        var (dx, dy, turn) = kind == 7 ? (random.Normal() * far, random.Normal() * far, 0.0) : (0, 0, random.Normal() * (0.1 + (1.2 * (1 - gone))));
        var (c, s) = (Steady.Cos(turn), Steady.Sin(turn));
        foreach (var i in free)
        {
            if (bodies[i].Source.Cluster == cluster)
            {
                var (x, y) = (bodies[i].X + dx, bodies[i].Y + dy);
                Try(bodies[i], (c * x) - (s * y), (s * x) + (c * y), bodies[i].Angle + (turn / 2));
            }
        }

        return Stands();
    }

    private bool Try(Body body, double x, double y, double angle)
    {
        var i = place.Bodies.IndexOf(body);
        was[i] = body.Try(x, y, angle);
        moved.Add(i);
        return true;
    }

    private bool Stands()
    {
        foreach (var i in moved)
        {
            if (place.Of(place.Bodies[i], out _) != Hindrance.None)
            {
                return false;
            }
        }

        foreach (var i in moved)
        {
            if (!place.Bodies[i].Rigid && !place.Together(place.Bodies[i].Source.Cluster))
            {
                return false;
            }
        }

        return true;
    }

    private void Look()
    {
        looked = true;
        foreach (var i in moved)
        {
            var kind = place.Bodies[i].Source.Kind;
            rowsWere[(int)kind] = score.RowsOf(kind);
            score.Look(place.Bodies[i]);
        }

        foreach (var i in moved)
        {
            score.LookAtRows(place.Bodies[i].Source.Kind);
        }
    }

    private void Back()
    {
        for (var k = moved.Count - 1; k >= 0; k--)
        {
            var body = place.Bodies[moved[k]];
            body.Back(was[moved[k]]);
            if (looked)
            {
                score.RowsOf(body.Source.Kind, rowsWere[(int)body.Source.Kind]);
            }
        }

        looked = false;
        moved.Clear();
    }
}
