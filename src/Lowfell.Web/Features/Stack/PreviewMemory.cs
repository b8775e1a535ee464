using System.Buffers;
using System.Runtime.InteropServices;
using System.Security.Cryptography;
using Lowfell.Web.Benches;
using Microsoft.Extensions.Caching.Memory;

namespace Lowfell.Web.Features.Stack;

/// <summary>
/// Remembers answers to previews by what was asked, letter by letter. Undo and redo, a stack opened again, a second window and the
/// small core samples of a list ask what was asked before; a preview is a pure function of the request and the shelf, so the answer is the same.
/// </summary>
public sealed class PreviewMemory : IDisposable
{
    private const long MostBytes = 16 << 20;
    private const int BytesPerEntryBesides = 300;
    private const int LongestQuestion = 64 << 10;
    private static readonly TimeSpan Idle = TimeSpan.FromMinutes(10);
    private readonly MemoryCache answers = new(new MemoryCacheOptions { SizeLimit = MostBytes });

    /// <summary>The question in the body of a request, which stays unread; null where it is not worth remembering.</summary>
    public static async ValueTask<Question?> ReadAsync(HttpRequest request, Guid bench, CancellationToken cancel)
    {
        if (request.ContentLength is not (> 0 and <= LongestQuestion and var length))
        {
            return null;
        }

        var read = await request.BodyReader.ReadAtLeastAsync((int)length, cancel);
        var question = read.Buffer.Length == length ? Question.Of(bench, read.Buffer) : null;

        // Looked at, not taken: whoever reads the body next gets it from its start.
        request.BodyReader.AdvanceTo(read.Buffer.Start);
        return question;
    }

    /// <summary>The answer to a question, if it is remembered.</summary>
    /// <param name="question">What is asked.</param>
    /// <param name="shelf">The bench's shelf; asked for only where the answer depends on it.</param>
    public async ValueTask<byte[]?> RecallAsync(Question question, Func<ValueTask<OpenShelf>> shelf) =>
        answers.TryGetValue(question, out Answer? known) && (known!.Shelf is null || ReferenceEquals(known.Shelf, await shelf())) ? known.Json : null;

    /// <summary>Remembers an answer.</summary>
    /// <param name="question">What was asked.</param>
    /// <param name="shelf">The shelf that the answer depends on; null where it depends on none.</param>
    /// <param name="json">The answer.</param>
    public void Keep(Question question, OpenShelf? shelf, byte[] json) =>
        answers.Set(question, new Answer(shelf, json), new MemoryCacheEntryOptions { Size = json.Length + BytesPerEntryBesides, SlidingExpiration = Idle });

    /// <inheritdoc/>
    public void Dispose() => answers.Dispose();

    private sealed record Answer(OpenShelf? Shelf, byte[] Json);
}

/// <summary>What was asked, by bench and by the SHA-256 of its text.</summary>
public sealed record Question
{
    private readonly Guid bench;
    private readonly UInt128 high;
    private readonly UInt128 low;

    private Question(Guid bench, UInt128 high, UInt128 low) => (this.bench, this.high, this.low) = (bench, high, low);

    /// <summary>Of the text of a request.</summary>
    public static Question Of(Guid bench, in ReadOnlySequence<byte> text)
    {
        Span<byte> digest = stackalloc byte[SHA256.HashSizeInBytes];
        if (text.IsSingleSegment)
        {
            SHA256.HashData(text.FirstSpan, digest);
        }
        else
        {
            using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
            foreach (var part in text)
            {
                hash.AppendData(part.Span);
            }

            hash.GetHashAndReset(digest);
        }

        return new(bench, MemoryMarshal.Read<UInt128>(digest), MemoryMarshal.Read<UInt128>(digest[16..]));
    }
}
