using System.Collections;
using System.Reflection;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Lowfell.Core.Films;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Materials;
using Lowfell.Web.Api;
using Lowfell.Web.Features.Bases;
using Lowfell.Web.Features.Boards;
using Lowfell.Web.Features.Evenings;
using Lowfell.Web.Features.Log;
using Lowfell.Web.Features.Matching;
using Lowfell.Web.Features.Mixes;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;
using Lowfell.Web.Features.Weathering;
using Lowfell.Web.Features.Tiles;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>
/// One document of each kind, as this version writes it, with everything in it. A field that is renamed or dropped, or a word that is, does not read any more:
/// then <see cref="Kept.Version"/> goes up, the golden file stays for the version that it is of, and a reader of that version joins. A new field is put into the
/// golden file of the version that it came with: run the tests with LOWFELL_GOLDEN naming a folder to have it written there.
/// </summary>
public sealed class GoldenTests
{
    private static readonly Type[] Kinds = [typeof(MaterialSnapshot), typeof(MixDraft), typeof(PaintedStack), typeof(TilePlan), typeof(List<PaintedCell>), typeof(CalendarView), typeof(PlanRequest), typeof(List<KeptLot>), typeof(PlanSummary), typeof(SolveProgress), typeof(KeptCoats), typeof(TakenForStep), typeof(List<TrayCopyDraft>), typeof(BaseFamilyDraft), typeof(RollRequest), typeof(BoardDraft), typeof(WeatheringDraft)];

    private static readonly Type[] Words = [typeof(Technique), typeof(Family), typeof(Substrate), typeof(Thinner), typeof(DilutionForm), typeof(Wait), typeof(Relief), typeof(Facing), typeof(Sheen), typeof(Effect), typeof(DayOfWeek)];

    private static JsonObject Golden => JsonNode.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Kept", $"documents-{Kept.Version}.json")))!.AsObject();

    [Fact]
    public void Each_kind_is_read_as_it_was_written_and_nothing_of_it_is_lost()
    {
        Write();
        var golden = Golden;
        foreach (var kind in Kinds)
        {
            var kept = golden[Name(kind)]!.ToJsonString();
            var again = Rewrite(kind, kept);
            Assert.True(JsonNode.DeepEquals(JsonNode.Parse(kept), JsonNode.Parse(again)), $"{Name(kind)} was\n{kept}\nand is now\n{again}");
            var missing = Paths(Sample(kind)).Except(Paths(golden[Name(kind)]!["content"]!)).ToList();
            Assert.True(missing.Count == 0, $"{Name(kind)} has got {string.Join(", ", missing)}: put it into the golden file.");
        }
    }

    [Fact]
    public void A_renamed_field_is_refused_and_not_taken_for_a_default()
    {
        foreach (var kind in Kinds)
        {
            var kept = Golden[Name(kind)]!;
            var owner = kept["content"] is JsonArray list ? list[0]!.AsObject() : kept["content"]!.AsObject();
            var (name, value) = owner.First();
            owner.Remove(name);
            owner["formerly"] = value?.DeepClone();
            Assert.ThrowsAny<JsonException>(() => Rewrite(kind, kept.ToJsonString()));
        }
    }

    [Fact]
    public void No_word_that_was_kept_is_forgotten()
    {
        foreach (var type in Words)
        {
            var now = WordConverters.Words(type);
            Assert.All(Golden["words"]![type.Name]!.AsArray(), w => Assert.Contains((string)w!, now));
        }
    }

    private static string Name(Type kind) => kind.IsGenericType ? $"{kind.GetGenericArguments()[0].Name}s" : kind.Name;

    private static string Rewrite(Type kind, string text)
    {
        var read = typeof(Kept).GetMethod(nameof(Kept.Read))!.MakeGenericMethod(kind);
        var write = typeof(Kept).GetMethod(nameof(Kept.Write))!.MakeGenericMethod(kind);
        try
        {
            return (string)write.Invoke(null, [read.Invoke(null, [text])])!;
        }
        catch (TargetInvocationException fault) when (fault.InnerException is JsonException inner)
        {
            throw inner;
        }
    }

    private static void Write()
    {
        if (Environment.GetEnvironmentVariable("LOWFELL_GOLDEN") is { } folder)
        {
            var all = new JsonObject(Kinds.Select(k => KeyValuePair.Create(Name(k), (JsonNode?)new JsonObject { ["version"] = Kept.Version, ["content"] = Sample(k) })))
            {
                ["words"] = new JsonObject(Words.Select(w => KeyValuePair.Create(w.Name, (JsonNode?)new JsonArray([.. WordConverters.Words(w).Select(x => JsonValue.Create(x))])))),
            };
            File.WriteAllText(Path.Combine(folder, $"documents-{Kept.Version}.json"), all.ToJsonString(new() { WriteIndented = true, Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping }) + "\n");
        }
    }

    private static IEnumerable<string> Paths(JsonNode? node) => node switch
    {
        JsonObject fields => fields.SelectMany(f => Paths(f.Value).Select(p => $"{f.Key}.{p}").Append(f.Key)),
        JsonArray list => list.Take(1).SelectMany(Paths),
        _ => [],
    };

    // A document with every field of its kind.
    private static JsonNode Sample(Type kind)
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web);
        ApiJson.Configure(options);
        return Sample(kind, options);
    }

    private static JsonNode Sample(Type kind, JsonSerializerOptions options)
    {
        var type = Nullable.GetUnderlyingType(kind) ?? kind;
        var text = type switch
        {
            _ when type == typeof(string) => "#112233",
            _ when type == typeof(bool) => "true",
            _ when type == typeof(Guid) => "01a20000-0000-7000-8000-000000000001",
            _ when type == typeof(DateOnly) => "2026-03-01",
            _ when type == typeof(DateTimeOffset) => "2026-03-01T19:30:00+00:00",
            _ => "",
        };
        if (type == typeof(bool))
        {
            return true;
        }

        if (text.Length > 0)
        {
            return text;
        }

        if (type.IsPrimitive)
        {
            return JsonNode.Parse("1")!;
        }

        if (type.IsEnum)
        {
            return WordConverters.Words(type)[^1];
        }

        if (typeof(IEnumerable).IsAssignableFrom(type))
        {
            return new JsonArray(Sample(type.IsArray ? type.GetElementType()! : type.GetGenericArguments()[0], options));
        }

        return new JsonObject(options.GetTypeInfo(type).Properties.Where(p => p.Get is not null).Select(p => KeyValuePair.Create(p.Name, (JsonNode?)Sample(p.PropertyType, options))));
    }
}
