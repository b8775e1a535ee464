using System.Buffers.Binary;

namespace Lowfell.Core.Stacks;

/// <summary>Edit operations on a draft; each gives a new draft, so every one can be undone.</summary>
public static class StackEdits
{
    /// <summary>The place of a coat, or -1.</summary>
    public static int IndexOf(this StackDraft draft, Guid id)
    {
        for (var i = 0; i < draft.Coats.Count; i++)
        {
            if (draft.Coats[i].Id == id)
            {
                return i;
            }
        }

        return -1;
    }

    /// <summary>Puts a coat below the one that is at <paramref name="index"/> now.</summary>
    public static StackDraft Insert(this StackDraft draft, int index, Coat coat)
    {
        var coats = draft.Coats.ToList();
        coats.Insert(index, coat);
        return draft with { Coats = coats };
    }

    /// <summary>Takes coats out.</summary>
    public static StackDraft Remove(this StackDraft draft, Func<Coat, bool> which) =>
        draft with { Coats = [.. draft.Coats.Where(c => !which(c))] };

    /// <summary>Puts a changed coat in the place of the one with its id.</summary>
    public static StackDraft Replace(this StackDraft draft, Coat coat) =>
        draft with { Coats = [.. draft.Coats.Select(c => c.Id == coat.Id ? coat : c)] };

    /// <summary>Moves a coat so that it ends up directly above another.</summary>
    public static StackDraft MoveAbove(this StackDraft draft, Guid id, Guid anchor)
    {
        var coat = draft.Coats[draft.IndexOf(id)];
        var without = draft.Remove(c => c.Id == id);
        return without.Insert(without.IndexOf(anchor) + 1, coat);
    }

    /// <summary>An id for a coat that a mend adds: the same mend on the same stack gives the same id, and none twice.</summary>
    public static Guid NewId(this StackDraft draft, Guid beside, int salt)
    {
        Span<byte> bytes = stackalloc byte[16];
        for (var ordinal = 1; ; ordinal++)
        {
            beside.TryWriteBytes(bytes);
            var head = BinaryPrimitives.ReadUInt64LittleEndian(bytes);
            var mixed = (head ^ (((ulong)salt << 32) | (uint)ordinal)) * 0x9E3779B97F4A7C15UL;
            BinaryPrimitives.WriteUInt64LittleEndian(bytes, mixed ^ (mixed >> 29));
            var id = new Guid(bytes);
            if (draft.IndexOf(id) < 0 && id != Guid.Empty)
            {
                return id;
            }
        }
    }
}
