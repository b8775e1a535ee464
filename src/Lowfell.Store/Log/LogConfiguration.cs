using Lowfell.Core.Evenings.Facts;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

internal sealed class LogConfiguration : BenchRowConfiguration<LogRow>
{
    protected override string Table => "log";

    protected override void More(EntityTypeBuilder<LogRow> row)
    {
        row.HasIndex(l => new { l.BenchId, l.At, l.Id });
        row.HasIndex(l => new { l.BenchId, l.ZoneId, l.CoatId, l.Pass, l.Copy });
        row.HasIndex(l => new { l.BenchId, l.At }).IsDescending(false, true).HasDatabaseName("IX_log_readings")
            .HasFilter("\"Minutes\" > 0 OR \"SetUpMinutes\" > 0 OR \"Kind\" = 'Dry'");
        row.HasIndex(l => new { l.BenchId, l.OfId }).HasFilter("\"OfId\" IS NOT NULL");
        row.Property(l => l.Note).HasMaxLength(2000);
        row.Property(l => l.Notice).HasMaxLength(500).HasDefaultValue("");
        row.Property(l => l.Deviation).HasMaxLength(2000).HasDefaultValue("");
        row.Property(l => l.Cause).HasMaxLength(2000).HasDefaultValue("");
        row.Property(l => l.Remedy).HasMaxLength(2000).HasDefaultValue("");
        row.Property(l => l.Symptom).HasMaxLength(40).HasDefaultValue("");
        row.Property(l => l.CauseKey).HasMaxLength(40).HasDefaultValue("");
        row.HasIndex(l => new { l.BenchId, l.Symptom, l.CauseKey }).HasDatabaseName("IX_log_causes").HasFilter("\"CauseKey\" <> ''");
        row.Property(l => l.Who).HasDefaultValue("");
        row.Property(l => l.WorkedWith).HasDefaultValue(WorkedWith.Unsaid);
        row.Property(l => l.Taken).HasColumnType("text").HasDefaultValue("");
        row.Ignore(l => l.Step);
        row.Ignore(l => l.Then);
        row.HasOne<PieceRow>().WithMany().HasForeignKey(l => new { l.BenchId, l.PartId }).OnDelete(DeleteBehavior.Restrict);
        row.HasOne<MixRecordRow>().WithMany().HasForeignKey(l => new { l.BenchId, l.MixRecordId }).OnDelete(DeleteBehavior.SetNull);
        row.HasOne<PhotoRow>().WithMany().HasForeignKey(l => new { l.BenchId, l.PhotoId }).OnDelete(DeleteBehavior.Restrict);
    }
}

internal sealed class LogMarkConfiguration : BenchRowConfiguration<LogMarkRow>
{
    protected override string Table => "log_marks";

    protected override string[] Key => [nameof(LogMarkRow.SetId)];

    protected override void More(EntityTypeBuilder<LogMarkRow> row) =>
        row.HasOne<SetRow>().WithMany().HasForeignKey(m => new { m.BenchId, m.SetId }).OnDelete(DeleteBehavior.Cascade);
}

internal sealed class PhotoConfiguration : BenchRowConfiguration<PhotoRow>
{
    protected override string Table => "photos";

    protected override void More(EntityTypeBuilder<PhotoRow> row)
    {
    }
}
