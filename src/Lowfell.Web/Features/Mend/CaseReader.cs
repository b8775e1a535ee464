using System.Globalization;
using Lowfell.Core.Amounts;
using Lowfell.Core.Diagnosis;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Log;
using Lowfell.Web.Features.Mixes;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Lowfell.Web.Features.Mend;

/// <summary>A case with the zone that it is on.</summary>
/// <param name="Case">The case.</param>
/// <param name="Zone">The zone; null for a general answer.</param>
/// <param name="Shelf">The shelf.</param>
/// <param name="Reached">Copies on which the coat is on.</param>
internal sealed record OpenCase(MendCase Case, ZoneRow? Zone, OpenShelf Shelf, IReadOnlySet<int> Reached);

/// <summary>Reads what is known of a fault into Core's terms.</summary>
/// <param name="db">Database.</param>
/// <param name="open">The bench.</param>
public sealed class CaseReader(LowfellDb db, OpenBench open)
{
    // Water is looked for so far back, and so many entries; a mix is compared so many times, and so many zones are held against one.
    private static readonly TimeSpan Evening = TimeSpan.FromHours(6);
    private const int MostOfEvening = 500, MostMixes = 20, MostEarlier = 40;

    /// <summary>A symptom by its key.</summary>
    /// <exception cref="RefusedException">There is none.</exception>
    internal static Symptom Of(string key) => SymptomBook.Book.Of(key) ?? throw new RefusedException("symptom", $"Choose a symptom of the list: '{key}' is none.");

    /// <summary>Checks answers against the questions that there are.</summary>
    /// <exception cref="RefusedException">One answers no question, or one question is answered both ways.</exception>
    internal static IReadOnlyDictionary<int, bool> Answers(Symptom symptom, IReadOnlyList<CaseAnswer>? answers)
    {
        foreach (var answer in answers ?? [])
        {
            if (answer.Question > symptom.Questions.Count)
            {
                throw new RefusedException("answers", $"{symptom.Name} has no question {answer.Question}; {symptom.Questions.Count} {(symptom.Questions.Count == 1 ? "is" : "are")} asked.");
            }
        }

        return (answers ?? []).GroupBy(a => a.Question).ToDictionary(g => g.Key, g => g.Select(a => a.Yes).Distinct().Count() == 1 ? g.First().Yes
            : throw new RefusedException("answers", $"Question {g.Key} is answered yes and no."));
    }

    /// <summary>What is told of signs.</summary>
    /// <exception cref="RefusedException">One is told both ways.</exception>
    internal static IReadOnlyDictionary<Sign, bool> Told(IReadOnlyList<CaseTold>? told) =>
        (told ?? []).GroupBy(t => t.Sign).ToDictionary(g => g.Key, g => g.Select(t => t.Yes).Distinct().Count() == 1 ? g.First().Yes
            : throw new RefusedException("told", $"'{SymptomBook.Book.Facts(g.Key).Word}' is told yes and no."));

    /// <summary>Reads a question.</summary>
    internal async Task<OpenCase> ReadAsync(CaseQuestion question, CancellationToken cancel)
    {
        var symptom = Of(question.Symptom);
        var shelf = await open.ShelfAsync(cancel);
        var of = new MendCase
        {
            Symptom = symptom,
            CoatId = question.CoatId,
            Answers = Answers(symptom, question.Answers),
            Told = Told(question.Told),
            Learned = await LearnedAsync(symptom, cancel),
        };
        if (question.ZoneId is not { } zoneId)
        {
            return new(of, null, shelf, new HashSet<int>());
        }

        var bench = await open.RowAsync(cancel);
        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == zoneId, cancel) ?? throw RefusedException.NotFound("zoneId", zoneId);
        var stack = ZoneStacks.Read(zone, bench, shelf);

        // A step of a mend is about the coat that it comes after; an entry may name a coat that has left the plan since.
        var named = zone.Repairs.Find(r => r.Steps.Exists(s => s.CoatId == question.CoatId))?.AfterCoatId ?? question.CoatId;
        var gone = named is { } coatId && stack.IndexOf(coatId) < 0;
        List<int> seen = [.. (question.Copies ?? []).Distinct().Order()];
        if (seen.Find(c => c > zone.Piece!.Copies) is > 0 and var absent)
        {
            throw new RefusedException("copies", $"There is no copy {absent} of {zone.Piece!.Name}; 1 to {zone.Piece.Copies} are there.");
        }

