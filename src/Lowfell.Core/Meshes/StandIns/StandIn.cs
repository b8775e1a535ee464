using System.Numerics;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Meshes.Geometry;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Meshes.StandIns;

/// <summary>What a stand-in is made for.</summary>
/// <param name="Kind">Kind.</param>
/// <param name="LengthMm">Length, mm.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="Round">Its outline is round.</param>
/// <param name="Seed">Seed: the same gives the same.</param>
/// <param name="Layout">What lies on it, where it is a base.</param>
public sealed record StandInWish(StandInKind Kind, double LengthMm, double WidthMm, double HeightMm, bool Round, ulong Seed, Layout? Layout = null)
{
    // Smaller or larger is shown as if it were so large: the picture has no scale but its own.
    private const double Least = 6, Most = 600;

    /// <summary>What a piece of a shape and size wants: a size that is not told comes from the area.</summary>
    public static StandInWish Of(StandInKind kind, PieceShape shape, double lengthMm, double widthMm, double heightMm, double areaMm2, ulong seed, Layout? layout = null)
    {
        var round = shape is PieceShape.Disc or PieceShape.Cylinder;
        var side = Math.Sqrt(Math.Max(36, areaMm2) / 5);
        double Of(double mm, double or) => Math.Clamp(double.IsFinite(mm) && mm > 0 ? mm : or, Least, Most);
        var length = Of(lengthMm, side);
        var width = Of(round ? lengthMm : widthMm, length);
        var height = Of(heightMm, kind == StandInKind.Base ? 3.5 : side);

        // Nothing is drawn thinner than a part in sixty of its length.
        var least = Math.Max(length, Math.Max(width, height)) / 60;
        return new(kind, Math.Max(length, least), Math.Max(width, least), kind == StandInKind.Base ? Math.Clamp(heightMm > 0 ? heightMm : 3.5, 1, 12) : Math.Max(height, least), round, seed, layout);
    }
}

/// <summary>Builds stand-ins.</summary>
public static class StandIn
{
    private const float MostBuiltMm = 200;

    /// <summary>The mesh of a wish: welded, its parts those of the kind.</summary>
    public static Mesh Build(StandInWish wish)
    {
        ArgumentNullException.ThrowIfNull(wish);
        var model = new Modeller(wish.Seed);

        // What is very large is built smaller and drawn out: nobody counts the stones of a metre of wall.
        var times = Math.Max(1, (float)(Math.Max(wish.LengthMm, Math.Max(wish.WidthMm, wish.HeightMm)) / MostBuiltMm));
        var (l, w, h) = ((float)wish.LengthMm / times, (float)wish.WidthMm / times, (float)wish.HeightMm / times);
        if (wish.Kind == StandInKind.Base)
        {
            times = 1;
        }

        switch (wish.Kind)
        {
            case StandInKind.RuinedWall: Walls.Ruined(model, l, w, h); break;
            case StandInKind.StraightWall: Walls.Straight(model, l, w, h); break;
            case StandInKind.CornerWall: Walls.Corner(model, l, w, h); break;
            case StandInKind.Stair: Walls.Stair(model, l, w, h); break;
            case StandInKind.Gate: Walls.Gate(model, l, w, h); break;
            case StandInKind.Hall: Buildings.Hall(model, l, w, h); break;
            case StandInKind.House: Buildings.House(model, l, w, h); break;
            case StandInKind.Gantry: Buildings.Gantry(model, l, w, h); break;
            case StandInKind.Pan: Buildings.Pan(model, l, w, h); break;
            case StandInKind.Hull: Vehicles.Hull(model, l, w, h); break;
            case StandInKind.Turret: Vehicles.Turret(model, l, w, h); break;
            case StandInKind.RunningGear: Vehicles.RunningGear(model, l, w, h, wheels: 1); break;
            case StandInKind.Rock: Natural.Rock(model, l, w, h); break;
            case StandInKind.Figure: Natural.Figure(model, h); break;
            case StandInKind.Base: Natural.Base(model, wish); break;
            default: Block(model, l, w, h, wish.Round); break;
        }

        var mesh = model.Body.Build();
        return times > 1 ? mesh with { Points = [.. mesh.Points.Select(p => p * times)] } : mesh;
    }

    private static void Block(Modeller m, float l, float w, float h, bool round)
    {
        if (round)
        {
            m.Part = 0;
            m.Body.Lathe(default, Vector3.UnitZ, [(l / 2, 0), (l / 2, h - 0.3)], 48);
            m.Part = 1;
            m.Body.Lathe(default, Vector3.UnitZ, [(l / 2, h - 0.3), ((l / 2) - 0.3, h), (0, h)], 48);
            return;
        }

        m.Part = 0;
        foreach (var (on, wide) in new[] { (Flat.Front(-w / 2), l), (Flat.Rear(w / 2), l), (Flat.Right(l / 2), w), (Flat.Left(-l / 2), w) })
        {
            m.Plate(on, -wide / 2, 0, wide / 2, h);
        }

        m.Part = 1;
        m.Plate(Flat.Top(h), -l / 2, -w / 2, l / 2, w / 2);
    }
}
