using System.Globalization;
using System.Text;
using CsvHelper;
using Lowfell.Core.Bases.Drawing;
using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Likeness;
using Lowfell.Core.Bases.Sheets;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Files;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using SkiaSharp;

namespace Lowfell.Web.Features.Bases;

/// <summary>Trays as pictures, sheets, lists and JSON.</summary>
public static class TraySheets
{
    private const double LeastPx = 1, UsualPx = 6, MostPx = 24;

    // Points that a picture of one base, or of a whole tray, may have: asked for more it is drawn coarser.
    private const double MostOfOne = 1_500_000, MostOfAll = 12_000_000;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var trays = app.MapGroup("/api/trays/{id:guid}").WithTags("Bases").ProducesValidationProblem();
        trays.MapGet("copies/{copy:int}.png", Copy).WithSummary("A base as it will look from above.").Produces<byte[]>(200, "image/png");
        trays.MapGet("tray.png", Tray).WithSummary("The whole tray as one picture.").Produces<byte[]>(200, "image/png");
        trays.MapGet("sheet.svg", Sheet).WithSummary("Every base at its true size, with landings and numbers, to be printed.").Produces<string>(200, "image/svg+xml");
        app.MapGet("/api/zones/{zoneId:guid}/placement", OfZone).WithTags("Bases").ProducesValidationProblem().WithSummary("What stands where on copies of the piece of a zone, by the coat that lays it; nothing where that lays none.");
        trays.MapGet("placement.csv", Placement).WithSummary("What stands where on each base, as a list.").Produces<string>(200, "text/csv");
    }

    private static async Task<IResult> Copy(Guid id, int copy, double? px, TrayDesk desk, HttpContext http, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        var copies = TrayDesk.Copies(tray);
        if (copy < 1 || copy > copies.Count)
        {
            throw new RefusedException("copy", $"There is no base {copy} on this tray; it has 1 to {copies.Count}.", 404);
        }

        // The address names the mark of the layout: what it shows never changes.
        http.Response.Headers.CacheControl = "private, max-age=31536000, immutable";
        var layouts = desk.Layouts(copies, TrayDesk.Family(tray));
        return Results.Bytes(PngFile.Of(BasePicture.Of(layouts[copy - 1], Px(px, layouts[copy - 1].Form.LengthMm * layouts[copy - 1].Form.WidthMm, MostOfOne), (await desk.GroundsAsync(tray, layouts, cancel))[copy - 1])), "image/png");
    }

    private static async Task<IResult> Tray(Guid id, double? px, TrayDesk desk, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        var layouts = desk.Layouts(TrayDesk.Copies(tray), TrayDesk.Family(tray));
        var grounds = await desk.GroundsAsync(tray, layouts, cancel);
        const float GapMm = (float)TrayOrder.GapMm;
        var order = TrayOrder.Of([.. layouts.Select(l => l.Form)]);
        var wide = order.Rows.Max(r => r.Sum(i => (float)layouts[i].Form.LengthMm + GapMm)) + GapMm;
        var tall = order.Rows.Sum(r => r.Max(i => (float)layouts[i].Form.WidthMm) + (1.6f * GapMm)) + GapMm;
        var scale = (float)Px(px, wide * tall, MostOfAll);
        var gap = GapMm * scale;
        using var bitmap = new SKBitmap((int)MathF.Ceiling(wide * scale), (int)MathF.Ceiling(tall * scale));
        using var canvas = new SKCanvas(bitmap);
        canvas.Clear(new SKColor(0x36, 0x32, 0x2e));
        var y = gap;
        foreach (var row in order.Rows)
        {
            var (x, high) = (gap, row.Max(i => (float)layouts[i].Form.WidthMm * scale));
            foreach (var i in row)
            {
                using var picture = PngFile.Bitmap(BasePicture.Of(layouts[i], scale, grounds[i]));
                using var image = SKImage.FromBitmap(picture);
                canvas.DrawImage(image, x, y + ((high - picture.Height) / 2), new SKSamplingOptions(SKFilterMode.Nearest));
                x += ((float)layouts[i].Form.LengthMm * scale) + gap;
            }

            y += high + (1.6f * gap);
        }

        canvas.Flush();
        using var data = bitmap.Encode(SKEncodedImageFormat.Png, 90);
        return Results.Bytes(data.ToArray(), "image/png", "tray.png");
    }

    private static async Task<IResult> Sheet(Guid id, int[]? copies, TrayDesk desk, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        var layouts = desk.Layouts(TrayDesk.Copies(tray), TrayDesk.Family(tray));
        return Results.Text(PlacementSheet.Svg([.. layouts.Select((l, i) => new NumberedBase(i + 1, l)).Where(b => copies is not { Length: > 0 } || copies.Contains(b.Copy))]), "image/svg+xml", Encoding.UTF8);
    }

    private static async Task<Ok<List<CopyPlacement>>> OfZone(Guid zoneId, Guid coatId, int[] copies, TrayDesk desk, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == zoneId, cancel) ?? throw RefusedException.NotFound("zoneId", zoneId);
        var stack = ZoneStacks.Read(zone, await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        if (stack.Coats.FirstOrDefault(c => c.Id == coatId) is not { } coat || Core.Bases.Making.TextureSteps.PlantsOrSets(coat, stack) is not { } tufts || await desk.OfPieceAsync(zone.PieceId, cancel) is not { } tray)
        {
            return TypedResults.Ok(new List<CopyPlacement>());
        }

        var drafts = TrayDesk.Copies(tray);
        List<int> known = [.. copies.Distinct().Order().Where(c => c >= 1 && c <= drafts.Count)];
        var layouts = desk.Layouts([.. known.Select(c => drafts[c - 1])], TrayDesk.Family(tray));
        return TypedResults.Ok(known.Select((c, i) => new CopyPlacement(c, layouts[i].Form.Word, tray.Id, [.. Placing.Of(layouts[i]).Where((_, e) => layouts[i].Elements[e].Kind.IsRigid() != tufts)])).ToList());
    }

    private static async Task<IResult> Placement(Guid id, TrayDesk desk, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        await using var text = new StringWriter(CultureInfo.InvariantCulture);
        await using var csv = new CsvWriter(text, CultureInfo.InvariantCulture);
        foreach (var head in new[] { "base", "no", "element", "x_mm", "y_mm", "angle_deg", "height_mm", "stands_at_mm", "cluster", "locked", "instead_of" })
        {
            csv.WriteField(head);
        }

        await csv.NextRecordAsync();
        foreach (var (i, layout) in desk.Layouts(TrayDesk.Copies(tray), TrayDesk.Family(tray)).Index())
        {
            foreach (var p in Placing.Of(layout))
            {
                csv.WriteField(i + 1);
                csv.WriteField(p.No);
                csv.WriteField(CsvCells.Write(p.Element));
                csv.WriteField(p.X);
                csv.WriteField(p.Y);
                csv.WriteField(p.AngleDeg);
                csv.WriteField(p.HeightMm);
                csv.WriteField(p.StandsAtMm);
                csv.WriteField(p.Cluster);
                csv.WriteField(p.Locked ? "yes" : "no");
                csv.WriteField(CsvCells.Write(p.InsteadOf ?? ""));
                await csv.NextRecordAsync();
            }
        }

        await csv.FlushAsync();
        return Results.File(Encoding.UTF8.GetBytes(text.ToString()), "text/csv", "placement.csv");
    }

    private static double Px(double? px, double mm2, double most) =>
        Math.Min(Math.Clamp(px is { } wanted && double.IsFinite(wanted) ? wanted : UsualPx, LeastPx, MostPx), Math.Sqrt(most / mm2));
}
