using Lowfell.Core.Amounts;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Work;

/// <summary>A zone with the steps of its stack.</summary>
/// <param name="Zone">The zone, with its stack as it is to be done.</param>
/// <param name="Predicting">Works out what that will look like, once it is asked for.</param>
/// <param name="Steps">Its steps, with the painter's own figures where they are followed.</param>
public sealed record OpenZone(WorkZone Zone, Lazy<PredictedStack> Predicting, IReadOnlyList<Step> Steps)
{
    /// <summary>What its stack will look like.</summary>
    public PredictedStack Prediction => Predicting.Value;

    /// <summary>Its stack.</summary>
    public StackDraft Stack => Zone.Stack;

    /// <summary>A step of it.</summary>
    public StepId Id(int place) => Steps[place].Id(Zone.Id);

    /// <summary>Place of a step; -1 where it is not one of them.</summary>
    public int Place(StepId step) => Steps.Place(step);

    /// <summary>Place in the stack of the coat whose look stands for a step.</summary>
    public int StackPlace(Step step) => Stack.IndexOf(step.LooksAs);

    /// <summary>What to mix for a step on some copies; null where nothing is laid.</summary>
    public CoatMix? MixFor(Step step, int copies) => step.IsBeside ? null : CoatMix.For(step.Coat with { Passes = 1 }, ZoneOf(step, copies), Stack.Schools.Highlights);

    /// <summary>The zone as far as a step is about it, on some copies.</summary>
    public Core.Surfaces.Zone ZoneOf(Step step, int copies) => Stack.Zone with { Copies = copies, AreaMm2 = Stack.Zone.AreaMm2 * step.Share };
}

/// <summary>A piece that is fitted on another, both as drawn up.</summary>
/// <param name="Part">The part.</param>
/// <param name="Host">What it is fitted on.</param>
/// <param name="AnchorZoneId">A zone of the part, to which its fitting is written down.</param>
public sealed record OpenPart(WorkPiece Part, WorkPiece Host, Guid AnchorZoneId)
{
    /// <summary>Its fitting.</summary>
    public StepId Id => StepId.Fit(Part.Id);
}

/// <summary>What there is to do, what is done of it, and what the log says of the painter's own figures.</summary>
public sealed class OpenWork
{
    private readonly Dictionary<Guid, OpenZone> byId;
    private readonly Dictionary<Guid, OpenPart> partById;

    private OpenWork(IReadOnlyList<OpenZone> zones, IReadOnlyList<OpenPart> parts, DoneSteps done, LearnedFigures learned)
    {
        (Zones, Parts, Done, Learned) = (zones, parts, done, learned);
        byId = zones.ToDictionary(z => z.Zone.Id);
        partById = parts.ToDictionary(p => p.Part.Id);
    }

    /// <summary>Zones with their steps, in the order of the screen.</summary>
    public IReadOnlyList<OpenZone> Zones { get; }

    /// <summary>Parts that are fitted.</summary>
    public IReadOnlyList<OpenPart> Parts { get; }

    /// <summary>Steps that are done or left out.</summary>
    public DoneSteps Done { get; }

    /// <summary>The painter's own figures.</summary>
    public LearnedFigures Learned { get; }

    /// <summary>Puts it together.</summary>
    /// <param name="zones">The zones that are to be done, in the order of the screen.</param>
    /// <param name="log">What was written down of them, in the order of its times.</param>
    /// <param name="way">How it is to be done.</param>
    /// <param name="readings">Entries of the whole log that may be learned from, as <see cref="LearnedFigures.From"/> takes them; those of these zones where none are given.</param>
    /// <param name="answers">What the painter said of following a figure.</param>
    public static OpenWork Of(IReadOnlyList<WorkZone> zones, IReadOnlyList<LogFact> log, WorkWay way, IReadOnlyList<LogFact>? readings = null, IReadOnlyDictionary<string, bool>? answers = null)
    {
        var done = new DoneSteps(log);
        var varied = zones.Select(z => z with { Stack = z.Stack with { Coats = [.. z.Stack.Coats.Select(c => Varied(c, way, z.Stack.Schools.Wash))] } })
            .Select(z => (Zone: z, Steps: Repairs.Among(TwoSided.Of(z.Stack, z.Piece.LiesFlat), z.Stack, z.Repairs))).ToList();
        var now = varied.SelectMany(v => v.Steps.Select(step => (Id: step.Id(v.Zone.Id), Step: step))).DistinctBy(v => v.Id).ToDictionary(v => v.Id, v => v.Step);
        var learned = LearnedFigures.From(readings ?? log, answers, id => now.GetValueOrDefault(id));
        var open = varied.ConvertAll(v => new OpenZone(v.Zone, new(() => Predictor.PredictMiddle(v.Zone.Stack)), way.Learn ? [.. v.Steps.Select(learned.Correct)] : v.Steps));
        var pieces = zones.Select(z => z.Piece).DistinctBy(p => p.Id).ToDictionary(p => p.Id);
        var parts = pieces.Values.Where(p => p.PartOfId is { } on && pieces.ContainsKey(on))
            .Select(p => new OpenPart(p, pieces[p.PartOfId!.Value], zones.First(z => z.Piece.Id == p.Id).Id));
        return new(Sprayed(open, way.Overspray), [.. parts], done, learned);
    }

