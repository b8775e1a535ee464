using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class SchemeTests(TestHost host) : IClassFixture<TestHost>
{
    [Fact]
    public async Task A_stack_is_kept_whole_and_comes_back_as_it_was()
    {
        var scheme = (await host.ZoneAsync("Rim"))["scheme"]!;
        var coats = (JsonArray)scheme["coats"]!.DeepClone();
        var tan = await host.MaterialAsync("Rope Tan");
        coats.Insert(1, new JsonObject
        {
            ["id"] = Guid.NewGuid().ToString(),
            ["technique"] = "dryBrush",
            ["materialId"] = (string)tan["id"]!,
            ["mixedTo"] = "#aa9966",
            ["passes"] = 2,
            ["paintFraction"] = 0.9,
            ["dilutionForm"] = "thinnerAdded",
            ["thinner"] = "acrylicMedium",
            ["hand"] = 1.25,
            ["deposit"] = JsonNode.Parse("{\"wetFilmUm\":[1,2,30],\"coverage\":[0,0.1,0.9]}"),
            ["hurried"] = true,
            ["optional"] = true,
            ["skipped"] = true,
            ["whileWet"] = false,
            ["wait"] = "cured",
            ["waitMinutes"] = 95,
            ["marks"] = JsonNode.Parse("{\"count\":12,\"widthMm\":0.4,\"lengthMm\":6}"),
            ["fade"] = JsonNode.Parse("{\"fullMm\":4,\"noneMm\":18}"),
            ["known"] = JsonNode.Parse("[{\"rule\":\"over-thinned\",\"aspect\":\"\",\"reason\":\"Tried on a scrap.\",\"mark\":\"0123456789abcdef\"}]"),
            ["note"] = "Numbers last.",
        });
        var answer = await host.PutAsync($"/api/schemes/{scheme["id"]}/stack", new { version = (int)scheme["version"]!, coats });
        Assert.Equal((int)scheme["version"]! + 1, (int)answer["version"]!);
        var kept = await host.GetAsync($"/api/schemes/{scheme["id"]}");
        Assert.Equal((int)answer["version"]!, (int)kept["version"]!);
        Assert.True(JsonNode.DeepEquals(coats[1], kept["coats"]![1]), kept["coats"]![1]!.ToJsonString());
        Assert.Single(kept["uses"]!.AsArray());

        (coats[0], coats[2]) = (coats[2]!.DeepClone(), coats[0]!.DeepClone());
        coats.RemoveAt(1);
        await host.PutAsync($"/api/schemes/{scheme["id"]}/stack", new { version = (int)kept["version"]!, coats });
        var again = await host.GetAsync($"/api/schemes/{scheme["id"]}");
        Assert.Equal(coats.Select(c => (string)c!["id"]!), again["coats"]!.AsArray().Select(c => (string)c!["id"]!));
    }

    [Fact]
    public async Task A_stale_stack_gets_409_with_the_one_that_is_kept()
    {
        var scheme = (await host.ZoneAsync("Straps"))["scheme"]!;
        var url = $"/api/schemes/{scheme["id"]}/stack";
        var shorter = new JsonArray(scheme["coats"]!.AsArray().Skip(1).Select(c => c!.DeepClone()).ToArray());
        await host.PutAsync(url, new { version = (int)scheme["version"]!, coats = shorter });
        var conflict = await host.PutAsync(url, new { version = (int)scheme["version"]!, coats = scheme["coats"] }, HttpStatusCode.Conflict);
        Assert.Equal(shorter.Count, conflict["current"]!["coats"]!.AsArray().Count);
        Assert.Equal((int)scheme["version"]! + 1, (int)conflict["current"]!["version"]!);
    }

    [Fact]
    public async Task Of_many_windows_at_once_just_one_wins()
    {
        var scheme = (await host.ZoneAsync("Brine"))["scheme"]!;
        var answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(i => host.Http.PutAsync(
            $"/api/schemes/{scheme["id"]}/stack",
            System.Net.Http.Json.JsonContent.Create(new { version = (int)scheme["version"]!, coats = new JsonArray(((JsonObject)scheme["coats"]![0]!.DeepClone()).With("note", $"window {i}")) }))));
        Assert.Equal(1, answers.Count(a => a.StatusCode == HttpStatusCode.OK));
        Assert.Equal(7, answers.Count(a => a.StatusCode == HttpStatusCode.Conflict));
    }

    [Fact]
    public async Task A_faulty_stack_is_refused_and_the_old_one_stays()
    {
        var scheme = (await host.ZoneAsync("Pan iron"))["scheme"]!;
        var url = $"/api/schemes/{scheme["id"]}/stack";
        async Task RefusesAsync(string path, JsonNode? value, string field)
        {
            var coats = scheme["coats"]!.DeepClone().With(path, value);
            await host.RefusesAsync(HttpMethod.Put, url, new { version = (int)scheme["version"]!, coats }, field);
        }

        await RefusesAsync("0.paintFraction", -1, "coats[0].paintFraction");
        await RefusesAsync("0.passes", 99, "coats[0].passes");
        await RefusesAsync("0", null, "coats[0]");
        await RefusesAsync("0.materialId", Guid.NewGuid().ToString(), "coats[0].materialId");
        await RefusesAsync("0.material", Drafts.Material(), "coats[0].material");
        await RefusesAsync("0.note", new string('n', 10_000), "coats[0].note");
        var kept = await host.GetAsync($"/api/schemes/{scheme["id"]}");
        Assert.True(JsonNode.DeepEquals(scheme["coats"], kept["coats"]));
        Assert.Equal((int)scheme["version"]!, (int)kept["version"]!);
        await host.RefusesAsync(HttpMethod.Put, $"/api/schemes/{Guid.NewGuid()}/stack", new { version = 1, coats = Array.Empty<int>() }, "id", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_scheme_is_renamed_and_a_zone_parts_from_it()
    {
        var page = await host.ZoneAsync("Walkway");
        var scheme = page["scheme"]!;
        var uses = scheme["uses"]!.AsArray().Count;
        Assert.True(uses > 1);
        await host.PutAsync($"/api/schemes/{scheme["id"]}/name", new { name = "Walkway, all sets", version = (int)scheme["version"]! });
        var copy = await host.PostAsync($"/api/schemes/{scheme["id"]}/copy", new { name = "One walkway", zoneId = (string)page["id"]! }, HttpStatusCode.Created);
        Assert.Single(copy["uses"]!.AsArray());
        Assert.Equal(uses - 1, (await host.GetAsync($"/api/schemes/{scheme["id"]}"))["uses"]!.AsArray().Count);
        Assert.Equal((string)copy["id"]!, (string)(await host.GetAsync($"/api/zones/{page["id"]}"))["scheme"]!["id"]!);
        Assert.Contains((await host.GetAsync("/api/schemes")).AsArray(), s => (string)s!["name"]! == "Walkway, all sets");
        await host.RefusesAsync(HttpMethod.Put, $"/api/schemes/{scheme["id"]}/name", new { name = "", version = 1 }, "name");
        await host.RefusesAsync(HttpMethod.Post, $"/api/schemes/{scheme["id"]}/copy", new { name = "x", zoneId = Guid.NewGuid() }, "zoneId", HttpStatusCode.NotFound);
    }
}
