using Lowfell.Core.Rules;
using Xunit;

namespace Lowfell.Core.Tests.Rules;

/// <summary>What painters do every day gets no warning, and real faults are caught, by judgement alone.</summary>
public sealed class TextbookTests
{
    public static TheoryData<TextbookStack> Everyday => [.. TextbookStack.Everyday];

    public static TheoryData<TextbookStack> Faulty => [.. TextbookStack.Faulty];

    [Theory]
    [MemberData(nameof(Everyday))]
    public void Everyday_work_passes(TextbookStack stack) => Assert.Equal("", Said(stack.Draft.Read().Where(f => f.Severity < stack.Worst)));

    [Theory]
    [MemberData(nameof(Faulty))]
    public void A_real_fault_is_caught_by_its_rule(TextbookStack stack)
    {
        var found = stack.Draft.Read();
        Assert.True(found.Any(f => f.Rule.Id == stack.Finds && f.Severity <= stack.AtLeast), $"{stack.Finds} is not among: {Said(found)}");
    }

    [Fact]
    public void The_textbook_is_whole() => Assert.Equal((43, 21), (TextbookStack.Everyday.Count, TextbookStack.Faulty.Count));

    private static string Said(IEnumerable<Finding> findings) => string.Join("\n", findings.Select(f => $"{f.Severity} {f.Rule.Id}: {f.What} {f.Why} ({f.Fault.Figure})"));
}
