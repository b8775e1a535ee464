using Lowfell.Core.Materials;

namespace Lowfell.Store;

/// <summary>A mix that was made: when, what went in, how much, of which lots.</summary>
public sealed class MixRecordRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>The recipe it was made from; null once that is deleted.</summary>
    public Guid? MixId { get; set; }

    /// <summary>Name of the mix when it was made.</summary>
    public required string Name { get; set; }

    /// <summary>What the rules took it for, where that was not its main paint.</summary>
    public Family? CountsAs { get; set; }

    /// <summary>When it was made.</summary>
    public DateTimeOffset MadeAt { get; set; }

    /// <summary>Ml in the pot now.</summary>
    public double LeftMl { get; set; }

    /// <summary>Note.</summary>
    public string Note { get; set; } = "";

    /// <summary>The recipe as it was written, as JSON.</summary>
    public required string Recipe { get; set; }

    /// <summary>What went in, nested mixes unfolded, top-ups after it.</summary>
    public List<MixRecordLineRow> Lines { get; set; } = [];

    /// <summary>What it was used on.</summary>
    public List<MixUseRow> Uses { get; set; } = [];
}

/// <summary>One thing that went into a mix: some of a bottle, or a thinner.</summary>
public sealed class MixRecordLineRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>The record.</summary>
    public Guid RecordId { get; set; }

    /// <summary>Order.</summary>
    public int Position { get; set; }

    /// <summary>When it went in.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>The material on the shelf then; it may be gone since.</summary>
    public Guid? MaterialId { get; set; }

    /// <summary>The bottle that it came from; it may be thrown away since. Null where the shelf held no more of it.</summary>
    public Guid? BottleId { get; set; }

    /// <summary>Name then.</summary>
    public required string Name { get; set; }

    /// <summary>A thinner instead of a material.</summary>
    public Thinner? Thinner { get; set; }

    /// <summary>Ml.</summary>
    public double Ml { get; set; }

    /// <summary>Lot of the bottle, where it had one.</summary>
    public string Lot { get; set; } = "";

    /// <summary>The material as it was then, as JSON; null for a thinner.</summary>
    public string? Snapshot { get; set; }
}

/// <summary>Where some of a made mix went.</summary>
public sealed class MixUseRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>The record.</summary>
    public Guid RecordId { get; set; }

    /// <summary>When.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>What was written down at the bench when it was used; null where the use was noted by itself.</summary>
    public Guid? Press { get; set; }

    /// <summary>The piece; null once it is deleted for good.</summary>
    public Guid? PieceId { get; set; }

    /// <summary>Numbers of the copies.</summary>
    public int[] Copies { get; set; } = [];

    /// <summary>Ml taken.</summary>
    public double Ml { get; set; }

    /// <summary>Note.</summary>
    public string Note { get; set; } = "";
}
