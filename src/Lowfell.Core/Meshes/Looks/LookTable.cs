using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Meshes.Fields;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Meshes.Looks;

/// <summary>Where the rows of a zone are in a table.</summary>
/// <param name="First">Its first row: the bare ground.</param>
/// <param name="Coats">Coats, skipped ones too: a row follows for each.</param>
/// <param name="LevelsMm">Heights above the foot that its rows are told at, from below; one where nothing fades.</param>
/// <param name="Layers">Its coats that are drawn mark by mark, from below. Its own rows are what lies beside all marks.</param>
public sealed record LookRows(int First, int Coats, IReadOnlyList<float> LevelsMm, IReadOnlyList<LookLayer> Layers)
{
    /// <summary>The row after so many coats, at a level.</summary>
    public int At(int coats, int level, bool wet) => At(First, coats, level, wet);

    /// <summary>The same within a mark of one of its layers.</summary>
    public int At(LookLayer layer, int coats, int level, bool wet)
    {
        ArgumentNullException.ThrowIfNull(layer);
        return At(layer.First, coats, level, wet);
    }

    private int At(int first, int coats, int level, bool wet) => first + (((Math.Clamp(coats, 0, Coats) * LevelsMm.Count) + level) * 2) + (wet ? 1 : 0);
}

/// <summary>A coat that is drawn mark by mark.</summary>
/// <param name="Coat">Its place in the stack.</param>
/// <param name="First">First row of what is seen within a mark of it.</param>
public sealed record LookLayer(int Coat, int First);

/// <summary>What every point of a piece looks like after each coat: by height of relief and facing, from the same prediction as the core sample.</summary>
/// <param name="Texels">Four numbers for each of <see cref="Width"/> columns of each row: linear light of recess, face and edge by five facings each, then gloss, metal, how much of what lies on top has run down, and one that is free.</param>
/// <param name="Zones">Rows of the zones, in their order.</param>
public sealed record LookTable(float[] Texels, IReadOnlyList<LookRows> Zones)
{
    /// <summary>Columns.</summary>
    public const int Width = 16;

    /// <summary>The column of gloss, metal and what has run down.</summary>
    public const int Shine = 15;

    private const int Heights = 3;

    // Most levels that a fading coat is told at.
    private const int MostLevels = 6;

    /// <summary>Rows.</summary>
    public int Rows => Texels.Length / (4 * Width);

    /// <summary>Predicts it.</summary>
    /// <param name="stacks">The stack of each zone.</param>
    /// <param name="lamp">Light that it is looked at under.</param>
    public static LookTable Of(IReadOnlyList<StackDraft> stacks, Lamp lamp)
    {
        ArgumentNullException.ThrowIfNull(stacks);
        var rows = new List<LookRows>();
        var first = 0;
        foreach (var stack in stacks)
        {
            var levels = Levels(stack);
            var each = 2 * levels.Count * (stack.Coats.Count + 1);
            rows.Add(new(first, stack.Coats.Count, levels, [.. MarkPlaces.Layers(stack).Select((coat, i) => new LookLayer(coat, first + (each * (i + 1))))]));
            first += each * (1 + rows[^1].Layers.Count);
        }

        var texels = new float[first * Width * 4];
        Parallel.For(0, stacks.Count * Facings.Count, i =>
        {
            var (of, facing) = (rows[i / Facings.Count], (Facing)(i % Facings.Count));
            for (var layer = -1; layer < of.Layers.Count; layer++)
            {
                Fill(texels, of, layer, stacks[i / Facings.Count], facing, lamp);
            }
        });
        return new(texels, rows);
    }

    /// <summary>Linear light at a place of a row.</summary>
    public (float R, float G, float B, float A) At(int row, int column)
    {
        var at = ((row * Width) + column) * 4;
        return (Texels[at], Texels[at + 1], Texels[at + 2], Texels[at + 3]);
    }

