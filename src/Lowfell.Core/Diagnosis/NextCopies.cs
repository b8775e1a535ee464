using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mending;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Rules.Order;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Diagnosis;

/// <summary>A change of the plan for copies that have not come to the coat.</summary>
/// <param name="Sign">The sign that it takes away.</param>
/// <param name="Words">What is changed.</param>
/// <param name="Draft">The stack with it.</param>
/// <param name="HandsOnMin">Hands-on minutes more on all copies of the zone.</param>
/// <param name="WaitingMin">Minutes of waiting more.</param>
public sealed record PlanEdit(Sign Sign, string Words, StackDraft Draft, double HandsOnMin, double WaitingMin);

/// <summary>What takes a cause away from the copies that come after.</summary>
public static class NextCopies
{
    /// <summary>One edit for each sign of a cause that is there, in the order of its factors; none where there is no stack.</summary>
    /// <param name="of">The case.</param>
    /// <param name="cause">The cause.</param>
    /// <param name="found">Its signs as they were found.</param>
    /// <param name="findings">Findings of the stack.</param>
    /// <param name="shelf">What may be reached for.</param>
    public static IReadOnlyList<PlanEdit> Of(MendCase of, Cause cause, IReadOnlyList<SignFound> found, IReadOnlyList<Finding> findings, Shelf shelf)
    {
        ArgumentNullException.ThrowIfNull(of);
        if (of.Stack is not { } stack || of.CoatAt is not (>= 0 and var at))
        {
            return [];
        }

        var reading = new Reading(stack, Predictor.PredictMiddle(stack));
        var cost = StackCost.Of(reading);
        var edits = new List<PlanEdit>();
        foreach (var sign in found.Where(f => f.Seen == Presence.Present && cause.Signs.TryGetValue(f.Sign, out var factor) && factor.Present > 1).OrderByDescending(f => cause.Signs[f.Sign].Present))
        {
            var (words, draft) = Edit(sign.Sign, of, at, reading, findings, shelf);
            if (draft.Coats.Count <= StackDraft.MostCoats && draft.FirstImpossible() < 0)
            {
                var added = cost.To(StackCost.Of(new Reading(draft, Predictor.PredictMiddle(draft))));
                edits.Add(new(sign.Sign, words, draft, added.HandsOnMin, added.WaitingMin));
            }
        }

        return edits;
    }

    private static (string Words, StackDraft Draft) Edit(Sign sign, MendCase of, int at, Reading reading, IReadOnlyList<Finding> findings, Shelf shelf)
    {
        var (stack, coat, facts) = (of.Stack!, of.Stack!.Coats[at], SymptomBook.Book.Facts(sign));
        if (facts.Rules.Count > 0 && findings.FirstOrDefault(f => facts.Rules.Contains(f.Rule.Id)) is { } finding && Least(RankedMends.Of(reading, finding, shelf)) is { } mend)
        {
            return (mend.Label, mend.Draft);
        }

        var target = Target(sign, of, at, reading);
        var aim = stack.Coats[target];
        var remember = (Words.Capital(facts.Next), Noted(stack, target, facts.Next));
        (string, StackDraft) Change(string words, Coat to) => (words, stack.Replace(to));
        return sign switch
        {
            Sign.Hurried or Sign.SolventLifts when aim.OwnWaitMin is { } own && own < reading.Waits[target].NeededMin =>
                Change($"Wait as long as it needs before the {aim.Word}", aim with { OwnWaitMin = null }),
            Sign.SolventLifts when findings.FirstOrDefault(f => f.Rule.Id == SolventLiftsFilm.Rule.Id && f.CoatId == coat.Id) is { } lifts && Least(RankedMends.Of(reading, lifts, shelf)) is { } best => (best.Label, best.Draft),
            Sign.SolventLifts when Barrier(stack, at, shelf) is { } between => ("Put a varnish between", between),
            Sign.Hurried when reading.Waits[target].NeededMin > 0 => ($"Keep the wait before the {aim.Word}", Noted(stack, target, $"wait {reading.Waits[target].NeededMin:0} min in this air before it")),
            Sign.NoBarrier when Barrier(stack, at, shelf) is { } between => ("Put a varnish between", between),
            Sign.OverThinned when Limit(aim) is { } limit => Change($"Thin it to {limit * 100:0} %, no further", aim with { Dilution = Dilution.Of(limit) }),
            Sign.ForeignThinner => Change($"Thin with {aim.What!.OwnThinner.Word()}", aim with { Thinner = aim.What.OwnThinner }),
            Sign.Unprimed when Primer(shelf) is { } primer => ($"Prime with {primer.Name} first", stack.InsertNew(0, Coat.Usual(primer.Family.Proposed(), primer), stack.Coats[0].Id, Salt.Prime)),
            Sign.MattBelow when Varnish(shelf, Sheen.Satin, Sheen.Gloss) is { } under => ($"Put {under.Name} below", stack.InsertNew(at, Neat(under), coat.Id, Salt.Barrier)),
            Sign.GlossBelow when Varnish(shelf, Sheen.Satin, Sheen.Matt) is { } under => ($"Put {under.Name} below", stack.InsertNew(at, Neat(under), coat.Id, Salt.Barrier)),
            Sign.SmoothFlat => Change("Pin wash the creases in place of a wash", coat with { Technique = Technique.PinWash }),
            Sign.HeavyHand when aim.Hand > 1 => Change("Lay it with a middle hand, in two passes", aim with { Hand = 1, Passes = Math.Min(Coat.MostPasses, aim.Passes + 1) }),
            Sign.WarmAir when aim.Hurried => Change("Let it dry by itself", aim with { Hurried = false }),
            Sign.ThickCoat => Change("Half the film, in two passes", aim with { Hand = 1, OwnDeposit = null, Passes = Math.Min(Coat.MostPasses, aim.Passes + 1) }),
            Sign.ThinCoat => Change("As much as is usual", aim with { Hand = 1, OwnDeposit = null }),
            Sign.FatOil => Change($"Thin it to {SignReader.FatShare * 100:0} % paint", aim with { Dilution = Dilution.Of(SignReader.FatShare / Math.Max(SignReader.FatShare, aim.Paint!.PaintShare)) }),
            Sign.NoFinalSeal when !EndsSealed(stack) && Varnish(shelf, stack.Zone.Finish.AsFilm(), Sheen.Matt, Sheen.Satin, Sheen.Gloss) is { } last => ($"End with {last.Name}", stack.InsertNew(stack.Coats.Count, Neat(last), stack.Coats[^1].Id, Salt.Seal)),
            _ => remember,
        };
    }

