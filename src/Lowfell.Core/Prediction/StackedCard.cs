using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Prediction;

/// <summary>A paint on a plain card, as on a swatch.</summary>
public static class StackedCard
{
    /// <summary>Colour of so many passes on a card of this colour.</summary>
    /// <param name="card">Colour of the card, taken as gloss.</param>
    /// <param name="paint">What is painted: a material or a mix.</param>
    /// <param name="technique">How.</param>
    /// <param name="zone">Relief that the technique's deposit is taken from; its face is read.</param>
    /// <param name="passes">Passes, from 1.</param>
    public static Srgb Colour(Srgb card, Paint paint, Technique technique, Zone zone, int passes)
    {
        const int Face = (int)ReliefHeight.Face;
        var coat = new Coat
        {
            Id = Guid.Empty,
            Technique = technique,
            Passes = passes,
            Paint = paint,
            Dilution = Dilution.Of(technique.UsualFraction(paint.Lead.Family)),
        };
        var walk = StackWalk.OnCard(card);
        walk.LayAt(Face, PreparedCoat.Of(coat, zone, null), 1, passes);
        return walk.Colour(Face).ToSrgb();
    }

    /// <summary>What a film of known thickness looks like on a glossy card.</summary>
    /// <param name="card">The bare card.</param>
    /// <param name="optics">The film.</param>
    /// <param name="dryFilmUm">Its dry thickness, um.</param>
    public static Srgb Film(Srgb card, FilmOptics optics, double dryFilmUm)
    {
        Span<double> body = stackalloc double[Spectra.Bands];
        Spectra.FromSrgb(card).CopyTo(body);
        var surface = Math.Min(Surface.Term(Sheen.Gloss), Spectra.Lowest(body) / 2);
        for (var i = 0; i < body.Length; i++)
        {
            body[i] -= surface;
        }

        optics.Lay(body, dryFilmUm, 1, 1);
        return Spectra.ToLinear(body).Plus(optics.SurfaceTerm).ToSrgb();
    }
}
