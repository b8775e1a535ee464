using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules;

/// <summary>What a wait is for.</summary>
public enum WaitKind
{
    /// <summary>Until it can be touched.</summary>
    [Said("is touch-dry")]
    Touch,

    /// <summary>Until it bears another coat.</summary>
    [Said("takes another coat")]
    Recoat,

    /// <summary>A night.</summary>
    [Said("has had a night")]
    Overnight,

    /// <summary>Until it has cured.</summary>
    [Said("has cured")]
    Cured,

    /// <summary>None: it goes on while what is below is wet.</summary>
    [Said("is still wet")]
    WhileWet,
}

/// <summary>How long a coat waits after the coat before it.</summary>
/// <param name="Kind">What for.</param>
/// <param name="Minutes">How long, as planned.</param>
/// <param name="NeededMin">How long it needs.</param>
/// <param name="From">The coat whose film asks for it; -1 for none.</param>
/// <param name="MostMin">Most minutes, where it must not wait longer; null for as long as one likes.</param>
public readonly record struct StackWait(WaitKind Kind, double Minutes, double NeededMin, int From, double? MostMin)
{
    /// <summary>Minutes that are of no account.</summary>
    public const double Slack = 0.5;

    /// <summary>The painter does not wait as long as it needs.</summary>
    public bool IsShort => Minutes < NeededMin - Slack;
}

/// <summary>A carrier that beats a film at any age that it can reach.</summary>
/// <param name="At">The coat that brings it.</param>
/// <param name="Film">The film; -1 for the bare ground.</param>
/// <param name="Carrier">The carrier.</param>
/// <param name="Severity">How bad.</param>
/// <param name="UntilCured">A cured film would bear it better.</param>
public readonly record struct Clash(int At, int Film, Carrier Carrier, Severity Severity, bool UntilCured);

/// <summary>The clock of a stack: each film has its own, all waits since it was laid.</summary>
internal sealed class StackWaits
{
    private static readonly Carrier[] Liquids = [Carrier.Water, Carrier.Alcohol, Carrier.WhiteSpirit, Carrier.LacquerThinner];
    private readonly Reading reading;
    private readonly StackWait[] waits;
    private readonly double[] laidAt;
    private double now;

    private double need;
    private WaitKind kind;
    private int from;

    public StackWaits(Reading reading)
    {
        this.reading = reading;
        waits = new StackWait[reading.Draft.Coats.Count];
        laidAt = new double[waits.Length];
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.How.Hand is not null)
            {
                waits[i] = ByHand(i, coat);
            }
            else if (coat.How.AfterTouchMin is { } window)
            {
                waits[i] = InWindow(i, window);
            }
            else
            {
                waits[i] = Lay(i, coat);
            }

