using System.Text.Json;
using Lowfell.Core.Materials;
using Lowfell.Web.Hosting;

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
    private static readonly JsonSerializerOptions Json = Options();

    /// <summary>Of a material now.</summary>
    public static MaterialSnapshot Of(Material m) =>
        new(m.Id, MaterialDraft.Of(m), m.OwnFilm is { } f ? new(f.AbsorptionPerUm, f.ScatteringPerUm, f.SurfaceTerm, f.Kappa) : null);

    /// <summary>As Core knows it.</summary>
    public Material ToCore() => Material.ToCore(Id) with
    {
        OwnFilm = Film is { } f ? new MeasuredFilm(f.Absorption, f.Scattering, f.Surface, f.Kappa) : null,
    };

    /// <summary>Writes something that is kept.</summary>
    public static string Write<T>(T value) => JsonSerializer.Serialize(value, Json);

    /// <summary>Reads something that was kept.</summary>
    public static T Read<T>(string text) => JsonSerializer.Deserialize<T>(text, Json) ?? throw new JsonException("Nothing is kept here.");

    private static JsonSerializerOptions Options()
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web);
        LowfellHost.Json(options);

        // What is null is not written.
        options.RespectRequiredConstructorParameters = false;

        // What was kept by an older version may hold fields that are no longer known.
        options.UnmappedMemberHandling = System.Text.Json.Serialization.JsonUnmappedMemberHandling.Skip;
        return options;
    }
}
