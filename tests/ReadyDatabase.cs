using Npgsql;

namespace Lowfell.Tests;

/// <summary>
/// Databases that hosts of the tests begin with: one is filled by a host of its own, the others are copies of it, which takes a tenth of a
/// second instead of some.
/// </summary>
internal static class ReadyDatabase
{
    private static readonly Lock One = new();
    private static readonly Dictionary<bool, string> Made = [];

    static ReadyDatabase() => AppDomain.CurrentDomain.ProcessExit += (_, _) => Leave();

    private static string cluster = "";

    /// <summary>Makes a database.</summary>
    /// <param name="connection">Connection to the cluster.</param>
    /// <param name="name">Its name.</param>
    /// <param name="demo">Whether the demo is in it.</param>
    /// <param name="fill">Starts a host on a database of this name, and ends it.</param>
    public static void Make(string connection, string name, bool demo, Action<string> fill)
    {
        lock (One)
        {
            cluster = connection;
            if (!Made.TryGetValue(demo, out var first))
            {
                first = $"lowfell_first_{Guid.NewGuid().ToString("n")[..12]}";
                fill(first);
                NpgsqlConnection.ClearAllPools();
                Made[demo] = first;
            }

            // What a host has left open would be in the way of the copy.
            Run($"SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '{first}'", $"CREATE DATABASE {name} TEMPLATE {first}");
        }
    }

    private static void Leave()
    {
        foreach (var first in Made.Values)
        {
            Run($"DROP DATABASE IF EXISTS {first} WITH (FORCE)");
        }
    }

    private static void Run(params ReadOnlySpan<string> statements)
    {
        using var source = NpgsqlDataSource.Create(cluster);
        foreach (var statement in statements)
        {
            using var command = source.CreateCommand(statement);
            command.ExecuteNonQuery();
        }
    }
}
