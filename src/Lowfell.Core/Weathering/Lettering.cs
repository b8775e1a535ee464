using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Weathering;

/// <summary>How letters are put on.</summary>
public enum LetteredBy
{
    /// <summary>By hand, with a tool that draws the stroke.</summary>
    [Said("by hand")]
    Hand,

    /// <summary>Through a mask.</summary>
    [Said("through a mask")]
    Mask,

    /// <summary>A decal: on gloss, matt over it.</summary>
    [Said("a decal")]
    Decal,
}

/// <summary>Lettering, numbers or slogans on a zone.</summary>
/// <param name="Id">Identity.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="Texts">Texts: shared out over copies without one twice, as long as there are enough.</param>
/// <param name="Side">The side.</param>
/// <param name="XMm">Its middle, from the left end of the side, mm.</param>
/// <param name="YMm">Its foot above that of the piece, mm.</param>
/// <param name="TallMm">Height of the letters, mm.</param>
/// <param name="By">How they are put on.</param>
public sealed record Lettering(Guid Id, Guid ZoneId, IReadOnlyList<string> Texts, MarkSide Side, double XMm, double YMm, double TallMm, LetteredBy By);

/// <summary>What follows from lettering.</summary>
/// <param name="StrokeMm">Width of a stroke, mm.</param>
/// <param name="WidestMm">Width of the longest text, mm.</param>
/// <param name="LifeMm">Height in life, mm.</param>
/// <param name="LegibleM">Farthest that it is read from, m.</param>
/// <param name="Tool">What draws the stroke; none where none does.</param>
/// <param name="Faults">What cannot be.</param>
public sealed record LetteringReading(double StrokeMm, double WidestMm, double LifeMm, double LegibleM, string? Tool, IReadOnlyList<string> Faults);

/// <summary>Lettering: legible from how far, drawable with what. Letters of plain strokes, a seventh of their height. Craft estimates but where a source is named.</summary>
public static class Letters
{
    // A stroke is a seventh of the height, a letter 0.7 of it wide with its gap.
    private const double StrokeShare = 1 / 7.0, WidthShare = 0.7;

    // A stroke of one minute of arc is read (Snellen 1862: letters of five minutes, strokes of one).
    private const double Arcminutes = 1;

    // A stroke on rough ground has to be so much wider than the relief lets it run, mm.
    private static double LeastStroke(Relief relief) => relief switch { Relief.Smooth => 0.12, Relief.Panelled => 0.15, Relief.Textured => 0.35, _ => 0.6 };

    /// <summary>Width of a text, mm.</summary>
    public static double WidthMm(string text, double tallMm)
    {
        ArgumentNullException.ThrowIfNull(text);
        return text.Length * WidthShare * tallMm;
    }

    /// <summary>What follows from lettering on a zone.</summary>
    public static LetteringReading Read(Lettering lettering, Zone zone, PieceBox box)
    {
        ArgumentNullException.ThrowIfNull(lettering);
        ArgumentNullException.ThrowIfNull(zone);
        ArgumentNullException.ThrowIfNull(box);
        var stroke = lettering.TallMm * StrokeShare;
        var widest = lettering.Texts.Select(t => WidthMm(t, lettering.TallMm)).DefaultIfEmpty().Max();
        var tool = WeatherTable.Tools.Where(t => t.For.Contains(Technique.EdgeHighlight) && stroke >= t.FromMm && stroke <= t.ToMm).MinBy(t => t.ToMm)?.Name;
        var faults = new List<string>();
        if (lettering.Texts.Count == 0 || lettering.Texts.All(string.IsNullOrWhiteSpace))
        {
            faults.Add("There is no text yet: write one.");
        }

        var (across, up) = (box.Across(lettering.Side), box.Up(lettering.Side));
        if (lettering.XMm - (widest / 2) < 0 || lettering.XMm + (widest / 2) > across || lettering.YMm < 0 || lettering.YMm + lettering.TallMm > up)
        {
            faults.Add(FormattableString.Invariant($"It is {widest:0.#} mm wide and {lettering.TallMm:0.#} tall: it reaches over the {SaidAttribute.Of(typeof(MarkSide))[lettering.Side.ToString()]}, which is {across:0.#} by {up:0.#}."));
        }

        if (lettering.By == LetteredBy.Hand && (tool is null || stroke < LeastStroke(zone.Relief)))
        {
            faults.Add(FormattableString.Invariant($"A stroke of {stroke:0.00} mm can't be drawn by hand on {SaidAttribute.Of(typeof(Relief))[zone.Relief.ToString()]}: letters of {Math.Max(LeastStroke(zone.Relief), 0.12) / StrokeShare:0.#} mm and up can; or take a decal."));
        }

        return new(stroke, widest, lettering.TallMm * zone.Scale, stroke / 1000 / Math.Tan(Arcminutes / 60 * Math.PI / 180), lettering.By == LetteredBy.Hand ? tool : null, faults);
    }

