using Lowfell.Core.Surfaces;
using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sets;

/// <summary>A pasted list of pieces.</summary>
/// <param name="Text">A piece a line: name, copies, length x width x height in mm, zones with + between them.</param>
/// <param name="Substrate">What they are made of.</param>
/// <param name="DryRun">Only says what it would make of it.</param>
public sealed record PiecePaste([PieceTextBound] string Text, Substrate Substrate, bool DryRun = false);

/// <summary>What became, or would become, of a line.</summary>
/// <param name="Line">Which line, from 1.</param>
/// <param name="Name">Name.</param>
/// <param name="Copies">Copies.</param>
/// <param name="Size">Size in the painter's words; empty for the usual one.</param>
/// <param name="Zones">Names of its zones.</param>
/// <param name="Fault">Why it can't be taken; none where it can.</param>
public sealed record PastedPiece(int Line, string Name, int Copies, string Size, IReadOnlyList<string> Zones, string? Fault);

/// <summary>Pieces by paste.</summary>
public static class PasteEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) => app.MapPost("/api/sets/{setId:guid}/pieces/paste", Paste).WithTags("Pieces").ProducesValidationProblem()
        .WithSummary("Reads a pasted list of pieces with their zones; all of them are added, or none. Zones of one name share a scheme.");

    private static async Task<Ok<List<PastedPiece>>> Paste(Guid setId, PiecePaste paste, LowfellDb db, CancellationToken cancel)
    {
        await Tree.SetAsync(db, setId, cancel);
        var lines = Read(paste.Text);
        var there = await db.Pieces.CountAsync(p => p.SetId == setId && p.DeletedAt == null, cancel);
        if (there + lines.Count > PieceEndpoints.MostPieces)
        {
            throw new RefusedException("text", $"Paste fewer: {lines.Count} more than the {there} that are there are too many, {PieceEndpoints.MostPieces} are the most that a set holds.");
        }

        if (!paste.DryRun)
        {
            if (lines.FirstOrDefault(l => l.Fault is not null) is { } wrong)
            {
                throw new RefusedException("text", $"Line {wrong.Line}: {wrong.Fault}");
            }

            var next = await db.Pieces.Where(p => p.SetId == setId).Select(p => (int?)p.Position).MaxAsync(cancel) ?? -1;
            Add(setId, paste.Substrate, lines, next, db);
            await db.SaveChangesAsync(cancel);
        }

        return TypedResults.Ok(lines.Select(l => new PastedPiece(l.Line, l.Name, l.Copies, l.Size is { } s ? FormattableString.Invariant($"{s.LengthMm} x {s.WidthMm} x {s.HeightMm} mm") : "", l.Zones, l.Fault)).ToList());
    }

    private static IReadOnlyList<PieceLine> Read(string text)
    {
        try
        {
            return PieceLines.Read(text);
        }
        catch (ArgumentException many)
        {
            throw new RefusedException("text", many.Message.Split(" (Parameter", 2)[0]);
        }
    }

    private static void Add(Guid setId, Substrate substrate, IReadOnlyList<PieceLine> lines, int next, LowfellDb db)
    {
        var schemes = new Dictionary<string, SchemeRow>(StringComparer.OrdinalIgnoreCase);
        foreach (var line in lines)
        {
            var draft = new PieceDraft { Name = line.Name, Copies = line.Copies, Substrate = substrate };
            if (line.Size is { } s)
            {
                draft = draft with { Shape = PieceShape.Box, LengthMm = s.LengthMm, WidthMm = s.WidthMm, HeightMm = s.HeightMm };
            }

            var piece = new PieceRow { Id = Guid.CreateVersion7(), SetId = setId, Name = line.Name, Position = ++next };
            draft.CopyTo(piece);
            foreach (var (name, place) in line.Zones.Select((z, i) => (z, i)))
            {
                if (!schemes.TryGetValue(name, out var scheme))
                {
                    scheme = new SchemeRow { Id = Guid.CreateVersion7(), Name = name };
                    schemes.Add(name, scheme);
                    db.Schemes.Add(scheme);
                }

                var zone = new ZoneRow { Id = Guid.CreateVersion7(), PieceId = piece.Id, Name = name, SchemeId = scheme.Id, Position = place };
                new ZoneSettings { Name = name, AreaShare = Math.Round(1.0 / line.Zones.Count, 3) }.CopyTo(zone);
                piece.Zones.Add(zone);
            }

            db.Pieces.Add(piece);
        }
    }
}
