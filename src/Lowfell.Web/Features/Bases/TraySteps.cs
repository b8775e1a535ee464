using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Making;
using Lowfell.Core.Drying;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Bases;

/// <summary>A step that a tray brings.</summary>
/// <param name="Technique">How.</param>
/// <param name="About">What is done.</param>
/// <param name="IsNote">Many painters go on without it.</param>
/// <param name="FilmMm">How thick it is laid, mm; 0 where that is not the point.</param>
/// <param name="InStack">The stack has it.</param>
/// <param name="StackFilmMm">How thick the stack has it, mm, where that differs; null where it does not.</param>
/// <param name="Material">What of the shelf it would be laid with; empty where the shelf has nothing for it.</param>
/// <param name="WaitMin">Minutes until the next step may follow, in the room as it is; null where nothing of the shelf says it.</param>
public sealed record TrayStepView(Technique Technique, string About, bool IsNote, double FilmMm, bool InStack, double? StackFilmMm, string Material, double? WaitMin);

/// <summary>What a tray brings into the stack of a zone.</summary>
/// <param name="ZoneId">The zone; null where the piece has none that looks up.</param>
/// <param name="Zone">Its name.</param>
/// <param name="Scheme">Its scheme.</param>
/// <param name="SchemeVersion">Version of the scheme.</param>
/// <param name="Steps">Steps in their order.</param>
public sealed record TrayStepsView(Guid? ZoneId, string Zone, string Scheme, int SchemeVersion, IReadOnlyList<TrayStepView> Steps);

/// <summary>Steps of a tray to be put into the stack of a zone.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="SchemeVersion">Version of its scheme.</param>
/// <param name="Techniques">Which of them.</param>
public sealed record TrayStepsTaken(Guid ZoneId, [VersionBound] int SchemeVersion, [TextureStepsBound] IReadOnlyList<Technique> Techniques);

/// <summary>Texture as coats: what the elements and textures of a tray bring into a stack, and with it into plan and amounts.</summary>
public static class TraySteps
{
    private const double UmPerMm = 1000;

    private const string GroundsNote = "Grounds: ";
    private const int MostNote = 2000;

