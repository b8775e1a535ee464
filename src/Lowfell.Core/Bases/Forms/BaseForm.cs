using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Bases.Forms;

/// <summary>Outline of a base.</summary>
public enum BaseShape
{
    /// <summary>Round.</summary>
    [Said("round")]
    Round,

    /// <summary>Oval.</summary>
    [Said("oval")]
    Oval,

    /// <summary>Square or long.</summary>
    [Said("rectangle")]
    Rectangle,
}

/// <summary>The form of a base: its outline at the foot, and a bevel up to its top face. The middle of the top face is the origin.</summary>
/// <param name="Shape">Outline.</param>
/// <param name="LengthMm">Side to side, at the foot, mm.</param>
/// <param name="WidthMm">Front to rear, at the foot, mm.</param>
/// <param name="BevelMm">How far the top face lies within the foot, mm.</param>
/// <param name="HeightMm">Height of the top face above the table, mm.</param>
public sealed record BaseForm(BaseShape Shape, double LengthMm, double WidthMm, double BevelMm = 1, double HeightMm = 3.2)
{
    private const int Tangents = 90;
    private readonly (double X, double Y, double C)[] tangents = Shape == BaseShape.Oval ? TangentsOf((LengthMm / 2) - BevelMm, (WidthMm / 2) - BevelMm) : [];

    /// <summary>Half the top face from side to side, mm.</summary>
    public double A => (LengthMm / 2) - BevelMm;

    /// <summary>Half the top face from front to rear, mm.</summary>
    public double B => (WidthMm / 2) - BevelMm;

    /// <summary>The smaller half of the top face, mm.</summary>
    public double Radius => Math.Min(A, B);

    /// <summary>Side of a square of the same measure, mm: by it sizes are told apart.</summary>
    public double Size => Math.Sqrt(LengthMm * WidthMm);

    /// <summary>Edge that is kept thin and free of what is rigid, mm. Craft: 1.5 mm to 27 mm, 2 to 41, 3 above.</summary>
    public double MarginMm => Size switch { <= 27 => 1.5, <= 41 => 2, _ => 3 };

    /// <summary>Much longer than wide.</summary>
    public bool IsLong => Shape == BaseShape.Rectangle && Math.Max(LengthMm, WidthMm) > 1.8 * Math.Min(LengthMm, WidthMm);

    /// <summary>How many turns leave its outline as it is, of 32; all for round.</summary>
    public int Turns => Shape == BaseShape.Round ? 32 : Shape == BaseShape.Rectangle && Math.Abs(LengthMm - WidthMm) < 0.01 ? 4 : 2;

    /// <summary>Area of the top face, mm2.</summary>
    public double TopMm2 => Shape switch { BaseShape.Rectangle => 4 * A * B, _ => Math.PI * A * B };

    /// <summary>Area of the bevel all round, mm2.</summary>
    public double RimMm2
    {
        get
        {
            var slant = Math.Sqrt((BevelMm * BevelMm) + (HeightMm * HeightMm));
            var (a, b) = ((LengthMm / 2) - (BevelMm / 2), (WidthMm / 2) - (BevelMm / 2));

            // Round an ellipse by Ramanujan 1914, exact for a circle.
            return slant * (Shape == BaseShape.Rectangle ? 4 * (a + b) : Math.PI * ((3 * (a + b)) - Math.Sqrt(((3 * a) + b) * (a + (3 * b)))));
        }
    }

    /// <summary>In the painter's words: <c>25 mm round</c>, <c>60 x 35 mm oval</c>.</summary>
    public string Word
    {
        get
        {
            var square = Math.Abs(LengthMm - WidthMm) < 0.01;
            var shape = Shape switch { BaseShape.Round => "round", BaseShape.Oval => "oval", _ when square => "square", _ when IsLong => "long", _ => "rectangular" };
            return FormattableString.Invariant($"{(square ? $"{LengthMm:0.#}" : $"{LengthMm:0.#} x {WidthMm:0.#}")} mm {shape}");
        }
    }

    /// <summary>How far within the edge of the top face a point lies, mm; below 0 outside.</summary>
    /// <remarks>Exact for round and rectangle. Of an oval the least distance to 90 tangents, drawn in by as much as they stand off it, so never more than is true.</remarks>
    public double Within(double x, double y)
    {
        if (Shape == BaseShape.Round)
        {
            return A - Math.Sqrt((x * x) + (y * y));
        }

        if (Shape == BaseShape.Rectangle)
        {
            return Math.Min(A - Math.Abs(x), B - Math.Abs(y));
        }

        var least = double.MaxValue;
        foreach (var (tx, ty, c) in tangents)
        {
            var d = c - (tx * x) - (ty * y);
            least = d < least ? d : least;
        }

        return least;
    }

    /// <summary>From the middle to the edge of the top face in a direction, mm.</summary>
    public double Reach(double angle) => Reach(Point.Towards(angle));

    /// <summary>From the middle to the edge of the top face in a direction of length 1, mm.</summary>
    public double Reach(Point way) => Shape switch
    {
        BaseShape.Round => A,
        BaseShape.Oval => 1 / Math.Sqrt((way.X * way.X / (A * A)) + (way.Y * way.Y / (B * B))),
        _ => Math.Min(A / Math.Max(1e-9, Math.Abs(way.X)), B / Math.Max(1e-9, Math.Abs(way.Y))),
    };

    private static (double X, double Y, double C)[] TangentsOf(double a, double b)
    {
        // Between two tangents the oval lies at most so far within both.
        var (wide, low) = (Math.Max(a, b), Math.Min(a, b));
        var off = wide * wide / low * (1 - Steady.Cos(Math.PI / Tangents));
        return [.. Enumerable.Range(0, Tangents).Select(i =>
        {
            var n = Point.Towards(2 * Math.PI * i / Tangents);
            var flat = a >= b ? Math.Abs(n.Y) : Math.Abs(n.X);
            return (n.X, n.Y, Math.Sqrt((a * a * n.X * n.X) + (b * b * n.Y * n.Y)) - (flat > 0.7 ? off : off / 2));
        })];
    }
}
