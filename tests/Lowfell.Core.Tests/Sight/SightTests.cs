using Lowfell.Core.Colour;
using Lowfell.Core.Sight;
using Xunit;

namespace Lowfell.Core.Tests.Sight;

/// <summary>Sight against published thresholds, known cases and what must always hold.</summary>
public sealed class SightTests
{
    private static SightDetail Detail(string colour, string ground, double width, double? length = null, double relief = 0, double pitch = 0) =>
        new(width, length ?? width, Srgb.Parse(colour).ToLinear(), Srgb.Parse(ground).ToLinear(), relief, pitch);

    private static LinearRgb Grey(double l) => new Lab(l, 0, 0).ToLinear();

    [Theory]
    [InlineData(0.3, 0.09)]
    [InlineData(0.6, 0.17)]
    [InlineData(0.9, 0.26)]
    [InlineData(1.2, 0.35)]
    [InlineData(2, 0.58)]
    public void A_minute_of_arc_is_so_wide(double metres, double mm)
    {
        Assert.Equal(1, Eye.Arcmin(mm, metres), 0.05);
        Assert.Equal(metres, Eye.FormM(mm), metres * 0.05);
        Assert.Equal(1.72, Eye.FormM(0.5), 0.005);
    }

    [Theory]
    [InlineData(0.25, 0.15)]
    [InlineData(0.5, 0.29)]
    [InlineData(1, 0.50)]
    [InlineData(2, 0.72)]
    [InlineData(4, 0.89)]
    public void A_long_line_keeps_so_much_of_its_contrast(double arcmin, double share) => Assert.Equal(share, Eye.Kept(arcmin), 0.006);

    // Thresholds of the pooled filter: a line of 1' x 60', squares.
    [Theory]
    [InlineData(1, 60, 0.068)]
    [InlineData(1, 1, 0.68)]
    [InlineData(2, 2, 0.19)]
    [InlineData(5, 5, 0.050)]
    [InlineData(10, 10, 0.027)]
    public void The_kernel_has_the_thresholds_of_the_full_sum(double one, double other, double contrast) => Assert.Equal(contrast, 1 / SightKernel.Of(one, other).Luminance, contrast * 0.03);

    // The closed form is within 6 % of the summed patch, whose band has a width.
    [Theory]
    [InlineData(4, 0.0094)]
    [InlineData(8, 0.0149)]
    [InlineData(16, 0.0467)]
    [InlineData(30, 0.27)]
    public void A_gabor_patch_is_noticed_from_so_little(double cycles, double contrast) => Assert.Equal(contrast, Eye.Threshold(cycles), contrast * 0.06);

    [Theory]
    [InlineData(5, 0.66)]
    [InlineData(15, 0.88)]
    [InlineData(30, 1)]
    [InlineData(75, 1.12)]
    [InlineData(150, 1.18)]
    public void Tones_are_told_better_in_a_lighter_room(double cdM2, double share) => Assert.Equal(share, Eye.RoomShare(cdM2), 0.01);

    // Least width to be seen of a neutral mark on L* 45 in a club hall: as a line of 10 mm, as a dot. What is left of faint tones is by CIEDE2000, whose lightness
    // weighs a little more there than plain L*: up to 15 % wider.
    [Theory]
    [InlineData(5, 0.3, 0.22, 0.33)]
    [InlineData(5, 1.2, 0.86, 1.3)]
    [InlineData(10, 0.6, 0.11, 0.34)]
    [InlineData(10, 2, 0.38, 1.1)]
    [InlineData(20, 0.9, 0.07, 0.32)]
    [InlineData(20, 2, 0.15, 0.72)]
    [InlineData(40, 1.2, 0.03, 0.26)]
    public void So_wide_it_has_to_be(double tone, double metres, double line, double dot)
    {
        double Least(Func<double, SightDetail> of)
        {
            var width = 0.01;
            while (Sights.At(of(width), new(metres)).Word < SightWord.Seen)
            {
                width *= 1.005;
            }

            return width;
        }

        Assert.Equal(line, Least(w => new(w, 10, Grey(45 + tone), Grey(45))), Math.Max(0.012, line * 0.15));
        Assert.Equal(dot, Least(w => new(w, w, Grey(45 + tone), Grey(45))), Math.Max(0.01, dot * 0.15));
    }

    [Fact]
    public void Known_things_are_seen_as_far_as_they_are()
    {
        // A dark hair on paper is noticed without searching to 1.6 m, and last at 3.3.
        var hair = Detail("#2a2018", "#f2efe6", 0.07, 30);
        Assert.Equal(2.5, Sights.At(hair, new(1.6)).J, 0.15);
        Assert.Equal(1, Sights.At(hair, new(3.3)).J, 0.05);

        // A full stop to 1.1 m.
        Assert.Equal(2.5, Sights.At(Detail("#181818", "#f2efe6", 0.4), new(1.1)).J, 0.15);

        // Wide fields keep all of their difference.
        var field = Detail("#7a7a5c", "#6f7054", 200);
        Assert.Equal(ColourDifference.Ciede2000(field.Colour.ToLab(), field.Ground.ToLab()), Sights.At(field, new(0.5)).Left, 1e-6);
        Assert.Equal(0, Sights.At(Detail("#7a7a5c", "#7a7a5c", 5), new(1)).J, 1e-9);
    }

