using System.Globalization;
using System.Security;
using System.Text;
using Lowfell.Core.Boards;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Weathering;

/// <summary>A line on a copy, as it is drawn on its card.</summary>
/// <param name="Name">Its name.</param>
/// <param name="LeftMm">Height above the foot at the left end of the front, mm.</param>
/// <param name="RightMm">At its right end, mm.</param>
public sealed record CardLine(string Name, double LeftMm, double RightMm);

/// <summary>A kind of mark on a card.</summary>
/// <param name="EntryId">Its entry.</param>
/// <param name="Kind">The kind.</param>
/// <param name="Zone">Name of its zone.</param>
/// <param name="Marks">Its marks on this copy.</param>
/// <param name="Count">How many there are, more than are placed where they are sponged or flicked.</param>
/// <param name="Tool">The tool.</param>
/// <param name="Minutes">Hands-on minutes.</param>
public sealed record CardMarks(Guid EntryId, MarkKind Kind, string Zone, IReadOnlyList<MarkPlace> Marks, int Count, string Tool, double Minutes)
{
    /// <summary>They are set one by one and have numbers; as few as that are, where nothing else is said.</summary>
    public bool IsNumbered { get; init; } = Count <= WeatherTable.Numbered && Kind.Facts().ByNumber;
}

/// <summary>All that a card tells.</summary>
/// <param name="Title">Set and piece.</param>
/// <param name="Copy">Number of the copy.</param>
/// <param name="Version">Which drawing of the plan.</param>
/// <param name="Box">The piece.</param>
/// <param name="Lines">Lines, with heights at both ends.</param>
/// <param name="Kinds">Marks.</param>
public sealed record CardContent(string Title, int Copy, int Version, PieceBox Box, IReadOnlyList<CardLine> Lines, IReadOnlyList<CardMarks> Kinds)
{
    /// <summary>Texts on it, each with its place.</summary>
    public IReadOnlyList<(Lettering Of, string Text)> Letters { get; init; } = [];

    /// <summary>Its pattern; none where it has none.</summary>
    public Camouflage? Pattern { get; init; }
}

/// <summary>A card of a copy: its faces from outside at true size, lines and numbered marks to scale, and a list; A5, black on white, SVG in millimetres.</summary>
public static class CopyCard
{
    /// <summary>Sides of A5 laid across, mm.</summary>
    public const double WidthMm = 210, HeightMm = 148;

    private const double MarginMm = 6, HeadMm = 7, GapMm = 8, ListMm = 3.4, TextMm = 2.5, ColumnMm = 66;

    /// <summary>Draws it: one A5 after the other where it needs more.</summary>
    public static IReadOnlyList<string> Draw(CardContent card)
    {
        ArgumentNullException.ThrowIfNull(card);
        var numbered = Numbered(card);
        MarkSide[] sides = [.. Enum.GetValues<MarkSide>().Where(s => s == MarkSide.Front || numbered.Any(n => n.Mark.Side == s) || card.Letters.Any(l => l.Of.Side == s) || card.Pattern is not null)];
        var pages = new List<StringBuilder>();
        var (page, x, y, tall) = (Page(card, pages), MarginMm, MarginMm + HeadMm, 0.0);
        foreach (var side in sides)
        {
            var (across, up) = (card.Box.Across(side), card.Box.Up(side));
            var scale = Math.Min(1, Math.Min((WidthMm - (2 * MarginMm)) / across, (HeightMm - (2 * MarginMm) - HeadMm - GapMm) / up));
            if (x + (across * scale) > WidthMm - MarginMm + 1e-6)
            {
                (x, y, tall) = (MarginMm, y + tall + GapMm, 0);
            }

            if (y + (up * scale) + GapMm > HeightMm - MarginMm + 1e-6)
            {
                (page, x, y, tall) = (Page(card, pages), MarginMm, MarginMm + HeadMm, 0);
            }

            Face(page, card, numbered, side, x, y, scale);
            (x, tall) = (x + (across * scale) + GapMm, Math.Max(tall, up * scale));
        }

        List(card, numbered, pages, ref page, y + tall + GapMm);
        return [.. pages.Select(p => p.Append("</svg>\n").ToString())];
    }

