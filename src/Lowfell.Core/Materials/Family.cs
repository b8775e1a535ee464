using Lowfell.Core.Drying;

namespace Lowfell.Core.Materials;

/// <summary>What kind of material it is: the rules, thinners, limits and drying go by family.</summary>
public enum Family
{
    /// <summary>Water-borne acrylic paint.</summary>
    AcrylicPaint,

    /// <summary>Water-borne wash, ink, stain or glaze.</summary>
    AcrylicWash,

    /// <summary>Solvent acrylic.</summary>
    Lacquer,

    /// <summary>Enamel paint.</summary>
    EnamelPaint,

    /// <summary>Enamel wash or filter as sold.</summary>
    EnamelWash,

    /// <summary>Oil paint.</summary>
    OilPaint,

    /// <summary>Water-borne varnish.</summary>
    VarnishWater,

    /// <summary>Lacquer varnish, mostly from a can.</summary>
    VarnishLacquer,

    /// <summary>Enamel varnish.</summary>
    VarnishEnamel,

    /// <summary>Primer from a can.</summary>
    PrimerAerosol,

    /// <summary>Water-borne primer.</summary>
    PrimerWater,

    /// <summary>Texture paste.</summary>
    TexturePaste,

    /// <summary>Paste that cracks as it dries.</summary>
    CracklePaste,

    /// <summary>Clear medium that cracks the coat painted over it.</summary>
    CrackleMedium,

    /// <summary>PVA glue.</summary>
    Pva,

    /// <summary>Home-made skim: filler, PVA and cheap paint.</summary>
    Skim,

    /// <summary>Thin or thick super glue.</summary>
    SuperGlue,

    /// <summary>Sand, grit and other loose mineral held by glue.</summary>
    Grit,

    /// <summary>Soluble layer that opens the coat above it.</summary>
    ChippingMedium,

    /// <summary>Washable pencil or chalk.</summary>
    WashableMarking,

    /// <summary>Dry pigment.</summary>
    Pigment,

    /// <summary>Clear water-borne medium.</summary>
    AcrylicMedium,
}

/// <summary>What holds a surface together, where it is weak.</summary>
public enum Weakness
{
    /// <summary>Sound.</summary>
    None,

    /// <summary>Chips and flakes unless sealed.</summary>
    Brittle,

    /// <summary>Falls off or moves unless bound.</summary>
    Loose,

    /// <summary>Water takes it away.</summary>
    Soluble,
}

/// <summary>Facts of a family; a painter may override drying and resistance by material.</summary>
/// <param name="Word">The painter's word.</param>
/// <param name="Carrier">What carries it.</param>
/// <param name="OwnThinner">What it is usually thinned with.</param>
/// <param name="OtherThinners">What else it takes.</param>
/// <param name="LeastPaintFraction">Below this share of paint in its thinner the film loses its binder; medium is exempt.</param>
/// <param name="Resistance">Row of the matrix.</param>
/// <param name="Drying">Default drying.</param>
/// <param name="DropFactor">Drop volume over that of a water-borne paint.</param>
/// <param name="Weakness">What is weak about it.</param>
/// <param name="Clear">Leaves no colour.</param>
/// <param name="Seals">Closes a thirsty or weak ground.</param>
public sealed record FamilyFacts(
    string Word,
    Carrier Carrier,
    Thinner OwnThinner,
    Thinner[] OtherThinners,
    double LeastPaintFraction,
    Resistance Resistance,
    DryingRow Drying,
    double DropFactor = 1,
    Weakness Weakness = Weakness.None,
    bool Clear = false,
    bool Seals = false);

/// <summary>The table of families. Typical values for hobby materials, craft estimates throughout.</summary>
public static class Families
{
    private static readonly Thinner[] Medium = [Thinner.AcrylicMedium];
    private static readonly Thinner[] None = [];

    private static readonly FamilyFacts[] Table = BuildTable();

    /// <summary>Facts of a family.</summary>
    public static FamilyFacts Facts(this Family family) => Table[(int)family];

    /// <summary>Varnish of any carrier.</summary>
    public static bool IsVarnish(this Family family) => family is Family.VarnishWater or Family.VarnishLacquer or Family.VarnishEnamel;

    /// <summary>Primer of any carrier.</summary>
    public static bool IsPrimer(this Family family) => family is Family.PrimerAerosol or Family.PrimerWater;

    /// <summary>Whether it is measured in drops, rather than scooped, sprayed or dusted.</summary>
    public static bool Drips(this Family family) => family is not (Family.PrimerAerosol or Family.VarnishLacquer or Family.OilPaint or Family.TexturePaste or Family.CracklePaste
        or Family.Skim or Family.Grit or Family.WashableMarking or Family.Pigment);

    /// <summary>Whether a thinner suits the family.</summary>
    public static bool Takes(this Family family, Thinner thinner) =>
        family.Facts().OwnThinner == thinner || Array.IndexOf(family.Facts().OtherThinners, thinner) >= 0;

