using CsCheck;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Xunit;

namespace Lowfell.Core.Tests.Weathering;

/// <summary>Sizes of marks in life and on the model.</summary>
public sealed class MarkScaleTests
{
    [Theory]
    [InlineData(MarkKind.Drip, 1.0, 56, WidthVerdict.TooWide)]
    [InlineData(MarkKind.Drip, 0.5, 56, WidthVerdict.Fuller)]
    [InlineData(MarkKind.Drip, 1.0, 35, WidthVerdict.Fuller)]
    [InlineData(MarkKind.Rain, 1.8, 56, WidthVerdict.TooWide)]
    [InlineData(MarkKind.Rain, 0.6, 56, WidthVerdict.Fuller)]
    [InlineData(MarkKind.Chip, 3, 56, WidthVerdict.TooWide)]
    [InlineData(MarkKind.Chip, 0.8, 56, WidthVerdict.ToScale)]
    [InlineData(MarkKind.Rain, 0.13, 56, WidthVerdict.Finer)]
    [InlineData(MarkKind.Rain, 0.1, 56, WidthVerdict.CannotBeDrawn)]
    [InlineData(MarkKind.Kick, 5, 56, WidthVerdict.ToScale)]
    public void A_width_is_held_against_life(MarkKind kind, double width, double scale, WidthVerdict verdict) => Assert.Equal(verdict, MarkScale.Verdict(kind, width, scale, new Schools()));

    [Fact]
    public void To_scale_is_stricter_and_no_verdict_goes_back_as_a_mark_grows() =>
        Gen.Select(Gen.Enum<MarkKind>(), Gen.Double[0.12, 6], Gen.Double[1, 1.5], Gen.Double[20, 100]).Sample((kind, width, wider, scale) =>
        {
            foreach (var school in Enum.GetValues<ContrastSchool>())
            {
                var schools = new Schools { Contrast = school };
                Assert.True(MarkScale.Verdict(kind, width, scale, schools) <= MarkScale.Verdict(kind, width * wider, scale, schools));
                Assert.True(MarkScale.Verdict(kind, width, scale, schools) <= MarkScale.Verdict(kind, width, scale * wider, schools));
            }

            Assert.True(MarkScale.Verdict(kind, width, scale, new()) <= MarkScale.Verdict(kind, width, scale, new() { Contrast = ContrastSchool.ToScale }));
        });

    [Fact]
    public void The_narrowest_tool_that_draws_a_width_is_named()
    {
        Assert.Equal("finest round brush", MarkScale.Tool(MarkKind.Rain, 0.2)!.Name);
        Assert.Equal("pick or needle tip", MarkScale.Tool(MarkKind.Scratch, 0.13)!.Name);
        Assert.Equal("flicked stiff brush", MarkScale.Tool(MarkKind.Mud, 0.6)!.Name);
        Assert.Equal("small round brush", MarkScale.Tool(MarkKind.Rain, 0.6)!.Name);
        Assert.Equal("flat brush, drawn down", MarkScale.Tool(MarkKind.Rain, 3)!.Name);
        Assert.Equal("corner of fine foam", MarkScale.Tool(MarkKind.Chip, 1)!.Name);
        Assert.Null(MarkScale.Tool(MarkKind.Rain, 9));
    }

    [Fact]
    public void Who_exaggerates_goes_only_as_far_as_it_takes()
    {
        var schools = new Schools();
        Assert.Equal((1.5, true), MarkScale.Times(MarkKind.Rain, schools, static _ => true));
        Assert.Equal(2.2, MarkScale.Times(MarkKind.Rain, schools, static t => t > 2.15).Times, 6);
        Assert.Equal((3, false), MarkScale.Times(MarkKind.Rain, schools, static _ => false));
        Assert.Equal((1, false), MarkScale.Times(MarkKind.Rain, schools with { Contrast = ContrastSchool.ToScale }, static t => t > 1));
        Assert.Equal((1, true), MarkScale.Times(MarkKind.Damp, schools, static _ => true));
    }

    [Fact]
    public void Every_kind_has_its_row_and_sizes_that_follow()
    {
        foreach (var kind in Enum.GetValues<MarkKind>())
        {
            var facts = kind.Facts();
            Assert.NotEmpty(facts.Facings);
            Assert.NotEmpty(facts.Ways);
            Assert.InRange(facts.Share, 0.0005, 1);
            Assert.Equal(facts.By == MarksBy.Hosts, facts.Host != MarkHost.None);
            Assert.EndsWith(".", facts.Place, StringComparison.Ordinal);
            Assert.True(facts.Width is not { } w || w.From < w.To);
            Assert.True(facts.Length is not { } l || (l.From < l.To && facts.Width is not null));
            var (width, length) = MarkScale.OnModel(kind, 56, 1);
            var (wide, longer) = MarkScale.OnModel(kind, 56, 2);
            Assert.True(wide >= width && longer >= length);
        }

        // 15 mm of rain in life at 1:56 and half as wide again.
        Assert.Equal(Math.Round(Math.Sqrt(8 * 30) / 56 * 1.5, 2), MarkScale.OnModel(MarkKind.Rain, 56, 1.5).WidthMm);
    }
}
