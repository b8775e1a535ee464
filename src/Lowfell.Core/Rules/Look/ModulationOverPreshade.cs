using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Look;

/// <summary>Pre-shading and opaque modulation on one panel cancel out.</summary>
public static class ModulationOverPreshade
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("modulation-over-preshade", "Pre-shade and modulation together", [Severity.Note], Reads.Order,
        "A panel gets a pre-shade and opaque modulation, of which one hides the other.")
    {
        Schools = ["shading"],
        Check = Find,
        Mends = Mend,
    };

    private static IEnumerable<Fault> Find(Reading reading)
    {
        var shade = reading.Laid(Role.Shade).FirstOrDefault(-1);
        var modulation = reading.Laid(Role.Modulation).FirstOrDefault(-1);
        if (shade >= 0 && modulation >= 0)
        {
            var preShade = reading.Schools.Shading == ShadingSchool.PreShade;
            yield return new(Severity.Note, modulation, "Pre-shade and modulation are both on this zone.", "The opaque tones of one hide the other.")
            {
                With = shade,
                School = preShade ? "Your school is pre-shade with thin coats." : "Your school is modulation with opaque coats.",
            };
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        Mend Kept(string id, string label, Role dropped) => new(id, label, context.Draft.Remove(c => !c.Skipped && c.How.Role == dropped)) { GivesUpChoice = true };
        var shade = Kept("pre-shade", "Keep the pre-shade, drop the modulation", Role.Modulation);
        var modulation = Kept("modulation", "Keep the modulation, drop the pre-shade", Role.Shade);
        return context.Reading.Schools.Shading == ShadingSchool.PreShade ? [shade, modulation] : [modulation, shade];
    }
}
