using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Diagnosis;

/// <summary>A sign as it was found.</summary>
/// <param name="Sign">Which.</param>
/// <param name="On">On which copies.</param>
/// <param name="Words">What tells it, with coat, copies and clock; empty where nothing does.</param>
/// <param name="ByTold">Only the painter's word tells it.</param>
public sealed record SignFound(Sign Sign, SignOn On, string Words, bool ByTold)
{
    /// <summary>On the copies that show the symptom, taken together.</summary>
    public Presence Seen => On.Seen.Contains(Presence.Present) ? Presence.Present : On.Seen.Contains(Presence.Absent) ? Presence.Absent : Presence.Unknown;
}

/// <summary>Reads signs from a stack, its log and its air. What nothing tells is unknown, never absent.</summary>
public sealed partial class SignReader
{
    // Shares of what was needed, of what was planned, of what is usual. Craft estimates.
    private const double ShortOf = 0.9, HeavyFrom = 1.2, MixedFrom = 1.25, ThickFrom = 2, ThinBelow = 0.5;

    /// <summary>Share of oil or enamel in a thin coat over which it is fat. Craft estimate.</summary>
    internal const double FatShare = 0.15;

    // Humidity, C, mm2, minutes, dE00, L*. Craft estimates.
    private const double DampCan = 0.7, DampBrush = 0.8, ColdCan = 10, ColdOil = 14, FlatMm2 = 400, OldWaterMin = 90, GlueMin = 24 * 60, OtherLotDeltaE = 2, LongStepL = 25, HandledTimes = 3;

    private readonly MendCase of;
    private readonly int at;
    private readonly Dictionary<(double C, double Humidity), Reading> byAir = [];
    private readonly Lazy<IReadOnlyList<Finding>> findings;
    private readonly Lazy<HashSet<int>> outOfOrder;

    /// <summary>Reads a case.</summary>
    public SignReader(MendCase of)
    {
        ArgumentNullException.ThrowIfNull(of);
        (this.of, at) = (of, of.CoatAt);
        findings = new(() => of.Stack is { Coats.Count: > 0 } stack ? RuleBook.Read(Whole = new Reading(stack, Predictor.PredictMiddle(stack))) : []);
        outOfOrder = new(Disordered);
    }

    /// <summary>Copies whose log has a coat before one below it: their waits are left out.</summary>
    public IReadOnlyCollection<int> OutOfOrder => outOfOrder.Value;

    /// <summary>Findings of the stack as it is planned.</summary>
    public IReadOnlyList<Finding> Findings => findings.Value;

    private Reading? Whole { get; set; }

    /// <summary>Every sign that a cause of the symptom asks for.</summary>
    public IReadOnlyList<SignFound> Read() => [.. of.Symptom.Signs.Select(Read)];

    private SignFound Read(Sign sign)
    {
        var words = new List<string>();
        SignOn on;
        if (at < 0)
        {
            on = new([.. Copies(of.Seen).Select(_ => Presence.Unknown)], []);
        }
        else
        {
            on = new([.. Copies(of.Seen).Select(c => On(sign, c, words))], [.. of.Sound.Select(c => On(sign, c, []))]);
        }

        if (on.Seen.All(p => p == Presence.Unknown) && of.Told.TryGetValue(sign, out var told))
        {
            return new(sign, SignOn.All(told ? Presence.Present : Presence.Absent), told ? "as you say" : "", true);
        }

        return new(sign, on, string.Join("; ", words.Distinct().Take(3)), false);
    }

    // Without a copy that is named, what the plan tells holds for all.
    private static IReadOnlyList<int> Copies(IReadOnlyList<int> named) => named.Count > 0 ? named : [0];

