using System.Numerics;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Meshes.Looks;

/// <summary>Marks by zone, side and cell of it, so that a point asks only those near it.</summary>
public sealed class MarkIndex
{
    /// <summary>Cells of a side across, and up.</summary>
    public const int Across = 96, Up = 64;

    /// <summary>Most coats of marks of a zone that are drawn mark by mark.</summary>
    public const int MostLayers = 4;

    // More in one cell are not looked at: as in the shader.
    private const int MostInCell = 48;

    private readonly Dictionary<int, List<LookMark>> cells = [];
    private readonly MarkFrame frame;

    /// <summary>Sorts marks.</summary>
    /// <param name="marks">Marks, those of lower coats first.</param>
    /// <param name="frame">The sides of the body.</param>
    public MarkIndex(IReadOnlyList<LookMark> marks, MarkFrame frame)
    {
        ArgumentNullException.ThrowIfNull(marks);
        this.frame = frame;
        Count = marks.Count;
        foreach (var mark in marks)
        {
            var turned = mark.AngleDeg == 0 ? 0 : Math.Max(mark.WidthMm, mark.LengthMm);

            // A ragged border reaches farther than what is measured.
            var reach = mark.Shape == MarkShape.Chip ? 0.7f : 0.5f;
            var (aside, above) = (reach * Math.Max(mark.WidthMm, turned), reach * Math.Max(mark.LengthMm, turned));
            var (low, high) = (Cell(mark.Side, new(mark.XMm - aside, mark.YMm - above)), Cell(mark.Side, new(mark.XMm + aside, mark.YMm + above)));
            for (var y = low.Y; y <= high.Y; y++)
            {
                for (var x = low.X; x <= high.X; x++)
                {
                    var key = Key(mark.Zone, mark.Side, (x, y));
                    if (!cells.TryGetValue(key, out var list))
                    {
                        cells[key] = list = [];
                    }

                    if (list.Count < MostInCell)
                    {
                        list.Add(mark);
                    }
                }
            }
        }
    }

    /// <summary>No marks.</summary>
    public static MarkIndex None { get; } = new([], default);

    /// <summary>How many there are.</summary>
    public int Count { get; }

    /// <summary>How much of a point the marks of each coat cover, from below, 0..1.</summary>
    /// <param name="zone">Place of its zone.</param>
    /// <param name="at">The point, mm.</param>
    /// <param name="normal">What it looks to.</param>
    /// <param name="covered">Taken over, one for each coat of marks.</param>
    /// <returns>Whether any does.</returns>
    public bool Cover(int zone, Vector3 at, Vector3 normal, Span<float> covered)
    {
        covered.Clear();
        var side = MarkFrame.SideOf(normal);
        var place = frame.On(side, at);
        if (Count == 0 || !cells.TryGetValue(Key(zone, side, Cell(side, place)), out var list))
        {
            return false;
        }

        var any = false;
        foreach (var mark in list)
        {
            var share = mark.Covers(place);
            covered[mark.Layer] = Math.Max(covered[mark.Layer], share);
            any |= share > 0;
        }

        return any;
    }

    private (int X, int Y) Cell(MarkSide side, Vector2 at) => (
        Math.Clamp((int)MathF.Floor(at.X / frame.Across(side) * Across), 0, Across - 1),
        Math.Clamp((int)MathF.Floor(at.Y / frame.Up(side) * Up), 0, Up - 1));

    private static int Key(int zone, MarkSide side, (int X, int Y) cell) => (((((zone * MarkFrame.Sides) + (int)side) * Up) + cell.Y) * Across) + cell.X;
}
