using System.Globalization;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>A short mark of what coats are: it changes when one of them does, and says nothing of the rest of the stack.</summary>
internal static class CoatMark
{
    private const ulong Basis = 14695981039346656037;
    private const ulong Prime = 1099511628211;

    /// <summary>Of one coat, and of another where a finding is about two; -1 for none.</summary>
    /// <remarks>FNV-1a (Fowler, Noll and Vo) over what a coat is painted with and how: the same on every host and after every restart.</remarks>
    public static string Of(StackDraft draft, int at, int with)
    {
        var hash = Add(Basis, draft.Coats[at]);
        hash = with >= 0 ? Add(hash, draft.Coats[with]) : hash;
        return hash.ToString("x16", CultureInfo.InvariantCulture);
    }

    /// <summary>Of a whole stack in its order: two that are painted alike have the same.</summary>
    public static ulong OfStack(StackDraft draft)
    {
        var hash = Basis;
        foreach (var coat in draft.Coats)
        {
            hash = Add(hash, coat) ^ (coat.Skipped ? Prime : 0);
        }

        return hash;
    }

    private static ulong Add(ulong hash, Coat c)
    {
        hash = Add(hash, (ulong)c.Technique);
        hash = Add(hash, (ulong)c.Passes);
        hash = Add(hash, BitConverter.DoubleToUInt64Bits(c.Dilution.PaintFraction));
        hash = Add(hash, (ulong)c.Thinner);
        hash = Add(hash, BitConverter.DoubleToUInt64Bits(c.Hand));
        hash = Add(hash, (ulong)c.Wait);
        hash = Add(hash, BitConverter.DoubleToUInt64Bits(c.OwnWaitMin ?? -1));
        hash = Add(hash, (c.Hurried ? 1UL : 0) | (c.WhileWet ? 2UL : 0) | (c.Fade is null ? 0 : 4UL));
        if (c.Paint is { } paint)
        {
            var colour = (c.MixedTo ?? paint.Lead.Colour).ToString();
            hash = Add(Add(Add(Add(hash, (ulong)paint.Lead.Family), (ulong)paint.Lead.Sheen), paint.Name), colour);
        }

        return c.Marks is { } marks ? Add(Add(Add(hash, (ulong)marks.Count), BitConverter.DoubleToUInt64Bits(marks.WidthMm)), BitConverter.DoubleToUInt64Bits(marks.LengthMm)) : hash;
    }

    private static ulong Add(ulong hash, ulong value)
    {
        for (var i = 0; i < 8; i++, value >>= 8)
        {
            hash = (hash ^ (value & 0xff)) * Prime;
        }

        return hash;
    }

    private static ulong Add(ulong hash, string text)
    {
        foreach (var c in text)
        {
            hash = (hash ^ c) * Prime;
        }

        return hash;
    }
}
