using Lowfell.Core.Rules;

namespace Lowfell.Core.Mending;

/// <summary>How a stack stands with the rules.</summary>
/// <param name="Stops">Stops.</param>
/// <param name="Risks">Risks.</param>
/// <param name="Notes">Notes.</param>
public readonly record struct Outcome(int Stops, int Risks, int Notes) : IComparable<Outcome>
{
    /// <summary>Of findings; what the painter lets rest does not count.</summary>
    public static Outcome Of(IEnumerable<Finding> findings)
    {
        int stops = 0, risks = 0, notes = 0;
        foreach (var finding in findings)
        {
            if (finding.Rests is not null)
            {
                continue;
            }

            stops += finding.Severity == Severity.Stop ? 1 : 0;
            risks += finding.Severity == Severity.Risk ? 1 : 0;
            notes += finding.Severity == Severity.Note ? 1 : 0;
        }

        return new(stops, risks, notes);
    }

    /// <summary>Nothing will spoil it.</summary>
    public bool IsSound => Stops == 0 && Risks == 0;

    /// <inheritdoc/>
    public int CompareTo(Outcome other) => (Stops, Risks, Notes).CompareTo((other.Stops, other.Risks, other.Notes));
}
