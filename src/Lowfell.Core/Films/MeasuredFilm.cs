namespace Lowfell.Core.Films;

/// <summary>The film of one bottle, solved from a stripe that was painted over two fields.</summary>
public sealed class MeasuredFilm
{
    private readonly FilmOptics optics;

    /// <summary>From K and S.</summary>
    /// <param name="absorptionPerUm">K, 36 bands, per um.</param>
    /// <param name="scatteringPerUm">S, 36 bands, per um.</param>
    /// <param name="surfaceTerm">Reflectance of the surface.</param>
    /// <param name="kappa">Surface term over the nominal one of the sheen.</param>
    public MeasuredFilm(ReadOnlySpan<double> absorptionPerUm, ReadOnlySpan<double> scatteringPerUm, double surfaceTerm, double kappa)
    {
        optics = FilmOptics.Measured(absorptionPerUm, scatteringPerUm, surfaceTerm, kappa);
        ByHeight = [optics, optics, optics];
    }

    /// <summary>K, 36 bands, per um.</summary>
    public double[] AbsorptionPerUm => optics.AbsorptionPerUm.ToArray();

    /// <summary>S, 36 bands, per um.</summary>
    public double[] ScatteringPerUm => optics.ScatteringPerUm.ToArray();

    /// <summary>Reflectance of the surface.</summary>
    public double SurfaceTerm => optics.SurfaceTerm;

    /// <summary>Surface term over the nominal one of the sheen.</summary>
    public double Kappa => optics.Kappa;

    /// <summary>The film at recess, face and edge.</summary>
    internal FilmOptics[] ByHeight { get; }

    /// <summary>The film.</summary>
    public FilmOptics Optics => optics;
}
