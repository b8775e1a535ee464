using System.Buffers.Binary;
using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Weathering;

/// <summary>What a set, a piece and its copies are, as far as their marks differ.</summary>
/// <param name="Set">What the set is told by, in seeds.</param>
/// <param name="Piece">What the piece is told by.</param>
/// <param name="Copies">Copies.</param>
/// <param name="Box">Its box.</param>
/// <param name="From">The side that the weather comes from; none for all alike.</param>
public sealed record WeatherPiece(string Set, string Piece, int Copies, PieceBox Box, MarkSide? From = null)
{
    /// <summary>Its name, where it is spoken of.</summary>
    public string Name { get; init; } = "The piece";

    /// <summary>Marks go anywhere, not where something carries them.</summary>
    public bool AtRandom { get; init; }
}

/// <summary>How the marks of a plan differ from copy to copy: the same on every machine, the sum kept, neighbours unlike.</summary>
public static class Variation
{
    private const int Tries = 24;

    /// <summary>The seed of something: the first eight bytes, little endian, of the SHA-256 of its parts with bars between.</summary>
    public static ulong Seed(params IEnumerable<string> parts)
    {
        Span<byte> hash = stackalloc byte[32];
        SHA256.HashData(Encoding.UTF8.GetBytes(string.Join('|', parts)), hash);
        return BinaryPrimitives.ReadUInt64LittleEndian(hash);
    }

    /// <summary>Shares a total out over copies within a band round the mean, by largest remainders: the sum is the total.</summary>
    /// <param name="total">Total, 0 up.</param>
    /// <param name="copies">Copies, 1 up.</param>
    /// <param name="seeds">Numbers.</param>
    public static int[] Shared(int total, int copies, Seeds seeds)
    {
        ArgumentNullException.ThrowIfNull(seeds);
        var weights = new double[copies];
        for (var i = 0; i < copies; i++)
        {
            weights[i] = 1 + (WeatherTable.CountBand * ((2 * seeds.Unit()) - 1));
        }

        var mean = (double)total / copies;
        var low = Math.Min((int)Math.Ceiling((mean * (1 - WeatherTable.CountBand)) - 1e-9), (int)Math.Floor(mean));
        var high = Math.Max((int)Math.Floor((mean * (1 + WeatherTable.CountBand)) + 1e-9), (int)Math.Ceiling(mean));
        var sum = weights.Sum();
        double[] wanted = [.. weights.Select(w => w / sum * total)];
        int[] shares = [.. wanted.Select(w => Math.Clamp((int)Math.Floor(w), low, high))];
        int[] order = [.. Enumerable.Range(0, copies).OrderByDescending(i => wanted[i] - Math.Floor(wanted[i]))];
        for (var (k, left) = (0, total - shares.Sum()); left > 0; k++)
        {
            if (shares[order[k % copies]] < high)
            {
                shares[order[k % copies]]++;
                left--;
            }
        }

        for (var (k, over) = (0, shares.Sum() - total); over > 0; k++)
        {
            if (shares[order[copies - 1 - (k % copies)]] > low)
            {
                shares[order[copies - 1 - (k % copies)]]--;
                over--;
            }
        }

        return shares;
    }

    /// <summary>Chooses hosts for each copy without repetition, those that the copies before have used less likely.</summary>
    /// <param name="counts">How many on each copy.</param>
    /// <param name="weights">What each host counts.</param>
    /// <param name="seedsOf">Numbers of each copy, by its place from 0.</param>
    public static IReadOnlyList<int[]> Chosen(IReadOnlyList<int> counts, IReadOnlyList<double> weights, Func<int, Seeds> seedsOf)
    {
        ArgumentNullException.ThrowIfNull(counts);
        ArgumentNullException.ThrowIfNull(weights);
        ArgumentNullException.ThrowIfNull(seedsOf);
        var all = new List<int[]>(counts.Count);
        var now = new double[weights.Count];
        foreach (var count in counts)
        {
            for (var h = 0; h < now.Length; h++)
            {
                now[h] = weights[h];
            }

            foreach (var used in all.Count > 0 ? all[^1] : [])
            {
                now[used] *= WeatherTable.SameHost;
            }

            foreach (var used in all.Count > 1 ? all[^2] : [])
            {
                now[used] *= Math.Sqrt(WeatherTable.SameHost);
            }

            var seeds = seedsOf(all.Count);
            var picked = new int[Math.Min(count, now.Length)];
            for (var n = 0; n < picked.Length; n++)
            {
                var at = seeds.Unit() * now.Sum();
                var h = 0;
                for (; h < now.Length - 1 && (at -= now[h]) >= 0; h++)
                {
                }

                while (now[h] == 0)
                {
                    h = (h + now.Length - 1) % now.Length;
                }

                (picked[n], now[h]) = (h, 0);
            }

            Array.Sort(picked);
            all.Add(picked);
        }

        return all;
    }

