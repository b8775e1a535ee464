using Lowfell.Core.Evenings.Steps;
using System.Diagnostics;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Surfaces;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sets;

/// <summary>What a card shows of a set, as it was worked out.</summary>
/// <param name="Pieces">Pieces.</param>
/// <param name="Copies">Copies of all of them.</param>
/// <param name="Zones">Zones.</param>
/// <param name="AreaMm2">Area of all copies, mm2.</param>
/// <param name="Largest">Where its core sample was drilled: the largest zone.</param>
/// <param name="Sample">Core sample there, the substrate first.</param>
/// <param name="Looks">Recess, face and edge of the finished zones of other pieces, one each, the largest first.</param>
/// <param name="Findings">What the rules find in its zones.</param>
/// <param name="Done">Steps that are done or left out, counted copy by copy.</param>
/// <param name="Steps">Steps in all, counted copy by copy.</param>
/// <param name="Next">What comes next.</param>
public sealed record CardFacts(
    int Pieces, int Copies, int Zones, double AreaMm2, Place? Largest, IReadOnlyList<SampleStratum> Sample, IReadOnlyList<IReadOnlyList<string>> Looks, OutcomeView Findings, int Done, int Steps, string? Next)
{
    /// <summary>Of a set that was never looked at.</summary>
    public static CardFacts None { get; } = new(0, 0, 0, 0, null, [], [], new(0, 0, 0), 0, 0, null);
}

/// <summary>A zone by its names.</summary>
/// <param name="PieceId">Its piece.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="Piece">Name of the piece.</param>
/// <param name="Zone">Name of the zone.</param>
public sealed record Place(Guid PieceId, Guid ZoneId, string Piece, string Zone);

/// <summary>A set as its card shows it.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Name">Name.</param>
/// <param name="Scale">Scale, one to so many.</param>
/// <param name="ViewingMm">Distance that it is looked at from, mm.</param>
/// <param name="ReadyBy">The day on which it has to be done; none where there is no such day.</param>
/// <param name="Facts">What was worked out.</param>
/// <param name="Current">That is of today; else of before, until it is worked out again.</param>
public sealed record SetCard(Guid Id, int Version, string Name, double Scale, double ViewingMm, DateOnly? ReadyBy, CardFacts Facts, bool Current);

/// <summary>
/// The cards of all sets without reading their pieces: what a card shows is kept with a hash of the versions of all that it came from and of the
/// number of log entries about the set, which the database reckons in one go.
/// </summary>
/// <param name="db">Database.</param>
/// <param name="open">The bench.</param>
/// <param name="stamps">What is kept of zones and pieces.</param>
/// <param name="clock">Time.</param>
public sealed class SetCards(LowfellDb db, OpenBench open, SetStamps stamps, TimeProvider clock)
{
    private const int MostLooks = 4;

    // Reading the coats of more than so many zones takes longer than a moment by itself: that is for the job.
    private const int MostZonesInAMoment = 400;

    /// <summary>Whether a card is left behind.</summary>
    public bool IsBehind { get; private set; }

    /// <summary>Every card in order; what is behind is worked out for as long as a moment lasts.</summary>
    internal async Task<List<SetCard>> ReadAsync(TimeSpan moment, CancellationToken cancel)
    {
        var time = Stopwatch.StartNew();
        var sets = await db.Sets.AsNoTracking().Where(s => s.DeletedAt == null).OrderBy(s => s.Position).ThenBy(s => s.Id).ToListAsync(cancel);
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var (all, from) = (SetStamps.Everywhere(bench, shelf), await SourcesAsync(db, open.BenchId, cancel));
        var kept = await db.Stamps.AsNoTracking().Where(s => s.Kind == StampKind.Set).ToDictionaryAsync(s => s.OfId, cancel);
        var cards = new List<SetCard>(sets.Count);
        foreach (var set in sets)
        {
            var (source, zones) = Source(all, set.Version, from.GetValueOrDefault(set.Id));
            var before = kept.TryGetValue(set.Id, out var row) ? Kept.ReadIfKnown<CardFacts>(row.Content) : null;
            var current = before is not null && row!.Source == source;
            var fits = moment == TimeSpan.MaxValue || (time.Elapsed < moment && zones <= MostZonesInAMoment);
            if (!current && fits && await WorkOutAsync(set.Id, moment == TimeSpan.MaxValue ? moment : moment - time.Elapsed, bench, shelf, cancel) is { } fresh)
            {
                (before, current) = (fresh, true);
                await stamps.KeepAsync([new() { BenchId = open.BenchId, Kind = StampKind.Set, OfId = set.Id, Source = source, Content = Kept.Write(fresh) }], cancel);
            }

            IsBehind |= !current;
            cards.Add(new(set.Id, set.Version, set.Name, set.Scale, set.ViewingMm, set.ReadyBy, before ?? CardFacts.None, current));
        }

        return cards;
    }

