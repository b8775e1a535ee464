using Lowfell.Core.Diagnosis;
using Xunit;

namespace Lowfell.Core.Tests.Diagnosis;

public sealed class RankingTests
{
    private static readonly IReadOnlyDictionary<int, bool> Unasked = new Dictionary<int, bool>();

    private static Symptom Of(string key) => SymptomBook.Book.Of(key)!;

    private static Dictionary<Sign, SignOn> Signs(Sign[] present, Sign[] absent) =>
        present.Select(s => (s, Presence.Present)).Concat(absent.Select(s => (s, Presence.Absent))).ToDictionary(s => s.s, s => SignOn.All(s.Item2));

    private static IReadOnlyList<Ranked> Rank(string symptom, Sign[] present, Sign[] absent, params (int, bool)[] answers) =>
        Ranking.Of(Of(symptom), Signs(present, absent), answers.ToDictionary(a => a.Item1, a => a.Item2), Learned.Nothing);

    private static double Share(IReadOnlyList<Ranked> ranked, string cause) => ranked.First(r => r.Key == cause).Share * 100;

    // Worked cases, to one in a hundred.
    [Fact]
    public void Frost_after_a_can_in_damp_air()
    {
        var ranked = Rank("frost", [Sign.DampAir], [Sign.HeavyHand, Sign.NotShaken], (1, false), (2, false));
        Assert.Equal("damp", ranked[0].Key);
        Assert.Equal(93.0, Share(ranked, "damp"), 1.0);
        Assert.Equal(2.0, Share(ranked, "shaken"), 1.0);
        Assert.Equal(2.0, Share(ranked, "pooled"), 1.0);
    }

    [Fact]
    public void Lifted_where_the_copies_differ()
    {
        var signs = Signs([], [Sign.SolventLifts, Sign.OverThinned, Sign.NoBarrier, Sign.ForeignThinner]);
        signs[Sign.Hurried] = new([Presence.Present], [Presence.Absent, Presence.Absent]);
        var ranked = Ranking.Of(Of("lifted"), signs, Unasked, Learned.Nothing);
        Assert.Equal(97.0, Share(ranked, "hurried"), 1.0);
        Assert.Null(Ranking.Ask(Of("lifted"), ranked, new HashSet<int>()));
    }

    [Fact]
    public void Lifted_by_a_carrier_that_was_scrubbed()
    {
        var ranked = Rank("lifted", [Sign.SolventLifts, Sign.NoBarrier], [Sign.Hurried, Sign.OverThinned, Sign.ForeignThinner], (1, false), (2, true));
        Assert.Equal(79.0, Share(ranked, "solvent"), 1.0);
        Assert.Equal(17.0, Share(ranked, "scrub"), 1.0);
    }

    [Fact]
    public void Rubbed_off_resin_that_was_not_primed()
    {
        Sign[] present = [Sign.Unprimed, Sign.OverThinned], absent = [Sign.NoFinalSeal, Sign.HandledUncured, Sign.Hurried];
        var before = Rank("ruboff", present, absent);
        Assert.Equal(65.0, Share(before, "unprimed"), 1.0);
        Assert.Equal(23.0, Share(before, "weak"), 1.0);
        Assert.Equal(1, Ranking.Ask(Of("ruboff"), before, new HashSet<int>()));
        var ranked = Rank("ruboff", present, absent, (1, true), (2, false));
        Assert.Equal(85.0, Share(ranked, "unprimed"), 1.0);
        Assert.Equal(10.0, Share(ranked, "weak"), 1.0);
    }

    [Fact]
    public void No_chips_once_the_window_has_passed()
    {
        Assert.Equal(85.0, Share(Rank("nochips", [Sign.WindowPassed], [Sign.SealedOver, Sign.ThickCoat, Sign.ThinCoat]), "late"), 1.0);
    }

    [Fact]
    public void No_match_with_another_lot()
    {
        var ranked = Rank("match", [Sign.OtherLot], [Sign.NoRecord, Sign.OtherSheen], (1, false), (2, false));
        Assert.Equal(78.0, Share(ranked, "lot"), 1.0);
        Assert.Equal(7.0, Share(ranked, "mix"), 1.0);
        Assert.Equal(6.0, Share(ranked, "aged"), 1.0);
    }

