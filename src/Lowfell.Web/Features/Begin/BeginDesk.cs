using Lowfell.Core.Materials;
using Lowfell.Core.Ready;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Evenings;
using Lowfell.Web.Features.Sets;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Lowfell.Web.Features.Begin;

/// <summary>Makes a set of what a painter tells in the first hour: pieces by their names, zones and schemes by their kind, coats from the shelf.</summary>
/// <param name="db">Database.</param>
/// <param name="open">The bench.</param>
/// <param name="paints">Pasted paints.</param>
/// <param name="sent">Actions that were sent before.</param>
/// <param name="clock">Time.</param>
public sealed class BeginDesk(LowfellDb db, OpenBench open, PaintDesk paints, SentActions sent, TimeProvider clock)
{
    // Within so much of the written face the zone keeps it as its target, dE00.
    private const double TargetWithin = 3;

    private const int MostZones = 400;

    private sealed record PlannedZone(ThingZone Zone, FilledScheme Filled);

    private sealed record PlannedPiece(PieceLine Line, Thing Thing, IReadOnlyList<PlannedZone> Zones, string? Fault);

    /// <summary>Looks at what is told, and unless it is only looked at makes it: shelf, tools, evenings and set in one go, or nothing.</summary>
    /// <exception cref="RefusedException">Something in it can't be taken.</exception>
    public async Task<BeginView> BeginAsync(BeginRequest request, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(request);
        var bench = await open.RowAsync(cancel);
        var (told, rows) = await paints.ReadAsync(new(request.Paints, request.Columns, request.Starter), cancel);
        var tools = request.Tools ?? bench.Tools ?? new Tools();
        var kept = await open.ShelfAsync(cancel);
        var shelf = new Core.Materials.Shelf([.. kept.Shelf.Materials, .. rows.Select(r => r.ToCore())]) { Tools = tools };
        var pieces = Pieces(request, await ReadyDesk.AllAsync(db, cancel), shelf, bench.Schools);
        var hasEvenings = CalendarEndpoints.Of(bench).Weekly.Count > 0;
        Guid? made = null;
        var toBuy = Bought(pieces);
        if (!request.DryRun)
        {
            await using var all = await db.Database.BeginTransactionAsync(cancel);
            bench = await open.LockedRowAsync(cancel);
            await sent.TakeAsync(request.SetId, SentActions.HashOf(request), cancel);
            if (!await db.Sets.AnyAsync(s => s.Id == request.SetId, cancel))
            {
                Refuse(request, pieces, told);
                await KeepAsync(request, bench, pieces, rows, toBuy, CalendarEndpoints.Of(bench).Weekly.Count > 0, cancel);
                await all.CommitAsync(cancel);
            }
        }

        if (!request.DryRun)
        {
            made = request.SetId;
        }

        return new([.. pieces.Select(View)], told, [.. toBuy.Select(m => m.Name)], hasEvenings, made);
    }

    private static void Refuse(BeginRequest request, IReadOnlyList<PlannedPiece> pieces, PastedPaints told)
    {
        if (pieces.Count == 0)
        {
            throw new RefusedException("pieces", "Write down what stands before you, a piece a line, such as: Wall, 6.");
        }

        if (pieces.FirstOrDefault(p => p.Fault is not null) is { } wrong)
        {
            throw new RefusedException("pieces", $"Line {wrong.Line.Line}: {wrong.Fault}");
        }

        if (!request.LeaveOut)
        {
            PaintDesk.RefuseFaults("paints", told);
        }
    }

    private static List<Material> Bought(IEnumerable<PlannedPiece> pieces) =>
        [.. pieces.SelectMany(p => p.Zones).SelectMany(z => z.Filled.Roles).Where(r => r.Filling == Filling.ToBuy).Select(r => r.Coat!.Material!).DistinctBy(m => m.Id)];

    private static List<PlannedPiece> Pieces(BeginRequest request, IReadOnlyList<OwnScheme> ready, Core.Materials.Shelf shelf, Schools schools)
    {
        IReadOnlyList<PieceLine> lines;
        try
        {
            lines = PieceLines.Read(request.Pieces);
        }
        catch (ArgumentException many)
        {
            throw new RefusedException("pieces", many.Message.Split(" (Parameter", 2)[0]);
        }

        var chosen = (request.Schemes ?? []).GroupBy(s => (s.Line, s.Zone)).ToDictionary(g => g.Key, g => g.Last().Scheme);
        var filled = new Dictionary<(string, Substrate, Relief, Facing), FilledScheme>();
        var pieces = new List<PlannedPiece>(lines.Count);
        var zones = 0;
        foreach (var line in lines)
        {
            var thing = Things.Guess(line.Name);
            var own = line.Fault is null ? ZonesOf(line, thing) : [];
            zones += own.Count;
            if (zones > MostZones)
            {
                throw new RefusedException("pieces", $"Begin with fewer pieces: {MostZones} zones are the most at once.");
            }

            pieces.Add(new(line, thing, [.. own.Select((z, i) =>
            {
                var scheme = ReadyDesk.Named("schemes", ready, chosen.GetValueOrDefault((line.Line, i), z.SchemeWith(shelf.Tools)));
                var key = (scheme.Name, thing.Substrate, z.Relief, z.Facing);
                if (!filled.TryGetValue(key, out var fill))
                {
                    fill = SchemeFiller.Fill(scheme, new() { Name = z.Name, Substrate = thing.Substrate, Relief = z.Relief, Facing = z.Facing, Finish = scheme.Finish }, shelf, schools);
                    filled.Add(key, fill);
                }

                return new PlannedZone(z, fill);
            })], line.Fault));
        }

        return pieces;
    }

