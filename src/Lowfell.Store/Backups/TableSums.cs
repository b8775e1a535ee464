using Npgsql;

namespace Lowfell.Store.Backups;

/// <summary>How many rows a table has, and a sum over all that is in them, whatever their order.</summary>
/// <param name="Table">Schema and name, as SQL writes them.</param>
/// <param name="Rows">Number of rows.</param>
/// <param name="Sum">Sum of the rows' MD5, each as a whole number of 60 bits.</param>
internal sealed record TableSum(string Table, long Rows, decimal Sum)
{
    // Rows are summed as text, and so must be written alike whoever asks.
    private const string Alike = "SET TIME ZONE 'UTC'; SET DateStyle = 'ISO'; SET IntervalStyle = 'postgres'; SET extra_float_digits = 1; SET bytea_output = 'hex'";

    /// <summary>The sums of all tables but <paramref name="except"/>, by name.</summary>
    public static async Task<IReadOnlyList<TableSum>> ReadAsync(NpgsqlConnection open, string except, CancellationToken cancel)
    {
        await open.ExecuteAsync(Alike, cancel);
        var tables = await open.ListAsync(
            """
            SELECT format('%I.%I', n.nspname, c.relname) FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
            WHERE c.relkind = 'r' AND n.nspname NOT IN ('pg_catalog', 'information_schema') AND n.nspname NOT LIKE 'pg\_t%' AND c.relname <> @0 ORDER BY 1
            """,
            r => r.GetString(0),
            cancel,
            except);
        var sums = new List<TableSum>();
        foreach (var table in tables)
        {
            sums.AddRange(await open.ListAsync(
                $"SELECT count(*), coalesce(sum(('x' || substr(md5(t::text), 1, 15))::bit(60)::bigint::numeric), 0) FROM {table} t",
                r => new TableSum(table, r.GetInt64(0), r.GetDecimal(1)),
                cancel));
        }

        return sums;
    }

    /// <summary>Refuses where two readings differ, and names the first table that does.</summary>
    public static void Agree(IReadOnlyList<TableSum> expected, IReadOnlyList<TableSum> found)
    {
        var byName = found.ToDictionary(s => s.Table);
        foreach (var sum in expected)
        {
            var other = byName.GetValueOrDefault(sum.Table);
            if (other != sum)
            {
                throw new BackupException($"the file does not hold what was written: table {sum.Table} had {sum.Rows} rows of sum {sum.Sum}, and comes back with {other?.Rows ?? 0} of {other?.Sum ?? 0}.");
            }
        }
    }
}
