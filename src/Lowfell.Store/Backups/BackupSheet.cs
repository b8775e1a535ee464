using Npgsql;

namespace Lowfell.Store.Backups;

/// <summary>What a backup says of itself, in a table that only the file has: when and by which version it was written, and what each table held.</summary>
/// <param name="Version">Version of Lowfell.</param>
/// <param name="At">When.</param>
/// <param name="Sums">The tables.</param>
internal sealed record BackupSheet(string Version, DateTimeOffset At, IReadOnlyList<TableSum> Sums)
{
    /// <summary>Its table.</summary>
    public const string Table = "lowfell_backup";

    /// <summary>Writes it into a database that is about to be written down.</summary>
    public async Task WriteAsync(NpgsqlConnection open, CancellationToken cancel)
    {
        await open.ExecuteAsync($"""CREATE TABLE {Table} (version text NOT NULL, at timestamptz NOT NULL, "table" text PRIMARY KEY, rows bigint NOT NULL, sum numeric NOT NULL)""", cancel);
        foreach (var sum in Sums)
        {
            await open.ExecuteAsync($"INSERT INTO {Table} VALUES (@0, @1, @2, @3, @4)", cancel, Version, At.ToUniversalTime(), sum.Table, sum.Rows, sum.Sum);
        }
    }

    /// <summary>Reads it from a restored database and takes it out; null where there is none, as in a dump before a migration.</summary>
    public static async Task<BackupSheet?> TakeAsync(NpgsqlConnection open, CancellationToken cancel)
    {
        if (!(await open.ListAsync("SELECT to_regclass(@0) IS NOT NULL", r => r.GetBoolean(0), cancel, Table))[0])
        {
            return null;
        }

        var lines = await open.ListAsync(
            $"""SELECT version, at, "table", rows, sum FROM {Table} ORDER BY "table" """,
            r => (Version: r.GetString(0), At: r.GetFieldValue<DateTimeOffset>(1), Sum: new TableSum(r.GetString(2), r.GetInt64(3), r.GetDecimal(4))),
            cancel);
        await open.ExecuteAsync($"DROP TABLE {Table}", cancel);
        return lines is [] ? null : new(lines[0].Version, lines[0].At, [.. lines.Select(l => l.Sum)]);
    }
}
