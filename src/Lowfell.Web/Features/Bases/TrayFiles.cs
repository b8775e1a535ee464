using System.Text.Json;
using System.Text.Json.Schema;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Bases;

/// <summary>A tray as a file: what another bench needs to lay the same.</summary>
/// <param name="Format">Always <c>lowfell-tray</c>.</param>
/// <param name="FormatVersion">Version of the format; 1.</param>
/// <param name="Family">Family, with its rules.</param>
/// <param name="Copies">Bases.</param>
public sealed record TrayFile([TagBound] string Format, [VersionBound] int FormatVersion, BaseFamilyDraft Family, [TrayCopiesBound] IReadOnlyList<TrayCopyDraft> Copies)
{
    /// <summary>What such a file is called.</summary>
    public const string Name = "lowfell-tray";

    /// <summary>The version that is written.</summary>
    public const int Written = 1;
}

/// <summary>Trays out as JSON and in again; what comes in is checked before anything is kept.</summary>
public static class TrayFiles
{
    private static readonly JsonSerializerOptions Options = MakeOptions();

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        app.MapGet("/api/trays/{id:guid}/tray.json", Out).WithTags("Bases").ProducesValidationProblem().WithSummary("A tray as a file.").Produces<TrayFile>(200, "application/json");
        app.MapGet("/api/trays/schema.json", Schema).WithTags("Bases").WithSummary("JSON schema of such a file.").Produces<string>(200, "application/schema+json");
        app.MapPut("/api/pieces/{pieceId:guid}/tray/file", In).WithTags("Bases").ProducesValidationProblem().WithSummary("Takes such a file as the tray of a piece, in place of the one it has.");
    }

    private static async Task<IResult> Out(Guid id, TrayDesk desk, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        var file = new TrayFile(TrayFile.Name, TrayFile.Written, BaseFamilyDraft.Of(TrayDesk.Family(tray)), TrayDesk.Copies(tray));
        return Results.File(JsonSerializer.SerializeToUtf8Bytes(file, Options), "application/json", "tray.json");
    }

    private static IResult Schema() => Results.Text(Options.GetJsonSchemaAsNode(typeof(TrayFile)).ToJsonString(Options), "application/schema+json");

    private static async Task<Ok<TrayView>> In(Guid pieceId, TrayFile file, TrayDesk desk, LowfellDb db, CancellationToken cancel, int? version = null)
    {
        if (file.Format != TrayFile.Name)
        {
            throw new RefusedException("format", $"'{file.Format}' is no tray of bases; a file of one begins with \"format\": \"{TrayFile.Name}\".");
        }

        if (file.FormatVersion != TrayFile.Written)
        {
            throw new RefusedException("formatVersion", $"The file is of version {file.FormatVersion}; this Lowfell reads version {TrayFile.Written}. Run the one that wrote it, or write it anew.");
        }

        var checks = new Checks();
        file.Family.Check(checks, "family.");
        checks.Enforce();
        TrayDesk.Check(file.Copies, "copies");
        var piece = await db.Pieces.SingleOrDefaultAsync(p => p.Id == pieceId && p.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("pieceId", pieceId);
        var name = file.Family.Name.Trim();
        var rules = Kept.Write(file.Family with { Name = name });

        // A family of the same rules is the same family; one of the same name with other rules is another.
        var family = (await db.BaseFamilies.Where(f => f.Name == name).ToListAsync(cancel)).Find(f => Kept.Write(Kept.Read<BaseFamilyDraft>(f.Rules) with { Name = name }) == rules);
        if (family is null)
        {
            family = new() { Id = Guid.CreateVersion7(), Name = name, Rules = rules };
            db.BaseFamilies.Add(family);
        }

        var tray = await desk.OfPieceAsync(pieceId, cancel);
        if (tray?.Version != version)
        {
            throw Versions.Stale(tray is null ? "its tray was taken away" : "it has a tray, or another version of it,");
        }

        if (tray is null)
        {
            tray = new() { Id = Guid.CreateVersion7(), PieceId = pieceId, Copies = "" };
            db.Trays.Add(tray);
        }
        else if (tray.StonesLaid.Count + tray.TuftsLaid.Count > 0)
        {
            throw new RefusedException("pieceId", $"Bases of {piece.Name} are glued down already, says the log: its tray stays. Take the file for another piece.", 409);
        }

        (tray.Piece, tray.Family, tray.FamilyId) = (piece, family, family.Id);
        await desk.KeepAsync(tray, file.Copies, [], cancel);
        return TypedResults.Ok(await desk.ViewAsync(tray, cancel));
    }

    private static JsonSerializerOptions MakeOptions()
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web) { WriteIndented = true };
        ApiJson.Configure(options);
        options.MakeReadOnly(populateMissingResolver: true);
        return options;
    }
}
