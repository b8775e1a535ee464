using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Likeness;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;
using Lowfell.Store;

namespace Lowfell.Web.Features.Bases;

/// <summary>What of a tray is kept.</summary>
/// <param name="FamilyId">The family.</param>
/// <param name="Copies">Its copies.</param>
public sealed record TrayDraft(Guid FamilyId, [TrayCopiesBound] IReadOnlyList<TrayCopyDraft> Copies);

/// <summary>A change of a tray.</summary>
/// <param name="Version">The version that was changed; 0 where there was none.</param>
/// <param name="Tray">What it should be.</param>
public sealed record TrayChange([VersionBound] int Version, TrayDraft Tray);

/// <summary>Bases of one form, to begin a tray with.</summary>
/// <param name="Form">Form.</param>
/// <param name="Stance">How figures stand on them.</param>
/// <param name="Copies">How many.</param>
public sealed record TrayGroup(BaseFormDraft Form, Stance Stance, [CopyNumberBound] int Copies);

/// <summary>A tray to begin with.</summary>
/// <param name="FamilyId">The family.</param>
/// <param name="Groups">Bases by form.</param>
public sealed record TrayBegin(Guid FamilyId, [TrayCopiesBound] IReadOnlyList<TrayGroup> Groups);

/// <summary>What is rolled anew.</summary>
/// <param name="Version">Version of the tray that it is asked for.</param>
/// <param name="Seed">Seed: the same gives the same.</param>
/// <param name="Copies">Numbers of the copies; all that are not locked where none are named.</param>
/// <param name="AwayFrom">Number of a copy from which the one that is named is to get farther; null where it is not about two.</param>
/// <param name="Rolls">Rolls a copy to choose from, 1 to 24.</param>
public sealed record RollRequest([VersionBound] int Version, [SeedBound] long Seed, [RolledCopiesBound, CopyNumberBound] IReadOnlyList<int>? Copies = null, [CopyNumberBound] int? AwayFrom = null, [RollsBound] int Rolls = 12);

/// <summary>A roll that is under way, or was.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Status">How far it is.</param>
/// <param name="Done">Layouts grown.</param>
/// <param name="Of">Layouts that will be grown.</param>
/// <param name="Message">What there is to say of its end.</param>
public sealed record RollView(Guid Id, JobStatus Status, int Done, int Of, string Message);

/// <summary>A place, mm: to the right, to the rear.</summary>
/// <param name="X">To the right, mm.</param>
/// <param name="Y">To the rear, mm.</param>
public sealed record PlaceView(double X, double Y);

/// <summary>An element as it stands.</summary>
/// <param name="Element">The element.</param>
/// <param name="Outline">Its outline.</param>
/// <param name="StandsAtMm">Ground under it, mm above the top face.</param>
/// <param name="Fault">What it breaks; empty where it stands well.</param>
public sealed record StandingView(ElementDraft Element, IReadOnlyList<PlaceView> Outline, double StandsAtMm, string Fault);

/// <summary>A landing or a free height.</summary>
/// <param name="Name">What stands or hangs there.</param>
/// <param name="Outline">Its outline.</param>
/// <param name="Mm">Height: of the landing, or of the room below.</param>
public sealed record SeatPlace(string Name, IReadOnlyList<PlaceView> Outline, double Mm);

/// <summary>What bases take.</summary>
/// <param name="PasteMl">Paste, ml.</param>
/// <param name="CrackleMl">Crackle paste, ml.</param>
/// <param name="CoarseG">Coarse grit, g.</param>
/// <param name="FineG">Fine grit, g.</param>
/// <param name="SandG">Fine sand, g.</param>
/// <param name="PvaMl">PVA, ml.</param>
/// <param name="SealMl">Thinned glue, ml.</param>
/// <param name="SuperGlueDrops">Super glue, drops.</param>
public sealed record QuantitiesView(double PasteMl, double CrackleMl, double CoarseG, double FineG, double SandG, double PvaMl, double SealMl, double SuperGlueDrops);

/// <summary>How a base stands.</summary>
/// <param name="TipsAtDeg">Degrees at which it tips.</param>
/// <param name="WeightG">Steel under it for the degrees wanted, g; null where none does it.</param>
/// <param name="FitsG">Most that fits, g.</param>
/// <param name="WithWeightDeg">Degrees with it.</param>
/// <param name="WantedDeg">Degrees wanted.</param>
/// <param name="Verdict">In words.</param>
public sealed record SteadyView(double TipsAtDeg, double? WeightG, double FitsG, double WithWeightDeg, double WantedDeg, string Verdict);

