using System.IO.Compression;
using System.IO.Hashing;
using System.Runtime.InteropServices;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Meshes.Fields;
using Lowfell.Core.Meshes.Geometry;
using Lowfell.Core.Meshes.Looks;
using Lowfell.Core.Meshes.Screen;
using Lowfell.Core.Meshes.StandIns;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Bases;
using Lowfell.Web.Features.Weathering;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;

namespace Lowfell.Web.Features.Looks;

/// <summary>A piece as it is about to be drawn.</summary>
/// <param name="Piece">The piece.</param>
/// <param name="Choice">What the painter chose; null where nothing.</param>
/// <param name="Wish">What its stand-in is made for.</param>
/// <param name="MeshId">Hash of all that the surface follows from.</param>
/// <param name="Zones">Its zones and those of parts that are fitted.</param>
/// <param name="Stacks">Their stacks.</param>
/// <param name="ZoneOfPart">For each part the place of its zone; -1 where there is none.</param>
/// <param name="RadiusMm">Radius within which edges and recesses are told, mm.</param>
/// <param name="Copy">Which copy: marks lie otherwise on each.</param>
/// <param name="Planned">Marks that its weathering plan places, by coat.</param>
internal sealed record PieceScene(PieceRow Piece, PieceLookRow? Choice, StandInWish Wish, Guid MeshId, IReadOnlyList<ZoneRow> Zones, IReadOnlyList<StackDraft> Stacks, int[] ZoneOfPart, float RadiusMm, int Copy, IReadOnlyDictionary<Guid, IReadOnlyList<LookMark>> Planned)
{
    private const ulong MarksPart = 15;

    /// <summary>Its marks on a surface.</summary>
    public PlacedMarks Marks(ShownMesh mesh) => MarkPlaces.Place(mesh, ZoneOfPart, Stacks, Seeds.Of(Piece.Id, MarksPart + ((ulong)Copy << 8)), Planned);

    /// <summary>What its marks follow from, beside the surface.</summary>
    public string MarksOf()
    {
        // A zone's size and heights decide how many there are, and where.
        var coats = Stacks.SelectMany(s => MarkPlaces.Layers(s).Select(i => FormattableString.Invariant($"{s.Coats[i].Id:n} {s.Coats[i].Technique} {MarkPlaces.Of(s.Coats[i], s.Zone)} {s.Coats[i].Fade} {s.Zone.HeightFromMm} {s.Zone.HeightToMm}"))).ToList();
        var planned = string.Join(';', Planned.SelectMany(p => p.Value.Select(m => FormattableString.Invariant($"{p.Key:n} {m}"))));
        return coats.Count == 0 ? "" : $"{Copy} {string.Join(';', coats)}{planned}";
    }
}

/// <summary>What of a stack is looked at otherwise than it is kept.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="SchemeId">Coats of another scheme.</param>
/// <param name="CoatId">One of its coats, which is done otherwise.</param>
/// <param name="MaterialId">With this material.</param>
/// <param name="Hand">By this hand: 1 is the middle.</param>
internal sealed record LookTrial(Guid ZoneId, Guid? SchemeId, Guid? CoatId, Guid? MaterialId, double? Hand);

/// <summary>Surfaces that were drawn lately, unpacked.</summary>
public sealed class MeshMemory : IDisposable
{
    private const long Most = 96_000_000;
    private readonly MemoryCache cache = new(new MemoryCacheOptions { SizeLimit = Most });

    /// <summary>One that is known.</summary>
    internal ShownMesh? Find(Guid id) => cache.Get<ShownMesh>(id);

    /// <summary>Keeps one.</summary>
    internal void Keep(Guid id, ShownMesh mesh) => cache.Set(id, mesh, new MemoryCacheEntryOptions { Size = (mesh.Vertices * 24L) + (mesh.Corners.Length * 4L) });

    /// <inheritdoc/>
    public void Dispose() => cache.Dispose();
}

