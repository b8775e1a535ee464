using Lowfell.Core.Colour;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Tiles;

/// <summary>A scrap with the zone's relief, painted in a grid: what is laid first changes by row, what comes last by column.</summary>
/// <param name="Zone">The zone whose relief, facing and substrate the scrap stands for.</param>
/// <param name="Schools">Preferences.</param>
/// <param name="Under">Coats under the whole tile.</param>
/// <param name="Rows">The coat of each row: grounds, or dry-brush colours; 1-6.</param>
/// <param name="Columns">The coat of each column: washes; 1-6.</param>
public sealed record TestTile(Zone Zone, Schools Schools, IReadOnlyList<Coat> Under, IReadOnlyList<Coat> Rows, IReadOnlyList<Coat> Columns)
{
    /// <summary>Most rows or columns.</summary>
    public const int MostLines = 6;

    /// <summary>The stack of a cell, from the substrate up.</summary>
    public StackDraft Stack(int row, int column) => new(Zone, Schools, [.. Under, Rows[row], Columns[column]]);

    /// <summary>Every cell, row by row.</summary>
    public IReadOnlyList<TileCell> Predict() =>
        [.. from r in Enumerable.Range(0, Rows.Count) from c in Enumerable.Range(0, Columns.Count) select new TileCell(r, c, Predictor.Predict(Stack(r, c)).Top)];

    /// <summary>Cells by how near they come to a wanted look, the nearest first.</summary>
    public static IReadOnlyList<NearCell> Nearest(IReadOnlyList<TileCell> cells, WantedLook look, IReadOnlyDictionary<(int Row, int Column), Srgb>? painted = null) =>
        [.. cells.Select(c => new NearCell(c, look.DeltaE(c.Top, painted?.TryGetValue((c.Row, c.Column), out var seen) == true ? seen : null))).OrderBy(n => n.DeltaE)];
}

/// <summary>A cell with its finished look.</summary>
/// <param name="Row">Row, from 0.</param>
/// <param name="Column">Column, from 0.</param>
/// <param name="Top">What it looks like.</param>
public sealed record TileCell(int Row, int Column, Stratum Top);

/// <summary>A cell, and how far it is from what is wanted.</summary>
/// <param name="Cell">The cell.</param>
/// <param name="DeltaE">dE00 to the wanted look, mean of the heights that it names.</param>
public sealed record NearCell(TileCell Cell, double DeltaE);

/// <summary>A look that is wanted, at any of the three heights.</summary>
/// <param name="Recess">Recess.</param>
/// <param name="Face">Face.</param>
/// <param name="Edge">Edge.</param>
public sealed record WantedLook(Srgb? Recess, Srgb? Face, Srgb? Edge)
{
    /// <summary>dE00 of a look to this one, mean of the heights named; what was seen of the face on the real tile counts before its prediction.</summary>
    /// <exception cref="InvalidOperationException">No height is named.</exception>
    public double DeltaE(Stratum top, Srgb? seenFace = null)
    {
        var off = new List<double>(3);
        void Add(Srgb? wanted, Lab there)
        {
            if (wanted is { } w)
            {
                off.Add(ColourDifference.Ciede2000(w.ToLab(), there));
            }
        }

        Add(Recess, top.Recess.Lab);
        Add(Face, seenFace?.ToLab() ?? top.Face.Lab);
        Add(Edge, top.Edge.Lab);
        return off.Count > 0 ? off.Average() : throw new InvalidOperationException("A wanted look names a height at least.");
    }
}
