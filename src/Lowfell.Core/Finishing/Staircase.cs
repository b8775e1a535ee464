using Lowfell.Core.Amounts;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Finishing;

/// <summary>How far a piece is to be taken.</summary>
public enum Finish
{
    /// <summary>For the table: what is seen from where the set is looked at.</summary>
    [Said("for the table")]
    Table,

    /// <summary>Good: what is seen by who leans over it.</summary>
    [Said("good")]
    Good,

    /// <summary>For show: what is seen in the hand.</summary>
    [Said("for show")]
    Show,
}

/// <summary>A coat that may be left out, with those that go with it.</summary>
/// <param name="Zone">Place of its zone.</param>
/// <param name="CoatIds">The coat, then what is nothing without it.</param>
/// <param name="Minutes">Hands-on minutes of them over all copies.</param>
/// <param name="Word">How it is seen from the distance: its own detail, or the zone without it beside what was planned.</param>
/// <param name="Left">What is left of that to the eye there, dE00.</param>
public sealed record Drop(int Zone, IReadOnlyList<Guid> CoatIds, double Minutes, SightWord Word, double Left)
{
    /// <summary>What is seen of it for each minute, dE00.</summary>
    public double Gain => Left / Math.Max(0.1, Minutes);
}

/// <summary>What is left out, and what of the work is left.</summary>
/// <param name="Drops">In the order in which they go.</param>
/// <param name="Minutes">Hands-on minutes of all coats over all copies, before any of them.</param>
/// <param name="MinutesLeft">After all of them.</param>
/// <param name="Stacks">The stacks without them.</param>
public sealed record Cut(IReadOnlyList<Drop> Drops, double Minutes, double MinutesLeft, IReadOnlyList<StackDraft> Stacks);

/// <summary>Visible gain over minutes, coat by coat.</summary>
public static class Staircase
{
    /// <summary>Distance that a finish is looked at from, m.</summary>
    /// <param name="finish">The finish.</param>
    /// <param name="tableM">Distance of the set, m.</param>
    public static double Metres(this Finish finish, double tableM) => finish switch { Finish.Table => tableM, Finish.Good => Math.Min(Schools.LeaningM, tableM), _ => Math.Min(SightTable.HandM, tableM) };

    /// <summary>Leaves coats out one by one, the one first that gives least for its minutes, for as long as any may be left out.</summary>
    /// <param name="stacks">Stacks of the zones of a piece.</param>
    /// <param name="stand">Where from, and who.</param>
    public static Cut Of(IReadOnlyList<StackDraft> stacks, SightFrom stand) => Down(stacks, stand, _ => true, static _ => false);

    /// <summary>Leaves out what a finish does not show.</summary>
    /// <param name="stacks">Stacks of the zones of a piece.</param>
    /// <param name="finish">The finish.</param>
    /// <param name="stand">Where the set is looked at from, and who.</param>
    public static Cut For(IReadOnlyList<StackDraft> stacks, Finish finish, SightFrom stand) =>
        Down(stacks, stand with { Metres = finish.Metres(stand.Metres) }, d => d.Word < SightWord.Seen, static _ => false);

    /// <summary>Leaves out as little as it takes to come down to so many minutes.</summary>
    /// <param name="stacks">Stacks of the zones of a piece.</param>
    /// <param name="minutes">Hands-on minutes over all copies.</param>
    /// <param name="stand">Where from, and who.</param>
    public static Cut Within(IReadOnlyList<StackDraft> stacks, double minutes, SightFrom stand) => Down(stacks, stand, _ => true, left => left <= minutes);

