using System.Text.Json;
using Lowfell.Core.Ready;
using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Begin;

/// <summary>A scheme with its id, where it is one's own.</summary>
/// <param name="Id">Its id; none for what comes with the program.</param>
/// <param name="Scheme">The scheme.</param>
public sealed record OwnScheme(Guid? Id, ReadyScheme Scheme);

/// <summary>The schemes of a bench told by roles: those that come with the program, and one's own.</summary>
internal static class ReadyDesk
{
    /// <summary>Most of one's own.</summary>
    public const int MostOwn = 200;

    /// <summary>Longest file of one, characters.</summary>
    public const int LongestFile = 200_000;

    /// <summary>Every one: one's own first, by name.</summary>
    public static async Task<IReadOnlyList<OwnScheme>> AllAsync(LowfellDb db, CancellationToken cancel) =>
    [
        .. (await db.OwnSchemes.AsNoTracking().OrderBy(s => s.Name).ToListAsync(cancel)).Select(s => new OwnScheme(s.Id, Read(s.Document))),
        .. ReadySchemes.All.Select(s => new OwnScheme(null, s)),
    ];

    /// <summary>One by its name.</summary>
    public static ReadyScheme Named(string field, IReadOnlyList<OwnScheme> all, string name) => all.FirstOrDefault(s => s.Scheme.Name == name)?.Scheme
        ?? throw new RefusedException(field, $"Choose another: '{name}' is no ready scheme; {string.Join(", ", all.Select(s => s.Scheme.Name).Take(30))} are.");

    /// <summary>As it is kept and given to others.</summary>
    public static string Write(ReadyScheme scheme) => JsonSerializer.Serialize(scheme, ReadySchemes.Json);

    /// <summary>A file as somebody sends it.</summary>
    /// <exception cref="RefusedException">It is none, of a later version, or something in it is out of bounds: told where.</exception>
    public static ReadyScheme ReadFile(string text)
    {
        ReadyScheme scheme;
        try
        {
            using var json = JsonDocument.Parse(text, new() { MaxDepth = 16 });
            Recognise(json.RootElement);
            scheme = Read(text);
        }
        catch (JsonException fault)
        {
            throw new RefusedException("file", $"Ask for the file again: {Where(fault)} can't be read. It has to be what 'Save as a file' of a scheme writes.");
        }

        if (scheme.Coats is null || scheme.Look is null)
        {
            throw new RefusedException("file", "Ask for the file again: it has no coats or no look.");
        }

        Bounds.Enforce(scheme);
        return scheme;
    }

    private static void Recognise(JsonElement root)
    {
        if (root.ValueKind != JsonValueKind.Object || !root.TryGetProperty("format", out var format) || format.ValueKind != JsonValueKind.String || format.GetString() != ReadyScheme.FormatName)
        {
            throw new RefusedException("file", $"Choose the file of a scheme: this one does not say that it is one (\"format\": \"{ReadyScheme.FormatName}\").");
        }

        if (!root.TryGetProperty("version", out var version) || !version.TryGetInt32(out var number) || number != ReadyScheme.CurrentVersion)
        {
            throw new RefusedException("file", $"Update Lowfell, or ask for the file in version {ReadyScheme.CurrentVersion}: this one is of version {(version.ValueKind == JsonValueKind.Undefined ? "none" : version.ToString())}.");
        }
    }

    private static ReadyScheme Read(string text) => JsonSerializer.Deserialize<ReadyScheme>(text, ReadySchemes.Json) ?? throw new JsonException("empty", "$", 0, 0);

    private static string Where(JsonException fault) => fault.Path is { Length: > 1 } path ? $"'{path.TrimStart('$', '.')}'" : $"line {(fault.LineNumber ?? 0) + 1}";
}
