using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Materials;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Diagnosis;

/// <content>What the log and its air tell, copy by copy.</content>
public sealed partial class SignReader
{
    private HashSet<int> Disordered()
    {
        var wrong = new HashSet<int>();
        foreach (var copy in of.Log.Select(l => l.Copy).Distinct())
        {
            var before = double.NegativeInfinity;
            foreach (var i in of.Stack is null ? [] : Applied(_ => true))
            {
                if (Last(copy, i) is not { } entry)
                {
                    continue;
                }

                if (entry.AtMin < before)
                {
                    wrong.Add(copy);
                }

                before = entry.AtMin;
            }
        }

        return wrong;
    }

    // From the end of the coat before, as far as it was written down, to the beginning of this one: how long, and how long it needed in the air of then.
    private (CaseEntry Entry, int Below, double Gap, StackWait Wait, double RecoatMin)? Waited(int coat, int copy)
    {
        var below = of.Stack!.FilmBelow(coat);
        if (below < 0 || OutOfOrder.Contains(copy) || Last(copy, coat) is not { } entry || Last(copy, below) is not { } laid)
        {
            return null;
        }

        var reading = ReadIn(laid.RoomC, laid.RoomHumidity);
        return (entry, below, entry.BegunMin - laid.AtMin, reading.Waits[coat], reading.Times(below).RecoatMin);
    }

    private Presence Hurried(int coat, int copy, List<string> words)
    {
        var found = Presence.Unknown;

        // The coat that came too soon is it, or the next one that shut it in.
        foreach (var i in new[] { coat, ReadIn(of.Stack!.Climate.TemperatureC, of.Stack.Climate.Humidity).Next(coat) })
        {
            if (i < 0 || Waited(i, copy) is not { } w || w.Wait.Kind is WaitKind.WhileWet or WaitKind.Touch)
            {
                continue;
            }

            // What a carrier asks for beyond that is another sign.
            var need = Math.Min(w.Wait.NeededMin, w.RecoatMin);
            if (need > 0 && w.Gap < need * ShortOf)
            {
                words.Add($"the {Word(i)} went on {w.Gap:0} min after the {Word(w.Below)}, which needed {need:0} ({w.Entry.Clock}), copy {copy}");
                return Presence.Present;
            }

            found = Presence.Absent;
        }

        return found;
    }

    private static bool? DampAir(Coat coat, CaseEntry e) => e.RoomHumidity > (coat.How.Sprayed ? DampCan : DampBrush);

    private static bool? ColdAir(Coat coat, CaseEntry e) => coat.What switch
    {
        { InCan: true } => e.RoomC < ColdCan,
        _ when coat.How.FromCan && coat.Station == Station.Can => e.RoomC < ColdCan,
        { Carrier: Carrier.WhiteSpirit } => e.RoomC < ColdOil,
        _ => false,
    };

    private Presence HeavyHand(int i, int copy, List<string> words)
    {
        var (coat, entry) = (of.Stack!.Coats[i], Last(copy, i));
        if (coat.Hand > HeavyFrom)
        {
            return Is(true, $"the {Word(i)} is planned with a hand of {coat.Hand:0.0}", words);
        }

        if (entry?.MixedTimes is > MixedFrom)
        {
            return Is(true, $"{entry.MixedTimes:0.0} times as much was mixed as planned ({entry.Clock}), copy {copy}", words);
        }

        return entry is null || entry.Worked == WorkedWith.Unsaid ? Presence.Unknown : Is(entry.Worked.HasFlag(WorkedWith.HeavyHand), $"a heavy hand was ticked ({entry.Clock}), copy {copy}", words);
    }

    private Presence WarmAir(int i, int copy, List<string> words)
    {
        var coat = of.Stack!.Coats[i];
        if (!coat.LeavesFilm)
        {
            return Presence.Unknown;
        }

        // Where it hurries without harm it is no sign, but for what runs and leaves rings.
        var bears = coat.What!.WarmAir == Materials.WarmAir.Hurries && !coat.How.Drains && !coat.BringsSolvent && !of.Stack.Zone.Substrate.Facts().Melts;
        var entry = Last(copy, i);
        return bears ? Presence.Absent
            : coat.Hurried ? Is(true, $"the {Word(i)} is planned with warm air", words)
            : entry is null || entry.Worked == WorkedWith.Unsaid ? Presence.Unknown
            : Is(entry.Worked.HasFlag(WorkedWith.WarmAir), $"warm air was ticked ({entry.Clock}), copy {copy}", words);
    }

    private Presence OfTick(int copy, WorkedWith tick, bool absentIs, bool asksForIt, string say, List<string> words) =>
        !asksForIt || Last(copy, at) is not { } entry || entry.Worked == WorkedWith.Unsaid ? Presence.Unknown : Is(entry.Worked.HasFlag(tick) != absentIs, $"{say} ({entry.Clock}), copy {copy}", words);

