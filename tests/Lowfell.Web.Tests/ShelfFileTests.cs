using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class ShelfFileTests(TestHost host) : IClassFixture<TestHost>
{
    private const string Header = "name,family,colour,house,left_ml,bottle_ml,lot\n";

    private async Task<(HttpStatusCode Status, JsonNode Body)> SendAsync(string path, byte[] file)
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new("text/csv");
        using var answer = await host.Http.PostAsync(path, content);
        var text = await answer.Content.ReadAsStringAsync();
        return (answer.StatusCode, text.Length == 0 ? new JsonObject() : JsonNode.Parse(text)!);
    }

    private Task<(HttpStatusCode Status, JsonNode Body)> SendAsync(string path, string file) => SendAsync(path, Encoding.UTF8.GetBytes(file));

    private async Task<int> CountAsync() => (await host.GetAsync("/api/materials")).AsArray().Count;

    [Fact]
    public async Task A_dry_run_tells_every_row_and_keeps_nothing()
    {
        var before = await CountAsync();
        var (status, rows) = await SendAsync("/api/shelf/check", Header
            + "Shingle Grey,acrylicPaint,#8a8a86,Tarnside,12,17,A1\n"
            + "Shingle Grey,acrylicPaint,#8a8a86,Tarnside,17,17,A2\n"
            + "Rope Tan,acrylicPaint,#b59a6b,Tarnside,,,\n"
            + "Bad Colour,acrylicPaint,grey,Tarnside,,,\n"
            + "Bad Family,porridge,#112233,Tarnside,,,\n"
            + "Bad Stock,acrylicPaint,#112233,Tarnside,-4,17,\n"
            + "Shingle Grey,acrylicPaint,#8a8a86,Tarnside,5,17,A3\n");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(["new", "bottle", "duplicate", "refused", "refused", "refused", "refused"], rows.AsArray().Select(r => (string)r!["verdict"]!));
        Assert.Equal([2, 3, 4, 5, 6, 7, 8], rows.AsArray().Select(r => (int)r!["line"]!));
        Assert.Contains("#rrggbb", (string)rows[3]!["faults"]!["colour"]!, StringComparison.Ordinal);
        Assert.Contains("acrylicWash", (string)rows[4]!["faults"]!["family"]!, StringComparison.Ordinal);
        Assert.Contains("-4", (string)rows[5]!["faults"]!["left_ml"]!, StringComparison.Ordinal);
        Assert.Contains("further up", (string)rows[6]!["faults"]!["name"]!, StringComparison.Ordinal);
        Assert.Equal(before, await CountAsync());
    }

    [Fact]
    public async Task Duplicates_are_skipped_updated_or_renamed_as_asked()
    {
        await SendAsync("/api/shelf/import", Header + "Quay Blue,acrylicPaint,#33506b,Tarnside,10,17,Q1\n");
        var file = Header + "Quay Blue,acrylicPaint,#44607b,Tarnside,6,17,Q2\n";
        var (_, skipped) = await SendAsync("/api/shelf/import", file);
        Assert.Equal((0, 1), ((int)skipped["added"]!, (int)skipped["skipped"]!));
        Assert.Equal("#33506b", (string)(await host.MaterialAsync("Quay Blue"))["material"]!["colour"]!);
        await SendAsync("/api/shelf/import?duplicates=rename", file);
        Assert.Equal("#44607b", (string)(await host.MaterialAsync("Quay Blue 2"))["material"]!["colour"]!);
        var (_, updated) = await SendAsync("/api/shelf/import?duplicates=update", file);
        Assert.Equal(1, (int)updated["updated"]!);
        var blue = await host.MaterialAsync("Quay Blue");
        Assert.Equal(("#44607b", 6.0), ((string)blue["material"]!["colour"]!, (double)blue["stock"]!["leftMl"]!));
    }

    [Fact]
    public async Task No_two_names_of_a_long_file_are_taken_for_one()
    {
        var file = new StringBuilder("name,family,colour\n");
        for (var i = 0; i < 50_000; i++)
        {
            file.Append($"Shingle {i},acrylicPaint,#8a8a86\n");
        }

        var (_, rows) = await SendAsync("/api/shelf/check", file.ToString());
        Assert.Equal(50_000, rows.AsArray().Count(r => (string)r!["verdict"]! == "new"));
    }

    [Fact]
    public async Task What_has_too_many_rows_or_columns_is_told_before_any_of_it_is_worked_on()
    {
        var rows = "name,family,colour\n" + string.Concat(Enumerable.Repeat("Shingle,acrylicPaint,#8a8a86\n", 50_001));
        foreach (var path in new[] { "/api/shelf/check", "/api/shelf/import" })
        {
            var (many, said) = await SendAsync(path, rows);
            Assert.Equal((HttpStatusCode.BadRequest, "Bring it in in parts: 50001 rows are too many, 50000 are the most at once."), (many, (string)said["errors"]!["file"]![0]!));
            var (wide, told) = await SendAsync(path, "name,family,colour" + new string(',', 1_000_000));
            Assert.Equal((HttpStatusCode.BadRequest, "Take columns out: line 1 has more than 200."), (wide, (string)told["errors"]!["file"]![0]!));
            var (second, line) = await SendAsync(path, "name,family,colour\nSlate,acrylicPaint,#8a8a86" + new string(',', 400));
            Assert.Equal((HttpStatusCode.BadRequest, "Take columns out: line 2 has more than 200."), (second, (string)line["errors"]!["file"]![0]!));
        }

        // A name may hold as many commas and line breaks as it likes, where it is quoted or another sign parts the cells.
        var (_, quoted) = await SendAsync("/api/shelf/check", "name,family,colour\n\"Slate" + new string(',', 90) + "\",acrylicPaint,#8a8a86\n");
        Assert.Equal("new", (string)Assert.Single(quoted.AsArray())!["verdict"]!);
    }

    [Fact]
    public async Task Names_that_differ_in_capitals_alone_go_out_and_come_in_again()
    {
        string[] ids = [(string)(await host.PostAsync("/api/materials", Drafts.Material("Jetty Red"), HttpStatusCode.Created))["id"]!, (string)(await host.PostAsync("/api/materials", Drafts.Material("JETTY red"), HttpStatusCode.Created))["id"]!];
        var (status, done) = await SendAsync("/api/shelf/import", Header + "jetty red,acrylicPaint,#8a3a2a,,,,\n");
        Assert.Equal((HttpStatusCode.OK, 1), (status, (int)done["skipped"]!));

        // Both go out, and come in again each for itself.
        var file = await host.Http.GetStringAsync("/api/shelf/shelf.csv");
        Assert.Contains("Jetty Red", file, StringComparison.Ordinal);
        Assert.Contains("JETTY red", file, StringComparison.Ordinal);
        var count = await CountAsync();
        var (again, all) = await SendAsync("/api/shelf/import?duplicates=update", file.Replace("JETTY red,,acrylicPaint,#b59a6b", "JETTY red,,acrylicPaint,#7a1f1f", StringComparison.Ordinal));
        Assert.Equal((HttpStatusCode.OK, 0, count), (again, (int)all["added"]!, await CountAsync()));
        Assert.Equal("#7a1f1f", (string)(await host.MaterialAsync("JETTY red"))["material"]!["colour"]!);
        Assert.Equal("#b59a6b", (string)(await host.MaterialAsync("Jetty Red"))["material"]!["colour"]!);
        foreach (var id in ids)
        {
            await host.DeleteAsync($"/api/materials/{id}");
        }
    }

    [Fact]
    public async Task An_unknown_way_with_duplicates_is_refused()
    {
        var (status, problem) = await SendAsync("/api/shelf/import?duplicates=burn", Header);
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.Contains("rename", (string)problem["errors"]!["duplicates"]![0]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_fault_keeps_everything_out_unless_it_is_left_out()
    {
        var before = await CountAsync();
        var file = Header + "Half One,acrylicPaint,#8a8a86,,,,\nHalf Two,acrylicPaint,mud,,,,\nHalf Three,acrylicPaint,#8a8a80,,,,\n";
        var (status, problem) = await SendAsync("/api/shelf/import", file);
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.Contains("line 3, colour", problem["errors"]!.AsObject().Select(e => e.Key));
        Assert.Equal(before, await CountAsync());
        var (_, done) = await SendAsync("/api/shelf/import?leaveOut=true", file);
        Assert.Equal((2, 1), ((int)done["added"]!, (int)done["refused"]!));
        Assert.Equal(before + 2, await CountAsync());
    }

    public static TheoryData<string, byte[], string> Hostile => new()
    {
        { "empty", [], "empty" },
        { "no header", Encoding.UTF8.GetBytes("Rope Tan,acrylicPaint,#b59a6b\n"), "missing from the header" },
        { "unknown column", Encoding.UTF8.GetBytes("name,family,colour,prize\n"), "Unknown columns: prize" },
        { "latin1", [.. Encoding.UTF8.GetBytes(Header), 0x4d, 0xf6, 0x76, 0x65, 0x2c, 0x0a], "Save it as UTF-8" },
        { "a field without end", Encoding.UTF8.GetBytes(Header + "\"" + new string('x', 5000)), "longer than" },
    };

    [Theory]
    [MemberData(nameof(Hostile))]
    public async Task A_file_that_is_no_shelf_is_refused_in_words(string what, byte[] file, string words)
    {
        var before = await CountAsync();
        var (status, problem) = await SendAsync("/api/shelf/import?leaveOut=true", file);
        Assert.True(status == HttpStatusCode.BadRequest, what);
        Assert.Contains(words, (string)problem["errors"]!["file"]![0]!, StringComparison.Ordinal);
        Assert.Equal(before, await CountAsync());
    }

    [Fact]
    public async Task Too_large_a_file_is_refused_as_too_large()
    {
        var (status, _) = await SendAsync("/api/shelf/import", new byte[(32 << 20) + 1]);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, status);
    }

    [Fact]
    public async Task The_shelf_goes_out_and_comes_in_again_as_it_was()
    {
        await host.PostAsync("/api/materials", Drafts.Material("=SUM(A1:A9)").With("house", "+cmd"), HttpStatusCode.Created);
        await host.PostAsync("/api/materials", Drafts.Material("Comma, \"quoted\" and ünïcode"), HttpStatusCode.Created);
        var file = await host.Http.GetStringAsync("/api/shelf/shelf.csv", TestContext.Current.CancellationToken);
        Assert.Contains("'=SUM(A1:A9)", file, StringComparison.Ordinal);
        Assert.DoesNotContain("\n=SUM", file, StringComparison.Ordinal);
        var before = Facts(await host.GetAsync("/api/materials"));
        var (_, rows) = await SendAsync("/api/shelf/check", file);
        Assert.All(rows.AsArray(), r => Assert.Contains((string)r!["verdict"]!, new[] { "duplicate", "bottle" }));
        var (status, done) = await SendAsync("/api/shelf/import?duplicates=update", file);
        Assert.True(status == HttpStatusCode.OK, done.ToJsonString());
        Assert.Equal(before, Facts(await host.GetAsync("/api/materials")));
    }

    private static List<string> Facts(JsonNode shelf) => [.. shelf.AsArray().Select(m =>
        m!["material"]!.ToJsonString() + string.Join(";", m["stock"]!["bottles"]!.AsArray().Select(b => b!["bottle"]!.ToJsonString()).Order()))];

    [Fact]
    public async Task The_palette_reads_back_as_the_swatches()
    {
        var text = await host.Http.GetStringAsync("/api/shelf/shelf.gpl", TestContext.Current.CancellationToken);
        var lines = text.Split('\n', StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal(["GIMP Palette", "Name: Lowfell shelf", "Columns: 8", "#"], lines[..4]);
        var read = lines[4..].Select(l => l.Split('\t')).ToDictionary(p => p[1], p => "#" + string.Concat(p[0].Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(v => int.Parse(v).ToString("x2"))));
        var swatches = (await host.GetAsync("/api/materials")).AsArray().Where(m => !Enum.Parse<Family>((string)m!["material"]!["family"]!, ignoreCase: true).Facts().Clear).ToDictionary(m => (string)m!["material"]!["name"]!, m => (string)m!["material"]!["colour"]!);
        Assert.Equal(swatches.OrderBy(s => s.Key), read.OrderBy(r => r.Key));
    }
}
