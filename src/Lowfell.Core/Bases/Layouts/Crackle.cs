using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>What crackle paste lies on.</summary>
public enum CrackleGround
{
    /// <summary>Rough or absorbent.</summary>
    [Said("a rough or absorbent ground")]
    Rough,

    /// <summary>Primed.</summary>
    [Said("a primed ground")]
    Primed,

    /// <summary>Sealed and smooth, or on dried PVA.</summary>
    [Said("a sealed smooth ground, or dried PVA")]
    Sealed,
}

/// <summary>How crackle paste comes out.</summary>
/// <param name="SpacingMm">Between cracks, mm; a quarter either way is usual. 0 where none come.</param>
/// <param name="WidthMm">Width of a crack, mm.</param>
/// <param name="Verdict">Too thin, too thick or right, in the painter's words.</param>
/// <param name="SeenFromM">From how far the cracks can still be told, m: one minute of arc.</param>
public sealed record CrackleLook(double SpacingMm, double WidthMm, string Verdict, double SeenFromM);

/// <summary>What a tile of one's own showed: two fields of different thickness, once they were dry.</summary>
/// <param name="ThinMm">Thickness of one field, mm.</param>
/// <param name="ThinCells">Plates along 20 mm of it.</param>
/// <param name="ThickMm">Thickness of the other, thicker field, mm.</param>
/// <param name="ThickCells">Plates along 20 mm of that.</param>
/// <param name="CrackMm">Width of a crack on the thicker, mm.</param>
public sealed record CrackleTile(double ThinMm, double ThinCells, double ThickMm, double ThickCells, double CrackMm)
{
    /// <summary>The thicker field is at least so many times as thick as the thinner: else the two say one thing.</summary>
    public const double LeastStep = 1.2;

    private const double AlongMm = 20;

    /// <summary>What a tile would show of a law, at two usual thicknesses.</summary>
    public static CrackleTile Of(Crackle law)
    {
        ArgumentNullException.ThrowIfNull(law);
        const double Thin = 0.7, Thick = 1.5;
        return new(Thin, AlongMm / law.Spacing(Thin), Thick, AlongMm / law.Spacing(Thick), law.Shrinks * law.Spacing(Thick));
    }

    /// <summary>The law as the two fields show it, held within what such pastes do.</summary>
    public Crackle Law
    {
        get
        {
            var (thin, thick) = (AlongMm / ThinCells, AlongMm / ThickCells);
            var power = Math.Clamp(Steady.Log(thick / thin) / Steady.Log(ThickMm / ThinMm), 0.5, 1.2);
            return new(Math.Clamp(thick / Crackle.Raised(ThickMm, power), 1, 12), power, Math.Clamp(CrackMm / thick, 0.02, 0.25));
        }
    }
}

/// <summary>Crackle: thickness for a wanted width of cracks, and what a thickness gives. Craft figures, to be set by a tile of one's own.</summary>
/// <param name="PerMm">k: spacing at 1 mm, mm.</param>
/// <param name="Power">p: how spacing grows with thickness; 1 where paste slips on its ground (Groisman and Kaplan 1994), 0.5 on a stiff one (Thouless 1990).</param>
/// <param name="Shrinks">a: width of a crack as a part of the spacing, shrinkage after it sets.</param>
/// <param name="NoneBelowMm">Thinner than this no crack comes (a critical thickness, Hutchinson and Suo 1992).</param>
public sealed record Crackle(double PerMm = 4, double Power = 1, double Shrinks = 0.08, double NoneBelowMm = 0.4)
{
    private const double TooThickMm = 2.5;

    // How spacing falls when it dries faster. Craft estimate.
    private const double Hurry = 0.15;

    /// <summary>By the ground it lies on.</summary>
    public static Crackle On(CrackleGround ground) => ground switch
    {
        CrackleGround.Rough => new(3, NoneBelowMm: 0.6),
        CrackleGround.Sealed => new(6, NoneBelowMm: 0.3),
        _ => new(),
    };

    /// <summary>Spacing, mm: k (h / 1 mm)^p v^-0.15.</summary>
    /// <param name="mm">Thickness laid, mm, above 0.</param>
    /// <param name="speed">v: usual drying time over this one.</param>
    public double Spacing(double mm, double speed = 1) => PerMm * Raised(mm, Power) * Raised(speed, -Hurry);

    /// <summary>Thickness for a wanted width of cracks, mm.</summary>
    public double ThicknessFor(double widthMm) => Raised(widthMm / Shrinks / PerMm, 1 / Power);

    /// <summary>What a thickness gives.</summary>
    /// <param name="mm">Thickness laid, mm, above 0.</param>
    /// <param name="scale">Scale, one to so many.</param>
    /// <param name="patchMm">Smallest patch across, mm; 0 where that is not known.</param>
    /// <param name="speed">Usual drying time over this one.</param>
    public CrackleLook Look(double mm, double scale, double patchMm = 0, double speed = 1)
    {
        if (mm < NoneBelowMm)
        {
            return new(0, 0, "Too thin: hairlines or no cracks. Lay a second, thicker coat.", 0);
        }

        var spacing = Spacing(mm, speed);
        var width = Shrinks * spacing;
        var life = FormattableString.Invariant($"plates of about {spacing * scale / 10:0} cm in life, cracks of {width * scale:0} mm");
        var verdict = mm > TooThickMm ? $"Too thick: plates curl off, and it dries for days ({life})."
            : patchMm > 0 && patchMm < 2.5 * spacing ? $"Right; on the smallest patch a few plates rather than a net ({life})."
            : $"Right: {life}.";
        return new(spacing, width, verdict, width / 0.3);
    }

    internal static double Raised(double x, double power) => x <= 0 ? 0 : Steady.Exp(power * Steady.Log(x));
}
