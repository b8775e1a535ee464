using Lowfell.Web.Api;
using Lowfell.Web.Jobs;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class SharedWorkTests
{
    [Fact]
    public async Task It_is_done_once_for_all_who_wait()
    {
        var begun = 0;
        var gate = new TaskCompletionSource();
        var work = new SharedWork<string>(async _ =>
        {
            Interlocked.Increment(ref begun);
            await gate.Task;
            return "made";
        });
        var all = Enumerable.Range(0, 5).Select(_ => work.Join() ? work.WaitAsync(CancellationToken.None) : Task.FromResult("late")).ToList();
        gate.SetResult();
        Assert.Equal(Enumerable.Repeat("made", 5), await Task.WhenAll(all));
        Assert.Equal(1, begun);
    }

    [Fact]
    public async Task It_goes_on_for_who_stays_and_ends_when_the_last_has_gone()
    {
        var stopped = new TaskCompletionSource();
        var work = new SharedWork<string>(async stop =>
        {
            stop.Register(stopped.SetResult);
            await Task.Delay(Timeout.Infinite, stop);
            return "";
        });
        using var first = new CancellationTokenSource();
        using var second = new CancellationTokenSource();
        Assert.True(work.Join());
        Assert.True(work.Join());
        var (one, two) = (work.WaitAsync(first.Token), work.WaitAsync(second.Token));
        await first.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => one);
        Assert.False(stopped.Task.IsCompleted);
        await second.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => two);
        await stopped.Task.WaitAsync(TimeSpan.FromSeconds(10), TestContext.Current.CancellationToken);
        Assert.False(work.Join());
    }

    [Fact]
    public async Task Who_may_wait_no_longer_asks_again_and_finds_it_made()
    {
        var begun = 0;
        var gate = new TaskCompletionSource();
        var work = new SharedWork<string>(async stop =>
        {
            Interlocked.Increment(ref begun);
            await gate.Task.WaitAsync(stop);
            return "made";
        });
        Assert.True(work.Join());
        await Assert.ThrowsAsync<BeingMadeException>(() => work.WaitAsync(TimeSpan.Zero, CancellationToken.None));
        Assert.True(work.Join());
        await Assert.ThrowsAsync<BeingMadeException>(() => work.WaitAsync(TimeSpan.FromMilliseconds(20), CancellationToken.None));

        // Somebody who gives up meanwhile doesn't end it for whoever asks again.
        using var gone = new CancellationTokenSource();
        Assert.True(work.Join());
        var left = work.WaitAsync(gone.Token);
        await gone.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => left);
        gate.SetResult();
        Assert.True(work.Join());
        Assert.Equal("made", await work.WaitAsync(CancellationToken.None));
        Assert.Equal(1, begun);
    }

    [Fact]
    public async Task What_comes_as_the_patience_ends_is_told_or_asked_for_again_and_never_a_fault()
    {
        for (var i = 0; i < 3_000; i++)
        {
            var work = new SharedWork<string>(async _ =>
            {
                await Task.Delay(1, CancellationToken.None);
                return "made";
            });
            Assert.True(work.Join());
            try
            {
                Assert.Equal("made", await work.WaitAsync(TimeSpan.FromMilliseconds(1), CancellationToken.None));
            }
            catch (BeingMadeException)
            {
                // Asked for again.
                Assert.True(work.Join());
                Assert.Equal("made", await work.WaitAsync(CancellationToken.None));
            }
        }
    }
}
