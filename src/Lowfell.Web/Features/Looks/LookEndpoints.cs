using System.Runtime.InteropServices;
using System.Text;
using Lowfell.Core.Colour;
using Lowfell.Core.Meshes.Looks;
using Lowfell.Core.Meshes.Screen;
using Lowfell.Core.Meshes.StandIns;
using Lowfell.Core.Sight;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Files;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Looks;

/// <summary>What pieces look like: surfaces, tables of colours, pictures.</summary>
public static class LookEndpoints
{
    private const int LeastPx = 24, MostPx = 1200, UsualWidth = 240, UsualHeight = 160;

    // Another way to draw, another number: what was kept is drawn again.
    private const int Drawn = 2;

    // Up to this width it is one of the pictures that stand beside names.
    private const int SmallPx = 320;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var piece = app.MapGroup("/api/pieces/{id:guid}").WithTags("Looks").ProducesValidationProblem();
        piece.MapGet("look", Look).WithSummary("How a piece looks, coat by coat: its surface and a table of colours, from the same prediction as the core sample; 202 while its surface is being made.");
        piece.MapPut("look", Choose).WithSummary("Chooses what a piece is shown as, and which part shows which zone; 409 when somebody else has meanwhile.").ProducesProblem(409);
        piece.MapGet("picture.png", Picture).WithSummary("A picture of a piece, drawn by the host; as it is seen from fromM metres, where that is given; 202 while it is being drawn.").ProducesProblem(202).Produces<byte[]>(200, "image/png");
        piece.MapGet("look.glb", Painted).WithSummary("The painted piece as binary glTF, its predicted colours as COLOR_0; 202 while its surface is being made.").ProducesProblem(202).Produces<byte[]>(200, "model/gltf-binary");
        app.MapGet("/api/zones/{id:guid}/picture.png", OfZone).WithTags("Looks").ProducesValidationProblem().WithSummary("A picture of the piece of a zone, the zone standing out: before or after one of its coats, where that is named; 202 while it is being drawn.").ProducesProblem(202).Produces<byte[]>(200, "image/png");
        app.MapGet("/api/meshes/{id:guid}", Mesh).WithTags("Looks").WithSummary("A surface as binary glTF; what an address answers never changes.").Produces<byte[]>(200, "model/gltf-binary");
        app.MapGet("/api/stand-ins", Kinds).WithTags("Looks").WithSummary("What pieces can be shown as, and the parts of each.");
    }

    private static Ok<List<ShownAsView>> Kinds() => TypedResults.Ok(Enum.GetValues<StandInKind>().Select(k => new ShownAsView(k, [.. k.Facts().Parts.Select(p => p.Name)])).ToList());

    private static async Task<Ok<PieceLook>> Look(
        Guid id, LookDesk desk, CancellationToken cancel, string? lamp = null, int copy = 1, bool apart = false, Guid? tryZoneId = null, Guid? trySchemeId = null, Guid? tryCoatId = null, Guid? tryMaterialId = null, double? tryHand = null)
    {
        var (oneCoat, any) = (tryMaterialId is not null || tryHand is not null, trySchemeId is not null || tryCoatId is not null);
        if ((tryZoneId is null && (oneCoat || any)) || (tryCoatId is null && oneCoat))
        {
            throw new RefusedException(tryZoneId is null ? "tryZoneId" : "tryCoatId", "Name the zone, and of another paint or hand the coat, that is to be looked at otherwise.");
        }

        var trial = tryZoneId is { } zone ? new LookTrial(zone, trySchemeId, tryCoatId, tryMaterialId, tryHand) : null;
        var scene = await desk.SceneAsync(id, copy, apart, cancel, trial);
        var placed = scene.Marks(await desk.MeshAsync(scene, LookWaiter.Screen, cancel));
        var table = LookTable.Of(scene.Stacks, Under(lamp));
        var parts = scene.Wish.Kind.Facts().Parts;
        return TypedResults.Ok(new PieceLook(
            id, scene.Choice?.Version ?? 0, scene.Wish.Kind, scene.Choice is not null,
            [.. parts.Select((p, i) => new LookPart(p.Name, scene.ZoneOfPart[i] < 0 ? null : scene.Zones[scene.ZoneOfPart[i]].Id))],
            [.. scene.Zones.Select((z, i) => new LookZone(
                z.Id, z.PieceId == id ? z.Name : $"{z.Piece!.Name}: {z.Name}",
                [.. scene.Stacks[i].Coats.Select(c => new LookCoat(c.Id, c.Label, c.Skipped))],
                table.Zones[i].First, table.Zones[i].LevelsMm, scene.ZoneOfPart.Contains(i),
                [.. table.Zones[i].Layers.Select(l => new LookLayerView(l.Coat, l.First))]))],
            scene.MeshId, Under(lamp), table.Rows, Halves(table.Texels), scene.Piece.Set!.ViewingMm,
            [.. placed.Marks.Select(m => new LookMarkView(m.Zone, m.Layer, m.Side, m.Shape, Short(m.XMm), Short(m.YMm), Short(m.WidthMm), Short(m.LengthMm), Short(m.AngleDeg), Short(m.Seed)))],
            new([placed.Frame.Low.X, placed.Frame.Low.Y, placed.Frame.Low.Z], [placed.Frame.High.X, placed.Frame.High.Y, placed.Frame.High.Z])));
    }

    private static async Task<NoContent> Choose(Guid id, LookChoice choice, LookDesk desk, LowfellDb db, CancellationToken cancel)
    {
        var scene = await desk.SceneAsync(id, 1, false, cancel);
        var row = await db.PieceLooks.SingleOrDefaultAsync(l => l.PieceId == id, cancel);
        Versions.Check(choice.Version, row?.Version ?? 0);
        var zones = choice.ZoneIds ?? [];
        if (zones.Count > 0 && zones.Count != choice.Kind.Facts().Parts.Count)
        {
            throw new RefusedException("zoneIds", $"A {SaidAttribute.Of(typeof(StandInKind))[choice.Kind.ToString()]} has {choice.Kind.Facts().Parts.Count} parts; {zones.Count} zones were named. Name one for each, or none.");
        }

        if (zones.FirstOrDefault(z => scene.Zones.All(s => s.Id != z)) is var stranger && stranger != default)
        {
            throw RefusedException.NotFound("zoneIds", stranger);
        }

        if (row is null)
        {
            row = new PieceLookRow { Id = Guid.CreateVersion7(), PieceId = id };
            db.PieceLooks.Add(row);
        }

        (row.Kind, row.Zones) = (choice.Kind, [.. zones]);
        db.Entry(row).State = db.Entry(row).State == EntityState.Unchanged ? EntityState.Modified : db.Entry(row).State;
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException twice) when (twice.InnerException is Npgsql.PostgresException { SqlState: Npgsql.PostgresErrorCodes.UniqueViolation })
        {
            // Another window chose first, at the same moment.
            Versions.Check(choice.Version, choice.Version + 1);
        }

        return TypedResults.NoContent();
    }

    private static async Task<IResult> Mesh(Guid id, LookDesk desk, HttpContext http, CancellationToken cancel)
    {
        var packed = await desk.PackedAsync(id, cancel) ?? throw RefusedException.NotFound("id", id);
        http.Response.Headers.CacheControl = "private, max-age=31536000, immutable";
        http.Response.Headers.Vary = "Accept-Encoding";
        if (http.Request.Headers.AcceptEncoding.ToString().Contains("br", StringComparison.OrdinalIgnoreCase))
        {
            http.Response.Headers.ContentEncoding = "br";
            return Results.Bytes(packed, "model/gltf-binary");
        }

        return Results.Bytes(LookDesk.Unpacked(packed), "model/gltf-binary");
    }

    private static async Task<IResult> Picture(
        Guid id, LookDesk desk, HttpContext http, CancellationToken cancel, int w = UsualWidth, int h = UsualHeight, Guid? zoneId = null, int? coats = null, Guid? coatId = null, bool before = false, string? lamp = null, float turn = -32, float lift = 24, int copy = 1, bool wet = false, bool apart = false, double fromM = 0)
    {
        if (w is < LeastPx or > MostPx || h is < LeastPx or > MostPx)
        {
            throw new RefusedException(w is < LeastPx or > MostPx ? "w" : "h", $"A picture of {w} by {h} points can't be drawn here: {LeastPx} to {MostPx} each way.");
        }

        if (fromM != 0 && !(fromM >= SightTable.LeastM && fromM <= SightTable.MostM))
        {
            throw new RefusedException("fromM", FormattableString.Invariant($"Viewing distance goes from {SightTable.LeastM} to {SightTable.MostM} m, not {fromM}."));
        }

        if (w <= SmallPx && http.RequestServices.GetRequiredService<IConfiguration>().GetValue("Looks:SmallPictures", true) == false)
        {
            return Results.NoContent();
        }

        var scene = await desk.SceneAsync(id, copy, apart, cancel);
        var table = LookTable.Of(scene.Stacks, Under(lamp));
        if (coatId is { } coat && zoneId is { } on && scene.Zones.ToList().FindIndex(z => z.Id == on) is >= 0 and var place)
        {
            // As it is before or after a coat; one that has gone from the stack shows all of it.
            var index = scene.Stacks[place].Coats.ToList().FindIndex(c => c.Id == coat);
            coats = index < 0 ? null : before ? index : index + 1;
        }

        var (view, laid, lit) = (new LookView(Finite(turn, -32), Math.Clamp(Finite(lift, 24), -10, 88)), Laid(scene, zoneId, coats), zoneId is { } zone ? scene.Zones.ToList().FindIndex(z => z.Id == zone) : -1);

        // What was kept is known by all that it shows.
        var text = FormattableString.Invariant($"{scene.MeshId} {w} {h} {view} {wet} {lit} {string.Join(',', laid)} {string.Join(',', scene.ZoneOfPart)} {scene.MarksOf()} {fromM} {Drawn}");
        var mark = LookDesk.Hashed([.. MemoryMarshal.AsBytes(text.AsSpan()), .. MemoryMarshal.AsBytes(table.Texels.AsSpan())]);
        var tag = $"\"{mark:n}\"";
        http.Response.Headers.CacheControl = "private, no-cache";
        http.Response.Headers.ETag = tag;
        if (http.Request.Headers.IfNoneMatch.ToString().Contains(tag, StringComparison.Ordinal))
        {
            return Results.StatusCode(StatusCodes.Status304NotModified);
        }

        var png = await desk.PictureAsync(mark, scene, mesh => PngFile.Of(LookPicture.Draw(new(mesh, table, scene.ZoneOfPart, laid, wet, lit, scene.Marks(mesh).Index()), view, w, h, fromM: fromM)), cancel);
        return Results.Bytes(png, "image/png");
    }

    private static async Task<IResult> OfZone(
        Guid id, LookDesk desk, LowfellDb db, HttpContext http, CancellationToken cancel, int w = UsualWidth, int h = UsualHeight, Guid? coatId = null, bool before = false, string? lamp = null, float turn = -32, float lift = 24, int copy = 1)
    {
        var piece = await db.Zones.Where(z => z.Id == id && z.DeletedAt == null).Select(z => (Guid?)z.PieceId).SingleOrDefaultAsync(cancel) ?? throw RefusedException.NotFound("id", id);
        return await Picture(piece, desk, http, cancel, w, h, id, null, coatId, before, lamp, turn, lift, copy);
    }

    private static async Task<IResult> Painted(Guid id, LookDesk desk, CancellationToken cancel, Guid? zoneId = null, int? coats = null, string? lamp = null, int copy = 1, bool apart = false)
    {
        var scene = await desk.SceneAsync(id, copy, apart, cancel);
        var mesh = await desk.MeshAsync(scene, LookWaiter.Screen, cancel);
        var painted = LookPicture.Painted(new(mesh, LookTable.Of(scene.Stacks, Under(lamp)), scene.ZoneOfPart, Laid(scene, zoneId, coats), Placed: scene.Marks(mesh).Index()));
        return Results.File(Glb.Write(mesh, painted), "model/gltf-binary", $"{FileName(scene.Piece.Name)}.glb");
    }

    private static Lamp Under(string? lamp) => QueryWord.Parse<Lamp>("lamp", lamp) ?? Lamp.Daylight;

    // All coats, but of one zone only so many.
    private static List<float> Laid(PieceScene scene, Guid? zoneId, int? coats) =>
        [.. scene.Zones.Select((z, i) => coats is { } some && (zoneId is null || z.Id == zoneId) ? Math.Clamp(some, 0, scene.Stacks[i].Coats.Count) : (float)scene.Stacks[i].Coats.Count)];

    // To a hundredth: the picture does not tell less.
    private static float Short(float x) => MathF.Round(x, 2);

    private static float Finite(float x, float or) => float.IsFinite(x) ? Math.Clamp(x, -3600, 3600) : or;

    private static string Halves(float[] texels)
    {
        var halves = new Half[texels.Length];
        for (var i = 0; i < halves.Length; i++)
        {
            halves[i] = (Half)texels[i];
        }

        return Convert.ToBase64String(MemoryMarshal.AsBytes(halves.AsSpan()));
    }

    private static string FileName(string name)
    {
        var safe = new StringBuilder();
        foreach (var c in name.ToLowerInvariant())
        {
            safe.Append(char.IsAsciiLetterOrDigit(c) ? c : '-');
        }

        return safe.Length > 0 ? safe.ToString().Trim('-') is { Length: > 0 } word ? word : "piece" : "piece";
    }
}
