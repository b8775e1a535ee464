using CsCheck;
using Lowfell.Core.Boards;
using Xunit;

namespace Lowfell.Core.Tests.Boards;

/// <summary>Heights of lines that run on over the pieces of a board.</summary>
public sealed class BoardTests
{
    private const double RampDeg = 4.588565735785835;
    private static readonly Datum Tide = new(new(1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 1), "tide", DatumKind.Level, 22, 1.5, []);
    private static readonly Datum Damp = Tide with { Id = new(2, 0, 0, 0, 0, 0, 0, 0, 0, 0, 1), Name = "damp", HeightMm = 30 };
    private static readonly Datum Dust = new(new(3, 0, 0, 0, 0, 0, 0, 0, 0, 0, 1), "dust", DatumKind.Ground, 4, 0, []);

    private static Guid Id(int number) => new(number, 1, 0, 0, 0, 0, 0, 0, 0, 0, 2);

    private static PlacedCopy Wall(int number, double x = 0, double tilt = 0, double on = 0, double y = 0, int turn = 0) =>
        new(Id(number), Id(100), $"Wall {number}", 150, 14, 70, x, y, turn, on, tilt);

    private static BoardJoin Join(int a, int b, double? step = null) => new(Id(a), BoardSide.Right, Id(b), BoardSide.Left, step);

    // Six walls in a row: the third up a ramp, the fourth and fifth on a plinth.
    private static (PlacedCopy[] Copies, BoardJoin[] Joins) SeaWall() =>
        ([.. Enumerable.Range(1, 6).Select(i => Wall(i, tilt: i == 3 ? RampDeg : 0))], [Join(1, 2, 0), Join(2, 3, 0), Join(3, 4, 0), Join(4, 5, 0), Join(5, 6, -12)]);

    [Fact]
    public void A_sea_wall_over_a_ramp_and_a_plinth_keeps_its_tide()
    {
        var (copies, joins) = SeaWall();
        var feet = Feet.Of(copies, joins);
        Assert.Empty(feet.Faults);
        Assert.Equal([0, 0, 0, 12, 12, 0], copies.Select(c => Math.Round(feet.ByCopy[c.Id], 9)));
        double[] On(int copy, Datum datum) => [.. Levels.Of(copies[copy - 1], feet, datum).Points.Where(p => p.AtMm is 0 or 75 or 150).Select(p => Math.Round(p.HeightMm, 2))];
        foreach (var flat in new[] { 1, 2, 6 })
        {
            Assert.Equal([22, 22, 22], On(flat, Tide));
            Assert.Equal([30, 30, 30], On(flat, Damp));
        }

        Assert.Equal([22.07, 16.05, 10.03], On(3, Tide));
        Assert.Equal([30.10, 24.08, 18.06], On(3, Damp));
        Assert.Equal([10, 10, 10], On(4, Tide));
        Assert.Equal([18, 18, 18], On(5, Damp));
        Assert.All(copies, c => Assert.Equal([4, 4, 4], Levels.Of(c, feet, Dust).Points.Where(p => p.AtMm is 0 or 75 or 150).Select(p => p.HeightMm)));

        // On the ramp it is marked every 50 mm as well; the ground steps at one join, and dust fades on the higher side of it.
        Assert.Equal([0, 50, 75, 100, 150], Levels.Of(copies[2], feet, Tide).Points.Select(p => p.AtMm));
        Assert.Equal([BoardSide.Right], Levels.Of(copies[4], feet, Dust).FadesAt);
        Assert.All(copies.Where(c => c.Name != "Wall 5"), c => Assert.Empty(Levels.Of(c, feet, Dust).FadesAt));
        Assert.Empty(Levels.Of(copies[4], feet, Tide).FadesAt);
        Assert.Equal(0.10, Math.Max(WorstStep(copies, joins, feet, Tide), WorstStep(copies, joins, feet, Damp)), 0.01);
    }

    private static double WorstStep(PlacedCopy[] copies, IEnumerable<BoardJoin> joins, Feet feet, Datum datum)
    {
        double At(PlacedCopy copy, double s) => Levels.Above(copy, feet.ByCopy[copy.Id], s, Levels.Marked(Levels.Own(copy, feet.ByCopy[copy.Id], datum, s)));
        return joins.Max(j => Math.Abs(At(copies.Single(c => c.Id == j.A), 150) - At(copies.Single(c => c.Id == j.B), 0)));
    }

