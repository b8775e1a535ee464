using System.Text.Json;
using System.Text.Json.Serialization;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Store.Demo;

/// <summary>Loads Brinegate Saltworks, a made-up club's table, into an empty bench.</summary>
public static class DemoLoader
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
    };

    /// <summary>Loads the demo where the bench holds no set and no material.</summary>
    /// <param name="db">The database, on the bench.</param>
    /// <param name="benchId">The bench.</param>
    /// <param name="today">Day that the bottles' ages count from.</param>
    /// <param name="cancel">Cancels.</param>
    /// <returns>Whether it was loaded.</returns>
    public static async Task<bool> LoadIfEmptyAsync(LowfellDb db, Guid benchId, DateOnly today, CancellationToken cancel)
    {
        if (await db.Sets.AnyAsync(cancel) || await db.Materials.AnyAsync(cancel))
        {
            return false;
        }

        var materials = Read<List<DemoMaterial>>("demo-materials.json").ToDictionary(m => m.Name, m => m.ToRow(today));
        var demo = Read<DemoWorld>("demo-sets.json");
        db.AddRange(materials.Values);
        var mixes = Mixes(demo, materials);
        db.AddRange(mixes.Values);
        var schemes = demo.Schemes.ToDictionary(s => s.Key, s => Scheme(s.Key, s.Value, materials, mixes));
        db.AddRange(schemes.Values);
        db.AddRange(demo.Sets.Select((s, i) => Set(s, i, schemes)));
        var bench = await db.Benches.SingleAsync(b => b.Id == benchId, cancel);
        (bench.Name, bench.HoldsDemo) = ("Brinegate Saltworks", true);
        bench.ShelfVersion++;
        await db.SaveChangesAsync(cancel);
        return true;
    }

    private static T Read<T>(string name)
    {
        using var stream = typeof(DemoLoader).Assembly.GetManifestResourceStream(name) ?? throw new InvalidOperationException($"{name} is missing from the assembly.");
        return JsonSerializer.Deserialize<T>(stream, Options)!;
    }

    private static Dictionary<string, MixRow> Mixes(DemoWorld demo, Dictionary<string, MaterialRow> materials)
    {
        var mixes = new Dictionary<string, MixRow>();
        foreach (var mix in demo.Mixes)
        {
            mixes[mix.Name] = new MixRow
            {
                Id = Guid.CreateVersion7(),
                Name = mix.Name,
                Components = [.. mix.Components.Select((c, i) => new MixComponentRow
                {
                    Id = Guid.CreateVersion7(),
                    Position = i,
                    Amount = c.Amount,
                    Unit = c.Unit,
                    MaterialId = c.Material is null ? null : materials[c.Material].Id,
                    InnerMixId = c.Mix is null ? null : mixes[c.Mix].Id,
                    Thinner = c.Thinner,
                })],
            };
        }

        return mixes;
    }

    private static SchemeRow Scheme(string name, List<DemoCoat> coats, Dictionary<string, MaterialRow> materials, Dictionary<string, MixRow> mixes) => new()
    {
        Id = Guid.CreateVersion7(),
        Name = name,
        Coats = [.. coats.Select((c, i) =>
        {
            var material = c.Material is null ? null : materials[c.Material];
            // Its mixes are all of acrylic paint.
            var family = material?.Family ?? Family.AcrylicPaint;
            return new CoatRow
            {
                Id = Guid.CreateVersion7(),
                Position = i,
                Technique = c.Technique,
                MaterialId = material?.Id,
                MixId = c.Mix is null ? null : mixes[c.Mix].Id,
                Passes = c.Passes,
                PaintFraction = c.PaintFraction ?? c.Technique.UsualFraction(family),
                Thinner = c.Thinner ?? family.Facts().OwnThinner,
                Optional = c.Optional,
                MarkCount = c.Marks?.Count,
                MarkWidthMm = c.Marks?.WidthMm,
                MarkLengthMm = c.Marks?.LengthMm,
                MarkKind = c.Marks?.Kind,
                MarkStripMm2 = c.Marks?.StripMm2,
                FadeFullMm = c.Fade?.FullMm,
                FadeNoneMm = c.Fade?.NoneMm,
                Note = c.Note,
            };
        })],
    };

    private static SetRow Set(DemoSet set, int position, Dictionary<string, SchemeRow> schemes)
    {
        var pieces = set.Pieces.Select((p, i) => Piece(p, i, schemes)).ToList();
        foreach (var (part, row) in set.Pieces.Zip(pieces).Where(p => p.First.PartOf is not null))
        {
            row.PartOfId = pieces.Single(p => p.Name == part.PartOf).Id;
        }

        return new() { Id = Guid.CreateVersion7(), Name = set.Name, Position = position, Pieces = pieces };
    }

    private static PieceRow Piece(DemoPiece p, int position, Dictionary<string, SchemeRow> schemes)
    {
        var ids = p.Zones.ToDictionary(z => z.Name, _ => Guid.CreateVersion7());
        bool Touch(DemoZone a, DemoZone b) => a.Touches.Contains(b.Name) || b.Touches.Contains(a.Name);
        return new()
        {
            Id = Guid.CreateVersion7(),
            Name = p.Name,
            Kind = p.Kind,
            Substrate = p.Substrate,
            Shape = p.Shape,
            LengthMm = p.LengthMm,
            WidthMm = p.WidthMm,
            HeightMm = p.HeightMm,
            FreeAreaMm2 = p.FreeAreaMm2,
            Copies = p.Copies,
            FitMin = p.FitMin,
            GlueMin = p.GlueMin,
            Position = position,
            Zones = [.. p.Zones.Select((z, i) => new ZoneRow
            {
                Id = ids[z.Name],
                Name = z.Name,
                SchemeId = schemes[z.Scheme].Id,
                AreaShare = z.AreaShare,
                Relief = z.Relief,
                Facing = z.Facing,
                SmallestDetailMm = z.SmallestDetailMm,
                HeightFromMm = z.HeightFromMm,
                HeightToMm = z.HeightToMm,
                Handled = z.Handled,
                CutEdges = z.CutEdges,
                Rim = z.Rim,
                Finish = z.Finish,
                Target = z.Target,
                Tolerance = z.Tolerance,
                Neighbours = [.. p.Zones.Where(other => other.Name != z.Name && Touch(z, other)).Select(other => ids[other.Name])],
                Position = i,
            })],
        };
    }

    private sealed record DemoMaterial(
        string Name, string House, Family Family, string Colour, double ContrastRatio, double ReferenceFilmUm, double VolumeSolids, Sheen Sheen, double UndertonePower, Effect Effect)
    {
        public double? LowStockMl { get; init; }

        public List<DemoBottle> Bottles { get; init; } = [];

        public MaterialRow ToRow(DateOnly today) => new()
        {
            LowStockMl = LowStockMl,
            Bottles = [.. Bottles.Select(b => new BottleRow
            {
                Id = Guid.CreateVersion7(), SizeMl = b.SizeMl, LeftMl = b.LeftMl, Price = b.Price, Lot = b.Lot, OpenedOn = b.OpenedDaysAgo is { } days ? today.AddDays(-days) : null,
            })],
            Id = Guid.CreateVersion7(),
            Name = Name,
            House = House,
            Family = Family,
            Colour = Colour,
            ContrastRatio = ContrastRatio,
            ReferenceFilmUm = ReferenceFilmUm,
            VolumeSolids = VolumeSolids,
            Sheen = Sheen,
            UndertonePower = UndertonePower,
            Effect = Effect,
        };
    }

    private sealed record DemoBottle(double SizeMl, double LeftMl, string Lot, int? OpenedDaysAgo = null, double? Price = null);

    private sealed record DemoWorld(List<DemoMix> Mixes, Dictionary<string, List<DemoCoat>> Schemes, List<DemoSet> Sets);

    private sealed record DemoMix(string Name, List<DemoComponent> Components);

    private sealed record DemoComponent(double Amount, MixUnit Unit, string? Material = null, string? Mix = null, Thinner? Thinner = null);

    private sealed record DemoCoat(
        Technique Technique, string? Material = null, string? Mix = null, int Passes = 1, double? PaintFraction = null, Thinner? Thinner = null, bool Optional = false, Marks? Marks = null, Fade? Fade = null, string Note = "");

    private sealed record DemoSet(string Name, List<DemoPiece> Pieces);

    private sealed record DemoPiece(
        string Name, string Kind, Substrate Substrate, PieceShape Shape, double LengthMm, double WidthMm, double HeightMm, int Copies, List<DemoZone> Zones, double FreeAreaMm2 = 5000)
    {
        public string? PartOf { get; init; }

        public double FitMin { get; init; } = 5;

        public double GlueMin { get; init; } = 60;
    }

    private sealed record DemoZone(
        string Name, string Scheme, double AreaShare, Relief Relief, Facing Facing, string? Target = null, double Tolerance = 5, double? SmallestDetailMm = null, bool Handled = false, bool CutEdges = false, bool Rim = false, Sheen Finish = Sheen.Matt)
    {
        public List<string> Touches { get; init; } = [];

        public double? HeightFromMm { get; init; }

        public double? HeightToMm { get; init; }
    }
}
