using Lowfell.Web.Api;

namespace Lowfell.Web.Jobs;

/// <summary>Work that several wait for: done once, and ended when the last of them has gone.</summary>
/// <typeparam name="T">What comes of it.</typeparam>
/// <param name="work">The work.</param>
public sealed class SharedWork<T>(Func<CancellationToken, Task<T>> work)
{
    // Who was told to ask again does so within a few seconds.
    private static readonly TimeSpan Wanted = TimeSpan.FromSeconds(15);

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
    public Task<T> WaitAsync(CancellationToken cancel) => WaitAsync(Timeout.InfiniteTimeSpan, cancel);

    /// <summary>The same for no longer than an answer may take; the work goes on for a while after that, as whoever waited will ask again.</summary>
    /// <param name="patience">How long to wait; infinite for as long as it takes.</param>
    /// <param name="cancel">Ends this waiting; the work goes on where somebody else waits.</param>
    /// <exception cref="BeingMadeException">It takes longer.</exception>
    public async Task<T> WaitAsync(TimeSpan patience, CancellationToken cancel)
    {
        Task<T> task;
        lock (waiting)
        {
            task = begun ??= Task.Run(() => work(stop.Token), CancellationToken.None);
        }

        var asksAgain = false;
        try
        {
            return await task.WaitAsync(patience, cancel);
        }
        catch (TimeoutException)
        {
            // It may have come, or failed, in the same moment.
            if (task.IsCompleted)
            {
                return await task;
            }

            asksAgain = true;
            throw new BeingMadeException();
        }
        finally
        {
            if (asksAgain)
            {
                _ = LeaveLaterAsync();
            }
            else
            {
                await LeaveAsync();
            }
        }
    }

    private async Task LeaveLaterAsync()
    {
        await Task.Delay(Wanted);
        await LeaveAsync();
    }

    private Task LeaveAsync()
    {
        lock (waiting)
        {
            left = --waiters == 0;
        }

        return left ? stop.CancelAsync() : Task.CompletedTask;
    }
}
