using System.Numerics;
using Lowfell.Core.Bases.Drawing;
using Lowfell.Core.Colour;
using Lowfell.Core.Meshes.Fields;
using Lowfell.Core.Meshes.Screen;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Meshes.Looks;

/// <summary>How a picture is drawn.</summary>
public enum LookMode
{
    /// <summary>As it looks.</summary>
    Lit,

    /// <summary>Predicted colours alone: no light, no grain. For tests, and to read colours off.</summary>
    Plain,
}

/// <summary>What is drawn of a piece.</summary>
/// <param name="Mesh">Its surface.</param>
/// <param name="Table">Its looks.</param>
/// <param name="ZoneOfPart">For each part of the surface the zone that it shows; -1 for bare grey.</param>
/// <param name="Coats">For each zone how many coats lie on it; broken between two is a part of the next.</param>
/// <param name="Wet">The last coat is still wet.</param>
/// <param name="Lit">The one zone that stands out; -1 for none.</param>
/// <param name="Placed">The marks that are drawn one by one; null for none.</param>
public sealed record LookScene(ShownMesh Mesh, LookTable Table, IReadOnlyList<int> ZoneOfPart, IReadOnlyList<float> Coats, bool Wet = false, int Lit = -1, MarkIndex? Placed = null)
{
    /// <summary>Its marks.</summary>
    public MarkIndex Marks { get; } = Placed ?? MarkIndex.None;
}

/// <summary>A point of a surface, between its vertices.</summary>
/// <param name="Part">Part.</param>
/// <param name="Recess">How much of a recess it is, 0..1.</param>
/// <param name="Edge">How much of an edge, 0..1.</param>
/// <param name="Above">What a spray from above reaches of it, 0..1.</param>
/// <param name="Run">What runs down to it from edges, 0..1.</param>
/// <param name="Place">Where it is, mm.</param>
/// <param name="Normal">What it looks to.</param>
internal readonly record struct LookPoint(int Part, float Recess, float Edge, float Above, float Run, Vector3 Place, Vector3 Normal);

/// <summary>The host's own plain renderer: what the browser's shader is held against, and what a screen without one gets.</summary>
public static class LookPicture
{
    /// <summary>Most points of a picture.</summary>
    public const int MostPoints = 4_000_000;

    // What of a wash stays in an upright recess, and what more where it lies flat; what runs down below an edge, in stripes so many to a mm.
    private const float PoolFlat = 0.6f, PoolSlope = 0.4f, RunDown = 1.1f, StripesPerMm = 0.35f;

    // So far the eye's line spread is followed, minutes of arc, and over so many points at most.
    private const double SpreadArcmin = 6;
    private const int MostSpread = 80;

    private static readonly Vector3 Bare = new(0.3f, 0.3f, 0.3f);

    /// <summary>Draws a picture; beyond the piece it is clear.</summary>
    /// <param name="scene">What.</param>
    /// <param name="view">From where.</param>
    /// <param name="width">Points across.</param>
    /// <param name="height">Points down.</param>
    /// <param name="mode">How.</param>
    /// <param name="fromM">Blurred as an eye sees it from so far, m, and held that much nearer; 0 for sharp.</param>
    public static Picture Draw(LookScene scene, LookView view, int width, int height, LookMode mode = LookMode.Lit, double fromM = 0)
    {
        ArgumentNullException.ThrowIfNull(scene);
        ArgumentNullException.ThrowIfNull(view);
        ArgumentOutOfRangeException.ThrowIfGreaterThan((long)width * height, MostPoints);

        // Twice as many points each way, but for plain colours, which are not to be mixed.
        var fine = mode == LookMode.Lit ? 2 : 1;
        var (wide, tall) = (width * fine, height * fine);
        var mesh = scene.Mesh;
        var high = mesh.High();
        var camera = view.Camera(mesh.Low, high, (float)width / height);
        var seen = new Vector3[mesh.Vertices];
        var places = new Vector3[mesh.Vertices];
        for (var i = 0; i < seen.Length; i++)
        {
            places[i] = mesh.At(i);
            var s = camera.See(places[i]);
            seen[i] = new((s.X + 1) / 2 * wide, (1 - s.Y) / 2 * tall, s.Z);
        }

        var (depth, triangles) = (new float[wide * tall], new int[wide * tall]);
        Array.Fill(depth, float.MaxValue);
        Array.Fill(triangles, -1);
        for (var t = 0; t < mesh.Triangles; t++)
        {
            Paint(t, seen[mesh.Corners[3 * t]], seen[mesh.Corners[(3 * t) + 1]], seen[mesh.Corners[(3 * t) + 2]], depth, triangles, wide, tall);
        }

        var light = new Vector4[wide * tall];
        var toLamp = camera.ToLamp();
        Parallel.For(0, tall, y =>
        {
            for (var x = 0; x < wide; x++)
            {
                if (triangles[(y * wide) + x] is >= 0 and var t)
                {
                    light[(y * wide) + x] = new(Shade(scene, camera, toLamp, places, seen, t, new(x + 0.5f, y + 0.5f), mode), 1);
                }
            }
        });
        if (fromM > 0)
        {
            // What one fine point in the middle of the piece measures, as an angle.
            light = Spread(light, wide, tall, Sight.Eye.Arcmin(2 * camera.Distance / (tall * camera.Zoom), fromM));
        }

        var rgba = new byte[width * height * 4];
        Parallel.For(0, height, y =>
        {
            for (var x = 0; x < width; x++)
            {
                var sum = Vector4.Zero;
                for (var k = 0; k < fine * fine; k++)
                {
                    sum += light[(((y * fine) + (k / fine)) * wide) + (x * fine) + (k % fine)];
                }

                var colour = sum.W > 0 ? sum / sum.W : Vector4.Zero;
                var srgb = new LinearRgb(Math.Clamp(colour.X, 0, 1), Math.Clamp(colour.Y, 0, 1), Math.Clamp(colour.Z, 0, 1)).ToSrgb();
                var at = ((y * width) + x) * 4;
                (rgba[at], rgba[at + 1], rgba[at + 2], rgba[at + 3]) = (srgb.R, srgb.G, srgb.B, (byte)MathF.Round(255 * sum.W / (fine * fine)));
            }
        });
        return new(width, height, rgba);
    }

