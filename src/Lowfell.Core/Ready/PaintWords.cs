using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;

namespace Lowfell.Core.Ready;

/// <summary>What the name of a paint says of it.</summary>
/// <param name="Family">Its family; acrylic paint where no word speaks for another.</param>
/// <param name="Colour">Its colour; null where no word names one and its family needs one.</param>
/// <param name="Sheen">Its sheen, where a word names it.</param>
/// <param name="Effect">Metal flake or plain.</param>
public sealed record NamedPaint(Family Family, Srgb? Colour, Sheen? Sheen, Effect Effect);

/// <summary>Reads family and colour from a painter's words. Craft knowledge; the first row that fits speaks.</summary>
public static class PaintWords
{
    // Each row: words that must all stand in the name, any of a bar each.
    private static readonly (string[] Words, Family Family)[] Families =
    [
        (["crackle", "medium"], Family.CrackleMedium), (["crackle", "paint"], Family.CracklePaint), (["crackle"], Family.CracklePaste),
        (["chipping"], Family.ChippingMedium), (["tufts|tuft|flock|grass"], Family.Tufts), (["grit|gravel|ballast|shingle"], Family.Grit),
        (["super", "glue"], Family.SuperGlue), (["superglue"], Family.SuperGlue), (["glue|pva"], Family.Pva), (["skim|filler"], Family.Skim),
        (["texture"], Family.TexturePaste), (["paste"], Family.TexturePaste), (["mud"], Family.TexturePaste),
        (["pigment|powder|dust"], Family.Pigment), (["pencil"], Family.Pencil), (["chalk|marker"], Family.WashableMarking),
        (["varnish|sealer|topcoat", "can|spray|aerosol|lacquer"], Family.VarnishLacquer), (["varnish|sealer|topcoat", "enamel"], Family.VarnishEnamel), (["varnish|sealer|topcoat"], Family.VarnishWater),
        (["primer|undercoat", "can|spray|aerosol"], Family.PrimerAerosol), (["primer|undercoat"], Family.PrimerWater), (["can|spray|aerosol"], Family.PrimerAerosol),
        (["flow"], Family.FlowAid), (["retarder"], Family.Retarder), (["medium"], Family.AcrylicMedium),
        (["wash|filter|shade|streaking", "oil"], Family.OilWash), (["wash|filter|shade|streaking", "enamel"], Family.EnamelWash), (["streaking|filter"], Family.EnamelWash), (["wash|shade|stain|glaze"], Family.AcrylicWash),
        (["ink"], Family.Ink), (["oil|oils"], Family.OilPaint), (["enamel"], Family.EnamelPaint), (["lacquer"], Family.Lacquer),
    ];

    private static readonly (string[] Words, string Colour)[] Metals =
    [
        (["gunmetal|gun-metal"], "#4d4e50"), (["iron"], "#6f6d6b"), (["steel|silver|chrome|aluminium"], "#a3a5a8"), (["tin|zinc|lead|pewter"], "#8d8f91"), (["brass"], "#9c7d3f"), (["bronze"], "#7d5f3a"), (["copper"], "#9a5a3a"), (["gold"], "#b08d3e"),
    ];

    // Two words before one: "rust brown" is not any brown.
    private static readonly (string[] Words, string Colour)[] Colours =
    [
        (["rust", "orange"], "#b9652d"), (["rust", "brown"], "#74412a"), (["rust"], "#8a4b22"), (["sea", "green"], "#5d8983"), (["marsh", "green"], "#66755a"), (["olive"], "#6b6a3d"), (["leather", "brown"], "#7b5636"),
        (["brick"], "#8c4a35"), (["lampblack|black|soot|coal"], "#1d1d1f"), (["ivory|cream"], "#e8e2d2"), (["bone"], "#dccfae"), (["white|salt"], "#f2f1ec"), (["sand"], "#c6b184"), (["tan|khaki|buff|rope"], "#a98a5c"), (["ochre|mustard"], "#a87f34"),
        (["umber|chocolate|bitumen|tar"], "#3f2f24"), (["sienna|leather|wood|timber|oak|driftwood|brown"], "#7b5636"), (["red|crimson|scarlet"], "#a42a22"), (["orange"], "#d4702a"), (["yellow"], "#e6bd3e"),
        (["teal|turquoise"], "#4d8080"), (["green|kelp|weed|moss|sedge"], "#5a6e4a"), (["blue|navy"], "#3f6386"), (["violet|purple"], "#5a4670"), (["pink"], "#cf7f93"), (["slate"], "#54585a"), (["grey|gray|ash|stone"], "#85867f"), (["flesh|skin"], "#c89a7a"),
    ];

