using Lowfell.Core.Boards;
using Lowfell.Core.Materials;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Lowfell.Core.Wording;
using Lowfell.Web.Features.Boards;
using Lowfell.Web.Features.Stack;

namespace Lowfell.Web.Features.Weathering;

/// <summary>What on a zone can carry marks, on one copy; none where it was not counted.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="Ledges">Sills, copings, bars, rivets.</param>
/// <param name="Iron">Bare iron.</param>
/// <param name="Lips">Lower lips of overhangs.</param>
/// <param name="Bolts">Bolts and plugs that hold liquid.</param>
/// <param name="Fillers">Fillers, hinges, axles.</param>
/// <param name="Perches">Perches.</param>
/// <param name="Corners">Corners that hold water.</param>
/// <param name="HotEdgeMm">Raised edges that hands, feet and travel reach, mm.</param>
public sealed record ZoneHosts(
    Guid ZoneId, [HostsBound] int? Ledges = null, [HostsBound] int? Iron = null, [HostsBound] int? Lips = null, [HostsBound] int? Bolts = null, [HostsBound] int? Fillers = null, [HostsBound] int? Perches = null, [HostsBound] int? Corners = null, [RunBound] double? HotEdgeMm = null)
{
    /// <summary>To Core.</summary>
    internal HostCounts ToCore() => new(Ledges, Iron, Lips, Bolts, Fillers, Perches, Corners, HotEdgeMm);
}

/// <summary>What a piece went through.</summary>
/// <param name="Age">Since when.</param>
/// <param name="Went">What it was.</param>
/// <param name="From">The side that the weather comes from; none for all alike.</param>
/// <param name="Thrown">What throws the ground up at it.</param>
/// <param name="LevelMm">Water line above the table, mm; none for that of the board, or where it stands dry.</param>
public sealed record HistoryDraft(WeatherAge Age, [WentBound] IReadOnlyList<WentThrough> Went, MarkSide? From = null, ThrownBy Thrown = ThrownBy.Feet, [DatumHeightBound] double? LevelMm = null)
{
    /// <summary>To Core.</summary>
    /// <param name="boardMm">Water line of the board, mm; none where it has none.</param>
    internal PieceHistory ToCore(double? boardMm) => new(Age, Went, From, Thrown, LevelMm ?? boardMm);
}

/// <summary>A mark where it lies on a copy.</summary>
/// <param name="Side">The side.</param>
/// <param name="XMm">From the left end of the side, mm.</param>
/// <param name="YMm">Above the foot, of the top from its front border, mm: of what runs down its upper end, else its middle.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="LengthMm">Length, mm.</param>
/// <param name="AngleDeg">Turned against the clock, degrees.</param>
/// <param name="Host">Which of the places that can carry one; -1 where none does.</param>
public sealed record PlacedMark(MarkSide Side, [OnSideBound] double XMm, [OnSideBound] double YMm, [MarkSizeBound] double WidthMm, [MarkSizeBound] double LengthMm, [MarkTurnBound] double AngleDeg = 0, [HostPlaceBound] int Host = -1)
{
    /// <summary>To Core.</summary>
    internal MarkPlace ToCore() => new(Side, XMm, YMm, WidthMm, LengthMm, AngleDeg, Host);

    /// <summary>From Core, rounded.</summary>
    internal static PlacedMark Of(MarkPlace m) => new(m.Side, Math.Round(m.XMm, 2), Math.Round(m.YMm, 2), Math.Round(m.WidthMm, 3), Math.Round(m.LengthMm, 2), Math.Round(m.AngleDeg, 1), m.Host);
}

/// <summary>A copy whose marks stay.</summary>
/// <param name="Copy">Number of the copy.</param>
/// <param name="Marks">Its marks.</param>
public sealed record HeldMarks([BoardCopyBound] int Copy, [HeldMarksBound] IReadOnlyList<PlacedMark> Marks);

