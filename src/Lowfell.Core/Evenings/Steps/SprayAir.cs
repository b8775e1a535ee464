using System.Globalization;
using Lowfell.Core.Materials;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Steps;

/// <summary>Air in which a spray goes wrong. Craft; the label and the data sheet come first.</summary>
public static class SprayAir
{
    /// <summary>Below this a can sputters and its film runs, C.</summary>
    public const double LeastC = 10;

    /// <summary>Above this what dries fast turns cloudy, relative humidity.</summary>
    public const double MostHumidity = 0.7;

    /// <summary>What is told of a step in some air; null where nothing is.</summary>
    public static string? Told(Station station, Climate air)
    {
        if (station is not (Station.Can or Station.Airbrush) || (air.TemperatureC >= LeastC && air.Humidity <= MostHumidity))
        {
            return null;
        }

        var now = string.Create(CultureInfo.InvariantCulture, $"{air.TemperatureC:0.#} °C and {air.Humidity * 100:0} % humidity");
        var (what, wait) = (
            station == Station.Can ? "a can sputters and its film turns cloudy" : "the airbrush spits and its film turns cloudy",
            (air.TemperatureC < LeastC, air.Humidity > MostHumidity) switch
            {
                (true, true) => "Wait for 10 °C and less than 70 %",
                (true, false) => "Wait for 10 °C",
                _ => "Wait for less than 70 %",
            });
        return $"At {now} {what}. {wait}, or spray in a heated booth.";
    }
}
