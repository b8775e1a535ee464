using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Mixes;

/// <summary>How a component of a mix is measured.</summary>
public enum MixUnit
{
    /// <summary>Parts by volume; one part is one millilitre where other units stand beside it.</summary>
    Parts,

    /// <summary>Drops; their size differs by liquid.</summary>
    Drops,

    /// <summary>Millilitres.</summary>
    Ml,

    /// <summary>Grams, by the density of the family.</summary>
    Grams,
}

/// <summary>One component: a material, a mix within the mix, or a thinner.</summary>
/// <param name="Amount">How much, above 0.</param>
/// <param name="Unit">In what.</param>
/// <param name="Material">A material, or null.</param>
/// <param name="Mix">A mix, or null.</param>
/// <param name="Thinner">A thinner, or null.</param>
public sealed record MixComponent(double Amount, MixUnit Unit, Material? Material = null, Mix? Mix = null, Thinner? Thinner = null)
{
    /// <summary>What it is called.</summary>
    public string Name => Material?.Name ?? Mix?.Name ?? Thinner?.Word() ?? "";

    /// <summary>Volume of one drop of it, ml; of a nested mix, the mean of what is in it.</summary>
    public double DropMl => Material?.DropMl ?? Thinner?.DropMl() ?? MixContent.Unfold(Mix!).Mean(m => m.DropMl, t => t.DropMl());

    /// <summary>Density, g/ml; of a nested mix, the mean of what is in it.</summary>
    public double DensityGPerMl => Material?.DensityGPerMl ?? Thinner?.DensityGPerMl() ?? MixContent.Unfold(Mix!).Mean(m => m.DensityGPerMl, t => t.DensityGPerMl());

    /// <summary>Its volume, ml; a part counts as a millilitre.</summary>
    public double Ml => Unit switch
    {
        MixUnit.Drops => Amount * DropMl,
        MixUnit.Grams => Amount / DensityGPerMl,
        _ => Amount,
    };
}

/// <summary>A recipe: any number of components, nested.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Components">What goes in, at least one.</param>
/// <param name="CountsAs">What the rules, rates and drying take it for where that is not its main paint: a wash or a skim made at home.</param>
public sealed record Mix(string Name, IReadOnlyList<MixComponent> Components, Family? CountsAs = null);

/// <summary>What is in a mix when every nested mix is unfolded. Volume adds up (ideal mixing).</summary>
/// <param name="Materials">Volume share of each material, of the whole mix.</param>
/// <param name="Thinners">Volume share of each thinner.</param>
public sealed record MixContent(IReadOnlyList<(Material Material, double Share)> Materials, IReadOnlyList<(Thinner Thinner, double Share)> Thinners)
{
    /// <summary>Deepest nesting that is followed.</summary>
    public const int DeepestNesting = 16;

    /// <summary>Share of paint, rather than thinner, in the mix.</summary>
    public double PaintFraction => Materials.Sum(m => m.Share);

    /// <summary>Unfolds a mix.</summary>
    /// <exception cref="ArgumentException">The mix holds no volume, no material, or is nested more than 16 deep (or in itself).</exception>
    public static MixContent Of(Mix mix)
    {
        var content = Unfold(mix);
        return content.Materials.Count == 0 ? throw new ArgumentException($"Mix '{mix.Name}' holds no paint.", nameof(mix)) : content;
    }

    /// <summary>As <see cref="Of"/>, for a mix that may be of thinners alone.</summary>
    internal static MixContent Unfold(Mix mix)
    {
        var materials = new Dictionary<Material, double>(ReferenceEqualityComparer.Instance);
        var thinners = new Dictionary<Thinner, double>();
        Add(mix, 1, 0, materials, thinners);
        return new([.. materials.Select(p => (p.Key, p.Value))], [.. thinners.Select(p => (p.Key, p.Value))]);
    }

    /// <summary>A figure of what is in it, averaged by volume.</summary>
    internal double Mean(Func<Material, double> ofMaterial, Func<Thinner, double> ofThinner) =>
        Materials.Sum(m => m.Share * ofMaterial(m.Material)) + Thinners.Sum(t => t.Share * ofThinner(t.Thinner));

    private static void Add(Mix mix, double share, int depth, Dictionary<Material, double> materials, Dictionary<Thinner, double> thinners)
    {
        if (depth > DeepestNesting)
        {
            throw new ArgumentException($"Mix '{mix.Name}' is nested more than {DeepestNesting} deep, or contains itself.", nameof(mix));
        }

        var volumes = mix.Components.Select(c => c.Ml).ToArray();
        var total = volumes.Sum();
        if (!(total > 0))
        {
            throw new ArgumentException($"Mix '{mix.Name}' has no volume.", nameof(mix));
        }

        for (var i = 0; i < volumes.Length; i++)
        {
            var part = share * volumes[i] / total;
            var component = mix.Components[i];
            if (component.Mix is { } inner)
            {
                Add(inner, part, depth + 1, materials, thinners);
            }
            else if (component.Material is { } material)
            {
                materials[material] = materials.GetValueOrDefault(material) + part;
            }
            else if (component.Thinner is { } thinner)
            {
                thinners[thinner] = thinners.GetValueOrDefault(thinner) + part;
            }
        }
    }
}
