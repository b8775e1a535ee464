using Npgsql;

namespace Lowfell.Store.Backups;

/// <summary>
/// The role that a host serves with, beside the one that owns the database: it reads and writes rows, and can neither make, change nor
/// drop what holds them. Where one role does both nothing is given.
/// </summary>
public static class AppRole
{
    /// <summary>Where EF Core notes what has been migrated: read by the host, written by the owner alone.</summary>
    private const string History = "__EFMigrationsHistory";

    /// <summary>Gives the role its rights on all that is there by now and comes later.</summary>
    /// <param name="owner">Connection of the owner.</param>
    /// <param name="app">Connection of the host.</param>
    /// <param name="schemas">Schemas that hold what the host works with.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task GrantAsync(string owner, string app, IReadOnlyList<string> schemas, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(schemas);
        var (by, to) = (new NpgsqlConnectionStringBuilder(owner), new NpgsqlConnectionStringBuilder(app));
        if (to.Username is not { Length: > 0 } role || role == by.Username)
        {
            return;
        }

        await using var open = await Sql.OpenAsync(owner, null, cancel);
        var name = new NpgsqlCommandBuilder().QuoteIdentifier(role);
        foreach (var schema in schemas)
        {
            await open.ExecuteAsync(
                $"""
                GRANT USAGE ON SCHEMA {schema} TO {name};
                GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA {schema} TO {name};
                GRANT USAGE, SELECT ON ALL SEQUENCES IN SCHEMA {schema} TO {name};
                ALTER DEFAULT PRIVILEGES IN SCHEMA {schema} GRANT SELECT, INSERT, UPDATE, DELETE ON TABLES TO {name};
                ALTER DEFAULT PRIVILEGES IN SCHEMA {schema} GRANT USAGE, SELECT ON SEQUENCES TO {name};
                """,
                cancel);
        }

        await open.ExecuteAsync(
            $"""
            REVOKE INSERT, UPDATE, DELETE ON "{History}" FROM {name};
            REVOKE TEMPORARY ON DATABASE {new NpgsqlCommandBuilder().QuoteIdentifier(by.Database!)} FROM PUBLIC;
            REVOKE CREATE ON SCHEMA public FROM PUBLIC;
            """,
            cancel);
    }
}