    [Fact]
    public void Level_lines_meet_at_every_join_of_any_board()
    {
        var board =
            from count in Gen.Int[2, 12]
            from tilts in Gen.Double[-10, 10].Array[count]
            from steps in Gen.Double[-20, 20].Array[count - 1]
            from height in Gen.Double[5, 60]
            select (tilts, steps, height);
        board.Sample(
            b =>
            {
                PlacedCopy[] copies = [.. b.tilts.Select((t, i) => Wall(i + 1, tilt: t))];
                BoardJoin[] joins = [.. b.steps.Select((s, i) => Join(i + 1, i + 2, s))];
                var feet = Feet.Of(copies, joins);
                var tide = Tide with { HeightMm = b.height };
                Assert.Empty(feet.Faults);
                Assert.All(feet.Joins, j => Assert.Equal(0, j.MissMm, 1e-6));
                Assert.True(WorstStep(copies, joins, feet, tide) <= 0.5 + 1e-9);
            },
            iter: 1000);
    }

    [Fact]
    public void A_line_wanders_between_joins_and_meets_at_them()
    {
        var most = 0.0;
        for (var copy = 0; copy < 200; copy++)
        {
            double At(double s) => Levels.Wander(Tide, Id(copy), 150, s);
            Assert.Equal((0, 0), (At(0), At(150)));
            for (var s = 0.0; s < 150; s += 0.5)
            {
                most = Math.Max(most, Math.Abs(At(s)));
                Assert.True(Math.Abs(At(s + 0.5) - At(s)) / 0.5 <= 0.45, $"slope at {s}");
            }
        }

        Assert.InRange(most, 0.8, 1.5);
        Assert.Equal(Levels.Wander(Tide, Id(3), 150, 41), Levels.Wander(Tide, Id(3), 150, 41));
        Assert.NotEqual(Levels.Wander(Tide, Id(3), 150, 41), Levels.Wander(Damp, Id(3), 150, 41));
        Assert.Equal(0, Levels.Wander(Dust, Id(3), 150, 41));
    }

    [Fact]
    public void A_round_that_misses_a_little_is_shared_and_one_that_misses_more_is_doubted()
    {
        PlacedCopy[] copies = [Wall(1), Wall(2), Wall(3), Wall(4)];
        Feet Round(double miss) => Feet.Of(copies, [Join(1, 2, 12), Join(2, 3, 0), Join(3, 4, -12 + miss), Join(4, 1, 0)]);
        var little = Round(0.8);
        Assert.Empty(little.Faults);
        Assert.All(little.Joins, j => Assert.Equal(0.2, Math.Abs(j.MissMm), 1e-6));
        var fault = Assert.Single(Round(2.5).Faults);
        Assert.Contains("the feet meet 2.5 mm apart when you go round. Measure the steps again.", fault.What, StringComparison.Ordinal);
    }

    [Fact]
    public void What_no_join_ties_begins_at_its_own_height()
    {
        var feet = Feet.Of([Wall(1), Wall(2, on: 3), Wall(3), Wall(9, on: 40)], [Join(1, 2, 5), Join(3, 2, 1)]);
        Assert.Equal([3, 1], feet.Groups.Select(g => g.Count));
        Assert.Equal([0.0, 5, 4, 40], new[] { 1, 2, 3, 9 }.Select(i => Math.Round(feet.ByCopy[Id(i)], 6)));
    }

    [Fact]
    public void Sides_that_touch_are_found_however_pieces_are_turned()
    {
        // Two walls in a row, one up the board at their end, a tower behind the first.
        PlacedCopy[] copies =
        [
            Wall(1, 75, y: 7), Wall(2, 225.5, y: 7), Wall(3, 293, y: 89, turn: 1),
            new(Id(4), Id(101), "Tower", 60, 60, 120, 40, 44, 2, OnMm: 3), Wall(5, 600, y: 7),
        ];
        var joins = Board.Joins(copies, []);
        Assert.Equal(3, joins.Count);
        Assert.Equal((BoardSide.Right, BoardSide.Left), (joins[0].ASide, joins[0].BSide));

        // Turned so that its left end looks down the board, onto the back of the second.
        var corner = joins.Single(j => j.B == Id(3));
        Assert.Equal((Id(2), BoardSide.Back, BoardSide.Left), (corner.A, corner.ASide, corner.BSide));
        Assert.Equal(142.5, corner.AAtMm!.Value, 0.6);
        var tower = joins.Single(j => j.B == Id(4));
        Assert.Equal((BoardSide.Back, BoardSide.Back), (tower.ASide, tower.BSide));
        Assert.Empty(Board.Faults(copies, joins));

        // What was measured is told of the same sides, whichever was named first.
        var told = Board.Joins(copies, [new(Id(4), BoardSide.Back, Id(1), BoardSide.Back, -7)]).Single(j => j.B == Id(4));
        Assert.Equal(7, told.StepMm);
        Assert.Equal(3.0, Feet.Of(copies, joins).ByCopy[Id(4)], 1e-9);
        Assert.Equal(7.0, Feet.Of(copies, [told]).ByCopy[Id(4)], 1e-9);
    }

