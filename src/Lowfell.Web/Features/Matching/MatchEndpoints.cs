using Lowfell.Core.Matching;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Sets;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Matching;

/// <summary>A zone that was painted, to be kept as it is.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="Name">Name.</param>
/// <param name="PaintedOn">The day that it was finished.</param>
/// <param name="Note">Note.</param>
public sealed record PaintedDraft(Guid ZoneId, [NameBound] string Name, DateOnly PaintedOn, [NoteBound] string Note = "");

/// <summary>A set that was painted before.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Name.</param>
/// <param name="PaintedOn">The day.</param>
/// <param name="SchemeId">Its scheme; none once that is deleted.</param>
/// <param name="Note">Note.</param>
/// <param name="Recess">The finished recess.</param>
/// <param name="Face">The finished face.</param>
/// <param name="Edge">The finished edge.</param>
/// <param name="Coats">How many coats.</param>
public sealed record PaintedView(Guid Id, string Name, DateOnly PaintedOn, Guid? SchemeId, string Note, string Recess, string Face, string Edge, int Coats);

/// <summary>A coat as it was, beside what it would be now.</summary>
/// <param name="Title">What it is, at the start of a line.</param>
/// <param name="Passes">Passes.</param>
/// <param name="PaintFraction">Share of paint.</param>
/// <param name="Then">What it was painted with, mixes with their shares.</param>
/// <param name="ThenFace">The face after it then.</param>
/// <param name="Now">What it would be painted with now; none where it is the same.</param>
/// <param name="NowFace">The face after it now.</param>
public sealed record MatchCoat(string Title, int Passes, double PaintFraction, string Then, string ThenFace, string? Now, string NowFace);

/// <summary>A material that stands in.</summary>
/// <param name="Then">What was used.</param>
/// <param name="ThenColour">Its colour.</param>
/// <param name="Now">What stands in; none where the shelf has nothing of its family.</param>
/// <param name="NowColour">Its colour.</param>
/// <param name="DeltaE">dE00 that it alone adds to the finished zone.</param>
public sealed record StandInView(string Then, string ThenColour, string? Now, string? NowColour, double DeltaE);

/// <summary>A shared filter and dust.</summary>
/// <param name="Filter">The filter; none where none helps.</param>
/// <param name="FilterPercent">Paint in it, percent, the rest acrylic medium.</param>
/// <param name="Dust">The dust; none where none helps.</param>
/// <param name="DustHand">How heavy: 1 is the usual hand.</param>
/// <param name="Before">dE00 between the sets without: recess, face, edge.</param>
/// <param name="After">The same with both.</param>
/// <param name="Shift">dE00 that the old set's face moves.</param>
/// <param name="OldFace">The old set's face with it.</param>
/// <param name="NewFace">The new set's face with it.</param>
public sealed record UnifierView(
    string? Filter, double? FilterPercent, string? Dust, double? DustHand, IReadOnlyList<double> Before, IReadOnlyList<double> After, double Shift, string OldFace, string NewFace);

/// <summary>How an older set can be matched.</summary>
/// <param name="Coats">The coats then and now.</param>
/// <param name="Changed">Materials that are still there, but were edited since.</param>
/// <param name="StandIns">Materials that are gone.</param>
/// <param name="Closest">dE00 of the closest stack from the shelf: recess, face, edge.</param>
/// <param name="Then">The old look: recess, face, edge.</param>
/// <param name="Now">The closest look: recess, face, edge.</param>
/// <param name="Unifier">Filter and dust that bring both together.</param>
public sealed record MatchView(
    IReadOnlyList<MatchCoat> Coats,
    IReadOnlyList<string> Changed,
    IReadOnlyList<StandInView> StandIns,
    IReadOnlyList<double> Closest,
    IReadOnlyList<string> Then,
    IReadOnlyList<string> Now,
    UnifierView Unifier);

/// <summary>Where the closest stack goes.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="SchemeVersion">Version of its scheme.</param>
/// <param name="WithUnifier">With the shared filter and dust on top.</param>
public sealed record MatchAdoption(Guid ZoneId, [VersionBound] int SchemeVersion, bool WithUnifier = false);

