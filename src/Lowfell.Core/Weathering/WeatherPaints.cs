using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Weathering;

/// <summary>What marks are made with, from what is on the shelf.</summary>
public static class WeatherPaints
{
    // A way that is less usual has to be so much nearer in colour to be taken, dE00. Craft estimate.
    private const double OtherWay = 4, OtherFamily = 1;

    /// <summary>The colour that a kind wants on a ground.</summary>
    public static Srgb Wanted(MarkKind kind, Srgb ground)
    {
        var facts = kind.Facts();
        var lab = ground.ToLab();
        return facts.Colour ?? new Lab(Math.Clamp(lab.L + facts.Lighter, 3, 97), lab.A, lab.B).ToLinear().ToSrgb();
    }

    /// <summary>The way and the material that come nearest; null where nothing on the shelf does.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="ground">Colour that it goes on.</param>
    /// <param name="shelf">What may be used.</param>
    public static (Technique Technique, Material Material)? Nearest(MarkKind kind, Srgb ground, Shelf shelf)
    {
        ArgumentNullException.ThrowIfNull(shelf);
        var wanted = Wanted(kind, ground).ToLab();
        (Technique, Material)? best = null;
        var least = double.MaxValue;
        foreach (var (n, way) in kind.Facts().Ways.Index())
        {
            foreach (var material in shelf.Materials)
            {
                var family = Place(way.Families, material.Family);
                if (family < 0)
                {
                    continue;
                }

                var cost = ColourDifference.Ciede2000(wanted, material.Colour.ToLab()) + (n * OtherWay) + (family * OtherFamily);
                if (cost < least)
                {
                    (least, best) = (cost, (way.Technique, material));
                }
            }
        }

        return best;
    }

    /// <summary>How a kind is made with a material that the painter chose: the first way that takes its family; null where none does.</summary>
    public static Technique? With(MarkKind kind, Material material)
    {
        ArgumentNullException.ThrowIfNull(material);
        return kind.Facts().Ways.FirstOrDefault(w => w.Families.Contains(material.Family))?.Technique;
    }

    /// <summary>The finished face of a stack, by a middle hand; null where nothing is on it.</summary>
    public static Srgb? Face(StackDraft stack)
    {
        ArgumentNullException.ThrowIfNull(stack);
        return stack.Coats.All(c => c.Skipped) ? null : Predictor.PredictMiddle(stack).Top.Face.Colour;
    }

    private static int Place(IReadOnlyList<Family> families, Family family)
    {
        for (var i = 0; i < families.Count; i++)
        {
            if (families[i] == family)
            {
                return i;
            }
        }

        return -1;
    }
}
