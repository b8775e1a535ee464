using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Techniques;

/// <summary>What an amount and the minutes of a technique go by.</summary>
public enum GoesBy
{
    /// <summary>The area that it covers.</summary>
    Area,

    /// <summary>The length of the creases, where they are measured; else the area.</summary>
    Creases,

    /// <summary>The length of the raised edges, where they are measured; else the area.</summary>
    Edges,

    /// <summary>The number of its marks, where they are counted; else the area.</summary>
    Number,

    /// <summary>The number of copies alone.</summary>
    Copies,
}

/// <summary>A line or mark that a technique draws instead of covering an area.</summary>
/// <param name="WidthMm">Width that the paint takes, mm.</param>
/// <param name="LengthMm">Length of one mark, mm; 0 for what follows a measured line.</param>
/// <param name="WetFilmUm">Wet film on it, um.</param>
/// <param name="MmPerMin">Length done in a minute, mm; 0 where marks are counted.</param>
/// <param name="MarksPerMin">Marks done in a minute; 0 where a line is followed.</param>
public sealed record Stroke(double WidthMm, double LengthMm, double WetFilmUm, double MmPerMin = 0, double MarksPerMin = 0);

/// <summary>How a technique changes the way in which its film dries.</summary>
/// <param name="TouchMin">Minutes to touch-dry of a water-borne film, whatever its thickness; others then dry as their family says. 0 where the film counts.</param>
/// <param name="RecoatMin">Minutes to recoat-dry, likewise.</param>
/// <param name="WorkMin">Minutes until it bears scrubbing or thick wet paste, likewise; 0 where that is no other time.</param>
/// <param name="Share">Times the family's minutes, whatever the film; 0 where the film counts.</param>
/// <param name="WetFilmUm">Film that stands in place of the applied one, um; 0 for the applied one.</param>
/// <param name="StandsInHollows">On a rough or textured ground it stands in the hollows and takes half as long again.</param>
public sealed record DryingHabit(double TouchMin = 0, double RecoatMin = 0, double WorkMin = 0, double Share = 0, double WetFilmUm = 0, bool StandsInHollows = false)
{
    /// <summary>How much longer what stands in hollows takes. Craft estimate.</summary>
    public const double HollowFactor = 1.5;

    /// <summary>As the family dries.</summary>
    public static DryingHabit Usual { get; } = new();
}

/// <summary>What handwork does to the coat below while that is open: how much of it stays.</summary>
/// <param name="Keeps">Share of the coat below that stays at recess, face and edge, 0..1.</param>
public sealed record HandEffect(ByHeight<double> Keeps);

/// <summary>Everything that any rule, formula, screen or document asks of a technique.</summary>
public sealed record TechniqueFacts
{
    private readonly string? label;

    /// <summary>The painter's word for what it leaves, within a sentence.</summary>
    public required string Word { get; init; }

    /// <summary>The word in a list; that of a sentence where none is given.</summary>
    public string Label { get => label ?? Words.Capital(Word); init => label = value; }

    /// <summary>The group that it stands in on a list.</summary>
    public required string Group { get; init; }

    /// <summary>What it is there for.</summary>
    public required Role Role { get; init; }

    /// <summary>What it is done with.</summary>
    public required string Tool { get; init; }

    /// <summary>Breadth of its brush as a share of the zone's side; 0 where it has none.</summary>
    public double Breadth { get; init; }

    /// <summary>Its brush is a fine round one, as fine as the detail.</summary>
    public bool Fine { get; init; }

    /// <summary>Sprayed from close by, along seams or within a panel.</summary>
    public bool Close { get; init; }

    /// <summary>Row of the kernel table; null for what leaves no film.</summary>
    public string? Kernel { get; init; }

    /// <summary>How hard it works on what lies below.</summary>
    public Impact Impact { get; init; } = Impact.Laid;

    /// <summary>The same where it is of spirit and cleaned off afterwards.</summary>
    public Impact? SpiritImpact { get; init; }

    /// <summary>The liquid that it works with, where it has no material of its own.</summary>
    public Carrier Brings { get; init; } = Carrier.None;

    /// <summary>Wants a material.</summary>
    public bool NeedsMaterial { get; init; } = true;

    /// <summary>Can be thinned.</summary>
    public bool Thins { get; init; } = true;

    /// <summary>Where between the least and the most that is usual of a family it is thinned, 0..1.</summary>
    public double Strength { get; init; } = 0.5;

