using System.Text.Json;
using Lowfell.Core.Materials;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

internal sealed class BenchConfiguration : IEntityTypeConfiguration<Bench>
{
    public void Configure(EntityTypeBuilder<Bench> row)
    {
        row.ToTable("benches");
        row.Property(b => b.Id).ValueGeneratedNever();
        row.Property(b => b.Calendar).HasColumnType("text");
        row.Property(b => b.Schools).HasColumnType("jsonb").HasConversion(s => SchoolsJson.Write(s), text => SchoolsJson.Read(text)).HasDefaultValueSql("'{}'::jsonb");
        row.Property(b => b.Tools).HasColumnType("jsonb").HasConversion(t => JsonSerializer.Serialize(t, JsonSerializerOptions.Web), text => JsonSerializer.Deserialize<Tools>(text, JsonSerializerOptions.Web)!);
        row.Property(b => b.HoldsDemo).HasDefaultValue(false);
        row.Property(b => b.RoomC).HasDefaultValue(20);
        row.Property(b => b.RoomHumidity).HasDefaultValue(0.5);
        row.Property(b => b.RoomFan).HasDefaultValue(false);
        row.Property(b => b.CansFit).HasDefaultValue(true);
        row.Property(b => b.TrialFactor).HasDefaultValue(1.0);
        row.Property(b => b.TimeZone).HasDefaultValue("Etc/UTC");
        row.Property(b => b.Calendar).HasDefaultValue("");
        row.Property(b => b.CalendarVersion).HasDefaultValue(1);
        row.Property(b => b.SettingsVersion).HasDefaultValue(1);
        row.Property(b => b.FeedVersion).HasDefaultValue(1);
        row.Property(b => b.FeedHash).HasMaxLength(64).HasDefaultValue("");
    }
}

internal sealed class SentActionConfiguration : BenchRowConfiguration<SentActionRow>
{
    protected override string Table => "sent_actions";

    protected override void More(EntityTypeBuilder<SentActionRow> row)
    {
        row.Property(s => s.Hash).HasMaxLength(32);
        row.HasIndex(s => s.At);
    }
}

internal sealed class RoomReadingConfiguration : BenchRowConfiguration<RoomReadingRow>
{
    protected override string Table => "room_readings";

    protected override void More(EntityTypeBuilder<RoomReadingRow> row) => row.HasIndex(r => new { r.BenchId, r.At });
}

internal sealed class DeviceConfiguration : BenchRowConfiguration<DeviceRow>
{
    protected override string Table => "devices";

    protected override string[] Key => [nameof(DeviceRow.Kind)];

    protected override void More(EntityTypeBuilder<DeviceRow> row)
    {
    }
}
