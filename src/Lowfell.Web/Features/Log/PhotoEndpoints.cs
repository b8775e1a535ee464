using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Files;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Log;

/// <summary>A picture that was kept.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Width">Width, pixels.</param>
/// <param name="Height">Height, pixels.</param>
public sealed record PhotoView(Guid Id, int Width, int Height);

/// <summary>Pictures of the log: kept without what the camera wrote into them.</summary>
public static class PhotoEndpoints
{
    private const string Forever = "private, max-age=31536000, immutable";

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/photos/{id:guid}").WithTags("Log").ProducesValidationProblem().ProducesProblem(404);
        group.MapPut("", Keep).WithSummary("Keeps a picture, PNG or JPEG up to 10 MB; place and camera are taken out. Sent twice, it is kept once; another one under its id gets 409.").ProducesProblem(409)
            .Accepts<IFormFile>("image/png", "image/jpeg").WithMetadata(new Microsoft.AspNetCore.Mvc.RequestSizeLimitAttribute(Photo.MostBytes + 1));
        group.MapGet("", (Guid id, LowfellDb db, HttpContext context, CancellationToken cancel) => SendAsync(id, whole: true, db, context, cancel)).WithSummary("The picture.").Produces<byte[]>(200, "image/png", "image/jpeg");
        group.MapGet("thumbnail", (Guid id, LowfellDb db, HttpContext context, CancellationToken cancel) => SendAsync(id, whole: false, db, context, cancel)).WithSummary("A small picture of it.").Produces<byte[]>(200, "image/jpeg");
    }

    private static async Task<Ok<PhotoView>> Keep(Guid id, HttpRequest request, LowfellDb db, SentActions sent, TimeProvider clock, CancellationToken cancel)
    {
        var file = await Photo.ReceiveAsync(request.Body, request.ContentLength, cancel);
        var hash = SentActions.HashOfFile(file.Span);
        if (await KeptAsync(id, db, cancel) is { } kept)
        {
            await sent.IsKnownAsync(id, hash, cancel);
            return TypedResults.Ok(kept);
        }

        // Drawn first: nobody waits for a lock as long as that takes.
        var photo = await Photo.DrawAsync(file, cancel);
        await using var both = await db.Database.BeginTransactionAsync(cancel);
        if (!await sent.TakeAsync(id, hash, cancel) && await KeptAsync(id, db, cancel) is { } twice)
        {
            return TypedResults.Ok(twice);
        }

        db.Photos.Add(new() { Id = id, At = clock.GetUtcNow(), Width = photo.Width, Height = photo.Height, MediaType = photo.MediaType, Bytes = photo.Bytes, Thumbnail = photo.Thumbnail });
        await db.SaveChangesAsync(cancel);
        await both.CommitAsync(cancel);
        return TypedResults.Ok(new PhotoView(id, photo.Width, photo.Height));
    }

    private static Task<PhotoView?> KeptAsync(Guid id, LowfellDb db, CancellationToken cancel) =>
        db.Photos.AsNoTracking().Where(p => p.Id == id).Select(p => new PhotoView(p.Id, p.Width, p.Height)).SingleOrDefaultAsync(cancel);

    private static async Task<FileContentHttpResult> SendAsync(Guid id, bool whole, LowfellDb db, HttpContext context, CancellationToken cancel)
    {
        var photo = await db.Photos.AsNoTracking().Where(p => p.Id == id).Select(p => new { Bytes = whole ? p.Bytes : p.Thumbnail, MediaType = whole ? p.MediaType : "image/jpeg" }).SingleOrDefaultAsync(cancel)
            ?? throw RefusedException.NotFound("id", id);
        context.Response.Headers.CacheControl = Forever;
        return TypedResults.File(photo.Bytes, photo.MediaType);
    }
}
