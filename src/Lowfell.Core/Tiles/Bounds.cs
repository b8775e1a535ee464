using Lowfell.Core.Wording;

namespace Lowfell.Core.Tiles;

/// <summary>Rows or columns of a test tile.</summary>
public sealed class TileLinesBoundAttribute() : LengthBoundAttribute(1, TestTile.MostLines);

/// <summary>Coats under a whole tile.</summary>
public sealed class TileGroundBoundAttribute() : LengthBoundAttribute(0, 20);

/// <summary>Row or column of a cell, from 0.</summary>
public sealed class TileLineBoundAttribute() : FigureBoundAttribute(0, TestTile.MostLines - 1);

/// <summary>Cells of a tile that were painted.</summary>
public sealed class TileCellsBoundAttribute() : LengthBoundAttribute(0, TestTile.MostLines * TestTile.MostLines);
