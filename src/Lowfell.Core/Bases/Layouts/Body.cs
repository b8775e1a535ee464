using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>An element while its place is sought.</summary>
internal sealed class Body
{
    private Point[] other;

    public Body(Element element)
    {
        Source = element;
        Shape = element.Shape();
        (Outline, other) = (new Point[Shape.Length], new Point[Shape.Length]);
        Around = Shape.Max(v => v.Length);
        Area = Outlines.Area(Shape);
        Rigid = element.Kind.IsRigid();
        Volume = Area * element.HeightMm;
        Put(element.X, element.Y, element.AngleDeg * Math.PI / 180);
    }

    public Element Source { get; }

    public Point[] Shape { get; }

    public Point[] Outline { get; private set; }

    public double Around { get; }

    public double Area { get; }

    public double Volume { get; }

    public bool Rigid { get; }

    public double X { get; private set; }

    public double Y { get; private set; }

    public double Angle { get; private set; }

    /// <summary>Points of calm that it takes away, as bits.</summary>
    public UInt128 Covers { get; set; }

    /// <summary>Directions that it takes near the rim, of 36, as bits.</summary>
    public ulong Round { get; set; }

    /// <summary>How far out it stands, as a part of the way to the edge.</summary>
    public double Out { get; set; }

    /// <summary>Direction it stands in, radians.</summary>
    public double Way { get; set; }

    public double HeightMm => Source.HeightMm;

    /// <summary>Height that it has when something presses on it: tufts bend.</summary>
    public double StiffMm => Rigid ? HeightMm : 0.6 * HeightMm;

    public void Put(double x, double y, double angle)
    {
        (X, Y, Angle) = (x, y, angle);
        Outlines.Place(Shape, new(x, y), angle, Outline);
    }

    public Was Now() => new(X, Y, Angle, Covers, Round, Out, Way);

    /// <summary>Puts it elsewhere so that it can go back without being reckoned again.</summary>
    public Was Try(double x, double y, double angle)
    {
        var was = Now();
        (Outline, other) = (other, Outline);
        Put(x, y, angle);
        return was;
    }

    public void Back(in Was was)
    {
        (Outline, other) = (other, Outline);
        (X, Y, Angle, Covers, Round, Out, Way) = (was.X, was.Y, was.Angle, was.Covers, was.Round, was.Out, was.Way);
    }

    public Element ToElement() => Source.Locked ? Source : Source with { X = Math.Round(X, 2), Y = Math.Round(Y, 2), AngleDeg = Degrees(Angle) };

    private static double Degrees(double angle)
    {
        var turns = angle / (2 * Math.PI);
        return Math.Round((turns - Math.Floor(turns)) * 360, 1) % 360;
    }

    public readonly record struct Was(double X, double Y, double Angle, UInt128 Covers, ulong Round, double Out, double Way);
}
