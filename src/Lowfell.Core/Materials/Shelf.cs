using Lowfell.Core.Colour;
using Lowfell.Core.Films;

namespace Lowfell.Core.Materials;

/// <summary>The materials that mends may reach for.</summary>
/// <param name="Materials">What is on the shelf.</param>
public sealed record Shelf(IReadOnlyList<Material> Materials)
{
    /// <summary>Stands for a bench that nobody has told of: what is not on it may be had all the same.</summary>
    public bool MayInvent { get; init; }

    /// <summary>What there is to paint with; everything, as long as nobody has told.</summary>
    public Tools Tools { get; init; } = Tools.All;

    /// <summary>The few plain things that every bench has, for drafts that come without a shelf.</summary>
    public static Shelf Staples { get; } = new([
        Staple(1, "Clear satin varnish", Family.VarnishWater, "#f2f1ec", Sheen.Satin),
        Staple(2, "Clear gloss varnish", Family.VarnishWater, "#f4f4f1", Sheen.Gloss),
        Staple(3, "Clear matt varnish", Family.VarnishWater, "#efeee9", Sheen.Matt),
        Staple(4, "Satin varnish can", Family.VarnishLacquer, "#f2f1ec", Sheen.Satin),
        Staple(5, "Gloss varnish can", Family.VarnishLacquer, "#f4f4f1", Sheen.Gloss),
        Staple(6, "Matt varnish can", Family.VarnishLacquer, "#efeee9", Sheen.Matt),
        Staple(7, "PVA glue", Family.Pva, "#f3f2ee"),
        Staple(8, "White primer", Family.PrimerWater, "#f0efeb"),
        Staple(9, "Bone primer", Family.PrimerWater, "#d9cfb4"),
        Staple(10, "Acrylic medium", Family.AcrylicMedium, "#f1f0ea"),
        Staple(11, "Grey primer can", Family.PrimerAerosol, "#8a8a86"),
    ])
    {
        MayInvent = true,
    };

    private static Material Staple(byte number, string name, Family family, string colour, Sheen? sheen = null) => new()
    {
        Id = new Guid(0x10f0e11, 0x57a9, 0x1e, 0, 0, 0, 0, 0, 0, 0, number),
        Name = name,
        Family = family,
        Colour = Srgb.Parse(colour),
        OwnSheen = sheen,
    };

    /// <summary>Varnishes of a sheen, by family and name.</summary>
    public IEnumerable<Material> Varnishes(Sheen sheen) =>
        Materials.Where(m => m.Family.IsVarnish() && m.Sheen == sheen).OrderBy(m => m.Family).ThenBy(m => m.Name, StringComparer.Ordinal);

    /// <summary>Sealers: PVA, varnishes and water-borne primers.</summary>
    public IEnumerable<Material> Sealers() =>
        Materials.Where(m => m.Family.Facts() is { Seals: true, EatsFoam: false }).OrderBy(m => m.Family).ThenBy(m => m.Name, StringComparer.Ordinal);

    /// <summary>Of the materials asked for, the one that is nearest in colour.</summary>
    public Material? Nearest(Srgb colour, Func<Material, bool> which)
    {
        var lab = colour.ToLab();
        return Materials.Where(which).MinBy(m => ColourDifference.Ciede2000(lab, m.Colour.ToLab()));
    }

    /// <summary>The first material of a family.</summary>
    public Material? First(Family family) => Materials.Where(m => m.Family == family).MinBy(m => m.Name, StringComparer.Ordinal);
}
