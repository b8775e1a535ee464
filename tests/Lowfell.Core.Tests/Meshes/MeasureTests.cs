using System.Numerics;
using Lowfell.Core.Meshes.Fields;
using Lowfell.Core.Meshes.Geometry;
using Lowfell.Core.Meshes.Splitting;
using Lowfell.Core.Meshes.StandIns;
using Lowfell.Core.Surfaces;
using Xunit;

namespace Lowfell.Core.Tests.Meshes;

/// <summary>Areas, lengths, bends and sky against closed forms.</summary>
public sealed class MeasureTests
{
    private static Mesh Cube(float side = 10)
    {
        var b = new MeshBuilder();
        Vector3 P(int x, int y, int z) => new(x * side, y * side, z * side);
        b.Quad(P(0, 0, 0), P(0, 1, 0), P(1, 1, 0), P(1, 0, 0));
        b.Quad(P(0, 0, 1), P(1, 0, 1), P(1, 1, 1), P(0, 1, 1));
        b.Quad(P(0, 0, 0), P(1, 0, 0), P(1, 0, 1), P(0, 0, 1));
        b.Quad(P(0, 1, 0), P(0, 1, 1), P(1, 1, 1), P(1, 1, 0));
        b.Quad(P(0, 0, 0), P(0, 0, 1), P(0, 1, 1), P(0, 1, 0));
        b.Quad(P(1, 0, 0), P(1, 1, 0), P(1, 1, 1), P(1, 0, 1));
        return b.Build();
    }

    private static Mesh Turned(int around, params (double, double)[] outline)
    {
        var b = new MeshBuilder();
        b.Lathe(default, Vector3.UnitZ, outline, around);
        return b.Build();
    }

    private static Mesh Sphere(double radius, int around) => Turned(around, [.. Enumerable.Range(0, (around / 2) + 1).Select(i => (i == 0 || i == around / 2 ? 0 : radius * Math.Sin(2 * Math.PI * i / around), -radius * Math.Cos(2 * Math.PI * i / around)))]);

    // A cube whose upright edges are rounded.
    private static Mesh Rounded(double radius, int facets)
    {
        var profile = new List<Vector2>();
        for (var k = 0; k < 4; k++)
        {
            var (cx, cy) = (k is 0 or 3 ? 10 - radius : radius, k < 2 ? 10 - radius : radius);
            for (var i = 0; i <= facets; i++)
            {
                var turn = Math.PI / 2 * (k + ((double)i / facets));
                profile.Add(new((float)(cx + (radius * Math.Cos(turn))), (float)(cy + (radius * Math.Sin(turn)))));
            }
        }

        var b = new MeshBuilder();
        b.Prism([.. profile.Select(p => new Vector3(p, 0))], [.. profile.Select(p => new Vector3(p, 10))]);
        return b.Build();
    }

    [Fact]
    public void A_cube_has_its_area_volume_and_twelve_edges_however_finely_it_is_cut()
    {
        foreach (var mesh in new[] { Cube(), Splitter.Split(Cube(), 0.6f, 8000) })
        {
            var m = MeshMeasures.Of(mesh);
            Assert.Equal(600, m.AreaMm2, 600 * 1e-6);
            Assert.Equal(1000, m.VolumeMm3, 1e-3);
            Assert.Equal(120, m.EdgeMm, 120 * 1e-4);
            Assert.Equal((0, 0), (m.CreaseMm, m.OpenMm));
            Assert.Equal([100.0, 0, 400, 0, 100], m.FacingMm2.Select(a => Math.Round(a, 3)));
            Assert.True(Neighbours.Of(mesh).Closed);
        }
    }

