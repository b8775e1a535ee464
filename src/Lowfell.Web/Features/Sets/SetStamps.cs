using System.Diagnostics;
using System.Security.Cryptography;
using System.Text;
using Lowfell.Core.Evenings.Findings;
using Lowfell.Core.Mending;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sets;

/// <summary>How a zone looks and stands, as it was worked out.</summary>
/// <param name="Sample">Small core sample: substrate first.</param>
/// <param name="Findings">What the rules find.</param>
internal sealed record ZoneStamp(IReadOnlyList<SampleStratum> Sample, OutcomeView Findings)
{
    /// <summary>Of a zone that was never looked at.</summary>
    public static ZoneStamp None { get; } = new([], new(0, 0, 0));
}

/// <summary>
/// What the list of sets shows of zones and pieces without predicting every one of them: it is kept with a hash of all that it came from
/// (versions of zone, piece, set, scheme and shelf, the preferences, the room, this program), and worked out again only where that
/// has changed. What takes longer than a moment is left to a job, and said to be behind.
/// </summary>
/// <param name="db">Database.</param>
/// <param name="open">The bench.</param>
public sealed class SetStamps(LowfellDb db, OpenBench open)
{
    private const int AtOnce = 40;

    private readonly Dictionary<Guid, (string Source, ZoneStamp Stamp)> zones = [];
    private readonly Dictionary<Guid, (string Source, PieceJudgement Judgement)> pieces = [];
    private readonly List<StampRow> fresh = [];
    private readonly HashSet<Guid> behind = [];

    /// <summary>Whether something was left behind.</summary>
    public bool IsBehind => behind.Count > 0;

    /// <summary>Whether something of a set was left behind.</summary>
    internal bool IsBehindIn(SetRow set) => set.Pieces.Exists(p => behind.Contains(p.Id) || p.Zones.Exists(z => behind.Contains(z.Id)));

    /// <summary>Name of every scheme, by id.</summary>
    public IReadOnlyDictionary<Guid, string> SchemeNames { get; private set; } = new Dictionary<Guid, string>();

    /// <summary>The stamp of a zone, and whether it is of today.</summary>
    internal (ZoneStamp Stamp, bool Current) Of(ZoneRow zone) => (zones.TryGetValue(zone.Id, out var z) ? z.Stamp : ZoneStamp.None, !behind.Contains(zone.Id));

    /// <summary>The judgement of a piece, and whether it is of today.</summary>
    internal (PieceJudgement Judgement, bool Current) Of(PieceRow piece) => (pieces.TryGetValue(piece.Id, out var p) ? p.Judgement : new([], null), !behind.Contains(piece.Id));

