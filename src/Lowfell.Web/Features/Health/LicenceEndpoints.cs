using System.Reflection;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Lowfell.Web.Features.Health;

/// <summary>Something of others that Lowfell ships with.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Version">Its version; none of a font.</param>
/// <param name="Licence">Its licence by its short name.</param>
/// <param name="Text">The licence, or who holds the copyright where the short name says the rest.</param>
public sealed record LicenceView(string Name, string? Version, string Licence, string Text);

/// <summary>Licences of packages and fonts, as the build gathered them.</summary>
public static class LicenceEndpoints
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    private static readonly Lazy<IReadOnlyList<LicenceView>> OfHost = new(() =>
    {
        using var text = Assembly.GetExecutingAssembly().GetManifestResourceStream("licences.json")!;
        return Read(text);
    });

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/licences", List).WithTags("Health").WithSummary("Licences of the fonts and packages that Lowfell ships with.");

    private static Ok<List<LicenceView>> List(IWebHostEnvironment environment)
    {
        var files = environment.WebRootFileProvider;
        var all = OfHost.Value.ToList();
        if (files.GetFileInfo("licences/packages.json") is { Exists: true } packages)
        {
            using var text = packages.CreateReadStream();
            all.AddRange(Read(text));
        }

        if (files.GetFileInfo("licences/font.txt") is { Exists: true } font)
        {
            using var text = new StreamReader(font.CreateReadStream());
            all.Add(new("Atkinson Hyperlegible Next", null, "OFL-1.1", text.ReadToEnd().Trim()));
        }

        return TypedResults.Ok(all.OrderBy(l => l.Name, StringComparer.OrdinalIgnoreCase).ToList());
    }

    private static IReadOnlyList<LicenceView> Read(Stream text) =>
        [.. JsonSerializer.Deserialize<List<Gathered>>(text, Json)!.Select(g => new LicenceView(g.Name, g.Version, g.Identifier ?? "in its own words", string.IsNullOrWhiteSpace(g.Text) ? "The package brings no text of its own." : g.Text))];

    private sealed record Gathered(string Name, string Version, string? Identifier, string? Text);
}
