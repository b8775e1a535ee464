using Lowfell.Core.Colour;

namespace Lowfell.Core.Rules;

/// <summary>Wording that several rules share.</summary>
internal static class Words
{
    public static string Capital(string word) => char.ToUpperInvariant(word[0]) + word[1..];

    public static string Of(Sheen sheen) => sheen switch { Sheen.Gloss => "gloss", Sheen.Satin => "satin", Sheen.Matt => "matt", _ => "powdery" };
}
