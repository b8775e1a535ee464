using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace Lowfell.Web.Api;

/// <summary>JSON of the API.</summary>
public static class ApiJson
{
    /// <summary>How the API reads and writes JSON.</summary>
    public static void Configure(JsonSerializerOptions options)
    {
        options.NumberHandling = JsonNumberHandling.Strict;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull;
        options.Converters.Add(new WordConverters());
        options.TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { NoNullsInLists.Look } };
    }
}
