using System.Text.Json.Nodes;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>The facts of the craft as the screens get them.</summary>
public sealed class CraftTests(TestHost host) : IClassFixture<TestHost>
{
    private static string Fixture([System.Runtime.CompilerServices.CallerFilePath] string here = "") => Path.Combine(Path.GetDirectoryName(here)!, "..", "..", "src", "lowfell-ui", "src", "test", "craft.json");

    [Fact]
    public async Task The_licences_of_what_it_ships_with_are_told()
    {
        var licences = (await host.GetAsync("/api/licences")).AsArray();
        var names = licences.Select(l => (string)l!["name"]!).ToList();
        Assert.Contains("NodaTime", names);
        Assert.Contains("Google.OrTools", names);
        Assert.DoesNotContain(names, n => n.StartsWith("xunit", StringComparison.OrdinalIgnoreCase) || n.StartsWith("Lowfell", StringComparison.Ordinal));
        Assert.All(licences, l => Assert.True(((string)l!["licence"]!).Length > 1 && ((string)l["text"]!).Length > 5, l.ToJsonString()));
    }

    [Fact]
    public async Task The_screens_are_tested_with_the_facts_that_are_served()
    {
        var served = await host.GetAsync("/api/craft");
        var kept = JsonNode.Parse(await File.ReadAllTextAsync(Fixture()));
        Assert.True(JsonNode.DeepEquals(served, kept), "src/lowfell-ui/src/test/craft.json has to be what GET /api/craft answers: write it there anew.");
    }

    [Fact]
    public async Task Every_technique_rule_and_question_is_told()
    {
        var craft = await host.GetAsync("/api/craft");
        Assert.Equal(Enum.GetValues<Technique>().Length, craft["techniques"]!.AsArray().Count);
        Assert.Equal(RuleBook.Book.Select(r => r.Id), craft["rules"]!.AsArray().Select(r => (string)r!["rule"]!));
        Assert.Equal(SchoolBook.All.Select(s => s.Id), craft["schools"]!.AsArray().Select(s => (string)s!["id"]!));
        Assert.All(craft["techniques"]!.AsArray(), t => Assert.InRange((double)t!["usual"]!, 0.05, 1));
    }
}
