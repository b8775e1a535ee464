using Lowfell.Core.Techniques;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Prediction;
using Lowfell.Core.Colour;
using Lowfell.Core.Rules;
using Lowfell.Core.Safety;

namespace Lowfell.Web.Features.Stack;

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

/// <summary>A coat wet and dry.</summary>
/// <param name="Wet">Just laid on: recess, face, edge, #rrggbb.</param>
/// <param name="Dry">Dry.</param>
/// <param name="Says">How it changes as it dries, in words.</param>
public sealed record WetView(IReadOnlyList<string> Wet, IReadOnlyList<string> Dry, string Says)
{
    /// <summary>From Core.</summary>
    public static WetView Of(WetCoat coat) => new(Three(coat.Wet), Three(coat.Dry), coat.Says);

    private static IReadOnlyList<string> Three(ByHeight<Srgb> look) => [look.Recess.ToString(), look.Face.ToString(), look.Edge.ToString()];
}

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
/// <param name="Times">How often these drops are counted out until there is enough.</param>
public sealed record CoatMixView(
    double PaintParts, double ThinnerParts, double ThinnerOfWhole, double ThinnerAdded, int PaintDrops, int ThinnerDrops, double TruePaintFraction, double TotalMl, double PaintMl, double ThinnerMl, int Times);

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
/// <param name="Tool">What it is laid with: kind and size of brush, needle and pressure.</param>
/// <param name="Cautions">What can hurt, and the usual cautions.</param>
public sealed record StratumView(
    Guid? CoatId, HeightView Recess, HeightView Face, HeightView Edge, string Mean, string? Mark, double Shading, double TotalFilmUm, bool Barrier, double TouchMin, double RecoatMin, double CuredH, double? WorkFromMin, double? WorkToMin, WaitView? Wait, CoatMixView? Mix, string? Tool, IReadOnlyList<Caution>? Cautions);

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
/// <param name="Off">How the finished face differs from what is wanted, in words; none where nothing is.</param>
/// <param name="Findings">The worst first; those that rest among them.</param>
/// <param name="CautionNote">Ends every caution.</param>
public sealed record StackPreview(StratumView Substrate, IReadOnlyList<StratumView> Strata, ElevationsView? Elevations, string? Off, IReadOnlyList<FindingView> Findings, string CautionNote);

/// <summary>A shelf material judged by the finished stack.</summary>
/// <param name="MaterialId">The material.</param>
/// <param name="Name">Its name.</param>
/// <param name="Hex">Its colour.</param>
/// <param name="Result">The finished face with it.</param>
/// <param name="De">dE00 of the finished face to the target, or to what it is now.</param>
/// <param name="Words">The same in words.</param>
public sealed record NearView(Guid MaterialId, string Name, string Hex, string Result, double De, string Words);

/// <summary>A primer under the base of a stack.</summary>
/// <param name="MaterialId">The primer.</param>
/// <param name="Name">Its name.</param>
/// <param name="Hex">Its colour.</param>
/// <param name="Technique">How it is laid.</param>
/// <param name="Passes">Passes of the base until it covers; 13 stands for more than 12.</param>
/// <param name="Minutes">Hands-on minutes of primer and base on all copies.</param>
/// <param name="De">dE00 of the finished face to the target, or to what it is now.</param>
/// <param name="Look">Recess, face and edge of the finished zone, #rrggbb.</param>
/// <param name="Says">How the finished face differs, and what depth is left, in words.</param>
/// <param name="IsNow">It is the one that is planned.</param>
/// <param name="Coats">The stack with it.</param>
public sealed record PrimerView(Guid MaterialId, string Name, string Hex, Technique Technique, int Passes, double Minutes, double De, IReadOnlyList<string> Look, string Says, bool IsNow, IReadOnlyList<CoatDraft> Coats);

/// <summary>Colour help for one coat.</summary>
/// <param name="PassesToCover">Passes to cover at recess, face, edge; 13 stands for more than 12.</param>
/// <param name="BaseHex">The colour to mix this coat to so that the face ends on the target; none without a target.</param>
/// <param name="BaseLeft">dE00 that is then left.</param>
/// <param name="Reachable">Whether the target can be reached with the coats above: at most 1 dE00 left.</param>
/// <param name="Nearest">The three nearest of the shelf by predicted result.</param>
public sealed record HelpView(IReadOnlyList<int> PassesToCover, string? BaseHex, double? BaseLeft, bool? Reachable, IReadOnlyList<NearView> Nearest);
