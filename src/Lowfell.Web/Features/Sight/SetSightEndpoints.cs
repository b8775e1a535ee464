using Lowfell.Core.Finishing;
using Lowfell.Core.Sight;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sight;

/// <summary>A coat of a set that is hardly seen.</summary>
/// <param name="ZoneId">Its zone.</param>
/// <param name="Zone">Name of the zone.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="What">Technique and paint.</param>
/// <param name="Minutes">Hands-on minutes over all copies.</param>
/// <param name="Word">How it is seen from the table.</param>
public sealed record UnseenCoat(Guid ZoneId, string Zone, Guid CoatId, string What, double Minutes, SightWord Word);

/// <summary>A piece of a set, seen from the table.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Name">Its name.</param>
/// <param name="Copies">Its copies.</param>
/// <param name="Minutes">Hands-on minutes of all its coats that are there for their colour, over all copies.</param>
/// <param name="HardlySeenMinutes">Those of them that are hardly seen.</param>
/// <param name="Coats">Coats that are hardly seen, those that take longest first.</param>
public sealed record SetSightPiece(Guid PieceId, string Name, int Copies, double Minutes, double HardlySeenMinutes, IReadOnlyList<UnseenCoat> Coats);

/// <summary>A set as it is seen from the table.</summary>
/// <param name="SetId">The set.</param>
/// <param name="Name">Its name.</param>
/// <param name="Metres">Distance, m.</param>
/// <param name="WantedM">Distance from which a detail has to be seen, by the schools, m.</param>
/// <param name="Room">Room.</param>
/// <param name="Eyes">Eyes.</param>
/// <param name="Minutes">Hands-on minutes of all coats that are there for their colour, over all copies.</param>
/// <param name="HardlySeenMinutes">Those of them that are hardly seen.</param>
/// <param name="Pieces">Its pieces, those first on which most time goes unseen.</param>
/// <param name="ZonesLeft">Zones with the least work that were not looked at, where there are very many.</param>
public sealed record SetSight(Guid SetId, string Name, double Metres, double WantedM, SightRoom Room, Eyes Eyes, double Minutes, double HardlySeenMinutes, IReadOnlyList<SetSightPiece> Pieces, int ZonesLeft);

/// <summary>Whether anyone sees it, over a set.</summary>
public static class SetSightEndpoints
{
    // So many zones are looked at in about a second; those with most work first.
    private const int MostZones = 120;

    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) => app.MapGet("/api/sets/{id:guid}/sight", Of).WithTags("Sight").ProducesValidationProblem()
        .WithSummary("The coats of a set that are hardly seen from the table, and the minutes that go into them.");

    private static async Task<Ok<SetSight>> Of(Guid id, LowfellDb db, OpenBench open, CancellationToken cancel, double? metres = null, string? room = null, string? eyes = null)
    {
        var set = await db.Sets.AsNoTracking().SingleOrDefaultAsync(s => s.Id == id && s.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("id", id);
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var stand = SightTrial.Stand(bench, metres ?? set.ViewingMm / 1000, room, eyes);
        var wanted = stand with { Metres = bench.Schools.WantedM(stand.Metres) };
        var zones = await ZoneStacks.Rows(db).Where(z => z.Piece!.SetId == id).OrderBy(z => z.Piece!.Position).ThenBy(z => z.Position).ToListAsync(cancel);
        var stacks = zones.ConvertAll(z => (Zone: z, Stack: ZoneStacks.Read(z, bench, shelf)));
        var looked = stacks.Count <= MostZones ? stacks : [.. stacks.OrderByDescending(s => Staircase.Minutes(s.Stack)).Take(MostZones)];
        var coats = looked.AsParallel().AsOrdered().WithCancellation(cancel).SelectMany(s => ZoneDetails.Of(s.Stack).Where(d => d.CoatId is not null)
            .Select(d => (Piece: s.Zone.Piece!, Hardly: d.At(wanted).Word < SightWord.Seen && SightEndpoints.KeptReason(s.Stack, d) is null,
                Coat: new UnseenCoat(s.Zone.Id, s.Zone.Name, d.CoatId!.Value, SightEndpoints.What(s.Stack, d), Math.Round(d.Minutes, 2), d.At(wanted).Word)))).ToList();
        List<SetSightPiece> pieces =
        [
            .. coats.GroupBy(c => c.Piece.Id).Select(g => new SetSightPiece(
                g.Key, g.First().Piece.Name, g.First().Piece.Copies, Math.Round(g.Sum(c => c.Coat.Minutes), 2), Math.Round(g.Where(c => c.Hardly).Sum(c => c.Coat.Minutes), 2),
                [.. g.Where(c => c.Hardly).Select(c => c.Coat).OrderByDescending(c => c.Minutes)])).OrderByDescending(p => p.HardlySeenMinutes),
        ];
        return TypedResults.Ok(new SetSight(id, set.Name, stand.Metres, wanted.Metres, stand.Room, stand.Eyes, pieces.Sum(p => p.Minutes), pieces.Sum(p => p.HardlySeenMinutes), pieces, stacks.Count - looked.Count));
    }
}
