using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>The face ends farther than the tolerance from the zone's target.</summary>
internal static class ColourDrift
{
    public const string Id = "colour-drift";

    /// <summary>Most colours of the shelf that are tried as a base.</summary>
    private const int MostTried = 12;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        if (reading.Zone.Target is not { } target || reading.Applied.Count == 0 || reading.Prediction.Top.Face.DeltaTarget is not { } off || off <= reading.Zone.Tolerance)
        {
            return;
        }

        var @base = ColourHelp.BaseCoat(reading.Draft);
        var about = @base >= 0 ? @base : reading.Applied[^1];
        findings.Add(new(
            Id,
            Severity.Risk,
            reading.Coat(about).Id,
            reading.Draft.Coats.Count,
            $"The face ends {off:0.0} dE from the target {target}.",
            $"You allow {reading.Zone.Tolerance:0.#} dE. The coats above the base move its colour; the base has to make up for them.",
            () => Mends(reading, @base)));
    }

    private static IEnumerable<Mend> Mends(StackReading reading, int @base)
    {
        bool Lands(StackDraft draft) => reading.Of(draft).Prediction.Top.Face.DeltaTarget <= reading.Zone.Tolerance;
        if (@base >= 0)
        {
            var coat = reading.Coat(@base);
            var solved = ColourHelp.BaseForTarget(reading.Draft, @base);
            if (solved is not null && solved.LeftDeltaE <= reading.Zone.Tolerance)
            {
                var mixed = reading.Draft.Replace((coat with { MixedTo = solved.Colour }).Of(coat.Material ?? coat.Paint!.Lead));
                if (Lands(mixed))
                {
                    yield return new("base", $"Mix the base to {solved.Colour}: it lands {solved.LeftDeltaE:0.0} dE from the target", () => mixed);
                }
            }

            foreach (var near in ColourHelp.NearestOnShelf(reading.Draft, @base, reading.Shelf, 1, MostTried))
            {
                if (near.DeltaE <= reading.Zone.Tolerance && near.Material.Id != coat.Material?.Id)
                {
                    yield return new("shelf", $"Use {near.Material.Name} as the base: {near.DeltaE:0.0} dE", () => reading.Draft.Replace((coat with { MixedTo = null }).Of(near.Material)));
                }
            }
        }

        foreach (var fraction in new[] { 0.7, 0.5, 0.35 })
        {
            var lighter = reading.Draft with { Coats = [.. reading.Draft.Coats.Select((c, i) => i > @base && c.Technique.Facts().AllOverWash ? Thinned(c, fraction) : c)] };
            if (!lighter.Coats.SequenceEqual(reading.Draft.Coats) && Lands(lighter))
            {
                yield return new("lighter", $"Thin the wash to {fraction * 100:0} % paint", () => lighter);
                break;
            }
        }
    }

    private static Coat Thinned(Coat coat, double fraction)
    {
        var least = coat.Paint?.Lead.Family.Facts().LeastPaintFraction ?? 1;
        return fraction < coat.Dilution.PaintFraction && fraction >= least ? coat with { Dilution = Dilution.Of(fraction) } : coat;
    }
}
