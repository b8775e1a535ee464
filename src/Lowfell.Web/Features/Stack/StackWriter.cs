using Lowfell.Core.Amounts;
using Lowfell.Core.Drying;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Web.Features.Stack;

/// <summary>What Core computed, rounded for reading.</summary>
public static class StackWriter
{
    /// <summary>Whether a coat stands in the core sample as a clear band that protects what is under it.</summary>
    internal static bool IsBarrier(Coat? coat) => coat is { LeavesFilm: true } && (coat.What!.Kind == Kind.Varnish || coat.How.Role == Role.Seal);

    /// <summary>When a coat is dry, rounded for reading.</summary>
    internal static DryingTimes Drying(DryingTimes times) => times with
    {
        TouchMin = Math.Round(times.TouchMin),
        RecoatMin = Math.Round(times.RecoatMin),
        CuredMin = Math.Round(times.CuredMin / 60, 1) * 60,
        CleanFromMin = times.CleanFromMin is { } from ? Math.Round(from) : null,
        CleanToMin = times.CleanToMin is { } to ? Math.Round(to) : null,
    };

    /// <summary>What to mix, rounded for reading.</summary>
    internal static CoatMixView? Mix(CoatMix? mix)
    {
        if (mix is null)
        {
            return null;
        }

        var (paint, thinner) = mix.Dilution.WholeParts();
        return new(
            paint,
            thinner,
            Math.Round(mix.Dilution.ThinnerOfWhole * 100, 1),
            Math.Round(mix.Dilution.ThinnerAdded * 100, 1),
            mix.Drops.Paint,
            mix.Drops.Thinner,
            Math.Round(mix.Drops.TruePaintFraction, 3),
            Math.Round(mix.TotalMl, 4),
            Math.Round(mix.PaintMl, 4),
            Math.Round(mix.ThinnerMl, 4),
            mix.Times);
    }
}
