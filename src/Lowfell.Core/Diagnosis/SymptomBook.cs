using System.Text.Json;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Diagnosis;

/// <summary>How much likelier a cause is where a sign or an answer is there, and where it is known not to be.</summary>
/// <param name="Present">Factor where it is there, above 0.</param>
/// <param name="Absent">Factor where it is not, above 0.</param>
public readonly record struct Factor(double Present, double Absent);

/// <summary>A cause of a symptom.</summary>
/// <param name="Key">Its key within the symptom.</param>
/// <param name="Word">In the painter's words.</param>
/// <param name="Prior">How often it is that, before anything is known, 0..1. Craft estimate.</param>
/// <param name="Signs">Signs that speak for or against it.</param>
/// <param name="Answers">Answers that do, by the number of the question, from 1.</param>
public sealed record Cause(string Key, string Word, double Prior, IReadOnlyDictionary<Sign, Factor> Signs, IReadOnlyDictionary<int, Factor> Answers);

/// <summary>What a remedy asks for.</summary>
public enum RemedyKind
{
    /// <summary>Waiting alone.</summary>
    [Said("wait")]
    Wait,

    /// <summary>Work by hand that leaves no film.</summary>
    [Said("by hand")]
    Work,

    /// <summary>Coats.</summary>
    [Said("coats")]
    Coats,

    /// <summary>Stripping, and beginning again.</summary>
    [Said("strip")]
    Strip,
}

/// <summary>A coat of a remedy.</summary>
/// <param name="Technique">How it is laid; none for as the coat that it is about.</param>
/// <param name="Of">Of what: the same paint, the base below, a varnish by its sheen, and so on; empty for work by hand.</param>
/// <param name="Share">Share of the zone that it goes on, above 0 to 1.</param>
public sealed record RemedyCoat(Technique? Technique, string Of, double Share);

/// <summary>A remedy.</summary>
/// <param name="Place">Its place among those of the symptom, from 0: it is known by that.</param>
/// <param name="Kind">What it asks for.</param>
/// <param name="Does">What is done, in the painter's words.</param>
/// <param name="Minutes">Hands-on minutes a copy. Craft estimate.</param>
/// <param name="Takes">What it takes, in words.</param>
/// <param name="Risks">What may come of it, in words.</param>
/// <param name="WaitMin">Minutes that the copy then rests.</param>
/// <param name="Coats">Its coats, in order.</param>
/// <param name="OnlyIf">The question, from 1, whose no rules it out; null for none.</param>
public sealed record Remedy(int Place, RemedyKind Kind, string Does, double Minutes, string Takes, string Risks, double WaitMin, IReadOnlyList<RemedyCoat> Coats, int? OnlyIf);

/// <summary>Where a sign is looked for.</summary>
public enum Target
{
    /// <summary>At the coat that it is about.</summary>
    Coat,

    /// <summary>At the film below it.</summary>
    Below,

    /// <summary>At any coat that is on.</summary>
    Any,

    /// <summary>At the chipping fluid below.</summary>
    Fluid,
}

/// <summary>Something that a painter sees and did not want.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">In two words.</param>
/// <param name="Sees">What is seen, in a sentence.</param>
/// <param name="Group">Where it stands on a list.</param>
/// <param name="About">Roles of coats that it is about; none for any coat.</param>
/// <param name="AboutWord">Word for such a coat; empty for any.</param>
/// <param name="Targets">Signs that are looked for elsewhere than at that coat.</param>
/// <param name="Questions">Questions that looking answers with yes or no.</param>
/// <param name="Causes">Causes.</param>
/// <param name="Remedies">Remedies.</param>
/// <param name="StripWhen">When stripping is the better way; empty for never.</param>
public sealed record Symptom(
    string Key, string Name, string Sees, string Group, IReadOnlyList<Role> About, string AboutWord, IReadOnlyDictionary<Sign, Target> Targets,
    IReadOnlyList<string> Questions, IReadOnlyList<Cause> Causes, IReadOnlyList<Remedy> Remedies, string StripWhen)
{
    /// <summary>Signs that any of its causes asks for.</summary>
    public IReadOnlyList<Sign> Signs { get; } = [.. Causes.SelectMany(c => c.Signs.Keys).Distinct().Order()];
}

/// <summary>Words of a sign.</summary>
/// <param name="Word">What it is, within a sentence.</param>
/// <param name="Next">What takes it away from copies that are not painted yet.</param>
/// <param name="Ask">The question to the painter, where nothing else may tell it; empty where something does.</param>
/// <param name="Rules">Rules whose finding is the sign.</param>
public sealed record SignFacts(string Word, string Next, string Ask, IReadOnlyList<string> Rules);

/// <summary>Symptoms, their causes and remedies. Craft estimates, kept as data in <c>symptoms.json</c>.</summary>
public sealed class SymptomBook
{
    private static readonly string[] Sources = ["", "same", "base", "barrier", "finish", "gloss", "satin", "matt", "wash", "dark", "light", "medium", "glue", "grit", "pigment", "tufts"];
    private readonly Dictionary<string, Symptom> byKey;
    private readonly Dictionary<Sign, SignFacts> signs;

