using Lowfell.Core.Techniques;

namespace Lowfell.Core.Weathering;

/// <summary>The marks of a kind, copy by copy: those that lie anywhere are placed on the copies that are asked for, those on hosts on all at once, as each goes by its neighbours.</summary>
/// <param name="piece">The piece.</param>
/// <param name="zone">The zone.</param>
/// <param name="entry">The kind, how many and how large.</param>
/// <param name="most">Most on one copy that are placed; more are sponged or flicked and lie where they fall.</param>
public sealed class KindMarks(WeatherPiece piece, WeatherZone zone, MarkEntry entry, int most = WeatherTable.OneByOne)
{
    private readonly IReadOnlyList<FacePart> parts = Variation.Parts(piece.Box, zone, entry);
    private readonly Dictionary<int, HeldCopy> held = Variation.Held(piece, entry);
    private List<Variation.Host>? hosts;
    private int[]? shares;
    private IReadOnlyList<int>? counts;
    private MarkPlace[][]? onHosts;
    private IReadOnlyList<MarkPlace>? strips;

    /// <summary>Something carries each of them.</summary>
    public bool ByHosts => entry.How.By == MarksBy.Hosts && !piece.AtRandom;

    /// <summary>How many there are on each copy, also where they are not placed one by one.</summary>
    public IReadOnlyList<int> Counts => counts ??= [.. Shares.Select((n, i) => held.TryGetValue(i + 1, out var kept) ? kept.Marks.Count : n)];

    /// <summary>They are set one by one and have numbers: on every copy, or on none.</summary>
    public bool IsNumbered => entry.How.ByNumber && Counts.Max() <= WeatherTable.Numbered;

    private int[] Shares => shares ??= Variation.Shares(piece, entry, ByHosts ? Hosts.Count : null);

    private List<Variation.Host> Hosts => hosts ??= Variation.Hosts(parts, zone.HostsOf(entry.How.Host).Count, entry.How.Host, piece.From);

    private bool IsNone => parts.Count == 0 || entry.Count <= 0;

    /// <summary>The marks on a copy.</summary>
    /// <param name="copy">Which, from 1.</param>
    public IReadOnlyList<MarkPlace> On(int copy)
    {
        if (IsNone)
        {
            return [];
        }

        if (entry.How.Length is null)
        {
            return strips ??= [.. parts.Select(Variation.Strip)];
        }

        // Every copy is drawn as if none was held: what is held on one leaves the others as they are.
        return held.TryGetValue(copy, out var kept) ? kept.Marks : ByHosts ? (onHosts ??= Variation.OnHosts(piece, zone, entry, Hosts, Shares, parts))[copy - 1] : Variation.Anywhere(piece, entry, parts, Placed(copy), copy);
    }

    /// <summary>How many <see cref="On"/> has for a copy.</summary>
    /// <param name="copy">Which, from 1.</param>
    public int CountOn(int copy) => IsNone ? 0
        : entry.How.Length is null ? parts.Count
        : held.TryGetValue(copy, out var kept) ? kept.Marks.Count
        : Placed(copy);

    private int Placed(int copy) => Math.Min(ByHosts ? Hosts.Count : most, Shares[copy - 1]);
}
