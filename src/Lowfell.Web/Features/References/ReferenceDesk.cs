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

        var (picks, grey) = await ReadAsync(row, change, cancel);
        if (change.Grey is { } card && WhiteBalance.Fault(grey, Srgb.Parse(card.Is)) is { } fault)
        {
            throw new RefusedException("grey", fault);
        }

        var before = row.Picks.ToDictionary(p => (p.ZoneId, p.Height));
        var own = Forget(row, zones);
        (row.GreyX, row.GreyY, row.GreyIs) = (change.Grey?.X, change.Grey?.Y, change.Grey?.Is.ToLowerInvariant() ?? "");
        (row.GreyR, row.GreyG, row.GreyB) = (grey.R, grey.G, grey.B);

        // Those of zones that were deleted come back with them.
        row.Picks = [.. picks, .. row.Picks.Where(p => !zones.ContainsKey(p.ZoneId)).Select(p => p.Copy())];
        var balance = Balance(row);

        // Where the painter departs on purpose nothing is wanted of it: it is looked at, and not judged by. What somebody has wanted otherwise since stays, until it is picked anew.
        foreach (var pick in picks.Where(p => p.OnPurpose.Length == 0))
        {
            var key = (pick.ZoneId, pick.Height);
            if (own.Contains(key) || !before.TryGetValue(key, out var was) || !IsAt(was, pick.X, pick.Y) || was.OnPurpose.Length > 0)
            {
                Want(zones[pick.ZoneId], pick.Height, Colour(balance, pick));
            }
        }
    }

    // What stands at the spots; the picture is opened only for those that are new.
    private async Task<(List<ReferencePick> Picks, LinearRgb Grey)> ReadAsync(ReferenceRow row, ReferenceChange change, CancellationToken cancel)
    {
        var known = row.Picks.Select(p => (p.X, p.Y, Light: new LinearRgb(p.R, p.G, p.B))).ToList();
        if (row.GreyX is { } greyX && row.GreyY is { } greyY)
        {
            known.Add((greyX, greyY, new(row.GreyR, row.GreyG, row.GreyB)));
        }

        var lights = known.GroupBy(k => (k.X, k.Y)).ToDictionary(g => g.Key, g => g.First().Light);
        var spots = change.Picks.Select(p => (p.X, p.Y)).Concat(change.Grey is { } g ? [(g.X, g.Y)] : []).Where(s => !lights.ContainsKey(s)).Distinct().ToList();
        if (spots.Count > 0)
        {
            var picture = await db.Photos.AsNoTracking().Where(p => p.Id == row.PhotoId).Select(p => p.Bytes).SingleAsync(cancel);
            foreach (var (spot, light) in spots.Zip(await Photo.PatchesAsync(picture, spots, cancel)))
            {
                lights.Add(spot, light);
            }
        }

        return (
            [.. change.Picks.Select(p =>
            {
                var light = lights[(p.X, p.Y)];
                return new ReferencePick { ZoneId = p.ZoneId, Height = p.Height, X = p.X, Y = p.Y, R = light.R, G = light.G, B = light.B, OnPurpose = p.OnPurpose.Trim() };
            })],
            change.Grey is { } at ? lights[(at.X, at.Y)] : default);
    }

    private static bool IsAt(ReferencePick pick, double x, double y) => (pick.X, pick.Y) == (x, y);

    // What was wanted because of this picture is wanted no more; what somebody has said otherwise since stays.
    private static HashSet<(Guid Zone, ReliefHeight Height)> Forget(ReferenceRow row, Dictionary<Guid, ZoneRow> zones)
    {
        var (balance, own) = (Balance(row), new HashSet<(Guid, ReliefHeight)>());
        foreach (var pick in row.Picks)
        {
            if (zones.TryGetValue(pick.ZoneId, out var zone) && Wanted(zone, pick.Height) == Colour(balance, pick))
            {
                Want(zone, pick.Height, null);
                own.Add((pick.ZoneId, pick.Height));
            }
        }

        return own;
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
