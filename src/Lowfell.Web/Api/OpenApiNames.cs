using System.Text.Json.Nodes;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Lowfell.Web.Api;

/// <summary>Title and description of the API document.</summary>
public static class OpenApiNames
{
    /// <summary>Configures the document.</summary>
    public static void Configure(OpenApiOptions options)
    {
        // The words of an enumeration: its converter is our own, so the generator doesn't know them.
        options.AddSchemaTransformer((schema, context, _) =>
        {
            var type = context.JsonTypeInfo.Type;
            if ((Nullable.GetUnderlyingType(type) ?? type) is { IsEnum: true } named)
            {
                schema.Enum = [.. Words(named)];
                if (named != type)
                {
                    schema.Enum.Add(JsonNullSentinel.JsonNull);
                }
            }
            else if (context.JsonTypeInfo.ElementType is { IsEnum: true } element && schema.Items is null)
            {
                schema.Items = new OpenApiSchema { Enum = [.. Words(element)] };
            }

            return Task.CompletedTask;
        });
        options.AddDocumentTransformer(Describe);
    }

    private static IEnumerable<JsonNode> Words(Type type) => WordConverters.Words(type).Select(w => (JsonNode)w);

    private static Task Describe(OpenApiDocument document, OpenApiDocumentTransformerContext context, CancellationToken cancel)
    {
        document.Info = new OpenApiInfo
        {
            Title = "Lowfell",
            Version = "v1",
            Description = "Plans stacks of coats: predicts their colours, reads them with the layer rules, and keeps them. Errors are problem details (RFC 9457) that name the field.",
        };
        document.Servers?.Clear();
        return Task.CompletedTask;
    }
}