    [Fact]
    public void What_a_board_cannot_be_is_said_by_name()
    {
        string Fault(PlacedCopy[] copies, params BoardJoin[] joins) => Assert.Single(Board.Faults(copies, joins)).What;
        Assert.Equal("Wall 1 and Wall 2 stand 14 mm in each other: move one of them.", Fault([Wall(1), Wall(2, 40)]));
        Assert.Equal("Wall 1: tilt goes up to 30 degrees.", Fault([Wall(1, tilt: 31)]));
        Assert.Equal("Wall 2's right side already meets Wall 3.", Fault([Wall(2), Wall(3, 500), Wall(4, 900)], Join(2, 3), Join(2, 4)));
        Assert.Equal("Wall 2 is joined to something that is not on the board.", Fault([Wall(2)], Join(2, 7)));
        Assert.Equal("Wall 2 can't meet itself.", Fault([Wall(2)], Join(2, 2)));
    }

    [Fact]
    public void A_line_below_the_foot_or_over_the_top_is_none_or_all_under()
    {
        var copy = Wall(1, on: 30);
        var feet = Feet.Of([copy], []);
        Assert.Equal(LevelState.None, Levels.Of(copy, feet, Tide).State);
        Assert.Equal(LevelState.Under, Levels.Of(copy, feet, Tide with { HeightMm = 140 }).State);
        Assert.Equal(LevelState.Over, Levels.Of(copy, feet, Tide with { HeightMm = 40 }).State);
        Assert.True((Tide with { PieceIds = [Id(100)] }).On(Id(100)) && !(Tide with { PieceIds = [Id(101)] }).On(Id(100)));
    }

    [Fact]
    public void Parts_that_move_have_it_at_rest()
    {
        var copy = Wall(1, tilt: RampDeg) with { Parts = [new("Turret", PartMoves.Turns, 50, 100, 4, 20), new("Gate", PartMoves.Lifts, 20, 60, 0, 50), new("Roof", PartMoves.Lifts, 0, 150, 60, 10)] };
        var level = Levels.Of(copy, Feet.Of([copy], []), Tide);
        Assert.Equal(["Turret", "Gate"], level.Parts.Select(p => p.Name));
        var (turret, gate) = (level.Parts[0], level.Parts[1]);
        Assert.Equal((12.0, 12.0, true, 0.0), (turret.LeftMm, turret.RightMm, turret.AllRound, turret.HiddenShare));
        Assert.True(gate.LeftMm > gate.RightMm && !gate.AllRound);
        Assert.Equal(0.6, gate.HiddenShare);
    }

    [Fact]
    public void Ends_of_one_class_stand_at_one_height()
    {
        var (copies, joins) = SeaWall();
        var feet = Feet.Of(copies, joins);
        var (_, faults) = SideClasses.Of(copies, feet, [new(Id(100), BoardSide.Left, "A")]);
        Assert.Equal("End A stands at 0 on Wall 1 and at 12 on Wall 4: give them two classes.", Assert.Single(faults).What);
        PlacedCopy[] alike = [Wall(1), Wall(2), new(Id(7), Id(102), "Step", 80, 14, 70, 0, 0, OnMm: 0, TiltDeg: 5)];
        var (heights, none) = SideClasses.Of(alike, Feet.Of(alike, []), [new(Id(100), BoardSide.Left, "A"), new(Id(100), BoardSide.Right, "A"), new(Id(102), BoardSide.Left, "A"), new(Id(102), BoardSide.Right, "B")]);
        Assert.Empty(none);
        Assert.Equal((0.0, 6.97), (heights["A"], Math.Round(heights["B"], 2)));
    }

    [Fact]
    public void Heights_do_not_depend_on_the_order_or_the_direction_in_which_joins_are_told()
    {
        var board =
            from steps in Gen.Double[-20, 20].Array[7]
            from around in Gen.Double[-0.9, 0.9]
            from seed in Gen.Int
            select (steps, around, seed);
        board.Sample(
            b =>
            {
                PlacedCopy[] copies = [.. Enumerable.Range(1, 8).Select(i => Wall(i))];
                List<BoardJoin> joins = [.. b.steps.Select((s, i) => Join(i + 1, i + 2, s))];

                // Round again, all but closed.
                joins.Add(new(Id(8), BoardSide.Front, Id(1), BoardSide.Back, b.around - b.steps.Sum()));
                var mixed = joins.Select((j, i) => (b.seed >> (i % 16) & 1) == 0 ? j : new BoardJoin(j.B, j.BSide, j.A, j.ASide, -j.StepMm)).ToArray();
                new Random(b.seed).Shuffle(mixed);
                var (one, other) = (Feet.Of(copies, joins), Feet.Of(copies, mixed));
                Assert.All(copies, c => Assert.Equal(one.ByCopy[c.Id], other.ByCopy[c.Id], 1e-6));

                // What is missed is shared evenly round a loop.
                Assert.All(one.Joins, j => Assert.Equal(Math.Abs(b.around) / 8, Math.Abs(j.MissMm), 1e-6));
            },
            iter: 300);
    }

