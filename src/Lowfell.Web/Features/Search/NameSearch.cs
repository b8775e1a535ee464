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
        // Which way is quick follows from the words: a plan for any of them would not go by the index of letters.
        await using var together = await db.Database.BeginTransactionAsync(cancel);
        await db.Database.ExecuteSqlAsync($"SELECT set_config('plan_cache_mode', 'force_custom_plan', true), set_config('pg_trgm.word_similarity_threshold', '0.4', true)", cancel);
        var found = (await ExactAsync(words, cancel)).Select(n => n.ToFound(near: false)).ToList();
        found.AddRange(await CoatsAsync(words, cancel));
        if (found.Count < Few && words.Sum(w => w.Length) >= 4)
        {
            var known = found.Select(f => f.Id).ToHashSet();
            found.AddRange((await NearAsync(string.Join(' ', words), cancel)).Where(n => !known.Contains(n.Id)).Select(n => n.ToFound(near: true)));
        }

        await together.CommitAsync(cancel);
        return found;
    }

    // Every word in the name or in that of what it belongs to, one of them at least in its own. One word alone is found by the index of letters.
    private Task<List<NameRow>> ExactAsync(IReadOnlyList<string> words, CancellationToken cancel)
    {
        const string Order = """CASE WHEN n."Name" ILIKE {2} THEN 0 WHEN n."Name" ~* {3} THEN 1 ELSE 2 END, n."Place", length(n."Name"), n."Name", n."Id" """;
        string[] like = [.. words.Select(w => "%" + w + "%")];
        var (first, begins) = (words[0] + "%", @"\m" + words[0]);
        return words.Count == 1
            ? Rows(static name => name + " ILIKE {1}", static _ => "true", Order, Most, like[0], first, begins).ToListAsync(cancel)
            : Rows(static name => name + " ILIKE ANY ({1})", static whole => "(" + whole + ") ILIKE ALL ({1})", Order, Most, like, first, begins).ToListAsync(cancel);
    }

    private Task<List<NameRow>> NearAsync(string asked, CancellationToken cancel) =>
        Rows(static name => "{1} <% " + name, static _ => "true", """word_similarity({1}, n."Name") DESC, n."Place", n."Name", n."Id" """, Most / 2, asked).ToListAsync(cancel);

    /// <summary>All that has a name of its own.</summary>
    /// <param name="own">What must hold for its name.</param>
    /// <param name="whole">What must hold for its name with that of what it belongs to.</param>
    /// <param name="order">The nearest first.</param>
    /// <param name="most">The most that are wanted.</param>
    /// <param name="values">Values of the parameters from {1} on.</param>
    private IQueryable<NameRow> Rows(Func<string, string> own, Func<string, string> whole, string order, int most, params object[] values)
    {
        var (set, piece, zone, paint, mix, tile) = ("s.\"Name\"", "p.\"Name\"", "z.\"Name\"", "m.\"Name\"", "x.\"Name\"", "t.\"Name\"");
        var sql =
            $$"""
            SELECT * FROM (
              SELECT 'Set' AS "Kind", s."Id", s."Name", '' AS "Within", s."Id" AS "SetId", NULL::uuid AS "PieceId", NULL::uuid AS "ZoneId", NULL AS "Colour", 0 AS "Place"
              FROM sets s WHERE s."BenchId" = {0} AND s."DeletedAt" IS NULL AND {{own(set)}} AND {{whole(set)}}
              UNION ALL
              SELECT 'Piece', p."Id", p."Name", s."Name", s."Id", p."Id", NULL, NULL, 1
              FROM pieces p JOIN sets s ON s."BenchId" = p."BenchId" AND s."Id" = p."SetId"
              WHERE p."BenchId" = {0} AND p."DeletedAt" IS NULL AND s."DeletedAt" IS NULL AND {{own(piece)}} AND {{whole($"{piece} || ' ' || {set}")}}
              UNION ALL
              SELECT 'Zone', z."Id", z."Name", s."Name" || ', ' || p."Name", s."Id", p."Id", z."Id", NULL, 2
              FROM zones z JOIN pieces p ON p."BenchId" = z."BenchId" AND p."Id" = z."PieceId" JOIN sets s ON s."BenchId" = p."BenchId" AND s."Id" = p."SetId"
              WHERE z."BenchId" = {0} AND z."DeletedAt" IS NULL AND p."DeletedAt" IS NULL AND s."DeletedAt" IS NULL AND {{own(zone)}} AND {{whole($"{zone} || ' ' || {piece} || ' ' || {set}")}}
              UNION ALL
              SELECT 'Paint', m."Id", m."Name", m."House", NULL, NULL, NULL, m."Colour", 3
              FROM materials m WHERE m."BenchId" = {0} AND m."DeletedAt" IS NULL AND {{own(paint)}} AND {{whole($"{paint} || ' ' || m.\"House\"")}}
              UNION ALL
              SELECT 'Mix', x."Id", x."Name", '', NULL, NULL, NULL, NULL, 4 FROM mixes x WHERE x."BenchId" = {0} AND x."DeletedAt" IS NULL AND {{own(mix)}} AND {{whole(mix)}}
              UNION ALL
              SELECT 'Tile', t."Id", t."Name", '', NULL, NULL, NULL, NULL, 5 FROM tiles t WHERE t."BenchId" = {0} AND t."DeletedAt" IS NULL AND {{own(tile)}} AND {{whole(tile)}}
            ) n ORDER BY {{order}} LIMIT {{most}}
            """;
        return db.Database.SqlQueryRaw<NameRow>(sql, [bench, .. values]);
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
