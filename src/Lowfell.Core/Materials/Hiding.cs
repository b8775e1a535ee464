using Lowfell.Core.Colour;

namespace Lowfell.Core.Materials;

/// <summary>How well a film hides, where nobody has measured it.</summary>
/// <param name="ContrastRatio">Y over black by Y over white at the reference film, 0.03..0.9999.</param>
/// <param name="ReferenceFilmUm">Dry film of it, um.</param>
public readonly record struct Hiding(double ContrastRatio, double ReferenceFilmUm)
{
    // What opaque paints of these colours hide: black and dark brown much, white less, clean yellow and red least. Craft estimates.
    private static readonly (Lab Lab, Hiding Hiding)[] Paints =
    [
        Anchor("#141414", 0.98, 5),
        Anchor("#3a2a1c", 0.97, 16),
        Anchor("#f4f4f2", 0.85, 20),
        Anchor("#e2d7bb", 0.88, 20),
        Anchor("#b59a6a", 0.92, 20),
        Anchor("#8a6a44", 0.93, 20),
        Anchor("#8a8a88", 0.93, 20),
        Anchor("#505456", 0.95, 18),
        Anchor("#3f6a3f", 0.95, 20),
        Anchor("#7a8f5a", 0.94, 20),
        Anchor("#2f5a8a", 0.88, 20),
        Anchor("#7aa0c4", 0.87, 20),
        Anchor("#6a4a86", 0.75, 20),
        Anchor("#b02a24", 0.78, 20),
        Anchor("#6a1f1c", 0.88, 20),
        Anchor("#e0762a", 0.72, 20),
        Anchor("#f0c020", 0.72, 20),
    ];

    /// <summary>Hiding of a plain paint by its colour: between known ones, by inverse fourth power of the distance in CIELAB (Shepard 1968).</summary>
    public static Hiding OfPaint(Srgb colour)
    {
        var lab = colour.ToLab();
        double weights = 0, ratio = 0, film = 0;
        foreach (var (at, known) in Paints)
        {
            double l = lab.L - at.L, a = lab.A - at.A, b = lab.B - at.B;
            var square = (l * l) + (a * a) + (b * b);
            if (square < 1e-6)
            {
                return known;
            }

            var weight = 1 / (square * square);
            weights += weight;
            ratio += weight * known.ContrastRatio;
            film += weight * Math.Log(known.ReferenceFilmUm);
        }

        return new(ratio / weights, Math.Exp(film / weights));
    }

    private static (Lab Lab, Hiding Hiding) Anchor(string colour, double ratio, double film) => (Srgb.Parse(colour).ToLab(), new(ratio, film));
}
