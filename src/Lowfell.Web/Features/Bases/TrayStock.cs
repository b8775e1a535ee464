using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Making;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Bases;

/// <summary>Elements that came out of a box for a copy.</summary>
/// <param name="BoxId">The box.</param>
/// <param name="Count">How many.</param>
/// <param name="Tufts">They are tufts.</param>
internal sealed record BoxTaken(Guid BoxId, int Count, bool Tufts);

/// <summary>Elements that leave their boxes when the log says that they are on a base, and come back when that is taken back.</summary>
internal static class TrayStock
{
    /// <summary>Takes what a step lays on a copy; nothing where its piece has no tray, or another step lays it. Saved with what it was taken for.</summary>
    public static async Task<List<BoxTaken>> OutAsync(Guid zoneId, Step step, StackDraft stack, int copy, LowfellDb db, CancellationToken cancel)
    {
        if (step.Pass != 1 || TextureSteps.PlantsOrSets(step.Coat, stack) is not { } tufts || await OfZoneAsync(zoneId, db, cancel) is not { } tray || TrayDesk.Copies(tray).ElementAtOrDefault(copy - 1) is not { } draft)
        {
            return [];
        }

        var stones = !tufts;
        var laid = stones ? tray.StonesLaid : tray.TuftsLaid;
        if (laid.Contains(copy))
        {
            return [];
        }

        var wanted = draft.Elements.Where(e => e.Kind.IsRigid() == stones).GroupBy(e => e.BoxId).ToDictionary(g => g.Key, g => g.Count());
        var boxes = await db.ElementBoxes.Where(b => wanted.Keys.Contains(b.Id)).ToListAsync(cancel);
        var taken = new List<BoxTaken>();
        foreach (var (id, count) in wanted)
        {
            // No box holds less than nothing: what it lacked was found elsewhere, as was what comes from a box that is gone.
            var box = boxes.Find(b => b.Id == id);
            var fromBox = box is null ? 0 : Math.Min(box.Count, count);
            if (box is not null)
            {
                box.Count -= fromBox;
            }

            taken.Add(new(id, fromBox, tufts));
        }

        // A base on which nothing stands has nothing glued down.
        if (taken.Count > 0)
        {
            await LaidAsync(tray.Id, stones, [.. laid, copy], db, cancel);
        }

        return taken;
    }

    /// <summary>Puts it back.</summary>
    public static async Task BackAsync(Guid zoneId, int copy, IReadOnlyList<BoxTaken> taken, LowfellDb db, CancellationToken cancel)
    {
        if (taken.Count == 0)
        {
            return;
        }

        var ids = taken.Select(t => t.BoxId).ToList();
        var boxes = await db.ElementBoxes.IgnoreQueryFilters([LowfellDb.NotDeleted]).Where(b => ids.Contains(b.Id)).ToDictionaryAsync(b => b.Id, cancel);
        foreach (var some in taken)
        {
            if (boxes.TryGetValue(some.BoxId, out var box))
            {
                box.Count += some.Count;
            }
        }

        if (await OfZoneAsync(zoneId, db, cancel) is { } tray)
        {
            var stones = !taken[0].Tufts;
            await LaidAsync(tray.Id, stones, [.. (stones ? tray.StonesLaid : tray.TuftsLaid).Where(c => c != copy)], db, cancel);
        }
    }

    private static Task<TrayRow?> OfZoneAsync(Guid zoneId, LowfellDb db, CancellationToken cancel) =>
        db.Trays.AsNoTracking().SingleOrDefaultAsync(t => t.Piece!.Zones.Any(z => z.Id == zoneId), cancel);

    // Without a new version of the tray: what a window shows of it is still what it was.
    private static Task<int> LaidAsync(Guid tray, bool stones, List<int> copies, LowfellDb db, CancellationToken cancel) => stones
        ? db.Trays.Where(t => t.Id == tray).ExecuteUpdateAsync(t => t.SetProperty(x => x.StonesLaid, copies), cancel)
        : db.Trays.Where(t => t.Id == tray).ExecuteUpdateAsync(t => t.SetProperty(x => x.TuftsLaid, copies), cancel);
}
