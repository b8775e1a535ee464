using System.Collections.Concurrent;
using System.Globalization;
using Lowfell.Web.Api;
using Npgsql;

namespace Lowfell.Web.Benches;

/// <summary>
/// Hears from the database whenever a shelf changes, by this host or another, so that a shelf held in memory needs no question each
/// time it is used. While the ear is off (database away, connection lost) nobody may rely on it: <see cref="Listening"/> is false.
/// </summary>
/// <param name="database">Connection string of the host's database.</param>
/// <param name="readiness">How far the database is.</param>
public sealed class ShelfNews(string database, Readiness readiness) : BackgroundService
{
    /// <summary>The channel that the trigger of table benches speaks on: "bench-id version".</summary>
    public const string Channel = "lowfell_shelf";

    private const int ProbeSeconds = 10;
    private static readonly TimeSpan Retry = TimeSpan.FromSeconds(1);
    private readonly ConcurrentDictionary<Guid, long> newest = new();
    private readonly string connection = new NpgsqlConnectionStringBuilder(database) { Pooling = false, KeepAlive = ProbeSeconds, ApplicationName = "lowfell shelf news" }.ConnectionString;
    private int epoch;

    /// <summary>Rises whenever listening starts: what was read before then may be stale unheard.</summary>
    public int Epoch => Volatile.Read(ref epoch);

    /// <summary>Whether changes are heard at present.</summary>
    public bool Listening { get; private set; }

    /// <summary>The newest version heard of; 0 for none.</summary>
    public long Newest(Guid bench) => newest.GetValueOrDefault(bench);

    /// <summary>Notes a change: what the database says, and what this host has just saved, which must not wait for the echo.</summary>
    public void Note(Guid bench, long version) => newest.AddOrUpdate(bench, version, (_, known) => Math.Max(known, version));

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var ready = await readiness.WaitAsync(stoppingToken);
        while (ready && !stoppingToken.IsCancellationRequested)
        {
            try
            {
                await ListenAsync(stoppingToken);
            }
            catch (Exception away) when (away is NpgsqlException or IOException or TimeoutException or InvalidOperationException)
            {
                // The shelves are asked for one by one until the database is back.
            }
            finally
            {
                Listening = false;
            }

            await Task.Delay(Retry, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    private async Task ListenAsync(CancellationToken stop)
    {
        await using var ear = new NpgsqlConnection(connection);
        ear.Notification += (_, news) =>
        {
            if (news.Payload.Split(' ') is [var bench, var version])
            {
                Note(Guid.Parse(bench), long.Parse(version, CultureInfo.InvariantCulture));
            }
        };
        await ear.OpenAsync(stop);
        await using (var listen = ear.CreateCommand())
        {
            listen.CommandText = "LISTEN " + Channel;
            await listen.ExecuteNonQueryAsync(stop);
        }

        Interlocked.Increment(ref epoch);
        Listening = true;
        while (true)
        {
            await ear.WaitAsync(stop);
        }
    }
}
