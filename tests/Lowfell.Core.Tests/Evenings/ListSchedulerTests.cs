using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

/// <summary>Plans at once of more than anybody plans by hand.</summary>
public sealed class ListSchedulerTests
{
    [Fact]
    public void Hundreds_of_copies_one_by_one_are_planned_whole_with_all_their_waits()
    {
        const int Copies = 750, Coats = 9;
        var (hull, deck) = (Guid.NewGuid(), Guid.NewGuid());
        List<Lot> Chain(int number, Guid zone, int copy) =>
        [
            .. Enumerable.Range(0, Coats).Select(n => new Lot
            {
                Id = StepId.Coat(zone, DerivedCoat(n), 1),
                Chain = number,
                Copies = [copy],
                MinutesPerCopy = 1 + (n % 3),
                Station = n == 0 ? Station.Airbrush : Station.Brush,
                Colour = $"{n}",
                LagMin = 20,
                TouchMin = 5,
            }),
        ];
        static Guid DerivedCoat(int n) => new(n, 0, 0, new byte[8]);
        List<IReadOnlyList<Lot>> chains = [.. Enumerable.Range(0, Copies).SelectMany(c => new[] { Chain(2 * c, hull, c + 1), Chain((2 * c) + 1, deck, c + 1) })];
        List<Session> sessions = [.. Enumerable.Range(0, 400).Select(d => new Session(d * 1440, (d * 1440) + 180))];
        var task = new PlanTask(chains, sessions, [.. Enumerable.Range(0, Copies / 2).Select(c => (2 * c, (2 * c) + 1))], [.. Enumerable.Range(Copies / 2, Copies / 2).Select(c => (2 * c, (2 * c) + 1))]);
        Assert.True((double)chains.Count * task.PieceSteps > 20_000_000);
        var plan = ListScheduler.Immediate(task);
        Assert.Null(plan.Problem);
        Assert.Equal(task.PieceSteps, plan.Lots.Count);
        Assert.Empty(PlanCheck.Faults(task, plan));
        Assert.InRange(plan.LastSession, ListScheduler.EarliestFinish(task), sessions.Count);

        // What is alike is done together: far fewer set-ups than steps.
        Assert.InRange(plan.SetUps, Coats, task.PieceSteps / 10);
    }
}