/// <summary>A base of a tray.</summary>
/// <param name="Copy">Number, from 1.</param>
/// <param name="Kept">All that is kept of it.</param>
/// <param name="Word">Its form in words.</param>
/// <param name="Elements">Elements as they stand.</param>
/// <param name="Landings">Where something stands.</param>
/// <param name="Free">What hangs over.</param>
/// <param name="MarginMm">Width of the rim that stays free, mm.</param>
/// <param name="Score">How well it is composed; 0 is best.</param>
/// <param name="Calm">Share of calm ground.</param>
/// <param name="Resemblance">How well it belongs to its family, 0..1.</param>
/// <param name="Shares">Shares of the textures as they came out.</param>
/// <param name="Marks">What looks placed by a machine.</param>
/// <param name="Notes">What else there is to say.</param>
/// <param name="Takes">What it takes, without loss.</param>
/// <param name="Steady">How it stands; null where nothing is known of what it carries.</param>
/// <param name="Picture">Mark of its picture: another mark, another picture.</param>
/// <param name="Ground">Colour of its ground, #rrggbb.</param>
/// <param name="Laid">Something of it is glued down already: it stays as it is.</param>
public sealed record BaseView(
    int Copy, TrayCopyDraft Kept, string Word, IReadOnlyList<StandingView> Elements, IReadOnlyList<SeatPlace> Landings, IReadOnlyList<SeatPlace> Free, double MarginMm, double Score, double Calm, double Resemblance,
    IReadOnlyList<double> Shares, IReadOnlyList<string> Marks, IReadOnlyList<string> Notes, QuantitiesView Takes, SteadyView? Steady, string Picture, string Ground, bool Laid);

/// <summary>How different two copies are.</summary>
/// <param name="A">One, from 1.</param>
/// <param name="B">The other.</param>
/// <param name="Distance">0 the same, 1 nothing in common; the least over turns and mirror.</param>
/// <param name="AsTheyStand">What it is without turning.</param>
/// <param name="Judged">In words.</param>
/// <param name="Beside">They stand side by side.</param>
public sealed record DifferenceView(int A, int B, double Distance, double AsTheyStand, Alikeness Judged, bool Beside);

/// <summary>A box as a tray uses it.</summary>
/// <param name="BoxId">The box; null where it is not on the shelf any more.</param>
/// <param name="Name">Name.</param>
/// <param name="Kind">Kind.</param>
/// <param name="Count">How many there are.</param>
/// <param name="Used">How many the tray still takes of them; what is glued down already is in no box.</param>
/// <param name="Short">How many are missing for that.</param>
public sealed record BoxUse(Guid BoxId, string Name, ElementKind Kind, int Count, int Used, int Short);

/// <summary>A tray.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="PieceId">The piece.</param>
/// <param name="FamilyId">The family.</param>
/// <param name="Family">What it is called.</param>
/// <param name="Bases">Its bases.</param>
/// <param name="Rows">Numbers of the copies, row by row as they stand on the tray.</param>
/// <param name="Differences">Pairs that stand side by side, and those that are too much alike wherever they stand.</param>
/// <param name="LeastDifference">The least of all pairs; null for one base.</param>
/// <param name="MeanDifference">Mean of all pairs.</param>
/// <param name="Takes">What all of it takes, loss counted.</param>
/// <param name="Boxes">Boxes, and what the tray uses of them.</param>
/// <param name="Lacking">What lacked when it was rolled last, what stands in, which bases go without.</param>
/// <param name="Grounds">Related grounds; null where all have the same.</param>
/// <param name="Roll">The roll that is under way, or was last.</param>
/// <param name="Scale">Scale of its set, one to so many.</param>
public sealed record TrayView(
    Guid Id, int Version, Guid PieceId, Guid FamilyId, string Family, IReadOnlyList<BaseView> Bases, IReadOnlyList<IReadOnlyList<int>> Rows, IReadOnlyList<DifferenceView> Differences, double? LeastDifference, double? MeanDifference,
    QuantitiesView Takes, IReadOnlyList<BoxUse> Boxes, IReadOnlyList<string> Lacking, GroundsView? Grounds, RollView? Roll, double Scale);

