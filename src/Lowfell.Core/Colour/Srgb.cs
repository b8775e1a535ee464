using System.Globalization;

namespace Lowfell.Core.Colour;

/// <summary>A display colour of 8 bits a channel (IEC 61966-2-1), written <c>#rrggbb</c>.</summary>
/// <param name="R">Red, 0-255.</param>
/// <param name="G">Green, 0-255.</param>
/// <param name="B">Blue, 0-255.</param>
public readonly record struct Srgb(byte R, byte G, byte B)
{
    /// <summary>Reads <c>#rrggbb</c>; false for anything else.</summary>
    public static bool TryParse(string? text, out Srgb colour)
    {
        colour = default;
        if (text is not { Length: 7 } || text[0] != '#'
            || !uint.TryParse(text.AsSpan(1), NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out var value))
        {
            return false;
        }

        colour = new Srgb((byte)(value >> 16), (byte)(value >> 8), (byte)value);
        return true;
    }

    /// <summary>Reads <c>#rrggbb</c>.</summary>
    /// <exception cref="FormatException"><paramref name="text"/> is not such a colour.</exception>
    public static Srgb Parse(string text) =>
        TryParse(text, out var colour) ? colour : throw new FormatException($"'{text}' is not a colour written #rrggbb.");

    /// <summary>The linear light of this colour.</summary>
    public LinearRgb ToLinear() => new(Decode[R], Decode[G], Decode[B]);

    /// <summary>CIELAB under D65.</summary>
    public Lab ToLab() => ToLinear().ToLab();

    /// <inheritdoc/>
    public override string ToString() => string.Create(7, this, static (span, c) =>
    {
        const string Digits = "0123456789abcdef";
        span[0] = '#';
        span[1] = Digits[c.R >> 4];
        span[2] = Digits[c.R & 15];
        span[3] = Digits[c.G >> 4];
        span[4] = Digits[c.G & 15];
        span[5] = Digits[c.B >> 4];
        span[6] = Digits[c.B & 15];
    });

    private static readonly double[] Decode = [.. Enumerable.Range(0, 256).Select(i => DecodeChannel(i / 255.0))];

    private static double DecodeChannel(double v) => v <= 0.04045 ? v / 12.92 : Math.Pow((v + 0.055) / 1.055, 2.4);
}

/// <summary>Linear sRGB light; a predicted colour may fall slightly outside 0..1.</summary>
/// <param name="R">Red.</param>
/// <param name="G">Green.</param>
/// <param name="B">Blue.</param>
public readonly record struct LinearRgb(double R, double G, double B)
{
    // So many steps of linear light to 8 bits that the darkest step of a display spans five of them.
    private const int Steps = 16384;
    private const int RootSteps = 2048;
    private static readonly double[] Roots = [.. Enumerable.Range(0, (RootSteps * 5 / 4) + 2).Select(i => Math.Cbrt((double)i / RootSteps))];
    private static readonly byte[] Encode = [.. Enumerable.Range(0, Steps + 1).Select(i => EncodeChannel((double)i / Steps))];

    /// <summary>Relative luminance, 0..1.</summary>
    public double Luminance => CieTables.Xyz(this).Y;

    /// <summary>The same light with as much more in every channel.</summary>
    public LinearRgb Plus(double grey) => new(R + grey, G + grey, B + grey);

    /// <summary>The nearest display colour, clipped to the gamut.</summary>
    public Srgb ToSrgb() => new(ToByte(R), ToByte(G), ToByte(B));

    /// <summary>CIELAB under D65 (CIE 015:2018).</summary>
    public Lab ToLab()
    {
        var (x, y, z) = CieTables.Xyz(this);
        var white = CieTables.White;
        double fx = Root(x / white.X), fy = Root(y / white.Y), fz = Root(z / white.Z);
        return new Lab((116 * fy) - 16, 500 * (fx - fy), 200 * (fy - fz));
    }

    // The cube root of CIELAB with its straight line near black: a guess from the table, then one step of Newton, to nine digits.
    private static double Root(double t)
    {
        if (t <= 216.0 / 24389)
        {
            return ((t * (24389.0 / 27)) + 16) / 116;
        }

        var place = t * RootSteps;
        if (!(place < Roots.Length - 1))
        {
            return Math.Cbrt(t);
        }

        var below = (int)place;
        var guess = Roots[below] + ((place - below) * (Roots[below + 1] - Roots[below]));
        return ((2 * guess) + (t / (guess * guess))) / 3;
    }

    private static byte ToByte(double v) => v <= 0 ? (byte)0 : v >= 1 ? (byte)255 : Encode[(int)((v * Steps) + 0.5)];

    private static byte EncodeChannel(double v) =>
        (byte)((255 * (v <= 0.0031308 ? 12.92 * v : (1.055 * Math.Pow(v, 1 / 2.4)) - 0.055)) + 0.5);
}

/// <summary>CIELAB under D65, 2-degree observer.</summary>
/// <param name="L">Lightness, 0-100.</param>
/// <param name="A">Green to red.</param>
/// <param name="B">Blue to yellow.</param>
public readonly record struct Lab(double L, double A, double B)
{
    /// <summary>Chroma, the distance from grey.</summary>
    public double Chroma => Math.Sqrt((A * A) + (B * B));

    /// <summary>The linear light of this colour (inverse of CIE 015:2018).</summary>
    public LinearRgb ToLinear()
    {
        var white = CieTables.White;
        double fy = (L + 16) / 116, fx = fy + (A / 500), fz = fy - (B / 200);
        double x = white.X * Inverse(fx), y = white.Y * Inverse(fy), z = white.Z * Inverse(fz);
        return new LinearRgb(
            (3.2404541621141054 * x) - (1.5371385127977166 * y) - (0.4985314095560162 * z),
            (-0.9692660305051868 * x) + (1.8760108454466942 * y) + (0.0415560175303498 * z),
            (0.0556434309591147 * x) - (0.2040259135167538 * y) + (1.0572251882231791 * z));
    }

    private static double Inverse(double f) => f > 6.0 / 29 ? f * f * f : ((116 * f) - 16) * 27 / 24389;
}