    private Presence On(Sign sign, int copy, List<string> words)
    {
        var stack = of.Stack!;
        var target = of.Symptom.Targets.GetValueOrDefault(sign, Target.Coat);
        var rules = SymptomBook.Book.Facts(sign).Rules;
        if (rules.Count > 0)
        {
            return OfRules(rules, words);
        }

        return sign switch
        {
            Sign.Hurried => Any(target, i => Hurried(i, copy, words)),
            Sign.SolventLifts => SolventLifts(copy, words),
            Sign.NoBarrier => NoBarrier(words),
            Sign.DampAir => Any(target, i => OfEntries(i, copy, e => DampAir(stack.Coats[i], e), e => $"air at {e.RoomHumidity * 100:0} % when the {Word(i)} went on ({e.Clock})", words)),
            Sign.ColdAir => Any(target, i => OfEntries(i, copy, e => ColdAir(stack.Coats[i], e), e => $"air at {e.RoomC:0} C when the {Word(i)} went on ({e.Clock})", words)),
            Sign.OverThinned => Any(target, i => OverThinned(i, copy, words)),
            Sign.ForeignThinner => ForeignThinner(words),
            Sign.Unprimed => Unprimed(words),
            Sign.MattBelow => Sheen(s => s == Films.Sheen.Matt, "matt below it", words),
            Sign.GlossBelow => stack.Coats[at].Brings(Carrier.Water) ? Sheen(s => s == Films.Sheen.Gloss, "gloss below it", words) : Presence.Absent,
            Sign.SmoothFlat => Is(stack.Zone is { Relief: Relief.Smooth, AreaMm2: > FlatMm2 } && stack.Coats[at].How.Role == Role.AllOverWash, $"{stack.Zone.AreaMm2 / 100:0} cm2 of smooth surface", words),
            Sign.HeavyHand => Any(target, i => HeavyHand(i, copy, words)),
            Sign.WarmAir => Any(target, i => WarmAir(i, copy, words)),
            Sign.NotShaken => OfTick(copy, WorkedWith.Shaken, absentIs: true, stack.Coats[at].What?.Readying is { } ready && (ready & (Readying.Shake | Readying.Stir)) != 0, "it was not ticked as shaken", words),
            Sign.ThickCoat => Any(target, i => Film(i, t => t > ThickFrom, words)),
            Sign.ThinCoat => Any(target, i => Film(i, t => t < ThinBelow, words)),
            Sign.WindowPassed => Window(copy, late: true, words),
            Sign.WindowNotOpen => Window(copy, late: false, words),
            Sign.NoRecord => Any(target, i => NoRecord(i, copy, words)),
            Sign.OtherLot => Any(target, i => OfEntries(i, copy, e => e.LotDeltaE is { } off ? off > OtherLotDeltaE : null, e => $"the mix of then and of today's paint are {e.LotDeltaE:0.0} dE00 apart", words)),
            Sign.OldRinseWater => OldWater(copy, words),
            Sign.HandledUncured => Any(target, i => Handled(i, copy, words)),
            Sign.NoFinalSeal => NoSeal(copy, words),
            Sign.FreshSuperGlue => Glued(copy, words),
            Sign.WetNeighbour => Beside(copy, words),
            Sign.FatOil => FatOil(copy, words),
            Sign.BigStep => BigStep(words),
            Sign.CrackleUnder => Is(Applied(i => i < at && stack.Coats[i].How.Role is Role.CrackleMedium or Role.Fluid).Any(), "crackle medium or chipping fluid lies below", words),
            Sign.NotMasked => NotMasked(copy),
            Sign.OtherSheen => OtherFinish(words),

            // What a figure of the product does not tell is asked for.
            _ => Presence.Unknown,
        };
    }

    // The stronger of several coats: present on one is present.
    private Presence Any(Target target, Func<int, Presence> read)
    {
        IEnumerable<int> coats = target switch
        {
            Target.Coat => [at],
            Target.Below => of.Stack!.FilmBelow(at) is >= 0 and var below ? [below] : [],
            Target.Fluid => Applied(i => i <= at && of.Stack!.Coats[i].How.Role == Role.Fluid).TakeLast(1),
            _ => Applied(i => i <= at),
        };
        var found = coats.Select(read).ToList();
        return found.Contains(Presence.Present) ? Presence.Present : found.Contains(Presence.Absent) ? Presence.Absent : Presence.Unknown;
    }

    private IEnumerable<int> Applied(Func<int, bool> which) => Enumerable.Range(0, of.Stack!.Coats.Count).Where(i => !of.Stack.Coats[i].Skipped && which(i));

    private static Presence Is(bool present, string words, List<string> told)
    {
        if (present)
        {
            told.Add(words);
        }

        return present ? Presence.Present : Presence.Absent;
    }

    private string Word(int coat) => of.Stack!.Coats[coat] is var c && c.Paint is { } paint ? $"{c.Word} of {paint.Name}" : c.Word;

    private CaseEntry? Last(int copy, int coat, bool cleanUp = false) =>
        of.Log.LastOrDefault(l => l.Copy == copy && l.CoatId == of.Stack!.Coats[coat].Id && (cleanUp ? l.Pass == Step.CleanUpPass : Step.Lays(l.Pass)));

    private Presence OfEntries(int coat, int copy, Func<CaseEntry, bool?> present, Func<CaseEntry, string> say, List<string> words) =>
        Last(copy, coat) is { } entry && present(entry) is { } is_ ? Is(is_, is_ ? $"{say(entry)}, copy {copy}" : "", words) : Presence.Unknown;

    private Presence OfRules(IReadOnlyList<string> rules, List<string> words)
    {
        var found = Findings.FirstOrDefault(f => rules.Contains(f.Rule.Id));
        return Is(found is not null, found?.What.TrimEnd('.') ?? "", words);
    }

    private Reading ReadIn(double c, double humidity) => byAir.TryGetValue((c, humidity), out var known) ? known
        : byAir[(c, humidity)] = new(of.Stack! with { Climate = of.Stack.Climate with { TemperatureC = c, Humidity = humidity } });
}
