using Lowfell.Core.Evenings.Findings;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Web.Features.Stack;

/// <summary>A zone of a piece with its stack.</summary>
/// <param name="Id">Its id; other zones, joins and parts name it.</param>
/// <param name="Name">Its name.</param>
/// <param name="Zone">Its surface.</param>
/// <param name="Coats">Its stack.</param>
/// <param name="Touches">Zones that it touches.</param>
public sealed record PieceZoneDraft(Guid Id, [TagBound] string Name, ZoneDraft Zone, [CoatsBound] IReadOnlyList<CoatDraft> Coats, [NamedZonesBound] IReadOnlyList<Guid>? Touches = null);

/// <summary>Two faces that fit against each other.</summary>
/// <param name="A">A zone.</param>
/// <param name="B">The other.</param>
/// <param name="ClearanceMm">Room between both bare faces, 0-50 mm.</param>
public sealed record JoinDraft(Guid A, Guid B, [ClearanceBound] double ClearanceMm);

/// <summary>A part that is fitted in the course of the work.</summary>
/// <param name="Name">What is fitted.</param>
/// <param name="Closes">Zones that no brush reaches afterwards.</param>
/// <param name="AfterZoneId">The zone after whose coat it is done; none before all of them.</param>
/// <param name="AfterCoatId">That coat; none for the last one of the zone.</param>
public sealed record AssemblyDraft([TagBound] string Name, [NamedZonesBound] IReadOnlyList<Guid> Closes, Guid? AfterZoneId = null, Guid? AfterCoatId = null);

/// <summary>All zones of a piece, in the order in which they are painted.</summary>
/// <param name="Zones">1-60 zones.</param>
/// <param name="Joins">Faces that fit against each other.</param>
/// <param name="Assembly">Parts that are fitted.</param>
/// <param name="Schools">Preferences; the usual ones where none are given.</param>
public sealed record PieceRequest([PieceZonesBound] IReadOnlyList<PieceZoneDraft> Zones, [JoinsBound] IReadOnlyList<JoinDraft>? Joins = null, [NamedZonesBound] IReadOnlyList<AssemblyDraft>? Assembly = null, Schools? Schools = null);

/// <summary>What a rule found on a piece.</summary>
/// <param name="Rule">Rule.</param>
/// <param name="Title">What the rule is called.</param>
/// <param name="Severity">Stop, risk or note.</param>
/// <param name="ZoneId">The zone that it is about.</param>
/// <param name="CoatId">The coat that it is about.</param>
/// <param name="WithZoneId">Another zone that it is about; none where it is about one.</param>
/// <param name="What">What.</param>
/// <param name="Why">Why.</param>
/// <param name="Advice">What can be done about it.</param>
/// <param name="Figure">The figure behind it; none where there is none.</param>
/// <param name="Minutes">Minutes that it costs on all copies.</param>
/// <param name="Mark">What the coat is: sent back with the reason by a painter who knows.</param>
/// <param name="Rests">The reason why it rests; none where it speaks.</param>
public sealed record PieceFindingView(
    string Rule, string Title, Severity Severity, Guid ZoneId, Guid CoatId, Guid? WithZoneId, string What, string Why, string Advice, string? Figure, double Minutes, string Mark, string? Rests)
{
    /// <summary>View of a finding.</summary>
    public static PieceFindingView Of(PieceFinding f) => new(
        f.Rule.Id, f.Rule.Title, f.Fault.Severity, f.ZoneId, f.CoatId, f.WithId, f.Fault.What, f.Fault.Why, f.Fault.Advice, f.Fault.Figure.Length == 0 ? null : f.Fault.Figure, Math.Round(f.Fault.Minutes, 1), f.Mark, f.Rests);
}

/// <summary>A better order of the zones.</summary>
/// <param name="ZoneIds">The zones in that order.</param>
/// <param name="SavesMinutes">Minutes of touching up that it saves on all copies.</param>
public sealed record ZoneOrderView(IReadOnlyList<Guid> ZoneIds, double SavesMinutes);

/// <summary>What the rules find over the zones of a piece.</summary>
/// <param name="Findings">The worst first.</param>
/// <param name="Better">A better order of the zones; none where the one that there is does.</param>
public sealed record PieceJudgement(IReadOnlyList<PieceFindingView> Findings, ZoneOrderView? Better)
{
    /// <summary>Judges a piece.</summary>
    public static PieceJudgement Of(PieceStacks piece)
    {
        var reading = new PieceReading(piece);
        var better = PieceJudge.BetterOrder(reading);
        return new([.. PieceJudge.Read(reading).Select(PieceFindingView.Of)], better is null ? null : new(better.Zones, Math.Round(better.SavesMin)));
    }
}
