using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Ready;
using Xunit;

namespace Lowfell.Core.Tests.Ready;

/// <summary>Paints as they are pasted.</summary>
public sealed class PaintTableTests
{
    [Theory]
    [InlineData("Lampblack", Family.AcrylicPaint, "#1d1d1f")]
    [InlineData("Rope Tan", Family.AcrylicPaint, "#a98a5c")]
    [InlineData("Brown wash", Family.AcrylicWash, null)]
    [InlineData("Black primer can", Family.PrimerAerosol, "#1d1d1f")]
    [InlineData("White undercoat", Family.PrimerWater, "#f2f1ec")]
    [InlineData("Grime wash, enamel", Family.EnamelWash, null)]
    [InlineData("Burnt umber oil", Family.OilPaint, "#3f2f24")]
    [InlineData("Salt crust crackle paste", Family.CracklePaste, "#f2f1ec")]
    [InlineData("Matt varnish", Family.VarnishWater, "#f1f0ea")]
    [InlineData("Satin varnish can", Family.VarnishLacquer, "#f2f1ec")]
    [InlineData("Sand", Family.AcrylicPaint, "#c6b184")]
    [InlineData("Rust orange", Family.AcrylicPaint, "#b9652d")]
    [InlineData("Kelp tufts", Family.Tufts, "#5a6e4a")]
    [InlineData("PVA glue", Family.Pva, "#f2efe6")]
    public void A_name_says_family_and_colour(string name, Family family, string? colour)
    {
        var read = PaintWords.Read(name);
        Assert.Equal(family, read.Family);
        if (colour is not null)
        {
            Assert.Equal(colour, read.Colour.ToString());
        }
    }

    [Fact]
    public void Every_paint_of_the_starter_shelf_is_read_as_what_it_is()
    {
        Assert.All(StarterShelf.Materials.Where(m => m.Name is not "Grime wash"), m =>
        {
            var read = PaintWords.Read(m.Name);
            Assert.Equal((m.Name, m.Family, m.Effect), (m.Name, read.Family, read.Effect));
            Assert.NotNull(read.Colour);
        });
        Assert.Equal(Sheen.Satin, PaintWords.Read("Satin varnish").Sheen);
        Assert.Equal(Effect.Metallic, PaintWords.Read("Worn brass").Effect);
        Assert.Equal(Effect.Plain, PaintWords.Read("Rusty iron").Effect);
    }

    [Fact]
    public void Dark_and_pale_shift_a_colour_and_a_wash_is_darker_than_a_paint()
    {
        double L(string name) => PaintWords.Read(name).Colour!.Value.ToLab().L;
        Assert.True(L("Dark green") < L("Green") - 10);
        Assert.True(L("Pale green") > L("Green") + 10);
        Assert.True(L("Green wash") < L("Green") - 10);
        Assert.Null(PaintWords.Read("Number seven").Colour);
    }

    [Fact]
    public void Names_alone_are_enough()
    {
        var rows = Rows("Black", "Rope tan", "Brown wash", "Matt varnish");
        Assert.Equal([PaintColumn.Name], PaintTable.Guess(rows));
        var paints = PaintTable.Read(rows, PaintTable.Guess(rows));
        Assert.All(paints, p => Assert.Null(p.Fault));
        Assert.Equal(["family and colour", "family and colour", "family and colour", "family"], paints.Select(p => p.Guessed));
        Assert.All(paints, p => Assert.Null(p.LeftMl));
    }

    [Fact]
    public void Columns_are_known_by_their_headings_in_any_order()
    {
        var rows = Rows("price;how full;colour;name;type", "2,90;half;#a98a5c;Pier deck;acrylic", "1.234,50;100 %;tan;Ropewalk;wash", "3;8 ml;;Bone;");
        Assert.Equal([PaintColumn.Price, PaintColumn.HowFull, PaintColumn.Colour, PaintColumn.Name, PaintColumn.Family], PaintTable.Guess(rows));
        var paints = PaintTable.Read(rows, PaintTable.Guess(rows));
        Assert.All(paints, p => Assert.Null(p.Fault));
        Assert.Equal([2.9, 1234.5, 3.0], paints.Select(p => p.Price!.Value));
        Assert.Equal([8.5, 17, 8], paints.Select(p => p.LeftMl!.Value));
        Assert.Equal([Family.AcrylicPaint, Family.AcrylicWash, Family.AcrylicPaint], paints.Select(p => p.Family));
        Assert.Equal([2, 3, 4], paints.Select(p => p.Line));
    }

    [Fact]
    public void Without_headings_columns_are_known_by_what_stands_in_them()
    {
        var rows = Rows("Pier deck;#a98a5c;wash;2.90", "Ropewalk;#112233;primer;3.10");
        Assert.Equal([PaintColumn.Name, PaintColumn.Colour, PaintColumn.Family, PaintColumn.Price], PaintTable.Guess(rows));
    }

    [Theory]
    [InlineData("name;colour", "Seven;", "Add a colour: the name 'Seven' says none.")]
    [InlineData("name;colour", "Seven;shiny", "Write the colour as #a98a5c or as a word such as tan: 'shiny' is neither.")]
    [InlineData("name;colour", ";tan", "Give it a name.")]
    [InlineData("name;family", "Tan;porridge", "Write the family as acrylic paint, wash, primer, varnish, oil paint or the like: 'porridge' is none.")]
    [InlineData("name;price", "Tan;dear", "Write the price as a number up to 100000, such as 17 or 2.90: 'dear' is none.")]
    [InlineData("name;left;bottle", "Tan;20;17", "Set how full it is to at most its bottle: 20 ml do not go into 17 ml.")]
    public void A_row_that_cannot_be_taken_says_what_to_do(string header, string row, string fault)
    {
        var rows = Rows(header, row, header.Replace("name", "Bone").Split(';')[0]);
        var paints = PaintTable.Read(rows, PaintTable.Guess(rows));
        Assert.Equal(fault, paints[0].Fault);
        Assert.Null(paints[1].Fault);
    }

    [Fact]
    public void What_stands_twice_is_told_by_its_row()
    {
        var rows = Rows("Tan", "Bone", "tan");
        Assert.Equal("Take one of them out: 'tan' stands in row 1 already.", PaintTable.Read(rows, PaintTable.Guess(rows))[2].Fault);
    }

    [Fact]
    public void A_table_without_a_name_is_read_row_by_row_all_the_same()
    {
        var rows = Rows("1;2", "3;4");
        Assert.All(PaintTable.Read(rows, PaintTable.Guess(rows)), p => Assert.Equal("Give it a name.", p.Fault));
    }

    private static List<string[]> Rows(params string[] lines) => [.. lines.Select(l => l.Split(';'))];

    [Theory]
    [InlineData(PaintColumn.House, "house")]
    [InlineData(PaintColumn.Lot, "lot")]
    public void What_is_too_long_is_refused_not_cut(PaintColumn column, string said)
    {
        var row = Assert.Single(PaintTable.Read([["Rope Tan", new string('x', 121)]], [PaintColumn.Name, column]));
        Assert.Equal($"Shorten the {said}: it has 121 characters, 120 are the most.", row.Fault);
        Assert.Null(Assert.Single(PaintTable.Read([["Rope Tan", new string('x', 120)]], [PaintColumn.Name, column])).Fault);
    }
}
