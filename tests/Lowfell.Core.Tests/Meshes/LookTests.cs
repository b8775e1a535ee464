using System.Numerics;
using System.Text.Json;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Meshes.Fields;
using Lowfell.Core.Meshes.Geometry;
using Lowfell.Core.Meshes.Looks;
using Lowfell.Core.Meshes.Screen;
using Lowfell.Core.Meshes.StandIns;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Meshes;

/// <summary>Stand-ins, the table of looks against the prediction, pictures against the table.</summary>
public sealed class LookTests
{
    private static Coat Coat(Technique technique, string colour, Family family = Family.AcrylicPaint, Effect effect = Effect.Plain) =>
        Build.Coat(technique, Build.Of(family, colour) with { Effect = effect }, fraction: 1);

    private static StackDraft Stack(params Coat[] coats) => new(new Zone { Name = "wall", Substrate = Substrate.Polystyrene, Relief = Relief.Textured, Facing = Facing.Side, AreaMm2 = 5000, Copies = 1 }, new Schools(), coats);

    private static StackDraft Wall() => Stack(Coat(Technique.BaseCoat, "#7b6f5e"), Coat(Technique.Wash, "#1e1a16", Family.AcrylicWash), Coat(Technique.Zenithal, "#d8cdb4"), Coat(Technique.DryBrush, "#efe8d8"));

    private static ShownMesh Shown(StandInKind kind)
    {
        var mesh = Orientation.Mend(StandIn.Build(new(kind, 60, 30, 40, kind == StandInKind.Base, 7)), out _);
        return ShownMesh.Of(mesh, SurfaceFields.Of(mesh));
    }

    public static TheoryData<StandInKind> Kinds => [.. Enum.GetValues<StandInKind>()];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Every_stand_in_is_the_same_each_time_as_large_as_its_piece_and_has_all_its_parts(StandInKind kind)
    {
        var wish = new StandInWish(kind, 90, 50, 60, kind == StandInKind.Base, 11);
        var (one, two, other) = (StandIn.Build(wish), StandIn.Build(wish), StandIn.Build(wish with { Seed = 12 }));
        Assert.Equal(one.Points, two.Points);
        Assert.Equal(one.Corners, two.Corners);
        Assert.Equal(Enumerable.Range(0, kind.Facts().Parts.Count), one.Parts.Select(p => (int)p).Distinct().Order());
        var (low, high) = one.Box();
        Assert.All([low.X, low.Y, low.Z, high.X, high.Y, high.Z], x => Assert.True(float.IsFinite(x)));
        Assert.InRange(low.Z, -0.7f, 0.5f);
        if (kind is not (StandInKind.Figure or StandInKind.Base or StandInKind.CornerWall or StandInKind.RunningGear))
        {
            Assert.InRange(high.X - low.X, 90 * 0.75f, 90 * 1.12f);
            Assert.InRange(high.Z - low.Z, 60 * 0.7f, 60 * 1.12f);
        }

        // What is rolled differs by the piece; what is built by measure does not.
        Assert.True(one.Points.Length != other.Points.Length || !one.Points.SequenceEqual(other.Points) || kind is StandInKind.Block or StandInKind.Turret or StandInKind.RunningGear or StandInKind.Figure or StandInKind.Pan or StandInKind.Hull or StandInKind.Gantry or StandInKind.Hall);
        Assert.InRange(one.Count, 12, 90_000);
    }

    [Theory]
    [InlineData("Sluice gate", "gate", PieceShape.Box, StandInKind.Gate)]
    [InlineData("Straight", "wall", PieceShape.Wall, StandInKind.StraightWall)]
    [InlineData("Corner", "wall", PieceShape.Wall, StandInKind.CornerWall)]
    [InlineData("Boiling house", "building", PieceShape.Box, StandInKind.House)]
    [InlineData("Shallow pan", "scatter", PieceShape.Tile, StandInKind.Pan)]
    [InlineData("Ruined tower wall", "", PieceShape.Free, StandInKind.StraightWall)]
    [InlineData("Something", "", PieceShape.Wall, StandInKind.StraightWall)]
    [InlineData("", "", PieceShape.Disc, StandInKind.Base)]
    [InlineData("", "", PieceShape.Free, StandInKind.Block)]
    public void The_nearest_stand_in_follows_name_kind_and_shape(string name, string kind, PieceShape shape, StandInKind nearest) => Assert.Equal(nearest, StandInKinds.Nearest(name, kind, shape));

