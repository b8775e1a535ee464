using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>The lie of the land of a base, as its seed has it.</summary>
/// <param name="Terrain">Heights.</param>
/// <param name="RiseAngle">Way that it rises, radians: to the rear, 20 to 60 degrees to either side.</param>
/// <param name="RiseMm">How far it rises, mm.</param>
/// <param name="Strata">Way of the layers of the rock, radians: about across the rise.</param>
internal sealed record Ground(Terrain Terrain, double RiseAngle, double RiseMm, double Strata)
{
    public static Ground Of(Seat seat, ulong seed, BaseFamily family)
    {
        var random = new Seeds(Seeds.Of(seed, 7));
        var side = random.Unit() < 0.5 ? -1 : 1;
        var angle = (Math.PI / 2) + (side * random.In(20, 60) * Math.PI / 180);
        var rise = family.RiseMm * BaseFamily.RiseOf(seat.Form.Size) * random.In(0.85, 1.15);
        return new(new Terrain(seat, family.SkimMm, rise, angle, family.BareLandings), angle, rise, angle - (side * Math.PI / 2 * random.In(0.55, 0.85)));
    }
}
