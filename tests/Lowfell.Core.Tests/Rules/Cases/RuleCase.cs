using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Tests.Rules.Cases;

/// <summary>A stack that a rule has to find something in, or to leave in peace.</summary>
/// <param name="Rule">The rule.</param>
/// <param name="Name">What the painter does.</param>
/// <param name="Finds">How bad it is; null where the rule is silent.</param>
/// <param name="School">The school that decides; null for the usual ones.</param>
/// <param name="Stack">The stack.</param>
public sealed record RuleCase(string Rule, string Name, Severity? Finds, string? School, StackDraft Stack)
{
    public override string ToString() => $"{Rule}: {Name}";

    public static RuleCase Fine(string rule, string name, Zone zone, params Coat[] coats) => new(rule, name, null, null, Stacked(zone, new(), coats));

    public static RuleCase Fault(string rule, Severity severity, string name, Zone zone, params Coat[] coats) => new(rule, name, severity, null, Stacked(zone, new(), coats));

    /// <summary>The rule under another answer to one of its questions.</summary>
    public static RuleCase Under(string rule, Severity? severity, string school, string value, Zone zone, params Coat[] coats) =>
        new(rule, $"{school} is {value}", severity, school, Stacked(zone, SchoolBook.With(new(), school, value), coats));

    private static StackDraft Stacked(Zone zone, Schools schools, Coat[] coats) => new(zone, schools, [.. coats.Select((c, i) => c with { Id = new(i + 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 9) })]);
}

/// <summary>Zones and coats in a painter's words; what is not said is the family's and the technique's own.</summary>
internal static class Craft
{
    public static Zone Resin { get; } = new() { Substrate = Substrate.Resin, Relief = Relief.Panelled, AreaMm2 = 2000 };

    public static Zone Plate { get; } = new() { Substrate = Substrate.Polystyrene, Relief = Relief.Smooth, AreaMm2 = 9000 };

    public static Zone Stone { get; } = new() { Substrate = Substrate.Resin, Relief = Relief.Textured, AreaMm2 = 6000 };

    public static Zone Foam { get; } = new() { Substrate = Substrate.Foam, Relief = Relief.Textured, AreaMm2 = 6000 };

    public static Zone Board { get; } = new() { Substrate = Substrate.Mdf, Relief = Relief.Smooth, AreaMm2 = 4000 };

    public static Material Of(Family family, string? colour = null, Sheen? sheen = null) => new()
    {
        Id = new((int)family + 1, 1, 0, 0, 0, 0, 0, 0, 0, 0, 1),
        Name = family.Facts().Word,
        Family = family,
        Colour = Srgb.Parse(colour ?? family.Facts().LabelColour ?? "#7d7a5c"),
        OwnSheen = sheen,
    };

    public static Coat Coat(Technique technique, Material? of = null, double? fraction = null, int passes = 1) => of is null
        ? new Coat { Id = Guid.Empty, Technique = technique, Passes = passes }
        : new Coat
        {
            Id = Guid.Empty,
            Technique = technique,
            Passes = passes,
            Dilution = Dilution.Of(fraction ?? technique.UsualFraction(of.Family)),
            Thinner = of.Family.Facts().OwnThinner,
        }.Of(of);

    public static Coat Primer(string colour = "#3a3a3c") => Coat(Technique.SprayCan, Of(Family.PrimerAerosol, colour));

    public static Coat BrushPrimer(string colour = "#6b6d70") => Coat(Technique.BaseCoat, Of(Family.PrimerWater, colour));

    public static Coat Base(string colour = "#5b6a50", double? fraction = null, int passes = 1) => Coat(Technique.BaseCoat, Of(Family.AcrylicPaint, colour), fraction, passes);

    public static Coat Airbrush(string colour = "#5b6a50", double? fraction = null, int passes = 1) => Coat(Technique.Airbrush, Of(Family.AcrylicPaint, colour), fraction, passes);

    public static Coat DryBrush(string colour = "#d8cfb4") => Coat(Technique.DryBrush, Of(Family.AcrylicPaint, colour));

    public static Coat Wash(double? fraction = null) => Coat(Technique.Wash, Of(Family.AcrylicWash, "#3b2a1c"), fraction);

    public static Coat PinWash(Family family = Family.EnamelWash) => Coat(Technique.PinWash, Of(family, "#2a211b"));

    public static Coat Satin(Technique by = Technique.VarnishSpray, Family family = Family.VarnishLacquer) => Varnish(Sheen.Satin, by, family);

    public static Coat Matt(Technique by = Technique.VarnishSpray, Family family = Family.VarnishWater) => Varnish(Sheen.Matt, by, family);

    public static Coat Varnish(Sheen sheen, Technique by = Technique.VarnishSpray, Family family = Family.VarnishWater) => Coat(by, Of(family, sheen: sheen));

    public static Coat Dust() => Coat(Technique.Pigment, Of(Family.Pigment, "#8a7558"));
}
