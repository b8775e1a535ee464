using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Rules;
using Lowfell.Core.Safety;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Web.Api;
using Lowfell.Web.Features.Shelf;

namespace Lowfell.Web.Features.Stack;

/// <summary>A coat's own deposit in place of the technique's.</summary>
/// <param name="WetFilmUm">Wet film at recess, face, edge, um.</param>
/// <param name="Coverage">Coverage at recess, face, edge.</param>
public sealed record DepositDraft([ThreeHeightsBound, WetFilmBound] IReadOnlyList<double> WetFilmUm, [ThreeHeightsBound, ShareBound] IReadOnlyList<double> Coverage);

/// <summary>One coat as it is planned.</summary>
public sealed record CoatDraft
{
    /// <summary>Identity within the stack.</summary>
    public required Guid Id { get; init; }

    /// <summary>Technique.</summary>
    public required Technique Technique { get; init; }

    /// <summary>A material of the shelf; or give one inline, or a mix.</summary>
    public Guid? MaterialId { get; init; }

    /// <summary>A mix of the bench.</summary>
    public Guid? MixId { get; init; }

    /// <summary>A material inline, in previews only.</summary>
    public MaterialDraft? Material { get; init; }

    /// <summary>Colour that the material is mixed to by eye, #rrggbb.</summary>
    [ColourBound] public string? MixedTo { get; init; }

    /// <summary>Passes.</summary>
    [PassesBound] public int Passes { get; init; } = 1;

    /// <summary>Paint in the mix by volume; none for what the technique usually wants of the family.</summary>
    [PaintFractionBound] public double? PaintFraction { get; init; }

    /// <summary>How the painter said it.</summary>
    public DilutionForm DilutionForm { get; init; }

    /// <summary>What it is thinned with; none for the family's own.</summary>
    public Thinner? Thinner { get; init; }

    /// <summary>Hand: factor on the film.</summary>
    [HandBound] public double Hand { get; init; } = 1;

    /// <summary>Own deposit.</summary>
    public DepositDraft? Deposit { get; init; }

    /// <summary>Dried with warm air.</summary>
    public bool Hurried { get; init; }

    /// <summary>May be left out.</summary>
    public bool Optional { get; init; }

    /// <summary>Left out.</summary>
    public bool Skipped { get; init; }

    /// <summary>Laid while the coat below is still wet.</summary>
    public bool WhileWet { get; init; }

    /// <summary>The least that must have happened below first, over what it needs anyway.</summary>
    public Wait Wait { get; init; }

    /// <summary>The painter's own wait before it, minutes; none for as long as it needs.</summary>
    [WaitBound] public double? WaitMinutes { get; init; }

    /// <summary>Its marks, where they are counted.</summary>
    public Marks? Marks { get; init; }

    /// <summary>The heights between which it fades out; none for the same film all over.</summary>
    public Fade? Fade { get; init; }

    /// <summary>Findings that the painter knows of, with the mark that they came with.</summary>
    [KnownBound] public IReadOnlyList<KnownFinding> Known { get; init; } = [];

    /// <summary>Note.</summary>
    [NoteBound] public string Note { get; init; } = "";
}

/// <summary>Air that coats dry in.</summary>
/// <param name="TemperatureC">Temperature, C.</param>
/// <param name="Humidity">Relative humidity.</param>
/// <param name="Fan">A fan moves it.</param>
public sealed record AirDraft([TemperatureBound] double TemperatureC, [HumidityBound] double Humidity, bool Fan = false)
{
    /// <summary>As Core knows it.</summary>
    public Climate ToCore() => new(TemperatureC, Humidity, Fan);
}

/// <summary>A zone as it is planned.</summary>
public sealed record ZoneDraft
{
    /// <summary>Substrate.</summary>
    public Substrate Substrate { get; init; }

    /// <summary>Relief.</summary>
    public Relief Relief { get; init; } = Relief.Textured;

    /// <summary>Facing.</summary>
    public Facing Facing { get; init; } = Facing.Side;

    /// <summary>Area on one copy, mm2.</summary>
    [AreaBound] public double AreaMm2 { get; init; } = 5000;

