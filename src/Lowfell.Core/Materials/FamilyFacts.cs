using Lowfell.Core.Films;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Materials;

/// <summary>What a family is there for: mends look for a stand-in of the same kind.</summary>
public enum Kind
{
    /// <summary>Colours by covering.</summary>
    Paint,

    /// <summary>Colours by running into recesses, or by a thin transparent film.</summary>
    Wash,

    /// <summary>Clear coat.</summary>
    Varnish,

    /// <summary>First coat.</summary>
    Primer,

    /// <summary>Makes the surface.</summary>
    Paste,

    /// <summary>Paste or paint that cracks as it dries.</summary>
    CracklePaste,

    /// <summary>Clear medium that cracks the next coat.</summary>
    CrackleMedium,

    /// <summary>Glue.</summary>
    Glue,

    /// <summary>Loose mineral.</summary>
    Grit,

    /// <summary>Soluble layer for chipping.</summary>
    Fluid,

    /// <summary>Drawn on, and washes off.</summary>
    Marking,

    /// <summary>Dry powder.</summary>
    Powder,

    /// <summary>Clear binder for mixes and fixing.</summary>
    Medium,

    /// <summary>Changes how a mix flows or dries.</summary>
    Additive,

    /// <summary>Tufts, flock and grass.</summary>
    Plants,
}

/// <summary>What is weak about a film.</summary>
public enum Weakness
{
    /// <summary>Sound.</summary>
    None,

    /// <summary>Chips and flakes unless sealed.</summary>
    Brittle,

    /// <summary>The same, but only where it lies thick.</summary>
    BrittleWhereThick,

    /// <summary>Grain that falls off or moves unless bound.</summary>
    Loose,

    /// <summary>Powder that wipes off unless fixed.</summary>
    Powdery,

    /// <summary>Water takes it away.</summary>
    Soluble,
}

/// <summary>What warm air does to a wet film.</summary>
public enum WarmAir
{
    /// <summary>Hurries it.</summary>
    Hurries,

    /// <summary>Spoils it.</summary>
    Spoils,

    /// <summary>Good painters disagree.</summary>
    BySchool,
}

/// <summary>What is done to a material before it is used.</summary>
[Flags]
public enum Readying
{
    /// <summary>Nothing.</summary>
    None = 0,

    /// <summary>Shaken.</summary>
    Shake = 1,

    /// <summary>Stirred from the bottom.</summary>
    Stir = 2,

    /// <summary>Left to stand open until it is thick enough.</summary>
    StandOpen = 4,

    /// <summary>Its oil is bled out on card.</summary>
    BleedOnCard = 8,
}

/// <summary>Readying in words.</summary>
public static class Readyings
{
    private static readonly (Readying What, string Words)[] Table =
    [
        (Readying.Shake, "Shake it well."),
        (Readying.Stir, "Stir it from the bottom."),
        (Readying.StandOpen, "Let it stand open until it is as thick as cream."),
        (Readying.BleedOnCard, "Bleed its oil out on card for half an hour."),
    ];

    /// <summary>What is done, in its order.</summary>
    public static IEnumerable<string> Words(Readying readying) => Table.Where(r => readying.HasFlag(r.What)).Select(r => r.Words);
}

/// <summary>How far a family is thinned for one role.</summary>
/// <param name="From">Least paint fraction that is usual.</param>
/// <param name="To">Most that is usual.</param>
/// <param name="NoteBelow">Below this share it is worth a word; 0 for never.</param>
/// <param name="RiskBelow">Below this share the film will not hold; 0 for never.</param>
public readonly record struct Thinning(double From, double To, double NoteBelow = 0, double RiskBelow = 0)
{
    /// <summary>Least share that nothing is said of.</summary>
    public double Least => Math.Max(NoteBelow, RiskBelow);
}

/// <summary>Everything that any rule, formula, screen or document asks of a family; a painter may override much of it by material.</summary>
public sealed record FamilyFacts
{
    /// <summary>The painter's word, within a sentence.</summary>
    public required string Word { get; init; }

