using System.ComponentModel;
using System.Diagnostics;
using Npgsql;

namespace Lowfell.Store.Backups;

/// <summary>The programs that come with PostgreSQL: they know best how its databases are written down.</summary>
/// <param name="connection">Connection to the database or its cluster.</param>
/// <param name="folder">Where the programs are; where none is given, the newest of Debian's, else the search path's.</param>
internal sealed class PostgresTools(string connection, string? folder = null)
{
    private const string Debian = "/usr/lib/postgresql";

    /// <summary>Writes a database down in pg_dump's custom format.</summary>
    /// <param name="file">Where to.</param>
    /// <param name="snapshot">The exported snapshot that is written; what is there now where none is given.</param>
    /// <param name="cancel">Cancels.</param>
    public Task DumpAsync(string file, string? snapshot, CancellationToken cancel) =>
        RunAsync("pg_dump", ["--format=custom", "--no-owner", "--no-privileges", "--file=" + file, .. snapshot is null ? [] : new[] { "--snapshot=" + snapshot }], cancel);

    /// <summary>Restores a file into an empty database; ends at the first fault.</summary>
    public Task RestoreAsync(string file, CancellationToken cancel) =>
        RunAsync("pg_restore", ["--exit-on-error", "--single-transaction", "--no-owner", "--no-privileges", "--dbname=" + Settings.Database, file], cancel);

    /// <summary>What a file holds, one line a thing.</summary>
    public Task<string> ListAsync(string file, CancellationToken cancel) => RunAsync("pg_restore", ["--list", file], cancel);

    private NpgsqlConnectionStringBuilder Settings => new(connection);

    private async Task<string> RunAsync(string tool, IEnumerable<string> arguments, CancellationToken cancel)
    {
        var start = new ProcessStartInfo(Path.Combine(Folder(), tool)) { RedirectStandardError = true, RedirectStandardOutput = true, UseShellExecute = false };
        foreach (var argument in arguments)
        {
            start.ArgumentList.Add(argument);
        }

        var to = Settings;
        (start.Environment["PGHOST"], start.Environment["PGPORT"]) = (to.Host, to.Port.ToString(System.Globalization.CultureInfo.InvariantCulture));
        (start.Environment["PGUSER"], start.Environment["PGDATABASE"]) = (to.Username, to.Database);

        // A file tells nobody who looks at processes; a password of its own is for who has no such file.
        start.Environment["PGPASSFILE"] = to.Passfile;
        start.Environment["PGPASSWORD"] = to.Passfile is { Length: > 0 } ? null : to.Password;
        using var process = Start(start, tool);
        try
        {
            var (said, wrong) = (process.StandardOutput.ReadToEndAsync(cancel), process.StandardError.ReadToEndAsync(cancel));
            await process.WaitForExitAsync(cancel);
            return process.ExitCode == 0 ? await said : throw new BackupException($"{tool} failed: {FirstLine(await wrong)}");
        }
        catch (OperationCanceledException)
        {
            process.Kill(entireProcessTree: true);
            throw;
        }
    }

    private static Process Start(ProcessStartInfo start, string tool)
    {
        try
        {
            return Process.Start(start)!;
        }
        catch (Win32Exception missing)
        {
            throw new BackupException($"{tool} is missing: install PostgreSQL's client programs (Debian: postgresql-client), or name their folder in Backups__Tools.", missing);
        }
    }

    private string Folder() =>
        folder
        ?? (Directory.Exists(Debian) ? Directory.GetDirectories(Debian) : [])
            .Select(d => Path.Combine(d, "bin")).Where(d => File.Exists(Path.Combine(d, "pg_dump")))
            .OrderByDescending(d => int.TryParse(Path.GetFileName(Path.GetDirectoryName(d)), out var version) ? version : 0)
            .FirstOrDefault()
        ?? "";

    private static string FirstLine(string text) => text.Split('\n').Select(l => l.Trim()).FirstOrDefault(l => l.Length > 0) ?? "it did not say why";
}
