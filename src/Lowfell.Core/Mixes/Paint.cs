using Lowfell.Core.Colour;
using Lowfell.Core.Materials;

namespace Lowfell.Core.Mixes;

/// <summary>What a coat is made of before its own thinner: one material, or a mix unfolded and blended.</summary>
public sealed class Paint
{
    private Paint(string name, Material lead, IReadOnlyList<FilmOptics> optics, double volumeSolids, double paintShare, double dropMl, bool clashes)
    {
        Name = name;
        Lead = lead;
        Optics = optics;
        VolumeSolids = volumeSolids;
        PaintShare = paintShare;
        DropMl = dropMl;
        MixesCarriers = clashes;
    }

    /// <summary>Name of the material or mix.</summary>
    public string Name { get; }

    /// <summary>The material that makes up most of the volume: family, sheen and drying go by it.</summary>
    public Material Lead { get; }

    /// <summary>Films on recess, face and edge.</summary>
    public IReadOnlyList<FilmOptics> Optics { get; }

    /// <summary>Dry over wet volume of the whole, its own thinners counted.</summary>
    public double VolumeSolids { get; }

    /// <summary>Share of paint in it by volume: below 1 for a mix that already holds thinner.</summary>
    public double PaintShare { get; }

    /// <summary>Volume of one drop, ml.</summary>
    public double DropMl { get; }

    /// <summary>True where the mix brings together liquids that do not mix.</summary>
    public bool MixesCarriers { get; }

    /// <summary>A coat of one material.</summary>
    public static Paint Of(Material material) =>
        new(material.Name, material, material.Optics(), material.VolumeSolids, 1, material.DropMl, false);

    /// <summary>A coat of a mix: K, S and surface averaged by parts x volume solids.</summary>
    /// <exception cref="ArgumentException">The mix holds no volume or paint, or contains itself.</exception>
    public static Paint Of(Mix mix)
    {
        var content = MixContent.Of(mix);
        var lead = content.Materials.MaxBy(m => m.Share).Material;
        var medium = content.Thinners.Where(t => t.Thinner == Thinner.AcrylicMedium).Sum(t => t.Share);
        var solids = content.Materials.Sum(m => m.Share * m.Material.VolumeSolids) + (medium * Thinners.MediumVolumeSolids);
        var optics = new FilmOptics[3];
        for (var height = 0; height < optics.Length; height++)
        {
            var parts = content.Materials.Select(m => (m.Material.Optics()[height], m.Share * m.Material.VolumeSolids)).ToList();
            if (medium > 0)
            {
                parts.Add((FilmOptics.Varnish(Sheen.Satin), medium * Thinners.MediumVolumeSolids));
            }

            optics[height] = FilmOptics.Mixture(parts);
        }

        var carriers = content.Materials.Select(m => m.Material.Family.Facts().Carrier)
            .Concat(content.Thinners.Select(t => t.Thinner.AsCarrier()))
            .Where(c => c != Carrier.None).Distinct().Count();
        var dropMl = content.Materials.Sum(m => m.Share * m.Material.DropMl) / content.PaintFraction;
        return new(mix.Name, lead, optics, solids, content.PaintFraction, dropMl, carriers > 1);
    }
}
