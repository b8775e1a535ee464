using System.Reflection;

namespace Lowfell.Core.Wording;

/// <summary>What painters call a member of an enumeration that has no table of facts.</summary>
/// <param name="words">Its words, in a sentence.</param>
[AttributeUsage(AttributeTargets.Field)]
public sealed class SaidAttribute(string words) : Attribute
{
    /// <summary>Its words, in a sentence.</summary>
    public string Words => words;

    /// <summary>The words of every member of an enumeration, in its order.</summary>
    /// <exception cref="InvalidOperationException">A member has none.</exception>
    public static IReadOnlyDictionary<string, string> Of(Type enumeration) => Enum.GetNames(enumeration).ToDictionary(
        name => name,
        name => enumeration.GetField(name)!.GetCustomAttribute<SaidAttribute>()?.Words ?? throw new InvalidOperationException($"{enumeration.Name}.{name} is called nothing."));
}
