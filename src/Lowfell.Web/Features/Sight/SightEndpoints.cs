using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Rules.Look;
using Lowfell.Core.Rules.Place;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sight;

/// <summary>One look at a detail from a distance.</summary>
/// <param name="Metres">Distance, m.</param>
/// <param name="Word">In a word.</param>
/// <param name="J">Times the threshold of being noticed.</param>
/// <param name="Left">What is left of the difference, dE00.</param>
public sealed record SightLook(double Metres, SightWord Word, double J, double Left);

/// <summary>A tone that would show, and the paint that is nearest to it.</summary>
/// <param name="Colour">The colour.</param>
/// <param name="DeltaE">How far it is from now, dE00.</param>
/// <param name="MaterialId">The nearest paint of the shelf; null where there is none.</param>
/// <param name="Material">Its name.</param>
/// <param name="OffDeltaE">How far that paint is from the tone, dE00.</param>
public sealed record SightTone(string Colour, double DeltaE, Guid? MaterialId, string? Material, double OffDeltaE);

/// <summary>A detail of a zone, seen from the table.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="Zone">Its name.</param>
/// <param name="CoatId">The coat that it is of; null for the finished zone.</param>
/// <param name="What">What it is, in the painter's words.</param>
/// <param name="Kind">What of it is looked at.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="LengthMm">Length, mm.</param>
/// <param name="Near">Its colour in the hand.</param>
/// <param name="Ground">Colour that it lies on.</param>
/// <param name="There">Its colour as it is seen from the table.</param>
/// <param name="Verdict">From where it is seen.</param>
/// <param name="Unsure">A light or a heavy hand would change that.</param>
/// <param name="Word">How it is seen from the table.</param>
/// <param name="FormMm">To which distance its width can be told, mm.</param>
/// <param name="Looks">From each distance.</param>
/// <param name="Minutes">Hands-on minutes over all copies.</param>
/// <param name="Tones">Tones that would show from the table; none where it shows, or where no tone does.</param>
/// <param name="NeededWidthMm">Least width that would show, mm; null where it shows, where none does, or where that is out of scale.</param>
/// <param name="InLifeMm">That width in life, mm.</param>
/// <param name="Hardly">It is hardly seen from where it has to be.</param>
/// <param name="Kept">Why it stays all the same; null where the painter did not say so.</param>
public sealed record SightRow(
    Guid ZoneId, string Zone, Guid? CoatId, string What, SightKind Kind, double WidthMm, double LengthMm, string Near, string Ground, string There,
    SightVerdict Verdict, bool Unsure, SightWord Word, double FormMm, IReadOnlyList<SightLook> Looks, double Minutes, IReadOnlyList<SightTone> Tones, double? NeededWidthMm, double? InLifeMm, bool Hardly, string? Kept);

/// <summary>A piece as it is seen from the table.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Metres">Distance, m.</param>
/// <param name="WantedM">Distance from which a detail has to be seen, by the schools, m.</param>
/// <param name="LeastM">Least distance that can be asked for, m.</param>
/// <param name="MostM">The most, m.</param>
/// <param name="Room">Room.</param>
/// <param name="Eyes">Eyes.</param>
/// <param name="Rows">Its details; those on which most time goes unseen first.</param>
/// <param name="Minutes">Hands-on minutes of all its coats that are there for their colour, over all copies.</param>
/// <param name="HardlySeenMinutes">Those of them that are hardly seen from the table.</param>
/// <param name="Factor">How much more, or less, than usual the painter notices, by trials; 1 until there are enough.</param>
public sealed record PieceSight(Guid PieceId, double Metres, double WantedM, double LeastM, double MostM, SightRoom Room, Eyes Eyes, IReadOnlyList<SightRow> Rows, double Minutes, double HardlySeenMinutes, double Factor);

