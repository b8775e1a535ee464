using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Bases.Forms;

/// <summary>How a figure stands.</summary>
public enum Stance
{
    /// <summary>Nothing stands on it.</summary>
    [Said("nothing stands on it")]
    None,

    /// <summary>Two feet.</summary>
    [Said("two feet")]
    TwoFeet,

    /// <summary>One foot, or a small moulded disc.</summary>
    [Said("one foot")]
    OneFoot,

    /// <summary>Four wheels.</summary>
    [Said("four wheels")]
    FourWheels,

    /// <summary>A stem under something that flies.</summary>
    [Said("a stem")]
    Stem,
}

/// <summary>A place on which something stands: kept flat and free.</summary>
/// <param name="Name">Name.</param>
/// <param name="Outline">Outline, mm.</param>
/// <param name="StoneMm">Thickness of a flat stone under it, cut half a millimetre wider, mm; 0 where it stands on the ground.</param>
public sealed record Landing(string Name, Point[] Outline, double StoneMm = 0);

/// <summary>A place over which something hangs, and how much room there is below it.</summary>
/// <param name="Name">What hangs there.</param>
/// <param name="Outline">Outline, mm.</param>
/// <param name="Mm">Room below it, above the top face, mm.</param>
public sealed record FreeHeight(string Name, Point[] Outline, double Mm);

/// <summary>What stands on a base, as a painter says it.</summary>
/// <param name="Stance">How it stands.</param>
/// <param name="LandingMm">Length of a foot or wheel, or the diameter of a stem, mm.</param>
/// <param name="LandingWidthMm">Width of a foot or wheel, mm.</param>
/// <param name="SpreadMm">Between the middles of two feet, or of the wheels from side to side, mm.</param>
/// <param name="AxlesMm">Between the axles from front to rear, mm.</param>
/// <param name="AtXMm">Its middle, to the right, mm.</param>
/// <param name="AtYMm">Its middle, to the rear, mm.</param>
/// <param name="HemMm">Room under the hem, the hull or what flies, mm above the top face.</param>
/// <param name="OverhangMm">How far that reaches from its middle, mm; 0 where nothing hangs over.</param>
/// <param name="HullFree">The ground between the landings is kept free as well.</param>
/// <param name="StonesMm">Flat stones under its landings, in their order, mm thick; none under those that are not named.</param>
public sealed record Figure(Stance Stance, double LandingMm = 0, double LandingWidthMm = 0, double SpreadMm = 0, double AxlesMm = 0, double AtXMm = 0, double AtYMm = 0, double HemMm = 0, double OverhangMm = 0, bool HullFree = false, IReadOnlyList<double>? StonesMm = null)
{
    // Feet stand a little turned out, one before the other. Craft estimates.
    private const double TurnedOut = 0.22, StrideMm = 0.8;

    /// <summary>Nothing.</summary>
    public static Figure None { get; } = new(Stance.None);

    /// <summary>What usually stands so on a form. Craft estimates, by the room there is.</summary>
    public static Figure Usual(Stance stance, BaseForm form)
    {
        double R(double part) => Math.Round(part * form.Radius * 2) / 2;
        return stance switch
        {
            Stance.TwoFeet => form.Size switch
            {
                < 30 => new(stance, 7, 3.6, 8.4, AtYMm: -0.8, HemMm: 5.5, OverhangMm: 6, HullFree: true),
                < 36 => new(stance, 7.5, 4, 9, AtYMm: -0.5, HemMm: 5.5, OverhangMm: 6),
                < 50 => new(stance, 10, 5.5, 13, AtYMm: -1, HemMm: 7, OverhangMm: 10),
                _ => new(stance, 13, 8, 20, AtYMm: -2, HemMm: 10, OverhangMm: 14),
            },
            Stance.OneFoot => new(stance, 8, 4.4, AtXMm: 0.5, AtYMm: -0.5, HemMm: 6, OverhangMm: 6),
            Stance.FourWheels => form.LengthMm >= form.WidthMm
                ? new(stance, R(0.42), R(0.26), Math.Round(form.A), R(0.95), HemMm: 6.5, OverhangMm: 1)
                : new(stance, R(0.42), R(0.26), R(0.95), Math.Round(form.B), HemMm: 6.5, OverhangMm: 1),
            Stance.Stem => new(stance, 6, 6, HemMm: 22, OverhangMm: 20),
            _ => None,
        };
    }

