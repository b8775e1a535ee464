using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>Pre-shading and opaque modulation on one panel cancel out.</summary>
internal static class ModulationOverPreshade
{
    public const string Id = "modulation-over-preshade";

    public static void Check(StackReading reading, List<Finding> findings)
    {
        var shade = reading.Applied.FirstOrDefault(i => reading.Coat(i).Technique.Facts().Shades, -1);
        var modulation = reading.Applied.FirstOrDefault(i => reading.Coat(i).Technique == Technique.Modulation, -1);
        if (shade < 0 || modulation < 0)
        {
            return;
        }

        var preShade = reading.Draft.Schools.Shading == ShadingSchool.PreShade;
        findings.Add(new(
            Id,
            Severity.Note,
            reading.Coat(modulation).Id,
            modulation,
            "Pre-shade and modulation are both on this zone.",
            $"The opaque tones of one hide the other; your school is {(preShade ? "pre-shade with thin coats" : "modulation with opaque coats")}.",
            () =>
            {
                Mend dropModulation = new("pre-shade", "Keep the pre-shade, drop the modulation", () => reading.Draft.Remove(c => !c.Skipped && c.Technique == Technique.Modulation));
                Mend dropShade = new("modulation", "Keep the modulation, drop the pre-shade", () => reading.Draft.Remove(c => !c.Skipped && c.Technique.Facts().Shades));
                return preShade ? [dropModulation, dropShade] : [dropShade, dropModulation];
            }));
    }
}
