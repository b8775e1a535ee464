using System.Text.Json;
using System.Text.Json.Serialization;
using Lowfell.Core.Stacks;

namespace Lowfell.Store;

/// <summary>The preferences of a bench as they are kept: a question that is added later is answered as usual until somebody chooses.</summary>
internal static class SchoolsJson
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    public static string Write(Schools schools) => JsonSerializer.Serialize(schools, Options);

    public static Schools Read(string text) => JsonSerializer.Deserialize<Schools>(text, Options) ?? new Schools();
}