    // What is offered for faint streaks and scratches of a crawler at a metre.
    [Theory]
    [InlineData("#6a694f", 0.45, 8)]
    [InlineData("#969677", 0.18, 6)]
    public void What_is_offered_for_faint_marks_shows_at_a_metre(string colour, double width, double length)
    {
        var seen = Sights.At(Detail(colour, "#7a7a5c", width, length), new(1));
        Assert.True(seen.Word >= SightWord.Seen, seen.ToString());
    }

    [Fact]
    public void Farther_off_narrower_or_paler_is_never_better_seen()
    {
        var random = new Random(15);
        for (var i = 0; i < 3000; i++)
        {
            LinearRgb Colour() => new(random.NextDouble(), random.NextDouble(), random.NextDouble());
            var (colour, ground) = (Colour(), Colour());
            var (width, metres) = (Math.Exp(random.NextDouble() * 6 - 3), 0.2 + (random.NextDouble() * 3));
            var detail = new SightDetail(width, width * (1 + (10 * random.NextDouble())), colour, ground);
            var here = Sights.At(detail, new(metres));
            Assert.True(Sights.At(detail, new(metres * 1.3)).J <= here.J * (1 + 1e-9));
            Assert.True(Sights.At(detail with { WidthMm = width * 1.2, LengthMm = detail.LengthMm * 1.2 }, new(metres)).J >= here.J * (1 - 1e-9));
            var half = new LinearRgb((colour.R + ground.R) / 2, (colour.G + ground.G) / 2, (colour.B + ground.B) / 2);
            Assert.True(Sights.At(detail with { Colour = half }, new(metres)).J <= here.J * (1 + 1e-9));
            Assert.True(Sights.At(detail, new(metres, Eyes: Eyes.Weaker)).J <= here.J * (1 + 1e-9));
            Assert.True(Sights.At(detail, new(metres, SightRoom.EveningLamp)).J <= Sights.At(detail, new(metres, SightRoom.Bench)).J * (1 + 1e-9));
        }
    }

    [Fact]
    public void The_grounds_own_relief_hides_tone_near_its_size_and_not_hue()
    {
        var tone = Detail("#9a9a9a", "#808080", 0.7, 3, 0.3, 1.5);
        Assert.True(Sights.At(tone, new(0.6)).J < 0.8 * Sights.At(tone with { ReliefContrast = 0 }, new(0.6)).J);
        Assert.True(Sights.At(tone, new(0.6)).J >= 0.25 * Sights.At(tone with { ReliefContrast = 0 }, new(0.6)).J);
        Assert.Equal(Sights.At(tone with { PitchMm = 0 }, new(0.6)), Sights.At(tone with { ReliefContrast = 0 }, new(0.6)));
        Assert.Equal(0, Sights.ReliefContrast([0.2, 0.6, 0.2], [0.3, 0.3, 0.3]), 1e-12);
    }

    [Fact]
    public void A_row_of_chips_is_seen_farther_off_than_one_of_them()
    {
        var chip = Detail("#3a2a20", "#7a7a5c", 0.5);
        var (alone, row) = (Sights.At(chip, new(2)), Sights.InRow(chip, 0.35, new(2)));
        Assert.True(row.J > 2.5 * alone.J, $"{alone.J:0.0} alone, {row.J:0.0} in the row");
        Assert.Equal(alone, Sights.InRow(chip, 0, new(2)));
    }

    [Fact]
    public void What_is_needed_shows_and_a_little_less_does_not()
    {
        var streak = Detail("#74745a", "#7a7a5c", 0.45, 8);
        var from = new SightFrom(1);
        Assert.True(Sights.At(streak, from).Word < SightWord.Seen);
        var tones = Needed.Tones(streak, from);
        Assert.Equal(2, tones.Count);
        Assert.True(tones[0].DeltaE <= tones[1].DeltaE);
        foreach (var tone in tones)
        {
            Assert.True(Sights.At(streak with { Colour = tone.Colour }, from).Word >= SightWord.Seen);
            var (lab, ground) = (tone.Colour.ToLab(), streak.Ground.ToLab());
            var less = new Lab(lab.L + (lab.L > ground.L ? -0.6 : 0.6), lab.A, lab.B).ToLinear();
            Assert.True(Sights.At(streak with { Colour = less }, from).Word < SightWord.Seen);
        }

        var dot = Detail("#b8b89a", "#7a7a5c", 0.2);
        var width = Needed.WidthMm(dot, from)!.Value;
        Assert.True(Sights.At(dot with { WidthMm = width, LengthMm = width }, from).Word >= SightWord.Seen);
        Assert.True(Sights.At(dot with { WidthMm = width - 0.06, LengthMm = width - 0.06 }, from).Word < SightWord.Seen);
        Assert.Null(Needed.WidthMm(Detail("#7a7a5d", "#7a7a5c", 0.2), from));
    }

    [Theory]
    [InlineData(0.05, 1, "Viewing distance goes from 0.1 to 5 m.")]
    [InlineData(6, 1, "Viewing distance goes from 0.1 to 5 m.")]
    [InlineData(double.NaN, 1, "Viewing distance goes from 0.1 to 5 m.")]
    [InlineData(1, 0, "A detail is 0.01 to 300 mm wide.")]
    [InlineData(1, 301, "A detail is 0.01 to 300 mm wide.")]
    public void Bad_figures_are_refused_in_words(double metres, double width, string why) =>
        Assert.StartsWith(why, Assert.Throws<ArgumentOutOfRangeException>(() => Sights.At(Detail("#000000", "#ffffff", width, 1), new(metres))).Message, StringComparison.Ordinal);
}
