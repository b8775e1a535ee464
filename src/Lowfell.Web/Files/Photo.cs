using Lowfell.Core.Colour;
using Lowfell.Web.Api;
using SkiaSharp;

namespace Lowfell.Web.Files;

/// <summary>A picture as it is kept: drawn anew, so that nothing of what the camera wrote beside it is left.</summary>
/// <param name="Width">Width, pixels, upright.</param>
/// <param name="Height">Height.</param>
/// <param name="MediaType">image/png or image/jpeg.</param>
/// <param name="Bytes">The picture.</param>
/// <param name="Thumbnail">A small JPEG.</param>
internal sealed record Photo(int Width, int Height, string MediaType, byte[] Bytes, byte[] Thumbnail)
{
    /// <summary>Largest file, bytes.</summary>
    public const int MostBytes = 10_000_000;

    /// <summary>Most pixels of what is sent.</summary>
    public const int MostPixels = 48_000_000;

    /// <summary>Most pixels of what is kept: larger ones are made smaller while they are read. Enough to see a brush mark on a piece that fills the picture.</summary>
    public const int MostKeptPixels = 8_000_000;

    // A camera paints a progressive JPEG in about ten scans.
    private const int MostScans = 64;

    private const int ThumbnailPx = 320;
    private const int Quality = 90;
    private const int ThumbnailQuality = 80;

    // Colours are read off a picture of about this many pixels along its longer side, each from a patch of so much of that to either side.
    private const int PatchedPx = 1600;
    private const double PatchReach = 0.004;

    // A large picture takes much memory while it is drawn: one at a time.
    private static readonly SemaphoreSlim OneAtATime = new(1);

    /// <summary>Takes a file in.</summary>
    /// <exception cref="RefusedException">It is too large.</exception>
    public static async Task<ReadOnlyMemory<byte>> ReceiveAsync(Stream body, long? length, CancellationToken cancel)
    {
        if (length > MostBytes)
        {
            throw TooLarge();
        }

        using var file = new MemoryStream();
        var buffer = new byte[64 * 1024];
        for (var read = await body.ReadAsync(buffer, cancel); read > 0; read = await body.ReadAsync(buffer, cancel))
        {
            file.Write(buffer, 0, read);
            if (file.Length > MostBytes)
            {
                throw TooLarge();
            }
        }

        return file.GetBuffer().AsMemory(0, (int)file.Length);
    }

    /// <summary>Draws a picture anew from a file.</summary>
    /// <exception cref="RefusedException">It is none, or has too many pixels.</exception>
    public static async Task<Photo> DrawAsync(ReadOnlyMemory<byte> file, CancellationToken cancel)
    {
        await OneAtATime.WaitAsync(cancel);
        try
        {
            return Draw(file.Span);
        }
        finally
        {
            OneAtATime.Release();
        }
    }

    /// <summary>What stands at some spots of a kept picture: the mean of a small patch about each, linear.</summary>
    /// <param name="kept">The picture as it is kept.</param>
    /// <param name="spots">Shares of width and height, 0..1.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<IReadOnlyList<LinearRgb>> PatchesAsync(byte[] kept, IReadOnlyList<(double X, double Y)> spots, CancellationToken cancel)
    {
        await OneAtATime.WaitAsync(cancel);
        try
        {
            // A spot is as wide as a finger is: a smaller picture tells the same, and is drawn sooner.
            using var data = SKData.CreateCopy(kept);
            using var codec = SKCodec.Create(data);
            using var bitmap = PictureReader.Read(codec, PatchedPx * PatchedPx, SKAlphaType.Unpremul) ?? throw NoPicture();
            return [.. spots.Select(s => Patch(bitmap, s.X, s.Y))];
        }
        finally
        {
            OneAtATime.Release();
        }
    }

    private static LinearRgb Patch(SKBitmap of, double x, double y)
    {
        var reach = Math.Max(1, (int)Math.Round(Math.Max(of.Width, of.Height) * PatchReach));
        var (cx, cy) = ((int)Math.Round(x * (of.Width - 1)), (int)Math.Round(y * (of.Height - 1)));
        double r = 0, g = 0, b = 0, n = 0;
        for (var py = Math.Max(0, cy - reach); py <= Math.Min(of.Height - 1, cy + reach); py++)
        {
            for (var px = Math.Max(0, cx - reach); px <= Math.Min(of.Width - 1, cx + reach); px++)
            {
                var pixel = of.GetPixel(px, py);
                var light = new Srgb(pixel.Red, pixel.Green, pixel.Blue).ToLinear();
                (r, g, b, n) = (r + light.R, g + light.G, b + light.B, n + 1);
            }
        }

        return new(r / n, g / n, b / n);
    }

    private static RefusedException TooLarge() => new("photo", $"Send a smaller picture: this file is larger than {MostBytes / 1_000_000} MB.", 413);

    private static RefusedException NoPicture() => new("photo", "Send a PNG or a JPEG: this is no picture that can be read.");

    private static Photo Draw(ReadOnlySpan<byte> file)
    {
        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data);
        if (codec is null || codec.EncodedFormat is not (SKEncodedImageFormat.Png or SKEncodedImageFormat.Jpeg))
        {
            throw NoPicture();
        }

        // Asked before a single pixel is drawn: a small file may hold a huge picture, or the same one painted over and over.
        var (width, height) = (codec.Info.Width, codec.Info.Height);
        if (width <= 0 || height <= 0 || (long)width * height > MostPixels)
        {
            throw new RefusedException("photo", $"Send a smaller picture: this one has {width} x {height} pixels, {MostPixels / 1_000_000} million are the most.");
        }

        if (codec.EncodedFormat == SKEncodedImageFormat.Jpeg && PictureReader.Scans(file) > MostScans)
        {
            throw new RefusedException("photo", $"Save the picture anew: this file paints it more than {MostScans} times over.");
        }

        using var raw = PictureReader.Read(codec, MostKeptPixels, codec.EncodedFormat == SKEncodedImageFormat.Png ? SKAlphaType.Premul : SKAlphaType.Opaque) ?? throw NoPicture();
        using var upright = Upright(raw, codec.EncodedOrigin);
        var scale = Math.Min(1.0, ThumbnailPx / (double)Math.Max(upright.Width, upright.Height));
        using var small = upright.Resize(new SKSizeI(Math.Max(1, (int)(upright.Width * scale)), Math.Max(1, (int)(upright.Height * scale))), new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        using var whole = upright.Encode(codec.EncodedFormat, Quality);
        using var thumbnail = small.Encode(SKEncodedImageFormat.Jpeg, ThumbnailQuality);
        return new(upright.Width, upright.Height, codec.EncodedFormat == SKEncodedImageFormat.Png ? "image/png" : "image/jpeg", whole.ToArray(), thumbnail.ToArray());
    }

    // What the camera said of how it was held goes with the rest: the picture itself is turned.
    private static SKBitmap Upright(SKBitmap raw, SKEncodedOrigin origin)
    {
        var swap = origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;
        var upright = new SKBitmap(raw.Info.WithSize(swap ? raw.Height : raw.Width, swap ? raw.Width : raw.Height));
        using var canvas = new SKCanvas(upright);
        var (w, h) = (upright.Width, upright.Height);
        var turn = origin switch
        {
            SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, w, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, w, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new SKMatrix(0, -1, w, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, w, -1, 0, h, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, h, 0, 0, 1),
            _ => SKMatrix.Identity,
        };
        canvas.SetMatrix(turn);
        canvas.DrawBitmap(raw, 0, 0, new SKSamplingOptions(SKFilterMode.Nearest));
        canvas.Flush();
        return upright;
    }
}
