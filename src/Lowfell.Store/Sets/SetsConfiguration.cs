using Lowfell.Core.Surfaces;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

internal sealed class SetConfiguration : BenchRowConfiguration<SetRow>
{
    protected override string Table => "sets";

    protected override void More(EntityTypeBuilder<SetRow> row)
    {
        row.Property(s => s.Scale).HasDefaultValue(Zone.UsualScale);
        row.Property(s => s.ViewingMm).HasDefaultValue(Zone.UsualViewingMm);
        row.HasMany(s => s.Pieces).WithOne(p => p.Set).HasForeignKey(p => new { p.BenchId, p.SetId });
    }
}

internal sealed class BoardConfiguration : BenchRowConfiguration<BoardRow>
{
    protected override string Table => "boards";

    protected override void More(EntityTypeBuilder<BoardRow> row)
    {
        row.Property(b => b.Board).HasColumnType("text");
        row.HasOne(b => b.Set).WithOne().HasForeignKey<BoardRow>(b => new { b.BenchId, b.SetId }).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class WeatheringConfiguration : BenchRowConfiguration<WeatheringRow>
{
    protected override string Table => "weatherings";

    protected override void More(EntityTypeBuilder<WeatheringRow> row)
    {
        row.Property(w => w.Plan).HasColumnType("text");
        row.HasOne(w => w.Piece).WithOne().HasForeignKey<WeatheringRow>(w => new { w.BenchId, w.PieceId }).OnDelete(DeleteBehavior.Cascade);
    }
}

internal sealed class PieceConfiguration : BenchRowConfiguration<PieceRow>
{
    protected override string Table => "pieces";

    protected override void More(EntityTypeBuilder<PieceRow> row)
    {
        row.Ignore(p => p.AreaMm2);
        row.Ignore(p => p.TallMm);
        row.Property(p => p.FitMin).HasDefaultValue(5);
        row.Property(p => p.GlueMin).HasDefaultValue(60);
        row.HasOne<PieceRow>().WithMany().HasForeignKey(p => new { p.BenchId, p.PartOfId }).OnDelete(DeleteBehavior.SetNull);
        row.HasMany(p => p.Zones).WithOne(z => z.Piece).HasForeignKey(z => new { z.BenchId, z.PieceId });
    }
}

internal sealed class ZoneConfiguration : BenchRowConfiguration<ZoneRow>
{
    protected override string Table => "zones";

    protected override void More(EntityTypeBuilder<ZoneRow> row)
    {
        row.Property(z => z.Target).HasMaxLength(7);
        row.Property(z => z.TargetRecess).HasMaxLength(7);
        row.Property(z => z.TargetEdge).HasMaxLength(7);
        row.Property(z => z.CrackColour).HasMaxLength(7);
        row.Property(z => z.LitEdges).HasDefaultValue(1);
        row.OwnsMany(z => z.Mates, m => m.ToJson());
        row.OwnsMany(z => z.Repairs, r =>
        {
            r.ToJson();
            r.OwnsMany(x => x.Steps);
        });
        row.Property(z => z.Fitting).HasDefaultValue(Fitting.Free);
        row.HasOne(z => z.Scheme).WithMany().HasForeignKey(z => new { z.BenchId, z.SchemeId }).OnDelete(DeleteBehavior.Restrict);
    }
}

internal sealed class StampConfiguration : BenchRowConfiguration<StampRow>
{
    protected override string Table => "stamps";

    protected override string[] Key => [nameof(StampRow.Kind), nameof(StampRow.OfId)];

    protected override void More(EntityTypeBuilder<StampRow> row)
    {
        row.Property(s => s.Source).HasMaxLength(64);
        row.Property(s => s.Content).HasColumnType("text");
    }
}
