using System.Globalization;
using System.Text;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using Lowfell.Web.Files;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Lowfell.Web.Features.Evenings;

/// <summary>The plan as iCalendar (RFC 5545).</summary>
internal static class PlanCalendar
{
    /// <summary>An event for each evening. By bench, day and hour it has the same UID each time, so that one planned anew updates the one in the painter's calendar.</summary>
    public static FileContentHttpResult File(PlanView plan, Guid benchId, DateTimeOffset now)
    {
        var calendar = new Ical.Net.Calendar { ProductId = "-//Lowfell//Evenings//EN" };
        calendar.AddProperty("X-WR-CALNAME", "Painting");
        calendar.AddProperty("REFRESH-INTERVAL;VALUE=DURATION", "PT1H");
        foreach (var evening in plan.Calendar)
        {
            calendar.Events.Add(new CalendarEvent
            {
                Uid = string.Create(CultureInfo.InvariantCulture, $"{evening.Day:yyyyMMdd}-{evening.CloseAt:HHmm}-{benchId:n}@lowfell"),
                DtStamp = new CalDateTime(now.UtcDateTime, "UTC"),
                Start = new CalDateTime(evening.OpenAt.UtcDateTime, "UTC"),
                End = new CalDateTime(evening.CloseAt.UtcDateTime, "UTC"),
                Summary = $"Painting: {Counted(evening.Steps.Count, "step", "steps")}",
                Description = string.Join("\n", evening.Steps.Select(s => $"{s.What}{(s.Paint is null ? "" : " " + s.Paint)}: {s.Piece}, {s.Zone}, {Counted(s.Copies.Count, "copy", "copies")}")),
            });
        }

        var text = new CalendarSerializer().SerializeToString(calendar) ?? "";
        return TypedResults.File(Encoding.UTF8.GetBytes(IcsLines.Fold(text)), "text/calendar; charset=utf-8", "painting.ics");
    }

    private static string Counted(int n, string one, string many) => $"{n} {(n == 1 ? one : many)}";
}
