using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Likeness;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Web.Features.Bases;

/// <summary>Rolls copies of a tray anew: deals what there is, grows layouts, chooses those that differ and yet belong.</summary>
internal static class TrayRoller
{
    /// <summary>Rolls.</summary>
    /// <param name="tray">The tray as it stands.</param>
    /// <param name="family">Family.</param>
    /// <param name="stock">What there is.</param>
    /// <param name="request">What is rolled.</param>
    /// <param name="memory">Layouts that were reckoned before: copies that stay are known from there.</param>
    /// <param name="grown">Told of each layout that was grown.</param>
    /// <param name="cancel">Cancels.</param>
    /// <returns>The copies as they are then, and what lacked.</returns>
    public static (IReadOnlyList<TrayCopyDraft> Copies, IReadOnlyList<string> Lacking) Roll(IReadOnlyList<TrayCopyDraft> tray, BaseFamily family, IReadOnlyList<ElementStock> stock, RollRequest request, LayoutMemory memory, Action grown, CancellationToken cancel)
    {
        var rolled = Rolled(tray, request);
        var seed = Seeds.Of((ulong)request.Seed, 17);

        // What stays stays with its elements; what is rolled keeps those that are locked.
        IReadOnlyList<DealTo> to = [.. tray.Select((c, i) => new DealTo(c.Seat(), [.. c.Elements.Where(e => !rolled.Contains(i) || e.Locked).Select(e => e.ToCore())], i + 1))];
        var kept = tray.Index().Where(c => !rolled.Contains(c.Index)).SelectMany(c => c.Item.Elements).GroupBy(e => e.BoxId).ToDictionary(g => g.Key, g => g.Count());
        var left = stock.Select(s => s with { Count = s.Count - kept.GetValueOrDefault(s.Class.Id) }).ToList();
        var dealt = Deal.Of([.. rolled.Select(i => to[i])], left, family, seed);
        var grownAll = new (TrayCopyDraft Copy, Layout Layout, Impression Impression)[rolled.Count * request.Rolls];
        Parallel.For(0, grownAll.Length, new ParallelOptions { CancellationToken = cancel, MaxDegreeOfParallelism = Environment.ProcessorCount }, j =>
        {
            var (place, roll) = (j / request.Rolls, j % request.Rolls);
            var copySeed = Seeds.Of(seed, (ulong)rolled[place], (ulong)roll) & uint.MaxValue;
            var layout = Roller.Roll(to[rolled[place]].Seat, dealt.ByCopy[place], copySeed, family);
            grownAll[j] = (tray[rolled[place]] with { Seed = (long)copySeed, Elements = [.. layout.Elements.Select(ElementDraft.Of)] }, layout, Impression.Of(layout));
            grown();
        });

        // Copies that stay enter with their one layout.
        var choices = new List<IReadOnlyList<(Layout, Impression)>>();
        var candidates = new List<TrayCopyDraft[]>();
        for (var i = 0; i < tray.Count; i++)
        {
            var place = rolled.IndexOf(i);
            var some = place < 0 ? [Standing(tray[i], family, memory)] : grownAll.Skip(place * request.Rolls).Take(request.Rolls).ToArray();
            if (request.AwayFrom is { } other && place >= 0 && other - 1 != i)
            {
                some = Away(some, memory.Of(tray[other - 1], family).Impression);
            }

            choices.Add([.. some.Select(s => (s.Layout, s.Impression))]);
            candidates.Add([.. some.Select(s => s.Copy)]);
        }

        var chosen = Choice.Of(choices, cancel);
        return ([.. chosen.Select((c, i) => candidates[i][c])], dealt.Notes);
    }

    /// <summary>Which copies are rolled, from 0.</summary>
    public static List<int> Rolled(IReadOnlyList<TrayCopyDraft> tray, RollRequest request) =>
        [.. Enumerable.Range(0, tray.Count).Where(i => !tray[i].Locked && (request.Copies is null || request.Copies.Contains(i + 1)))];

    private static (TrayCopyDraft Copy, Layout Layout, Impression Impression) Standing(TrayCopyDraft copy, BaseFamily family, LayoutMemory memory)
    {
        var known = memory.Of(copy, family);
        return (copy, known.Layout, known.Impression);
    }

    // Of all rolls those that lie farthest from the one it is alike, a third of them.
    private static (TrayCopyDraft, Layout, Impression)[] Away((TrayCopyDraft Copy, Layout Layout, Impression Impression)[] some, Impression from) =>
        [.. some.OrderBy(s => Choice.IsBarred(s.Layout)).ThenByDescending(s => s.Impression.From(from)).Take(Math.Max(1, some.Length / 3))];
}
