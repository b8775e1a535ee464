using Lowfell.Core.Wording;

namespace Lowfell.Core.Bases.Making;

/// <summary>What stands for what at a scale: grains by their true size (names by ISO 14688-1), and dust by how high it is thrown.</summary>
public static class Grain
{
    private static readonly (double BelowMm, string Name)[] Names = [(0.063, "silt"), (2, "sand"), (6.3, "fine gravel"), (20, "gravel"), (63, "coarse gravel"), (200, "cobble"), (630, "boulder"), (double.MaxValue, "large boulder")];

    /// <summary>What a grain stands for.</summary>
    /// <param name="mm">Its size on the model, mm.</param>
    /// <param name="scale">Scale, one to so many.</param>
    public static string StandsFor(double mm, double scale)
    {
        var real = mm * scale;
        var name = Names.First(n => real < n.BelowMm).Name;
        return real >= 100 ? FormattableString.Invariant($"{real / 10:0} cm {name}") : FormattableString.Invariant($"{real:0} mm {name}");
    }
}

/// <summary>Ground that throws dust or mud.</summary>
public enum DustFrom
{
    /// <summary>Paved.</summary>
    [Said("paved ground")]
    Paved,

    /// <summary>Dry sand.</summary>
    [Said("dry sand")]
    DrySand,

    /// <summary>A dusty road.</summary>
    [Said("a dusty road")]
    DustRoad,

    /// <summary>Mud.</summary>
    [Said("mud")]
    Mud,
}

/// <summary>Dust of the base's two dry-brush colours up legs, wheels and walls.</summary>
/// <param name="FirstMm">Top of the first colour above the ground, mm on the model.</param>
/// <param name="SecondMm">Top of the second, lighter one, mm on the model.</param>
public sealed record DustUp(double FirstMm, double SecondMm)
{
    private const double SecondPart = 0.55;

    /// <summary>By ground and scale; a vehicle throws it up to a quarter of its own height at least. Heights in life are craft estimates.</summary>
    /// <param name="from">The ground.</param>
    /// <param name="scale">Scale, one to so many.</param>
    /// <param name="vehicleMm">Height of a vehicle, mm on the model; 0 for what walks or stands.</param>
    public static DustUp Of(DustFrom from, double scale, double vehicleMm = 0)
    {
        double life = from switch { DustFrom.Paved => 80, DustFrom.DrySand => 200, DustFrom.DustRoad => 300, _ => 450 };
        var top = Math.Max(life / scale, vehicleMm / 4);
        return new(top, SecondPart * top);
    }
}
