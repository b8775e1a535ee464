using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Look;

/// <summary>An all-over wash on a smooth, large zone pools, dries with rings and hangs at the lower edge.</summary>
public static class WashOnFlat
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("wash-on-flat", "Wash on a flat panel", [Severity.Risk, Severity.Note], Reads.Order,
        "A wash goes all over a smooth zone that is too large to hold it.")
    {
        Schools = ["vehicleShade"],
        Check = Find,
        Mends = Mend,
    };

    /// <summary>Smooth area from which a wash pools, mm2. Craft estimate.</summary>
    private const double LargeMm2 = 2000;

    /// <summary>Share of medium from which it behaves. Craft estimate.</summary>
    private const double MuchMedium = 0.5;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        if (reading.Zone.Relief != Relief.Smooth || reading.Zone.AreaMm2 <= LargeMm2)
        {
            yield break;
        }

        var thinnedShade = reading.Schools.VehicleShade == VehicleShadeSchool.ThinnedShade;
        foreach (var i in reading.Laid(Role.AllOverWash))
        {
            var medium = Medium(reading.Coat(i)) >= MuchMedium;
            if (medium && thinnedShade)
            {
                continue;
            }

            yield return medium
                ? new(Severity.Note, i, "This wash goes all over a large smooth panel.", "With so much medium it stays put, if you do a panel at a time and lift the drop at the lower edge.")
                : new(Severity.Risk, i, "This wash will dry in rings on the smooth panel.", "With nothing to hold it, it gathers where it likes and hangs at the lower edge.") { Figure = $"{reading.Zone.AreaMm2 / 100:0} cm2 of smooth surface; over {LargeMm2 / 100:0} cm2 a wash pools." };
        }
    }

    private static double Medium(Coat coat) =>
        (coat.Thinner.Facts().Binds ? 1 - coat.Dilution.PaintFraction : 0) + (coat.Dilution.PaintFraction * (coat.Paint?.MediumShare ?? 0));

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var school = context.Reading.Schools.VehicleShade;
        var pins = Pins(context);
        var tints = Tints(context);
        return school == VehicleShadeSchool.PinWash ? pins.Concat(tints) : school == VehicleShadeSchool.ThinnedShade ? tints.Concat(pins) : tints.Reverse().Concat(pins);
    }

    private static IEnumerable<Mend> Pins(MendContext context)
    {
        var (draft, coat) = (context.Draft, context.Coat);
        var pin = draft.Replace(coat with { Technique = Technique.PinWash, Dilution = Dilution.Of(Math.Max(coat.Dilution.PaintFraction, Technique.PinWash.UsualFraction(coat.Paint!.Lead.Family))) });
        if (context.Reading.SheenUnder(context.At) != Sheen.Matt || coat.Carrier != Carrier.WhiteSpirit)
        {
            yield return new("pin", "Pin wash only the creases", pin);
        }

        // A spirit pin wash wants its varnish: both in one.
        var with = new MendContext(new Reading(pin), context.Finding, context.Shelf);
        foreach (var barrier in Barriers.Under(with, context.At, [context.Reading.Schools.PinWashSheen]))
        {
            yield return new("pin-" + barrier.Id, $"Pin wash only the creases; {char.ToLowerInvariant(barrier.Label[0])}{barrier.Label[1..]}", barrier.Draft);
        }
    }

    private static IEnumerable<Mend> Tints(MendContext context)
    {
        var (draft, coat, what) = (context.Draft, context.Coat, context.Coat.What!);
        var thin = coat.Paint!.Lead.Family.Takes(Thinner.AcrylicMedium) ? Thinner.AcrylicMedium : what.OwnThinner;
        Mend Turned(string id, string label, Technique technique) =>
            new(id, label, draft.Replace(coat with { Technique = technique, Dilution = Dilution.Of(Math.Max(0.02, technique.UsualFraction(coat.Paint.Lead.Family))), Thinner = thin }));
        yield return Turned("glaze", "Glaze it thinly instead", Technique.Glaze);
        yield return Turned("filter", "Make it a filter", Technique.Filter);
        yield return new("sponge", "Dab it on with a sponge", draft.Replace(coat with { Technique = Technique.Sponge, Dilution = Dilution.Neat }));
    }
}
