using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>Why something can't stand where it is put.</summary>
public enum Hindrance
{
    /// <summary>It can.</summary>
    None,

    /// <summary>It reaches into the rim.</summary>
    Rim,

    /// <summary>It stands on a landing, or too near to one.</summary>
    Landing,

    /// <summary>It stands between the landings, where the ground is kept free.</summary>
    Hull,

    /// <summary>It is too high for what hangs over it.</summary>
    Overhead,

    /// <summary>Another stands there.</summary>
    Other,

    /// <summary>A tuft strays from the others of its cluster.</summary>
    Strays,
}

/// <summary>The hard limits of a base: nothing that breaks one of them is ever laid.</summary>
internal sealed class Placement
{
    /// <summary>Gap between two elements, mm.</summary>
    private const double GapMm = 0.1;

    /// <summary>Air under what hangs over, mm.</summary>
    private const double AirMm = 0.5;

    /// <summary>Tufts may stand so much nearer to the edge than what is rigid, mm; never within 1 mm of it.</summary>
    private const double TuftMm = 0.5;

    /// <summary>Most between a tuft and the next of its cluster, mm.</summary>
    private const double StrayMm = 3;

    // A landing this far from the middle of an element need not be looked at.
    private const double FarMm = 30;

    private readonly Point[] landingMiddles;
    private readonly double slack;

    /// <param name="seat">Form and figure.</param>
    /// <param name="terrain">Ground.</param>
    /// <param name="rimMm">How much wider the rim stays free than usual, mm.</param>
    /// <param name="slack">How much more than asked is kept, mm, so that places may be rounded.</param>
    public Placement(Seat seat, Terrain terrain, double rimMm, double slack)
    {
        (Seat, Terrain, this.slack) = (seat, terrain, slack);
        MarginMm = seat.Form.MarginMm + rimMm;
        landingMiddles = [.. seat.Landings.Select(l => new Point(l.Outline.Average(v => v.X), l.Outline.Average(v => v.Y)))];
    }

    public Seat Seat { get; }

    public Terrain Terrain { get; }

    public double MarginMm { get; }

    public List<Body> Bodies { get; } = [];

    /// <summary>What stands in the way of a body where it is; itself among the others is passed over.</summary>
    /// <param name="body">The body.</param>
    /// <param name="overhead">What hangs over it, where that is the reason.</param>
    public Hindrance Of(Body body, out string overhead)
    {
        overhead = "";
        return InRim(body) ? Hindrance.Rim
            : OnLanding(body) ? Hindrance.Landing
            : Seat.Figure.HullFree && Seat.Hull.Length > 0 && body.Rigid && Outlines.Gap(body.Outline, Seat.Hull) < 0 ? Hindrance.Hull
            : TooHigh(body, ref overhead) ? Hindrance.Overhead
            : Meets(body) is not null ? Hindrance.Other
            : Hindrance.None;
    }

    /// <summary>Whether a cluster of tufts stands together, each near another of it.</summary>
    public bool Together(int cluster)
    {
        foreach (var body in Bodies)
        {
            if (body.Source.Cluster == cluster && !body.Rigid && !body.Source.Heart && Strays(body))
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>Whether a tuft is far from all others of its cluster that stand already.</summary>
    public bool Strays(Body body)
    {
        if (body.Rigid)
        {
            return false;
        }

        var (alone, least) = (true, double.MaxValue);
        foreach (var other in Bodies)
        {
            if (other != body && other.Source.Cluster == body.Source.Cluster)
            {
                alone = false;
                least = Math.Min(least, Math.Sqrt(Square(other.X - body.X) + Square(other.Y - body.Y)) - ((other.Source.LengthMm + body.Source.LengthMm) / 2));
            }
        }

        return !alone && least > StrayMm - slack;
    }

    /// <summary>The body that one runs into; null where it stands free.</summary>
    public Body? Meets(Body body)
    {
        foreach (var other in Bodies)
        {
            if (other != body && Square(other.X - body.X) + Square(other.Y - body.Y) < Square(other.Around + body.Around + GapMm + slack)
                && Outlines.Gap(body.Outline, other.Outline) < GapMm + slack)
            {
                return other;
            }
        }

        return null;
    }

    private bool InRim(Body body)
    {
        var form = Seat.Form;
        if (body.Source.OverhangMm > 0)
        {
            // Its middle stays on the base, and at the front nothing sticks out under the eyes.
            if (form.Within(body.X, body.Y) < MarginMm * 0.6 || body.Y < -0.3 * form.B)
            {
                return true;
            }

            foreach (var v in body.Outline)
            {
                if (form.Within(v.X, v.Y) < -body.Source.OverhangMm + slack)
                {
                    return true;
                }
            }

            return false;
        }

        var margin = (body.Rigid ? MarginMm : Math.Max(1, MarginMm - TuftMm)) + slack;
        if (form.Within(body.X, body.Y) < margin)
        {
            return true;
        }

        foreach (var v in body.Outline)
        {
            if (form.Within(v.X, v.Y) < margin)
            {
                return true;
            }
        }

        return false;
    }

    private bool OnLanding(Body body)
    {
        for (var i = 0; i < landingMiddles.Length; i++)
        {
            if (new Point(body.X - landingMiddles[i].X, body.Y - landingMiddles[i].Y).Length < body.Around + FarMm
                && Outlines.Gap(body.Outline, Seat.Landings[i].Outline) < Terrain.ClearMm + slack)
            {
                return true;
            }
        }

        return false;
    }

    private bool TooHigh(Body body, ref string overhead)
    {
        var top = double.NaN;
        foreach (var free in Seat.Free)
        {
            if (Outlines.Gap(body.Outline, free.Outline) >= 0)
            {
                continue;
            }

            if (double.IsNaN(top))
            {
                top = body.StiffMm + Terrain.Under(body.Outline, new(body.X, body.Y));
            }

            if (top > free.Mm - AirMm - slack)
            {
                overhead = free.Name;
                return true;
            }
        }

        return false;
    }

    private static double Square(double x) => x * x;
}