/// <summary>Whether anyone sees it.</summary>
public static class SightEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app) => app.MapGet("/api/pieces/{id:guid}/sight", Of).WithTags("Sight").ProducesValidationProblem()
        .WithSummary("Which details of a piece are seen from where, the minutes that go into what nobody sees, and what they would need.");

    private static async Task<Ok<PieceSight>> Of(Guid id, LowfellDb db, OpenBench open, CancellationToken cancel, double? metres = null, string? room = null, string? eyes = null)
    {
        var piece = await db.Pieces.AsNoTracking().Include(p => p.Set).SingleOrDefaultAsync(p => p.Id == id && p.DeletedAt == null && p.Set!.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("id", id);
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var stand = SightTrial.Stand(bench, metres ?? piece.Set!.ViewingMm / 1000, room, eyes);
        var zones = await ZoneStacks.Rows(db).Where(z => z.PieceId == id).OrderBy(z => z.Position).ToListAsync(cancel);
        List<(Material Material, Lab Lab)> paints = [.. shelf.Materials.Values.Where(m => !m.Clear && m.Family.Facts().Kind == Kind.Paint).Select(m => (m, m.Colour.ToLab()))];
        var wanted = stand with { Metres = bench.Schools.WantedM(stand.Metres) };
        var stacks = zones.ConvertAll(z => (Zone: z, Stack: ZoneStacks.Read(z, bench, shelf)));
        var rows = new List<SightRow>();
        foreach (var (number, (zone, stack)) in stacks.Index())
        {
            rows.AddRange(ZoneDetails.Of(stack).Select(d => Row(zone, stack, d, What(stack, d), (stand, wanted), paints)));
            foreach (var (beside, other) in stacks.Skip(number + 1).Where(o => zone.Neighbours.Contains(o.Zone.Id) || o.Zone.Neighbours.Contains(zone.Id)))
            {
                rows.AddRange(ZoneDetails.Border(stack, other) is { } border ? [Row(zone, stack, border, $"Beside {beside.Name}", (stand, wanted), [])] : Array.Empty<SightRow>());
            }
        }

        rows = [.. rows.OrderBy(r => !r.Hardly).ThenByDescending(r => r.Hardly ? r.Minutes : 0)];
        return TypedResults.Ok(new PieceSight(
            id, stand.Metres, wanted.Metres, SightTable.LeastM, SightTable.MostM, stand.Room, stand.Eyes, rows, rows.Sum(r => r.Minutes), rows.Where(r => r.Hardly && r.Kept is null).Sum(r => r.Minutes), Math.Round(stand.Factor, 2)));
    }

    /// <summary>Where from, and who.</summary>
    /// <exception cref="RefusedException">The distance is out of bounds, or a word is not known.</exception>
    internal static SightFrom Stand(double metres, string? room, string? eyes) =>
        metres >= SightTable.LeastM && metres <= SightTable.MostM
            ? new(metres, QueryWord.Parse<SightRoom>("room", room) ?? SightRoom.ClubHall, QueryWord.Parse<Eyes>("eyes", eyes) ?? Eyes.Sharp)
            : throw new RefusedException("metres", FormattableString.Invariant($"Viewing distance goes from {SightTable.LeastM} to {SightTable.MostM} m, not {metres}."));

    private static SightRow Row(ZoneRow zone, StackDraft stack, ZoneDetail detail, string what, (SightFrom Table, SightFrom Wanted) stand, List<(Material Material, Lab Lab)> paints)
    {
        var (seen, table) = (detail.At(stand.Table), stand.Table);
        var hardly = detail.At(stand.Wanted).Word < SightWord.Seen;

        // What it is painted with already is no way out.
        var coat = stack.Coats.FirstOrDefault(c => c.Id == detail.CoatId);
        IReadOnlyList<SightTone> tones = !hardly || paints.Count == 0 ? [] : [.. Needed.Tones(detail.Detail, stand.Wanted, detail.RowShare).Select(t => Tone(t, coat?.Material is { } own ? paints.FindAll(p => p.Material.Id != own.Id) : paints))];
        var width = hardly && detail.Kind == SightKind.Mark ? Needed.WidthMm(detail.Detail, stand.Wanted, detail.RowShare) : null;

        // Wider than what is too wide in life is no way out.
        width = width is { } mm && coat is not null && MarkSizes.WidestMm(coat, stack.Zone, stack.Schools) is { } most && mm > most ? null : width;
        return new(
            zone.Id, zone.Name, detail.CoatId, what, detail.Kind, detail.Detail.WidthMm, detail.Detail.LengthMm,
            detail.Detail.Colour.ToSrgb().ToString(), detail.Detail.Ground.ToSrgb().ToString(), seen.There.ToSrgb().ToString(),
            Sights.Verdict(m => detail.At(table with { Metres = m }).Word, table.Metres), detail.Unsure(table), seen.Word,
            Eye.FormM(detail.Detail.WidthMm, table.Eyes.Acuity()) * 1000,
            [.. SightTable.Distances.Select(m => (m, Look: detail.At(table with { Metres = m }))).Select(x => new SightLook(x.m, x.Look.Word, Math.Round(x.Look.J, 2), Math.Round(x.Look.Left, 2)))],
            detail.Minutes, tones, width, width is { } wide ? Math.Round(MarkSizes.InLife(wide, stack.Zone)) : null, hardly, KeptReason(stack, detail));
    }

    /// <summary>Why a coat stays although hardly anyone sees it; null where the painter did not say so.</summary>
    internal static string? KeptReason(StackDraft stack, ZoneDetail detail) => detail.CoatId is { } id ? UnseenWork.Kept(stack, stack.IndexOf(id)) : null;

    /// <summary>What a detail is called.</summary>
    internal static string What(StackDraft stack, ZoneDetail detail) => stack.Coats.FirstOrDefault(c => c.Id == detail.CoatId) is { } coat ? coat.Label : SaidAttributeOf(detail.Kind);

    private static SightTone Tone(NeededTone tone, List<(Material Material, Lab Lab)> paints)
    {
        var lab = tone.Colour.ToLab();
        var nearest = paints.Select(p => (p.Material, Off: ColourDifference.Ciede2000(p.Lab, lab))).MinBy(p => p.Off);
        return new(tone.Colour.ToSrgb().ToString(), Math.Round(tone.DeltaE, 1), nearest.Material?.Id, nearest.Material?.Name, Math.Round(nearest.Off, 1));
    }

    private static string SaidAttributeOf(SightKind kind) => Core.Wording.Words.Capital(Core.Wording.SaidAttribute.Of(typeof(SightKind))[kind.ToString()]);
}
