using Lowfell.Core.Wording;

namespace Lowfell.Core.Sight;

/// <summary>Distance that something is looked at from.</summary>
public sealed class SightMetresBoundAttribute() : FigureBoundAttribute(SightTable.LeastM, SightTable.MostM, "m");

/// <summary>Width or length of a detail.</summary>
public sealed class DetailWidthBoundAttribute() : FigureBoundAttribute(SightTable.LeastMm, SightTable.MostMm, "mm");

/// <summary>Ticks of one look in a trial.</summary>
public sealed class TrialTicksBoundAttribute() : LengthBoundAttribute(1, 100);

/// <summary>White of a room: candle light to a sunny table.</summary>
public sealed class WhiteBoundAttribute() : FigureBoundAttribute(1, 10_000, "cd/m2");

/// <summary>Acuity of eyes: 1 sees a minute of arc.</summary>
public sealed class AcuityBoundAttribute() : FigureBoundAttribute(0.1, 2);
