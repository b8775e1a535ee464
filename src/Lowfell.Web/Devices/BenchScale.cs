using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Store;
using Lowfell.Web.Benches;

namespace Lowfell.Web.Devices;

/// <summary>What the bench scale shows.</summary>
/// <param name="Grams">Grams above tare.</param>
/// <param name="Steady">Whether it has settled.</param>
public sealed record ScaleView(double Grams, bool Steady);

/// <summary>A scale on the bench.</summary>
public interface IBenchScale
{
    /// <summary>What it shows now.</summary>
    Task<ScaleView> ReadAsync(CancellationToken cancel);

    /// <summary>Tares, and lets drops fall on it.</summary>
    Task DripAsync(Material material, int drops, CancellationToken cancel);
}

/// <summary>
/// A stand-in for a scale of 0.01 g: what falls on it is approached within a second or two, with noise until it has settled and a
/// last digit that still jumps. Each bottle drips a little differently from its family, as real tips do, and always the same.
/// </summary>
/// <param name="memory">What lies on it.</param>
/// <param name="open">The bench that it stands on.</param>
public sealed class SimulatedScale(DeviceMemory memory, OpenBench open) : IBenchScale
{
    private const double SettlingS = 0.5;
    private const double SteadyAfterS = 2;
    private const double GrainG = 0.01;
    private const double TipSpread = 0.15;

    /// <inheritdoc/>
    public Task DripAsync(Material material, int drops, CancellationToken cancel)
    {
        var family = Thinners.StandardDropMl * material.Family.Facts().DropFactor;
        var tip = 1 + (TipSpread * (((material.Id.ToByteArray()[15] + material.Id.ToByteArray()[7]) % 101 / 50.0) - 1));
        return memory.GiveAsync(open.BenchId, DeviceKind.Scale, [drops * family * tip * material.DensityGPerMl], cancel);
    }

    /// <inheritdoc/>
    public async Task<ScaleView> ReadAsync(CancellationToken cancel)
    {
        var (shows, seconds) = await memory.OfAsync(DeviceKind.Scale, cancel) ?? ([0], SteadyAfterS);
        var unrest = Math.Exp(-seconds / SettlingS);
        var noise = (Random.Shared.NextDouble() - 0.5) * (GrainG + (unrest * shows[0] * 0.2));
        var shown = Math.Max(0, Math.Round(((shows[0] * (1 - unrest)) + noise) / GrainG) * GrainG);
        return new(Math.Round(shown, 2), seconds >= SteadyAfterS);
    }
}
