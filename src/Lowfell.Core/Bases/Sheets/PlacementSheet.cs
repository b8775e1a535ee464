using System.Globalization;
using System.Text;
using System.Xml;
using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Sheets;

/// <summary>A base with the number of its copy, to be printed.</summary>
/// <param name="Copy">Number of the copy.</param>
/// <param name="Layout">The base.</param>
public sealed record NumberedBase(int Copy, Layout Layout);

/// <summary>Bases at their true size, to lay elements by: SVG in mm, A4 sheets one below the other, with a line to measure before anything is cut.</summary>
public static class PlacementSheet
{
    private const double Width = 210, Height = 297, Edge = 10, Top = 16, Gap = 8, Below = 12;

    /// <summary>Draws the sheets.</summary>
    public static string Svg(IReadOnlyList<NumberedBase> bases)
    {
        var places = Places(bases, out var sheets);
        var text = new StringBuilder();
        using (var xml = XmlWriter.Create(text, new() { OmitXmlDeclaration = true, Indent = false }))
        {
            xml.WriteStartElement("svg", "http://www.w3.org/2000/svg");
            xml.WriteAttributeString("width", $"{Mm(Width)}mm");
            xml.WriteAttributeString("height", $"{Mm(Height * sheets)}mm");
            xml.WriteAttributeString("viewBox", $"0 0 {Mm(Width)} {Mm(Height * sheets)}");
            xml.WriteAttributeString("font-family", "sans-serif");
            Element(xml, "rect", ("width", "100%"), ("height", "100%"), ("fill", "#fff"));
            for (var sheet = 0; sheet < sheets; sheet++)
            {
                var y = (sheet * Height) + 8;
                Element(xml, "path", ("d", $"M10 {Mm(y)}h50M10 {Mm(y - 1.5)}v3M60 {Mm(y - 1.5)}v3"), ("stroke", "#000"), ("stroke-width", "0.15"), ("class", "measure"));
                Text(xml, 63, y + 1, 3, "start", "50 mm: measure it before you cut");
            }

            foreach (var (b, x, y) in places)
            {
                Draw(xml, b, x, y);
            }

            xml.WriteEndElement();
        }

        return text.ToString();
    }

    private static List<(NumberedBase Base, double X, double Y)> Places(IReadOnlyList<NumberedBase> bases, out int sheets)
    {
        var places = new List<(NumberedBase, double, double)>();
        var (x, y, tall, sheet) = (Edge, Top, 0.0, 0);
        foreach (var b in bases)
        {
            var form = b.Layout.Form;
            if (x + form.LengthMm > Width - Edge && x > Edge)
            {
                (x, y, tall) = (Edge, y + tall + Below, 0);
            }

            if (y + form.WidthMm > Height - 14 && y > Top)
            {
                (x, y, tall, sheet) = (Edge, Top, 0, sheet + 1);
            }

            places.Add((b, x + (form.LengthMm / 2), (sheet * Height) + y + (form.WidthMm / 2)));
            x += form.LengthMm + Gap;
            tall = Math.Max(tall, form.WidthMm);
        }

        sheets = sheet + 1;
        return places;
    }

    private static void Draw(XmlWriter xml, NumberedBase b, double cx, double cy)
    {
        var layout = b.Layout;
        var form = layout.Form;
        xml.WriteStartElement("g", "http://www.w3.org/2000/svg");
        xml.WriteAttributeString("id", string.Create(CultureInfo.InvariantCulture, $"copy-{b.Copy}"));
        xml.WriteAttributeString("transform", $"translate({Mm(cx)} {Mm(cy)})");
        xml.WriteAttributeString("fill", "none");
        xml.WriteAttributeString("stroke", "#000");
        xml.WriteAttributeString("stroke-width", "0.2");
        Outline(xml, form, 0, "foot", null);
        Outline(xml, form, form.BevelMm, "top", null);
        Outline(xml, form, form.BevelMm + form.MarginMm + layout.Family.RimMm, "margin", "1 1");
        foreach (var landing in layout.Plot.Seat.Landings)
        {
            Element(xml, "polygon", ("points", Points(landing.Outline)), ("fill", "#ddd"), ("stroke-width", "0.15"), ("class", "landing"));
            if (landing.StoneMm > 0)
            {
                Text(xml, landing.Outline.Average(v => v.X), -landing.Outline.Average(v => v.Y) + 0.6, 1.7, "middle", string.Create(CultureInfo.InvariantCulture, $"+{landing.StoneMm:0.##}"));
            }
        }

        foreach (var (i, element) in layout.Elements.Index())
        {
            List<(string, string)> attributes = [("points", Points(element.Outline())), ("class", "element")];
            if (!element.Kind.IsRigid())
            {
                attributes.Add(("stroke-dasharray", "0.5 0.4"));
            }

            if (element.Locked)
            {
                attributes.Add(("stroke-width", "0.5"));
            }

            Element(xml, "polygon", [.. attributes]);
            Text(xml, element.X, -element.Y + 0.65, 1.9, "middle", $"{i + 1}");
        }

        // A mark at the front.
        Element(xml, "path", ("d", $"M0 {Mm((form.WidthMm / 2) + 0.6)}l-1 1.6h2z"), ("fill", "#000"), ("stroke", "none"));
        Text(xml, 0, (form.WidthMm / 2) + 5.2, 2.8, "middle", string.Create(CultureInfo.InvariantCulture, $"copy {b.Copy}, {form.Word}"));
        xml.WriteEndElement();
    }

