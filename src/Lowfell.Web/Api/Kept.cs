using System.Text.Json;
using System.Text.Json.Serialization;
using Lowfell.Core.Surfaces;

namespace Lowfell.Web.Api;

/// <summary>A kept document is of a form that only a newer Lowfell knows.</summary>
/// <param name="message">What can be done.</param>
public sealed class KeptByNewerException(string message) : JsonException(message);

/// <summary>
/// Documents that are kept as text: mixes that were made, tiles, painted stacks, plans and calendars. Each stands in an envelope that names the
/// version it was written in, <c>{"version": 2, "content": …}</c>; what has no envelope is of version 1.
/// </summary>
public static class Kept
{
    /// <summary>The version that is written.</summary>
    public const int Version = 2;

    private static readonly JsonSerializerOptions Current = Options(JsonUnmappedMemberHandling.Disallow);

    // By version, from 1: how each is read.
    private static readonly JsonSerializerOptions[] Readers = [OldResistances(), Current];

    /// <summary>Writes something that is kept.</summary>
    public static string Write<T>(T value) => JsonSerializer.Serialize(new Envelope<T>(Version, value), Current);

    /// <summary>Reads something that was kept, by this version or an older one.</summary>
    /// <exception cref="KeptByNewerException">It is of a version that is not known yet.</exception>
    /// <exception cref="JsonException">It is no such document.</exception>
    public static T Read<T>(string text)
    {
        using var document = JsonDocument.Parse(text);
        var (version, content) = document.RootElement is { ValueKind: JsonValueKind.Object } root && root.TryGetProperty("version", out var number) && root.TryGetProperty("content", out var inside)
            ? (number.GetInt32(), inside)
            : (1, document.RootElement);
        if (version < 1 || version > Version)
        {
            throw new KeptByNewerException($"It was kept in form {version}; this Lowfell reads up to {Version}. Run the newer one, or restore a backup from before it.");
        }

        return content.Deserialize<T>(Readers[version - 1]) ?? throw new JsonException("Nothing is kept here.");
    }

    /// <summary>As <see cref="Read"/>, but nothing where it can't be read: for what is worked out again then.</summary>
    public static T? ReadIfKnown<T>(string text)
        where T : class
    {
        try
        {
            return Read<T>(text);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static JsonSerializerOptions Options(JsonUnmappedMemberHandling unknown)
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web);
        ApiJson.Configure(options);

        // What is null is not written.
        options.RespectRequiredConstructorParameters = false;

        // What was kept by an older version may hold fields that are no longer known; one of this version that is not known was renamed.
        options.UnmappedMemberHandling = unknown;
        return options;
    }

    private static JsonSerializerOptions OldResistances()
    {
        var options = Options(JsonUnmappedMemberHandling.Skip);
        options.Converters.Insert(0, new EightFigures());
        return options;
    }

    private sealed record Envelope<T>(int Version, T Content);

    // Version 1 kept a resistance as eight figures.
    private sealed class EightFigures : JsonConverter<Resistance>
    {
        public override Resistance Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            try
            {
                return Resistance.FromRow(JsonSerializer.Deserialize<int[]>(ref reader) ?? []);
            }
            catch (ArgumentException fault)
            {
                throw new JsonException(fault.Message, fault);
            }
        }

        public override void Write(Utf8JsonWriter writer, Resistance value, JsonSerializerOptions options) => throw new NotSupportedException("Nothing is written in an old version.");
    }
}
