namespace Lowfell.Core.Wording;

/// <summary>Wording that many share.</summary>
public static class Words
{
    private const double HoursFromMin = 90;
    private const double DaysFromMin = 48 * 60;

    /// <summary>With a capital at its beginning.</summary>
    public static string Capital(string word) => word.Length == 0 ? word : char.ToUpperInvariant(word[0]) + word[1..];

    /// <summary>With its article.</summary>
    public static string A(string word) => ("aeiou".Contains(char.ToLowerInvariant(word[0]), StringComparison.Ordinal) || word.StartsWith("MDF", StringComparison.Ordinal) ? "an " : "a ") + word;

    /// <summary>So many of a thing.</summary>
    public static string Counted(int n, string one, string many) => $"{n} {(n == 1 ? one : many)}";

    /// <summary>Minutes as painters say them: minutes to an hour and a half, then hours, then days.</summary>
    public static string Duration(double minutes) => minutes switch
    {
        < HoursFromMin => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{Math.Max(1, minutes):0} min"),
        < DaysFromMin => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{minutes / 60:0.#} h"),
        _ => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{minutes / 1440:0.#} days"),
    };
}
