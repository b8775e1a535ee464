namespace Lowfell.Core.Bases.Elements;

/// <summary>What may stand in for something of which the box is empty.</summary>
/// <param name="Class">The box it comes from.</param>
/// <param name="Pieces">How many of it for one.</param>
public sealed record StandIn(ElementClass Class, int Pieces);

/// <summary>Finds stand-ins. Craft: another kind of like length first, then two of the next smaller of its own kind, of a long thing a few scraps.</summary>
public static class StandIns
{
    /// <summary>Lengths within this part of each other look alike on a base.</summary>
    private const double Like = 0.3;

    /// <summary>Stand-ins for a class among boxes, the best first.</summary>
    public static IEnumerable<StandIn> For(ElementClass wanted, IReadOnlyCollection<ElementClass> boxes)
    {
        double Off(ElementClass box) => Math.Abs((box.LengthMm / wanted.LengthMm) - 1);
        foreach (var kind in wanted.Kind.Facts().StandsIn)
        {
            foreach (var box in boxes.Where(b => b.Kind == kind && Off(b) <= Like).OrderBy(Off).ThenBy(b => b.Name, StringComparer.Ordinal))
            {
                yield return new(box, 1);
            }
        }

        if (Smaller(wanted, boxes) is { } smaller)
        {
            yield return new(smaller, 2);
        }

        if (wanted.Kind == ElementKind.Tuft && boxes.Where(b => b.Kind == ElementKind.Tuft && b.LengthMm > wanted.LengthMm && b.LengthMm <= wanted.LengthMm * 1.7).MinBy(b => b.LengthMm) is { } larger)
        {
            yield return new(larger, 1);
        }

        if (wanted.Kind.IsOfInterest() && boxes.Where(b => b.Kind == ElementKind.Debris).MaxBy(b => b.LengthMm) is { } scraps)
        {
            yield return new(scraps, 3);
        }

        if (wanted.Kind == ElementKind.Stone && boxes.Where(b => b.Kind == ElementKind.Pebble).MaxBy(b => b.LengthMm) is { } pebbles && pebbles.LengthMm >= 0.45 * wanted.LengthMm)
        {
            yield return new(pebbles, 2);
        }
    }

    /// <summary>The next smaller of the same kind, or of what may stand in for it; null where there is none.</summary>
    public static ElementClass? Smaller(ElementClass box, IEnumerable<ElementClass> boxes) => boxes
        .Where(b => b.Kind == box.Kind && b.AreaMm2 < box.AreaMm2 * 0.95 && b.AreaMm2 > box.AreaMm2 * 0.15)
        .OrderByDescending(b => b.AreaMm2).ThenBy(b => b.Name, StringComparer.Ordinal).FirstOrDefault();
}
