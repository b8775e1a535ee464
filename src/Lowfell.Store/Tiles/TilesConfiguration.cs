using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

internal sealed class TileConfiguration : BenchRowConfiguration<TileRow>
{
    protected override string Table => "tiles";

    protected override void More(EntityTypeBuilder<TileRow> row)
    {
        row.Property(t => t.Plan).HasColumnType("text");
        row.HasQueryFilter(LowfellDb.NotDeleted, t => t.DeletedAt == null);
        row.Property(t => t.Painted).HasColumnType("text");
    }
}

internal sealed class PaintedConfiguration : BenchRowConfiguration<PaintedRow>
{
    protected override string Table => "painted";

    protected override void More(EntityTypeBuilder<PaintedRow> row)
    {
        row.Property(p => p.Stack).HasColumnType("text");
        row.HasQueryFilter(LowfellDb.NotDeleted, p => p.DeletedAt == null);
        row.Property(p => p.Note).HasMaxLength(2000);
        row.HasOne<SchemeRow>().WithMany().HasForeignKey(p => new { p.BenchId, p.SchemeId }).OnDelete(DeleteBehavior.SetNull);
    }
}
