using Lowfell.Core.Stacks;
using NetArchTest.Rules;
using Xunit;

namespace Lowfell.Core.Tests;

/// <summary>Core stays pure: no store, no interface, no clock.</summary>
public sealed class ArchitectureTests
{
    [Fact]
    public void Core_references_the_base_library_the_constraint_solver_and_the_zones_of_time_alone() =>
        Assert.All(typeof(StackDraft).Assembly.GetReferencedAssemblies(), a => Assert.True(a.Name!.StartsWith("System", StringComparison.Ordinal) || a.Name is "Google.OrTools" or "NodaTime", a.Name));

    [Fact]
    public void The_solver_is_known_in_one_folder_alone()
    {
        var result = Types.InAssembly(typeof(StackDraft).Assembly).That().DoNotResideInNamespace("Lowfell.Core.Evenings.Solving").ShouldNot().HaveDependencyOn("Google.OrTools").GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Theory]
    [InlineData("System.IO.File")]
    [InlineData("NodaTime.SystemClock")]
    [InlineData("System.Net")]
    [InlineData("System.DateTime")]
    [InlineData("System.TimeProvider")]
    public void Core_reads_neither_files_nor_network_nor_clock(string forbidden)
    {
        var result = Types.InAssembly(typeof(StackDraft).Assembly).That().ResideInNamespace("Lowfell.Core").ShouldNot().HaveDependencyOn(forbidden).GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Fact]
    public void Stacks_do_not_know_screens_or_rows()
    {
        var result = Types.InAssembly(typeof(StackDraft).Assembly).That().ResideInNamespace("Lowfell.Core.Colour").ShouldNot().HaveDependencyOnAny("Lowfell.Core.Rules", "Lowfell.Core.Stacks").GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }
}
