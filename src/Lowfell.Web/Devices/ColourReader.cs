using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Surfaces;
using Lowfell.Store;
using Lowfell.Web.Benches;

namespace Lowfell.Web.Devices;

/// <summary>What a colour reader shows.</summary>
/// <param name="Colour">Colour, #rrggbb; none while it is aimed at nothing.</param>
/// <param name="Steady">Whether it has settled.</param>
public sealed record ReaderView(string? Colour, bool Steady);

/// <summary>A colour reader on the bench.</summary>
public interface IColourReader
{
    /// <summary>What it shows now.</summary>
    Task<ReaderView> ReadAsync(CancellationToken cancel);

    /// <summary>Lays it on a field, bare or under a stripe.</summary>
    /// <param name="stripe">The paint of the stripe; null for the bare field.</param>
    /// <param name="onWhite">The white field; else the black one.</param>
    /// <param name="dryFilmUm">Dry film of the stripe, um.</param>
    /// <param name="cancel">Cancels.</param>
    Task AimAsync(Material? stripe, bool onWhite, double dryFilmUm, CancellationToken cancel);
}

/// <summary>
/// A stand-in for a reader of display colours: it comes to rest within two seconds, and its last digit still wavers. Each bottle that it
/// reads differs a little from what is declared of it, as real bottles do, and always in the same way.
/// </summary>
/// <param name="memory">What it lies on.</param>
/// <param name="open">The bench that it belongs to.</param>
public sealed class SimulatedReader(DeviceMemory memory, OpenBench open) : IColourReader
{
    private const double SettlingS = 0.4;
    private const double SteadyAfterS = 1.6;
    private const double Noise = 0.25;
    private static readonly Srgb Black = Srgb.Parse("#1a1a1a");
    private static readonly Srgb White = Srgb.Parse("#ececea");

    /// <inheritdoc/>
    public Task AimAsync(Material? stripe, bool onWhite, double dryFilmUm, CancellationToken cancel)
    {
        var field = onWhite ? White : Black;
        var colour = stripe is null ? field : StackedCard.Film(field, Bottle(stripe).Optics()[(int)ReliefHeight.Face], dryFilmUm);
        var lab = colour.ToLab();
        return memory.GiveAsync(open.BenchId, DeviceKind.Reader, [lab.L, lab.A, lab.B], cancel);
    }

    /// <inheritdoc/>
    public async Task<ReaderView> ReadAsync(CancellationToken cancel)
    {
        if (await memory.OfAsync(DeviceKind.Reader, cancel) is not ([var l, var a, var b], var seconds))
        {
            return new(null, false);
        }

        var unrest = Math.Exp(-seconds / SettlingS);
        double Waver() => ((Random.Shared.NextDouble() * 2) - 1) * (Noise + (10 * unrest));
        return new(new Lab(l + Waver(), a + Waver(), b + Waver()).ToLinear().ToSrgb().ToString(), seconds >= SteadyAfterS);
    }

    // What is truly in the bottle: a shade off its swatch, and hiding a little more or less than it says.
    private static Material Bottle(Material declared)
    {
        var seed = declared.Id.ToByteArray();
        double Spread(int at) => (seed[at] / 127.5) - 1;
        var lab = declared.Colour.ToLab();
        return declared with
        {
            OwnFilm = null,
            Colour = new Lab(Math.Clamp(lab.L + (2 * Spread(15)), 2, 98), lab.A + (2 * Spread(14)), lab.B + (2 * Spread(13))).ToLinear().ToSrgb(),
            OwnContrastRatio = Math.Clamp(declared.ContrastRatio + (0.06 * Spread(12)), 0.05, 0.99),
            OwnUndertonePower = Math.Clamp(declared.UndertonePower + (0.15 * Spread(11)), 0, 1),
        };
    }
}
