using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>A wash or solvent on unsealed brittle or loose texture.</summary>
internal static class TextureUnsealed
{
    public const string Id = "texture-unsealed";

    private const int GlueSalt = 41;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            var facts = coat.Technique.Facts();
            var wets = facts.AllOverWash || coat.Technique is Technique.Glaze or Technique.Filter or Technique.PinWash
                || (coat.Carriers.Any(c => c is Carrier.WhiteSpirit or Carrier.LacquerThinner or Carrier.Alcohol) && !coat.Technique.IsVarnish() && !facts.Sprayed);
            if (!wets)
            {
                continue;
            }

            // Grit that any brush can move is loose; pigment has a rule of its own.
            var weak = reading.Exposed(i).FirstOrDefault(l => l.Weakness == Weakness.Brittle || (l.Weakness == Weakness.Loose && l.Family != Family.Pigment));
            if (weak is null)
            {
                continue;
            }

            var loose = weak.Weakness == Weakness.Loose;
            findings.Add(new(
                Id,
                loose ? Severity.Stop : Severity.Risk,
                coat.Id,
                i,
                $"This {facts.Word} meets unsealed {weak.Word}.",
                loose ? "Loose grain floats off in it and settles where you do not want it." : "It soaks in, and brittle texture flakes from within.",
                () => Mends(reading, i, loose)));
        }
    }

    private static IEnumerable<Mend> Mends(StackReading reading, int i, bool loose)
    {
        var beside = reading.Coat(i);
        if (loose && reading.Shelf.First(Family.Pva) is { } glue)
        {
            var drip = new Coat { Id = reading.Draft.NewId(beside.Id, GlueSalt), Technique = Technique.DripGlue, Dilution = Dilution.Of(0.4) }.Of(glue);
            yield return new("glue", $"Drip thinned {glue.Name} on it first", () => reading.Draft.Insert(i, drip));
        }

        if (!loose && Barriers.Varnish(reading, i, Sheen.Satin, Sheen.Gloss, Sheen.Matt) is { } varnish)
        {
            yield return new("seal", $"Seal it twice with {varnish.Name}{(varnish.Waits ? ", and let it cure" : "")}", () =>
            {
                var draft = varnish.Apply();
                return draft.Replace(draft.Coats[i] with { Passes = 2 });
            });
        }
    }
}
