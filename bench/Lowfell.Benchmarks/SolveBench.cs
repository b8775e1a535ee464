using System.Diagnostics;
using System.Globalization;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Solving;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;

namespace Lowfell.Benchmarks;

/// <summary>What the solver reaches in so many seconds, on sets of four sizes.</summary>
public static class SolveBench
{
    /// <summary>Sizes: pieces, the groups they come in, coats a piece.</summary>
    private static readonly (int Pieces, int Groups, int Coats)[] Sizes = [(4, 2, 14), (12, 4, 13), (29, 5, 14), (72, 6, 14)];

    /// <summary>Runs all sizes and prints a line for each.</summary>
    /// <param name="seconds">Time to look for a plan.</param>
    /// <param name="seeds">So many sets of each size.</param>
    public static void Run(double seconds, int seeds)
    {
        Console.WriteLine("steps lots | at once: last set-ups | solved: last/bound sessions/bound set-ups/bound idle/bound | first plan, time in all, beginnings of the stages");
        foreach (var size in Sizes)
        {
            for (var seed = 1; seed <= seeds; seed++)
            {
                var task = Task(size.Pieces, size.Groups, size.Coats, seed);
                var clock = Stopwatch.StartNew();
                var first = ListScheduler.Immediate(task);
                var immediate = clock.Elapsed.TotalMilliseconds;
                clock.Restart();
                var stages = new List<string>();
                var state = PlanSolver.Solve(task, new(seconds), () => clock.Elapsed, s => stages.Add($"{s.Stage} {clock.Elapsed.TotalSeconds:0.0}"), CancellationToken.None);
                var (plan, bounds) = (state.Best, state.Bounds);
                Noted.Less($"solve {task.PieceSteps} steps, seed {seed}: last session", plan.LastSession, "");
                Noted.Less($"solve {task.PieceSteps} steps, seed {seed}: set-ups", plan.SetUps, "");
                Console.WriteLine(string.Create(
                    CultureInfo.InvariantCulture,
                    $"{task.PieceSteps,5} {plan.Lots.Count,4} | {first.LastSession} {first.SetUps} {(first.Problem is null ? "" : first.Problem.Kind.ToString())} | {plan.LastSession}/{bounds.LastSession} {plan.SessionsUsed}/{bounds.Sessions} {plan.SetUps}/{bounds.SetUps} {plan.IdleMin:0}/{bounds.IdleMin:0} | {immediate:0} ms, {clock.Elapsed.TotalSeconds:0.0} s {string.Join(", ", stages.GroupBy(s => s.Split(' ')[0]).Select(g => g.First()))}"));
            }
        }

        Console.WriteLine($"peak memory {Process.GetCurrentProcess().PeakWorkingSet64 / 1_000_000} MB");
    }

    /// <summary>A set of pieces in groups: drying of ten minutes to two days, a chipping window here and there, six stations and a dozen colours.</summary>
    internal static PlanTask Task(int pieces, int groups, int coats, int seed)
    {
        const int Day = 1440;
        var random = new Random(seed);
        var sessions = Enumerable.Range(0, 10).SelectMany(week => new[] { (1, 1170, 1320), (3, 1170, 1320), (6, 570, 750) }
            .Select(e => new Session((((week * 7) + e.Item1) * Day) + e.Item2, (((week * 7) + e.Item1) * Day) + e.Item3))).Take(21);
        return new(
            [.. Enumerable.Range(0, groups).Select(g =>
            {
                var zone = Guid.NewGuid();
                var copies = ((g + 1) * pieces / groups) - (g * pieces / groups);
                var count = Math.Clamp(coats + random.Next(-4, 5), 10, 22);
                return (IReadOnlyList<Lot>)[.. Enumerable.Range(0, count).Select(i =>
                {
                    var window = i > 2 && i + 1 < count && random.Next(9) == 0;
                    var long48 = random.Next(12) == 0;
                    var touch = 10 + random.Next(20);
                    return new Lot
                    {
                        Id = StepId.Coat(zone, Guid.NewGuid(), 1),
                        Chain = g,
                        Copies = [.. Enumerable.Range(1, copies)],
                        MinutesPerCopy = 0.5 + (2.5 * random.NextDouble()),
                        Station = (Station)random.Next(6),
                        Colour = $"c{random.Next(3)}",
                        LagMin = window ? touch + 15 : long48 ? 24 * 60 * (1 + random.NextDouble()) : Math.Pow(10, 1 + (1.6 * random.NextDouble())),
                        MostLagMin = window ? touch + 120 : null,
                        TouchMin = touch,
                    };
                })];
            })],
            [.. sessions],
            []);
    }
}
