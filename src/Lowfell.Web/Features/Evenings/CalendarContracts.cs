using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Materials;
using Lowfell.Core.Wording;
using Lowfell.Web.Api;
using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>An evening that comes every week.</summary>
/// <param name="Day">Day of the week.</param>
/// <param name="StartMin">Begins, minutes after midnight.</param>
/// <param name="EndMin">Ends, minutes after that midnight; beyond 1440 where it runs on into the next day.</param>
public sealed record WeeklyEvening(DayOfWeek Day, [EveningStartBound] int StartMin, [EveningEndBound] int EndMin);

/// <summary>A day that is unlike its week.</summary>
/// <param name="Date">The day.</param>
/// <param name="StartMin">Begins, minutes after midnight; none for a day without painting.</param>
/// <param name="EndMin">Ends.</param>
public sealed record CalendarException(DateOnly Date, [EveningStartBound] int? StartMin = null, [EveningEndBound] int? EndMin = null);

/// <summary>The air of the room.</summary>
/// <param name="TemperatureC">Temperature, C.</param>
/// <param name="Humidity">Relative humidity.</param>
/// <param name="Fan">A fan moves it.</param>
/// <param name="CansFit">Cans may be sprayed: the weather or the booth is fit.</param>
public sealed record RoomView([TemperatureBound] double TemperatureC, [HumidityBound] double Humidity, bool Fan, bool CansFit)
{
    /// <summary>As Core knows it.</summary>
    public Climate ToCore() => new(TemperatureC, Humidity, Fan);
}

/// <summary>The evenings and the room.</summary>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="TimeZone">Time zone, as in the IANA database.</param>
/// <param name="Weekly">Evenings of every week.</param>
/// <param name="Exceptions">Days that are unlike it.</param>
/// <param name="Room">The room.</param>
/// <param name="WeeksAhead">Weeks that are planned ahead.</param>
/// <param name="SittingMin">Minutes of one step in one go, after which hands and eyes have a pause; none where there is no such limit.</param>
/// <param name="PauseMin">Minutes of that pause.</param>
public sealed record CalendarView(
    [VersionBound] int Version,
    [TagBound] string TimeZone,
    [WeeklyBound] IReadOnlyList<WeeklyEvening> Weekly,
    [ExceptionsBound] IReadOnlyList<CalendarException> Exceptions,
    RoomView Room,
    [WeeksBound] int WeeksAhead = EveningCalendar.UsualWeeks,
    [SittingBound] int? SittingMin = null,
    [PauseBound] int PauseMin = CalendarView.UsualPauseMin)
{
    /// <summary>Minutes of a pause where nothing else is said.</summary>
    public const int UsualPauseMin = 5;

    /// <summary>Checks it.</summary>
    public void Check(Checks checks)
    {
        if (DateTimeZoneProviders.Tzdb.GetZoneOrNull(TimeZone) is null)
        {
            checks.Fault("timeZone", $"'{(TimeZone.Length > 40 ? TimeZone[..40] : TimeZone)}' is no time zone of the IANA database, such as Europe/London.");
        }

        for (var i = 0; i < Weekly.Count; i++)
        {
            var w = Weekly[i];
            Times(checks, $"weekly[{i}].", w.StartMin, w.EndMin);
            if (Weekly.Take(i).Any(o => Overlap(o, w)))
            {
                checks.Fault($"weekly[{i}].startMin", "This evening overlaps another one.");
            }
        }

        for (var i = 0; i < Exceptions.Count; i++)
        {
            var e = Exceptions[i];
            if (e.StartMin is null != e.EndMin is null)
            {
                checks.Fault($"exceptions[{i}].endMin", "A day has both a beginning and an end, or neither.");
            }
            else if (e.StartMin is { } start)
            {
                Times(checks, $"exceptions[{i}].", start, e.EndMin!.Value);
            }

            if (Exceptions.Take(i).Any(o => o.Date == e.Date))
            {
                checks.Fault($"exceptions[{i}].date", $"{e.Date:yyyy-MM-dd} stands here twice.");
            }
        }
    }

    /// <summary>As Core knows it.</summary>
    public EveningCalendar ToCore() => new(
        DateTimeZoneProviders.Tzdb[TimeZone],
        [.. Weekly.Select(w => new EveningOfWeek(w.Day, w.StartMin, w.EndMin))],
        [.. Exceptions.Select(e => new UnusualDay(LocalDate.FromDateOnly(e.Date), e.StartMin is { } start ? (start, e.EndMin!.Value) : null))])
    {
        Weeks = WeeksAhead,
    };

    // By minutes of a week that goes round: Sunday's late evening runs into Monday.
    private static bool Overlap(WeeklyEvening a, WeeklyEvening b)
    {
        const int Day = EveningEndBoundAttribute.DayMinutes, Week = 7 * Day;
        var apart = (((int)b.Day * Day) + b.StartMin - (((int)a.Day * Day) + a.StartMin) + Week) % Week;
        return apart < a.EndMin - a.StartMin || Week - apart < b.EndMin - b.StartMin;
    }

    private static void Times(Checks checks, string at, int start, int end)
    {
        if (end - start is < EveningCalendar.LeastMinutes or > EveningCalendar.MostMinutes)
        {
            checks.Fault(at + "endMin", $"It ends {end - start} minutes after it begins; {EveningCalendar.LeastMinutes} to {EveningCalendar.MostMinutes} are possible. An evening that runs past midnight ends on the next day.");
        }
    }
}
