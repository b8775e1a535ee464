using System.Globalization;
using Lowfell.Store.Backups;
using Lowfell.Web.Api;
using Npgsql;

namespace Lowfell.Web.Host;

/// <summary>"backup FILE" and "restore FILE", for the command line; each says in a line what it did.</summary>
public static class BackupCommands
{
    /// <summary>Whether the first word is one of these commands.</summary>
    public static bool Known(string[] args) => args is ["backup" or "restore", ..];

    /// <summary>Runs one.</summary>
    /// <returns>Exit code: 0 where it is done, 1 where it could not be, 2 where it was asked for wrongly.</returns>
    public static async Task<int> RunAsync(string[] args)
    {
        if (args is not [var command, var name] || name.StartsWith('-'))
        {
            await Console.Error.WriteLineAsync($"lowfell: {args[0]} wants the name of one file");
            return 2;
        }

        var settings = new ConfigurationBuilder().AddEnvironmentVariables().Build();
        var desk = new BackupDesk(Place(settings, AppContext.BaseDirectory), TimeProvider.System);
        try
        {
            var file = Path.GetFullPath(name);
            if (command == "backup")
            {
                var held = await desk.WriteAsync(file, CancellationToken.None);
                Console.WriteLine($"Wrote {file}: {held.Rows.ToString("#,0", CultureInfo.InvariantCulture)} rows of {held.Tables} tables by Lowfell {held.Version}; restored beside it, they are the same.");
            }
            else
            {
                var held = await desk.RestoreAsync(file, CancellationToken.None);
                var by = held.Version.Length > 0 ? $"written by Lowfell {held.Version}" : "with no sums of its own to compare";
                var migrated = held.Migrated > 0 ? $", {held.Migrated} migrations newer now" : "";
                Console.WriteLine($"Restored {file}: {held.Rows.ToString("#,0", CultureInfo.InvariantCulture)} rows of {held.Tables} tables, {by}{migrated}. What was there before is in {Place(settings, AppContext.BaseDirectory).Folder}.");
            }

            return 0;
        }
        catch (Exception fault) when (fault is BackupException or NpgsqlException or IOException or UnauthorizedAccessException)
        {
            await Console.Error.WriteLineAsync($"lowfell: {command} failed, nothing has changed: {fault.Message}");
            return 1;
        }
    }

    /// <summary>Connection to the database, from the configuration.</summary>
    internal static string Connection(IConfiguration settings) => settings.GetConnectionString("Lowfell") ?? "Host=127.0.0.1;Database=lowfell";

    /// <summary>The same as its owner, who alone makes and changes tables; the same where one role does both.</summary>
    internal static string OwnerConnection(IConfiguration settings) => settings.GetConnectionString("Owner") ?? Connection(settings);

    /// <summary>Where backups go, from the configuration: Backups:Folder, Backups:Tools.</summary>
    internal static BackupPlace Place(IConfiguration settings, string home) =>
        new(OwnerConnection(settings), settings["Backups:Folder"] ?? Path.Combine(home, "backups"), AppVersion.Now, settings["Backups:Tools"]);
}
