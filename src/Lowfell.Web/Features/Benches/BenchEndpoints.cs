using Lowfell.Core.Colour;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Benches;

/// <summary>The project's preferences where good painters disagree.</summary>
/// <param name="PinWashVarnish">Varnish under a pin wash: satin or gloss.</param>
/// <param name="Wash">Two thin washes or one generous one.</param>
/// <param name="Pigments">Pigments fixed or left loose.</param>
/// <param name="WarmAir">Warm air on base coats and textures, or never.</param>
/// <param name="Shading">Pre-shade or modulation.</param>
/// <param name="DryBrush">Keep the residue in the dry brush, or clean it.</param>
/// <param name="GritGlue">PVA or super glue under grit.</param>
public sealed record SchoolsView(
    Sheen PinWashVarnish = Sheen.Satin,
    WashSchool Wash = WashSchool.TwoThin,
    PigmentSchool Pigments = PigmentSchool.Fixed,
    WarmAirSchool WarmAir = WarmAirSchool.BaseCoatsAndTextures,
    ShadingSchool Shading = ShadingSchool.PreShade,
    ResidueSchool DryBrush = ResidueSchool.Keep,
    GritGlueSchool GritGlue = GritGlueSchool.Pva)
{
    /// <summary>As the rules read them.</summary>
    public Schools ToCore() => new()
    {
        PinWashVarnish = PinWashVarnish,
        Wash = Wash,
        Pigments = Pigments,
        WarmAir = WarmAir,
        Shading = Shading,
        DryBrush = DryBrush,
        GritGlue = GritGlue,
    };

    /// <summary>From a bench.</summary>
    public static SchoolsView Of(Bench b) => new(b.PinWashVarnish, b.Wash, b.Pigments, b.WarmAir, b.Shading, b.DryBrush, b.GritGlue);
}

/// <summary>The open bench.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Schools">Its preferences.</param>
public sealed record BenchView(Guid Id, string Name, SchoolsView Schools);

/// <summary>The open bench and its preferences.</summary>
public static class BenchEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(WebApplication app)
    {
        var group = app.MapGroup("/api/bench").WithTags("Bench");
        group.MapGet("", Get).WithSummary("The open bench.");
        group.MapPut("schools", PutSchools).WithSummary("Changes the preferences.").ProducesValidationProblem();
    }

    /// <summary>The bench of this request.</summary>
    public static Task<Bench> OpenBench(LowfellDb db, IBenchScope scope, CancellationToken cancel) =>
        db.Benches.SingleAsync(b => b.Id == scope.BenchId, cancel);

    private static async Task<Ok<BenchView>> Get(LowfellDb db, IBenchScope scope, CancellationToken cancel) =>
        TypedResults.Ok(View(await OpenBench(db, scope, cancel)));

    private static async Task<Ok<BenchView>> PutSchools(SchoolsView schools, LowfellDb db, IBenchScope scope, CancellationToken cancel)
    {
        if (schools.PinWashVarnish is not (Sheen.Satin or Sheen.Gloss))
        {
            throw new RefusedException("pinWashVarnish", $"'{schools.PinWashVarnish}' is no school; satin or gloss are.");
        }

        var bench = await OpenBench(db, scope, cancel);
        (bench.PinWashVarnish, bench.Wash, bench.Pigments, bench.WarmAir) = (schools.PinWashVarnish, schools.Wash, schools.Pigments, schools.WarmAir);
        (bench.Shading, bench.DryBrush, bench.GritGlue) = (schools.Shading, schools.DryBrush, schools.GritGlue);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(View(bench));
    }

    private static BenchView View(Bench bench) => new(bench.Id, bench.Name, SchoolsView.Of(bench));
}
