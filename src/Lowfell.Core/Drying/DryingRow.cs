namespace Lowfell.Core.Drying;

/// <summary>How a material dries at 20 C, 50 % humidity and still air.</summary>
/// <param name="TouchMin">Minutes until touch-dry at the reference film.</param>
/// <param name="RecoatMin">Minutes until recoat-dry at the reference film.</param>
/// <param name="CuredH">Hours until cured; 0 for what never cures.</param>
/// <param name="ReferenceWetFilmUm">Wet film that the times are for, um.</param>
/// <param name="Exponent">n in <c>t = t_ref (film/film_ref)^n</c>; thick pastes are above 1.</param>
/// <param name="WarmAirFactor">Times factor under gentle warm air, where it is allowed; null where it is not.</param>
public sealed record DryingRow(double TouchMin, double RecoatMin, double CuredH, double ReferenceWetFilmUm, double Exponent, double? WarmAirFactor)
{
    /// <summary>Minutes until a wet film of this thickness is touch-dry, at 20 C, 50 % humidity and still air.</summary>
    public double TouchMinutes(double wetFilmUm, bool warmAir) => Scaled(TouchMin, wetFilmUm, warmAir);

    /// <summary>Minutes until the next coat may come on a wet film of this thickness, in the same air; see <see cref="DryingModel"/> for other.</summary>
    public double RecoatMinutes(double wetFilmUm, bool warmAir) => Scaled(RecoatMin, wetFilmUm, warmAir);

    /// <summary>Hours until a film of this thickness has cured. Warm air dries a skin; it does not hurry the cure.</summary>
    public double CuredHours(double wetFilmUm) => Scaled(CuredH, wetFilmUm, false);

    private double Scaled(double reference, double wetFilmUm, bool warmAir) =>
        reference * Math.Pow(Math.Max(wetFilmUm, 1) / ReferenceWetFilmUm, Exponent) * (warmAir ? WarmAirFactor ?? 1 : 1);
}
