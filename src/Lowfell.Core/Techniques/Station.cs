namespace Lowfell.Core.Techniques;

/// <summary>Where a step is done, and so what has to be set up for it.</summary>
public enum Station
{
    /// <summary>Brush and palette.</summary>
    Brush,

    /// <summary>Sponge.</summary>
    Sponge,

    /// <summary>Dry brush.</summary>
    DryBrush,

    /// <summary>Airbrush.</summary>
    Airbrush,

    /// <summary>Oils and enamels with their spirit.</summary>
    Spirit,

    /// <summary>Spray can.</summary>
    Can,

    /// <summary>Putting parts together: glue and clamps.</summary>
    Assembly,
}

/// <summary>Facts of the stations.</summary>
public static class Stations
{
    // Minutes to set up. Craft estimates.
    private static readonly (string Word, int SetUpMin)[] Table =
        [("brush and palette", 1), ("sponge", 2), ("dry brush", 2), ("airbrush", 6), ("oils and spirit", 5), ("spray can", 8), ("glue and clamps", 2)];

    /// <summary>The painter's word for it.</summary>
    public static string Word(this Station station) => Table[(int)station].Word;

    /// <summary>Minutes to set up, by station; a colour change at the airbrush costs as much as setting it up.</summary>
    public static int SetUpMin(this Station station) => Table[(int)station].SetUpMin;
}
