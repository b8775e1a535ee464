using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Ready;

/// <summary>A setting that pieces and bases stand in.</summary>
public enum GroundSetting
{
    /// <summary>Sand that the tide has just left.</summary>
    [Said("wet sand")]
    WetSand,

    /// <summary>Sand above the tide line.</summary>
    [Said("dry sand")]
    DrySand,

    /// <summary>Salt marsh.</summary>
    [Said("salt marsh")]
    SaltMarsh,

    /// <summary>Peat.</summary>
    [Said("peat")]
    Peat,

    /// <summary>Red clay.</summary>
    [Said("red clay")]
    RedClay,

    /// <summary>Pale clay under a salt crust.</summary>
    [Said("pale clay")]
    PaleClay,

    /// <summary>Slate shore.</summary>
    [Said("slate")]
    Slate,

    /// <summary>Soot and cinders round the boiling house.</summary>
    [Said("cinders")]
    Cinders,
}

/// <summary>The five tones of a ground.</summary>
public enum GroundTone
{
    /// <summary>What lies deep.</summary>
    [Said("deep")]
    Deep,

    /// <summary>The ground itself.</summary>
    [Said("ground")]
    Ground,

    /// <summary>What stands a little higher.</summary>
    [Said("mid")]
    Mid,

    /// <summary>What the light catches.</summary>
    [Said("light")]
    Light,

    /// <summary>What lies loose on all of it, and on the feet of what stands there.</summary>
    [Said("dust")]
    Dust,
}

/// <summary>A tone of a ground with what is taken for it.</summary>
/// <param name="Tone">The tone.</param>
/// <param name="Wanted">What it should be, beside the ground that was found.</param>
/// <param name="Paint">The paint, or the first of the two.</param>
/// <param name="Other">The second, where two are mixed.</param>
/// <param name="Parts">Parts of the first and the second; 1 and 0 for one paint.</param>
/// <param name="Colour">What comes of it.</param>
public sealed record GroundPick(GroundTone Tone, Srgb Wanted, Material Paint, Material? Other, (int First, int Second) Parts, Srgb Colour)
{
    /// <summary>dE00 to what is wanted.</summary>
    public double DeltaE => ColourDifference.Ciede2000(Wanted.ToLab(), Colour.ToLab());

    /// <summary>What it is, as a painter writes it down: "Tan", "2 parts Tan, 1 part Bone".</summary>
    public string Says => Other is null ? Paint.Name : $"{Part(Parts.First)} {Paint.Name}, {Part(Parts.Second)} {Other.Name}";

    private static string Part(int parts) => parts == 1 ? "1 part" : $"{parts} parts";
}

/// <summary>Deep, ground, mid, light and dust of a setting from a shelf, in one hue family.</summary>
/// <remarks>
/// The ground is the paint that is nearest to the setting; the other tones follow from it at steps of lightness and with less colour the lighter they are
/// (<see cref="Steps"/>). Each is the nearest paint whose hue is the ground's, in the order of lightness, else a mix of two in a few parts.
/// </remarks>
public static class GroundPalette
{
    /// <summary>How a tone stands to the ground: CIELAB lightness added, share of its chroma. Craft estimates.</summary>
    private static readonly Dictionary<GroundTone, (double Lighter, double Chroma)> Steps = new()
    {
        [GroundTone.Deep] = (-18, 0.65),
        [GroundTone.Ground] = (0, 1),
        [GroundTone.Mid] = (10, 0.95),
        [GroundTone.Light] = (21, 0.85),
        [GroundTone.Dust] = (30, 0.55),
    };

    /// <summary>What settings look like when they are neither wet nor bleached. Craft estimates.</summary>
    private static readonly Dictionary<GroundSetting, Srgb> Grounds = new()
    {
        [GroundSetting.WetSand] = Srgb.Parse("#8a7350"),
        [GroundSetting.DrySand] = Srgb.Parse("#b89d6c"),
        [GroundSetting.SaltMarsh] = Srgb.Parse("#5f6647"),
        [GroundSetting.Peat] = Srgb.Parse("#3f3026"),
        [GroundSetting.RedClay] = Srgb.Parse("#80492f"),
        [GroundSetting.PaleClay] = Srgb.Parse("#a89a80"),
        [GroundSetting.Slate] = Srgb.Parse("#5a6064"),
        [GroundSetting.Cinders] = Srgb.Parse("#4d4843"),
    };

    // A paint of the same hue within so much is of one family with it, degrees; under so much chroma a colour has no hue.
    private const double SameHue = 32, Grey = 8;

