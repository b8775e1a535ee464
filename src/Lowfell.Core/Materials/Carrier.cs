namespace Lowfell.Core.Materials;

/// <summary>The liquid that carries a paint, and that can soften what it is laid on. Also the columns of the resistance matrix.</summary>
public enum Carrier
{
    /// <summary>Water.</summary>
    Water,

    /// <summary>Alcohol.</summary>
    Alcohol,

    /// <summary>White spirit and its odourless kin.</summary>
    WhiteSpirit,

    /// <summary>Lacquer thinner, and the solvent in aerosol cans.</summary>
    LacquerThinner,

    /// <summary>Dry: powder, pencil.</summary>
    None,
}

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

/// <summary>Facts about thinners.</summary>
public static class Thinners
{
    /// <summary>A drop of water-borne paint from a standard tip, ml: twenty to the millilitre.</summary>
    public const double StandardDropMl = 0.050;

    /// <summary>Dry volume left by the medium, share of its wet volume.</summary>
    public const double MediumVolumeSolids = 0.30;

    /// <summary>The painter's word for it.</summary>
    public static string Word(this Thinner thinner) => thinner switch
    {
        Thinner.Water => "water",
        Thinner.AcrylicMedium => "acrylic medium",
        Thinner.Alcohol => "alcohol",
        Thinner.WhiteSpirit => "white spirit",
        _ => "lacquer thinner",
    };

    /// <summary>The painter's word for it.</summary>
    public static string Word(this Carrier carrier) => carrier switch
    {
        Carrier.Water => "water",
        Carrier.Alcohol => "alcohol",
        Carrier.WhiteSpirit => "white spirit",
        Carrier.LacquerThinner => "lacquer solvent",
        _ => "nothing wet",
    };

    /// <summary>The carrier that a thinner brings with it.</summary>
    public static Carrier AsCarrier(this Thinner thinner) => thinner switch
    {
        Thinner.Alcohol => Carrier.Alcohol,
        Thinner.WhiteSpirit => Carrier.WhiteSpirit,
        Thinner.LacquerThinner => Carrier.LacquerThinner,
        _ => Carrier.Water,
    };

    /// <summary>
    /// Volume of a drop over that of a water-borne paint from a standard tip. Tate's law: drop volume goes with surface
    /// tension over density, so spirit drops are much smaller than paint drops.
    /// </summary>
    public static double DropFactor(this Thinner thinner) => thinner switch
    {
        Thinner.Water => 1.4,
        Thinner.AcrylicMedium => 1.0,
        Thinner.Alcohol => 0.5,
        Thinner.WhiteSpirit => 0.6,
        _ => 0.5,
    };

    /// <summary>Volume of one drop from a standard tip, ml.</summary>
    public static double DropMl(this Thinner thinner) => StandardDropMl * thinner.DropFactor();

    /// <summary>Density, g/ml: water 1.00, medium as water, spirits lighter.</summary>
    public static double DensityGPerMl(this Thinner thinner) => thinner switch
    {
        Thinner.WhiteSpirit or Thinner.Alcohol => 0.79,
        Thinner.LacquerThinner => 0.85,
        _ => 1.0,
    };
}
