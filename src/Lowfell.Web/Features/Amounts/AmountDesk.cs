using Lowfell.Core.Amounts;
using Lowfell.Core.Bases.Making;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Bases;
using Lowfell.Web.Features.Evenings;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Amounts;

/// <summary>What is still to be mixed, lot by lot as the plan tells it, and how the shelf stands to that.</summary>
/// <param name="db">Database.</param>
/// <param name="plans">Plans.</param>
/// <param name="open">The bench.</param>
/// <param name="clock">Time.</param>
public sealed class AmountDesk(LowfellDb db, PlanDesk plans, OpenBench open, TimeProvider clock)
{
    /// <summary>Amounts of what is open of a set, a piece, a scheme or everything that is planned.</summary>
    internal async Task<AmountsView> ReadAsync(AmountsRequest request, CancellationToken cancel)
    {
        Check(request);
        await CheckKnownAsync(request, cancel);
        var (planner, plan) = await plans.InForceAsync(await SetsAsync(request, cancel), cancel);
        var work = planner.Work;
        var todo = request.IsTrial ? [] : WorkAmounts.ToDo(planner.Task, plan);
        if (request.IsTrial)
        {
            var task = new WorkTask(Tried(planner.Source.Work, request).Of(planner.Way), [.. planner.Evenings.Select(e => e.Session)], planner.Way);
            (work, todo) = (task.Work, WorkAmounts.ToDo(task, new Plan([], null)));
        }

        var only = request.Only?.Select(o => (o.SchemeId, o.CoatId)).ToHashSet();
        var lots = WorkAmounts.Of(work, todo, request.Palette).Where(l =>
            (request.SetId is null || l.Zone.Zone.Piece.SetId == request.SetId) &&
            (request.PieceId is null || l.Zone.Zone.Piece.Id == request.PieceId) &&
            (request.SchemeId is null || l.Zone.Zone.SchemeId == request.SchemeId) &&
            (only is null || only.Contains((l.Zone.Zone.SchemeId, l.Step.Coat.Id)))).ToList();
        return await ViewAsync(lots, work, planner, request, cancel);
    }

    // What trays take is of their pieces as they are planned, whatever else is tried; tonight's coats and a scheme alone name none.
    private async Task<(IReadOnlyList<ElementNeedView> Elements, MaterialNeed? Glue, double Drops)> OfTraysAsync(OpenWork work, AmountsRequest request, CancellationToken cancel)
    {
        if (request.Only is not null || request.SchemeId is not null)
        {
            return ([], null, 0);
        }

        List<Guid> pieces = [.. work.Zones.Select(z => z.Zone.Piece).Where(p => (request.SetId is null || p.SetId == request.SetId) && (request.PieceId is null || p.Id == request.PieceId)).Select(p => p.Id).Distinct()];
        var (uses, drops) = await TrayDesk.StillToLayAsync(pieces, db, cancel);
        var glue = drops > 0 ? (await open.ShelfAsync(cancel)).Materials.Values.Where(m => m.Family == Family.SuperGlue).OrderBy(m => m.Name, StringComparer.Ordinal).FirstOrDefault() : null;
        return (
            [.. uses.OrderBy(u => u.Short == 0).ThenByDescending(u => u.Used).Select(u => new ElementNeedView(u.BoxId, u.Name, u.Used, u.Count, u.Short))],
            glue is null ? null : new(glue, drops * BaseQuantities.SuperGlueDropMl, 0),
            glue is null ? drops : 0);
    }

    // Only the sets that are asked for are planned, so that one far down the list is reckoned too.
    private async Task<IReadOnlyList<Guid>?> SetsAsync(AmountsRequest request, CancellationToken cancel) => request switch
    {
        { SetId: { } set } => [set],
        { PieceId: { } piece } => [await db.Pieces.Where(p => p.Id == piece).Select(p => p.SetId).SingleAsync(cancel)],
        { SchemeId: { } scheme } => await db.Zones.Where(z => z.SchemeId == scheme && z.DeletedAt == null && z.Piece!.DeletedAt == null && z.Piece.Set!.DeletedAt == null).Select(z => z.Piece!.SetId).Distinct().ToListAsync(cancel),
        _ => null,
    };