    /// <summary>The word in a list.</summary>
    public required string Label { get; init; }

    /// <summary>What it is there for.</summary>
    public required Kind Kind { get; init; }

    /// <summary>What carries it.</summary>
    public required Carrier Carrier { get; init; }

    /// <summary>What it is usually thinned with.</summary>
    public required Thinner OwnThinner { get; init; }

    /// <summary>What else it takes.</summary>
    public Thinner[] OtherThinners { get; init; } = [];

    /// <summary>What it may take: a drop is tried first.</summary>
    public Thinner[] DoubtfulThinners { get; init; } = [];

    /// <summary>What it may take where it is sprayed.</summary>
    public Thinner[] DoubtfulWhenSprayed { get; init; } = [];

    /// <summary>How far it is thinned.</summary>
    public required Thinning Thinned { get; init; }

    /// <summary>How far for roles in which that differs.</summary>
    public IReadOnlyDictionary<Role, Thinning> ThinnedFor { get; init; } = new Dictionary<Role, Thinning>();

    /// <summary>What its dry film bears.</summary>
    public required Resistance Resistance { get; init; }

    /// <summary>How it dries.</summary>
    public required DryingRow Drying { get; init; }

    /// <summary>What makes it dry.</summary>
    public required DryingKind DryingKind { get; init; }

    /// <summary>Share of paint that its drying is told for, where it dries by the paint that is in it; null for what dries by its liquid.</summary>
    public double? DriesAtShare { get; init; }

    /// <summary>What warm air does to it.</summary>
    public WarmAir WarmAir { get; init; } = WarmAir.Spoils;

    /// <summary>How much longer a mix takes to dry for each share of it in the volume: 5 makes one tenth of it half as long again.</summary>
    public double Slows { get; init; }

    /// <summary>Minutes after which it can be cleaned up, and until when, at 20 C; null where it has no such window.</summary>
    public (double From, double To)? CleanUpMin { get; init; }

    /// <summary>Drop volume over that of a water-borne paint.</summary>
    public double DropFactor { get; init; } = 1;

    /// <summary>Measured in drops, rather than scooped, sprayed or dusted.</summary>
    public bool Drips { get; init; } = true;

    /// <summary>Density, g/ml.</summary>
    public double DensityGPerMl { get; init; } = 1.2;

    /// <summary>Sheen of its dry film, where the material says none.</summary>
    public Sheen Sheen { get; init; } = Sheen.Matt;

    /// <summary>Dry over wet volume, where the material says none.</summary>
    public double VolumeSolids { get; init; } = 0.36;

    /// <summary>How it hides, where the material says nothing; null for plain paints, which hide by colour.</summary>
    public Hiding? Hiding { get; init; }

    /// <summary>p of its scattering, where the material says none.</summary>
    public double UndertonePower { get; init; }

    /// <summary>What is drawn as its label where no colour is given; null where a colour is needed.</summary>
    public string? LabelColour { get; init; }

    /// <summary>What is weak about its film.</summary>
    public Weakness Weakness { get; init; }

    /// <summary>Binds or changes a mix rather than colours it.</summary>
    public bool IsMedium { get; init; }

    /// <summary>A mist of varnish is how it is sealed: nothing is said of one.</summary>
    public bool SealedByMist { get; init; }

    /// <summary>Leaves no colour.</summary>
    public bool Clear { get; init; }

    /// <summary>Closes a thirsty or weak ground.</summary>
    public bool Seals { get; init; }

    /// <summary>Binds loose grain where it covers or runs into it.</summary>
    public bool BindsGrain { get; init; }

    /// <summary>Comes in a can: it is sprayed as it is.</summary>
    public bool InCan { get; init; }

    /// <summary>Eats bare foam whatever carries it.</summary>
    public bool EatsFoam { get; init; }

    /// <summary>What is done before it is used.</summary>
    public Readying Readying { get; init; }

    /// <summary>How far it is thinned for a role.</summary>
    public Thinning ThinnedTo(Role role) => ThinnedFor.TryGetValue(role, out var own) ? own : Thinned;
}
