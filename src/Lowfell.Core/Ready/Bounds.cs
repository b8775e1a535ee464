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
