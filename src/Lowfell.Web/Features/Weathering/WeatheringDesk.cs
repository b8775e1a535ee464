using Lowfell.Core.Boards;
using Lowfell.Core.Meshes.Looks;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Boards;
using Lowfell.Web.Features.Stack;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Weathering;

/// <summary>A piece with its plan, as it is reckoned with.</summary>
/// <param name="Row">The piece.</param>
/// <param name="Piece">The same in Core's terms.</param>
/// <param name="Zones">Its zones, without coats of the plan.</param>
/// <param name="Rows">The same as they are kept.</param>
/// <param name="Whole">The stacks with all their coats.</param>
/// <param name="Kept">The plan's row; none where none is kept.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Lines">Lines of the board, by copy; 0 for those that stand elsewhere.</param>
/// <param name="Parts">Parts that move.</param>
/// <param name="Stand">Where it is looked at from, and who.</param>
/// <param name="Shelf">The shelf.</param>
internal sealed record WeatherScene(
    PieceRow Row, WeatherPiece Piece, IReadOnlyList<WeatherZone> Zones, IReadOnlyList<ZoneRow> Rows, IReadOnlyDictionary<Guid, StackDraft> Whole, WeatheringRow? Kept, WeatheringDraft Plan, IReadOnlyList<LinesOnCopy> Lines, IReadOnlyList<BoardPartDraft> Parts, SightFrom Stand, OpenShelf Shelf)
{
    /// <summary>Water line of its board, mm; none where it has none.</summary>
    public double? BoardLevelMm => Lines.SelectMany(l => l.Lines).Where(l => l.Kind == DatumKind.Level).Select(l => (double?)l.HeightMm).FirstOrDefault();

    /// <summary>Lines on a copy.</summary>
    public IReadOnlyList<CardLine> LinesOn(int copy) =>
        (Lines.FirstOrDefault(l => l.Copy == copy) ?? Lines.FirstOrDefault(l => l.Copy == 0))?.Lines.Where(l => l.On.State == LevelState.Over).Select(l => new CardLine(l.Name, l.On.Points[0].HeightMm, l.On.Points[^1].HeightMm)).ToList() ?? [];

    /// <summary>An entry as it lies on a copy: what keeps its height above the table is lower on what stands higher.</summary>
    public MarkEntry On(MarkEntry entry, int copy)
    {
        if (entry is not { FromMm: { } from, ToMm: { } to } || (entry.How.Over != StripFrom.Level && entry.Kind != MarkKind.Damp) || (Lines.FirstOrDefault(l => l.Copy == copy) ?? Lines.FirstOrDefault(l => l.Copy == 0))?.Lines.FirstOrDefault(l => l.Kind == DatumKind.Level) is not { } line)
        {
            return entry;
        }

        var shift = ((line.On.Points[0].HeightMm + line.On.Points[^1].HeightMm) / 2) - line.HeightMm;
        return entry with { FromMm = from <= 0 ? from : from + shift, ToMm = to + shift };
    }
}

/// <summary>The marks of a piece: each kind is shared out once, however many copies are asked for.</summary>
/// <param name="scene">The piece with its plan.</param>
internal sealed class SceneMarks(WeatherScene scene)
{
    private readonly Dictionary<Guid, WeatherZone> zones = scene.Zones.ToDictionary(z => z.Id);
    private readonly Dictionary<MarkEntry, KindMarks> known = [];

    /// <summary>Marks of a kind as they lie on a copy.</summary>
    public KindMarks Of(MarkEntry entry, int copy) => Of(scene.On(entry, copy));

    /// <summary>Marks of a kind as it is planned.</summary>
    public KindMarks Of(MarkEntry entry)
    {
        if (!known.TryGetValue(entry, out var marks))
        {
            known.Add(entry, marks = new(scene.Piece, zones[entry.ZoneId], entry));
        }

        return marks;
    }
}

/// <summary>Reads plans and answers them: all that is said is Core's.</summary>
/// <param name="db">Database.</param>
/// <param name="open">The bench.</param>
public sealed class WeatheringDesk(LowfellDb db, OpenBench open)
{
    private const int LongestText = 60;

    // A pattern is told of by cells of this size, mm.
    private const double CellMm = 1.5;

