using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mending;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Weathering;

/// <summary>A zone's stack with its marks.</summary>
/// <param name="Draft">The stack.</param>
/// <param name="Missing">Kinds that nothing on the shelf makes.</param>
/// <param name="Added">What was added so that it holds, in words: barriers, varnishes, mends.</param>
public sealed record WeatheredStack(StackDraft Draft, IReadOnlyList<MarkKind> Missing, IReadOnlyList<string> Added);

/// <summary>Puts the coats of a plan into a stack, each at its place: by age of the damage, and within a stage fields before lines before spots.</summary>
public static class WeatherCoats
{
    private const int Wear = 10, Fields = 20, Runs = 30, LastVarnish = 45, Loose = 50, Fixed = 55, GlossBack = 60;

    /// <summary>The marks of an entry, as a coat knows them; null where the kind goes on as a plain film.</summary>
    /// <param name="entry">The entry.</param>
    /// <param name="parts">The parts of sides that it lies on.</param>
    public static Marks? MarksOf(MarkEntry entry, IReadOnlyList<FacePart> parts)
    {
        ArgumentNullException.ThrowIfNull(entry);
        ArgumentNullException.ThrowIfNull(parts);
        var how = entry.How;
        if (how is { IsField: true, Over: StripFrom.Ground, Strip: null, By: not MarksBy.Line } || entry.Kind == MarkKind.CreaseGrime)
        {
            return null;
        }

        var strip = parts.Sum(p => p.Width * p.Height);
        if (how.Length is null)
        {
            // A strip on each side, as wide as those are by the mean.
            return parts.Count == 0 ? null : new(parts.Count, FaceMap.Round(parts) / parts.Count, strip / FaceMap.Round(parts), entry.Kind, strip);
        }

        var count = (int)Math.Max(1, Math.Round(entry.Count, MidpointRounding.AwayFromZero));
        return new(count, entry.WidthMm, entry.LengthMm, entry.Kind, how.IsField && strip > 0 ? strip : null);
    }

    /// <summary>A coat of an entry; null where nothing on the shelf makes it.</summary>
    /// <param name="entry">The entry: its id is that of the coat.</param>
    /// <param name="marks">Its marks.</param>
    /// <param name="material">What the painter chose for it; none for what is nearest.</param>
    /// <param name="ground">Colour that it goes on.</param>
    /// <param name="shelf">What may be used.</param>
    public static Coat? Coat(MarkEntry entry, Marks? marks, Material? material, Srgb ground, Shelf shelf)
    {
        ArgumentNullException.ThrowIfNull(entry);
        var way = material is { } own && WeatherPaints.With(entry.Kind, own) is { } technique ? (technique, own) : WeatherPaints.Nearest(entry.Kind, ground, shelf);
        return way is { } found ? Stacks.Coat.Usual(found.Item1, found.Item2) with { Id = entry.Id, Marks = marks } : null;
    }

    /// <summary>Where a coat belongs: 0 the coats that make the surface and its colours, then by stage.</summary>
    /// <param name="stack">Its stack.</param>
    /// <param name="index">Its place.</param>
    public static int Rank(StackDraft stack, int index)
    {
        ArgumentNullException.ThrowIfNull(stack);
        var coat = stack.Coats[index];
        if (coat.How.Role == Role.Varnish && coat.Marks is null)
        {
            // One that nothing but powder follows is the last; one in between stays with what is below it.
            var last = stack.Coats.Skip(index + 1).All(c => c.Skipped || c.How.Role is Role.Varnish or Role.Powder or Role.Fixer || c.Marks?.Kind?.Facts().Stage == 5);
            return last ? LastVarnish : Enumerable.Range(0, index).Select(i => Rank(stack, i)).DefaultIfEmpty().Max();
        }

        return coat.Marks?.Kind is { } kind ? (coat.How.Role == Role.Varnish ? GlossBack : 10 * kind.Facts().Stage)
            : coat.How.Role switch
            {
                Role.Powder => Loose,
                Role.Fixer => Fixed,
                Role.PinWash or Role.Filter => Fields,
                Role.Opening or Role.Drawing => Wear,
                Role.WetStreak => Runs,
                Role.Mark => coat.Technique switch { Technique.SpongeChipping => Wear, Technique.Speckle => Loose, _ => Runs },
                _ => 0,
            };
    }