    [Fact]
    public void Triangles_that_were_turned_the_wrong_way_are_turned_back()
    {
        var cube = Cube();
        var corners = (int[])cube.Corners.Clone();
        for (var t = 0; t < cube.Count; t += 3)
        {
            (corners[(3 * t) + 1], corners[(3 * t) + 2]) = (corners[(3 * t) + 2], corners[(3 * t) + 1]);
        }

        var mended = Orientation.Mend(cube with { Corners = corners }, out var turned);
        Assert.Equal(4, turned);
        Assert.Equal(1000, MeshMeasures.Of(mended).VolumeMm3, 1e-3);
        Assert.Equal(120, MeshMeasures.Of(mended).EdgeMm, 1e-3);

        // Inside out altogether it is turned outside out.
        var inside = Orientation.Mend(mended with { Corners = [.. mended.Corners.Chunk(3).SelectMany(c => new[] { c[0], c[2], c[1] })] }, out turned);
        Assert.Equal(12, turned);
        Assert.Equal(1000, MeshMeasures.Of(inside).VolumeMm3, 1e-3);
    }

    [Theory]
    [InlineData(96, 1255.5, 4181.3)]
    [InlineData(384, 1256.6, 4188.3)]
    public void A_sphere_has_no_edge_at_all(int around, double area, double volume)
    {
        var m = MeshMeasures.Of(Sphere(10, around));
        Assert.Equal(area, m.AreaMm2, 0.1);
        Assert.Equal(volume, m.VolumeMm3, 0.4);
        Assert.Equal((0, 0), (m.EdgeMm, m.CreaseMm));
    }

    [Fact]
    public void A_cylinder_has_two_round_edges_and_a_groove_a_crease()
    {
        var m = MeshMeasures.Of(Turned(96, (0, 0), (5, 0), (5, 20), (0, 20)));
        Assert.Equal(785.4, m.AreaMm2, 1.0);
        Assert.Equal(2 * Math.PI * 5 * 2, m.EdgeMm, 0.02 * 62.8);
        Assert.Equal(0, m.CreaseMm);

        // A collar: two edges more, and two creases at its foot.
        var collar = MeshMeasures.Of(Turned(96, (0, 0), (5, 0), (5, 8), (8, 8), (8, 12), (5, 12), (5, 20), (0, 20)));
        Assert.Equal(2 * (2 * Math.PI * (5 + 8)), collar.EdgeMm, 0.02 * 163);
        Assert.Equal(2 * 2 * Math.PI * 5, collar.CreaseMm, 0.02 * 62.8);
    }

    // Of edges 10 long four are rounded; a round one as long as it is and half of its turn at each end are one line still.
    [Theory]
    [InlineData(0.2, 119.3)]
    [InlineData(0.6, 117.9)]
    [InlineData(3, 69.7)]
    public void A_rounding_of_many_facets_is_one_edge_until_it_is_a_curve(double radius, double edge) => Assert.Equal(edge, MeshMeasures.Of(Rounded(radius, 32)).EdgeMm, 0.01 * edge);

    [Theory]
    [InlineData(2, -0.0417)]
    [InlineData(5, -0.0167)]
    [InlineData(10, -0.0083)]
    public void A_sphere_bends_by_its_radius(double radius, double bend)
    {
        var mesh = Sphere(radius, 240);
        var samples = SurfaceSamples.Of(mesh, 0.5f);
        var normals = mesh.Points.Select(Vector3.Normalize).ToArray();
        var got = Enumerable.Range(0, 500).Select(i => samples.Bend(mesh.Points[(i * 37) % mesh.Points.Length], normals[(i * 37) % mesh.Points.Length])).Average();
        Assert.Equal(bend, got, 0.003);
    }

