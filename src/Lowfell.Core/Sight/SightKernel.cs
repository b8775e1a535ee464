using System.Text.Json;

namespace Lowfell.Core.Sight;

/// <summary>
/// How strongly a rectangle of unit contrast answers in three channels: contrast filters pooled over its area (luminance: Watson and Ahumada
/// 2005; red-green and blue-yellow: Johnson and Fairchild 2003; exponent 2.4081, aperture 0.6273 degrees), worked out once at 25 by 28 sizes.
/// </summary>
public static class SightKernel
{
    private static readonly double[] Short, Long;
    private static readonly double[][] Luminance, RedGreen, BlueYellow;

    static SightKernel()
    {
        using var stream = typeof(SightKernel).Assembly.GetManifestResourceStream("sight-kernel.json") ?? throw new InvalidOperationException("The kernel of sight is missing from the assembly.");
        using var json = JsonDocument.Parse(stream);
        double[] Row(JsonElement of) => [.. of.EnumerateArray().Select(v => Math.Log(v.GetDouble()))];
        double[][] Table(string name) => [.. json.RootElement.GetProperty(name).EnumerateArray().Select(Row)];
        (Short, Long) = (Row(json.RootElement.GetProperty("shortArcmin")), Row(json.RootElement.GetProperty("longArcmin")));
        (Luminance, RedGreen, BlueYellow) = (Table("lum"), Table("redGreen"), Table("blueYellow"));
    }

    /// <summary>The three answers to a rectangle, by its sides in minutes of arc; between sizes straight in logarithms.</summary>
    public static (double Luminance, double RedGreen, double BlueYellow) Of(double oneArcmin, double otherArcmin)
    {
        var (s, l) = (Place(Short, Math.Min(oneArcmin, otherArcmin)), Place(Long, Math.Max(oneArcmin, otherArcmin)));
        double At(double[][] table)
        {
            var (a, b) = (table[s.At], table[s.At + 1]);
            var low = a[l.At] + (l.Part * (a[l.At + 1] - a[l.At]));
            var high = b[l.At] + (l.Part * (b[l.At + 1] - b[l.At]));
            return Math.Exp(low + (s.Part * (high - low)));
        }

        return (At(Luminance), At(RedGreen), At(BlueYellow));
    }

    private static (int At, double Part) Place(double[] axis, double arcmin)
    {
        var log = Math.Clamp(Math.Log(Math.Max(1e-9, arcmin)), axis[0], axis[^1]);
        var found = Array.BinarySearch(axis, log);
        var at = Math.Clamp((found < 0 ? ~found : found) - 1, 0, axis.Length - 2);
        return (at, (log - axis[at]) / (axis[at + 1] - axis[at]));
    }
}
