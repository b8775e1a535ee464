using System.Globalization;
using System.Text;

namespace Lowfell.Core.Wording;

/// <summary>Texts that stand in lists, headings and files: on one line, with nothing in them that nobody sees.</summary>
public static class OneLine
{
    /// <summary>Whether a text is so: no line breaks, tabs or other control characters, and none that are drawn as nothing (Unicode categories Cc, Cf, Zl, Zp). The two joiners, which some scripts and signs are written with, may stand within it.</summary>
    public static bool Holds(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        foreach (var c in text)
        {
            if (c is < ' ' or > '~')
            {
                return HoldsAny(text);
            }
        }

        return true;
    }

    private static bool HoldsAny(string text)
    {
        var seen = text.Length == 0;
        foreach (var rune in text.EnumerateRunes())
        {
            switch (Rune.GetUnicodeCategory(rune))
            {
                case UnicodeCategory.Format when rune.Value is 0x200C or 0x200D:
                    break;
                case UnicodeCategory.Control or UnicodeCategory.Format or UnicodeCategory.LineSeparator or UnicodeCategory.ParagraphSeparator:
                    return false;
                default:
                    seen = true;
                    break;
            }
        }

        return seen;
    }
}
