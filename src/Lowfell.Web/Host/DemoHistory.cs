using Lowfell.Core.Weathering;
using Lowfell.Web.Features.Weathering;
using Lowfell.Core.Boards;
using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Boards;
using Lowfell.Web.Features.Evenings;
using Lowfell.Web.Features.Matching;
using Lowfell.Web.Features.Mixes;
using Lowfell.Web.Features.Sets;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;
using Lowfell.Web.Features.Tiles;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Host;

/// <summary>What the demo's club has done before today: a mix made and partly used, last year's box of sea wall, a test tile.</summary>
internal static class DemoHistory
{
    private const int MixMadeDaysAgo = 40;
    private const int FirstBoxDaysAgo = 400;

    /// <summary>Adds the history to a freshly loaded demo.</summary>
    public static async Task AddAsync(LowfellDb db, OpenBench open, DateTimeOffset now, CancellationToken cancel)
    {
        var shelf = await open.ShelfAsync(cancel);
        Material On(string name) => shelf.Materials.Values.Single(m => m.Name == name);
        db.MixRecords.Add(await StoneMadeAsync(db, On, now.AddDays(-MixMadeDaysAgo), cancel));
        var wall = await db.Zones.AsNoTracking().Include(z => z.Piece!.Set).FirstAsync(z => z.Name == "Stone courses" && z.Piece!.Name == "Straight", cancel);
        db.Painted.Add(await FirstBoxAsync(db, open, wall, shelf, DateOnly.FromDateTime(now.UtcDateTime).AddDays(-FirstBoxDaysAgo), cancel));
        db.Tiles.Add(WallTile(wall, On));
        db.Boards.Add(new() { Id = Guid.CreateVersion7(), SetId = wall.Piece!.SetId, Board = Kept.Write(Quay(wall.Piece)) });
        db.Weatherings.Add(new() { Id = Guid.CreateVersion7(), PieceId = wall.PieceId, Plan = Kept.Write(Weathered(wall)) });
        await EveningsAsync(db, open, cancel);
        await PaintedSoFarAsync(db, await open.RowAsync(cancel), shelf, now, cancel);
        await db.SaveChangesAsync(cancel);
    }

    // Ten years of rain and salt wind from the left: the next thing that the wall is to get.
    private static WeatheringDraft Weathered(ZoneRow stone)
    {
        EntryDraft Entry(MarkKind kind, double count, double times)
        {
            var (width, length) = MarkScale.OnModel(kind, stone.Piece!.Set!.Scale, times);
            return new(Guid.CreateVersion7(), stone.Id, kind, count, width, length);
        }

        return new(
            new(WeatherAge.TenYears, [WentThrough.Rain, WentThrough.SaltWind, WentThrough.Birds], MarkSide.Left),
            [new(stone.Id, Ledges: 14, Iron: 8, Perches: 7)],
            [Entry(MarkKind.Rain, 7, 2), Entry(MarkKind.Rust, 3, 2), Entry(MarkKind.Lime, 2, 1.5)]);
    }

    private static async Task EveningsAsync(LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        const int HalfPastSeven = 1170, Ten = 1320, HalfPastNine = 570, HalfPastTwelve = 750;
        var bench = await open.RowAsync(cancel);
        CalendarEndpoints.Keep(bench, new(
            bench.CalendarVersion,
            "Etc/UTC",
            [new(DayOfWeek.Tuesday, HalfPastSeven, Ten), new(DayOfWeek.Thursday, HalfPastSeven, Ten), new(DayOfWeek.Sunday, HalfPastNine, HalfPastTwelve)],
            [],
            new(17, 0.6, Fan: false, CansFit: true)));
    }

    // The wall is being weathered; the first crawler is finished, a tide mark and its remedy among it. All of it on the club's own evenings, one step after the other.
    private static async Task PaintedSoFarAsync(LowfellDb db, Bench bench, OpenShelf shelf, DateTimeOffset now, CancellationToken cancel)
    {
        var zones = await ZoneStacks.Rows(db).Where(z => z.Piece!.Name != "Sluice gate").ToListAsync(cancel);
        int[] straights = [1, 2, 3, 4, 5, 6, 7, 8];
        (string Zone, string Piece, int Coats, int[] Copies)[] crawler = [("Hull panels", "Hull", 20, [1]), ("Cargo bed", "Hull", 20, [1]), ("Tracks and wheels", "Running gear", 20, [1])];
        (string Zone, string Piece, int Coats, int[] Copies)[] wall = [("Stone courses", "Straight", 4, straights), ("Stone courses", "Corner", 2, [1, 2, 3, 4]), ("Walkway", "Straight", 3, straights), ("Weed line", "Straight", 2, straights)];
        void Write(DemoEvenings evenings)
        {
            foreach (var (zone, piece, coats, copies) in crawler)
            {
                evenings.Paint(zones.First(z => z.Name == zone && z.Piece!.Name == piece), coats, copies);
            }

            var (hull, gear) = (zones.First(z => z.Name == "Hull panels"), zones.First(z => z.Name == "Tracks and wheels"));
            evenings.Problem(hull, 1, "Tide mark on the left flank.", "The wash pooled there and dried from its edge.", "Re-wet the edge and feathered it, then glazed Sluice Green over.");
            evenings.Fit(gear, 1);
            foreach (var (zone, piece, coats, copies) in wall)
            {
                evenings.Paint(zones.First(z => z.Name == zone && z.Piece!.Name == piece), coats, copies);
            }
        }

        // How many evenings it takes is known once it has been gone through: the last of them is the one before today.
        var trial = new DemoEvenings(bench, shelf, now, 0);
        Write(trial);
        var real = new DemoEvenings(bench, shelf, now, trial.Used);
        Write(real);
        db.Log.AddRange(real.Entries);
    }

