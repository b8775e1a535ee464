using Lowfell.Core.Amounts;
using Lowfell.Core.Diagnosis;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Safety;
using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Web.Features.Mend;

/// <summary>A diagnosis in the contract's terms.</summary>
internal static class CaseWriter
{
    public static SymptomView Symptom(Symptom s, StackDraft? stack) => new(
        s.Key, s.Name, s.Sees, s.Group, new MendCase { Symptom = s, Stack = stack }.Fits,
        [.. s.Causes.OrderByDescending(c => c.Prior).Select(c => new CauseName(c.Key, c.Word)), new(Ranking.Other, "something that is not on this list")],
        [.. s.Remedies.OrderBy(r => r.Minutes).Select(r => Words.Capital(r.Does))]);

    /// <summary>What is said of a case.</summary>
    /// <param name="of">The case.</param>
    /// <param name="said">Its diagnosis.</param>
    /// <param name="copies">Copies of the piece; 0 without one.</param>
    /// <param name="reached">Copies on which the coat is on.</param>
    /// <param name="pieceId">The piece; null without one.</param>
    /// <param name="place">Piece and zone, in words; empty without one.</param>
    public static CaseView View(MendCase of, Diagnosed said, int copies, IReadOnlySet<int> reached, Guid? pieceId = null, string place = "")
    {
        var symptom = of.Symptom;
        var after = Enumerable.Range(1, copies).Count(c => !reached.Contains(c) && !of.Seen.Contains(c));
        return new(
            Symptom(symptom, of.Stack),
            pieceId,
            place,
            said.CoatAt < 0 ? null : of.Stack!.Coats[said.CoatAt].Id,
            of.Stack is null ? [] : [.. of.Stack.Coats.Where(c => !c.Skipped).Select(c => new CaseCoat(c.Id, c.Label))],
            [.. Enumerable.Range(1, copies).Select(c => new CaseCopy(c, reached.Contains(c), of.Seen.Contains(c)))],
            [.. said.Causes.Select(c => new CaseCause(c.Key, c.Word, Math.Round(c.Share, 4), c.For, c.Against, c.Hits))],
            said.Said,
            said.Ask is { } ask ? new(ask, symptom.Questions[ask - 1], null) : null,
            [.. of.Answers.OrderBy(a => a.Key).Select(a => new CaseAsk(a.Key, symptom.Questions[a.Key - 1], a.Value))],
            [.. said.AskSigns.Select(a => new CaseAskSign(a.Sign, a.Ask, a.Answer))],
            [.. said.Offers.Select(o => Offer(o, Math.Max(1, of.Seen.Count)))],
            [.. said.Next.Select(e => Edit(e, of, after))],
            after,
            said.Strip,
            said.Notices,
            of.Learned.Cases,
            Cautions.Defer);
    }

    private static CaseOffer Offer(Offer o, int copies) => new(
        o.Remedy.Place, o.Remedy.Kind, Words.Capital(o.Remedy.Does), o.Remedy.Minutes, o.Remedy.Minutes * copies, o.Remedy.Takes, o.Remedy.Risks, o.Risk, Math.Round(o.Ml, 2), o.Missing, o.Cautions,
        [.. o.Steps.Select(s => new CaseStep(StepWords.Of(s.Coat.Technique), s.Coat.Paint?.Name, (s.Coat.MixedTo ?? s.Coat.Paint?.Lead.Colour)?.ToString(), s.Share, Math.Round(s.Minutes, 2), s.WaitMin))]);

    private static CaseEdit Edit(PlanEdit e, MendCase of, int after)
    {
        double Ml(StackDraft stack) => stack.Coats.Where(c => c is { Skipped: false, LeavesFilm: true }).Sum(c => CoatAmount.Of(c, [stack.Zone with { Copies = Math.Max(1, after) }], Palette.Wet, stack.Schools.Highlights).TotalMl);
        return new(e.Sign, e.Words, Math.Round(e.HandsOnMin * after / Math.Max(1, of.Stack!.Zone.Copies), 1), Math.Round(e.WaitingMin), Math.Round(Ml(e.Draft) - Ml(of.Stack), 2));
    }
}
