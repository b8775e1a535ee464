using Npgsql;

namespace Lowfell.Store.Backups;

/// <summary>Held by the one host that dumps and migrates; it ends with its connection, so that a host that dies leaves nothing behind.</summary>
internal sealed class MigrationLock : IAsyncDisposable
{
    // Any number that nobody else locks; EF Core's own lock is on a table.
    private const long Key = 0x4c4f_5746_454c_4c01;
    private readonly NpgsqlConnection held;

    private MigrationLock(NpgsqlConnection held) => this.held = held;

    /// <summary>Waits until it is free.</summary>
    public static async Task<MigrationLock> TakeAsync(string connection, string? database, CancellationToken cancel)
    {
        var open = await Sql.OpenAsync(connection, database, cancel);
        await open.ExecuteAsync("SELECT pg_advisory_lock(@0)", cancel, Key);
        return new(open);
    }

    /// <inheritdoc/>
    public ValueTask DisposeAsync() => held.DisposeAsync();
}
