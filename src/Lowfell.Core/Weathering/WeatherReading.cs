using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Weathering;

/// <summary>What follows from one entry of a plan.</summary>
/// <param name="Entry">The entry.</param>
/// <param name="Parts">The parts of sides that it lies on.</param>
/// <param name="Coat">Its coat; none where nothing on the shelf makes it.</param>
/// <param name="Verdict">How its width stands to life.</param>
/// <param name="Tool">What draws it; none for a strip.</param>
/// <param name="Seen">From where it is seen; none where nothing can be said.</param>
/// <param name="Colour">Colour of a mark, as predicted.</param>
/// <param name="Work">Paint and minutes; none without a coat.</param>
/// <param name="Faults">What cannot be.</param>
public sealed record EntryReading(MarkEntry Entry, IReadOnlyList<FacePart> Parts, Coat? Coat, WidthVerdict Verdict, DrawingTool? Tool, SightVerdict? Seen, Srgb? Colour, MarkWork? Work, IReadOnlyList<string> Faults);

/// <summary>A whole plan, read.</summary>
/// <param name="Entries">What follows from each entry, in their order.</param>
/// <param name="Stacks">The stack of each zone with its marks.</param>
public sealed record WeatherReading(IReadOnlyList<EntryReading> Entries, IReadOnlyDictionary<Guid, WeatheredStack> Stacks)
{
    /// <summary>Reads a plan.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="zones">Its zones, their stacks without coats of the plan.</param>
    /// <param name="entries">Entries.</param>
    /// <param name="chosen">Materials that the painter chose, by entry.</param>
    /// <param name="shelf">What marks may be made with.</param>
    /// <param name="stand">Where the set is looked at from, and who.</param>
    /// <param name="drawings">What is drawn on it beside.</param>
    public static WeatherReading Of(WeatherPiece piece, IReadOnlyList<WeatherZone> zones, IReadOnlyList<MarkEntry> entries, IReadOnlyDictionary<Guid, Material> chosen, Shelf shelf, SightFrom stand, Drawings? drawings = null)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(zones);
        ArgumentNullException.ThrowIfNull(entries);
        ArgumentNullException.ThrowIfNull(chosen);
        var readings = new Dictionary<Guid, EntryReading>();
        var stacks = new Dictionary<Guid, WeatheredStack>();
        foreach (var bare in zones)
        {
            var own = entries.Where(e => e.ZoneId == bare.Id).ToList();
            var zone = bare with { Stack = (drawings ?? Drawings.None).On(bare, shelf) };
            if (own.Count == 0 && ReferenceEquals(zone.Stack, bare.Stack))
            {
                continue;
            }

            var ground = WeatherPaints.Face(zone.Stack) ?? zone.Surface.Target ?? Bare;
            var read = own.ConvertAll(e => Read(piece, zone, e, ground, chosen, shelf));
            var stack = Put(zone, read, shelf);
            if (WeatherCoats.Alarms(stack.Draft) > WeatherCoats.Alarms(zone.Stack))
            {
                // What spirit would do harm to is weathered in water.
                var inWater = new Shelf([.. shelf.Materials.Where(m => !m.Family.Facts().Carrier.IsSolvent() || m.Family.IsVarnish())]) { MayInvent = shelf.MayInvent };
                var again = own.ConvertAll(e => Read(piece, zone, e, ground, chosen, inWater));
                var other = Put(zone, again, shelf);
                if (WeatherCoats.Alarms(other.Draft) < WeatherCoats.Alarms(stack.Draft) && other.Missing.Count <= stack.Missing.Count)
                {
                    (read, stack) = (again, other);
                }
            }

            foreach (var reading in read)
            {
                readings[reading.Entry.Id] = reading;
            }

            stacks[zone.Id] = stack;
            See(stack.Draft, [.. read.Where(r => r.Coat is not null && r.Faults.Count == 0).Select(r => r.Entry)], readings, stand);
        }

