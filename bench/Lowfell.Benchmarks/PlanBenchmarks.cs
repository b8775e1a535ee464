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
    }

    /// <summary>Wanted under 200 ms.</summary>
    [Benchmark]
    public int Immediate() => ListScheduler.Immediate(task).LastSession;

    /// <summary>The day before which no plan can be done.</summary>
    [Benchmark]
    public int Bound() => ListScheduler.EarliestFinish(task);

    /// <summary>The checker that every plan passes.</summary>
    [Benchmark]
    public int Check() => PlanCheck.Faults(task, ListScheduler.Immediate(task)).Count;
}