    private static IReadOnlyList<ThingZone> ZonesOf(PieceLine line, Thing thing) => line.Zones.Count == 0
        ? thing.Zones
        : [.. line.Zones.Select(z => thing.Zones.FirstOrDefault(t => string.Equals(t.Name, z, StringComparison.OrdinalIgnoreCase)) is { } same
            ? same with { Share = Math.Round(1.0 / line.Zones.Count, 3) }
            : thing.Zones[0] with { Name = z, Share = Math.Round(1.0 / line.Zones.Count, 3) })];

    private async Task KeepAsync(BeginRequest request, Bench bench, IReadOnlyList<PlannedPiece> pieces, IReadOnlyList<MaterialRow> rows, IReadOnlyList<Material> toBuy, bool hasEvenings, CancellationToken cancel)
    {
        var taken = (await open.ShelfAsync(cancel)).Shelf.Materials.Select(m => m.Name).Concat(rows.Select(r => r.Name)).ToList();
        var bought = toBuy.ToDictionary(m => m.Id, m => PaintDesk.ToBuy(m, taken));
        db.Materials.AddRange([.. rows, .. bought.Values]);
        if (request.Tools is not null)
        {
            bench.Tools = request.Tools;
            bench.SettingsVersion++;
        }

        if (!hasEvenings)
        {
            var calendar = CalendarEndpoints.Of(bench) with { Weekly = Evenings(request.Times) };
            // A browser may tell a zone by a name that is not known here; the evenings are no worse for it.
            calendar = DateTimeZoneProviders.Tzdb.GetZoneOrNull(request.TimeZone) is null ? calendar : calendar with { TimeZone = request.TimeZone };
            var checks = new Checks();
            calendar.Check(checks);
            checks.Enforce();
            CalendarEndpoints.Keep(bench, calendar);
        }

        var set = new SetRow { Id = request.SetId, Name = "", Position = (await db.Sets.Select(s => (int?)s.Position).MaxAsync(cancel) ?? -1) + 1 };
        var name = request.Name.Trim() is { Length: > 0 } given ? given : Name(pieces);
        new SetDraft(name, ReadyBy: request.ReadyBy).CopyTo(set, DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime));
        var schemes = new Dictionary<FilledScheme, SchemeRow>();
        foreach (var (piece, place) in pieces.Select((p, i) => (p, i)))
        {
            set.Pieces.Add(Piece(piece, place, schemes, bought));
        }