    /// <summary>Copies.</summary>
    [CopiesBound] public int Copies { get; init; } = 1;

    /// <summary>Smallest engraved width, mm.</summary>
    [DetailBound] public double? SmallestDetailMm { get; init; }

    /// <summary>Length of creases on one copy, mm, where measured.</summary>
    [RunBound] public double? CreaseMm { get; init; }

    /// <summary>Length of raised edges on one copy, mm, where measured.</summary>
    [RunBound] public double? EdgeMm { get; init; }

    /// <summary>Share of the raised edges that faces the light.</summary>
    [ShareBound] public double LitEdges { get; init; } = 1;

    /// <summary>Share of the zone that no hand reaches or eye sees.</summary>
    [UnseenBound] public double Unseen { get; init; }

    /// <summary>Where it begins above the foot of the piece, mm, where it is told by height.</summary>
    [HeightBound] public double? HeightFromMm { get; init; }

    /// <summary>Where it ends above the foot, mm, over where it begins.</summary>
    [HeightBound] public double? HeightToMm { get; init; }

    /// <summary>Height of the piece, mm, that heights are held against; none where it is not known.</summary>
    [SizeBound] public double? PieceHeightMm { get; init; }

    /// <summary>Touched in play.</summary>
    public bool Handled { get; init; }

    /// <summary>Reaches to the rim, where what overhangs is knocked off.</summary>
    public bool Rim { get; init; }

    /// <summary>Has cut edges.</summary>
    public bool CutEdges { get; init; }

    /// <summary>Sheen wanted at the end.</summary>
    public Sheen Finish { get; init; } = Sheen.Matt;

    /// <summary>Target colour of the face, #rrggbb.</summary>
    [ColourBound] public string? Target { get; init; }

    /// <summary>Tolerance, dE00.</summary>
    [ToleranceBound] public double Tolerance { get; init; } = 5;

    /// <summary>Colour that should show in the cracks of a crackle, #rrggbb.</summary>
    [ColourBound] public string? CrackColour { get; init; }

    /// <summary>Scale of the piece, one to so many.</summary>
    [ScaleBound] public double Scale { get; init; } = Zone.UsualScale;

    /// <summary>Distance that it is looked at from, mm.</summary>
    [ViewingBound] public double ViewingMm { get; init; } = Zone.UsualViewingMm;

    /// <summary>Air that the coats dry in; 20 C and 50 % humidity where none is given.</summary>
    public AirDraft? Air { get; init; }

    /// <summary>Checks that a zone lies within the height of its piece.</summary>
    internal static void CheckHeights(Checks checks, string prefix, (double? From, double? To, double? Piece) heights)
    {
        if (heights.Piece is { } top)
        {
            checks.Within(prefix + "heightFromMm", heights.From ?? 0, 0, top, " mm, the height of the piece");
            checks.Within(prefix + "heightToMm", heights.To ?? 0, 0, top, " mm, the height of the piece");
        }

        if (heights.From is null != heights.To is null)
        {
            checks.Fault(prefix + (heights.From is null ? "heightFromMm" : "heightToMm"), "A zone that is told by height needs both: from and to.");
        }
        else if (heights.From >= heights.To)
        {
            checks.Fault(prefix + "heightToMm", $"The heights are crossed: from {heights.From} mm to {heights.To} mm. The second has to be the higher one.");
        }
    }

    /// <summary>To Core, once checked.</summary>
    public Zone ToCore() => new()
    {
        Substrate = Substrate,
        Relief = Relief,
        Facing = Facing,
        AreaMm2 = AreaMm2,
        Copies = Copies,
        SmallestDetailMm = SmallestDetailMm,
        CreaseMm = CreaseMm,
        EdgeMm = EdgeMm,
        LitEdges = LitEdges,
        Unseen = Unseen,
        HeightFromMm = HeightFromMm,
        HeightToMm = HeightToMm,
        Handled = Handled,
        Rim = Rim,
        CutEdges = CutEdges,
        Finish = Finish,
        Target = Target is null ? null : Srgb.Parse(Target),
        Tolerance = Tolerance,
        CrackColour = CrackColour is null ? null : Srgb.Parse(CrackColour),
        Scale = Scale,
        ViewingMm = ViewingMm,
    };
}