    // The eye's line spread, one way after the other, in linear light; what is clear stays clear.
    private static Vector4[] Spread(Vector4[] light, int wide, int tall, double arcmin)
    {
        var reach = Math.Min(MostSpread, (int)Math.Ceiling(SpreadArcmin / Math.Max(1e-6, arcmin)));
        var weights = Enumerable.Range(0, reach + 1).Select(i => (float)Sight.Eye.Spread(i * arcmin)).ToArray();
        var whole = weights[0] + (2 * weights.Skip(1).Sum());
        Vector4[] Way(Vector4[] from, bool across)
        {
            var to = new Vector4[from.Length];
            Parallel.For(0, tall, y =>
            {
                for (var x = 0; x < wide; x++)
                {
                    var sum = Vector4.Zero;
                    for (var i = -reach; i <= reach; i++)
                    {
                        var (px, py) = across ? (x + i, y) : (x, y + i);
                        sum += px >= 0 && px < wide && py >= 0 && py < tall ? from[(py * wide) + px] * weights[Math.Abs(i)] : Vector4.Zero;
                    }

                    to[(y * wide) + x] = sum / whole;
                }
            });
            return to;
        }

        return Way(Way(light, true), false);
    }

    /// <summary>Predicted linear light of every vertex, as a file with painted colours holds it.</summary>
    public static IReadOnlyList<Vector3> Painted(LookScene scene)
    {
        ArgumentNullException.ThrowIfNull(scene);
        var mesh = scene.Mesh;
        return [.. Enumerable.Range(0, mesh.Vertices).Select(i => Colour(scene, new(mesh.Extras[4 * i], mesh.Fields[4 * i] / 255f, mesh.Fields[(4 * i) + 1] / 255f, mesh.Fields[(4 * i) + 2] / 255f, mesh.Extras[(4 * i) + 1] / 255f, mesh.At(i), Vector3.Normalize(Normal(mesh, i))), LookMode.Lit, out _, out _))];
    }

    // The predicted colour: recess, face and edge by their shares, between the two facings next to it, between levels and coats; then what marks cover.
    internal static Vector3 Colour(LookScene scene, in LookPoint at, LookMode mode, out float gloss, out float metal)
    {
        (gloss, metal) = (0.1f, 0);
        var zone = at.Part < scene.ZoneOfPart.Count ? scene.ZoneOfPart[at.Part] : -1;
        if (zone < 0)
        {
            return Bare;
        }

        var rows = scene.Table.Zones[zone];
        var laid = Math.Clamp(scene.Coats[zone], 0, rows.Coats);
        var colour = Laid(scene, rows, null, laid, at, mode, ref gloss, ref metal);
        if (mode == LookMode.Plain || rows.Layers.Count == 0)
        {
            return colour;
        }

        Span<float> covered = stackalloc float[MarkIndex.MostLayers];
        if (scene.Marks.Cover(zone, at.Place, at.Normal, covered))
        {
            // Layers over one another: what shows most of them, and as much as all of them cover.
            var (under, most, top) = (1f, 0f, 0);
            for (var layer = rows.Layers.Count - 1; layer >= 0; layer--)
            {
                var share = covered[layer] * Math.Clamp(laid - rows.Layers[layer].Coat, 0, 1);
                (most, top) = share * under > most ? (share * under, layer) : (most, top);
                under *= 1 - share;
            }

            if (most > 0)
            {
                var (g, m) = (0f, 0f);
                colour = Vector3.Lerp(Laid(scene, rows, rows.Layers[top], laid, at, mode, ref g, ref m), colour, under);
                (gloss, metal) = (g + ((gloss - g) * under), m + ((metal - m) * under));
            }
        }

        return colour;
    }

