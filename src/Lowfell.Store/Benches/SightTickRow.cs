using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

/// <summary>A detail that the painter looked at from the table in a trial, and whether it was seen.</summary>
public sealed class SightTickRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>When.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>Times the laboratory's threshold, as it was reckoned then, without a factor.</summary>
    public double J { get; set; }

    /// <summary>It was seen.</summary>
    public bool Seen { get; set; }
}

internal sealed class SightTickConfiguration : BenchRowConfiguration<SightTickRow>
{
    protected override string Table => "sight_ticks";

    protected override void More(EntityTypeBuilder<SightTickRow> row) => row.HasIndex(t => new { t.BenchId, t.At });
}
