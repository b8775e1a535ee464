using Lowfell.Core.Diagnosis;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Log;
using Lowfell.Web.Features.Stack;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Mend;

/// <summary>Takes mends up: steps on the copies concerned, a change of the plan for those that come after, and an entry of the log, all at once; and takes them back.</summary>
/// <param name="db">Database.</param>
/// <param name="open">The bench.</param>
/// <param name="cases">Reads cases.</param>
/// <param name="log">The log.</param>
/// <param name="sent">Actions that were sent before.</param>
/// <param name="clock">Time.</param>
public sealed class RepairDesk(LowfellDb db, OpenBench open, CaseReader cases, LogDesk log, SentActions sent, TimeProvider clock)
{
    private const int MostRepairs = 200;

    // Numbers of what a mend writes: its coats from 1 on, then entries of the log.
    private const int Entry = 1000, BackEntry = 2000, LeftOut = 4000, LeftOutBack = 8000;

    /// <summary>Takes a mend up; one that is known already is not taken up again.</summary>
    internal async Task<RepairTaken> TakeAsync(RepairAction action, CancellationToken cancel)
    {
        Check(action);
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        await LockAsync(action.ZoneId, cancel);
        await sent.TakeAsync(action.Id, SentActions.HashOf(action), cancel);
        var (of, zone, shelf, reached) = await cases.ReadAsync(new(action.Symptom, action.ZoneId, action.CoatId, action.Copies, action.Answers, action.Told), cancel);
        if (zone!.Repairs.Exists(r => r.Id == action.Id))
        {
            return await TakenAsync(zone.Id, action.Id, cancel);
        }

        if (zone.Repairs.Count >= MostRepairs)
        {
            throw new RefusedException("zoneId", $"Take a mend off first: {zone.Name} has {MostRepairs} already.");
        }

        var given = 0;
        var said = Diagnosing.Of(of, shelf.Shelf, () => DerivedId.Of(action.Id, ++given));
        var offer = action.Remedy is not { } place ? null
            : said.Offers.FirstOrDefault(o => o.Remedy.Place == place) ?? throw new RefusedException("remedy", "Ask again: this remedy is not offered here any more, as its coats would not hold or an answer rules it out.", 409) { Code = ProblemCode.Gone };
        var edits = (action.Edits ?? []).Select(sign => said.Next.FirstOrDefault(e => e.Sign == sign)
            ?? throw new RefusedException("edits", $"'{SymptomBook.Book.Facts(sign).Next}' is not offered here any more.", 409) { Code = ProblemCode.Gone }).ToList();
        var now = clock.GetUtcNow();
        var about = said.CoatAt < 0 ? Guid.Empty : of.Stack!.Coats[said.CoatAt].Id;

        // What is stripped begins anew: it comes before all of the stack.
        var strips = offer?.Remedy.Kind == RemedyKind.Strip;
        var row = new RepairRow
        {
            Id = action.Id,
            At = now,
            AfterCoatId = strips ? Guid.Empty : about,
            Strips = strips,
            Copies = [.. action.Copies.Distinct().Order()],
            Symptom = action.Symptom,
            Cause = said.Causes[0].Key,
            Does = offer is null ? "" : Words.Capital(offer.Remedy.Does),
            Steps = offer is null ? [] : [.. offer.Steps.Select(s => Row(s, shelf))],
        };
        await KeepAsync(zone.Id, z => z.Repairs.Add(row), cancel);
        await ProblemAsync(action, zone, about, said, offer, cancel);
        if (edits.Count > 0)
        {
            await ChangePlanAsync(row, zone, of, edits, reached, shelf, now, cancel);
        }

        await all.CommitAsync(cancel);
        return await TakenAsync(zone.Id, action.Id, cancel);
    }

    /// <summary>Takes a mend back: its steps, its entry and its change of the plan; what was done of it has to be taken back first.</summary>
    /// <returns>What could not be taken back, in words; empty where all was.</returns>
    internal async Task<string> UndoAsync(Guid zoneId, Guid id, CancellationToken cancel)
    {
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        await LockAsync(zoneId, cancel);
        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == zoneId, cancel) ?? throw RefusedException.NotFound("zoneId", zoneId);
        if (zone.Repairs.Find(r => r.Id == id) is not { } repair)
        {
            return "";
        }

        var coats = repair.Steps.Select(s => s.CoatId).ToHashSet();
        var standing = await db.StandingAsync([zoneId], cancel);
        if (standing.Find(l => l.Kind == LogKind.Done && coats.Contains(l.CoatId!.Value)) is { } begun)
        {
            throw new RefusedException("id", $"It is begun on copy {begun.Copy}: take that step back in the log first.", 409);
        }

