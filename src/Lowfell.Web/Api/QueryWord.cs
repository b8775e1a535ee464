using System.Text.Json;

namespace Lowfell.Web.Api;

/// <summary>Words in a query, read as they are in JSON: camel case, whatever the letters.</summary>
internal static class QueryWord
{
    /// <summary>A word of an enumeration; null where none is given.</summary>
    /// <exception cref="RefusedException">It is none of them.</exception>
    public static T? Parse<T>(string field, string? text)
        where T : struct, Enum
    {
        if (string.IsNullOrEmpty(text))
        {
            return null;
        }

        return !int.TryParse(text, out _) && Enum.TryParse<T>(text, ignoreCase: true, out var value) && Enum.IsDefined(value)
            ? value
            : throw new RefusedException(field, $"'{(text.Length > 40 ? text[..40] : text)}' is not known; {string.Join(", ", Enum.GetNames<T>().Select(JsonNamingPolicy.CamelCase.ConvertName))} are.");
    }
}