    [Fact]
    public void Zones_find_their_parts_by_name_and_facing_and_none_is_lost_while_there_are_parts()
    {
        int[] Of(StandInKind kind, params (string, Facing, double)[] zones) => StandInKinds.Matched(kind, zones);
        Assert.Equal([0, 1, 2], Of(StandInKind.StraightWall, ("Stone courses", Facing.Side, 100), ("Walkway", Facing.Up, 20), ("Weed line", Facing.Side, 30)));
        Assert.Equal([1, 0, 2], Of(StandInKind.Pan, ("Brine", Facing.Up, 10), ("Pan iron", Facing.Side, 30), ("Furnace mouth", Facing.Side, 5)));
        Assert.Equal([0, 0, 0], Of(StandInKind.StraightWall, ("Everything", Facing.Side, 10)));
        Assert.Equal([-1, -1], Of(StandInKind.Block));
        Assert.Equal([0, 1], Of(StandInKind.Block, ("Anything", Facing.Side, 10), ("Whatever", Facing.Side, 8)).Order());
    }

    [Theory]
    [InlineData(1e9, 1e9, 1e9)]
    [InlineData(0.1, 0.1, 0.1)]
    [InlineData(0, 0, 0)]
    [InlineData(double.NaN, -3, double.PositiveInfinity)]
    [InlineData(1000, 0.1, 0.1)]
    public void Whatever_a_piece_measures_it_is_shown(double length, double width, double height)
    {
        foreach (var kind in Enum.GetValues<StandInKind>())
        {
            var mesh = StandIn.Build(StandInWish.Of(kind, PieceShape.Box, length, width, height, 5000, 3));
            Assert.InRange(mesh.Count, 8, 400_000);
            Assert.True(mesh.Points.All(p => float.IsFinite(p.X + p.Y + p.Z)), kind.ToString());
        }
    }

    [Fact]
    public void A_file_is_read_back_as_it_was_written_and_is_what_the_format_says()
    {
        var mesh = Shown(StandInKind.StraightWall);
        var glb = Glb.Write(mesh);
        var back = Glb.Read(glb);
        Assert.Equal((mesh.Places.AsSpan().ToArray(), mesh.Normals, mesh.Fields, mesh.Extras, mesh.Corners), (back.Places, back.Normals, back.Fields, back.Extras, back.Corners), (a, b) => a.Item1.SequenceEqual(b.Item1) && a.Normals.SequenceEqual(b.Normals) && a.Fields.SequenceEqual(b.Fields) && a.Extras.SequenceEqual(b.Extras) && a.Corners.SequenceEqual(b.Corners));
        Assert.Equal(mesh.ExtentMm, back.ExtentMm, mesh.ExtentMm * 1e-6f);
        Assert.True(Vector3.Distance(mesh.High(), back.High()) < 1e-3);
        Assert.Equal(0, glb.Length % 4);
        using var json = JsonDocument.Parse(glb.AsMemory(20, BitConverter.ToInt32(glb, 12)));
        Assert.Equal("2.0", json.RootElement.GetProperty("asset").GetProperty("version").GetString());
        Assert.Throws<InvalidDataException>(() => Glb.Read([1, 2, 3]));
    }

    [Fact]
    public void The_table_says_what_the_prediction_says_at_every_height_and_facing_after_every_coat()
    {
        var stack = Wall();
        var table = LookTable.Of([stack, Stack()], Lamp.Daylight);
        foreach (var facing in Enum.GetValues<Facing>())
        {
            var predicted = Predictor.PredictMiddle(stack with { Zone = stack.Zone with { Facing = facing } });
            for (var coats = 0; coats <= stack.Coats.Count; coats++)
            {
                var stratum = coats == 0 ? predicted.Substrate : predicted.Strata[coats - 1];
                foreach (var height in Enum.GetValues<ReliefHeight>())
                {
                    var (r, g, b, _) = table.At(table.Zones[0].At(coats, 0, wet: false), LookTable.Column(height, (int)facing));
                    Assert.True(ColourDifference.Ciede2000(stratum.At((int)height).Lab, new LinearRgb(r, g, b).ToLab()) < 0.05);
                }
            }
        }

        // A spray from above leaves more on what looks up.
        double Light(int facing) => table.At(table.Zones[0].At(3, 0, false), LookTable.Column(ReliefHeight.Face, facing)).G;
        Assert.True(Light(0) > Light(2) && Light(2) > Light(4));
        Assert.Equal(0, table.Zones[1].Coats);
        Assert.Equal(2 * (5 + 1), table.Rows);
    }

