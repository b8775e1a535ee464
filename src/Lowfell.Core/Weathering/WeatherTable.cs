using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Weathering;

/// <summary>How a tool draws.</summary>
/// <param name="Name">The tool.</param>
/// <param name="FromMm">Narrowest that it draws, mm.</param>
/// <param name="ToMm">Widest, mm.</param>
/// <param name="For">Techniques that it is used for.</param>
public sealed record DrawingTool(string Name, double FromMm, double ToMm, IReadOnlyList<Technique> For);

/// <summary>Figures of weathering. Craft estimates.</summary>
public static class WeatherTable
{
    /// <summary>So near the end of a side no mark lies, mm.</summary>
    public const double ClearMm = 3;

    /// <summary>So near each other no two of a kind lie, mm.</summary>
    public const double ApartMm = 2;

    /// <summary>Mating faces of what moves stay clear by so much, mm.</summary>
    public const double MateMm = 1.5;

    /// <summary>So much narrower and wider than the plan says one mark is than another, share.</summary>
    public const double WidthBand = 0.2;

    /// <summary>The same for its length.</summary>
    public const double LengthBand = 0.3;

    /// <summary>Soot spreads so wide over a mouth, in life, mm.</summary>
    public const double SootRealMm = 700;

    /// <summary>So far to either side of its host a mark begins, mm.</summary>
    public const double AsideMm = 2.5;

    /// <summary>So much more or fewer marks than the mean a copy has, share.</summary>
    public const double CountBand = 0.35;

    /// <summary>So much more or less area than the mean a copy's marks cover, share.</summary>
    public const double AreaBand = 0.25;

    /// <summary>A host that the copy before has used counts so much, share; of the one before that the root of it.</summary>
    public const double SameHost = 0.35;

    /// <summary>More of a kind on a copy than this are sponged or flicked, not set one by one.</summary>
    public const int OneByOne = 60;

    /// <summary>More of a kind on a copy than this have no numbers on its card: they fall where they fall.</summary>
    public const int Numbered = 16;

    /// <summary>Nothing narrower can be drawn, mm.</summary>
    public const double LeastMm = 0.12;

    /// <summary>Who exaggerates begins at so many times life, and goes on in such steps.</summary>
    public const double LeastTimes = 1.5, TimesStep = 0.1;

    /// <summary>On the side that the weather comes from there is so much more of it, on the far side so much less, times.</summary>
    public const double Windward = 2, Leeward = 0.5;

    private static readonly Technique[] Drawn = [Technique.Streak, Technique.EdgeHighlight, Technique.Marking, Technique.Glaze], Dabbed = [Technique.SpongeChipping, Technique.Sponge], Pressed = [Technique.Stipple, Technique.DryBrush];

    /// <summary>The tools that painters draw marks with; of two that draw as narrow a line, the usual one first.</summary>
    public static IReadOnlyList<DrawingTool> Tools { get; } =
    [
        new("finest round brush", 0.15, 0.35, Drawn),
        new("pick or needle tip", 0.10, 0.35, Drawn),
        new("small round brush", 0.25, 0.7, Drawn),
        new("corner of a flat brush", 0.3, 0.9, Drawn),
        new("sharp washable pencil", 0.35, 0.9, [Technique.Marking]),
        new("round brush", 0.5, 1.4, Drawn),
        new("flat brush, drawn down", 2, 4, Drawn),
        new("flicked stiff brush", 0.1, 0.8, [Technique.Speckle]),
        new("corner of fine foam", 0.2, 1.2, Dabbed),
        new("worn split brush", 0.8, 2.5, Pressed),
    ];
}

/// <summary>How a drawn width stands to life.</summary>
public enum WidthVerdict
{
    /// <summary>Narrower than in life.</summary>
    [Said("finer than life")]
    Finer,

    /// <summary>As in life.</summary>
    [Said("to scale")]
    ToScale,

    /// <summary>Wider than in life, as far as that may be.</summary>
    [Said("fuller than life")]
    Fuller,

    /// <summary>Too wide, or too big.</summary>
    [Said("too wide")]
    TooWide,

    /// <summary>Too fine for any tool.</summary>
    [Said("too fine to draw")]
    CannotBeDrawn,
}
