using Lowfell.Core.Colour;

namespace Lowfell.Core.Sight;

/// <summary>A tone that would show.</summary>
/// <param name="Colour">The colour.</param>
/// <param name="DeltaE">How far it is from now, dE00.</param>
public readonly record struct NeededTone(LinearRgb Colour, double DeltaE);

/// <summary>What a detail would need to be seen.</summary>
public static class Needed
{
    private const double ToneStep = 0.5, LeastL = 8, MostL = 95, WidthStepMm = 0.05, MostWidthMm = 20;

    /// <summary>Tones of the same hue that are seen, lighter and darker than the ground, the nearer to now first; none where no tone does.</summary>
    public static IReadOnlyList<NeededTone> Tones(SightDetail detail, SightFrom from, double rowShare = 0)
    {
        var (own, ground) = (detail.Colour.ToLab(), detail.Ground.ToLab());
        var found = new List<NeededTone>();
        foreach (var way in new[] { ToneStep, -ToneStep })
        {
            // Away from the ground: what is on the other side of it begins beside it.
            var start = (own.L - ground.L) * way > 0 ? own.L : ground.L;
            for (var l = start; l is >= LeastL and <= MostL; l += way)
            {
                var colour = Clamped(new Lab(l, own.A, own.B).ToLinear());
                if (Sights.Best(detail with { Colour = colour }, rowShare, from).Word >= SightWord.Seen)
                {
                    found.Add(new(colour, ColourDifference.Ciede2000(colour.ToLab(), own)));
                    break;
                }
            }
        }

        return [.. found.OrderBy(t => t.DeltaE)];
    }

    /// <summary>Least width, mm, at which it is seen, grown alike in length where it is a dot; null where none up to 20 mm is.</summary>
    public static double? WidthMm(SightDetail detail, SightFrom from, double rowShare = 0)
    {
        for (var width = detail.WidthMm; width <= MostWidthMm; width += WidthStepMm)
        {
            var grown = detail with { WidthMm = width, LengthMm = Math.Max(detail.LengthMm, detail.LengthMm > detail.WidthMm ? detail.LengthMm : width) };
            if (Sights.Best(grown, rowShare, from).Word >= SightWord.Seen)
            {
                return Math.Round(width, 2);
            }
        }

        return null;
    }

    private static LinearRgb Clamped(LinearRgb c) => new(Math.Clamp(c.R, 0, 1), Math.Clamp(c.G, 0, 1), Math.Clamp(c.B, 0, 1));
}
