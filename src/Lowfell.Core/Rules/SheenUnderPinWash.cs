using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>A pin wash, or a spirit filter, on a ground too matt for it: it creeps, stains and rings.</summary>
internal static class SheenUnderPinWash
{
    public const string Id = "sheen-under-pin-wash";

    public static void Check(StackReading reading, List<Finding> findings)
    {
        var wanted = reading.Draft.Schools.PinWashVarnish;
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            var pin = coat.Technique == Technique.PinWash;
            var filter = coat.Technique == Technique.Filter && coat.Carrier == Carrier.WhiteSpirit;
            if (!pin && !filter)
            {
                continue;
            }

            var sheen = reading.SheenUnder(i);
            if (sheen <= (pin ? wanted : Sheen.Satin))
            {
                continue;
            }

            var word = wanted == Sheen.Gloss ? "gloss" : "satin";
            findings.Add(new(
                Id,
                Severity.Risk,
                coat.Id,
                i,
                $"This {coat.Technique.Facts().Word} goes on a {Words.Of(sheen)} ground.",
                sheen >= Sheen.Matt ? "On a matt ground it creeps, stains the face and leaves rings." : "Your school runs it on gloss, where it flows along the crease by itself.",
                () => Mends(reading, i, word)));
        }
    }

    private static IEnumerable<Mend> Mends(StackReading reading, int i, string word)
    {
        if (Barriers.Varnish(reading, i, reading.Draft.Schools.PinWashVarnish) is { } varnish)
        {
            yield return new("varnish", $"Put {varnish.Name} ({word}) under it{(varnish.Waits ? ", and let it cure" : "")}", varnish.Apply);
        }
    }
}
