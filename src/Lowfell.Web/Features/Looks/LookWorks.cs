using System.Collections.Concurrent;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;

namespace Lowfell.Web.Features.Looks;

/// <summary>Who waits for a surface or a picture.</summary>
internal enum LookWaiter
{
    /// <summary>A screen that shows nothing until it has come: before all others.</summary>
    Screen,

    /// <summary>A small picture beside a name.</summary>
    Small,

    /// <summary>What is itself being made: for as long as it takes.</summary>
    Work,
}

/// <summary>
/// Surfaces and pictures that are being made, each once however many ask for it, and on behalf of none of them: who has waited for as long
/// as an answer may take is told to ask again, and finds it made. What nobody asks for any more is given up.
/// </summary>
public sealed class LookWorks
{
    // Small pictures come when they do, and hold up none of the few connections of a browser.
    private const int UsualPatienceMs = 1000;
    private const int SmallParts = 4;

    // Who was told to ask again does so within a few seconds; what failed is told for that long.
    private static readonly TimeSpan Wanted = TimeSpan.FromSeconds(15);
    private static readonly TimeSpan Told = TimeSpan.FromSeconds(3);

    private readonly ConcurrentDictionary<(Guid Bench, Guid Id), Work> works = new();
    private readonly IServiceScopeFactory scopes;
    private readonly ILogger log;
    private readonly TimeSpan patience;

    /// <summary>Nothing is being made yet.</summary>
    /// <param name="scopes">Where each is made in a scope of its own.</param>
    /// <param name="settings">Looks:PatienceMs, the longest that an answer waits.</param>
    /// <param name="lifetime">A host that stops gives up all of them.</param>
    /// <param name="log">Where it says what could not be made.</param>
    public LookWorks(IServiceScopeFactory scopes, IConfiguration settings, IHostApplicationLifetime lifetime, ILogger<LookWorks> log)
    {
        ArgumentNullException.ThrowIfNull(lifetime);
        (this.scopes, this.log) = (scopes, log);
        patience = TimeSpan.FromMilliseconds(settings.GetValue("Looks:PatienceMs", UsualPatienceMs));
        lifetime.ApplicationStopping.Register(() =>
        {
            foreach (var work in works.Values)
            {
                work.GiveUp();
            }
        });
    }

    /// <summary>How many are being made.</summary>
    internal int Count => works.Count;

    /// <summary>Has something made, or waits for it where it is being made.</summary>
    /// <param name="bench">The bench.</param>
    /// <param name="id">What it is known by.</param>
    /// <param name="by">Who waits for it.</param>
    /// <param name="make">Makes it and keeps it; it is told whether a screen waits for it by now.</param>
    /// <param name="cancel">Whoever asks has gone.</param>
    /// <exception cref="BeingMadeException">It takes longer than an answer may.</exception>
    internal async Task<T> OfAsync<T>(Guid bench, Guid id, LookWaiter by, Func<LookDesk, Func<bool>, CancellationToken, Task<T>> make, CancellationToken cancel)
        where T : class
    {
        var work = works.GetOrAdd((bench, id), key => new((urgent, stop) => MakeAsync(key, (desk, end) => make(desk, urgent, end), stop)));
        using var wanted = work.Wanted(by, Wanted);
        try
        {
            var longest = by switch { LookWaiter.Screen => patience, LookWaiter.Small => patience / SmallParts, _ => Timeout.InfiniteTimeSpan };
            return (T)await work.Made.WaitAsync(longest, cancel);
        }
        catch (TimeoutException)
        {
            throw new BeingMadeException();
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            // It was given up just when somebody wanted it again.
            throw new BeingMadeException();
        }
    }

    private async Task<object> MakeAsync<T>((Guid Bench, Guid Id) key, Func<LookDesk, CancellationToken, Task<T>> make, CancellationToken stop)
        where T : class
    {
        // Whoever asks goes on at once: what is made may begin with what takes long.
        await Task.Yield();
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            scope.ServiceProvider.GetRequiredService<OpenBench>().Open(key.Bench);
            var made = await make(scope.ServiceProvider.GetRequiredService<LookDesk>(), stop);
            works.TryRemove(key, out _);
            return made;
        }
        catch (Exception given) when (given is OperationCanceledException or BeingMadeException)
        {
            works.TryRemove(key, out _);
            throw;
        }
        catch (Exception fault)
        {
            log.LogError(fault, "A surface or picture could not be made");
            _ = ForgetAsync(key);
            throw;
        }
    }

    private async Task ForgetAsync((Guid Bench, Guid Id) key)
    {
        await Task.Delay(Told);
        works.TryRemove(key, out _);
    }

    /// <summary>One that is being made, for as long as somebody wants it.</summary>
    private sealed class Work
    {
        // Never linked to what outlives it, so that it need not be disposed while somebody may still want it.
        private readonly CancellationTokenSource stop = new();
        private readonly Lazy<Task<object>> made;
        private volatile bool urgent;
        private int waiting;

        public Work(Func<Func<bool>, CancellationToken, Task<object>> make) => made = new(() => make(() => urgent, stop.Token));

        public Task<object> Made => made.Value;

        public void GiveUp() => stop.Cancel();

        // While somebody waits, and for a while after.
        public Wait Wanted(LookWaiter by, TimeSpan after)
        {
            urgent |= by == LookWaiter.Screen;
            Interlocked.Increment(ref waiting);
            stop.CancelAfter(Timeout.InfiniteTimeSpan);
            return new(this, after);
        }

        private void Left(TimeSpan after)
        {
            if (Interlocked.Decrement(ref waiting) == 0)
            {
                stop.CancelAfter(after);
            }
        }

        public readonly struct Wait(Work of, TimeSpan after) : IDisposable
        {
            public void Dispose() => of.Left(after);
        }
    }
}
