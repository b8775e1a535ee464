using Lowfell.Core.Materials;
using Lowfell.Web.Features.Shelf;

namespace Lowfell.Web.Devices;

/// <summary>A scale on the bench.</summary>
public interface IBenchScale
{
    /// <summary>What it shows now.</summary>
    ScaleView Read();

    /// <summary>Tares, and lets drops fall on it.</summary>
    void Drip(Material material, int drops);
}

/// <summary>
/// A stand-in for a scale of 0.01 g: what falls on it is approached within a second or two, with noise until it has settled and a
/// last digit that still jumps. Each bottle drips a little differently from its family, as real tips do, and always the same.
/// </summary>
/// <param name="clock">Time.</param>
public sealed class SimulatedScale(TimeProvider clock) : IBenchScale
{
    private const double SettlingS = 0.5;
    private const double SteadyAfterS = 2;
    private const double GrainG = 0.01;
    private const double TipSpread = 0.15;
    private readonly Lock gate = new();
    private double grams;
    private long since = clock.GetTimestamp();

    /// <inheritdoc/>
    public void Drip(Material material, int drops)
    {
        lock (gate)
        {
            var family = Thinners.StandardDropMl * material.Family.Facts().DropFactor;
            var tip = 1 + (TipSpread * (((material.Id.ToByteArray()[15] + material.Id.ToByteArray()[7]) % 101 / 50.0) - 1));
            grams = drops * family * tip * material.DensityGPerMl;
            since = clock.GetTimestamp();
        }
    }

    /// <inheritdoc/>
    public ScaleView Read()
    {
        lock (gate)
        {
            var elapsed = clock.GetElapsedTime(since).TotalSeconds;
            var unrest = Math.Exp(-elapsed / SettlingS);
            var noise = (Random.Shared.NextDouble() - 0.5) * (GrainG + (unrest * grams * 0.2));
            var shown = Math.Max(0, Math.Round(((grams * (1 - unrest)) + noise) / GrainG) * GrainG);
            return new(Math.Round(shown, 2), elapsed >= SteadyAfterS);
        }
    }
}
