using Lowfell.Core.Colour;
using Lowfell.Core.Drying;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Rules;
using Lowfell.Core.Safety;
using Lowfell.Core.Stacks;
using Lowfell.Web.Features.Benches;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Hosting;

namespace Lowfell.Web.Features.Stack;

/// <summary>A coat's own deposit in place of the technique's.</summary>
/// <param name="WetFilmUm">Wet film at recess, face, edge, um, each 0-5000.</param>
/// <param name="Coverage">Coverage at recess, face, edge, each 0-1.</param>
public sealed record DepositDraft(IReadOnlyList<double> WetFilmUm, IReadOnlyList<double> Coverage);

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
    public string? MixedTo { get; init; }

    /// <summary>Passes, 1-20.</summary>
    public int Passes { get; init; } = 1;

    /// <summary>Paint in the mix by volume, above 0 to 1.</summary>
    public double PaintFraction { get; init; } = 1;

    /// <summary>How the painter said it.</summary>
    public DilutionForm DilutionForm { get; init; }

    /// <summary>What it is thinned with.</summary>
    public Thinner Thinner { get; init; }

    /// <summary>Hand: factor on the film, 0.5-2.</summary>
    public double Hand { get; init; } = 1;

    /// <summary>Own deposit.</summary>
    public DepositDraft? Deposit { get; init; }

    /// <summary>Dried with warm air.</summary>
    public bool Hurried { get; init; }

    /// <summary>May be left out.</summary>
    public bool Optional { get; init; }

    /// <summary>Left out.</summary>
    public bool Skipped { get; init; }

    /// <summary>What must have happened below first.</summary>
    public Wait Wait { get; init; }

    /// <summary>Note, 2000 characters at most.</summary>
    public string Note { get; init; } = "";
}

/// <summary>Air that coats dry in.</summary>
/// <param name="TemperatureC">Temperature, C, 0-45.</param>
/// <param name="Humidity">Relative humidity, 0.05-0.99.</param>
/// <param name="Fan">A fan moves it.</param>
public sealed record AirDraft(double TemperatureC, double Humidity, bool Fan = false)
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

    /// <summary>Area on one copy, mm2, above 0 to 10 million.</summary>
    public double AreaMm2 { get; init; } = 5000;

    /// <summary>Copies, 1-1000.</summary>
    public int Copies { get; init; } = 1;

    /// <summary>Smallest engraved width, mm, 0.01-50.</summary>
    public double? SmallestDetailMm { get; init; }

    /// <summary>Length of creases on one copy, mm, where measured, 1-1000000.</summary>
    public double? CreaseMm { get; init; }

    /// <summary>Length of raised edges on one copy, mm, where measured, 1-1000000.</summary>
    public double? EdgeMm { get; init; }

    /// <summary>Touched in play.</summary>
    public bool Handled { get; init; }

    /// <summary>Has cut edges.</summary>
    public bool CutEdges { get; init; }

    /// <summary>Sheen wanted at the end.</summary>
    public Sheen Finish { get; init; } = Sheen.Matt;

    /// <summary>Target colour of the face, #rrggbb.</summary>
    public string? Target { get; init; }

    /// <summary>Tolerance, dE00, 0.5-50.</summary>
    public double Tolerance { get; init; } = 5;

    /// <summary>Air that the coats dry in; 20 C and 50 % humidity where none is given.</summary>
    public AirDraft? Air { get; init; }

    /// <summary>Checks the figures.</summary>
    public void Check(Checks checks, string prefix)
    {
        checks.Within(prefix, "areaMm2", AreaMm2, 1, 10_000_000, " mm2");
        checks.Within(prefix, "copies", Copies, 1, 1_000);
        checks.WithinIfAny(prefix, "smallestDetailMm", SmallestDetailMm, 0.01, 50, " mm");
        checks.WithinIfAny(prefix, "creaseMm", CreaseMm, 1, 1_000_000, " mm");
        checks.WithinIfAny(prefix, "edgeMm", EdgeMm, 1, 1_000_000, " mm");
        checks.Within(prefix, "tolerance", Tolerance, 0.5, 50, " dE00");
        checks.Colour(prefix, "target", Target);
        if (Air is { } air)
        {
            checks.Within(prefix, "air.temperatureC", air.TemperatureC, 0, 45, " C");
            checks.Within(prefix, "air.humidity", air.Humidity, 0.05, 0.99);
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
        Handled = Handled,
        CutEdges = CutEdges,
        Finish = Finish,
        Target = Target is null ? null : Srgb.Parse(Target),
        Tolerance = Tolerance,
    };
}

