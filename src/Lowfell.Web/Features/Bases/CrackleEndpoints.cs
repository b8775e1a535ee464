using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Drying;
using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Lowfell.Web.Features.Bases;

/// <summary>How crackle would come out: by the thickness laid, or by the cracks wanted.</summary>
/// <param name="Ground">What it lies on.</param>
/// <param name="Mm">Thickness laid, mm; where a width is wanted that is solved for.</param>
/// <param name="WidthMm">Width of cracks that is wanted, mm.</param>
/// <param name="Scale">Scale, one to so many.</param>
/// <param name="Tile">What a tile of one's own showed; it says more than what it lies on.</param>
public sealed record CrackleQuestion(CrackleGround Ground, [CrackleFilmBound] double Mm = 0.8, [CrackWidthBound] double? WidthMm = null, [ScaleBound] double Scale = Zone.UsualScale, CrackleTileDraft? Tile = null);

/// <summary>How crackle comes out.</summary>
/// <param name="Mm">Thickness laid, mm.</param>
/// <param name="SpacingMm">Between cracks, mm, a quarter either way; 0 where none come.</param>
/// <param name="WidthMm">Width of a crack, mm.</param>
/// <param name="SeenFromM">From how far the cracks are told, m.</param>
/// <param name="DryMin">Minutes until it is dry, in the room as it is.</param>
/// <param name="Verdict">In words.</param>
/// <param name="Tile">What a tile of such paste would show: to begin with where the painter tells one of his own.</param>
public sealed record CrackleAnswer(double Mm, double SpacingMm, double WidthMm, double SeenFromM, double DryMin, string Verdict, CrackleTileDraft Tile);

/// <summary>Crackle: thickness for the cracks that are wanted, and what a thickness gives.</summary>
public static class CrackleEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapPost("/api/preview/crackle", Preview).WithTags("Preview").ProducesValidationProblem().WithSummary("What a thickness of crackle paste gives, or which thickness gives the cracks that are wanted.");

    private static async Task<Ok<CrackleAnswer>> Preview(CrackleQuestion question, OpenBench open, CancellationToken cancel)
    {
        var checks = new Checks();
        question.Tile?.Check(checks, "tile.");
        checks.Enforce();
        var bench = await open.RowAsync(cancel);
        var law = question.Tile?.ToCore().Law ?? Crackle.On(question.Ground);
        var mm = question.WidthMm is { } wanted ? law.ThicknessFor(wanted) : question.Mm;
        var facts = Family.CracklePaste.Facts();
        var slower = DryingModel.Factor(facts.DryingKind, new(bench.RoomC, bench.RoomHumidity, bench.RoomFan));
        var look = law.Look(mm, question.Scale, speed: 1 / slower);
        return TypedResults.Ok(new CrackleAnswer(
            Math.Round(mm, 2), Math.Round(look.SpacingMm, 2), Math.Round(look.WidthMm, 2), Math.Round(look.SeenFromM, 1), Math.Round(facts.Drying.RecoatMin * facts.Drying.FilmFactor(UmPerMm * mm) * slower), look.Verdict, CrackleTileDraft.Shown(CrackleTile.Of(law))));
    }

    private const double UmPerMm = 1000;
}