    // Films that differ by less are the same to a spatula.
    private const double SameFilm = 0.12;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var trays = app.MapGroup("/api/trays/{id:guid}/steps").WithTags("Bases").ProducesValidationProblem();
        trays.MapGet("", List).WithSummary("What a tray brings into the stack of its piece, and what of it is there.");
        app.MapPost("/api/trays/{id:guid}/grounds/stack", TakeGrounds).WithTags("Bases").ProducesValidationProblem().WithSummary("Makes the mixes of a tray's grounds, and puts their coat into the stack of a zone; 409 when the stack has changed.").ProducesProblem(409);
        trays.MapPost("", Take).WithSummary("Puts steps of a tray into the stack of a zone, at their right places; 409 when the stack has changed.").ProducesProblem(409);
    }

    private static async Task<Ok<TrayStepsView>> List(Guid id, TrayDesk desk, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        var zone = await ZoneStacks.Rows(db).Where(z => z.PieceId == tray.PieceId)
            .OrderBy(z => z.Facing == Facing.Up ? 0 : 1).ThenBy(z => z.Position).FirstOrDefaultAsync(cancel);
        var shelf = await open.ShelfAsync(cancel);
        List<CoatRow> coats = [.. zone?.Scheme?.Coats.OrderBy(c => c.Position) ?? Enumerable.Empty<CoatRow>()];
        var stack = zone is null ? null : ZoneStacks.Read(zone, await open.RowAsync(cancel), shelf);
        return TypedResults.Ok(new TrayStepsView(
            zone?.Id, zone?.Name ?? "", zone?.Scheme?.Name ?? "", zone?.Scheme?.Version ?? 0,
            [.. Of(tray, desk, coats.ConvertAll(c => c.Technique)).Select(s => View(s, coats.Find(c => TextureSteps.IsSame(c.Technique, s.Technique)), stack, shelf))]));
    }

    private static async Task<Ok<TrayStepsView>> Take(Guid id, TrayStepsTaken taken, TrayDesk desk, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        var zone = await db.Zones.AsNoTracking().Include(z => z.Scheme).SingleOrDefaultAsync(z => z.Id == taken.ZoneId && z.PieceId == tray.PieceId && z.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("zoneId", taken.ZoneId);
        var shelf = await open.ShelfAsync(cancel);
        await SchemeEndpoints.TakeCoatsAsync(zone.SchemeId, taken.SchemeVersion, kept =>
        {
            List<CoatDraft> coats = [.. kept];
            var steps = Of(tray, desk, [.. coats.Select(c => c.Technique)]);
            foreach (var step in steps.Where(s => taken.Techniques.Contains(s.Technique)))
            {
                var deposit = step.FilmMm > 0 ? new DepositDraft([.. Enumerable.Repeat(Math.Round(step.FilmMm * UmPerMm), 3)], [1, 1, 1]) : null;
                if (coats.FindIndex(c => TextureSteps.IsSame(c.Technique, step.Technique)) is >= 0 and var there)
                {
                    coats[there] = coats[there] with { Deposit = deposit ?? coats[there].Deposit };
                    continue;
                }

                var material = MaterialFor(step, shelf) ?? throw new RefusedException("techniques", $"Put a material for the {step.Technique.Facts().Word} on the shelf first: there is none.");
                coats.Insert(TextureSteps.PlaceOf(step, [.. coats.Select(c => c.Technique)], [.. steps.Select(s => s.Technique)]), new()
                {
                    Id = Guid.CreateVersion7(),
                    Technique = step.Technique,
                    MaterialId = material.Id,
                    Passes = step.Passes,
                    Deposit = deposit,
                    Note = step.About,
                    Marks = step.Technique == Technique.Tufts ? new(Tufts(tray), 4, 4) : null,
                });
            }

            return coats;
        }, shelf, db, clock.GetUtcNow(), cancel);
        return await List(id, desk, db, open, cancel);
    }

    private static async Task<Ok<TrayStepsView>> TakeGrounds(Guid id, GroundsTaken taken, TrayDesk desk, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        var zone = await db.Zones.AsNoTracking().SingleOrDefaultAsync(z => z.Id == taken.ZoneId && z.PieceId == tray.PieceId && z.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("zoneId", taken.ZoneId);
        var shelf = await open.ShelfAsync(cancel);
        var layouts = desk.Layouts(TrayDesk.Copies(tray), TrayDesk.Family(tray));
        if (TrayGrounds.Of(tray, layouts, shelf)?.View(layouts) is not { Mixes.Count: > 0 } grounds)
        {
            throw new RefusedException("id", "Choose two browns and how many grounds first: this tray has one ground everywhere.");
        }

        // One that was made before, of the same parts, is taken again.
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        var (a, b) = (shelf.Find(grounds.AId)!, shelf.Find(grounds.BId)!);
        var rows = new List<MixRow>();
        foreach (var ground in grounds.Mixes)
        {
            var name = $"Ground {ground.PartsA}:{ground.PartsB}, {a.Name} and {b.Name}";
            name = name.Length > NameBoundAttribute.Longest ? name[..NameBoundAttribute.Longest] : name;
            var row = await db.Mixes.FirstOrDefaultAsync(m => m.Name == name && m.Components.Any(c => c.MaterialId == a.Id && c.Amount == ground.PartsA) && m.Components.Any(c => c.MaterialId == b.Id && c.Amount == ground.PartsB), cancel);
            if (row is null)
            {
                row = new MixRow
                {
                    Id = Guid.CreateVersion7(),
                    Name = name,
                    Components =
                    [
                        new() { Id = Guid.CreateVersion7(), Position = 0, Amount = ground.PartsA, Unit = Core.Mixes.MixUnit.Parts, MaterialId = a.Id },
                        new() { Id = Guid.CreateVersion7(), Position = 1, Amount = ground.PartsB, Unit = Core.Mixes.MixUnit.Parts, MaterialId = b.Id },
                    ],
                };
                db.Mixes.Add(row);
            }

            rows.Add(row);
        }

        await open.TouchShelfAsync(cancel);
        await db.SaveChangesAsync(cancel);
        var note = GroundsNote + string.Join("; ", grounds.Mixes.Select(m => $"{m.PartsA}:{m.PartsB} on {string.Join(", ", m.Copies)}"));
        note = note.Length > MostNote ? note[..(MostNote - 1)] + "…" : note;
        await SchemeEndpoints.TakeCoatsAsync(zone.SchemeId, taken.SchemeVersion, kept =>
        {
            List<CoatDraft> coats = [.. kept];

            // The middle one stands for all of them: together they take what it does.
            var middle = rows[rows.Count / 2].Id;
            if (coats.FindIndex(c => c.Note.StartsWith(GroundsNote, StringComparison.Ordinal)) is >= 0 and var there)
            {
                coats[there] = coats[there] with { MixId = middle, MaterialId = null, Note = note };
                return coats;
            }

            var step = new TextureStep(Technique.BaseCoat, false, 2, 0, false, note);
            coats.Insert(
                TextureSteps.PlaceOf(step, [.. coats.Select(c => c.Technique)], [Technique.Texture, Technique.GritInGlue, Technique.DripGlue, Technique.Seal, Technique.BaseCoat]),
                new() { Id = Guid.CreateVersion7(), Technique = Technique.BaseCoat, MixId = middle, Passes = 2, Note = note });
            return coats;
        }, await open.ShelfAsync(cancel), db, clock.GetUtcNow(), cancel);
        await all.CommitAsync(cancel);
        return await List(id, desk, db, open, cancel);
    }

    // Crackle over an under-colour brings a colour of its own; where the stack has it below the primer it is texture alone.
    private static IReadOnlyList<TextureStep> Of(TrayRow tray, TrayDesk desk, List<Technique> stack)
    {
        var crackle = stack.IndexOf(Technique.CracklePaste);
        var primer = stack.FindIndex(t => t.Facts().Covers);
        return TextureSteps.Of(TrayDesk.Family(tray), desk.Layouts(TrayDesk.Copies(tray), TrayDesk.Family(tray)), crackle < 0 || primer < 0 || crackle > primer);
    }

    private static int Tufts(TrayRow tray)
    {
        var copies = TrayDesk.Copies(tray);
        return Math.Max(1, (int)Math.Round(copies.Average(c => c.Elements.Count(e => e.Kind == Core.Bases.Elements.ElementKind.Tuft))));
    }

    private static TrayStepView View(TextureStep step, CoatRow? coat, StackDraft? stack, OpenShelf shelf)
    {
        var film = coat?.OwnDeposit is { Length: 6 } own ? own[..3].Max() / UmPerMm : coat?.Technique.Facts().AppliedUm / UmPerMm;
        var material = MaterialFor(step, shelf);
        var wait = stack is null ? null
            : stack.Coats.FirstOrDefault(c => c.Id == coat?.Id) is { } there ? DryingTimes.Of(there, stack.Zone, stack.Climate).RecoatMin
            : material is null ? null : (double?)TextureSteps.WaitMin(step, material, stack.Zone, stack.Climate);
        return new(
            step.Technique, step.About, step.IsNote, Math.Round(step.FilmMm, 2), coat is not null,
            step.FilmMm > 0 && film is { } mm && Math.Abs((mm / step.FilmMm) - 1) > SameFilm ? Math.Round(mm, 2) : null,
            material?.Name ?? "",
            wait is { } minutes ? Math.Round(minutes) : null);
    }

    private static Material? MaterialFor(TextureStep step, OpenShelf shelf) => TextureSteps.LaidWithOf(step.Technique, shelf.Materials.Values);
}
