using Lowfell.Core.Wording;

namespace Lowfell.Core.Colour;

/// <summary>How an eye tells colours apart.</summary>
public enum Vision
{
    /// <summary>As most do.</summary>
    [Said("most eyes")]
    Full,

    /// <summary>Without the receptor for long waves: red goes dark, red and green alike.</summary>
    [Said("eyes without red (protan)")]
    Protan,

    /// <summary>Without that for middle waves: red and green alike.</summary>
    [Said("eyes without green (deutan)")]
    Deutan,

    /// <summary>Without that for short waves: blue and green alike.</summary>
    [Said("eyes without blue (tritan)")]
    Tritan,

    /// <summary>By lightness alone.</summary>
    [Said("lightness alone")]
    Grey,
}

/// <summary>Colours as other eyes see them.</summary>
/// <remarks>Machado, Oliveira and Fernandes 2009, table 1, severity 1.0, on linear light; lightness alone by the luminance of IEC 61966-2-1.</remarks>
public static class ColourVision
{
    private static readonly double[][] Matrices =
    [
        [1, 0, 0, 0, 1, 0, 0, 0, 1],
        [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
        [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.011820, 0.042940, 0.968881],
        [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.303900],
        [0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722],
    ];

    /// <summary>The matrix on linear red, green and blue, by rows.</summary>
    public static IReadOnlyList<double> Matrix(this Vision vision) => Matrices[(int)vision];

    /// <summary>A colour as it is seen so, clipped to the display.</summary>
    public static Srgb Seen(this Vision vision, Srgb colour)
    {
        var (m, c) = (Matrices[(int)vision], colour.ToLinear());
        return new LinearRgb((m[0] * c.R) + (m[1] * c.G) + (m[2] * c.B), (m[3] * c.R) + (m[4] * c.G) + (m[5] * c.B), (m[6] * c.R) + (m[7] * c.G) + (m[8] * c.B)).ToSrgb();
    }
}
