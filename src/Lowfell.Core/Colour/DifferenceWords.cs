namespace Lowfell.Core.Colour;

/// <summary>Differences of colour in a painter's words: how much first, then in which way.</summary>
public static class DifferenceWords
{
    // No two colours are farther apart than this, dE00.
    private const double Farthest = 200;

    // A second way is named where it is so large a share of the first.
    private const double AlsoNamed = 0.6;

    // Under this chroma a colour has no hue worth a word.
    private const double Grey = 10;

    /// <summary>Up to so many dE00 it is called so. The first two follow what is seen side by side and from a step away; the others are craft estimates.</summary>
    public static IReadOnlyList<(double UpTo, string Word)> Amounts { get; } = [(1, "the same to the eye"), (2.5, "the same at arm's length"), (5, "a shade"), (12, "clearly"), (Farthest, "far")];

    /// <summary>How another colour differs from one: "a shade lighter", "clearly darker and redder", "the same at arm's length".</summary>
    /// <param name="from">What it is held against.</param>
    /// <param name="to">What is told.</param>
    public static string Of(Lab from, Lab to)
    {
        var off = ColourDifference.Ciede2000(from, to);
        return Unlike(off) ? $"{Amount(off)} {Ways(from, to)}" : Amount(off);
    }

    /// <summary>Whether so large a difference is more than "the same at arm's length".</summary>
    /// <param name="deltaE">dE00.</param>
    public static bool Unlike(double deltaE) => deltaE > Amounts[1].UpTo;

    /// <summary>How much it is, whichever way: "the same to the eye", "a shade", "clearly", "far".</summary>
    /// <param name="deltaE">dE00.</param>
    public static string Amount(double deltaE) => Amounts.First(a => deltaE <= a.UpTo).Word;

    private static string Ways(Lab from, Lab to)
    {
        double lighter = to.L - from.L, stronger = to.Chroma - from.Chroma, a = to.A - from.A, b = to.B - from.B;
        var hueWord = Math.Abs(a) > Math.Abs(b) ? (a > 0 ? "redder" : "greener") : b > 0 ? "yellower" : "bluer";

        // From or to a grey there is no turn of hue, only more or less colour.
        var grey = Math.Min(from.Chroma, to.Chroma) < Grey;
        var turn = grey ? 0 : Math.Sqrt(Math.Max(0, (a * a) + (b * b) - (stronger * stronger)));
        (double Size, string Word)[] ways =
        [
            (Math.Abs(lighter), lighter > 0 ? "lighter" : "darker"),
            (Math.Abs(stronger), stronger < 0 ? "greyer" : grey ? hueWord : "stronger"),
            (turn, hueWord),
        ];
        var order = ways.OrderByDescending(w => w.Size).ToArray();
        return order[1].Size >= AlsoNamed * order[0].Size ? $"{order[0].Word} and {order[1].Word}" : order[0].Word;
    }
}
