using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Tests;

/// <summary>Small builders: a craft sentence in a test should read like one.</summary>
internal static class Build
{
    private static int next;

    public static Material Paint(string colour, double contrast = 0.92, double film = 20, string name = "Rope Tan", Family family = Family.AcrylicPaint, Sheen sheen = Sheen.Matt, double solids = 0.36, double undertone = 0) => new()
    {
        Id = NewId(),
        Name = name,
        Family = family,
        Colour = Srgb.Parse(colour),
        OwnContrastRatio = contrast,
        OwnReferenceFilmUm = film,
        OwnVolumeSolids = solids,
        OwnSheen = sheen,
        OwnUndertonePower = undertone,
    };

    public static Material RopeTan => Paint("#b59a6b");

    public static Material Lampblack => Paint("#1c1c1e", 0.98, 5, "Lampblack");

    public static Material SaltWhite => Paint("#f0efe9", 0.85, 20, "Salt White");

    public static Material BuoyYellow => Paint("#f0c020", 0.72, 20, "Buoy Yellow");

    public static Material KelpWash => Paint("#3b2a1c", 0.60, 20, "Kelp Wash", Family.AcrylicWash, Sheen.Satin, 0.12, 0.5);

    public static Material TarWash => Paint("#2a211b", 0.60, 20, "Tar Wash", Family.EnamelWash, Sheen.Satin, 0.12, 0.5);

    public static Material Varnish(Sheen sheen, Family family = Family.VarnishWater) => Paint("#f2f1ec", name: $"{sheen} varnish", family: family, sheen: sheen, solids: 0.3);

    public static Material Of(Family family, string colour = "#8a8070", Sheen sheen = Sheen.Matt) => Paint(colour, family: family, name: family.ToString(), sheen: sheen);

    public static Coat Coat(Technique technique, Material? material = null, int passes = 1, double? fraction = null, Thinner? thinner = null)
    {
        var usual = material is null ? 1 : technique.UsualFraction(material.Family);
        var coat = new Coat
        {
            Id = NewId(),
            Technique = technique,
            Passes = passes,
            Dilution = Dilution.Of(fraction ?? usual),
            Thinner = thinner ?? material?.Family.Facts().OwnThinner ?? Thinner.Water,
        };
        return material is null ? coat : coat.Of(material);
    }

    public static Zone Zone(Relief relief = Relief.Textured, Substrate substrate = Substrate.Resin) => new() { Relief = relief, Substrate = substrate };

    public static StackDraft Stack(Zone zone, params Coat[] coats) => new(zone, new Schools(), coats);

    public static StackDraft Stack(params Coat[] coats) => Stack(Zone(), coats);

    public static IReadOnlyList<Finding> Read(this StackDraft draft) => RuleBook.Read(draft, Predictor.Predict(draft));

    public static bool Has(this StackDraft draft, string rule) => draft.Read().Any(f => f.Rule.Id == rule);

    /// <summary>A small shelf over the families that mends reach for.</summary>
    public static Shelf Shelf { get; } = new([.. Core.Materials.Shelf.Staples.Materials, RopeTan, Lampblack, SaltWhite, BuoyYellow, KelpWash, TarWash,
        Paint("#7a8f6a", 0.95, name: "Sluice Green"), Paint("#8a5a3a", name: "Pan Rust"), Paint("#d8cba4", 0.88, name: "Bone"),
        Paint("#e8dcc0", 0.88, family: Family.PrimerWater, name: "Pale primer")]);

    public static Guid NewId() => new(Interlocked.Increment(ref next), 0, 0, 0, 0, 0, 0, 0, 0, 0, 1);
}