/// <summary>Matching a set that was painted before.</summary>
public static class MatchEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/painted").WithTags("Matching").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Sets that were painted before, the newest first.");
        group.MapPost("", Add).WithSummary("Keeps the stack of a zone as it was painted, with its materials and mixes as they are now.");
        group.MapDelete("{id:guid}", Remove).WithSummary("Forgets one.");
        group.MapPost("{id:guid}/restore", Restore).WithSummary("Takes a forgotten one up again.");
        group.MapGet("{id:guid}/match", Match).WithSummary("The closest stack from today's shelf, and the filter and dust that bring both sets together.");
        group.MapPost("{id:guid}/adopt", Adopt).WithSummary("Makes the closest stack the coats of a zone.").ProducesProblem(409);
    }

    private static async Task<Ok<List<PaintedView>>> List(LowfellDb db, CancellationToken cancel) =>
        TypedResults.Ok((await db.Painted.AsNoTracking().OrderByDescending(p => p.PaintedOn).ThenBy(p => p.Name).ToListAsync(cancel)).Select(View).ToList());

    private static async Task<Created<PaintedView>> Add(PaintedDraft draft, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var checks = new Checks();
        var today = DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime);
        if (draft.PaintedOn > today.AddDays(1) || draft.PaintedOn < new DateOnly(1950, 1, 1))
        {
            checks.Fault("paintedOn", $"{draft.PaintedOn:yyyy-MM-dd} is outside 1950-01-01 to today.");
        }

        checks.Enforce();
        var zone = await Tree.ZoneAsync(db, draft.ZoneId, cancel);
        var scheme = await SchemeEndpoints.ViewAsync(zone.SchemeId, db, cancel);
        if (scheme.Coats.All(c => c.Skipped))
        {
            throw new RefusedException("zoneId", "Plan a coat first: the stack of this zone has none, so there is nothing to keep.");
        }

        var schools = (await open.RowAsync(cancel)).Schools;
        var zoneDraft = ZoneEndpoints.Draft(zone);
        var stack = StackReader.ReadKept(zone.ToCore(), scheme.Coats, schools, await open.ShelfAsync(cancel));
        var row = new PaintedRow
        {
            Id = Guid.CreateVersion7(),
            Name = draft.Name.Trim(),
            PaintedOn = draft.PaintedOn,
            SchemeId = zone.SchemeId,
            Note = draft.Note,
            Stack = Kept.Write(PaintedStack.Of(zoneDraft, schools, scheme.Coats, stack)),
        };
        db.Painted.Add(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/painted/{row.Id}", View(row));
    }

    private static async Task<NoContent> Remove(Guid id, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        (await RowAsync(id, db, cancel)).DeletedAt = clock.GetUtcNow();
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Restore(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var row = await db.Painted.IgnoreQueryFilters([LowfellDb.NotDeleted]).SingleOrDefaultAsync(p => p.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        row.DeletedAt = null;
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<MatchView>> Match(Guid id, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var kept = Kept.Read<PaintedStack>((await RowAsync(id, db, cancel)).Stack);
        var shelf = await open.ShelfAsync(cancel);
        var old = kept.ToCore();
        var closest = SetMatch.Closest(old, shelf.Shelf);
        var unifier = SetMatch.Unify(old, closest.Draft, shelf.Shelf);
        var (then, now) = (Predictor.Predict(old), Predictor.Predict(closest.Draft));
        return TypedResults.Ok(new MatchView(
            [.. old.Coats.Select((c, i) => new MatchCoat(
                c.Title, c.Passes, c.Dilution.PaintFraction, Said(c), then.Strata[i].Face.Colour.ToString(), Said(closest.Draft.Coats[i]) is var said && said != Said(c) ? said : null, now.Strata[i].Face.Colour.ToString()))],
            [.. kept.Coats.SelectMany(c => c.Parts).Select(p => p.Material).OfType<MaterialSnapshot>().DistinctBy(m => m.Id)
                .Where(m => shelf.Materials.ContainsKey(m.Id)).SelectMany(m => MixThenNow.Edits(m.ToCore(), shelf.Materials[m.Id]).Select(e => $"{shelf.Materials[m.Id].Name}: {e}."))],
            [.. closest.StandIns.Select(s => new StandInView(s.Then.Name, s.Then.Colour.ToString(), s.Now?.Name, s.Now?.Colour.ToString(), Math.Round(s.DeltaE, 2)))],
            Rounded(closest.DeltaE),
            Look(then.Top),
            Look(now.Top),
            new(
                unifier.Filter?.Paint?.Name,
                unifier.Filter is { } f ? Math.Round(f.Dilution.PaintFraction * 100, 1) : null,
                unifier.Dust?.Paint?.Name,
                unifier.Dust?.Hand,
                Rounded(unifier.Before),
                Rounded(unifier.After),
                Math.Round(unifier.Shift, 2),
                unifier.OldLook.ToString(),
                unifier.NewLook.ToString())));
    }

    private static async Task<NoContent> Adopt(Guid id, MatchAdoption adoption, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var kept = Kept.Read<PaintedStack>((await RowAsync(id, db, cancel)).Stack);
        var shelf = await open.ShelfAsync(cancel);
        var closest = SetMatch.Closest(kept.ToCore(), shelf.Shelf);
        if (closest.StandIns.FirstOrDefault(s => s.Now is null) is { } gone)
        {
            throw new RefusedException("id", $"Put something of its family on the shelf first: {gone.Then.Name} is gone, and nothing stands in for it.", 409) { Code = ProblemCode.Gone };
        }

        var zone = await Tree.ZoneAsync(db, adoption.ZoneId, cancel);
        var coats = new List<CoatDraft>();
        for (var i = 0; i < kept.Coats.Count; i++)
        {
            coats.Add(Keep(closest.Draft.Coats[i], kept.Coats[i], shelf, db));
        }

        if (adoption.WithUnifier)
        {
            var unifier = SetMatch.Unify(kept.ToCore(), closest.Draft, shelf.Shelf);
            coats.AddRange(new[] { unifier.Filter, unifier.Dust }.OfType<Coat>().Select(c => StackReader.Write(c with { Id = Guid.CreateVersion7() }, new Dictionary<Guid, CoatDraft>(), shelf)));
        }

        await open.TouchShelfAsync(cancel);
        await SchemeEndpoints.TakeCoatsAsync(zone.SchemeId, adoption.SchemeVersion, _ => coats, shelf, db, clock.GetUtcNow(), cancel);
        return TypedResults.NoContent();
    }

    // A coat of one material names it; a mix that is not on the bench any more, or holds a stand-in, is kept as a new one.
    private static CoatDraft Keep(Coat coat, PaintedCoat then, OpenShelf shelf, LowfellDb db)
    {
        var draft = then.Coat with { Id = Guid.CreateVersion7(), Material = null, MaterialId = null, MixId = null, MixedTo = coat.MixedTo?.ToString() };
        if (coat.Paint is not { } paint)
        {
            return draft;
        }

        if (coat.Material is { } material)
        {
            return draft with { MaterialId = material.Id };
        }

        if (then.Coat.MixId is { } mixId && !shelf.DeletedMixes.Contains(mixId) && shelf.Paints.TryGetValue(mixId, out var known) && Same(known.Content, paint.Content))
        {
            return draft with { MixId = mixId };
        }

        var row = new MixRow { Id = Guid.CreateVersion7(), Name = Free(paint.Name, db, shelf), CountsAs = paint.CountsAs };
        row.Components =
        [
            .. paint.Content.Materials.Select(m => new MixComponentRow { Id = Guid.CreateVersion7(), Amount = Math.Round(m.Share * 100, 2), Unit = MixUnit.Parts, MaterialId = m.Material.Id }),
            .. paint.Content.Thinners.Select(t => new MixComponentRow { Id = Guid.CreateVersion7(), Amount = Math.Round(t.Share * 100, 2), Unit = MixUnit.Parts, Thinner = t.Thinner }),
        ];
        for (var i = 0; i < row.Components.Count; i++)
        {
            row.Components[i].Position = i;
        }

        db.Mixes.Add(row);
        return draft with { MixId = row.Id };
    }

    private static bool Same(MixContent a, MixContent b) =>
        a.Materials.Count == b.Materials.Count && a.Materials.All(m => b.Materials.Any(o => o.Material.Id == m.Material.Id && Math.Abs(o.Share - m.Share) < 1e-3));

    private static string Free(string name, LowfellDb db, OpenShelf shelf)
    {
        var taken = shelf.Paints.Values.Select(p => p.Name).Concat(db.Mixes.Local.Select(m => m.Name)).ToHashSet(StringComparer.Ordinal);
        for (var number = 1; ; number++)
        {
            var end = number == 1 ? " (matched)" : $" (matched {number})";
            var tried = (name.Length > 100 ? name[..100] : name) + end;
            if (!taken.Contains(tried))
            {
                return tried;
            }
        }
    }

    private static string Said(Coat coat)
    {
        if (coat.Paint is not { } paint)
        {
            return "no paint";
        }

        var mixed = coat.MixedTo is { } colour ? $", mixed to {colour}" : "";
        return paint.Content.Materials.Count == 1 && paint.Content.Thinners.Count == 0
            ? (coat.Material ?? paint.Lead).Name + mixed
            : $"{paint.Name}: {string.Join(", ", paint.Content.Materials.Select(m => $"{m.Share * 100:0} % {m.Material.Name}"))}";
    }

    private static double[] Rounded(IEnumerable<double> values) => [.. values.Select(v => Math.Round(v, 2))];

    private static string[] Look(Stratum top) => [top.Recess.Colour.ToString(), top.Face.Colour.ToString(), top.Edge.Colour.ToString()];

    private static async Task<PaintedRow> RowAsync(Guid id, LowfellDb db, CancellationToken cancel) =>
        await db.Painted.SingleOrDefaultAsync(p => p.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);

    private static PaintedView View(PaintedRow row)
    {
        var stack = Kept.Read<PaintedStack>(row.Stack).ToCore();
        var top = Predictor.Predict(stack).Top;
        return new(row.Id, row.Name, row.PaintedOn, row.SchemeId, row.Note, top.Recess.Colour.ToString(), top.Face.Colour.ToString(), top.Edge.Colour.ToString(), stack.Coats.Count);
    }
}
