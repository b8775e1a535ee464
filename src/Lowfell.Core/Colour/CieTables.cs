using System.Text.Json;

namespace Lowfell.Core.Colour;

/// <summary>The CIE 1931 2-degree observer under D65, in 36 bands of 10 nm from 380 to 730 nm.</summary>
/// <remarks>Source: CIE 015 tables, kept in <c>cie-1931-d65.json</c>.</remarks>
internal static class CieTables
{
    /// <summary>Number of spectral bands, 380-730 nm by 10.</summary>
    public const int Bands = 36;

    // IEC 61966-2-1 (sRGB) primaries, D65.
    private static readonly double[,] XyzToRgb =
    {
        { 3.2404541621141054, -1.5371385127977166, -0.4985314095560162 },
        { -0.9692660305051868, 1.8760108454466942, 0.0415560175303498 },
        { 0.0556434309591147, -0.2040259135167538, 1.0572251882231791 },
    };

    static CieTables()
    {
        using var stream = typeof(CieTables).Assembly.GetManifestResourceStream("cie-1931-d65.json")
            ?? throw new InvalidOperationException("The CIE tables are missing from the assembly.");
        using var json = JsonDocument.Parse(stream);
        double[] Read(string name) => [.. json.RootElement.GetProperty(name).EnumerateArray().Select(e => e.GetDouble())];
        double[][] cmf = [Read("xBar"), Read("yBar"), Read("zBar")];
        Observer = cmf;
        var d65 = Read("d65");
        Rows = new double[3][];
        for (var channel = 0; channel < 3; channel++)
        {
            var row = new double[Bands];
            for (var i = 0; i < Bands; i++)
            {
                row[i] = d65[i] * ((XyzToRgb[channel, 0] * cmf[0][i]) + (XyzToRgb[channel, 1] * cmf[1][i]) + (XyzToRgb[channel, 2] * cmf[2][i]));
            }

            // A perfect white reflects linear RGB 1, 1, 1 exactly.
            var sum = row.Sum();
            Rows[channel] = [.. row.Select(v => v / sum)];
        }

        SingleRows = new float[3 * Spectra.Room];
        for (var i = 0; i < 3 * Bands; i++)
        {
            SingleRows[(i / Bands * Spectra.Room) + (i % Bands)] = (float)Rows[i / Bands][i % Bands];
        }

        White = Xyz(new LinearRgb(1, 1, 1));
    }

    /// <summary>The colour matching functions, three rows of 36.</summary>
    public static double[][] Observer { get; }

    /// <summary>CIE XYZ to linear sRGB.</summary>
    public static LinearRgb Rgb(double x, double y, double z) => new(
        (XyzToRgb[0, 0] * x) + (XyzToRgb[0, 1] * y) + (XyzToRgb[0, 2] * z),
        (XyzToRgb[1, 0] * x) + (XyzToRgb[1, 1] * y) + (XyzToRgb[1, 2] * z),
        (XyzToRgb[2, 0] * x) + (XyzToRgb[2, 1] * y) + (XyzToRgb[2, 2] * z));

    /// <summary>Three rows of 36 weights: reflectance to linear sRGB, each summing to 1.</summary>
    public static double[][] Rows { get; }

    /// <summary>The same rows in single precision, one after the other, each filled up with zeros to <see cref="Spectra.Room"/>.</summary>
    public static float[] SingleRows { get; }

    /// <summary>XYZ of the perfect white under D65.</summary>
    public static (double X, double Y, double Z) White { get; }

    /// <summary>Linear sRGB to CIE XYZ.</summary>
    /// <remarks>IEC 61966-2-1 (sRGB) primaries, D65.</remarks>
    public static (double X, double Y, double Z) Xyz(LinearRgb c) => (
        (0.4124564391 * c.R) + (0.3575760776 * c.G) + (0.1804374833 * c.B),
        (0.2126728514 * c.R) + (0.7151521552 * c.G) + (0.0721749934 * c.B),
        (0.0193338956 * c.R) + (0.1191920338 * c.G) + (0.9503040785 * c.B));
}
