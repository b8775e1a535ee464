using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>Warm air where it spoils the coat, the ground or the painter.</summary>
internal static class HotAirNotHere
{
    public const string Id = "hot-air-not-here";

    public static void Check(StackReading reading, List<Finding> findings)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (!coat.Hurried || coat.Paint is not { } paint)
            {
                continue;
            }

            var drying = paint.Lead.Drying;
            var foam = reading.Zone.Substrate == Substrate.Foam;
            var solvent = coat.Carriers.Any(c => c is Carrier.WhiteSpirit or Carrier.LacquerThinner or Carrier.Alcohol);
            var never = reading.Draft.Schools.WarmAir == WarmAirSchool.Never;
            if (!foam && !solvent && !never && drying.WarmAirFactor is not null)
            {
                continue;
            }

            var (severity, why) = foam ? (Severity.Stop, "Foam softens and warps under hot air.")
                : solvent ? (Severity.Stop, "Warm air over wet solvent is a fire and fume hazard, and it skins the film.")
                : drying.WarmAirFactor is null ? (Severity.Risk, $"Warm air leaves rings in a {paint.Lead.Family.Facts().Word} and skins it over.")
                : (Severity.Risk, "Your school never hurries a coat with warm air.");
            var minutes = drying.RecoatMinutes(CoatMix.ThickestWetFilmUm(coat, reading.Zone), warmAir: false);
            findings.Add(new(
                Id,
                severity,
                coat.Id,
                i + 1,
                $"No hot air on this {coat.Technique.Facts().Word}.",
                why,
                () => [new("drop", $"Let it dry by itself: about {Duration(minutes)}", () => reading.Draft.Replace(coat with { Hurried = false }))]));
        }
    }

    private static string Duration(double minutes) => minutes < 90 ? $"{Math.Max(1, minutes):0} min" : $"{minutes / 60:0.#} h";
}
