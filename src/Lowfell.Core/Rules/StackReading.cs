using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>A draft as the rules read it: its prediction, and the film state that each coat meets.</summary>
internal sealed class StackReading
{
    private readonly Layer?[] layers;
    private readonly Layer bare;

    public StackReading(StackDraft draft, Prediction prediction, Shelf shelf)
    {
        Draft = draft;
        Prediction = prediction;
        Shelf = shelf;
        bare = Layer.Bare(draft.Zone.Substrate);
        layers = new Layer?[draft.Coats.Count];
        var applied = new List<int>(draft.Coats.Count);
        for (var i = 0; i < draft.Coats.Count; i++)
        {
            var coat = draft.Coats[i];
            if (coat.Skipped)
            {
                continue;
            }

            applied.Add(i);
            if (coat.Paint is not null && coat.Technique != Technique.OpenChips)
            {
                layers[i] = Layer.Of(i, coat, draft);
            }
        }

        Applied = applied;
    }

    public StackDraft Draft { get; }

    public Prediction Prediction { get; }

    public Shelf Shelf { get; }

    /// <summary>Places of the coats that are not skipped, from below.</summary>
    public IReadOnlyList<int> Applied { get; }

    public Zone Zone => Draft.Zone;

    public Coat Coat(int index) => Draft.Coats[index];

    /// <summary>Every film that the coat at <paramref name="index"/> touches, from the top down to the first that shields the rest.</summary>
    public IEnumerable<Layer> Exposed(int index)
    {
        for (var i = index - 1; i >= 0; i--)
        {
            if (layers[i] is not { } layer)
            {
                continue;
            }

            yield return layer;
            if (layer.Covers)
            {
                yield break;
            }
        }

        yield return bare;
    }

    /// <summary>The sheen that a coat at <paramref name="index"/> meets.</summary>
    public Sheen SheenUnder(int index)
    {
        foreach (var layer in Exposed(index))
        {
            if (layer.Covers)
            {
                return layer.Sheen;
            }
        }

        return bare.Sheen;
    }

    /// <summary>Age of a layer when the coat at <paramref name="index"/> comes: cured where any coat between has waited for it.</summary>
    public FilmAge Age(Layer layer, int index)
    {
        for (var i = Math.Max(0, layer.Index + 1); i <= index && i < Draft.Coats.Count; i++)
        {
            if (!Draft.Coats[i].Skipped && Draft.Coats[i].Wait == Wait.Cured)
            {
                return FilmAge.Cured;
            }
        }

        return FilmAge.RecoatDry;
    }

    /// <summary>The next coat that is not skipped, or -1.</summary>
    public int Next(int index) => Applied.FirstOrDefault(i => i > index, -1);

    /// <summary>Another reading, of a draft with a mend made.</summary>
    public StackReading Of(StackDraft draft) => new(draft, Predictor.Predict(draft), Shelf);
}
