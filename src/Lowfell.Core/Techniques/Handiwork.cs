using Lowfell.Core.Wording;

namespace Lowfell.Core.Techniques;

/// <summary>What is seen of a coat while it is laid.</summary>
/// <param name="Right">How to see that it is right, within a sentence.</param>
/// <param name="Faults">What usually goes wrong with it, each as it is written down.</param>
public sealed record Handiwork(string Right, IReadOnlyList<string> Faults);

/// <summary>The table of what is seen of coats at the bench, by what they are there for. Craft.</summary>
public static class Handiworks
{
    private static readonly Dictionary<Role, Handiwork> Table = new()
    {
        [Role.Cover] = new("even, no bare edges, details still sharp", ["Bare spots.", "Brush marks.", "Too thick, details fill.", "Pulled up what lies below."]),
        [Role.Spray] = new("a thin wet sheen all over, no runs, no bare undersides", ["Runs.", "Grainy or dusty.", "Bare undersides.", "Landed on a neighbour."]),
        [Role.Shade] = new("dark below, light above, no hard border", ["Grainy.", "A hard border.", "Covers too much.", "Landed on a neighbour."]),
        [Role.Modulation] = new("each panel lighter toward the light, its borders still dark", ["Grainy.", "Too even.", "Covers too much."]),
        [Role.Raise] = new("raised parts even, recesses left as they were", ["Ran into the recesses.", "Streaky.", "Bare spots."]),
        [Role.DryBrush] = new("edges catch, the face hardly changes", ["Streaky or chalky.", "Too much on the face.", "Too little to see."]),
        [Role.Field] = new("broken fields that never repeat", ["Prints repeat.", "Too dense.", "Too wet, it runs together."]),
        [Role.Stipple] = new("fine even dots, no strokes", ["Strokes show.", "Too wet, it runs together."]),
        [Role.Edge] = new("a thin line on the edge alone, thinner where it turns away", ["Too thick.", "Wobbles or breaks off.", "Slipped onto the face."]),
        [Role.AllOverWash] = new("dark in the recesses, drawn off the face, no puddles", ["Tide mark.", "Pooled.", "Too dark on the face.", "Lifted what lies below."]),
        [Role.Glaze] = new("a tint that shifts the colour, no rim where it ends", ["A rim where it ends.", "Too strong.", "Streaky."]),
        [Role.Filter] = new("a tint all over that no one would name", ["Pooled in the recesses.", "Too strong.", "Lifted what lies below."]),
        [Role.PinWash] = new("a line in the recess, its spill soft enough to clean", ["Ran over the face.", "Dried before it was cleaned.", "Broken lines."]),
        [Role.Mark] = new("few, uneven, denser where wear would be", ["Too many.", "Too large for the scale.", "Too regular."]),
        [Role.Fluid] = new("a thin even film, beads drawn out", ["Beads or gaps.", "Too thick."]),
        [Role.Opening] = new("chips come loose at edges, with sharp rims", ["Nothing comes loose.", "Too much came off.", "Rubbed through to the ground."]),
        [Role.Drawing] = new("sits on the surface, sharp to the eye", ["Smudged.", "Too heavy."]),
        [Role.Powder] = new("lies in corners and on ledges, a soft edge outward", ["Too much.", "Lies on uprights.", "Blew off."]),
        [Role.Fixer] = new("soaked in from beside, the powder not moved", ["Washed the powder away.", "Went dark.", "A shiny rim."]),
        [Role.Varnish] = new("an even wet film, no bubbles, no dry patches", ["Cloudy or frosted.", "Pooled white in recesses.", "Patches of other sheen.", "Runs."]),
        [Role.Seal] = new("soaked in, no dry patch, no puddle", ["Dry patches.", "A shiny skin.", "Swelled the ground."]),
        [Role.Paste] = new("no deeper than was meant, its edge drawn out", ["Too thick.", "Sank or slumped.", "Filled details."]),
        [Role.Grit] = new("covers like sand on a beach, bare where feet stand", ["Bare patches.", "Too even.", "Comes loose."]),
        [Role.Drip] = new("soaks between the grains and stays there", ["Floated the grains.", "A shiny skin."]),
        [Role.CracklePaste] = new("deeper where cracks are to be wide, its edge thin", ["No cracks.", "Flakes off.", "Cracks of one size."]),
        [Role.CrackleMedium] = new("a full even coat, brushed one way", ["No cracks.", "Cracks too wide.", "Missed patches."]),
        [Role.WetStreak] = new("drawn straight down, fading out", ["Too strong.", "Slanting.", "A rim at its foot."]),
        [Role.CleanUp] = new("the face clean, the line left in the recess", ["Pulled the line out.", "A haze on the face.", "Had set already."]),
        [Role.Handwork] = new("no border left where it was worked", ["A rim where it ends.", "Took too much off."]),
        [Role.Planting] = new("stands upright, in groups, none under a foot", ["Lies flat.", "Comes loose.", "Glue shows."]),
        [Role.Preparing] = new("clean, dry and smooth to the finger", ["Still greasy.", "Scratches show.", "A gap was missed."]),
        [Role.Assembly] = new("sits without a gap, no glue squeezed out", ["A gap.", "Glue shows.", "Sits askew."]),
    };

    /// <summary>What masking is done with.</summary>
    public const string MaskTool = "tape or putty, a sharp blade";

    /// <summary>What is seen of a mask.</summary>
    public static Handiwork Masking { get; } = new("pressed down along its edge, no gap; it comes off slowly, folded back on itself", ["Paint crept under the tape.", "The tape pulled paint off.", "A ridge along the edge."]);

    /// <summary>What is seen of a mend by hand.</summary>
    public static Handiwork Mending { get; } = new("what was wrong is gone, and where it was mended has no rim", ["It still shows.", "A rim where it ends.", "The coat below came up."]);

    /// <summary>What is seen of a coat of a technique.</summary>
    public static Handiwork Handiwork(this Technique technique) => Table[technique.Facts().Role];
}
