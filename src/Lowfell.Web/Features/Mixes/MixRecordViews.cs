using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Features.Shelf;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Mixes;

/// <summary>A recorded mix read back: what it was, what it would be today, how it is shown.</summary>
internal static class MixRecordViews
{
    // The recorded mix by volume, its materials as they were.
    internal static MixContent Then(MixRecordRow record)
    {
        var total = record.Lines.Sum(l => l.Ml);
        var materials = record.Lines.Where(l => l.Snapshot is not null).OrderBy(l => l.Position).GroupBy(l => l.MaterialId!.Value)
            .Select(g => (Kept.Read<MaterialSnapshot>(g.First().Snapshot!).ToCore(), g.Sum(l => l.Ml) / total));
        var thinners = record.Lines.Where(l => l.Thinner is not null).GroupBy(l => l.Thinner!.Value).Select(g => (g.Key, g.Sum(l => l.Ml) / total));
        return new([.. materials], [.. thinners]);
    }

    // The same with today's materials; null where one is gone.
    internal static MixContent? Today(MixRecordRow record, RecipeBook book)
    {
        var then = Then(record);
        return then.Materials.All(m => book.Materials.ContainsKey(m.Material.Id))
            ? then with { Materials = [.. then.Materials.Select(m => (book.Materials[m.Material.Id], m.Share))] }
            : null;
    }

    internal static IEnumerable<string> Gone(MixRecordRow record, RecipeBook book) =>
        Then(record).Materials.Where(m => !book.Materials.ContainsKey(m.Material.Id)).Select(m => m.Material.Name);

    internal static Paint PaintOf(MixRecordRow record, MixContent content) => Paint.Of(new Mix(
        record.Name,
        [.. content.Materials.Select(m => new MixComponent(m.Share, MixUnit.Ml, m.Material)), .. content.Thinners.Select(t => new MixComponent(t.Share, MixUnit.Ml, Thinner: t.Thinner))],
        record.CountsAs));

    internal static string ColourOf(MixRecordRow record)
    {
        var paint = PaintOf(record, Then(record));
        return MixThenNow.Compare(paint, paint).Then.ToString();
    }

    /// <summary>Names of the pieces that mixes were used on, and of the recipes that are still there.</summary>
    internal static async Task<Dictionary<Guid, string>> NamesAsync(IReadOnlyList<MixRecordRow> records, LowfellDb db, CancellationToken cancel)
    {
        var pieces = records.SelectMany(r => r.Uses).Select(u => u.PieceId).OfType<Guid>().Distinct().ToList();
        var mixes = records.Select(r => r.MixId).OfType<Guid>().Distinct().ToList();
        var names = pieces.Count == 0 ? [] : await db.Pieces.Where(p => pieces.Contains(p.Id)).ToDictionaryAsync(p => p.Id, p => p.Name, cancel);
        foreach (var mix in await db.Mixes.Where(m => mixes.Contains(m.Id)).Select(m => new { m.Id, m.Name }).ToListAsync(cancel))
        {
            names[mix.Id] = mix.Name;
        }

        return names;
    }

    internal static MixRecordView View(MixRecordRow r, Dictionary<Guid, string> names, List<string>? less = null) => new(
        r.Id,
        r.Version,
        r.MixId is { } mix && names.ContainsKey(mix) ? mix : null,
        r.Name,
        r.MadeAt,
        Math.Round(r.Lines.Sum(l => l.Ml), 3),
        Math.Round(r.LeftMl, 3),
        r.Note,
        ColourOf(r),
        [.. r.Lines.OrderBy(l => l.Position).Select(l => new MixRecordLine(l.Name, l.MaterialId, l.Snapshot is null ? null : Kept.Read<MaterialSnapshot>(l.Snapshot).Material.Colour, Math.Round(l.Ml, 3), l.Lot, l.At))],
        [.. r.Uses.OrderBy(u => u.At).Select(u => new MixUseView(u.At, u.PieceId, u.PieceId is { } p ? names.GetValueOrDefault(p) : null, u.Copies, Math.Round(u.Ml, 3), u.Note))],
        less is { Count: > 0 } ? less : null);
}