        var origin = DateTimeOffset.UnixEpoch;
        var clock = DateTimeZoneProviders.Tzdb.GetZoneOrNull(bench.TimeZone) ?? DateTimeZone.Utc;
        var rows = Stripped.Without(await db.StandingAsync([zoneId], cancel), zone).FindAll(l => l.Kind == LogKind.Done);
        of = of with
        {
            Stack = stack,
            CoatId = gone ? null : named,
            CoatGone = gone,
            LiesFlat = zone.Piece!.LiesFlat,
            Seen = seen,
            Log = rows.ConvertAll(r => Entry(r, rows, stack, origin, clock)),
        };
        var at = of.CoatAt;
        var about = at < 0 ? Guid.Empty : stack.Coats[at].Id;
        var reached = of.Log.Where(l => l.CoatId == about).Select(l => l.Copy).ToHashSet();
        of = of with { CoatId = at < 0 ? null : about, Sound = [.. reached.Where(c => !seen.Contains(c)).Order()] };
        var signs = symptom.Signs;
        if (signs.Contains(Sign.OldRinseWater))
        {
            of = of with { Log = await WithWaterAsync(of.Log, rows, about, cancel) };
        }

        if (signs.Contains(Sign.OtherLot))
        {
            of = of with { Log = await WithLotsAsync(of.Log, rows, cancel) };
        }

        if (signs.Contains(Sign.WetNeighbour) || signs.Contains(Sign.NotMasked))
        {
            of = of with { Beside = await BesideAsync(zone, bench, shelf, origin, cancel) };
        }

        if (signs.Contains(Sign.FreshSuperGlue))
        {
            of = of with { Glued = await GluedAsync(zone, stack, of.Log, origin, cancel) };
        }

        if (signs.Contains(Sign.OtherSheen))
        {
            of = of with { Earlier = await EarlierAsync(zone, shelf, cancel) };
        }

