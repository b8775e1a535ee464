using System.Globalization;
using System.Text;
using Lowfell.Core.Colour;

namespace Lowfell.Web.Files;

/// <summary>The open palette format of GIMP (.gpl): a header, then a line for each colour, red, green, blue and a name.</summary>
internal static class GimpPalette
{
    /// <summary>Writes a palette.</summary>
    public static string Write(string name, IEnumerable<(string Colour, string Name)> colours)
    {
        var text = new StringBuilder("GIMP Palette\n").Append(CultureInfo.InvariantCulture, $"Name: {OneLine(name)}\nColumns: 8\n#\n");
        foreach (var (colour, label) in colours)
        {
            var c = Srgb.Parse(colour);
            text.Append(CultureInfo.InvariantCulture, $"{c.R,3} {c.G,3} {c.B,3}\t{OneLine(label)}\n");
        }

        return text.ToString();
    }

    private static string OneLine(string text) => string.Concat(text.Select(c => char.IsControl(c) ? ' ' : c));
}