    /// <summary>Marks with their numbers: those that are set one by one, in the order of the work.</summary>
    public static IReadOnlyList<(int Number, CardMarks Of, MarkPlace Mark)> Numbered(CardContent card)
    {
        ArgumentNullException.ThrowIfNull(card);
        return [.. card.Kinds.Where(k => k.IsNumbered).SelectMany(k => k.Marks.Select(m => (Of: k, Mark: m))).Select((m, i) => (i + 1, m.Of, m.Mark))];
    }

    private static StringBuilder Page(CardContent card, List<StringBuilder> pages)
    {
        var page = new StringBuilder(8192);
        pages.Add(page);
        page.Append(I($"<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{WidthMm}mm\" height=\"{HeightMm}mm\" viewBox=\"0 0 {WidthMm} {HeightMm}\" font-family=\"sans-serif\" font-size=\"{TextMm}\">\n<rect width=\"{WidthMm}\" height=\"{HeightMm}\" fill=\"white\"/>\n"));
        var name = card.Title.Length > 70 ? card.Title[..69] + "\u2026" : card.Title;
        page.Append(I($"<text x=\"{MarginMm}\" y=\"{MarginMm + 3}\" font-size=\"4\" font-weight=\"bold\">{Text(name)}, copy {card.Copy}</text>\n"));
        page.Append(I($"<text x=\"{WidthMm - MarginMm}\" y=\"{MarginMm + 3}\" text-anchor=\"end\">{card.Kinds.Sum(k => k.Minutes):0} min, drawing {card.Version}{(pages.Count > 1 ? I($", page {pages.Count}") : "")}</text>\n"));
        return page;
    }

    private static void Face(StringBuilder page, CardContent card, IReadOnlyList<(int Number, CardMarks Of, MarkPlace Mark)> numbered, MarkSide side, double x, double y, double scale)
    {
        var (across, up) = (card.Box.Across(side), card.Box.Up(side));
        page.Append(I($"<g transform=\"translate({x:0.##} {y:0.##}) scale({scale:0.####})\">\n<rect width=\"{across:0.##}\" height=\"{up:0.##}\" fill=\"none\" stroke=\"black\" stroke-width=\"0.3\"/>\n"));
        if (side == MarkSide.Front)
        {
            foreach (var part in card.Box.Parts)
            {
                page.Append(I($"<rect x=\"{part.FromMm:0.##}\" y=\"{up - part.AboveMm - part.HeightMm:0.##}\" width=\"{part.ToMm - part.FromMm:0.##}\" height=\"{part.HeightMm:0.##}\" fill=\"none\" stroke=\"black\" stroke-width=\"0.2\" stroke-dasharray=\"0.6 0.6\"/>\n"));
            }
        }

        if (card.Pattern is { } pattern)
        {
            Outlines(page, pattern, card.Box, side, across, up);
        }

        // A guide to lay by, at the size that it is painted.
        foreach (var (of, text) in card.Letters.Where(l => l.Of.Side == side))
        {
            page.Append(I($"<text x=\"{of.XMm:0.##}\" y=\"{up - of.YMm:0.##}\" font-size=\"{of.TallMm / 0.7:0.##}\" font-weight=\"bold\" text-anchor=\"middle\" textLength=\"{Letters.WidthMm(text, of.TallMm):0.##}\" lengthAdjust=\"spacingAndGlyphs\" fill=\"none\" stroke=\"black\" stroke-width=\"0.15\">{Text(text)}</text>\n"));
        }

        foreach (var line in side == MarkSide.Top ? [] : card.Lines)
        {
            Line(page, line, side, across, up);
        }

        foreach (var kind in card.Kinds)
        {
            foreach (var mark in kind.Marks.Where(m => m.Side == side))
            {
                Mark(page, kind.Kind, mark, up);
            }
        }

        foreach (var (number, _, mark) in numbered.Where(n => n.Mark.Side == side))
        {
            page.Append(I($"<text x=\"{mark.XMm + Math.Max(0.6, mark.WidthMm / 2) + 0.2:0.##}\" y=\"{up - mark.YMm + 0.9:0.##}\" font-size=\"2.2\">{number}</text>\n"));
        }

        page.Append(I($"<text y=\"{up + 3:0.##}\">{SaidAttribute.Of(typeof(MarkSide))[side.ToString()]}{(scale < 0.999 ? I($", {100 * scale:0} % of true size") : "")}</text>\n</g>\n"));
    }

