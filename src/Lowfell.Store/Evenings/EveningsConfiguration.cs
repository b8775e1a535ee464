using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

internal sealed class PlanConfiguration : BenchRowConfiguration<PlanRow>
{
    protected override string Table => "plans";

    protected override void More(EntityTypeBuilder<PlanRow> row)
    {
        row.HasIndex(p => p.BenchId).IsUnique().HasFilter("\"InForce\"").HasDatabaseName("IX_plans_in_force");
        row.Property(p => p.Request).HasColumnType("text");
        row.Property(p => p.Lots).HasColumnType("text");
        row.Property(p => p.Summary).HasColumnType("text");
    }
}

internal sealed class SolveConfiguration : BenchRowConfiguration<SolveRow>
{
    protected override string Table => "solves";

    protected override void More(EntityTypeBuilder<SolveRow> row)
    {
        row.HasIndex(s => new { s.BenchId, s.AskedAt });
        row.Property(s => s.Request).HasColumnType("text");
        row.Property(s => s.Progress).HasColumnType("text");
        row.Property(s => s.Message).HasMaxLength(2000);
        row.Property(s => s.Run).IsConcurrencyToken();
        row.HasIndex(s => s.Status).HasFilter("\"Status\" IN ('Waiting', 'Running')");
    }
}

internal sealed class LearnedAnswerConfiguration : BenchRowConfiguration<LearnedAnswerRow>
{
    protected override string Table => "learned_answers";

    protected override string[] Key => [nameof(LearnedAnswerRow.Key)];

    protected override void More(EntityTypeBuilder<LearnedAnswerRow> row)
    {
    }
}

internal sealed class WorkMarkConfiguration : BenchRowConfiguration<WorkMarkRow>
{
    protected override string Table => "work_marks";

    protected override string[] Key => [];

    protected override void More(EntityTypeBuilder<WorkMarkRow> row)
    {
    }
}
