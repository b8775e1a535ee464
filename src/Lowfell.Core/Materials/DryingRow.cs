namespace Lowfell.Core.Materials;

/// <summary>What makes a film dry.</summary>
public enum DryingKind
{
    /// <summary>Water goes into the air.</summary>
    Water,

    /// <summary>A solvent does.</summary>
    Evaporation,

    /// <summary>Oil takes up oxygen.</summary>
    Oxidation,

    /// <summary>Neither: powders, pencils, super glue.</summary>
    Other,
}

/// <summary>How a material dries at 20 C, 50 % humidity and still air.</summary>
/// <param name="TouchMin">Minutes until touch-dry at the reference film.</param>
/// <param name="RecoatMin">Minutes until recoat-dry at the reference film.</param>
/// <param name="CuredH">Hours until cured; 0 for what never cures.</param>
/// <param name="ReferenceWetFilmUm">Wet film that the times are for, um.</param>
/// <param name="Exponent">n in <c>t = t_ref (film/film_ref)^n</c>; thick pastes are above 1.</param>
/// <param name="WarmAirFactor">Times factor under gentle warm air, where it is allowed; null where it is not.</param>
public sealed record DryingRow(double TouchMin, double RecoatMin, double CuredH, double ReferenceWetFilmUm, double Exponent, double? WarmAirFactor)
{
    /// <summary>How much longer a film of this thickness takes than the reference film; one that leaves a trace dries at once.</summary>
    /// <param name="wetFilmUm">Wet film, um.</param>
    public double FilmFactor(double wetFilmUm)
    {
        var ratio = Math.Max(wetFilmUm, 1) / ReferenceWetFilmUm;
        return Exponent == 1 ? ratio : Math.Pow(ratio, Exponent);
    }
}