    [Fact]
    public void A_copy_that_stands_elsewhere_goes_by_either_class_of_its_ends_and_says_where_they_do_not_agree()
    {
        PlacedCopy[] copies = [Wall(1), new(Id(7), Id(102), "Step", 80, 14, 70, 500, 0, OnMm: 12)];
        SideClass[] classes = [new(Id(100), BoardSide.Right, "A"), new(Id(102), BoardSide.Left, "B")];
        var read = BoardReading.Of(copies, [], [Tide], classes);
        Assert.Equal((0.0, 12.0), (read.Classes["A"], read.Classes["B"]));
        double Height(PlacedCopy copy, SideClass[] by, List<BoardFault> faults) => read.Elsewhere(copy, [Tide], by, faults)!.Value.Levels[0].Points[0].HeightMm;
        List<BoardFault> none = [];
        Assert.Equal(22, Height(Wall(2), classes, none));
        Assert.Equal(10, Height(Wall(2), [new(Id(100), BoardSide.Left, "B")], none));
        Assert.Empty(none);
        Assert.Null(read.Elsewhere(new(Id(9), Id(109), "Tower", 60, 60, 90, 0, 0), [Tide], classes, none));

        // Its left end is to be at 12 and its right at 0: a level foot has both at one height.
        List<BoardFault> faults = [];
        Height(Wall(2), [new(Id(100), BoardSide.Left, "B"), new(Id(100), BoardSide.Right, "A")], faults);
        Assert.Contains("can't meet both its classes", Assert.Single(faults).What, StringComparison.Ordinal);
    }

    [Fact]
    public void A_line_that_no_piece_reaches_is_told_and_what_cannot_stand_has_no_heights()
    {
        var high = BoardReading.Of([Wall(1), Wall(2, 150)], [], [Tide with { HeightMm = 95 }], []);
        Assert.Contains("No piece reaches 95 mm", Assert.Single(high.Notes), StringComparison.Ordinal);
        var low = BoardReading.Of([Wall(1, on: 40)], [], [Tide], []);
        Assert.Contains("Every foot stands above 22 mm", Assert.Single(low.Notes), StringComparison.Ordinal);
        Assert.Empty(BoardReading.Of([Wall(1)], [], [Tide with { PieceIds = [Id(5)] }], []).Notes);
        var wrong = BoardReading.Of([Wall(1), Wall(2, 20)], [], [Tide], []);
        Assert.Null(wrong.Feet);
        Assert.Empty(wrong.Levels);
        Assert.Single(wrong.Faults);
    }

    [Fact]
    public void Two_narrow_pieces_may_share_the_end_of_a_deep_one()
    {
        var tower = new PlacedCopy(Id(20), Id(120), "Tower", 60, 60, 120, 30, 30);
        PlacedCopy[] copies = [tower, Wall(1, 135, y: 8), Wall(2, 135, y: 50)];
        var joins = Board.Joins(copies, []);
        Assert.Equal(2, joins.Count(j => j.A == Id(20) && j.ASide == BoardSide.Right));
        Assert.Empty(Board.Faults(copies, joins));
    }

    [Theory]
    [InlineData(0, BoardSide.Right, BoardSide.Back, BoardSide.Left, BoardSide.Front)]
    [InlineData(1, BoardSide.Front, BoardSide.Right, BoardSide.Back, BoardSide.Left)]
    [InlineData(2, BoardSide.Left, BoardSide.Front, BoardSide.Right, BoardSide.Back)]
    [InlineData(3, BoardSide.Back, BoardSide.Left, BoardSide.Front, BoardSide.Right)]
    public void Turned_against_the_clock_another_side_looks_each_way(int turn, BoardSide right, BoardSide up, BoardSide left, BoardSide down)
    {
        var copy = Wall(1, 10, turn: turn, y: 20);
        Assert.Equal([right, up, left, down], Enumerable.Range(0, 4).Select(copy.Looking));
        Assert.Equal(turn % 2 == 0 ? (75, 7) : (7, 75), copy.Half);

        // Its left corner is where its length begins.
        var (x, y) = turn switch { 0 => (-65.0, 20.0), 1 => (10, -55), 2 => (85, 20), _ => (10, 95) };
        Assert.Equal(0, copy.Along(x, y), 1e-9);
        Assert.Equal(75, copy.Along(10, 20), 1e-9);
    }
}