/// <summary>Related grounds of a tray: mixes of two browns, none beside its like.</summary>
/// <param name="AId">The first brown.</param>
/// <param name="BId">The second.</param>
/// <param name="Mixes">The mixes.</param>
/// <param name="Fault">What does not go together; empty where all is well.</param>
public sealed record GroundsView(Guid AId, Guid BId, IReadOnlyList<GroundView> Mixes, string Fault);

/// <summary>A ground of a tray.</summary>
/// <param name="PartsA">Parts of the first brown.</param>
/// <param name="PartsB">Parts of the second.</param>
/// <param name="Colour">What it looks like.</param>
/// <param name="Copies">Copies that have it.</param>
/// <param name="Ml">What they take of it in one coat, ml.</param>
public sealed record GroundView(int PartsA, int PartsB, string Colour, IReadOnlyList<int> Copies, double Ml);

/// <summary>Grounds that a tray is to have.</summary>
/// <param name="Version">Version of the tray.</param>
/// <param name="Count">How many, 3 to 5; 0 for the same ground everywhere.</param>
/// <param name="AId">The first brown.</param>
/// <param name="BId">The second.</param>
public sealed record GroundsChange([VersionBound] int Version, [GroundsBound] int Count, Guid? AId = null, Guid? BId = null);

/// <summary>Grounds to be put into the stack of a zone.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="SchemeVersion">Version of its scheme.</param>
public sealed record GroundsTaken(Guid ZoneId, [VersionBound] int SchemeVersion);

/// <summary>What stands where on a copy.</summary>
/// <param name="Copy">Number of the copy.</param>
/// <param name="Word">Its form in words.</param>
/// <param name="TrayId">The tray.</param>
/// <param name="Lines">Elements with their places, numbered as on the sheet.</param>
public sealed record CopyPlacement(int Copy, string Word, Guid TrayId, IReadOnlyList<Core.Bases.Sheets.Placing> Lines);

/// <summary>The tray of a piece.</summary>
/// <param name="Tray">The tray; null where it has none.</param>
public sealed record TrayOfPiece(TrayView? Tray);

/// <summary>Up to four bases, looked at without being kept.</summary>
/// <param name="Family">Family.</param>
/// <param name="Bases">The bases; what is locked on them stays.</param>
/// <param name="Stock">Boxes there are.</param>
/// <param name="Seed">Seed.</param>
/// <param name="Roll">Whether they are rolled; else they are read as they stand.</param>
/// <param name="Scale">Scale, one to so many.</param>
public sealed record BasesPreview(BaseFamilyDraft Family, [PreviewBasesBound] IReadOnlyList<TrayCopyDraft> Bases, [BoxesBound] IReadOnlyList<BoxView> Stock, [SeedBound] long Seed, bool Roll = true, [ScaleBound] double Scale = Zone.UsualScale);

/// <summary>What a preview answers.</summary>
/// <param name="Bases">The bases.</param>
/// <param name="Differences">Every pair.</param>
/// <param name="Takes">What they take, loss counted.</param>
/// <param name="Lacking">What lacks, and what stands in.</param>
public sealed record BasesLook(IReadOnlyList<BaseView> Bases, IReadOnlyList<DifferenceView> Differences, QuantitiesView Takes, IReadOnlyList<string> Lacking);

/// <summary>Where an element may be put on a base, as it is turned.</summary>
/// <param name="Copy">Number of the copy.</param>
/// <param name="Element">Place of the element in its list, from 0.</param>
/// <param name="AngleDeg">As it is turned, degrees.</param>
public sealed record MaskRequest([CopyNumberBound] int Copy, [ClusterBound] int Element, [TurnBound] double AngleDeg);

/// <summary>Where an element may be put: a grid, row by row from the front left.</summary>
/// <param name="StepMm">Side of a cell, mm.</param>
/// <param name="Columns">Cells across.</param>
/// <param name="Rows">Cells from front to rear.</param>
/// <param name="FromX">Middle of the first cell, mm.</param>
/// <param name="FromY">Middle of the first cell, mm.</param>
/// <param name="Cells">A letter a cell: a dot where it may stand, else the first letter of what stands in the way.</param>
/// <param name="Reasons">What the letters mean.</param>
public sealed record MaskView(double StepMm, int Columns, int Rows, double FromX, double FromY, string Cells, IReadOnlyDictionary<string, string> Reasons);