    private Presence Window(int copy, bool late, List<string> words)
    {
        if (OutOfOrder.Contains(copy) || Last(copy, at) is not { } entry)
        {
            return Presence.Unknown;
        }

        var reading = ReadIn(entry.RoomC, entry.RoomHumidity);
        if (reading.Times(at) is { CleanFromMin: { } from, CleanToMin: { } to })
        {
            return Last(copy, at, cleanUp: true) is not { } cleaned ? Presence.Unknown
                : late ? Is(cleaned.BegunMin - entry.AtMin > to, $"it was cleaned {cleaned.BegunMin - entry.AtMin:0} min after it was laid, and moves for {to:0} ({cleaned.Clock}), copy {copy}", words)
                : Is(cleaned.BegunMin - entry.AtMin < from, $"it was cleaned {cleaned.BegunMin - entry.AtMin:0} min after it was laid, and settles in {from:0} ({cleaned.Clock}), copy {copy}", words);
        }

        if (Waited(at, copy) is not { Wait.MostMin: { } most } w)
        {
            return Presence.Unknown;
        }

        return late ? Is(w.Gap > most, $"it came {w.Gap / 60:0.#} h after the {Word(w.Below)}; its time is from {w.Wait.NeededMin:0} to {most:0} min ({w.Entry.Clock}), copy {copy}", words)
            : Is(w.Gap < w.Wait.NeededMin * ShortOf, $"it came {w.Gap:0} min after the {Word(w.Below)}; its time begins at {w.Wait.NeededMin:0} ({w.Entry.Clock}), copy {copy}", words);
    }

    private Presence NoRecord(int i, int copy, List<string> words)
    {
        var mixed = of.Stack!.Coats[i] is { LeavesFilm: true } coat && (coat.MixedTo is not null || coat.Paint!.Content.Materials.Count > 1);
        return !mixed ? Presence.Absent : Last(copy, i) is not { } entry ? Presence.Unknown : Is(!entry.MixRecorded, $"the mix of the {Word(i)} was not recorded ({entry.Clock}), copy {copy}", words);
    }

    private Presence OldWater(int copy, List<string> words)
    {
        if (Last(copy, at) is not { } entry)
        {
            return Presence.Unknown;
        }

        return entry.Worked.HasFlag(WorkedWith.FreshWater) ? Presence.Absent
            : entry.RinseMin is { } minutes ? Is(minutes > OldWaterMin, $"the water was {minutes:0} min old ({entry.Clock}), copy {copy}", words) : Presence.Unknown;
    }

    private Presence Handled(int i, int copy, List<string> words)
    {
        if (!of.Stack!.Zone.Handled)
        {
            return Presence.Absent;
        }

        // Masking, turning and fitting take the piece in the hand; a brush does not.
        if (Last(copy, i) is not { } entry || of.Log.FirstOrDefault(l => l.Copy == copy && l.AtMin > entry.AtMin && (l.Pass == Step.MaskPass || l.Pass <= Step.OtherSidePass)) is not { } touched)
        {
            return Presence.Unknown;
        }

        var (gap, touch) = (touched.BegunMin - entry.AtMin, ReadIn(entry.RoomC, entry.RoomHumidity).Times(i).TouchMin);
        return Is(gap < touch * HandledTimes, $"it was taken in the hand {gap:0} min after the {Word(i)} ({touched.Clock}), copy {copy}", words);
    }

    private Presence Glued(int copy, List<string> words)
    {
        if (Last(copy, at) is not { } entry)
        {
            return Presence.Unknown;
        }

        var glued = of.Glued.Where(g => g.Copy == copy && g.AtMin <= entry.AtMin).Select(g => entry.BegunMin - g.AtMin).DefaultIfEmpty(double.NaN).Min();
        return double.IsNaN(glued) ? Presence.Unknown : Is(glued < GlueMin, $"super glue {glued / 60:0.#} h before the {Word(at)} ({entry.Clock}), copy {copy}", words);
    }

    private Presence Beside(int copy, List<string> words)
    {
        if (Last(copy, at) is not { } entry || !of.Beside.Any(b => b.Copy == copy))
        {
            return Presence.Unknown;
        }

        var wet = of.Beside.FirstOrDefault(b => b.Copy == copy && b.AtMin <= entry.AtMin && entry.BegunMin - b.AtMin < b.TouchMin);
        return Is(wet is not null, wet is null ? "" : $"{wet.Zone} beside it was wet: {entry.BegunMin - wet.AtMin:0} min old, touch-dry after {wet.TouchMin:0} ({entry.Clock}), copy {copy}", words);
    }

    private Presence NotMasked(int copy)
    {
        // Where nothing beside it was sprayed, or all of that under a mask, it is known; else it is asked for.
        var beside = of.Beside.Where(b => b.Copy == copy).ToList();
        return beside.Count > 0 && beside.TrueForAll(b => !b.Sprayed || b.Masked) ? Presence.Absent : Presence.Unknown;
    }
}