/// <summary>Reads what a piece looks like, and makes what is drawn of it.</summary>
/// <param name="db">Database.</param>
/// <param name="open">The bench.</param>
/// <param name="trays">Trays of bases.</param>
/// <param name="layouts">Their layouts.</param>
/// <param name="meshes">Surfaces that were drawn lately.</param>
/// <param name="queue">Turns.</param>
/// <param name="works">What is being made.</param>
/// <param name="weathering">Plans that place marks.</param>
/// <param name="clock">Time.</param>
public sealed class LookDesk(LowfellDb db, OpenBench open, TrayDesk trays, LayoutMemory layouts, MeshMemory meshes, LookQueue queue, LookWorks works, WeatheringDesk weathering, TimeProvider clock)
{
    // Another way to make surfaces, another number: what was kept is made again.
    private const int Made = 4;

    // When something was asked for is told to the day.
    private static readonly TimeSpan Told = TimeSpan.FromDays(1);

    /// <summary>A piece as it is drawn.</summary>
    /// <param name="pieceId">The piece.</param>
    /// <param name="copy">Number of the copy, where its copies differ.</param>
    /// <param name="apart">Without the parts that are fitted to it.</param>
    /// <param name="cancel">Ends it.</param>
    /// <param name="trial">Looked at otherwise than it is kept; null for as it is.</param>
    internal async Task<PieceScene> SceneAsync(Guid pieceId, int copy, bool apart, CancellationToken cancel, LookTrial? trial = null)
    {
        var piece = await db.Pieces.AsNoTracking().Include(p => p.Set).SingleOrDefaultAsync(p => p.Id == pieceId && p.DeletedAt == null && p.Set!.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("id", pieceId);
        var zones = await ZoneStacks.Rows(db).Where(z => z.PieceId == pieceId || (!apart && z.Piece!.PartOfId == pieceId)).ToListAsync(cancel);
        zones = [.. zones.OrderBy(z => z.PieceId != pieceId).ThenBy(z => z.Piece!.Position).ThenBy(z => z.Position)];
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var choice = await db.PieceLooks.AsNoTracking().SingleOrDefaultAsync(l => l.PieceId == pieceId, cancel);
        var (layout, mark) = (default(Layout), "");
        if (await trays.OfPieceAsync(pieceId, cancel) is { } tray)
        {
            var copies = TrayDesk.Copies(tray);
            var known = layouts.Of(copies[Math.Clamp(copy, 1, copies.Count) - 1], TrayDesk.Family(tray));
            (layout, mark) = (known.Layout, known.Mark);
        }

        var kind = choice?.Kind ?? (layout is not null ? StandInKind.Base : StandInKinds.Nearest(piece.Name, piece.Kind, piece.Shape));
        var wish = StandInWish.Of(kind, piece.Shape, piece.LengthMm, piece.WidthMm, piece.HeightMm, piece.AreaMm2, Seeds.Of(pieceId, 14), kind == StandInKind.Base ? layout : null);
        var radius = (float)Math.Clamp(SurfaceFields.UsualRadiusMm * Zone.UsualScale / piece.Set!.Scale, 0.3, 1.2);
        var text = FormattableString.Invariant($"{Made} {kind} {wish.LengthMm:R} {wish.WidthMm:R} {wish.HeightMm:R} {wish.Round} {wish.Seed} {radius:R} {(wish.Layout is null ? "" : mark)}");
        var stacks = zones.ConvertAll(z => ZoneStacks.Read(z, bench, shelf));
        if (trial is not null)
        {
            var at = zones.FindIndex(z => z.Id == trial.ZoneId);
            stacks[at < 0 ? throw RefusedException.NotFound("tryZoneId", trial.ZoneId) : at] = await TriedAsync(trial, zones[at], stacks[at], bench, shelf, cancel);
        }

        copy = Math.Clamp(copy, 1, Math.Max(1, piece.Copies));
        return new(piece, choice, wish, Hashed(MemoryMarshal.AsBytes(text.AsSpan())), zones, stacks, Parts(kind, choice, zones), radius, copy, await weathering.MarksAsync(pieceId, copy, [.. stacks.SelectMany(s => s.Coats).Select(c => c.Id)], cancel));
    }

    private async Task<StackDraft> TriedAsync(LookTrial trial, ZoneRow zone, StackDraft stack, Bench bench, OpenShelf shelf, CancellationToken cancel)
    {
        if (trial.SchemeId is { } schemeId)
        {
            var scheme = await db.Schemes.AsNoTracking().Include(s => s.Coats).SingleOrDefaultAsync(s => s.Id == schemeId, cancel) ?? throw RefusedException.NotFound("trySchemeId", schemeId);
            stack = ZoneStacks.Read(zone, scheme, bench, shelf);
        }

        if (trial.CoatId is not { } coatId)
        {
            return stack;
        }

        var coat = stack.Coats.FirstOrDefault(c => c.Id == coatId) ?? throw RefusedException.NotFound("tryCoatId", coatId);
        if (trial.MaterialId is { } materialId)
        {
            if (!coat.How.NeedsMaterial)
            {
                throw new RefusedException("tryMaterialId", $"Choose another coat: {coat.Title} takes no paint.");
            }

            coat = coat.Of(shelf.Find(materialId) ?? throw RefusedException.NotFound("tryMaterialId", materialId));
        }

        if (trial.Hand is { } hand)
        {
            var bound = new HandBoundAttribute();
            coat = bound.Holds(hand) ? coat with { Hand = hand } : throw new RefusedException("tryHand", FormattableString.Invariant($"A hand of {hand} is none: {bound.Allowed} are, 1 is the middle."));
        }

        return stack.Replace(coat);
    }

    /// <summary>Its surface: as it was drawn lately, as it was kept, or made.</summary>
    /// <param name="scene">The piece.</param>
    /// <param name="by">Who waits for it.</param>
    /// <param name="cancel">Nobody wants it any more.</param>
    /// <exception cref="BeingMadeException">It takes longer than an answer may.</exception>
    internal async Task<ShownMesh> MeshAsync(PieceScene scene, LookWaiter by, CancellationToken cancel)
    {
        if (meshes.Find(scene.MeshId) is { } known)
        {
            return known;
        }

        if (await PackedAsync(scene.MeshId, cancel) is { } packed)
        {
            var kept = Glb.Read(Unpacked(packed));
            meshes.Keep(scene.MeshId, kept);
            return kept;
        }

        return await works.OfAsync(open.BenchId, scene.MeshId, by, (desk, urgent, stop) => desk.MadeAsync(scene, urgent, stop), cancel);
    }

    private async Task<ShownMesh> MadeAsync(PieceScene scene, Func<bool> urgent, CancellationToken cancel)
    {
        var (mesh, glb) = await queue.RunAsync(urgent, () =>
        {
            // Somebody before may have wanted the same.
            var made = meshes.Find(scene.MeshId) ?? Make(scene.Wish, scene.RadiusMm, cancel);
            return (made, Packed(Glb.Write(made)));
        }, cancel);
        meshes.Keep(scene.MeshId, mesh);
        await KeepAsync(scene.MeshId, glb, cancel);
        return mesh;
    }

    /// <summary>Packed binary glTF of a surface that was made; null where it is not known. One that the bench has let go while it was drawn from memory is kept again.</summary>
    internal async Task<byte[]?> PackedAsync(Guid id, CancellationToken cancel)
    {
        var row = await db.Meshes.AsNoTracking().SingleOrDefaultAsync(m => m.Id == id, cancel);
        var now = clock.GetUtcNow();
        if (row is not null)
        {
            if (row.UsedAt < now - Told)
            {
                await db.Meshes.Where(m => m.Id == id).ExecuteUpdateAsync(m => m.SetProperty(x => x.UsedAt, now), cancel);
            }

            return row.Glb;
        }

        if (meshes.Find(id) is not { } mesh)
        {
            return null;
        }

        var glb = Packed(Glb.Write(mesh));
        await KeepAsync(id, glb, cancel);
        return glb;
    }

    private Task<int> KeepAsync(Guid id, byte[] glb, CancellationToken cancel) =>
        db.Database.ExecuteSqlAsync($"""INSERT INTO meshes ("BenchId", "Id", "Glb", "UsedAt") VALUES ({open.BenchId}, {id}, {glb}, {clock.GetUtcNow()}) ON CONFLICT DO NOTHING""", cancel);

    /// <summary>A picture, as it was kept or drawn now.</summary>
    /// <param name="id">Hash of all that it shows.</param>
    /// <param name="scene">The piece.</param>
    /// <param name="draw">Draws it on its surface.</param>
    /// <param name="cancel">Nobody wants it any more.</param>
    /// <exception cref="BeingMadeException">It takes longer than an answer may.</exception>
    internal async Task<byte[]> PictureAsync(Guid id, PieceScene scene, Func<ShownMesh, byte[]> draw, CancellationToken cancel)
    {
        if (await db.LookPictures.AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, cancel) is { } kept)
        {
            if (kept.UsedAt < clock.GetUtcNow() - Told)
            {
                await db.LookPictures.Where(p => p.Id == id).ExecuteUpdateAsync(p => p.SetProperty(x => x.UsedAt, clock.GetUtcNow()), cancel);
            }

            return kept.Png;
        }

        return await works.OfAsync(open.BenchId, id, LookWaiter.Small, (desk, urgent, stop) => desk.DrawnAsync(id, scene, draw, urgent, stop), cancel);
    }