/// <summary>A whole stack as it is planned.</summary>
/// <param name="Zone">What it goes on.</param>
/// <param name="Coats">From the substrate up.</param>
/// <param name="Schools">Preferences; the usual ones where none are given.</param>
public sealed record StackRequest(ZoneDraft Zone, [CoatsBound] IReadOnlyList<CoatDraft> Coats, Schools? Schools = null);

/// <summary>A stack, and the coat that colour help is wanted for.</summary>
/// <param name="Zone">What it goes on.</param>
/// <param name="Coats">From the substrate up.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="Schools">Preferences.</param>
public sealed record HelpRequest(ZoneDraft Zone, [CoatsBound] IReadOnlyList<CoatDraft> Coats, Guid CoatId, Schools? Schools = null);

/// <summary>A predicted colour at one height.</summary>
/// <param name="Hex">By a middle hand.</param>
/// <param name="Lab">CIELAB: L, a, b.</param>
/// <param name="DeBelow">dE00 to the stratum below.</param>
/// <param name="DeTarget">dE00 to the target.</param>
/// <param name="FilmUm">Dry film that this coat adds, um.</param>
/// <param name="Light">By a light hand.</param>
/// <param name="Heavy">By a heavy hand.</param>
/// <param name="DeSpan">dE00 between light and heavy hand.</param>
public sealed record HeightView(string Hex, IReadOnlyList<double> Lab, double DeBelow, double? DeTarget, double FilmUm, string Light, string Heavy, double DeSpan);

/// <summary>What to mix for one coat.</summary>
/// <param name="PaintParts">Paint in parts a : b.</param>
/// <param name="ThinnerParts">Thinner in parts a : b.</param>
/// <param name="ThinnerOfWhole">Percent of thinner in the whole.</param>
/// <param name="ThinnerAdded">Percent of thinner added to the paint.</param>
/// <param name="PaintDrops">Whole drops of paint.</param>
/// <param name="ThinnerDrops">Whole drops of thinner.</param>
/// <param name="TruePaintFraction">Paint fraction that these drops truly make.</param>
/// <param name="TotalMl">For this zone over its copies, with loss, ml.</param>
/// <param name="PaintMl">Paint in it, ml.</param>
/// <param name="ThinnerMl">Thinner in it, ml.</param>
public sealed record CoatMixView(
    double PaintParts, double ThinnerParts, double ThinnerOfWhole, double ThinnerAdded, int PaintDrops, int ThinnerDrops, double TruePaintFraction, double TotalMl, double PaintMl, double ThinnerMl);

/// <summary>One stratum of the core sample.</summary>
/// <param name="CoatId">Its coat; none for the substrate.</param>
/// <param name="Recess">In the recess.</param>
/// <param name="Face">On the face.</param>
/// <param name="Edge">On the edge.</param>
/// <param name="Mean">Mean of the zone.</param>
/// <param name="Mark">A single streak, chip or speckle.</param>
/// <param name="Shading">dE00 between recess and face.</param>
/// <param name="TotalFilmUm">Dry film so far, mean of the zone, um.</param>
/// <param name="Barrier">A clear band that protects what is under it.</param>
/// <param name="TouchMin">Minutes until touch-dry, in the zone's air.</param>
/// <param name="RecoatMin">Minutes until the next coat may come.</param>
/// <param name="CuredH">Hours until cured.</param>
/// <param name="WorkFromMin">From when it can be cleaned up, minutes; none without a window.</param>
/// <param name="WorkToMin">Until when.</param>
/// <param name="Wait">How long it waits after the coat before it; none for the ground and for a coat that is left out.</param>
/// <param name="Mix">What to mix.</param>
/// <param name="Cautions">What can hurt, and the usual cautions.</param>
public sealed record StratumView(
    Guid? CoatId, HeightView Recess, HeightView Face, HeightView Edge, string Mean, string? Mark, double Shading, double TotalFilmUm, bool Barrier, double TouchMin, double RecoatMin, double CuredH, double? WorkFromMin, double? WorkToMin, WaitView? Wait, CoatMixView? Mix, IReadOnlyList<Caution>? Cautions);

