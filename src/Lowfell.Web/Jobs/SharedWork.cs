namespace Lowfell.Web.Jobs;

/// <summary>Work that several wait for: done once, and ended when the last of them has gone.</summary>
/// <typeparam name="T">What comes of it.</typeparam>
/// <param name="work">The work.</param>
public sealed class SharedWork<T>(Func<CancellationToken, Task<T>> work)
{
    private readonly Lock waiting = new();
    private readonly CancellationTokenSource stop = new();
    private Task<T>? begun;
    private int waiters;
    private bool left;

    /// <summary>Begins to wait for it; false where the last of those who did has gone.</summary>
    public bool Join()
    {
        lock (waiting)
        {
            waiters += left ? 0 : 1;
            return !left;
        }
    }

    /// <summary>Waits for it after <see cref="Join"/>, and begins it where nobody has.</summary>
    /// <param name="cancel">Ends this waiting; the work goes on where somebody else waits.</param>
    public async Task<T> WaitAsync(CancellationToken cancel)
    {
        Task<T> task;
        lock (waiting)
        {
            task = begun ??= Task.Run(() => work(stop.Token), CancellationToken.None);
        }

        try
        {
            return await task.WaitAsync(cancel);
        }
        finally
        {
            lock (waiting)
            {
                left = --waiters == 0;
            }

            if (left)
            {
                await stop.CancelAsync();
            }
        }
    }
}
