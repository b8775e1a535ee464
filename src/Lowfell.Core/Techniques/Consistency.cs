using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Techniques;

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

/// <summary>Which tools the thickness of a mix suits, by how far its family is thinned for each.</summary>
public static class Consistency
{
    private const double Slack = 0.02;

    /// <summary>How a mix suits the tools of its family: what it is made for, then whatever wants another thickness.</summary>
    public static IReadOnlyList<ToolAdvice> Of(Paint paint)
    {
        var facts = paint.Lead.Family.Facts();
        var proposed = paint.Lead.Family.Proposed();
        if (!proposed.Facts().Thins)
        {
            return [];
        }

        var ranges = facts.ThinnedFor.Select(t => (Technique: First(t.Key), Thinned: t.Value))
            .Prepend((Technique: proposed, Thinned: facts.ThinnedTo(proposed.Facts().Role)))
            .DistinctBy(t => (t.Thinned.From, t.Thinned.To));
        var share = paint.PaintShare;
        return [.. ranges.Select(t => new ToolAdvice(
            t.Technique, t.Thinned.From, t.Thinned.To, share < t.Thinned.From - Slack ? ToolFit.TooThin : share > t.Thinned.To + Slack ? ToolFit.TooThick : ToolFit.Right))];
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
                warnings.Add($"{Words.Capital(thinner.Word())} does not thin {facts.Word}; {facts.OwnThinner.Word()} does.");
            }
        }

        var least = facts.Thinned.Least;
        if (paint.PaintShare + paint.MediumShare < least - 1e-9)
        {
            warnings.Add($"{paint.PaintShare * 100:0} % paint is too thin for {facts.Word}: below {least * 100:0} % it won't bind. Use medium for part of the thinner.");
        }

        if (paint.Content.Materials.Any(m => m.Material.Family.IsVarnish()) && paint.Content.Materials.Any(m => m.Material.Family.Facts().Kind == Kind.Powder))
        {
            warnings.Add("Pigment in varnish loses its powder look; it becomes a paint.");
        }

        return warnings;
    }

    private static Technique First(Role role) => Enum.GetValues<Technique>().First(t => t.Facts() is { Thins: true } facts && facts.Role == role);
}
