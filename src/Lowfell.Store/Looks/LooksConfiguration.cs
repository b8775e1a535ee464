using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

internal sealed class PieceLookConfiguration : BenchRowConfiguration<PieceLookRow>
{
    protected override string Table => "piece_looks";

    protected override void More(EntityTypeBuilder<PieceLookRow> row)
    {
        row.HasOne(l => l.Piece).WithOne().HasForeignKey<PieceLookRow>(l => new { l.BenchId, l.PieceId }).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class MeshConfiguration : BenchRowConfiguration<MeshRow>
{
    protected override string Table => "meshes";

    protected override void More(EntityTypeBuilder<MeshRow> row) => row.HasIndex(m => m.UsedAt);
}

internal sealed class LookPictureConfiguration : BenchRowConfiguration<LookPictureRow>
{
    protected override string Table => "look_pictures";

    protected override void More(EntityTypeBuilder<LookPictureRow> row) => row.HasIndex(m => m.UsedAt);
}

internal sealed class ReferenceConfiguration : BenchRowConfiguration<ReferenceRow>
{
    protected override string Table => "reference_pictures";

    protected override void More(EntityTypeBuilder<ReferenceRow> row)
    {
        row.HasQueryFilter(LowfellDb.NotDeleted, r => r.DeletedAt == null);
        row.Property(r => r.GreyIs).HasMaxLength(7);
        row.OwnsMany(r => r.Picks, p => p.ToJson());
        row.HasOne<SetRow>().WithMany().HasForeignKey(r => new { r.BenchId, r.SetId }).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<PieceRow>().WithMany().HasForeignKey(r => new { r.BenchId, r.PieceId }).OnDelete(DeleteBehavior.Cascade);
        row.HasOne<PhotoRow>().WithMany().HasForeignKey(r => new { r.BenchId, r.PhotoId }).OnDelete(DeleteBehavior.Restrict);
    }
}
