using Lowfell.Core.Stacks;

namespace Lowfell.Core.Prediction;

/// <summary>The stacks that were predicted last, with the light on the way up, so that an edit is predicted from the coat that changed.</summary>
/// <remarks>What is remembered is never changed, so that threads share it; what follows from it is bit for bit what would be predicted anew.</remarks>
internal static class PredictionMemory
{
    /// <summary>Coats from one kept walk to the next.</summary>
    public const int Stride = 4;

    private const int Slots = 32;

    private static readonly Remembered?[] Kept = new Remembered?[Slots];

    /// <summary>A stack that was predicted.</summary>
    /// <param name="Draft">The stack.</param>
    /// <param name="Hands">Hands that it was walked by.</param>
    /// <param name="Substrate">The bare ground.</param>
    /// <param name="Strata">Its strata.</param>
    /// <param name="Walks">The walk before every coat whose place is a multiple of <see cref="Stride"/>, from the second of them on.</param>
    public sealed record Remembered(StackDraft Draft, double[] Hands, Stratum Substrate, Stratum[] Strata, StackWalk[] Walks);

    /// <summary>What is remembered of a stack like this one; null where there is nothing.</summary>
    public static Remembered? Like(StackDraft draft, double[] hands) =>
        draft.Coats.Count > Stride && Volatile.Read(ref Kept[Slot(draft, hands)]) is { } kept && ReferenceEquals(kept.Hands, hands) && kept.Draft.Zone == draft.Zone && kept.Draft.Schools == draft.Schools ? kept : null;

    /// <summary>Remembers a stack.</summary>
    public static void Keep(Remembered predicted)
    {
        if (predicted.Draft.Coats.Count > Stride)
        {
            Volatile.Write(ref Kept[Slot(predicted.Draft, predicted.Hands)], predicted);
        }
    }

    /// <summary>How many coats from the ground up are the same, so that their strata are.</summary>
    public static int Common(Remembered kept, StackDraft draft)
    {
        var (before, now) = (kept.Draft.Coats, draft.Coats);
        var most = Math.Min(before.Count, now.Count);
        var same = 0;
        while (same < most && (ReferenceEquals(before[same], now[same]) || before[same] == now[same]))
        {
            same++;
        }

        // Whether handwork follows on a coat decides if its ground is kept in mind.
        while (same > 0 && Predictor.IsWorked(kept.Draft, same - 1) != Predictor.IsWorked(draft, same - 1))
        {
            same--;
        }

        return same;
    }

    private static int Slot(StackDraft draft, double[] hands) => (int)((uint)HashCode.Combine(draft.Coats[0].Id, hands.Length) % Slots);
}
