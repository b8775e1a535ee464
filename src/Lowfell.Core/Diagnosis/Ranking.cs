namespace Lowfell.Core.Diagnosis;

/// <summary>Whether something is there.</summary>
public enum Presence
{
    /// <summary>Nothing tells.</summary>
    Unknown,

    /// <summary>It is known not to be.</summary>
    Absent,

    /// <summary>It is.</summary>
    Present,
}

/// <summary>A sign on the copies that show the symptom and on those that don't.</summary>
/// <param name="Seen">On copies where it is seen.</param>
/// <param name="Sound">On copies that are sound.</param>
public sealed record SignOn(IReadOnlyList<Presence> Seen, IReadOnlyList<Presence> Sound)
{
    // Present on every bad copy and known to be on no good one, it tells them apart.
    private const double TellsApart = 3;

    /// <summary>The same on every copy where it is seen, nothing known of others.</summary>
    public static SignOn All(Presence presence) => new([presence], []);

    /// <summary>What it makes of a cause: 1 where nothing is known.</summary>
    /// <remarks>
    /// Where copies differ among those that show it, each has its share in the logarithm. On sound copies alike it explains little: the root
    /// of its factor is taken.
    /// </remarks>
    public double Times(Factor factor)
    {
        if (Seen.Count == 0)
        {
            return 1;
        }

        var present = (double)Seen.Count(p => p == Presence.Present) / Seen.Count;
        var absent = (double)Seen.Count(p => p == Presence.Absent) / Seen.Count;
        var times = Math.Pow(factor.Present, present) * Math.Pow(factor.Absent, absent);
        if (present < 1 || factor.Present <= 1 || Sound.Count == 0)
        {
            return times;
        }

        return Sound.All(p => p == Presence.Absent) ? times * TellsApart : Sound.All(p => p == Presence.Present) ? Math.Sqrt(times) : times;
    }
}

/// <summary>What the bench has learned of a symptom: how often a cause turned out to be it.</summary>
/// <param name="Cases">Cases in which the painter said which cause it was.</param>
/// <param name="Hits">Of these, by cause.</param>
public sealed record Learned(int Cases, IReadOnlyDictionary<string, int> Hits)
{
    // The table's own figure counts as so many cases.
    private const double Weight = 20;

    /// <summary>Nothing yet.</summary>
    public static Learned Nothing { get; } = new(0, new Dictionary<string, int>());

    /// <summary>A prior with what was learned.</summary>
    public double Prior(string cause, double prior) => ((Weight * prior) + Hits.GetValueOrDefault(cause)) / (Weight + Cases);
}

/// <summary>A cause with how likely it is.</summary>
/// <param name="Key">Its key; <see cref="Ranking.Other"/> for something that is not on the list.</param>
/// <param name="Share">How likely, 0..1; all together are 1.</param>
public readonly record struct Ranked(string Key, double Share);

/// <summary>Ranks the causes of a symptom.</summary>
public static class Ranking
{
    /// <summary>Key of what is not on the list.</summary>
    public const string Other = "other";

    /// <summary>Most questions that are asked.</summary>
    public const int MostQuestions = 3;

    // The first cause is sure enough for no more questions; a question has to tell so much, bit.
    private const double Sure = 0.8, LeastGainBit = 0.02;

    /// <summary>The causes, the likeliest first; where nothing is known the order of the table.</summary>
    /// <param name="symptom">The symptom.</param>
    /// <param name="signs">What is known of signs.</param>
    /// <param name="answers">Answers by the number of the question, from 1.</param>
    /// <param name="learned">What the bench has learned.</param>
    public static IReadOnlyList<Ranked> Of(Symptom symptom, IReadOnlyDictionary<Sign, SignOn> signs, IReadOnlyDictionary<int, bool> answers, Learned learned)
    {
        ArgumentNullException.ThrowIfNull(symptom);
        var scores = symptom.Causes.Select(c => (c.Key, Score: Score(c, signs, answers, learned))).Append((Key: Other, Score: learned.Prior(Other, SymptomBook.Book.OtherPrior))).ToList();
        var all = scores.Sum(s => s.Score);
        return [.. scores.OrderByDescending(s => s.Score).Select(s => new Ranked(s.Key, s.Score / all))];
    }

    /// <summary>The question, from 1, whose answer would tell most; null where the first cause is sure enough, or none tells enough.</summary>
    public static int? Ask(Symptom symptom, IReadOnlyList<Ranked> ranked, IReadOnlySet<int> asked)
    {
        ArgumentNullException.ThrowIfNull(symptom);
        if (ranked[0].Share >= Sure || asked.Count >= MostQuestions)
        {
            return null;
        }

        var share = ranked.ToDictionary(r => r.Key, r => r.Share);
        var best = Enumerable.Range(1, symptom.Questions.Count).Where(q => !asked.Contains(q)).Select(q => (Question: q, Gain: Gain(symptom, share, q))).OrderByDescending(q => q.Gain).FirstOrDefault();
        return best.Gain >= LeastGainBit ? best.Question : null;
    }

    private static double Score(Cause cause, IReadOnlyDictionary<Sign, SignOn> signs, IReadOnlyDictionary<int, bool> answers, Learned learned)
    {
        var (prior, score) = (learned.Prior(cause.Key, cause.Prior), learned.Prior(cause.Key, cause.Prior));
        foreach (var (sign, factor) in cause.Signs)
        {
            score *= signs.TryGetValue(sign, out var on) ? on.Times(factor) : 1;
        }

        foreach (var (question, factor) in cause.Answers)
        {
            score *= answers.TryGetValue(question, out var yes) ? yes ? factor.Present : factor.Absent : 1;
        }

        // Two signs of one slip count twice: what they make of it is capped.
        var cap = SymptomBook.Book.CapFactor;
        return Math.Clamp(score, prior / cap, prior * cap);
    }

    // By how much the list's entropy falls on average once it is answered, bit.
    private static double Gain(Symptom symptom, Dictionary<string, double> share, int question)
    {
        var yes = symptom.Causes.ToDictionary(c => c.Key, c => c.Answers.TryGetValue(question, out var f) ? Yes(f) : 0.5);
        yes[Other] = 0.5;
        var sure = share.Sum(s => s.Value * yes[s.Key]);
        return Entropy(share.Values) - (sure * Entropy(share.Select(s => s.Value * yes[s.Key] / sure))) - ((1 - sure) * Entropy(share.Select(s => s.Value * (1 - yes[s.Key]) / (1 - sure))));
    }

    // How often the answer is yes where it is this cause: of factors x and y, x (1 - y) / (x - y).
    private static double Yes(Factor f) => Math.Abs(f.Present - f.Absent) < 1e-9 ? 0.5 : Math.Clamp(f.Present * (1 - f.Absent) / (f.Present - f.Absent), 0.01, 0.99);

    private static double Entropy(IEnumerable<double> shares) => -shares.Where(s => s > 0).Sum(s => s * Math.Log2(s));
}
