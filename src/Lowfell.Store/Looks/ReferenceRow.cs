using Lowfell.Core.Surfaces;

namespace Lowfell.Store;

/// <summary>A spot of a reference picture whose colour a zone is to have.</summary>
public sealed class ReferencePick
{
    /// <summary>The zone.</summary>
    public Guid ZoneId { get; set; }

    /// <summary>Recess, face or edge of it.</summary>
    public ReliefHeight Height { get; set; }

    /// <summary>Where it is, share of the width.</summary>
    public double X { get; set; }

    /// <summary>Where it is, share of the height.</summary>
    public double Y { get; set; }

    /// <summary>What stands there in the picture, linear: red.</summary>
    public double R { get; set; }

    /// <summary>Green.</summary>
    public double G { get; set; }

    /// <summary>Blue.</summary>
    public double B { get; set; }

    /// <summary>Why the zone departs from it on purpose; empty where it does not.</summary>
    public string OnPurpose { get; set; } = "";

    /// <summary>The same in another list: the store knows each by its place in its own.</summary>
    public ReferencePick Copy() => (ReferencePick)MemberwiseClone();
}

/// <summary>A picture that a set or a piece is to look like.</summary>
public sealed class ReferenceRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity, given by who pins it.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>The set that it is pinned to.</summary>
    public Guid SetId { get; set; }

    /// <summary>The piece of it; null for the whole set.</summary>
    public Guid? PieceId { get; set; }

    /// <summary>The picture.</summary>
    public Guid PhotoId { get; set; }

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>Where something grey is, share of the width; null where there is none.</summary>
    public double? GreyX { get; set; }

    /// <summary>Share of the height.</summary>
    public double? GreyY { get; set; }

    /// <summary>What stands there in the picture, linear: red.</summary>
    public double GreyR { get; set; }

    /// <summary>Green.</summary>
    public double GreyG { get; set; }

    /// <summary>Blue.</summary>
    public double GreyB { get; set; }

    /// <summary>What it is known to be, #rrggbb.</summary>
    public string GreyIs { get; set; } = "";

    /// <summary>Spots that were picked.</summary>
    public List<ReferencePick> Picks { get; set; } = [];

    /// <summary>When it was pinned.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>When it was taken off; it can be put back.</summary>
    public DateTimeOffset? DeletedAt { get; set; }
}
