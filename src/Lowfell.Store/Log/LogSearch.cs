using Lowfell.Core.Wording;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Store;

/// <summary>
/// Entries of the log by their words, the newest first, page by page. No plan is good for every word: back from the newest a common word is met
/// at once and a rare one never, through the index of words a rare one costs nothing and a common one a sort of half the log; and how common
/// the beginning of a word is the database can only guess. So a short way back is looked through first, and the index is asked for what that leaves.
/// </summary>
public static class LogSearch
{
    /// <summary>Entries that are looked through on the way back, before the index is asked.</summary>
    public const int LookedAt = 1000;

    /// <summary>A page of entries.</summary>
    /// <param name="db">Database.</param>
    /// <param name="words">Each is the beginning of a word of the entry, as <see cref="SearchWords.Of"/> takes them apart; none for every entry.</param>
    /// <param name="after">The entry before the page: its time and id; none for the first page.</param>
    /// <param name="take">Entries on a page.</param>
    /// <param name="narrow">What else holds for them.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<List<LogRow>> FindAsync(
        this LowfellDb db, IReadOnlyList<string> words, (DateTimeOffset At, Guid Id)? after, int take, Func<IQueryable<LogRow>, IQueryable<LogRow>> narrow, CancellationToken cancel)
    {
        if (words.Count == 0)
        {
            return await Page(narrow(After(db.Log, after)), take).ToListAsync(cancel);
        }

        var found = await Page(narrow(OnTheWay(db, words, after)), take).ToListAsync(cancel);
        return found.Count == take ? found : await Page(narrow(After(ByWords(db, words), after)), take).ToListAsync(cancel);
    }

    /// <summary>Entries with the words among those that come next on the way back.</summary>
    internal static IQueryable<LogRow> OnTheWay(LowfellDb db, IReadOnlyList<string> words, (DateTimeOffset At, Guid Id)? after)
    {
        var (query, bench) = (SearchWords.Prefixes(words), db.BenchId);
        var (at, id) = after ?? (DateTimeOffset.MaxValue, Guid.AllBitsSet);
        return db.Log.FromSql(
            $"""
            SELECT * FROM (SELECT * FROM log WHERE "BenchId" = {bench} AND ("At", "Id") < ({at.ToUniversalTime()}, {id}) ORDER BY "At" DESC, "Id" DESC LIMIT {LookedAt}) w
            WHERE lowfell_words("Label", "Paint", "Note", "Cause", "Remedy", "Deviation", "Who") @@ to_tsquery('pg_catalog.simple'::regconfig, {query})
            """);
    }

    /// <summary>All entries with the words, through their index: what is asked of the order of the whole may not lead the database back to the way.</summary>
    internal static IQueryable<LogRow> ByWords(LowfellDb db, IReadOnlyList<string> words)
    {
        var query = SearchWords.Prefixes(words);
        return db.Log.FromSql(
            $"""
            SELECT * FROM log WHERE lowfell_words("Label", "Paint", "Note", "Cause", "Remedy", "Deviation", "Who") @@ to_tsquery('pg_catalog.simple'::regconfig, {query}) OFFSET 0
            """);
    }

    private static IQueryable<LogRow> After(IQueryable<LogRow> entries, (DateTimeOffset At, Guid Id)? after) =>
        after is var (at, id) ? entries.Where(l => l.At < at || (l.At == at && l.Id.CompareTo(id) < 0)) : entries;

    private static IQueryable<LogRow> Page(IQueryable<LogRow> entries, int take) => entries.AsNoTracking().OrderByDescending(l => l.At).ThenByDescending(l => l.Id).Take(take);
}
