using System.Globalization;
using System.Text;

namespace Lowfell.Core.Wording;

/// <summary>What a painter typed into a search, taken apart into words: letters and digits; anything else is between them.</summary>
public static class SearchWords
{
    /// <summary>More words than these say nothing more.</summary>
    public const int MostWords = 8;

    /// <summary>The words in lower case, at most <see cref="MostWords"/>, none twice; emoji, signs and control characters are no words.</summary>
    public static IReadOnlyList<string> Of(string text)
    {
        var words = new List<string>();
        var word = new StringBuilder();
        foreach (var rune in text.EnumerateRunes())
        {
            if (Rune.IsLetterOrDigit(rune) || Rune.GetUnicodeCategory(rune) is UnicodeCategory.NonSpacingMark or UnicodeCategory.SpacingCombiningMark)
            {
                word.Append(rune.ToString().ToLowerInvariant());
            }
            else
            {
                Add();
            }
        }

        Add();
        return words;

        void Add()
        {
            if (word.Length > 0 && words.Count < MostWords && !words.Contains(word.ToString()))
            {
                words.Add(word.ToString());
            }

            word.Clear();
        }
    }

    /// <summary>A full-text query for entries that have a word beginning with each of these; empty where there is none.</summary>
    public static string Prefixes(IEnumerable<string> words) => string.Join(" & ", words.Select(w => w + ":*"));
}