    /// <summary>Meant to cover what is under it.</summary>
    public bool Covers { get; init; }

    /// <summary>A film of it shields what is under it where it covers enough of the face.</summary>
    public bool Hides { get; init; }

    /// <summary>Its film sets the sheen that is read from there on.</summary>
    public bool SetsSheen { get; init; }

    /// <summary>Done with sponge or foam.</summary>
    public bool Foam { get; init; }

    /// <summary>By can or airbrush.</summary>
    public bool Sprayed { get; init; }

    /// <summary>Done from a can where the material comes in one.</summary>
    public bool FromCan { get; init; }

    /// <summary>Colours by soaking in or by a transparent film, all over.</summary>
    public bool Stains { get; init; }

    /// <summary>The technique that does the same with less water on what lies below; null where there is none.</summary>
    public Technique? GentlerAs { get; init; }

    /// <summary>Separate marks: the zone's average is thin, a single mark is not.</summary>
    public bool Marks { get; init; }

    /// <summary>What a mark of it looks like; null for what is laid as a film, or planted.</summary>
    public MarkShape? Shape { get; init; }

    /// <summary>Leaves a thin film that runs down and gathers where it can.</summary>
    public bool Drains { get; init; }

    /// <summary>Not there for its colour.</summary>
    public bool ColourFree { get; init; }

    /// <summary>Makes the surface rather than coats it.</summary>
    public bool Builds { get; init; }

    /// <summary>Its film counts where details may fill.</summary>
    public bool FillsDetail { get; init; } = true;

    /// <summary>The brush knocks loose grain off.</summary>
    public bool KnocksGrain { get; init; }

    /// <summary>Wets loose grain, and may float it.</summary>
    public bool FloatsGrain { get; init; }

    /// <summary>Binds loose grain whatever it is of.</summary>
    public bool BindsGrain { get; init; }

    /// <summary>Is cleaned off the face while it still moves.</summary>
    public bool CleanedUp { get; init; }

    /// <summary>Belongs to the coat below while that is open; what it does to it.</summary>
    public HandEffect? Hand { get; init; }

    /// <summary>Hits or touches what lies beside it: messy work comes before neat.</summary>
    public bool Messy { get; init; }

    /// <summary>Best laid as the last thing of an evening: it wants the night to settle and dry.</summary>
    public bool WantsNight { get; init; }

    /// <summary>Mist that lands on neighbours unless they are masked.</summary>
    public bool Oversprays { get; init; }

    /// <summary>Wear and weather, laid over finished paint.</summary>
    public bool Weathers { get; init; }

    /// <summary>Where it is done.</summary>
    public Station Station { get; init; } = Station.Brush;

    /// <summary>What amount and minutes go by.</summary>
    public GoesBy GoesBy { get; init; } = GoesBy.Area;

    /// <summary>The line or mark that it draws, where amount and minutes do not go by area.</summary>
    public Stroke? Stroke { get; init; }

    /// <summary>Wet film that is brushed or sprayed on, um, over the part of the area that it touches.</summary>
    public double AppliedUm { get; init; }

    /// <summary>Share of the paint that reaches the piece.</summary>
    public double Transfer { get; init; } = 0.85;

    /// <summary>Lost in brush, cup or sponge, ml a batch.</summary>
    public double LossMl { get; init; } = 0.3;

    /// <summary>Area done in a minute, cm2.</summary>
    public double RateCm2PerMin { get; init; } = 25;

    /// <summary>The same with a large tool, where the zone is large enough for one; 0 where there is none.</summary>
    public double LargeRateCm2PerMin { get; init; }

    /// <summary>Creases cleaned up in a minute, mm, where it is cleaned.</summary>
    public double CleanMmPerMin { get; init; }

    /// <summary>Minutes that a batch stays workable on a dry palette; 0 where it does not go off.</summary>
    public int DryPaletteMin { get; init; }

    /// <summary>The same on a wet palette.</summary>
    public int WetPaletteMin { get; init; }

    /// <summary>How its film dries.</summary>
    public DryingHabit Drying { get; init; } = DryingHabit.Usual;

    /// <summary>Minutes that whatever comes next waits after it, where it leaves no film that would say so; 0 for none.</summary>
    public double ThenMin { get; init; }

    /// <summary>Minutes from and to which it can be done after the coat below is touch-dry, at 20 C; null without such a window.</summary>
    public (double From, double To)? AfterTouchMin { get; init; }
}
