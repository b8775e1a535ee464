namespace Lowfell.Web.Features.Looks;

/// <summary>One surface or picture is made at a time, what somebody waits for first: small pictures come when nobody does.</summary>
public sealed class LookQueue
{
    private readonly Lock gate = new();
    private readonly PriorityQueue<TaskCompletionSource, (int, long)> waiting = new();
    private long asked;
    private bool busy;

    /// <summary>Does it when its turn comes.</summary>
    /// <param name="urgent">A screen waits for it.</param>
    /// <param name="work">What to do.</param>
    /// <param name="cancel">Nobody wants it any more.</param>
    public async Task<T> RunAsync<T>(bool urgent, Func<T> work, CancellationToken cancel)
    {
        TaskCompletionSource? turn = null;
        lock (gate)
        {
            if (busy)
            {
                turn = new(TaskCreationOptions.RunContinuationsAsynchronously);
                waiting.Enqueue(turn, (urgent ? 0 : 1, asked++));
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
            while (waiting.TryDequeue(out var next, out _))
            {
                // Who has gone meanwhile is passed over.
                if (next.TrySetResult())
                {
                    return;
                }
            }

            busy = false;
        }
    }
}
