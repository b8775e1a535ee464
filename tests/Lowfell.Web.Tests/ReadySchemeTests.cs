using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Schemes told by roles over the API: kept of one's own, given to others, put on a zone.</summary>
public sealed class ReadySchemeTests(TestHost host) : IClassFixture<TestHost>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    private async Task<HttpResponseMessage> SendFileAsync(string text) => await host.Http.PostAsync("/api/ready/file", new StringContent(text, Encoding.UTF8, "application/lowfell-scheme+json"), Cancel);

    private async Task<string> RefusalAsync(string text)
    {
        using var answer = await SendFileAsync(text);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        return string.Join(" ", JsonNode.Parse(await answer.Content.ReadAsStringAsync(Cancel))!["errors"]!.AsObject().SelectMany(e => e.Value!.AsArray()).Select(e => (string)e!));
    }

    [Fact]
    public async Task A_scheme_of_ones_own_is_kept_offered_given_away_and_taken_again()
    {
        var zone = await host.ZoneAsync("Hull panels");
        var kept = await host.PostAsync("/api/ready", new { zoneId = (string)zone["id"]!, name = "Crawler green" }, HttpStatusCode.Created);
        var own = (await host.GetAsync("/api/ready")).AsArray()[0]!;
        Assert.Equal(("Crawler green", (string)kept["id"]!), ((string)own["name"]!, (string)own["id"]!));
        Assert.Equal("vehicle", (string)own["suits"]![0]!);
        Assert.True((double)own["deltaE"]! < 3, $"{own["deltaE"]}");

        var file = await host.Http.GetStringAsync($"/api/ready/{kept["id"]}/scheme.json", Cancel);
        Assert.Equal(("lowfell-scheme", 1), ((string)JsonNode.Parse(file)!["format"]!, (int)JsonNode.Parse(file)!["version"]!));
        using (var twice = await SendFileAsync(file))
        {
            Assert.Equal(HttpStatusCode.Conflict, twice.StatusCode);
        }

        await host.DeleteAsync($"/api/ready/{kept["id"]}");
        using var again = await SendFileAsync(file);
        Assert.Equal(HttpStatusCode.Created, again.StatusCode);
        var id = (string)JsonNode.Parse(await again.Content.ReadAsStringAsync(Cancel))!["id"]!;
        Assert.Equal(file, await host.Http.GetStringAsync($"/api/ready/{id}/scheme.json", Cancel));
        await host.DeleteAsync($"/api/ready/{id}");
    }

    [Fact]
    public async Task A_file_that_cannot_be_taken_says_where_and_what_to_do()
    {
        const string Look = "\"look\":{\"recess\":\"#000000\",\"face\":\"#111111\",\"edge\":\"#222222\"}";
        string File(string coats, string version = "1", string more = "") => $"{{\"format\":\"lowfell-scheme\",\"version\":{version},\"name\":\"Theirs\",{Look},\"coats\":{coats}{more}}}";
        Assert.Contains("in version 1: this one is of version 7", await RefusalAsync(File("[]", "7")), StringComparison.Ordinal);
        Assert.Contains("Choose the file of a scheme", await RefusalAsync("[1,2]"), StringComparison.Ordinal);
        Assert.Contains("line 1", await RefusalAsync("no json"), StringComparison.Ordinal);
        Assert.Contains("'coats[0].role'", await RefusalAsync(File("[{\"role\":\"sparkle\"}]")), StringComparison.Ordinal);
        Assert.Contains("'surprise'", await RefusalAsync(File("[{\"role\":\"base\"}]", more: ",\"surprise\":1")), StringComparison.Ordinal);
        Assert.NotEqual("", await RefusalAsync(File("[]")));
        Assert.NotEqual("", await RefusalAsync(File("[{\"role\":\"base\",\"passes\":900}]")));
        Assert.NotEqual("", await RefusalAsync(File("[{\"role\":\"base\",\"colour\":\"blue\"}]")));
        Assert.NotEqual("", await RefusalAsync(File("null")));
        Assert.Contains("longer than", await RefusalAsync(new string(' ', 200_001)), StringComparison.Ordinal);
        Assert.DoesNotContain((await host.GetAsync("/api/ready")).AsArray(), r => (string)r!["name"]! == "Theirs");
    }

    [Fact]
    public async Task Roles_that_nothing_fills_are_told_and_bought()
    {
        const string Scheme = "{\"format\":\"lowfell-scheme\",\"version\":1,\"name\":\"Signal\",\"look\":{\"recess\":\"#000000\",\"face\":\"#00ff00\",\"edge\":\"#222222\"},\"coats\":[{\"role\":\"base\",\"colour\":\"#00ff00\"},{\"role\":\"other\",\"by\":\"tufts\",\"family\":\"cracklePaint\",\"colour\":\"#ffffff\"}]}";
        using var sent = await SendFileAsync(Scheme);
        Assert.Equal(HttpStatusCode.Created, sent.StatusCode);
        var own = (await host.GetAsync("/api/ready")).AsArray().Single(r => (string)r!["name"]! == "Signal")!;
        var roles = own["roles"]!.AsArray();
        Assert.Contains(roles, r => ((string)r!["said"]!).Contains("The nearest is", StringComparison.Ordinal) || ((string)r["said"]!).Contains("instead", StringComparison.Ordinal));
        Assert.Contains(roles, r => (string)r!["filling"]! == "leftOut" && ((string)r["said"]!).Contains("is left out", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_ready_scheme_takes_the_place_of_a_zones_coats_and_a_second_window_is_told()
    {
        var zone = await host.ZoneAsync("Cargo bed");
        var id = (string)zone["id"]!;
        var version = (int)zone["scheme"]!["version"]!;
        var looked = await host.PostAsync($"/api/zones/{id}/ready", new { scheme = "Pan iron", dryRun = true });
        Assert.Equal("Pan iron", (string)looked["zone"]!["scheme"]!);
        Assert.Equal(version, (int)(await host.ZoneAsync("Cargo bed"))["scheme"]!["version"]!);
        await host.PostAsync($"/api/zones/{id}/ready", new { scheme = "Pan iron", version });
        var taken = await host.ZoneAsync("Cargo bed");
        Assert.Equal(looked["zone"]!["roles"]!.AsArray().Count(r => (string)r!["coat"]! != ""), taken["scheme"]!["coats"]!.AsArray().Count);
        await host.SendAsync(HttpMethod.Post, $"/api/zones/{id}/ready", new { scheme = "Pan iron", version }, HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Post, $"/api/zones/{id}/ready", new { scheme = "Tartan", version }, "scheme");

        // What was on it before can be gone back to.
        Assert.NotEmpty((await host.GetAsync($"/api/schemes/{taken["scheme"]!["id"]}/versions")).AsArray());
    }

    [Fact]
    public async Task The_published_schema_tells_of_every_field()
    {
        var schema = JsonNode.Parse(await host.Http.GetStringAsync("/api/ready/schema.json", Cancel))!;
        Assert.Equal(["format", "version", "name", "about", "suits", "substrate", "relief", "finish", "look", "coats"], schema["properties"]!.AsObject().Select(p => p.Key));
        Assert.Contains("name", schema["required"]!.AsArray().Select(r => (string)r!));
        Assert.Contains("role", schema["properties"]!["coats"]!["items"]!["properties"]!.AsObject().Select(p => p.Key));
        Assert.Contains("pinWash", schema["properties"]!["coats"]!["items"]!["properties"]!["role"]!["enum"]!.AsArray().Select(r => (string)r!));
    }

    [Fact]
    public async Task Primers_of_the_shelf_are_ranked_and_a_coat_is_told_wet_and_dry()
    {
        var zone = await host.ZoneAsync("Hull panels");
        var (coats, drawn) = (zone["scheme"]!["coats"]!, zone["zone"]!);
        var primers = (await host.PostAsync("/api/preview/primers", new { zone = drawn, coats })).AsArray();
        Assert.True(primers.Count >= 3);
        Assert.Single(primers, p => (bool)p!["isNow"]!);
        Assert.All(primers, p => Assert.Equal(coats.AsArray().Count, p!["coats"]!.AsArray().Count));

        var laid = coats.AsArray().First(c => (string)c!["technique"]! == "baseCoat" || (string)c["technique"]! == "airbrush")!;
        var wet = await host.PostAsync("/api/preview/wet", new { zone = drawn, coats, coatId = (string)laid["id"]! });
        Assert.Equal(3, wet["wet"]!.AsArray().Count);
        Assert.NotEqual("", (string)wet["says"]!);
        Assert.Equal(wet.ToJsonString(), (await host.GetAsync($"/api/zones/{zone["id"]}/coats/{laid["id"]}/wet")).ToJsonString());
        await host.SendAsync(HttpMethod.Get, $"/api/zones/{zone["id"]}/coats/{Guid.NewGuid()}/wet", null, HttpStatusCode.NotFound);
        var factor = await host.PostAsync("/api/preview/wet-scatter", new { material = new { name = "Milk", family = "acrylicWash", colour = "#8d7a58" }, wetOverBlack = "#9a9690" });
        Assert.True((double)factor["wetScatter"]! > 1);
    }
}
