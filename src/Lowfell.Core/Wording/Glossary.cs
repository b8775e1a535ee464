namespace Lowfell.Core.Wording;

/// <summary>A term of the craft or of science, explained.</summary>
/// <param name="Word">The term.</param>
/// <param name="Says">What it means, in a sentence or two.</param>
/// <param name="Also">Other words for it.</param>
public sealed record GlossaryTerm(string Word, string Says, params string[] Also);

/// <summary>The terms that stand on screens, in alphabetical order. A term that is new to a screen is one row here.</summary>
public static class Glossary
{
    /// <summary>Every term.</summary>
    public static IReadOnlyList<GlossaryTerm> Terms { get; } =
    [
        new("barrier", "A coat of varnish that protects what is under it from the solvent of what comes next."),
        new("base coat", "The covering coat that gives a zone its colour."),
        new("batch", "As much of a mix as is made and used in one go, before it dries on the palette.", "batches"),
        new("chipping fluid", "A soluble layer between two coats of paint: dampened and rubbed, it lets go of the upper one in chips."),
        new("chroma", "How far a colour is from grey: a strong red has much, a brick little."),
        new("clean-up", "Wiping a pin wash or streak off the face while it still moves."),
        new("coat", "One application of one material with one technique, in one or several passes.", "coats"),
        new("contrast ratio", "How bright a film is over black against over white: 1 hides the ground, 0.2 is a tint."),
        new("copies", "Pieces of one kind that are painted alike; each can be at a different step.", "copy"),
        new("core sample", "The picture of a stack as if drilled through: the bare ground at the foot, the last coat on top."),
        new("cured", "Dry all the way through, as hard as it gets.", "cure", "cures"),
        new("datum", "A height above the table at which a line runs on from piece to piece.", "datum height"),
        new("dE00", "The measure of how different two colours look (CIEDE2000): under 1 is hardly seen side by side, 10 is another colour.", "dE"),
        new("dilution", "How much of the mix is paint, and how much is what thins it."),
        new("dry brush", "A brush wiped nearly clean, so that it leaves paint on the edges alone."),
        new("edge", "What stands out: corners, rivets, the ridge of a stone. A dry brush finds it.", "edges", "raised edge"),
        new("face", "The flat of a surface, between recess and edge."),
        new("film", "The layer that a coat leaves, told in thousandths of a millimetre (µm).", "wet film", "dry film"),
        new("filter", "A very thin tint over everything, that shifts a colour and pulls tones together."),
        new("finding", "What a rule has to say of the order of coats: a stop ruins it, a risk may spoil it, a note is advice.", "findings"),
        new("glaze", "A thin transparent coat of colour."),
        new("hand", "How heavily somebody lays paint on: a light hand leaves seven tenths of the usual film, a heavy one a third more.", "light … heavy"),
        new("layer", "A covering coat on face and edge that leaves the recess."),
        new("lot", "What is printed on a bottle to tell which boiling it came from; two lots may differ.", "lots"),
        new("masstone", "The colour of a paint so thick that nothing shows through."),
        new("medium", "Paint without colour: it thins the colour and keeps the binder."),
        new("mist", "A spray so light that it is dry when it lands: it seals without wetting."),
        new("overbrush", "A damp brush over all but the recess."),
        new("palette life", "How long a mix stays workable on the palette."),
        new("pass", "Going over the zone once; a coat may take several, each dry before the next.", "passes"),
        new("pin wash", "A wash led along creases and round rivets alone, and cleaned off the face."),
        new("pre-shade", "Dark and light sprayed on first, to show through thin coats of colour."),
        new("recess", "What lies deep: joints, creases, grain. A wash gathers there.", "recesses"),
        new("recoat-dry", "Dry enough to take the next coat.", "recoat"),
        new("relief", "How rough a surface is: smooth, panelled, textured or rough. It decides where paint stays."),
        new("scheme", "A named stack of coats that many zones may share.", "schemes"),
        new("set-up", "Getting a tool or colour ready and cleaning it away again.", "set-ups"),
        new("shade", "To darken what lies deep, mostly with a wash."),
        new("sheen", "How a dry surface shines: gloss, satin or matt."),
        new("stack", "The coats of a zone in their order, from the bare ground to the last varnish.", "stacks"),
        new("stand-in", "A paint in the place of another that is missing, judged by what the finished zone looks like.", "stand-ins"),
        new("stratum", "One coat in the core sample.", "strata"),
        new("substrate", "What the piece is made of, before any paint.", "made of"),
        new("target", "The colour that the face should end at."),
        new("tolerance", "How far from its target a colour may end and still be right."),
        new("touch-dry", "Dry on the surface: a finger leaves no mark, a brush still does.", "touch"),
        new("transfer", "The share of paint that reaches the piece; a can loses two thirds to the air."),
        new("undertone", "How a paint's colour turns where it lies thin: brown washes go warmer."),
        new("volume solids", "What stays of a paint when it is dry, as a share of what was laid on."),
        new("wash", "Thin paint that runs off the face and gathers in the recess."),
        new("window", "The time within which something has to be done: chips opened, a wash cleaned off."),
        new("zenithal", "Light sprayed from above over a dark ground, so that thin coats over it come out shaded."),
        new("zone", "An area of a piece that gets coats of its own.", "zones"),
    ];
}
