using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

internal sealed class BaseFamilyConfiguration : BenchRowConfiguration<BaseFamilyRow>
{
    protected override string Table => "base_families";

    protected override void More(EntityTypeBuilder<BaseFamilyRow> row)
    {
        row.Property(f => f.Rules).HasColumnType("text");
        row.HasQueryFilter(LowfellDb.NotDeleted, f => f.DeletedAt == null);
    }
}

internal sealed class ElementBoxConfiguration : BenchRowConfiguration<ElementBoxRow>
{
    protected override string Table => "element_boxes";

    protected override void More(EntityTypeBuilder<ElementBoxRow> row) => row.HasQueryFilter(LowfellDb.NotDeleted, b => b.DeletedAt == null);
}

internal sealed class TrayConfiguration : BenchRowConfiguration<TrayRow>
{
    protected override string Table => "trays";

    protected override void More(EntityTypeBuilder<TrayRow> row)
    {
        row.Property(t => t.Copies).HasColumnType("text");
        row.Property(t => t.Lacking).HasColumnType("text");
        row.HasOne(t => t.Piece).WithOne(p => p.Tray).HasForeignKey<TrayRow>(t => new { t.BenchId, t.PieceId }).OnDelete(DeleteBehavior.Cascade);
        row.HasOne(t => t.Family).WithMany().HasForeignKey(t => new { t.BenchId, t.FamilyId }).OnDelete(DeleteBehavior.Restrict);
    }
}

internal sealed class TrayRollConfiguration : BenchRowConfiguration<TrayRollRow>
{
    protected override string Table => "tray_rolls";

    protected override void More(EntityTypeBuilder<TrayRollRow> row)
    {
        row.Property(r => r.Request).HasColumnType("text");
        row.Property(r => r.Message).HasMaxLength(500);
        row.Property(r => r.Run).IsConcurrencyToken();
        row.HasIndex(r => r.Status).HasFilter("\"Status\" IN ('Waiting', 'Running')");
        row.HasOne(r => r.Tray).WithMany().HasForeignKey(r => new { r.BenchId, r.TrayId }).OnDelete(DeleteBehavior.Cascade);
    }
}
