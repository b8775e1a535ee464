using Lowfell.Core.Bases.Making;
using Lowfell.Web.Features.Evenings;
using Lowfell.Web.Features.Shelf;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Lowfell.Web.Features.Amounts;

/// <summary>How much of everything, and whether the shelf has it.</summary>
public static class AmountEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        app.MapPost("/api/amounts", Read)
            .WithTags("Amounts").ProducesValidationProblem()
            .WithSummary("Paint and thinner for what is open of a set, a piece, a scheme, tonight's coats or everything that is planned, lot by lot as the plan mixes it, against the shelf. Nothing is kept; 202 while what is planned is being read.");
        app.MapPost("/api/amounts/shopping.csv", ShoppingList).WithTags("Amounts").ProducesValidationProblem()
            .WithSummary("What the shelf lacks for the same request, in whole bottles, as CSV.").Produces<string>(200, "text/csv");
    }

    private static async Task<Ok<AmountsView>> Read(AmountsRequest request, AmountDesk desk, PlanDesk plans, CancellationToken cancel)
    {
        plans.AnswerSoon();
        return TypedResults.Ok(await desk.ReadAsync(request, cancel));
    }

    private static async Task<ContentHttpResult> ShoppingList(AmountsRequest request, AmountDesk desk, CancellationToken cancel)
    {
        var amounts = await desk.ReadAsync(request, cancel);
        var lacking = amounts.Materials.Where(m => m.ShortMl > 0);
        return TypedResults.Text(ShelfCsv.Shopping(
            [
                .. lacking.Select(m => new ShoppingLine(m.Name, m.House, m.ShortMl, m.Ml, m.LeftMl, m.ReserveMl, m.Bottles, m.BottleMl, m.BuyPrice)),
                .. amounts.Elements.Where(e => e.Short > 0).Select(e => new ShoppingLine(e.Name, "", null, null, null, null, Pieces: e.Short)),
                .. amounts.SuperGlueDrops > 0 ? [new ShoppingLine("super glue", "", amounts.SuperGlueDrops * BaseQuantities.SuperGlueDropMl, amounts.SuperGlueDrops * BaseQuantities.SuperGlueDropMl, 0)] : Array.Empty<ShoppingLine>(),
            ]), "text/csv", System.Text.Encoding.UTF8);
    }
}
