using Lowfell.Core.Amounts;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Likeness;
using Lowfell.Core.Bases.Making;
using Lowfell.Core.Colour;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Store;
using Lowfell.Web.Benches;

namespace Lowfell.Web.Features.Bases;

/// <summary>Related grounds over a tray: three to five mixes of two browns, so that neighbours differ and all belong.</summary>
/// <param name="Mixes">The mixes.</param>
/// <param name="OfCopy">Which of them each copy has.</param>
/// <param name="A">The first brown.</param>
/// <param name="B">The second.</param>
internal sealed record TrayGrounds(IReadOnlyList<GroundMix> Mixes, IReadOnlyList<int> OfCopy, Guid A, Guid B)
{
    private const int Passes = 3;
    private static readonly Zone Flat = new() { Facing = Facing.Up, Relief = Relief.Smooth };
    private static readonly Zone Rough = new() { Facing = Facing.Up, Relief = Relief.Rough };

    /// <summary>Grounds of a tray; null where it has one, or a brown has left the shelf.</summary>
    public static TrayGrounds? Of(TrayRow tray, IReadOnlyList<Layout> layouts, OpenShelf shelf)
    {
        if (tray.Grounds < 3 || tray.GroundAId is not { } a || tray.GroundBId is not { } b || shelf.Find(a) is not { } first || shelf.Find(b) is not { } second)
        {
            return null;
        }

        Paint Mixed(double share) => Paint.Of(new Mix("", [new(share, MixUnit.Parts, first), new(1 - share, MixUnit.Parts, second)]));
        var card = Srgb.Parse(layouts.Count > 0 ? layouts[0].Family.Ground : "#6b563f");
        var mixes = Grounds.Of(tray.Grounds, share => StackedCard.Colour(card, Mixed(share), Technique.BaseCoat, Flat, Passes));
        var order = TrayOrder.Of([.. layouts.Select(l => l.Form)]);
        return new(mixes, Grounds.Shared(order.Neighbours, layouts.Count, mixes.Count, Lowfell.Core.Bases.Plane.Seeds.Of(tray.PieceId, 1)), a, b);
    }

    /// <summary>Colour of the ground of a copy, from 0.</summary>
    public string ColourOf(int copy) => Mixes[OfCopy[copy]].Colour.ToString();

    /// <summary>As a screen shows them.</summary>
    public GroundsView View(IReadOnlyList<Layout> layouts) => new(A, B, [.. Mixes.Select((m, i) =>
    {
        List<int> copies = [.. OfCopy.Index().Where(c => c.Item == i).Select(c => c.Index)];
        var coat = new Coat { Id = Guid.Empty, Technique = Technique.BaseCoat, Passes = 1, Dilution = Dilution.Neat };
        var takes = copies.Count == 0 ? 0 : CoatAmount.Of(coat, [.. copies.Select(c => Rough with { AreaMm2 = layouts[c].Form.TopMm2 })], Palette.Wet).TotalMl;
        return new GroundView(m.PartsA, m.PartsB, m.Colour.ToString(), [.. copies.Select(c => c + 1)], Math.Round(takes, 2));
    })], Grounds.Fault(Mixes) ?? "");
}
