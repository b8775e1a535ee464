using Lowfell.Core.Materials;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Diagnosis;

/// <summary>A cause as it is told.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Word">In the painter's words.</param>
/// <param name="Share">How likely, 0..1.</param>
/// <param name="For">What speaks for it.</param>
/// <param name="Against">What speaks against it.</param>
/// <param name="Hits">How often it was it on this bench.</param>
public sealed record ToldCause(string Key, string Word, double Share, IReadOnlyList<string> For, IReadOnlyList<string> Against, int Hits);

/// <summary>A sign that only the painter can tell.</summary>
/// <param name="Sign">Which.</param>
/// <param name="Ask">The question.</param>
/// <param name="Answer">What was said; null where nothing was.</param>
public sealed record AskedSign(Sign Sign, string Ask, bool? Answer);

/// <summary>What went wrong, and what to do.</summary>
/// <param name="Causes">Causes, the likeliest first.</param>
/// <param name="Said">How sure it is, in words.</param>
/// <param name="Ask">The question that would tell most, from 1; null where none is needed.</param>
/// <param name="AskSigns">Signs that only the painter can tell, of the causes that are in question.</param>
/// <param name="Offers">Remedies, the cheapest first.</param>
/// <param name="Next">Changes of the plan for copies that have not come so far; none where no cause is likelier than all others together.</param>
/// <param name="Strip">When stripping is the better way, in words; empty where it is not to be thought of.</param>
/// <param name="Notices">What is to be known of the answer itself.</param>
/// <param name="CoatAt">Place of the coat that it is about; -1 where there is none.</param>
public sealed record Diagnosed(
    IReadOnlyList<ToldCause> Causes, string Said, int? Ask, IReadOnlyList<AskedSign> AskSigns, IReadOnlyList<Offer> Offers, IReadOnlyList<PlanEdit> Next, string Strip, IReadOnlyList<string> Notices, int CoatAt);

/// <summary>From what is seen to what to do.</summary>
public static class Diagnosing
{
    // Over so much the first cause is the likeliest, or at least probable.
    private const double MostLikely = 0.8, Probably = 0.5, InQuestion = 0.05;

    /// <summary>Ranks causes, asks what only eyes can answer, and offers remedies and changes of the plan.</summary>
    /// <param name="of">The case.</param>
    /// <param name="shelf">What may be reached for.</param>
    /// <param name="newId">Gives a coat of a remedy its id.</param>
    public static Diagnosed Of(MendCase of, Shelf shelf, Func<Guid> newId)
    {
        ArgumentNullException.ThrowIfNull(of);
        var symptom = of.Symptom;
        var reader = new SignReader(of);
        var found = reader.Read();
        var signs = found.ToDictionary(f => f.Sign, f => f.On);
        var ranked = Ranking.Of(symptom, signs, of.Answers, of.Learned);
        var first = ranked[0];
        var cause = symptom.Causes.FirstOrDefault(c => c.Key == first.Key);
        var at = of.CoatAt;
        return new(
            [.. ranked.Select(r => Told(r, of, found))],
            Said(ranked, symptom),
            Ranking.Ask(symptom, ranked, of.Answers.Keys.ToHashSet()),
            [.. Asked(of, found, ranked)],
            RemedyOffers.Of(of, reader.Findings, shelf, newId),
            cause is not null && first.Share > Probably ? NextCopies.Of(of, cause, found, reader.Findings, shelf) : [],
            of.Stack is { } stack && RemedyOffers.StripsWith(stack.Zone.Substrate).Count == 0 && symptom.StripWhen.Length > 0
                ? $"{Words.Capital(symptom.StripWhen)}: this ground is not stripped; cover it or replace the part."
                : symptom.StripWhen.Length > 0 ? $"{Words.Capital(symptom.StripWhen)}: strip it and begin again." : "",
            [.. Notices(of, reader, found)],
            at);
    }

