using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>A washable marking that water reaches, or that nothing seals.</summary>
internal static class SolubleMarking
{
    public const string Id = "soluble-marking";

    public static void Check(StackReading reading, List<Finding> findings)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.Family != Family.WashableMarking)
            {
                continue;
            }

            var sealedBy = -1;
            var spoiled = -1;
            foreach (var above in reading.Applied.Where(a => a > i))
            {
                var next = reading.Coat(above);
                var harm = next.Carriers.Any(c => c != Carrier.None && coat.Paint!.Lead.Resistance.Against(c, FilmAge.RecoatDry) < Solvents.Needed(next, c));
                if (harm)
                {
                    spoiled = above;
                    break;
                }

                if (next.Family?.IsVarnish() == true)
                {
                    sealedBy = above;
                    break;
                }
            }

            if (spoiled >= 0)
            {
                findings.Add(new(Id, Severity.Stop, coat.Id, spoiled,
                    $"The {reading.Coat(spoiled).Technique.Facts().Word} takes the washable marking away.",
                    "It is still open to water and solvent; it wants a seal that does not move it.",
                    () => SpoiledMends(reading, i, spoiled)));
            }
            else if (sealedBy < 0)
            {
                findings.Add(new(Id, Severity.Stop, coat.Id, i + 1, "Nothing seals the washable marking.", "The first damp finger takes it off.", () => SealMends(reading, i + 1)));
            }
        }
    }

    private static IEnumerable<Mend> SealMends(StackReading reading, int gap)
    {
        if (Barriers.VarnishOverMarks(reading, gap, reading.Zone.Finish, Sheen.Satin, Sheen.Gloss, Sheen.Matt) is { } varnish)
        {
            yield return new("seal", $"Mist {varnish.Name} over it{(varnish.Waits ? ", and let it cure" : "")}", varnish.Apply);
        }
    }

    private static IEnumerable<Mend> SpoiledMends(StackReading reading, int marking, int spoiled)
    {
        foreach (var mend in SealMends(reading, marking + 1))
        {
            yield return mend;
        }

        var coat = reading.Coat(marking);
        var moved = reading.Draft.MoveAbove(coat.Id, reading.Coat(reading.Applied[^1]).Id);
        if (marking != reading.Applied[^1] && Barriers.VarnishOverMarks(reading.Of(moved), moved.Coats.Count, reading.Zone.Finish, Sheen.Satin, Sheen.Matt, Sheen.Gloss) is { } varnish)
        {
            yield return new("move", $"Move the marking to the top, under {varnish.Name}", varnish.Apply);
        }
    }
}
