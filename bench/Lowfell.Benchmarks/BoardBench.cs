using System.Diagnostics;
using Lowfell.Core.Boards;

namespace Lowfell.Benchmarks;

/// <summary>A board of sixty pieces, its sides found and three lines on each of them.</summary>
internal static class BoardBench
{
    private const int Pieces = 60, Boards = 300;

    public static void Run()
    {
        var random = new Random(3);
        var times = new List<double>();
        for (var board = -400; board < Boards; board++)
        {
            // Six rows of ten walls, each row at the back of the one before.
            PlacedCopy[] copies =
            [
                .. Enumerable.Range(0, Pieces).Select(i => new PlacedCopy(Guid.NewGuid(), Guid.Empty, $"Wall {i + 1}", 150, 14, 70, ((i % 10) + 0.5) * 150, ((i / 10) + 0.5) * 14, 0, random.Next(0, 20), (random.NextDouble() * 8) - 4)),
            ];
            Datum[] datums = [Line("Tide", DatumKind.Level, 22), Line("Damp", DatumKind.Level, 30), Line("Dust", DatumKind.Ground, 4)];
            var clock = Stopwatch.StartNew();
            var read = BoardReading.Of(copies, Board.Joins(copies, []), datums, []);
            if (board >= 0)
            {
                times.Add(clock.Elapsed.TotalMilliseconds);
            }

            if (read.Levels.Count != Pieces)
            {
                throw new InvalidOperationException(read.Faults[0].What);
            }
        }

        times.Sort();
        Noted.Less("a board of sixty pieces, median", times[Boards / 2], "ms");
        Noted.Less("a board of sixty pieces, slowest in a hundred", times[Boards * 99 / 100], "ms");
        Console.WriteLine($"{Boards} boards of {Pieces} pieces and three lines: median {times[Boards / 2]:0.00} ms, 99th in a hundred {times[Boards * 99 / 100]:0.00} ms");
    }

    private static Datum Line(string name, DatumKind kind, double heightMm) => new(Guid.NewGuid(), name, kind, heightMm, 1.5, []);
}
