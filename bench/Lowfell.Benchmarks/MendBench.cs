using System.Diagnostics;
using Lowfell.Core.Diagnosis;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Materials;
using Lowfell.Core.Mending;
using Lowfell.Core.Stacks;

namespace Lowfell.Benchmarks;

/// <summary>How long it takes to mend stacks of twelve coats all over: median and the 99th in a hundred.</summary>
internal static class MendBench
{
    private const int Stacks = 1000;

    /// <summary>Times the search on stacks with one to three faults planted.</summary>
    public static void Run()
    {
        var whole = FifteenCoats.Draft();
        var twelve = whole with { Coats = [.. whole.Coats.Take(9), .. whole.Coats.Skip(12)] };
        var random = new Random(1);
        var times = new List<double>();
        var tried = 0;
        for (var i = -50; i < Stacks; i++)
        {
            var stack = twelve;
            for (var faults = 1 + random.Next(3); faults > 0; faults--)
            {
                stack = Spoilt(stack, random);
            }

            var clock = Stopwatch.StartNew();
            var mended = MendAll.Of(stack, Shelf.Staples);
            if (i >= 0)
            {
                times.Add(clock.Elapsed.TotalMilliseconds);
                tried = Math.Max(tried, mended.Evaluations);
            }
        }

        times.Sort();
        Noted.Less("mend all, median", times[Stacks / 2], "ms");
        Noted.Less("mend all, 99th in a hundred", times[Stacks * 99 / 100], "ms");
        Console.WriteLine($"{Stacks} stacks of about twelve coats: median {times[Stacks / 2]:0.0} ms, 99th in a hundred {times[Stacks * 99 / 100]:0.0} ms, worst {times[^1]:0.0} ms, most stacks tried {tried}");
        Diagnose();
    }

    private static StackDraft Spoilt(StackDraft stack, Random random)
    {
        var coat = stack.Coats[random.Next(1, stack.Coats.Count)];
        return random.Next(4) switch
        {
            0 => stack.Replace(coat with { Thinner = Thinner.WhiteSpirit }),
            1 => stack.Replace(coat with { OwnWaitMin = 0 }),
            2 when coat.How.ColourFree => stack.Remove(c => c.Id == coat.Id),
            _ => stack.MoveBelow(coat.Id, stack.Coats[0].Id),
        };
    }

    // A fault of each kind on fifteen coats of eight copies, each written down.
    private static void Diagnose()
    {
        var stack = FifteenCoats.Draft();
        stack = stack with { Zone = stack.Zone with { Copies = 8 } };
        CaseEntry[] log = [.. stack.Coats.SelectMany((c, i) => Enumerable.Range(1, 8).Select(copy => new CaseEntry(copy, c.Id, 1, (i * 60) + copy, 3, 18 + (i % 4), 0.5, null, WorkedWith.Shaken, "Tue 20:02")))];
        var times = new List<double>();
        for (var i = -3; i < 10; i++)
        {
            foreach (var symptom in SymptomBook.Book.Symptoms)
            {
                var clock = Stopwatch.StartNew();
                Diagnosing.Of(new() { Symptom = symptom, Stack = stack, Seen = [2, 3], Sound = [1, 4, 5, 6, 7, 8], Log = log }, Shelf.Staples, Guid.NewGuid);
                if (i >= 0)
                {
                    times.Add(clock.Elapsed.TotalMilliseconds);
                }
            }
        }

        times.Sort();
        Noted.Less("diagnosis, median", times[times.Count / 2], "ms");
        Noted.Less("diagnosis, slowest in a hundred", times[times.Count * 99 / 100], "ms");
        Console.WriteLine($"{SymptomBook.Book.Symptoms.Count} symptoms on fifteen coats and {log.Length} entries: median {times[times.Count / 2]:0.0} ms, 99th in a hundred {times[times.Count * 99 / 100]:0.0} ms");
    }
}
