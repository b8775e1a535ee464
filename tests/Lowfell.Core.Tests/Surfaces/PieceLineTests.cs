using Lowfell.Core.Surfaces;
using Xunit;

namespace Lowfell.Core.Tests.Surfaces;

public sealed class PieceLineTests
{
    private static PieceLine One(string text) => Assert.Single(PieceLines.Read(text));

    [Theory]
    [InlineData("Straight, 8, 180 x 12 x 75, Stone courses + Walkway")]
    [InlineData("Straight; 8; 180x12x75 mm; Stone courses+Walkway")]
    [InlineData("Straight\t8\t180 \u00d7 12 \u00d7 75\tStone courses + Walkway")]
    [InlineData("Straight\t8\t180\t12\t75\tStone courses + Walkway")]
    [InlineData("name,copies,size,zones\n\nStraight,8,180*12*75,Stone courses + Walkway\r\n")]
    public void A_line_is_read_however_it_is_parted(string text)
    {
        var line = One(text);
        Assert.Null(line.Fault);
        Assert.Equal(("Straight", 8, (180.0, 12.0, 75.0)), (line.Name, line.Copies, line.Size!.Value));
        Assert.Equal(["Stone courses", "Walkway"], line.Zones);
    }

    [Fact]
    public void All_but_the_name_may_be_left_out()
    {
        var line = One("Bollard");
        Assert.Equal(("Bollard", 1, null, null), (line.Name, line.Copies, line.Size, line.Fault));
        Assert.Empty(line.Zones);
        Assert.Equal(["Post"], One("Bollard,,,Post").Zones);
    }

    [Theory]
    [InlineData("Straight, many", "'many' is not 1 to 1000")]
    [InlineData("Straight, 0", "'0' is not 1 to 1000")]
    [InlineData("Straight, 1001", "'1001' is not 1 to 1000")]
    [InlineData("Straight, -1", "'-1' is not 1 to 1000")]
    [InlineData("Straight, 2, 10 x 20", "'10 x 20' is not length x width x height, each 0.1 to 3000 mm")]
    [InlineData("Straight, 2, 10 x 20 x 0", "is not length x width x height")]
    [InlineData("Straight, 2, 1e3 x 20 x 10", "is not length x width x height")]
    [InlineData(", 2", "It has no name")]
    [InlineData("Straight, 2, 1 x 1 x 1, Zone, more", "'more' is one field too many")]
    public void A_line_that_can_t_be_taken_says_why(string text, string why) => Assert.Contains(why, One(text).Fault, StringComparison.Ordinal);

    [Fact]
    public void Long_names_and_too_many_zones_are_refused_each_by_its_line()
    {
        var lines = PieceLines.Read($"{new string('x', 121)}\nFine\nWall,1,,{string.Join('+', Enumerable.Range(1, 21))}\nWall,1,,{new string('z', 121)}");
        Assert.Contains("121 characters", lines[0].Fault, StringComparison.Ordinal);
        Assert.Null(lines[1].Fault);
        Assert.Contains("21 zones", lines[2].Fault, StringComparison.Ordinal);
        Assert.Contains("121 characters", lines[3].Fault, StringComparison.Ordinal);
        Assert.Equal([1, 2, 3, 4], lines.Select(l => l.Line));
    }

    [Fact]
    public void More_lines_than_a_set_can_hold_are_refused_with_their_number()
    {
        Assert.Equal(500, PieceLines.Read(string.Concat(Enumerable.Repeat("a\n", 500))).Count);
        var many = Assert.Throws<ArgumentException>(() => PieceLines.Read(string.Concat(Enumerable.Repeat("a\n", 20_000))));
        Assert.StartsWith("Paste them in parts: 20000 lines are too many, 500", many.Message, StringComparison.Ordinal);
    }
}
