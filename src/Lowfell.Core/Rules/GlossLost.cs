using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>Matt varnish over what should shine: metal, glass, wet ground.</summary>
internal static class GlossLost
{
    public const string Id = "gloss-lost";

    private const int GlossSalt = 61;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        var shine = -1;
        var varnish = -1;
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.Paint is not { } paint)
            {
                continue;
            }

            if (paint.Lead.Effect == Effect.Metallic)
            {
                (shine, varnish) = (i, -1);
            }
            else if (paint.Lead.Family.IsVarnish())
            {
                varnish = paint.Lead.Sheen == Sheen.Matt && shine >= 0 ? i : -1;
            }
            else if (Layer.Of(i, coat, reading.Draft).Covers && coat.Technique.Facts().Covers)
            {
                (shine, varnish) = (-1, -1);
            }
        }

        if (varnish < 0)
        {
            return;
        }

        var metal = reading.Coat(shine);
        findings.Add(new(
            Id,
            Severity.Note,
            reading.Coat(varnish).Id,
            varnish,
            $"Matt varnish takes the shine off {metal.Paint!.Name}.",
            "Metal, glass and wet ground want their gloss back after the matt coat, or a mask before it.",
            () => Mends(reading, metal, varnish)));
    }

    private static IEnumerable<Mend> Mends(StackReading reading, Coat metal, int varnish)
    {
        if (reading.Draft.Coats.Count < StackDraft.MostCoats)
        {
            var edge = metal with
            {
                Id = reading.Draft.NewId(metal.Id, GlossSalt),
                Technique = Technique.EdgeHighlight,
                Passes = 1,
                Dilution = Dilution.Neat,
                Hurried = false,
                OwnDeposit = null,
                Wait = Wait.RecoatDry,
            };
            yield return new("re-edge", $"Re-edge with {metal.Paint!.Name} after it", () => reading.Draft.Insert(varnish + 1, edge));
        }

        var coat = reading.Coat(varnish);
        if (reading.Shelf.Varnishes(Sheen.Satin).FirstOrDefault(m => m.Family == coat.Family) is { } satin)
        {
            yield return new("satin", $"Use {satin.Name} instead", () => reading.Draft.Replace(coat.Of(satin)));
        }
    }
}
