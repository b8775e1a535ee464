using Microsoft.EntityFrameworkCore;
using System.Security.Cryptography;
using System.Text;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Lowfell.Web.Features.Evenings;

/// <summary>Where a calendar program may follow the plan.</summary>
/// <param name="Exists">There is an address that may be followed.</param>
/// <param name="Version">Version of the address.</param>
/// <param name="Path">Path on this host, a secret: told only as it is made.</param>
public sealed record FeedAddress(bool Exists, int Version, string? Path = null);

/// <summary>The plan of the evenings.</summary>
public static class PlanEndpoints
{
    private const int WhatIfMs = 50;

    // There are never so many.
    private const int MostWays = 100;
    private const string WarmAir = "warm air";

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/plan").WithTags("Evenings").ProducesValidationProblem();
        group.MapPost("", Plan).WithSummary("Plans the open coats of sets through the evenings; nothing is kept; 202 while what it is made of is being read.");
        group.MapPost("look", Look).WithSummary("The same made at this moment, whatever plan is held: to be looked at before it is; 202 while what it is made of is being read.");
        group.MapPost("what-ifs", WhatIfs).WithSummary("The same plan beside other ways to do it, as many as a second tries; asked on from the next where there are more; 202 while what it is made of is being read.");
        group.MapGet("done-by", DoneBy).WithSummary("The evening on which each set with open steps is done, by the held plan or one made now over all sets; 202 while what it is made of is being read.");
        group.MapPut("learned", Answer).WithSummary("Says whether plans are to follow a figure that was learned from the log; 409 when it was answered elsewhere meanwhile.").ProducesProblem(409);
        group.MapGet("feed", GetFeed).WithSummary("Whether a calendar program may follow the plan at a secret address; the address itself is told only as it is made; none until one is made.");
        group.MapPost("feed", NewFeed).WithSummary("A new secret address for calendar programs; the old one ends. 409 when somebody else has made or ended one meanwhile.").ProducesProblem(409);
        group.MapDelete("feed", CloseFeed).WithSummary("Ends the address; 409 when somebody else has made another meanwhile.").ProducesProblem(409);
        group.MapGet("feed/{key}.ics", Feed).WithSummary("The planned evenings of all sets, or the held plan, for a calendar program to follow.").Produces<string>(200, "text/calendar").ProducesProblem(404);
        group.MapGet("evenings.ics", Ics).WithSummary("The planned evenings as iCalendar (RFC 5545); the same evening has the same UID each time.").Produces<string>(200, "text/calendar");
    }

    private static async Task<Ok<PlanView>> Plan(PlanRequest request, PlanDesk desk, CancellationToken cancel)
    {
        desk.AnswerSoon();
        return TypedResults.Ok(await desk.CurrentAsync(request, cancel));
    }

    private static async Task<Ok<PlanView>> Look(PlanRequest request, PlanDesk desk, CancellationToken cancel)
    {
        desk.AnswerSoon();
        return TypedResults.Ok((await desk.OpenAsync(request, WhatIfMs, cancel)).Show(WhatIfMs, cancel));
    }

    private static async Task<NoContent> Answer(LearnedAnswer answer, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        if (!LearnedFigures.IsKey(answer.Key))
        {
            throw new RefusedException("key", $"{answer.Key} is no figure that is learned.", 404);
        }

        await using var all = await db.Database.BeginTransactionAsync(cancel);
        await open.LockedRowAsync(cancel);
        var row = await db.LearnedAnswers.SingleOrDefaultAsync(a => a.Key == answer.Key, cancel);
        if (row?.Follow != answer.Was && row?.Follow != answer.Follow)
        {
            throw Versions.Stale("this was answered elsewhere");
        }

        if (answer.Follow is not { } follow)
        {
            db.LearnedAnswers.RemoveRange(row is null ? [] : [row]);
        }
        else if (row is null)
        {
            db.LearnedAnswers.Add(new() { Key = answer.Key, Follow = follow });
        }
        else
        {
            row.Follow = follow;
        }

        await db.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<List<SetDone>>> DoneBy(PlanDesk desk, LowfellDb db, CancellationToken cancel)
    {
        desk.AnswerSoon();
        var plan = await desk.CurrentAsync(new(), cancel);
        var zones = plan.Calendar.SelectMany(e => e.Steps.Select(s => s.ZoneId)).Distinct().ToList();
        var setOf = await db.Zones.Where(z => zones.Contains(z.Id)).Select(z => new { z.Id, z.Piece!.SetId }).ToDictionaryAsync(z => z.Id, z => z.SetId, cancel);

        // Where steps are left over, no set is said to be done: the plan does not tell whose they are.
        var complete = plan.NotPlanned.Steps == 0;
        return TypedResults.Ok(plan.Calendar.SelectMany(e => e.Steps.Select(s => (Set: setOf.GetValueOrDefault(s.ZoneId), e.Day)))
            .GroupBy(s => s.Set).Select(g => new SetDone(g.Key, complete ? g.Max(s => s.Day) : null)).ToList());
    }

    private static async Task<Ok<WhatIfPage>> WhatIfs(PlanRequest request, PlanDesk desk, TimeProvider clock, CancellationToken cancel, int from = 0)
    {
        if (from is < 0 or > MostWays)
        {
            throw new RefusedException("from", $"Ask for the ways from the first on, 0, or from the one that an answer named as the next, not from {from}.");
        }

        var begun = clock.GetTimestamp();
        desk.AnswerSoon();
        var bench = await desk.BenchAsync(cancel);
        var calendar = CalendarEndpoints.Of(bench);
        // What is done otherwise is beside the plan in force: where one is held, what that was asked for.
        var inForce = await desk.HeldAsync(cancel) is { } row ? await desk.ViewAsync(row, cancel) : null;
        request = inForce?.Kept!.Request ?? request;
        var plain = await desk.OpenAsync(request, WhatIfMs, cancel);
        var asPlanned = plain.AtOnce(WhatIfMs, cancel);
        var kept = plain.Keep(asPlanned.Best);
        var ways = new OtherWays(plain.Task);
        List<(string Name, PlanRequest Request)> tried =
        [
            .. inForce is null ? [] : new (string, PlanRequest)[] { ("planned anew from now on", request) },
            .. ways.Optional() is { Count: > 0 } optional
                ? [("without all coats that may be left out", request with { WithoutOptional = true }), .. optional.Select(o => ($"without {Named(o)}", request with { WithoutCoats = [o.Coat.Id] }))]
                : Array.Empty<(string, PlanRequest)>(),
            .. ways.Sprays ? [("masking next to every spray", request with { Overspray = OversprayWay.Mask }), ("repainting what the spray catches", request with { Overspray = OversprayWay.Repaint })] : Array.Empty<(string, PlanRequest)>(),
            .. ways.Washes ? [($"{(bench.Schools.Wash == WashSchool.TwoThin ? "one generous wash for two thin" : "two thin washes for one generous")}: {ways.Named(s => s.Coat.Technique == Technique.Wash)}", request with { OtherWash = true })] : Array.Empty<(string, PlanRequest)>(),
            .. bench.Schools.WarmAir == WarmAirSchool.Never ? Array.Empty<(string, PlanRequest)>() : [(WarmAir, request with { WarmAir = true })],
            .. ways.Batches().Select(n => (n == 1 ? "each copy from start to end" : $"{n} copies at a time", request with { MostCopies = n })),
            .. OneMore(calendar) is { } more ? [($"{more.Day} evenings too", request with { OneMore = more })] : Array.Empty<(string, PlanRequest)>(),
        ];
        var answer = new List<WhatIf>();
        if (from == 0)
        {
            answer.Add(new("as planned", inForce?.Summary ?? new PlanWriter(plain).Summary(asPlanned), null));
        }

        // The plan itself is the first of them.
        for (var i = Math.Max(1, from); i <= tried.Count; i++)
        {
            // One at least, however long the plan took to open.
            if (i > from && clock.GetElapsedTime(begun) > desk.Patience)
            {
                return TypedResults.Ok(new WhatIfPage(answer, i));
            }

            var (name, way) = tried[i - 1];
            if (way == request)
            {
                answer.Add(new(name, new PlanWriter(plain).Summary(asPlanned), way));
                continue;
            }

            try
            {
                answer.Add(await desk.AnswerAsync(way, $"{name} for {Kept.Write(request)}", (planner, stop) => Tried(name, way, planner, stop), cancel));
            }
            catch (BeingMadeException) when (answer.Count > 0)
            {
                return TypedResults.Ok(new WhatIfPage(answer, i));
            }
        }

        return TypedResults.Ok(new WhatIfPage(answer, null));

        WhatIf Tried(string name, PlanRequest way, Planner planner, CancellationToken stop)
        {
            // What only shortens a wait or leaves something out is never later: the plan as it is still stands.
            var eases = way.MostCopies == request.MostCopies && way.Overspray == request.Overspray;
            var state = eases ? planner.AtOnce(WhatIfMs, kept, stop) : planner.AtOnce(WhatIfMs, stop);
            return new(name == WarmAir ? $"{name} on {new OtherWays(planner.Task).Named(s => s.Coat.Hurried)}" : name, new PlanWriter(planner).Summary(state), way);
        }
    }

    private static string Named((Coat Coat, OpenZone Zone) o) => $"{o.Coat.Paint?.Name ?? StepWords.Of(o.Coat.Technique)} ({o.Zone.Zone.Piece.Name}, {o.Zone.Zone.Name})";

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

    private static async Task<FileContentHttpResult> Ics(Guid[]? sets, PlanDesk desk, OpenBench open, TimeProvider clock, CancellationToken cancel) =>
        PlanCalendar.File(await desk.CurrentAsync(new(sets is { Length: > 0 } ? sets : null), cancel), open.BenchId, clock.GetUtcNow());

    // A calendar program asks for this by its secret address, again and again.
    // A calendar program says nothing of benches: the key does.
    private static async Task<FileContentHttpResult> Feed(string key, PlanDesk desk, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var hash = HashOf(key);
        var bench = await db.Benches.Where(b => b.FeedHash == hash).Select(b => new { b.Id }).FirstOrDefaultAsync(cancel)
            ?? throw new RefusedException("key", "Make a new address on the Evenings screen: no calendar is at this one any more.", 404);
        open.Open(bench.Id);
        return PlanCalendar.File(await desk.CurrentAsync(new(), cancel), open.BenchId, clock.GetUtcNow());
    }

    // What is kept opens nothing: the key is told once, to whoever made it.
    private static string HashOf(string key) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(key)));

    private static async Task<Ok<FeedAddress>> NewFeed(int version, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var key = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16));
        return TypedResults.Ok(new FeedAddress(true, await FeedAsync(version, HashOf(key), db, open, cancel), $"/api/plan/feed/{key}.ics"));
    }

    private static async Task<Ok<FeedAddress>> GetFeed(PlanDesk desk, CancellationToken cancel)
    {
        var bench = await desk.BenchAsync(cancel);
        return TypedResults.Ok(new FeedAddress(bench.FeedHash.Length > 0, bench.FeedVersion));
    }

    private static async Task<NoContent> CloseFeed(int version, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        await FeedAsync(version, "", db, open, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<int> FeedAsync(int version, string hash, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        var bench = await open.LockedRowAsync(cancel);
        Versions.Check(version, bench.FeedVersion);
        bench.FeedHash = hash;
        bench.FeedVersion++;
        await db.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return bench.FeedVersion;
    }
}
