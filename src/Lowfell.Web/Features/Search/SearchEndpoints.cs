using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Lowfell.Web.Features.Search;

/// <summary>One search over all that has a name, and the log.</summary>
public static class SearchEndpoints
{
    private const int MostEntries = 6;

    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) => app.MapGet("/api/search", Search).WithTags("Search").ProducesValidationProblem()
        .WithSummary("Sets, pieces, zones, coats, paints, mixes and tiles by the beginnings of their words, forgiving typing errors; entries of the log, the newest first.");

    private static async Task<Ok<SearchAnswer>> Search(LowfellDb db, OpenBench open, CancellationToken cancel, [RemarkBound] string q = "")
    {
        var words = SearchWords.Of(q);
        if (words.Count == 0)
        {
            return TypedResults.Ok(new SearchAnswer([], []));
        }

        var names = await new NameSearch(db, open.BenchId, await open.ShelfAsync(cancel)).FindAsync(words, cancel);
        var entries = await db.FindAsync(words, null, MostEntries, static entries => entries, cancel);
        return TypedResults.Ok(new SearchAnswer(names, entries.ConvertAll(l => new FoundEntry(l.Id, l.At, l.Label, l.Paint, l.Note, l.Copy))));
    }
}
