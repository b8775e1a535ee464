using SkiaSharp;

namespace Lowfell.Web.Files;

/// <summary>Reads pictures smaller than they are, without ever holding all of their pixels.</summary>
internal static class PictureReader
{
    // So many pixels of a picture are held at once while it is made smaller; interlaced ones are gone through once for each such strip.
    private const int StripPixels = 16_000_000;

    private const int Channels = 4;

    /// <summary>Reads a picture with at most so many pixels.</summary>
    /// <param name="codec">The picture, opened.</param>
    /// <param name="mostPixels">Most pixels of what comes out; what has fewer comes as it is.</param>
    /// <param name="alpha">How what is transparent is told.</param>
    /// <returns>The picture, 8 bits a channel; null where it can't be read to its end.</returns>
    public static SKBitmap? Read(SKCodec codec, int mostPixels, SKAlphaType alpha)
    {
        var info = new SKImageInfo(codec.Info.Width, codec.Info.Height, SKColorType.Rgba8888, alpha);
        if ((long)info.Width * info.Height <= mostPixels)
        {
            return Whole(codec, info);
        }

        // JPEG is read in eighths of its size.
        const int Eighths = 8;
        for (var eighths = Eighths - 1; eighths > 0; eighths--)
        {
            var size = codec.GetScaledDimensions(eighths / (float)Eighths);
            if (size.Width < info.Width && (long)size.Width * size.Height <= mostPixels)
            {
                return Whole(codec, info.WithSize(size.Width, size.Height));
            }
        }

        return InStrips(codec, info, (int)Math.Ceiling(Math.Sqrt((double)info.Width * info.Height / mostPixels)));
    }

    /// <summary>How often a JPEG paints over itself: each scan goes over the whole picture again.</summary>
    public static int Scans(ReadOnlySpan<byte> jpeg)
    {
        ReadOnlySpan<byte> start = [0xFF, 0xDA];
        return jpeg.Count(start);
    }

    private static SKBitmap? Whole(SKCodec codec, SKImageInfo info)
    {
        var bitmap = new SKBitmap(info);
        if (codec.GetPixels(info, bitmap.GetPixels()) == SKCodecResult.Success)
        {
            return bitmap;
        }

        bitmap.Dispose();
        return null;
    }

    // Each pixel is the mean of a square of times x times; what is left over at the right and below, where it does not go up, is left away.
    private static SKBitmap? InStrips(SKCodec codec, SKImageInfo info, int times)
    {
        var small = new SKBitmap(info.WithSize(info.Width / times, info.Height / times));
        var rows = Math.Max(1, StripPixels / info.Width / times) * times;
        using var strip = new SKBitmap(info.WithSize(info.Width, Math.Min(rows, info.Height)));
        var sums = new int[small.Width * Channels];
        for (var top = 0; top + times <= info.Height; top += rows)
        {
            var bottom = Math.Min(info.Height, top + rows);
            var options = new SKCodecOptions(new SKRectI(0, top, info.Width, bottom));
            if (codec.StartIncrementalDecode(info, strip.GetPixels(), strip.RowBytes, options) != SKCodecResult.Success || codec.IncrementalDecode() != SKCodecResult.Success)
            {
                small.Dispose();
                return null;
            }

            for (var y = top; y + times <= bottom; y += times)
            {
                Mean(strip, y - top, times, sums, small.GetPixelSpan()[(y / times * small.RowBytes)..]);
            }
        }

        return small;
    }

    private static void Mean(SKBitmap strip, int from, int times, int[] sums, Span<byte> into)
    {
        Array.Clear(sums);
        var pixels = strip.GetPixelSpan();
        for (var y = from; y < from + times; y++)
        {
            var row = pixels.Slice(y * strip.RowBytes, sums.Length * times);
            var at = 0;
            for (var x = 0; x < sums.Length; x += Channels)
            {
                for (var i = 0; i < times; i++, at += Channels)
                {
                    sums[x] += row[at];
                    sums[x + 1] += row[at + 1];
                    sums[x + 2] += row[at + 2];
                    sums[x + 3] += row[at + 3];
                }
            }
        }

        var half = times * times / 2;
        for (var x = 0; x < sums.Length; x++)
        {
            into[x] = (byte)((sums[x] + half) / (times * times));
        }
    }
}