    /// <summary>Reads the sets and what is kept of them, and works out what is behind, for as long as a moment lasts.</summary>
    /// <returns>The sets in order, with their pieces and zones.</returns>
    /// <param name="moment">How long may be spent on what is behind.</param>
    /// <param name="cancel">Cancels.</param>
    /// <param name="setId">The one set that is wanted; all where none is named.</param>
    internal async Task<List<SetRow>> ReadAsync(TimeSpan moment, CancellationToken cancel, Guid? setId = null)
    {
        var sets = await db.Sets.AsNoTracking().Where(s => s.DeletedAt == null && (setId == null || s.Id == setId)).OrderBy(s => s.Position).ThenBy(s => s.Id)
            .Include(s => s.Pieces.Where(p => p.DeletedAt == null).OrderBy(p => p.Position))
            .ThenInclude(p => p.Zones.Where(z => z.DeletedAt == null).OrderBy(z => z.Position))
            .AsSplitQuery().ToListAsync(cancel);
        foreach (var (set, piece, zone) in sets.SelectMany(s => s.Pieces.SelectMany(p => p.Zones.Select(z => (s, p, z)))))
        {
            (piece.Set, zone.Piece) = (set, piece);
        }

        var schemes = await db.Schemes.Select(s => new { s.Id, s.Name, s.Version }).ToDictionaryAsync(s => s.Id, s => (s.Name, s.Version), cancel);
        SchemeNames = schemes.ToDictionary(s => s.Key, s => s.Value.Name);
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        foreach (var row in await StampsAsync(setId is null ? null : sets, cancel))
        {
            // One that an older program kept otherwise is made anew.
            if (row.Kind == StampKind.Zone && Kept.ReadIfKnown<ZoneStamp>(row.Content) is { } zone)
            {
                zones[row.OfId] = (row.Source, zone);
            }
            else if (row.Kind == StampKind.Piece && Kept.ReadIfKnown<PieceJudgement>(row.Content) is { } piece)
            {
                pieces[row.OfId] = (row.Source, piece);
            }
        }

        var all = Everywhere(bench, shelf);
        var now = new Dictionary<Guid, string>();
        foreach (var (set, piece, zone) in sets.SelectMany(s => s.Pieces.SelectMany(p => p.Zones.Select(z => (s, p, z)))))
        {
            now[zone.Id] = Hash($"{all} {set.Version} {piece.Version} {zone.Version} {zone.SchemeId} {schemes[zone.SchemeId].Version}");
            if (!zones.TryGetValue(zone.Id, out var kept) || kept.Source != now[zone.Id])
            {
                behind.Add(zone.Id);
            }
        }

        foreach (var (set, piece) in sets.SelectMany(s => s.Pieces.Select(p => (s, p))))
        {
            now[piece.Id] = PieceSource(set, piece, now);
            if (!pieces.TryGetValue(piece.Id, out var kept) || kept.Source != now[piece.Id])
            {
                behind.Add(piece.Id);
            }
        }

        await CatchUpAsync(sets, now, bench, shelf, moment, cancel);
        return sets;
    }

    /// <summary>What the looks of every zone come from besides its own rows: the program, the shelf, the preferences and the room.</summary>
    internal static string Everywhere(Bench bench, OpenShelf shelf) => Hash($"{AppVersion.Now} {typeof(SetStamps).Module.ModuleVersionId} {typeof(Predictor).Module.ModuleVersionId} {shelf.Version} {Kept.Write(bench.Schools)} {bench.RoomC} {bench.RoomHumidity} {bench.RoomFan}");

    private Task<List<StampRow>> StampsAsync(List<SetRow>? of, CancellationToken cancel)
    {
        if (of is null)
        {
            return db.Stamps.AsNoTracking().Where(s => s.Kind != StampKind.Set).ToListAsync(cancel);
        }

        var ids = of.SelectMany(s => s.Pieces.SelectMany(p => p.Zones.Select(z => z.Id).Append(p.Id))).ToList();
        return db.Stamps.AsNoTracking().Where(s => ids.Contains(s.OfId)).ToListAsync(cancel);
    }

    private static string PieceSource(SetRow set, PieceRow piece, Dictionary<Guid, string> now)
    {
        var text = new StringBuilder();
        foreach (var zone in PieceReader.WithMates(piece, set.Pieces))
        {
            text.Append(now[zone.Id]).Append(zone.Id);
            foreach (var mate in zone.Mates)
            {
                text.Append(mate.ZoneId).Append(mate.ClearanceMm);
            }
        }

        return Hash(text.Append(string.Join("|", PartsOn(set, piece))).ToString());
    }

    private static IReadOnlyList<string> PartsOn(SetRow set, PieceRow piece) => [.. set.Pieces.Where(part => part.PartOfId == piece.Id).Select(part => part.Name)];