    // Where one tone meets another, by small steps, and a number in the middle of each patch that is wide enough.
    private static void Outlines(StringBuilder page, Camouflage pattern, PieceBox box, MarkSide side, double across, double up)
    {
        const double step = 1.5;
        var (columns, rows) = ((int)(across / step), (int)(up / step));
        int At(int c, int r) => pattern.At(box, side, (c + 0.5) * step, (r + 0.5) * step);
        var path = new StringBuilder();
        for (var r = 0; r < rows; r++)
        {
            var run = 0;
            for (var c = 0; c < columns; c++)
            {
                var here = At(c, r);
                if (c + 1 < columns && At(c + 1, r) != here)
                {
                    path.Append(I($"M{(c + 1) * step:0.#} {up - (r * step):0.##}v{-step:0.#}"));
                }

                if (r + 1 < rows && At(c, r + 1) != here)
                {
                    path.Append(I($"M{c * step:0.#} {up - ((r + 1) * step):0.##}h{step:0.#}"));
                }

                run = here >= 0 && c > 0 && At(c - 1, r) == here ? run + 1 : 0;
                if (run == 4 && r % 6 == 3)
                {
                    page.Append(I($"<text x=\"{(c - 2) * step:0.#}\" y=\"{up - (r * step):0.##}\" font-size=\"2\" fill=\"gray\">{(char)('A' + here)}</text>"));
                }
            }
        }

        page.Append(I($"<path d=\"{path}\" fill=\"none\" stroke=\"black\" stroke-width=\"0.12\"/>\n"));
    }

    // The back mirrors the front; an end has the height of the corner that it begins at, and of that it ends at.
    private static void Line(StringBuilder page, CardLine line, MarkSide side, double across, double up)
    {
        var (left, right) = side switch { MarkSide.Front => (line.LeftMm, line.RightMm), MarkSide.Back => (line.RightMm, line.LeftMm), MarkSide.Right => (line.RightMm, line.RightMm), _ => (line.LeftMm, line.LeftMm) };
        if (Math.Max(left, right) < 0 || Math.Min(left, right) > up)
        {
            return;
        }

        double Within(double h) => up - Math.Clamp(h, 0, up);
        page.Append(I($"<line x1=\"0\" y1=\"{Within(left):0.##}\" x2=\"{across:0.##}\" y2=\"{Within(right):0.##}\" stroke=\"black\" stroke-width=\"0.25\" stroke-dasharray=\"2 1\"/>\n"));
        if (across > 24)
        {
            page.Append(I($"<text x=\"0.8\" y=\"{Within(left) - 0.6:0.##}\">{Text(line.Name)} {Levels.Marked(left):0.0}</text><text x=\"{across - 0.8:0.##}\" y=\"{Within(right) - 0.6:0.##}\" text-anchor=\"end\">{Levels.Marked(right):0.0}</text>\n"));
        }
    }