    // A single paint this near is taken as it is; two are mixed only where that comes so much nearer, dE00.
    private const double NearEnough = 4, WorthMixing = 2;

    // As much dust as is seen and no more: a usual hand fills the recesses with it.
    private const double DustHand = 0.5;

    // More parts than these nobody counts at the palette.
    private const int MostParts = 4;

    // Neighbours are at least so far apart, CIELAB lightness, or they are one.
    private const double LeastStep = 4;

    /// <summary>The colour of a setting's ground.</summary>
    public static Srgb Colour(this GroundSetting setting) => Grounds[setting];

    /// <summary>The five tones, in the order in which they are laid.</summary>
    /// <param name="ground">What the ground should look like.</param>
    /// <param name="shelf">What there is.</param>
    /// <returns>None where the shelf has no acrylic paint to begin with.</returns>
    public static IReadOnlyList<GroundPick> From(Srgb ground, Shelf shelf)
    {
        ArgumentNullException.ThrowIfNull(shelf);
        Material[] paints = [.. shelf.Materials.Where(m => m is { Family: Family.AcrylicPaint, Effect: Effect.Plain })];
        if (paints.Length == 0)
        {
            return [];
        }

        var first = Pick(GroundTone.Ground, ground, paints, null, paints);
        var picks = new List<GroundPick> { first };
        var of = first.Colour.ToLab();
        foreach (var tone in new[] { GroundTone.Deep, GroundTone.Mid, GroundTone.Light, GroundTone.Dust })
        {
            var (lighter, chroma) = Steps[tone];
            var wanted = new Lab(Math.Clamp(of.L + lighter, 4, 96), of.A * chroma, of.B * chroma).ToLinear().ToSrgb();
            var powders = tone == GroundTone.Dust ? shelf.Materials.Where(m => m.Family == Family.Pigment) : [];
            var taken = picks.Where(p => p.Other is null).Select(p => p.Paint.Id).ToHashSet();
            picks.Add(Pick(tone, wanted, [.. paints.Concat(powders).Where(m => !taken.Contains(m.Id))], picks, paints));
        }

        return [.. picks.OrderBy(p => p.Tone)];
    }

    /// <summary>A zone's stack as that ground: what prepares and primes it stays, the five tones follow.</summary>
    /// <param name="draft">The stack; an empty one is primed where the shelf has a primer.</param>
    /// <param name="picks">The five tones.</param>
    /// <param name="shelf">What there is, and the tools.</param>
    public static StackDraft On(StackDraft draft, IReadOnlyList<GroundPick> picks, Shelf shelf)
    {
        ArgumentNullException.ThrowIfNull(draft);
        ArgumentNullException.ThrowIfNull(picks);
        ArgumentNullException.ThrowIfNull(shelf);
        var coats = draft.Coats.TakeWhile(Prepares).ToList();
        if (coats.All(c => c.What?.Kind != Kind.Primer) && Primer(shelf, draft.Zone.Substrate) is { } primer)
        {
            coats.Add(primer);
        }

        var by = picks.ToDictionary(p => p.Tone);
        coats.Add(CoatOf(by[GroundTone.Ground], SchemeRole.Base, shelf.Tools) with { Passes = 2 });
        coats.Add(Shade(by[GroundTone.Deep], shelf));
        coats.Add(CoatOf(by[GroundTone.Mid], SchemeRole.Overbrush, shelf.Tools));
        coats.Add(CoatOf(by[GroundTone.Light], SchemeRole.Light, shelf.Tools));
        coats.Add(CoatOf(by[GroundTone.Dust], SchemeRole.Dust, shelf.Tools) with { Hand = DustHand, Optional = true });
        return draft with { Coats = [.. coats.Select((c, i) => c.Id == Guid.Empty ? c with { Id = new(0, 0, 0, 0, 0, 0, 0, 0, 0, 2, (byte)(i + 1)) } : c)] };
    }

    private static bool Prepares(Coat coat) => coat.Skipped || coat.What is null or { Kind: Kind.Primer or Kind.Paste or Kind.CracklePaste or Kind.Glue or Kind.Grit } || coat.How.Role == Role.Seal;

    private static Coat? Primer(Shelf shelf, Substrate substrate) =>
        (from way in SchemeRole.Primer.Ways()
         from material in shelf.Materials
         where way.Families.Contains(material.Family) && material.Family.Facts().Kind == Kind.Primer && shelf.Tools.Can(way.Technique, material.Family)
         where !substrate.Facts().Melts || material.Family.Facts().Carrier == Carrier.Water
         select Coat.Usual(way.Technique, material) with { Passes = way.Passes }).FirstOrDefault();

