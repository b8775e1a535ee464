using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Stacks;

/// <summary>A whole stack as it is being planned: the unit of every preview.</summary>
/// <param name="Zone">What it goes on.</param>
/// <param name="Schools">The project's preferences.</param>
/// <param name="Coats">From the substrate up.</param>
public sealed record StackDraft(Zone Zone, Schools Schools, IReadOnlyList<Coat> Coats)
{
    /// <summary>Most coats of a stack.</summary>
    public const int MostCoats = 60;

    /// <summary>Air that the coats dry in.</summary>
    public Climate Climate { get; init; } = Climate.Reference;

    /// <summary>The film that coat <paramref name="index"/> goes on: the nearest below that is not skipped and not mere handwork; -1 for the bare ground.</summary>
    public int FilmBelow(int index)
    {
        for (var i = index - 1; i >= 0; i--)
        {
            if (!Coats[i].Skipped && Coats[i].LeavesFilm)
            {
                return i;
            }
        }

        return -1;
    }

    /// <summary>Whether a coat could be laid, or worked on by hand, while what is below it is wet: that was wet at all.</summary>
    public static bool WasWet(Coat below) => below.LeavesFilm && (below.What!.Carrier != Carrier.None || below.What.Kind == Kind.Glue);

    /// <summary>The first coat that can't be meant: laid or worked wet on a bare ground or on a film that never was wet. -1 where there is none.</summary>
    public int FirstImpossible()
    {
        for (var i = 0; i < Coats.Count; i++)
        {
            if (!Coats[i].WhileWet && Coats[i].How.Hand is null)
            {
                continue;
            }

            // Handwork in a row belongs to the same film; what is skipped is still looked at, as it may come back.
            var below = i - 1;
            while (below >= 0 && !Coats[below].LeavesFilm)
            {
                below--;
            }

            if (below < 0 || !WasWet(Coats[below]))
            {
                return i;
            }
        }

        return -1;
    }
}
