using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Weathering;

/// <summary>What is drawn on a piece beside wear and weather.</summary>
/// <param name="Letters">Lettering, with the paint that was chosen; none for what is nearest.</param>
/// <param name="Pattern">Camouflage or mottle; none.</param>
/// <param name="Tones">Paints of its tones, in their order; those that are not there are left out.</param>
public sealed record Drawings(IReadOnlyList<(Lettering Lettering, Material? Paint)> Letters, Pattern? Pattern, IReadOnlyList<Material?> Tones)
{
    /// <summary>Nothing.</summary>
    public static Drawings None { get; } = new([], null, []);

    /// <summary>A zone's stack with them: a pattern on the base, letters on all that gives it its colours, a decal on gloss with matt over it.</summary>
    public StackDraft On(WeatherZone zone, Shelf shelf)
    {
        ArgumentNullException.ThrowIfNull(zone);
        var (draft, surface) = (zone.Stack, zone.Surface);
        if (Pattern is { } pattern && pattern.ZoneIds.Contains(zone.Id))
        {
            var at = 1 + draft.Coats.ToList().FindLastIndex(c => !c.Skipped && c.How.Covers);
            for (var t = pattern.Tones.Count - 1; t >= 0; t--)
            {
                if (Tones[t] is { } paint && draft.Coats.Count < StackDraft.MostCoats)
                {
                    var technique = paint.Family.Facts().InCan ? Technique.SprayCan : Technique.BaseCoat;
                    var deposit = Kernels.Deposit(technique, surface.Relief, surface.Facing).Covering(pattern.Tones[t].Share, surface.HeightShares);
                    draft = draft.Insert(at, Coat.Usual(technique, paint) with { Id = ToneId(pattern.Id, zone.Id, t), OwnDeposit = deposit, Note = $"Tone {t + 1} of the pattern, {100 * pattern.Tones[t].Share:0} %" });
                }
            }
        }

        var ground = WeatherPaints.Face(draft) ?? surface.Target ?? Srgb.Parse("#8a8a86");
        foreach (var (lettering, paint) in Letters.Where(l => l.Lettering.ZoneId == zone.Id))
        {
            foreach (var coat in Weathering.Letters.Coats(lettering, surface, paint, ground, shelf))
            {
                // Under the first wear and weather, and under the last varnish.
                var at = 1 + Enumerable.Range(0, draft.Coats.Count).LastOrDefault(i => WeatherCoats.Rank(draft, i) == 0 || draft.Coats[i].Id == lettering.Id, -1);
                draft = draft.Coats.Count < StackDraft.MostCoats ? draft.Insert(at, coat) : draft;
            }
        }

        return draft;
    }

    /// <summary>Ids of all coats that they may have put into stacks.</summary>
    public IEnumerable<Guid> CoatIds() => Letters.SelectMany(l => new[] { l.Lettering.Id, Weathering.Letters.After(l.Lettering.Id) }).Concat(Pattern is { } p ? p.ZoneIds.SelectMany(z => Enumerable.Range(0, p.Tones.Count).Select(t => ToneId(p.Id, z, t))) : []);

    /// <summary>The coat of a tone on a zone.</summary>
    public static Guid ToneId(Guid pattern, Guid zone, int tone)
    {
        Span<byte> id = stackalloc byte[16];
        BitConverter.TryWriteBytes(id, Variation.Seed(pattern.ToString("n"), zone.ToString("n"), $"{tone}"));
        BitConverter.TryWriteBytes(id[8..], Variation.Seed($"{tone}", zone.ToString("n"), pattern.ToString("n")));
        return new(id);
    }
}
