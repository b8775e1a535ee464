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

/// <summary>Flat stones under the landings of a figure: at most as many as it has.</summary>
public sealed class StonesBoundAttribute() : LengthBoundAttribute(0, 4);

/// <summary>Thickness of a flat stone under a landing.</summary>
public sealed class StoneBoundAttribute() : FigureBoundAttribute(0, 8, "mm");

/// <summary>A place on a base, mm from its middle.</summary>
public sealed class PlaceBoundAttribute() : FigureBoundAttribute(-120, 120, "mm");

/// <summary>Weight of what stands on a base, g.</summary>
public sealed class FigureWeightBoundAttribute() : FigureBoundAttribute(0, 2000, "g");
