using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;
using Lowfell.Web.Api;
using Lowfell.Web.Features.Stack;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class PreviewTests(TestHost host) : IClassFixture<TestHost>
{
    private static JsonObject WashOnTan() => Drafts.Stack(
        Drafts.Coat("baseCoat", Drafts.Material(), 0.75, 3),
        Drafts.Coat("wash", Drafts.Material("Kelp Wash", "acrylicWash", "#3b2a1c", 0.6, 0.12, "satin").With("undertonePower", 0.5)));

    [Fact]
    public async Task A_stack_of_inline_materials_is_predicted_and_read()
    {
        var answer = await host.PostAsync("/api/preview/stack", WashOnTan());
        var wash = answer["strata"]![1]!;
        Assert.InRange((double)wash["recess"]!["deBelow"]!, 25, 35);
        Assert.Matches("^#[0-9a-f]{6}$", (string)wash["face"]!["hex"]!);
        Assert.Equal(3, wash["edge"]!["lab"]!.AsArray().Count);
        Assert.True((double)wash["recess"]!["filmUm"]! > 0);
        var heavy = answer["findings"]!.AsArray().Single(f => (string)f!["rule"]! == "heavy-wash")!;
        Assert.Equal("note", (string)heavy["severity"]!);
    }

    [Fact]
    public async Task The_dilution_is_told_three_ways_with_drops()
    {
        var answer = await host.PostAsync("/api/preview/stack", Drafts.Stack(Drafts.Coat("baseCoat", Drafts.Material(), 0.75)));
        var mix = answer["strata"]![0]!["mix"]!;
        Assert.Equal((3, 1), ((double)mix["paintParts"]!, (double)mix["thinnerParts"]!));
        Assert.Equal(25, (double)mix["thinnerOfWhole"]!);
        Assert.Equal(33.3, (double)mix["thinnerAdded"]!);

        // Water drops are 1.4 times a paint drop: 4 + 1 truly make 74 %.
        Assert.Equal((4, 1), ((int)mix["paintDrops"]!, (int)mix["thinnerDrops"]!));
        Assert.Equal(0.741, (double)mix["truePaintFraction"]!, 3);
    }

    [Fact]
    public async Task A_cold_damp_room_dries_slower_and_the_cleanup_window_is_told()
    {
        var draft = Drafts.Stack(Drafts.Coat("baseCoat", Drafts.Material()), Drafts.Coat("pinWash", Drafts.Material("Tar Wash", "enamelWash", "#2a211b", 0.6, 0.12, "satin")));
        var usual = (await host.PostAsync("/api/preview/stack", draft))["strata"]!;
        var cold = (await host.PostAsync("/api/preview/stack", ((JsonObject)draft.DeepClone()).With("zone.air", JsonNode.Parse("""{"temperatureC":12,"humidity":0.75}"""))))["strata"]!;
        Assert.Equal(usual[0]!["face"]!.ToJsonString(), cold[0]!["face"]!.ToJsonString());
        Assert.InRange((double)cold[0]!["recoatMin"]! / (double)usual[0]!["recoatMin"]!, 3, 3.8);
        Assert.True((double)usual[0]!["touchMin"]! < (double)usual[0]!["recoatMin"]!);
        Assert.Equal((10, 180), ((double)usual[1]!["workFromMin"]!, (double)usual[1]!["workToMin"]!));
        Assert.Null(usual[0]!["workToMin"]);
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/stack", ((JsonObject)draft.DeepClone()).With("zone.air", JsonNode.Parse("""{"temperatureC":12,"humidity":1.5}""")), "zone.air.humidity");
    }

    [Fact]
    public async Task The_mends_of_a_finding_are_ranked_with_what_they_cost()
    {
        var draft = WashOnTan();
        var request = (JsonObject)draft.DeepClone();
        request["rule"] = "heavy-wash";
        request["coatId"] = draft["coats"]![1]!["id"]!.DeepClone();
        var mends = (await host.PostAsync("/api/preview/mends", request))["mends"]!.AsArray();
        Assert.NotEmpty(mends);
        Assert.All(mends, m => Assert.True((int)m!["after"]!["notes"]! <= 1 && (int)m["after"]!["stops"]! == 0));
        var split = mends.Single(m => (string)m!["id"]! == "split")!;
        Assert.Equal("thinnedWash", (string)split["coats"]![1]!["technique"]!);
        Assert.Equal("Kelp Wash", (string)split["coats"]![1]!["material"]!["name"]!);
        Assert.True((double)split["added"]!["waitHours"]! > 0);

        var mended = Drafts.Stack([.. split["coats"]!.AsArray().Select(c => (JsonObject)c!.DeepClone())]);
        Assert.DoesNotContain((await host.PostAsync("/api/preview/stack", mended))["findings"]!.AsArray(), f => (string)f!["rule"]! == "heavy-wash");
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/mends", ((JsonObject)request.DeepClone()).With("rule", "no-such-rule"), "rule");
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/mends", ((JsonObject)request.DeepClone()).With("rule", "foam-solvent"), "rule", HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task Help_solves_for_the_base_and_finds_the_nearest_on_the_shelf()
    {
        var zone = await host.ZoneAsync("Skim walls");
        var coats = zone["scheme"]!["coats"]!;
        var bone = coats.AsArray().First(c => (string)c!["technique"]! == "baseCoat")!;
        var answer = await host.PostAsync("/api/preview/help", new JsonObject { ["zone"] = zone["zone"]!.DeepClone(), ["coats"] = coats.DeepClone(), ["coatId"] = bone["id"]!.DeepClone() });
        Assert.Equal(3, answer["nearest"]!.AsArray().Count);
        Assert.True((bool)answer["reachable"]!);
        Assert.InRange((double)answer["baseLeft"]!, 0, 1);
        Assert.All(answer["passesToCover"]!.AsArray(), p => Assert.InRange((int)p!, 1, 13));
    }

    [Fact]
    public async Task Solvents_come_with_their_cautions()
    {
        var enamel = Drafts.Coat("pinWash", Drafts.Material("Tar Wash", "enamelWash", "#2a211b", 0.6, 0.12, "satin"), 0.7).With("thinner", "whiteSpirit");
        var answer = await host.PostAsync("/api/preview/stack", Drafts.Stack(Drafts.Coat("airbrush", Drafts.Material(), 0.5), enamel));
        Assert.Contains(answer["strata"]![0]!["cautions"]!.AsArray(), c => (string)c!["hazard"]! == "airbrushMist");
        Assert.Contains(answer["strata"]![1]!["cautions"]!.AsArray(), c => (string)c!["hazard"]! == "solventVapour");
        Assert.Contains("safety data sheet", (string)answer["cautionNote"]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_swatch_hides_more_with_each_pass()
    {
        var answer = await host.PostAsync("/api/preview/swatch", Drafts.Material("Buoy Yellow", colour: "#f0c020", contrast: 0.72));
        Assert.Equal(3, answer["overBlack"]!.AsArray().Distinct().Count());
        Assert.Equal("water", (string)answer["facts"]!["thinners"]![0]!);
    }

    [Theory]
    [InlineData("zone.areaMm2", "-5", "zone.areaMm2")]
    [InlineData("zone.areaMm2", "1e12", "zone.areaMm2")]
    [InlineData("zone.copies", "0", "zone.copies")]
    [InlineData("zone.smallestDetailMm", "0", "zone.smallestDetailMm")]
    [InlineData("zone.target", "\"red\"", "zone.target")]
    [InlineData("zone.tolerance", "500", "zone.tolerance")]
    [InlineData("zone.relief", "\"fluffy\"", "zone.relief")]
    [InlineData("zone.substrate", "3", "zone.substrate")]
    [InlineData("coats.0.paintFraction", "0", "coats[0].paintFraction")]
    [InlineData("coats.0.paintFraction", "1.5", "coats[0].paintFraction")]
    [InlineData("coats.0.paintFraction", "\"half\"", "coats[0].paintFraction")]
    [InlineData("coats.0.passes", "0", "coats[0].passes")]
    [InlineData("coats.0.passes", "2.5", "coats[0].passes")]
    [InlineData("coats.0.hand", "9", "coats[0].hand")]
    [InlineData("coats.0.mixedTo", "\"#12\"", "coats[0].mixedTo")]
    [InlineData("coats.0.technique", "\"stamping\"", "coats[0].technique")]
    [InlineData("coats.0.material.contrastRatio", "2", "coats[0].material.contrastRatio")]
    [InlineData("coats.0.material.volumeSolids", "0", "coats[0].material.volumeSolids")]
    [InlineData("coats.0.material.colour", "\"#gggggg\"", "coats[0].material.colour")]
    [InlineData("coats.0.material.referenceFilmUm", "-1", "coats[0].material.referenceFilmUm")]
    [InlineData("coats.0.material.resistance", "[1,2,3]", "coats[0].material.resistance")]
    [InlineData("coats.0.deposit", "{\"wetFilmUm\":[1,2],\"coverage\":[1,1,1]}", "coats[0].deposit.wetFilmUm")]
    [InlineData("coats.0.deposit", "{\"wetFilmUm\":[1,2,-3],\"coverage\":[1,1,1]}", "coats[0].deposit.wetFilmUm")]
    [InlineData("coats.0.deposit", "{\"wetFilmUm\":[1,2,3],\"coverage\":[1,1,1.1]}", "coats[0].deposit.coverage")]
    [InlineData("coats.0.materialId", "\"00000000-0000-4000-8000-000000000000\"", "coats[0].materialId")]
    [InlineData("coats.0.material", "null", "coats[0].materialId")]
    [InlineData("coats.0.sparkle", "true", "coats[0]")]
    [InlineData("coats.0", "null", "coats[0]")]
    [InlineData("coats", "null", "coats")]
    [InlineData("coats", "\"many\"", "coats")]
    public async Task A_faulty_field_is_refused_by_its_name(string path, string json, string field)
    {
        var draft = WashOnTan().With(path, JsonNode.Parse(json));
        var problem = await host.PostAsync("/api/preview/stack", draft, HttpStatusCode.BadRequest);
        Assert.Contains(problem["errors"]!.AsObject(), e => e.Key.StartsWith(field, StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_name_of_ten_thousand_characters_is_refused() => await host.RefusesAsync(
        HttpMethod.Post, "/api/preview/stack", WashOnTan().With("coats.0.material.name", new string('x', 10_000)), "coats[0].material.name");

    [Fact]
    public async Task Ten_thousand_coats_are_refused()
    {
        var coats = new JsonArray([.. Enumerable.Range(0, 10_000).Select(_ => new JsonObject { ["id"] = Guid.NewGuid().ToString(), ["technique"] = "openChips" })]);
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/stack", new JsonObject { ["zone"] = new JsonObject(), ["coats"] = coats }, "coats");
    }

    [Fact]
    public async Task The_same_coat_twice_is_refused()
    {
        var draft = WashOnTan();
        draft["coats"]![1]!["id"] = draft["coats"]![0]!["id"]!.DeepClone();
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/stack", draft, "coats[1].id");
    }

    [Theory]
    [InlineData("{", HttpStatusCode.BadRequest)]
    [InlineData("[]", HttpStatusCode.BadRequest)]
    [InlineData("", HttpStatusCode.BadRequest)]
    [InlineData("null", HttpStatusCode.BadRequest)]
    public async Task Malformed_json_is_a_problem_not_a_failure(string body, HttpStatusCode expected)
    {
        var response = await host.Http.PostAsync("/api/preview/stack", new StringContent(body, Encoding.UTF8, "application/json"));
        Assert.Equal(expected, response.StatusCode);
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
    }

    [Fact]
    public async Task Another_media_type_is_refused()
    {
        var response = await host.Http.PostAsync("/api/preview/stack", new StringContent("zone=1", Encoding.UTF8, "application/x-www-form-urlencoded"));
        Assert.InRange((int)response.StatusCode, 400, 499);
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
    }

    [Fact]
    public async Task Every_stack_of_the_demo_reads_and_only_one_scheme_has_a_stop()
    {
        var sets = await host.GetAsync("/api/sets");
        var zones = sets.AsArray().SelectMany(s => s!["pieces"]!.AsArray()).SelectMany(p => p!["zones"]!.AsArray()).ToList();
        var wrong = zones.Where(z => (int)z!["findings"]!["stops"]! > 0).Select(z => (string)z!["schemeName"]!).Distinct();
        Assert.Equal(["Crawler hull"], wrong);
    }

    [Fact]
    public async Task What_is_written_straight_from_the_model_is_the_contract()
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web);
        ApiJson.Configure(options);
        options.RespectRequiredConstructorParameters = false;
        var shelf = await host.ShelfAsync();
        var sets = await host.GetAsync("/api/sets");
        var zones = sets.AsArray().SelectMany(s => s!["pieces"]!.AsArray()).SelectMany(p => p!["zones"]!.AsArray()).Select(z => (string)z!["id"]!).ToList();
        Assert.NotEmpty(zones);
        foreach (var id in zones)
        {
            var page = await host.GetAsync($"/api/zones/{id}");
            var zone = page["zone"].Deserialize<ZoneDraft>(options)!;
            foreach (var target in new[] { zone.Target, null, "#4a7fd0" })
            {
                var draft = StackReader.Read(zone with { Target = target }, page["scheme"]!["coats"].Deserialize<List<CoatDraft>>(options)!, null, shelf);
                var text = PreviewText.Json(draft);
                var contract = JsonSerializer.SerializeToNode(JsonSerializer.Deserialize<StackPreview>(text, options), options);
                Assert.True(JsonNode.DeepEquals(contract, JsonNode.Parse(text)), Encoding.UTF8.GetString(text));
            }
        }
    }

    [Fact]
    public void Numbers_and_words_are_written_as_they_are_read_back()
    {
        static byte[] Written(Action<JsonText> write)
        {
            var text = new JsonText();
            write(text);
            return text.Written.ToArray();
        }

        Gen.OneOf(Gen.Double, Gen.Double[-20, 20], Gen.Double[-3e6, 3e6], Gen.Int[-3000000, 3000000].Select(i => i / 1000.0), Gen.Int[-999, 999].Select(i => i / 100.0))
            .Where(double.IsFinite).Sample(value => Assert.Equal(value, JsonSerializer.Deserialize<double>(Written(t => t.Number(value)))));

        // A half of a surrogate pair cannot be written; it reads back as the replacement character on both sides.
        Gen.String.Sample(word => Assert.Equal(
            word.EnumerateRunes().Select(r => r.Value), JsonSerializer.Deserialize<string>(Written(t => t.Text(word)))!.EnumerateRunes().Select(r => r.Value)));
    }
}