    public static TheoryData<string> All => [.. SymptomBook.Book.Symptoms.Select(s => s.Key)];

    [Theory]
    [MemberData(nameof(All))]
    public void Where_nothing_is_known_the_order_is_that_of_the_priors(string key)
    {
        var symptom = Of(key);
        var expected = symptom.Causes.Select(c => (c.Key, c.Prior)).Append((Ranking.Other, SymptomBook.Book.OtherPrior)).OrderByDescending(c => c.Item2).Select(c => c.Item1);
        Assert.Equal(expected, Rank(key, [], []).Select(r => r.Key));
        Assert.Equal(1, symptom.Causes.Sum(c => c.Prior), 6);
    }

    [Theory]
    [MemberData(nameof(All))]
    public void A_cause_with_a_sign_of_its_own_is_first_when_that_alone_is_there(string key)
    {
        var symptom = Of(key);
        foreach (var cause in symptom.Causes.Where(c => c.Signs.Values.Any(f => f.Present > 1)))
        {
            // One that two causes share tells for the likelier of them: its own is the one that tells most for it.
            var sign = cause.Signs.MaxBy(s => s.Value.Present).Key;
            if (symptom.Causes.Any(c => c != cause && c.Signs.TryGetValue(sign, out var f) && f.Present * c.Prior >= cause.Signs[sign].Present * cause.Prior))
            {
                continue;
            }

            Assert.Equal((key, cause.Key), (key, Rank(key, [sign], [.. symptom.Signs.Where(s => s != sign)])[0].Key));
        }
    }

    [Theory]
    [MemberData(nameof(All))]
    public void A_sign_for_a_cause_never_lowers_it_and_what_is_unknown_changes_nothing(string key)
    {
        var symptom = Of(key);
        foreach (var (cause, sign) in symptom.Causes.SelectMany(c => c.Signs.Where(s => s.Value.Present >= 1).Select(s => (c, s.Key))))
        {
            var known = Signs([], [.. symptom.Signs.Where(s => s != sign)]);
            var without = Ranking.Of(symptom, known, Unasked, Learned.Nothing);
            known[sign] = SignOn.All(Presence.Unknown);
            Assert.Equal(without, Ranking.Of(symptom, known, Unasked, Learned.Nothing));
            if (symptom.Causes.Count(c => c.Signs.TryGetValue(sign, out var f) && f.Present > 1) == 1)
            {
                known[sign] = SignOn.All(Presence.Present);
                Assert.True(Share(Ranking.Of(symptom, known, Unasked, Learned.Nothing), cause.Key) >= Share(without, cause.Key));
            }
        }
    }

    [Theory]
    [MemberData(nameof(All))]
    public void Each_question_moves_a_cause_and_each_symptom_has_a_remedy(string key)
    {
        var symptom = Of(key);
        for (var q = 1; q <= symptom.Questions.Count; q++)
        {
            var question = q;
            Assert.Contains(symptom.Causes, c => c.Answers.TryGetValue(question, out var f) && f.Present != f.Absent);
        }

        Assert.NotEmpty(symptom.Remedies);
        Assert.All(symptom.Remedies, r => Assert.True(r.Kind != RemedyKind.Coats || r.Coats.Count > 0));
    }

    [Fact]
    public void The_order_of_answers_does_not_matter() =>
        Assert.Equal(Rank("frost", [], [], (1, true), (2, false)), Rank("frost", [], [], (2, false), (1, true)));

    [Fact]
    public void Present_on_sound_copies_alike_it_tells_less_and_on_none_of_them_more()
    {
        var factor = new Factor(9, 0.5);
        Assert.Equal(9, SignOn.All(Presence.Present).Times(factor), 9);
        Assert.Equal(3, new SignOn([Presence.Present], [Presence.Present, Presence.Present]).Times(factor), 9);
        Assert.Equal(27, new SignOn([Presence.Present], [Presence.Absent]).Times(factor), 9);
        Assert.Equal(9, new SignOn([Presence.Present], [Presence.Unknown]).Times(factor), 9);
        Assert.Equal(Math.Sqrt(9 * 0.5), new SignOn([Presence.Present, Presence.Absent], [Presence.Absent]).Times(factor), 9);
    }

