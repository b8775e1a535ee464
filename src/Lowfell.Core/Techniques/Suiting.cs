using Lowfell.Core.Materials;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Techniques;

/// <summary>Of what a technique is usually laid: the other way round from what a material proposes. Craft knowledge.</summary>
public static class Suiting
{
    private static readonly Dictionary<Role, Kind[]> Kinds = new()
    {
        [Role.Cover] = [Kind.Paint, Kind.Primer],
        [Role.Spray] = [Kind.Paint, Kind.Primer],
        [Role.Shade] = [Kind.Paint, Kind.Primer],
        [Role.Modulation] = [Kind.Paint],
        [Role.Raise] = [Kind.Paint],
        [Role.DryBrush] = [Kind.Paint],
        [Role.Field] = [Kind.Paint],
        [Role.Stipple] = [Kind.Paint],
        [Role.Edge] = [Kind.Paint],
        [Role.AllOverWash] = [Kind.Wash],
        [Role.Glaze] = [Kind.Wash, Kind.Paint],
        [Role.Filter] = [Kind.Wash],
        [Role.PinWash] = [Kind.Wash],
        [Role.Mark] = [Kind.Paint, Kind.Wash],
        [Role.Drawing] = [Kind.Marking],
        [Role.Fluid] = [Kind.Fluid],
        [Role.Powder] = [Kind.Powder],
        [Role.Fixer] = [Kind.Medium],
        [Role.Varnish] = [Kind.Varnish],
        [Role.Seal] = [Kind.Glue, Kind.Varnish, Kind.Medium],
        [Role.Paste] = [Kind.Paste],
        [Role.Grit] = [Kind.Grit],
        [Role.Drip] = [Kind.Glue],
        [Role.CracklePaste] = [Kind.CracklePaste],
        [Role.CrackleMedium] = [Kind.CrackleMedium],
        [Role.Planting] = [Kind.Plants],
    };

    /// <summary>The families that a technique is usually laid of, the most usual first; none where nothing is laid. A can is not brushed.</summary>
    public static IReadOnlyList<Family> Suits(this Technique technique) =>
        technique.Facts() is { NeedsMaterial: true } how && Kinds.TryGetValue(how.Role, out var kinds) ? Of(technique, kinds) : [];

    /// <summary>The families that it can be laid of: whatever colours stands in for what colours otherwise, as a paint thinned to a wash.</summary>
    public static IReadOnlyList<Family> Takes(this Technique technique) =>
        technique.Facts() is { NeedsMaterial: true } how && Kinds.TryGetValue(how.Role, out var kinds)
            ? Of(technique, kinds.Contains(Kind.Paint) || kinds.Contains(Kind.Wash) ? [.. kinds.Union([Kind.Paint, Kind.Wash])] : kinds)
            : [];

    private static IReadOnlyList<Family> Of(Technique technique, IEnumerable<Kind> kinds) =>
        [.. kinds.SelectMany(k => Enum.GetValues<Family>().Where(f => f.Facts().Kind == k && (technique == Technique.SprayCan ? f.Facts().InCan : technique.Facts().FromCan || !f.Facts().InCan)))];
}
