using Lowfell.Core.Evenings.Facts;
using Lowfell.Store;

namespace Lowfell.Web.Benches;

/// <summary>What stripping leaves of a log: what was on a copy before is gone, unless the stripping is taken back.</summary>
internal static class Stripped
{
    /// <summary>The entries that still count; those of mends stay, so that none is done twice.</summary>
    /// <param name="rows">Entries of a zone, in the order of their times.</param>
    /// <param name="zone">The zone with its mends.</param>
    public static List<LogRow> Without(List<LogRow> rows, ZoneRow zone)
    {
        var strips = zone.Repairs.Where(r => r.Strips).SelectMany(r => r.Steps).Select(s => s.CoatId).ToHashSet();
        if (strips.Count == 0)
        {
            return rows;
        }

        var mends = zone.Repairs.SelectMany(r => r.Steps).Select(s => s.CoatId).ToHashSet();
        var since = rows.Where(l => l.CoatId is { } coat && strips.Contains(coat)).GroupBy(l => (l.CoatId, l.Copy)).Select(g => g.Last()).Where(l => l.Kind == LogKind.Done)
            .GroupBy(l => l.Copy).ToDictionary(g => g.Key, g => g.Max(l => l.At));
        return rows.FindAll(l => l.CoatId is not { } coat || mends.Contains(coat) || !since.TryGetValue(l.Copy, out var at) || l.At > at);
    }
}
