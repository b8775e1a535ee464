using System.Numerics;

namespace Lowfell.Core.Meshes.Looks;

/// <summary>Where something is looked at from.</summary>
/// <param name="TurnDeg">Round the piece: 0 from the front, above 0 towards its right.</param>
/// <param name="LiftDeg">Above level.</param>
/// <param name="Near">1 fills the picture; above is nearer.</param>
/// <param name="AsideMm">What is in the middle, to the right of the piece's own as it is seen, mm.</param>
/// <param name="UpMm">What is in the middle, above the piece's own, mm.</param>
public sealed record LookView(float TurnDeg = -32, float LiftDeg = 24, float Near = 1, float AsideMm = 0, float UpMm = 0)
{
    /// <summary>Angle of the picture from top to bottom, degrees.</summary>
    public const float AngleDeg = 28;

    /// <summary>A camera for a surface.</summary>
    /// <param name="low">Its lowest corner, mm.</param>
    /// <param name="high">Its highest, mm.</param>
    /// <param name="aspect">Width over height of the picture.</param>
    public Camera Camera(Vector3 low, Vector3 high, float aspect)
    {
        var middle = (low + high) / 2;
        var radius = Math.Max(0.01f, Vector3.Distance(low, high) / 2);
        var half = AngleDeg / 2 * MathF.PI / 180;
        var fits = MathF.Atan(MathF.Tan(half) * Math.Min(1, aspect));
        var distance = radius / MathF.Sin(fits) * 0.95f / Math.Max(0.05f, Near);
        var (turn, lift) = (TurnDeg * MathF.PI / 180, LiftDeg * MathF.PI / 180);
        var away = new Vector3(MathF.Sin(turn) * MathF.Cos(lift), -MathF.Cos(turn) * MathF.Cos(lift), MathF.Sin(lift));
        var right = new Vector3(MathF.Cos(turn), MathF.Sin(turn), 0);
        var up = Vector3.Cross(right, -away);
        up = up.Z < 0 ? -up : up;
        middle += (right * AsideMm) + (up * UpMm);
        return new(middle + (away * distance), right, up, -away, 1 / MathF.Tan(half), aspect, distance);
    }
}

/// <summary>A camera.</summary>
/// <param name="Eye">Where it is, mm.</param>
/// <param name="Right">To the right.</param>
/// <param name="Up">Up.</param>
/// <param name="Ahead">Ahead.</param>
/// <param name="Zoom">1 / tan of half its angle.</param>
/// <param name="Aspect">Width over height.</param>
/// <param name="Distance">To what is in the middle, mm.</param>
public sealed record Camera(Vector3 Eye, Vector3 Right, Vector3 Up, Vector3 Ahead, float Zoom, float Aspect, float Distance)
{
    /// <summary>Where a place is seen: -1..1 across and up, and how far ahead it is, mm.</summary>
    public Vector3 See(Vector3 at)
    {
        var to = at - Eye;
        var ahead = Vector3.Dot(to, Ahead);
        var part = Zoom / Math.Max(1e-3f, ahead);
        return new(Vector3.Dot(to, Right) * part / Aspect, Vector3.Dot(to, Up) * part, ahead);
    }

    /// <summary>Way to the lamp: over the left shoulder of who looks.</summary>
    public Vector3 ToLamp()
    {
        var level = Vector3.Normalize(new Vector3(Ahead.X, Ahead.Y, 0) is var flat && flat.LengthSquared() > 1e-6f ? flat : Vector3.UnitY);
        var right = Vector3.Cross(level, Vector3.UnitZ);
        return Vector3.Normalize((right * -0.45f) - (level * 0.5f) + new Vector3(0, 0, 0.74f));
    }
}
