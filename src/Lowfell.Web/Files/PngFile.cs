using Lowfell.Core.Bases.Drawing;
using SkiaSharp;

namespace Lowfell.Web.Files;

/// <summary>Pictures of Core as PNG.</summary>
internal static class PngFile
{
    /// <summary>A picture as PNG. It is written while somebody waits: quick before small.</summary>
    public static byte[] Of(Picture picture)
    {
        using var bitmap = Bitmap(picture);
        using var pixels = bitmap.PeekPixels();
        using var data = pixels.Encode(new SKPngEncoderOptions(SKPngEncoderFilterFlags.Sub, 2)) ?? throw new InvalidOperationException("The picture could not be written.");
        return data.ToArray();
    }

    /// <summary>A picture to draw with.</summary>
    public static SKBitmap Bitmap(Picture picture)
    {
        var bitmap = new SKBitmap(new SKImageInfo(picture.Width, picture.Height, SKColorType.Rgba8888, SKAlphaType.Unpremul));
        System.Runtime.InteropServices.Marshal.Copy(picture.Rgba, 0, bitmap.GetPixels(), picture.Rgba.Length);
        return bitmap;
    }
}
