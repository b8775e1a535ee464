namespace Lowfell.Web.Features.Looks;

/// <summary>One surface or picture is made at a time, what somebody waits for first: small pictures come when nobody does.</summary>
public sealed class LookQueue
{
    private readonly Lock gate = new();

    // In the order in which they came; never more than a few screens ask for.
    private readonly List<(Func<bool> Urgent, TaskCompletionSource Turn)> waiting = [];
    private bool busy;

    /// <summary>Does it when its turn comes.</summary>
    /// <param name="urgent">Whether a screen waits for it by now.</param>
    /// <param name="work">What to do.</param>
    /// <param name="cancel">Nobody wants it any more.</param>
    public async Task<T> RunAsync<T>(Func<bool> urgent, Func<T> work, CancellationToken cancel)
    {
        TaskCompletionSource? turn = null;
        lock (gate)
        {
            if (busy)
            {
                turn = new(TaskCreationOptions.RunContinuationsAsynchronously);
                waiting.Add((urgent, turn));
            }

            busy = true;
        }

        if (turn is not null)
        {
            using var gone = cancel.Register(() => turn.TrySetCanceled(cancel));
            await turn.Task;
        }

        try
        {
            cancel.ThrowIfCancellationRequested();
            return await Task.Run(work, cancel);
        }
        finally
        {
            Next();
        }
    }

    private void Next()
    {
        lock (gate)
        {
            while (waiting.Count > 0)
            {
                var next = Math.Max(0, waiting.FindIndex(w => w.Urgent()));
                var turn = waiting[next].Turn;
                waiting.RemoveAt(next);

                // Who has gone meanwhile is passed over.
                if (turn.TrySetResult())
                {
                    return;
                }
            }

            busy = false;
        }
    }
}
