using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Amounts;

/// <summary>What is kept of a base mix for the slips that come after it. Craft estimates throughout.</summary>
public static class TouchUp
{
    /// <summary>A slip of the brush in so many mm of border that is worked along.</summary>
    public const double MmPerSlip = 250;

    /// <summary>One mark in so many goes wrong.</summary>
    public const double MarksPerSlip = 20;

    /// <summary>What is painted over for one slip, mm2.</summary>
    public const double PatchMm2 = 40;

    /// <summary>What the brush takes up and gives to no piece, ml of the mix, each time that it is touched up.</summary>
    public const double BrushMl = 0.1;

    private const double MlPerUmMm2 = 1e-6;

    /// <summary>Ml of the mix; 0 where nothing is likely to slip.</summary>
    /// <param name="slips">Slips that are likely, over all copies.</param>
    /// <remarks><c>brush + slips x patch x film / transfer / 1e6</c>: it is touched up by brush, whatever laid it.</remarks>
    public static double Ml(double slips)
    {
        var how = Technique.BaseCoat.Facts();
        return slips <= 0 ? 0 : BrushMl + (slips * PatchMm2 * how.AppliedUm / how.Transfer * MlPerUmMm2);
    }

    /// <summary>Slips that are likely where neat work goes along a border, on one copy.</summary>
    /// <param name="borderMm">Length of the border.</param>
    /// <param name="neatCoats">Coats that are laid along it by a fine or flat brush.</param>
    public static double AlongBorder(double borderMm, int neatCoats) => borderMm * neatCoats / MmPerSlip;

    /// <summary>Slips that are likely of marks that are cut, drawn or dabbed over a coat, on one copy.</summary>
    public static double OfMarks(IEnumerable<Coat> above) => above.Sum(c => c is { Marks: { } marks, How.Marks: true } ? marks.Count / MarksPerSlip : 0);

    /// <summary>Length of the border of two zones that touch, mm: a side of the smaller one.</summary>
    public static double BorderMm(Zone zone, Zone neighbour) => Math.Sqrt(Math.Min(zone.AreaMm2, neighbour.AreaMm2));
}
