using System.Reflection;
using Lowfell.Store;
using Lowfell.Tests;
using Lowfell.Web.Api;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>The host's folders use each other one way, and no feature is put together but in Host.</summary>
public sealed class HostRoomTests
{
    private const string Root = "Lowfell.Web";

    [Fact]
    public void No_folder_of_the_host_uses_another_in_a_circle() => Assert.Empty(Arrows.Circles(typeof(Readiness).Assembly, Root));

    [Fact]
    public void Only_the_host_s_composition_knows_every_feature()
    {
        var wrong = Arrows.Of(typeof(Readiness).Assembly)
            .Where(a => (a.To.Room(Root) == "Host" && a.From.Room(Root) is not ("Host" or "")) || (a.To.Room(Root).StartsWith("Features", StringComparison.Ordinal) && a.From.Room(Root) is "Api" or "Benches" or "Devices" or "Files" or "Jobs"))
            .Select(a => $"{a.From.FullName} uses {a.To.FullName}");
        Assert.Empty(wrong);
    }

    [Fact]
    public void The_store_knows_the_database_and_core_and_nothing_of_the_host() =>
        Assert.DoesNotContain(typeof(LowfellDb).Assembly.GetReferencedAssemblies(), a => a.Name!.StartsWith("Microsoft.AspNetCore", StringComparison.Ordinal) || a.Name == "Lowfell.Web");

    [Fact]
    public async Task Every_endpoint_that_is_written_is_mapped()
    {
        await using var host = new TestHost();
        await ((IAsyncLifetime)host).InitializeAsync();
        var mapped = host.Services.GetRequiredService<EndpointDataSource>().Endpoints
            .SelectMany(e => e.Metadata.OfType<MethodInfo>()).Select(m => m.DeclaringType!.DeclaringType ?? m.DeclaringType!).ToHashSet();
        var written = typeof(Readiness).Assembly.GetTypes().Where(t => t.Name.EndsWith("Endpoints", StringComparison.Ordinal) && t.GetMethod("Map") is not null).ToList();
        Assert.True(written.Count > 20);
        Assert.All(written, t => Assert.Contains(t, mapped));
    }

    [Fact]
    public void A_circle_would_be_seen() => Assert.NotEmpty(Arrows.Circles(typeof(HostRoomTests).Assembly, "Lowfell.Web.Tests.Circle"));
}
