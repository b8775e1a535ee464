namespace Lowfell.Core.Materials;

/// <summary>Air that a coat dries in.</summary>
/// <param name="TemperatureC">Temperature, C, -10 to 45.</param>
/// <param name="Humidity">Relative humidity, 0..1.</param>
/// <param name="Fan">A fan moves it.</param>
public sealed record Climate(double TemperatureC, double Humidity, bool Fan = false)
{
    /// <summary>What drying rows are told for.</summary>
    public static Climate Reference { get; } = new(20, 0.5);
}
