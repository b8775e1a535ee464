using Lowfell.Store;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Devices;

/// <summary>What the stand-ins for the devices of the open bench were last given; in the database, so that every host shows the same.</summary>
/// <param name="db">Database.</param>
/// <param name="clock">Time.</param>
public sealed class DeviceMemory(LowfellDb db, TimeProvider clock)
{
    /// <summary>Gives a device something to show, from now on.</summary>
    public async Task GiveAsync(Guid bench, DeviceKind kind, double[] shows, CancellationToken cancel)
    {
        var (name, now) = (kind.ToString(), clock.GetUtcNow());
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO devices ("BenchId", "Kind", "Since", "Shows") VALUES ({bench}, {name}, {now}, {shows})
            ON CONFLICT ("BenchId", "Kind") DO UPDATE SET "Since" = excluded."Since", "Shows" = excluded."Shows"
            """,
            cancel);
    }

    /// <summary>What a device shows, and for how many seconds it has; null where it was given nothing yet.</summary>
    public async Task<(double[] Shows, double Seconds)?> OfAsync(DeviceKind kind, CancellationToken cancel) =>
        await db.Devices.AsNoTracking().SingleOrDefaultAsync(d => d.Kind == kind, cancel) is { } device ? (device.Shows, Math.Max(0, (clock.GetUtcNow() - device.Since).TotalSeconds)) : null;
}
