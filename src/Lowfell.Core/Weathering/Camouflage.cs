using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Weathering;

/// <summary>A tone of a pattern.</summary>
/// <param name="MaterialId">What it is painted with.</param>
/// <param name="Share">Share of the area, 0..1; what no tone has is the ground.</param>
public sealed record PatternTone(Guid MaterialId, double Share);

/// <summary>Camouflage or mottle: patches of a few tones, the same from the same seed, another on each copy.</summary>
/// <param name="Id">Identity.</param>
/// <param name="ZoneIds">Zones that it runs on over.</param>
/// <param name="Tones">Tones, in the order in which they go on.</param>
/// <param name="PatchRealMm">Size of a patch in life, mm.</param>
/// <param name="Stretch">So many times longer than high.</param>
/// <param name="GapMm">Left of the ground between two tones, mm on the model.</param>
/// <param name="Version">Raised to draw it again.</param>
public sealed record Pattern(Guid Id, IReadOnlyList<Guid> ZoneIds, IReadOnlyList<PatternTone> Tones, double PatchRealMm, double Stretch, double GapMm, int Version = 1);

/// <summary>Patterns as fields: a smooth field for the whole piece, cut at the height that gives each tone its share, so that they run on round corners and over parts that come off.</summary>
public sealed class Camouflage
{
    // Places that thresholds are found from, each way.
    private const int Places = 96;

    // Waves of a field.
    private const int Waves = 14;

    private readonly (double X, double Y, double Phase, double Weight)[][] fields;
    private readonly double[] cuts;
    private readonly Pattern pattern;
    private readonly double round;

    private Camouflage(Pattern pattern, PieceBox box, double scale, ulong seed)
    {
        this.pattern = pattern;
        round = 2 * (box.LengthMm + box.WidthMm);
        var patch = Math.Max(1, pattern.PatchRealMm / scale);
        fields = [.. Enumerable.Range(0, pattern.Tones.Count).Select(t => Field(new Seeds(Seeds.Of(seed, (ulong)t)), patch, pattern.Stretch, round))];
        cuts = new double[pattern.Tones.Count];
        for (var t = 0; t < cuts.Length; t++)
        {
            cuts[t] = double.MaxValue;
        }

        // Each tone takes its share of what is there, one after the other; what lies too near an earlier one is left.
        for (var t = 0; t < cuts.Length; t++)
        {
            var heights = new List<double>(Places * Places);
            for (var i = 0; i < Places * Places; i++)
            {
                var (u, v) = (round * (i % Places + 0.5) / Places, (box.HeightMm + box.WidthMm) * (i / Places + 0.5) / Places);
                heights.Add(Free(t, u, v) ? Height(t, u, v) : double.MinValue);
            }

            heights.Sort();
            var wanted = (int)Math.Round(pattern.Tones[t].Share * heights.Count);
            cuts[t] = wanted == 0 ? double.MaxValue : Math.Max(heights[^Math.Min(wanted, heights.Count)], double.MinValue / 2);
        }
    }

    /// <summary>The pattern of a copy.</summary>
    /// <param name="pattern">The pattern.</param>
    /// <param name="piece">The piece.</param>
    /// <param name="scale">One to so many.</param>
    /// <param name="copy">Which copy, from 1.</param>
    public static Camouflage Of(Pattern pattern, WeatherPiece piece, double scale, int copy)
    {
        ArgumentNullException.ThrowIfNull(pattern);
        ArgumentNullException.ThrowIfNull(piece);
        return new(pattern, piece.Box, scale, Variation.Seed(piece.Set, piece.Piece, "pattern", $"{pattern.Version}", $"{copy}"));
    }

    /// <summary>Which tone lies at a place of a side; -1 for the ground.</summary>
    /// <param name="box">The piece.</param>
    /// <param name="side">The side.</param>
    /// <param name="xMm">From its left end, mm.</param>
    /// <param name="yMm">Above the foot; on the top from the front border, mm.</param>
    public int At(PieceBox box, MarkSide side, double xMm, double yMm)
    {
        var (u, v) = On(box, side, xMm, yMm);
        for (var t = 0; t < cuts.Length; t++)
        {
            if (Height(t, u, v) >= cuts[t] && Free(t, u, v))
            {
                return t;
            }
        }

        return -1;
    }

    /// <summary>Where a place of a side is on the piece unrolled: round it, and up; the top lies on from the front.</summary>
    public static (double U, double V) On(PieceBox box, MarkSide side, double xMm, double yMm)
    {
        ArgumentNullException.ThrowIfNull(box);
        return side switch
        {
            MarkSide.Front => (xMm, yMm),
            MarkSide.Right => (box.LengthMm + xMm, yMm),
            MarkSide.Back => (box.LengthMm + box.WidthMm + xMm, yMm),
            MarkSide.Left => ((2 * box.LengthMm) + box.WidthMm + xMm, yMm),
            _ => (xMm, box.HeightMm + yMm),
        };
    }

    // No earlier tone lies here, nor so near that no ground would be left between.
    private bool Free(int tone, double u, double v)
    {
        var gap = pattern.GapMm;
        for (var t = 0; t < tone; t++)
        {
            if (Height(t, u, v) >= cuts[t] || (gap > 0 && (Height(t, u + gap, v) >= cuts[t] || Height(t, u - gap, v) >= cuts[t] || Height(t, u, v + gap) >= cuts[t] || Height(t, u, v - gap) >= cuts[t])))
            {
                return false;
            }
        }

        return true;
    }

    private double Height(int tone, double u, double v)
    {
        var sum = 0.0;
        foreach (var (x, y, phase, weight) in fields[tone])
        {
            sum += weight * Steady.Sin((x * u) + (y * v) + phase);
        }

        return sum;
    }

    // Waves about as long as two patches, whole ones round the piece, so that it closes.
    private static (double, double, double, double)[] Field(Seeds seeds, double patchMm, double stretch, double round)
    {
        var waves = new (double, double, double, double)[Waves];
        for (var i = 0; i < Waves; i++)
        {
            var length = 2 * patchMm * seeds.In(0.7, 1.6);
            var way = seeds.In(0, Math.PI);
            var along = Math.Round(round * Steady.Cos(way) / (length * stretch));
            waves[i] = (2 * Math.PI * along / round, 2 * Math.PI * Steady.Sin(way) / length, seeds.In(0, 2 * Math.PI), seeds.In(0.5, 1));
        }

        return waves;
    }
}
