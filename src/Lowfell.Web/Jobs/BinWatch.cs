using System.Data.Common;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Jobs;

/// <summary>
/// Empties the bins of every bench of what has waited its time. What something that stays still points to stays hidden: a paint of a kept
/// stack, a part that the log says was fitted. Two hosts may do the same at once.
/// </summary>
/// <param name="services">Services of the host.</param>
/// <param name="readiness">How far the database is.</param>
/// <param name="clock">Time.</param>
/// <param name="log">Log.</param>
internal sealed class BinWatch(IServiceProvider services, Readiness readiness, TimeProvider clock, ILogger<BinWatch> log) : BackgroundService
{
    /// <summary>How long what was deleted waits.</summary>
    public static readonly TimeSpan Stay = TimeSpan.FromDays(30);

    private static readonly TimeSpan Every = TimeSpan.FromHours(6);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (!await readiness.WaitAsync(stoppingToken))
        {
            return;
        }

        using var timer = new PeriodicTimer(Every, clock);
        do
        {
            try
            {
                await using var scope = services.CreateAsyncScope();
                await EmptyAsync(scope.ServiceProvider.GetRequiredService<LowfellDb>(), clock.GetUtcNow() - Stay, stoppingToken);
            }
            catch (Exception away) when (ProblemHandler.IsDatabaseAway(away))
            {
                log.LogWarning("The bin was not emptied: the database is away");
            }
            catch (DbException refused)
            {
                // Something has just begun to point to what was to go: it stays until the next time, and the host does.
                log.LogWarning(refused, "The bin was not emptied");
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    /// <summary>Takes away what was deleted before a moment, on every bench, and what is known of actions that nobody sends again.</summary>
    internal static async Task EmptyAsync(LowfellDb db, DateTimeOffset before, CancellationToken cancel)
    {
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        await db.Database.ExecuteSqlAsync(
            $"""
            DELETE FROM zones WHERE "DeletedAt" < {before};
            DELETE FROM pieces p WHERE p."DeletedAt" < {before}
              AND NOT EXISTS (SELECT 1 FROM log l WHERE l."BenchId" = p."BenchId" AND l."PartId" = p."Id");
            DELETE FROM sets s WHERE s."DeletedAt" < {before}
              AND NOT EXISTS (SELECT 1 FROM pieces p JOIN log l ON l."BenchId" = p."BenchId" AND l."PartId" = p."Id" WHERE p."BenchId" = s."BenchId" AND p."SetId" = s."Id");
            DELETE FROM mixes m WHERE m."DeletedAt" < {before}
              AND NOT EXISTS (SELECT 1 FROM coats c WHERE c."BenchId" = m."BenchId" AND c."MixId" = m."Id")
              AND NOT EXISTS (SELECT 1 FROM mix_components c WHERE c."BenchId" = m."BenchId" AND c."InnerMixId" = m."Id");
            DELETE FROM materials m WHERE m."DeletedAt" < {before}
              AND NOT EXISTS (SELECT 1 FROM coats c WHERE c."BenchId" = m."BenchId" AND c."MaterialId" = m."Id")
              AND NOT EXISTS (SELECT 1 FROM mix_components c WHERE c."BenchId" = m."BenchId" AND c."MaterialId" = m."Id");
            DELETE FROM element_boxes WHERE "DeletedAt" < {before};
            DELETE FROM base_families f WHERE f."DeletedAt" < {before}
              AND NOT EXISTS (SELECT 1 FROM trays t WHERE t."BenchId" = f."BenchId" AND t."FamilyId" = f."Id");
            DELETE FROM meshes WHERE "UsedAt" < {before};
            DELETE FROM look_pictures WHERE "UsedAt" < {before};
            DELETE FROM tiles WHERE "DeletedAt" < {before};
            DELETE FROM painted WHERE "DeletedAt" < {before};
            DELETE FROM reference_pictures WHERE "DeletedAt" < {before};
            DELETE FROM stamps s WHERE NOT EXISTS (SELECT 1 FROM zones z WHERE z."BenchId" = s."BenchId" AND z."Id" = s."OfId")
              AND NOT EXISTS (SELECT 1 FROM pieces p WHERE p."BenchId" = s."BenchId" AND p."Id" = s."OfId")
              AND NOT EXISTS (SELECT 1 FROM sets t WHERE t."BenchId" = s."BenchId" AND t."Id" = s."OfId");
            """,
            cancel);
        var known = before + Stay - SentActions.Stay;
        await db.Database.ExecuteSqlAsync($"""DELETE FROM sent_actions WHERE "At" < {known}""", cancel);
        await all.CommitAsync(cancel);
    }
}
