namespace Lowfell.Core.Surfaces;

/// <summary>The liquid that carries a paint, and that can soften what it is laid on. Also the columns of the solvent table.</summary>
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

/// <summary>How hard a coat works on what it is laid on.</summary>
public enum Impact
{
    /// <summary>Hardly touches it: powder, pencil, what drips on.</summary>
    None,

    /// <summary>Dries almost as it lands, or carries hardly any liquid.</summary>
    Mist,

    /// <summary>Laid on wet and left.</summary>
    Laid,

    /// <summary>Worked wet: cleaned off, drawn out, opened.</summary>
    Scrubbed,
}

/// <summary>Facts of carriers.</summary>
public static class Carriers
{
    private static readonly (string Word, bool Solvent, bool EatsFoam)[] Table =
    [
        ("water", false, false),
        ("alcohol", true, false),
        ("white spirit", true, true),
        ("lacquer solvent", true, true),
        ("nothing wet", false, false),
    ];

    /// <summary>The painter's word for it.</summary>
    public static string Word(this Carrier carrier) => Table[(int)carrier].Word;

    /// <summary>Its vapour wants open windows and no flame.</summary>
    public static bool IsSolvent(this Carrier carrier) => Table[(int)carrier].Solvent;

    /// <summary>Melts bare extruded foam.</summary>
    public static bool EatsFoam(this Carrier carrier) => Table[(int)carrier].EatsFoam;
}