    [Fact]
    public void Wet_is_darker_and_shines_and_what_lies_on_top_gives_the_gloss()
    {
        var stack = Stack(Coat(Technique.BaseCoat, "#403830"), Coat(Technique.Varnish, "#ffffff", Family.VarnishWater), Coat(Technique.BaseCoat, "#a08040", effect: Effect.Metallic));
        var table = LookTable.Of([stack], Lamp.Daylight);
        float Shine(int coats, bool wet = false) => table.At(table.Zones[0].At(coats, 0, wet), LookTable.Shine).R;
        float Metal(int coats) => table.At(table.Zones[0].At(coats, 0, false), LookTable.Shine).G;
        Assert.Equal(LookTable.Gloss(stack.Coats[1].Paint!.Lead.Sheen), Shine(2));
        Assert.Equal(1, Shine(1, wet: true));
        Assert.Equal((0, 0, 1), (Metal(1), Metal(2), Metal(3)));
        var (dry, wet) = (table.At(table.Zones[0].At(1, 0, false), LookTable.Column(ReliefHeight.Face, 2)), table.At(table.Zones[0].At(1, 0, true), LookTable.Column(ReliefHeight.Face, 2)));
        Assert.True(wet.G < dry.G);
        Assert.True(LookTable.Gloss(Sheen.Gloss) > LookTable.Gloss(Sheen.Satin) && LookTable.Gloss(Sheen.Satin) > LookTable.Gloss(Sheen.Matt));
    }

    [Fact]
    public void Dust_that_fades_out_lies_at_the_foot_and_not_at_the_top()
    {
        var dust = Coat(Technique.DryBrush, "#f0e0b0") with { Fade = new(0, 8) };
        var stack = Stack(Coat(Technique.BaseCoat, "#202428"), dust);
        stack = stack with { Zone = stack.Zone with { HeightFromMm = 0, HeightToMm = 40 } };
        var rows = LookTable.Of([stack], Lamp.Daylight).Zones[0];
        Assert.Equal([0f, 8, 40], rows.LevelsMm);
        var mesh = Shown(StandInKind.Block);
        var scene = new LookScene(mesh, LookTable.Of([stack], Lamp.Daylight), [0, 0], [2]);
        var painted = LookPicture.Painted(scene);
        float Mean(float from, float to) => Enumerable.Range(0, mesh.Vertices).Where(i => mesh.At(i).Z >= from && mesh.At(i).Z <= to && mesh.Fields[(4 * i) + 1] > 200).Select(i => painted[i].Y).Average();
        Assert.True(Mean(0, 1) > 1.5f * Mean(20, 40));
    }

    [Fact]
    public void A_white_thing_stays_white_under_a_lamp_and_colours_move_as_they_do_there()
    {
        LinearRgb Under(string colour, Lamp lamp) => Lamps.ToLinear([.. Spectra.FromSrgb(Srgb.Parse(colour)).ToArray().Select(r => (float)r)], lamp);
        foreach (var colour in new[] { "#808080", "#d0d0d0", "#804020", "#204080" })
        {
            Assert.True(ColourDifference.Ciede2000(Srgb.Parse(colour).ToLab(), Under(colour, Lamp.Daylight).ToLab()) < 0.2);
        }

        // Adapted to nine tenths: a grey is a little warm, no more.
        Assert.Equal(0.908, Lamps.Adapted, 0.001);
        var grey = Under("#b0b0b0", Lamp.Warm).ToLab();
        Assert.True(grey.B is > 1 and < 14 && Math.Abs(grey.L - Srgb.Parse("#b0b0b0").ToLab().L) < 2);
        Assert.True(Under("#b0b0b0", Lamp.Neutral).ToLab().B < grey.B);

        // Under a warm lamp red gets lighter beside blue.
        double Ratio(Lamp lamp) => Under("#a03020", lamp).ToLab().L / Under("#2040a0", lamp).ToLab().L;
        Assert.True(Ratio(Lamp.Warm) > 1.05 * Ratio(Lamp.Daylight));
    }

