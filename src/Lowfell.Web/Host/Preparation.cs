using System.Reflection;
using Lowfell.Store;
using Lowfell.Store.Backups;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Jobs;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Host;

/// <summary>
/// Brings the database up to date while the host already answers, so that whoever waits for it can be told. Unless told otherwise it
/// loads the demo into an empty bench. Tables are made and changed by the owner of the database; all else is done by the host's own role. What needs the database waits for <see cref="Readiness"/>; where it fails, the host ends.
/// </summary>
/// <param name="services">Services of the host.</param>
/// <param name="readiness">Told when it is done.</param>
/// <param name="settings">Configuration of the host.</param>
/// <param name="lifetime">Ends the host.</param>
/// <param name="log">Where it says what went wrong.</param>
public sealed class Preparation(IServiceProvider services, Readiness readiness, IConfiguration settings, IHostApplicationLifetime lifetime, ILogger<Preparation> log) : BackgroundService
{
    private static readonly TimeSpan Retry = TimeSpan.FromSeconds(1);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // The document generator runs this program without a database.
        if (Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider")
        {
            return;
        }

        try
        {
            await WaitForDatabaseAsync(stoppingToken);
            readiness.Ready();
            log.LogInformation("Lowfell {Version} serves", AppVersion.Now);
        }
        catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
        {
            readiness.End(failed: false);
        }
        catch (Exception fault)
        {
            if (fault is BackupException)
            {
                log.LogCritical("The database was not brought up to date, as it could not be kept first: {Reason}", fault.Message);
            }
            else
            {
                log.LogCritical(fault, "The database could not be brought up to date");
            }

            readiness.End(failed: true);
            lifetime.StopApplication();
        }
    }

    // A database that is away is waited for: it may be starting, as this host is.
    private async Task WaitForDatabaseAsync(CancellationToken cancel)
    {
        for (var told = false; ; told = true)
        {
            try
            {
                await PrepareAsync(cancel);
                return;
            }
            catch (Exception away) when (ProblemHandler.IsDatabaseAway(away))
            {
                readiness.DatabaseAway = true;
                if (!told)
                {
                    log.LogWarning("The database is away; waiting for it");
                }

                await Task.Delay(Retry, cancel);
            }
        }
    }

    private async Task PrepareAsync(CancellationToken cancel)
    {
        var (owner, app) = (BackupCommands.OwnerConnection(settings), BackupCommands.Connection(settings));
        await using var db = new LowfellDb(new DbContextOptionsBuilder<LowfellDb>().UseNpgsql(owner).Options, new StoreSetup.FixedBench(OpenBench.Home));
        readiness.DatabaseAway = readiness.DatabaseAway && !await db.Database.CanConnectAsync(cancel);
        await StoreSetup.MigrateAsync(db, services.GetRequiredService<BackupDesk>(), FillAsync, cancel);

        async Task FillAsync()
        {
            JobSetup.MakeTables(owner);
            await AppRole.GrantAsync(owner, app, ["public", JobSetup.Schema], cancel);
            if (settings.GetValue("Demo", true))
            {
                await services.GetRequiredService<IDemoFiller>().FillAsync(OpenBench.Home, cancel);
            }
        }
    }
}
