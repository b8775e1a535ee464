using System.Globalization;
using System.Text;

namespace Lowfell.Web.Files;

/// <summary>Lines of an iCalendar file (RFC 5545, 3.1): folded at 75 octets of UTF-8, and never within what a reader sees as one sign.</summary>
public static class IcsLines
{
    private const int MostOctets = 75;

    /// <summary>The text with its lines folded anew.</summary>
    public static string Fold(string text)
    {
        var folded = new StringBuilder(text.Length + 64);
        foreach (var line in text.ReplaceLineEndings("\r\n").Replace("\r\n ", "", StringComparison.Ordinal).Replace("\r\n\t", "", StringComparison.Ordinal).Split("\r\n"))
        {
            var octets = 0;
            var signs = StringInfo.GetTextElementEnumerator(line);
            while (signs.MoveNext())
            {
                var size = Encoding.UTF8.GetByteCount(signs.GetTextElement());
                if (octets > 0 && octets + size > MostOctets)
                {
                    folded.Append("\r\n ");
                    octets = 1;
                }

                folded.Append(signs.GetTextElement());
                octets += size;
            }

            folded.Append("\r\n");
        }

        folded.Length -= 2;
        return folded.ToString();
    }
}
