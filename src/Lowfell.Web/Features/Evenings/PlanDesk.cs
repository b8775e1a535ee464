using Lowfell.Core.Evenings.Work;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>Where plans are made, held and looked up for the bench of a request or a job.</summary>
/// <param name="db">Database.</param>
/// <param name="open">The bench.</param>
/// <param name="keep">What was made before and still holds.</param>
/// <param name="settings">Plans:PatienceMs, the longest that an answer waits that can be asked for again.</param>
/// <param name="clock">Time.</param>
public sealed class PlanDesk(LowfellDb db, OpenBench open, PlanKeep keep, IConfiguration settings, TimeProvider clock)
{
    // No answer takes much longer than a painter waits.
    private const int UsualPatienceMs = 1000;

    private const int SearchMs = 400;
    private const int HelpMs = 60;
    private const int MostMoved = 200;
    private long? asked;

    /// <summary>How long an answer waits that can be asked for again.</summary>
    internal TimeSpan Patience { get; } = TimeSpan.FromMilliseconds(settings.GetValue("Plans:PatienceMs", UsualPatienceMs));

    /// <summary>From here on nothing is waited for longer than <see cref="Patience"/> in all: whoever asks will ask again, and nothing was changed.</summary>
    internal void AnswerSoon() => asked = clock.GetTimestamp();

    private TimeSpan Left() => asked is not { } since ? Timeout.InfiniteTimeSpan : Patience - clock.GetElapsedTime(since) is var left && left > TimeSpan.Zero ? left : TimeSpan.Zero;

    /// <summary>The bench.</summary>
    internal Task<Bench> BenchAsync(CancellationToken cancel) => open.RowAsync(cancel);

    /// <summary>Reads what is to be planned, from this minute on.</summary>
    /// <exception cref="BeingMadeException">It takes longer than an answer may, after <see cref="AnswerSoon"/>.</exception>
    internal Task<Planner> OpenAsync(PlanRequest request, CancellationToken cancel) => OpenAsync(request, null, cancel);

    /// <summary>The same with the plan that is found in some milliseconds.</summary>
    /// <exception cref="BeingMadeException">It takes longer than an answer may, after <see cref="AnswerSoon"/>.</exception>
    internal async Task<Planner> OpenAsync(PlanRequest request, int? lookMs, CancellationToken cancel)
    {
        await CheckAsync(request, cancel);
        var (mark, now) = await NowAsync(cancel);
        return await keep.PlannerAsync(open.BenchId, mark, request, lookMs, now, Left(), cancel);
    }

    /// <summary>What another way to do it comes to; the way itself is not kept.</summary>
    /// <param name="way">The way, of sets that are there.</param>
    /// <param name="what">What is asked of it, and beside what.</param>
    /// <param name="answer">Finds it.</param>
    /// <param name="cancel">Cancels.</param>
    /// <exception cref="BeingMadeException">It takes longer than an answer may, after <see cref="AnswerSoon"/>.</exception>
    internal async Task<T> AnswerAsync<T>(PlanRequest way, string what, Func<Planner, CancellationToken, T> answer, CancellationToken cancel)
    {
        var (mark, now) = await NowAsync(cancel);
        return await keep.AnswerAsync(open.BenchId, mark, way, what, now, Left(), answer, cancel);
    }

    // Whole minutes: an evening begins at half past seven, not twelve seconds later.
    private async Task<(long Mark, Instant Now)> NowAsync(CancellationToken cancel) =>
        (await PlanKeep.MarkAsync(db, cancel), Instant.FromUnixTimeSeconds(clock.GetUtcNow().ToUnixTimeSeconds() / 60 * 60));

    /// <summary>The held plan, as far as it is still to be done; else one made now.</summary>
    internal async Task<PlanView> CurrentAsync(PlanRequest request, CancellationToken cancel)
    {
        if (await HeldAsync(cancel) is { } held)
        {
            return await ViewAsync(held, cancel);
        }

        return await HelpAsync((await OpenAsync(request, SearchMs, cancel)).Show(SearchMs, cancel), request, cancel);
    }

