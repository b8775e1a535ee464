using Lowfell.Core.Wording;

namespace Lowfell.Core.Mixes;

/// <summary>Paint in a thinned coat by volume.</summary>
public sealed class PaintFractionBoundAttribute() : FigureBoundAttribute(0, 1, above: true);

/// <summary>A component of a recipe, in its own unit.</summary>
public sealed class ComponentAmountBoundAttribute() : FigureBoundAttribute(0.0001, 10_000);

/// <summary>Components of a recipe.</summary>
public sealed class ComponentsBoundAttribute() : LengthBoundAttribute(1, 40);

/// <summary>A volume that is mixed.</summary>
public sealed class MixedVolumeBoundAttribute() : FigureBoundAttribute(0.01, 10_000, "ml");

/// <summary>A volume that is taken from a pot.</summary>
public sealed class TakenVolumeBoundAttribute() : FigureBoundAttribute(0.001, 10_000, "ml");

/// <summary>Whole drops of one component, as they were counted into a pot.</summary>
public sealed class CountedDropsBoundAttribute() : FigureBoundAttribute(1, 10_000, "drops");

/// <summary>Paints that a colour is mixed from.</summary>
public sealed class RatioPaintsBoundAttribute() : LengthBoundAttribute(2, RatioSolver.MostPaints);

/// <summary>Drops that are counted onto a scale or into a measure.</summary>
public sealed class WeighedDropsBoundAttribute() : FigureBoundAttribute(1, 500, "drops");

/// <summary>Volume that counted drops come to.</summary>
public sealed class WeighedVolumeBoundAttribute() : FigureBoundAttribute(0.01, 50, "ml");

/// <summary>Mass that counted drops come to.</summary>
public sealed class WeighedMassBoundAttribute() : FigureBoundAttribute(0.01, 100, "g");
