using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>The first coat on a ground that drinks, without a sealer; or cut edges without their second pass.</summary>
internal static class AbsorbentUnsealed
{
    public const string Id = "absorbent-unsealed";

    private const int CutEdgePasses = 2;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        var ground = reading.Zone.Substrate.Facts();
        if (!ground.Drinks || reading.Applied.Count == 0)
        {
            return;
        }

        var i = reading.Applied[0];
        var coat = reading.Coat(i);
        var seals = coat.Family?.Facts().Seals == true || coat.Family == Family.Grit;
        var passes = reading.Zone.CutEdges ? CutEdgePasses : 1;
        if (!seals)
        {
            var severity = reading.Zone.Substrate is Substrate.Mdf or Substrate.Plaster ? Severity.Stop : Severity.Risk;
            findings.Add(new(
                Id,
                severity,
                coat.Id,
                i,
                $"The first coat goes on bare {ground.Word}.",
                $"{Words.Capital(ground.Word)} drinks the paint: it dries patchy and rough, its cut edges worst.",
                () => Mends(reading, i, passes)));
        }
        else if (coat.Passes < passes)
        {
            findings.Add(new(
                Id,
                Severity.Risk,
                coat.Id,
                i + 1,
                "The cut edges get only one pass of sealer.",
                "Cut edges drink far more than the face, and stand out later.",
                () => [new("edges", "Give the edges a second pass", () => reading.Draft.Replace(coat with { Passes = passes }))]));
        }
    }

    private static IEnumerable<Mend> Mends(StackReading reading, int i, int passes)
    {
        if (Barriers.Sealer(reading, i, passes) is { } sealer)
        {
            yield return new("seal", $"Seal with {sealer.Name} first{(sealer.Waits ? ", and let it cure" : "")}", sealer.Apply);
        }
    }
}
