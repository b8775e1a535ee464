using Lowfell.Core.Wording;

namespace Lowfell.Core.Meshes.StandIns;

/// <summary>Zones that the parts of a stand-in show.</summary>
public sealed class PartZonesBoundAttribute() : LengthBoundAttribute(0, 12);
