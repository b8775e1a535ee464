using System.Numerics;

namespace Lowfell.Core.Meshes.Looks;

/// <summary>Marks by zone, side and strip across it, so that a point asks only those near it.</summary>
public sealed class MarkIndex
{
    /// <summary>Strips of a side.</summary>
    public const int Strips = 24;

    /// <summary>Most coats of marks of a zone that are drawn mark by mark.</summary>
    public const int MostLayers = 4;

    // More in one strip are not looked at: as in the shader.
    private const int MostInStrip = 96;

    private readonly Dictionary<int, List<LookMark>> strips = [];
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
            var reach = 0.75f * Math.Max(mark.WidthMm, mark.AngleDeg == 0 ? mark.WidthMm : mark.LengthMm);
            for (var strip = Strip(mark.Side, mark.XMm - reach); strip <= Strip(mark.Side, mark.XMm + reach); strip++)
            {
                var key = Key(mark.Zone, mark.Side, strip);
                if (!strips.TryGetValue(key, out var list))
                {
                    strips[key] = list = [];
                }

                if (list.Count < MostInStrip)
                {
                    list.Add(mark);
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
        if (Count == 0 || !strips.TryGetValue(Key(zone, side, Strip(side, place.X)), out var list))
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

    private int Strip(MarkSide side, float x) => Math.Clamp((int)MathF.Floor(x / frame.Across(side) * Strips), 0, Strips - 1);

    private static int Key(int zone, MarkSide side, int strip) => (((zone * MarkFrame.Sides) + (int)side) * Strips) + strip;
}
