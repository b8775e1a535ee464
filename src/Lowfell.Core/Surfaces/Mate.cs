namespace Lowfell.Core.Surfaces;

/// <summary>A face that fits against another one: a gate in its slot, a turret on its ring.</summary>
/// <param name="ZoneId">The zone that it fits against.</param>
/// <param name="ClearanceMm">Room between both bare faces, mm.</param>
public sealed record Mate(Guid ZoneId, [ClearanceBound] double ClearanceMm);
