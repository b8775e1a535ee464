using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>One generous wash where the school says two thin ones.</summary>
internal static class HeavyWash
{
    public const string Id = "heavy-wash";

    /// <summary>Paint fraction from which a wash counts as generous. Craft estimate.</summary>
    private const double Generous = 0.9;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        if (reading.Draft.Schools.Wash != WashSchool.TwoThin)
        {
            return;
        }

        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.Technique != Technique.Wash || coat.Dilution.PaintFraction < Generous)
            {
                continue;
            }

            findings.Add(new(
                Id,
                Severity.Risk,
                coat.Id,
                i,
                "One generous wash, where your school says two thin ones.",
                "A full wash pools in places; two thin ones let you stop when it is dark enough.",
                () =>
                [
                    new("split", "Split it in two thinned washes", () => reading.Draft.Replace(coat with
                    {
                        Technique = Technique.ThinnedWash,
                        Passes = Math.Min(Coat.MostPasses, Math.Max(2, coat.Passes * 2)),
                        Dilution = Dilution.Of(0.5),
                        Thinner = coat.Paint?.Lead.Family.Facts().OwnThinner ?? coat.Thinner,
                    })),
                ]));
        }
    }
}
