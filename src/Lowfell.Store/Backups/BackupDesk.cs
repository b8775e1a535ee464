using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql;

namespace Lowfell.Store.Backups;

/// <summary>Where backups go, and with what they are made.</summary>
/// <param name="Connection">The database.</param>
/// <param name="Folder">Where the dumps go that Lowfell makes by itself, before a migration and before a restore.</param>
/// <param name="Version">Version of Lowfell.</param>
/// <param name="Tools">Folder of PostgreSQL's programs; found by itself where none is given.</param>
public sealed record BackupPlace(string Connection, string Folder, string Version, string? Tools = null);

/// <summary>What a backup holds.</summary>
/// <param name="Tables">Number of tables.</param>
/// <param name="Rows">Number of rows in all.</param>
/// <param name="Version">Version of Lowfell that wrote it; empty where it does not say.</param>
/// <param name="Migrated">Migrations that it lacked and got.</param>
public sealed record BackupContent(int Tables, long Rows, string Version, int Migrated = 0);

/// <summary>Writes the database into one file and brings it back, each time checked before it counts.</summary>
/// <param name="place">Where.</param>
/// <param name="clock">Now.</param>
public sealed class BackupDesk(BackupPlace place, TimeProvider clock)
{
    /// <summary>So many dumps of each kind that Lowfell makes by itself are kept.</summary>
    public const int KeptDumps = 5;

    /// <summary>The database.</summary>
    internal string Connection => place.Connection;

    private const string NeedsTable = "TABLE DATA public benches";

    /// <summary>
    /// Writes all that is there at this moment into a file, while the host may go on. The file is restored into a database beside it and
    /// compared, table by table, before it gets its name.
    /// </summary>
    /// <exception cref="BackupException">It could not be written, or does not hold what it should.</exception>
    public async Task<BackupContent> WriteAsync(string file, CancellationToken cancel)
    {
        // A name of its own: two backups may be written to one file at once, and the later one counts.
        var half = $"{file}.{Guid.NewGuid():n}.part";
        try
        {
            BackupSheet sheet;
            await using (var own = await Sql.OpenAsync(place.Connection, null, cancel))
            {
                // The sums and the dump see one and the same moment.
                await using var moment = await own.BeginTransactionAsync(System.Data.IsolationLevel.RepeatableRead, cancel);
                var snapshot = (await own.ListAsync("SELECT pg_export_snapshot()", r => r.GetString(0), cancel))[0];
                sheet = new(place.Version, clock.GetUtcNow(), await TableSum.ReadAsync(own, BackupSheet.Table, cancel));
                await Tools(place.Connection).DumpAsync(half, snapshot, cancel);
            }

            await using (var first = await ScratchDatabase.NewAsync(place.Connection, cancel))
            {
                await Tools(first.Connection).RestoreAsync(half, cancel);
                await using (var open = await first.OpenAsync(cancel))
                {
                    await sheet.WriteAsync(open, cancel);
                }

                await Tools(first.Connection).DumpAsync(half, null, cancel);
            }

            await using (var second = await ScratchDatabase.NewAsync(place.Connection, cancel))
            {
                await CheckedAsync(second, half, cancel);
            }

            File.Move(half, file, overwrite: true);
            return new(sheet.Sums.Count, sheet.Sums.Sum(s => s.Rows), sheet.Version);
        }
        finally
        {
            File.Delete(half);
        }
    }

    /// <summary>
    /// Puts what a file holds in the place of what is there. The file is restored beside it, checked and brought up to date first, and
    /// what is there is written into the folder of backups; then the two change places in one step.
    /// </summary>
    /// <exception cref="BackupException">The file is none of Lowfell's, is damaged or newer, or the database is in use; nothing has changed.</exception>
    public async Task<BackupContent> RestoreAsync(string file, CancellationToken cancel)
    {
        await RefuseStrangersAsync(file, cancel);
        await using var scratch = await ScratchDatabase.NewAsync(place.Connection, cancel);
        var sheet = await CheckedAsync(scratch, file, cancel);
        var (sums, migrated) = await UpToDateAsync(scratch, sheet, cancel);
        var database = new NpgsqlConnectionStringBuilder(place.Connection).Database!;
        if (await ExistsAsync(database, cancel))
        {
            await DumpAsync("before-restore", cancel);
        }

        await scratch.TakePlaceOfAsync(database, cancel);
        return new(sums.Count, sums.Sum(s => s.Rows), sheet?.Version ?? "", migrated);
    }

