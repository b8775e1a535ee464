using Npgsql;

namespace Lowfell.Store.Backups;

/// <summary>A database for a moment, beside the one that is in use.</summary>
internal sealed class ScratchDatabase : IAsyncDisposable
{
    private const string Prefix = "lowfell_scratch_";
    private readonly string cluster;
    private bool kept;

    private ScratchDatabase(string cluster, string name) => (this.cluster, Name) = (cluster, name);

    /// <summary>Its name.</summary>
    public string Name { get; }

    /// <summary>Connection to it.</summary>
    public string Connection => Sql.To(cluster, Name);

    /// <summary>Makes an empty one, and sweeps away what earlier ones that were cut off have left.</summary>
    public static async Task<ScratchDatabase> NewAsync(string cluster, CancellationToken cancel)
    {
        await using var admin = await Sql.OpenAsync(cluster, "postgres", cancel);
        var left = await admin.ListAsync(
            @"SELECT datname FROM pg_database d WHERE datname LIKE 'lowfell\_scratch\_%' AND NOT EXISTS (SELECT 1 FROM pg_stat_activity a WHERE a.datname = d.datname)
              AND to_timestamp(split_part(datname, '_', 3)::bigint) < now() - interval '1 day'",
            r => r.GetString(0),
            cancel);
        foreach (var old in left)
        {
            await admin.ExecuteAsync($"DROP DATABASE IF EXISTS {old}", cancel);
        }

        var name = $"{Prefix}{DateTimeOffset.UtcNow.ToUnixTimeSeconds()}_{Guid.NewGuid().ToString("n")[..8]}";
        await admin.ExecuteAsync($"CREATE DATABASE {name} TEMPLATE template0 ENCODING 'UTF8'", cancel);
        return new(cluster, name);
    }

    /// <summary>Opens it.</summary>
    public Task<NpgsqlConnection> OpenAsync(CancellationToken cancel) => Sql.OpenAsync(Connection, null, cancel);

    /// <summary>
    /// Puts it in the place of a database, in one step: whoever looks sees the old one or the new one. The old one is dropped.
    /// </summary>
    /// <exception cref="BackupException">Somebody still uses the old one.</exception>
    public async Task TakePlaceOfAsync(string database, CancellationToken cancel)
    {
        await using var admin = await Sql.OpenAsync(cluster, "postgres", cancel);
        var old = Prefix + DateTimeOffset.UtcNow.ToUnixTimeSeconds() + "_old";
        var there = (await admin.ListAsync("SELECT 1 FROM pg_database WHERE datname = @0", r => r.GetInt32(0), cancel, database)).Count > 0;
        try
        {
            await using var swap = await admin.BeginTransactionAsync(cancel);
            if (there)
            {
                await admin.ExecuteAsync($"ALTER DATABASE {Quoted(database)} RENAME TO {old}", cancel);
            }

            await admin.ExecuteAsync($"ALTER DATABASE {Name} RENAME TO {Quoted(database)}", cancel);
            await swap.CommitAsync(cancel);
        }
        catch (PostgresException busy) when (busy.SqlState == PostgresErrorCodes.ObjectInUse)
        {
            throw new BackupException("the database is in use: stop Lowfell, then restore again.", busy);
        }

        kept = true;
        if (there)
        {
            await admin.ExecuteAsync($"DROP DATABASE {old}", cancel);
        }
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        if (!kept)
        {
            await using var admin = await Sql.OpenAsync(cluster, "postgres", CancellationToken.None);
            await admin.ExecuteAsync($"DROP DATABASE IF EXISTS {Name} WITH (FORCE)", CancellationToken.None);
        }
    }

    private static string Quoted(string name) => new NpgsqlCommandBuilder().QuoteIdentifier(name);
}