        return new(of, zone, shelf, reached);
    }

    private static CaseEntry Entry(LogRow row, List<LogRow> rows, StackDraft stack, DateTimeOffset origin, DateTimeZone clock)
    {
        var local = Instant.FromDateTimeOffset(row.At).InZone(clock).LocalDateTime;
        return new(
            row.Copy, row.CoatId!.Value, row.Pass, (row.At - origin).TotalMinutes, row.Minutes, row.RoomC, row.RoomHumidity, row.PaintFraction, row.WorkedWith,
            local.ToString("ddd d MMM HH:mm", CultureInfo.InvariantCulture))
        {
            MixRecorded = row.MixRecordId is not null,
            MixedTimes = MixedTimes(row, rows, stack),
        };
    }

    // What was taken from the shelf for one press, over what was planned for so many copies.
    private static double? MixedTimes(LogRow row, List<LogRow> rows, StackDraft stack)
    {
        if (row.Taken.Length == 0 || row.Press is not { } press || stack.IndexOf(row.CoatId!.Value) is not (>= 0 and var at) || stack.Coats[at] is not { LeavesFilm: true } coat)
        {
            return null;
        }

        var same = rows.FindAll(r => r.Press == press && r.Taken.Length > 0);
        var taken = same.Sum(r => Kept.Read<TakenForStep>(r.Taken) is var t ? t.Poured.Sum(p => p.Ml) + t.PotMl : 0);
        var planned = CoatAmount.Of(coat with { Passes = 1 }, [stack.Zone with { Copies = same.Count }], Palette.Wet, stack.Schools.Highlights).TotalMl * coat.Dilution.PaintFraction;
        return planned > 0 ? taken / planned : null;
    }

    // Since when the water is fresh, as far as this evening's entries tell.
    private async Task<IReadOnlyList<CaseEntry>> WithWaterAsync(IReadOnlyList<CaseEntry> log, List<LogRow> rows, Guid about, CancellationToken cancel)
    {
        var of = rows.FindAll(r => r.CoatId == about);
        if (of.Count == 0)
        {
            return log;
        }

        var (from, to) = (of.Max(r => r.At) - Evening, of.Max(r => r.At));
        var fresh = (await db.Log.AsNoTracking().Where(l => l.At >= from && l.At <= to).OrderByDescending(l => l.At).Take(MostOfEvening).Select(l => new { l.At, l.WorkedWith }).ToListAsync(cancel))
            .FindAll(l => l.WorkedWith.HasFlag(WorkedWith.FreshWater));
        return [.. log.Select((e, i) => e.CoatId == about && fresh.Find(f => f.At <= rows[i].At) is { } last ? e with { RinseMin = (rows[i].At - last.At).TotalMinutes } : e)];
    }

    private async Task<IReadOnlyList<CaseEntry>> WithLotsAsync(IReadOnlyList<CaseEntry> log, List<LogRow> rows, CancellationToken cancel)
    {
        var ids = rows.Select(r => r.MixRecordId).OfType<Guid>().Distinct().Take(MostMixes).ToList();
        if (ids.Count == 0)
        {
            return log;
        }

        var book = await RecipeBook.OpenAsync(db, cancel);
        var records = await db.MixRecords.AsNoTracking().Include(r => r.Lines).Where(r => ids.Contains(r.Id)).ToListAsync(cancel);
        var off = records.ToDictionary(r => r.Id, r => MixRecordViews.Today(r, book) is { } today ? MixThenNow.Compare(MixRecordViews.PaintOf(r, MixRecordViews.Then(r)), MixRecordViews.PaintOf(r, today)).DeltaE : (double?)null);
        return [.. log.Select((e, i) => rows[i].MixRecordId is { } mix ? e with { LotDeltaE = off.GetValueOrDefault(mix) } : e)];
    }

    // Zones of its set, and those called alike, that have their last coat on at least one copy.
    private async Task<IReadOnlyList<EarlierFinish>> EarlierAsync(ZoneRow zone, OpenShelf shelf, CancellationToken cancel)
    {
        var others = await ZoneStacks.Rows(db).Where(z => z.Id != zone.Id && (z.Piece!.SetId == zone.Piece!.SetId || z.Name == zone.Name)).OrderBy(z => z.Name == zone.Name ? 0 : 1).ThenBy(z => z.Id).Take(MostEarlier).ToListAsync(cancel);
        var lasts = others.ConvertAll(z => (Zone: z, Coats: ZoneStacks.Coats(z.Scheme!, shelf).Where(c => !c.Skipped && c.LeavesFilm).ToList())).FindAll(o => o.Coats.Count > 0);
        var done = await db.LaidAsync([.. lasts.Select(o => o.Zone.Id)], [.. lasts.Select(o => o.Coats[^1].Id)], cancel);
        return
        [
            .. lasts.Where(o => done.Contains((o.Zone.Id, o.Coats[^1].Id)))
                .Select(o => new EarlierFinish($"{o.Zone.Piece!.Name}, {o.Zone.Name}", o.Coats.LastOrDefault(c => c.What!.Kind == Kind.Varnish)?.Material)),
        ];
    }

    private async Task<IReadOnlyList<BesideEntry>> BesideAsync(ZoneRow zone, Bench bench, OpenShelf shelf, DateTimeOffset origin, CancellationToken cancel)
    {
        var beside = await ZoneStacks.Rows(db).Where(z => zone.Neighbours.Contains(z.Id)).ToListAsync(cancel);
        var entries = new List<BesideEntry>();
        foreach (var near in beside)
        {
            var stack = ZoneStacks.Read(near, bench, shelf);
            var reading = new Reading(stack);
            var standing = (await db.StandingAsync([near.Id], cancel)).FindAll(l => l.Kind == LogKind.Done);
            var masked = standing.Where(l => l.Pass == Step.MaskPass).Select(l => (l.CoatId, l.Copy)).ToHashSet();
            foreach (var row in standing.Where(l => Step.Lays(l.Pass)))
            {
                if (stack.IndexOf(row.CoatId!.Value) is >= 0 and var at && !stack.Coats[at].Skipped && stack.Coats[at].LeavesFilm)
                {
                    entries.Add(new(row.Copy, near.Name, (row.At - origin).TotalMinutes, reading.Times(at).TouchMin, stack.Coats[at].How.Sprayed, masked.Contains((row.CoatId, row.Copy))));
                }
            }
        }

        return [.. entries.OrderBy(e => e.AtMin)];
    }

    private async Task<IReadOnlyList<(int Copy, double AtMin)>> GluedAsync(ZoneRow zone, StackDraft stack, IReadOnlyList<CaseEntry> log, DateTimeOffset origin, CancellationToken cancel)
    {
        var fits = await db.Log.AsNoTracking().Where(l => l.PartId != null && l.Kind == LogKind.Done && (l.ZoneId == zone.Id || db.Pieces.Any(p => p.Id == l.PartId && p.PartOfId == zone.PieceId)))
            .Select(l => new { l.Copy, l.At }).ToListAsync(cancel);
        var glued = stack.Coats.Where(c => c.Family == Family.SuperGlue || (c.How.Role == Core.Wording.Role.Grit && stack.Schools.GritGlue == GritGlueSchool.SuperGlue)).Select(c => c.Id).ToHashSet();
        return [.. fits.Select(f => (f.Copy, (f.At - origin).TotalMinutes)), .. log.Where(l => glued.Contains(l.CoatId)).Select(l => (l.Copy, l.AtMin))];
    }

    /// <summary>What the bench has learned of a symptom: entries in which the painter said which cause it was, and that were not taken back or said anew.</summary>
    internal async Task<Learned> LearnedAsync(Symptom symptom, CancellationToken cancel)
    {
        var said = await db.Log.AsNoTracking().Where(l => l.Symptom == symptom.Key && l.CauseKey != "" && !db.Log.Any(o => o.OfId == l.Id))
            .Select(l => new { l.CauseKey, Press = l.Press ?? l.Id }).Distinct().ToListAsync(cancel);
        return new(said.Count, said.GroupBy(s => s.CauseKey).ToDictionary(g => g.Key, g => g.Count()));
    }
}