    // What is bought for its grain comes in the colour of that.
    private static readonly Dictionary<Family, string> Usual = new()
    {
        [Family.TexturePaste] = "#8b8578",
        [Family.CracklePaste] = "#d9d2bf",
        [Family.CracklePaint] = "#d9d2bf",
        [Family.Skim] = "#b9ae9b",
        [Family.Grit] = "#a59674",
        [Family.Pigment] = "#c4b494",
        [Family.Tufts] = "#766f3c",
    };

    private static readonly (string Words, double Lightness)[] Shifts = [("dark|deep", -16), ("light|pale|faded", 16)];

    // What runs into recesses is sold as dark as this share of the paint of its colour, CIELAB lightness.
    private const double WashLightness = 0.5;

    private static readonly (string Words, Sheen Sheen)[] SheenWords = [("matt|matte|flat", Sheen.Matt), ("satin|semi-gloss|eggshell", Sheen.Satin), ("gloss|glossy", Sheen.Gloss)];

    /// <summary>What a name says.</summary>
    public static NamedPaint Read(string name)
    {
        var words = Split(name);
        var family = FamilyIn(words) ?? Family.AcrylicPaint;
        Sheen? sheen = SheenWords.Where(s => Holds(words, s.Words)).Select(s => (Sheen?)s.Sheen).FirstOrDefault();
        if (family.Facts().Clear)
        {
            return new(family, Srgb.Parse(family.Facts().LabelColour!), family.IsVarnish() ? sheen : null, Effect.Plain);
        }

        if (family.Facts().Kind == Kind.Paint && !Holds(words, "rust|rusty") && Metals.FirstOrDefault(m => m.Words.All(w => Holds(words, w))) is { Colour: { } metal })
        {
            return new(family, Srgb.Parse(metal), sheen, Effect.Metallic);
        }

        return new(family, ColourIn(words, family), family.IsVarnish() ? sheen : null, Effect.Plain);
    }

    /// <summary>A colour that is written #rrggbb or rrggbb, or named; null for neither.</summary>
    /// <param name="text">As it is written.</param>
    /// <param name="family">What it is the colour of: washes are sold darker than paint of their name.</param>
    public static Srgb? Colour(string text, Family family)
    {
        ArgumentNullException.ThrowIfNull(text);
        var trimmed = text.Trim();
        return Srgb.TryParse(trimmed, out var colour) || (trimmed.Length == 6 && Srgb.TryParse("#" + trimmed, out colour)) ? colour : ColourIn(Split(trimmed), family);
    }

    /// <summary>A family that is written by its label, its word or any word that speaks for it; null for none.</summary>
    public static Family? FamilyOf(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        var bare = Bare(text);
        foreach (var family in Enum.GetValues<Family>())
        {
            if (bare == Bare(family.ToString()) || bare == Bare(family.Facts().Word) || bare == Bare(family.Facts().Label))
            {
                return family;
            }
        }

        var words = Split(text);
        return Holds(words, "acrylic|acrylics|paint|base|layer") && FamilyIn(words) is null ? Family.AcrylicPaint : FamilyIn(words);
    }

    private static Family? FamilyIn(string[] words) => Families.Where(f => f.Words.All(w => Holds(words, w))).Select(f => (Family?)f.Family).FirstOrDefault();

    private static Srgb? ColourIn(string[] words, Family family)
    {
        if (Colours.FirstOrDefault(c => c.Words.All(w => Holds(words, w))) is not { Colour: { } found })
        {
            return Usual.TryGetValue(family, out var usual) ? Srgb.Parse(usual) : null;
        }

        var lab = Srgb.Parse(found).ToLab();
        var lightness = lab.L + Shifts.Where(s => Holds(words, s.Words)).Sum(s => s.Lightness);
        return new Lab(Math.Clamp(family.Facts() is { Kind: Kind.Wash, Drips: true } && family != Family.Ink && lab.L > 25 ? lightness * WashLightness : lightness, 4, 97), lab.A, lab.B).ToLinear().ToSrgb();
    }

    private static string[] Split(string text) => text.ToLowerInvariant().Split([' ', ',', '/', '(', ')', '.', ':', '_', '+'], StringSplitOptions.RemoveEmptyEntries);

    // A word may be the end of a longer one, as in "lampblack", but not of "crust" or "number".
    private static bool Holds(string[] words, string anyOf) => anyOf.Split('|').Any(w => words.Any(v => v == w || (w.Length >= 4 && v.Length - w.Length >= 4 && v.EndsWith(w, StringComparison.Ordinal))));

    private static string Bare(string text) => new([.. text.ToLowerInvariant().Where(char.IsLetter)]);
}
