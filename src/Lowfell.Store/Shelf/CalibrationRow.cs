namespace Lowfell.Store;

/// <summary>A stripe that was painted over two fields, with what it came to. Kept when another comes, so that a painter can go back.</summary>
public sealed class CalibrationRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>The material.</summary>
    public Guid MaterialId { get; set; }

    /// <summary>When it was accepted.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>What it looked like over black, #rrggbb.</summary>
    public required string OverBlack { get; set; }

    /// <summary>What it looked like over white, #rrggbb.</summary>
    public required string OverWhite { get; set; }

    /// <summary>Dry film, um.</summary>
    public double DryFilmUm { get; set; }

    /// <summary>K, 36 bands, per um.</summary>
    public required double[] Absorption { get; set; }

    /// <summary>S, 36 bands, per um.</summary>
    public required double[] Scattering { get; set; }

    /// <summary>Reflectance of the surface.</summary>
    public double Surface { get; set; }

    /// <summary>Surface term over the nominal one of the sheen.</summary>
    public double Kappa { get; set; }
}