    private static void Outline(XmlWriter xml, BaseForm form, double within, string name, string? dashes)
    {
        var (a, c) = ((form.LengthMm / 2) - within, (form.WidthMm / 2) - within);
        List<(string, string)> attributes = form.Shape == BaseShape.Rectangle
            ? [("x", Mm(-a)), ("y", Mm(-c)), ("width", Mm(2 * a)), ("height", Mm(2 * c))]
            : [("rx", Mm(a)), ("ry", Mm(c))];
        attributes.Add(("class", name));
        if (dashes is not null)
        {
            attributes.AddRange([("stroke-dasharray", dashes), ("stroke-width", "0.12")]);
        }

        Element(xml, form.Shape == BaseShape.Rectangle ? "rect" : "ellipse", [.. attributes]);
    }

    private static void Element(XmlWriter xml, string name, params (string Name, string Value)[] attributes)
    {
        xml.WriteStartElement(name, "http://www.w3.org/2000/svg");
        foreach (var (key, value) in attributes)
        {
            xml.WriteAttributeString(key, value);
        }

        xml.WriteEndElement();
    }

    private static void Text(XmlWriter xml, double x, double y, double size, string anchor, string text)
    {
        xml.WriteStartElement("text", "http://www.w3.org/2000/svg");
        xml.WriteAttributeString("x", Mm(x));
        xml.WriteAttributeString("y", Mm(y));
        xml.WriteAttributeString("font-size", Mm(size));
        xml.WriteAttributeString("text-anchor", anchor);
        xml.WriteAttributeString("stroke", "none");
        xml.WriteAttributeString("fill", "#000");
        xml.WriteString(text);
        xml.WriteEndElement();
    }

    // The rear is up on paper as on the screen.
    private static string Points(IEnumerable<Point> outline) => string.Join(' ', outline.Select(v => $"{Mm(v.X)},{Mm(-v.Y)}"));

    private static string Mm(double mm) => Math.Round(mm, 3).ToString("0.###", CultureInfo.InvariantCulture);
}

/// <summary>One line of the list by which a base is laid.</summary>
/// <param name="No">Number on the sheet.</param>
/// <param name="Element">What.</param>
/// <param name="X">To the right, mm.</param>
/// <param name="Y">To the rear, mm.</param>
/// <param name="AngleDeg">Turned counter-clockwise, degrees.</param>
/// <param name="HeightMm">How tall it is, mm.</param>
/// <param name="StandsAtMm">Ground under it, mm above the top face.</param>
/// <param name="Cluster">Its cluster, from 1.</param>
/// <param name="Locked">Locked.</param>
/// <param name="InsteadOf">What it stands in for.</param>
public sealed record Placing(int No, string Element, double X, double Y, double AngleDeg, double HeightMm, double StandsAtMm, int Cluster, bool Locked, string? InsteadOf)
{
    /// <summary>The list of a base.</summary>
    public static IReadOnlyList<Placing> Of(Layout layout) =>
    [
        .. layout.Elements.Select((e, i) => new Placing(
            i + 1, e.Name, e.X, e.Y, e.AngleDeg, e.HeightMm, Math.Round(layout.Terrain.Near(e.X, e.Y), 2), e.Cluster + 1, e.Locked, e.InsteadOf)),
    ];
}
