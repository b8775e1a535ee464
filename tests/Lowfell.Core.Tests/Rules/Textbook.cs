using System.Text.Json;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Tests.Rules;

/// <summary>A stack of the textbook: what painters do every day, or a fault that is to be found.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Draft">The stack.</param>
/// <param name="Worst">Worst finding that it may get.</param>
/// <param name="Finds">The rule that has to find its fault.</param>
/// <param name="AtLeast">How bad that has to be.</param>
public sealed record TextbookStack(string Name, StackDraft Draft, Severity Worst, string? Finds, Severity AtLeast)
{
    public static IReadOnlyList<TextbookStack> Everyday { get; } = Load("good");

    public static IReadOnlyList<TextbookStack> Faulty { get; } = Load("faulty");

    public override string ToString() => Name;

    private static List<TextbookStack> Load(string list)
    {
        using var stream = typeof(TextbookStack).Assembly.GetManifestResourceStream("textbook-stacks.json")!;
        using var json = JsonDocument.Parse(stream);
        return [.. json.RootElement.GetProperty(list).EnumerateArray().Select(s => Read(s))];
    }

    internal static TextbookStack Read(JsonElement s)
    {
        var zone = new Zone
        {
            Substrate = Word<Substrate>(s, "substrate"),
            Relief = Word<Relief>(s, "relief"),
            Facing = Word<Facing>(s, "facing"),
            AreaMm2 = s.GetProperty("areaMm2").GetDouble(),
            Copies = s.GetProperty("copies").GetInt32(),
            Handled = s.GetProperty("handled").GetBoolean(),
            Finish = Word<Sheen>(s, "finish"),
            SmallestDetailMm = s.TryGetProperty("smallestDetailMm", out var detail) && detail.ValueKind == JsonValueKind.Number ? detail.GetDouble() : null,
            Rim = s.TryGetProperty("rim", out var rim) && rim.GetBoolean(),
        };
        var number = 0;
        return new(
            s.GetProperty("name").GetString()!,
            new StackDraft(zone, new Schools(), [.. s.GetProperty("coats").EnumerateArray().Select(c => Read(c, ++number))]),
            s.TryGetProperty("worst", out _) ? Word<Severity>(s, "worst") : Severity.Note,
            s.TryGetProperty("finds", out var finds) ? finds.GetString() : null,
            s.TryGetProperty("severity", out _) ? Word<Severity>(s, "severity") : Severity.Note);
    }

    private static Coat Read(JsonElement c, int number)
    {
        var coat = new Coat
        {
            Id = new Guid(number, 0, 0, 0, 0, 0, 0, 0, 0, 0, 7),
            Technique = Word<Technique>(c, "technique"),
            Passes = c.TryGetProperty("passes", out var passes) ? passes.GetInt32() : 1,
            Dilution = Dilution.Of(c.TryGetProperty("paintFraction", out var fraction) ? fraction.GetDouble() : 1),
            WhileWet = c.TryGetProperty("whileWet", out var wet) && wet.GetBoolean(),
        };
        if (!c.TryGetProperty("family", out _))
        {
            return coat;
        }

        var family = Word<Family>(c, "family");
        return (coat with { Thinner = c.TryGetProperty("thinner", out _) ? Word<Thinner>(c, "thinner") : family.Facts().OwnThinner }).Of(new()
        {
            Name = family.Facts().Word,
            Family = family,
            Colour = Srgb.Parse(c.TryGetProperty("colour", out var colour) ? colour.GetString()! : family.Facts().LabelColour!),
            OwnSheen = c.TryGetProperty("sheen", out _) ? Word<Sheen>(c, "sheen") : null,
            Effect = c.TryGetProperty("effect", out _) ? Word<Effect>(c, "effect") : Effect.Plain,
        });
    }

    private static T Word<T>(JsonElement of, string name)
        where T : struct, Enum => Enum.Parse<T>(of.GetProperty(name).GetString()!, ignoreCase: true);
}
