using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>Chipping fluid wants a sealed undercoat below, a water-borne coat above, and nothing else until it is opened.</summary>
internal static class ChippingSandwich
{
    public const string Id = "chipping-sandwich";

    private const int OpenSalt = 31;
    private const int TopSalt = 32;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        var fluid = -1;
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.Technique == Technique.ChippingFluid)
            {
                fluid = i;
                CheckFluid(reading, i, findings);
            }
            else if (coat.Technique == Technique.OpenChips && fluid < 0)
            {
                findings.Add(Found(reading, i, "no-fluid", "There is no chipping fluid below to open.", "Without the soluble layer you would scrape the paint down to the ground.",
                    () => [new("drop", "Leave the opening out", () => reading.Draft.Remove(c => c.Id == coat.Id))]));
            }
        }
    }

    private static void CheckFluid(StackReading reading, int i, List<Finding> findings)
    {
        var under = reading.Exposed(i).First();
        var holds = under.Index >= 0 && under.Resistance.Against(Carrier.Water, reading.Age(under, i)) >= 3;
        if (!holds)
        {
            findings.Add(Found(reading, i, "unsealed", $"The {under.Word} under the chipping fluid is not sealed.", "The damp brush that opens the chips would go through it too.", () => SealMends(reading, i)));
        }

        var above = reading.Applied.Where(a => a > i).ToList();
        var open = above.FirstOrDefault(a => reading.Coat(a).Technique == Technique.OpenChips, -1);
        var spoiler = above.TakeWhile(a => open < 0 || a < open).FirstOrDefault(a => Spoils(reading.Coat(a)), -1);
        if (spoiler >= 0)
        {
            findings.Add(Found(
                reading,
                spoiler,
                "locked",
                $"{Words.Capital(reading.Coat(spoiler).Technique.Facts().Word)} comes on the chipping fluid before it is opened.",
                "Varnish and solvent lock the fluid in: water no longer reaches it.",
                () => SpoilerMends(reading, i, spoiler, open)));
        }
        else if (above.Count == 0 || above[0] == open)
        {
            findings.Add(Found(reading, i, "no-top", "No coat lies on the chipping fluid.", "It opens the water-borne coat above it; with none there is nothing to chip.", () => TopMends(reading, i, open)));
        }
        else if (open < 0)
        {
            findings.Add(Found(reading, i, "unopened", "The chipping fluid is never opened.", "Its window closes within two hours of the coat above being touch-dry.",
                () => [new("open", "Open the chips after the coat above it", () => InsertOpening(reading, above[0]))]));
        }
    }

    private static bool Spoils(Coat coat) =>
        coat.Technique.IsVarnish() || coat.Technique == Technique.Seal || coat.Carriers.Any(c => c is not (Carrier.Water or Carrier.None));

    private static IEnumerable<Mend> SealMends(StackReading reading, int i)
    {
        // Lacquer resists water at once; a water-borne varnish has to cure first.
        if (reading.Shelf.VarnishCoats(Sheen.Satin).Concat(reading.Shelf.VarnishCoats(Sheen.Gloss))
                .SelectMany(v => new[] { v, v with { Wait = Wait.Cured } })
                .Where(v => Solvents.Safe(reading, i, v))
                .OrderByDescending(v => v.Paint!.Lead.Resistance.Water.Recoat).FirstOrDefault() is not { } varnish)
        {
            yield break;
        }

        var cure = varnish.Paint!.Lead.Resistance.Water.Recoat < 3;
        yield return new("seal", $"Seal with {varnish.Material!.Name} first{(cure ? ", and let it cure" : "")}", () =>
        {
            var fluid = reading.Coat(i);
            var draft = cure ? reading.Draft.Replace(fluid with { Wait = Wait.Cured }) : reading.Draft;
            return draft.Insert(i, varnish with { Id = draft.NewId(fluid.Id, OpenSalt + 2) });
        });
    }

    private static IEnumerable<Mend> SpoilerMends(StackReading reading, int fluid, int spoiler, int open)
    {
        var coat = reading.Coat(spoiler);
        if (open >= 0)
        {
            yield return new("move", "Move it above the opened chips", () => reading.Draft.MoveAbove(coat.Id, reading.Coat(open).Id));
        }
        else if (spoiler > reading.Next(fluid))
        {
            yield return new("open", "Open the chips before it", () => InsertOpening(reading, reading.Applied.Last(a => a < spoiler)));
        }

        if (!coat.Technique.IsVarnish() && coat.Technique != Technique.Seal && coat.Paint is { } paint
            && reading.Shelf.Nearest(paint.Lead.Colour, paint.Lead.Family is Family.EnamelWash or Family.AcrylicWash ? Family.AcrylicWash : Family.AcrylicPaint) is { } water)
        {
            yield return new("swap", $"Use {water.Name} instead", () => reading.Draft.Replace((coat with { Thinner = Thinner.Water, MixedTo = null }).Of(water)));
        }
    }

    private static IEnumerable<Mend> TopMends(StackReading reading, int i, int open)
    {
        var fluid = reading.Coat(i);
        yield return new("drop", "Leave the chipping out", () => reading.Draft.Remove(c => c.Id == fluid.Id || (open >= 0 && c.Id == reading.Coat(open).Id)));
        if (reading.Shelf.Nearest(reading.Zone.Target ?? reading.Prediction.Substrate.Face.Colour, Family.AcrylicPaint) is { } paint)
        {
            yield return new("top", $"Airbrush {paint.Name} over the fluid", () =>
            {
                var top = new Coat { Id = reading.Draft.NewId(fluid.Id, TopSalt), Technique = Technique.Airbrush, Dilution = Dilution.Of(0.5) }.Of(paint);
                var draft = reading.Draft.Insert(i + 1, top);
                return open >= 0 ? draft : draft.Insert(i + 2, new Coat { Id = draft.NewId(fluid.Id, OpenSalt), Technique = Technique.OpenChips });
            });
        }
    }

    private static StackDraft InsertOpening(StackReading reading, int above) =>
        reading.Draft.Insert(above + 1, new Coat { Id = reading.Draft.NewId(reading.Coat(above).Id, OpenSalt), Technique = Technique.OpenChips });

    private static Finding Found(StackReading reading, int i, string aspect, string what, string why, Func<IEnumerable<Mend>> mends) =>
        new(Id, Severity.Stop, reading.Coat(i).Id, i, what, why, mends, aspect);
}
