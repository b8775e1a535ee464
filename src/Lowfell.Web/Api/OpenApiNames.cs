using System.Globalization;
using System.Reflection;
using System.Text.Json.Nodes;
using Lowfell.Core.Wording;
using Microsoft.AspNetCore.Mvc.Infrastructure;
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
        options.AddSchemaTransformer((schema, context, _) =>
        {
            Bound(schema, Marks(context));
            return Task.CompletedTask;
        });
        options.AddDocumentTransformer(Describe);
    }

    private static IEnumerable<Attribute> Marks(OpenApiSchemaTransformerContext context) =>
        context.JsonPropertyInfo?.AttributeProvider is PropertyInfo property ? Bounds.On(property)
        : context.ParameterDescription?.ParameterDescriptor is IParameterInfoParameterDescriptor { ParameterInfo: { } parameter } && context.JsonPropertyInfo is null ? parameter.GetCustomAttributes().Where(Bounds.IsMark)
        : [];

    // The bounds that a field is marked with, for whoever builds a form.
    private static void Bound(OpenApiSchema schema, IEnumerable<Attribute> marks)
    {
        var list = (schema.Type & JsonSchemaType.Array) != 0;
        foreach (var mark in marks)
        {
            switch (mark)
            {
                case FigureBoundAttribute figure:
                    var of = list && schema.Items is OpenApiSchema items ? items : schema;
                    (of.Minimum, of.ExclusiveMinimum, of.Maximum) = (figure.Above ? null : Text(figure.Least), figure.Above ? Text(figure.Least) : null, Text(figure.Most));
                    if (figure.Unit.Length > 0)
                    {
                        of.Extensions ??= new Dictionary<string, IOpenApiExtension>();
                        of.Extensions["x-unit"] = new JsonNodeExtension(figure.Unit);
                    }

                    break;
                case LengthBoundAttribute length when list:
                    (schema.MinItems, schema.MaxItems) = (length.Least > 0 ? length.Least : null, length.Most);
                    break;
                case LengthBoundAttribute length:
                    (schema.MinLength, schema.MaxLength) = (length.Least > 0 ? length.Least : null, length.Most);
                    break;
                case ColourBoundAttribute:
                    schema.Pattern = ColourBoundAttribute.Pattern;
                    break;
                default:
                    break;
            }
        }
    }

    private static string Text(double figure) => figure.ToString(CultureInfo.InvariantCulture);

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
