using Lowfell.Core.Colour;
using Lowfell.Core.Films;

namespace Lowfell.Core.Surfaces;

/// <summary>What the piece is made of.</summary>
public enum Substrate
{
    /// <summary>Moulded polystyrene.</summary>
    Polystyrene,

    /// <summary>Cured resin.</summary>
    Resin,

    /// <summary>Printed plastic (PLA).</summary>
    PrintedPlastic,

    /// <summary>MDF.</summary>
    Mdf,

    /// <summary>Card and card stone.</summary>
    Card,

    /// <summary>Extruded foam.</summary>
    Foam,

    /// <summary>Cork.</summary>
    Cork,

    /// <summary>Plaster.</summary>
    Plaster,

    /// <summary>Metal.</summary>
    Metal,
}

/// <summary>How a bare ground takes up what is laid on it.</summary>
public enum Thirst
{
    /// <summary>Takes nothing up.</summary>
    None,

    /// <summary>Takes stain well: a wash or a second coat of paint is enough.</summary>
    Stains,

    /// <summary>Swells and drinks, its cut edges worst.</summary>
    Drinks,
}

/// <summary>Facts of a bare substrate.</summary>
/// <param name="Word">The painter's word.</param>
/// <param name="Colour">Its usual colour.</param>
/// <param name="Sheen">Its sheen.</param>
/// <param name="Thirst">How it takes up what is laid on it.</param>
/// <param name="Melts">Solvents and hot air eat it.</param>
/// <param name="Resistance">What it bears.</param>
/// <param name="Slick">Paint rubs off it without a primer.</param>
public sealed record SubstrateFacts(string Word, Srgb Colour, Sheen Sheen, Thirst Thirst, bool Melts, Resistance Resistance, bool Slick);

/// <summary>The table of substrates.</summary>
public static class Substrates
{
    private static readonly SubstrateFacts[] Table =
    [
        Row("polystyrene", "#9aa0a3", Sheen.Satin, Resistance.Parse("d d d", "d d d", "d d r", "d s s")),
        Row("resin", "#b9b2a2", Sheen.Satin, Resistance.Parse("d d d", "d d d", "d d d", "d d r"), slick: true),
        Row("printed plastic", "#7d8184", Sheen.Satin, Resistance.Parse("d d d", "d d d", "d d r", "d r r"), slick: true),
        Row("MDF", "#a98a66", Sheen.Matt, Resistance.Silent, Thirst.Drinks),
        Row("card", "#b3aa98", Sheen.Matt, Resistance.Silent, Thirst.Drinks),
        Row("extruded foam", "#8fa9b8", Sheen.Matt, Resistance.Parse("d d d", "d d d", "- - -", "- - -"), melts: true),
        Row("cork", "#a5784e", Sheen.Matt, Resistance.Silent, Thirst.Stains),
        Row("plaster", "#e2ded4", Sheen.Matt, Resistance.Silent, Thirst.Stains),
        Row("metal", "#a3a5a8", Sheen.Gloss, Resistance.Parse("d d d", "d d d", "d d d", "d d r"), slick: true),
    ];

    /// <summary>Facts of a substrate.</summary>
    public static SubstrateFacts Facts(this Substrate substrate) => Table[(int)substrate];

    private static SubstrateFacts Row(string word, string colour, Sheen sheen, Resistance resistance, Thirst thirst = Thirst.None, bool melts = false, bool slick = false) =>
        new(word, Srgb.Parse(colour), sheen, thirst, melts, resistance, slick);
}