    private async Task CatchUpAsync(IReadOnlyList<SetRow> sets, Dictionary<Guid, string> now, Bench bench, OpenShelf shelf, TimeSpan moment, CancellationToken cancel)
    {
        var clock = Stopwatch.StartNew();
        var todo = sets.SelectMany(s => s.Pieces.Select(p => (Set: s, Piece: p))).Where(t => behind.Contains(t.Piece.Id) || t.Piece.Zones.Exists(z => behind.Contains(z.Id))).ToList();
        for (var done = 0; done < todo.Count && clock.Elapsed < moment; done += AtOnce)
        {
            var some = todo.GetRange(done, Math.Min(AtOnce, todo.Count - done));
            var ids = some.SelectMany(t => PieceReader.WithMates(t.Piece, t.Set.Pieces)).Select(z => z.SchemeId).Distinct().ToList();
            var schemes = await db.Schemes.AsNoTracking().Include(s => s.Coats).Where(s => ids.Contains(s.Id)).ToDictionaryAsync(s => s.Id, cancel);
            foreach (var (set, piece) in some.TakeWhile(_ => clock.Elapsed < moment))
            {
                // What has got another scheme since it was read is left for the next asking.
                if (PieceReader.WithMates(piece, set.Pieces).All(z => schemes.ContainsKey(z.SchemeId)))
                {
                    WorkOut(set, piece, now, schemes, bench, shelf);
                }
            }

            await KeepAsync(cancel);
        }
    }

    private void WorkOut(SetRow set, PieceRow piece, Dictionary<Guid, string> now, Dictionary<Guid, SchemeRow> schemes, Bench bench, OpenShelf shelf)
    {
        var around = PieceReader.WithMates(piece, set.Pieces);
        var stacks = around.ToDictionary(z => z.Id, z => ZoneStacks.Read(z, schemes[z.SchemeId], bench, shelf));
        foreach (var zone in piece.Zones.Where(z => behind.Contains(z.Id)))
        {
            var stamp = Look(stacks[zone.Id]);
            zones[zone.Id] = (now[zone.Id], stamp);
            fresh.Add(new() { BenchId = open.BenchId, Kind = StampKind.Zone, OfId = zone.Id, Source = now[zone.Id], Content = Kept.Write(stamp) });
            behind.Remove(zone.Id);
        }

        var (joins, assembly) = PieceReader.Around(around, PartsOn(set, piece));
        var judgement = PieceJudgement.Of(new(
            [.. around.Select(z => new PieceZone(z.Id, z.Name, stacks[z.Id], z.Neighbours))],
            [.. joins.Select(j => new Join(j.A, j.B, j.ClearanceMm))],
            [.. assembly.Select(a => new AssemblyStep(a.Name, a.Closes, a.AfterZoneId, a.AfterCoatId))]));
        pieces[piece.Id] = (now[piece.Id], judgement);
        fresh.Add(new() { BenchId = open.BenchId, Kind = StampKind.Piece, OfId = piece.Id, Source = now[piece.Id], Content = Kept.Write(judgement) });
        behind.Remove(piece.Id);
    }

    private static ZoneStamp Look(StackDraft draft)
    {
        var prediction = Predictor.Predict(draft);
        return new(SampleStratum.Of(draft, prediction, draft.Coats.Count), OutcomeView.Of(Outcome.Of(RuleBook.Read(draft, prediction))));
    }

    private async Task KeepAsync(CancellationToken cancel)
    {
        await KeepAsync(fresh, cancel);
        fresh.Clear();
    }

    /// <summary>Keeps stamps. Two lists may work out the same at once: either stamp will do.</summary>
    internal async Task KeepAsync(List<StampRow> fresh, CancellationToken cancel)
    {
        if (fresh.Count == 0)
        {
            return;
        }

        var (kinds, ids, sources, contents) = (fresh.ConvertAll(f => f.Kind.ToString()), fresh.ConvertAll(f => f.OfId), fresh.ConvertAll(f => f.Source), fresh.ConvertAll(f => f.Content));
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO stamps ("BenchId", "Kind", "OfId", "Source", "Content")
            SELECT {open.BenchId}, s.* FROM unnest({kinds}, {ids}, {sources}, {contents}) s
            ON CONFLICT ("BenchId", "Kind", "OfId") DO UPDATE SET "Source" = excluded."Source", "Content" = excluded."Content"
            """,
            cancel);
    }

    internal static string Hash(string text) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)).AsSpan(0, 16));
}
