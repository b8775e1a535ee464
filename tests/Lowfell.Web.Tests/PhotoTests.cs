using System.Buffers.Binary;
using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using Lowfell.Core.Stacks;
using SkiaSharp;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class PhotoTests(TestHost host) : IClassFixture<TestHost>
{
    // Red left, blue right: what is turned can be told from what is not.
    private static byte[] Picture(SKEncodedImageFormat format, int width = 64, int height = 32)
    {
        using var bitmap = new SKBitmap(width, height);
        using var canvas = new SKCanvas(bitmap);
        canvas.Clear(SKColors.Blue);
        using var red = new SKPaint { Color = SKColors.Red };
        canvas.DrawRect(0, 0, width / 2f, height, red);
        canvas.Flush();
        return bitmap.Encode(format, 95).ToArray();
    }

    /// <summary>An Exif segment (CIPA DC-008) with an orientation and the place where the picture was taken.</summary>
    private static byte[] WithExif(byte[] jpeg, ushort orientation)
    {
        var exif = new List<byte>();
        void Bytes(params byte[] more) => exif.AddRange(more);
        void Short(ushort v) => Bytes((byte)(v >> 8), (byte)v);
        void Long(uint v) => Bytes((byte)(v >> 24), (byte)(v >> 16), (byte)(v >> 8), (byte)v);
        Bytes([.. "Exif\0\0MM"u8]);
        Short(42);
        Long(8);
        Short(2);
        Short(0x0112);
        Short(3);
        Long(1);
        Short(orientation);
        Short(0);
        Short(0x8825);
        Short(4);
        Long(1);
        Long(38);
        Long(0);
        Short(1);
        Short(0x001D);
        Short(2);
        Long(11);
        Long(56);
        Long(0);
        Bytes([.. "SALTMARSH07"u8]);
        var length = (ushort)(exif.Count + 2);
        return [.. jpeg[..2], 0xFF, 0xE1, (byte)(length >> 8), (byte)length, .. exif, .. jpeg[2..]];
    }

    /// <summary>A small PNG that says it is huge: a bomb of pixels.</summary>
    private static byte[] Bomb(uint width, uint height) => Png(width, height, [0x78, 0x9C, 0x03, 0, 0, 0, 0, 1]);

    /// <summary>A PNG whose red rises from the top to the bottom and whose blue from left to right: a few kB for any size.</summary>
    private static byte[] Slope(int width, int height)
    {
        using var packed = new MemoryStream();
        using (var zip = new System.IO.Compression.ZLibStream(packed, System.IO.Compression.CompressionLevel.Fastest, leaveOpen: true))
        {
            var row = new byte[1 + (3 * width)];
            for (var y = 0; y < height; y++)
            {
                for (var x = 0; x < width; x++)
                {
                    (row[1 + (3 * x)], row[3 + (3 * x)]) = ((byte)(255L * y / height), (byte)(255L * x / width));
                }

                zip.Write(row);
            }
        }

        return Png((uint)width, (uint)height, packed.ToArray());
    }

    private static byte[] Png(uint width, uint height, byte[] packed)
    {
        byte[] Chunk(string kind, byte[] data)
        {
            byte[] body = [.. Encoding.ASCII.GetBytes(kind), .. data];
            var chunk = new byte[body.Length + 8];
            BinaryPrimitives.WriteUInt32BigEndian(chunk, (uint)data.Length);
            body.CopyTo(chunk, 4);
            BinaryPrimitives.WriteUInt32BigEndian(chunk.AsSpan(body.Length + 4), Crc(body));
            return chunk;
        }

        var header = new byte[13];
        BinaryPrimitives.WriteUInt32BigEndian(header, width);
        BinaryPrimitives.WriteUInt32BigEndian(header.AsSpan(4), height);
        (header[8], header[9]) = (8, 2);
        return [0x89, .. "PNG\r\n"u8, 0x1A, (byte)'\n', .. Chunk("IHDR", header), .. Chunk("IDAT", packed), .. Chunk("IEND", [])];
    }

    // ISO 3309, as the PNG specification has it.
    private static uint Crc(byte[] data)
    {
        var crc = uint.MaxValue;
        foreach (var b in data)
        {
            crc ^= b;
            for (var bit = 0; bit < 8; bit++)
            {
                crc = (crc & 1) != 0 ? (crc >> 1) ^ 0xEDB88320 : crc >> 1;
            }
        }

        return ~crc;
    }

    private async Task<(HttpStatusCode Status, JsonNode Body)> PutAsync(byte[] picture, Guid? id = null, string type = "image/jpeg")
    {
        using var content = new ByteArrayContent(picture);
        content.Headers.ContentType = new MediaTypeHeaderValue(type);
        using var answer = await host.Http.PutAsync($"/api/photos/{id ?? Guid.NewGuid()}", content, TestContext.Current.CancellationToken);
        return (answer.StatusCode, JsonNode.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!);
    }

    private Task<byte[]> GetAsync(string path) => host.Http.GetByteArrayAsync(path, TestContext.Current.CancellationToken);

    [Fact]
    public async Task A_picture_is_kept_upright_and_small_and_says_no_more_where_it_was_taken()
    {
        var sent = WithExif(Picture(SKEncodedImageFormat.Jpeg), orientation: 6);
        Assert.True(sent.AsSpan().IndexOf("SALTMARSH07"u8) > 0);
        var (status, kept) = await PutAsync(sent);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal((32, 64), ((int)kept["width"]!, (int)kept["height"]!));
        foreach (var path in new[] { $"/api/photos/{kept["id"]}", $"/api/photos/{kept["id"]}/thumbnail" })
        {
            var got = await GetAsync(path);
            Assert.Equal(-1, got.AsSpan().IndexOf("SALTMARSH07"u8));
            Assert.Equal(-1, got.AsSpan().IndexOf("Exif"u8));

            // Turned a quarter to the right, its left is at the top.
            using var bitmap = SKBitmap.Decode(got);
            Assert.True(bitmap.GetPixel(bitmap.Width / 2, 2).Red > 200);
            Assert.True(bitmap.GetPixel(bitmap.Width / 2, bitmap.Height - 3).Blue > 200);
        }
    }

    [Fact]
    public async Task A_large_png_has_a_small_thumbnail_and_is_kept_once()
    {
        var id = Guid.NewGuid();
        var (status, kept) = await PutAsync(Picture(SKEncodedImageFormat.Png, 1600, 900), id, "image/png");
        Assert.Equal((HttpStatusCode.OK, 1600), (status, (int)kept["width"]!));
        using var small = SKBitmap.Decode(await GetAsync($"/api/photos/{id}/thumbnail"));
        Assert.Equal((320, 180), (small.Width, small.Height));
        using var whole = SKCodec.Create(new MemoryStream(await GetAsync($"/api/photos/{id}")));
        Assert.Equal(SKEncodedImageFormat.Png, whole.EncodedFormat);
        Assert.Equal(1600, (int)(await PutAsync(Picture(SKEncodedImageFormat.Png, 1600, 900), id, "image/png")).Body["width"]!);
        Assert.Equal(HttpStatusCode.Conflict, (await PutAsync(Picture(SKEncodedImageFormat.Png, 10, 10), id, "image/png")).Status);
    }

    [Fact]
    public async Task A_picture_of_47_megapixels_is_made_smaller_while_it_is_read()
    {
        var (status, kept) = await PutAsync(Slope(8000, 5900), type: "image/png");
        Assert.Equal((HttpStatusCode.OK, 2666, 1966), (status, (int)kept["width"]!, (int)kept["height"]!));
        using var small = SKBitmap.Decode(await GetAsync($"/api/photos/{kept["id"]}"));
        foreach (var (x, y) in new[] { (0, 0), (2665, 0), (0, 1965), (2665, 1965), (1333, 640), (1333, 700), (40, 1333) })
        {
            // The mean of three times three: what stands there in the picture that was sent, in every strip of it.
            var pixel = small.GetPixel(x, y);
            Assert.InRange(pixel.Red, (255 * 3 * y / 5900) - 1, (255 * ((3 * y) + 2) / 5900) + 1);
            Assert.InRange(pixel.Blue, (255 * 3 * x / 8000) - 1, (255 * ((3 * x) + 2) / 8000) + 1);
        }

        var (_, jpeg) = await PutAsync(Picture(SKEncodedImageFormat.Jpeg, 6000, 4000));
        Assert.Equal((3000, 2000), ((int)jpeg["width"]!, (int)jpeg["height"]!));
    }

    [Fact]
    public async Task It_stands_beside_its_entry_in_the_log()
    {
        var (_, photo) = await PutAsync(Picture(SKEncodedImageFormat.Jpeg));
        var zone = await host.ZoneAsync("Brine");
        await host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind = "note", zoneId = (string)zone["id"]!, copies = new[] { 1 }, photoId = (string)photo["id"]! });
        Assert.Contains((await host.GetAsync("/api/log?kind=note")).AsArray(), e => (string?)e!["photoId"] == (string)photo["id"]!);
        Assert.Contains((string)photo["id"]!, await host.Http.GetStringAsync("/api/log/log.csv", TestContext.Current.CancellationToken), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_no_picture_or_too_much_of_one_is_refused()
    {
        async Task Refused(byte[] file, HttpStatusCode expected, string words)
        {
            var (status, body) = await PutAsync(file);
            Assert.Equal(expected, status);
            Assert.Contains(words, (string)body["errors"]!["photo"]![0]!, StringComparison.Ordinal);
        }

        await Refused("a tide mark, in words"u8.ToArray(), HttpStatusCode.BadRequest, "no picture");
        await Refused([], HttpStatusCode.BadRequest, "no picture");
        await Refused(Picture(SKEncodedImageFormat.Webp), HttpStatusCode.BadRequest, "no picture");
        await Refused(Picture(SKEncodedImageFormat.Png)[..60], HttpStatusCode.BadRequest, "no picture");
        await Refused(Bomb(60_000, 60_000), HttpStatusCode.BadRequest, "60000 x 60000");
        await Refused([.. Picture(SKEncodedImageFormat.Jpeg), .. Enumerable.Repeat(new byte[] { 0xFF, 0xDA }, 70).SelectMany(b => b)], HttpStatusCode.BadRequest, "64 times");
        await Refused(new byte[10_000_001], HttpStatusCode.RequestEntityTooLarge, "10 MB");
        await host.RefusesAsync(HttpMethod.Get, $"/api/photos/{Guid.NewGuid()}", null, "id", HttpStatusCode.NotFound);
    }
}