        return new([.. entries.Select(e => readings.GetValueOrDefault(e.Id)).OfType<EntryReading>()], stacks);
    }

    private static EntryReading Read(WeatherPiece piece, WeatherZone zone, MarkEntry entry, Srgb ground, IReadOnlyDictionary<Guid, Material> chosen, Shelf shelf)
    {
        var parts = Variation.Parts(piece.Box, zone, entry);
        var coat = WeatherCoats.Coat(entry, WeatherCoats.MarksOf(entry, parts), chosen.GetValueOrDefault(entry.Id), ground, shelf);
        var verdict = entry.How.Length is null && entry.WidthMm <= 0 ? WidthVerdict.ToScale : MarkScale.Verdict(entry.Kind, entry.WidthMm, zone.Surface.Scale, zone.Stack.Schools);
        return new(entry, parts, coat, verdict, entry.How.Length is null ? null : MarkScale.Tool(entry.Kind, entry.WidthMm), null, null, coat is null ? null : MarkWork.Of(coat, zone.Surface), Faults(piece, zone, entry, parts, entry.Count));
    }

    private static WeatheredStack Put(WeatherZone zone, List<EntryReading> read, Shelf shelf) =>
        WeatherCoats.Put(zone.Stack, [.. read.Where(r => r.Coat is not null && r.Faults.Count == 0).Select(r => (r.Entry, r.Coat!))], shelf, [.. read.Where(r => r.Coat is null).Select(r => r.Entry.Kind)]);

    private static readonly Srgb Bare = Srgb.Parse("#8a8a86");

    // Each mark on what lies below it in the whole stack.
    private static void See(StackDraft stack, List<MarkEntry> entries, Dictionary<Guid, EntryReading> readings, SightFrom stand)
    {
        var predicted = Predictor.PredictMiddle(stack);
        foreach (var entry in entries)
        {
            var at = stack.IndexOf(entry.Id);
            if (at < 0)
            {
                continue;
            }

            var below = predicted.Below(at).Face.Lab;
            var colour = predicted.Strata[at].Mark ?? predicted.Strata[at].Face.Colour;
            var (width, length) = entry.How.Length is not null ? (entry.WidthMm, entry.LengthMm) : readings[entry.Id].Parts is { Count: > 0 } parts ? (parts.Max(p => p.Width), parts.Max(p => p.Height)) : (0, 0);
            if (entry.How.Length is null && readings[entry.Id].Parts.Count == 0)
            {
                continue;
            }

            var detail = new SightDetail(Math.Clamp(width, SightTable.LeastMm, SightTable.MostMm), Math.Clamp(length, SightTable.LeastMm, SightTable.MostMm), colour.ToLinear(), below.ToLinear());
            readings[entry.Id] = readings[entry.Id] with { Colour = colour, Seen = Sights.Verdict(m => Sights.At(detail, stand with { Metres = m }).Word, stand.Metres) };
        }
    }

    private static IReadOnlyList<string> Faults(WeatherPiece piece, WeatherZone zone, MarkEntry entry, IReadOnlyList<FacePart> parts, double count)
    {
        var (faults, how) = (new List<string>(), entry.How);
        var word = SaidAttribute.Of(typeof(MarkKind))[entry.Kind.ToString()];
        if (!how.Facings.Contains(zone.Surface.Facing))
        {
            var facing = SaidAttribute.Of(typeof(Facing))[zone.Surface.Facing.ToString()];
            faults.Add($"{zone.Name} faces {facing}: a {word} is found on what faces {string.Join(" or ", how.Facings.Select(f => SaidAttribute.Of(typeof(Facing))[f.ToString()]))}. Put it on another zone, or drop it.");
        }
        else if (entry is { FromMm: { } from, ToMm: { } to } && from >= to)
        {
            faults.Add(FormattableString.Invariant($"The strip goes from {from:0.#} to {to:0.#} mm: the second has to be the higher one."));
        }
        else if (entry.FromMm is { } foot && foot >= piece.Box.HeightMm)
        {
            faults.Add(FormattableString.Invariant($"{piece.Name} ends at {piece.Box.HeightMm:0.#} mm; the strip begins at {foot:0.#}."));
        }
        else if (parts.Count == 0 && how.Facings.All(f => f is not (Facing.Up or Facing.Overhang)))
        {
            faults.Add($"{zone.Name} has no side where a {word} can lie: look at its heights.");
        }

        if (how.By == MarksBy.Hosts && count > 0 && zone.HostsOf(how.Host) is { Count: 0, Guess: false })
        {
            var hosts = SaidAttribute.Of(typeof(MarkHost))[how.Host.ToString()];
            faults.Add($"No {hosts} are counted on {zone.Name}: count them, or drop the {word}s.");
        }
        else if (how.By == MarksBy.Hosts && count > zone.HostsOf(how.Host).Count)
        {
            faults.Add(FormattableString.Invariant($"{count:0.#} of them on a copy are too many: {zone.HostsOf(how.Host).Count} places on {zone.Name} can carry one."));
        }

        if (how.By == MarksBy.Edge && count > 0 && zone.HotEdge is { Mm: <= 0 })
        {
            faults.Add($"{zone.Name} has no edge that hands, feet or travel reach: measure them, or drop the {word}s.");
        }

        if (how.Length is not null && count > 0 && (entry.WidthMm <= 0 || entry.LengthMm <= 0))
        {
            faults.Add($"A {word} has a width and a length: give both.");
        }

        return faults;
    }
}
