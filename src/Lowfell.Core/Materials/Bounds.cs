using Lowfell.Core.Films;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Materials;

/// <summary>Contrast ratio: how much of a black and white card a film hides.</summary>
public sealed class ContrastBoundAttribute() : FigureBoundAttribute(FilmOptics.LeastContrastRatio, 0.9999);

/// <summary>Dry film that a contrast ratio was taken at.</summary>
public sealed class ReferenceFilmBoundAttribute() : FigureBoundAttribute(1, 500, "um");

/// <summary>Dry over wet volume.</summary>
public sealed class SolidsBoundAttribute() : FigureBoundAttribute(0.01, 1);

/// <summary>How strongly a thin film pulls to its undertone.</summary>
public sealed class UndertoneBoundAttribute() : FigureBoundAttribute(0, 1);

/// <summary>How much a wet film scatters against the dry one.</summary>
public sealed class WetScatterBoundAttribute() : FigureBoundAttribute(Least, Most)
{
    /// <summary>The least.</summary>
    public new const double Least = 0.2;

    /// <summary>The most: as milk.</summary>
    public new const double Most = 50;
}

/// <summary>Drops to the ml.</summary>
public sealed class DropsPerMlBoundAttribute() : FigureBoundAttribute(Fewest, Most, "drops to the ml")
{
    /// <summary>The largest drops that there are.</summary>
    public const double Fewest = 2;

    /// <summary>The smallest.</summary>
    public new const double Most = 200;
}

/// <summary>What a bottle, pot or can holds when new.</summary>
public sealed class BottleSizeBoundAttribute() : FigureBoundAttribute(Smallest, 10_000, "ml")
{
    /// <summary>The smallest bottle, ml.</summary>
    public const double Smallest = 0.5;
}

/// <summary>What is there of something liquid.</summary>
public sealed class StockBoundAttribute() : FigureBoundAttribute(0, 10_000, "ml");

/// <summary>Minutes to touch-dry or recoat-dry.</summary>
public sealed class DryMinutesBoundAttribute() : FigureBoundAttribute(0, 10_000, "min");

/// <summary>Hours to cured; none for what never cures.</summary>
public sealed class CuredHoursBoundAttribute() : FigureBoundAttribute(0, 2000, "h");

/// <summary>Wet film that drying times hold for.</summary>
public sealed class DryingFilmBoundAttribute() : FigureBoundAttribute(1, 5000, "um");

/// <summary>Exponent n of t = t_ref (film/film_ref)^n.</summary>
public sealed class DryingExponentBoundAttribute() : FigureBoundAttribute(0.5, 3);

/// <summary>Factor on drying under warm air.</summary>
public sealed class WarmAirBoundAttribute() : FigureBoundAttribute(0.05, 1);

/// <summary>Temperature of a room.</summary>
public sealed class TemperatureBoundAttribute() : FigureBoundAttribute(0, 45, "C");

/// <summary>Relative humidity of a room, as a share.</summary>
public sealed class HumidityBoundAttribute() : FigureBoundAttribute(0.05, 0.99);

/// <summary>What a bottle, pot or can cost; nothing for one that was given.</summary>
public sealed class PriceBoundAttribute() : FigureBoundAttribute(0, 100_000);