    [Fact]
    public void What_it_turned_out_to_be_raises_its_prior()
    {
        var learned = new Learned(10, new Dictionary<string, int> { ["shaken"] = 10 });
        Assert.Equal(((20 * 0.2) + 10) / 30, learned.Prior("shaken", 0.2), 9);
        Assert.Equal("pooled", Rank("frost", [], [])[0].Key);
        Assert.Equal("shaken", Ranking.Of(Of("frost"), Signs([], []), Unasked, learned)[0].Key);
    }

    // Proves the sums, not the craft: cases drawn from the table are told apart as often as they were when the table was made.
    [Fact]
    public void Drawn_cases_are_told_apart()
    {
        var random = new Random(7);
        var (first, two, prior, sure, right) = (0, 0, 0, 0, 0);
        const int Cases = 4000;
        for (var n = 0; n < Cases; n++)
        {
            var symptom = SymptomBook.Book.Symptoms[random.Next(SymptomBook.Book.Symptoms.Count)];
            var draw = random.NextDouble();
            var cause = symptom.Causes.First(c => (draw -= c.Prior) < 0 || c == symptom.Causes[^1]);

            // At a base rate of .3 a sign is there so many times as often, were it this cause.
            var signs = symptom.Signs.ToDictionary(s => s, s => SignOn.All(random.NextDouble() < Math.Min(0.95, 0.3 * (cause.Signs.TryGetValue(s, out var f) ? f.Present : 1)) ? Presence.Present : Presence.Absent));
            var answers = new Dictionary<int, bool>();
            var ranked = Ranking.Of(symptom, signs, answers, Learned.Nothing);
            while (Ranking.Ask(symptom, ranked, answers.Keys.ToHashSet()) is { } ask)
            {
                answers[ask] = random.NextDouble() < Rate(cause.Answers.TryGetValue(ask, out var f) ? f : new(1, 1), 0.5);
                ranked = Ranking.Of(symptom, signs, answers, Learned.Nothing);
            }

            first += ranked[0].Key == cause.Key ? 1 : 0;
            two += ranked.Take(2).Any(r => r.Key == cause.Key) ? 1 : 0;
            prior += symptom.Causes.MaxBy(c => c.Prior) == cause ? 1 : 0;
            if (ranked[0].Share > 0.8)
            {
                (sure, right) = (sure + 1, right + (ranked[0].Key == cause.Key ? 1 : 0));
            }
        }

        Assert.InRange((double)first / Cases, 0.73, 0.82);
        Assert.InRange((double)two / Cases, 0.92, 0.97);
        Assert.InRange((double)prior / Cases, 0.46, 0.6);
        Assert.InRange((double)right / sure, 0.86, 0.97);
    }

    [Theory]
    [InlineData("hurried", "hurrried", "hurrried")]
    [InlineData("\"of\": \"gloss\"", "\"of\": \"lustre\"", "lustre")]
    [InlineData("\"technique\": \"Glaze\"", "\"technique\": \"Glase\"", "Glase")]
    [InlineData("\"A2\": [0.7, 1.1]", "\"A3\": [0.7, 1.1]", "question 3")]
    [InlineData("\"onlyIf\": 1", "\"onlyIf\": 7", "question 7")]
    public void A_key_of_the_table_that_is_not_known_is_named(string was, string wrong, string named)
    {
        using var stream = typeof(SymptomBook).Assembly.GetManifestResourceStream("symptoms.json")!;
        var json = new StreamReader(stream).ReadToEnd();
        Assert.NotEmpty(SymptomBook.Parse(json).Symptoms);
        Assert.Contains(named, Assert.Throws<FormatException>(() => SymptomBook.Parse(json.Replace(was, wrong, StringComparison.Ordinal))).Message, StringComparison.Ordinal);
    }

    private static double Rate(Factor f, double usual) => Math.Abs(f.Present - f.Absent) < 1e-9 ? usual : Math.Clamp(f.Present * (1 - f.Absent) / (f.Present - f.Absent), 0, 1);
}
