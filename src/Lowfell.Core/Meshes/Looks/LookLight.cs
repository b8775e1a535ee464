using System.Numerics;

namespace Lowfell.Core.Meshes.Looks;

/// <summary>How a point is lit: the same sum in the host's pictures and in the browser's shader. Light and highlight are drawn, not predicted; craft estimates.</summary>
internal static class LookLight
{
    public const float Key = 0.78f, AmbientLow = 0.3f, AmbientHigh = 0.5f;

    /// <summary>Light that comes back from a point.</summary>
    /// <param name="colour">Predicted linear light of it.</param>
    /// <param name="normal">Its normal.</param>
    /// <param name="toEye">Way to the eye.</param>
    /// <param name="toLamp">Way to the lamp.</param>
    /// <param name="open">What is not shut in, 0..1.</param>
    /// <param name="gloss">How much of a mirror it is, 0..1.</param>
    /// <param name="metal">Whether it is a metal, 0..1.</param>
    public static Vector3 Of(Vector3 colour, Vector3 normal, Vector3 toEye, Vector3 toLamp, float open, float gloss, float metal)
    {
        var faces = Math.Max(0, Vector3.Dot(normal, toLamp));
        var ambient = (AmbientLow + ((AmbientHigh - AmbientLow) * (0.5f + (0.5f * normal.Z)))) * (0.35f + (0.65f * open)) * 1.25f;
        var shade = 0.25f + (0.75f * Fields.SurfaceFields.Smooth(0.15f, 0.75f, open));
        var lit = colour * (ambient + (Key * faces * shade)) * (1 - (0.25f * metal));

        // A highlight by Blinn's half way (1977), as wide as the surface is dull; a metal's has its own colour.
        var half = toLamp + toEye;
        half = half.LengthSquared() > 1e-9f ? Vector3.Normalize(half) : normal;
        var sharp = 4 + (116 * gloss * gloss) + (30 * metal);
        var strength = ((0.02f + (0.34f * gloss * gloss)) * (gloss > 0 ? 1 : 0)) + (0.55f * metal);
        var spot = strength * MathF.Pow(Math.Max(0, Vector3.Dot(normal, half)), sharp) * shade * (faces > 0 ? 1 : 0);
        return lit + (Vector3.Lerp(Vector3.One, colour * 1.6f, metal) * spot);
    }
}