    [Fact]
    public void A_picture_shows_the_predicted_colours_where_recess_face_and_edge_are_plain_to_see()
    {
        var mesh = Shown(StandInKind.StraightWall);
        foreach (var lamp in Enum.GetValues<Lamp>())
        {
            // One colour everywhere comes out as that colour.
            var flat = LookTable.Of([Stack(Coat(Technique.BaseCoat, "#7b6f5e"))], lamp);
            var even = flat with { Texels = [.. Enumerable.Range(0, flat.Texels.Length).Select(i => new[] { 0.2f, 0.1f, 0.03f, 1 }[i % 4])] };
            var picture = LookPicture.Draw(new(mesh, even, [0, 0, 0], [1]), new(), 200, 140, LookMode.Plain);
            var wanted = new LinearRgb(0.2f, 0.1f, 0.03f).ToSrgb();
            var seen = Enumerable.Range(0, 200 * 140).Where(i => picture.Rgba[(4 * i) + 3] == 255).ToList();
            Assert.True(seen.Count > 3000);
            Assert.All(seen, i => Assert.True(Math.Abs(picture.Rgba[4 * i] - wanted.R) <= 1 && Math.Abs(picture.Rgba[(4 * i) + 1] - wanted.G) <= 1 && Math.Abs(picture.Rgba[(4 * i) + 2] - wanted.B) <= 1));
        }

        // Recess red, face green, edge blue: together they are one, and each is seen somewhere.
        var table = LookTable.Of([Wall()], Lamp.Daylight);
        var texels = (float[])table.Texels.Clone();
        for (var i = 0; i < texels.Length / 4; i++)
        {
            var height = i % LookTable.Width / Facings.Count;
            (texels[4 * i], texels[(4 * i) + 1], texels[(4 * i) + 2]) = (height == 0 ? 1 : 0, height == 1 ? 1 : 0, height == 2 ? 1 : 0);
        }

        var painted = LookPicture.Painted(new(mesh, table with { Texels = texels }, [0, 0, 0], [4]));
        Assert.All(painted, c => Assert.Equal(1, c.X + c.Y + c.Z, 1e-4f));
        Assert.Contains(painted, c => c.X > 0.95f);
        Assert.Contains(painted, c => c.Y > 0.99f);
        Assert.Contains(painted, c => c.Z > 0.95f);
    }

    [Fact]
    public void Half_a_coat_lies_half_way_and_bare_parts_are_grey()
    {
        var mesh = Shown(StandInKind.Block);
        var table = LookTable.Of([Stack(Coat(Technique.BaseCoat, "#202020"))], Lamp.Daylight);
        Vector3 First(float coats) => LookPicture.Painted(new(mesh, table, [0, 0], [coats]))[0];
        Assert.True(Vector3.Distance((First(0) + First(1)) / 2, First(0.5f)) < 1e-4f);
        Assert.Equal(First(1), First(7));
        Assert.All(LookPicture.Painted(new(mesh, table, [-1, -1], [1])), c => Assert.Equal(c.X, c.Z));
        Assert.Throws<ArgumentOutOfRangeException>(() => LookPicture.Draw(new(mesh, table, [0, 0], [1]), new(), 4000, 4000));
    }

    [Fact]
    public void From_afar_the_eye_blurs_and_the_light_stays()
    {
        var mesh = Shown(StandInKind.Block);
        var scene = new LookScene(mesh, LookTable.Of([Wall()], Lamp.Daylight), [0, 0], [4]);
        (double Light, double Rough) Of(double fromM)
        {
            var p = LookPicture.Draw(scene, new(), 160, 110, fromM: fromM);
            double light = 0, rough = 0;
            for (var i = 1; i < 160 * 110; i++)
            {
                light += p.Rgba[(4 * i) + 3];
                rough += p.Rgba[(4 * i) + 3] == 255 && p.Rgba[(4 * i) - 1] == 255 ? Math.Abs(p.Rgba[(4 * i) + 1] - p.Rgba[(4 * i) - 3]) : 0;
            }

            return (light, rough);
        }

        var (sharp, near, far) = (Of(0), Of(0.6), Of(5));
        Assert.True(near.Rough < sharp.Rough && far.Rough < near.Rough, $"{sharp.Rough}, {near.Rough}, {far.Rough}");
        Assert.Equal(sharp.Light, far.Light, sharp.Light * 0.02);
    }

    [Fact]
    public void From_the_right_the_right_is_seen_and_nearer_is_larger()
    {
        var camera = new LookView(TurnDeg: 0, LiftDeg: 0).Camera(new(-10, -10, 0), new(10, 10, 20), 1.5f);
        Assert.True(camera.See(new(5, 0, 10)).X > 0 && camera.See(new(0, 0, 15)).Y > 0);
        Assert.True(camera.See(new(0, -10, 10)).Z < camera.See(new(0, 10, 10)).Z);
        var right = new LookView(TurnDeg: 90, LiftDeg: 0).Camera(new(-10, -10, 0), new(10, 10, 20), 1.5f);
        Assert.True(right.See(new(10, 0, 10)).Z < right.See(new(-10, 0, 10)).Z);
        Assert.True(new LookView(Near: 2).Camera(default, new(1, 1, 1), 1).Distance < new LookView().Camera(default, new(1, 1, 1), 1).Distance);
        Assert.True(camera.ToLamp().Z > 0.5f && Math.Abs(camera.ToLamp().Length() - 1) < 1e-5);
    }
}
