using Lowfell.Core.Wording;

namespace Lowfell.Core.Ready;

/// <summary>Coats of a scheme by roles.</summary>
public sealed class RoleCoatsBoundAttribute() : LengthBoundAttribute(1, 30);

/// <summary>Paint in the mix of a role's coat.</summary>
public sealed class RolePaintBoundAttribute() : FigureBoundAttribute(0, 1, above: true);

/// <summary>Kinds of things that a scheme suits.</summary>
public sealed class SuitsBoundAttribute() : LengthBoundAttribute(0, 10);

/// <summary>What a document says that it is.</summary>
public sealed class SchemeTagBoundAttribute() : LengthBoundAttribute(1, 40);

/// <summary>Version of a document.</summary>
public sealed class SchemeVersionBoundAttribute() : FigureBoundAttribute(1, 1000);

/// <summary>A pasted table of paints.</summary>
public sealed class PaintTextBoundAttribute() : LengthBoundAttribute(0, 400_000);

/// <summary>What the columns of a table tell.</summary>
public sealed class PaintColumnsBoundAttribute() : LengthBoundAttribute(0, PaintTable.MostColumns);

/// <summary>Pieces as they are written down in the first hour.</summary>
public sealed class ThingTextBoundAttribute() : LengthBoundAttribute(0, 20_000);

/// <summary>A line, or the place of a zone in it.</summary>
public sealed class PlaceBoundAttribute() : FigureBoundAttribute(0, 500);
