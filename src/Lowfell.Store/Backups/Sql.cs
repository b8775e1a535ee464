using System.Globalization;
using Npgsql;

namespace Lowfell.Store.Backups;

/// <summary>Short ways to run statements on a plain connection.</summary>
internal static class Sql
{
    /// <summary>Opens a connection of its own, outside the pool: databases are renamed and dropped around it.</summary>
    public static async Task<NpgsqlConnection> OpenAsync(string connection, string? database, CancellationToken cancel)
    {
        var to = new NpgsqlConnectionStringBuilder(connection) { Pooling = false, CommandTimeout = 0 };
        to.Database = database ?? to.Database;
        var open = new NpgsqlConnection(to.ConnectionString);
        await open.OpenAsync(cancel);
        return open;
    }

    /// <summary>The same connection to another database of the cluster.</summary>
    public static string To(string connection, string database) => new NpgsqlConnectionStringBuilder(connection) { Database = database, Pooling = false }.ConnectionString;

    /// <summary>Runs a statement; what is given stands for @0, @1 …</summary>
    public static async Task ExecuteAsync(this NpgsqlConnection open, string sql, CancellationToken cancel, params object[] given)
    {
        await using var command = Command(open, sql, given);
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>Reads all rows.</summary>
    public static async Task<List<T>> ListAsync<T>(this NpgsqlConnection open, string sql, Func<NpgsqlDataReader, T> read, CancellationToken cancel, params object[] given)
    {
        await using var command = Command(open, sql, given);
        await using var reader = await command.ExecuteReaderAsync(cancel);
        var all = new List<T>();
        while (await reader.ReadAsync(cancel))
        {
            all.Add(read(reader));
        }

        return all;
    }

    private static NpgsqlCommand Command(NpgsqlConnection open, string sql, object[] given)
    {
        var command = open.CreateCommand();
        command.CommandText = sql;
        for (var i = 0; i < given.Length; i++)
        {
            command.Parameters.AddWithValue(i.ToString(CultureInfo.InvariantCulture), given[i]);
        }

        return command;
    }
}
