using System.IO.Hashing;
using System.Runtime.InteropServices;
using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Likeness;
using Lowfell.Core.Bases.Making;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Bases;

/// <summary>Reads, keeps and rolls trays.</summary>
/// <param name="db">Database.</param>
/// <param name="memory">Layouts that were reckoned before.</param>
/// <param name="open">The bench.</param>
public sealed class TrayDesk(LowfellDb db, LayoutMemory memory, OpenBench open)
{
    private const int MostToldAlike = 40;

    /// <summary>Most copies that are rolled while the painter waits; more are a job.</summary>
    internal const int MostAtOnce = 4;

    /// <summary>A tray with its family; null where the piece has none.</summary>
    internal Task<TrayRow?> OfPieceAsync(Guid pieceId, CancellationToken cancel) => db.Trays.Include(t => t.Family).SingleOrDefaultAsync(t => t.PieceId == pieceId, cancel);

    /// <summary>A tray by its id.</summary>
    internal async Task<TrayRow> RowAsync(Guid id, CancellationToken cancel) => await db.Trays.Include(t => t.Family).Include(t => t.Piece).SingleOrDefaultAsync(t => t.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);

    /// <summary>Its copies.</summary>
    internal static IReadOnlyList<TrayCopyDraft> Copies(TrayRow tray) => Kept.Read<List<TrayCopyDraft>>(tray.Copies);

    /// <summary>Its family.</summary>
    internal static BaseFamily Family(TrayRow tray) => Kept.Read<BaseFamilyDraft>(tray.Family!.Rules).ToCore() with { Name = tray.Family.Name };

    /// <summary>Layouts of copies, as they were reckoned before or are now.</summary>
    internal IReadOnlyList<Layout> Layouts(IReadOnlyList<TrayCopyDraft> copies, BaseFamily family)
    {
        return [.. memory.Of(copies, family).Select(k => k.Layout)];
    }

    /// <summary>A tray with all that follows from it.</summary>
    internal async Task<TrayView> ViewAsync(TrayRow tray, CancellationToken cancel)
    {
        var (copies, family) = (Copies(tray), Family(tray));
        var known = memory.Of(copies, family);
        var order = TrayOrder.Of([.. known.Select(k => k.Layout.Form)]);
        var (differences, least, mean) = Differences(known, order.Neighbours);
        var boxes = await db.ElementBoxes.AsNoTracking().OrderBy(b => b.Kind).ThenByDescending(b => b.LengthMm).ToListAsync(cancel);
        IReadOnlyList<Layout> layouts = [.. known.Select(k => k.Layout)];
        var grounds = TrayGrounds.Of(tray, layouts, await open.ShelfAsync(cancel));
        var scale = await db.Pieces.Where(p => p.Id == tray.PieceId).Select(p => p.Set!.Scale).SingleAsync(cancel);
        var roll = await db.TrayRolls.AsNoTracking().Where(r => r.TrayId == tray.Id).OrderByDescending(r => r.AskedAt).FirstOrDefaultAsync(cancel);
        return new(
            tray.Id,
            tray.Version,
            tray.PieceId,
            tray.FamilyId,
            tray.Family!.Name,
            [.. known.Select((k, i) => TrayWriter.Base(i + 1, copies[i], k, scale, grounds?.ColourOf(i), IsLaid(tray, i + 1)))],
            [.. order.Rows.Select(r => r.Select(i => i + 1).ToList())],
            differences,
            least,
            mean,
            TrayWriter.Takes(BaseQuantities.Of([.. known.Select(k => k.Takes)])),
            Uses(boxes, tray, copies),
            Kept.Read<List<string>>(tray.Lacking),
            grounds?.View(layouts),
            roll is null ? null : TrayWriter.Roll(roll),
            scale);
    }

    /// <summary>Colours of the grounds of all copies; the family's own where it is null.</summary>
    internal async Task<IReadOnlyList<string?>> GroundsAsync(TrayRow tray, IReadOnlyList<Layout> layouts, CancellationToken cancel) =>
        TrayGrounds.Of(tray, layouts, await open.ShelfAsync(cancel)) is { } grounds ? [.. layouts.Select((_, i) => grounds.ColourOf(i))] : new string?[layouts.Count];

