namespace Lowfell.Core.Bases.Drawing;

/// <summary>Numbers from places, for what is drawn: grains, cracks, blades. 0..1.</summary>
internal static class Hash
{
    public static float Of(int x, int y, uint seed)
    {
        var h = seed + ((uint)x * 0x9E3779B1u) + ((uint)y * 0x85EBCA77u);
        h = (h ^ (h >> 15)) * 0x2C1B3C6Du;
        h = (h ^ (h >> 12)) * 0x297A2D39u;
        return (h ^ (h >> 15)) / (float)uint.MaxValue;
    }

    /// <summary>Smooth noise, -1..1.</summary>
    public static float Noise(float x, float y, uint seed)
    {
        var (ix, iy) = ((int)MathF.Floor(x), (int)MathF.Floor(y));
        var (fx, fy) = (x - ix, y - iy);
        (fx, fy) = (fx * fx * (3 - (2 * fx)), fy * fy * (3 - (2 * fy)));
        var low = Of(ix, iy, seed) + ((Of(ix + 1, iy, seed) - Of(ix, iy, seed)) * fx);
        var high = Of(ix, iy + 1, seed) + ((Of(ix + 1, iy + 1, seed) - Of(ix, iy + 1, seed)) * fx);
        return (2 * (low + ((high - low) * fy))) - 1;
    }

    /// <summary>A grain at a place: how high it stands there as a part of its size, and its tone, 0..1.</summary>
    public static (float Height, float Tone) Grain(float x, float y, float size, uint seed)
    {
        var (cx, cy) = ((int)MathF.Floor(x / size), (int)MathF.Floor(y / size));
        var (best, tone) = (0f, 0.5f);
        for (var j = cy - 1; j <= cy + 1; j++)
        {
            for (var i = cx - 1; i <= cx + 1; i++)
            {
                var (px, py) = ((i + Of(i, j, seed)) * size, (j + Of(i, j, seed + 1)) * size);
                var radius = size * (0.42f + (0.3f * Of(i, j, seed + 2)));
                var d = (((x - px) * (x - px)) + ((y - py) * (y - py))) / (radius * radius);
                if (d < 1)
                {
                    var height = MathF.Sqrt(1 - d);
                    (best, tone) = height > best ? (height, Of(i, j, seed + 3)) : (best, tone);
                }
            }
        }

        return (best, tone);
    }

    /// <summary>Distance to the nearest crack of a net of plates, in the unit of the place (the two nearest of jittered seeds, Worley 1996).</summary>
    public static float Crack(float x, float y, float spacing, uint seed)
    {
        var (cx, cy) = ((int)MathF.Floor(x / spacing), (int)MathF.Floor(y / spacing));
        var (first, second) = (float.MaxValue, float.MaxValue);
        for (var j = cy - 2; j <= cy + 2; j++)
        {
            for (var i = cx - 2; i <= cx + 2; i++)
            {
                var (px, py) = ((i + 0.15f + (0.7f * Of(i, j, seed))) * spacing, (j + 0.15f + (0.7f * Of(i, j, seed + 1))) * spacing);
                var d = MathF.Sqrt(((x - px) * (x - px)) + ((y - py) * (y - py)));
                (first, second) = d < first ? (d, first) : (first, Math.Min(second, d));
            }
        }

        return (second - first) / 2;
    }
}
