using Lowfell.Core.Colour;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
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
        await EveningsAsync(db, open, cancel);
        await PaintedSoFarAsync(db, await open.RowAsync(cancel), shelf, now, cancel);
        await db.SaveChangesAsync(cancel);
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

    // The wall is being weathered, four straights ahead of the rest; the first crawler is finished, a tide mark and its remedy among it.
    private static async Task PaintedSoFarAsync(LowfellDb db, Bench bench, OpenShelf shelf, DateTimeOffset now, CancellationToken cancel)
    {
        var zones = await ZoneStacks.Rows(db).Where(z => z.Piece!.Name != "Sluice gate").ToListAsync(cancel);
        void Done(string zoneName, string piece, int coats, DateTimeOffset from, params int[] copies)
        {
            var zone = zones.First(z => z.Name == zoneName && z.Piece!.Name == piece);
            var stack = ZoneStacks.Read(zone, bench, shelf);
            foreach (var step in StackSteps.Of(stack).Where(s => stack.IndexOf(s.Coat.Id) < coats))
            {
                // A clean-up follows the last pass of its coat.
                var after = step.IsCleanUp ? step.Coat.Passes + 1 : step.Pass;
                db.Log.AddRange(copies.Select(copy => new LogRow
                {
                    Id = Guid.CreateVersion7(),
                    At = from.AddHours(20 * stack.IndexOf(step.Coat.Id)).AddMinutes((4 * copy) + (50 * after)),
                    Kind = LogKind.Done,
                    ZoneId = zone.Id,
                    CoatId = step.Coat.Id,
                    Pass = step.Pass,
                    Copy = copy,
                    Paint = step.Coat.Paint?.Name ?? "",
                    Label = $"{zone.Piece!.Name}, {zone.Name}",
                    RoomC = 17,
                    RoomHumidity = 0.6,
                }));
            }
        }

        int[] straights = [1, 2, 3, 4, 5, 6, 7, 8];
        Done("Stone courses", "Straight", 4, now.AddDays(-20), straights);
        foreach (var coats in new[] { ("Stone courses", "Corner", 2), ("Walkway", "Straight", 3), ("Weed line", "Straight", 2) })
        {
            Done(coats.Item1, coats.Item2, coats.Item3, now.AddDays(-16), coats.Item2 == "Corner" ? [1, 2, 3, 4] : straights);
        }

        foreach (var zone in new[] { ("Hull panels", "Hull"), ("Cargo bed", "Hull"), ("Tracks and wheels", "Running gear") })
        {
            Done(zone.Item1, zone.Item2, 20, now.AddDays(-60), 1);
        }

        var hull = zones.First(z => z.Name == "Hull panels");
        var gear = zones.First(z => z.Name == "Tracks and wheels");
        db.Log.Add(new()
        {
            Id = Guid.CreateVersion7(),
            At = now.AddDays(-42),
            Kind = LogKind.Done,
            ZoneId = gear.Id,
            PartId = gear.PieceId,
            Copy = 1,
            Paint = gear.Piece!.Name,
            Label = "Running gear, Tracks and wheels",
            RoomC = 17,
            RoomHumidity = 0.6,
        });
        db.Log.Add(new()
        {
            Id = Guid.CreateVersion7(),
            At = now.AddDays(-55),
            Kind = LogKind.Problem,
            ZoneId = hull.Id,
            Copy = 1,
            Label = "Hull, Hull panels",
            RoomC = 17,
            RoomHumidity = 0.6,
            Note = "Tide mark on the left flank.",
            Cause = "The wash pooled there and dried from its edge.",
            Remedy = "Re-wet the edge and feathered it, then glazed Sluice Green over.",
        });
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
