using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Safety;

/// <summary>What can hurt.</summary>
public enum Hazard
{
    /// <summary>Vapour of enamel, oil, lacquer and their thinners.</summary>
    SolventVapour,

    /// <summary>Spray from a can.</summary>
    AerosolCan,

    /// <summary>Airbrush mist, water-borne too.</summary>
    AirbrushMist,

    /// <summary>Dry pigment and sanding dust.</summary>
    Dust,

    /// <summary>Super glue.</summary>
    SuperGlue,

    /// <summary>Heat tools.</summary>
    HeatTool,

    /// <summary>Paint that is flicked.</summary>
    Splash,
}

/// <summary>A short, calm caution for one coat.</summary>
/// <param name="Hazard">What can hurt.</param>
/// <param name="Text">The usual cautions.</param>
public sealed record Caution(Hazard Hazard, string Text);

/// <summary>The usual cautions by what a coat uses. Never a promise that anything is safe.</summary>
public static class Cautions
{
    /// <summary>Ends every caution.</summary>
    public const string Defer =
        "The product's label and safety data sheet, and your local rules, come first; ask a qualified person where they ask for one.";

    /// <summary>For super glue, and for putting parts together with it.</summary>
    public const string Glue =
        "Fumes and splash: eye protection and ventilation. Baking soda or cotton makes it hot. Stuck skin: lukewarm soapy water; a doctor for eyes.";

    /// <summary>For stripping a piece.</summary>
    public const string Stripping =
        "Try it on a hidden spot first. Gloves, open window, no flame, no hot air. Nothing is sanded dry off old metal. What comes off goes to the local collection, not down the drain.";

    /// <summary>For taking paint off with spirit or its own thinner.</summary>
    public const string Wiping = "Gloves and an open window, no flame, no hot air while it is wet. Swabs out flat to dry outdoors or in a lidded metal tin with water.";

    /// <summary>For rubbing down.</summary>
    public const string Rubbing = "Rub down wet, or with a mask: dust of paint, filler and resin is not for lungs. Nothing is sanded dry off old metal.";

    /// <summary>Cautions of a coat, worst first; none for one that uses nothing of the kind.</summary>
    public static IReadOnlyList<Caution> For(Coat coat)
    {
        if (!coat.LeavesFilm)
        {
            return [];
        }

        var cautions = new List<Caution>();
        var what = coat.What!;
        var can = coat.Station == Station.Can;
        var solvent = coat.BringsSolvent;
        if (can)
        {
            cautions.Add(new(Hazard.AerosolCan, "Outdoors or in a booth, with a mask for organic vapours and particles, away from flame; above about 10 C and below about 70 % humidity. Never heat a can beyond hand-warm."));
        }
        else if (coat.How.Sprayed)
        {
            cautions.Add(new(Hazard.AirbrushMist, $"Extraction and a particle mask{(solvent ? ", an organic-vapour mask for this solvent, and no ignition near: compressor, fan, lamp" : ", for water-borne paint too")}. Never point it at skin."));
        }

        if (solvent && !can)
        {
            cautions.Add(new(Hazard.SolventVapour, "Open window or extraction, lid on, no flame, no hot air while wet, nitrile gloves. Used rags and swabs out flat to dry outdoors or in a lidded metal tin with water; no solvent down the drain."));
        }

        if (what.Kind == Kind.Powder)
        {
            cautions.Add(new(Hazard.Dust, "Dry pigment is dust: FFP2/N95 or better, wipe up wet."));
        }

        if (what.Kind == Kind.Grit || (coat.How.Role == Role.Grit && !what.EatsFoam))
        {
            cautions.Add(new(Hazard.Dust, "Sand and ground stone may hold silica: sieve damp, mask; never in a food oven."));
        }

        if (what.EatsFoam)
        {
            cautions.Add(new(Hazard.SuperGlue, Glue));
        }

        if (coat.Technique == Technique.Speckle)
        {
            cautions.Add(new(Hazard.Splash, "Glasses on; cover the bench and what stands near, and flick downward."));
        }

        if (coat.Hurried)
        {
            cautions.Add(new(Hazard.HeatTool, "Gentle warm air, keep it moving; never on foam, never near solvent or aerosol."));
        }

        return cautions;
    }
}