    private async Task<byte[]> DrawnAsync(Guid id, PieceScene scene, Func<ShownMesh, byte[]> draw, Func<bool> urgent, CancellationToken cancel)
    {
        var mesh = await MeshAsync(scene, LookWaiter.Work, cancel);
        var png = await queue.RunAsync(urgent, () => draw(mesh), cancel);
        await db.Database.ExecuteSqlAsync($"""INSERT INTO look_pictures ("BenchId", "Id", "Png", "UsedAt") VALUES ({open.BenchId}, {id}, {png}, {clock.GetUtcNow()}) ON CONFLICT DO NOTHING""", cancel);
        return png;
    }

    /// <summary>Makes a surface ready to be drawn.</summary>
    internal static ShownMesh Make(StandInWish wish, float radiusMm, CancellationToken cancel)
    {
        var mesh = Orientation.Mend(StandIn.Build(wish), out _);
        return ShownMesh.Of(mesh, SurfaceFields.Of(mesh, radiusMm, cancel));
    }

    /// <summary>A hash as an id.</summary>
    internal static Guid Hashed(ReadOnlySpan<byte> of) => new(XxHash128.Hash(of));

    /// <summary>Packed by Brotli, quick before small.</summary>
    internal static byte[] Packed(ReadOnlySpan<byte> bytes)
    {
        var packed = new byte[BrotliEncoder.GetMaxCompressedLength(bytes.Length)];
        return BrotliEncoder.TryCompress(bytes, packed, out var length, 5, 22) ? packed[..length] : throw new InvalidOperationException("The surface could not be packed.");
    }

    /// <summary>Unpacked again.</summary>
    internal static byte[] Unpacked(byte[] packed)
    {
        using var from = new BrotliStream(new MemoryStream(packed), CompressionMode.Decompress);
        using var to = new MemoryStream();
        from.CopyTo(to);
        return to.ToArray();
    }

    // What was chosen, as far as it is still there; names decide the rest.
    private static int[] Parts(StandInKind kind, PieceLookRow? choice, List<ZoneRow> zones)
    {
        var matched = StandInKinds.Matched(kind, [.. zones.Select(z => (z.Name, z.Facing, PieceArea.ZoneMm2(z.Piece!.AreaMm2, z.AreaShare, z.OwnAreaMm2)))]);
        for (var part = 0; part < matched.Length; part++)
        {
            if (choice?.Zones.ElementAtOrDefault(part) is { } wanted && zones.FindIndex(z => z.Id == wanted) is >= 0 and var at)
            {
                matched[part] = at;
            }
        }

        return matched;
    }
}