    private SymptomBook(JsonElement json)
    {
        OtherPrior = json.GetProperty("otherPrior").GetDouble();
        CapFactor = json.GetProperty("capFactor").GetDouble();
        signs = json.GetProperty("signs").EnumerateArray().ToDictionary(
            s => SignOf(Text(s, "key")), s => new SignFacts(Text(s, "word"), Text(s, "next"), Text(s, "ask"), [.. s.GetProperty("rules").EnumerateArray().Select(r => r.GetString()!)]));
        if (Enum.GetValues<Sign>().FirstOrDefault(s => !signs.ContainsKey(s), (Sign)(-1)) is var missing and >= 0)
        {
            throw new FormatException($"The symptoms have no words for the sign {missing}.");
        }

        Symptoms = [.. json.GetProperty("symptoms").EnumerateArray().Select(Read)];
        byKey = Symptoms.ToDictionary(s => s.Key);
    }

    /// <summary>The book.</summary>
    public static SymptomBook Book { get; } = Load();

    /// <summary>How often it is something that is not on the list, before anything is known.</summary>
    public double OtherPrior { get; }

    /// <summary>A score is held within so many times its prior, either way.</summary>
    public double CapFactor { get; }

    /// <summary>All symptoms, in the order of the list.</summary>
    public IReadOnlyList<Symptom> Symptoms { get; }

    /// <summary>A symptom by its key; null where there is none.</summary>
    public Symptom? Of(string key) => byKey.GetValueOrDefault(key);

    /// <summary>Words of a sign.</summary>
    public SignFacts Facts(Sign sign) => signs[sign];

    /// <summary>Reads a book.</summary>
    /// <exception cref="FormatException">A key of it is not known; it is named.</exception>
    public static SymptomBook Parse(string json)
    {
        using var document = JsonDocument.Parse(json);
        return new(document.RootElement);
    }

    private static SymptomBook Load()
    {
        using var stream = typeof(SymptomBook).Assembly.GetManifestResourceStream("symptoms.json") ?? throw new InvalidOperationException("The table of symptoms is missing from the assembly.");
        using var document = JsonDocument.Parse(stream);
        return new(document.RootElement);
    }

    private static Symptom Read(JsonElement s)
    {
        var key = Text(s, "key");
        IReadOnlyList<string> questions = [.. s.GetProperty("questions").EnumerateArray().Select(q => q.GetString()!)];
        return new(
            key, Text(s, "name"), Text(s, "sees"), Text(s, "group"),
            [.. s.GetProperty("about").EnumerateArray().Select(r => Word<Role>(r.GetString()!, $"symptom {key}"))], Text(s, "aboutWord"),
            s.GetProperty("targets").EnumerateObject().ToDictionary(t => SignOf(t.Name), t => Word<Target>(t.Value.GetString()!, $"symptom {key}")),
            questions,
            [.. s.GetProperty("causes").EnumerateArray().Select(c => CauseOf(c, key, questions.Count))],
            [.. s.GetProperty("remedies").EnumerateArray().Select((r, i) => RemedyOf(r, key, questions.Count, i))],
            Text(s, "stripWhen"));
    }

    private static Cause CauseOf(JsonElement c, string symptom, int questions)
    {
        var factors = c.GetProperty("factors").EnumerateObject().Select(f => (f.Name, Factor: new Factor(f.Value[0].GetDouble(), f.Value[1].GetDouble()))).ToList();
        var answers = factors.Where(f => Question(f.Name) > 0).ToDictionary(f => Question(f.Name), f => f.Factor);
        return answers.Keys.FirstOrDefault(q => q > questions) is var gone and > 0
            ? throw new FormatException($"The symptom {symptom} has no question {gone}.")
            : new(Text(c, "key"), Text(c, "word"), c.GetProperty("prior").GetDouble(), factors.Where(f => Question(f.Name) == 0).ToDictionary(f => SignOf(f.Name), f => f.Factor), answers);
    }

    private static Remedy RemedyOf(JsonElement r, string symptom, int questions, int place)
    {
        IReadOnlyList<RemedyCoat> coats =
        [
            .. r.GetProperty("coats").EnumerateArray().Select(c => new RemedyCoat(
                Text(c, "technique") is var technique && technique == "Again" ? null : Word<Technique>(technique, $"symptom {symptom}"),
                Array.IndexOf(Sources, Text(c, "of")) >= 0 ? Text(c, "of") : throw new FormatException($"The symptom {symptom} has a remedy of {Text(c, "of")}, which is not known."),
                c.GetProperty("share").GetDouble())),
        ];
        int? onlyIf = r.TryGetProperty("onlyIf", out var only) ? only.GetInt32() : null;
        if (onlyIf > questions)
        {
            throw new FormatException($"The symptom {symptom} has no question {onlyIf}.");
        }

        return new(place, Word<RemedyKind>(Text(r, "kind"), $"symptom {symptom}"), Text(r, "does"), r.GetProperty("minutes").GetDouble(), Text(r, "takes"), Text(r, "risks"), r.GetProperty("waitMin").GetDouble(), coats, onlyIf);
    }

    private static int Question(string key) => key.Length > 1 && key[0] == 'A' && int.TryParse(key.AsSpan(1), out var number) ? number : 0;

    private static Sign SignOf(string key) => Word<Sign>(key, "table of symptoms");

    private static T Word<T>(string key, string where)
        where T : struct, Enum =>
        Enum.TryParse<T>(key, ignoreCase: true, out var known) && Enum.IsDefined(known) ? known : throw new FormatException($"The {where} names {key}, which is not known.");

    private static string Text(JsonElement of, string name) => of.GetProperty(name).GetString()!;
}