    /// <summary>Puts coats in: each above the last that belongs below it.</summary>
    /// <param name="stack">The stack.</param>
    /// <param name="coats">Kinds and their coats, in the order in which they go on.</param>
    /// <param name="shelf">What barriers, varnishes and mends may be taken from.</param>
    /// <param name="missing">Kinds that there is no coat for.</param>
    public static WeatheredStack Put(StackDraft stack, IReadOnlyList<(MarkEntry Entry, Coat Coat)> coats, Shelf shelf, IReadOnlyList<MarkKind> missing)
    {
        ArgumentNullException.ThrowIfNull(stack);
        ArgumentNullException.ThrowIfNull(coats);
        ArgumentNullException.ThrowIfNull(shelf);
        var before = Alarms(stack);
        var draft = stack.Remove(c => coats.Any(n => n.Entry.Id == c.Id));
        var added = new List<string>();
        foreach (var (entry, coat) in coats.OrderBy(c => c.Entry.How.Stage).ThenBy(c => c.Entry.Kind))
        {
            draft = draft.Coats.Count < StackDraft.MostCoats ? draft.Insert(PlaceOf(draft, 10 * entry.How.Stage), coat) : draft;
        }

        draft = UnderPinWash(draft, coats, shelf, added);
        draft = Sealed(draft, coats, shelf, added);
        draft = Glossed(draft, coats, shelf, added);
        if (Alarms(draft) > before)
        {
            var mended = MendAll.Of(draft, shelf);

            // What the plan itself put there stays, and so does what was there before it.
            if (draft.Coats.All(c => mended.Draft.Coats.FirstOrDefault(m => m.Id == c.Id) is { } now && (stack.IndexOf(c.Id) < 0 || (now.Material?.Id, now.MixedTo, now.Technique, now.Passes) == (c.Material?.Id, c.MixedTo, c.Technique, c.Passes))) && Alarms(mended.Draft) < Alarms(draft))
            {
                draft = mended.Draft;
                added.AddRange(mended.Steps.Select(s => s.Label));
            }
        }

        return new(draft, missing, added);
    }

    /// <summary>Findings of a stack that are stops or risks and do not rest.</summary>
    public static int Alarms(StackDraft stack)
    {
        ArgumentNullException.ThrowIfNull(stack);
        return stack.Coats.All(c => c.Skipped) ? 0 : RuleBook.ReadAlarms(new(stack, Predictor.PredictMiddle(stack))).Count(f => f.Rests is null);
    }

    private static int PlaceOf(StackDraft stack, int rank)
    {
        for (var i = stack.Coats.Count - 1; i >= 0; i--)
        {
            if (Rank(stack, i) <= rank)
            {
                return i + 1;
            }
        }

        return 0;
    }

    // A pin wash runs along creases on gloss or satin, by school.
    private static StackDraft UnderPinWash(StackDraft draft, IReadOnlyList<(MarkEntry Entry, Coat Coat)> coats, Shelf shelf, List<string> added)
    {
        var at = draft.Coats.ToList().FindIndex(c => c.How.Role == Role.PinWash && coats.Any(n => n.Coat.Id == c.Id));
        var wanted = draft.Schools.PinWashSheen;
        if (at < 0 || draft.Coats.Count >= StackDraft.MostCoats || new Reading(draft, Predictor.PredictMiddle(draft)).SheenUnder(at).AsFilm() <= wanted || shelf.Varnishes(wanted).FirstOrDefault() is not { } varnish)
        {
            return draft;
        }

        added.Add($"{varnish.Name} under the pin wash");
        return draft.InsertNew(at, Stacks.Coat.Usual(Sprayed(varnish), varnish), draft.Coats[at].Id, Salt.Barrier);
    }

    // Runs in spirit are drawn on satin, and what is shinier than the zone should be in the end is made so before the loose ones.
    private static StackDraft Sealed(StackDraft draft, IReadOnlyList<(MarkEntry Entry, Coat Coat)> coats, Shelf shelf, List<string> added)
    {
        var first = draft.Coats.ToList().FindIndex(c => coats.Any(n => n.Coat.Id == c.Id && n.Entry.How.Stage is 3 or 4) && c.Carrier is not (Carrier.Water or Carrier.None));
        if (first < 0 || draft.Coats.Take(first).Any(c => !c.Skipped && c.How.Role == Role.Varnish) || draft.Coats.Count > StackDraft.MostCoats - 2 || shelf.Varnishes(Sheen.Satin).FirstOrDefault() is not { } satin)
        {
            return draft;
        }

        var mark = draft.Coats[first];
        draft = draft.InsertNew(first, Stacks.Coat.Usual(Sprayed(satin), satin), mark.Id, Salt.Barrier);
        added.Add($"{satin.Name} under what is in spirit");
        var last = Enumerable.Range(0, draft.Coats.Count).Any(i => Rank(draft, i) == LastVarnish && !draft.Coats[i].Skipped);
        if (!last && shelf.Varnishes(draft.Zone.Finish).FirstOrDefault() is { } finish)
        {
            draft = draft.InsertNew(PlaceOf(draft, LastVarnish - 1), Stacks.Coat.Usual(Sprayed(finish), finish), mark.Id, Salt.Seal);
            added.Add($"{finish.Name} over the stains");
        }

        return draft;
    }

    // What is wet or oily gets its gloss back after the last varnish.
    private static StackDraft Glossed(StackDraft draft, IReadOnlyList<(MarkEntry Entry, Coat Coat)> coats, Shelf shelf, List<string> added)
    {
        foreach (var (entry, coat) in coats.Where(c => c.Entry.Kind == MarkKind.Oil))
        {
            if (draft.Coats.Count < StackDraft.MostCoats && shelf.Varnishes(Sheen.Gloss).FirstOrDefault(m => !m.Family.Facts().InCan) is { } gloss)
            {
                draft = draft.InsertNew(draft.Coats.Count, Stacks.Coat.Usual(Technique.Varnish, gloss) with { Marks = coat.Marks }, entry.Id, Salt.Seal);
                added.Add($"{gloss.Name} back on the stains");
            }
        }

        return draft;
    }

    private static Technique Sprayed(Material varnish) => varnish.Family.Facts().InCan ? Technique.VarnishSpray : Technique.Varnish;
}