/// <summary>One kind of mark on one zone, as it is planned.</summary>
/// <param name="Id">Identity; that of its coat too.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="Kind">The kind.</param>
/// <param name="Count">How many on one copy, the mean of all.</param>
/// <param name="WidthMm">Width of one, mm; 0 for a strip.</param>
/// <param name="LengthMm">Length of one, mm; 0 for a strip.</param>
/// <param name="FromMm">Lower border of its strip, mm; none for the whole zone.</param>
/// <param name="ToMm">Upper border, mm.</param>
/// <param name="MaterialId">What it is made with; none for what is nearest on the shelf.</param>
/// <param name="Locked">Stays when the rest is proposed anew.</param>
/// <param name="Version">Raised to draw it again.</param>
/// <param name="Held">Copies whose marks stay.</param>
public sealed record EntryDraft(
    Guid Id, Guid ZoneId, MarkKind Kind, [MarkTallyBound] double Count, [MarkSizeBound] double WidthMm, [MarkSizeBound] double LengthMm, [OnSideBound] double? FromMm = null, [OnSideBound] double? ToMm = null, Guid? MaterialId = null, bool Locked = false, [DrawingBound] int Version = 1, [HeldBound] IReadOnlyList<HeldMarks>? Held = null)
{
    /// <summary>To Core.</summary>
    internal MarkEntry ToCore() => new(Id, ZoneId, Kind, Count, WidthMm, LengthMm) { FromMm = FromMm, ToMm = ToMm, Locked = Locked, Version = Version, Held = [.. (Held ?? []).Select(h => new HeldCopy(h.Copy, [.. h.Marks.Select(m => m.ToCore())]))] };

    /// <summary>From Core, as it is proposed.</summary>
    internal static EntryDraft Of(MarkEntry e) => new(e.Id, e.ZoneId, e.Kind, e.Count, e.WidthMm, e.LengthMm, e.FromMm, e.ToMm);
}

/// <summary>Lettering, numbers or slogans.</summary>
/// <param name="Id">Identity; that of its first coat too.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="Texts">Texts, shared out over the copies.</param>
/// <param name="Side">The side.</param>
/// <param name="XMm">Its middle, from the left end of the side, mm.</param>
/// <param name="YMm">Its foot above that of the piece, mm.</param>
/// <param name="TallMm">Height of the letters, mm.</param>
/// <param name="By">How they are put on.</param>
/// <param name="MaterialId">What they are painted with; none for what is nearest on the shelf.</param>
public sealed record LetteringDraft(Guid Id, Guid ZoneId, [TextsBound] IReadOnlyList<string> Texts, MarkSide Side, [OnSideBound] double XMm, [OnSideBound] double YMm, [LetterBound] double TallMm, LetteredBy By, Guid? MaterialId = null)
{
    /// <summary>To Core.</summary>
    internal Lettering ToCore() => new(Id, ZoneId, [.. Texts.Select(t => t.Trim())], Side, XMm, YMm, TallMm, By);
}

/// <summary>A tone of a pattern.</summary>
/// <param name="MaterialId">What it is painted with.</param>
/// <param name="Share">Share of the area.</param>
public sealed record ToneDraft(Guid MaterialId, [ShareBound] double Share);

/// <summary>Camouflage or mottle.</summary>
/// <param name="Id">Identity.</param>
/// <param name="ZoneIds">Zones that it runs on over.</param>
/// <param name="Tones">Tones, in the order in which they go on.</param>
/// <param name="PatchRealMm">Size of a patch in life, mm.</param>
/// <param name="Stretch">So many times longer than high.</param>
/// <param name="GapMm">Left of the ground between two tones, mm on the model.</param>
/// <param name="Version">Raised to draw it again.</param>
public sealed record PatternDraft(Guid Id, [WeatherZonesBound] IReadOnlyList<Guid> ZoneIds, [TonesBound] IReadOnlyList<ToneDraft> Tones, [PatchBound] double PatchRealMm, [StretchBound] double Stretch = 1.6, [PatternGapBound] double GapMm = 0, [DrawingBound] int Version = 1)
{
    /// <summary>To Core.</summary>
    internal Pattern ToCore() => new(Id, ZoneIds, [.. Tones.Select(t => new PatternTone(t.MaterialId, t.Share))], PatchRealMm, Stretch, GapMm, Version);
}

/// <summary>A plan.</summary>
/// <param name="History">What the piece went through.</param>
/// <param name="Hosts">What its zones carry.</param>
/// <param name="Entries">Marks.</param>
/// <param name="Put">Coats that were put into stacks by this plan.</param>
/// <param name="Letters">Lettering.</param>
/// <param name="Pattern">Camouflage or mottle.</param>
public sealed record WeatheringDraft(HistoryDraft History, [WeatherZonesBound] IReadOnlyList<ZoneHosts> Hosts, [EntriesBound] IReadOnlyList<EntryDraft> Entries, [EntriesBound] IReadOnlyList<Guid>? Put = null, [LettersBound] IReadOnlyList<LetteringDraft>? Letters = null, PatternDraft? Pattern = null);

