using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Lowfell.Web.Hosting;

/// <summary>Title and description of the API document.</summary>
public static class OpenApiNames
{
    /// <summary>Configures the document.</summary>
    public static void Configure(OpenApiOptions options) => options.AddDocumentTransformer((document, _, _) =>
    {
        document.Info = new OpenApiInfo
        {
            Title = "Lowfell",
            Version = "v1",
            Description = "Plans stacks of coats: predicts their colours, reads them with the layer rules, and keeps them. Errors are problem details (RFC 9457) that name the field.",
        };
        document.Servers?.Clear();
        return Task.CompletedTask;
    });
}
