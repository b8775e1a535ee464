using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>The materials that mends may reach for.</summary>
/// <param name="Materials">What is on the shelf.</param>
public sealed record Shelf(IReadOnlyList<Material> Materials)
{
    /// <summary>The few plain things that every bench has, for drafts that come without a shelf.</summary>
    public static Shelf Staples { get; } = new([
        Staple(1, "Clear satin varnish", Family.VarnishWater, "#f2f1ec", Sheen.Satin, 0.30),
        Staple(2, "Clear gloss varnish", Family.VarnishWater, "#f4f4f1", Sheen.Gloss, 0.30),
        Staple(3, "Clear matt varnish", Family.VarnishWater, "#efeee9", Sheen.Matt, 0.30),
        Staple(4, "Satin varnish can", Family.VarnishLacquer, "#f2f1ec", Sheen.Satin, 0.30),
        Staple(5, "Gloss varnish can", Family.VarnishLacquer, "#f4f4f1", Sheen.Gloss, 0.30),
        Staple(6, "Matt varnish can", Family.VarnishLacquer, "#efeee9", Sheen.Matt, 0.30),
        Staple(7, "PVA glue", Family.Pva, "#f3f2ee", Sheen.Satin, 0.45),
        Staple(8, "White primer", Family.PrimerWater, "#f0efeb", Sheen.Matt, 0.36, 0.85),
        Staple(9, "Bone primer", Family.PrimerWater, "#d9cfb4", Sheen.Matt, 0.36, 0.88),
        Staple(10, "Acrylic medium", Family.AcrylicMedium, "#f1f0ea", Sheen.Satin, 0.30),
    ]);

    private static Material Staple(byte number, string name, Family family, string colour, Sheen sheen, double solids, double contrast = 0.9) => new()
    {
        Id = new Guid(0x10f0e11, 0x57a9, 0x1e, 0, 0, 0, 0, 0, 0, 0, number),
        Name = name,
        Family = family,
        Colour = Srgb.Parse(colour),
        Sheen = sheen,
        VolumeSolids = solids,
        ContrastRatio = contrast,
    };

    // Asked by every finding that offers a barrier, at every keystroke: sorted and made into coats once a shelf.
    private readonly Lazy<ILookup<Sheen, Coat>> varnishCoats = new(() => Materials.Where(m => m.Family.IsVarnish())
        .OrderBy(m => m.Family).ThenBy(m => m.Name, StringComparer.Ordinal)
        .SelectMany(Barriers.VarnishCoats).ToLookup(c => c.Material!.Sheen));

    /// <summary>Varnishes of a sheen, water-borne first.</summary>
    internal IEnumerable<Material> Varnishes(Sheen sheen) => varnishCoats.Value[sheen].Select(c => c.Material!).Distinct();

    /// <summary>Coats of the varnishes of a sheen, by brush and by spray.</summary>
    internal IEnumerable<Coat> VarnishCoats(Sheen sheen) => varnishCoats.Value[sheen];

    /// <summary>Sealers: PVA, varnishes and water-borne primers.</summary>
    internal IEnumerable<Material> Sealers() =>
        Materials.Where(m => m.Family.Facts().Seals && m.Family is not Family.SuperGlue).OrderBy(m => m.Family).ThenBy(m => m.Name, StringComparer.Ordinal);

    /// <summary>Paint of one of these families that is nearest in colour.</summary>
    internal Material? Nearest(Srgb colour, params Family[] families)
    {
        var lab = colour.ToLab();
        return Materials.Where(m => families.Contains(m.Family)).MinBy(m => ColourDifference.Ciede2000(lab, m.Colour.ToLab()));
    }

    /// <summary>The first material of a family.</summary>
    internal Material? First(Family family) => Materials.Where(m => m.Family == family).MinBy(m => m.Name, StringComparer.Ordinal);
}
