using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Stack;

/// <summary>A zone that uses a scheme.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="Zone">Its name.</param>
/// <param name="Piece">Name of its piece.</param>
/// <param name="Set">Name of its set.</param>
public sealed record SchemeUse(Guid ZoneId, string Zone, string Piece, string Set);

/// <summary>A scheme with its coats.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Name">Name.</param>
/// <param name="Coats">From the substrate up.</param>
/// <param name="Uses">Zones that use it.</param>
public sealed record SchemeView(Guid Id, int Version, string Name, IReadOnlyList<CoatDraft> Coats, IReadOnlyList<SchemeUse> Uses);

/// <summary>A scheme in a list.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Name.</param>
/// <param name="Coats">How many coats.</param>
/// <param name="Zones">How many zones use it.</param>
public sealed record SchemeSummary(Guid Id, string Name, int Coats, int Zones);

/// <summary>The whole stack of a scheme, as it should be.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Coats">From the substrate up.</param>
public sealed record StackChange([VersionBound] int Version, [CoatsBound] IReadOnlyList<CoatDraft> Coats);

/// <summary>The answer when somebody else has changed the stack: theirs, so that nothing is lost.</summary>
/// <param name="Title">What has happened.</param>
/// <param name="Current">The scheme as it is kept now.</param>
public sealed record StackConflict(string Title, SchemeView Current);

/// <summary>A stack that was kept.</summary>
/// <param name="Version">Version to send back with the next change.</param>
public sealed record StackKept(int Version);

/// <summary>A new name, and for a copy the zone that shall use it.</summary>
/// <param name="Name">Name.</param>
/// <param name="ZoneId">Zone that moves to the copy.</param>
public sealed record SchemeCopy([NameBound] string Name, Guid? ZoneId = null);

/// <summary>A new name.</summary>
/// <param name="Name">Name.</param>
/// <param name="Version">The version of the scheme that was looked at.</param>
public sealed record Rename([NameBound] string Name, [VersionBound] int Version);