    /// <summary>The text of each copy: no two alike while there are enough, and neighbours never alike where there are two.</summary>
    /// <param name="lettering">The lettering.</param>
    /// <param name="piece">The piece.</param>
    public static IReadOnlyList<string> Shared(Lettering lettering, WeatherPiece piece)
    {
        ArgumentNullException.ThrowIfNull(lettering);
        ArgumentNullException.ThrowIfNull(piece);
        string[] texts = [.. lettering.Texts.Where(t => !string.IsNullOrWhiteSpace(t)).Distinct()];
        if (texts.Length == 0)
        {
            return [.. Enumerable.Repeat("", piece.Copies)];
        }

        // In an order of its own, over and over.
        var seeds = new Bases.Plane.Seeds(Variation.Seed(piece.Set, piece.Piece, "letters", lettering.Id.ToString("n")));
        for (var i = texts.Length - 1; i > 0; i--)
        {
            var k = seeds.Below(i + 1);
            (texts[i], texts[k]) = (texts[k], texts[i]);
        }

        return [.. Enumerable.Range(0, piece.Copies).Select(c => texts[c % texts.Length])];
    }

    /// <summary>The coats of lettering, from below: of a decal gloss, and matt over it once it is set; of painted letters one of its paint. None where the shelf has nothing for it.</summary>
    /// <param name="lettering">The lettering: its id is that of its first coat.</param>
    /// <param name="zone">The zone.</param>
    /// <param name="paint">What it is painted with; none for what is nearest.</param>
    /// <param name="ground">Colour that it goes on.</param>
    /// <param name="shelf">What may be used.</param>
    public static IReadOnlyList<Coat> Coats(Lettering lettering, Zone zone, Material? paint, Srgb ground, Shelf shelf)
    {
        ArgumentNullException.ThrowIfNull(lettering);
        ArgumentNullException.ThrowIfNull(zone);
        ArgumentNullException.ThrowIfNull(shelf);
        if (lettering.By == LetteredBy.Decal)
        {
            var last = zone.Finish == Sheen.Gloss ? Sheen.Satin : zone.Finish;
            return shelf.Varnishes(Sheen.Gloss).FirstOrDefault() is { } gloss && shelf.Varnishes(last).FirstOrDefault() is { } over
                ? [Varnish(gloss, lettering.Id, "Under the decal: it silvers on anything duller."), Varnish(over, After(lettering.Id), "Over the decal, once it is set and dry.")]
                : [];
        }

        var letters = lettering.Texts.Select(t => (double)t.Count(c => !char.IsWhiteSpace(c))).DefaultIfEmpty().Average();
        var way = paint is { } own && WeatherPaints.With(MarkKind.Letter, own) is { } technique ? (technique, own) : WeatherPaints.Nearest(MarkKind.Letter, ground, shelf);
        return way is not { } found || letters < 0.5 ? [] :
        [
            Coat.Usual(lettering.By == LetteredBy.Mask ? Technique.Stipple : found.Item1, found.Item2) with
            {
                Id = lettering.Id,
                Marks = new((int)Math.Max(1, Math.Round(letters)), WidthShare * lettering.TallMm, lettering.TallMm, MarkKind.Letter),
                Note = $"{string.Join(", ", lettering.Texts)}, {lettering.TallMm:0.#} mm",
            },
        ];
    }

    /// <summary>The id of the varnish over a decal.</summary>
    public static Guid After(Guid lettering)
    {
        Span<byte> id = stackalloc byte[16];
        lettering.TryWriteBytes(id);
        id[0] ^= 0x5a;
        return new(id);
    }

    private static Coat Varnish(Material of, Guid id, string note) => Coat.Usual(of.Family.Facts().InCan ? Technique.VarnishSpray : Technique.Varnish, of) with { Id = id, Note = note };
}
