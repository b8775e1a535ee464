using CsCheck;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Xunit;

namespace Lowfell.Core.Tests.Colour;

public sealed class FilmModelTests
{
    private static readonly Gen<Srgb> AnyColour = Gen.Select(Gen.Byte, Gen.Byte, Gen.Byte, (r, g, b) => new Srgb(r, g, b));

    private static readonly Gen<FilmOptics> AnyPaint = Gen.Select(
        AnyColour, Gen.Double[0.05, 0.99], Gen.Double[5, 60], Gen.OneOf(Sheen.Gloss, Sheen.Satin, Sheen.Matt), Gen.Double[0, 0.6],
        FilmOptics.FromSwatch);

    private static double[] Ground(Srgb colour) => [.. Spectra.FromSrgb(colour).ToArray().Select(r => r * 0.98)];

    [Fact]
    public void A_spectrum_shows_the_colour_it_was_made_from() => AnyColour.Sample(colour =>
    {
        var light = Spectra.ToLinear(Spectra.FromSrgb(colour));
        var wanted = colour.ToLinear();
        Assert.Equal(Math.Clamp(wanted.R, 0.0015, 0.94), light.R, 6);
        Assert.Equal(Math.Clamp(wanted.G, 0.0015, 0.94), light.G, 6);
        Assert.Equal(Math.Clamp(wanted.B, 0.0015, 0.94), light.B, 6);
    });

    [Fact]
    public void A_spectrum_stays_between_black_and_white() => AnyColour.Sample(colour =>
    {
        foreach (var r in Spectra.FromSrgb(colour))
        {
            Assert.InRange(r, 0, 1);
        }
    });

    [Theory]
    [InlineData("#000000", 0, 0, 0)]
    [InlineData("#ffffff", 100, 0, 0)]
    [InlineData("#ff0000", 53.24, 80.09, 67.20)]
    [InlineData("#0000ff", 32.30, 79.19, -107.86)]
    public void Lab_of_display_colours_matches_the_standard(string hex, double l, double a, double b)
    {
        var lab = Srgb.Parse(hex).ToLab();
        Assert.Equal(l, lab.L, 0.02);
        Assert.Equal(a, lab.A, 0.02);
        Assert.Equal(b, lab.B, 0.02);
    }

    [Fact]
    public void A_display_colour_survives_the_way_to_light_and_back() => AnyColour.Sample(c => Assert.Equal(c, c.ToLinear().ToSrgb()));

    [Fact]
    public void Lab_turns_back_into_the_same_light() => AnyColour.Sample(c => Assert.Equal(c, c.ToLab().ToLinear().ToSrgb()));

    [Fact]
    public void No_film_leaves_the_ground() => Gen.Select(AnyPaint, AnyColour).Sample((paint, ground) =>
    {
        var body = Ground(ground);
        paint.Lay(body, 0, 1, 3);
        Assert.Equal(Ground(ground), body);
        paint.Lay(body, 20, 0, 3);
        Assert.Equal(Ground(ground), body);
    });

    [Fact]
    public void A_film_thinner_than_anything_hardly_moves_the_ground() => Gen.Select(AnyPaint, AnyColour).Sample((paint, ground) =>
    {
        var body = Ground(ground);
        paint.Lay(body, 1e-7, 1, 1);
        Assert.All(body.Zip(Ground(ground)), p => Assert.InRange(p.First - p.Second, -5e-4, 5e-4));
    });

    [Fact]
    public void A_thick_film_is_the_masstone_on_any_ground() => Gen.Select(AnyPaint, AnyColour, AnyColour).Sample((paint, one, other) =>
    {
        double[] first = Ground(one), second = Ground(other);
        paint.Lay(first, 1e7, 1, 1);
        paint.Lay(second, 1e7, 1, 1);
        Assert.All(first.Zip(second), p => Assert.Equal(p.First, p.Second, 6));
    });

    [Fact]
    public void A_thick_film_shows_the_declared_swatch() => AnyColour.Sample(colour =>
    {
        var paint = FilmOptics.FromSwatch(colour, 0.9, 20, Sheen.Matt, 0);
        var body = Ground(Srgb.Parse("#808080"));
        paint.Lay(body, 1e7, 1, 1);
        var light = Spectra.ToLinear(body);
        var shown = new LinearRgb(light.R + paint.SurfaceTerm, light.G + paint.SurfaceTerm, light.B + paint.SurfaceTerm);
        var swatch = Spectra.ToLinear(Spectra.FromSrgb(colour));
        Assert.InRange(ColourDifference.Ciede2000(shown.ToLab(), swatch.ToLab()), 0, 0.6);
    });

    [Fact]
    public void Two_films_equal_one_of_their_sum() => Gen.Select(AnyPaint, AnyColour, Gen.Double[0.1, 60], Gen.Double[0.1, 60]).Sample((paint, ground, a, b) =>
    {
        double[] two = Ground(ground), one = Ground(ground);
        paint.Lay(two, a, 1, 1);
        paint.Lay(two, b, 1, 1);
        paint.Lay(one, a + b, 1, 1);
        Assert.All(two.Zip(one), p => Assert.Equal(p.Second, p.First, 9));
    });