    private static FamilyFacts[] BuildTable()
    {
        var rows = new Dictionary<Family, FamilyFacts>
        {
            [Family.AcrylicPaint] = new("acrylic paint", Carrier.Water, Thinner.Water, Medium, 0.5,
                new((2, 3), (0, 1), (1, 2), (0, 1)), new(8, 20, 24, 60, 1, 0.25)),
            [Family.AcrylicWash] = new("wash", Carrier.Water, Thinner.Water, Medium, 0.3,
                new((1, 2), (0, 1), (1, 2), (0, 1)), new(20, 45, 24, 80, 1, null)),
            [Family.Lacquer] = new("lacquer paint", Carrier.LacquerThinner, Thinner.LacquerThinner, [Thinner.Alcohol], 0.3,
                new((3, 3), (1, 1), (2, 3), (0, 1)), new(4, 15, 12, 25, 1, null), 0.5),
            [Family.EnamelPaint] = new("enamel paint", Carrier.WhiteSpirit, Thinner.WhiteSpirit, None, 0.05,
                new((3, 3), (2, 3), (0, 2), (0, 1)), new(300, 1440, 72, 60, 1, null), 0.6),
            [Family.EnamelWash] = new("enamel wash", Carrier.WhiteSpirit, Thinner.WhiteSpirit, None, 0.3,
                new((3, 3), (2, 3), (0, 2), (0, 1)), new(25, 150, 48, 60, 1, null), 0.6),
            [Family.OilPaint] = new("oil paint", Carrier.WhiteSpirit, Thinner.WhiteSpirit, None, 0.02,
                new((3, 3), (2, 2), (0, 1), (0, 0)), new(180, 1440, 120, 20, 1, null), 0.6),
            [Family.VarnishWater] = new("water-borne varnish", Carrier.Water, Thinner.Water, Medium, 0.6,
                new((2, 3), (1, 1), (2, 3), (0, 1)), new(20, 60, 24, 50, 1, null), Clear: true, Seals: true),
            [Family.VarnishLacquer] = new("lacquer varnish", Carrier.LacquerThinner, Thinner.LacquerThinner, None, 0.3,
                new((3, 3), (1, 2), (3, 3), (0, 1)), new(10, 30, 24, 40, 1, null), 0.5, Clear: true, Seals: true),
            [Family.VarnishEnamel] = new("enamel varnish", Carrier.WhiteSpirit, Thinner.WhiteSpirit, None, 0.5,
                new((3, 3), (2, 3), (0, 2), (0, 1)), new(300, 1440, 72, 50, 1, null), 0.6, Clear: true, Seals: true),
            [Family.PrimerAerosol] = new("aerosol primer", Carrier.LacquerThinner, Thinner.LacquerThinner, None, 0.3,
                new((3, 3), (2, 2), (2, 3), (0, 1)), new(10, 30, 24, 50, 1, null), 0.5),
            [Family.PrimerWater] = new("water-borne primer", Carrier.Water, Thinner.Water, Medium, 0.5,
                new((2, 3), (1, 1), (2, 3), (0, 1)), new(15, 45, 24, 60, 1, 0.4), Seals: true),
            [Family.TexturePaste] = new("texture paste", Carrier.Water, Thinner.Water, Medium, 0.7,
                new((1, 3), (1, 1), (1, 2), (0, 1)), new(60, 240, 24, 1000, 1.6, 0.5), Weakness: Weakness.Brittle),
            [Family.CracklePaste] = new("crackle paste", Carrier.Water, Thinner.Water, None, 0.8,
                new((1, 2), (1, 1), (1, 2), (0, 1)), new(120, 480, 48, 1000, 1.8, null), Weakness: Weakness.Brittle),
            [Family.CrackleMedium] = new("crackle medium", Carrier.Water, Thinner.Water, None, 0.8,
                new((1, 2), (1, 1), (1, 2), (0, 1)), new(40, 120, 24, 50, 1.2, null), Clear: true),
            [Family.Pva] = new("PVA glue", Carrier.Water, Thinner.Water, None, 0.25,
                new((0, 1), (1, 1), (3, 3), (1, 2)), new(30, 90, 12, 200, 1.5, 0.5), Clear: true, Seals: true),
            [Family.Skim] = new("home-made skim", Carrier.Water, Thinner.Water, None, 0.6,
                new((0, 1), (1, 1), (3, 3), (1, 2)), new(45, 180, 24, 1000, 1.6, 0.5), Weakness: Weakness.Brittle),
            [Family.SuperGlue] = new("super glue", Carrier.None, Thinner.LacquerThinner, None, 1,
                new((3, 3), (3, 3), (3, 3), (1, 2)), new(0.3, 2, 2, 60, 1, null), Clear: true, Seals: true),
            [Family.Grit] = new("grit", Carrier.Water, Thinner.Water, None, 1,
                new((1, 2), (1, 1), (3, 3), (1, 2)), new(30, 90, 12, 200, 1.5, 0.5), Weakness: Weakness.Loose),
            [Family.ChippingMedium] = new("chipping fluid", Carrier.Water, Thinner.Water, None, 0.8,
                new((0, 0), (0, 0), (3, 3), (1, 1)), new(10, 20, 0, 40, 1, 0.5), Weakness: Weakness.Soluble, Clear: true),
            [Family.WashableMarking] = new("washable marking", Carrier.None, Thinner.Water, None, 1,
                new((0, 0), (0, 0), (3, 3), (1, 1)), new(1, 1, 0, 10, 1, null), Weakness: Weakness.Soluble),
            [Family.Pigment] = new("pigment", Carrier.None, Thinner.WhiteSpirit, [Thinner.Water, Thinner.Alcohol], 0.1,
                new((0, 0), (0, 0), (0, 0), (0, 0)), new(1, 1, 0, 20, 1, null), Weakness: Weakness.Loose),
            [Family.AcrylicMedium] = new("acrylic medium", Carrier.Water, Thinner.Water, None, 0.3,
                new((1, 2), (0, 1), (1, 2), (0, 1)), new(20, 45, 24, 60, 1, null), Clear: true),
        };
        return [.. Enum.GetValues<Family>().Select(f => rows[f])];
    }
}