/// <summary>A whole stack as it is planned.</summary>
/// <param name="Zone">What it goes on.</param>
/// <param name="Coats">From the substrate up, 60 at most.</param>
/// <param name="Schools">Preferences; the usual ones where none are given.</param>
public sealed record StackRequest(ZoneDraft Zone, IReadOnlyList<CoatDraft> Coats, SchoolsView? Schools = null);

/// <summary>A stack, and a mend of one of its findings.</summary>
/// <param name="Zone">What it goes on.</param>
/// <param name="Coats">From the substrate up.</param>
/// <param name="Rule">Rule of the finding.</param>
/// <param name="CoatId">Coat of the finding.</param>
/// <param name="Mend">Id of the mend.</param>
/// <param name="Schools">Preferences.</param>
public sealed record MendRequest(ZoneDraft Zone, IReadOnlyList<CoatDraft> Coats, string Rule, Guid CoatId, string Mend, SchoolsView? Schools = null);

/// <summary>A stack, and the coat that colour help is wanted for.</summary>
/// <param name="Zone">What it goes on.</param>
/// <param name="Coats">From the substrate up.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="Schools">Preferences.</param>
public sealed record HelpRequest(ZoneDraft Zone, IReadOnlyList<CoatDraft> Coats, Guid CoatId, SchoolsView? Schools = null);

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
/// <param name="Mix">What to mix.</param>
/// <param name="Cautions">What can hurt, and the usual cautions.</param>
public sealed record StratumView(
    Guid? CoatId, HeightView Recess, HeightView Face, HeightView Edge, string Mean, string? Mark, double Shading, double TotalFilmUm, bool Barrier, double TouchMin, double RecoatMin, double CuredH, double? WorkFromMin, double? WorkToMin, CoatMixView? Mix, IReadOnlyList<Caution>? Cautions);

/// <summary>One way to mend a finding.</summary>
/// <param name="Id">To send back.</param>
/// <param name="Label">What the painter reads.</param>
public sealed record MendView(string Id, string Label);

/// <summary>What a rule found.</summary>
/// <param name="Rule">Rule.</param>
/// <param name="Aspect">Which of several faults that the rule finds on one coat; mostly empty.</param>
/// <param name="Severity">Stop, risk or note.</param>
/// <param name="CoatId">The coat it is about.</param>
/// <param name="Gap">The gap it sits in: gap g is under coat g, the last is on top.</param>
/// <param name="What">What.</param>
/// <param name="Why">Why.</param>
/// <param name="Mends">Ways out.</param>
public sealed record FindingView(string Rule, string Aspect, Severity Severity, Guid CoatId, int Gap, string What, string Why, IReadOnlyList<MendView> Mends);

/// <summary>A stack predicted and read by the rules.</summary>
/// <param name="Substrate">Bare ground.</param>
/// <param name="Strata">One for each coat.</param>
/// <param name="Findings">The worst first.</param>
/// <param name="CautionNote">Ends every caution.</param>
public sealed record StackPreview(StratumView Substrate, IReadOnlyList<StratumView> Strata, IReadOnlyList<FindingView> Findings, string CautionNote);

/// <summary>A mended stack.</summary>
/// <param name="Coats">The coats after the mend.</param>
/// <param name="Preview">Its preview.</param>
public sealed record MendedStack(IReadOnlyList<CoatDraft> Coats, StackPreview Preview);

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
