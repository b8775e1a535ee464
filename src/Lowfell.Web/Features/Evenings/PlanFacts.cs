namespace Lowfell.Web.Features.Evenings;

/// <summary>A held plan against what the log says was done.</summary>
internal static class PlanFacts
{
    // Work that begins early or runs late still belongs to its evening.
    private static readonly TimeSpan Early = TimeSpan.FromHours(3);
    private static readonly TimeSpan Late = TimeSpan.FromHours(6);
    private const int MostEvenings = 12;

    /// <summary>Evenings that are over, the last first.</summary>
    public static IReadOnlyList<EveningFact> Of(IReadOnlyList<KeptLot> lots, PlanWriter writer, OpenWork work, DateTimeOffset now)
    {
        var evenings = lots.GroupBy(l => (l.Day, l.OpenUtc, l.CloseUtc)).Where(g => g.Key.CloseUtc <= now).OrderByDescending(g => g.Key.OpenUtc).Take(MostEvenings);
        return [.. evenings.Select(evening =>
        {
            var (from, to) = (evening.Key.OpenUtc - Early, evening.Key.CloseUtc + Late);
            var planned = evening.SelectMany(l => l.Copies.Select(copy => (Key: writer.Key(l, copy), Minutes: l.MinutesPerCopy))).ToDictionary(p => p.Key, p => p.Minutes);
            var done = planned.Keys.Where(work.Done.ContainsKey).Select(key => (Key: key, Done: work.Done[key])).ToList();
            var measured = done.FindAll(d => d.Done.Minutes > 0);
            return new EveningFact(
                evening.Key.Day,
                planned.Count,
                done.Count(d => d.Done.At <= to),
                done.Count(d => d.Done.At > to),
                work.Done.Count(d => d.Value.At >= from && d.Value.At <= to && !d.Value.Skipped && !planned.ContainsKey(d.Key)),
                Math.Round(planned.Values.Sum()),
                measured.Count > 0 ? Math.Round(measured.Sum(d => d.Done.Minutes!.Value)) : null,
                measured.Count > 0 ? Math.Round(measured.Sum(d => planned[d.Key])) : null);
        })];
    }
}
