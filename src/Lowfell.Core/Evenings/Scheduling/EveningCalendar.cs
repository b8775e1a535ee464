using NodaTime;

namespace Lowfell.Core.Evenings.Scheduling;

/// <summary>An evening of every week, in the painter's own time.</summary>
/// <param name="Day">Day of the week on which it begins.</param>
/// <param name="StartMin">Begins, minutes after midnight.</param>
/// <param name="EndMin">Ends, minutes after that midnight; beyond a day where it runs on into the next.</param>
public sealed record EveningOfWeek(DayOfWeek Day, int StartMin, int EndMin);

/// <summary>A day that is unlike its week.</summary>
/// <param name="Date">The day.</param>
/// <param name="Times">When it is painted on; null where it is not.</param>
public sealed record UnusualDay(LocalDate Date, (int StartMin, int EndMin)? Times);

/// <summary>The evenings that a painter has, by the clock on the wall.</summary>
/// <param name="Zone">Time zone of that clock.</param>
/// <param name="Weekly">Evenings of every week.</param>
/// <param name="Unusual">Days that are unlike it.</param>
public sealed record EveningCalendar(DateTimeZone Zone, IReadOnlyList<EveningOfWeek> Weekly, IReadOnlyList<UnusualDay> Unusual)
{
    /// <summary>Minutes below which an evening is none.</summary>
    public const int LeastMinutes = 10;

    /// <summary>Minutes above which one sitting is too long to be meant.</summary>
    public const int MostMinutes = 16 * 60;

    /// <summary>Weeks that are planned ahead where nothing else is said.</summary>
    public const int UsualWeeks = 26;

    /// <summary>Weeks that are planned ahead.</summary>
    public int Weeks { get; init; } = UsualWeeks;

    /// <summary>
    /// Sessions from a moment on, with the local days that they begin on. Paint dries by the sun and not by the clock: where the clocks are changed between two
    /// evenings, they are an hour nearer or farther, and a session in which it happens is an hour shorter or longer.
    /// </summary>
    /// <param name="origin">The moment that minutes are counted from; a session that has begun by then begins at it.</param>
    public IReadOnlyList<(Session Session, LocalDate Day)> Sessions(Instant origin)
    {
        var today = origin.InZone(Zone).Date;
        var unusual = Unusual.ToDictionary(u => u.Date, u => u.Times);
        var found = new List<(Session, LocalDate)>();

        // Last evening may still run on.
        var free = 0;
        for (var day = today.PlusDays(-1); day < today.PlusWeeks(Weeks); day = day.PlusDays(1))
        {
            (int From, int To)[] times = unusual.TryGetValue(day, out var own)
                ? own is { } one ? [one] : []
                : [.. Weekly.Where(w => (int)w.Day == (int)day.DayOfWeek % 7).OrderBy(w => w.StartMin).Select(w => (w.StartMin, w.EndMin))];
            foreach (var (from, to) in times)
            {
                var open = Math.Max(free, Minutes(day, from, origin));
                var close = Minutes(day, to, origin);
                if (close - open >= LeastMinutes)
                {
                    found.Add((new(open, close), day));
                    free = close;
                }
            }
        }

        return found;
    }

    private int Minutes(LocalDate day, int minute, Instant origin) =>
        (int)Math.Round((day.AtMidnight().PlusMinutes(minute).InZoneLeniently(Zone).ToInstant() - origin).TotalMinutes);
}
