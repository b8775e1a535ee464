using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Lowfell.Store;
using Lowfell.Web.Benches;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class BenchTests(TestHost host) : IClassFixture<TestHost>
{
    [Fact]
    public async Task Health_is_ready_when_the_database_is_migrated() => Assert.Equal("ready", (string)(await host.GetAsync("/api/health"))["status"]!);

    [Fact]
    public async Task The_api_describes_itself()
    {
        var document = await host.GetAsync("/openapi/v1.json");
        Assert.NotNull(document["paths"]!["/api/preview/stack"]!["post"]);
        Assert.Equal("Lowfell", (string)document["info"]!["title"]!);
    }

    [Fact]
    public async Task Schools_are_kept_and_move_the_findings()
    {
        var bench = await host.GetAsync("/api/bench");
        var gloss = ((JsonObject)bench["schools"]!.DeepClone()).With("wash", "oneGenerous");
        Assert.Equal("oneGenerous", (string)(await host.PutAsync(await host.AsKeptAsync("/api/bench/schools"), gloss))["schools"]!["wash"]!);
        Assert.Equal("oneGenerous", (string)(await host.GetAsync("/api/bench"))["schools"]!["wash"]!);
        await host.PutAsync(await host.AsKeptAsync("/api/bench/schools"), bench["schools"]!);
        await host.RefusesAsync(HttpMethod.Put, await host.AsKeptAsync("/api/bench/schools"), gloss.With("pinWashVarnish", "velvet"), "pinWashVarnish");
    }

    [Fact]
    public async Task What_a_school_would_do_is_told_for_the_stacks_of_this_bench()
    {
        var varnish = await host.GetAsync("/api/bench/schools/finalVarnish/effects");
        var choices = varnish["choices"]!.AsArray().ToDictionary(c => (string)c!["value"]!, c => c!);
        Assert.Equal(0, (int)choices["whereHeld"]["stacks"]!);
        Assert.True((int)choices["none"]["coats"]! < 0, "without a final varnish some coats are not needed");
        Assert.True((double)choices["none"]["minutes"]! < 0);
        Assert.InRange((int)choices["none"]["stacks"]!, 1, (int)varnish["ofStacks"]!);

        var brush = await host.GetAsync("/api/bench/schools/dryBrush/effects");
        Assert.True((double)brush["choices"]![1]!["moved"]! > 0.5, "a clean brush moves the edges of the sea wall");
        await host.RefusesAsync(HttpMethod.Get, "/api/bench/schools/taste/effects", null, "id");
    }

    [Fact]
    public async Task An_unknown_address_of_the_api_is_a_problem_not_the_page()
    {
        var problem = await host.SendAsync(HttpMethod.Get, "/api/nothing", null, HttpStatusCode.NotFound);
        Assert.Equal(404, (int)problem["status"]!);
    }

    [Theory]
    [InlineData("lowfell.example")]
    [InlineData("192.168.1.20")]
    public async Task A_bench_opens_only_by_a_loopback_name(string name)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/sets");
        request.Headers.Host = name;
        Assert.Equal(HttpStatusCode.Unauthorized, (await host.Http.SendAsync(request)).StatusCode);
    }

    [Theory]
    [InlineData("localhost")]
    [InlineData("LOCALHOST")]
    [InlineData("LocalHost.")]
    [InlineData("127.0.0.1")]
    [InlineData("127.8.9.10")]
    [InlineData("[::1]")]
    public async Task This_machine_is_known_in_any_spelling(string name)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/sets");
        request.Headers.Host = name;
        Assert.Equal(HttpStatusCode.OK, (await host.Http.SendAsync(request)).StatusCode);
    }

    [Theory]
    [InlineData("X-Forwarded-For", "203.0.113.7")]
    [InlineData("x-forwarded-host", "lowfell.example")]
    [InlineData("X-Forwarded-Proto", "https")]
    [InlineData("X-Forwarded-Prefix", "/paint")]
    [InlineData("Forwarded", "for=203.0.113.7")]
    [InlineData("Via", "1.1 gate")]
    [InlineData("X-Real-IP", "203.0.113.7")]
    [InlineData("X-Forwarded-For", "127.0.0.1")]
    public async Task What_a_proxy_passes_on_is_not_taken_for_local(string header, string value)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/sets");
        request.Headers.TryAddWithoutValidation(header, value);
        Assert.Equal(HttpStatusCode.Unauthorized, (await host.Http.SendAsync(request)).StatusCode);
    }

    [Theory]
    [InlineData("Sec-Fetch-Site", "cross-site", false)]
    [InlineData("Sec-Fetch-Site", "same-site", false)]
    [InlineData("Sec-Fetch-Site", "same-origin", true)]
    [InlineData("Sec-Fetch-Site", "none", true)]
    [InlineData("Origin", "https://elsewhere.example", false)]
    [InlineData("Origin", "http://localhost:9999", false)]
    [InlineData("Origin", "https://localhost", false)]
    [InlineData("Origin", "null", false)]
    [InlineData("Origin", "http://localhost", true)]
    public async Task A_page_of_another_site_changes_nothing_with_a_body_or_without(string header, string value, bool own)
    {
        foreach (var body in new HttpContent?[] { null, JsonContent.Create(new { demo = false }), new StringContent("{}", System.Text.Encoding.UTF8, "text/plain") })
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, "/api/bench/open") { Content = body };
            request.Headers.TryAddWithoutValidation(header, value);
            using var answer = await host.Http.SendAsync(request);
            Assert.True(own == (answer.StatusCode != HttpStatusCode.Forbidden), $"{header}: {value} got {answer.StatusCode}");
        }

        // Reading is open to it, as it can't see the answer.
        using var read = new HttpRequestMessage(HttpMethod.Get, "/api/bench");
        read.Headers.TryAddWithoutValidation(header, value);
        Assert.Equal(HttpStatusCode.OK, (await host.Http.SendAsync(read)).StatusCode);
    }

    [Fact]
    public async Task Every_answer_says_what_a_browser_may_do_and_nothing_of_the_bench_is_kept_by_it()
    {
        using var answer = await host.Http.GetAsync("/api/bench");
        Assert.Equal("no-store", answer.Headers.CacheControl!.ToString());
        var rules = answer.Headers.GetValues("Content-Security-Policy").Single();
        Assert.DoesNotContain("unsafe", rules, StringComparison.Ordinal);
        Assert.Contains("frame-ancestors 'none'", rules, StringComparison.Ordinal);
        Assert.Equal("same-origin", answer.Headers.GetValues("Cross-Origin-Opener-Policy").Single());
        Assert.Contains("camera=()", answer.Headers.GetValues("Permissions-Policy").Single(), StringComparison.Ordinal);
        Assert.Equal("nosniff", answer.Headers.GetValues("X-Content-Type-Options").Single());
        Assert.False(answer.Headers.Contains("Strict-Transport-Security"));
        using var again = await host.Http.GetAsync("/api/bench");
        Assert.NotEqual(rules, again.Headers.GetValues("Content-Security-Policy").Single());
    }

    [Fact]
    public async Task Rows_of_another_bench_are_not_seen()
    {
        var other = Guid.NewGuid();
        var own = await host.MaterialAsync("Rope Tan");
        await using (var scope = host.Services.CreateAsyncScope())
        {
            var options = scope.ServiceProvider.GetRequiredService<DbContextOptions<LowfellDb>>();
            await using var home = new LowfellDb(options, new StoreSetup.FixedBench(OpenBench.Home));
            home.Benches.Add(new Bench { Id = other, Name = "Another bench" });
            await home.SaveChangesAsync(TestContext.Current.CancellationToken);
            await using var away = new LowfellDb(options, new StoreSetup.FixedBench(other));
            Assert.Empty(await away.Sets.ToListAsync(TestContext.Current.CancellationToken));
            Assert.Empty(await away.Materials.ToListAsync(TestContext.Current.CancellationToken));
            Assert.Empty(await away.Coats.ToListAsync(TestContext.Current.CancellationToken));
            away.Materials.Add(new MaterialRow { Id = Guid.NewGuid(), Name = "Secret Grey", Colour = "#777777", ContrastRatio = 0.9, ReferenceFilmUm = 20, VolumeSolids = 0.3 });
            await away.SaveChangesAsync(TestContext.Current.CancellationToken);
        }

        var names = (await host.GetAsync("/api/materials")).AsArray().Select(m => (string)m!["material"]!["name"]!).ToList();
        Assert.DoesNotContain("Secret Grey", names);
        Assert.Contains((string)own["material"]!["name"]!, names);
    }

    [Fact]
    public async Task Nothing_is_seen_where_no_bench_is_open()
    {
        await using var scope = host.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<LowfellDb>();
        Assert.Empty(await db.Sets.ToListAsync(TestContext.Current.CancellationToken));
    }
}

public sealed class BareBenchTests(BareHost host) : IClassFixture<BareHost>
{
    [Fact]
    public async Task Without_the_demo_the_bench_is_empty_and_can_be_worked_on()
    {
        Assert.Empty((await host.GetAsync("/api/sets")).AsArray());
        Assert.Empty((await host.GetAsync("/api/materials")).AsArray());
        var set = await host.PostAsync("/api/sets", new { name = "Eel traps" }, HttpStatusCode.Created);
        var piece = await host.PostAsync($"/api/sets/{set["id"]}/pieces", new { name = "Trap", shape = "cylinder", lengthMm = 30, heightMm = 60, copies = 5 }, HttpStatusCode.Created);
        var zone = await host.PostAsync($"/api/pieces/{piece["id"]}/zones", new { name = "Wicker", areaShare = 1 }, HttpStatusCode.Created);
        var page = await host.GetAsync($"/api/zones/{zone["id"]}");
        Assert.Empty(page["scheme"]!["coats"]!.AsArray());
        Assert.Equal((Math.PI * 15 * 15) + (Math.PI * 30 * 60), (double)page["zone"]!["areaMm2"]!, 1);
    }
}
