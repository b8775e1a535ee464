using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Web.Devices;

/// <summary>What a colour reader shows.</summary>
/// <param name="Colour">Colour, #rrggbb; none while it is aimed at nothing.</param>
/// <param name="Steady">Whether it has settled.</param>
public sealed record ReaderView(string? Colour, bool Steady);

/// <summary>A colour reader on the bench.</summary>
public interface IColourReader
{
    /// <summary>What it shows now.</summary>
    ReaderView Read();

    /// <summary>Lays it on a field, bare or under a stripe.</summary>
    /// <param name="stripe">The paint of the stripe; null for the bare field.</param>
    /// <param name="onWhite">The white field; else the black one.</param>
    /// <param name="dryFilmUm">Dry film of the stripe, um.</param>
    void Aim(Material? stripe, bool onWhite, double dryFilmUm);
}

/// <summary>
/// A stand-in for a reader of display colours: it comes to rest within two seconds, and its last digit still wavers. Each bottle that it
/// reads differs a little from what is declared of it, as real bottles do, and always in the same way.
/// </summary>
/// <param name="clock">Time.</param>
public sealed class SimulatedReader(TimeProvider clock) : IColourReader
{
    private const double SettlingS = 0.4;
    private const double SteadyAfterS = 1.6;
    private const double Noise = 0.25;
    private static readonly Srgb Black = Srgb.Parse("#1a1a1a");
    private static readonly Srgb White = Srgb.Parse("#ececea");
    private readonly Lock gate = new();
    private Lab? seen;
    private long since = clock.GetTimestamp();

    /// <inheritdoc/>
    public void Aim(Material? stripe, bool onWhite, double dryFilmUm)
    {
        var field = onWhite ? White : Black;
        var colour = stripe is null ? field : StackedCard.Film(field, Bottle(stripe).Optics()[(int)ReliefHeight.Face], dryFilmUm);
        lock (gate)
        {
            (seen, since) = (colour.ToLab(), clock.GetTimestamp());
        }
    }

    /// <inheritdoc/>
    public ReaderView Read()
    {
        lock (gate)
        {
            if (seen is not { } lab)
            {
                return new(null, false);
            }

            var elapsed = clock.GetElapsedTime(since).TotalSeconds;
            var unrest = Math.Exp(-elapsed / SettlingS);
            double Waver() => ((Random.Shared.NextDouble() * 2) - 1) * (Noise + (10 * unrest));
            return new(new Lab(lab.L + Waver(), lab.A + Waver(), lab.B + Waver()).ToLinear().ToSrgb().ToString(), elapsed >= SteadyAfterS);
        }
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
            ContrastRatio = Math.Clamp(declared.ContrastRatio + (0.06 * Spread(12)), 0.05, 0.99),
            UndertonePower = Math.Clamp(declared.UndertonePower + (0.15 * Spread(11)), 0, 1),
        };
    }
}