    // After so many coats, beside all marks or within one of a layer; broken between two is a part of the next.
    private static Vector3 Laid(LookScene scene, LookRows rows, LookLayer? layer, float laid, in LookPoint at, LookMode mode, ref float gloss, ref float metal)
    {
        var (low, rest) = ((int)laid, laid - (int)laid);
        var colour = After(scene, rows, layer, low, at, mode, ref gloss, ref metal);
        if (rest > 0)
        {
            var (g, m) = (0f, 0f);
            colour = Vector3.Lerp(colour, After(scene, rows, layer, low + 1, at, mode, ref g, ref m), rest);
            (gloss, metal) = (gloss + ((g - gloss) * rest), metal + ((m - metal) * rest));
        }

        return colour;
    }

    private static Vector3 After(LookScene scene, LookRows rows, LookLayer? layer, int coats, in LookPoint point, LookMode mode, ref float gloss, ref float metal)
    {
        var facing = Math.Min(Facings.Of(point.Above), Facings.Count - 1.001f);
        var (f, ft) = ((int)facing, facing - (int)facing);
        var heightMm = point.Place.Z;
        var level = 0;
        while (level + 2 < rows.LevelsMm.Count && heightMm > rows.LevelsMm[level + 1])
        {
            level++;
        }

        var levels = rows.LevelsMm.Count > 1 ? 2 : 1;
        var lt = levels > 1 ? Math.Clamp((heightMm - rows.LevelsMm[level]) / Math.Max(1e-3f, rows.LevelsMm[level + 1] - rows.LevelsMm[level]), 0, 1) : 0;
        var sum = Vector3.Zero;
        for (var k = 0; k < levels; k++)
        {
            var row = layer is null ? rows.At(coats, level + k, scene.Wet) : rows.At(layer, coats, level + k, scene.Wet);
            Vector3 At(ReliefHeight height)
            {
                var (a, b) = (scene.Table.At(row, LookTable.Column(height, f)), scene.Table.At(row, LookTable.Column(height, f + 1)));
                return Vector3.Lerp(new(a.R, a.G, a.B), new(b.R, b.G, b.B), ft);
            }

            var share = levels == 1 ? 1 : k == 0 ? 1 - lt : lt;
            var shine = scene.Table.At(row, LookTable.Shine);
            (gloss, metal) = (shine.R, shine.G);
            var wr = mode == LookMode.Plain ? point.Recess : Drained(point, shine.B);
            var we = point.Edge * (1 - wr);
            sum += share * ((wr * At(ReliefHeight.Recess)) + ((1 - wr - we) * At(ReliefHeight.Face)) + (we * At(ReliefHeight.Edge)));
        }

        return sum;
    }

    // A wash stays where it can stand and leaves upright recesses; below edges it runs down in stripes. Craft estimates.
    private static float Drained(in LookPoint point, float ran)
    {
        var stands = 1 + (ran * (PoolFlat - 1 + (PoolSlope * point.Above)));
        var stripe = LookNoise.Plane((point.Place.X + point.Place.Y) * StripesPerMm, point.Place.Z * 0.03f);
        return Math.Clamp((point.Recess * stands) + (ran * RunDown * point.Run * Math.Max(0, stripe - 0.35f) * (1 - point.Recess)), 0, 1);
    }

    private static Vector3 Normal(ShownMesh mesh, int vertex) => new(mesh.Normals[4 * vertex], mesh.Normals[(4 * vertex) + 1], mesh.Normals[(4 * vertex) + 2]);

