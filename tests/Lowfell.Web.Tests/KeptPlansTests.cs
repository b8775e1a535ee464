using Lowfell.Web.Features.Evenings;
using NodaTime;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class KeptPlansTests
{
    private static readonly Instant Now = Instant.FromUtc(2027, 3, 2, 19, 30);

    private static KeptPlan Plan(int coats, string what = "", long mark = 1) => new(mark, Now, Now + Duration.FromHours(1), coats, what);

    [Fact]
    public void What_rests_on_something_else_or_on_another_hour_is_not_found()
    {
        var kept = new KeptPlans(100, 10);
        kept.Keep("a", Plan(5, "made"));
        Assert.Equal("made", kept.Find("a", 1, Now));
        Assert.Equal("made", kept.Find("a", 1, Now + Duration.FromMinutes(59)));
        Assert.Null(kept.Find("a", 2, Now));
        Assert.Null(kept.Find("a", 1, Now + Duration.FromHours(1)));
        Assert.Null(kept.Find("a", 1, Now - Duration.FromMinutes(1)));
        Assert.Null(kept.Find("b", 1, Now));
    }

    [Fact]
    public void What_was_longest_not_asked_for_goes_and_the_newest_stays()
    {
        var kept = new KeptPlans(100, 10);
        kept.Keep("a", Plan(40));
        kept.Keep("b", Plan(40));
        Assert.NotNull(kept.Find("a", 1, Now));
        kept.Keep("c", Plan(40));
        Assert.Null(kept.Find("b", 1, Now));
        Assert.NotNull(kept.Find("a", 1, Now));

        // Larger than all together: kept for whoever asked, instead of all others.
        kept.Keep("d", Plan(500));
        Assert.NotNull(kept.Find("d", 1, Now));
        Assert.Null(kept.Find("a", 1, Now));
        Assert.Null(kept.Find("c", 1, Now));
    }

    [Fact]
    public void Where_there_are_too_many_coats_no_answer_goes()
    {
        var kept = new KeptPlans(100, 3);
        kept.Keep("answer", Plan(0));
        kept.Keep("a", Plan(80));
        kept.Keep("b", Plan(80));
        Assert.NotNull(kept.Find("answer", 1, Now));
        Assert.Null(kept.Find("a", 1, Now));
        kept.Keep("second", Plan(0));
        kept.Keep("third", Plan(0));
        Assert.Null(kept.Find("b", 1, Now));
        Assert.NotNull(kept.Find("answer", 1, Now));
    }

    [Fact]
    public void What_is_made_anew_takes_the_place_of_what_it_was()
    {
        var kept = new KeptPlans(100, 2);
        kept.Keep("a", Plan(60, "old"));
        kept.Keep("a", Plan(60, "new", 2));
        kept.Keep("b", Plan(30));
        Assert.Equal("new", kept.Find("a", 2, Now));
        Assert.NotNull(kept.Find("b", 1, Now));
    }
}
