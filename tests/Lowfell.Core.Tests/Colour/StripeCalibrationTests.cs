using CsCheck;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Colour;

public sealed class StripeCalibrationTests
{
    private static readonly Srgb Black = Srgb.Parse("#1a1a1a");
    private static readonly Srgb White = Srgb.Parse("#ececea");

    // The last figure is the worst dE that is put up with. Two display colours don't tell the spectrum of a pure yellow's thin film.
    public static TheoryData<string, double, double, double, double> Known => new()
    {
        { "#b59a6b", 0.80, 0.36, 0, 1.5 },
        { "#8a3a22", 0.75, 0.36, 0.2, 1.5 },
        { "#3b2a1c", 0.60, 0.12, 0.5, 1.5 },
        { "#f0c020", 0.60, 0.36, 0, 3.2 },
        { "#556b4f", 0.85, 0.36, 0, 1.5 },
    };

    [Theory]
    [MemberData(nameof(Known))]
    public void A_known_paint_is_found_again_from_its_own_stripe(string colour, double contrast, double solids, double undertone, double worst)
    {
        var known = Build.Paint(colour, contrast, solids: solids, undertone: undertone);
        Assert.InRange(Worst(known, Calibrated(known, 12, 0, 1)), 0, worst);
    }

    // A reader's last digit wavers: the film is still found to about what an eye sees side by side.
    [Theory]
    [MemberData(nameof(Known))]
    public void It_is_found_from_a_wavering_reader_too(string colour, double contrast, double solids, double undertone, double worst)
    {
        var known = Build.Paint(colour, contrast, solids: solids, undertone: undertone);
        Assert.InRange(Worst(known, Calibrated(known, 12, 0.25, 7)), 0, worst + 0.5);
    }

    [Fact]
    public void Nothing_that_is_solved_breaks_the_film_model() => Gen.Select(Gen.Int[0x20, 0xe0].Array[3], Gen.Double[0.3, 0.9], Gen.Double[5, 30]).Sample((rgb, contrast, film) =>
    {
        var known = Build.Paint($"#{rgb[0]:x2}{rgb[1]:x2}{rgb[2]:x2}", contrast);
        var stripe = Stripe(known, film, 0, 1);
        if (StripeCalibration.Check(stripe) != StripeFault.None)
        {
            return;
        }

        var solved = StripeCalibration.Solve(stripe);
        Assert.All(solved.ScatteringPerUm, s => Assert.True(s > 0 && double.IsFinite(s)));
        Assert.All(solved.AbsorptionPerUm, k => Assert.True(k >= 0 && double.IsFinite(k)));
    });

    [Fact]
    public void A_stripe_that_tells_nothing_is_refused_with_its_reason()
    {
        var paint = Build.Paint("#b59a6b", 0.8);
        var fine = Stripe(paint, 12, 0, 1);
        Assert.Equal(StripeFault.None, StripeCalibration.Check(fine));
        Assert.Equal(StripeFault.DarkerOverWhite, StripeCalibration.Check(fine with { OverBlack = fine.OverWhite, OverWhite = fine.OverBlack }));
        Assert.Equal(StripeFault.FieldsAlike, StripeCalibration.Check(fine with { BlackField = Srgb.Parse("#dcdcda") }));
        Assert.Equal(StripeFault.Hides, StripeCalibration.Check(Stripe(paint, 400, 0, 1)));
        Assert.Equal(StripeFault.Bare, StripeCalibration.Check(fine with { OverBlack = Black, OverWhite = White }));
        Assert.Throws<ArgumentException>(() => StripeCalibration.Solve(Stripe(paint, 400, 0, 1)));
    }

    [Fact]
    public void A_coat_mixed_to_a_colour_goes_by_that_colour_and_not_by_the_stripe()
    {
        var measured = Calibrated(Build.Paint("#b59a6b", 0.8), 12, 0, 1);
        var coat = Build.Coat(Technique.BaseCoat, Build.RopeTan) with { MixedTo = Srgb.Parse("#203040") };
        Assert.Equal(Paint.Of(Build.RopeTan with { Colour = Srgb.Parse("#203040") }).Optics[1].SurfaceTerm, coat.Of(measured).Paint!.Optics[1].SurfaceTerm);
    }

    private static Stripe Stripe(Material known, double film, double noise, int seed)
    {
        var random = new Random(seed);
        Srgb Read(Srgb field)
        {
            var lab = StackedCard.Film(field, known.Optics()[1], film).ToLab();
            double Waver() => noise * ((random.NextDouble() * 2) - 1);
            return new Lab(lab.L + Waver(), lab.A + Waver(), lab.B + Waver()).ToLinear().ToSrgb();
        }

        return new(Read(Black), Read(White), Black, White, Sheen.Gloss, known.Sheen, film);
    }

    private static Material Calibrated(Material known, double film, double noise, int seed)
    {
        var solved = StripeCalibration.Solve(Stripe(known, film, noise, seed));
        return known with { OwnFilm = new MeasuredFilm(solved.AbsorptionPerUm, solved.ScatteringPerUm, solved.SurfaceTerm, solved.Kappa) };
    }

    // Thin, usual and thick films over black, tan and white.
    private static double Worst(Material known, Material found) =>
        (from card in new[] { Black, Srgb.Parse("#b59a6b"), White }
         from film in new[] { 4.0, 12, 40 }
         select ColourDifference.Ciede2000(StackedCard.Film(card, known.Optics()[1], film).ToLab(), StackedCard.Film(card, found.Optics()[1], film).ToLab())).Max();
}