/// <summary>A plan as it is to be kept.</summary>
/// <param name="Version">Version that it was changed from; 0 for the first.</param>
/// <param name="Plan">The plan.</param>
public sealed record WeatheringChange([VersionBound] int Version, WeatheringDraft Plan);

/// <summary>What can carry marks on a zone.</summary>
/// <param name="Host">What.</param>
/// <param name="Count">How many on one copy.</param>
/// <param name="Guess">Not counted: guessed from its creases or size.</param>
public sealed record HostView(MarkHost Host, int Count, bool Guess);

/// <summary>A zone of a plan.</summary>
/// <param name="Id">The zone.</param>
/// <param name="Name">Its name.</param>
/// <param name="Facing">Which way it looks.</param>
/// <param name="Colour">Its face, as it is planned; none where nothing is on it.</param>
/// <param name="Hosts">What can carry marks.</param>
/// <param name="HotEdgeMm">Length of hot edges on one copy, mm.</param>
/// <param name="HotEdgeGuess">Not measured.</param>
/// <param name="Kinds">Kinds of marks that belong on it.</param>
/// <param name="Parts">Where it is taken to lie.</param>
public sealed record WeatheredZone(Guid Id, string Name, Facing Facing, string? Colour, IReadOnlyList<HostView> Hosts, double HotEdgeMm, bool HotEdgeGuess, IReadOnlyList<MarkKind> Kinds, IReadOnlyList<FacePart> Parts);

/// <summary>What follows from an entry.</summary>
/// <param name="Id">The entry.</param>
/// <param name="Why">The rule of place.</param>
/// <param name="Guess">Its number goes by what was guessed.</param>
/// <param name="Strip">Laid as a strip, not mark by mark.</param>
/// <param name="ByNumber">Set one by one; else sponged, flicked or laid.</param>
/// <param name="LifeWidthMm">Width in life, mm.</param>
/// <param name="LifeLengthMm">Length in life, mm.</param>
/// <param name="Verdict">How that stands to life.</param>
/// <param name="Tool">What draws it; none for a strip, or where no tool does.</param>
/// <param name="Seen">From where it is seen; never, where it has no coat.</param>
/// <param name="Technique">How it is made; none where nothing on the shelf makes it.</param>
/// <param name="Material">What with.</param>
/// <param name="Colour">Colour of a mark, as predicted.</param>
/// <param name="Total">How many on all copies.</param>
/// <param name="PerCopy">How many on each copy.</param>
/// <param name="Ml">Paint, ml.</param>
/// <param name="MinutesEach">Hands-on minutes a copy.</param>
/// <param name="Minutes">For all copies.</param>
/// <param name="InStack">Its coat is in the stack of its zone.</param>
/// <param name="Faults">What cannot be.</param>
public sealed record EntryView(
    Guid Id, string Why, bool Guess, bool Strip, bool ByNumber, double LifeWidthMm, double LifeLengthMm, WidthVerdict Verdict, string? Tool, SightVerdict Seen, Technique? Technique, string? Material, string? Colour,
    int Total, IReadOnlyList<int> PerCopy, double Ml, double MinutesEach, double Minutes, bool InStack, IReadOnlyList<string> Faults);

/// <summary>What follows from lettering.</summary>
/// <param name="Id">The lettering.</param>
/// <param name="Text">Text on the copy that is told of.</param>
/// <param name="WidthMm">Its width, mm.</param>
/// <param name="StrokeMm">Width of a stroke, mm.</param>
/// <param name="LifeMm">Height in life, mm.</param>
/// <param name="LegibleM">Farthest that it is read from, m.</param>
/// <param name="Tool">What draws it; none where nothing has to, or does.</param>
/// <param name="PerCopy">Text of each copy.</param>
/// <param name="Faults">What cannot be.</param>
public sealed record LetteringView(Guid Id, string Text, double WidthMm, double StrokeMm, double LifeMm, double LegibleM, string? Tool, IReadOnlyList<string> PerCopy, IReadOnlyList<string> Faults);

