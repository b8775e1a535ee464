using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Evenings.Work;

/// <summary>When steps may and must be begun by what the log says was done before them, in minutes from the plan's origin.</summary>
/// <param name="work">What there is to do and what is done.</param>
public sealed class ReadyTimes(OpenWork work)
{
    /// <summary>When copies are ready for a step; 0 where nothing is written down or it is long ago.</summary>
    public double NotBefore(OpenZone zone, int place, IReadOnlyList<int> copies)
    {
        var glue = zone.Zone.Fitting != Fitting.After ? 0 : FittedOn(zone).SelectMany(p => copies.Select(copy =>
            work.Done.Of(p.Id.On(copy)) is { } fitted ? fitted.AtMin + p.Part.GlueMin : 0)).DefaultIfEmpty(0).Max();
        return Math.Max(glue, copies.Max(copy => DryAfter(zone, place, copy, lagged: true)));
    }

    /// <summary>When the step before was really done on a copy; null where it was not, or was left out.</summary>
    public double? DoneBefore(OpenZone zone, int place, int copy) => zone.Steps.Before(place, copy) is >= 0 and var before ? work.Done.DoneAt(zone.Id(before).On(copy)) : null;

    /// <summary>Until when a step has to be begun on copies; null without a window.</summary>
    public double? DueBy(OpenZone zone, int place, IReadOnlyList<int> copies) =>
        copies.Select(copy => zone.Steps.Before(place, copy) is >= 0 and var before && zone.Steps[before].MostLagMin is { } most ? work.Done.DoneAt(zone.Id(before).On(copy)) + most : null).Min();

    /// <summary>When all that is done of a zone may be handled on some copies; 0 for long ago.</summary>
    public double Handled(OpenZone zone, IEnumerable<int> copies) =>
        zone.Steps.Count == 0 ? 0 : copies.Select(copy => DryAfter(zone, zone.Steps.Count, copy, lagged: false)).DefaultIfEmpty(0).Max();

    /// <summary>Parts that are fitted on the piece of a zone, or are that piece.</summary>
    internal List<OpenPart> FittedOn(OpenZone zone) => [.. work.Parts.Where(p => p.Host.Id == zone.Zone.Piece.Id || p.Part.Id == zone.Zone.Piece.Id)];

    // When the last step that was really done before a place is dry; 0 for long ago.
    private double DryAfter(OpenZone zone, int place, int copy, bool lagged)
    {
        var before = zone.Steps.Before(place, copy);
        for (var i = before; i >= 0; i--)
        {
            if (work.Done.DoneAt(zone.Id(i).On(copy)) is { } done)
            {
                return Math.Max(0, done + (i == before && lagged ? zone.Steps[i].LagMin : zone.Steps[i].Times.RecoatMin));
            }
        }

        return 0;
    }
}
