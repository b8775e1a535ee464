using Lowfell.Store;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Shelf;

/// <summary>What came out of a bottle.</summary>
/// <param name="MaterialId">The material.</param>
/// <param name="BottleId">The bottle; none where the shelf held no more of it.</param>
/// <param name="Ml">Ml.</param>
/// <param name="Lot">Lot of the bottle; empty without one.</param>
internal sealed record Poured(Guid MaterialId, Guid? BottleId, double Ml, string Lot = "");

/// <summary>Paint that comes out of bottles and goes back into them.</summary>
internal static class Pouring
{
    // Less than this is a rounding, not paint.
    private const double Nothing = 1e-9;

    /// <summary>Takes what is wanted, the first opened first; where the bottles hold less they are empty now, and the rest has no bottle. Saved with what it was taken for.</summary>
    public static async Task<List<Poured>> OutAsync(IReadOnlyList<(Guid MaterialId, double Ml)> wanted, DateTimeOffset at, LowfellDb db, CancellationToken cancel)
    {
        var ids = wanted.Select(w => w.MaterialId).ToList();
        var bottles = await db.Bottles.Where(b => ids.Contains(b.MaterialId) && b.LeftMl > 0).OrderBy(b => b.OpenedOn ?? DateOnly.MaxValue).ThenBy(b => b.Id).ToListAsync(cancel);
        var gone = new List<Poured>();
        foreach (var (material, ml) in wanted)
        {
            var left = ml;
            foreach (var bottle in bottles.Where(b => b.MaterialId == material))
            {
                var taken = Math.Min(left, bottle.LeftMl);
                if (taken <= 0)
                {
                    break;
                }

                bottle.LeftMl -= taken;
                bottle.OpenedOn ??= DateOnly.FromDateTime(at.UtcDateTime);
                left -= taken;
                gone.Add(new(material, bottle.Id, taken, bottle.Lot));
            }

            if (left > Nothing)
            {
                gone.Add(new(material, null, left));
            }
        }

        return gone;
    }

    /// <summary>Puts it back where its bottle is still there; none ever holds more than it did when new.</summary>
    public static async Task BackAsync(IReadOnlyList<Poured> poured, LowfellDb db, CancellationToken cancel)
    {
        var ids = poured.Where(p => p.BottleId is not null).Select(p => p.BottleId!.Value).Distinct().ToList();
        var bottles = ids.Count == 0 ? [] : await db.Bottles.Where(b => ids.Contains(b.Id)).ToDictionaryAsync(b => b.Id, cancel);
        foreach (var some in poured)
        {
            if (some.BottleId is { } id && bottles.TryGetValue(id, out var bottle))
            {
                bottle.LeftMl = Math.Min(bottle.SizeMl, bottle.LeftMl + some.Ml);
            }
        }
    }
}