/// <summary>A pattern on a side of the copy that is told of.</summary>
/// <param name="Side">The side.</param>
/// <param name="StepMm">Size of a cell, mm.</param>
/// <param name="Rows">Rows of cells from the foot up: a figure for each tone from 0, a dot for the ground.</param>
public sealed record SidePattern(MarkSide Side, double StepMm, IReadOnlyList<string> Rows);

/// <summary>Marks of an entry on one copy.</summary>
/// <param name="EntryId">The entry.</param>
/// <param name="Shape">How one is drawn.</param>
/// <param name="Marks">The marks.</param>
/// <param name="Held">They stay when the rest is drawn again.</param>
/// <param name="First">Number of the first on the card; 0 where they have none.</param>
public sealed record EntryMarks(Guid EntryId, MarkShape Shape, IReadOnlyList<PlacedMark> Marks, bool Held, int First);

/// <summary>A zone's stack with the marks of a plan.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="Coats">Its coats from below.</param>
/// <param name="Added">What was added so that it holds.</param>
/// <param name="Missing">Kinds that nothing on the shelf makes.</param>
/// <param name="Alarms">Stops and risks of it that were not there before.</param>
public sealed record WeatheredCoats(Guid ZoneId, IReadOnlyList<CoatDraft> Coats, IReadOnlyList<string> Added, IReadOnlyList<MarkKind> Missing, int Alarms);

/// <summary>A line of the board on a copy.</summary>
/// <param name="Name">Its name.</param>
/// <param name="LeftMm">Above the foot at the left end of the front, mm.</param>
/// <param name="RightMm">At its right end, mm.</param>
public sealed record LineView(string Name, double LeftMm, double RightMm);

/// <summary>What follows from a plan.</summary>
/// <param name="Entries">From each entry.</param>
/// <param name="Copy">The copy that marks are told of.</param>
/// <param name="Marks">Its marks.</param>
/// <param name="Lines">Lines of the board on it.</param>
/// <param name="Stacks">Stacks with the marks.</param>
/// <param name="Minutes">Hands-on minutes for all copies.</param>
/// <param name="Ml">Paint, ml.</param>
/// <param name="Overlap">What neighbours share of their hosts, the mean of all kinds; none where there is but one copy.</param>
/// <param name="Letters">From each lettering.</param>
/// <param name="Pattern">The pattern on each side.</param>
public sealed record WeatheringAnswer(IReadOnlyList<EntryView> Entries, int Copy, IReadOnlyList<EntryMarks> Marks, IReadOnlyList<LineView> Lines, IReadOnlyList<WeatheredCoats> Stacks, double Minutes, double Ml, double? Overlap, IReadOnlyList<LetteringView> Letters, IReadOnlyList<SidePattern> Pattern);

/// <summary>The plan of a piece.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="SetId">Its set.</param>
/// <param name="Name">Its name.</param>
/// <param name="Copies">Copies.</param>
/// <param name="Scale">One to so many.</param>
/// <param name="ViewingM">Distance that it is looked at from, m.</param>
/// <param name="AtRandom">Marks are rolled, by the painter's school.</param>
/// <param name="LengthMm">Its length, mm.</param>
/// <param name="WidthMm">Its width, mm.</param>
/// <param name="HeightMm">Its height, mm.</param>
/// <param name="Rectangle">It is taken for a box, which it is not.</param>
/// <param name="LevelMm">Water line of its board, mm; none where it has none.</param>
/// <param name="Version">Version; 0 for one that was not kept yet.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Zones">Zones.</param>
/// <param name="Answer">What follows.</param>
/// <param name="Parts">Parts that move, on its front.</param>
/// <param name="Kinds">Kinds of marks, in the order in which they go on.</param>
public sealed record WeatheringView(
    Guid PieceId, Guid SetId, string Name, int Copies, double Scale, double ViewingM, bool AtRandom, double LengthMm, double WidthMm, double HeightMm, bool Rectangle, double? LevelMm, int Version, WeatheringDraft Plan, IReadOnlyList<WeatheredZone> Zones, WeatheringAnswer Answer, IReadOnlyList<BoardPartDraft> Parts, IReadOnlyList<KindView> Kinds);

/// <summary>A kind of mark, as it begins when it is added.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Stage">1 wear, 2 fields, 3 runs, 4 spots, 5 loose.</param>
/// <param name="Place">The rule of place.</param>
/// <param name="Strip">Laid as a strip, not mark by mark.</param>
/// <param name="Families">What it is made with.</param>
public sealed record KindView(MarkKind Kind, int Stage, string Place, bool Strip, IReadOnlyList<Family> Families);

