using Lowfell.Core.Amounts;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Amounts;

/// <summary>How much of everything, and whether the shelf has it.</summary>
public static class AmountEndpoints
{

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        app.MapPost("/api/amounts", async (AmountsRequest request, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel) =>
                TypedResults.Ok(await AmountsAsync(request, db, open, clock, cancel)))
            .WithTags("Amounts").ProducesValidationProblem()
            .WithSummary("Paint and thinner for a set, a scheme, tonight's coats or everything, over all copies and zones, against the shelf. Nothing is kept.");
        app.MapPost("/api/amounts/shopping.csv", ShoppingList).WithTags("Amounts").ProducesValidationProblem()
            .WithSummary("What the shelf lacks for the same request, as CSV.").Produces<string>(200, "text/csv");
    }

    private static async Task<ContentHttpResult> ShoppingList(AmountsRequest request, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var amounts = await AmountsAsync(request, db, open, clock, cancel);
        var lacking = amounts.Materials.Where(m => m.ShortMl > 0);
        return TypedResults.Text(ShelfCsv.Shopping(lacking.Select(m => new ShoppingLine(m.Name, m.House, m.ShortMl, m.Ml, m.LeftMl))), "text/csv", System.Text.Encoding.UTF8);
    }

    private static async Task<AmountsView> AmountsAsync(AmountsRequest request, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        Check(request);
        var zones = await ZoneStacks.Rows(db)
            .Where(z => request.SetId == null || z.Piece!.SetId == request.SetId)
            .Where(z => request.PieceId == null || z.PieceId == request.PieceId)
            .Where(z => request.SchemeId == null || z.SchemeId == request.SchemeId)
            .ToListAsync(cancel);
        await CheckKnownAsync(request, db, cancel);
        var copies = (request.Copies ?? []).ToDictionary(c => c.PieceId, c => c.Copies);
        var schemes = zones.Select(z => z.Scheme!).DistinctBy(s => s.Id).OrderBy(s => s.Name, StringComparer.Ordinal).ToList();
        var schools = (await open.RowAsync(cancel)).Schools;
        var shelf = await open.ShelfAsync(cancel);
        var tonight = request.Only?.Select(o => (o.SchemeId, o.CoatId)).ToHashSet();
        var shared = new List<SharedCoat>();
        var origin = new Dictionary<Coat, (SchemeRow Scheme, IReadOnlyList<Zone> Zones)>(ReferenceEqualityComparer.Instance);
        foreach (var scheme in schemes)
        {
            var painted = zones.Where(z => z.SchemeId == scheme.Id)
                .Select(z => z.ToCore() with { Copies = copies.GetValueOrDefault(z.PieceId, z.Piece!.Copies) })
                .Where(z => z.Copies > 0).ToList();
            if (painted.Count == 0)
            {
                continue;
            }

            var drafts = scheme.Coats.OrderBy(c => c.Position).Select(CoatRows.Write).Select(c => Tried(c, scheme.Id, request.Dilutions)).ToList();
            foreach (var coat in StackReader.ReadKept(new Zone(), drafts, schools, shelf).Coats)
            {
                if (tonight is not null && !tonight.Contains((scheme.Id, coat.Id)))
                {
                    continue;
                }

                shared.Add(new(coat, painted));
                origin[coat] = (scheme, painted);
            }
        }

        var amounts = SetAmounts.Of(shared, request.Palette, schools.Highlights);
        var stock = await db.Materials.AsNoTracking().Include(m => m.Bottles).ToDictionaryAsync(m => m.Id, cancel);
        var today = DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime);
        return new AmountsView(
            [.. amounts.Materials.Select(m => Need(m, stock.GetValueOrDefault(m.Material.Id), today)).OrderBy(n => n.Verdict == StockVerdict.Enough).ThenByDescending(n => n.Ml)],
            [.. amounts.Thinners.Select(t => new ThinnerView(t.Thinner, Math.Round(t.Ml, 2), t.Drops))],
            [.. amounts.Coats.Select(c => View(c, origin[c.Coat].Scheme, origin[c.Coat].Zones))]);
    }

    private static CoatDraft Tried(CoatDraft coat, Guid schemeId, IReadOnlyList<DilutionTrial>? trials) =>
        trials?.LastOrDefault(t => t.SchemeId == schemeId && t.CoatId == coat.Id) is { } trial ? coat with { PaintFraction = trial.PaintFraction } : coat;

    private static NeedView Need(MaterialNeed need, MaterialRow? row, DateOnly today)
    {
        var bottles = (row?.Bottles ?? []).Where(b => b.LeftMl > 0).OrderBy(b => b.OpenedOn ?? DateOnly.MaxValue).ToList();
        var left = bottles.Sum(b => b.LeftMl);
        var missing = Math.Max(0, need.Ml - left);
        var oldest = bottles.FirstOrDefault()?.OpenedOn;
        return new(
            need.Material.Id,
            need.Material.Name,
            row?.House ?? "",
            need.Material.Colour.ToString(),
            Math.Round(need.Ml, 2),
            need.Drops,
            Math.Round(left, 2),
            Math.Round(missing, 2),
            left <= 0 ? StockVerdict.Gone : missing > 0 ? StockVerdict.Short : StockVerdict.Enough,
            oldest,
            oldest is { } opened && opened <= today.AddYears(-1),
            need.Material.Family.Facts().Drips ? [.. bottles.Select(b => b.Lot).Where(l => l.Length > 0).Distinct()] : [],
            need.Coats);
    }

    private static CoatAmountView View(MeasuredCoat measured, SchemeRow scheme, IReadOnlyList<Zone> zones)
    {
        var (coat, a) = (measured.Coat, measured.Amount);
        var fraction = coat.Dilution.PaintFraction;
        return new(
            scheme.Id,
            scheme.Name,
            coat.Id,
            coat.Technique,
            coat.Paint!.Name,
            fraction,
            zones.Count,
            zones.Sum(z => z.Copies),
            Math.Round(a.AreaMm2 / 100, 1),
            Math.Round(a.MeanWetUm, 2),
            a.Passes,
            Math.Round(a.OnPieceMl, 3),
            Math.Round(a.TransferMl, 3),
            Math.Round(a.LossMl, 3),
            Math.Round(a.TotalMl, 3),
            Math.Round(a.TotalMl * fraction, 3),
            Math.Round(a.TotalMl * (1 - fraction), 3),
            Math.Round(a.Minutes, 1),
            a.PaletteMin,
            a.Batches,
            Math.Round(a.TotalMl / a.Batches, 3));
    }

    private static void Check(AmountsRequest request)
    {
        var checks = new Checks();
        for (var i = 0; i < (request.Copies?.Count ?? 0); i++)
        {
            if (request.Copies!.Take(i).Any(c => c.PieceId == request.Copies![i].PieceId))
            {
                checks.Fault($"copies[{i}].pieceId", "This piece stands here twice.");
            }
        }

        checks.Enforce();
    }

    private static async Task CheckKnownAsync(AmountsRequest request, LowfellDb db, CancellationToken cancel)
    {
        if (request.SetId is { } set && !await db.Sets.AnyAsync(s => s.Id == set && s.DeletedAt == null, cancel))
        {
            throw RefusedException.NotFound("setId", set);
        }

        if (request.PieceId is { } piece && !await db.Pieces.AnyAsync(p => p.Id == piece && p.DeletedAt == null, cancel))
        {
            throw RefusedException.NotFound("pieceId", piece);
        }

        if (request.SchemeId is { } scheme && !await db.Schemes.AnyAsync(s => s.Id == scheme, cancel))
        {
            throw RefusedException.NotFound("schemeId", scheme);
        }
    }
}
