using Lowfell.Core.Materials;
using Lowfell.Core.Mending;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Benches;

/// <summary>The open bench.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Schools">Its preferences.</param>
/// <param name="HoldsDemo">It holds the demo, to be looked around in.</param>
/// <param name="Version">Version of its preferences and tools.</param>
/// <param name="Tools">What there is to paint with; none until it is told.</param>
public sealed record BenchView(Guid Id, string Name, Schools Schools, bool HoldsDemo, int Version, Tools? Tools = null);

/// <summary>Which of the two benches of this machine is wanted.</summary>
/// <param name="Demo">The one that holds the demo; else one's own.</param>
public sealed record BenchChoice(bool Demo);

/// <summary>What an answer does to the stacks of this bench, once they follow it.</summary>
/// <param name="Value">The answer.</param>
/// <param name="Minutes">Hands-on minutes more on all copies; less than nothing where it saves some.</param>
/// <param name="WaitHours">Hours of waiting more, over all stacks.</param>
/// <param name="Coats">Coats more.</param>
/// <param name="Ml">Paint and thinner more, ml.</param>
/// <param name="Asked">Findings that speak under it and do not now.</param>
/// <param name="Spared">Findings that no longer speak.</param>
/// <param name="Stacks">Stacks in which something changes.</param>
/// <param name="Moved">dE00 by which the finished colour that moves farthest does.</param>
public sealed record SchoolEffectView(string Value, double Minutes, double WaitHours, int Coats, double Ml, int Asked, int Spared, int Stacks, double Moved);

/// <summary>What the answers to a question do on this bench.</summary>
/// <param name="School">The question.</param>
/// <param name="OfStacks">Stacks that were tried.</param>
/// <param name="Choices">Each answer; the one in force changes nothing.</param>
public sealed record SchoolEffectsView(string School, int OfStacks, IReadOnlyList<SchoolEffectView> Choices);

/// <summary>The open bench and its preferences.</summary>
public static class BenchEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/bench").WithTags("Bench");
        group.MapGet("", Get).WithSummary("The open bench.");
        group.MapPut("schools", PutSchools).WithSummary("Changes the preferences; 409 when somebody else has meanwhile.").ProducesValidationProblem().ProducesProblem(409);
        group.MapPut("tools", PutTools).WithSummary("Says what there is to paint with; 409 when somebody else has meanwhile.").ProducesValidationProblem().ProducesProblem(409);
        group.MapPost("open", Open).WithSummary("Opens one's own bench, or the demo beside it, in this browser; what is not there yet is made.");
        group.MapGet("schools/{id}/effects", Effects).WithSummary("What each answer to a question would do to the stacks of this bench.").ProducesValidationProblem();
    }

    /// <summary>The bench of this request.</summary>
    public static Task<Bench> OpenBench(LowfellDb db, OpenBench open, CancellationToken cancel) =>
        db.Benches.SingleAsync(b => b.Id == open.BenchId, cancel);

    private static async Task<Ok<BenchView>> Get(LowfellDb db, OpenBench open, CancellationToken cancel) =>
        TypedResults.Ok(View(await open.RowAsync(cancel)));

    private static Task<Ok<BenchView>> PutSchools(Schools schools, int version, LowfellDb db, OpenBench open, CancellationToken cancel) =>
        ChangeAsync(version, bench => bench.Schools = schools, db, open, cancel);

    private static Task<Ok<BenchView>> PutTools(Tools tools, int version, LowfellDb db, OpenBench open, CancellationToken cancel) =>
        ChangeAsync(version, bench => bench.Tools = tools, db, open, cancel);

    private static async Task<Ok<BenchView>> ChangeAsync(int version, Action<Bench> change, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        var bench = await open.LockedRowAsync(cancel);
        Versions.Check(version, bench.SettingsVersion);
        var tools = bench.Tools;
        change(bench);
        bench.SettingsVersion++;
        if (bench.Tools != tools)
        {
            await open.TouchShelfAsync(cancel);
        }

        await db.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(View(bench));
    }

    private static async Task<Ok<BenchView>> Open(BenchChoice choice, LowfellDb db, OtherBench other, HttpContext context, CancellationToken cancel)
    {
        var home = await db.Benches.AsNoTracking().SingleAsync(b => b.Id == Web.Benches.OpenBench.Home, cancel);
        if (home.HoldsDemo == choice.Demo)
        {
            context.Response.Cookies.Delete(BenchGate.Cookie);
            return TypedResults.Ok(View(home));
        }

        await other.MakeAsync(choice.Demo, cancel);
        context.Response.Cookies.Append(BenchGate.Cookie, BenchGate.OtherWord, new() { HttpOnly = true, SameSite = SameSiteMode.Lax, MaxAge = TimeSpan.FromDays(400), IsEssential = true });
        return TypedResults.Ok(View(await db.Benches.AsNoTracking().SingleAsync(b => b.Id == Web.Benches.OpenBench.Other, cancel)));
    }

    private static async Task<Ok<SchoolEffectsView>> Effects(string id, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var school = SchoolBook.Of(id) ?? throw new RefusedException("id", $"'{id}' is no question of schools; {string.Join(", ", SchoolBook.All.Select(s => s.Id))} are.");
        var shelf = await open.ShelfAsync(cancel);
        var stacks = (await ZoneStacks.AllAsync(db, open, shelf, cancel)).Where(s => s.Draft.Coats.Count > 0).ToList();

        // Zones of copied sets that are told alike get the same coats: one of them is read for all.
        var alike = stacks.GroupBy(s => (s.SchemeId, s.Draft.Zone)).Select(g => (g.First().Draft, g.Count())).ToList();
        var effects = SchoolEffects.Of(school, alike, shelf.Shelf, cancel);
        return TypedResults.Ok(new SchoolEffectsView(id, stacks.Count, [.. effects.Select(e => new SchoolEffectView(
            e.Value,
            Math.Round(e.Cost.HandsOnMin),
            Math.Round(e.Cost.WaitingMin / 60, 1),
            e.Cost.Coats,
            Math.Round(e.Cost.Ml, 1),
            e.Asked,
            e.Spared,
            e.Touched,
            Math.Round(e.FarthestMove, 1)))]));
    }

    private static BenchView View(Bench bench) => new(bench.Id, bench.Name, bench.Schools, bench.HoldsDemo, bench.SettingsVersion, bench.Tools);
}