/// <summary>Which cards there are.</summary>
/// <param name="Copy">The copy.</param>
/// <param name="Pages">How many pages its card has.</param>
public sealed record CardPages(int Copy, int Pages);

/// <summary>Cards of copies, as many as one answer has the time for.</summary>
/// <param name="Cards">The cards.</param>
/// <param name="Next">From which copy to ask on; none where these were the last.</param>
public sealed record CardList(IReadOnlyList<CardPages> Cards, int? Next);

/// <summary>Marks of a coat on a copy, as they are painted.</summary>
/// <param name="Copy">The copy.</param>
/// <param name="Count">How many there are.</param>
/// <param name="Marks">Where each lies; none where they are sponged, flicked or laid.</param>
/// <param name="First">Number of the first on the card; 0 where they have none.</param>
public sealed record MarksOnCopy(int Copy, int Count, IReadOnlyList<PlacedMark> Marks, int First);

/// <summary>A plan that is to be filled from its history: what is locked stays.</summary>
/// <param name="Plan">The plan.</param>
public sealed record ProposalRequest(WeatheringDraft Plan);

/// <summary>A kind that is to be added to a zone.</summary>
/// <param name="Plan">The plan.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="Kind">The kind.</param>
public sealed record AddedKind(WeatheringDraft Plan, Guid ZoneId, MarkKind Kind);

/// <summary>What a zone's coats were, or are to be again.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="SchemeId">Its scheme then.</param>
/// <param name="Version">Version of that scheme as it was left.</param>
/// <param name="Coats">The coats before.</param>
public sealed record ZoneCoats(Guid ZoneId, Guid SchemeId, [VersionBound] int Version, [CoatsBound] IReadOnlyList<CoatDraft> Coats);

/// <summary>Puts the marks of the kept plan into the stacks, or takes that back.</summary>
/// <param name="Version">Version of the plan.</param>
/// <param name="Back">What was answered when they were put in: takes it back.</param>
public sealed record WeatherCoatsChange([VersionBound] int Version, [WeatherZonesBound] IReadOnlyList<ZoneCoats>? Back = null);

/// <summary>Stacks that were changed.</summary>
/// <param name="Was">As they were, to be sent back.</param>
/// <param name="Version">Version of the plan now.</param>
/// <param name="Added">What was added beside the marks, by zone and in words.</param>
public sealed record WeatherCoatsPut(IReadOnlyList<ZoneCoats> Was, int Version, IReadOnlyList<string> Added);

/// <summary>A zone, for a plan that is not kept.</summary>
/// <param name="Id">The zone.</param>
/// <param name="Name">Its name.</param>
/// <param name="Zone">Its surface.</param>
/// <param name="Coats">Its coats.</param>
public sealed record PreviewWeatherZone(Guid Id, [NameBound] string Name, ZoneDraft Zone, [CoatsBound] IReadOnlyList<CoatDraft> Coats);

/// <summary>A whole plan with its piece.</summary>
/// <param name="Set">What the set is told by in seeds.</param>
/// <param name="Piece">What the piece is told by.</param>
/// <param name="Copies">Copies.</param>
/// <param name="LengthMm">Length, mm.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="Zones">Zones with their coats.</param>
/// <param name="Plan">The plan; without entries it is proposed.</param>
/// <param name="Parts">Parts of the front that move.</param>
/// <param name="Copy">The copy that marks are told of.</param>
/// <param name="Schools">Preferences.</param>
public sealed record WeatheringPreview(
    [NameBound] string Set, [NameBound] string Piece, [BoardCopyBound] int Copies, [BoardSizeBound] double LengthMm, [BoardSizeBound] double WidthMm, [BoardSizeBound] double HeightMm, [WeatherZonesBound] IReadOnlyList<PreviewWeatherZone> Zones, WeatheringDraft Plan,
    [BoardListBound] IReadOnlyList<BoardPartDraft>? Parts = null, [BoardCopyBound] int Copy = 1, Schools? Schools = null);

/// <summary>What follows from a plan that is not kept.</summary>
/// <param name="Entries">Its entries, proposed where none were given.</param>
/// <param name="Answer">What follows.</param>
public sealed record WeatheringPreviewed(IReadOnlyList<EntryDraft> Entries, WeatheringAnswer Answer);
