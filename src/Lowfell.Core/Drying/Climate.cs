using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Drying;

/// <summary>Air that a coat dries in.</summary>
/// <param name="TemperatureC">Temperature, C, -10 to 45.</param>
/// <param name="Humidity">Relative humidity, 0..1.</param>
/// <param name="Fan">A fan moves it.</param>
public sealed record Climate(double TemperatureC, double Humidity, bool Fan = false)
{
    /// <summary>What drying rows are told for.</summary>
    public static Climate Reference { get; } = new(20, 0.5);
}

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

/// <summary>How climate changes drying times.</summary>
public static class DryingModel
{
    private const double WettestAir = 0.95;
    private const double FanFactor = 0.7;
    private const double GasConstant = 8.314462618;
    private const double Kelvin = 273.15;
    private const double EvaporationJPerMol = 40_000;
    private const double OxidationJPerMol = 60_000;

    /// <summary>What makes a family dry.</summary>
    public static DryingKind Kind(this Family family) => family switch
    {
        Family.EnamelPaint or Family.EnamelWash or Family.OilPaint or Family.VarnishEnamel => DryingKind.Oxidation,
        Family.Lacquer or Family.VarnishLacquer or Family.PrimerAerosol => DryingKind.Evaporation,
        Family.Pigment or Family.WashableMarking or Family.SuperGlue => DryingKind.Other,
        _ => DryingKind.Water,
    };

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

/// <summary>When a coat is dry, and until when it can be worked.</summary>
/// <param name="TouchMin">Minutes to touch-dry.</param>
/// <param name="RecoatMin">Minutes to recoat-dry.</param>
/// <param name="CuredMin">Minutes to cured; 0 for what never cures.</param>
/// <param name="WorkFromMin">From when it can be cleaned up or opened, minutes; null without a window.</param>
/// <param name="WorkToMin">Until when.</param>
public sealed record DryingTimes(double TouchMin, double RecoatMin, double CuredMin, double? WorkFromMin = null, double? WorkToMin = null)
{
    /// <summary>Enamel washes come off from 10 to 180 minutes after they went on. Craft estimate.</summary>
    private const double CleanFromMin = 10;
    private const double CleanToMin = 180;

    /// <summary>Nothing to dry.</summary>
    public static DryingTimes None { get; } = new(0, 0, 0);

    /// <summary>Times of a coat on a zone, by its thickest height.</summary>
    public static DryingTimes Of(Coat coat, Zone zone, Climate climate)
    {
        if (coat.Paint is not { } paint || coat.Technique == Technique.OpenChips)
        {
            return None;
        }

        var family = paint.Lead.Family;
        var factor = DryingModel.Factor(family.Kind(), climate);
        var wetUm = CoatMix.ThickestWetFilmUm(coat, zone);
        var row = paint.Lead.Drying;
        var window = family == Family.EnamelWash && coat.Technique is Technique.PinWash or Technique.Streak;
        return new(
            row.TouchMinutes(wetUm, coat.Hurried) * factor,
            row.RecoatMinutes(wetUm, coat.Hurried) * factor,
            row.CuredHours(wetUm) * 60 * factor,
            window ? CleanFromMin * factor : null,
            window ? CleanToMin * factor : null);
    }
}
