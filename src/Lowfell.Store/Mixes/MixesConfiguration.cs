using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

internal sealed class MixConfiguration : BenchRowConfiguration<MixRow>
{
    protected override string Table => "mixes";

    protected override void More(EntityTypeBuilder<MixRow> row)
    {
        row.HasIndex(m => new { m.BenchId, m.Name }).IsUnique().HasFilter("\"DeletedAt\" IS NULL");
        row.HasQueryFilter(LowfellDb.NotDeleted, m => m.DeletedAt == null);
        row.HasMany(m => m.Components).WithOne().HasForeignKey(c => new { c.BenchId, c.MixId });
    }
}

internal sealed class MixComponentConfiguration : BenchRowConfiguration<MixComponentRow>
{
    protected override string Table => "mix_components";

    protected override void More(EntityTypeBuilder<MixComponentRow> row)
    {
        row.HasOne<MaterialRow>().WithMany().HasForeignKey(c => new { c.BenchId, c.MaterialId }).OnDelete(DeleteBehavior.Restrict);
        row.HasOne<MixRow>().WithMany().HasForeignKey(c => new { c.BenchId, c.InnerMixId }).OnDelete(DeleteBehavior.Restrict);
    }
}

internal sealed class MixRecordConfiguration : BenchRowConfiguration<MixRecordRow>
{
    protected override string Table => "mix_records";

    protected override void More(EntityTypeBuilder<MixRecordRow> row)
    {
        row.Property(r => r.Note).HasMaxLength(2000);
        row.Property(r => r.Recipe).HasColumnType("text");
        row.HasOne<MixRow>().WithMany().HasForeignKey(r => new { r.BenchId, r.MixId }).OnDelete(DeleteBehavior.SetNull);
        row.HasMany(r => r.Lines).WithOne().HasForeignKey(l => new { l.BenchId, l.RecordId });
        row.HasMany(r => r.Uses).WithOne().HasForeignKey(u => new { u.BenchId, u.RecordId });
    }
}

internal sealed class MixRecordLineConfiguration : BenchRowConfiguration<MixRecordLineRow>
{
    protected override string Table => "mix_record_lines";

    protected override void More(EntityTypeBuilder<MixRecordLineRow> row) => row.Property(l => l.Snapshot).HasColumnType("text");
}

internal sealed class MixUseConfiguration : BenchRowConfiguration<MixUseRow>
{
    protected override string Table => "mix_uses";

    protected override void More(EntityTypeBuilder<MixUseRow> row)
    {
        row.Property(u => u.Note).HasMaxLength(2000);
        row.HasOne<PieceRow>().WithMany().HasForeignKey(u => new { u.BenchId, u.PieceId }).OnDelete(DeleteBehavior.SetNull);
    }
}
