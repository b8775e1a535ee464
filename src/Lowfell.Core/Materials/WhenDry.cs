using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Materials;

/// <summary>How a wet film misleads the eye: what changes while it dries. Craft.</summary>
public static class WhenDry
{
    private static readonly (Kind Kind, bool Water, string Words)[] Table =
    [
        (Kind.Paint, true, "dries a little darker"),
        (Kind.Paint, false, "hardly changes colour, loses its gloss"),
        (Kind.Wash, true, "dries lighter, and its rim shows only then"),
        (Kind.Wash, false, "dries lighter and more matt"),
        (Kind.Varnish, true, "is milky while it is wet and clears"),
        (Kind.Varnish, false, "looks glossier wet than it stays"),
        (Kind.Primer, true, "dries lighter and shows its bare spots then"),
        (Kind.Primer, false, "dries lighter and shows its bare spots then"),
        (Kind.Paste, true, "shrinks and turns lighter"),
        (Kind.Paste, false, "shrinks a little"),
        (Kind.CracklePaste, true, "cracks only as it dries through"),
        (Kind.CracklePaste, false, "cracks only as it dries through"),
        (Kind.CrackleMedium, true, "turns clear; the cracks come in the coat on it"),
        (Kind.Glue, true, "turns clear"),
        (Kind.Fluid, true, "turns clear and stays soluble"),
        (Kind.Medium, true, "turns clear"),
        (Kind.Additive, true, "turns clear"),
    ];

    /// <summary>What changes while it dries, within a sentence; null for what does not dry.</summary>
    public static string? Words(Family family) => family.Facts() is var facts
        && Table.FirstOrDefault(t => t.Kind == facts.Kind && t.Water == (facts.Carrier == Carrier.Water)) is { Words: { } words } ? words : null;
}
