using Lowfell.Core.Bases.Forms;

namespace Lowfell.Core.Bases.Likeness;

/// <summary>Where the copies of a tray stand: in rows as they are read, so that it is known which stand side by side.</summary>
/// <param name="Rows">Copies from 0, row by row.</param>
/// <param name="Neighbours">Pairs that stand side by side or one below the other.</param>
public sealed record TrayOrder(IReadOnlyList<IReadOnlyList<int>> Rows, IReadOnlyList<(int A, int B)> Neighbours)
{
    /// <summary>Between two bases, mm.</summary>
    public const double GapMm = 9;

    /// <summary>Lays the copies out in rows of a width.</summary>
    /// <param name="forms">Their forms.</param>
    /// <param name="widthMm">Width of a row, mm.</param>
    public static TrayOrder Of(IReadOnlyList<BaseForm> forms, double widthMm = 230)
    {
        var rows = new List<List<int>> { new() };
        var middles = new double[forms.Count];
        var x = 0.0;
        for (var i = 0; i < forms.Count; i++)
        {
            if (x + forms[i].LengthMm > widthMm && rows[^1].Count > 0)
            {
                rows.Add([]);
                x = 0;
            }

            rows[^1].Add(i);
            middles[i] = x + (forms[i].LengthMm / 2);
            x += forms[i].LengthMm + GapMm;
        }

        var neighbours = new List<(int, int)>();
        for (var r = 0; r < rows.Count; r++)
        {
            for (var k = 1; k < rows[r].Count; k++)
            {
                neighbours.Add((rows[r][k - 1], rows[r][k]));
            }

            // Below: whose middle comes nearest.
            if (r > 0 && rows[r].Count > 0)
            {
                foreach (var i in rows[r])
                {
                    neighbours.Add((rows[r - 1].MinBy(k => Math.Abs(middles[k] - middles[i])), i));
                }
            }
        }

        return new(rows, neighbours);
    }
}
