using Lowfell.Core.Amounts;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Bases;
using Lowfell.Web.Features.Shelf;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Log;

/// <summary>Writes actions down: what the step was then, what air it was in, what is noticed of its time, what it took from the shelf.</summary>
/// <param name="db">Database.</param>
/// <param name="open">The bench.</param>
/// <param name="known">Actions that were sent before.</param>
/// <param name="clock">Time.</param>
public sealed class LogDesk(LowfellDb db, OpenBench open, SentActions known, TimeProvider clock)
{
    private const int MostAirs = 200;
    private const int MostTries = 5;
    private static readonly TimeSpan Around = TimeSpan.FromMinutes(30);

    /// <summary>Writes an action of the painter's down. Sent again, it is answered as it was written; another one under its id is refused (409).</summary>
    internal Task<List<LogRow>> SentAsync(LogAction action, CancellationToken cancel) => AddAsync(action, SentActions.HashOf(action), cancel);

    /// <summary>Writes an action down, an entry for each copy; one that is known already is not written again.</summary>
    internal Task<List<LogRow>> AddAsync(LogAction action, CancellationToken cancel) => AddAsync(action, null, cancel);

    private async Task<List<LogRow>> AddAsync(LogAction action, string? sent, CancellationToken cancel)
    {
        for (var tries = 1; ; tries++)
        {
            try
            {
                return await WriteAsync(action, sent, cancel);
            }
            catch (DbUpdateConcurrencyException) when (tries < MostTries)
            {
                // A bottle or a pot was changed meanwhile, elsewhere: what was done is done, and is reckoned again from what stands now.
                db.ChangeTracker.Clear();
            }
        }
    }

    private async Task<List<LogRow>> WriteAsync(LogAction action, string? sent, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == action.ZoneId, cancel)
            ?? throw RefusedException.NotFound("zoneId", action.ZoneId);
        action = OfToday(action, zone);
        action.Check(zone, now);
        await CheckLinksAsync(action, cancel);
        var at = ToMicrosecond((action.At ?? now).ToUniversalTime());
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var stack = ZoneStacks.Read(zone, bench, shelf);
        (Guid? MaterialId, Guid? MixId)? coat = action.CoatId is { } id ? Coat(zone, id) ?? throw RefusedException.NotFound("coatId", id) : null;
        var steps = coat is null ? [] : ZoneStacks.Steps(zone, stack, shelf);
        var place = action.CoatId is { } named ? steps.Place(StepId.Coat(zone.Id, named, action.Pass)) : -1;
        var air = await AirAsync(at, bench, cancel);
        List<LogRow> rows = [.. action.Copies.Distinct().Order().Select(copy => new LogRow
        {
            Id = DerivedId.Of(action.Id, copy),
            BenchId = open.BenchId,
            Press = action.Id,
            At = at,
            Kind = action.Kind,
            ZoneId = zone.Id,
            CoatId = action.CoatId,
            PartId = action.PartId,
            OfId = action.OfId,
            Pass = action.Pass,
            Copy = copy,
            Minutes = action.Minutes is { } minutes ? minutes / action.Copies.Count : null,
            Paint = action.PartId is not null ? zone.Piece!.Name : coat is null ? "" : shelf.Paints.GetValueOrDefault(coat.Value.MaterialId ?? coat.Value.MixId ?? Guid.Empty)?.Name ?? "",
            Label = $"{zone.Piece!.Name}, {zone.Name}",
            RoomC = air.C,
            RoomHumidity = air.Humidity,
            SetUpMinutes = copy == action.Copies.Min() ? action.SetUpMinutes : null,
            Who = action.Who.Trim(),
            PaintFraction = action.PaintFraction,
            WorkedWith = (action.Ticks ?? []).Aggregate(WorkedWith.Unsaid, (all, tick) => all | tick),
            MixRecordId = action.MixRecordId,
            Deviation = action.Deviation.Trim(),
            Cause = action.Cause.Trim(),
            Remedy = action.Remedy.Trim(),
            Symptom = action.Symptom,
            CauseKey = action.CauseKey,
            PhotoId = action.PhotoId,
            Note = action.Note.Trim(),
        })];

        // One at a time on a bench: what is taken from a bottle, or put back, is reckoned from what stands.
        await using var both = db.Database.CurrentTransaction is null ? await db.Database.BeginTransactionAsync(cancel) : null;
        await db.Database.ExecuteSqlAsync($"SELECT pg_advisory_xact_lock(hashtextextended({"log " + open.BenchId}, 0))", cancel);
        if (sent is not null)
        {
            await known.TakeAsync(action.Id, sent, cancel);
        }