    private static string Said(IReadOnlyList<Ranked> ranked, Symptom symptom)
    {
        string Word(Ranked r) => symptom.Causes.FirstOrDefault(c => c.Key == r.Key)?.Word ?? "something that is not on this list";
        return ranked[0].Share switch
        {
            > MostLikely => $"Most likely {Word(ranked[0])}.",
            > Probably => $"Probably {Word(ranked[0])}.",
            _ => $"Either {Word(ranked[0])}, or {Word(ranked[1])}.",
        };
    }

    private static ToldCause Told(Ranked ranked, MendCase of, IReadOnlyList<SignFound> found)
    {
        var cause = of.Symptom.Causes.FirstOrDefault(c => c.Key == ranked.Key);
        var (speaksFor, against) = (new List<string>(), new List<string>());
        foreach (var (sign, factor) in cause?.Signs ?? new Dictionary<Sign, Factor>())
        {
            if (found.FirstOrDefault(f => f.Sign == sign) is not { } it || it.Seen == Presence.Unknown)
            {
                continue;
            }

            var facts = SymptomBook.Book.Facts(sign);
            var there = it.Seen == Presence.Present;
            var words = there ? it.ByTold || it.Words.Length == 0 ? $"{facts.Word}{(it.ByTold ? ", as you say" : "")}" : it.Words : $"not so: {facts.Word}";
            (it.On.Times(factor) >= 1 ? speaksFor : against).Add(words);
        }

        foreach (var (question, factor) in cause?.Answers ?? new Dictionary<int, Factor>())
        {
            if (of.Answers.TryGetValue(question, out var yes))
            {
                ((yes ? factor.Present : factor.Absent) >= 1 ? speaksFor : against).Add($"{of.Symptom.Questions[question - 1]} {(yes ? "Yes" : "No")}.");
            }
        }

        return new(ranked.Key, cause?.Word ?? "something that is not on this list", ranked.Share, speaksFor, against, of.Learned.Hits.GetValueOrDefault(ranked.Key));
    }

    private static IEnumerable<AskedSign> Asked(MendCase of, IReadOnlyList<SignFound> found, IReadOnlyList<Ranked> ranked)
    {
        var open = ranked.Where(r => r.Share >= InQuestion).Select(r => r.Key).ToHashSet();
        foreach (var sign in found.Where(f => SymptomBook.Book.Facts(f.Sign).Ask.Length > 0 && (f.ByTold || f.Seen == Presence.Unknown)))
        {
            if (sign.ByTold || of.Symptom.Causes.Any(c => open.Contains(c.Key) && c.Signs.ContainsKey(sign.Sign)))
            {
                yield return new(sign.Sign, SymptomBook.Book.Facts(sign.Sign).Ask, of.Told.TryGetValue(sign.Sign, out var told) ? told : null);
            }
        }
    }

    private static IEnumerable<string> Notices(MendCase of, SignReader reader, IReadOnlyList<SignFound> found)
    {
        if (of.Stack is null)
        {
            yield return "No piece is named: this is what is usual, and goes by what you see.";
        }
        else if (!of.Fits)
        {
            yield return $"There is no {of.Symptom.AboutWord} in this stack. Go on anyway?";
        }

        if (of.CoatGone)
        {
            yield return "The coat that was named is no longer in the plan: this goes by the last one on that it can be about.";
        }

        if (of.Stack is not null && of.Log.Count == 0)
        {
            yield return "Nothing is logged here: this goes by the plan and what you see.";
        }

        foreach (var copy in reader.OutOfOrder.Order())
        {
            yield return $"A coat is logged before one below it on copy {copy}: waits left out.";
        }

        foreach (var told in found.Where(f => !f.ByTold && f.Seen != Presence.Unknown && of.Told.TryGetValue(f.Sign, out var said) && said != (f.Seen == Presence.Present)))
        {
            yield return $"You say otherwise than the log: {SymptomBook.Book.Facts(told.Sign).Word}. This goes by the log.";
        }
    }
}