/// <summary>Schemes: named stacks that zones share.</summary>
public static class SchemeEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/schemes").WithTags("Schemes").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Every scheme, by name.");
        group.MapGet("{id:guid}", Get).WithSummary("A scheme with its coats and the zones that use it.");
        group.MapGet("{id:guid}/versions", ListVersions).WithSummary("What the scheme was before, the newest first; at most 100.");
        group.MapPut("{id:guid}/stack", PutStack).WithSummary("Keeps the whole stack; 409 with the kept one when somebody else has changed it meanwhile.");
        group.MapPut("{id:guid}/name", PutName).WithSummary("Renames a scheme; 409 when somebody else has changed it meanwhile.").ProducesProblem(409);
        group.MapPost("{id:guid}/copy", Copy).WithSummary("Copies a scheme; a zone may move to the copy.");
    }

    /// <summary>A scheme with its coats and uses.</summary>
    public static async Task<SchemeView> ViewAsync(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var row = await db.Schemes.AsNoTracking().Include(s => s.Coats).SingleOrDefaultAsync(s => s.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        var uses = await db.Zones.Where(z => z.SchemeId == id && z.DeletedAt == null && z.Piece!.DeletedAt == null)
            .Join(db.Sets.Where(s => s.DeletedAt == null), z => z.Piece!.SetId, s => s.Id, (z, s) => new { Zone = z, Set = s })
            .OrderBy(u => u.Set.Position).ThenBy(u => u.Zone.Piece!.Position).ThenBy(u => u.Zone.Position)
            .Select(u => new SchemeUse(u.Zone.Id, u.Zone.Name, u.Zone.Piece!.Name, u.Set.Name)).ToListAsync(cancel);
        return new(row.Id, row.Version, row.Name, [.. row.Coats.OrderBy(c => c.Position).Select(CoatRows.Write)], uses);
    }

    private static async Task<Ok<List<SchemeSummary>>> List(LowfellDb db, CancellationToken cancel) =>
        TypedResults.Ok(await db.Schemes.OrderBy(s => s.Name)
            .Select(s => new SchemeSummary(s.Id, s.Name, s.Coats.Count, db.Zones.Count(z => z.SchemeId == s.Id && z.DeletedAt == null))).ToListAsync(cancel));

    private static async Task<Ok<SchemeView>> Get(Guid id, LowfellDb db, CancellationToken cancel) => TypedResults.Ok(await ViewAsync(id, db, cancel));

    private static async Task<Ok<List<SchemeVersion>>> ListVersions(Guid id, LowfellDb db, CancellationToken cancel)
    {
        const int MostListed = 100;
        if (!await db.Schemes.AnyAsync(s => s.Id == id, cancel))
        {
            throw RefusedException.NotFound("id", id);
        }

        var rows = await db.SchemeVersions.AsNoTracking().Where(v => v.SchemeId == id).OrderByDescending(v => v.Until).ThenByDescending(v => v.Id).Take(MostListed).ToListAsync(cancel);
        return TypedResults.Ok(rows.ConvertAll(v => new SchemeVersion(v.Id, v.From, v.Until, Kept.Read<KeptCoats>(v.Coats).Coats)));
    }

    private static async Task<Results<Ok<StackKept>, Conflict<StackConflict>>> PutStack(
        Guid id, StackChange change, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var shelf = await open.ShelfAsync(cancel);
        var families = await CheckAsync(id, change.Coats, shelf, db, cancel);
        var row = await db.Schemes.Include(s => s.Coats).SingleOrDefaultAsync(s => s.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        if (row.Version != change.Version)
        {
            return await ConflictAsync(id, db, cancel);
        }

        SchemeHistory.Note(db, row, clock.GetUtcNow());
        CoatRows.Replace(db, row, change.Coats, families);
        db.Entry(row).State = EntityState.Modified;
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            return await ConflictAsync(id, db, cancel);
        }

        return TypedResults.Ok(new StackKept(row.Version));
    }

    /// <summary>Gives a scheme other coats, worked out elsewhere.</summary>
    /// <exception cref="RefusedException">Unknown, changed meanwhile, or coats that can't be kept.</exception>
    internal static async Task TakeCoatsAsync(Guid id, int version, Func<IReadOnlyList<CoatDraft>, IReadOnlyList<CoatDraft>> change, OpenShelf shelf, LowfellDb db, DateTimeOffset now, CancellationToken cancel)
    {
        var row = await db.Schemes.Include(s => s.Coats).SingleOrDefaultAsync(s => s.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        Versions.Check(version, row.Version);
        SchemeHistory.Note(db, row, now);
        var coats = change([.. row.Coats.OrderBy(c => c.Position).Select(CoatRows.Write)]);
        CoatRows.Replace(db, row, coats, await CheckAsync(id, coats, shelf, db, cancel));
        db.Entry(row).State = EntityState.Modified;
        await db.SaveChangesAsync(cancel);
    }

    private static async Task<Conflict<StackConflict>> ConflictAsync(Guid id, LowfellDb db, CancellationToken cancel)
    {
        db.ChangeTracker.Clear();
        return TypedResults.Conflict(new StackConflict("Somebody else changed this stack meanwhile.", await ViewAsync(id, db, cancel)));
    }

    private static async Task<Ok<SchemeView>> PutName(Guid id, Rename rename, LowfellDb db, CancellationToken cancel)
    {
        var row = await db.Schemes.SingleOrDefaultAsync(s => s.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        Versions.Check(rename.Version, row.Version);
        row.Name = rename.Name.Trim();
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(await ViewAsync(id, db, cancel));
    }

    private static async Task<Created<SchemeView>> Copy(Guid id, SchemeCopy copy, LowfellDb db, CancellationToken cancel)
    {
        var source = await ViewAsync(id, db, cancel);
        var row = new SchemeRow { Id = Guid.CreateVersion7(), Name = copy.Name.Trim() };
        db.Schemes.Add(row);
        CoatRows.Replace(db, row, source.Coats, new Dictionary<Guid, Family>());
        if (copy.ZoneId is { } zoneId)
        {
            var zone = await db.Zones.SingleOrDefaultAsync(z => z.Id == zoneId, cancel) ?? throw RefusedException.NotFound("zoneId", zoneId);
            zone.SchemeId = row.Id;
        }

        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/schemes/{row.Id}", await ViewAsync(row.Id, db, cancel));
    }

    // Families by what coats are made of; what is being added with the coats themselves is not on the shelf yet.
    private static async Task<Dictionary<Guid, Family>> CheckAsync(Guid scheme, IReadOnlyList<CoatDraft> coats, OpenShelf shelf, LowfellDb db, CancellationToken cancel)
    {
        var checks = new Checks();
        StackReader.CheckCoats(checks, coats, inlineAllowed: false);
        checks.Enforce();
        var families = new Dictionary<Guid, Family>();
        var added = db.Mixes.Local.Select(m => m.Id).ToHashSet();
        var paints = db.Materials.Local.ToDictionary(m => m.Id, m => m.Family);

        // A coat may keep a mix that another window deletes in this very moment; none may take one that is gone.
        var gone = coats.Select(c => c.MixId).OfType<Guid>().Where(shelf.DeletedMixes.Contains).ToHashSet();
        if (gone.Count > 0)
        {
            gone.ExceptWith(await db.Coats.Where(c => c.SchemeId == scheme && c.MixId != null).Select(c => c.MixId!.Value).ToListAsync(cancel));
        }

        for (var i = 0; i < coats.Count; i++)
        {
            if ((coats[i].MaterialId ?? coats[i].MixId) is not { } of)
            {
                continue;
            }

            if (gone.Contains(of))
            {
                checks.Fault($"coats[{i}].mixId", $"The mix {shelf.Paints.GetValueOrDefault(of)?.Name} was deleted; put it back, or choose another.");
            }
            else if (shelf.Paints.TryGetValue(of, out var paint) && (coats[i].MixId is not null || shelf.Find(of) is not null))
            {
                families[of] = paint.Lead.Family;
            }
            else if (paints.TryGetValue(of, out var family))
            {
                families[of] = family;
            }
            else if (coats[i].MaterialId is not null)
            {
                checks.Fault($"coats[{i}].materialId", $"There is no material {of} on this shelf.");
            }
            else if (!added.Contains(of) && !shelf.MixFaults.ContainsKey(of))
            {
                checks.Fault($"coats[{i}].mixId", $"There is no mix {of} on this bench.");
            }
        }

        checks.Enforce();
        if (coats.All(c => (c.MaterialId ?? c.MixId) is not { } of || (families.ContainsKey(of) && shelf.Paints.ContainsKey(of))))
        {
            StackReader.CheckWet(checks, StackReader.ReadKept(new Zone(), coats, new Schools(), shelf).Coats);
            checks.Enforce();
        }

        return families;
    }
}
