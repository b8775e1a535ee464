using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Features.Benches;
using Lowfell.Web.Features.Sets;
using Lowfell.Web.Features.Shelf;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Stack;

/// <summary>The stack of a zone as it is planned now.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="Label">Piece and zone, as they are called.</param>
/// <param name="Draft">The stack.</param>
internal sealed record ZoneStack(Guid ZoneId, string Label, StackDraft Draft);

/// <summary>Stacks of the bench's zones in Core's terms.</summary>
internal static class ZoneStacks
{
    /// <summary>Every stack that uses a material, alone or in a mix.</summary>
    public static async Task<IReadOnlyList<ZoneStack>> UsingAsync(Guid materialId, LowfellDb db, IBenchScope scope, OpenShelf shelf, CancellationToken cancel)
    {
        var all = await AllAsync(db, scope, shelf, cancel);
        return [.. all.Where(s => s.Draft.Coats.Any(c => !c.Skipped && c.Paint?.Content.Materials.Any(m => m.Material.Id == materialId) == true))];
    }

    /// <summary>The stack of one zone; null where it is gone.</summary>
    public static async Task<ZoneStack?> OfAsync(Guid zoneId, LowfellDb db, IBenchScope scope, OpenShelf shelf, CancellationToken cancel) =>
        (await AllAsync(db, scope, shelf, cancel)).FirstOrDefault(s => s.ZoneId == zoneId);

    private static async Task<IReadOnlyList<ZoneStack>> AllAsync(LowfellDb db, IBenchScope scope, OpenShelf shelf, CancellationToken cancel)
    {
        var schools = SchoolsView.Of(await BenchEndpoints.OpenBench(db, scope, cancel));
        var zones = await db.Zones.AsNoTracking().Include(z => z.Piece).Include(z => z.Scheme!.Coats)
            .Where(z => z.DeletedAt == null && z.Piece!.DeletedAt == null && db.Sets.Any(s => s.Id == z.Piece.SetId && s.DeletedAt == null))
            .OrderBy(z => z.Piece!.Position).ThenBy(z => z.Position).AsSplitQuery().ToListAsync(cancel);
        return [.. zones.Select(z => new ZoneStack(
            z.Id,
            $"{z.Piece!.Name}, {z.Name}",
            StackReader.Read(ZoneEndpoints.Draft(z), [.. z.Scheme!.Coats.OrderBy(c => c.Position).Select(CoatRows.Write)], schools, shelf)))];
    }
}
