namespace Lowfell.Core.Films;

/// <summary>How a dry surface shines; it steers how a wash flows as well as how the thing looks.</summary>
public enum Sheen
{
    /// <summary>Mirror-like.</summary>
    Gloss,

    /// <summary>Soft shine.</summary>
    Satin,

    /// <summary>No shine.</summary>
    Matt,

    /// <summary>Loose powder.</summary>
    Velvet,
}

/// <summary>Words and steps of sheens.</summary>
public static class Sheens
{
    /// <summary>The painter's word for it.</summary>
    public static string Word(this Sheen sheen) => sheen switch { Sheen.Gloss => "gloss", Sheen.Satin => "satin", Sheen.Matt => "matt", _ => "powdery" };

    /// <summary>Steps from one sheen to another as rules count them: powder reads as matt.</summary>
    public static int StepsTo(this Sheen from, Sheen to) => Math.Abs((int)from.AsFilm() - (int)to.AsFilm());

    /// <summary>The sheen that rules read: powder as matt.</summary>
    public static Sheen AsFilm(this Sheen sheen) => sheen == Sheen.Velvet ? Sheen.Matt : sheen;
}

/// <summary>Reflection at the surface of a film.</summary>
/// <remarks>Saunderson 1942 (body) with an added surface term by sheen; the terms are craft estimates.</remarks>
public static class Surface
{
    /// <summary>Reflectance that a wet surface adds: less than gloss, as water lies smoother than any film.</summary>
    public const double WetTerm = 0.002;

    /// <summary>Share of light lost to the surface on the way in.</summary>
    public const double K1 = 0.04;

    /// <summary>Share of light thrown back inside on the way out.</summary>
    public const double K2 = 0.60;

    /// <summary>(1-k1)(1-k2).</summary>
    public const double Q = (1 - K1) * (1 - K2);

    /// <summary>Reflectance that the surface alone adds, by sheen.</summary>
    public static double Term(Sheen sheen) => sheen switch
    {
        Sheen.Gloss => 0.004,
        Sheen.Satin => 0.010,
        Sheen.Matt => 0.020,
        _ => 0.030,
    };

    /// <summary>Internal reflectance of a body reflectance in air: <c>b/(q + k2 b)</c>.</summary>
    public static double Internal(double body) => body / (Q + (K2 * body));

    /// <summary>Body reflectance in air of an internal reflectance: <c>q Ri/(1 - k2 Ri)</c>.</summary>
    public static double Body(double internalReflectance) => Q * internalReflectance / (1 - (K2 * internalReflectance));
}
