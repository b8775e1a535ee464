using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Place;

/// <summary>Sizes of marks in life, against which those on the model are held. Craft estimates.</summary>
public static class MarkSizes
{
    // What of no kind that is told is held against: rain, and chips.
    private static readonly double WidestStreakMm = MarkKind.Rain.Facts().Width!.Value.To, LargestChipMm = MarkKind.Chip.Facts().Width!.Value.To;

    /// <summary>Largest pebble that still reads as sand and grit underfoot, mm in life.</summary>
    public const double LargestGrainMm = 60;

    /// <summary>How many times life what is drawn large on purpose may be at a viewing distance of a metre.</summary>
    private const double ExaggeratedAtAMetre = 2;

    /// <summary>And who paints to scale, of which a brush that is a little too wide is no fault.</summary>
    private const double ToScale = 1.25;

    /// <summary>How many times life a mark may be: a piece that has to read from afar may be drawn the larger, one in a cabinet hardly; to scale, little more than life.</summary>
    public static double Exaggerated(Zone zone, Schools schools)
    {
        ArgumentNullException.ThrowIfNull(zone);
        ArgumentNullException.ThrowIfNull(schools);
        return schools.Contrast == ContrastSchool.ToScale ? ToScale : Math.Max(1, ExaggeratedAtAMetre * zone.ViewingMm / Zone.UsualViewingMm);
    }

    /// <summary>Widest that marks of a coat may be on the model before they are out of scale, mm; null where nothing in life says.</summary>
    public static double? WidestMm(Coat coat, Zone zone, Schools schools)
    {
        ArgumentNullException.ThrowIfNull(coat);
        return InLifeAtMost(coat) is { } most ? OnModel(most * Times(coat, zone, schools), zone) : null;
    }

    /// <summary>Largest that marks of a coat are in life, mm; null where nothing in life says.</summary>
    public static double? InLifeAtMost(Coat coat)
    {
        ArgumentNullException.ThrowIfNull(coat);
        return coat.Marks?.Kind is { } kind ? kind.Facts().Width?.To : IsStreak(coat) ? WidestStreakMm : IsChip(coat) ? LargestChipMm : IsGrain(coat) ? LargestGrainMm : null;
    }

    /// <summary>How many times life marks of a coat may be drawn: what is meant as something as its kind bears.</summary>
    public static double Times(Coat coat, Zone zone, Schools schools)
    {
        ArgumentNullException.ThrowIfNull(coat);
        ArgumentNullException.ThrowIfNull(schools);
        return coat.Marks?.Kind is not { } kind ? Exaggerated(zone, schools) : MostTimes(kind, schools);
    }

    /// <summary>How many times life a kind of mark may be drawn.</summary>
    public static double MostTimes(MarkKind kind, Schools schools)
    {
        ArgumentNullException.ThrowIfNull(schools);
        return schools.Contrast == ContrastSchool.ToScale ? ToScale : Math.Max(ToScale, kind.Facts().MostTimes);
    }

    /// <summary>Runs down.</summary>
    internal static bool IsStreak(Coat coat) => coat.Marks?.Kind is null ? coat.Technique == Technique.Streak : coat.Shape == MarkShape.Streak;

    /// <summary>Broken or worn off.</summary>
    internal static bool IsChip(Coat coat) => coat.Marks?.Kind is null ? coat.Technique == Technique.SpongeChipping || coat.How.Role == Role.Opening : coat.Shape is MarkShape.Chip or MarkShape.Dot;

    /// <summary>Lies there.</summary>
    internal static bool IsGrain(Coat coat) => coat.How.Role == Role.Grit;

    /// <summary>Size in life of a size on the model, mm.</summary>
    public static double InLife(double modelMm, Zone zone) => modelMm * zone.Scale;

    /// <summary>Size on the model of a size in life, mm.</summary>
    public static double OnModel(double lifeMm, Zone zone) => lifeMm / zone.Scale;

    /// <summary>The finding that a mark is too large; none where it is not measured or fits.</summary>
    internal static IEnumerable<Fault> TooLarge(Reading reading, Func<Coat, bool> which, string what, string why)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.Marks is not { } marks || !which(coat) || InLifeAtMost(coat) is not { } most)
            {
                continue;
            }

            var life = InLife(marks.WidthMm, reading.Zone);
            if (life > most * Times(coat, reading.Zone, reading.Schools))
            {
                yield return new(Severity.Note, i, what, why) { Figure = $"{marks.WidthMm:0.##} mm at 1:{reading.Zone.Scale:0.#} is {life:0} mm in life; {most:0} mm is large." };
            }
        }
    }

    /// <summary>Mends a mark to the largest that fits; none where none is too large.</summary>
    internal static IEnumerable<Mend> Smaller(MendContext context, string label)
    {
        var (coat, marks) = (context.Coat, context.Coat.Marks!);
        if (WidestMm(coat, context.Draft.Zone, context.Draft.Schools) is not { } widest)
        {
            yield break;
        }

        var width = Math.Floor(widest * 100) / 100;
        var shrink = width / Math.Max(marks.WidthMm, 1e-9);
        yield return new("smaller", $"{label} {width:0.##} mm", context.Draft.Replace(coat with { Marks = marks with { WidthMm = width, LengthMm = IsStreak(coat) ? marks.LengthMm : marks.LengthMm * Math.Min(1, shrink) } }));
    }
}