            now += waits[i].Minutes;
            laidAt[i] = now;
            if (coat.LeavesFilm && coat.Passes > 1)
            {
                // Passes wait for each other, and are never judged against themselves.
                now += (coat.Passes - 1) * reading.Times(i).RecoatMin;
                laidAt[i] = now;
            }
        }
    }

    /// <summary>By place in the stack.</summary>
    public IReadOnlyList<StackWait> Waits => waits;

    /// <summary>What no wait mends.</summary>
    public List<Clash> Clashes { get; } = [];

    /// <summary>All of it, minutes.</summary>
    public double TotalMin => now;

    // What is worked by hand belongs to the film below while that is open; cleaning up waits until it has settled.
    private StackWait ByHand(int i, Coat coat)
    {
        var below = reading.FilmBelow(i);
        if (below < 0)
        {
            return new(WaitKind.WhileWet, 0, 0, -1, null);
        }

        var times = reading.Times(below);
        var since = now - laidAt[below];
        var (first, last) = coat.How.Role == Role.CleanUp && times is { CleanFromMin: { } opens, CleanToMin: { } closes } ? (opens, closes) : (0, times.TouchMin);
        var wait = Math.Max(0, first - since);
        return new(WaitKind.WhileWet, coat.OwnWaitMin ?? wait, wait, below, Math.Max(0, last - since));
    }

    private StackWait InWindow(int i, (double From, double To) window)
    {
        var below = reading.FilmBelow(i);
        if (below < 0)
        {
            return new(WaitKind.Touch, 0, 0, -1, null);
        }

        var times = reading.Times(below);
        var since = now - laidAt[below];
        var wait = Math.Max(0, times.TouchMin + (window.From * times.Factor) - since);
        return new(WaitKind.Touch, reading.Coat(i).OwnWaitMin ?? wait, wait, below, Math.Max(0, times.TouchMin + (window.To * times.Factor) - since));
    }

    private StackWait Lay(int i, Coat coat)
    {
        var below = reading.FilmBelow(i);
        (need, kind, from) = (0, WaitKind.Recoat, below);
        if (coat.WhileWet && below >= 0)
        {
            // The other films were asked when the first wet coat went on.
            Ask(i, coat, i, wetFrom: FirstWet(i), waits: false);
            return new(WaitKind.WhileWet, 0, 0, below, Math.Max(0, reading.Times(below).TouchMin - (now - laidAt[below])));
        }

        if (below >= 0)
        {
            var times = reading.Times(below);
            if (coat.Impact == Impact.None)
            {
                Longer(times.TouchMin, WaitKind.Touch, below);
                kind = WaitKind.Touch;
            }
            else
            {
                Longer(coat.Impact == Impact.Scrubbed || coat.How.Builds ? times.WorkMin : times.RecoatMin, WaitKind.Recoat, below);
            }
        }

        // What was washed has to dry, what was filled to set, before anything comes on it.
        if (reading.Applied.LastOrDefault(j => j < i, -1) is >= 0 and var before && reading.Coat(before).How.ThenMin is > 0 and var then)
        {
            Longer(then, WaitKind.Recoat, before);
        }

        Ask(i, coat, i, wetFrom: i, waits: true);
        for (var next = reading.Next(i); next >= 0 && reading.Coat(next).WhileWet; next = reading.Next(next))
        {
            Ask(i, reading.Coat(next), next, wetFrom: i, waits: true, clashes: false);
        }

        if (coat.How.Role == Role.Fluid)
        {
            // The damp brush that opens the chips will scrub what lies under the fluid.
            foreach (var j in reading.Exposed(i))
            {
                Hold(j, j < 0 ? Bears.Silent : reading.Resistance(j, i).Against(Carrier.Water, Impact.Scrubbed));
            }
        }

        var needed = Math.Max(0, need);
        if (coat.Wait != Wait.RecoatDry)
        {
            foreach (var j in reading.Exposed(i))
            {
                Hold(j, coat.Wait == Wait.Cured ? Bears.Cured : Bears.Overnight);
            }
        }

        return new(kind, coat.OwnWaitMin ?? Math.Max(0, need), needed, from, null);
    }

    // What a coat asks of every film that it touches; coats that are laid wet in wet do not ask it of each other.
    private void Ask(int i, Coat coat, int of, int wetFrom, bool waits, bool clashes = true)
    {
        if (coat.Impact == Impact.None)
        {
            return;
        }

        foreach (var j in reading.Exposed(of))
        {
            if ((j >= wetFrom && j < of) || reading.IsSilent(of, j))
            {
                continue;
            }

            var resistance = reading.Resistance(j, of);
            foreach (var carrier in Liquids)
            {
                if (!coat.Brings(carrier))
                {
                    continue;
                }

                var answer = resistance.Against(carrier, coat.Impact);
                if (answer <= Bears.Cured)
                {
                    if (waits)
                    {
                        Hold(j, answer);
                    }
                }
                else if (clashes && answer != Bears.Silent)
                {
                    Clashes.Add(new(of, j, carrier, Worst(coat, j, answer), answer == Bears.RiskUntilCured));
                }
            }
        }
    }

    private Severity Worst(Coat coat, int j, Bears answer) => answer switch
    {
        Bears.Note => Severity.Note,
        Bears.Risk => Severity.Risk,
        Bears.RiskUntilCured => coat.Wait == Wait.Cured || (j >= 0 && reading.Times(j).CuredMin > 0 && Math.Max(now + Math.Max(0, need), now + (coat.OwnWaitMin ?? 0)) - laidAt[j] >= reading.Times(j).CuredMin - StackWait.Slack)
            ? Severity.Note
            : Severity.Risk,
        _ => Severity.Stop,
    };

    private void Hold(int film, Bears answer)
    {
        if (film < 0 || answer > Bears.Cured)
        {
            return;
        }

        var times = reading.Times(film);
        var (age, of) = answer switch
        {
            Bears.Overnight => (times.OvernightMin, WaitKind.Overnight),
            Bears.Cured => (Math.Max(times.CuredMin, times.OvernightMin), WaitKind.Cured),
            _ => (times.RecoatMin, WaitKind.Recoat),
        };
        Longer(age, of, film);
    }

    private void Longer(double age, WaitKind of, int film)
    {
        var wait = age - (now - laidAt[film]);
        if (wait > need + 1e-9)
        {
            (need, kind, from) = (wait, of, film);
        }
    }

    private int FirstWet(int i)
    {
        var first = i;
        while (reading.Coat(first).WhileWet && reading.FilmBelow(first) is >= 0 and var below)
        {
            first = below;
        }

        return first;
    }
}