    // Bone Shell was a little lighter then, and came from another lot.
    private static async Task<MixRecordRow> StoneMadeAsync(LowfellDb db, Func<string, Material> on, DateTimeOffset at, CancellationToken cancel)
    {
        var row = await db.Mixes.AsNoTracking().Include(m => m.Components).SingleAsync(m => m.Name == "Brinegate Stone", cancel);
        var straight = await db.Pieces.FirstAsync(p => p.Name == "Straight", cancel);
        MixRecordLineRow Line(int position, Material m, double ml, string lot) => new()
        {
            Id = Guid.CreateVersion7(),
            Position = position,
            At = at,
            MaterialId = m.Id,
            Name = m.Name,
            Ml = ml,
            Lot = lot,
            Snapshot = Kept.Write(MaterialSnapshot.Of(m)),
        };
        return new()
        {
            Id = Guid.CreateVersion7(),
            MixId = row.Id,
            Name = row.Name,
            MadeAt = at,
            LeftMl = 5.4,
            Note = "For the wall; enough for the corners too.",
            Recipe = Kept.Write(RecipeBook.Draft(row)),
            Lines = [Line(0, on("Pier Grey"), 6, "B311"), Line(1, on("Rope Tan"), 4, "T020"), Line(2, on("Bone Shell") with { Colour = Srgb.Parse("#ded2b6") }, 2, "B298")],
            Uses = [new() { Id = Guid.CreateVersion7(), At = at.AddHours(1), PieceId = straight.Id, Copies = [1, 2, 3, 4, 5], Ml = 6.6, Note = "first coat" }],
        };
    }

    // Six straights along the quay: the third up a ramp, two on a plinth.
    private static BoardDraft Quay(PieceRow straight)
    {
        const double PlinthMm = 12;
        var ramp = Math.Asin(PlinthMm / straight.LengthMm) * 180 / Math.PI;
        return new(
            [.. Enumerable.Range(1, 6).Select(n => new StandingCopy(Guid.CreateVersion7(), straight.Id, n, Math.Round((n - 0.5) * straight.LengthMm, 1), straight.WidthMm / 2, 0, n is 4 or 5 ? PlinthMm : 0, n == 3 ? Math.Round(ramp, 2) : 0))],
            [], [],
            [.. BoardTable.UsualLines.Where(l => l.Name is "Tide" or "Damp" or "Dust").Select(l => new DatumDraft(Guid.CreateVersion7(), l.Name, l.Kind, l.HeightMm, l.WanderMm, []))],
            []);
    }

    // Two of its bottles are long empty, and nobody sells them any more.
    private static async Task<PaintedRow> FirstBoxAsync(LowfellDb db, OpenBench open, ZoneRow wall, OpenShelf shelf, DateOnly on, CancellationToken cancel)
    {
        var scheme = await SchemeEndpoints.ViewAsync(wall.SchemeId, db, cancel);
        var schools = (await open.RowAsync(cancel)).Schools;
        var zone = ZoneEndpoints.Draft(wall);
        var stack = StackReader.Read(zone, scheme.Coats, schools, shelf);
        stack = Gone(stack, "Wet Sand", m => m with { Name = "Skua Brown", Colour = Srgb.Parse("#8a6546") });
        stack = Gone(stack, "Kelp Wash", m => m with { Name = "Otter Wash", Colour = Srgb.Parse("#5c3a17"), OwnVolumeSolids = 0.16 });
        return new()
        {
            Id = Guid.CreateVersion7(),
            Name = "Sea wall, first box",
            PaintedOn = on,
            SchemeId = wall.SchemeId,
            Note = "Six straights and two corners; on the club's table since the spring.",
            Stack = Kept.Write(PaintedStack.Of(zone, schools, scheme.Coats, stack)),
        };
    }

    private static StackDraft Gone(StackDraft stack, string name, Func<Material, Material> then)
    {
        var now = stack.Coats.SelectMany(c => c.Paint?.Content.Materials ?? []).Select(m => m.Material).First(m => m.Name == name);
        return Substitutes.InPlaceOf(stack, now.Id, then(now) with { Id = Guid.CreateVersion7() });
    }

    private static TileRow WallTile(ZoneRow wall, Func<string, Material> on)
    {
        CoatDraft Coat(Technique technique, string name, double fraction, int passes = 1) => new()
        {
            Id = Guid.CreateVersion7(),
            Technique = technique,
            MaterialId = on(name).Id,
            PaintFraction = fraction,
            Passes = passes,
            Thinner = on(name).Family.Facts().OwnThinner,
        };
        var plan = new TilePlan(
            ZoneEndpoints.Draft(wall) with { Target = null, Copies = 1, AreaMm2 = 2500 },
            [],
            [Coat(Technique.BaseCoat, "Pier Grey", 0.8, 2), Coat(Technique.BaseCoat, "Rope Tan", 0.8, 2), Coat(Technique.BaseCoat, "Bone Shell", 0.8, 2)],
            [Coat(Technique.Wash, "Kelp Wash", 1), Coat(Technique.Wash, "Soot Wash", 1), Coat(Technique.Wash, "Weed Wash", 1)],
            new LookDraft(Face: "#9a8c6c"));
        return new()
        {
            Id = Guid.CreateVersion7(),
            Name = "Wall stone trials",
            Plan = Kept.Write(plan),
            Painted = Kept.Write<IReadOnlyList<PaintedCell>>([new(1, 0, "#a48c5f", "a little warmer than hoped"), new(0, 1, "#6f6e69")]),
        };
    }
}
