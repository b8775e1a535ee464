using System.Buffers.Binary;

namespace Lowfell.Core.Bases.Plane;

/// <summary>Numbers from a seed (SplitMix64, Steele, Lea and Flood 2014): the same on every machine.</summary>
/// <param name="seed">The seed.</param>
public sealed class Seeds(ulong seed)
{
    private ulong state = seed;

    /// <summary>A seed made of others: of a set, a copy, a roll.</summary>
    public static ulong Of(params ReadOnlySpan<ulong> parts)
    {
        var hash = 0x243F6A8885A308D3UL;
        foreach (var part in parts)
        {
            hash ^= part + 0x9E3779B97F4A7C15UL + (hash << 6) + (hash >> 2);
            hash = new Seeds(hash).Next();
        }

        return hash;
    }

    /// <summary>A seed made of what is known by an id, and another.</summary>
    public static ulong Of(Guid id, ulong part)
    {
        Span<byte> bytes = stackalloc byte[16];
        id.TryWriteBytes(bytes);
        return Of(BinaryPrimitives.ReadUInt64LittleEndian(bytes), BinaryPrimitives.ReadUInt64LittleEndian(bytes[8..]), part);
    }

    /// <summary>64 bits.</summary>
    public ulong Next()
    {
        state += 0x9E3779B97F4A7C15UL;
        var z = state;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9UL;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EBUL;
        return z ^ (z >> 31);
    }

    /// <summary>A number from 0 to below 1.</summary>
    public double Unit() => (Next() >> 11) * (1.0 / (1UL << 53));

    /// <summary>A number in a range.</summary>
    public double In(double from, double to) => from + ((to - from) * Unit());

    /// <summary>A whole number from 0 to below a count.</summary>
    public int Below(int count) => (int)(Unit() * count);

    /// <summary>A normal number, mean 0, deviation 1 (Box and Muller 1958).</summary>
    public double Normal()
    {
        var u = Math.Max(1e-12, Unit());
        return Math.Sqrt(-2 * Steady.Log(u)) * Steady.Cos(2 * Math.PI * Unit());
    }
}
