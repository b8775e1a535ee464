using Lowfell.Core.Amounts;
using Lowfell.Core.Drying;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Evenings;

/// <summary>One pass of one coat, as a step of the work on a zone.</summary>
/// <param name="Coat">The coat.</param>
/// <param name="Pass">Which pass, from 1.</param>
/// <param name="MinutesPerCopy">Hands-on minutes a copy, handling counted.</param>
/// <param name="Station">Where it is done.</param>
/// <param name="Times">How it dries.</param>
/// <param name="LagMin">Minutes until the next step may begin on the same copy.</param>
/// <param name="MostLagMin">Minutes within which it must; null without a window.</param>
public sealed record Step(Coat Coat, int Pass, double MinutesPerCopy, Station Station, DryingTimes Times, double LagMin, double? MostLagMin);

/// <summary>Steps of a stack.</summary>
public static class Steps
{
    /// <summary>Chips open from so many minutes after the coat over the fluid is touch-dry. Craft estimate.</summary>
    private const double ChipsFromMin = 15;

    /// <summary>And until so many.</summary>
    private const double ChipsToMin = 120;

    private const double LeastMinutes = 0.2;

    /// <summary>The steps of a stack in order: a pass each, as a second pass waits for the first.</summary>
    /// <param name="stack">The stack; skipped coats are left out.</param>
    /// <param name="climate">Air of the room.</param>
    public static IReadOnlyList<Step> Of(StackDraft stack, Climate climate)
    {
        var coats = stack.Coats.Where(c => !c.Skipped).ToList();
        var steps = new List<Step>();
        var overFluid = false;
        for (var i = 0; i < coats.Count; i++)
        {
            var coat = coats[i];
            var next = i + 1 < coats.Count ? coats[i + 1] : null;
            var times = DryingTimes.Of(coat, stack.Zone, climate);
            var minutes = Math.Max(LeastMinutes, CoatAmount.Of(coat with { Passes = 1 }, [stack.Zone with { Copies = 1 }], Palette.Wet).Minutes);
            var opens = overFluid && next?.Technique == Technique.OpenChips;
            for (var pass = 1; pass <= coat.Passes; pass++)
            {
                var last = pass == coat.Passes;
                var lag = !last ? times.RecoatMin : next is null ? 0 : opens ? times.TouchMin + ChipsFromMin : WantsCured(coat, next) ? Math.Max(times.CuredMin, times.RecoatMin) : times.RecoatMin;
                steps.Add(new(coat, pass, minutes, StationOf(coat), times, lag, last && opens ? times.TouchMin + ChipsToMin : null));
            }

            overFluid = coat.Technique == Technique.ChippingFluid || (overFluid && coat.Technique != Technique.OpenChips);
        }

        return steps;
    }

    /// <summary>Where a coat is done.</summary>
    public static Station StationOf(Coat coat) => coat.Technique switch
    {
        Technique.SprayCan => Station.Can,
        Technique.VarnishSpray => coat.Family is Family.VarnishLacquer ? Station.Can : Station.Airbrush,
        Technique.Airbrush or Technique.Zenithal or Technique.PreShade or Technique.Modulation => Station.Airbrush,
        Technique.DryBrush or Technique.Overbrush => Station.DryBrush,
        Technique.Sponge or Technique.Stipple or Technique.SpongeChipping => Station.Sponge,
        _ when coat.Carrier == Carrier.WhiteSpirit => Station.Spirit,
        _ => Station.Brush,
    };

    // Varnish over enamel or oil shuts it in: it has to be cured. A coat that asks for it itself waits too.
    private static bool WantsCured(Coat coat, Coat next) =>
        next.Wait == Wait.Cured || (next.Family?.IsVarnish() == true && coat.Family?.Kind() == DryingKind.Oxidation && coat.Family?.IsVarnish() != true);
}