        db.Sets.Add(set);
        await open.TouchShelfAsync(cancel);
        await db.SaveChangesAsync(cancel);
    }

    private PieceRow Piece(PlannedPiece planned, int place, Dictionary<FilledScheme, SchemeRow> schemes, Dictionary<Guid, MaterialRow> bought)
    {
        var (line, thing) = (planned.Line, planned.Thing);
        var (length, width, height) = line.Size ?? (thing.LengthMm, thing.WidthMm, thing.HeightMm);
        var row = new PieceRow { Id = Guid.CreateVersion7(), Name = line.Name, Position = place };
        new PieceDraft { Name = line.Name, Kind = Word(thing.Kind), Substrate = thing.Substrate, Shape = thing.Shape, LengthMm = length, WidthMm = width, HeightMm = height, Copies = line.Copies }.CopyTo(row);
        foreach (var (zone, at) in planned.Zones.Select((z, i) => (z, i)))
        {
            if (!schemes.TryGetValue(zone.Filled, out var scheme))
            {
                scheme = new() { Id = Guid.CreateVersion7(), Name = zone.Filled.Scheme.Name };
                db.Schemes.Add(scheme);
                CoatRows.Replace(db, scheme, [.. zone.Filled.Draft.Coats.Select(c => Draft(c, bought))], zone.Filled.Draft.Coats.Where(c => c.Material is not null).Select(c => c.Material!).DistinctBy(m => m.Id).ToDictionary(m => bought.TryGetValue(m.Id, out var b) ? b.Id : m.Id, m => m.Family));
                schemes.Add(zone.Filled, scheme);
            }

            var kept = new ZoneRow { Id = Guid.CreateVersion7(), PieceId = row.Id, Name = zone.Zone.Name, SchemeId = scheme.Id, Position = at };
            new ZoneSettings
            {
                Name = zone.Zone.Name,
                AreaShare = zone.Zone.Share,
                Relief = zone.Zone.Relief,
                Facing = zone.Zone.Facing,
                Finish = zone.Filled.Scheme.Finish,
                Target = zone.Filled.Off.Face <= TargetWithin ? zone.Filled.Scheme.Look.Face : null,
                TargetRecess = zone.Filled.Off.Recess <= TargetWithin ? zone.Filled.Scheme.Look.Recess : null,
                TargetEdge = zone.Filled.Off.Edge <= TargetWithin ? zone.Filled.Scheme.Look.Edge : null,
            }.CopyTo(kept);
            row.Zones.Add(kept);
        }

        return row;
    }

    /// <summary>A filled coat as it is kept; what is bought by its row.</summary>
    internal static CoatDraft Draft(Coat c, IReadOnlyDictionary<Guid, MaterialRow> bought) => new()
    {
        Id = Guid.CreateVersion7(),
        Technique = c.Technique,
        MaterialId = c.Material is { } m ? (bought.TryGetValue(m.Id, out var b) ? b.Id : m.Id) : null,
        Passes = c.Passes,
        PaintFraction = c.Dilution.PaintFraction,
        Thinner = c.Thinner,
        Hand = c.Hand,
        Marks = c.Marks,
        Fade = c.Fade,
        WhileWet = c.WhileWet,
        Note = c.Note,
    };

    // "6 Wall, 1 Carrier" is told by the names; a long list by its first.
    private static string Name(IReadOnlyList<PlannedPiece> pieces)
    {
        var name = pieces.Count switch { 1 => pieces[0].Line.Name, 2 => $"{pieces[0].Line.Name} and {pieces[1].Line.Name}", _ => $"{pieces[0].Line.Name} and more" };
        return name.Length <= NameBoundAttribute.Longest ? name : name[..NameBoundAttribute.Longest];
    }

    private static IReadOnlyList<WeeklyEvening> Evenings(PaintingTimes times)
    {
        const int HalfPastSeven = 1170, Ten = 1320, HalfPastNine = 570, HalfPastTwelve = 750, Two = 840, Five = 1020;
        return times switch
        {
            PaintingTimes.EveryEvening => [.. Enum.GetValues<DayOfWeek>().Select(d => new WeeklyEvening(d, HalfPastSeven, Ten))],
            PaintingTimes.Weekend => [.. new[] { DayOfWeek.Saturday, DayOfWeek.Sunday }.SelectMany(d => new[] { new WeeklyEvening(d, HalfPastNine, HalfPastTwelve), new WeeklyEvening(d, Two, Five) })],
            _ => [new(DayOfWeek.Tuesday, HalfPastSeven, Ten), new(DayOfWeek.Thursday, HalfPastSeven, Ten), new(DayOfWeek.Sunday, HalfPastNine, HalfPastTwelve)],
        };
    }

    private static string Word(ThingKind kind) => SaidAttribute.Of(typeof(ThingKind))[kind.ToString()];

    private static BegunPiece View(PlannedPiece piece)
    {
        var (length, width, height) = piece.Line.Size ?? (piece.Thing.LengthMm, piece.Thing.WidthMm, piece.Thing.HeightMm);
        return new(piece.Line.Line, piece.Line.Name, piece.Line.Copies, Word(piece.Thing.Kind), piece.Thing.Substrate, FormattableString.Invariant($"{length} x {width} x {height} mm"), [.. piece.Zones.Select(View)], piece.Fault);
    }

    private static BegunZone View(PlannedZone zone) => View(zone.Zone.Name, zone.Filled);

    /// <summary>A filled zone.</summary>
    internal static BegunZone View(string name, FilledScheme filled) => new(name, filled.Scheme.Name, Written(filled), LookView.Of(filled.Look), filled.Words, Roles(filled));

    /// <summary>The written look.</summary>
    internal static LookView Written(FilledScheme filled) => new(filled.Scheme.Look.Recess, filled.Scheme.Look.Face, filled.Scheme.Look.Edge);

    /// <summary>The roles in words.</summary>
    internal static IReadOnlyList<RoleView> Roles(FilledScheme filled) =>
        [.. filled.Roles.Where(r => r.Coat is not null || r.Said.Length > 0).Select(r => new RoleView(r.Role.Role.Word(), r.Coat?.Label ?? "", r.Filling, r.Said))];
}
