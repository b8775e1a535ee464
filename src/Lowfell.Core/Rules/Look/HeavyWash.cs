using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Look;

/// <summary>One generous wash where the school says two thin ones.</summary>
public static class HeavyWash
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("heavy-wash", "One generous wash", [Severity.Note], Reads.Order,
        "A wash goes on nearly neat and in one go, where the school says two thin ones.")
    {
        Schools = ["wash"],
        Check = Find,
        Mends = Mend,
    };

    /// <summary>Share of colour from which a wash counts as generous. Craft estimate.</summary>
    private const double Generous = 0.9;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        if (reading.Schools.Wash != WashSchool.TwoThin)
        {
            yield break;
        }

        foreach (var i in reading.Laid(Role.AllOverWash))
        {
            var coat = reading.Coat(i);
            if (coat is { Passes: 1, LeavesFilm: true } && coat.PaintShare >= Generous)
            {
                yield return new(Severity.Note, i, "This is one generous wash.", "It can pool; two thin ones let you stop when it is dark enough.") { School = "Your school says two thin ones." };
            }
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var coat = context.Coat;
        yield return new("split", "Split it in two thinned washes", context.Draft.Replace(coat with
        {
            Technique = Technique.ThinnedWash,
            Passes = 2,
            Dilution = Dilution.Of(0.5),
            Thinner = coat.What!.OwnThinner,
        }));
    }
}
