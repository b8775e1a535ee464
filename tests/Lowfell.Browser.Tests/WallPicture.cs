using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using SkiaSharp;

namespace Lowfell.Browser.Tests;

/// <summary>A drawn photograph of a wall under a warm lamp, a grey card at its foot: for pictures of the documentation.</summary>
internal static class WallPicture
{
    private const int Width = 1200, Height = 760, CourseHigh = 84, StoneLong = 176;
    private const string Joint = "#4e3e2c", Lit = "#d3bd94", Card = "#8c7b61";
    private static readonly string[] Stones = ["#a78f66", "#9c8660", "#b1986c", "#a2895f"];

    /// <summary>Pins it to the sea wall, with its grey and three spots.</summary>
    public static async Task PinAsync(LiveApp app)
    {
        var zone = (await app.Http.GetFromJsonAsync<JsonNode>($"/api/zones/{await app.ZoneIdAsync("Stone courses")}"))!;
        var (photo, id) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        using var body = new ByteArrayContent(Draw());
        body.Headers.ContentType = new MediaTypeHeaderValue("image/png");
        (await app.Http.PutAsync($"/api/photos/{photo}", body)).EnsureSuccessStatusCode();
        (await app.Http.PostAsJsonAsync($"/api/sets/{zone["setId"]}/references", new { id, photoId = photo, name = "Harbour wall at low tide" })).EnsureSuccessStatusCode();
        object Pick(string height, double x, double y, string why = "") => new { zoneId = (string)zone["id"]!, height, x, y, onPurpose = why };
        (await app.Http.PutAsJsonAsync($"/api/references/{id}", new
        {
            version = 1,
            name = "Harbour wall at low tide",
            grey = new { x = 0.9, y = 0.9, @is = "#777777" },
            picks = new[] { Pick("recess", 0.5, 0.553), Pick("face", 0.56, 0.5), Pick("edge", 0.42, 0.456, "greener at the foot: weed grows there") },
        })).EnsureSuccessStatusCode();
    }

    private static byte[] Draw()
    {
        using var bitmap = new SKBitmap(Width, Height);
        using var canvas = new SKCanvas(bitmap);
        canvas.Clear(SKColor.Parse(Joint));
        for (var row = 0; row * CourseHigh < Height; row++)
        {
            for (var at = -(row % 2 * StoneLong / 2); at < Width; at += StoneLong)
            {
                using var lit = new SKPaint { Color = SKColor.Parse(Lit) };
                using var face = new SKPaint { Color = SKColor.Parse(Stones[((row * 5) + (at / StoneLong) + 8) % Stones.Length]) };
                canvas.DrawRect(at + 10, (row * CourseHigh) + 10, StoneLong - 10, CourseHigh - 10, lit);
                canvas.DrawRect(at + 18, (row * CourseHigh) + 20, StoneLong - 18, CourseHigh - 20, face);
            }
        }

        using var card = new SKPaint { Color = SKColor.Parse(Card) };
        canvas.DrawRect(Width * 0.8f, Height * 0.82f, Width * 0.2f, Height * 0.18f, card);
        canvas.Flush();
        return bitmap.Encode(SKEncodedImageFormat.Png, 100).ToArray();
    }
}
