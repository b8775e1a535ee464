using Lowfell.Core.Rules;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>A better order of the zones of a piece.</summary>
/// <param name="Zones">Their ids, in that order.</param>
/// <param name="SavesMin">Minutes of touching up that it saves on all copies.</param>
public sealed record ZoneOrder(IReadOnlyList<Guid> Zones, double SavesMin);

/// <summary>Reads a piece with the rules that look at all its zones.</summary>
public static class PieceJudge
{
    /// <summary>Fewer minutes are of no account.</summary>
    public const double LeastMinutes = 1;

    // Up to so many zones every order is tried; more are sorted by moving one at a time.
    private const int MostTried = 5;

    // An order costs as the square of the zones: so many are tried that a keystroke is not held up.
    private const int Budget = 60_000;

    private static readonly IReadOnlyList<PieceRule> Rules = RuleBook.Every<PieceRule>();

    /// <summary>What the rules find: the worst first, then in the order of the zones.</summary>
    public static IReadOnlyList<PieceFinding> Read(PieceReading reading) =>
    [
        .. Rules.SelectMany(r => r.Check(reading).Select(f => Placed(r, f, reading)))
            .OrderBy(f => f.Fault.Severity).ThenBy(f => f.Fault.Zone).ThenBy(f => f.Fault.Coat).ThenBy(f => f.Rule.Id, StringComparer.Ordinal),
    ];

    /// <summary>The order of zones that takes the least touching up; null where the one that there is does.</summary>
    public static ZoneOrder? BetterOrder(PieceReading reading)
    {
        var count = reading.Piece.Zones.Count;
        int[] best = [.. Enumerable.Range(0, count)];
        var now = MessyAfterNeat.TouchUpMin(reading);
        if (now < LeastMinutes)
        {
            return null;
        }

        var least = now;
        var tries = Math.Max(Budget / (count * count), count);
        void Try(IReadOnlyList<int> order)
        {
            if (tries-- <= 0)
            {
                return;
            }

            var minutes = MessyAfterNeat.TouchUpMin(reading.Ordered(order));
            if (minutes < least - LeastMinutes / 2)
            {
                (best, least) = ([.. order], minutes);
            }
        }

        if (count <= MostTried)
        {
            foreach (var order in Orders([], [.. Enumerable.Range(0, count)]))
            {
                Try(order);
            }
        }
        else
        {
            for (var swapped = true; swapped;)
            {
                var before = least;
                for (var i = 0; i < count; i++)
                {
                    // One place on; and, as coats that are shared are done with the first of their zones, all the way.
                    var moved = best[i];
                    int[] left = [.. best[..i], .. best[(i + 1)..]];
                    var on = Math.Min(i + 1, left.Length);
                    Try([.. left[..on], moved, .. left[on..]]);
                    Try([moved, .. left]);
                    Try([.. left, moved]);
                }

                swapped = least < before && tries > 0;
            }
        }

        return now - least >= LeastMinutes ? new([.. best.Select(z => reading.Piece.Zones[z].Id)], now - least) : null;
    }

    private static IEnumerable<IReadOnlyList<int>> Orders(IReadOnlyList<int> taken, IReadOnlyList<int> left) =>
        left.Count == 0 ? [taken] : left.SelectMany(z => Orders([.. taken, z], [.. left.Where(other => other != z)]));

    private static PieceFinding Placed(PieceRule rule, PieceFault fault, PieceReading reading)
    {
        var zone = reading.Piece.Zones[fault.Zone];
        var coat = zone.Stack.Coats[fault.Coat];
        var mark = CoatMark.Of(zone.Stack, fault.Coat, -1);
        return new(rule, fault, zone.Id, coat.Id, fault.With < 0 ? null : reading.Piece.Zones[fault.With].Id, mark, coat.Known.LastOrDefault(k => k.Rule == rule.Id && k.Mark == mark)?.Reason);
    }
}