    // A coat between leaves how the painter works as it is; own materials and coats are given up last.
    private static Mend? Least(IReadOnlyList<RankedMend> ranked) => (ranked.FirstOrDefault(m => m.Mend.Id.StartsWith("barrier", StringComparison.Ordinal)) ?? ranked.FirstOrDefault(m => !m.Mend.GivesUpChoice) ?? ranked.FirstOrDefault())?.Mend;

    // The coat that the sign was found at.
    private static int Target(Sign sign, MendCase of, int at, Reading reading)
    {
        var stack = of.Stack!;
        return of.Symptom.Targets.GetValueOrDefault(sign, Diagnosis.Target.Coat) switch
        {
            Diagnosis.Target.Below => stack.FilmBelow(at) is >= 0 and var below ? below : at,
            Diagnosis.Target.Fluid => reading.Laid(Role.Fluid).Where(i => i <= at).DefaultIfEmpty(at).Last(),
            Diagnosis.Target.Any => reading.Applied.Where(i => i <= at && Has(sign, stack, i, reading)).DefaultIfEmpty(at).First(),
            _ => at,
        };
    }

    // Which of several coats the plan itself has the sign at.
    private static bool Has(Sign sign, StackDraft stack, int i, Reading reading) => stack.Coats[i] is var c && sign switch
    {
        Sign.OverThinned => Limit(c) is { } limit && c.Dilution.PaintFraction < limit - 1e-9,
        Sign.HeavyHand => c.Hand > 1,
        Sign.WarmAir => c.Hurried,
        Sign.ThickCoat or Sign.ThinCoat => c.LeavesFilm && Math.Abs(SignReader.FilmTimes(c, stack.Zone) - 1) >= 0.5,
        Sign.Hurried => c.OwnWaitMin < reading.Waits[i].NeededMin,
        _ => false,
    };

    private static double? Limit(Coat coat) => coat is { LeavesFilm: true, Paint: { } paint, What: { } what } && what.ThinnedTo(coat.How.Role).Least / Math.Min(1, paint.PaintShare + paint.MediumShare) is > 0 and <= 1 and var least ? Math.Ceiling(least * 1000) / 1000 : null;

    private static bool EndsSealed(StackDraft stack) => stack.Coats.LastOrDefault(c => c is { Skipped: false, LeavesFilm: true, How.Covers: true } || c is { Skipped: false, What.Kind: Kind.Varnish })?.What?.Kind == Kind.Varnish;

    // A reminder stands on the bench card; it is not written twice.
    private static StackDraft Noted(StackDraft stack, int at, string note)
    {
        var (coat, said) = (stack.Coats[at], Words.Capital(note) + ".");
        return coat.Note.Contains(said, StringComparison.Ordinal) ? stack : stack.Replace(coat with { Note = coat.Note.Length == 0 ? said : $"{coat.Note}\n{said}" });
    }

    private static StackDraft? Barrier(StackDraft stack, int at, Shelf shelf)
    {
        var over = stack.Coats[at].How.Role == Role.Opening ? stack.Coats.Take(at).Select((c, i) => (c, i)).Where(x => !x.c.Skipped && x.c.How.Role == Role.Fluid).Select(x => x.i).DefaultIfEmpty(at).Last() : at;

        // Of those that hold, the one that is waited for least.
        return shelf.Materials.Where(m => m.Family.IsVarnish()).OrderBy(m => m.Sheen != stack.Schools.PinWashSheen).Select(m => stack.InsertNew(over, Neat(m), stack.Coats[over].Id, Salt.Barrier))
            .Select(draft => (Draft: draft, Reading: new Reading(draft))).Where(t => !t.Reading.Clashes.Any(c => c.Severity != Severity.Note && c.At >= over && c.At <= over + 1))
            .OrderBy(t => Math.Round(t.Reading.WaitingMin / 10)).Select(t => t.Draft).FirstOrDefault();
    }

    private static Material? Varnish(Shelf shelf, params Sheen[] sheens) => sheens.SelectMany(s => shelf.Varnishes(s).OrderBy(m => m.Family.Facts().Carrier != Carrier.Water)).FirstOrDefault();

    private static Material? Primer(Shelf shelf) => shelf.Materials.Where(m => m.Family.Facts().Kind == Kind.Primer).OrderBy(m => m.Name, StringComparer.Ordinal).FirstOrDefault();

    private static Coat Neat(Material varnish) => Coat.Usual(varnish.Family.Facts().InCan || varnish.Family == Family.VarnishLacquer ? Technique.VarnishSpray : Technique.Varnish, varnish) with { Dilution = Dilution.Neat };
}
