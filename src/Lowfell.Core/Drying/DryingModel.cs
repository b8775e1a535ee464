using Lowfell.Core.Materials;

namespace Lowfell.Core.Drying;

/// <summary>How climate changes drying times.</summary>
public static class DryingModel
{
    private const double WettestAir = 0.95;
    private const double FanFactor = 0.7;
    private const double GasConstant = 8.314462618;
    private const double Kelvin = 273.15;
    private const double EvaporationJPerMol = 40_000;
    private const double OxidationJPerMol = 60_000;

    /// <summary>Factor on the reference times.</summary>
    /// <remarks>
    /// Water: <c>p_sat(20)/p_sat(T) x 0.5/(1 - RH)</c>, saturation by Magnus (Alduchov and Eskridge 1996), RH at most 0.95.
    /// Solvents: Arrhenius with 40 kJ/mol; oil and enamel 60 kJ/mol. A fan: 0.7 (craft estimate).
    /// </remarks>
    public static double Factor(DryingKind kind, Climate climate)
    {
        var air = climate.Fan ? FanFactor : 1;
        return kind switch
        {
            DryingKind.Water => air * Saturation(20) / Saturation(climate.TemperatureC) * 0.5 / (1 - Math.Min(climate.Humidity, WettestAir)),
            DryingKind.Evaporation => air * Arrhenius(EvaporationJPerMol, climate.TemperatureC),
            DryingKind.Oxidation => air * Arrhenius(OxidationJPerMol, climate.TemperatureC),
            _ => 1,
        };
    }

    /// <summary>Saturation vapour pressure of water, hPa.</summary>
    internal static double Saturation(double c) => 6.1094 * Math.Exp(17.625 * c / (243.04 + c));

    private static double Arrhenius(double energy, double c) => Math.Exp(energy / GasConstant * ((1 / (c + Kelvin)) - (1 / (20 + Kelvin))));
}
