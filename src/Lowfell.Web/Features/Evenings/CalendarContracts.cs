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
/// <param name="EndMin">Ends, minutes after midnight, up to 1440.</param>
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
public sealed record CalendarView([VersionBound] int Version, [TagBound] string TimeZone, [WeeklyBound] IReadOnlyList<WeeklyEvening> Weekly, [ExceptionsBound] IReadOnlyList<CalendarException> Exceptions, RoomView Room)
{
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
            if (Weekly.Take(i).Any(o => o.Day == w.Day && o.StartMin < w.EndMin && w.StartMin < o.EndMin))
            {
                checks.Fault($"weekly[{i}].startMin", "This evening overlaps another of the same day.");
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
        [.. Exceptions.Select(e => new UnusualDay(LocalDate.FromDateOnly(e.Date), e.StartMin is { } start ? (start, e.EndMin!.Value) : null))]);

    private static void Times(Checks checks, string at, int start, int end)
    {
        if (end - start < EveningCalendar.LeastMinutes)
        {
            checks.Fault(at + "endMin", $"It ends {end - start} minutes after it begins; {EveningCalendar.LeastMinutes} minutes are the least, and an evening ends by midnight.");
        }
    }
}
