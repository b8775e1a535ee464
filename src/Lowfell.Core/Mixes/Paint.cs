using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Mixes;

/// <summary>What a coat is made of before its own thinner: one material, or a mix unfolded and blended.</summary>
public sealed class Paint
{
    private readonly int carriers;

    private Paint(string name, Material lead, IReadOnlyList<FilmOptics> optics, double volumeSolids, double paintShare, double dropMl, MixContent content)
    {
        Content = content;
        foreach (var (material, share) in content.Materials)
        {
            var facts = material.Family.Facts();
            carriers |= 1 << (int)facts.Carrier;
            Slowed += facts.Slows * share;
        }

        foreach (var (thinner, _) in content.Thinners)
        {
            carriers |= 1 << (int)thinner.AsCarrier();
        }

        carriers &= ~(1 << (int)Carrier.None);
        Slowed++;
        Name = name;
        Lead = lead;
        Optics = optics;
        VolumeSolids = volumeSolids;
        PaintShare = paintShare;
        DropMl = dropMl;
    }

    /// <summary>Name of the material or mix.</summary>
    public string Name { get; }

    /// <summary>The material that makes up most of the volume: family, sheen and drying go by it.</summary>
    public Material Lead { get; }

    /// <summary>Films on recess, face and edge.</summary>
    public IReadOnlyList<FilmOptics> Optics { get; }

    /// <summary>Dry over wet volume of the whole, its own thinners counted.</summary>
    public double VolumeSolids { get; }

    /// <summary>Share of paint in it by volume: below 1 for a mix that already holds thinner or medium.</summary>
    public double PaintShare { get; }

    /// <summary>Volume of one drop, ml.</summary>
    public double DropMl { get; }

    /// <summary>True where the mix brings together liquids that do not mix.</summary>
    public bool MixesCarriers => int.PopCount(carriers) > 1;

    /// <summary>Whether any of what is in it is carried by this liquid, or is it.</summary>
    public bool Holds(Carrier carrier) => (carriers & (1 << (int)carrier)) != 0;

    /// <summary>How much longer it dries than its main paint alone: what slows it, by its share.</summary>
    public double Slowed { get; }

    /// <summary>Share of clear medium among what is in it that is not paint, of the whole.</summary>
    public double MediumShare => Content.Thinners.Where(t => t.Thinner.Facts().Binds).Sum(t => t.Share) + Content.Materials.Where(m => m.Material.Family.Facts().Kind == Kind.Medium).Sum(m => m.Share);

    /// <summary>What a home-made mix counts as, where that is not its main paint.</summary>
    public Family? CountsAs { get; private init; }

    /// <summary>What it holds by volume, nested mixes unfolded.</summary>
    public MixContent Content { get; }

    /// <summary>A coat of one material.</summary>
    public static Paint Of(Material material) =>
        new(material.Name, material, material.Optics(), material.VolumeSolids, 1, material.DropMl, new([(material, 1)], []));

    /// <summary>A coat of a mix: K, S and surface averaged by parts x volume solids.</summary>
    /// <remarks>What thins or slows a paint is not what it is: the main paint leads, however much medium is in it.</remarks>
    /// <exception cref="ArgumentException">The mix holds no volume or paint, or contains itself.</exception>
    public static Paint Of(Mix mix)
    {
        var content = MixContent.Of(mix);
        var coloured = content.Materials.Where(m => !m.Material.IsMedium).DefaultIfEmpty(content.Materials.MaxBy(m => m.Share)).ToList();
        var most = coloured.MaxBy(m => m.Share).Material;
        var lead = mix.CountsAs is { } family ? most with { Family = family } : most;
        var medium = content.Thinners.Where(t => t.Thinner.Facts().Binds).Sum(t => t.Share);
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

        var dropMl = content.Mean(m => m.DropMl, t => t.DropMl());
        return new(mix.Name, lead, optics, solids, coloured.Sum(m => m.Share), dropMl, content) { CountsAs = mix.CountsAs };
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
