using Lowfell.Web.Api;
using Lowfell.Web.Features.Looks;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging.Abstractions;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Turns, and what is made on behalf of whoever asks.</summary>
public sealed class LookWorkTests(TestHost host) : IClassFixture<TestHost>
{
    private static readonly Guid Bench = Benches.OpenBench.Home;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private LookWorks Works(int patienceMs)
    {
        _ = host.Http;
        var settings = new ConfigurationBuilder().AddInMemoryCollection(new Dictionary<string, string?> { ["Looks:PatienceMs"] = $"{patienceMs}" }).Build();
        return new(host.Services.GetRequiredService<IServiceScopeFactory>(), settings, host.Services.GetRequiredService<IHostApplicationLifetime>(), NullLogger<LookWorks>.Instance);
    }

    [Fact]
    public async Task What_a_screen_waits_for_comes_before_small_pictures_that_came_earlier()
    {
        var (queue, order, go) = (new LookQueue(), new List<string>(), new TaskCompletionSource());
        var wanted = false;
        Task<bool> Turn(string name, Func<bool> urgent) => queue.RunAsync(urgent, () => Add(order, name), Cancel);
        var running = queue.RunAsync(() => false, () => Held(go), Cancel);
        Task[] all = [running, Turn("small", () => false), Turn("wanted meanwhile", () => wanted), Turn("last", () => false)];
        using var gone = new CancellationTokenSource();
        var left = queue.RunAsync(() => true, () => Add(order, "gone"), gone.Token);
        await gone.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => left);
        wanted = true;
        go.SetResult();
        await Task.WhenAll(all);
        Assert.Equal(["wanted meanwhile", "small", "last"], order);

        // Nobody is left waiting: the next goes at once.
        Assert.True(await Turn("after", () => false));
    }

    [Fact]
    public async Task A_work_is_done_once_and_each_is_told_how_it_went()
    {
        var (works, made, id) = (Works(60_000), 0, Guid.NewGuid());
        var all = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => works.OfAsync(Bench, id, LookWaiter.Small, async (_, _, stop) =>
        {
            Interlocked.Increment(ref made);
            await Task.Delay(100, stop);
            return "made";
        }, Cancel)));
        Assert.All(all, a => Assert.Equal("made", a));
        Assert.Equal((1, 0), (made, works.Count));

        // One that fails says so to whoever asks within a moment, and is tried again after it.
        Task<string> FailAsync() => works.OfAsync<string>(Bench, id, LookWaiter.Screen, (_, _, _) => throw new InvalidDataException($"failed {++made}"), Cancel);
        var fault = await Assert.ThrowsAsync<InvalidDataException>(FailAsync);
        Assert.Equal(fault.Message, (await Assert.ThrowsAsync<InvalidDataException>(FailAsync)).Message);
        while (works.Count > 0)
        {
            await Task.Delay(50, Cancel);
        }

        Assert.NotEqual(fault.Message, (await Assert.ThrowsAsync<InvalidDataException>(FailAsync)).Message);
    }

    [Fact]
    public async Task Whoever_does_not_wait_for_it_is_told_to_ask_again_and_a_screen_brings_it_forward()
    {
        var (works, id) = (Works(0), Guid.NewGuid());
        var (isWanted, ended) = (new TaskCompletionSource<Func<bool>>(), new TaskCompletionSource());
        Task<string> AskAsync(LookWaiter by) => works.OfAsync(Bench, id, by, async (_, urgent, stop) =>
        {
            isWanted.SetResult(urgent);
            await ended.Task.WaitAsync(stop);
            return "made";
        }, Cancel);
        await Assert.ThrowsAsync<BeingMadeException>(() => AskAsync(LookWaiter.Small));
        var urgent = await isWanted.Task;
        Assert.False(urgent());
        await Assert.ThrowsAsync<BeingMadeException>(() => AskAsync(LookWaiter.Screen));
        Assert.True(urgent());

        // What is made of it waits for as long as it takes.
        var work = AskAsync(LookWaiter.Work);
        Assert.Equal(1, works.Count);
        ended.SetResult();
        Assert.Equal("made", await work);
        Assert.Equal(0, works.Count);
    }

    [Fact]
    public async Task A_host_that_stops_gives_up_what_it_makes()
    {
        _ = host.Http;
        using var life = new Life();
        var works = new LookWorks(host.Services.GetRequiredService<IServiceScopeFactory>(), new ConfigurationBuilder().Build(), life, NullLogger<LookWorks>.Instance);
        var given = new TaskCompletionSource();
        var waiting = works.OfAsync(Bench, Guid.NewGuid(), LookWaiter.Work, async (_, _, stop) =>
        {
            await using var told = stop.Register(() => given.TrySetResult());
            await Task.Delay(Timeout.Infinite, stop);
            return "never";
        }, Cancel);
        life.StopApplication();
        await given.Task.WaitAsync(TimeSpan.FromSeconds(10), Cancel);
        await Assert.ThrowsAsync<BeingMadeException>(() => waiting);
        Assert.Equal(0, works.Count);
    }

    private sealed class Life : IHostApplicationLifetime, IDisposable
    {
        private readonly CancellationTokenSource stopping = new();

        public CancellationToken ApplicationStarted => CancellationToken.None;

        public CancellationToken ApplicationStopping => stopping.Token;

        public CancellationToken ApplicationStopped => CancellationToken.None;

        public void StopApplication() => stopping.Cancel();

        public void Dispose() => stopping.Dispose();
    }

    private static bool Add(List<string> order, string name)
    {
        order.Add(name);
        return true;
    }

    private static bool Held(TaskCompletionSource until)
    {
        until.Task.GetAwaiter().GetResult();
        return true;
    }
}
