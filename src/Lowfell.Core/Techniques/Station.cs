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

    /// <summary>Preparing: soap, files, filler.</summary>
    Preparing,

    /// <summary>Masking: tape, putty, a sharp blade.</summary>
    Masking,
}

/// <summary>Facts of the stations.</summary>
public static class Stations
{
    // Minutes to set up, and for another colour once it stands ready. Craft estimates. An airbrush is set up in six minutes and cleaned for six afterwards: both go with the set-up.
    private static readonly (string Word, int SetUpMin, int ChangeMin)[] Table =
        [("brush and palette", 1, 1), ("sponge", 2, 2), ("dry brush", 2, 2), ("airbrush", 12, 4), ("oils and spirit", 5, 5), ("spray can", 8, 1), ("glue and clamps", 2, 0), ("preparing", 2, 1), ("masking", 1, 1)];

    /// <summary>The painter's word for it.</summary>
    public static string Word(this Station station) => Table[(int)station].Word;

    /// <summary>Minutes for another colour at a station that stands ready.</summary>
    public static int ChangeMin(this Station station) => Table[(int)station].ChangeMin;

    /// <summary>Minutes to set up, by station; cleaning up afterwards counted.</summary>
    public static int SetUpMin(this Station station) => Table[(int)station].SetUpMin;
}
