using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Names stand in lists, headings and files: on one line, and all of them is seen.</summary>
public sealed class NamesTests(BareHost host) : IClassFixture<BareHost>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("two\nlines")]
    [InlineData("a\ttab")]
    [InlineData("zero\u200Bwidth")]
    [InlineData("turned \u202Eround")]
    [InlineData("\u200D")]
    public async Task A_name_with_a_line_break_or_what_nobody_sees_is_refused_whatever_it_names(string name)
    {
        foreach (var (path, body, field) in new (string, object, string)[]
        {
            ("/api/sets", new { name }, "name"),
            ("/api/materials", Drafts.Material(name), "name"),
            ("/api/materials", Drafts.Material("Rope Tan").With("house", name), "house"),
            ("/api/mixes", new { name, components = Array.Empty<object>() }, "name"),
        })
        {
            using var answer = await host.Http.SendAsync(new(HttpMethod.Post, path) { Content = System.Net.Http.Json.JsonContent.Create(body) }, Cancel);
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
            var errors = JsonNode.Parse(await answer.Content.ReadAsStringAsync(Cancel))!["errors"]!;
            Assert.Contains("write it on one line", errors[field]!.ToJsonString(), StringComparison.Ordinal);
        }

        Assert.Empty((await host.GetAsync("/api/sets")).AsArray());
    }

    [Fact]
    public async Task Signs_of_any_script_are_names()
    {
        const string Name = "\U0001F469\u200D\U0001F3A8 潮干, naïve";
        var made = await host.PostAsync("/api/sets", new { name = Name }, HttpStatusCode.Created);
        Assert.Equal(Name, (string)Assert.Single((await host.GetAsync("/api/sets")).AsArray())!["name"]!);
        await host.DeleteAsync($"/api/sets/{made["id"]}");
    }
}