    /// <summary>Keeps what a tray should be; what breaks its locks or asks for more than there is, is refused by name.</summary>
    internal async Task KeepAsync(TrayRow tray, IReadOnlyList<TrayCopyDraft> copies, IReadOnlyList<string>? lacking, CancellationToken cancel)
    {
        var family = Family(tray);
        var before = tray.Copies.Length > 0 ? Copies(tray) : [];
        tray.Copies = Kept.Write(copies);
        if (lacking is not null)
        {
            tray.Lacking = Kept.Write(lacking);
        }

        var piece = tray.Piece ?? await db.Pieces.SingleAsync(p => p.Id == tray.PieceId, cancel);
        await TrayRim.FollowAsync(piece.Id, before, copies, db, cancel);
        piece.Copies = copies.Count;
        Laid(piece, copies, family);
        db.Entry(tray).State = db.Entry(tray).State == EntityState.Unchanged ? EntityState.Modified : db.Entry(tray).State;
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>What trays of a family lay follows its rules, once they have changed; saved with them.</summary>
    internal async Task FollowAsync(BaseFamilyRow family, CancellationToken cancel)
    {
        foreach (var tray in await db.Trays.Include(t => t.Piece).Where(t => t.FamilyId == family.Id).ToListAsync(cancel))
        {
            tray.Family = family;
            Laid(tray.Piece!, Copies(tray), Family(tray));
        }
    }

    // What a copy takes is what its coats are laid with.
    private void Laid(PieceRow piece, IReadOnlyList<TrayCopyDraft> copies, BaseFamily family)
    {
        var takes = Layouts(copies, family).Select(BaseQuantities.Of).ToList();
        double Mean(Func<BaseQuantities, double> of) => Math.Round(takes.Average(of), 4);
        (piece.LaidPasteMl, piece.LaidCrackleMl, piece.LaidGlueMl, piece.LaidGritMl, piece.LaidDripMl) =
            (Mean(t => t.PasteMl), Mean(t => t.CrackleMl), Mean(t => t.PvaMl), Mean(t => t.GritMl), Mean(t => t.SealMl));
    }

    /// <summary>Checks what stands on a tray against the forms; layouts that break a rule are kept and told of.</summary>
    internal static void Check(IReadOnlyList<TrayCopyDraft> copies, string path)
    {
        var checks = new Checks();
        for (var i = 0; i < copies.Count; i++)
        {
            Check(copies[i], $"{path}[{i}]", checks);
        }

        checks.Enforce();
    }

    private static void Check(TrayCopyDraft copy, string path, Checks checks)
    {
        if (copy.Form.Shape == BaseShape.Round && Math.Abs(copy.Form.LengthMm - copy.Form.WidthMm) > 0.01)
        {
            checks.Fault($"{path}.form.widthMm", FormattableString.Invariant($"A round base is as wide as long; {copy.Form.LengthMm:0.##} and {copy.Form.WidthMm:0.##} mm are not the same. Call it oval."));
        }
        else if (copy.Figure is { Stance: not Stance.None } f && (f.LandingMm <= 0 || f.LandingWidthMm <= 0))
        {
            checks.Fault($"{path}.figure.landingMm", "What stands on a base has a landing of some length and width, in mm.");
        }
        else if (copy.Seat().Fault() is { } fault)
        {
            checks.Fault($"{path}.figure", fault);
        }
    }

    /// <summary>Whether something of a copy is glued down.</summary>
    internal static bool IsLaid(TrayRow tray, int copy) => tray.StonesLaid.Contains(copy) || tray.TuftsLaid.Contains(copy);

    /// <summary>Copies as a roll finds them: what is glued down is locked.</summary>
    internal static IReadOnlyList<TrayCopyDraft> ToRoll(TrayRow tray) => [.. Copies(tray).Select((c, i) => IsLaid(tray, i + 1) ? c with { Locked = true } : c)];

    /// <summary>Rolled copies with the locks that the painter set.</summary>
    internal static IReadOnlyList<TrayCopyDraft> AsLocked(IReadOnlyList<TrayCopyDraft> rolled, IReadOnlyList<TrayCopyDraft> before) => [.. rolled.Zip(before, (r, b) => r with { Locked = b.Locked })];

    /// <summary>Copies as they are to be, but for those that are glued down: these stay, whatever an older window or an undo says.</summary>
    /// <exception cref="RefusedException">One that is glued down would go.</exception>
    internal static IReadOnlyList<TrayCopyDraft> WithLaid(TrayRow tray, IReadOnlyList<TrayCopyDraft> wanted)
    {
        var now = Copies(tray);
        if (Enumerable.Range(wanted.Count + 1, Math.Max(0, now.Count - wanted.Count)).FirstOrDefault(c => IsLaid(tray, c)) is > 0 and var gone)
        {
            throw new RefusedException("tray.copies", $"Base {gone} is glued down, says the log: it can't go. Take its coat back first.");
        }

        return [.. wanted.Select((c, i) => IsLaid(tray, i + 1) ? now[i] : c)];
    }

    /// <summary>Boxes as a roll finds them: what is glued down on locked copies is counted in with what is left.</summary>
    internal async Task<IReadOnlyList<ElementStock>> StockAsync(TrayRow tray, CancellationToken cancel)
    {
        var copies = Copies(tray);
        var laid = copies.Index().SelectMany(c => c.Item.Elements.Where(e => (e.Kind.IsRigid() ? tray.StonesLaid : tray.TuftsLaid).Contains(c.Index + 1))).GroupBy(e => e.BoxId).ToDictionary(g => g.Key, g => g.Count());
        return [.. (await StockAsync(cancel)).Select(s => s with { Count = s.Count + laid.GetValueOrDefault(s.Class.Id) })];
    }

    private static IEnumerable<ElementDraft> StillToLay(TrayRow tray, IReadOnlyList<TrayCopyDraft> copies) =>
        copies.Index().SelectMany(c => c.Item.Elements.Where(e => !(e.Kind.IsRigid() ? tray.StonesLaid : tray.TuftsLaid).Contains(c.Index + 1)));

    /// <summary>The stock as Core knows it.</summary>
    private async Task<IReadOnlyList<ElementStock>> StockAsync(CancellationToken cancel) => (await db.ElementBoxes.AsNoTracking().ToListAsync(cancel)).ConvertAll(b => b.ToCore());

    /// <summary>Every pair, those side by side and those too much alike told; least and mean over all.</summary>
    internal static (IReadOnlyList<DifferenceView> Told, double? Least, double? Mean) Differences(IReadOnlyList<LayoutMemory.Known> bases, IReadOnlyList<(int A, int B)> neighbours)
    {
        var beside = neighbours.ToHashSet();
        var all = new List<DifferenceView>();
        for (var a = 0; a < bases.Count; a++)
        {
            for (var b = a + 1; b < bases.Count; b++)
            {
                var (distance, asTheyStand) = bases[a].From(bases[b]);
                all.Add(new(a + 1, b + 1, Math.Round(distance, 3), Math.Round(asTheyStand, 3), Impression.Judge(distance), beside.Contains((a, b)) || beside.Contains((b, a))));
            }
        }

        return (
            [.. all.Where(d => d.Beside), .. all.Where(d => !d.Beside && d.Judged != Alikeness.Different).OrderBy(d => d.Distance).Take(MostToldAlike)],
            all.Count == 0 ? null : all.Min(d => d.Distance),
            all.Count == 0 ? null : Math.Round(all.Average(d => d.Distance), 3));
    }

    /// <summary>Elements and super glue that trays of pieces still take, against the boxes they share.</summary>
    internal static async Task<(IReadOnlyList<BoxUse> Elements, double SuperGlueDrops)> StillToLayAsync(IReadOnlyCollection<Guid> pieces, LowfellDb db, CancellationToken cancel)
    {
        var trays = await db.Trays.AsNoTracking().Where(t => pieces.Contains(t.PieceId)).ToListAsync(cancel);
        if (trays.Count == 0)
        {
            return ([], 0);
        }

        var boxes = await db.ElementBoxes.AsNoTracking().OrderBy(b => b.Kind).ThenByDescending(b => b.LengthMm).ToListAsync(cancel);
        var (uses, drops) = (new List<BoxUse>(), 0.0);
        foreach (var tray in trays)
        {
            var copies = Copies(tray);
            uses.AddRange(Uses(boxes, tray, copies).Where(u => u.Used > 0));
            drops += copies.Where((c, i) => c.Elements.Count > 0 && !tray.StonesLaid.Contains(i + 1)).Sum(c => BaseQuantities.DropsUnder(c.Elements.Select(e => e.ToCore()), c.Figure.ToCore().Landings()));
        }

        return ([.. uses.GroupBy(u => u.BoxId).Select(g => g.First() with { Used = g.Sum(u => u.Used), Short = Math.Max(0, g.Sum(u => u.Used) - g.First().Count) })], Math.Ceiling(drops));
    }

    private static List<BoxUse> Uses(List<ElementBoxRow> boxes, TrayRow tray, IReadOnlyList<TrayCopyDraft> copies)
    {
        var used = StillToLay(tray, copies).GroupBy(e => e.BoxId).ToDictionary(g => g.Key, g => (Count: g.Count(), First: g.First()));
        List<BoxUse> uses = [.. boxes.Select(b => new BoxUse(b.Id, b.Name, b.Kind, b.Count, used.GetValueOrDefault(b.Id).Count, Math.Max(0, used.GetValueOrDefault(b.Id).Count - b.Count)))];
        uses.AddRange(used.Where(u => boxes.TrueForAll(b => b.Id != u.Key)).Select(u => new BoxUse(u.Key, u.Value.First.Name, u.Value.First.Kind, 0, u.Value.Count, u.Value.Count)));
        return uses;
    }
}

/// <summary>Layouts that were reckoned, by all that they follow from.</summary>
public sealed class LayoutMemory
{
    private const int Most = 2000;
    private const int MostOthers = 500;
    private readonly System.Collections.Concurrent.ConcurrentDictionary<UInt128, Known> known = new();

