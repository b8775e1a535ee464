using CsCheck;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

public sealed class NextLotsTests
{
    private const double Close = 600;

    private static Lot Lot(int chain, Station station, string colour, double minutes) => new()
    {
        Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1),
        Chain = chain,
        Copies = [1],
        MinutesPerCopy = minutes,
        Station = station,
        Colour = colour,
    };

    private static (NextLots Next, LotKinds Kinds) Of(params IReadOnlyList<Lot>[] chains)
    {
        var kinds = new LotKinds(new(chains, [], []));
        return (new(kinds, chains.Length), kinds);
    }

    // The same by looking at every chain.
    private static (int, double)? Looked(IReadOnlyList<IReadOnlyList<Lot>> chains, IReadOnlyList<(int Place, double Ready, double Urge)?> next, double now, Lot? before, double keepSetUp)
    {
        var can = (from c in Enumerable.Range(0, chains.Count)
                   where next[c] is not null
                   let lot = chains[c][next[c]!.Value.Place]
                   let setUp = lot.SetUpAfter(before)
                   let start = Math.Max(now + setUp, next[c]!.Value.Ready)
                   where start + lot.Minutes <= Close + 1e-6
                   select (Chain: c, Start: start, Urge: next[c]!.Value.Urge + (setUp == 0 ? keepSetUp : 0))).ToList();
        return can.Count == 0 ? null : can.Where(l => l.Start <= can.Min(o => o.Start) + 6).OrderByDescending(l => l.Urge).ThenBy(l => l.Chain).Select(l => (l.Chain, l.Start)).First();
    }

    [Fact]
    public void What_is_chosen_is_what_a_look_at_every_chain_finds() => Gen.Select(Gen.Int[1, 60], Gen.Int[1, 4], Gen.Int).Sample((many, sorts, seed) =>
    {
        // Few kinds of many chains, as hundreds of copies one by one are, and as many kinds as chains.
        var random = new Random(seed);
        var far = random.Next(2) == 0 ? 1 : 8;
        var chains = Enumerable.Range(0, many).Select(c => (IReadOnlyList<Lot>)[.. Enumerable.Range(0, 4).Select(_ => Lot(c, (Station)random.Next(sorts), $"c{random.Next(sorts)}", 1 + random.Next(sorts)))]).ToArray();
        var (kept, kinds) = Of(chains);
        var next = new (int Place, double Ready, double Urge)?[many];
        void Set(int chain, (int Place, double Ready, double Urge)? what)
        {
            next[chain] = what;
            kept.Set(chain, what?.Place, what?.Ready ?? 0, what?.Urge ?? 0);
        }

        for (var c = 0; c < many; c++)
        {
            Set(c, (0, random.Next(90 * far), random.Next(5)));
        }

        var (now, before) = (0.0, (Lot?)null);
        while (Looked(chains, next, now, before, 2) is { } wanted)
        {
            Assert.Equal(wanted, kept.Choose(now, Close, before, 2));
            var (chain, start) = wanted;
            before = chains[chain][next[chain]!.Value.Place];
            now = start + before.Minutes;
            Set(chain, next[chain]!.Value.Place == 3 ? null : (next[chain]!.Value.Place + 1, now + random.Next(40 * far), random.Next(5)));

            // A neighbour is put off, or urged on, or stands aside for a while.
            var other = random.Next(many);
            if (next[other] is { } waits)
            {
                Set(other, random.Next(6) == 0 ? null : (waits.Place, Math.Max(waits.Ready, now + random.Next(20 * far)), random.Next(5)));
            }
        }

        Assert.Null(kept.Choose(now, Close, before, 2));
        Assert.True(kinds.Count <= 4 * many);
    });

    [Fact]
    public void A_rest_that_reaches_into_the_next_session_makes_nothing_ready_before_its_time()
    {
        IReadOnlyList<Lot>[] chains = [.. Enumerable.Range(0, 20).Select(c => (IReadOnlyList<Lot>)[Lot(c, Station.Brush, "a", 5)])];
        var (kept, _) = Of(chains);
        for (var c = 0; c < chains.Length; c++)
        {
            kept.Set(c, 0, 100 + c, c);
        }

        // What presses most is ready last: the session ended at 98, the hands rest until 120, and at 99 the next one opens.
        Assert.Null(kept.Choose(120, 98, Lot(20, Station.Brush, "a", 5), 0));
        Assert.Equal((6, 106.0), kept.Choose(99, 600, Lot(20, Station.Brush, "a", 5), 0));
    }

    [Fact]
    public void Lots_that_need_the_same_room_in_an_evening_are_of_one_kind_and_a_window_makes_another()
    {
        var window = Lot(2, Station.Brush, "a", 5) with { LagMin = 20, MostLagMin = 60 };
        var kinds = new LotKinds(new([[Lot(0, Station.Brush, "a", 5)], [Lot(1, Station.Brush, "a", 5)], [window, Lot(2, Station.Brush, "a", 5)]], [], []));
        Assert.Equal(kinds.Of(0, 0), kinds.Of(1, 0));
        Assert.Equal(kinds.Of(0, 0), kinds.Of(2, 1));
        Assert.Equal(2, kinds.Count);

        // The brush is in hand for 5 minutes, rests for 20 and is in hand again.
        Assert.Equal(30, kinds[kinds.Of(2, 0)].SpanMin);
    }
}
