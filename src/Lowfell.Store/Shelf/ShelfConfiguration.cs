using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

internal sealed class MaterialConfiguration : BenchRowConfiguration<MaterialRow>
{
    protected override string Table => "materials";

    protected override void More(EntityTypeBuilder<MaterialRow> row)
    {
        row.HasIndex(m => new { m.BenchId, m.Name }).IsUnique().HasFilter("\"DeletedAt\" IS NULL");
        row.HasQueryFilter(LowfellDb.NotDeleted, m => m.DeletedAt == null);
        row.Property(m => m.Colour).HasMaxLength(7);
        row.HasMany(m => m.Bottles).WithOne().HasForeignKey(b => new { b.BenchId, b.MaterialId });
    }
}

internal sealed class BottleConfiguration : BenchRowConfiguration<BottleRow>
{
    protected override string Table => "bottles";

    protected override void More(EntityTypeBuilder<BottleRow> row)
    {
    }
}

internal sealed class CalibrationConfiguration : BenchRowConfiguration<CalibrationRow>
{
    protected override string Table => "calibrations";

    protected override void More(EntityTypeBuilder<CalibrationRow> row) =>
        row.HasOne<MaterialRow>().WithMany().HasForeignKey(c => new { c.BenchId, c.MaterialId }).OnDelete(DeleteBehavior.Cascade);
}
