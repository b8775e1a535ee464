using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Benches;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Search;

/// <summary>
/// Finds by name. Words that stand in a name come first, those at its beginning before those within; where that gives little, names that
/// share letters with what was asked for (trigrams), so that a slip of the fingers finds too.
/// </summary>
/// <param name="db">Database.</param>
/// <param name="bench">The bench.</param>
/// <param name="shelf">Its shelf.</param>
internal sealed class NameSearch(LowfellDb db, Guid bench, OpenShelf shelf)
{
    private const int Most = 24;
    private const int Few = 4;
    private const int MostCoats = 4;

    /// <summary>What is found for words in lower case, at least one.</summary>
    public async Task<IReadOnlyList<Found>> FindAsync(IReadOnlyList<string> words, CancellationToken cancel)
    {
        var found = (await ExactAsync(words, cancel)).Select(n => n.ToFound(near: false)).ToList();
        found.AddRange(await CoatsAsync(words, cancel));
        if (found.Count < Few && words.Sum(w => w.Length) >= 4)
        {
            var known = found.Select(f => f.Id).ToHashSet();
            found.AddRange((await NearAsync(string.Join(' ', words), cancel)).Where(n => !known.Contains(n.Id)).Select(n => n.ToFound(near: true)));
        }

        return found;
    }

    private static string Like(string word) => "%" + word + "%";

    // Every word in the name or in that of what it belongs to, one of them at least in its own.
    private Task<List<NameRow>> ExactAsync(IReadOnlyList<string> words, CancellationToken cancel)
    {
        string[] like = [.. words.Select(Like)];
        var (first, begins) = (words[0] + "%", @"\m" + words[0]);
        return db.Database.SqlQuery<NameRow>(
            $"""
            SELECT * FROM (
              SELECT 'Set' AS "Kind", s."Id", s."Name", '' AS "Within", s."Id" AS "SetId", NULL::uuid AS "PieceId", NULL::uuid AS "ZoneId", NULL AS "Colour", 0 AS "Place"
              FROM sets s WHERE s."BenchId" = {bench} AND s."DeletedAt" IS NULL AND s."Name" ILIKE ALL ({like})
              UNION ALL
              SELECT 'Piece', p."Id", p."Name", s."Name", s."Id", p."Id", NULL, NULL, 1
              FROM pieces p JOIN sets s ON s."BenchId" = p."BenchId" AND s."Id" = p."SetId"
              WHERE p."BenchId" = {bench} AND p."DeletedAt" IS NULL AND s."DeletedAt" IS NULL
                AND p."Name" ILIKE ANY ({like}) AND (p."Name" || ' ' || s."Name") ILIKE ALL ({like})
              UNION ALL
              SELECT 'Zone', z."Id", z."Name", s."Name" || ', ' || p."Name", s."Id", p."Id", z."Id", NULL, 2
              FROM zones z JOIN pieces p ON p."BenchId" = z."BenchId" AND p."Id" = z."PieceId" JOIN sets s ON s."BenchId" = p."BenchId" AND s."Id" = p."SetId"
              WHERE z."BenchId" = {bench} AND z."DeletedAt" IS NULL AND p."DeletedAt" IS NULL AND s."DeletedAt" IS NULL
                AND z."Name" ILIKE ANY ({like}) AND (z."Name" || ' ' || p."Name" || ' ' || s."Name") ILIKE ALL ({like})
              UNION ALL
              SELECT 'Paint', m."Id", m."Name", m."House", NULL, NULL, NULL, m."Colour", 3
              FROM materials m WHERE m."BenchId" = {bench} AND m."DeletedAt" IS NULL AND m."Name" ILIKE ANY ({like}) AND (m."Name" || ' ' || m."House") ILIKE ALL ({like})
              UNION ALL
              SELECT 'Mix', m."Id", m."Name", '', NULL, NULL, NULL, NULL, 4 FROM mixes m WHERE m."BenchId" = {bench} AND m."DeletedAt" IS NULL AND m."Name" ILIKE ALL ({like})
              UNION ALL
              SELECT 'Tile', t."Id", t."Name", '', NULL, NULL, NULL, NULL, 5 FROM tiles t WHERE t."BenchId" = {bench} AND t."DeletedAt" IS NULL AND t."Name" ILIKE ALL ({like})
            ) n ORDER BY CASE WHEN n."Name" ILIKE {first} THEN 0 WHEN n."Name" ~* {begins} THEN 1 ELSE 2 END, n."Place", length(n."Name"), n."Name", n."Id" LIMIT {Most}
            """).ToListAsync(cancel);
    }