    // What would have to go so that a set is done by its day: tried in the order in which a painter would let it go.
    private async Task<PlanView> HelpAsync(PlanView view, PlanRequest request, CancellationToken cancel)
    {
        const int MostHelped = 2;
        var due = new List<SetDueView>();
        foreach (var set in view.Due)
        {
            if (!set.Late || due.Count(d => d.Late) >= MostHelped)
            {
                due.Add(set);
                continue;
            }

            (string What, PlanRequest Request)[] ways =
            [
                ("without its coats that may be left out", request with { WithoutOptional = true }),
                ("with the other sets put off", request with { SetIds = [set.SetId] }),
                ("with both", request with { SetIds = [set.SetId], WithoutOptional = true }),
                ("with warm air on every coat that takes it, and both", request with { SetIds = [set.SetId], WithoutOptional = true, WarmAir = true }),
            ];
            var help = new List<string>();
            foreach (var (what, way) in ways)
            {
                var other = (await AnswerAsync(way, "due", (planner, stop) => planner.Show(HelpMs, stop).Due, cancel)).FirstOrDefault(d => d.SetId == set.SetId);
                if (other?.DoneOn is { } day && (set.DoneOn is null || day < set.DoneOn))
                {
                    help.Add($"{what}: {day:yyyy-MM-dd}");
                    if (!other.Late)
                    {
                        break;
                    }
                }
            }

            due.Add(set with { Help = help });
        }

        return view with { Due = due };
    }

    /// <summary>The plan in force with what there is to do for it: the held one, as far as it is of these sets, else one made now.</summary>
    /// <param name="sets">The sets; all where none are named.</param>
    /// <param name="cancel">Cancels.</param>
    internal async Task<(Planner Planner, Core.Evenings.Scheduling.Plan Plan)> InForceAsync(IReadOnlyList<Guid>? sets, CancellationToken cancel)
    {
        if (await HeldAsync(cancel) is { } held && await AliveAsync(held, cancel) is var request && (request.SetIds is null || sets?.Except(request.SetIds).Any() == false))
        {
            var kept = await OpenAsync(request, cancel);
            return (kept, new HeldPlan(kept.Held(Kept.Read<List<KeptLot>>(held.Lots)), kept.Task).AsPlan());
        }

        var planner = await OpenAsync(new(sets), SearchMs, cancel);
        return (planner, planner.AtOnce(SearchMs, cancel).Best);
    }

    // What was asked for when a plan was made, without the sets that are gone since.
    private async Task<PlanRequest> AliveAsync(PlanRow row, CancellationToken cancel)
    {
        var request = Kept.Read<PlanRequest>(row.Request);
        if (request.SetIds is not { } wanted)
        {
            return request;
        }

        var alive = await db.Sets.Where(s => s.DeletedAt == null && wanted.Contains(s.Id)).Select(s => s.Id).ToListAsync(cancel);
        return request with { SetIds = [.. wanted.Intersect(alive)] };
    }

    /// <summary>Refuses a request that names what is not there.</summary>
    internal async Task CheckAsync(PlanRequest request, CancellationToken cancel)
    {
        if (request.SetIds is not { Count: > 0 } wanted)
        {
            return;
        }

        var known = await db.Sets.Where(s => wanted.Contains(s.Id) && s.DeletedAt == null).Select(s => s.Id).ToListAsync(cancel);
        if (wanted.Except(known).Select(id => (Guid?)id).FirstOrDefault() is { } gone)
        {
            throw RefusedException.NotFound("setIds", gone);
        }
    }

    /// <summary>The plan that is held; null where none is.</summary>
    internal Task<PlanRow?> HeldAsync(CancellationToken cancel) => db.Plans.SingleOrDefaultAsync(p => p.InForce, cancel);

    /// <summary>A row for a plan; not held yet.</summary>
    internal PlanRow Row(Planner planner, PlanRequest request, Core.Evenings.Solving.SolveState state)
    {
        var writer = new PlanWriter(planner);
        return new()
        {
            Id = Guid.CreateVersion7(),
            MadeAt = clock.GetUtcNow(),
            Request = Kept.Write(request),
            Lots = Kept.Write(planner.Keep(state.Best)),
            Summary = Kept.Write(writer.Summary(state)),
            TaskMark = planner.Mark(state.Best.Lots.Count == 0 ? 0 : planner.Evenings[state.Best.LastSession].Session.Close),
        };
    }

