using Lowfell.Core.Sight;
using Xunit;

namespace Lowfell.Core.Tests.Sight;

public sealed class TrialTests
{
    // A painter whose threshold lies at so many times the usual one, with a look at each step.
    private static TrialTick[] Of(double threshold, int ticks = 24) => [.. Enumerable.Range(0, ticks).Select(i => 0.4 * Math.Pow(30, (double)i / (ticks - 1))).Select(j => new TrialTick(j, j > threshold))];

    [Fact]
    public void Fewer_than_ten_ticks_fit_nothing()
    {
        Assert.Equal(1, Trial.Factor(Of(1, 9)), 9);
        Assert.NotEqual(1, Trial.Factor(Of(1, 10)), 2);
    }

    [Theory]
    [InlineData(2.5, 1)]
    [InlineData(1.25, 2)]
    [InlineData(5, 0.5)]
    public void Who_notices_twice_as_much_has_a_factor_of_two(double threshold, double factor) => Assert.InRange(Trial.Factor(Of(threshold)), factor * 0.85, factor * 1.18);

    [Fact]
    public void Seeing_more_never_lowers_it_and_all_or_nothing_stays_within_reach()
    {
        var last = 0.0;
        foreach (var threshold in new[] { 20, 8, 4, 2, 1, 0.5 })
        {
            var factor = Trial.Factor(Of(threshold));
            Assert.True(factor >= last);
            last = factor;
        }

        Assert.InRange(Trial.Factor(Of(0)), 1, 4);
        Assert.InRange(Trial.Factor(Of(100)), 0.25, 1);
    }

    [Fact]
    public void A_slip_of_the_finger_moves_it_little()
    {
        var ticks = Of(2.5);
        var slipped = ticks.Select((t, i) => i == 22 ? t with { Seen = false } : t).ToArray();
        Assert.InRange(Trial.Factor(slipped) / Trial.Factor(ticks), 0.75, 1.0);
    }

    [Fact]
    public void A_factor_goes_over_what_is_noticed_and_nothing_else()
    {
        var detail = new SightDetail(0.5, 10, new(0.2, 0.2, 0.2), new(0.25, 0.25, 0.25));
        var (usual, keen) = (Sights.At(detail, new(1)), Sights.At(detail, new SightFrom(1) { TrialFactor = 1.5 }));
        Assert.Equal(usual.J * 1.5, keen.J, 9);
        Assert.Equal(usual.Left, keen.Left, 9);
        Assert.Equal(1, default(SightFrom).Factor, 9);
    }
}
