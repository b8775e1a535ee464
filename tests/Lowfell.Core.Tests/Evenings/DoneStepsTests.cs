using CsCheck;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

public sealed class DoneStepsTests
{
    private static readonly StepId Step = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1);

    private static LogFact Fact(LogKind kind, double at, int copy = 1, double? minutes = null) => new(Step.On(copy), kind, at, minutes);

    [Fact]
    public void A_later_entry_counts_over_an_earlier_one_and_nothing_else_is_touched()
    {
        var done = new DoneSteps([Fact(LogKind.Done, -90, 1, 4), Fact(LogKind.Done, -80, 2), Fact(LogKind.TakenBack, -70, 1), Fact(LogKind.Skipped, -60, 3), Fact(LogKind.Done, -50, 1, 7)]);
        Assert.Equal(new StepDone(-50, false, 7), done.Of(Step.On(1)));
        Assert.Equal(-80, done.DoneAt(Step.On(2)));
        Assert.True(done.Knows(Step.On(3)));
        Assert.Null(done.DoneAt(Step.On(3)));
        Assert.Null(done.Of(Step.On(4)));
    }

    [Fact]
    public void What_was_taken_back_and_never_done_again_is_open() =>
        Assert.Empty(new DoneSteps([Fact(LogKind.Done, 0), Fact(LogKind.TakenBack, 1), Fact(LogKind.TakenBack, 2)]).All);

    [Theory]
    [InlineData(LogKind.Problem)]
    [InlineData(LogKind.Note)]
    [InlineData(LogKind.Dry)]
    public void Remarks_and_problems_do_nothing(LogKind kind) => Assert.Single(new DoneSteps([Fact(LogKind.Done, 0), Fact(kind, 1)]).All);

    [Fact]
    public void A_part_and_a_coat_of_the_same_id_are_two_steps()
    {
        var id = Guid.NewGuid();
        Assert.NotEqual(StepId.Fit(id), StepId.Coat(id, id, 1));
        Assert.Equal(id, StepId.Fit(id).Place);
        Assert.False(new DoneSteps([new(StepId.Fit(id).On(1), LogKind.Done, 0)]).Knows(StepId.Coat(id, id, 1).On(1)));
    }

    [Fact]
    public void A_clean_up_is_off_where_something_lies_over_it()
    {
        var bench = new Bench();
        var piece = Bench.Piece("Hull");
        var zone = bench.Zone(piece, "Panels", Build.Coat(Technique.BaseCoat, Build.RopeTan), Build.Coat(Technique.PinWash, Build.TarWash), Build.Coat(Technique.Varnish, Build.Varnish(Films.Sheen.Matt)));
        var steps = StackSteps.Of(zone.Stack);
        var clean = steps.Index().First(s => s.Item.IsCleanUp).Index;
        var done = new DoneSteps([new(steps[clean + 1].Id(zone.Id).On(1), LogKind.Done, 0)]);
        Assert.True(done.IsOff(zone.Id, steps, clean, 1));
        Assert.False(done.IsOff(zone.Id, steps, clean, 2));
        Assert.False(done.IsOff(zone.Id, steps, clean - 1, 1));
    }

    // However a log is made, a step is done exactly where its last word on it says so.
    [Fact]
    public void The_last_word_counts() => Gen.Select(Gen.Int[1, 3], Gen.Enum<LogKind>()).List[0, 30].Sample(entries =>
    {
        var done = new DoneSteps(entries.Select((e, i) => Fact(e.Item2, i, e.Item1)));
        for (var copy = 1; copy <= 3; copy++)
        {
            var words = entries.Where(e => e.Item1 == copy && e.Item2 is (LogKind.Done or LogKind.Skipped or LogKind.TakenBack)).Select(e => e.Item2).ToList();
            Assert.Equal(words is [.., LogKind.Done or LogKind.Skipped], done.Knows(Step.On(copy)));
        }
    });
}