        var ids = rows.ConvertAll(r => r.Id);
        var written = await db.Log.AsNoTracking().Where(l => ids.Contains(l.Id)).ToDictionaryAsync(l => l.Id, cancel);
        List<LogRow> fresh = [.. rows.Where(r => !written.ContainsKey(r.Id))];
        if (fresh.Count > 0)
        {
            var history = await HistoryAsync(action, zone, cancel);
            if (place >= 0)
            {
                await ThenAsync(fresh, steps, place, air => ZoneStacks.Steps(zone, stack with { Climate = air }, shelf), history, bench, cancel);
                Notice(action, fresh, steps, stack.Zone, history, at);
            }

            await ShelfAsync(action, fresh, place < 0 ? null : steps[place], stack, history, at, cancel);
            db.Log.AddRange(fresh);
            await db.SaveChangesAsync(cancel);
        }

        if (both is not null)
        {
            await both.CommitAsync(cancel);
        }

        return rows.ConvertAll(r => written.GetValueOrDefault(r.Id, r));
    }

    // As finely as the database keeps it, so that it is told alike before and after.
    private static DateTimeOffset ToMicrosecond(DateTimeOffset at) => at.AddTicks(-(at.Ticks % TimeSpan.TicksPerMicrosecond));

    // A coat of the scheme, or of a mend on some copies.
    private static (Guid? MaterialId, Guid? MixId)? Coat(ZoneRow zone, Guid id) =>
        zone.Scheme!.Coats.Find(c => c.Id == id) is { } coat ? (coat.MaterialId, coat.MixId)
        : zone.Repairs.SelectMany(r => r.Steps).FirstOrDefault(s => s.CoatId == id) is { } step ? (step.MaterialId, step.MixId) : null;

    // What was written down of the zone's steps on these copies.
    private async Task<List<LogRow>> HistoryAsync(LogAction action, ZoneRow zone, CancellationToken cancel) => Stripped.Without(
        await db.Log.AsNoTracking()
            .Where(l => l.ZoneId == zone.Id && (l.CoatId != null || l.PartId != null) && action.Copies.Contains(l.Copy) && (l.Kind == LogKind.Done || l.Kind == LogKind.TakenBack || l.Kind == LogKind.Skipped))
            .OrderBy(l => l.At).ThenBy(l => l.Id).ToListAsync(cancel),
        zone);

    // What the step is now is what it was then, once the plan has changed.
    private async Task ThenAsync(List<LogRow> rows, IReadOnlyList<Step> steps, int place, Func<Climate, IReadOnlyList<Step>> stepsIn, List<LogRow> history, Bench bench, CancellationToken cancel)
    {
        var step = steps[place];
        foreach (var row in rows.Where(r => r.Kind is LogKind.Done or LogKind.Dry))
        {
            var minutes = step.MinutesPerCopy;
            if (row.Kind == LogKind.Dry)
            {
                if (history.LastOrDefault(h => h.Step == row.Step && h.Copy == row.Copy && h.At < row.At) is not { Kind: LogKind.Done } laid)
                {
                    continue;
                }

                var dried = (await AirsAsync(laid, row, bench, cancel)).ConvertAll(a => stepsIn(a)[place].Times.RecoatMin);
                minutes = dried.TrueForAll(d => d > 0) ? StepFacts.DryingMin(dried) : 0;
            }

            if (minutes > 0)
            {
                var then = StepFacts.Then(step, minutes);
                (row.ThenTechnique, row.ThenStation, row.ThenLeadId, row.ThenMin) = (then.Technique, then.Station, then.LeadId, then.Minutes);
            }
        }
    }

    // The air from one entry to another: as both have it, and as the sensor read it between them, evenly spaced.
    private async Task<List<Climate>> AirsAsync(LogRow from, LogRow to, Bench bench, CancellationToken cancel)
    {
        var read = await db.RoomReadings.AsNoTracking().Where(r => r.At > from.At && r.At < to.At).OrderBy(r => r.At).Select(r => new { r.TemperatureC, r.Humidity }).Take(MostAirs * 20).ToListAsync(cancel);
        var every = Math.Max(1, read.Count / MostAirs);
        return
        [
            new(from.RoomC, from.RoomHumidity, bench.RoomFan),
            .. read.Where((_, i) => i % every == 0).Select(r => new Climate(r.TemperatureC, r.Humidity, bench.RoomFan)),
            new(to.RoomC, to.RoomHumidity, bench.RoomFan),
        ];
    }

    // What is noticed of the time of a step that is written down: how long it comes after the one before it on the same copy.
    private static void Notice(LogAction action, List<LogRow> rows, IReadOnlyList<Step> steps, Zone zone, List<LogRow> history, DateTimeOffset at)
    {
        if (action.Kind != LogKind.Done)
        {
            return;
        }

        var done = new DoneSteps(history.Where(h => h.At <= at && h.CoatId is not null).Select(h => WorkReader.Fact(h, at)));
        foreach (var (copy, finding) in PlanTimes.Notice(zone, steps, StepId.Coat(action.ZoneId, action.CoatId!.Value, action.Pass), action.Copies, 0, done))
        {
            if (rows.Find(r => r.Copy == copy) is { } row)
            {
                row.Notice = $"{finding.What} {finding.Figure}";
            }
        }
    }

    // A coat that is laid takes its mix from the bottles, or from a pot that was made; what it took before is put back when it is taken off the list again, or written down anew.
    private async Task ShelfAsync(LogAction action, List<LogRow> rows, Step? step, StackDraft stack, List<LogRow> history, DateTimeOffset at, CancellationToken cancel)
    {
        if (action.Kind is not (LogKind.Done or LogKind.TakenBack or LogKind.Skipped))
        {
            return;
        }

        // What comes late into the log, behind what stands there already, changes nothing.
        var last = rows.ToDictionary(r => r.Copy, r => history.LastOrDefault(h => h.Step == r.Step && h.Copy == r.Copy));
        rows = rows.FindAll(r => last[r.Copy] is not { } later || later.At <= r.At);
        foreach (var before in rows.Select(r => last[r.Copy]).OfType<LogRow>().Where(h => h is { Kind: LogKind.Done, Taken.Length: > 0 }))
        {
            await PutBackAsync(before, cancel);
        }

        if (rows.Count == 0)
        {
            return;
        }

        if (action.Kind != LogKind.Done || step is not { IsBeside: false })
        {
            return;
        }

        foreach (var row in rows)
        {
            if (await TrayStock.OutAsync(action.ZoneId, step, stack, row.Copy, db, cancel) is { Count: > 0 } boxes)
            {
                row.Taken = Kept.Write(new TakenForStep([], null, 0, boxes));
            }
        }

        if (step.Coat is not { LeavesFilm: true, Paint: { } paint })
        {
            return;
        }

        // What is left in the brush is counted once for a batch, not with every copy that is touched.
        var amount = CoatAmount.Of(step.Coat with { Passes = 1 }, [stack.Zone with { Copies = rows.Count, AreaMm2 = stack.Zone.AreaMm2 * step.Share }], Palette.Wet, stack.Schools.Highlights);
        var since = at - TimeSpan.FromMinutes(Math.Max(step.Coat.How.WetPaletteMin, 1));
        var goesOn = await db.Log.AnyAsync(l => l.ZoneId == action.ZoneId && l.CoatId == action.CoatId && l.Pass == action.Pass && l.Kind == LogKind.Done && l.At >= since && l.At <= at, cancel);
        var ml = action.MixedMl ?? (amount.TotalMl - (goesOn ? amount.LossMl : 0));
        if (action.MixedMl > MostTimesPlanned * Math.Max(1, amount.TotalMl))
        {
            throw new RefusedException("mixedMl", $"{action.MixedMl:0.##} ml were mixed, it says, where {amount.TotalMl:0.##} ml were planned. Say at most {MostTimesPlanned} times as much.");
        }

        var taken = action.MixRecordId is { } pot ? await FromPotAsync(pot, ml, action, stack, at, cancel) : await FromBottlesAsync(paint, ml * (action.PaintFraction ?? step.Coat.Dilution.PaintFraction), at, cancel);
        foreach (var row in rows)
        {
            var boxes = row.Taken.Length > 0 ? Kept.Read<TakenForStep>(row.Taken).Boxes : null;
            row.Taken = Kept.Write(taken.Share(rows.Count) with { Boxes = boxes });
        }
    }

    private const int MostTimesPlanned = 10;

    private async Task<TakenForStep> FromBottlesAsync(Core.Mixes.Paint paint, double ml, DateTimeOffset at, CancellationToken cancel) =>
        new(await Pouring.OutAsync([.. paint.Content.Materials.Select(m => (m.Material.Id, m.Share * ml))], at, db, cancel), null, 0);

    private async Task<TakenForStep> FromPotAsync(Guid pot, double ml, LogAction action, StackDraft stack, DateTimeOffset at, CancellationToken cancel)
    {
        var record = await db.MixRecords.SingleAsync(r => r.Id == pot, cancel);
        var taken = Math.Min(record.LeftMl, ml);
        record.LeftMl -= taken;
        if (taken > 0)
        {
            var piece = await db.Zones.Where(z => z.Id == action.ZoneId).Select(z => z.PieceId).SingleAsync(cancel);
            db.Add(new MixUseRow { Id = Guid.CreateVersion7(), RecordId = pot, At = at, Press = action.Id, PieceId = piece, Copies = [.. action.Copies.Distinct().Order()], Ml = taken, Note = stack.Zone.Name });
        }

        return new([], pot, taken);
    }

    private async Task PutBackAsync(LogRow before, CancellationToken cancel)
    {
        var taken = Kept.Read<TakenForStep>(before.Taken);
        await Pouring.BackAsync(taken.Poured, db, cancel);
        await TrayStock.BackAsync(before.ZoneId, before.Copy, taken.Boxes ?? [], db, cancel);
        if (taken.PotId is not { } pot || await db.MixRecords.Include(r => r.Uses).SingleOrDefaultAsync(r => r.Id == pot, cancel) is not { } record)
        {
            return;
        }

        record.LeftMl += taken.PotMl;
        if (record.Uses.Find(u => u.Press == before.Press) is { } use)
        {
            (use.Ml, use.Copies) = (Math.Max(0, use.Ml - taken.PotMl), [.. use.Copies.Where(c => c != before.Copy)]);
            if (use.Copies.Length == 0)
            {
                record.Uses.Remove(use);
                db.Remove(use);
            }
        }
    }

    // The room then: as the sensor read it, where it did around that time; else as it is set.
    private async Task<(double C, double Humidity)> AirAsync(DateTimeOffset at, Bench bench, CancellationToken cancel)
    {
        var (from, to) = (at - Around, at + Around);
        return await db.RoomReadings.AsNoTracking().Where(r => r.At >= from && r.At <= to).OrderByDescending(r => r.At).FirstOrDefaultAsync(cancel) is { } reading
            ? (reading.TemperatureC, reading.Humidity)
            : (bench.RoomC, bench.RoomHumidity);
    }

    // Until version 0.9 a part was named as the coat: an action that has waited in a browser since then is read on.
    private static LogAction OfToday(LogAction action, ZoneRow zone) =>
        action.CoatId == zone.PieceId && zone.Scheme!.Coats.All(c => c.Id != action.CoatId) ? action with { CoatId = null, PartId = action.CoatId } : action;

    private async Task CheckLinksAsync(LogAction action, CancellationToken cancel)
    {
        if (action.MixRecordId is { } mix && !await db.MixRecords.AnyAsync(r => r.Id == mix, cancel))
        {
            throw RefusedException.NotFound("mixRecordId", mix);
        }

        if (action.PhotoId is { } photo && !await db.Photos.AnyAsync(p => p.Id == photo, cancel))
        {
            throw RefusedException.NotFound("photoId", photo);
        }

        if (action.OfId is { } of && !await db.Log.AnyAsync(l => l.Id == of && (l.Kind == LogKind.Problem || l.Kind == LogKind.Note), cancel))
        {
            throw RefusedException.NotFound("ofId", of);
        }
    }
}

/// <summary>What a step took from the shelf, as it is kept with its entry.</summary>
/// <param name="Poured">From bottles.</param>
/// <param name="PotId">From a pot of a recorded mix.</param>
/// <param name="PotMl">So much, ml.</param>
/// <param name="Boxes">From boxes of elements; none where none were laid.</param>
internal sealed record TakenForStep(IReadOnlyList<Poured> Poured, Guid? PotId, double PotMl, IReadOnlyList<BoxTaken>? Boxes = null)
{
    /// <summary>The share of one of so many copies.</summary>
    public TakenForStep Share(int copies) => this with { Poured = [.. Poured.Select(p => p with { Ml = p.Ml / copies })], PotMl = PotMl / copies };
}
