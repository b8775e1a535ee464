using Lowfell.Core.Evenings.Findings;
using Lowfell.Core.Surfaces;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;

namespace Lowfell.Web.Features.Stack;

/// <summary>Zones of a piece in Core's terms: as they are sent, and as they are kept.</summary>
internal static class PieceReader
{
    /// <summary>Reads what is sent.</summary>
    public static PieceStacks Read(PieceRequest request, OpenShelf? shelf)
    {
        var checks = new Checks();
        var known = new HashSet<Guid>();
        for (var i = 0; i < request.Zones.Count; i++)
        {
            if (!known.Add(request.Zones[i].Id))
            {
                checks.Fault($"zones[{i}].id", $"Zone {request.Zones[i].Id} is given twice.");
            }
        }

        void Must(bool holds, string field, string message)
        {
            if (!holds)
            {
                checks.Fault(field, message);
            }
        }

        void Known(string field, Guid id) => Must(known.Contains(id), field, $"{id} is no zone of this piece.");
        for (var i = 0; i < request.Zones.Count; i++)
        {
            foreach (var other in request.Zones[i].Touches ?? [])
            {
                Known($"zones[{i}].touches", other);
            }
        }

        foreach (var (join, i) in (request.Joins ?? []).Select((j, i) => (j, i)))
        {
            Known($"joins[{i}].a", join.A);
            Known($"joins[{i}].b", join.B);
            Must(join.A != join.B, $"joins[{i}].b", "A zone is not joined to itself.");
        }

        foreach (var (part, i) in (request.Assembly ?? []).Select((a, i) => (a, i)))
        {
            foreach (var closed in part.Closes)
            {
                Known($"assembly[{i}].closes", closed);
            }

            if (part.AfterZoneId is { } after)
            {
                Known($"assembly[{i}].afterZoneId", after);
                var coats = request.Zones.FirstOrDefault(z => z.Id == after)?.Coats ?? [];
                Must(part.AfterCoatId is not { } coat || coats.Any(c => c.Id == coat), $"assembly[{i}].afterCoatId", $"{part.AfterCoatId} is no coat of that zone.");
            }
            else
            {
                Must(part.AfterCoatId is null, $"assembly[{i}].afterCoatId", "It needs the zone of that coat too.");
            }
        }

        checks.Enforce();
        return new(
            [.. request.Zones.Select(z => new PieceZone(z.Id, z.Name, StackReader.Read(z.Zone, z.Coats, request.Schools, shelf), z.Touches ?? []))],
            [.. (request.Joins ?? []).Select(j => new Join(j.A, j.B, j.ClearanceMm))],
            [.. (request.Assembly ?? []).Select(a => new AssemblyStep(a.Name, a.Closes, a.AfterZoneId, a.AfterCoatId))]);
    }

    /// <summary>The zones of a piece in the order in which they are painted, then those of other pieces that they are joined to.</summary>
    /// <param name="piece">The piece, its zones loaded.</param>
    /// <param name="siblings">The pieces of its set, their zones loaded.</param>
    public static IReadOnlyList<ZoneRow> WithMates(PieceRow piece, IEnumerable<PieceRow> siblings)
    {
        var mates = piece.Zones.SelectMany(z => z.Mates).Select(m => m.ZoneId).ToHashSet();
        return [.. piece.Zones.OrderBy(z => z.Position), .. siblings.Where(s => s.Id != piece.Id).SelectMany(s => s.Zones).Where(z => mates.Contains(z.Id))];
    }

    /// <summary>The joins and parts of zones that are kept; what joins a zone that is not among them is left out.</summary>
    /// <param name="zones">Zones in the order in which they are painted.</param>
    /// <param name="parts">Names of the parts that are fitted on their piece.</param>
    public static (IReadOnlyList<JoinDraft> Joins, IReadOnlyList<AssemblyDraft> Assembly) Around(IReadOnlyList<ZoneRow> zones, IReadOnlyList<string> parts)
    {
        var ids = zones.Select(z => z.Id).ToHashSet();
        var joins = zones.SelectMany(z => z.Mates.Where(m => ids.Contains(m.ZoneId)).Select(m => new JoinDraft(z.Id, m.ZoneId, m.ClearanceMm)))
            .DistinctBy(j => j.A.CompareTo(j.B) < 0 ? (j.A, j.B) : (j.B, j.A));
        Guid[] closed = [.. zones.Where(z => z.Fitting == Fitting.Before).Select(z => z.Id)];
        return ([.. joins], closed.Length == 0 ? [] : [.. parts.Select(name => new AssemblyDraft(name, closed, closed[^1]))]);
    }
}
