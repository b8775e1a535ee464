using Lowfell.Core.Amounts;
using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Ready;

/// <summary>A primer or undercoat under the base of a stack, with what it leads to.</summary>
/// <param name="Material">The primer.</param>
/// <param name="Technique">How it is laid with the tools there are.</param>
/// <param name="Passes">Passes of the base until it covers; 13 stands for more than 12.</param>
/// <param name="Minutes">Hands-on minutes of primer and base on all copies.</param>
/// <param name="OffDeltaE">dE00 of the finished face to what is wanted.</param>
/// <param name="Shading">dE00 between recess and face of the finished stack: how much depth is left.</param>
/// <param name="Look">What the finished zone would look like.</param>
/// <param name="IsNow">It is the one that is planned.</param>
/// <param name="Draft">The stack with it.</param>
public sealed record PrimerChoice(Material Material, Technique Technique, int Passes, double Minutes, double OffDeltaE, double Shading, ByHeight<Srgb> Look, bool IsNow, StackDraft Draft)
{
    /// <summary>The depth that is left, in words.</summary>
    public string Depth => Shading switch { < 2 => "no shade left in the recess", < 6 => "a little shade in the recess", < 15 => "the recess stays darker", _ => "the recess stays far darker" };
}

/// <summary>Ranks the primers and undercoats that are owned for what a zone is to look like.</summary>
public static class PrimerChooser
{
    // A finished face this near to what is wanted is as good as any nearer, dE00: at arm's length it is the same.
    private const double AsGood = 2.5;

    /// <summary>Each primer of the shelf under the base, the best first: those that end on the wanted face, then by passes, minutes and nearness.</summary>
    /// <param name="draft">The stack; its base is the last coat that covers.</param>
    /// <param name="shelf">What there is, and the tools.</param>
    /// <returns>None where the stack has no base.</returns>
    public static IReadOnlyList<PrimerChoice> Rank(StackDraft draft, Shelf shelf)
    {
        ArgumentNullException.ThrowIfNull(draft);
        ArgumentNullException.ThrowIfNull(shelf);
        var at = ColourHelp.BaseCoat(draft);
        if (at < 0 || draft.Coats[at].What!.Kind == Kind.Primer)
        {
            return [];
        }

        var goal = draft.Zone.Target?.ToLab() ?? Predictor.PredictMiddle(draft).Top.Face.Lab;
        var ground = GroundBelow(draft, at);
        var sprays = draft.Coats.Any(c => !c.Skipped && c.How.Sprayed);
        return [.. shelf.Materials.Where(m => m.Family.Facts().Kind == Kind.Primer)
            .Select(m => (Material: m, How: WayOf(m, shelf.Tools, sprays)))
            .Where(m => m.How is not null && Bears(draft, ground, m.Material))
            .Select(m => Of(draft, at, ground, m.Material, m.How!.Value, goal))
            .OrderBy(c => c.OffDeltaE > AsGood).ThenBy(c => c.Passes).ThenBy(c => Math.Round(c.Minutes)).ThenBy(c => c.OffDeltaE).ThenBy(c => c.Material.Name, StringComparer.Ordinal)];
    }

    // The primer that is there, nearest below the base; -1 where there is none and one would come first.
    private static int GroundBelow(StackDraft draft, int at)
    {
        for (var i = at - 1; i >= 0; i--)
        {
            if (!draft.Coats[i].Skipped && draft.Coats[i].What?.Kind == Kind.Primer)
            {
                return i;
            }
        }

        return -1;
    }

    private static Technique? WayOf(Material primer, Tools tools, bool sprays) =>
        new[] { primer.Family.Facts().InCan ? Technique.SprayCan : sprays ? Technique.Airbrush : Technique.BaseCoat, Technique.BaseCoat }
            .Where(t => primer.Family.Facts().InCan == (t == Technique.SprayCan) && tools.Can(t, primer.Family)).Select(t => (Technique?)t).FirstOrDefault();

    private static bool Bears(StackDraft draft, int ground, Material primer) =>
        draft.FilmBelow(Math.Max(ground, 0)) >= 0 || !draft.Zone.Substrate.Facts().Melts || primer.Family.Facts().Carrier == Carrier.Water;

    private static PrimerChoice Of(StackDraft draft, int at, int ground, Material primer, Technique technique, Lab goal)
    {
        var isNow = ground >= 0 && draft.Coats[ground].Material?.Id == primer.Id;
        var laid = isNow ? draft.Coats[ground] : Coat.Usual(technique, primer);
        var tried = ground >= 0
            ? draft with { Coats = [.. draft.Coats.Select((c, i) => i == ground ? (isNow ? c : laid with { Id = c.Id, Note = c.Note, Passes = technique == Technique.Airbrush ? 2 : 1 }) : c)] }
            : draft.InsertNew(0, laid, draft.Coats[0].Id, Salt.Prime);
        var (base0, primerAt) = ground >= 0 ? (at, ground) : (at + 1, 0);
        var passes = ColourHelp.PassesToCover(tried, base0, ReliefHeight.Face);
        tried = tried.Replace(tried.Coats[base0] with { Passes = Math.Clamp(passes, 1, ColourHelp.MostPasses) });
        var top = Predictor.PredictMiddle(tried).Top;
        double Minutes(int i) => CoatAmount.Of(tried.Coats[i], [tried.Zone], Palette.Wet).Minutes;
        return new(
            primer,
            tried.Coats[primerAt].Technique,
            passes,
            Minutes(base0) + Minutes(primerAt),
            ColourDifference.Ciede2000(goal, top.Face.Lab),
            top.Shading,
            new(top.Recess.Colour, top.Face.Colour, top.Edge.Colour),
            isNow,
            tried);
    }
}
