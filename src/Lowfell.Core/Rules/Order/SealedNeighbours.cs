using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Rules.Order;

/// <summary>By school: weathering layers without the varnish that belongs between them.</summary>
public static class SealedNeighbours
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("sealed-neighbours", "Weathering without its varnish", [Severity.Note], Reads.Order,
        "Markings, spirit washes or pigments lie on each other without the varnish that the school puts between.")
    {
        Schools = ["layerVarnish"],
        Check = Find,
        Mends = Mend,
    };

    private static IEnumerable<Fault> Find(Reading reading)
    {
        if (reading.Schools.LayerVarnish != LayerVarnishSchool.AfterEach)
        {
            yield break;
        }

        var layer = -1;
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (reading.IsVarnish(i))
            {
                layer = -1;
                continue;
            }

            if (!coat.LeavesFilm || !IsLayer(coat) || coat.WhileWet)
            {
                continue;
            }

            // Where the solvents speak, or a wet brush takes a marking away, that is said already.
            if (layer >= 0 && reading.Clashes.All(c => c.At != i) && !coat.Brings(Carrier.Water))
            {
                yield return new(Severity.Note, i, $"This {coat.Word} goes straight on the {reading.Coat(layer).Word}.", "With a varnish between, a slip could be wiped off without the layer below.") { With = layer, School = "Your school varnishes after each weathering layer." };
            }

            layer = i;
        }
    }

    private static bool IsLayer(Coat coat) => coat.How.Weathers && (coat.Carrier == Carrier.WhiteSpirit || coat.What!.Kind == Kind.Marking || coat.What.Kind == Kind.Powder);

    private static IEnumerable<Mend> Mend(MendContext context) => Barriers.Under(context, context.At, [.. new[] { Sheen.Satin, context.Draft.Zone.Finish.AsFilm() }.Distinct()]);
}
