using System.Buffers;
using System.IO.Hashing;
using Microsoft.Extensions.Caching.Memory;

namespace Lowfell.Web.Benches;

/// <summary>
/// Remembers answers to previews by what was asked, letter by letter. Undo and redo, a stack opened again, a second window and the
/// small core samples of a list ask what was asked before; a preview is a pure function of the request and the shelf, so the answer is the same.
/// It is kept when it is asked for a second time: most stacks on the way of an edit never are, and holding their answers costs more than working one out again.
/// </summary>
public sealed class PreviewMemory : IDisposable
{
    private const long MostBytes = 16 << 20;
    private const int BytesPerEntryBesides = 300;
    private const int LongestQuestion = 64 << 10;
    private static readonly TimeSpan Idle = TimeSpan.FromMinutes(10);
    private const int Marks = 1 << 14;

    // What was asked once, by a part of its digest. Two at the same place forget each other, which costs one answer; writes need no lock.
    private readonly long[] once = new long[Marks];
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

    /// <summary>Remembers an answer to what was asked before.</summary>
    /// <param name="question">What was asked.</param>
    /// <param name="shelf">The shelf that the answer depends on; null where it depends on none.</param>
    /// <param name="json">The answer.</param>
    public void Keep(Question question, OpenShelf? shelf, byte[] json)
    {
        var mark = question.Mark;
        if (Interlocked.Exchange(ref once[(int)(mark & (Marks - 1))], mark) == mark)
        {
            answers.Set(question, new Answer(shelf, json), new MemoryCacheEntryOptions { Size = json.Length + BytesPerEntryBesides, SlidingExpiration = Idle });
        }
    }

    /// <inheritdoc/>
    public void Dispose() => answers.Dispose();

    private sealed record Answer(OpenShelf? Shelf, byte[] Json);
}

/// <summary>What was asked, by bench and by a hash of 128 bits of its text (XXH128): a bench can only be answered with its own, so nobody gains by two that are alike.</summary>
/// <param name="Bench">The bench.</param>
/// <param name="Digest">The hash.</param>
public sealed record Question(Guid Bench, UInt128 Digest)
{
    /// <summary>Part of its hash; two questions may have the same, though hardly ever have.</summary>
    public long Mark => (long)(ulong)Digest ^ Bench.GetHashCode();

    /// <summary>Of the text of a request.</summary>
    public static Question Of(Guid bench, in ReadOnlySequence<byte> text)
    {
        if (text.IsSingleSegment)
        {
            return new(bench, XxHash128.HashToUInt128(text.FirstSpan));
        }

        var hash = new XxHash128();
        foreach (var part in text)
        {
            hash.Append(part.Span);
        }

        return new(bench, hash.GetCurrentHashAsUInt128());
    }
}
