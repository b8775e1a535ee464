using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Features.Bases;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Host;

/// <summary>The club's bases: families, boxes of slate and tufts, and a tray that is rolled once.</summary>
internal static class DemoTray
{
    private const uint Seed = 1404;
    private const int Rolls = 2;

    // Copies of each size; figures of that size weigh so much, their middle so high.
    private static readonly (double Mm, int Copies, double WeightG, double CentreMm)[] Sizes = [(25, 12, 3, 13), (40, 4, 14, 22), (60, 2, 28, 30)];

    /// <summary>Adds them to a freshly loaded demo.</summary>
    public static async Task AddAsync(LowfellDb db, TrayDesk desk, CancellationToken cancel)
    {
        List<BaseFamilyRow> families = [.. StarterFamilies.All.Select(f => new BaseFamilyRow { Id = Guid.CreateVersion7(), Name = f.Name, Rules = Kept.Write(BaseFamilyDraft.Of(f)) })];
        db.BaseFamilies.AddRange(families);

        // Of large slate there is too little.
        List<ElementBoxRow> boxes = [.. StarterBoxes.All.Select(s => new ElementBoxRow
        {
            Id = Guid.CreateVersion7(), Name = s.Class.Name, Kind = s.Class.Kind, LengthMm = s.Class.LengthMm, WidthMm = s.Class.WidthMm, HeightMm = s.Class.HeightMm, Spread = s.Class.Spread, Count = s.Class.Name == "slate L" ? 1 : s.Count,
        })];
        db.ElementBoxes.AddRange(boxes);
        await db.SaveChangesAsync(cancel);
        var piece = await db.Pieces.SingleAsync(p => p.Name == "Bases", cancel);
        List<TrayCopyDraft> copies = [.. Sizes.SelectMany(s => Enumerable.Range(0, s.Copies).Select(_ =>
        {
            var form = new BaseForm(BaseShape.Round, s.Mm, s.Mm);
            return new TrayCopyDraft(BaseFormDraft.Of(form), BaseFigureDraft.Of(Figure.Usual(Stance.TwoFeet, form)) with { WeightG = s.WeightG, CentreMm = s.CentreMm }, 0, []);
        }))];
        var tray = new TrayRow { Id = Guid.CreateVersion7(), PieceId = piece.Id, Piece = piece, FamilyId = families[0].Id, Family = families[0], Copies = Kept.Write(copies) };
        db.Trays.Add(tray);
        var (rolled, lacking) = TrayRoller.Roll(copies, TrayDesk.Family(tray), Stock(boxes), new(0, Seed, Rolls: Rolls), new LayoutMemory(), () => { }, cancel);
        await desk.KeepAsync(tray, rolled, lacking, cancel);
    }

    // By name: ids are new with each loading, and the same seed has to give the same tray.
    private static List<ElementStock> Stock(List<ElementBoxRow> boxes) => [.. boxes.OrderBy(b => b.Name, StringComparer.Ordinal).Select(b => b.ToCore())];
}
