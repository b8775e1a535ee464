using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Materials;

/// <summary>What a paint is thinned with.</summary>
public enum Thinner
{
    /// <summary>Water.</summary>
    Water,

    /// <summary>Acrylic medium: thins the colour, keeps the binder.</summary>
    AcrylicMedium,

    /// <summary>Alcohol.</summary>
    Alcohol,

    /// <summary>White spirit.</summary>
    WhiteSpirit,

    /// <summary>Lacquer thinner.</summary>
    LacquerThinner,
}

/// <summary>Facts of a thinner.</summary>
/// <param name="Word">The painter's word.</param>
/// <param name="Carrier">The carrier that it brings with it.</param>
/// <param name="DropFactor">Volume of a drop over that of a water-borne paint from a standard tip.</param>
/// <param name="DensityGPerMl">Density, g/ml.</param>
/// <param name="Binds">Thins the colour but keeps the binder.</param>
public sealed record ThinnerFacts(string Word, Carrier Carrier, double DropFactor, double DensityGPerMl, bool Binds = false);

/// <summary>The table of thinners.</summary>
public static class Thinners
{
    /// <summary>A drop of water-borne paint from a standard tip, ml: twenty to the millilitre.</summary>
    public const double StandardDropMl = 0.050;

    /// <summary>Dry volume left by the medium, share of its wet volume.</summary>
    public const double MediumVolumeSolids = 0.30;

    // Tate's law: drop volume goes with surface tension over density, so spirit drops are much smaller than paint drops.
    private static readonly ThinnerFacts[] Table =
    [
        new("water", Carrier.Water, 1.4, 1.0),
        new("acrylic medium", Carrier.Water, 1.0, 1.0, Binds: true),
        new("alcohol", Carrier.Alcohol, 0.5, 0.79),
        new("white spirit", Carrier.WhiteSpirit, 0.6, 0.79),
        new("lacquer thinner", Carrier.LacquerThinner, 0.5, 0.85),
    ];

    /// <summary>Facts of a thinner.</summary>
    public static ThinnerFacts Facts(this Thinner thinner) => Table[(int)thinner];

    /// <summary>The painter's word for it.</summary>
    public static string Word(this Thinner thinner) => thinner.Facts().Word;

    /// <summary>The carrier that a thinner brings with it.</summary>
    public static Carrier AsCarrier(this Thinner thinner) => thinner.Facts().Carrier;

    /// <summary>Volume of one drop from a standard tip, ml.</summary>
    public static double DropMl(this Thinner thinner) => StandardDropMl * thinner.Facts().DropFactor;

    /// <summary>Density, g/ml.</summary>
    public static double DensityGPerMl(this Thinner thinner) => thinner.Facts().DensityGPerMl;
}
