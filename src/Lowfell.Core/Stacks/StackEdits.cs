using System.Buffers.Binary;

namespace Lowfell.Core.Stacks;

/// <summary>What a coat that a mend adds is for: the same mend beside the same coat gives the same id.</summary>
public enum Salt
{
    /// <summary>A barrier.</summary>
    Barrier = 11,

    /// <summary>The opening of chips.</summary>
    Open = 31,

    /// <summary>Glue on grit.</summary>
    Glue = 41,

    /// <summary>An undercoat.</summary>
    Undercoat = 51,

    /// <summary>A primer.</summary>
    Prime = 52,

    /// <summary>A shade laid again.</summary>
    Shade = 55,

    /// <summary>Metal drawn on the edges again.</summary>
    Edge = 61,

    /// <summary>A fixer of pigment.</summary>
    Fix = 71,

    /// <summary>A filter that brings sets together.</summary>
    Filter = 72,

    /// <summary>Dust that does.</summary>
    Dust = 73,

    /// <summary>A sealer or last varnish.</summary>
    Seal = 81,
}

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

    /// <summary>Puts a new coat below the one that is at <paramref name="index"/> now, with an id of its own.</summary>
    public static StackDraft InsertNew(this StackDraft draft, int index, Coat coat, Guid beside, Salt salt) => draft.Insert(index, coat with { Id = draft.NewId(beside, salt) });

    /// <summary>Moves a coat so that it ends up directly below another.</summary>
    public static StackDraft MoveBelow(this StackDraft draft, Guid id, Guid anchor)
    {
        var coat = draft.Coats[draft.IndexOf(id)];
        var without = draft.Remove(c => c.Id == id);
        return without.Insert(without.IndexOf(anchor), coat);
    }

    /// <summary>Moves a run of coats so that it ends up directly below another coat above it.</summary>
    public static StackDraft MoveRunBelow(this StackDraft draft, int first, int count, Guid anchor)
    {
        var run = draft.Coats.Skip(first).Take(count).ToList();
        var rest = draft.Coats.Where((_, i) => i < first || i >= first + count).ToList();
        rest.InsertRange(rest.FindIndex(c => c.Id == anchor), run);
        return draft with { Coats = rest };
    }

    /// <summary>Moves a coat so that it ends up directly above another.</summary>
    public static StackDraft MoveAbove(this StackDraft draft, Guid id, Guid anchor)
    {
        var coat = draft.Coats[draft.IndexOf(id)];
        var without = draft.Remove(c => c.Id == id);
        return without.Insert(without.IndexOf(anchor) + 1, coat);
    }

    /// <summary>An id for a coat that a mend adds: the same mend on the same stack gives the same id, and none twice.</summary>
    public static Guid NewId(this StackDraft draft, Guid beside, Salt salt)
    {
        Span<byte> bytes = stackalloc byte[16];
        for (var ordinal = 1; ; ordinal++)
        {
            beside.TryWriteBytes(bytes);
            var head = BinaryPrimitives.ReadUInt64LittleEndian(bytes);
            var mixed = (head ^ (((ulong)(int)salt << 32) | (uint)ordinal)) * 0x9E3779B97F4A7C15UL;
            BinaryPrimitives.WriteUInt64LittleEndian(bytes, mixed ^ (mixed >> 29));
            var id = new Guid(bytes);
            if (draft.IndexOf(id) < 0 && id != Guid.Empty)
            {
                return id;
            }
        }
    }
}
