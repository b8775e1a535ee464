using Lowfell.Core.Materials;

namespace Lowfell.Core.Rules;

/// <summary>Aerosol, lacquer or white spirit on bare foam eats it.</summary>
internal static class FoamSolvent
{
    public const string Id = "foam-solvent";

    public static void Check(StackReading reading, List<Finding> findings)
    {
        if (reading.Zone.Substrate != Substrate.Foam)
        {
            return;
        }

        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            var solvent = coat.Carriers.FirstOrDefault(c => c is Carrier.WhiteSpirit or Carrier.LacquerThinner, Carrier.None);
            if (solvent == Carrier.None || reading.Exposed(i).All(l => l.Index >= 0))
            {
                continue;
            }

            findings.Add(new(
                Id,
                Severity.Stop,
                coat.Id,
                i,
                $"The {solvent.Word()} in this coat eats bare foam.",
                "Foam must be closed with something water-borne before any solvent or spray comes near it.",
                () => Mends(reading, i)));
        }
    }

    private static IEnumerable<Mend> Mends(StackReading reading, int i)
    {
        if (Barriers.Sealer(reading, i, 2) is { } sealer)
        {
            yield return new("seal", $"Seal with {sealer.Name} first{(sealer.Waits ? ", and let it cure" : "")}", sealer.Apply);
        }
    }
}
