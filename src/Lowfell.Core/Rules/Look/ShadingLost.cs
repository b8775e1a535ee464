using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Look;

/// <summary>The shading that a pre-shade, zenithal or wash had brought is gone at the end.</summary>
public static class ShadingLost
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("shading-lost", "Shading painted over", [Severity.Risk, Severity.Note], Reads.Look,
        "What a pre-shade, zenithal or wash had shaded is hidden by a later coat, and nothing shades it again.")
    {
        Check = Find,
        Mends = Mend,
    };

    private const string Replaced = "replaced";

    /// <summary>Recess against face that still reads as shading, dE00.</summary>
    private const double Least = 2;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        if (reading.Applied.Count == 0)
        {
            yield break;
        }

        // The last that hides the shading is told of, once.
        var end = reading.Prediction.Top.Shading;
        var hiders = new HashSet<int>();
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            var shades = coat.How.Role == Role.Shade;
            if ((!shades && coat.How.Role != Role.AllOverWash) || reading.Prediction.Strata[i].Shading - reading.Prediction.Below(i).Shading < Least || HiddenBy(reading, i) is not (>= 0 and var hider))
            {
                continue;
            }

            if (end < Least && hiders.Add(hider))
            {
                // Dust over everything is wanted by whoever lays it.
                var meant = reading.Coat(hider).How.Weathers;
                yield return new(meant ? Severity.Note : Severity.Risk, hider, $"This {reading.Coat(hider).Word} hides the {coat.Word}.", "Recess and face end alike: the shading that was there is gone.")
                {
                    With = i,
                    Figure = $"Recess to face {reading.Prediction.Below(hider).Shading:0.0} dE00 before it, {end:0.0} at the end; under {Least:0} nobody sees it.",
                };
            }
            else if (end >= Least && shades && hiders.Add(hider))
            {
                yield return new(Severity.Note, i, $"A later coat hides this {coat.Word}, and a wash shades anew.", "You could leave it out and get the same look.") { With = hider, Aspect = Replaced };
            }
        }
    }

    private static int HiddenBy(Reading reading, int shade)
    {
        for (var k = reading.Next(shade); k >= 0; k = reading.Next(k))
        {
            if (reading.Prediction.Strata[k].Shading < Least && reading.Prediction.Below(k).Shading >= Least)
            {
                return k;
            }
        }

        return -1;
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (draft, coat, reading) = (context.Draft, context.Coat, context.Reading);
        if (context.Finding.Fault.Aspect == Replaced)
        {
            yield return new("drop", $"Leave the {coat.Word} out", draft.Remove(c => c.Id == coat.Id));
            yield break;
        }

        if (coat.Passes > 1)
        {
            yield return new("fewer", "One pass fewer", draft.Replace(coat with { Passes = coat.Passes - 1 }));
            yield return new("once", "One pass alone", draft.Replace(coat with { Passes = 1 }));
        }

        if (coat is { LeavesFilm: true, What: { } what, Paint: { } paint } && coat.How.Thins)
        {
            var thinner = Math.Max(what.ThinnedTo(coat.How.Role).Least, coat.Dilution.PaintFraction * 0.7);
            if (thinner < coat.Dilution.PaintFraction - 1e-9)
            {
                yield return new("thinner", $"Thin it to {thinner * 100:0} % paint", draft.Replace(coat with { Dilution = Dilution.Of(Math.Round(thinner, 3)) }));
            }

            if (paint.Lead.Family.Takes(Thinner.AcrylicMedium) && !what.Clear)
            {
                yield return new("glaze", "Glaze it over in medium", draft.Replace(coat with { Technique = Technique.Glaze, Passes = 1, Thinner = Thinner.AcrylicMedium, Dilution = Dilution.Of(0.3) }));
            }

            if (coat.How.Covers && !what.Clear)
            {
                yield return new("raise", "Overbrush it: the recess stays dark", draft.Replace(coat with { Technique = Technique.Overbrush, Passes = 1, Dilution = Dilution.Of(Math.Max(0.8, coat.Dilution.PaintFraction)) }));
            }
        }

        var shade = context.Finding.Fault.With;
        yield return new("move", $"Lay the {draft.Coats[shade].Word} after it", draft.MoveAbove(draft.Coats[shade].Id, coat.Id));
        var technique = draft.Zone.Relief == Relief.Smooth ? Technique.PinWash : Technique.ThinnedWash;
        if (context.Shelf.Nearest(Srgb.Parse(ShadeColour), m => m.Family.Facts() is { Kind: Kind.Wash, Carrier: Carrier.Water }) is { } wash)
        {
            yield return new("again", $"{Words.Capital(technique.Facts().Word)} with {wash.Name} after it", draft.InsertNew(context.At + 1, Coat.Usual(technique, wash), coat.Id, Salt.Shade));
        }

        if (reading.IsVarnish(context.At))
        {
            yield return new("drop", "Leave this varnish out", draft.Remove(c => c.Id == coat.Id)) { GivesUpChoice = true };
        }
    }

    // A dark brown: what shades without turning grey.
    private const string ShadeColour = "#2a2018";
}
