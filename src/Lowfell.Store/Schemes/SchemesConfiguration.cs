using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

internal sealed class SchemeConfiguration : BenchRowConfiguration<SchemeRow>
{
    protected override string Table => "schemes";

    protected override void More(EntityTypeBuilder<SchemeRow> row) => row.HasMany(s => s.Coats).WithOne().HasForeignKey(c => new { c.BenchId, c.SchemeId });
}

internal sealed class SchemeVersionConfiguration : BenchRowConfiguration<SchemeVersionRow>
{
    protected override string Table => "scheme_versions";

    protected override void More(EntityTypeBuilder<SchemeVersionRow> row)
    {
        row.Property(v => v.Coats).HasColumnType("text");
        row.HasIndex(v => new { v.BenchId, v.SchemeId, v.Until });
        row.HasOne<SchemeRow>().WithMany().HasForeignKey(v => new { v.BenchId, v.SchemeId }).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class CoatConfiguration : BenchRowConfiguration<CoatRow>
{
    protected override string Table => "coats";

    protected override string[] Key => [nameof(CoatRow.SchemeId), nameof(CoatRow.Id)];

    protected override void More(EntityTypeBuilder<CoatRow> row)
    {
        row.Property(c => c.Note).HasMaxLength(2000);
        row.Property(c => c.MixedTo).HasMaxLength(7);
        row.OwnsMany(c => c.Known, k => k.ToJson());
        row.HasOne<MaterialRow>().WithMany().HasForeignKey(c => new { c.BenchId, c.MaterialId }).OnDelete(DeleteBehavior.Restrict);
        row.HasOne<MixRow>().WithMany().HasForeignKey(c => new { c.BenchId, c.MixId }).OnDelete(DeleteBehavior.Restrict);
    }
}

internal sealed class OwnSchemeConfiguration : BenchRowConfiguration<OwnSchemeRow>
{
    protected override string Table => "own_schemes";

    protected override void More(EntityTypeBuilder<OwnSchemeRow> row)
    {
        row.HasIndex(s => new { s.BenchId, s.Name }).IsUnique();
        row.Property(s => s.Document).HasColumnType("text");
    }
}