    /// <summary>A piece with its plan.</summary>
    /// <param name="pieceId">The piece.</param>
    /// <param name="draft">A plan in place of the kept one; none for that.</param>
    /// <param name="cancel">Ends it.</param>
    /// <exception cref="RefusedException">There is no such piece.</exception>
    internal async Task<WeatherScene> SceneAsync(Guid pieceId, WeatheringDraft? draft, CancellationToken cancel)
    {
        var piece = await db.Pieces.AsNoTracking().Include(p => p.Set).SingleOrDefaultAsync(p => p.Id == pieceId && p.DeletedAt == null && p.Set!.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("id", pieceId);
        var kept = await db.Weatherings.AsNoTracking().SingleOrDefaultAsync(w => w.PieceId == pieceId, cancel);
        var plan = draft ?? (kept is null ? new(new(WeatherAge.TenYears, []), [], []) : Kept.Read<WeatheringDraft>(kept.Plan));
        var rows = await ZoneStacks.Rows(db).Where(z => z.PieceId == pieceId).OrderBy(z => z.Position).ToListAsync(cancel);
        plan = draft ?? There(plan, [.. rows.Select(z => z.Id)]);
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var whole = rows.ToDictionary(z => z.Id, z => ZoneStacks.Read(z, bench, shelf));

        // What was put in by the plan, and what it is about to put in, is not what it goes on.
        var put = plan.Entries.Select(e => e.Id).Concat(Drawn(plan, shelf).CoatIds()).Concat(plan.Put ?? []).Concat(draft is null || kept is null ? [] : Kept.Read<WeatheringDraft>(kept.Plan).Put ?? []).ToHashSet();
        List<WeatherZone> zones = [.. rows.Select(z => new WeatherZone(z.Id, z.Name, whole[z.Id].Remove(c => put.Contains(c.Id)), plan.Hosts.LastOrDefault(h => h.ZoneId == z.Id)?.ToCore() ?? new()))];
        var (lines, board) = await BoardEndpoints.OfPieceAsync(piece, db, cancel);
        var own = board?.Pieces.FirstOrDefault(p => p.PieceId == pieceId);
        var (length, width, height) = DeskPiece.Sizes(piece.Shape, piece.LengthMm, piece.WidthMm, piece.HeightMm, piece.FreeAreaMm2);
        var box = new PieceBox(own?.LengthMm ?? length, own?.WidthMm ?? width, own?.HeightMm ?? height, Moving(own?.Parts ?? []));
        return new(
            piece, new(piece.SetId.ToString("n"), pieceId.ToString("n"), piece.Copies, box, plan.History.From) { Name = piece.Name, AtRandom = bench.Schools.MarkPlaces == MarkPlaceSchool.AtRandom },
            zones, rows, whole, kept, plan, lines, own?.Parts ?? [], new(piece.Set!.ViewingMm / 1000) { TrialFactor = bench.TrialFactor }, shelf);
    }

    // What was planned on a zone that was deleted comes back with it, as long as nothing else is kept meanwhile.
    private static WeatheringDraft There(WeatheringDraft plan, HashSet<Guid> zones) => plan with
    {
        Hosts = [.. plan.Hosts.Where(h => zones.Contains(h.ZoneId))],
        Entries = [.. plan.Entries.Where(e => zones.Contains(e.ZoneId))],
        Letters = [.. (plan.Letters ?? []).Where(l => zones.Contains(l.ZoneId))],
        Pattern = plan.Pattern is { } pattern ? pattern with { ZoneIds = [.. pattern.ZoneIds.Where(zones.Contains)] } : null,
    };

    /// <summary>The marks of a copy as a look draws them, by coat: those of entries whose coats are there.</summary>
    /// <param name="pieceId">The piece.</param>
    /// <param name="copy">Which copy.</param>
    /// <param name="coats">Coats that are there.</param>
    /// <param name="cancel">Ends it.</param>
    internal async Task<IReadOnlyDictionary<Guid, IReadOnlyList<LookMark>>> MarksAsync(Guid pieceId, int copy, HashSet<Guid> coats, CancellationToken cancel)
    {
        if (await db.Weatherings.AsNoTracking().Where(w => w.PieceId == pieceId).Select(w => w.Plan).SingleOrDefaultAsync(cancel) is not { } kept || !Kept.Read<WeatheringDraft>(kept).Entries.Any(e => coats.Contains(e.Id)))
        {
            return new Dictionary<Guid, IReadOnlyList<LookMark>>();
        }

        var scene = await SceneAsync(pieceId, null, cancel);
        var zones = scene.Zones.ToDictionary(z => z.Id);
        return scene.Plan.Entries.Where(e => coats.Contains(e.Id) && zones.ContainsKey(e.ZoneId)).DistinctBy(e => e.Id)
            .ToDictionary(e => e.Id, e => PlannedLook.Of(scene.Piece, zones[e.ZoneId], scene.On(e.ToCore(), copy), copy));
    }

    /// <summary>Parts that move, in Core's terms.</summary>
    internal static List<BoardPart> Moving(IReadOnlyList<BoardPartDraft> parts) => [.. parts.Select(p => new BoardPart(p.Name, p.Moves, p.FromMm, p.ToMm, p.AboveMm, p.HeightMm))];

    /// <summary>The entries of a plan, filled from its history: what is locked stays.</summary>
    internal static List<EntryDraft> Proposed(WeatherScene scene)
    {
        var kept = scene.Plan.Entries.Where(e => e.Locked).ToList();
        var proposals = Proposals.Of(scene.Piece, scene.Zones, scene.Plan.History.ToCore(scene.BoardLevelMm), scene.Shelf.Shelf, scene.Stand, kept.ConvertAll(e => e.ToCore()));
        return [.. kept, .. proposals.Select(p => EntryDraft.Of(p.Entry))];
    }

    /// <summary>What follows from a plan.</summary>
    /// <param name="scene">The piece and its plan.</param>
    /// <param name="copy">The copy that marks are told of.</param>
    internal static WeatheringAnswer Answer(WeatherScene scene, int copy)
    {
        copy = Math.Clamp(copy, 1, scene.Piece.Copies);
        List<MarkEntry> entries = scene.Plan.Entries.Select(e => e.ToCore()).ToList();
        var (read, known) = (Read(scene, entries), new SceneMarks(scene));
        var history = scene.Plan.History.ToCore(scene.BoardLevelMm);
        var zones = scene.Zones.ToDictionary(z => z.Id);
        var views = new List<EntryView>();
        var marks = new List<EntryMarks>();
        var (overlap, pairs, next) = (0.0, 0, 1);
        foreach (var reading in read.Entries.OrderBy(e => e.Entry.How.Stage).ThenBy(e => e.Entry.Kind))
        {
            var (entry, zone) = (reading.Entry, zones[reading.Entry.ZoneId]);
            var (of, on) = reading.Faults.Count > 0 ? (null, []) : (known.Of(entry), known.Of(entry, copy).On(copy));
            var (strip, byNumber) = (entry.How.Length is null, entry.How.ByNumber);
            var (single, why) = (of?.IsNumbered ?? byNumber, Why(scene, history, entry));
            views.Add(new(
                entry.Id, why, (entry.How.By == MarksBy.Hosts && zone.HostsOf(entry.How.Host).Guess) || (entry.How.By == MarksBy.Edge && zone.HotEdge.Guess), strip, single,
                Math.Round(entry.WidthMm * zone.Surface.Scale, 1), Math.Round(entry.LengthMm * zone.Surface.Scale), reading.Verdict, reading.Tool?.Name, reading.Seen ?? SightVerdict.Never, reading.Coat?.Technique, reading.Coat?.Material?.Name, reading.Colour?.ToString(),
                byNumber ? entry.Total(scene.Piece.Copies) : 0, byNumber && of is not null ? of.Counts : [], Math.Round(reading.Work?.Ml ?? 0, 3), Math.Round(reading.Work?.MinutesEach ?? 0, 2), Math.Round(reading.Work?.Minutes ?? 0, 1), scene.Whole[zone.Id].IndexOf(entry.Id) >= 0, reading.Faults));
            marks.Add(new(entry.Id, entry.How.Shape, [.. on.Select(PlacedMark.Of)], entry.Held.Any(h => h.Copy == copy), single && on.Count > 0 ? next : 0));
            next += single ? on.Count : 0;

            // What lies anywhere is on nothing that the next copy has too.
            if (single && of is not null && (of.ByHosts || entry.Held.Any(h => h.Marks.Any(m => m.Host >= 0))))
            {
                var hosts = Enumerable.Range(1, scene.Piece.Copies).Select(c => known.Of(entry, copy).On(c).Select(m => m.Host).Where(h => h >= 0).ToHashSet()).ToList();
                foreach (var (a, b) in hosts.Zip(hosts.Skip(1)).Where(p => p.First.Count + p.Second.Count > 0))
                {
                    overlap += (double)a.Intersect(b).Count() / a.Union(b).Count();
                    pairs++;
                }
            }
        }

        return new(
            views, copy, marks, [.. scene.LinesOn(copy).Select(l => new LineView(l.Name, Levels.Marked(l.LeftMm), Levels.Marked(l.RightMm)))],
            [.. read.Stacks.Select(s => Coats(s.Key, s.Value, scene, zones[s.Key]))],
            Math.Round(views.Sum(v => v.Minutes), 1), Math.Round(views.Sum(v => v.Ml), 2), pairs > 0 ? Math.Round(overlap / pairs, 2) : null,
            [.. (scene.Plan.Letters ?? []).Where(l => zones.ContainsKey(l.ZoneId)).Select(l => Letters(scene, l, copy))], Cells(scene, copy));
    }

    /// <summary>Reads a plan.</summary>
    internal static WeatherReading Read(WeatherScene scene, IReadOnlyList<MarkEntry> entries)
    {
        var chosen = scene.Plan.Entries.Where(e => e.MaterialId is { } id && scene.Shelf.Find(id) is not null).DistinctBy(e => e.Id).ToDictionary(e => e.Id, e => scene.Shelf.Find(e.MaterialId!.Value)!);
        return WeatherReading.Of(scene.Piece, scene.Zones, entries, chosen, scene.Shelf.Shelf, scene.Stand, Drawn(scene.Plan, scene.Shelf));
    }

    /// <summary>What a plan draws beside marks.</summary>
    internal static Drawings Drawn(WeatheringDraft plan, OpenShelf shelf) => new(
        [.. (plan.Letters ?? []).Select(l => (l.ToCore(), l.MaterialId is { } id ? shelf.Find(id) : null))], plan.Pattern?.ToCore(), [.. (plan.Pattern?.Tones ?? []).Select(t => shelf.Find(t.MaterialId))]);

    private static LetteringView Letters(WeatherScene scene, LetteringDraft draft, int copy)
    {
        var (lettering, zone) = (draft.ToCore(), scene.Zones.First(z => z.Id == draft.ZoneId));
        var read = Core.Weathering.Letters.Read(lettering, zone.Surface, scene.Piece.Box);
        var texts = Core.Weathering.Letters.Shared(lettering, scene.Piece);
        return new(draft.Id, texts[copy - 1], Math.Round(Core.Weathering.Letters.WidthMm(texts[copy - 1], draft.TallMm), 1), Math.Round(read.StrokeMm, 2), Math.Round(read.LifeMm), Math.Round(read.LegibleM, 1), read.Tool, texts, read.Faults);
    }

    private static List<SidePattern> Cells(WeatherScene scene, int copy)
    {
        if (scene.Plan.Pattern is not { Tones.Count: > 0 } pattern || scene.Zones.Count == 0)
        {
            return [];
        }

        var (box, field) = (scene.Piece.Box, Camouflage.Of(pattern.ToCore(), scene.Piece, scene.Zones[0].Surface.Scale, copy));
        var sides = scene.Zones.Where(z => pattern.ZoneIds.Contains(z.Id)).SelectMany(z => FaceMap.Of(box, z.Surface)).Select(p => p.Side).Distinct().Order();
        return [.. sides.Select(side => new SidePattern(side, CellMm, [.. Enumerable.Range(0, (int)Math.Ceiling(box.Up(side) / CellMm)).Select(r => string.Concat(Enumerable.Range(0, (int)Math.Ceiling(box.Across(side) / CellMm)).Select(c => field.At(box, side, (c + 0.5) * CellMm, (r + 0.5) * CellMm) is >= 0 and var t ? (char)('0' + t) : '.')))]))];
    }

    /// <summary>Checks what no bound tells.</summary>
    /// <exception cref="RefusedException">Something names what is not there.</exception>
    internal static void Check(WeatheringDraft plan, IReadOnlyCollection<Guid> zones, OpenShelf shelf, string prefix = "plan.")
    {
        var checks = new Checks();
        foreach (var (i, entry) in plan.Entries.Index())
        {
            if (!zones.Contains(entry.ZoneId))
            {
                checks.Fault($"{prefix}entries[{i}].zoneId", "There is no such zone on the piece.");
            }

            if (plan.Entries.Take(i).Any(e => e.Id == entry.Id))
            {
                checks.Fault($"{prefix}entries[{i}].id", "This entry is there twice.");
            }

            if (entry.FromMm is null != entry.ToMm is null)
            {
                checks.Fault($"{prefix}entries[{i}].toMm", "A strip has a lower and an upper border: give both, or none.");
            }

            if (entry.MaterialId is { } material && (shelf.Find(material) is not { } of || WeatherPaints.With(entry.Kind, of) is null))
            {
                checks.Fault($"{prefix}entries[{i}].materialId", shelf.Find(material) is { } there ? $"{there.Name} makes none of these: take a paint, wash or powder that does." : $"There is no material {material} on this shelf.");
            }
        }

        foreach (var (i, letters) in (plan.Letters ?? []).Index())
        {
            if (!zones.Contains(letters.ZoneId))
            {
                checks.Fault($"{prefix}letters[{i}].zoneId", "There is no such zone on the piece.");
            }

            if (letters.Texts.FirstOrDefault(t => t.Length > LongestText) is { } text)
            {
                checks.Fault($"{prefix}letters[{i}].texts", $"'{text[..20]}\u2026' has {text.Length} characters; {LongestText} are the most.");
            }

            if (letters.MaterialId is { } paint && (shelf.Find(paint) is not { } with || WeatherPaints.With(MarkKind.Letter, with) is null))
            {
                checks.Fault($"{prefix}letters[{i}].materialId", shelf.Find(paint) is { } there ? $"{there.Name} draws no letters: take a paint or a pencil." : $"There is no material {paint} on this shelf.");
            }
        }

        if (plan.Pattern is { } pattern)
        {
            if (pattern.Tones.Sum(t => t.Share) > 0.95)
            {
                checks.Fault($"{prefix}pattern.tones", FormattableString.Invariant($"The tones take {100 * pattern.Tones.Sum(t => t.Share):0} %: leave at least 5 % of the ground."));
            }

            foreach (var (i, tone) in pattern.Tones.Index().Where(t => shelf.Find(t.Item.MaterialId) is null))
            {
                checks.Fault($"{prefix}pattern.tones[{i}].materialId", $"There is no material {tone.MaterialId} on this shelf.");
            }
        }

        checks.Enforce();
    }

    private static string Why(WeatherScene scene, PieceHistory history, MarkEntry entry)
    {
        if (scene.Piece.AtRandom)
        {
            return "Rolled: as many as fell, where they fell.";
        }

        return Proposals.Why(history, entry.Kind);
    }

    private static WeatheredCoats Coats(Guid zoneId, WeatheredStack stack, WeatherScene scene, WeatherZone zone)
    {
        var before = scene.Rows.FirstOrDefault(r => r.Id == zoneId)?.Scheme?.Coats.Select(CoatRows.Write).ToDictionary(c => c.Id) ?? [];
        return new(zoneId, [.. stack.Draft.Coats.Select(c => StackReader.Write(c, before, scene.Shelf))], stack.Added, stack.Missing, Math.Max(0, WeatherCoats.Alarms(stack.Draft) - WeatherCoats.Alarms(zone.Stack)));
    }

    /// <summary>A zone as it is told of.</summary>
    internal static WeatheredZone View(WeatherZone zone, PieceBox box) => new(
        zone.Id, zone.Name, zone.Surface.Facing, WeatherPaints.Face(zone.Stack)?.ToString(),
        [.. Enum.GetValues<MarkHost>().Where(h => h != MarkHost.None).Select(h => zone.HostsOf(h) is var (count, guess) ? new HostView(h, count, guess) : null!)],
        Math.Round(zone.HotEdge.Mm), zone.HotEdge.Guess, [.. Enum.GetValues<MarkKind>().Where(k => k != MarkKind.Letter && k.Facts().Facings.Contains(zone.Surface.Facing))], FaceMap.Of(box, zone.Surface));
}