    private static Cut Down(IReadOnlyList<StackDraft> stacks, SightFrom stand, Func<Drop, bool> may, Func<double, bool> enough)
    {
        ArgumentNullException.ThrowIfNull(stacks);
        var now = stacks.ToArray();
        Stratum[] planned = [.. now.Select(s => Predictor.PredictMiddle(s).Top)];
        var open = now.Select((s, zone) => Candidates(s, zone, planned[zone], stand)).ToArray();
        var all = now.Sum(Minutes);
        var (left, drops) = (all, new List<Drop>());
        while (!enough(left) && open.SelectMany(o => o).Where(may).OrderBy(d => d.Gain).ThenByDescending(d => d.Minutes).FirstOrDefault() is { } next)
        {
            if (Without(now[next.Zone], next.CoatIds) is { } shorter && !Alarms(now[next.Zone], shorter))
            {
                now[next.Zone] = shorter;
                left -= next.Minutes;
                drops.Add(next);
                open[next.Zone] = Candidates(shorter, next.Zone, planned[next.Zone], stand);
            }
            else
            {
                // It holds something up: it stays.
                open[next.Zone] = [.. open[next.Zone].Where(d => d.CoatIds[0] != next.CoatIds[0])];
            }
        }

        return new(drops, all, Math.Max(0, left), now);
    }

    /// <summary>Hands-on minutes of a stack over all copies.</summary>
    public static double Minutes(StackDraft stack) => stack.Coats.Where(c => !c.Skipped).Sum(c => MinutesOf(stack, c));

    private static double MinutesOf(StackDraft stack, Coat coat)
    {
        var amount = CoatAmount.Of(coat, [stack.Zone], Palette.Dry, stack.Schools.Highlights);
        return amount.Minutes + amount.CleanUpMinutes;
    }

    // What is seen of a coat is its own detail, or how far the zone without it and all that went before is from what was planned: the stronger of the two.
    private static List<Drop> Candidates(StackDraft stack, int zone, Stratum planned, SightFrom stand)
    {
        var drops = new List<Drop>();
        foreach (var detail in ZoneDetails.Of(stack).Where(d => d.CoatId is { } id && !IsBase(stack, stack.Coats[stack.IndexOf(id)])))
        {
            var ids = With(stack, detail.CoatId!.Value);
            if (Without(stack, ids) is not { } shorter)
            {
                continue;
            }

            var after = Predictor.PredictMiddle(shorter).Top;
            var seen = ZoneDetails.Between(stack.Zone, planned, after).Select(d => Sights.At(d, stand)).Append(detail.At(stand)).MaxBy(s => (s.Word, s.Left));
            drops.Add(new(zone, ids, ids.Sum(id => MinutesOf(stack, stack.Coats[stack.IndexOf(id)])), seen.Word, seen.J >= 1 ? seen.Left : 0));
        }

        return drops;
    }

    // A primer, and the last coat that covers, are what all else is on.
    private static bool IsBase(StackDraft stack, Coat coat) =>
        coat.What?.Kind == Kind.Primer || (coat.How.Covers && !stack.Coats.Any(c => c.Id != coat.Id && !c.Skipped && c.How.Covers && c.What?.Kind is not (Kind.Primer or Kind.Varnish)));

    // What is done to a coat by hand, or fixes it, is nothing without it.
    private static List<Guid> With(StackDraft stack, Guid id)
    {
        var at = stack.IndexOf(id);
        List<Guid> ids = [id];
        for (var i = at + 1; i < stack.Coats.Count; i++)
        {
            var coat = stack.Coats[i];
            if (coat.Skipped)
            {
                continue;
            }

            if (coat.How.Hand is null && !(coat.How.Role == Role.Fixer && stack.Coats[at].How.Role == Role.Powder))
            {
                break;
            }

            ids.Add(coat.Id);
        }

        return ids;
    }

    private static StackDraft? Without(StackDraft stack, IReadOnlyList<Guid> ids)
    {
        var shorter = stack with { Coats = [.. stack.Coats.Select(c => ids.Contains(c.Id) ? c with { Skipped = true } : c)] };
        return shorter.FirstImpossible() < 0 && shorter.Coats.Any(c => !c.Skipped) ? shorter : null;
    }

    private static bool Alarms(StackDraft before, StackDraft after)
    {
        static IReadOnlyList<Finding> Read(StackDraft stack) => RuleBook.ReadAlarms(new Reading(stack, Predictor.PredictMiddle(stack)));
        var known = Read(before);
        return Read(after).Any(f => !known.Any(k => k.SameAs(f) && k.Severity <= f.Severity));
    }
}
