using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>A handled zone without a final varnish, or one that ends glossier than wanted.</summary>
internal static class FinalSealMissing
{
    public const string Id = "final-seal-missing";

    public static void Check(StackReading reading, List<Finding> findings)
    {
        if (reading.Applied.Count == 0)
        {
            return;
        }

        var seal = reading.Applied.LastOrDefault(i => reading.Coat(i).Family?.IsVarnish() == true, -1);
        var open = reading.Applied.Where(i => i > seal && !MayStayOnTop(reading, i)).ToList();
        var finish = reading.Zone.Finish;
        if (reading.Zone.Handled && (seal < 0 || open.Count > 0))
        {
            findings.Add(new(
                Id,
                Severity.Risk,
                reading.Coat(reading.Applied[^1]).Id,
                reading.Draft.Coats.Count,
                seal < 0 ? "This zone is handled and has no final varnish." : $"The {reading.Coat(open[^1]).Technique.Facts().Word} on top lies bare.",
                "Fingers wear paint off edges first; a varnish takes the wear.",
                () => AddMends(reading)));
        }
        else if (seal >= 0 && open.Count == 0 && reading.Coat(seal).Paint!.Lead.Sheen < finish && finish <= Sheen.Matt && !ShinesOnPurpose(reading, seal))
        {
            findings.Add(new(
                Id,
                Severity.Risk,
                reading.Coat(seal).Id,
                reading.Draft.Coats.Count,
                $"It ends {Words.Of(reading.Coat(seal).Paint!.Lead.Sheen)} where you want {Words.Of(finish)}.",
                "The last varnish sets the sheen of the whole zone.",
                () => SheenMends(reading, seal)));
        }
    }

    // By school, pigment may lie on the varnish; metal re-edged after it shines on purpose.
    private static bool MayStayOnTop(StackReading reading, int i)
    {
        var coat = reading.Coat(i);
        return coat.Technique is Technique.Pigment or Technique.FixPigment or Technique.OpenChips
            || (coat.Technique == Technique.EdgeHighlight && coat.Paint?.Lead.Effect == Effect.Metallic);
    }

    // Satin over metal is the way out that gloss-lost offers.
    private static bool ShinesOnPurpose(StackReading reading, int seal) =>
        reading.Applied.Any(i => i < seal && reading.Coat(i).Paint?.Lead.Effect == Effect.Metallic);

    private static IEnumerable<Mend> AddMends(StackReading reading)
    {
        if (Barriers.Varnish(reading, reading.Draft.Coats.Count, reading.Zone.Finish) is { } varnish)
        {
            yield return new("seal", $"End with {varnish.Name}{(varnish.Waits ? ", once all has cured" : "")}", varnish.Apply);
        }
    }

    private static IEnumerable<Mend> SheenMends(StackReading reading, int seal)
    {
        var coat = reading.Coat(seal);
        if (reading.Shelf.Varnishes(reading.Zone.Finish).FirstOrDefault(m => m.Family == coat.Family) is { } same)
        {
            yield return new("swap", $"Use {same.Name} for the last coat", () => reading.Draft.Replace(coat.Of(same)));
        }

        foreach (var mend in AddMends(reading))
        {
            yield return mend;
        }
    }
}
