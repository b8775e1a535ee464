using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Mixes;

/// <summary>How a mix suits a tool.</summary>
public enum ToolFit
{
    /// <summary>Too thin for it.</summary>
    TooThin,

    /// <summary>Right.</summary>
    Right,

    /// <summary>Too thick for it.</summary>
    TooThick,
}

/// <summary>A technique with the paint fractions that suit it.</summary>
/// <param name="Technique">The technique.</param>
/// <param name="Least">Least paint fraction.</param>
/// <param name="Most">Most paint fraction.</param>
/// <param name="Fit">How the mix stands to it.</param>
public sealed record ToolAdvice(Technique Technique, double Least, double Most, ToolFit Fit);

/// <summary>Which tools the thickness of a mix suits. Craft estimates, for water-borne paint.</summary>
public static class Consistency
{
    private const double Slack = 0.02;

    private static readonly (Technique Technique, double Least, double Most)[] Paints =
    [
        (Technique.Airbrush, 0.4, 0.6),
        (Technique.Glaze, 0.1, 0.2),
        (Technique.BaseCoat, 0.7, 0.85),
        (Technique.DryBrush, 1, 1),
        (Technique.Sponge, 1, 1),
    ];

    private static readonly (Technique Technique, double Least, double Most)[] Washes = [(Technique.Wash, 0.8, 1), (Technique.PinWash, 0.5, 1), (Technique.Glaze, 0.3, 0.6)];

    /// <summary>How a mix suits the tools of its family.</summary>
    public static IReadOnlyList<ToolAdvice> Of(Paint paint)
    {
        var table = paint.Lead.Family switch
        {
            Family.AcrylicPaint => Paints,
            Family.AcrylicWash or Family.EnamelWash => Washes,
            Family.Lacquer => [(Technique.Airbrush, 0.3, 0.5)],
            Family.EnamelPaint => [(Technique.BaseCoat, 0.8, 1), (Technique.PinWash, 0.25, 0.35), (Technique.Filter, 0.05, 0.1)],
            Family.OilPaint => [(Technique.Wash, 0.05, 0.15), (Technique.Filter, 0.02, 0.05)],
            _ => [],
        };
        var share = paint.PaintShare;
        return [.. table.Select(t => new ToolAdvice(t.Technique, t.Least, t.Most, share < t.Least - Slack ? ToolFit.TooThin : share > t.Most + Slack ? ToolFit.TooThick : ToolFit.Right))];
    }

    /// <summary>What the rules would say to the mix itself, in words; empty where nothing is wrong.</summary>
    public static IReadOnlyList<string> Warnings(Mix mix)
    {
        var paint = Paint.Of(mix);
        var facts = paint.Lead.Family.Facts();
        var warnings = new List<string>();
        if (paint.MixesCarriers)
        {
            warnings.Add("These liquids do not mix: it will curdle.");
        }

        foreach (var (thinner, _) in paint.Content.Thinners)
        {
            if (!paint.MixesCarriers && !paint.Lead.Family.Takes(thinner))
            {
                warnings.Add($"{Rules.Words.Capital(thinner.Word())} does not thin {facts.Word}; {facts.OwnThinner.Word()} does.");
            }
        }

        var medium = paint.Content.Thinners.Where(t => t.Thinner == Thinner.AcrylicMedium).Sum(t => t.Share);
        if (paint.PaintShare + medium < facts.LeastPaintFraction - 1e-9)
        {
            warnings.Add($"{paint.PaintShare * 100:0} % paint is too thin for {facts.Word}: below {facts.LeastPaintFraction * 100:0} % it won't bind. Use medium for part of the thinner.");
        }

        if (paint.Content.Materials.Any(m => m.Material.Family.IsVarnish()) && paint.Content.Materials.Any(m => m.Material.Family == Family.Pigment))
        {
            warnings.Add("Pigment in varnish loses its powder look; it becomes a paint.");
        }

        return warnings;
    }
}
