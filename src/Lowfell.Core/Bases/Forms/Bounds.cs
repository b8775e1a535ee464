using Lowfell.Core.Wording;

namespace Lowfell.Core.Bases.Forms;

/// <summary>A side or the diameter of a base, mm.</summary>
public sealed class BaseSideBoundAttribute() : FigureBoundAttribute(10, 200, "mm");

/// <summary>Bevel of a base, mm.</summary>
public sealed class BevelBoundAttribute() : FigureBoundAttribute(0, 5, "mm");

/// <summary>Height of the top face of a base, mm.</summary>
public sealed class BaseHeightBoundAttribute() : FigureBoundAttribute(0.5, 20, "mm");

/// <summary>A measure of what stands on a base, mm.</summary>
public sealed class LandingBoundAttribute() : FigureBoundAttribute(0, 200, "mm");

/// <summary>A place on a base, mm from its middle.</summary>
public sealed class PlaceBoundAttribute() : FigureBoundAttribute(-120, 120, "mm");

/// <summary>Weight of what stands on a base, g.</summary>
public sealed class FigureWeightBoundAttribute() : FigureBoundAttribute(0, 2000, "g");
