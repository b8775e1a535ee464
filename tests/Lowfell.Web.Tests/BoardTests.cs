using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Boards, kept and tried, over the API.</summary>
public sealed class BoardTests(TestHost host) : IClassFixture<TestHost>
{
    private static readonly Guid Tide = new("01a20000-0000-7000-8000-00000000000a");

    private static JsonObject Copy(Guid id, string piece, int copy, double x, double on = 0, double tilt = 0) => new()
    {
        ["id"] = id.ToString(),
        ["pieceId"] = piece,
        ["copy"] = copy,
        ["xMm"] = x,
        ["yMm"] = 7,
        ["onMm"] = on,
        ["tiltDeg"] = tilt,
    };

    private static JsonObject Board(IEnumerable<JsonObject> copies, double tideMm = 22) => new()
    {
        ["copies"] = new JsonArray([.. copies]),
        ["pieces"] = new JsonArray(),
        ["joins"] = new JsonArray(),
        ["datums"] = new JsonArray(new JsonObject { ["id"] = Tide.ToString(), ["name"] = "Tide", ["kind"] = "level", ["heightMm"] = tideMm, ["wanderMm"] = 1.5, ["pieceIds"] = new JsonArray() }),
        ["classes"] = new JsonArray(),
    };

    private async Task<(string Set, string Piece, double LengthMm)> SeaWallAsync()
    {
        var set = (await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == "Sea wall")!;
        var piece = set["pieces"]!.AsArray().Single(p => (string)p!["piece"]!["name"]! == "Straight")!;
        return ((string)set["id"]!, (string)piece["id"]!, (double)piece["piece"]!["lengthMm"]!);
    }