    private static void Mark(StringBuilder page, MarkKind kind, MarkPlace mark, double up)
    {
        var y = up - mark.YMm;
        switch (kind.Facts().Shape)
        {
            case MarkShape.Streak:
                page.Append(I($"<path d=\"M{mark.XMm - (mark.WidthMm / 2):0.##} {y:0.##}h{mark.WidthMm:0.##}L{mark.XMm + (mark.WidthMm / 4):0.##} {y + mark.LengthMm:0.##}h{-mark.WidthMm / 2:0.##}z\"/>\n"));
                break;
            case MarkShape.Line:
                page.Append(I($"<rect x=\"{mark.XMm - (mark.WidthMm / 2):0.##}\" y=\"{y - (mark.LengthMm / 2):0.##}\" width=\"{mark.WidthMm:0.##}\" height=\"{mark.LengthMm:0.##}\" transform=\"rotate({-mark.AngleDeg:0.#} {mark.XMm:0.##} {y:0.##})\"/>\n"));
                break;
            case MarkShape.Band:
                page.Append(I($"<rect x=\"{mark.XMm - (mark.WidthMm / 2):0.##}\" y=\"{y - (mark.LengthMm / 2):0.##}\" width=\"{mark.WidthMm:0.##}\" height=\"{mark.LengthMm:0.##}\" fill=\"none\" stroke=\"black\" stroke-width=\"0.15\" stroke-dasharray=\"0.4 0.8\"/>\n"));
                break;
            default:
                page.Append(I($"<ellipse cx=\"{mark.XMm:0.##}\" cy=\"{y:0.##}\" rx=\"{mark.WidthMm / 2:0.##}\" ry=\"{mark.LengthMm / 2:0.##}\" transform=\"rotate({-mark.AngleDeg:0.#} {mark.XMm:0.##} {y:0.##})\"/>\n"));
                break;
        }
    }

    private static void List(CardContent card, IReadOnlyList<(int Number, CardMarks Of, MarkPlace Mark)> numbered, List<StringBuilder> pages, ref StringBuilder page, double from)
    {
        var words = SaidAttribute.Of(typeof(MarkKind));
        var lines = new List<string>();
        foreach (var kind in card.Kinds)
        {
            var own = numbered.Where(n => ReferenceEquals(n.Of, kind)).ToList();
            var tool = kind.Tool.Length == 0 ? "" : $", {kind.Tool}";
            lines.Add(own.Count > 0 ? I($"{own[0].Number}-{own[^1].Number} {words[kind.Kind.ToString()]}, {kind.Zone}{tool}")
                : kind.Kind.Facts().Length is null ? Strip(words, kind) : I($"{words[kind.Kind.ToString()]}, {kind.Zone}: {kind.Count}{(tool.Length == 0 ? " by sponge or flick" : tool)}"));
            lines.AddRange(own.Select(n => I($"  {n.Number}  {SaidAttribute.Of(typeof(MarkSide))[n.Mark.Side.ToString()]}  x {n.Mark.XMm:0.0}  h {n.Mark.YMm:0.0}  {n.Mark.WidthMm:0.00} x {n.Mark.LengthMm:0.0}")));
        }

        var (x, y) = (MarginMm, Math.Max(from, MarginMm + HeadMm));
        if (y > HeightMm - MarginMm - (3 * ListMm))
        {
            (page, y) = (Page(card, pages), MarginMm + HeadMm);
        }

        var top = y;
        foreach (var line in lines)
        {
            if (y > HeightMm - MarginMm)
            {
                (x, y) = (x + ColumnMm, top);
            }

            if (x + ColumnMm > WidthMm - MarginMm + 4)
            {
                (page, x, y) = (Page(card, pages), MarginMm, MarginMm + HeadMm);
                top = y;
            }

            page.Append(I($"<text x=\"{x:0.##}\" y=\"{y + TextMm:0.##}\" xml:space=\"preserve\">{Text(line.Length > 54 ? line[..53] + "\u2026" : line)}</text>\n"));
            y += ListMm;
        }
    }

    private static string Strip(IReadOnlyDictionary<string, string> words, CardMarks kind) =>
        kind.Marks.FirstOrDefault(m => m.Side != MarkSide.Top) is { } strip
            ? I($"{words[kind.Kind.ToString()]}, {kind.Zone}: {strip.YMm - (strip.LengthMm / 2):0.0} to {strip.YMm + (strip.LengthMm / 2):0.0} mm")
            : $"{words[kind.Kind.ToString()]}, {kind.Zone}";

    private static string Text(string text) => SecurityElement.Escape(text)!;

    private static string I(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