    private async Task<List<NameRow>> NearAsync(string asked, CancellationToken cancel)
    {
        await using var both = await db.Database.BeginTransactionAsync(cancel);
        await db.Database.ExecuteSqlAsync($"SELECT set_config('pg_trgm.word_similarity_threshold', '0.4', true)", cancel);
        var rows = await db.Database.SqlQuery<NameRow>(
            $"""
            SELECT * FROM (
              SELECT 'Set' AS "Kind", s."Id", s."Name", '' AS "Within", s."Id" AS "SetId", NULL::uuid AS "PieceId", NULL::uuid AS "ZoneId", NULL AS "Colour", 0 AS "Place"
              FROM sets s WHERE s."BenchId" = {bench} AND s."DeletedAt" IS NULL AND {asked} <% s."Name"
              UNION ALL
              SELECT 'Piece', p."Id", p."Name", s."Name", s."Id", p."Id", NULL, NULL, 1
              FROM pieces p JOIN sets s ON s."BenchId" = p."BenchId" AND s."Id" = p."SetId"
              WHERE p."BenchId" = {bench} AND p."DeletedAt" IS NULL AND s."DeletedAt" IS NULL AND {asked} <% p."Name"
              UNION ALL
              SELECT 'Zone', z."Id", z."Name", s."Name" || ', ' || p."Name", s."Id", p."Id", z."Id", NULL, 2
              FROM zones z JOIN pieces p ON p."BenchId" = z."BenchId" AND p."Id" = z."PieceId" JOIN sets s ON s."BenchId" = p."BenchId" AND s."Id" = p."SetId"
              WHERE z."BenchId" = {bench} AND z."DeletedAt" IS NULL AND p."DeletedAt" IS NULL AND s."DeletedAt" IS NULL AND {asked} <% z."Name"
              UNION ALL
              SELECT 'Paint', m."Id", m."Name", m."House", NULL, NULL, NULL, m."Colour", 3 FROM materials m WHERE m."BenchId" = {bench} AND m."DeletedAt" IS NULL AND {asked} <% m."Name"
              UNION ALL
              SELECT 'Mix', m."Id", m."Name", '', NULL, NULL, NULL, NULL, 4 FROM mixes m WHERE m."BenchId" = {bench} AND m."DeletedAt" IS NULL AND {asked} <% m."Name"
              UNION ALL
              SELECT 'Tile', t."Id", t."Name", '', NULL, NULL, NULL, NULL, 5 FROM tiles t WHERE t."BenchId" = {bench} AND t."DeletedAt" IS NULL AND {asked} <% t."Name"
            ) n ORDER BY word_similarity({asked}, n."Name") DESC, n."Place", n."Name", n."Id" LIMIT {Most / 2}
            """).ToListAsync(cancel);
        await both.CommitAsync(cancel);
        return rows;
    }

    // A coat is called by its technique and its paint: both are known without the database.
    private async Task<IReadOnlyList<Found>> CoatsAsync(IReadOnlyList<string> words, CancellationToken cancel)
    {
        var techniques = Enum.GetValues<Technique>().ToDictionary(t => t, t => t.Facts().Word);
        bool Has(string name, string word) => name.Contains(word, StringComparison.OrdinalIgnoreCase);
        var left = words.Where(w => !techniques.Values.Any(t => Has(t, w))).ToList();
        var laid = words.Except(left).ToList();
        Technique[] how = laid.Count == 0 ? [] : [.. techniques.Where(t => laid.All(w => Has(t.Value, w))).Select(t => t.Key)];
        Guid[] what = left.Count == 0 ? [] : [.. shelf.Paints.Where(p => left.All(w => Has(p.Value.Name, w))).Select(p => p.Key)];
        if ((how.Length == 0 && laid.Count > 0) || (what.Length == 0 && left.Count > 0))
        {
            return [];
        }

        var rows = await db.Coats.AsNoTracking()
            .Where(c => (how.Length == 0 || how.Contains(c.Technique)) && (what.Length == 0 || (c.MaterialId != null && what.Contains(c.MaterialId.Value)) || (c.MixId != null && what.Contains(c.MixId.Value))))
            .Join(db.Zones.Where(z => z.DeletedAt == null && z.Piece!.DeletedAt == null && z.Piece.Set!.DeletedAt == null), c => c.SchemeId, z => z.SchemeId, (c, z) => new { c.Id, c.Technique, Paint = c.MaterialId ?? c.MixId, ZoneId = z.Id, Zone = z.Name, z.PieceId, Piece = z.Piece!.Name, z.Piece.SetId })
            .Take(MostCoats).ToListAsync(cancel);
        return
        [
            .. rows.Select(r => new Found(
                FoundKind.Coat,
                r.Id,
                Words.Capital(techniques[r.Technique]) + (r.Paint is { } of && shelf.Paints.TryGetValue(of, out var paint) ? " " + paint.Name : ""),
                $"{r.Piece}, {r.Zone}",
                r.SetId,
                r.PieceId,
                r.ZoneId,
                r.Paint is { } id && shelf.Find(id) is { } material ? material.Colour.ToString() : null,
                false)),
        ];
    }

    private sealed record NameRow(string Kind, Guid Id, string Name, string Within, Guid? SetId, Guid? PieceId, Guid? ZoneId, string? Colour)
    {
        public Found ToFound(bool near) => new(Enum.Parse<FoundKind>(Kind), Id, Name, Within, SetId, PieceId, ZoneId, Colour, near);
    }
}
