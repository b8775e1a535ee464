using System.Globalization;
using Google.OrTools.Sat;

namespace Lowfell.Core.Evenings.Solving;

/// <summary>What a run of the solver came to.</summary>
/// <param name="Status">How it ended.</param>
/// <param name="Bound">What no solution does better by the aim; 0 where nothing is known.</param>
/// <param name="Value">Values of the best solution; null where there is none.</param>
internal sealed record CpResult(CpSolverStatus Status, double Bound, Func<IntVar, long>? Value);

/// <summary>Runs the solver on a model: in time, stoppable, and without anything of ours thrown on its threads.</summary>
internal static class CpSearch
{
    private const int StopEveryMs = 50;
    private const double LeastSeconds = 0.01;

    /// <summary>Runs it.</summary>
    /// <param name="model">The model.</param>
    /// <param name="seconds">Seconds at most.</param>
    /// <param name="limits">Threads and seed.</param>
    /// <param name="more">More parameters of the solver; never words of a user.</param>
    /// <param name="found">Told of each solution, on a thread of the solver.</param>
    /// <param name="cancel">Ends it.</param>
    /// <exception cref="InvalidOperationException">The listener failed.</exception>
    public static CpResult Run(CpModel model, double seconds, SolveLimits limits, string more, Action<Func<IntVar, long>>? found, CancellationToken cancel)
    {
        if (cancel.IsCancellationRequested)
        {
            return new(CpSolverStatus.Unknown, 0, null);
        }

        var solver = new CpSolver
        {
            StringParameters = string.Create(
                CultureInfo.InvariantCulture,
                $"num_workers:{limits.Workers},random_seed:{limits.Seed},cp_model_probing_level:0,max_presolve_iterations:1,{(limits.Counted ? "max_deterministic_time" : "max_time_in_seconds")}:{Math.Max(LeastSeconds, seconds):0.###}{(more.Length > 0 ? "," : "")}{more}"),
        };

        // A stop that comes before the search has begun is lost: it is said again until the search ends.
        using var stop = new Timer(
            _ =>
            {
                if (cancel.IsCancellationRequested)
                {
                    solver.StopSearch();
                }
            },
            null,
            StopEveryMs,
            StopEveryMs);
        using var watch = found is null ? null : new Watch(found);
        var status = watch is null ? solver.Solve(model) : solver.Solve(model, watch);
        watch?.Rethrow();
        return status switch
        {
            CpSolverStatus.Optimal or CpSolverStatus.Feasible => new(status, solver.BestObjectiveBound, solver.Value),
            CpSolverStatus.Unknown => new(status, solver.BestObjectiveBound, null),
            _ => new(status, 0, null),
        };
    }

    /// <summary>Hands every solution on. Nothing may be thrown on the solver's thread: it would end the process.</summary>
    private sealed class Watch(Action<Func<IntVar, long>> found) : CpSolverSolutionCallback
    {
        private Exception? thrown;

        public override void OnSolutionCallback()
        {
            try
            {
                if (thrown is null)
                {
                    found(v => Value(v));
                }
            }
            catch (Exception e)
            {
                thrown = e;
                StopSearch();
            }
        }

        public void Rethrow()
        {
            if (thrown is not null)
            {
                throw new InvalidOperationException("The plan's listener failed.", thrown);
            }
        }
    }
}
