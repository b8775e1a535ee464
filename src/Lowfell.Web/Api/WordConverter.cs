using System.Collections.Frozen;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Lowfell.Web.Api;

/// <summary>Reads and writes the words of enumerations in camel case; a word that is unknown is answered with those that are known.</summary>
public sealed class WordConverters : JsonConverterFactory
{
    /// <inheritdoc/>
    public override bool CanConvert(Type typeToConvert) => typeToConvert.IsEnum;

    /// <inheritdoc/>
    public override JsonConverter CreateConverter(Type typeToConvert, JsonSerializerOptions options) =>
        (JsonConverter)Activator.CreateInstance(typeof(WordConverter<>).MakeGenericType(typeToConvert))!;

    /// <summary>The words of an enumeration, in its order.</summary>
    public static IReadOnlyList<string> Words(Type type) => [.. Enum.GetNames(type).Select(JsonNamingPolicy.CamelCase.ConvertName)];
}

/// <summary>Words of one enumeration.</summary>
/// <typeparam name="T">The enumeration.</typeparam>
internal sealed class WordConverter<T> : JsonConverter<T>
    where T : struct, Enum
{
    private const int LongestShown = 40;
    private static readonly FrozenDictionary<string, T> Values = WordConverters.Words(typeof(T)).Zip(Enum.GetValues<T>()).ToFrozenDictionary(w => w.First, w => w.Second);
    private static readonly FrozenDictionary<T, JsonEncodedText> Names = Values.ToFrozenDictionary(v => v.Value, v => JsonEncodedText.Encode(v.Key));

    public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType != JsonTokenType.String)
        {
            throw new JsonException($"A word is needed here; {Allowed} are known.");
        }

        return Parse(reader.GetString()!);
    }

    public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WriteStringValue(Names[value]);

    public override T ReadAsPropertyName(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => Parse(reader.GetString()!);

    public override void WriteAsPropertyName(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WritePropertyName(Names[value]);

    private static string Allowed => string.Join(", ", WordConverters.Words(typeof(T)));

    private static T Parse(string word) => Values.TryGetValue(word, out var value)
        ? value
        : throw new JsonException($"'{(word.Length > LongestShown ? word[..LongestShown] + "…" : word)}' is not known; {Allowed} are.");
}
