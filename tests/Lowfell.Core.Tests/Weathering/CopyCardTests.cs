using System.Globalization;
using System.Xml.Linq;
using Lowfell.Core.Boards;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Xunit;

namespace Lowfell.Core.Tests.Weathering;

/// <summary>The card of a copy: at true size, black on white, with numbers that lead to the list.</summary>
public sealed class CopyCardTests
{
    private static readonly PieceBox Wall = new(150, 14, 70, [new("door", PartMoves.Turns, 60, 90, 0, 45)]);

    private static CardMarks Streaks(int count, MarkSide side = MarkSide.Front) =>
        new(Guid.Empty, MarkKind.Rain, "stone", [.. Enumerable.Range(0, count).Select(i => new MarkPlace(side, 5 + (i * 3), 64, 0.5, 12, 0, i))], count, "small round brush", 2.5);

    private static CardContent Card(params CardMarks[] kinds) => new("Sea wall, Straight", 3, 2, Wall, [new("Tide", 22.07, 10.03)], kinds);

    private static XDocument Page(CardContent card, int page = 0) => XDocument.Parse(CopyCard.Draw(card)[page]);

    private static string[] Texts(XDocument page) => [.. page.Descendants().Where(e => e.Name.LocalName == "text").Select(e => e.Value)];

    private static double Of(XElement element, string name) => double.Parse((string)element.Attribute(name)!, CultureInfo.InvariantCulture);

    [Fact]
    public void A_face_is_drawn_at_true_size_with_its_line_at_both_ends()
    {
        var page = Page(Card(Streaks(3)));
        Assert.Equal(("210mm", "148mm", "0 0 210 148"), ((string)page.Root!.Attribute("width")!, (string)page.Root.Attribute("height")!, (string)page.Root.Attribute("viewBox")!));
        var face = page.Descendants().First(e => e.Name.LocalName == "g");
        Assert.EndsWith("scale(1)", (string)face.Attribute("transform")!, StringComparison.Ordinal);
        var outline = face.Elements().First();
        Assert.Equal((150, 70), (Of(outline, "width"), Of(outline, "height")));
        var line = face.Elements().First(e => e.Name.LocalName == "line");
        Assert.Equal((47.93, 59.97), (Of(line, "y1"), Of(line, "y2")));
        Assert.Contains("Tide 22.0", Texts(page));
        Assert.Contains("10.0", Texts(page));

        // What moves is outlined, where it is at rest.
        Assert.Contains(face.Elements(), e => e.Name.LocalName == "rect" && (string?)e.Attribute("x") == "60" && (string?)e.Attribute("y") == "25");
    }

    [Fact]
    public void Numbers_lead_from_the_face_to_the_list()
    {
        var page = Page(Card(Streaks(3), Streaks(2) with { Kind = MarkKind.Rust }));
        var texts = Texts(page);
        Assert.Equal(2, texts.Count(t => t == "4" || t.StartsWith("  4  front", StringComparison.Ordinal)));
        Assert.Contains("1-3 rain streak, stone, small round brush", texts);
        Assert.Contains("  4  front  x 5.0  h 64.0  0.50 x 12.0", texts);
        Assert.Contains("5 min, drawing 2", texts);
    }

    [Fact]
    public void Many_of_a_kind_are_drawn_without_numbers_and_told_as_one()
    {
        var many = Streaks(40) with { Kind = MarkKind.Chip, Count = 70, Tool = "corner of fine foam" };
        Assert.Empty(CopyCard.Numbered(Card(many)));
        Assert.Contains("chip, stone: 70, corner of fine foam", Texts(Page(Card(many))));
        Assert.Equal(40, Page(Card(many)).Descendants().Count(e => e.Name.LocalName == "ellipse"));
        Assert.Equal(16, CopyCard.Numbered(Card(Streaks(16))).Count);
        Assert.Contains("chip, stone: 70 by sponge or flick", Texts(Page(Card(many with { Tool = "" }))));
    }

    [Fact]
    public void A_strip_is_told_from_and_to()
    {
        var damp = new CardMarks(Guid.Empty, MarkKind.Damp, "stone", [new(MarkSide.Front, 75, 11, 150, 22, 0, -1)], 1, "", 3.2);
        Assert.Contains("damp, stone: 0.0 to 22.0 mm", Texts(Page(Card(damp))));
    }

    [Fact]
    public void What_does_not_fit_goes_on_another_page_and_what_is_too_long_is_drawn_smaller()
    {
        var all = Card([.. Enum.GetValues<MarkSide>().Select(s => Streaks(16, s) with { Marks = [.. Streaks(16, s).Marks.Select(m => m with { XMm = 7 })] })]);
        var pages = CopyCard.Draw(all);
        Assert.True(pages.Count > 1);
        Assert.All(pages, p => Assert.NotNull(XDocument.Parse(p).Root));
        Assert.Contains(pages.SelectMany(p => Texts(XDocument.Parse(p))), t => t.EndsWith("page 2", StringComparison.Ordinal));
        Assert.All(Enum.GetValues<MarkSide>(), s => Assert.Contains(pages.SelectMany(p => Texts(XDocument.Parse(p))), t => t == s.ToString().ToLowerInvariant()));

        var tower = Card(Streaks(1)) with { Box = new(400, 100, 300, []) };
        Assert.Contains(Texts(Page(tower)), t => t.StartsWith("front, ", StringComparison.Ordinal) && t.EndsWith("% of true size", StringComparison.Ordinal));

        // Nothing lies beside the paper.
        foreach (var rect in CopyCard.Draw(all).SelectMany(p => XDocument.Parse(p).Descendants().Where(e => e.Name.LocalName == "g")))
        {
            var at = ((string)rect.Attribute("transform")!).Split('(', ')')[1].Split(' ');
            Assert.InRange(double.Parse(at[0], CultureInfo.InvariantCulture), 0, 204);
            Assert.InRange(double.Parse(at[1], CultureInfo.InvariantCulture), 0, 142);
        }
    }

    [Fact]
    public void Names_are_cut_and_escaped()
    {
        var texts = Texts(Page(Card(Streaks(1)) with { Title = "<b>&" + new string('x', 200) }));
        Assert.StartsWith("<b>&xxx", texts[0], StringComparison.Ordinal);
        Assert.EndsWith("\u2026, copy 3", texts[0], StringComparison.Ordinal);
        Assert.Contains("&lt;b&gt;", CopyCard.Draw(Card(Streaks(1)) with { Title = "<b>" })[0], StringComparison.Ordinal);
    }

    [Fact]
    public void Letters_and_patterns_are_guides_to_lay_by()
    {
        var number = new Lettering(Guid.Empty, Guid.Empty, ["7"], MarkSide.Back, 75, 30, 7, LetteredBy.Hand);
        var pattern = Camouflage.Of(new(Guid.Empty, [], [new(Guid.Empty, 0.4)], 800, 1.5, 0), new("set", "piece", 2, Wall), 56, 1);
        var pages = CopyCard.Draw(Card() with { Letters = [(number, "7")], Pattern = pattern });
        var text = pages.SelectMany(p => XDocument.Parse(p).Descendants()).Single(e => e.Name.LocalName == "text" && e.Value == "7" && e.Attribute("textLength") is not null);
        Assert.Equal((10, 4.9), (Of(text, "font-size"), Of(text, "textLength")));
        Assert.Contains(pages, p => p.Contains("stroke-width=\"0.12\"", StringComparison.Ordinal));
        Assert.Contains(pages.SelectMany(p => Texts(XDocument.Parse(p))), t => t == "A");
    }
}
