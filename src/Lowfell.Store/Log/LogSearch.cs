using Lowfell.Core.Wording;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Store;

/// <summary>Entries of the log by their words.</summary>
public static class LogSearch
{
    /// <summary>
    /// Entries with a word that begins with each of these. The database chooses by how common they are: common words are met soon on the way
    /// from the newest entry back, rare ones come from the index of words.
    /// </summary>
    /// <param name="db">Database.</param>
    /// <param name="words">As <see cref="SearchWords.Of"/> takes them apart; none for every entry.</param>
    public static IQueryable<LogRow> LogWith(this LowfellDb db, IReadOnlyList<string> words)
    {
        if (words.Count == 0)
        {
            return db.Log.AsNoTracking();
        }

        var query = SearchWords.Prefixes(words);
        return db.Log.FromSql(
            $"""SELECT * FROM log WHERE lowfell_words("Label", "Paint", "Note", "Cause", "Remedy", "Deviation", "Who") @@ to_tsquery('pg_catalog.simple'::regconfig, {query})""").AsNoTracking();
    }
}
