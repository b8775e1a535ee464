using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>The next coat's carrier beats the film below it.</summary>
internal static class SolventLiftsFilm
{
    public const string Id = "solvent-lifts-film";

    public static void Check(StackReading reading, List<Finding> findings)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.Paint is null || coat.Technique == Technique.OpenChips)
            {
                continue;
            }

            foreach (var layer in reading.Exposed(i))
            {
                if (Solvents.HasOwnRule(layer, reading.Zone))
                {
                    continue;
                }

                var (shortfall, has, carrier) = Solvents.Worst(coat, layer, reading.Age(layer, i));
                if (shortfall <= 0)
                {
                    continue;
                }

                // Water over a water-borne film that merely gives is a nuisance; spirit, or a film that dissolves, is the end of it.
                var severity = has == 0 || carrier != Carrier.Water ? Severity.Stop : Severity.Risk;
                findings.Add(new(
                    Id,
                    severity,
                    coat.Id,
                    i,
                    $"The {carrier.Word()} in this {coat.Technique.Facts().Word} {(has == 0 ? "dissolves" : "softens")} the {layer.Word} below.",
                    $"{Words.Capital(layer.Word)} {Verdict(has)} against {carrier.Word()}, and a {coat.Technique.Facts().Word} asks for more.",
                    () => Mends(reading, i)));
                break;
            }
        }
    }

    private static IEnumerable<Mend> Mends(StackReading reading, int i)
    {
        var coat = reading.Coat(i);
        if (!coat.Technique.IsVarnish() && Barriers.Varnish(reading, i, Sheen.Satin, Sheen.Gloss, Sheen.Matt) is { } barrier)
        {
            yield return new("barrier", $"Put {barrier.Name} between{(barrier.Waits ? ", and let it cure" : "")}", barrier.Apply);
        }

        var cured = coat with { Wait = Wait.Cured };
        if (coat.Wait != Wait.Cured && Solvents.Safe(reading, i, cured))
        {
            yield return new("wait", "Wait until what is below has cured", () => reading.Draft.Replace(cured));
        }

        if (Substitute(reading, i) is { } other)
        {
            yield return new("material", $"Use {other.Material!.Name} instead", () => reading.Draft.Replace(other));
        }
    }

    // The nearest colour that does the same job with another carrier.
    private static Coat? Substitute(StackReading reading, int i)
    {
        var coat = reading.Coat(i);
        var lead = coat.Paint!.Lead;
        var role = SameRole(lead.Family);
        var lab = lead.Colour.ToLab();
        return reading.Shelf.Materials
            .Where(m => role.Contains(m.Family) && m.Family != lead.Family && (!m.Family.IsVarnish() || m.Sheen == lead.Sheen))
            .OrderBy(m => ColourDifference.Ciede2000(lab, m.Colour.ToLab()))
            .Select(m => (coat with { Thinner = m.Family.Facts().OwnThinner, MixedTo = null }).Of(m))
            .FirstOrDefault(c => Solvents.Safe(reading, i, c));
    }

    private static Family[] SameRole(Family family) => family switch
    {
        Family.AcrylicPaint or Family.Lacquer or Family.EnamelPaint or Family.OilPaint => [Family.AcrylicPaint, Family.Lacquer, Family.EnamelPaint],
        Family.AcrylicWash or Family.EnamelWash => [Family.AcrylicWash, Family.EnamelWash],
        Family.PrimerAerosol or Family.PrimerWater => [Family.PrimerAerosol, Family.PrimerWater],
        Family.VarnishWater or Family.VarnishLacquer or Family.VarnishEnamel => [Family.VarnishWater, Family.VarnishLacquer, Family.VarnishEnamel],
        _ => [],
    };

    private static string Verdict(int has) => has switch { 0 => "does not hold", 1 => "gives when brushed", _ => "holds only unless scrubbed" };
}
