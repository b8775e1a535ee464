using Lowfell.Core.Colour;
using Lowfell.Core.Prediction;
using Lowfell.Core.Surfaces;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Files;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.References;

/// <summary>Picks colours from pictures and holds them against what zones would look like.</summary>
/// <param name="db">Database.</param>
/// <param name="open">The bench.</param>
public sealed class ReferenceDesk(LowfellDb db, OpenBench open)
{
    /// <summary>Pictures with their spots; those of zones that are gone are left out.</summary>
    internal async Task<IReadOnlyList<ReferenceView>> ViewAsync(IReadOnlyList<ReferenceRow> rows, CancellationToken cancel)
    {
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var photos = rows.Select(r => r.PhotoId).ToList();
        var sizes = await db.Photos.AsNoTracking().Where(p => photos.Contains(p.Id)).Select(p => new { p.Id, p.Width, p.Height }).ToDictionaryAsync(p => p.Id, cancel);
        var wanted = rows.SelectMany(r => r.Picks).Select(p => p.ZoneId).Distinct().ToList();
        var zones = await ZoneStacks.Rows(db).Where(z => wanted.Contains(z.Id)).ToDictionaryAsync(z => z.Id, cancel);
        var looks = zones.Values.ToDictionary(z => z.Id, z => Predictor.PredictMiddle(ZoneStacks.Read(z, bench, shelf)).Top);
        return [.. rows.Select(r =>
        {
            var balance = Balance(r);
            return new ReferenceView(
                r.Id, r.Version, r.SetId, r.PieceId, r.PhotoId, r.Name, sizes[r.PhotoId].Width, sizes[r.PhotoId].Height,
                r.GreyX is { } x && r.GreyY is { } y ? new(x, y, r.GreyIs) : null,
                [.. r.Picks.Where(p => zones.ContainsKey(p.ZoneId)).Select(p =>
                {
                    var (zone, colour, now) = (zones[p.ZoneId], balance.Apply(new(p.R, p.G, p.B)), looks[p.ZoneId].At((int)p.Height));
                    return new PickView(
                        p.ZoneId, zone.Name, zone.Piece!.Name, p.Height, p.X, p.Y, colour.ToString(), now.Colour.ToString(),
                        DifferenceWords.Of(colour.ToLab(), now.Lab), Math.Round(ColourDifference.Ciede2000(colour.ToLab(), now.Lab), 1), p.OnPurpose);
                })]);
        })];
    }

    /// <summary>Takes up grey and spots: colours are read off the picture, and become what the zones want.</summary>
    /// <exception cref="RefusedException">A zone is gone, or the grey can't be balanced by.</exception>
    internal async Task PickAsync(ReferenceRow row, ReferenceChange change, CancellationToken cancel)
    {
        var ids = change.Picks.Select(p => p.ZoneId).Concat(row.Picks.Select(p => p.ZoneId)).Distinct().ToList();
        var zones = await db.Zones.Where(z => ids.Contains(z.Id) && z.DeletedAt == null && z.Piece!.SetId == row.SetId).ToDictionaryAsync(z => z.Id, cancel);
        if (change.Picks.FirstOrDefault(p => !zones.ContainsKey(p.ZoneId)) is { } gone)
        {
            throw RefusedException.NotFound("picks", gone.ZoneId);
        }

        var picture = await db.Photos.AsNoTracking().Where(p => p.Id == row.PhotoId).Select(p => p.Bytes).SingleAsync(cancel);
        List<(double X, double Y)> spots = [.. change.Picks.Select(p => (p.X, p.Y)), .. change.Grey is { } g ? [(g.X, g.Y)] : Array.Empty<(double, double)>()];
        var read = spots.Count == 0 ? [] : await Photo.PatchesAsync(picture, spots, cancel);
        Forget(row, zones);
        (row.GreyX, row.GreyY, row.GreyIs) = (change.Grey?.X, change.Grey?.Y, change.Grey?.Is.ToLowerInvariant() ?? "");
        (row.GreyR, row.GreyG, row.GreyB) = change.Grey is null ? (0, 0, 0) : (read[^1].R, read[^1].G, read[^1].B);
        if (change.Grey is not null && WhiteBalance.Fault(read[^1], Srgb.Parse(row.GreyIs)) is { } fault)
        {
            throw new RefusedException("grey", fault);
        }

        row.Picks = [.. change.Picks.Select((p, i) => new ReferencePick { ZoneId = p.ZoneId, Height = p.Height, X = p.X, Y = p.Y, R = read[i].R, G = read[i].G, B = read[i].B, OnPurpose = p.OnPurpose.Trim() })];
        var balance = Balance(row);

        // Where the painter departs on purpose nothing is wanted of it: it is looked at, and not judged by.
        foreach (var pick in row.Picks.Where(p => p.OnPurpose.Length == 0))
        {
            Want(zones[pick.ZoneId], pick.Height, Colour(balance, pick));
        }
    }

    // What was wanted because of this picture is wanted no more; what somebody has said otherwise since stays.
    private static void Forget(ReferenceRow row, Dictionary<Guid, ZoneRow> zones)
    {
        var balance = Balance(row);
        foreach (var pick in row.Picks)
        {
            if (zones.TryGetValue(pick.ZoneId, out var zone) && Wanted(zone, pick.Height) == Colour(balance, pick))
            {
                Want(zone, pick.Height, null);
            }
        }
    }

    private static string Colour(WhiteBalance balance, ReferencePick pick) => balance.Apply(new(pick.R, pick.G, pick.B)).ToString();

    private static WhiteBalance Balance(ReferenceRow row) =>
        row.GreyX is null ? WhiteBalance.None : WhiteBalance.From(new(row.GreyR, row.GreyG, row.GreyB), Srgb.Parse(row.GreyIs)) ?? WhiteBalance.None;

    private static string? Wanted(ZoneRow zone, ReliefHeight height) => height switch { ReliefHeight.Recess => zone.TargetRecess, ReliefHeight.Face => zone.Target, _ => zone.TargetEdge };

    private static void Want(ZoneRow zone, ReliefHeight height, string? colour)
    {
        switch (height)
        {
            case ReliefHeight.Recess:
                zone.TargetRecess = colour;
                break;
            case ReliefHeight.Face:
                zone.Target = colour;
                break;
            default:
                zone.TargetEdge = colour;
                break;
        }
    }
}