    /// <summary>Sets of which every step is done, as far as that is known without reading them.</summary>
    internal static async Task<HashSet<Guid>> DoneAsync(LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var all = SetStamps.Everywhere(await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var kept = await db.Stamps.AsNoTracking().Where(s => s.Kind == StampKind.Set).ToListAsync(cancel);
        var done = kept.Where(k => Kept.ReadIfKnown<CardFacts>(k.Content) is { Steps: > 0 } facts && facts.Done == facts.Steps).ToList();
        if (done.Count == 0)
        {
            return [];
        }

        var (versions, from) = (await db.Sets.AsNoTracking().ToDictionaryAsync(s => s.Id, s => s.Version, cancel), await SourcesAsync(db, open.BenchId, cancel));
        return [.. done.Where(k => versions.TryGetValue(k.OfId, out var version) && k.Source == Source(all, version, from.GetValueOrDefault(k.OfId)).Hash).Select(k => k.OfId)];
    }

    private static (string Hash, long Zones) Source(string all, int version, SetSource? from) => (SetStamps.Hash($"{all} {version} {from?.Source}"), from?.Zones ?? 0);

    private static async Task<Dictionary<Guid, SetSource>> SourcesAsync(LowfellDb db, Guid bench, CancellationToken cancel)
    {
        var rows = await db.Database.SqlQuery<SetSource>(
            $"""
            SELECT p."SetId", md5(string_agg(concat_ws(' ', p."Id", p."Version", p."Position", z."Id", z."Version", z."Position", s."Id", s."Version"), ',' ORDER BY p."Id", z."Id"))
                || ' ' || coalesce(max(m."Entries"), 0) AS "Source", count(z."Id") AS "Zones"
            FROM pieces p
            LEFT JOIN zones z ON z."BenchId" = p."BenchId" AND z."PieceId" = p."Id" AND z."DeletedAt" IS NULL
            LEFT JOIN schemes s ON s."BenchId" = z."BenchId" AND s."Id" = z."SchemeId"
            LEFT JOIN log_marks m ON m."BenchId" = p."BenchId" AND m."SetId" = p."SetId"
            WHERE p."BenchId" = {bench} AND p."DeletedAt" IS NULL
            GROUP BY p."SetId"
            """).ToListAsync(cancel);
        return rows.ToDictionary(r => r.SetId);
    }

    private async Task<CardFacts?> WorkOutAsync(Guid id, TimeSpan moment, Bench bench, OpenShelf shelf, CancellationToken cancel)
    {
        if ((await stamps.ReadAsync(moment, cancel, id)) is not [var set] || stamps.IsBehindIn(set))
        {
            return null;
        }

        var work = await WorkReader.ReadAsync(id, clock.GetUtcNow(), bench, shelf, db, cancel);
        var (done, steps) = work.Count();
        var zones = set.Pieces.SelectMany(p => p.Zones.Select(z => (Piece: p, Zone: z, Area: PieceArea.ZoneMm2(p.AreaMm2, z.AreaShare, z.OwnAreaMm2), stamps.Of(z).Stamp))).OrderByDescending(z => z.Area).ToList();
        var largest = zones.FirstOrDefault();
        var others = zones.Where(z => z.Piece != largest.Piece && z.Stamp.Sample.Count > 0).DistinctBy(z => z.Piece.Id).Take(MostLooks).Select(z => z.Stamp.Sample[^1]);
        return new(
            set.Pieces.Count,
            set.Pieces.Sum(p => p.Copies),
            zones.Count,
            Math.Round(set.Pieces.Sum(p => p.Copies * p.AreaMm2), 1),
            largest.Zone is null ? null : new(largest.Piece.Id, largest.Zone.Id, largest.Piece.Name, largest.Zone.Name),
            largest.Stamp?.Sample ?? [],
            [.. others.Select(s => (IReadOnlyList<string>)[s.Recess, s.Face, s.Edge])],
            OutcomeView.Sum(zones.Select(z => z.Stamp.Findings)),
            done,
            steps,
            Next(work));
    }

    private static string? Next(OpenWork work) =>
        work.FirstOpen() is not { } next ? null : next.Zone.Steps[next.Place] is var step && step.Coat.Paint?.Name is { } paint ? $"{StepWords.Of(step)} {paint}" : StepWords.Of(next.Zone.Steps[next.Place]);

    private sealed record SetSource(Guid SetId, string Source, long Zones);
}
