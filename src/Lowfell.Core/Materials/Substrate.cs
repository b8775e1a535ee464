using Lowfell.Core.Colour;

namespace Lowfell.Core.Materials;

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

/// <summary>Facts of a bare substrate.</summary>
/// <param name="Word">The painter's word.</param>
/// <param name="Colour">Its usual colour, invented for the demo's shelf.</param>
/// <param name="Sheen">Its sheen.</param>
/// <param name="Drinks">Drinks paint unless sealed.</param>
/// <param name="Resistance">Against each carrier.</param>
public sealed record SubstrateFacts(string Word, Srgb Colour, Sheen Sheen, bool Drinks, Resistance Resistance);

/// <summary>The table of substrates.</summary>
public static class Substrates
{
    private static readonly SubstrateFacts[] Table =
    [
        new("polystyrene", Srgb.Parse("#9aa0a3"), Sheen.Satin, false, Resistance.Fixed(3, 3, 1, 1)),
        new("resin", Srgb.Parse("#b9b2a2"), Sheen.Satin, false, Resistance.Fixed(3, 3, 3, 2)),
        new("printed plastic", Srgb.Parse("#7d8184"), Sheen.Satin, false, Resistance.Fixed(3, 3, 3, 1)),
        new("MDF", Srgb.Parse("#a98a66"), Sheen.Matt, true, Resistance.Fixed(1, 2, 2, 2)),
        new("card", Srgb.Parse("#b3aa98"), Sheen.Matt, true, Resistance.Fixed(1, 2, 2, 2)),
        new("extruded foam", Srgb.Parse("#8fa9b8"), Sheen.Matt, false, Resistance.Fixed(3, 3, 1, 0)),
        new("cork", Srgb.Parse("#a5784e"), Sheen.Matt, true, Resistance.Fixed(1, 2, 2, 2)),
        new("plaster", Srgb.Parse("#e2ded4"), Sheen.Matt, true, Resistance.Fixed(1, 2, 2, 2)),
        new("metal", Srgb.Parse("#a3a5a8"), Sheen.Gloss, false, Resistance.Fixed(3, 3, 3, 2)),
    ];

    /// <summary>Facts of a substrate.</summary>
    public static SubstrateFacts Facts(this Substrate substrate) => Table[(int)substrate];
}
