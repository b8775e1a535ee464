using System.Buffers;
using System.Buffers.Text;
using System.Text.Json;
using Lowfell.Core.Colour;

namespace Lowfell.Web.Api;

/// <summary>JSON put together piece by piece in a buffer that is used again, for the one answer that is written on every keystroke.</summary>
public sealed class JsonText
{
    private const uint Scale = 1000;
    private const int LongestNumber = 32;

    // What stands in a JSON string as it is: ASCII without controls, quote and backslash.
    private static readonly SearchValues<char> Plain = SearchValues.Create([.. Enumerable.Range(0x20, 0x5f).Select(c => (char)c).Except("\"\\")]);
    private byte[] room = new byte[32_768];
    private int length;

    /// <summary>What has been written.</summary>
    public ReadOnlySpan<byte> Written => room.AsSpan(0, length);

    /// <summary>Starts anew.</summary>
    public void Clear() => length = 0;

    /// <summary>Writes punctuation and names as they are.</summary>
    public void Raw(ReadOnlySpan<byte> text)
    {
        text.CopyTo(Room(text.Length));
        length += text.Length;
    }

    /// <summary>Writes a string in quotes, escaped.</summary>
    public void Text(string text)
    {
        Raw("\""u8);
        if (text.AsSpan().ContainsAnyExcept(Plain))
        {
            Raw(JsonEncodedText.Encode(text).EncodedUtf8Bytes);
        }
        else
        {
            length += System.Text.Encoding.ASCII.GetBytes(text, Room(text.Length));
        }

        Raw("\""u8);
    }

    /// <summary>Writes an id in quotes.</summary>
    public void Id(Guid id)
    {
        Raw("\""u8);
        Utf8Formatter.TryFormat(id, Room(36), out var written);
        length += written;
        Raw("\""u8);
    }

    /// <summary>Writes a colour in quotes.</summary>
    public void Colour(Srgb colour)
    {
        var digits = "0123456789abcdef"u8;
        var at = Room(9);
        at[8] = (byte)'"';
        at[7] = digits[colour.B & 15];
        at[6] = digits[colour.B >> 4];
        at[5] = digits[colour.G & 15];
        at[4] = digits[colour.G >> 4];
        at[3] = digits[colour.R & 15];
        at[2] = digits[colour.R >> 4];
        at[1] = (byte)'#';
        at[0] = (byte)'"';
        length += 9;
    }

    /// <summary>Writes a whole number.</summary>
    public void Number(int value)
    {
        Utf8Formatter.TryFormat(value, Room(LongestNumber), out var written);
        length += written;
    }

    /// <summary>Writes a number rounded to so many decimals.</summary>
    public void Number(double value, int decimals) => Number(Math.Round(value, decimals));

    /// <summary>Writes a number; one of three decimals or less without the search for the shortest text of any double.</summary>
    public void Number(double value)
    {
        // Both sides of the division are exact, so its result is the double nearest to that decimal: the text reads back as the same value.
        var at = Room(LongestNumber);
        var thousandths = Math.Round(value * Scale);
        if (Math.Abs(thousandths) < int.MaxValue && thousandths / Scale == value)
        {
            length += Short((int)thousandths, at);
        }
        else
        {
            Utf8Formatter.TryFormat(value, at, out var written);
            length += written;
        }
    }

    private static int Short(int thousandths, Span<byte> at)
    {
        var used = 0;
        if (thousandths < 0)
        {
            at[used++] = (byte)'-';
            thousandths = -thousandths;
        }

        var (whole, rest) = Math.DivRem((uint)thousandths, Scale);
        var digits = whole < 10 ? 1 : whole < 100 ? 2 : whole < 1000 ? 3 : whole < 10_000 ? 4 : whole < 100_000 ? 5 : whole < 1_000_000 ? 6 : 7;
        used += digits;
        for (var place = used - 1; digits > 0; digits--)
        {
            (whole, var digit) = Math.DivRem(whole, 10);
            at[place--] = (byte)('0' + digit);
        }

        if (rest == 0)
        {
            return used;
        }

        at[used] = (byte)'.';
        at[used + 1] = (byte)('0' + (rest / 100));
        at[used + 2] = (byte)('0' + (rest / 10 % 10));
        at[used + 3] = (byte)('0' + (rest % 10));
        return used + (rest % 10 != 0 ? 4 : rest % 100 != 0 ? 3 : 2);
    }

    private Span<byte> Room(int bytes)
    {
        if (room.Length - length < bytes)
        {
            Array.Resize(ref room, Math.Max(room.Length * 2, length + bytes));
        }

        return room.AsSpan(length);
    }
}
