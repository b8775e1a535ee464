namespace Lowfell.Core.Colour;

/// <summary>Takes the cast of the light, and its strength, out of a picture: by something in it whose grey is known.</summary>
/// <remarks>
/// A gain for each channel of linear sRGB (von Kries 1902, in the primaries of the display rather than in those of the cone cells): good for the lamps that
/// paint is looked at in, rough for light that lacks a part of the spectrum.
/// </remarks>
/// <param name="R">Gain of red.</param>
/// <param name="G">Gain of green.</param>
/// <param name="B">Gain of blue.</param>
public readonly record struct WhiteBalance(double R, double G, double B)
{
    // Darker the noise tells more than the light; lighter a channel may be cut off.
    private const double Darkest = 0.01, Lightest = 0.97;

    // What is farther from neutral than this is no grey, CIELAB chroma.
    private const double MostChroma = 12;

    /// <summary>Nothing known: the picture as it is.</summary>
    public static WhiteBalance None { get; } = new(1, 1, 1);

    /// <summary>The balance by which something looks as it is known to be.</summary>
    /// <param name="seen">The mean of it in the picture.</param>
    /// <param name="known">What it is.</param>
    /// <returns>Null where it can't be used: see <see cref="Fault"/>.</returns>
    public static WhiteBalance? From(LinearRgb seen, Srgb known)
    {
        if (Fault(seen, known) is not null)
        {
            return null;
        }

        var truly = known.ToLinear();
        return new(truly.R / seen.R, truly.G / seen.G, truly.B / seen.B);
    }

    /// <summary>Why a patch can't be balanced by, and what to do; null where it can.</summary>
    public static string? Fault(LinearRgb seen, Srgb known)
    {
        var (least, most) = (Math.Min(seen.R, Math.Min(seen.G, seen.B)), Math.Max(seen.R, Math.Max(seen.G, seen.B)));
        return known.ToLab().Chroma > MostChroma ? "Choose something grey: what is known of it has a colour of its own."
            : least < Darkest ? "Choose a lighter grey: this spot is too dark in the picture."
            : most > Lightest ? "Choose a darker grey: this spot is burnt out in the picture."
            : null;
    }

    /// <summary>A colour of the picture in even light; what runs over the display's gamut is cut off.</summary>
    public Srgb Apply(LinearRgb seen) => new LinearRgb(Math.Clamp(seen.R * R, 0, 1), Math.Clamp(seen.G * G, 0, 1), Math.Clamp(seen.B * B, 0, 1)).ToSrgb();
}
