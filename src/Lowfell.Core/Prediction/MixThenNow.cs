using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Prediction;

/// <summary>A mix made again: how its colour stands to what it was.</summary>
/// <param name="Then">The recorded mix over the ground.</param>
/// <param name="Now">The same recipe from today's shelf.</param>
/// <param name="DeltaE">dE00 between the two.</param>
public sealed record MixThenNow(Srgb Then, Srgb Now, double DeltaE)
{
    private static readonly Zone Flat = new() { Relief = Relief.Smooth, Facing = Facing.Up };

    /// <summary>Compares two paints, so thick that no ground shows.</summary>
    public static MixThenNow Compare(Paint then, Paint now)
    {
        const int Hiding = 200;
        var ground = Srgb.Parse("#808080");
        Srgb Of(Paint paint) => StackedCard.Colour(ground, paint, Technique.BaseCoat, Flat, Hiding);
        var (before, after) = (Of(then), Of(now));
        return new(before, after, ColourDifference.Ciede2000(before.ToLab(), after.ToLab()));
    }

    /// <summary>In words, what was edited on a material between a record and now; empty where nothing that matters was.</summary>
    public static IReadOnlyList<string> Edits(Material then, Material now)
    {
        var edits = new List<string>();
        void Changed(bool differs, string words)
        {
            if (differs)
            {
                edits.Add(words);
            }
        }

        Changed(then.Name != now.Name, $"it was called {then.Name}");
        Changed(then.Colour != now.Colour, $"colour {then.Colour} is {now.Colour} now");
        Changed(Math.Abs(then.ContrastRatio - now.ContrastRatio) > 1e-9, $"contrast ratio {then.ContrastRatio:0.##} is {now.ContrastRatio:0.##} now");
        Changed(Math.Abs(then.VolumeSolids - now.VolumeSolids) > 1e-9, $"volume solids {then.VolumeSolids:0.##} are {now.VolumeSolids:0.##} now");
        Changed(then.Sheen != now.Sheen, $"{then.Sheen.ToString().ToLowerInvariant()} is {now.Sheen.ToString().ToLowerInvariant()} now");
        Changed(Math.Abs(then.WetScatter - now.WetScatter) > 1e-9, "how milky it is when wet was changed");
        Changed(Math.Abs(then.UndertonePower - now.UndertonePower) > 1e-9, "its undertone was changed");
        Changed(!SameFilm(then.OwnFilm, now.OwnFilm), now.OwnFilm is null ? "its painted stripe was given up" : "it was calibrated from a painted stripe");
        return edits;
    }

    private static bool SameFilm(MeasuredFilm? a, MeasuredFilm? b) =>
        a is null || b is null ? a is null && b is null : a.AbsorptionPerUm.SequenceEqual(b.AbsorptionPerUm) && a.ScatteringPerUm.SequenceEqual(b.ScatteringPerUm);
}
