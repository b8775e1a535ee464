
namespace Lowfell.Web.Features.Search;

/// <summary>What kind of thing a search has found.</summary>
public enum FoundKind
{
    /// <summary>A set.</summary>
    Set,

    /// <summary>A piece.</summary>
    Piece,

    /// <summary>A zone.</summary>
    Zone,

    /// <summary>A coat of a zone.</summary>
    Coat,

    /// <summary>A paint or other material of the shelf.</summary>
    Paint,

    /// <summary>A mix.</summary>
    Mix,

    /// <summary>A test tile.</summary>
    Tile,
}

/// <summary>Something found by its name.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Within">Where it is: set and piece, or the house of a paint; empty where it is in nothing.</param>
/// <param name="SetId">Its set.</param>
/// <param name="PieceId">Its piece.</param>
/// <param name="ZoneId">Its zone.</param>
/// <param name="Colour">Its colour, #rrggbb; none where it has none of its own.</param>
/// <param name="Near">It is only like what was asked for.</param>
public sealed record Found(FoundKind Kind, Guid Id, string Name, string Within, Guid? SetId, Guid? PieceId, Guid? ZoneId, string? Colour, bool Near);

/// <summary>An entry of the log that was found.</summary>
/// <param name="Id">Its id.</param>
/// <param name="At">When.</param>
/// <param name="Label">Piece and zone, as they were called then.</param>
/// <param name="Paint">Paint.</param>
/// <param name="Note">Note.</param>
/// <param name="Copy">Copy.</param>
public sealed record FoundEntry(Guid Id, DateTimeOffset At, string Label, string Paint, string Note, int Copy);

/// <summary>What a search has found.</summary>
/// <param name="Names">By name, the nearest first.</param>
/// <param name="Entries">In the log, the newest first.</param>
public sealed record SearchAnswer(IReadOnlyList<Found> Names, IReadOnlyList<FoundEntry> Entries);
