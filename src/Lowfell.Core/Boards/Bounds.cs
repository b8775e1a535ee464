using Lowfell.Core.Wording;

namespace Lowfell.Core.Boards;

/// <summary>A place on a board.</summary>
public sealed class BoardPlaceBoundAttribute() : FigureBoundAttribute(-10_000, 10_000, "mm");

/// <summary>Length, width or height of what stands on a board.</summary>
public sealed class BoardSizeBoundAttribute() : FigureBoundAttribute(1, 3000, "mm");

/// <summary>Quarter turns.</summary>
public sealed class QuarterTurnBoundAttribute() : FigureBoundAttribute(0, 3);

/// <summary>A foot above or below the table, or above another.</summary>
public sealed class StepBoundAttribute() : FigureBoundAttribute(-500, 500, "mm");

/// <summary>Room between two sides.</summary>
public sealed class GapBoundAttribute() : FigureBoundAttribute(0, 20, "mm");

/// <summary>Tilt of a foot.</summary>
public sealed class TiltBoundAttribute() : FigureBoundAttribute(-BoardTable.MostTiltDeg, BoardTable.MostTiltDeg, "degrees");

/// <summary>Height of a line above the table or the foot.</summary>
public sealed class DatumHeightBoundAttribute() : FigureBoundAttribute(0, 1000, "mm");

/// <summary>How far a line wanders.</summary>
public sealed class WanderBoundAttribute() : FigureBoundAttribute(0, 5, "mm");

/// <summary>A place along what carries a part.</summary>
public sealed class AlongBoundAttribute() : FigureBoundAttribute(0, 3000, "mm");

/// <summary>Copies on a board.</summary>
public sealed class BoardCopiesBoundAttribute() : LengthBoundAttribute(0, BoardTable.MostCopies);

/// <summary>Steps that were measured.</summary>
public sealed class BoardStepsBoundAttribute() : LengthBoundAttribute(0, 2 * BoardTable.MostCopies);

/// <summary>Lines of a board.</summary>
public sealed class DatumsBoundAttribute() : LengthBoundAttribute(0, 12);

/// <summary>Classes of sides, and parts that move.</summary>
public sealed class BoardListBoundAttribute() : LengthBoundAttribute(0, 400);

/// <summary>Number of a copy.</summary>
public sealed class BoardCopyBoundAttribute() : FigureBoundAttribute(1, 1000);
