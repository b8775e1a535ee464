using System.Security.Cryptography;
using System.Text;
using Lowfell.Core.Evenings;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Lowfell.Web.Features.Evenings;

/// <summary>Where a calendar program may follow the plan.</summary>
/// <param name="Path">Path on this host, a secret; none until one is made.</param>
public sealed record FeedAddress(string? Path);

/// <summary>The plan of the evenings.</summary>
public static class PlanEndpoints
{
    private const int WhatIfMs = 50;
    private const int MostOptional = 2;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(WebApplication app)
    {
        var group = app.MapGroup("/api/plan").WithTags("Evenings").ProducesValidationProblem();
        group.MapPost("", Plan).WithSummary("Plans the open coats of sets through the evenings; nothing is kept.");
        group.MapPost("what-ifs", WhatIfs).WithSummary("The same plan beside other ways to do it.");
        group.MapGet("feed", GetFeed).WithSummary("The address at which a calendar program may follow the plan; none until one is made.");
        group.MapPost("feed", NewFeed).WithSummary("A new secret address for calendar programs; the old one ends.");
        group.MapDelete("feed", CloseFeed).WithSummary("Ends the address.");
        group.MapGet("feed/{key}.ics", Feed).WithSummary("The planned evenings of all sets, or the held plan, for a calendar program to follow.").Produces<string>(200, "text/calendar").ProducesProblem(404);
        group.MapGet("evenings.ics", Ics).WithSummary("The planned evenings as iCalendar (RFC 5545); the same evening has the same UID each time.").Produces<string>(200, "text/calendar");
    }

    private static async Task<Ok<PlanView>> Plan(PlanRequest request, PlanDesk desk, CancellationToken cancel) =>
        TypedResults.Ok(await desk.CurrentAsync(request, cancel));

    private static async Task<Ok<List<WhatIf>>> WhatIfs(PlanRequest request, PlanDesk desk, CancellationToken cancel)
    {
        var bench = await desk.BenchAsync(cancel);
        var calendar = CalendarEndpoints.Of(bench);
        var plain = await desk.OpenAsync(request, cancel);
        (string Name, PlanRequest Request)[] ways =
        [
            ("as planned", request),
            .. Optional(plain) is { Count: > 0 } optional
                ? [("without all coats that may be left out", request with { WithoutOptional = true }), .. optional.Select(o => ($"without {o.Name}", request with { WithoutCoats = [o.CoatId] }))]
                : Array.Empty<(string, PlanRequest)>(),
            .. Sprays(plain) ? [("masking next to every spray", request with { Overspray = OversprayWay.Mask }), ("repainting what the spray catches", request with { Overspray = OversprayWay.Repaint })] : Array.Empty<(string, PlanRequest)>(),
            .. Washes(plain) ? [(bench.Wash == WashSchool.TwoThin ? "one generous wash for two thin" : "two thin washes for one generous", request with { OtherWash = true })] : Array.Empty<(string, PlanRequest)>(),
            .. bench.WarmAir == WarmAirSchool.Never ? Array.Empty<(string, PlanRequest)>() : [("warm air wherever it is allowed", request with { WarmAir = true })],
            .. Batches(plain).Select(n => (n == 1 ? "each copy from start to end" : $"{n} copies at a time", request with { MostCopies = n })),
            .. OneMore(calendar) is { } more ? [($"{more.Day} evenings too", request with { OneMore = more })] : Array.Empty<(string, PlanRequest)>(),
        ];
        var answer = new List<WhatIf>();
        foreach (var (name, way) in ways)
        {
            var planner = way == request ? plain : await desk.OpenAsync(way, cancel);
            answer.Add(new(name, new PlanWriter(planner).Summary(planner.AtOnce(WhatIfMs))));
        }

        return TypedResults.Ok(answer);
    }

    private static bool Sprays(Planner planner) => planner.Work.Zones.Any(z => planner.Work.Zones.Any(n => z.Zone.Neighbours.Contains(n.Zone.Id) && z.Steps.Any(s => Overspray.Endangers(s, n.Steps))));

