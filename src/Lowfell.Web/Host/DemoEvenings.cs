using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;
using Lowfell.Store;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Evenings;
using NodaTime;

namespace Lowfell.Web.Host;

/// <summary>The demo's log, written as a painter would have: each step in one of the club's evenings, after the one before it is dry, a little slower or faster than was planned.</summary>
internal sealed class DemoEvenings
{
    private const int MostBack = 400;

    // The club dry-brushes slowly, washes quickly, and its washes dry slower than the table says.
    private const double Slow = 1.3;
    private const double Quick = 0.85;
    private const double Usual = 1.05;
    private const double DriesSlower = 1.2;

    private readonly Bench bench;
    private readonly OpenShelf shelf;
    private readonly List<(DateTimeOffset Open, DateTimeOffset Close)> evenings;
    private readonly Dictionary<(Guid Zone, int Copy), DateTimeOffset> dry = [];
    private int evening;
    private DateTimeOffset at;
    private int step;

    /// <summary>Begins so many evenings before today.</summary>
    public DemoEvenings(Bench bench, OpenShelf shelf, DateTimeOffset now, int back)
    {
        (this.bench, this.shelf) = (bench, shelf);
        var from = Instant.FromDateTimeOffset(now.AddDays(-MostBack));
        var hours = CalendarEndpoints.Of(bench).ToCore() with { Weeks = (MostBack / 7) + 1 };
        evenings = [.. hours.Sessions(from).Select(s => (At(from, s.Session.Open), At(from, s.Session.Close))).Where(e => e.Item2 < now.AddHours(-1))];
        evening = back == 0 ? 0 : Math.Max(0, evenings.Count - back);
        at = evenings[evening].Open;
    }

    /// <summary>What was written down.</summary>
    public List<LogRow> Entries { get; } = [];

    /// <summary>Evenings that were needed.</summary>
    public int Used => evening + 1;

    /// <summary>Paints the first coats of a zone on some copies.</summary>
    public void Paint(ZoneRow zone, int coats, IReadOnlyList<int> copies)
    {
        var stack = ZoneStacks.Read(zone, bench, shelf);
        foreach (var next in StackSteps.Of(stack).Where(s => stack.Coats.ToList().FindIndex(c => c.Id == s.Coat.Id) < coats))
        {
            var how = next.Coat.How;
            var pace = (next.IsCleanUp ? Usual : next.Station switch { Station.DryBrush => Slow, _ when how.WantsNight => Quick, _ => Usual }) * (1 + (0.04 * ((++step % 5) - 2)));
            var (minutes, setUp) = (pace * next.MinutesPerCopy, next.Station.SetUpMin() * (1 + (0.1 * (step % 3))));
            var ready = copies.Max(copy => dry.GetValueOrDefault((zone.Id, copy), at));
            Seek(ready > at ? ready : at, setUp + (minutes * copies.Count));
            at = at.AddMinutes(setUp);
            var press = Guid.CreateVersion7();
            var then = StepFacts.Then(next, next.MinutesPerCopy);
            foreach (var copy in copies)
            {
                at = at.AddMinutes(minutes);
                Entries.Add(Entry(zone, LogKind.Done, copy, press, r =>
                {
                    (r.CoatId, r.Pass, r.Paint, r.Minutes) = (next.Coat.Id, next.Pass, next.Coat.Paint?.Name ?? "", minutes);
                    r.SetUpMinutes = copy == copies[0] ? setUp : null;
                    (r.ThenTechnique, r.ThenStation, r.ThenLeadId, r.ThenMin) = (then.Technique, then.Station, then.LeadId, then.Minutes);
                    r.WorkedWith = next.Coat.Paint is null ? WorkedWith.Unsaid : WorkedWith.Shaken;
                }));
                dry[(zone.Id, copy)] = at.AddMinutes(next.LagMin * DriesSlower);
            }

            Felt(zone, next, copies);
        }
    }

    /// <summary>Fits a part.</summary>
    public void Fit(ZoneRow part, int copy)
    {
        Seek(dry.GetValueOrDefault((part.Id, copy), at), part.Piece!.FitMin);
        at = at.AddMinutes(part.Piece.FitMin);
        Entries.Add(Entry(part, LogKind.Done, copy, Guid.CreateVersion7(), r => (r.PartId, r.Paint) = (part.PieceId, part.Piece.Name)));
    }

    /// <summary>Writes a problem down.</summary>
    public void Problem(ZoneRow zone, int copy, string note, string cause, string remedy) =>
        Entries.Add(Entry(zone, LogKind.Problem, copy, Guid.CreateVersion7(), r => (r.Note, r.Cause, r.Remedy) = (note, cause, remedy)));

    // What dried while the painter was still there was felt.
    private void Felt(ZoneRow zone, Step laid, IReadOnlyList<int> copies)
    {
        var dried = at.AddMinutes(laid.Times.RecoatMin * DriesSlower);
        if (laid.Times.RecoatMin < 15 || laid.Coat.Paint is null || laid.IsCleanUp || dried > evenings[evening].Close)
        {
            return;
        }

        var (then, press, end) = (StepFacts.Then(laid, laid.Times.RecoatMin), Guid.CreateVersion7(), at);
        at = dried;
        Entries.Add(Entry(zone, LogKind.Dry, copies[^1], press, r =>
        {
            (r.CoatId, r.Pass, r.Paint) = (laid.Coat.Id, laid.Pass, laid.Coat.Paint.Name);
            (r.ThenTechnique, r.ThenStation, r.ThenLeadId, r.ThenMin) = (then.Technique, then.Station, then.LeadId, then.Minutes);
        }));
        at = end;
    }

    // The first evening from a moment on that has room for so many minutes; what fits into none takes the longest.
    private void Seek(DateTimeOffset from, double minutes)
    {
        while (evening + 1 < evenings.Count && (from > evenings[evening].Open ? from : evenings[evening].Open).AddMinutes(minutes) > evenings[evening].Close && !(at <= evenings[evening].Open && from <= evenings[evening].Open))
        {
            evening++;
            at = evenings[evening].Open;
        }

        at = from > evenings[evening].Open ? from : evenings[evening].Open;
    }

    private LogRow Entry(ZoneRow zone, LogKind kind, int copy, Guid press, Action<LogRow> more)
    {
        var row = new LogRow
        {
            Id = Guid.CreateVersion7(),
            Press = press,
            At = at.ToUniversalTime(),
            Kind = kind,
            ZoneId = zone.Id,
            Copy = copy,
            Label = $"{zone.Piece!.Name}, {zone.Name}",
            RoomC = bench.RoomC,
            RoomHumidity = bench.RoomHumidity,
        };
        more(row);
        return row;
    }

    private static DateTimeOffset At(Instant origin, double minutes) => (origin + Duration.FromMinutes(minutes)).ToDateTimeOffset();
}
