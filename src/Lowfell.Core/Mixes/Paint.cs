using Lowfell.Core.Colour;
using Lowfell.Core.Materials;

namespace Lowfell.Core.Mixes;

/// <summary>What a coat is made of before its own thinner: one material, or a mix unfolded and blended.</summary>
public sealed class Paint
{
    private Paint(string name, Material lead, IReadOnlyList<FilmOptics> optics, double volumeSolids, double paintShare, double dropMl, bool clashes, MixContent content)
    {
        Content = content;
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

    /// <summary>What a home-made mix counts as, where that is not its main paint.</summary>
    public Family? CountsAs { get; private init; }

    /// <summary>What it holds by volume, nested mixes unfolded.</summary>
    public MixContent Content { get; }

    /// <summary>A coat of one material.</summary>
    public static Paint Of(Material material) =>
        new(material.Name, material, material.Optics(), material.VolumeSolids, 1, material.DropMl, false, new([(material, 1)], []));

    /// <summary>A coat of a mix: K, S and surface averaged by parts x volume solids.</summary>
    /// <exception cref="ArgumentException">The mix holds no volume or paint, or contains itself.</exception>
    public static Paint Of(Mix mix)
    {
        var content = MixContent.Of(mix);
        var most = content.Materials.MaxBy(m => m.Share).Material;
        var lead = mix.CountsAs is { } family ? most with { Family = family } : most;
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
        var dropMl = content.Mean(m => m.DropMl, t => t.DropMl());
        return new(mix.Name, lead, optics, solids, content.PaintFraction, dropMl, carriers > 1, content) { CountsAs = mix.CountsAs };
    }

    /// <summary>The same paint with one of its materials in the place of another, share by share.</summary>
    public Paint With(Guid materialId, Material other)
    {
        if (Content.Materials is [var (only, _)] && Content.Thinners.Count == 0 && ReferenceEquals(only, Lead))
        {
            return only.Id == materialId ? Of(other) : this;
        }

        var components = Content.Materials.Select(m => new MixComponent(m.Share, MixUnit.Ml, m.Material.Id == materialId ? other : m.Material))
            .Concat(Content.Thinners.Select(t => new MixComponent(t.Share, MixUnit.Ml, Thinner: t.Thinner)));
        return Of(new Mix(Name, [.. components], CountsAs));
    }
}
