using System.Security.Cryptography;

namespace Lowfell.Web.Api;

/// <summary>Ids of what an action writes: they follow from its own, so that the same sent twice writes the same.</summary>
internal static class DerivedId
{
    /// <summary>The id of one of several things that an action writes, by its number.</summary>
    public static Guid Of(Guid action, int number)
    {
        Span<byte> text = stackalloc byte[20];
        action.TryWriteBytes(text);
        BitConverter.TryWriteBytes(text[16..], number);
        return new Guid(SHA256.HashData(text).AsSpan(0, 16));
    }
}