    [Fact]
    public void A_right_angled_edge_is_raised_a_corner_hollow_and_a_plane_neither()
    {
        var cube = Cube();
        var samples = SurfaceSamples.Of(cube, 0.5f);
        var out45 = Vector3.Normalize(new(0, -1, 1));
        Assert.Equal(-0.240, Enumerable.Range(0, 60).Average(i => samples.Bend(new(2 + (i * 0.1f), 0, 10), out45)), 0.03);
        Assert.Equal(0, samples.Bend(new(5, 5, 10), Vector3.UnitZ), 1e-6);

        // The same corner from inside.
        var hollow = cube with { Corners = [.. cube.Corners.Chunk(3).SelectMany(c => new[] { c[0], c[2], c[1] })] };
        var within = SurfaceSamples.Of(hollow, 0.5f);
        Assert.Equal(0.240, Enumerable.Range(0, 60).Average(i => within.Bend(new(2 + (i * 0.1f), 0, 10), -out45)), 0.03);
    }

    [Fact]
    public void What_is_buried_under_a_plate_does_not_speak_through_it()
    {
        var b = new MeshBuilder();
        Vector3 P(float x, float y, float z) => new(x, y, z);
        b.Quad(P(-10, -10, 0), P(10, -10, 0), P(10, 10, 0), P(-10, 10, 0));
        b.Quad(P(-5, -5, 0.3f), P(5, -5, 0.3f), P(5, 5, 0.3f), P(-5, 5, 0.3f));
        var samples = SurfaceSamples.Of(b.Build(), 0.6f);
        Assert.Equal(0, Enumerable.Range(0, 100).Average(i => samples.Bend(P(-4 + (i * 0.08f), 0, 0.3f), Vector3.UnitZ)), 0.02);
    }

    [Fact]
    public void Open_ground_sees_all_of_the_sky_a_wall_a_third_of_the_spray_and_a_floor_under_a_roof_next_to_nothing()
    {
        var b = new MeshBuilder();
        Vector3 P(float x, float y, float z) => new(x, y, z);
        b.Quad(P(-50, -50, 0), P(50, -50, 0), P(50, 50, 0), P(-50, 50, 0));
        b.Quad(P(20, -20, 1), P(20, 20, 1), P(20, 20, 20), P(20, -20, 20));
        b.Quad(P(-40, -20, 4), P(-10, -20, 4), P(-10, 20, 4), P(-40, 20, 4));
        b.Quad(P(-40, -20, 4), P(-40, 20, 4), P(-10, 20, 4), P(-10, -20, 4));
        var light = Sky.Of(b.Build(), [P(0, -40, 0), P(20, 0, 18), P(-25, 0, 0), P(-25, 0, 4)], [Vector3.UnitZ, Vector3.UnitX, Vector3.UnitZ, -Vector3.UnitZ]);
        Assert.Equal(1, light.Above[0], 0.02);

        // By integral (a - sin 2a / 2) / (pi sin^2 a) of a cone of 66 degrees.
        Assert.Equal(0.29, light.Above[1], 0.05);
        Assert.True(light.Above[2] < 0.05);
        Assert.Equal(0, light.Above[3]);
        Assert.True(light.Open[0] > 0.95 && light.Open[2] < 0.35);
    }

    [Fact]
    public void Facings_follow_what_a_spray_reaches()
    {
        Assert.Equal([0f, 1, 2, 3, 4], new[] { 1, 0.7f, 0.3f, 0.05f, 0 }.Select(Facings.Of));
        Assert.Equal(2.5f, Facings.Of(0.175f), 1e-5f);
        var before = -1f;
        for (var above = 1f; above >= 0; above -= 0.01f)
        {
            Assert.True(Facings.Of(above) >= before);
            before = Facings.Of(above);
        }

        Assert.Equal(Facings.Count, Enum.GetValues<Facing>().Length);
    }