    private static Vector3 Shade(LookScene scene, Camera camera, Vector3 toLamp, Vector3[] places, Vector3[] seen, int t, Vector2 at, LookMode mode)
    {
        var mesh = scene.Mesh;
        var (i, j, k) = (mesh.Corners[3 * t], mesh.Corners[(3 * t) + 1], mesh.Corners[(3 * t) + 2]);
        var (a, b, c) = (seen[i], seen[j], seen[k]);
        var area = ((b.X - a.X) * (c.Y - a.Y)) - ((b.Y - a.Y) * (c.X - a.X));
        var v = (((at.X - a.X) * (c.Y - a.Y)) - ((at.Y - a.Y) * (c.X - a.X))) / area;
        var w = (((b.X - a.X) * (at.Y - a.Y)) - ((b.Y - a.Y) * (at.X - a.X))) / area;

        // As the eye sees it, not as the picture lies.
        var (wa, wb, wc) = ((1 - v - w) / a.Z, v / b.Z, w / c.Z);
        var whole = wa + wb + wc;
        (wa, wb, wc) = (wa / whole, wb / whole, wc / whole);
        float Field(int of) => ((mesh.Fields[(4 * i) + of] * wa) + (mesh.Fields[(4 * j) + of] * wb) + (mesh.Fields[(4 * k) + of] * wc)) / 255;
        var place = (places[i] * wa) + (places[j] * wb) + (places[k] * wc);
        var (recess, edge) = (Field(0), Field(1));
        if (mode == LookMode.Lit)
        {
            (recess, edge) = Grain(place, recess, edge);
        }

        var normal = Vector3.Normalize((Normal(mesh, i) * wa) + (Normal(mesh, j) * wb) + (Normal(mesh, k) * wc));
        var run = ((mesh.Extras[(4 * i) + 1] * wa) + (mesh.Extras[(4 * j) + 1] * wb) + (mesh.Extras[(4 * k) + 1] * wc)) / 255;
        var colour = Colour(scene, new(mesh.Extras[4 * i], recess, edge, Field(2), run, place, normal), mode, out var gloss, out var metal);
        if (mode == LookMode.Plain)
        {
            return colour;
        }

        var lit = LookLight.Of(colour, normal, Vector3.Normalize(camera.Eye - place), toLamp, Field(3), gloss, metal);
        return scene.Lit >= 0 && scene.ZoneOfPart[mesh.Extras[4 * i]] != scene.Lit ? Vector3.Lerp(new(0.32f, 0.32f, 0.32f), lit, 0.22f) : lit;
    }

    // A brush leaves no ruled border: noise of 0.4 mm breaks it.
    internal static (float Recess, float Edge) Grain(Vector3 at, float recess, float edge)
    {
        var e = 0.9f * (LookNoise.Solid(at * 2.3f) - 0.5f);
        return (Math.Clamp(recess * (1 + e), 0, 1), Math.Clamp(edge * (1 + (1.3f * e)), 0, 1));
    }

    private static void Paint(int t, Vector3 a, Vector3 b, Vector3 c, float[] depth, int[] triangles, int wide, int tall)
    {
        if (a.Z <= 0.01f || b.Z <= 0.01f || c.Z <= 0.01f)
        {
            return;
        }

        var area = ((b.X - a.X) * (c.Y - a.Y)) - ((b.Y - a.Y) * (c.X - a.X));
        if (MathF.Abs(area) < 1e-9f)
        {
            return;
        }

        var (x0, x1) = (Math.Max(0, (int)MathF.Ceiling(Math.Min(a.X, Math.Min(b.X, c.X)) - 0.5f)), Math.Min(wide - 1, (int)MathF.Floor(Math.Max(a.X, Math.Max(b.X, c.X)) - 0.5f)));
        var (y0, y1) = (Math.Max(0, (int)MathF.Ceiling(Math.Min(a.Y, Math.Min(b.Y, c.Y)) - 0.5f)), Math.Min(tall - 1, (int)MathF.Floor(Math.Max(a.Y, Math.Max(b.Y, c.Y)) - 0.5f)));
        var part = 1 / area;
        var (da, db, dc) = (1 / a.Z, 1 / b.Z, 1 / c.Z);
        for (var y = y0; y <= y1; y++)
        {
            for (var x = x0; x <= x1; x++)
            {
                var (px, py) = (x + 0.5f - a.X, y + 0.5f - a.Y);
                var v = ((px * (c.Y - a.Y)) - (py * (c.X - a.X))) * part;
                var w = (((b.X - a.X) * py) - ((b.Y - a.Y) * px)) * part;
                if (v < 0 || w < 0 || v + w > 1)
                {
                    continue;
                }

                // Depth runs straight as its inverse does over the picture.
                var z = 1 / (da + ((db - da) * v) + ((dc - da) * w));
                ref var nearest = ref depth[(y * wide) + x];
                if (z < nearest)
                {
                    nearest = z;
                    triangles[(y * wide) + x] = t;
                }
            }
        }
    }
}
