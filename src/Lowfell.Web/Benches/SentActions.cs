using System.Security.Cryptography;
using System.Text.Json;
using System.Text.Json.Serialization;
using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Benches;

/// <summary>
/// Knows actions again that are sent under an id of the sender's own: what is sent twice is done once, and another action under the same
/// id is refused. Held inside the transaction that does it, so that of two at once the second waits for the first.
/// </summary>
/// <param name="db">Database.</param>
/// <param name="open">The bench.</param>
/// <param name="clock">Time.</param>
public sealed class SentActions(LowfellDb db, OpenBench open, TimeProvider clock)
{
    /// <summary>How long an action is known by what it said; longer than any browser keeps one waiting.</summary>
    public static readonly TimeSpan Stay = TimeSpan.FromDays(90);

    private const int HashChars = 32;

    // What is left at its default is left out, so that a field that comes with a later version changes no hash.
    private static readonly JsonSerializerOptions Plain = Options();

    /// <summary>Hash of what an action says.</summary>
    public static string HashOf<T>(T content) => HashOfFile(JsonSerializer.SerializeToUtf8Bytes(content, Plain));

    /// <summary>Hash of a file.</summary>
    public static string HashOfFile(ReadOnlySpan<byte> content) => Convert.ToHexStringLower(SHA256.HashData(content))[..HashChars];

    /// <summary>Whether such an action is known; null where none is, as far as one can tell outside a transaction.</summary>
    /// <exception cref="RefusedException">Another one is known under this id (409).</exception>
    public async Task<bool> IsKnownAsync(Guid id, string hash, CancellationToken cancel)
    {
        var kept = await db.SentActions.AsNoTracking().Where(s => s.Id == id).Select(s => s.Hash).SingleOrDefaultAsync(cancel);
        return kept is not null && (kept == hash ? true : throw Other(id));
    }

    /// <summary>Takes an action's id, inside the transaction that does what it says.</summary>
    /// <returns>Whether it is new.</returns>
    /// <exception cref="RefusedException">Another one was taken under this id (409).</exception>
    public async Task<bool> TakeAsync(Guid id, string hash, CancellationToken cancel)
    {
        var (bench, now) = (open.BenchId, clock.GetUtcNow());
        var taken = await db.Database.ExecuteSqlAsync(
            $"""INSERT INTO sent_actions ("BenchId", "Id", "Hash", "At") VALUES ({bench}, {id}, {hash}, {now}) ON CONFLICT DO NOTHING""", cancel);
        return taken > 0 || !await IsKnownAsync(id, hash, cancel);
    }

    private static RefusedException Other(Guid id) =>
        new("id", $"Send it under an id of its own: another action was taken under {id}.", 409) { Code = ProblemCode.Taken };

    private static JsonSerializerOptions Options()
    {
        var options = new JsonSerializerOptions();
        ApiJson.Configure(options);
        options.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingDefault;
        return options;
    }
}
