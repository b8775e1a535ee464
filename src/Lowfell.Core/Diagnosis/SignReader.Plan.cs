using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Diagnosis;

/// <content>What the stack itself tells, as it is planned.</content>
public sealed partial class SignReader
{
    private Presence SolventLifts(int copy, List<string> words)
    {
        var reading = Whole ?? new Reading(of.Stack!);
        foreach (var clash in reading.Clashes.Where(c => c.At == at && c.Severity != Severity.Note))
        {
            return Is(true, $"what carries the {Word(at)} beats {reading.Word(clash.Film)} at any age", words);
        }

        if (of.Stack!.FilmBelow(at) < 0)
        {
            return Presence.Unknown;
        }

        var wait = reading.Waits[at];
        if (wait.Kind is not (WaitKind.Overnight or WaitKind.Cured) || !of.Stack.Coats[at].BringsSolvent)
        {
            return Presence.Absent;
        }

        if (Waited(at, copy) is { } w)
        {
            return Is(w.Gap < w.Wait.NeededMin * ShortOf, $"the {Word(w.Below)} was {w.Gap:0} min old and bears this only when it {SaidAttribute.Of(typeof(WaitKind))[wait.Kind.ToString()]}, after {w.Wait.NeededMin / 60:0} h ({w.Entry.Clock}), copy {copy}", words);
        }

        return wait.IsShort ? Is(true, $"the plan waits {wait.Minutes:0} min of the {wait.NeededMin:0} that it needs", words) : Presence.Unknown;
    }

    private Presence NoBarrier(List<string> words)
    {
        var (stack, coat) = (of.Stack!, of.Stack!.Coats[at]);
        var spirit = coat.BringsSolvent && coat.Impact == Impact.Scrubbed;
        var opening = coat.How.Role is Role.Opening or Role.Fluid;
        if (!spirit && !opening)
        {
            return Presence.Absent;
        }

        var over = opening ? Applied(i => i <= at && stack.Coats[i].How.Role == Role.Fluid).DefaultIfEmpty(at).Last() : at;
        var below = stack.FilmBelow(over);
        return Is(below >= 0 && stack.Coats[below].What!.Kind != Kind.Varnish && stack.Coats[below].Carrier == Carrier.Water, below < 0 ? "" : $"no varnish between the {Word(below)} and the {Word(over)}", words);
    }

    private Presence OverThinned(int i, int copy, List<string> words)
    {
        var coat = of.Stack!.Coats[i];
        if (coat is not { LeavesFilm: true, Paint: { } paint, What: { } what } || coat.Thinner.Facts().Binds)
        {
            return coat.LeavesFilm ? Presence.Absent : Presence.Unknown;
        }

        var fraction = Last(copy, i)?.PaintFraction ?? coat.Dilution.PaintFraction;
        var (share, least) = (fraction * Math.Min(1, paint.PaintShare + paint.MediumShare), what.ThinnedTo(coat.How.Role).Least);
        return Is(share < least - 1e-9, $"the {Word(i)} was thinned to {share * 100:0} %; {least * 100:0} % is the least", words);
    }

    private Presence ForeignThinner(List<string> words)
    {
        var coat = of.Stack!.Coats[at];
        if (coat is not { LeavesFilm: true, What: { } what } || coat.Dilution.PaintFraction >= 1)
        {
            return Presence.Absent;
        }

        return Is(coat.Thinner != what.OwnThinner && !what.OtherThinners.Contains(coat.Thinner), $"{what.Word} thinned with {coat.Thinner.Word()}", words);
    }

    private Presence Unprimed(List<string> words)
    {
        var stack = of.Stack!;
        return Is(stack.Zone.Substrate.Facts().Slick && !Applied(i => stack.Coats[i].What?.Kind == Kind.Primer || stack.Coats[i].Carrier == Carrier.LacquerThinner).Any(), $"no primer on {stack.Zone.Substrate.Facts().Word}", words);
    }