    // A wash of the shelf where one is of that colour, else the paint itself, thin, in medium.
    private static Coat Shade(GroundPick deep, Shelf shelf)
    {
        const double Alike = 12;
        var wash = shelf.Materials.Where(m => m.Family == Family.AcrylicWash).MinBy(m => ColourDifference.Ciede2000(m.Colour.ToLab(), deep.Colour.ToLab()));
        return wash is not null && ColourDifference.Ciede2000(wash.Colour.ToLab(), deep.Colour.ToLab()) <= Alike
            ? Coat.Usual(Technique.Wash, wash)
            : CoatOf(deep, SchemeRole.Shade, shelf.Tools);
    }

    private static Coat CoatOf(GroundPick pick, SchemeRole role, Tools tools)
    {
        var way = role.Ways().First(w => w.Families.Contains(pick.Paint.Family) && tools.Can(w.Technique, pick.Paint.Family));
        var coat = Coat.Usual(way.Technique, pick.Paint) with { Passes = way.Passes };
        if (way.PaintFraction is { } fraction && way.Technique.Facts().Thins)
        {
            coat = coat with { Dilution = Dilution.Of(fraction), Thinner = way.Medium ? Thinner.AcrylicMedium : coat.Thinner };
        }

        return pick.Other is null ? coat : coat with { MixedTo = pick.Colour, Note = pick.Says };
    }

    private static GroundPick Pick(GroundTone tone, Srgb wanted, IReadOnlyList<Material> from, IReadOnlyList<GroundPick>? others, IReadOnlyList<Material> mixed)
    {
        var goal = wanted.ToLab();
        double Off(Srgb colour) => ColourDifference.Ciede2000(goal, colour.ToLab());
        bool Fits(Srgb colour) => SameFamily(goal, colour.ToLab()) && (others is null || Between(tone, colour, others));
        var single = from.Where(m => Fits(m.Colour)).MinBy(m => Off(m.Colour));
        if (single is not null && Off(single.Colour) <= NearEnough)
        {
            return new(tone, wanted, single, null, (1, 0), single.Colour);
        }

        var best = single is null ? null : new GroundPick(tone, wanted, single, null, (1, 0), single.Colour);
        foreach (var (a, b) in Pairs(mixed, goal, others?[0].Paint))
        {
            var ratio = RatioSolver.Solve([a, b], wanted, MostParts).FirstOrDefault(r => r.Parts[0] > 0 && r.Parts[1] > 0 && Fits(r.Colour));
            if (ratio is not null && (best is null || ratio.DeltaE < best.DeltaE - (best.Other is null ? WorthMixing : 0)))
            {
                best = new(tone, wanted, a, b, (ratio.Parts[0], ratio.Parts[1]), ratio.Colour);
            }
        }

        // A shelf of a few bright paints: the nearest there is, whatever its hue.
        return best ?? (mixed.MinBy(m => Off(m.Colour)) is { } nearest ? new(tone, wanted, nearest, null, (1, 0), nearest.Colour) : throw new InvalidOperationException("No paint to pick from."));
    }

    // The ground with anything, which stays in its family; and what lies about what is wanted.
    private static IEnumerable<(Material A, Material B)> Pairs(IReadOnlyList<Material> paints, Lab goal, Material? ground)
    {
        const int Nearest = 8;
        Material[] near = [.. paints.OrderBy(m => ColourDifference.Ciede2000(goal, m.Colour.ToLab())).Take(Nearest)];
        return (ground is { Family: Family.AcrylicPaint } ? paints.Where(p => p.Id != ground.Id).Select(p => (ground, p)) : [])
            .Concat(from a in Enumerable.Range(0, near.Length) from b in Enumerable.Range(a + 1, near.Length - a - 1) select (near[a], near[b]));
    }

    private static bool SameFamily(Lab wanted, Lab colour)
    {
        if (wanted.Chroma < Grey || colour.Chroma < Grey)
        {
            return Math.Abs(wanted.Chroma - colour.Chroma) < 2 * Grey;
        }

        var apart = Math.Abs(Math.Atan2(wanted.B, wanted.A) - Math.Atan2(colour.B, colour.A)) * 180 / Math.PI;
        return Math.Min(apart, 360 - apart) <= SameHue;
    }

    private static bool Between(GroundTone tone, Srgb colour, IReadOnlyList<GroundPick> others) =>
        others.All(o => o.Tone < tone ? colour.ToLab().L >= o.Colour.ToLab().L + LeastStep : colour.ToLab().L <= o.Colour.ToLab().L - LeastStep);
}