    [Fact]
    public void Passes_are_the_same_as_laying_them_one_by_one() => Gen.Select(AnyPaint, AnyColour, Gen.Double[0.1, 40], Gen.Double[0, 1], Gen.Int[1, 6]).Sample((paint, ground, film, coverage, passes) =>
    {
        double[] at = Ground(ground), each = Ground(ground);
        paint.Lay(at, film, coverage, passes);
        for (var i = 0; i < passes; i++)
        {
            paint.Lay(each, film, coverage, 1);
        }

        Assert.All(at.Zip(each), p => Assert.Equal(p.Second, p.First, 12));
    });

    [Fact]
    public void Single_precision_lays_the_same_film() => Gen.Select(
        AnyPaint, AnyColour, Gen.OneOf(Gen.Double[0.01, 60], Gen.Double[0, 1e-4], Gen.Double[1e3, 1e6]), Gen.Double[0, 1], Gen.Int[1, 6]).Sample((paint, ground, film, coverage, passes) =>
    {
        var exact = Ground(ground);
        var rooms = new float[2 * Spectra.Room];
        exact.Select(b => (float)b).ToArray().CopyTo(rooms, 0);
        exact.Select(b => (float)b).ToArray().CopyTo(rooms, Spectra.Room);
        paint.Lay(exact, film, coverage, passes);
        paint.Lay(rooms, [0, (float)film], (float)coverage, passes);
        Assert.All(Ground(ground).Zip(rooms), p => Assert.Equal(p.First, p.Second, 2e-5));
        Assert.All(exact.Zip(rooms.AsSpan(Spectra.Room).ToArray()), p => Assert.Equal(p.First, p.Second, 2e-5));
        Assert.All(rooms.AsSpan(Spectra.Room + Spectra.Bands).ToArray(), beyond => Assert.Equal(0, beyond));
        var (single, wide) = (Spectra.ToLinear(rooms.AsSpan(Spectra.Room)), Spectra.ToLinear(exact));
        Assert.InRange(ColourDifference.Ciede2000(single.Plus(0.004).ToLab(), wide.Plus(0.004).ToLab()), 0, 0.005);
    });

    [Fact]
    public void Lightness_follows_the_cube_root_of_the_standard() => Gen.Double[0, 1.6].Sample(y =>
    {
        var expected = y > 216.0 / 24389 ? (116 * Math.Cbrt(y)) - 16 : y * 24389 / 27;
        Assert.Equal(expected, new LinearRgb(y, y, y).ToLab().L, 1e-5);
    });

    [Fact]
    public void Energy_is_never_made() => Gen.Select(AnyPaint, AnyPaint, AnyColour, Gen.Double[0, 500]).Sample((first, second, ground, film) =>
    {
        var body = Ground(ground);
        first.Lay(body, film, 1, 2);
        second.Lay(body, film, 0.5, 2);
        Assert.All(body, b => Assert.InRange(b + Math.Max(first.SurfaceTerm, second.SurfaceTerm) - 0.03, -0.03, 1));
    });

    [Fact]
    public void Order_matters()
    {
        var tan = FilmOptics.FromSwatch(Srgb.Parse("#b59a6b"), 0.92, 20, Sheen.Matt, 0);
        var wash = FilmOptics.FromSwatch(Srgb.Parse("#3b2a1c"), 0.60, 20, Sheen.Satin, 0.5);
        double[] washLast = Ground(Srgb.Parse("#808080")), tanLast = Ground(Srgb.Parse("#808080"));
        tan.Lay(washLast, 15, 1, 1);
        wash.Lay(washLast, 5, 1, 1);
        wash.Lay(tanLast, 5, 1, 1);
        tan.Lay(tanLast, 15, 1, 1);
        Assert.True(ColourDifference.Ciede2000(Spectra.ToLinear(washLast).ToLab(), Spectra.ToLinear(tanLast).ToLab()) > 5);
    }

    [Fact]
    public void A_declared_contrast_ratio_is_met_at_its_reference_film() => Gen.Select(AnyColour, Gen.Double[0.1, 0.98], Gen.Double[5, 60]).Sample((colour, contrast, film) =>
    {
        var paint = FilmOptics.FromSwatch(colour, contrast, film, Sheen.Matt, 0);
        Assert.Equal(contrast, paint.ContrastRatio(film), 6);
    });

    [Fact]
    public void A_mixture_of_one_paint_with_itself_is_that_paint() => Gen.Select(AnyPaint, Gen.Double[0.1, 5], Gen.Double[0.1, 5]).Sample((paint, a, b) =>
    {
        var mixture = FilmOptics.Mixture([(paint, a), (paint, b)]);
        Assert.All(mixture.AbsorptionPerUm.ToArray().Zip(paint.AbsorptionPerUm.ToArray()), p => Assert.Equal(1, p.First / p.Second, 9));
        Assert.Equal(paint.SurfaceTerm, mixture.SurfaceTerm, 9);
    });

    [Fact]
    public void A_mixture_of_nothing_is_refused() =>
        Assert.Throws<ArgumentException>(() => FilmOptics.Mixture([(FilmOptics.Varnish(Sheen.Gloss), 0)]));
}