    /// <summary>Holds a plan made now.</summary>
    /// <param name="request">What to plan.</param>
    /// <param name="instead">The plan whose place it takes; null where none is held.</param>
    /// <param name="cancel">Cancels.</param>
    internal async Task<PlanView> HoldNewAsync(PlanRequest request, Guid? instead, CancellationToken cancel)
    {
        var planner = await OpenAsync(request, cancel);
        var before = await HeldAsync(cancel) is { } held ? Kept.Read<List<KeptLot>>(held.Lots) : null;
        var state = before is null ? planner.AtOnce(SearchMs, cancel) : planner.AtOnce(SearchMs, before);
        if (state.Best.Lots.Count == 0)
        {
            throw new RefusedException("request", "Plan a coat and set an evening first: there is nothing to hold yet.");
        }

        var row = Row(planner, request, state);
        db.Plans.Add(row);
        await HoldAsync(row, instead, cancel);
        return await ViewAsync(row, cancel);
    }

    /// <summary>Holds a plan in the place of the one that is held.</summary>
    /// <param name="row">The plan.</param>
    /// <param name="instead">The plan whose place it takes; null where none is held.</param>
    /// <param name="cancel">Cancels.</param>
    /// <param name="isBack">It was held before, and replaces nothing but what it replaced then.</param>
    /// <exception cref="RefusedException">Another one is held by now (409).</exception>
    internal async Task HoldAsync(PlanRow row, Guid? instead, CancellationToken cancel, bool isBack = false)
    {
        await using var both = await db.Database.BeginTransactionAsync(cancel);
        if (await ReplaceAsync(instead, row.Id, cancel) is { } before && !isBack)
        {
            row.ReplacesId = before.Id;
        }

        row.InForce = true;
        await db.SaveChangesAsync(cancel);
        await both.CommitAsync(cancel);
    }

    /// <summary>Holds none instead of one.</summary>
    /// <exception cref="RefusedException">Another one is held by now (409).</exception>
    internal async Task LetGoAsync(Guid held, CancellationToken cancel)
    {
        await using var both = await db.Database.BeginTransactionAsync(cancel);
        await ReplaceAsync(held, null, cancel);
        await both.CommitAsync(cancel);
    }

    /// <summary>What is refused where two windows hold different plans.</summary>
    internal static RefusedException AnotherIsHeld() => Versions.Stale("another plan was held, or none,");

    // Takes what is held out of force, one window at a time; what is to be held already stays. Saved here, as no two may be in force at once.
    private async Task<PlanRow?> ReplaceAsync(Guid? instead, Guid? by, CancellationToken cancel)
    {
        await open.LockedRowAsync(cancel);
        var held = await HeldAsync(cancel);
        if (held is not null)
        {
            await db.Entry(held).ReloadAsync(cancel);
        }

        if (held?.Id == by)
        {
            return null;
        }

        if (held?.Id != instead)
        {
            throw AnotherIsHeld();
        }

        if (held is not null)
        {
            held.InForce = false;
            await db.SaveChangesAsync(cancel);
        }

        return held;
    }

    /// <summary>A kept plan as it stands now.</summary>
    internal async Task<PlanView> ViewAsync(PlanRow row, CancellationToken cancel)
    {
        var request = await AliveAsync(row, cancel);
        var planner = await OpenAsync(request, cancel);
        var writer = new PlanWriter(planner);
        var lots = planner.Held(Kept.Read<List<KeptLot>>(row.Lots));
        var held = new HeldPlan(lots, planner.Task);
        var summary = Kept.Read<PlanSummary>(row.Summary);
        var now = planner.Minutes(clock.GetUtcNow());
        var same = held.Evenings() is [.., var last] && row.TaskMark == planner.Mark(last.Session.Close);
        var view = writer.ViewKept(held, summary, same) with
        {
            Kept = new(
                row.Id, row.MadeAt, request, held.Slipped(now), held.Missing(), held.Gone(), await CompareAsync(row, held, summary, planner, writer, cancel), [.. held.Over(now).Select(EveningFact.Of)]),
        };
        return await HelpAsync(view, request, cancel);
    }

    private async Task<PlanComparison?> CompareAsync(PlanRow row, HeldPlan held, PlanSummary summary, Planner planner, PlanWriter writer, CancellationToken cancel)
    {
        if (row.ReplacesId is not { } id || await db.Plans.AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, cancel) is not { } before)
        {
            return null;
        }

        var moved = held.MovedSince(planner.Held(Kept.Read<List<KeptLot>>(before.Lots))).Take(MostMoved).Select(m => new MovedStep(writer.Label(m.Id), m.From, m.To));
        return new(Kept.Read<PlanSummary>(before.Summary), summary, [.. moved]);
    }
}