    [Fact]
    public async Task A_board_is_kept_with_its_heights_and_a_second_window_is_told()
    {
        var (set, piece, length) = await SeaWallAsync();
        var address = $"/api/sets/{set}/board";
        var version = (int)(await host.GetAsync(address))["version"]!;
        var (a, b) = (Guid.NewGuid(), Guid.NewGuid());
        var board = Board([Copy(a, piece, 1, length / 2), Copy(b, piece, 2, length * 1.5, on: 12)]);
        var kept = await host.PutAsync(address, new { version, board });
        Assert.Equal(version + 1, (int)kept["version"]!);
        var answer = kept["answer"]!;
        var join = answer["joins"]!.AsArray().Single()!;
        Assert.Equal(("right", "left", 12.0, false), ((string)join["aSide"]!, (string)join["bSide"]!, (double)join["stepMm"]!, (bool)join["measured"]!));
        Assert.True((double)join["paintMm"]! > 0);
        double Height(JsonNode of, Guid copy) => (double)of["copies"]!.AsArray().Single(c => (string)c!["id"]! == copy.ToString())!["levels"]![0]!["points"]![0]!["markMm"]!;
        Assert.Equal((22.0, 10.0), (Height(answer, a), Height(answer, b)));
        Assert.Equal(31, answer["copies"]![0]!["levels"]![0]!["line"]!.AsArray().Count);

        // What was measured counts for more than how both were set up; so does the room between them.
        var measured = board.DeepClone().AsObject().With("joins", new JsonArray(new JsonObject { ["a"] = b.ToString(), ["aSide"] = "left", ["b"] = a.ToString(), ["bSide"] = "right", ["stepMm"] = -8, ["gapMm"] = 0.05 }));
        var told = await host.PutAsync(address, new { version = version + 1, board = measured });
        Assert.Equal((22.0, 14.0), (Height(told["answer"]!, a), Height(told["answer"]!, b)));
        var meeting = told["answer"]!["joins"]!.AsArray().Single()!;
        Assert.Equal((8.0, true), ((double)meeting["stepMm"]!, (bool)meeting["measured"]!));
        Assert.Equal((double)meeting["gapLeftMm"]!, 0.05 - (double)meeting["paintMm"]!, 1e-9);

        // On the bench they are told by the numbers of the copies.
        var zone = (string)(await host.ZoneAsync("Stone courses"))["id"]!;
        var lines = (await host.GetAsync($"/api/zones/{zone}/lines")).AsArray();
        Assert.Equal([1, 2], lines.Select(l => (int)l!["copy"]!));
        Assert.Equal(("Tide", 14.0), ((string)lines[1]!["lines"]![0]!["name"]!, (double)lines[1]!["lines"]![0]!["on"]!["points"]![0]!["markMm"]!));
        Assert.Empty((await host.GetAsync($"/api/zones/{(await host.ZoneAsync("Hull panels"))["id"]}/lines")).AsArray());
        await host.RefusesAsync(HttpMethod.Get, $"/api/zones/{Guid.NewGuid()}/lines", null, "id", HttpStatusCode.NotFound);

        await host.RefusesAsync(HttpMethod.Put, address, new { version, board }, "version", HttpStatusCode.Conflict);
        Assert.Equal(told["version"]!.ToString(), (await host.GetAsync(address))["version"]!.ToString());

        // The set is copied with its board, on the pieces of the copy.
        var copied = (await host.PostAsync($"/api/sets/{set}/copy", null, HttpStatusCode.Created))["id"]!;
        var other = await host.GetAsync($"/api/sets/{copied}/board");
        Assert.Equal(2, other["board"]!["copies"]!.AsArray().Count);
        Assert.NotEqual(piece, (string)other["board"]!["copies"]![0]!["pieceId"]!);
        Assert.Equal(14.0, Height(other["answer"]!, b));
        await host.DeleteAsync($"/api/sets/{copied}");
        await host.RefusesAsync(HttpMethod.Get, $"/api/sets/{copied}/board", null, "id", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_demos_quay_keeps_its_tide_over_ramp_and_plinth()
    {
        await using var fresh = new TestHost();
        var set = (await fresh.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == "Sea wall")!;
        var answer = (await fresh.GetAsync($"/api/sets/{set["id"]}/board"))["answer"]!;
        Assert.Empty(answer["faults"]!.AsArray());
        Assert.Equal([0, 0, 0, 12, 12, 0], answer["copies"]!.AsArray().Select(c => (double)c!["footMm"]!));
        var points = answer["copies"]![2]!["levels"]![0]!["points"]!.AsArray();
        Assert.Equal((22.0, 10.0), ((double)points[0]!["markMm"]!, (double)points[^1]!["markMm"]!));
    }

    [Fact]
    public async Task Copies_that_are_gone_are_told_and_come_back_with_their_piece()
    {
        var set = (string)(await host.PostAsync("/api/sets", new { name = "Quay" }, HttpStatusCode.Created))["id"]!;
        var wall = (string)(await host.PostAsync($"/api/sets/{set}/pieces", new { name = "Wall", substrate = "resin", shape = "wall", lengthMm = 100, widthMm = 10, heightMm = 50, copies = 3 }, HttpStatusCode.Created))["id"]!;
        var address = $"/api/sets/{set}/board";
        await host.PutAsync(address, new { version = 0, board = Board([Copy(Guid.NewGuid(), wall, 1, 50), Copy(Guid.NewGuid(), wall, 3, 150)]) });
        await host.DeleteAsync($"/api/pieces/{wall}");
        var without = await host.GetAsync(address);
        Assert.Equal((0, 2), (without["board"]!["copies"]!.AsArray().Count, (int)without["gone"]!));
        await host.SendAsync(HttpMethod.Post, $"/api/pieces/{wall}/restore", null, HttpStatusCode.NoContent);
        var again = await host.GetAsync(address);
        Assert.Equal((2, 0), (again["board"]!["copies"]!.AsArray().Count, (int)again["gone"]!));
    }

    [Fact]
    public async Task Loose_copies_go_by_the_classes_of_their_ends()
    {
        var (a, b, wall, step) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        object[] pieces = [new { id = wall, name = "Wall", lengthMm = 100, widthMm = 10, heightMm = 50, copies = 4 }, new { id = step, name = "Step", lengthMm = 100, widthMm = 10, heightMm = 60, copies = 2 }];
        var board = Board([Copy(a, wall.ToString(), 1, 50), Copy(b, step.ToString(), 1, 150, tilt: 5)]);
        JsonObject Class(Guid piece, string side, string name) => new() { ["pieceId"] = piece.ToString(), ["side"] = side, ["class"] = name };
        board["classes"] = new JsonArray(Class(wall, "left", "A"), Class(wall, "right", "A"), Class(step, "left", "A"), Class(step, "right", "B"));
        var answer = await host.PostAsync("/api/preview/board", new { pieces, board });
        Assert.Empty(answer["faults"]!.AsArray());
        Assert.Equal(["Wall, others", "Step, others"], answer["loose"]!.AsArray().Select(l => (string)l!["name"]!));
        Assert.Equal(22.0, (double)answer["loose"]![0]!["levels"]![0]!["points"]![2]!["markMm"]!);
        board["classes"]![3]!["class"] = "A";
        var conflict = (await host.PostAsync("/api/preview/board", new { pieces, board }))["faults"]!.AsArray();
        Assert.Contains(conflict, f => ((string)f!["what"]!).Contains("give them two classes", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_board_that_cannot_be_is_said_by_name()
    {
        var wall = Guid.NewGuid();
        object[] pieces = [new { id = wall, name = "Wall", lengthMm = 150, widthMm = 14, heightMm = 70, copies = 4 }];
        var (a, b) = (Guid.NewGuid(), Guid.NewGuid());
        async Task<string> Fault(JsonObject board, object? joins = null) => (string)(await host.PostAsync("/api/preview/board", new { pieces, board, joins }))["faults"]!.AsArray().Single()!["what"]!;
        Assert.Contains("stand 14 mm in each other", await Fault(Board([Copy(a, wall.ToString(), 1, 75), Copy(b, wall.ToString(), 2, 80)])), StringComparison.Ordinal);
        Assert.Contains("joined to something that is not on the board", await Fault(Board([Copy(a, wall.ToString(), 1, 75)]), new[] { new { a, aSide = "right", b, bSide = "left", stepMm = 0 } }), StringComparison.Ordinal);
        var high = await host.PostAsync("/api/preview/board", new { pieces, board = Board([Copy(a, wall.ToString(), 1, 75)], tideMm: 95) });
        Assert.Contains("No piece reaches 95 mm", (string)high["notes"]![0]!, StringComparison.Ordinal);
        Task Refused(JsonObject board, string field) => host.RefusesAsync(HttpMethod.Post, "/api/preview/board", new { pieces, board }, field);
        await Refused(Board([Copy(a, wall.ToString(), 5, 75)]), "board.copies[0].copy");
        await Refused(Board([Copy(a, wall.ToString(), 1, 75), Copy(b, wall.ToString(), 1, 300)]), "board.copies[1].copy");
        await Refused(Board([Copy(a, Guid.NewGuid().ToString(), 1, 75)]), "board.copies[0].pieceId");
        await Refused(Board([Copy(a, wall.ToString(), 1, 75, tilt: 31)]), "board.copies[0].tiltDeg");
        await Refused(Board([], tideMm: -1), "board.datums[0].heightMm");
    }

    [Fact]
    public async Task A_loop_whose_steps_do_not_close_is_to_be_measured_again()
    {
        var (wall, ids) = (Guid.NewGuid(), Enumerable.Range(0, 4).Select(_ => Guid.NewGuid()).ToArray());
        object[] pieces = [new { id = wall, name = "Wall", lengthMm = 150, widthMm = 14, heightMm = 70, copies = 4 }];
        var board = Board(ids.Select((id, i) => Copy(id, wall.ToString(), i + 1, 1000 * i)));
        object Join(int a, int b, double stepMm) => new { a = ids[a], aSide = "right", b = ids[b], bSide = "left", stepMm };
        async Task<JsonNode> Round(double miss) => await host.PostAsync("/api/preview/board", new { pieces, board, joins = new[] { Join(0, 1, 12), Join(1, 2, 0), Join(2, 3, -12 + miss), Join(3, 0, 0) } });
        var little = await Round(0.8);
        Assert.Empty(little["faults"]!.AsArray());
        Assert.All(little["joins"]!.AsArray(), j => Assert.Equal(0.2, Math.Abs((double)j!["missMm"]!), 1e-3));
        Assert.Contains("2.5 mm apart when you go round", (string)(await Round(2.5))["faults"]![0]!["what"]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Of_two_windows_that_keep_the_first_board_at_once_one_is_told()
    {
        var set = (string)(await host.PostAsync("/api/sets", new { name = "Two windows" }, HttpStatusCode.Created))["id"]!;
        var change = new { version = 0, board = Board([]) };
        var both = await Task.WhenAll(Enumerable.Range(0, 2).Select(_ => host.Http.PutAsJsonAsync($"/api/sets/{set}/board", change)));
        Assert.Equal([HttpStatusCode.OK, HttpStatusCode.Conflict], both.Select(r => r.StatusCode).Order());
        Assert.Equal(1, (int)(await host.GetAsync($"/api/sets/{set}/board"))["version"]!);
    }

    [Fact]
    public async Task A_free_shape_is_taken_for_a_rectangle_and_told_its_size_here()
    {
        var set = (string)(await host.PostAsync("/api/sets", new { name = "Round" }, HttpStatusCode.Created))["id"]!;
        var silo = (string)(await host.PostAsync($"/api/sets/{set}/pieces", new { name = "Silo", substrate = "resin", shape = "cylinder", lengthMm = 40, heightMm = 90, copies = 1 }, HttpStatusCode.Created))["id"]!;
        var rock = (string)(await host.PostAsync($"/api/sets/{set}/pieces", new { name = "Rock", substrate = "resin", shape = "free", freeAreaMm2 = 2500, copies = 1 }, HttpStatusCode.Created))["id"]!;
        var view = await host.GetAsync($"/api/sets/{set}/board");
        Assert.Equal([(40.0, 40.0, 90.0, true), (50, 50, 50, true)], view["pieces"]!.AsArray().Select(p => ((double)p!["lengthMm"]!, (double)p["widthMm"]!, (double)p["heightMm"]!, (bool)p["rectangle"]!)));
        var board = Board([Copy(Guid.NewGuid(), silo, 1, 20), Copy(Guid.NewGuid(), rock, 1, 100)], tideMm: 55);
        board["pieces"] = new JsonArray(new JsonObject { ["pieceId"] = rock, ["heightMm"] = 60, ["parts"] = new JsonArray(new JsonObject { ["name"] = "Lid", ["moves"] = "lifts", ["fromMm"] = 10, ["toMm"] = 30, ["aboveMm"] = 40, ["heightMm"] = 20 }) });
        var kept = await host.PutAsync($"/api/sets/{set}/board", new { version = 0, board });
        var level = kept["answer"]!["copies"]![1]!["levels"]![0]!;
        Assert.Equal("over", (string)level["state"]!);
        Assert.Equal(("Lid", 15.0, 0.6), ((string)level["parts"]![0]!["name"]!, (double)level["parts"]![0]!["leftMm"]!, (double)level["parts"]![0]!["hiddenShare"]!));
        board["pieces"]![0]!["parts"]![0]!["toMm"] = 5;
        await host.RefusesAsync(HttpMethod.Put, $"/api/sets/{set}/board", new { version = 1, board }, "board.pieces[0].parts[0].toMm");
    }
}
