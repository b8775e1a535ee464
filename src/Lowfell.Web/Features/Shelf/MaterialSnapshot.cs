using Lowfell.Core.Films;
using Lowfell.Core.Materials;

namespace Lowfell.Web.Features.Shelf;

/// <summary>The film of a painted stripe.</summary>
/// <param name="Absorption">K, 36 bands, per um.</param>
/// <param name="Scattering">S, 36 bands, per um.</param>
/// <param name="Surface">Reflectance of the surface.</param>
/// <param name="Kappa">Surface term over the nominal one of the sheen.</param>
public sealed record FilmSnapshot(double[] Absorption, double[] Scattering, double Surface, double Kappa);

/// <summary>A material as it was once, whole, so that it can be told later what has changed.</summary>
/// <param name="Id">Its id then.</param>
/// <param name="Material">Its figures then.</param>
/// <param name="Film">Its measured film, where it had one.</param>
public sealed record MaterialSnapshot(Guid Id, MaterialDraft Material, FilmSnapshot? Film)
{
    /// <summary>Of a material now: what it looks like is written out, so that a later change of its family does not change it.</summary>
    public static MaterialSnapshot Of(Material m) =>
        new(m.Id, MaterialDraft.Of(m) with { ContrastRatio = m.ContrastRatio, ReferenceFilmUm = m.ReferenceFilmUm, VolumeSolids = m.VolumeSolids, Sheen = m.Sheen, UndertonePower = m.UndertonePower }, m.OwnFilm is { } f ? new(f.AbsorptionPerUm, f.ScatteringPerUm, f.SurfaceTerm, f.Kappa) : null);

    /// <summary>As Core knows it.</summary>
    public Material ToCore() => Material.ToCore(Id) with
    {
        OwnFilm = Film is { } f ? new MeasuredFilm(f.Absorption, f.Scattering, f.Surface, f.Kappa) : null,
    };
}