    private static WorkSource Tried(WorkSource source, AmountsRequest request)
    {
        var copies = (request.Copies ?? []).ToDictionary(c => c.PieceId, c => c.Copies);
        var dilutions = (request.Dilutions ?? []).GroupBy(d => (d.SchemeId, d.CoatId)).ToDictionary(g => g.Key, g => Dilution.Of(g.Last().PaintFraction));
        return source with
        {
            Zones = [.. source.Zones.Select(z =>
            {
                var count = copies.GetValueOrDefault(z.Piece.Id, z.Piece.Copies);
                return z with
                {
                    Piece = z.Piece with { Copies = count },
                    Stack = z.Stack with
                    {
                        Zone = z.Stack.Zone with { Copies = count },
                        Coats = [.. z.Stack.Coats.Select(c => dilutions.TryGetValue((z.SchemeId, c.Id), out var tried) ? c with { Dilution = tried } : c)],
                    },
                };
            })],
        };
    }

    private async Task<AmountsView> ViewAsync(List<MixedLot> lots, OpenWork work, Planner planner, AmountsRequest request, CancellationToken cancel)
    {
        var stock = await db.Materials.AsNoTracking().Include(m => m.Bottles).ToDictionaryAsync(m => m.Id, cancel);
        var (prices, today) = (new Prices(stock.Values), DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime));
        var schemes = await db.Schemes.AsNoTracking().Select(s => new { s.Id, s.Name }).ToDictionaryAsync(s => s.Id, s => s.Name, cancel);
        var coats = lots.GroupBy(l => (l.Zone.Zone.SchemeId, l.Step.Coat.Id)).Where(g => g.Any(l => l.Amount is not null))
            .Select(g => (Scheme: g.Key.SchemeId, Lots: g.ToList(), ReserveMl: WorkAmounts.ReserveMl(work, [.. g]))).ToList();
        var amounts = SetAmounts.Of([.. lots.Where(l => l.Amount is not null).Select(l => new MeasuredCoat(l.Step.Coat, l.Amount!))]);
        var reserves = SetAmounts.Of([.. coats.Where(c => c.ReserveMl > 0).Select(c => new MeasuredCoat(c.Lots[0].Step.Coat, Plain(c.ReserveMl)))]).Materials.ToDictionary(m => m.Material.Id, m => m.Ml);
        var (elements, glue, drops) = await OfTraysAsync(work, request, cancel);
        IEnumerable<MaterialNeed> needs = glue is null ? amounts.Materials : [.. amounts.Materials.Where(m => m.Material.Id != glue.Material.Id), glue with { Ml = glue.Ml + amounts.Materials.Where(m => m.Material.Id == glue.Material.Id).Sum(m => m.Ml), Coats = amounts.Materials.Where(m => m.Material.Id == glue.Material.Id).Sum(m => m.Coats) }];
        return new AmountsView(
            [.. needs.Where(m => m.Ml > 0).Select(m => Need(m, reserves.GetValueOrDefault(m.Material.Id), stock.GetValueOrDefault(m.Material.Id), prices, today)).OrderBy(n => n.Verdict is StockVerdict.Enough or StockVerdict.NotCounted).ThenByDescending(n => n.Ml)],
            [.. amounts.Thinners.Select(t => new ThinnerView(t.Thinner, Math.Round(t.Ml, 2), t.Drops))],
            [.. coats.OrderBy(c => schemes[c.Scheme], StringComparer.Ordinal).ThenBy(c => c.Lots[0].Zone.StackPlace(c.Lots[0].Step)).Select(c => Coat(c.Scheme, schemes[c.Scheme], c.Lots, c.ReserveMl, prices))],
            [.. lots.GroupBy(l => l.Zone.Zone.Piece).Select(g => Piece(g.Key, [.. g], prices)).OrderByDescending(p => p.Cost).ThenByDescending(p => p.TotalMl)],
            Math.Round(lots.Sum(l => l.Amount?.TotalMl ?? 0), 3),
            Math.Round(lots.Sum(l => l.Minutes), 3),
            Math.Round(lots.Sum(l => l.SetUpMin), 1),
            Math.Round(lots.Sum(prices.Of), 2),
            amounts.Materials.Count(m => prices.PerMl(m.Material.Id) is null),
            elements,
            drops,
            [.. planner.Source.Later.Select(s => s.Name)]);
    }

    private static CoatAmount Plain(double ml) => new(0, 0, 1, ml, 0, 0, 0, 0, 0, 1);

    private static NeedView Need(MaterialNeed need, double reserveMl, MaterialRow? row, Prices prices, DateOnly today)
    {
        var bottles = (row?.Bottles ?? []).Where(b => b.LeftMl > 0).OrderBy(b => b.OpenedOn ?? DateOnly.MaxValue).ToList();
        var left = bottles.Sum(b => b.LeftMl);

        // What nobody counts is not missing.
        var counted = row is null || row.Bottles.Count > 0;
        var missing = counted ? Math.Max(0, need.Ml - left) : 0;
        var oldest = bottles.FirstOrDefault()?.OpenedOn;
        var buy = prices.ToBuy(need.Material.Id, need.Ml + reserveMl - left);
        return new(
            need.Material.Id,
            need.Material.Name,
            row?.House ?? "",
            need.Material.Colour.ToString(),
            Math.Round(need.Ml, 2),
            need.Drops,
            Math.Round(reserveMl, 2),
            Math.Round(left, 2),
            Math.Round(missing, 2),
            !counted ? StockVerdict.NotCounted : left <= 0 ? StockVerdict.Gone : missing > 0 ? StockVerdict.Short : StockVerdict.Enough,
            oldest,
            oldest is { } opened && OpenBottles.WantsTest(opened, today),
            need.Material.Family.Facts().Drips ? [.. bottles.Select(b => b.Lot).Where(l => l.Length > 0).Distinct()] : [],
            need.Coats,
            missing > 0 ? buy.Bottles : 0,
            buy.SizeMl,
            missing > 0 ? buy.Price : null);
    }

    private static CoatAmountView Coat(Guid schemeId, string scheme, List<MixedLot> lots, double reserveMl, Prices prices)
    {
        var coat = lots[0].Step.Coat;
        var mixed = lots.FindAll(l => l.Amount is not null);
        var fraction = coat.Dilution.PaintFraction;
        double Sum(Func<CoatAmount, double> of) => mixed.Sum(l => of(l.Amount!));
        var (area, total) = (Sum(a => a.AreaMm2), Sum(a => a.TotalMl));
        return new(
            schemeId,
            scheme,
            coat.Id,
            coat.Technique,
            coat.Title,
            coat.Paint!.Name,
            fraction,
            mixed.Select(l => l.Zone.Zone.Id).Distinct().Count(),
            mixed.SelectMany(l => l.Copies.Select(copy => (l.Zone.Zone.Id, copy))).Distinct().Count(),
            Math.Round(area / 100, 1),
            Math.Round(area > 0 ? Sum(a => a.AreaMm2 * a.MeanWetUm) / area : 0, 2),
            coat.Passes,
            Math.Round(Sum(a => a.OnPieceMl), 3),
            Math.Round(Sum(a => a.TransferMl), 3),
            Math.Round(Sum(a => a.LossMl), 3),
            Math.Round(total, 3),
            Math.Round(total * fraction, 3),
            Math.Round(total * (1 - fraction), 3),
            Math.Round(lots.Sum(l => l.Minutes), 3),
            Math.Round(lots.Sum(l => l.SetUpMin), 1),
            mixed[0].Amount!.PaletteMin,
            mixed.Sum(l => l.Amount!.Batches),
            Math.Round(total / mixed.Sum(l => l.Amount!.Batches), 3),
            Math.Round(reserveMl, 2),
            Math.Round(lots.Sum(prices.Of), 2));
    }

    private static PieceAmountView Piece(WorkPiece piece, List<MixedLot> lots, Prices prices)
    {
        var cost = lots.Sum(prices.Of);
        return new(piece.Id, piece.Name, piece.Copies, Math.Round(lots.Sum(l => l.Amount?.TotalMl ?? 0), 2), Math.Round(lots.Sum(l => l.Minutes), 1), Math.Round(cost, 2), Math.Round(cost / Math.Max(1, lots.SelectMany(l => l.Copies).Distinct().Count()), 2));
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

    private async Task CheckKnownAsync(AmountsRequest request, CancellationToken cancel)
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