    private Presence Sheen(Func<Sheen, bool> which, string say, List<string> words)
    {
        var stains = of.Stack!.Coats[at].How is { Role: Role.AllOverWash or Role.Glaze or Role.Filter or Role.PinWash or Role.Drawing or Role.Paste or Role.CracklePaste or Role.CrackleMedium };
        return Is(stains && which((Whole ?? new Reading(of.Stack)).SheenUnder(at)), say, words);
    }

    private Presence Film(int i, Func<double, bool> which, List<string> words)
    {
        var coat = of.Stack!.Coats[i];
        if (!coat.LeavesFilm)
        {
            return Presence.Unknown;
        }

        var times = FilmTimes(coat, of.Stack.Zone);
        return Is(which(times), $"the {Word(i)} is planned {times:0.0} times as thick as usual", words);
    }

    /// <summary>A pass of a coat as it is planned, over what is usual of its technique.</summary>
    internal static double FilmTimes(Coat coat, Zone zone)
    {
        static double Thickest(Deposit d) => d.WetFilmUm.Max();
        var usual = Thickest(Kernels.Deposit(coat.Technique, zone.Relief, zone.Facing));
        return coat.Hand * (coat.OwnDeposit is { } own && usual > 0 ? Thickest(own) / usual : 1);
    }

    // One of the old zones that ended as this one does speaks against it.
    private Presence OtherFinish(List<string> words)
    {
        if (of.Earlier.Count == 0)
        {
            return Presence.Unknown;
        }

        var varnish = Applied(i => of.Stack!.Coats[i].What?.Kind == Kind.Varnish).Select(i => of.Stack!.Coats[i].Material).LastOrDefault();
        static string Said(Material? m) => m is null ? "no varnish" : m.Name;
        var other = of.Earlier[0];
        return Is(of.Earlier.All(e => e.Varnish?.Id != varnish?.Id), $"{Said(varnish)} is last here; {other.Zone} has {Said(other.Varnish)}", words);
    }

    private Presence NoSeal(int copy, List<string> words)
    {
        var stack = of.Stack!;
        var varnish = Applied(i => stack.Coats[i].What?.Kind == Kind.Varnish).DefaultIfEmpty(-1).Last();
        var buried = varnish >= 0 && Applied(i => i > varnish && stack.Coats[i].LeavesFilm && stack.Coats[i].How.Covers).Any();
        if (varnish < 0 || buried)
        {
            return Is(stack.Zone.Handled || of.Symptom.Targets.ContainsKey(Sign.NoFinalSeal), "no varnish is planned as the last coat", words);
        }

        var begun = of.Log.Any(l => l.Copy == copy);
        return !begun || Last(copy, varnish) is not null ? Presence.Absent : Is(true, $"its {Word(varnish)} is not on yet, copy {copy}", words);
    }

    private Presence FatOil(int copy, List<string> words)
    {
        var coat = of.Stack!.Coats[at];
        if (coat is not { LeavesFilm: true, What: { DriesAtShare: not null } what })
        {
            return Presence.Absent;
        }

        var share = (Last(copy, at)?.PaintFraction ?? coat.Dilution.PaintFraction) * coat.Paint!.PaintShare;
        var thin = coat.How.Role is Role.AllOverWash or Role.Filter or Role.PinWash or Role.Glaze or Role.Mark;
        return what.Kind == Kind.Wash ? Presence.Absent : Is(thin && share > FatShare, $"{share * 100:0} % of paint in it, where {FatShare * 100:0} % is enough", words);
    }

    private Presence BigStep(List<string> words)
    {
        var (stack, coat) = (of.Stack!, of.Stack!.Coats[at]);
        if (coat is not { LeavesFilm: true, How.Role: Role.DryBrush or Role.Raise } || Findings is null || Whole is null)
        {
            return Presence.Absent;
        }

        var step = coat.Paint!.Lead.Colour.ToLab().L - Whole.Prediction.Below(at).Face.Lab.L;
        return Is(step > LongStepL, $"{coat.Paint.Name} is {step:0} L* lighter than the face", words);
    }
}
