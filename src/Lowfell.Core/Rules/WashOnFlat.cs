using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>An all-over wash on a smooth, large zone pools, dries with rings and hangs at the lower edge.</summary>
internal static class WashOnFlat
{
    public const string Id = "wash-on-flat";

    /// <summary>Smooth area from which a wash pools, mm2. Craft estimate.</summary>
    private const double LargeMm2 = 2000;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        if (reading.Zone.Relief != Relief.Smooth || reading.Zone.AreaMm2 < LargeMm2)
        {
            return;
        }

        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (!coat.Technique.Facts().AllOverWash)
            {
                continue;
            }

            findings.Add(new(
                Id,
                Severity.Risk,
                coat.Id,
                i,
                $"A wash all over {reading.Zone.AreaMm2 / 100:0} cm2 of smooth surface will pool.",
                "With no relief to hold it, it dries in rings and hangs at the lower edge.",
                () => Mends(reading, coat)));
        }
    }

    private static IEnumerable<Mend> Mends(StackReading reading, Coat coat)
    {
        Mend Turn(string id, string label, Technique technique, double fraction, Thinner thinner) =>
            new(id, label, () => reading.Draft.Replace(coat with { Technique = technique, Dilution = Dilution.Of(fraction), Thinner = thinner }));
        var facts = coat.Paint!.Lead.Family.Facts();
        var thin = coat.Paint.Lead.Family.Takes(Thinner.AcrylicMedium) ? Thinner.AcrylicMedium : facts.OwnThinner;
        yield return Turn("glaze", "Glaze it thinly instead", Technique.Glaze, Math.Max(0.3, facts.LeastPaintFraction), thin);
        yield return Turn("filter", "Make it a filter", Technique.Filter, Math.Max(0.2, facts.LeastPaintFraction), thin);
        yield return Turn("sponge", "Dab it on with a sponge", Technique.Sponge, 1, facts.OwnThinner);
        yield return Turn("pin", "Pin wash only the creases", Technique.PinWash, 1, facts.OwnThinner);
    }
}
