using System.Numerics;

namespace Lowfell.Core.Meshes.Looks;

/// <summary>Value noise whose hash is that of the browser's shader.</summary>
internal static class LookNoise
{
    /// <summary>Noise in three planes, 0..1.</summary>
    public static float Solid(Vector3 p) => (Plane(p.X, p.Y) + Plane(p.Y + 7, p.Z + 7) + Plane(p.Z + 13, p.X + 13)) / 3;

    /// <summary>Noise in a plane, 0..1.</summary>
    public static float Plane(float x, float y)
    {
        var (ix, iy) = (MathF.Floor(x), MathF.Floor(y));
        var (fx, fy) = (x - ix, y - iy);
        (fx, fy) = (fx * fx * (3 - (2 * fx)), fy * fy * (3 - (2 * fy)));
        var (low, high) = (Mix(Chance(ix, iy), Chance(ix + 1, iy), fx), Mix(Chance(ix, iy + 1), Chance(ix + 1, iy + 1), fx));
        return Mix(low, high, fy);
    }

    private static float Chance(float x, float y)
    {
        var h = ((uint)(int)x * 0x9E3779B1u) ^ ((uint)(int)y * 0x85EBCA77u);
        h ^= h >> 15;
        h *= 0x2C1B3C6Du;
        h ^= h >> 12;
        h *= 0x297A2D39u;
        h ^= h >> 15;
        return (h >> 8) * (1f / 16777216);
    }

    private static float Mix(float a, float b, float t) => a + ((b - a) * t);
}
