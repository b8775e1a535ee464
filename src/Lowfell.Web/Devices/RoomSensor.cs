using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Devices;

/// <summary>What the room sensor shows.</summary>
/// <param name="At">When.</param>
/// <param name="TemperatureC">Temperature, C.</param>
/// <param name="Humidity">Relative humidity, 0..1.</param>
public sealed record RoomReading(DateTimeOffset At, double TemperatureC, double Humidity);

/// <summary>A sensor for the air of the room.</summary>
public interface IRoomSensor
{
    /// <summary>What it shows now.</summary>
    RoomReading Read();
}

/// <summary>A stand-in for a room sensor: a room that is coolest before dawn and dampest when it is cool, with a little noise.</summary>
/// <param name="clock">Time.</param>
public sealed class SimulatedRoom(TimeProvider clock) : IRoomSensor
{
    private const double MeanC = 17;
    private const double SwingC = 2.2;
    private const double MeanHumidity = 0.60;
    private const double SwingHumidity = 0.07;
    private const double WarmestHour = 16;

    /// <inheritdoc/>
    public RoomReading Read()
    {
        var now = clock.GetUtcNow();
        var curve = Math.Cos(2 * Math.PI * (now.TimeOfDay.TotalHours - WarmestHour) / 24);
        double Noise(double size) => size * ((Random.Shared.NextDouble() * 2) - 1);
        return new(now, Math.Round(MeanC + (SwingC * curve) + Noise(0.15), 1), Math.Round(MeanHumidity - (SwingHumidity * curve) + Noise(0.008), 3));
    }
}

/// <summary>Keeps a reading of every bench's room each quarter of an hour.</summary>
/// <param name="services">Where a database context is opened.</param>
/// <param name="sensor">The sensor.</param>
/// <param name="clock">Time.</param>
/// <param name="log">Where a database that is away is told of.</param>
public sealed class RoomWatch(IServiceProvider services, IRoomSensor sensor, TimeProvider clock, ILogger<RoomWatch> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromMinutes(15);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, clock);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await KeepAllAsync(stoppingToken);
            }
            catch (Exception away) when (ProblemHandler.IsDatabaseAway(away))
            {
                log.LogWarning("The reading of {At} is lost: the database is away", clock.GetUtcNow());
            }
        }
    }

    // Each bench has a room of its own.
    private async Task KeepAllAsync(CancellationToken cancel)
    {
        List<Guid> benches;
        await using (var all = services.CreateAsyncScope())
        {
            benches = await all.ServiceProvider.GetRequiredService<LowfellDb>().Benches.Select(b => b.Id).ToListAsync(cancel);
        }

        foreach (var bench in benches)
        {
            await using var scope = services.CreateAsyncScope();
            scope.ServiceProvider.GetRequiredService<OpenBench>().Open(bench);
            await KeepAsync(scope.ServiceProvider.GetRequiredService<LowfellDb>(), sensor.Read(), cancel);
        }
    }

    /// <summary>Keeps a reading.</summary>
    internal static async Task KeepAsync(LowfellDb db, RoomReading reading, CancellationToken cancel)
    {
        db.RoomReadings.Add(new() { Id = Guid.CreateVersion7(), At = reading.At, TemperatureC = reading.TemperatureC, Humidity = reading.Humidity });
        await db.SaveChangesAsync(cancel);
    }
}
