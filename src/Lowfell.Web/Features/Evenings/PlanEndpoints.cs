using System.Globalization;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Features.Benches;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>The plan of the evenings.</summary>
public static class PlanEndpoints
{
    private const int SearchMs = 400;
    private const int WhatIfMs = 60;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(WebApplication app)
    {
        var group = app.MapGroup("/api/plan").WithTags("Evenings").ProducesValidationProblem();
        group.MapPost("", Plan).WithSummary("Plans the open coats of sets through the evenings; nothing is kept.");
        group.MapPost("what-ifs", WhatIfs).WithSummary("The same plan beside other ways to do it.");
        group.MapGet("evenings.ics", Ics).WithSummary("The planned evenings as iCalendar (RFC 5545); the same evening has the same UID each time.").Produces<string>(200, "text/calendar");
    }

    private static async Task<Ok<PlanView>> Plan(PlanRequest request, LowfellDb db, IServiceProvider services, IBenchScope scope, ShelfCache shelves, TimeProvider clock, CancellationToken cancel) =>
        TypedResults.Ok((await OpenAsync(request, db, services, scope, shelves, clock, cancel)).Plan(request, SearchMs));

    private static async Task<Ok<List<WhatIf>>> WhatIfs(PlanRequest request, LowfellDb db, IServiceProvider services, IBenchScope scope, ShelfCache shelves, TimeProvider clock, CancellationToken cancel)
    {
        var bench = await BenchEndpoints.OpenBench(db, scope, cancel);
        var calendar = CalendarEndpoints.Of(bench);
        (string Name, PlanRequest Request)[] ways =
        [
            ("as planned", request),
            ("without the coats that may be left out", request with { WithoutOptional = true }),
            .. bench.WarmAir == WarmAirSchool.Never ? Array.Empty<(string, PlanRequest)>() : [("warm air wherever it is allowed", request with { WarmAir = true })],
            ("four copies at a time", request with { MostCopies = 4 }),
            .. OneMore(calendar) is { } more ? [($"{more.Day} evenings too", request with { OneMore = more })] : Array.Empty<(string, PlanRequest)>(),
        ];
        var answer = new List<WhatIf>();
        foreach (var (name, way) in ways)
        {
            answer.Add(new(name, (await OpenAsync(way, db, services, scope, shelves, clock, cancel)).Plan(way, WhatIfMs).Summary));
        }

        return TypedResults.Ok(answer);
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

    private static async Task<FileContentHttpResult> Ics(Guid[]? sets, LowfellDb db, IServiceProvider services, IBenchScope scope, ShelfCache shelves, TimeProvider clock, CancellationToken cancel)
    {
        var request = new PlanRequest(sets is { Length: > 0 } ? sets : null);
        var plan = (await OpenAsync(request, db, services, scope, shelves, clock, cancel)).Plan(request, SearchMs);
        var calendar = new Ical.Net.Calendar { ProductId = "-//Lowfell//Evenings//EN" };
        calendar.AddProperty("X-WR-CALNAME", "Painting");
        foreach (var evening in plan.Calendar)
        {
            calendar.Events.Add(new CalendarEvent
            {
                // By bench, day and hour: an evening that is planned anew updates the one in the painter's calendar.
                Uid = string.Create(CultureInfo.InvariantCulture, $"{evening.Day:yyyyMMdd}-{evening.CloseUtc:HHmm}-{scope.BenchId:n}@lowfell"),
                DtStamp = new CalDateTime(clock.GetUtcNow().UtcDateTime, "UTC"),
                Start = new CalDateTime(evening.OpenUtc.UtcDateTime, "UTC"),
                End = new CalDateTime(evening.CloseUtc.UtcDateTime, "UTC"),
                Summary = $"Painting: {evening.Steps.Count} {(evening.Steps.Count == 1 ? "step" : "steps")}",
                Description = string.Join("\n", evening.Steps.Select(s => $"{Labels.Of(s.Technique)} {s.Paint}: {s.Piece}, {s.Zone}, {s.Copies.Count} {(s.Copies.Count == 1 ? "copy" : "copies")}")),
            });
        }

        var text = new CalendarSerializer().SerializeToString(calendar) ?? "";
        return TypedResults.File(System.Text.Encoding.UTF8.GetBytes(text), "text/calendar; charset=utf-8", "painting.ics");
    }

    private static async Task<Planner> OpenAsync(PlanRequest request, LowfellDb db, IServiceProvider services, IBenchScope scope, ShelfCache shelves, TimeProvider clock, CancellationToken cancel)
    {
        var checks = new Checks();
        if (request.MostCopies is { } most)
        {
            checks.Within("", "mostCopies", most, 1, 1000, " copies");
        }

        checks.Enforce();
        foreach (var id in request.SetIds ?? [])
        {
            if (!await db.Sets.AnyAsync(s => s.Id == id && s.DeletedAt == null, cancel))
            {
                throw RefusedException.NotFound("setIds", id);
            }
        }

        var bench = await BenchEndpoints.OpenBench(db, scope, cancel);
        var shelf = await shelves.OpenAsync(scope, services, cancel);
        // Whole minutes: an evening begins at half past seven, not twelve seconds later.
        var now = Instant.FromUnixTimeSeconds(clock.GetUtcNow().ToUnixTimeSeconds() / 60 * 60);
        return await Planner.OpenAsync(request, bench, shelf, db, now, cancel);
    }
}

/// <summary>The painter's words for techniques, where no screen says them.</summary>
internal static class Labels
{
    public static string Of(Technique technique)
    {
        var word = technique.Facts().Word;
        return char.ToUpperInvariant(word[0]) + word[1..];
    }
}
