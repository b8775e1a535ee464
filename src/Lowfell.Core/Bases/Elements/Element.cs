using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Elements;

/// <summary>One thing on a base: what it is, and where it stands.</summary>
public sealed record Element
{
    /// <summary>The box that it comes from.</summary>
    public required Guid ClassId { get; init; }

    /// <summary>What the box is called.</summary>
    public required string Name { get; init; }

    /// <summary>Kind.</summary>
    public required ElementKind Kind { get; init; }

    /// <summary>Seed of its outline.</summary>
    public required ulong Seed { get; init; }

    /// <summary>Length, mm.</summary>
    public required double LengthMm { get; init; }

    /// <summary>Width, mm.</summary>
    public required double WidthMm { get; init; }

    /// <summary>Height, mm.</summary>
    public required double HeightMm { get; init; }

    /// <summary>Cluster that it belongs to, from 0.</summary>
    public int Cluster { get; init; }

    /// <summary>The cluster gathers round it.</summary>
    public bool Heart { get; init; }

    /// <summary>Stays where it is.</summary>
    public bool Locked { get; init; }

    /// <summary>How far it should stand out over the edge, mm; 0 for within the rim.</summary>
    public double OverhangMm { get; init; }

    /// <summary>The name of what was wanted and is lacking; null where it is what was wanted.</summary>
    public string? InsteadOf { get; init; }

    /// <summary>Its middle, to the right, mm.</summary>
    public double X { get; init; }

    /// <summary>Its middle, to the rear, mm.</summary>
    public double Y { get; init; }

    /// <summary>Turned counter-clockwise, degrees.</summary>
    public double AngleDeg { get; init; }

    /// <summary>Its outline round its own middle.</summary>
    public Point[] Shape() => Of(Kind, LengthMm, WidthMm, Seed);

    /// <summary>Its outline where it stands.</summary>
    public Point[] Outline() => Outlines.Placed(Shape(), new(X, Y), AngleDeg * Math.PI / 180);

    /// <summary>One taken from a box, with measures of its own from a seed.</summary>
    public static Element From(ElementClass box, ulong seed)
    {
        var random = new Seeds(seed);
        double Round(double mm) => Math.Round(mm, 2);
        var stretch = 1 + (box.Spread * random.In(-1, 1));
        return new()
        {
            ClassId = box.Id,
            Name = box.Name,
            Kind = box.Kind,
            Seed = seed & 0xFFFFFFFF,
            LengthMm = Round(box.LengthMm * stretch),
            WidthMm = Round(box.Kind == ElementKind.Tuft ? box.LengthMm * stretch : box.WidthMm * stretch * (1 + (0.5 * box.Spread * random.In(-1, 1)))),
            HeightMm = Round(box.HeightMm * (1 + (box.Spread * random.In(-1, 1)))),
        };
    }

    private static Point[] Of(ElementKind kind, double length, double width, ulong seed)
    {
        var facts = kind.Facts();
        if (kind == ElementKind.Tuft)
        {
            return Outlines.Disc(length / 2, facts.Corners);
        }

        if (facts.Corners == 0)
        {
            return Outlines.Rectangle(length, width);
        }

        var random = new Seeds(Seeds.Of(seed, 31));
        var corners = new List<Point>();
        for (var i = 0; i < facts.Corners; i++)
        {
            var u = Point.Towards(2 * Math.PI * (i + random.In(-0.3, 0.3)) / facts.Corners);
            corners.Add(new(Outlines.Drawn(u.X, facts.Fullness) * length / 2 * random.In(0.86, 1), Outlines.Drawn(u.Y, facts.Fullness) * width / 2 * random.In(0.86, 1)));
        }

        return Outlines.Hull(corners);
    }
}
