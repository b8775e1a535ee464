using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>The thinner, or a component of the mix, is of another family than the paint.</summary>
public static class ThinnerMismatch
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("thinner-mismatch", "Thinner that does not fit", [Severity.Stop, Severity.Note], Reads.Order,
        "The thinner is of another family than the paint, or a mix brings together liquids that part.")
    {
        Check = Find,
        Mends = Mend,
    };

    private const string Mixed = "mix";

    private static IEnumerable<Fault> Find(Reading reading)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat is not { LeavesFilm: true, Paint: { } paint, What: { } what } || coat.How.Role == Role.Fixer)
            {
                continue;
            }

            if (paint.MixesCarriers)
            {
                yield return new(Severity.Stop, i, "This mix brings together liquids that do not mix.", "Water and spirit part in the pot; the paint curdles or never binds.") { Aspect = Mixed };
            }
            else if (coat.Dilution.PaintFraction < 1 && !paint.Lead.Family.Takes(coat.Thinner))
            {
                var doubtful = Array.IndexOf(what.DoubtfulThinners, coat.Thinner) >= 0 || (coat.How.Sprayed && Array.IndexOf(what.DoubtfulWhenSprayed, coat.Thinner) >= 0);
                yield return doubtful
                    ? new(Severity.Note, i, $"Try a drop first: not every {what.Word} takes {coat.Thinner.Word()}.", $"Some curdle in it; {what.OwnThinner.Word()} always works.")
                    : new(Severity.Stop, i, $"{Words.Capital(coat.Thinner.Word())} does not thin {what.Word}.", $"It curdles or will not bind; {what.Word} is thinned with {what.OwnThinner.Word()}.");
            }
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (coat, lead) = (context.Coat, context.Coat.Paint!.Lead);
        var own = lead.Family.Facts().OwnThinner;
        yield return context.Finding.Fault.Aspect == Mixed
            ? new("lead", $"Use {lead.Name} alone", context.Draft.Replace((coat with { Thinner = own }).Of(lead))) { GivesUpChoice = true }
            : new("thinner", $"Thin with {own.Word()}", context.Draft.Replace(coat with { Thinner = own }));
    }
}
