using Lowfell.Core.Colour;

namespace Lowfell.Core.Sight;

/// <summary>Something on a ground.</summary>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="LengthMm">Length, mm.</param>
/// <param name="Colour">Its colour.</param>
/// <param name="Ground">Colour that it lies on.</param>
/// <param name="ReliefContrast">Contrast of the ground's own relief, root of the mean square.</param>
/// <param name="PitchMm">From one feature of it to the next, mm; 0 for none.</param>
public readonly record struct SightDetail(double WidthMm, double LengthMm, LinearRgb Colour, LinearRgb Ground, double ReliefContrast = 0, double PitchMm = 0);

/// <summary>Where from, and who.</summary>
/// <param name="Metres">Distance, m.</param>
/// <param name="Room">Room.</param>
/// <param name="Eyes">Eyes.</param>
public readonly record struct SightFrom(double Metres, SightRoom Room = SightRoom.ClubHall, Eyes Eyes = Eyes.Sharp)
{
    /// <summary>White of the room, cd/m2, where it was measured.</summary>
    public double? MeasuredCdM2 { get; init; }

    /// <summary>Acuity of the eyes, where it is known.</summary>
    public double? KnownAcuity { get; init; }

    /// <summary>How much more, or less, than usual these eyes notice: a factor on J that a trial gave; 0 for none.</summary>
    public double TrialFactor { get; init; }

    /// <summary>The factor on J.</summary>
    public double Factor => TrialFactor > 0 ? TrialFactor : 1;

    /// <summary>White of the room, cd/m2.</summary>
    public double WhiteCdM2 => MeasuredCdM2 ?? Room.White();

    /// <summary>What the eyes make of an angle.</summary>
    public double Acuity => KnownAcuity ?? Eyes.Acuity();
}

/// <summary>One look at a detail.</summary>
/// <param name="J">Times the laboratory's threshold of being noticed.</param>
/// <param name="Left">What is left of the difference of colours once the eye has blurred it, dE00.</param>
/// <param name="Arcmin">Its width, minutes of arc as these eyes see it.</param>
/// <param name="There">Its colour as it is seen from there.</param>
public readonly record struct Sighting(double J, double Left, double Arcmin, LinearRgb There)
{
    /// <summary>In a word.</summary>
    public SightWord Word => SightTable.Word(J, Left);
}

/// <summary>Whether anyone sees it.</summary>
public static class Sights
{
    // Light that is spread over everything in the eye, as a share of white.
    private const double Veil = 0.02;

    // How much of a line marks in a row are taken for, mm.
    private const double RowMm = 60;

    /// <summary>Looks at a detail.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The distance or a size is out of bounds; the message is for the painter.</exception>
    public static Sighting At(in SightDetail detail, in SightFrom from)
    {
        if (!(from.Metres >= SightTable.LeastM && from.Metres <= SightTable.MostM))
        {
            throw new ArgumentOutOfRangeException(nameof(from), FormattableString.Invariant($"Viewing distance goes from {SightTable.LeastM} to {SightTable.MostM} m."));
        }

        if (!(detail.WidthMm >= SightTable.LeastMm && detail.WidthMm <= SightTable.MostMm))
        {
            throw new ArgumentOutOfRangeException(nameof(detail), FormattableString.Invariant($"A detail is {SightTable.LeastMm} to {SightTable.MostMm} mm wide."));
        }

        var acuity = from.Acuity;
        var (w, l) = (Eye.Arcmin(detail.WidthMm, from.Metres) * acuity, Eye.Arcmin(Math.Max(SightTable.LeastMm, detail.LengthMm), from.Metres) * acuity);
        var share = Eye.Kept(w) * Eye.Kept(l);
        var there = Toward(detail.Ground, detail.Colour, share);
        var left = ColourDifference.Ciede2000(there.ToLab(), detail.Ground.ToLab());
        var (own, ground) = (CieTables.Xyz(detail.Colour), CieTables.Xyz(detail.Ground));
        var (a, g) = (Cones(own), Cones(ground));
        double Contrast(double one, double other) => (one - other) / (other + Veil);
        var (long0, middle, short0) = (Contrast(a.L, g.L), Contrast(a.M, g.M), Contrast(a.S, g.S));
        var kernel = SightKernel.Of(w, l);
        var tone = kernel.Luminance * Contrast(own.Y, ground.Y) * Eye.RoomShare(from.WhiteCdM2 * ground.Y)
            / Eye.Hidden(detail.ReliefContrast, detail.PitchMm, w, from.Metres, acuity);
        var (red, blue) = (kernel.RedGreen * (long0 - middle), kernel.BlueYellow * (short0 - ((long0 + middle) / 2)));
        return new(from.Factor * Math.Sqrt((tone * tone) + (red * red) + (blue * blue)), left, w, there);
    }

    /// <summary>The better of one mark by itself and of a row of such, taken as a line as wide as one.</summary>
    /// <param name="detail">One mark.</param>
    /// <param name="share">What of the row they cover, 0..1.</param>
    /// <param name="from">Where from.</param>
    public static Sighting InRow(in SightDetail detail, double share, in SightFrom from)
    {
        var (one, row) = (At(detail, from), At(detail with { LengthMm = RowMm, Colour = Toward(detail.Ground, detail.Colour, Math.Clamp(share, 0, 1)) }, from));
        return row.Word > one.Word || (row.Word == one.Word && row.J > one.J) ? row : one;
    }

    /// <summary>Looks at a detail, by itself or, where such stand in a row, at the better of it and the row.</summary>
    public static Sighting Best(in SightDetail detail, double rowShare, in SightFrom from) => rowShare > 0 ? InRow(detail, rowShare, from) : At(detail, from);

    /// <summary>The verdict over the distances.</summary>
    /// <param name="look">Looks at it from a distance, m.</param>
    /// <param name="tableM">Distance of the set, m.</param>
    public static SightVerdict Verdict(Func<double, SightWord> look, double tableM)
    {
        ArgumentNullException.ThrowIfNull(look);
        return look(SightTable.FarM) >= SightWord.Seen ? SightVerdict.FarOff
            : look(tableM) is var table && table >= SightWord.Seen ? SightVerdict.AtTable
            : table == SightWord.Barely ? SightVerdict.BarelyAtTable
            : look(SightTable.HandM) >= SightWord.Seen ? SightVerdict.InHand : SightVerdict.Never;
    }

    /// <summary>Contrast of a relief in its own colours: root of the mean square of luminance about its mean, by shares.</summary>
    public static double ReliefContrast(ReadOnlySpan<double> shares, ReadOnlySpan<double> luminances)
    {
        var (mean, square) = (0.0, 0.0);
        for (var i = 0; i < shares.Length; i++)
        {
            mean += shares[i] * luminances[i];
        }

        for (var i = 0; i < shares.Length; i++)
        {
            square += shares[i] * (luminances[i] - mean) * (luminances[i] - mean);
        }

        return Math.Sqrt(square) / (mean + Veil);
    }

    private static LinearRgb Toward(LinearRgb from, LinearRgb to, double share) => new(from.R + (share * (to.R - from.R)), from.G + (share * (to.G - from.G)), from.B + (share * (to.B - from.B)));

    // Cones after Hunt, Pointer and Estevez, for the white of daylight.
    private static (double L, double M, double S) Cones((double X, double Y, double Z) c) => ((0.4002 * c.X) + (0.7076 * c.Y) - (0.0808 * c.Z), (-0.2263 * c.X) + (1.1653 * c.Y) + (0.0457 * c.Z), 0.9182 * c.Z);
}