    /// <summary>A zone of it; null where it is not to be done.</summary>
    public OpenZone? Zone(Guid id) => byId.GetValueOrDefault(id);

    /// <summary>A part of it; null where it is not to be done.</summary>
    public OpenPart? Part(StepId step) => step.IsFit ? partById.GetValueOrDefault(step.PartId) : null;

    /// <summary>The step that an id stands for; null where it is no longer in its stack, or a part is fitted.</summary>
    public Step? StepOf(StepId step) => Zone(step.ZoneId) is { } zone && zone.Place(step) is >= 0 and var place ? zone.Steps[place] : null;

    /// <summary>Whether a step is still in its stack, or its part still fitted.</summary>
    public bool Knows(StepId step) => step.IsFit ? Part(step) is not null : StepOf(step) is not null;

    /// <summary>Whether a step of a zone is off the list on a copy.</summary>
    public bool IsOff(OpenZone zone, int place, int copy) => Done.IsOff(zone.Zone.Id, zone.Steps, place, copy);

    /// <summary>Whether a step is still to be done on a copy, whether or not it is in its stack.</summary>
    public bool IsOpen(CopyStep step) => Zone(step.Step.ZoneId) is { } zone && zone.Place(step.Step) is >= 0 and var place ? !IsOff(zone, place, step.Copy) : !Done.Knows(step);

    /// <summary>Places of the steps that are left of a zone on a copy.</summary>
    public IEnumerable<int> Left(OpenZone zone, int copy) => Enumerable.Range(0, zone.Steps.Count).Where(i => !IsOff(zone, i, copy));

    /// <summary>How far every copy of a zone is: for each copy from 1 on, a letter a step: d done, s left out, . open, - not for this copy.</summary>
    public IReadOnlyList<string> Progress(OpenZone zone) =>
        [.. Enumerable.Range(1, zone.Zone.Piece.Copies).Select(copy => string.Concat(zone.Steps.Select((s, i) => !s.Concerns(copy) ? '-' : IsOff(zone, i, copy) ? Letter(zone.Id(i).On(copy), 'd') : '.')))];

    /// <summary>How far the fitting of a part is, copy by copy, in the same letters.</summary>
    public IReadOnlyList<string> Progress(OpenPart part) => [.. Enumerable.Range(1, part.Part.Copies).Select(copy => Letter(part.Id.On(copy), '.').ToString())];

    /// <summary>Steps that are done or left out, and all steps, counted copy by copy.</summary>
    /// <param name="pieceId">Of this piece alone, with the fitting of it; of all where none is named.</param>
    public (int Done, int Steps) Count(Guid? pieceId = null)
    {
        var (done, steps) = (0, 0);
        var zones = Zones.Where(z => pieceId is null || z.Zone.Piece.Id == pieceId).SelectMany(Progress);
        foreach (var copy in zones.Concat(Parts.Where(p => pieceId is null || p.Part.Id == pieceId).SelectMany(Progress)))
        {
            (done, steps) = (done + copy.Count(letter => letter is 'd' or 's'), steps + copy.Count(letter => letter != '-'));
        }

        return (done, steps);
    }

