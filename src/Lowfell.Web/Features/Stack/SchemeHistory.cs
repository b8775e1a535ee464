using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Api;

namespace Lowfell.Web.Features.Stack;

/// <summary>Keeps what a scheme was before a sitting changed it, so that a painter can see it, compare and go back.</summary>
internal static class SchemeHistory
{
    /// <summary>Notes that a scheme is about to be changed; its coats are loaded and still as they were.</summary>
    public static void Note(LowfellDb db, SchemeRow row, DateTimeOffset now)
    {
        if (Sitting.IsAnother(row.ChangedAt, now) && row.Coats.Count > 0)
        {
            db.SchemeVersions.Add(new()
            {
                Id = Guid.CreateVersion7(),
                SchemeId = row.Id,
                From = row.ChangedAt,
                Until = now,
                Coats = Kept.Write(new KeptCoats([.. row.Coats.OrderBy(c => c.Position).Select(CoatRows.Write)])),
            });
        }

        row.ChangedAt = now;
    }
}

/// <summary>The coats of a scheme as they were.</summary>
/// <param name="Coats">From the substrate up.</param>
public sealed record KeptCoats(IReadOnlyList<CoatDraft> Coats);