    /// <summary>A layout with its impression and what it takes.</summary>
    /// <param name="Layout">The layout.</param>
    /// <param name="Impression">Its impression.</param>
    /// <param name="Takes">What it takes.</param>
    /// <param name="Resemblance">How well it belongs.</param>
    /// <param name="Mark">Its mark.</param>
    internal sealed record Known(Layout Layout, Impression Impression, BaseQuantities Takes, double Resemblance, string Mark)
    {
        private readonly System.Collections.Concurrent.ConcurrentDictionary<Known, (double Distance, double AsTheyStand)> others = new(ReferenceEqualityComparer.Instance);

        /// <summary>How different another is; one that was moved is looked at beside the others, these not again beside each other.</summary>
        public (double Distance, double AsTheyStand) From(Known other)
        {
            if (others.TryGetValue(other, out var known))
            {
                return known;
            }

            var distance = Impression.From(other.Impression, out var asTheyStand);
            if (others.Count >= MostOthers)
            {
                others.Clear();
            }

            return others[other] = (distance, asTheyStand);
        }
    }

    /// <summary>Layouts of copies as they stand.</summary>
    internal Known[] Of(IReadOnlyList<TrayCopyDraft> copies, BaseFamily family)
    {
        var rules = Kept.Write(BaseFamilyDraft.Of(family));
        var all = new Known[copies.Count];
        Parallel.For(0, copies.Count, i => all[i] = Of(copies[i], family, rules));
        return all;
    }

    /// <summary>The layout of a copy as it stands.</summary>
    internal Known Of(TrayCopyDraft copy, BaseFamily family) => Of([copy], family)[0];

    private Known Of(TrayCopyDraft copy, BaseFamily family, string rules)
    {
        var text = Kept.Write(copy with { Locked = false }) + rules;
        var hash = XxHash128.HashToUInt128(MemoryMarshal.AsBytes(text.AsSpan()));
        if (known.TryGetValue(hash, out var had))
        {
            return had;
        }

        if (known.Count >= Most)
        {
            known.Clear();
        }

        var layout = Roller.Read(copy.Plot(), family);
        return known[hash] = new(layout, Impression.Of(layout), BaseQuantities.Of(layout), Core.Bases.Likeness.Resemblance.Of(layout), $"{hash:x}"[..Math.Min(16, $"{hash:x}".Length)]);
    }
}