    /// <summary>Column of a height of relief and a facing.</summary>
    public static int Column(ReliefHeight height, int facing) => ((int)height * Facings.Count) + facing;

    /// <summary>How much of a mirror a sheen is, 0..1. Craft estimates.</summary>
    public static float Gloss(Sheen sheen) => sheen switch { Sheen.Gloss => 1, Sheen.Satin => 0.45f, Sheen.Matt => 0.1f, _ => 0 };

    // Where coats begin and end to fade, and the zone's own ends.
    private static List<float> Levels(StackDraft stack)
    {
        if (stack.Zone is not { HeightFromMm: { } from, HeightToMm: { } to } || to <= from || !stack.Coats.Any(c => c.Fade is not null && !c.Skipped))
        {
            return [0];
        }

        var places = stack.Coats.Where(c => !c.Skipped).Select(c => c.Fade).OfType<Fade>().SelectMany(f => new[] { f.FullMm, f.NoneMm }).Where(h => h > from && h < to).Distinct().Order().ToList();
        return [(float)from, .. places.Take(MostLevels - 2).Select(h => (float)h), (float)to];
    }

    // What lies beside all marks (layer -1), or within a mark of one layer.
    private static void Fill(float[] texels, LookRows rows, int layer, StackDraft own, Facing facing, Lamp lamp)
    {
        var (first, within) = layer < 0 ? (rows.First, -1) : (rows.Layers[layer].First, rows.Layers[layer].Coat);
        var marked = rows.Layers.Select(l => l.Coat).ToHashSet();
        var stack = own with { Zone = own.Zone with { Facing = facing } };
        for (var level = 0; level < rows.LevelsMm.Count; level++)
        {
            double? height = rows.LevelsMm.Count > 1 ? rows.LevelsMm[level] : null;
            var walk = new StackWalk(stack.Zone);
            var (gloss, metal, ran) = (Gloss(stack.Zone.Substrate.Facts().Sheen), stack.Zone.Substrate == Substrate.Metal ? 0.5f : 0, 0f);
            for (var coats = 0; coats <= rows.Coats; coats++)
            {
                if (coats > 0)
                {
                    var coat = stack.Coats[coats - 1];
                    if (coats - 1 == within)
                    {
                        Predictor.LayWithinMark(walk, stack, coats - 1, height);
                    }
                    else if (!marked.Contains(coats - 1))
                    {
                        Predictor.LayOn(walk, stack, coats - 1, elevationMm: height);
                        ran = coat.Skipped || !coat.LeavesFilm ? ran : coat.How.Drains ? 1 : coat.How.Covers ? 0 : ran;
                    }

                    if (!coat.Skipped && coat.LeavesFilm && coat.How.SetsSheen && (coats - 1 == within || !marked.Contains(coats - 1)))
                    {
                        var clear = coat.Paint!.Lead.Clear;
                        (gloss, metal) = (Gloss(coat.Paint!.Lead.Sheen), clear ? metal : coat.Effect == Materials.Effect.Metallic ? 1 : 0);
                    }
                }

                for (var wet = 0; wet < 2; wet++)
                {
                    var row = (rows.At(coats, level, wet == 1) - rows.First + first) * Width;
                    for (var h = 0; h < Heights; h++)
                    {
                        var light = walk.Under(h, lamp, wet == 1);
                        var at = (row + Column((ReliefHeight)h, (int)facing)) * 4;
                        (texels[at], texels[at + 1], texels[at + 2], texels[at + 3]) = ((float)Math.Max(0, light.R), (float)Math.Max(0, light.G), (float)Math.Max(0, light.B), 1);
                    }

                    if (facing == Facing.Side)
                    {
                        var at = (row + Shine) * 4;
                        (texels[at], texels[at + 1], texels[at + 2]) = (wet == 1 ? 1 : gloss, metal, ran);
                    }
                }
            }
        }
    }
}