    private static bool Washes(Planner planner) => planner.Work.Zones.Any(z => z.Steps.Any(s => s.Coat.Technique == Technique.Wash));

    // Coats that may be left out, those first that take longest over all open copies.
    private static List<(Guid CoatId, string Name)> Optional(Planner planner)
    {
        var open = planner.Task.Chains.SelectMany(c => c).GroupBy(l => l.CoatId).ToDictionary(g => g.Key, g => g.Sum(l => l.Minutes));
        return [.. planner.Work.Zones.SelectMany(z => z.Stack.Coats.Where(c => c.Optional && open.ContainsKey(c.Id)).Select(c => (Coat: c, Zone: z))).DistinctBy(c => c.Coat.Id)
            .OrderByDescending(c => open[c.Coat.Id]).Take(MostOptional)
            .Select(c => (c.Coat.Id, $"{c.Coat.Paint?.Name ?? Labels.Of(c.Coat.Technique)} ({c.Zone.Zone.Piece!.Name}, {c.Zone.Zone.Name})"))];
    }

    // Lots of one, and of about half of the largest.
    private static IEnumerable<int> Batches(Planner planner)
    {
        var largest = planner.Task.Chains.Select(c => c[0].Copies.Count).DefaultIfEmpty(1).Max();
        return largest < 2 ? [] : largest < 4 ? [1] : [largest / 2, 1];
    }

    // The weekday farthest from any evening, at the hours of the longest.
    private static WeeklyEvening? OneMore(CalendarView calendar)
    {
        if (calendar.Weekly.Count is 0 or > 29)
        {
            return null;
        }

        var like = calendar.Weekly.MaxBy(w => w.EndMin - w.StartMin)!;
        int Away(DayOfWeek day) => calendar.Weekly.Min(w => Math.Min(((int)day - (int)w.Day + 7) % 7, ((int)w.Day - (int)day + 7) % 7));
        var day = Enum.GetValues<DayOfWeek>().MaxBy(Away);
        return Away(day) == 0 ? null : like with { Day = day };
    }

    private static async Task<FileContentHttpResult> Ics(Guid[]? sets, PlanDesk desk, IBenchScope scope, TimeProvider clock, CancellationToken cancel) =>
        PlanCalendar.File(await desk.CurrentAsync(new(sets is { Length: > 0 } ? sets : null), cancel), scope.BenchId, clock.GetUtcNow());

    // A calendar program asks for this by its secret address, again and again.
    private static async Task<FileContentHttpResult> Feed(string key, PlanDesk desk, IBenchScope scope, TimeProvider clock, CancellationToken cancel)
    {
        var bench = await desk.BenchAsync(cancel);
        return bench.FeedKey.Length > 0 && CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(bench.FeedKey), Encoding.UTF8.GetBytes(key))
            ? PlanCalendar.File(await desk.CurrentAsync(new(), cancel), scope.BenchId, clock.GetUtcNow())
            : throw new RefusedException("key", "No calendar is at this address any more.", 404);
    }

    private static async Task<Ok<FeedAddress>> NewFeed(PlanDesk desk, LowfellDb db, CancellationToken cancel)
    {
        var bench = await desk.BenchAsync(cancel);
        bench.FeedKey = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16));
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(new FeedAddress($"/api/plan/feed/{bench.FeedKey}.ics"));
    }

    private static async Task<Ok<FeedAddress>> GetFeed(PlanDesk desk, CancellationToken cancel)
    {
        var bench = await desk.BenchAsync(cancel);
        return TypedResults.Ok(new FeedAddress(bench.FeedKey.Length > 0 ? $"/api/plan/feed/{bench.FeedKey}.ics" : null));
    }

    private static async Task<NoContent> CloseFeed(PlanDesk desk, LowfellDb db, CancellationToken cancel)
    {
        (await desk.BenchAsync(cancel)).FeedKey = "";
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }
}
