namespace Lowfell.Web.Api;

/// <summary>Whether the database is ready; what needs it waits for <see cref="Done"/>.</summary>
public sealed class Readiness
{
    private readonly TaskCompletionSource done = new(TaskCreationOptions.RunContinuationsAsynchronously);

    /// <summary>Ends when the database is ready; is cancelled where it can't be made so.</summary>
    public Task Done => done.Task;

    /// <summary>Whether it has ended without a database that can be used.</summary>
    public bool Failed { get; private set; }

    /// <summary>Whether it waits for a database that does not answer.</summary>
    public bool DatabaseAway { get; set; }

    /// <summary>The database is ready.</summary>
    public void Ready() => done.SetResult();

    /// <summary>It will not be.</summary>
    /// <param name="failed">Because it could not be made so; else because the host stops.</param>
    public void End(bool failed)
    {
        Failed = failed;
        done.SetCanceled();
    }

    /// <summary>Waits until it is ready.</summary>
    /// <returns>False where it will not be, or the host stops.</returns>
    public async Task<bool> WaitAsync(CancellationToken stop)
    {
        await Done.WaitAsync(stop).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        return Done.IsCompletedSuccessfully;
    }
}

/// <summary>Answers 503 until the database is ready, and says why; the files of the screens are served meanwhile.</summary>
/// <param name="next">The rest of the pipeline.</param>
/// <param name="readiness">How far it is.</param>
public sealed class ReadyGate(RequestDelegate next, Readiness readiness)
{
    /// <summary>What the answer says while the database is brought up to date.</summary>
    public const string Migrating = "Lowfell is bringing its database up to date.";

    /// <summary>Answered in any case.</summary>
    public const string Live = "/api/health/live";

    private const string Kept = "What you have changed is kept until it is back.";

    /// <summary>Lets through or refuses.</summary>
    public Task InvokeAsync(HttpContext context)
    {
        if (readiness.Done.IsCompletedSuccessfully || !context.Request.Path.StartsWithSegments("/api") || context.Request.Path == Live)
        {
            return next(context);
        }

        context.Response.Headers.RetryAfter = "2";
        var problem = readiness.DatabaseAway ? Problems.Of(ProblemCode.DatabaseAway, "The database is away.", Kept) : Problems.Of(ProblemCode.Migrating, Migrating, Kept);
        return problem.ExecuteAsync(context);
    }
}
