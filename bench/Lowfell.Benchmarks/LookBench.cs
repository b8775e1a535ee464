using System.Diagnostics;
using System.IO.Compression;
using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Meshes.Fields;
using Lowfell.Core.Meshes.Geometry;
using Lowfell.Core.Meshes.Looks;
using Lowfell.Core.Meshes.Screen;
using Lowfell.Core.Meshes.Splitting;
using Lowfell.Core.Meshes.StandIns;
using Lowfell.Core.Mixes;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Benchmarks;

/// <summary>Looks of pieces: surfaces, fields, tables, pictures.</summary>
internal static class LookBench
{
    private const int SmallWidth = 240, SmallHeight = 160;

    /// <summary>Runs it.</summary>
    public static void Run()
    {
        // Once before, so that nothing is compiled while it is timed.
        _ = Made(StandInKind.Block);
        var body = Splitter.Split(Orientation.Mend(StandIn.Build(Wish(StandInKind.Rock)), out _), 0.6f, 200_000);
        Console.WriteLine($"fields with sky of {body.Points.Length:n0} vertices, {body.Count:n0} triangles: {Seconds(() => SurfaceFields.Of(body)):0.00} s");
        var cube = StandIn.Build(Wish(StandInKind.Turret));
        Console.WriteLine($"a surface of {cube.Count:n0} triangles split to at most 100,000: {Seconds(() => Splitter.Split(cube, 0.6f, 100_000)):0.00} s");
        var random = new Random(3);
        LinearRgb Any() => new(random.NextDouble(), random.NextDouble(), random.NextDouble());
        SightDetail[] details = [.. Enumerable.Range(0, 500).Select(_ => new SightDetail(0.05 + random.NextDouble(), 1 + (10 * random.NextDouble()), Any(), Any(), 0.2, 1.5))];
        var seen = Seconds(() =>
        {
            foreach (var detail in details)
            {
                foreach (var metres in SightTable.Distances)
                {
                    Sights.At(detail, new(metres));
                }
            }
        });
        Noted.Less("500 details at five distances", seen * 1000, "ms");
        Console.WriteLine($"500 details looked at from five distances: {seen * 1000:0.0} ms");
        Coat[] coats = [.. Enumerable.Range(0, 15).Select(i => Painted(i % 3 == 1 ? Technique.Wash : i % 3 == 2 ? Technique.DryBrush : Technique.BaseCoat, i % 3 == 1 ? Family.AcrylicWash : Family.AcrylicPaint))];
        foreach (var kind in Enum.GetValues<StandInKind>())
        {
            var watch = Stopwatch.StartNew();
            var (mesh, glb) = Made(kind);
            using var packed = new MemoryStream();
            using (var brotli = new BrotliStream(packed, CompressionLevel.Fastest, leaveOpen: true))
            {
                brotli.Write(glb);
            }

            var made = watch.Elapsed.TotalSeconds;
            StackDraft[] stacks = [.. kind.Facts().Parts.Select(p => new StackDraft(new Zone { Name = p.Name, Facing = p.Facing, AreaMm2 = 5000, Copies = 1, Relief = Relief.Textured, Substrate = Substrate.Polystyrene }, new Schools(), coats))];
            LookTable table = null!;
            var asked = Seconds(() => table = LookTable.Of(stacks, Lamp.Warm));
            var scene = new LookScene(mesh, table, [.. Enumerable.Range(0, stacks.Length)], [.. stacks.Select(_ => 15f)]);
            var small = Seconds(() => LookPicture.Draw(scene, new(), SmallWidth, SmallHeight));
            Console.WriteLine($"{kind,-13} to its file {made:0.00} s, {mesh.Triangles,6:n0} triangles, {packed.Length / 1e6:0.00} MB packed; table of {stacks.Length} zones by 15 coats {asked * 1000:0} ms; a picture of {SmallWidth} x {SmallHeight} {small * 1000:0} ms");
        }
    }

    private static StandInWish Wish(StandInKind kind) => new(kind, 120, 60, 75, kind == StandInKind.Base, 5);

    private static (ShownMesh Mesh, byte[] Glb) Made(StandInKind kind)
    {
        var mesh = Orientation.Mend(StandIn.Build(Wish(kind)), out _);
        var shown = ShownMesh.Of(mesh, SurfaceFields.Of(mesh));
        return (shown, Glb.Write(shown));
    }

    private static Coat Painted(Technique technique, Family family)
    {
        var material = new Material { Id = Guid.NewGuid(), Name = "paint", Family = family, Colour = Srgb.Parse("#7b6f5e") };
        return new() { Id = Guid.NewGuid(), Technique = technique, Material = material, Paint = Paint.Of(material) };
    }

    private static double Seconds(Action work)
    {
        work();
        var watch = Stopwatch.StartNew();
        work();
        return watch.Elapsed.TotalSeconds;
    }
}
