using Microsoft.EntityFrameworkCore;

namespace Lowfell.Store;

/// <summary>The last word of the log on each step of each copy.</summary>
public static class LogStanding
{
    /// <summary>What stands of zones: steps that are done or left out, and were not taken back since; in the order of their times.</summary>
    /// <param name="db">Database.</param>
    /// <param name="zones">The zones.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<List<LogRow>> StandingAsync(this LowfellDb db, IReadOnlyCollection<Guid> zones, CancellationToken cancel)
    {
        Guid[] of = [.. zones];
        var last = await db.Log.FromSql(
            $"""
            SELECT DISTINCT ON ("ZoneId", "CoatId", "Pass", "Copy") * FROM log
            WHERE "BenchId" = {db.BenchId} AND "ZoneId" = ANY({of}) AND "CoatId" IS NOT NULL AND "Kind" IN ('Done', 'TakenBack', 'Skipped')
            ORDER BY "ZoneId", "CoatId", "Pass", "Copy", "At" DESC, "Id" DESC
            """).AsNoTracking().ToListAsync(cancel);
        return [.. last.Where(l => l.Kind != Core.Evenings.Facts.LogKind.TakenBack).OrderBy(l => l.At).ThenBy(l => l.Id)];
    }

    /// <summary>Which of some coats are on at least one copy.</summary>
    /// <param name="db">Database.</param>
    /// <param name="zones">The zones.</param>
    /// <param name="coats">The coats.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<HashSet<(Guid Zone, Guid Coat)>> LaidAsync(this LowfellDb db, IReadOnlyCollection<Guid> zones, IReadOnlyCollection<Guid> coats, CancellationToken cancel)
    {
        Guid[] of = [.. zones], on = [.. coats];
        var last = await db.Log.FromSql(
            $"""
            SELECT DISTINCT ON ("ZoneId", "CoatId", "Pass", "Copy") * FROM log
            WHERE "BenchId" = {db.BenchId} AND "ZoneId" = ANY({of}) AND "CoatId" = ANY({on}) AND "Kind" IN ('Done', 'TakenBack', 'Skipped')
            ORDER BY "ZoneId", "CoatId", "Pass", "Copy", "At" DESC, "Id" DESC
            """).AsNoTracking().ToListAsync(cancel);
        return [.. last.Where(l => l.Kind == Core.Evenings.Facts.LogKind.Done && Core.Evenings.Steps.Step.Lays(l.Pass)).Select(l => (l.ZoneId, l.CoatId!.Value))];
    }
}
