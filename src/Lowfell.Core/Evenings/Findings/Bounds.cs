using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>Zones of a piece.</summary>
public sealed class PieceZonesBoundAttribute() : LengthBoundAttribute(1, PieceStacks.MostZones);

/// <summary>Zones of a piece that something names.</summary>
public sealed class NamedZonesBoundAttribute() : LengthBoundAttribute(0, PieceStacks.MostZones);

/// <summary>Joins of a piece: every two of its zones at most.</summary>
public sealed class JoinsBoundAttribute() : LengthBoundAttribute(0, PieceStacks.MostZones * (PieceStacks.MostZones - 1) / 2);