    [Fact]
    public void Splitting_puts_points_beside_lines_within_its_budget_and_opens_no_gap()
    {
        var cube = Cube(40);
        var (few, many) = (Splitter.Split(cube, 0.6f, 300), Splitter.Split(cube, 0.6f, 40_000));
        Assert.InRange(few.Count, 13, 320);
        Assert.True(many.Count > few.Count && many.Count <= 40_000);
        Assert.All(new[] { few, many }, m => Assert.True(Neighbours.Of(m).Closed));
        Assert.Equal(9600, MeshMeasures.Of(many).AreaMm2, 0.05);

        // A face's middle is no edge any more, and its border is.
        var fields = SurfaceFields.Of(many);
        float EdgeAt(Vector3 at) => Enumerable.Range(0, many.Points.Length).Where(i => Vector3.Distance(many.Points[i], at) < 1.2f).Select(i => fields.Edge[i]).DefaultIfEmpty(float.NaN).Max();
        Assert.True(EdgeAt(new(20, 0, 40)) > 0.9);
        var inner = Enumerable.Range(0, many.Points.Length).Where(i => many.Points[i].Z == 40 && Math.Min(Math.Min(many.Points[i].X, 40 - many.Points[i].X), Math.Min(many.Points[i].Y, 40 - many.Points[i].Y)) > 0.7f).ToList();
        Assert.NotEmpty(inner);
        Assert.All(inner, i => Assert.Equal(0, fields.Edge[i], 1e-3));
    }

    [Fact]
    public void Simplifying_keeps_the_form_and_the_borders_of_parts()
    {
        // A cube that was cut into thousands is one of few again.
        var fine = Splitter.Split(Cube(40), 0.6f, 12_000);
        var few = Simplifier.Simplify(fine, 200);
        Assert.InRange(few.Count, 12, fine.Count / 8);
        Assert.Equal(9600, MeshMeasures.Of(few).AreaMm2, 10.0);
        Assert.Equal(64_000, MeshMeasures.Of(few).VolumeMm3, 70.0);

        // A sphere of two halves: every point of their border stays, all stay near the sphere.
        var sphere = Sphere(10, 120);
        var halves = sphere with { Parts = [.. Enumerable.Range(0, sphere.Count).Select(t => (byte)(Enumerable.Range(0, 3).Sum(k => sphere.Points[sphere.Corners[(3 * t) + k]].Z) > 0 ? 1 : 0))] };
        var small = Simplifier.Simplify(halves, sphere.Count / 5);
        Assert.True(small.Count < sphere.Count / 3);
        Assert.All(small.Points, p => Assert.Equal(10.0, p.Length(), 0.1));
        Assert.True(Neighbours.Of(small).Closed);
        static HashSet<Vector3> Border(Mesh m)
        {
            var opposite = Neighbours.Of(m).Opposite;
            return [.. Enumerable.Range(0, m.Corners.Length).Where(h => opposite[h] >= 0 && m.Parts[h / 3] != m.Parts[opposite[h] / 3]).Select(h => m.Points[m.Corners[h]])];
        }

        Assert.Equal(120, Border(halves).Count);
        Assert.True(Border(halves).SetEquals(Border(small)));
        Assert.Same(fine, Simplifier.Simplify(fine, fine.Count));
    }

    [Fact]
    public void Shares_are_a_partition_and_what_runs_down_thins_out_below_its_edge()
    {
        var split = StandIn.Build(new(StandInKind.Block, 30, 30, 30, false, 1));
        var fields = SurfaceFields.Of(split);
        for (var i = 0; i < split.Points.Length; i++)
        {
            var (recess, face, edge) = fields.Shares(i);
            Assert.Equal(1, recess + face + edge, 1e-5f);
            Assert.True(recess >= 0 && face >= -1e-5f && edge >= 0);
        }

        double Mean(float from, float to) => Enumerable.Range(0, split.Points.Length).Where(i => split.Points[i].Y == -15 && split.Points[i].Z >= from && split.Points[i].Z < to && split.Points[i].X is > -10 and < 10).Select(i => (double)fields.Run[i]).DefaultIfEmpty(0).Average();
        Assert.True(Mean(20, 28) > 1.5 * Mean(10, 16) && Mean(10, 16) > 0.1);
    }
}
