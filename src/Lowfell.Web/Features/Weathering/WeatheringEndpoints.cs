using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Weathering;

/// <summary>Weathering plans: how much of which mark, where on each copy, and into which stacks.</summary>
public static class WeatheringEndpoints
{
    // Nobody waits much longer for the first of many cards.
    private const int CardsMs = 1000;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var plan = app.MapGroup("/api/pieces/{id:guid}/weathering").WithTags("Weathering").ProducesValidationProblem();
        plan.MapGet("", Get).WithSummary("The weathering plan of a piece, and what follows from it; the marks of one copy.");
        plan.MapPut("", Put).WithSummary("Keeps a plan; 409 when somebody else has changed it. Copies that are painted with a kind keep its marks.").ProducesProblem(409);
        plan.MapPost("proposal", Propose).WithSummary("Fills a plan from what the piece went through; what is locked stays. Nothing is kept.");
        plan.MapPost("coats", Coats).WithSummary("Puts the marks of the kept plan into the stacks of its zones, each at its place, or takes that back.").ProducesProblem(409);
        plan.MapGet("card.svg", Card).WithSummary("The card of a copy at true size: faces, lines, numbered marks and a list; A5, black on white.").Produces<string>(200, "image/svg+xml");
        plan.MapGet("cards", Cards).WithSummary("Which cards there are, and how many pages each has: of as many copies as a second draws; asked on from the next where there are more.");
        plan.MapPost("kind", Add).WithSummary("One kind of mark on one zone, as it would be proposed; 409 where it has no place there. Nothing is kept.").ProducesProblem(409);
        app.MapGet("/api/zones/{id:guid}/coats/{coatId:guid}/marks", OfCoat).WithTags("Weathering").ProducesValidationProblem().WithSummary("Marks of a coat on each copy, where a weathering plan places them; nothing where none does.");
        app.MapPost("/api/preview/weathering", Preview).WithTags("Preview").ProducesValidationProblem().WithSummary("A whole weathering plan in, everything computed out; without entries they are proposed. Nothing is kept.");
    }

    private static async Task<Ok<WeatheringView>> Get(Guid id, WeatheringDesk desk, CancellationToken cancel, int copy = 1) => TypedResults.Ok(View(await desk.SceneAsync(id, null, cancel), copy));

    private static async Task<Ok<WeatheringView>> Put(Guid id, WeatheringChange change, WeatheringDesk desk, LowfellDb db, OpenBench open, CancellationToken cancel, int copy = 1)
    {
        var before = await desk.SceneAsync(id, null, cancel);
        WeatheringDesk.Check(change.Plan, [.. before.Zones.Select(z => z.Id)], before.Shelf);
        var row = await db.Weatherings.SingleOrDefaultAsync(w => w.PieceId == id, cancel);
        Versions.Check(change.Version, row?.Version ?? 0);

        // What is in the stacks is known to who put it there alone.
        var plan = change.Plan with { Put = before.Plan.Put, Entries = await PaintedAsync(before, change.Plan, db, cancel) };
        if (row is null)
        {
            db.Weatherings.Add(new() { Id = Guid.CreateVersion7(), PieceId = id, Plan = Kept.Write(plan) });
        }
        else
        {
            row.Plan = Kept.Write(plan);
            db.Entry(row).State = EntityState.Modified;
        }

        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException twice) when (twice.InnerException is Npgsql.PostgresException { SqlState: Npgsql.PostgresErrorCodes.UniqueViolation })
        {
            // Another window kept the first one at the same moment.
            Versions.Check(change.Version, change.Version + 1);
        }

        return TypedResults.Ok(View(await desk.SceneAsync(id, null, cancel), copy));
    }

    // What is drawn again, has another number, other hosts or another weather side: copies that are painted with it keep their marks.
    private static async Task<IReadOnlyList<EntryDraft>> PaintedAsync(WeatherScene before, WeatheringDraft plan, LowfellDb db, CancellationToken cancel)
    {
        var old = before.Plan.Entries.DistinctBy(e => e.Id).ToDictionary(e => e.Id);
        var zones = before.Zones.ToDictionary(z => z.Id);
        HostCounts Hosts(Guid zone) => plan.Hosts.LastOrDefault(h => h.ZoneId == zone)?.ToCore() ?? new();
        bool Changed(EntryDraft e) => e.Kind.Facts().Length is not null && old.TryGetValue(e.Id, out var was) && zones.TryGetValue(was.ZoneId, out var zone)
            && (plan.History.From != before.Plan.History.From || Hosts(was.ZoneId) != zone.Hosts || (was.Version, was.Count, was.WidthMm, was.LengthMm, was.FromMm, was.ToMm) != (e.Version, e.Count, e.WidthMm, e.LengthMm, e.FromMm, e.ToMm));
        if (!plan.Entries.Any(Changed))
        {
            return plan.Entries;
        }

        var done = (await db.StandingAsync([.. before.Zones.Select(z => z.Id)], cancel)).Where(l => l.CoatId is { } coat && l.Copy > 0 && l.Copy <= before.Piece.Copies && old.ContainsKey(coat)).Select(l => (Coat: l.CoatId!.Value, l.Copy)).ToHashSet();
        var marks = new SceneMarks(before);
        return [.. plan.Entries.Select(e =>
        {
            int[] painted = [.. done.Where(d => d.Coat == e.Id).Select(d => d.Copy).Where(c => (e.Held ?? []).All(h => h.Copy != c)).Order()];
            if (!Changed(e) || painted.Length == 0)
            {
                return e;
            }

            var was = old[e.Id].ToCore();
            return e with { Held = [.. e.Held ?? [], .. painted.Select(c => new HeldMarks(c, [.. marks.Of(was, c).On(c).Select(PlacedMark.Of)]))] };
        })];
    }

    private static async Task<Ok<IReadOnlyList<EntryDraft>>> Propose(Guid id, ProposalRequest request, WeatheringDesk desk, CancellationToken cancel)
    {
        var scene = await desk.SceneAsync(id, request.Plan, cancel);
        WeatheringDesk.Check(request.Plan, [.. scene.Zones.Select(z => z.Id)], scene.Shelf);
        return TypedResults.Ok<IReadOnlyList<EntryDraft>>(WeatheringDesk.Proposed(scene));
    }

    private static async Task<Ok<EntryDraft>> Add(Guid id, AddedKind added, WeatheringDesk desk, CancellationToken cancel)
    {
        var scene = await desk.SceneAsync(id, added.Plan, cancel);
        var zone = scene.Zones.FirstOrDefault(z => z.Id == added.ZoneId) ?? throw RefusedException.NotFound("zoneId", added.ZoneId);
        var proposal = Proposals.Propose(scene.Piece, zone, added.Kind, 1, added.Plan.History.ToCore(scene.BoardLevelMm), scene.Shelf.Shelf, scene.Stand, null)
            ?? throw new RefusedException("kind", $"{zone.Name} has nothing that carries it: count what does, or choose another zone.", 409);
        return TypedResults.Ok(EntryDraft.Of(proposal.Entry) with { Id = Guid.CreateVersion7() });
    }

    private static async Task<Ok<CardList>> Cards(Guid id, WeatheringDesk desk, IConfiguration settings, TimeProvider clock, CancellationToken cancel, int from = 1)
    {
        var (begun, patience) = (clock.GetTimestamp(), TimeSpan.FromMilliseconds(settings.GetValue("Cards:PatienceMs", CardsMs)));
        var scene = await desk.SceneAsync(id, null, cancel);
        if (from < 1 || from > scene.Piece.Copies)
        {
            throw new RefusedException("from", $"There is no copy {from} of {scene.Row.Name}; 1 to {scene.Piece.Copies} are there.");
        }

        var cards = new List<CardPages>();
        if (scene.Plan is { Entries.Count: 0, Letters: null or { Count: 0 }, Pattern: null })
        {
            return TypedResults.Ok(new CardList(cards, null));
        }

        var (read, marks) = (WeatheringDesk.Read(scene, [.. scene.Plan.Entries.Select(e => e.ToCore())]), new SceneMarks(scene));
        for (var copy = from; copy <= scene.Piece.Copies; copy++)
        {
            // One at least, however long the plan took to read.
            cancel.ThrowIfCancellationRequested();
            if (copy > from && clock.GetElapsedTime(begun) > patience)
            {
                return TypedResults.Ok(new CardList(cards, copy));
            }

            cards.Add(new(copy, CopyCard.Draw(Content(scene, read, marks, copy)).Count));
        }

        return TypedResults.Ok(new CardList(cards, null));
    }

    private static async Task<Ok<List<MarksOnCopy>>> OfCoat(Guid id, Guid coatId, WeatheringDesk desk, LowfellDb db, CancellationToken cancel)
    {
        var piece = await db.Zones.AsNoTracking().Where(z => z.Id == id && z.DeletedAt == null).Select(z => (Guid?)z.PieceId).SingleOrDefaultAsync(cancel) ?? throw RefusedException.NotFound("id", id);
        if (await db.Weatherings.AsNoTracking().AllAsync(w => w.PieceId != piece, cancel))
        {
            return TypedResults.Ok(new List<MarksOnCopy>());
        }

        var scene = await desk.SceneAsync(piece, null, cancel);
        var (zone, entry) = (scene.Zones.FirstOrDefault(z => z.Id == id), scene.Plan.Entries.FirstOrDefault(e => e.Id == coatId && e.ZoneId == id)?.ToCore());
        if (zone is null || entry is null)
        {
            return TypedResults.Ok(new List<MarksOnCopy>());
        }

        var read = WeatheringDesk.Read(scene, [.. scene.Plan.Entries.Select(e => e.ToCore())]);

        // Its numbers follow those of the kinds before it, as they do on the card.
        var marks = new SceneMarks(scene);
        var before = Shown(read).TakeWhile(e => e.Entry.Id != coatId).Where(e => marks.Of(e.Entry).IsNumbered).ToList();
        var (of, told) = (marks.Of(entry), read.Entries.Any(e => e.Entry.Id == coatId && e.Faults.Count == 0));
        return TypedResults.Ok(Enumerable.Range(1, scene.Piece.Copies).Select(c =>
        {
            cancel.ThrowIfCancellationRequested();
            IReadOnlyList<MarkPlace> on = of.IsNumbered || entry.How.Length is null ? marks.Of(entry, c).On(c) : [];
            return new MarksOnCopy(c, entry.How.Length is null ? 0 : of.Counts[c - 1], [.. on.Select(PlacedMark.Of)], told && of.IsNumbered && on.Count > 0 ? 1 + before.Sum(e => marks.Of(e.Entry, c).CountOn(c)) : 0);
        }).ToList());
    }

    // The kinds that a card tells of, in its order.
    private static IEnumerable<EntryReading> Shown(WeatherReading read) => read.Entries.Where(e => e.Faults.Count == 0).OrderBy(e => e.Entry.How.Stage).ThenBy(e => e.Entry.Kind);

    private static async Task<Ok<WeatherCoatsPut>> Coats(Guid id, WeatherCoatsChange change, WeatheringDesk desk, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var scene = await desk.SceneAsync(id, null, cancel);
        var row = await db.Weatherings.SingleOrDefaultAsync(w => w.PieceId == id, cancel) ?? throw new RefusedException("version", "There is no plan to put into the stacks: propose one, or add marks.");
        Versions.Check(change.Version, row.Version);
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        var (was, added, put) = change.Back is { } back ? (await BackAsync(scene, back, db, clock, cancel), [], []) : await PutInAsync(scene, db, clock, cancel);

        // What was ever put in by the plan is known as such, also once it is back after an undo.
        row.Plan = Kept.Write(scene.Plan with { Put = [.. (scene.Plan.Put ?? []).Concat(put).Distinct().TakeLast(EntriesBoundAttribute.MostEntries)] });
        db.Entry(row).State = EntityState.Modified;
        await db.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(new WeatherCoatsPut(was, row.Version, added));
    }

    private static async Task<IResult> Card(Guid id, WeatheringDesk desk, CancellationToken cancel, int copy = 1, int page = 1)
    {
        var scene = await desk.SceneAsync(id, null, cancel);
        if (copy < 1 || copy > scene.Piece.Copies)
        {
            throw new RefusedException("copy", $"There is no copy {copy} of {scene.Row.Name}; 1 to {scene.Piece.Copies} are there.");
        }

        var pages = CopyCard.Draw(Content(scene, WeatheringDesk.Read(scene, [.. scene.Plan.Entries.Select(e => e.ToCore())]), new(scene), copy));
        return page >= 1 && page <= pages.Count ? Results.Text(pages[page - 1], "image/svg+xml") : throw new RefusedException("page", $"The card has {pages.Count} {(pages.Count == 1 ? "page" : "pages")}.");
    }

    // What the card of a copy tells.
    private static CardContent Content(WeatherScene scene, WeatherReading read, SceneMarks marks, int copy)
    {
        var zones = scene.Zones.ToDictionary(z => z.Id);
        var kinds = Shown(read).Select(e =>
        {
            var of = marks.Of(e.Entry);
            return new CardMarks(e.Entry.Id, e.Entry.Kind, zones[e.Entry.ZoneId].Name, marks.Of(e.Entry, copy).On(copy), e.Entry.How.ByNumber ? of.Counts[copy - 1] : (int)e.Entry.Count, e.Tool?.Name ?? "", e.Work?.MinutesEach ?? 0) { IsNumbered = of.IsNumbered };
        });
        return new($"{scene.Row.Set!.Name}, {scene.Row.Name}", copy, scene.Kept?.Version ?? 0, scene.Piece.Box, scene.LinesOn(copy), [.. kinds])
        {
            Letters = [.. (scene.Plan.Letters ?? []).Where(l => zones.ContainsKey(l.ZoneId)).Select(l => l.ToCore()).Select(l => (l, Letters.Shared(l, scene.Piece)[copy - 1]))],
            Pattern = scene.Plan.Pattern is { Tones.Count: > 0 } pattern ? Camouflage.Of(pattern.ToCore(), scene.Piece, scene.Row.Set.Scale, copy) : null,
        };
    }

    private static async Task<Ok<WeatheringPreviewed>> Preview(WeatheringPreview preview, OpenBench open, CancellationToken cancel)
    {
        if (preview.Zones.GroupBy(z => z.Id).FirstOrDefault(g => g.Count() > 1) is { } twice)
        {
            throw new RefusedException("zones", $"{twice.First().Name} is there twice.");
        }

        var shelf = await open.ShelfAsync(cancel);
        WeatheringDesk.Check(preview.Plan, [.. preview.Zones.Select(z => z.Id)], shelf);
        var put = preview.Plan.Entries.Select(e => e.Id).ToHashSet();
        var stacks = preview.Zones.ToDictionary(z => z.Id, z => StackReader.Read(z.Zone, z.Coats, preview.Schools, shelf) is var s ? s with { Zone = s.Zone with { Name = z.Name, Copies = preview.Copies } } : null!);
        List<WeatherZone> zones = [.. preview.Zones.Select(z => new WeatherZone(z.Id, z.Name, stacks[z.Id].Remove(c => put.Contains(c.Id)), preview.Plan.Hosts.LastOrDefault(h => h.ZoneId == z.Id)?.ToCore() ?? new()))];
        var piece = new WeatherPiece(preview.Set, preview.Piece, preview.Copies, new(preview.LengthMm, preview.WidthMm, preview.HeightMm, WeatheringDesk.Moving(preview.Parts ?? [])), preview.Plan.History.From) { Name = preview.Piece, AtRandom = preview.Schools?.MarkPlaces == MarkPlaceSchool.AtRandom };
        var viewing = zones.Count > 0 ? zones[0].Surface.ViewingMm : Zone.UsualViewingMm;
        var scene = new WeatherScene(new() { Name = preview.Piece }, piece, zones, [], stacks, null, preview.Plan, [], preview.Parts ?? [], new(viewing / 1000), shelf);
        var entries = preview.Plan.Entries.Count > 0 ? preview.Plan.Entries : WeatheringDesk.Proposed(scene);
        return TypedResults.Ok(new WeatheringPreviewed(entries, WeatheringDesk.Answer(scene with { Plan = scene.Plan with { Entries = entries } }, preview.Copy)));
    }

    private static readonly IReadOnlyList<KindView> Kinds = [.. Enum.GetValues<MarkKind>().Where(k => k != MarkKind.Letter).Select(k => (Kind: k, How: k.Facts())).OrderBy(k => k.How.Stage).Select(k => new KindView(k.Kind, k.How.Stage, k.How.Place, k.How.Length is null, [.. k.How.Ways.SelectMany(w => w.Families).Distinct()]))];

    private static WeatheringView View(WeatherScene scene, int copy) => new(
        scene.Row.Id, scene.Row.SetId, scene.Row.Name, scene.Piece.Copies, scene.Row.Set!.Scale, scene.Row.Set.ViewingMm / 1000, scene.Piece.AtRandom, scene.Piece.Box.LengthMm, scene.Piece.Box.WidthMm, scene.Piece.Box.HeightMm,
        scene.Row.Shape is PieceShape.Disc or PieceShape.Cylinder or PieceShape.Free, scene.BoardLevelMm, scene.Kept?.Version ?? 0, scene.Plan, [.. scene.Zones.Select(z => WeatheringDesk.View(z, scene.Piece.Box))], WeatheringDesk.Answer(scene, copy), scene.Parts, Kinds);

    // Each zone's stack with its marks; a scheme that other zones use is copied for it first.
    private static async Task<(List<ZoneCoats> Was, List<string> Added, List<Guid> Put)> PutInAsync(WeatherScene scene, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var (was, added, put) = (new List<ZoneCoats>(), new List<string>(), new List<Guid>());
        var read = WeatheringDesk.Read(scene, [.. scene.Plan.Entries.Select(e => e.ToCore())]);
        var ofPlan = scene.Plan.Entries.Select(e => e.Id).ToHashSet();
        foreach (var zone in scene.Zones)
        {
            var now = scene.Whole[zone.Id];
            var wanted = read.Stacks.TryGetValue(zone.Id, out var stack) ? stack : new(zone.Stack, [], []);
            var row = scene.Rows.First(r => r.Id == zone.Id);
            var before = row.Scheme!.Coats.OrderBy(c => c.Position).Select(CoatRows.Write).ToList();
            var known = before.ToDictionary(c => c.Id);
            var coats = wanted.Draft.Coats.Select(c => StackReader.Write(known.ContainsKey(c.Id) && now.IndexOf(c.Id) is >= 0 and var at && ofPlan.Contains(c.Id) ? Mine(now.Coats[at], c) : c, known, scene.Shelf)).ToList();
            if (Kept.Write(coats) == Kept.Write(before))
            {
                continue;
            }

            var scheme = await OwnSchemeAsync(scene, row, db, cancel);
            await SchemeEndpoints.TakeCoatsAsync(scheme.Id, scheme.Version, _ => coats, scene.Shelf, db, clock.GetUtcNow(), cancel);
            was.Add(new(zone.Id, row.SchemeId, (await db.Schemes.AsNoTracking().SingleAsync(s => s.Id == scheme.Id, cancel)).Version, before));
            added.AddRange(wanted.Added.Select(a => $"{zone.Name}: {a}"));
            put.AddRange(coats.Select(c => c.Id).Where(c => zone.Stack.IndexOf(c) < 0));
        }

        return (was, added, put);
    }

    // What the painter has changed of a coat of the plan stays, but for how many there are and how large.
    private static Coat Mine(Coat was, Coat now) => was with { Marks = now.Marks, Technique = was.Material?.Id == now.Material?.Id ? was.Technique : now.Technique, Material = now.Material, Paint = was.Material?.Id == now.Material?.Id ? was.Paint : now.Paint };

    private static async Task<SchemeRow> OwnSchemeAsync(WeatherScene scene, ZoneRow zone, LowfellDb db, CancellationToken cancel)
    {
        if (!await db.Zones.AnyAsync(z => z.SchemeId == zone.SchemeId && z.Id != zone.Id && z.DeletedAt == null, cancel))
        {
            return await db.Schemes.AsNoTracking().SingleAsync(s => s.Id == zone.SchemeId, cancel);
        }

        var name = $"{zone.Scheme!.Name}, weathered on {scene.Row.Name}";
        var own = new SchemeRow { Id = Guid.CreateVersion7(), Name = name.Length > NameBoundAttribute.Longest ? name[..NameBoundAttribute.Longest] : name };
        db.Schemes.Add(own);
        CoatRows.Replace(db, own, [.. zone.Scheme.Coats.OrderBy(c => c.Position).Select(CoatRows.Write)], new Dictionary<Guid, Family>());
        (await db.Zones.SingleAsync(z => z.Id == zone.Id, cancel)).SchemeId = own.Id;
        await db.SaveChangesAsync(cancel);
        return own;
    }

    private static async Task<List<ZoneCoats>> BackAsync(WeatherScene scene, IReadOnlyList<ZoneCoats> back, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var was = new List<ZoneCoats>();
        foreach (var zone in back)
        {
            var row = scene.Rows.FirstOrDefault(r => r.Id == zone.ZoneId) ?? throw RefusedException.NotFound("back", zone.ZoneId);
            if (row.Scheme!.Version != zone.Version)
            {
                throw new RefusedException("back", $"Look at them again: the coats of {row.Name} were changed since, and stay as they are now.", 409);
            }

            var before = row.Scheme.Coats.OrderBy(c => c.Position).Select(CoatRows.Write).ToList();
            if (zone.SchemeId != row.SchemeId && await db.Schemes.AsNoTracking().Include(s => s.Coats).SingleOrDefaultAsync(s => s.Id == zone.SchemeId, cancel) is { } shared
                && Kept.Write(shared.Coats.OrderBy(c => c.Position).Select(CoatRows.Write).ToList()) == Kept.Write(zone.Coats.ToList()))
            {
                // Nobody has changed the scheme that it shared: it is shared again.
                (await db.Zones.SingleAsync(z => z.Id == zone.ZoneId, cancel)).SchemeId = shared.Id;
                await db.SaveChangesAsync(cancel);
                if (!await db.Zones.AnyAsync(z => z.SchemeId == row.SchemeId, cancel))
                {
                    await db.Schemes.Where(s => s.Id == row.SchemeId).ExecuteDeleteAsync(cancel);
                }

                was.Add(new(zone.ZoneId, shared.Id, shared.Version, before));
                continue;
            }

            await SchemeEndpoints.TakeCoatsAsync(row.SchemeId, zone.Version, _ => zone.Coats, scene.Shelf, db, clock.GetUtcNow(), cancel);
            was.Add(new(zone.ZoneId, row.SchemeId, (await db.Schemes.AsNoTracking().SingleAsync(s => s.Id == row.SchemeId, cancel)).Version, before));
        }

        return was;
    }
}
