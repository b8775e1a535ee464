using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Drawing;

/// <summary>Heights and colours of a base, point by point, seen from above; the rear is at the top.</summary>
internal sealed class Canvas
{
    public Canvas(BaseForm form, float pxPerMm)
    {
        (Form, PxPerMm) = (form, pxPerMm);
        (Width, Rows) = (Math.Max(1, (int)MathF.Ceiling((float)form.LengthMm * pxPerMm)), Math.Max(1, (int)MathF.Ceiling((float)form.WidthMm * pxPerMm)));
        (Height, Colour) = (new float[Width * Rows], new Tone[Width * Rows]);
    }

    public BaseForm Form { get; }

    public float PxPerMm { get; }

    public int Width { get; }

    public int Rows { get; }

    /// <summary>Height of each point above the top face, mm.</summary>
    public float[] Height { get; }

    public Tone[] Colour { get; }

    public float X(int column) => ((column + 0.5f) / PxPerMm) - ((float)Form.LengthMm / 2);

    public float Y(int row) => ((float)Form.WidthMm / 2) - ((row + 0.5f) / PxPerMm);

    /// <summary>Every point in the box round an outline.</summary>
    public void Over(ReadOnlySpan<Point> outline, Action<float, float, int> at)
    {
        var (left, right, front, rear) = (double.MaxValue, double.MinValue, double.MaxValue, double.MinValue);
        foreach (var v in outline)
        {
            (left, right, front, rear) = (Math.Min(left, v.X), Math.Max(right, v.X), Math.Min(front, v.Y), Math.Max(rear, v.Y));
        }

        var (c0, c1) = (Column(left) - 1, Column(right) + 1);
        var (r0, r1) = (Row(rear) - 1, Row(front) + 1);
        for (var row = Math.Max(0, r0); row <= Math.Min(Rows - 1, r1); row++)
        {
            for (var column = Math.Max(0, c0); column <= Math.Min(Width - 1, c1); column++)
            {
                at(X(column), Y(row), (row * Width) + column);
            }
        }
    }

    private int Column(double x) => (int)((x + (Form.LengthMm / 2)) * PxPerMm);

    private int Row(double y) => (int)(((Form.WidthMm / 2) - y) * PxPerMm);
}