    /// <summary>The first step in the order of the zones that is open on a copy, the lowest copy first; null where all is done.</summary>
    public (OpenZone Zone, int Place)? FirstOpen()
    {
        foreach (var zone in Zones)
        {
            for (var copy = 1; copy <= zone.Zone.Piece.Copies; copy++)
            {
                foreach (var place in Left(zone, copy).Take(1))
                {
                    return (zone, place);
                }
            }
        }

        return null;
    }

    private char Letter(CopyStep step, char otherwise) => Done.Of(step) is { } it ? it.Skipped ? 's' : 'd' : otherwise;

    private static Coat Varied(Coat coat, WorkWay way, WashSchool school)
    {
        var skipped = coat.Skipped || (way.WithoutOptional && coat.Optional) || way.WithoutCoats.Contains(coat.Id);
        var hurried = coat.Hurried || (way.WarmAir && coat.Paint?.Lead.Drying.WarmAirFactor is not null);
        var passes = way.OtherWash && coat.Technique == Technique.Wash ? (school == WashSchool.TwoThin ? 1 : Math.Max(2, coat.Passes)) : coat.Passes;
        return coat with { Skipped = skipped, Hurried = hurried, Passes = passes };
    }

    // Masking is a step before each spray, and taking it off one after it; minutes for touching up go to the last step of the zone that is caught.
    private static List<OpenZone> Sprayed(List<OpenZone> zones, OversprayWay way)
    {
        if (way == OversprayWay.Care)
        {
            return zones;
        }

        var byId = zones.ToDictionary(z => z.Zone.Id);
        var touchUp = new Dictionary<Guid, double>();
        var masked = new HashSet<Guid>();
        var mask = new Dictionary<(Guid Zone, int Step), (double On, double Off)>();
        foreach (var zone in zones)
        {
            foreach (var near in zone.Zone.Touches.Select(id => byId.GetValueOrDefault(id)).OfType<OpenZone>().Where(n => n.Steps.Count > 0))
            {
                foreach (var (i, _) in zone.Steps.Index().Where(s => Overspray.Endangers(s.Item, near.Steps)))
                {
                    if (way == OversprayWay.Mask)
                    {
                        var before = mask.GetValueOrDefault((zone.Zone.Id, i));
                        mask[(zone.Zone.Id, i)] = (before.On + Overspray.MaskMinutes(zone.Stack.Zone, near.Stack.Zone), before.Off + Overspray.UnmaskMin);
                        masked.Add(near.Zone.Id);
                    }
                    else
                    {
                        touchUp[near.Zone.Id] = touchUp.GetValueOrDefault(near.Zone.Id) + Overspray.RepaintMinutes(near.Steps);
                    }
                }
            }
        }

        return zones.ConvertAll(z => z with
        {
            Steps = [.. z.Steps.SelectMany((step, i) => mask.TryGetValue((z.Zone.Id, i), out var minutes) ? Masked(step, minutes.On, minutes.Off) : [step])
                .Select((s, i) => i == z.Steps.Count - 1 ? s with { MinutesPerCopy = s.MinutesPerCopy + touchUp.GetValueOrDefault(z.Zone.Id) } : s)
                .Select(s => masked.Contains(z.Zone.Id) && s.Coat.LeavesFilm && !s.IsBeside ? s with { Times = s.Times with { TouchMin = Math.Max(s.Times.TouchMin, Overspray.BearsTapeMin(s)) } } : s)],
        });
    }

    private static IEnumerable<Step> Masked(Step spray, double on, double off)
    {
        // A second pass is sprayed under the mask of the first.
        if (spray.Pass == 1)
        {
            yield return spray with { Pass = Step.MaskPass, MinutesPerCopy = on, Station = Station.Masking, Times = Core.Drying.DryingTimes.None, LagMin = 0, MostLagMin = null, NeededMin = 0 };
        }

        if (spray.Pass != spray.Coat.Passes)
        {
            yield return spray;
            yield break;
        }

        var touch = spray.Times.TouchMin;
        yield return spray with { LagMin = touch, MostLagMin = Math.Max(touch + 1, Overspray.PeelWithinMin), NeededMin = touch };
        yield return spray with { Pass = Step.UnmaskPass, MinutesPerCopy = off, Station = Station.Masking, Times = Core.Drying.DryingTimes.None, LagMin = Math.Max(0, spray.LagMin - touch), MostLagMin = spray.MostLagMin is { } most ? Math.Max(0, most - touch) : null, NeededMin = Math.Max(0, spray.NeededMin - touch) };
    }
}