    /// <summary>Where it stands.</summary>
    public IReadOnlyList<Landing> Landings() => [.. OnTheGround().Select((l, i) => l with { StoneMm = StonesMm?.ElementAtOrDefault(i) ?? 0 })];

    private IReadOnlyList<Landing> OnTheGround()
    {
        var at = new Point(AtXMm, AtYMm);
        switch (Stance)
        {
            case Stance.TwoFeet:
                var foot = Outlines.Rounded(LandingMm, LandingWidthMm, 0.7);
                return [.. new[] { -1, 1 }.Select(side => new Landing(side < 0 ? "left foot" : "right foot",
                    Outlines.Placed(foot, at + new Point(side * SpreadMm / 2, side * StrideMm), (Math.PI / 2) - (side * TurnedOut))))];
            case Stance.OneFoot:
                return [new("foot", Outlines.Placed(Outlines.Rounded(LandingMm, LandingWidthMm, 0.7), at, 1.3))];
            case Stance.FourWheels:
                var along = SpreadMm >= AxlesMm;
                var wheel = along ? Outlines.Rectangle(LandingMm, LandingWidthMm) : Outlines.Rectangle(LandingWidthMm, LandingMm);
                return [.. from y in new[] { -1, 1 }
                           from x in new[] { -1, 1 }
                           select new Landing($"{(y < 0 ? "front" : "rear")} {(x < 0 ? "left" : "right")} wheel", Outlines.Placed(wheel, at + new Point(x * SpreadMm / 2, y * AxlesMm / 2), 0))];
            case Stance.Stem:
                return [new("stem", Outlines.Placed(Outlines.Disc(LandingMm / 2), at, 0))];
            default:
                return [];
        }
    }

    /// <summary>What hangs over the ground. Under an arm there is 1.5 mm more room than under the hem.</summary>
    public IReadOnlyList<FreeHeight> FreeHeights()
    {
        if (OverhangMm <= 0)
        {
            return [];
        }

        var at = new Point(AtXMm, AtYMm);

        // It hangs as much higher as its lowest landing is lifted.
        var room = HemMm + Landings().Select(l => l.StoneMm).DefaultIfEmpty(0).Min();
        return Stance switch
        {
            Stance.TwoFeet =>
            [
                new("hem", Outlines.Placed(Outlines.Disc(OverhangMm), at, 0), room),
                new("arm", Outlines.Placed(Outlines.Rectangle(3, OverhangMm * 0.9), at + new Point(OverhangMm * 0.7, -OverhangMm * 0.8), 0), room + 1.5),
            ],
            Stance.OneFoot => [new("hem", Outlines.Placed(Outlines.Disc(OverhangMm), at, 0), room)],
            Stance.FourWheels when SpreadMm >= AxlesMm => [new("hull", Outlines.Placed(Outlines.Rectangle(SpreadMm + LandingMm + (2 * (OverhangMm - 1)), AxlesMm + LandingWidthMm + (2 * (OverhangMm - 1))), at, 0), room)],
            Stance.FourWheels => [new("hull", Outlines.Placed(Outlines.Rectangle(SpreadMm + LandingWidthMm + (2 * (OverhangMm - 1)), AxlesMm + LandingMm + (2 * (OverhangMm - 1))), at, 0), room)],
            Stance.Stem => [new("hull that flies over it", Outlines.Placed(Outlines.Disc(OverhangMm, 20), at, 0), room)],
            _ => [],
        };
    }
}
