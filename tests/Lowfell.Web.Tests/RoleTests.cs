using Npgsql;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>The role that a host serves with: rows, and nothing else. That rows are enough every other test shows.</summary>
public sealed class RoleTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<string?> StateAsync(string sql)
    {
        var name = await host.ScalarAsync<string>("SELECT current_database()::text");
        await using var source = NpgsqlDataSource.Create(ServingRole.In(new NpgsqlConnectionStringBuilder(TestHost.Cluster) { Database = name, Pooling = false }.ConnectionString));
        await using var command = source.CreateCommand(sql);
        try
        {
            await command.ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
            return null;
        }
        catch (PostgresException refused)
        {
            return refused.SqlState;
        }
    }

    [Theory]
    [InlineData("CREATE TABLE spare (id int)")]
    [InlineData("CREATE TEMPORARY TABLE spare (id int)")]
    [InlineData("DROP TABLE zones")]
    [InlineData("ALTER TABLE zones ADD COLUMN spare int")]
    [InlineData("TRUNCATE log")]
    [InlineData("CREATE FUNCTION spare() RETURNS int LANGUAGE sql AS 'SELECT 1'")]
    [InlineData("CREATE EXTENSION file_fdw")]
    [InlineData("CREATE SCHEMA spare")]
    [InlineData("DROP SCHEMA jobs CASCADE")]
    [InlineData("ALTER TABLE log DISABLE TRIGGER ALL")]
    [InlineData("INSERT INTO \"__EFMigrationsHistory\" VALUES ('x', 'y')")]
    [InlineData("DELETE FROM \"__EFMigrationsHistory\"")]
    [InlineData("CREATE ROLE spare SUPERUSER")]
    [InlineData("COPY log TO PROGRAM 'cat'")]
    [InlineData("SELECT pg_read_file('/etc/passwd')")]
    public async Task What_is_not_of_rows_is_refused(string sql) => Assert.Equal(PostgresErrorCodes.InsufficientPrivilege, await StateAsync(sql));

    [Theory]
    [InlineData("SELECT * FROM \"__EFMigrationsHistory\"")]
    [InlineData("UPDATE benches SET \"Name\" = \"Name\"")]
    [InlineData("SELECT * FROM jobs.job")]
    public async Task Rows_are_read_and_written(string sql) => Assert.Null(await StateAsync(sql));

    [Fact]
    public async Task It_owns_nothing() => Assert.Equal(0, await host.ScalarAsync<long>($"SELECT count(*) FROM pg_class c JOIN pg_roles r ON r.oid = c.relowner WHERE r.rolname = '{ServingRole.Name}'"));
}
