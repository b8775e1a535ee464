using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Benches;

/// <summary>The stack of a zone as it is planned now.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="SchemeId">Its scheme.</param>
/// <param name="Label">Piece and zone, as they are called.</param>
/// <param name="Draft">The stack.</param>
internal sealed record ZoneStack(Guid ZoneId, Guid SchemeId, string Label, StackDraft Draft);

/// <summary>Stacks of the bench's zones in Core's terms.</summary>
internal static class ZoneStacks
{
    /// <summary>Every stack that uses a material, alone or in a mix.</summary>
    public static async Task<IReadOnlyList<ZoneStack>> UsingAsync(Guid materialId, LowfellDb db, OpenBench open, OpenShelf shelf, CancellationToken cancel)
    {
        var all = await AllAsync(db, open, shelf, cancel);
        return [.. all.Where(s => s.Draft.Coats.Any(c => !c.Skipped && c.Paint?.Content.Materials.Any(m => m.Material.Id == materialId) == true))];
    }

    /// <summary>The stack of one zone; null where it is gone.</summary>
    public static async Task<ZoneStack?> OfAsync(Guid zoneId, LowfellDb db, OpenBench open, OpenShelf shelf, CancellationToken cancel) =>
        (await AllAsync(db, open, shelf, cancel)).FirstOrDefault(s => s.ZoneId == zoneId);

    /// <summary>The stack of a zone; its scheme with the coats, its piece and its set have to be loaded.</summary>
    public static StackDraft Read(ZoneRow zone, Bench bench, OpenShelf shelf) => Read(zone, zone.Scheme!, bench, shelf);

    /// <summary>As above, with the scheme given. It follows the preferences of the bench and dries in its room, wherever it is asked about.</summary>
    /// <exception cref="RefusedException">A mix of it can't be used.</exception>
    public static StackDraft Read(ZoneRow zone, SchemeRow scheme, Bench bench, OpenShelf shelf) =>
        new(zone.ToCore() with { TrialFactor = bench.TrialFactor }, bench.Schools, Coats(scheme, shelf)) { Climate = new(bench.RoomC, bench.RoomHumidity, bench.RoomFan) };

    /// <summary>The coats of a scheme, from the substrate up.</summary>
    /// <exception cref="RefusedException">A mix of it can't be used.</exception>
    public static IReadOnlyList<Coat> Coats(SchemeRow scheme, OpenShelf shelf)
    {
        try
        {
            return [.. scheme.Coats.OrderBy(c => c.Position).Select(c => c.ToCore(shelf.Find, shelf.Paints))];
        }
        catch (KeyNotFoundException gone)
        {
            var id = Guid.TryParse(gone.Message, out var of) ? of : Guid.Empty;
            throw new RefusedException("mixId", shelf.MixFaults.GetValueOrDefault(id) ?? $"There is no mix {id} on this bench.");
        }
    }

    /// <summary>Mends on some of its copies.</summary>
    public static IReadOnlyList<Repair> Repairs(ZoneRow zone, OpenShelf shelf) => zone.Repairs.ConvertAll(r => r.ToCore(shelf.Find, shelf.Paints));

    /// <summary>The steps of a zone's stack, with those of mends on some of its copies.</summary>
    public static IReadOnlyList<Step> Steps(ZoneRow zone, StackDraft stack, OpenShelf shelf) => Core.Evenings.Steps.Repairs.Among(TwoSided.Of(stack, zone.Piece!.LiesFlat), stack, Repairs(zone, shelf));

    /// <summary>The zones that are there, with all that their stacks need.</summary>
    public static IQueryable<ZoneRow> Rows(LowfellDb db) => db.Zones.AsNoTracking().Include(z => z.Piece!.Set).Include(z => z.Scheme!.Coats).AsSplitQuery()
        .Where(z => z.DeletedAt == null && z.Piece!.DeletedAt == null && z.Piece.Set!.DeletedAt == null);

    /// <summary>The stacks of every zone.</summary>
    public static async Task<IReadOnlyList<ZoneStack>> AllAsync(LowfellDb db, OpenBench open, OpenShelf shelf, CancellationToken cancel)
    {
        var bench = await open.RowAsync(cancel);
        var zones = await Rows(db).OrderBy(z => z.Piece!.Position).ThenBy(z => z.Position).ToListAsync(cancel);
        return [.. zones.Select(z => new ZoneStack(
            z.Id,
            z.SchemeId,
            $"{z.Piece!.Name}, {z.Name}",
            Read(z, bench, shelf)))];
    }
}
