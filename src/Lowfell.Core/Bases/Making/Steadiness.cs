using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Making;

/// <summary>A mass and how high it lies.</summary>
/// <param name="G">Mass, g.</param>
/// <param name="AboveTableMm">Its middle above the table, mm.</param>
/// <param name="X">To the right of the middle of the base, mm.</param>
/// <param name="Y">To its rear, mm.</param>
public readonly record struct Weight(double G, double AboveTableMm, double X = 0, double Y = 0);

/// <summary>How far something leans before it falls.</summary>
/// <param name="TipsAtDeg">Degrees, without a weight.</param>
/// <param name="WeightG">Weight under it for the degrees wanted, g; 0 where it needs none, null where none does.</param>
/// <param name="FitsG">The heaviest steel disc that fits underneath, g.</param>
/// <param name="WithWeightDeg">Degrees with as much of it as fits.</param>
/// <param name="Verdict">In the painter's words.</param>
public sealed record Steadiness(double TipsAtDeg, double? WeightG, double FitsG, double WithWeightDeg, string Verdict)
{
    // A disc 2 mm thick lies in the hollow underneath; its middle is 1.2 mm above the table. Steel 7.85 mg/mm3.
    private const double DiscMm = 2, DiscAtMm = 1.2, SteelGPerMm3 = 0.00785, WallMm = 1.5;

    // A base is hollow: polystyrene (1.05 mg/mm3), top and wall as thick as the wall; its middle lies two thirds up. Craft estimates.
    private const double ShellGPerMm3 = 0.00105, ShellMiddle = 0.65;

    /// <summary>A bare base itself.</summary>
    public static Weight Shell(BaseForm form) => new((form.TopMm2 + form.RimMm2) * WallMm * ShellGPerMm3, form.HeightMm * ShellMiddle);

    /// <summary>Degrees that are usually wanted; less for what flies on a stem.</summary>
    public static double UsualDeg(Stance stance) => stance == Stance.Stem ? 25 : 35;

    /// <summary>theta = atan(r / H): r from the plumb line of the masses to the nearest edge of the foot, H their height.</summary>
    /// <param name="form">Form of the base.</param>
    /// <param name="masses">What it carries and is.</param>
    /// <param name="wantedDeg">Degrees wanted, 1..80.</param>
    public static Steadiness Of(BaseForm form, IReadOnlyCollection<Weight> masses, double wantedDeg)
    {
        var foot = form with { BevelMm = 0 };
        var total = masses.Sum(m => m.G);
        if (total <= 0)
        {
            return new(90, 0, Fits(form), 90, "Nothing stands on it.");
        }

        var height = masses.Sum(m => m.G * m.AboveTableMm) / total;
        var reach = Math.Max(0, foot.Within(masses.Sum(m => m.G * m.X) / total, masses.Sum(m => m.G * m.Y) / total));
        var tips = Degrees(reach, height);
        var fits = Fits(form);

        // m_w = sum m_i (h_i - r / tan x) / (r / tan x - h_w); none does where r / tan x lies no higher than the weight.
        var radians = wantedDeg * Math.PI / 180;
        var level = reach * Steady.Cos(radians) / Steady.Sin(radians);
        double? needed = tips >= wantedDeg ? 0 : level <= DiscAtMm ? null : total * (height - level) / (level - DiscAtMm);
        var laid = Math.Min(needed ?? fits, fits);
        var with = Degrees(reach, ((total * height) + (laid * DiscAtMm)) / (total + laid));
        var verdict = needed switch
        {
            0 => FormattableString.Invariant($"Stands: it tips at {tips:0} degrees."),
            null => FormattableString.Invariant($"Its weight hangs over the edge: no weight under it makes {wantedDeg:0} degrees. Take a wider base, or move the figure inward."),
            { } g when g > fits => FormattableString.Invariant($"{wantedDeg:0} degrees needs {g:0} g under the {form.Word} base; {fits:0} g fit. Take a wider base or a shorter stem."),
            { } g => FormattableString.Invariant($"It tips at {tips:0} degrees; {g:0.#} g of steel under it make {wantedDeg:0}."),
        };
        return new(tips, needed, fits, with, verdict);
    }

    /// <summary>The heaviest steel disc that fits in the hollow underneath, g.</summary>
    public static double Fits(BaseForm form)
    {
        var (a, b) = (Math.Max(0, (form.LengthMm / 2) - WallMm), Math.Max(0, (form.WidthMm / 2) - WallMm));
        return (form.Shape == BaseShape.Rectangle ? 4 * a * b : Math.PI * a * b) * DiscMm * SteelGPerMm3;
    }

    private static double Degrees(double reach, double height) => Steady.Atan2(reach, Math.Max(1e-6, height)) * 180 / Math.PI;
}
