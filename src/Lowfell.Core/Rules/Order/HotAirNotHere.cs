using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>Warm air where it spoils the coat, the ground or the painter.</summary>
public static class HotAirNotHere
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("hot-air-not-here", "No warm air here", [Severity.Stop, Severity.Risk], Reads.Waits,
        "A wash, thick crackle, clear crackle medium, solvent or foam is hurried with warm air.")
    {
        Schools = ["warmAir"],
        Check = Find,
        Mends = Mend,
    };

    private static IEnumerable<Fault> Find(Reading reading)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat is not { Hurried: true, LeavesFilm: true, What: { } what })
            {
                continue;
            }

            var school = reading.Schools.WarmAir;
            var told = $"No warm air on this {coat.Word}.";
            Fault At(Severity severity, string why, string decides = "") => new(severity, i, told, why) { Gap = i + 1, School = decides };
            if (reading.Zone.Substrate.Facts().Melts)
            {
                yield return At(Severity.Stop, "Foam softens and warps under it.");
            }
            else if (coat.BringsSolvent)
            {
                yield return At(Severity.Stop, "Over wet solvent it is a fire and fume hazard, and it skins the film.");
            }
            else if (what.WarmAir == WarmAir.Spoils)
            {
                yield return At(Severity.Risk, $"It leaves rings in {what.Word}, and skins it over.");
            }
            else if (school == WarmAirSchool.Never)
            {
                yield return At(Severity.Risk, "It skins over what is wet below.", "Your school never hurries a coat with warm air.");
            }
            else if (what.WarmAir == WarmAir.BySchool && school != WarmAirSchool.CracklePaintToo)
            {
                yield return At(Severity.Risk, "Its cracks open too soon and too fine.", "Your school keeps warm air to base coats and textures.");
            }
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var calm = context.Coat with { Hurried = false };
        var minutes = Lowfell.Core.Drying.DryingTimes.Of(calm, context.Draft.Zone, context.Draft.Climate).RecoatMin;
        yield return new("drop", $"Let it dry by itself: about {Words.Duration(minutes)}", context.Draft.Replace(calm));
    }
}