    /// <summary>Writes a dump of Lowfell's own into the folder of backups, and lets only the newest stay.</summary>
    /// <param name="kind">What it is for: the beginning of its name.</param>
    /// <param name="cancel">Cancels.</param>
    /// <returns>The file.</returns>
    public async Task<string> DumpAsync(string kind, CancellationToken cancel)
    {
        Directory.CreateDirectory(place.Folder);
        var file = Path.Combine(place.Folder, $"{kind}-{clock.GetUtcNow():yyyyMMdd-HHmmss-fff}.dump");
        try
        {
            await Tools(place.Connection).DumpAsync(file + ".part", null, cancel);
            File.Move(file + ".part", file);
        }
        finally
        {
            File.Delete(file + ".part");
        }

        foreach (var old in Directory.GetFiles(place.Folder, kind + "-*.dump").OrderDescending(StringComparer.Ordinal).Skip(KeptDumps))
        {
            File.Delete(old);
        }

        return file;
    }

    private PostgresTools Tools(string connection) => new(connection, place.Tools);

    private async Task RefuseStrangersAsync(string file, CancellationToken cancel)
    {
        if (!File.Exists(file))
        {
            throw new BackupException($"there is no file {file}.");
        }

        string list;
        try
        {
            list = await Tools(place.Connection).ListAsync(file, cancel);
        }
        catch (BackupException unread) when (unread.InnerException is null)
        {
            throw new BackupException($"{file} is not a backup of Lowfell, or is damaged ({unread.Message})", unread);
        }

        if (!list.Contains(NeedsTable, StringComparison.Ordinal))
        {
            throw new BackupException($"{file} is a database, but not one of Lowfell.");
        }
    }

    // Restores into the scratch database; what the file says of itself must agree with what came out.
    private async Task<BackupSheet?> CheckedAsync(ScratchDatabase scratch, string file, CancellationToken cancel)
    {
        try
        {
            await Tools(scratch.Connection).RestoreAsync(file, cancel);
        }
        catch (BackupException damaged) when (damaged.InnerException is null)
        {
            throw new BackupException($"{file} is damaged ({damaged.Message})", damaged);
        }

        await using var open = await scratch.OpenAsync(cancel);
        var sheet = await BackupSheet.TakeAsync(open, cancel);
        if (sheet is not null)
        {
            TableSum.Agree(sheet.Sums, await TableSum.ReadAsync(open, BackupSheet.Table, cancel));
        }

        return sheet;
    }

    private async Task<(IReadOnlyList<TableSum> Sums, int Migrated)> UpToDateAsync(ScratchDatabase scratch, BackupSheet? sheet, CancellationToken cancel)
    {
        var options = new DbContextOptionsBuilder<LowfellDb>().UseNpgsql(scratch.Connection).Options;
        await using var db = new LowfellDb(options, new StoreSetup.FixedBench(StoreSetup.FirstBenchId));
        var known = db.GetService<IMigrationsAssembly>().Migrations.Keys.ToHashSet();
        if ((await db.Database.GetAppliedMigrationsAsync(cancel)).Any(m => !known.Contains(m)))
        {
            var by = sheet is null ? "a newer Lowfell" : $"Lowfell {sheet.Version}";
            throw new BackupException($"the file was written by {by}; this one is {place.Version}. Restore it there, or install that version.");
        }

        var missing = (await db.Database.GetPendingMigrationsAsync(cancel)).Count();
        await db.Database.MigrateAsync(cancel);
        await using var open = await scratch.OpenAsync(cancel);
        return (await TableSum.ReadAsync(open, BackupSheet.Table, cancel), missing);
    }

    private async Task<bool> ExistsAsync(string database, CancellationToken cancel)
    {
        await using var admin = await Sql.OpenAsync(place.Connection, "postgres", cancel);
        return (await admin.ListAsync("SELECT 1 FROM pg_database WHERE datname = @0", r => r.GetInt32(0), cancel, database)).Count > 0;
    }
}