/// <summary>How long a coat waits after the coat before it.</summary>
/// <param name="Kind">What it waits for.</param>
/// <param name="Minutes">How long, as planned, in this room.</param>
/// <param name="Needed">How long it needs, minutes, where the painter has set another wait.</param>
/// <param name="Most">Minutes that it may wait at most; none for as long as one likes.</param>
/// <param name="Film">What asks for it, in the painter's word.</param>
/// <param name="From">The coat whose film that is; none for the bare ground.</param>
public sealed record WaitView(WaitKind Kind, double Minutes, double? Needed, double? Most, string Film, Guid? From);

/// <summary>What a rule found.</summary>
/// <param name="Rule">Rule.</param>
/// <param name="Title">What the rule is called.</param>
/// <param name="Aspect">Which of several faults that the rule finds on one coat; mostly empty.</param>
/// <param name="Severity">Stop, risk or note.</param>
/// <param name="CoatId">The coat it is about.</param>
/// <param name="With">Another coat that it is about; none where it is about one.</param>
/// <param name="Gap">The gap it sits in: gap g is under coat g, the last is on top.</param>
/// <param name="What">What.</param>
/// <param name="Why">Why.</param>
/// <param name="Figure">The figure behind it; none where there is none.</param>
/// <param name="School">The school that decides; none where none does.</param>
/// <param name="Mark">What the coats are that it is about: sent back with the reason by a painter who knows.</param>
/// <param name="Rests">The reason why it rests; none where it speaks.</param>
public sealed record FindingView(
    string Rule, string Title, string Aspect, Severity Severity, Guid CoatId, Guid? With, int Gap, string What, string Why, string? Figure, string? School, string Mark, string? Rests);

/// <summary>Colours of a zone at one height above the foot, after each coat: recess, face and edge.</summary>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="Strata">One for each coat, #rrggbb.</param>
public sealed record ElevationView(double HeightMm, IReadOnlyList<IReadOnlyList<string>> Strata);

/// <summary>A zone that is told by height: its top, its middle and its foot.</summary>
/// <param name="Top">At its top.</param>
/// <param name="Middle">Half way up.</param>
/// <param name="Foot">At its foot.</param>
public sealed record ElevationsView(ElevationView Top, ElevationView Middle, ElevationView Foot);

/// <summary>A stack predicted and read by the rules.</summary>
/// <param name="Substrate">Bare ground.</param>
/// <param name="Strata">One for each coat.</param>
/// <param name="Elevations">Top, middle and foot, where the zone is told by height and a coat fades out over it.</param>
/// <param name="Findings">The worst first; those that rest among them.</param>
/// <param name="CautionNote">Ends every caution.</param>
public sealed record StackPreview(StratumView Substrate, IReadOnlyList<StratumView> Strata, ElevationsView? Elevations, IReadOnlyList<FindingView> Findings, string CautionNote);

/// <summary>A shelf material judged by the finished stack.</summary>
/// <param name="MaterialId">The material.</param>
/// <param name="Name">Its name.</param>
/// <param name="Hex">Its colour.</param>
/// <param name="Result">The finished face with it.</param>
/// <param name="De">dE00 of the finished face to the target, or to what it is now.</param>
public sealed record NearView(Guid MaterialId, string Name, string Hex, string Result, double De);

/// <summary>Colour help for one coat.</summary>
/// <param name="PassesToCover">Passes to cover at recess, face, edge; 13 stands for more than 12.</param>
/// <param name="BaseHex">The colour to mix this coat to so that the face ends on the target; none without a target.</param>
/// <param name="BaseLeft">dE00 that is then left.</param>
/// <param name="Reachable">Whether the target can be reached with the coats above: at most 1 dE00 left.</param>
/// <param name="Nearest">The three nearest of the shelf by predicted result.</param>
public sealed record HelpView(IReadOnlyList<int> PassesToCover, string? BaseHex, double? BaseLeft, bool? Reachable, IReadOnlyList<NearView> Nearest);
