using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What is to be bought has the name of another paint on the shelf.</summary>
public sealed class BoughtNameTests(BareHost host) : IClassFixture<BareHost>
{
    [Fact]
    public async Task What_is_to_be_bought_gets_another_name_where_its_own_is_taken_by_another_paint()
    {
        // A varnish by that name can't be the yellow of the scheme.
        var id = Guid.CreateVersion7();
        var made = await host.PostAsync("/api/begin", new
        {
            setId = id,
            timeZone = "Nowhere/Brinegate",
            pieces = "Furnace stove, 2",
            paints = "name,family\nBlack primer can,spray can\nYellow,acrylic varnish",
            schemes = new[] { new { line = 1, zone = 0, scheme = "Furnace mouth in reverse" } },
        });
        Assert.Equal(id.ToString(), (string)made["setId"]!);

        // Evenings are none the worse for a time zone that is not known here.
        var calendar = await host.GetAsync("/api/calendar");
        Assert.NotEmpty(calendar["weekly"]!.AsArray());
        Assert.NotEqual("Nowhere/Brinegate", (string)calendar["timeZone"]!);
        var names = (await host.PostAsync("/api/amounts", new { setId = id }))["materials"]!.AsArray().Select(m => (string)m!["name"]!).ToList();
        Assert.Contains("Yellow, acrylic paint", names);
        Assert.DoesNotContain("Yellow", names);
    }
}
