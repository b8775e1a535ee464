using Npgsql;

namespace Lowfell.Web.Tests;

/// <summary>The role that hosts of the tests serve with: it owns nothing, as that of a painter's host.</summary>
internal static class ServingRole
{
    /// <summary>Its name.</summary>
    public const string Name = "lowfell_tests_app";

    // On the loopback of a cluster that lives as long as the tests.
    private static readonly string Password = "of-the-tests";
    private static readonly Lock One = new();
    private static bool made;

    /// <summary>Makes it in the cluster of the tests, once.</summary>
    public static void Make(string cluster)
    {
        lock (One)
        {
            if (made)
            {
                return;
            }

            using var source = NpgsqlDataSource.Create(cluster);
            using var command = source.CreateCommand(
                $"""
                DO $$ BEGIN
                  CREATE ROLE {Name} LOGIN PASSWORD '{Password}';
                EXCEPTION WHEN duplicate_object OR unique_violation THEN NULL;
                END $$
                """);
            command.ExecuteNonQuery();
            made = true;
        }
    }

    /// <summary>A connection of this role.</summary>
    public static string In(string connection) => new NpgsqlConnectionStringBuilder(connection) { Username = Name, Password = Password }.ConnectionString;
}
