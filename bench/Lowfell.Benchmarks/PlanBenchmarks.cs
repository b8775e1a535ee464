using BenchmarkDotNet.Attributes;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;

namespace Lowfell.Benchmarks;

/// <summary>A plan at once, and the bound on any plan.</summary>
[MemoryDiagnoser]
public class PlanBenchmarks
{
    private PlanTask task = null!;
    private PlanTask oneByOne = null!;

    /// <summary>About a thousand piece-steps: twelve chains of fourteen coats on six copies, through half a year of evenings.</summary>
    [GlobalSetup]
    public void Setup()
    {
        const int Chains = 12, Coats = 14, Copies = 6, Weeks = 26, Day = 1440;
        var random = new Random(11);
        var sessions = from week in Enumerable.Range(0, Weeks)
                       from evening in new[] { (1, 1170, 1320), (3, 1170, 1320), (6, 570, 750) }
                       select new Session((((week * 7) + evening.Item1) * Day) + evening.Item2, (((week * 7) + evening.Item1) * Day) + evening.Item3);
        task = new(
            [.. Enumerable.Range(0, Chains).Select(c =>
            {
                var zone = Guid.NewGuid();
                return (IReadOnlyList<Lot>)[.. Enumerable.Range(0, Coats).Select(_ => new Lot
                {
                    Id = StepId.Coat(zone, Guid.NewGuid(), 1),
                    Chain = c,
                    Copies = [.. Enumerable.Range(1, Copies)],
                    MinutesPerCopy = 1 + (6 * random.NextDouble()),
                    Station = (Station)random.Next(6),
                    Colour = $"c{random.Next(12)}",
                    LagMin = Math.Pow(10, 1 + (2.2 * random.NextDouble())),
                    TouchMin = 10,
                })];
            })],
            [.. sessions],
            [(0, 1), (2, 3)]);

        // The same chains with a hundred copies each, every copy from start to end by itself: nearly seventeen thousand steps, through ten years.
        const int Many = 100, Years = 10;
        List<Session> longer = [.. from year in Enumerable.Range(0, 2 * Years) from session in sessions select new Session(session.Open + (year * Weeks * 7 * Day), session.Close + (year * Weeks * 7 * Day))];
        oneByOne = new([.. from chain in task.Chains from copy in Enumerable.Range(1, Many) select (IReadOnlyList<Lot>)[.. chain.Select(l => l with { Copies = [copy] })]], longer, []);
        oneByOne = oneByOne with { Chains = [.. oneByOne.Chains.Select((chain, number) => (IReadOnlyList<Lot>)[.. chain.Select(l => l with { Chain = number })])] };
    }

    /// <summary>Wanted under 200 ms.</summary>
    [Benchmark]
    public int Immediate() => ListScheduler.Immediate(task).LastSession;

    /// <summary>Hundreds of copies one by one: nobody waits two seconds for an answer.</summary>
    [Benchmark]
    public int OneByOne() => ListScheduler.Immediate(oneByOne).LastSession;

    /// <summary>The day before which no plan can be done.</summary>
    [Benchmark]
    public int Bound() => ListScheduler.EarliestFinish(task);

    /// <summary>The checker that every plan passes.</summary>
    [Benchmark]
    public int Check() => PlanCheck.Faults(task, ListScheduler.Immediate(task)).Count;
}
