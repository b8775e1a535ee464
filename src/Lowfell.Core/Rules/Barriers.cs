using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>Finds a varnish or sealer that neither spoils what it goes on nor gives way to what comes next.</summary>
internal static class Barriers
{
    private const int BarrierSalt = 11;

    /// <summary>Inserts the best varnish of one of these sheens under the coat at <paramref name="index"/>; null where the shelf has none that holds.</summary>
    public static (string Name, bool Waits, Func<StackDraft> Apply)? Varnish(StackReading reading, int index, params Sheen[] sheens) =>
        Insert(reading, index, sheens.SelectMany(reading.Shelf.VarnishCoats), strict: false);

    /// <summary>As <see cref="Varnish"/>, over a layer that even its own kind of rule would spare: it must not move a soluble mark.</summary>
    public static (string Name, bool Waits, Func<StackDraft> Apply)? VarnishOverMarks(StackReading reading, int index, params Sheen[] sheens) =>
        Insert(reading, index, sheens.SelectMany(reading.Shelf.VarnishCoats), strict: true);

    /// <summary>Inserts a water-borne sealer under the coat at <paramref name="index"/>.</summary>
    public static (string Name, bool Waits, Func<StackDraft> Apply)? Sealer(StackReading reading, int index, int passes) =>
        Insert(reading, index, reading.Shelf.Sealers().Where(m => m.Family.Facts().Carrier == Carrier.Water).Select(m => SealCoat(m, passes)), strict: false);

    /// <summary>A brushed sealer coat.</summary>
    public static Coat SealCoat(Material material, int passes) => new Coat
    {
        Id = Guid.Empty,
        Technique = Technique.Seal,
        Passes = passes,
        Dilution = Dilution.Of(Math.Max(0.8, material.Family.Facts().LeastPaintFraction)),
        Thinner = material.Family.Facts().OwnThinner,
    }.Of(material);

    /// <summary>Varnish by spray and, where the material can be brushed, by brush.</summary>
    public static IEnumerable<Coat> VarnishCoats(Material material)
    {
        var spray = new Coat { Id = Guid.Empty, Technique = Technique.VarnishSpray, Thinner = material.Family.Facts().OwnThinner }.Of(material);
        if (material.Family != Family.VarnishLacquer)
        {
            yield return spray with { Technique = Technique.Varnish };
        }

        yield return spray;
    }

    private static (string Name, bool Waits, Func<StackDraft> Apply)? Insert(StackReading reading, int index, IEnumerable<Coat> candidates, bool strict)
    {
        if (reading.Draft.Coats.Count >= StackDraft.MostCoats)
        {
            return null;
        }

        var choices = candidates.ToList();
        var next = index < reading.Draft.Coats.Count ? reading.Coat(index) : null;
        (Wait Below, Wait Above)[] waits =
            [(Wait.RecoatDry, Wait.RecoatDry), (Wait.RecoatDry, Wait.Cured), (Wait.Cured, Wait.RecoatDry), (Wait.Cured, Wait.Cured)];
        foreach (var (below, above) in waits)
        {
            foreach (var choice in choices)
            {
                var coat = choice with { Wait = below };
                if (Solvents.Safe(reading, index, coat, strict) && Holds(coat, next, above, reading.Draft))
                {
                    return (coat.Material!.Name, below == Wait.Cured || above == Wait.Cured, () => Apply(reading.Draft, index, coat, above));
                }
            }
        }

        return null;
    }

    private static bool Holds(Coat barrier, Coat? next, Wait wait, StackDraft draft)
    {
        if (next?.Paint is null)
        {
            return true;
        }

        var age = wait == Wait.Cured || next.Wait == Wait.Cured ? FilmAge.Cured : FilmAge.RecoatDry;
        return Solvents.Worst(next, Layer.Of(0, barrier, draft), age).Shortfall <= 0;
    }

    private static StackDraft Apply(StackDraft draft, int index, Coat barrier, Wait above)
    {
        var beside = index < draft.Coats.Count ? draft.Coats[index] : draft.Coats[^1];
        var edited = index < draft.Coats.Count && above == Wait.Cured ? draft.Replace(beside with { Wait = Wait.Cured }) : draft;
        return edited.Insert(index, barrier with { Id = draft.NewId(beside.Id, BarrierSalt) });
    }
}