    /// <summary>The marks of a kind on every copy.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="zone">The zone.</param>
    /// <param name="entry">The kind, how many and how large.</param>
    /// <param name="most">Most on one copy that are placed; more are sponged or flicked and lie where they fall.</param>
    public static IReadOnlyList<IReadOnlyList<MarkPlace>> Of(WeatherPiece piece, WeatherZone zone, MarkEntry entry, int most = WeatherTable.OneByOne)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(zone);
        ArgumentNullException.ThrowIfNull(entry);
        var marks = new KindMarks(piece, zone, entry, most);
        return [.. Enumerable.Range(1, piece.Copies).Select(marks.On)];
    }

    internal static Dictionary<int, HeldCopy> Held(WeatherPiece piece, MarkEntry entry) => entry.Held.Where(h => h.Copy >= 1 && h.Copy <= piece.Copies).DistinctBy(h => h.Copy).ToDictionary(h => h.Copy);

    private static Seeds SeedsOf(WeatherPiece piece, MarkEntry entry, params IEnumerable<string> more) => new(Seed([piece.Set, piece.Piece, entry.Kind.ToString(), entry.ZoneId.ToString("n"), entry.Version.ToString(CultureInfo.InvariantCulture), .. more]));

    // The share of every copy; what is held has more or fewer than its share, which the others make up for, one each in turn.
    internal static int[] Shares(WeatherPiece piece, MarkEntry entry, int? hosts)
    {
        var counts = Shared((int)Math.Min(entry.Total(piece.Copies), (long)(hosts ?? int.MaxValue) * piece.Copies), piece.Copies, SeedsOf(piece, entry));
        var held = Held(piece, entry);
        int[] free = [.. Enumerable.Range(0, piece.Copies).Where(c => !held.ContainsKey(c + 1))];
        var left = held.Sum(h => counts[h.Key - 1] - h.Value.Marks.Count);
        for (var idle = 0; left != 0 && idle < free.Length;)
        {
            idle = 0;
            foreach (var c in free)
            {
                var to = counts[c] + Math.Sign(left);
                if (left == 0 || to < 0 || to > (hosts ?? int.MaxValue))
                {
                    idle++;
                    continue;
                }

                counts[c] = to;
                left -= Math.Sign(left);
            }
        }

        return counts;
    }

    /// <summary>The parts of sides that a kind may lie on: its strip of the zone's.</summary>
    public static IReadOnlyList<FacePart> Parts(PieceBox box, WeatherZone zone, MarkEntry entry)
    {
        ArgumentNullException.ThrowIfNull(entry);
        var parts = FaceMap.Of(box, zone.Surface);
        if (entry is { FromMm: { } from, ToMm: { } to })
        {
            parts = [.. parts.Where(p => p.Side != MarkSide.Top).Select(p => p with { FromY = Math.Clamp(from, p.FromY, p.ToY), ToY = Math.Clamp(to, p.FromY, p.ToY) }).Where(p => p.Height > 0.05)];
        }

        if (entry.Kind == MarkKind.Soot)
        {
            // Over one mouth, not all round: in the middle of the first side.
            parts = [.. parts.Take(1).Select(p => Math.Min(p.Width, WeatherTable.SootRealMm / zone.Surface.Scale) is var wide ? p with { FromX = (p.FromX + p.ToX - wide) / 2, ToX = (p.FromX + p.ToX + wide) / 2 } : p)];
        }

        if (entry.How is { Length: null, Strip: null } && entry.WidthMm > 0)
        {
            // A path down the middle.
            parts = [.. parts.Select(p => Math.Min(entry.WidthMm, p.Height) is var wide ? p with { FromY = ((p.FromY + p.ToY) - wide) / 2, ToY = ((p.FromY + p.ToY) + wide) / 2 } : p)];
        }

        return entry.How.Length is null ? parts : [.. parts.Where(p => p.Width >= FaceMap.LeastMm)];
    }

    // A strip right across.
    internal static MarkPlace Strip(FacePart part) => new(part.Side, (part.FromX + part.ToX) / 2, (part.FromY + part.ToY) / 2, part.Width, part.Height, 0, -1);

    internal sealed record Host(FacePart Part, double XMm, double YMm, double AsideMm, double Weight);

    // Evenly along the sides, at the height where such things are.
    internal static List<Host> Hosts(IReadOnlyList<FacePart> parts, int count, MarkHost host, MarkSide? from)
    {
        var hosts = new List<Host>();
        if (parts.Count == 0)
        {
            return hosts;
        }

        var round = parts.Sum(p => p.Width);
        var given = 0;
        var reached = 0.0;
        foreach (var part in parts)
        {
            reached += part.Width;
            var room = (int)((part.Width - (2 * WeatherTable.ClearMm)) / WeatherTable.ApartMm);
            var here = Math.Min(room, (int)Math.Round(count * reached / round, MidpointRounding.AwayFromZero) - given);
            given = (int)Math.Round(count * reached / round, MidpointRounding.AwayFromZero);
            var pitch = part.Width / (here + 1);
            for (var i = 1; i <= here; i++)
            {
                hosts.Add(new(part, part.FromX + (pitch * i), part.FromY + (part.Height * Height(host)), Math.Clamp((pitch - WeatherTable.ApartMm) / 2, 0, WeatherTable.AsideMm), Weather(part.Side, from)));
            }
        }

        return hosts;
    }

    // How far up a part of a side its hosts sit. Craft estimates.
    private static double Height(MarkHost host) => host switch { MarkHost.Ledge => 0.914, MarkHost.Perch => 0.97, MarkHost.Lip => 0.85, MarkHost.Corner => 0.8, MarkHost.Iron => 0.6, MarkHost.Bolt => 0.5, _ => 0.45 };

    private static double Weather(MarkSide side, MarkSide? from) => from is not { } windward || side == MarkSide.Top ? 1 : side == windward ? WeatherTable.Windward : ((int)side + 2) % 4 == (int)windward ? WeatherTable.Leeward : 1;

    // Of every copy: each goes by what the copies before have used, and all together by what the plan says.
    internal static MarkPlace[][] OnHosts(WeatherPiece piece, WeatherZone zone, MarkEntry entry, List<Host> hosts, int[] shares, IReadOnlyList<FacePart> parts)
    {
        var chosen = Chosen(shares, [.. hosts.Select(h => h.Weight)], i => SeedsOf(piece, entry, $"{i + 1}"));
        MarkPlace[][] rolled = [.. chosen.Select((on, i) => OnHosts(piece, zone, entry, hosts, on, i + 1))];
        Level(rolled, entry.WidthMm * entry.LengthMm, shares.Sum(), entry.How.Shape, parts);
        return [.. rolled.Select(c => c.Select(m => Clear(m, entry.How.Shape, piece.Box)).ToArray())];
    }

    private static MarkPlace[] OnHosts(WeatherPiece piece, WeatherZone zone, MarkEntry entry, List<Host> hosts, int[] chosen, int copy)
    {
        var marks = new MarkPlace[chosen.Length];
        for (var n = 0; n < chosen.Length; n++)
        {
            var (h, host) = (chosen[n], hosts[chosen[n]]);
            var seeds = new Seeds(Seed(piece.Set, piece.Piece, entry.Kind.ToString(), zone.Id.ToString("n"), $"{entry.Version}", $"{copy}", $"{h}"));
            var aside = host.XMm + ((2 * seeds.Unit()) - 1) * host.AsideMm;
            var width = entry.WidthMm * seeds.In(1 - WeatherTable.WidthBand, 1 + WeatherTable.WidthBand);
            var length = entry.LengthMm * seeds.In(1 - WeatherTable.LengthBand, 1 + WeatherTable.LengthBand);
            var clear = WeatherTable.ClearMm + (width / 2);
            var x = Math.Clamp(aside, Math.Min(host.Part.FromX + clear, host.XMm), Math.Max(host.Part.ToX - clear, host.XMm));
            marks[n] = Grounded(new(host.Part.Side, x, host.YMm, width, length, 0, h), entry.How.Shape, host.Part);
        }

        return marks;
    }

    // Away from each other, near what carries its kind: edges, the foot, the way of travel.
    internal static MarkPlace[] Anywhere(WeatherPiece piece, MarkEntry entry, IReadOnlyList<FacePart> parts, int count, int copy)
    {
        var seeds = new Seeds(Seed(piece.Set, piece.Piece, entry.Kind.ToString(), entry.ZoneId.ToString("n"), $"{entry.Version}", $"{copy}"));
        double[] weights = [.. parts.Select(p => p.Width * p.Height * Weather(p.Side, entry.How.OnEdges ? null : piece.From))];
        var sum = weights.Sum();
        var marks = new List<MarkPlace>(count);
        for (var n = 0; n < count; n++)
        {
            var (best, far) = (default(MarkPlace), -1.0);
            for (var k = 0; k < Tries && far < WeatherTable.ApartMm * WeatherTable.ApartMm; k++)
            {
                var (at, i) = (seeds.Unit() * sum, 0);
                while (i < weights.Length - 1 && (at -= weights[i]) >= 0)
                {
                    i++;
                }

                var mark = Clear(Rolled(entry, parts[i], piece.AtRandom, seeds), entry.How.Shape, piece.Box);
                var near = double.MaxValue;
                foreach (var other in marks)
                {
                    near = other.Side == mark.Side ? Math.Min(near, ((other.XMm - mark.XMm) * (other.XMm - mark.XMm)) + ((other.YMm - mark.YMm) * (other.YMm - mark.YMm))) : near;
                }

                (best, far) = near > far ? (mark, near) : (best, far);
            }

            marks.Add(best!);
        }

        return [.. marks];
    }

    private static MarkPlace Rolled(MarkEntry entry, FacePart part, bool atRandom, Seeds seeds)
    {
        var shape = entry.How.Shape;
        var width = entry.WidthMm * seeds.In(1 - WeatherTable.WidthBand, 1 + WeatherTable.WidthBand);
        var length = entry.LengthMm * seeds.In(1 - WeatherTable.LengthBand, 1 + WeatherTable.LengthBand);

        // Lines along the way of travel lie down; patches as they fall.
        var angle = shape switch { MarkShape.Streak => 0, MarkShape.Line => 90 + seeds.In(-12, 12), _ => seeds.In(0, 180) };
        var (across, up) = shape == MarkShape.Line ? (length, width) : (Math.Max(width, length), Math.Max(width, length));
        var clear = WeatherTable.ClearMm + (across / 2);
        double Along(double from, double to, double margin) => to - from <= 2 * margin ? (from + to) / 2 : seeds.In(from + margin, to - margin);
        var (x, y) = (Along(part.FromX, part.ToX, clear), Along(part.FromY, part.ToY, Math.Min(up / 2, part.Height / 2)));
        if (entry.How.OnEdges && !atRandom)
        {
            // One of the four borders of the part: the upper one twice as often as a side, seldom the foot.
            var inset = WeatherTable.ClearMm * seeds.Unit() * 0.3;
            switch (seeds.Unit())
            {
                case < 0.5:
                    y = part.ToY - (up / 2) - inset;
                    break;
                case < 0.7:
                    (x, angle) = (part.FromX + clear, angle - 90);
                    break;
                case < 0.9:
                    (x, angle) = (part.ToX - clear, angle - 90);
                    break;
                default:
                    y = part.FromY + (up / 2) + inset;
                    break;
            }
        }

        return new(part.Side, x, shape == MarkShape.Streak ? Math.Min(part.ToY, y + (length / 2)) : y, width, shape == MarkShape.Streak ? Math.Min(length, part.Height) : length, angle, -1);
    }

    // It ends at the ground, or at the lower border of its part.
    private static MarkPlace Grounded(MarkPlace mark, MarkShape shape, FacePart part) =>
        shape == MarkShape.Streak && part.Side != MarkSide.Top && mark.FootMm < part.FromY ? mark with { LengthMm = Math.Max(0.1, mark.YMm - part.FromY) } : mark;

    // No run crosses what moves, and its mating faces stay clear: what begins above ends above, what begins on it ends on it.
    private static MarkPlace Clear(MarkPlace mark, MarkShape shape, PieceBox box)
    {
        foreach (var part in box.Parts.Where(_ => mark.Side == MarkSide.Front))
        {
            var (half, mate) = (Half(mark, shape).X + WeatherTable.MateMm, Half(mark, shape).Y + WeatherTable.MateMm);
            var (low, high) = (part.AboveMm, part.AboveMm + part.HeightMm);
            foreach (var edge in new[] { part.FromMm, part.ToMm })
            {
                // Beside an upright mating face, out of its way.
                if (Math.Abs(mark.XMm - edge) < half && mark.YMm > low - mate && mark.YMm - (shape == MarkShape.Streak ? mark.LengthMm : 0) < high + mate)
                {
                    var within = mark.XMm > part.FromMm && mark.XMm < part.ToMm;
                    var inward = edge == part.FromMm ? 1 : -1;
                    mark = mark with { XMm = edge + ((within ? inward : -inward) * half) };
                }
            }

            if (mark.XMm + half <= part.FromMm || mark.XMm - half >= part.ToMm)
            {
                continue;
            }

            foreach (var border in new[] { high, low })
            {
                if (shape != MarkShape.Streak)
                {
                    mark = Math.Abs(mark.YMm - border) < mate ? mark with { YMm = border + (mark.YMm >= border ? mate : -mate) } : mark;
                    continue;
                }

                // A run that would begin beside the border begins under it.
                if (Math.Abs(mark.YMm - border) < WeatherTable.MateMm)
                {
                    mark = mark with { YMm = border - WeatherTable.MateMm };
                }

                mark = mark.YMm > border && mark.FootMm < border + WeatherTable.MateMm ? mark with { LengthMm = Math.Max(0.1, mark.YMm - border - WeatherTable.MateMm) } : mark;
            }
        }

        return mark;
    }

    // Half of what a mark takes up, across and up, of what runs down only across.
    private static (double X, double Y) Half(MarkPlace mark, MarkShape shape) => shape switch
    {
        MarkShape.Streak => (mark.WidthMm / 2, 0),
        MarkShape.Line => (Math.Abs(Steady.Sin(mark.AngleDeg * Math.PI / 180)) * mark.LengthMm / 2 + (mark.WidthMm / 2), Math.Abs(Steady.Cos(mark.AngleDeg * Math.PI / 180)) * mark.LengthMm / 2 + (mark.WidthMm / 2)),
        _ => (Math.Max(mark.WidthMm, mark.LengthMm) / 2, Math.Max(mark.WidthMm, mark.LengthMm) / 2),
    };

    // Lengths so that each copy's marks cover no more than a quarter more or less than the mean, and all together what the plan says.
    private static void Level(MarkPlace[][] copies, double areaEach, int total, MarkShape shape, IReadOnlyList<FacePart> parts)
    {
        var wanted = areaEach * total;
        if (copies.Length == 0 || wanted <= 0)
        {
            return;
        }

        var mean = wanted / copies.Length;
        double[] areas = [.. copies.Select(c => c.Sum(m => m.AreaMm2))], aims = [.. areas];
        for (var round = 0; round < 8; round++)
        {
            var sum = aims.Sum();
            for (var i = 0; i < aims.Length; i++)
            {
                aims[i] = copies[i].Length == 0 ? 0 : Math.Clamp(aims[i] * (sum > 0 ? wanted / sum : 1), mean * (1 - WeatherTable.AreaBand), mean * (1 + WeatherTable.AreaBand));
            }
        }

        for (var i = 0; i < copies.Length; i++)
        {
            var by = areas[i] > 0 ? aims[i] / areas[i] : 1;
            for (var n = 0; n < copies[i].Length; n++)
            {
                var mark = copies[i][n];
                copies[i][n] = Grounded(mark with { LengthMm = mark.LengthMm * by }, shape, parts.First(p => p.Side == mark.Side));
            }
        }
    }
}