        var left = "";
        if (repair.PlanBefore.Length > 0)
        {
            left = await PlanBackAsync(repair, zone, cancel);
        }

        foreach (var copy in repair.Copies)
        {
            var entry = EntryOf(id, copy);
            if (await db.Log.AnyAsync(l => l.Id == entry, cancel))
            {
                await log.AddAsync(new(DerivedId.Of(id, BackEntry + copy), LogKind.TakenBack, zoneId, [copy], OfId: entry), cancel);
            }
        }

        await KeepAsync(zoneId, z => z.Repairs.RemoveAll(r => r.Id == id), cancel);
        await all.CommitAsync(cancel);
        return left;
    }

    /// <summary>Writes down what became of a mend: what helped moves the priors.</summary>
    internal async Task<RepairTaken> OutcomeAsync(Guid zoneId, Guid id, RepairOutcome outcome, CancellationToken cancel)
    {
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        await LockAsync(zoneId, cancel);
        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == zoneId, cancel) ?? throw RefusedException.NotFound("zoneId", zoneId);
        var repair = zone.Repairs.Find(r => r.Id == id) ?? throw RefusedException.NotFound("id", id);
        var symptom = CaseReader.Of(repair.Symptom);
        if (outcome.Cause.Length > 0 && outcome.Cause != Ranking.Other && symptom.Causes.All(c => c.Key != outcome.Cause))
        {
            throw new RefusedException("cause", $"'{outcome.Cause}' is no cause of {symptom.Name}.");
        }

        foreach (var copy in repair.Copies)
        {
            // The entry is said anew, with the cause that it was; the one before it counts no longer. However many copies, it is one case.
            var first = EntryOf(id, copy);
            var last = await LastOfAsync(first, cancel);
            var before = await db.Log.AsNoTracking().SingleOrDefaultAsync(l => l.Id == last, cancel);
            if (before is null)
            {
                continue;
            }

            await log.AddAsync(
                new(Guid.CreateVersion7(), LogKind.Problem, zoneId, [copy], before.CoatId, OfId: last, Note: before.Note, Who: before.Who, PhotoId: before.PhotoId, Symptom: repair.Symptom,
                    Cause: CauseWord(symptom, outcome.Cause), CauseKey: copy == repair.Copies[0] ? outcome.Cause : "", Remedy: outcome.Helped ? repair.Does : $"{repair.Does}: did not help"),
                cancel);
        }

        await KeepAsync(zoneId, z => z.Repairs.Find(r => r.Id == id)!.Helped = outcome.Helped, cancel);
        await all.CommitAsync(cancel);
        return await TakenAsync(zoneId, id, cancel);
    }

    /// <summary>Mends of zones, the newest first.</summary>
    internal async Task<IReadOnlyList<RepairTaken>> ListAsync(Func<IQueryable<ZoneRow>, IQueryable<ZoneRow>> which, CancellationToken cancel)
    {
        var zones = await which(ZoneStacks.Rows(db)).OrderBy(z => z.Position).ToListAsync(cancel);
        zones = zones.FindAll(z => z.Repairs.Count > 0);
        var standing = (await db.StandingAsync([.. zones.Select(z => z.Id)], cancel)).Select(l => (l.CoatId!.Value, l.Copy)).ToHashSet();
        return [.. zones.SelectMany(z => z.Repairs.Select(r => View(z, r, standing))).OrderByDescending(r => r.At)];
    }

    private static RepairTaken View(ZoneRow zone, RepairRow r, HashSet<(Guid, int)> standing)
    {
        var symptom = SymptomBook.Book.Of(r.Symptom);

        // Copies that are there no longer have nothing left to do.
        var copies = r.Copies.FindAll(c => c <= zone.Piece!.Copies);
        IReadOnlyList<CauseName> causes = symptom is null ? [] : [.. symptom.Causes.Select(c => new CauseName(c.Key, c.Word)), new(Ranking.Other, CauseWord(symptom, Ranking.Other))];
        return new(
            r.Id, zone.Id, zone.Name, r.At, r.Copies, symptom?.Name ?? r.Symptom, symptom is null ? r.Cause : CauseWord(symptom, r.Cause), causes, r.Does, r.PlanBefore.Length > 0,
            r.Steps.Count * copies.Count, r.Steps.Sum(s => copies.Count(c => standing.Contains((s.CoatId, c)))), r.Helped);
    }

    private async Task<RepairTaken> TakenAsync(Guid zoneId, Guid id, CancellationToken cancel) => (await ListAsync(zones => zones.Where(z => z.Id == zoneId), cancel)).First(r => r.Id == id);

    private static string CauseWord(Symptom symptom, string key) => key.Length == 0 ? "" : symptom.Causes.FirstOrDefault(c => c.Key == key)?.Word ?? "something that is not on this list";

    private static void Check(RepairAction action)
    {
        var checks = new Checks();
        if (action.Id == Guid.Empty)
        {
            checks.Fault("id", "A mend has an id of its own.");
        }

        if (action.Remedy is null && action.Edits is not { Count: > 0 })
        {
            checks.Fault("remedy", "Choose a remedy, or a change of the plan.");
        }

        checks.Enforce();
    }

    // One at a time on a zone.
    private Task LockAsync(Guid zoneId, CancellationToken cancel) => db.Database.ExecuteSqlAsync($"SELECT pg_advisory_xact_lock(hashtextextended({"mend " + zoneId}, 0))", cancel);

    private async Task KeepAsync(Guid zoneId, Action<ZoneRow> change, CancellationToken cancel)
    {
        var zone = await db.Zones.SingleAsync(z => z.Id == zoneId, cancel);
        change(zone);
        db.Entry(zone).State = EntityState.Modified;
        await db.SaveChangesAsync(cancel);
    }

    private static RepairStepRow Row(RepairStep s, OpenShelf shelf) => new()
    {
        CoatId = s.Coat.Id,
        Technique = s.Coat.Technique,
        MaterialId = s.Coat.Material?.Id,
        MixId = s.Coat is { Material: null, Paint: { } mixed } && shelf.Paints.FirstOrDefault(p => ReferenceEquals(p.Value, mixed)) is { Value: not null } mix ? mix.Key : null,
        MixedTo = s.Coat.MixedTo?.ToString(),
        PaintFraction = s.Coat.Dilution.PaintFraction,
        Thinner = s.Coat.Thinner,
        Share = s.Share,
        Minutes = s.Minutes,
        WaitMin = s.WaitMin,
        Note = s.Coat.Note,
    };

    private async Task ProblemAsync(RepairAction action, ZoneRow zone, Guid about, Diagnosed said, Offer? offer, CancellationToken cancel)
    {
        var symptom = CaseReader.Of(action.Symptom);
        var seen = action.Note.Trim().Length > 0 ? action.Note.Trim() : $"{symptom.Name}: {symptom.Sees}.";

        // What mended it is written down once it has.
        var toDo = offer is null ? "" : $" To do: {offer.Remedy.Does}.";
        var note = seen.Length + toDo.Length <= NoteBoundAttribute.Longest ? seen + toDo : seen;
        await log.AddAsync(
            new(DerivedId.Of(action.Id, Entry), LogKind.Problem, zone.Id, action.Copies, about == Guid.Empty ? null : about, Who: action.Who, Cause: said.Said, PhotoId: action.PhotoId, Note: note, Symptom: action.Symptom),
            cancel);
    }

    // The plan of the scheme as it should have been, one change after another; copies that are past it do not get what comes new.
    private async Task ChangePlanAsync(RepairRow row, ZoneRow zone, MendCase of, List<PlanEdit> edits, IReadOnlySet<int> reached, OpenShelf shelf, DateTimeOffset now, CancellationToken cancel)
    {
        var scheme = await db.Schemes.AsNoTracking().Include(s => s.Coats).SingleAsync(s => s.Id == zone.SchemeId, cancel);
        IReadOnlyList<CoatDraft> before = [.. scheme.Coats.OrderBy(c => c.Position).Select(CoatRows.Write)];
        // Each is worked out on what the one before it left; one that is no longer needed by then is none.
        var draft = edits[0].Draft;
        foreach (var edit in edits.Skip(1))
        {
            draft = Diagnosing.Of(of with { Stack = draft }, shelf.Shelf, Guid.NewGuid).Next.FirstOrDefault(e => e.Sign == edit.Sign)?.Draft ?? draft;
        }

        var known = before.ToDictionary(c => c.Id);
        await SchemeEndpoints.TakeCoatsAsync(zone.SchemeId, scheme.Version, _ => [.. draft.Coats.Select(c => StackReader.Write(c, known, shelf))], shelf, db, now, cancel);
        var version = await db.Schemes.AsNoTracking().Where(s => s.Id == zone.SchemeId).Select(s => s.Version).SingleAsync(cancel);
        await KeepAsync(zone.Id, z => z.Repairs.ForEach(r => (r.PlanBefore, r.PlanVersion) = r.Id == row.Id ? (Kept.Write(new KeptCoats(before)), version) : (r.PlanBefore, r.PlanVersion)), cancel);
        await PassedAsync(row, zone, of, draft, reached, cancel);
    }

    // What a copy is past is left out on it, in every zone of the scheme.
    private async Task PassedAsync(RepairRow row, ZoneRow zone, MendCase of, StackDraft draft, IReadOnlySet<int> reached, CancellationToken cancel)
    {
        var stack = of.Stack!;
        var fresh = draft.Coats.Select((c, i) => (Coat: c, At: i)).Where(c => stack.IndexOf(c.Coat.Id) < 0 || stack.Coats[stack.IndexOf(c.Coat.Id)].Passes < c.Coat.Passes).ToList();
        if (fresh.Count == 0)
        {
            return;
        }

        var zones = await db.Zones.AsNoTracking().Where(z => z.SchemeId == zone.SchemeId && z.DeletedAt == null && z.Piece!.DeletedAt == null).Select(z => new { z.Id, z.Piece!.Copies }).ToListAsync(cancel);
        var standing = await db.StandingAsync([.. zones.Select(z => z.Id)], cancel);
        var number = 0;
        foreach (var other in zones)
        {
            foreach (var (coat, at) in fresh)
            {
                // From this coat up, and where it gets another pass this coat itself.
                var above = draft.Coats.Skip(at).Select(c => c.Id).ToHashSet();
                List<int> past = [.. standing.Where(l => l.ZoneId == other.Id && l.Kind == LogKind.Done && above.Contains(l.CoatId!.Value)).Select(l => l.Copy).Union(other.Id == zone.Id ? row.Copies.Intersect(reached) : []).Where(c => c <= other.Copies).Distinct().Order()];
                for (var pass = stack.IndexOf(coat.Id) is >= 0 and var was ? stack.Coats[was].Passes + 1 : 1; past.Count > 0 && pass <= coat.Passes; pass++)
                {
                    await log.AddAsync(new(DerivedId.Of(row.Id, LeftOut + ++number), LogKind.Skipped, other.Id, past, coat.Id, Pass: pass, Note: "came into the plan when this was past"), cancel);
                }
            }
        }
    }

    private async Task<string> PlanBackAsync(RepairRow repair, ZoneRow zone, CancellationToken cancel)
    {
        var scheme = await db.Schemes.AsNoTracking().Include(s => s.Coats).SingleAsync(s => s.Id == zone.SchemeId, cancel);
        if (scheme.Version != repair.PlanVersion)
        {
            return "The plan has been changed since; it stays as it is.";
        }

        var before = Kept.Read<KeptCoats>(repair.PlanBefore).Coats;
        var now = scheme.Coats.ToDictionary(c => c.Id, c => c.Passes);
        var fresh = now.Where(c => before.All(b => b.Id != c.Key) || before.First(b => b.Id == c.Key).Passes < c.Value).Select(c => c.Key).ToHashSet();
        var zones = await db.Zones.AsNoTracking().Where(z => z.SchemeId == zone.SchemeId).Select(z => z.Id).ToListAsync(cancel);
        var number = 0;
        foreach (var left in (await db.StandingAsync(zones, cancel)).Where(l => l.Kind == LogKind.Skipped && fresh.Contains(l.CoatId!.Value)).GroupBy(l => (l.ZoneId, l.CoatId, l.Pass)))
        {
            await log.AddAsync(new(DerivedId.Of(repair.Id, LeftOutBack + ++number), LogKind.TakenBack, left.Key.ZoneId, [.. left.Select(l => l.Copy)], left.Key.CoatId, Pass: left.Key.Pass), cancel);
        }

        await SchemeEndpoints.TakeCoatsAsync(zone.SchemeId, scheme.Version, _ => before, await open.ShelfAsync(cancel), db, clock.GetUtcNow(), cancel);
        return "";
    }

    // The entry of the problem on a copy.
    private static Guid EntryOf(Guid repair, int copy) => DerivedId.Of(DerivedId.Of(repair, Entry), copy);

    private async Task<Guid> LastOfAsync(Guid entry, CancellationToken cancel)
    {
        while (await db.Log.AsNoTracking().Where(l => l.OfId == entry && l.Kind == LogKind.Problem).OrderByDescending(l => l.At).Select(l => (Guid?)l.Id).FirstOrDefaultAsync(cancel) is { } next)
        {
            entry = next;
        }

        return entry;
    }
}
