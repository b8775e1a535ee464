using Lowfell.Core.Mixes;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Xunit;

namespace Lowfell.Core.Tests.Rules.Cases;

/// <summary>Each rule of a stack on work that is fine, on a fault, and under the other answers of its schools.</summary>
public sealed class RuleCaseTests
{
    private const int LongestSentence = 120;

    private static readonly RuleCase[] Cases = [.. OrderCases.All, .. LookCases.All];

    public static TheoryData<RuleCase> All => [.. Cases];

    public static TheoryData<string> Rules => [.. RuleBook.All.Select(r => r.Id)];

    [Theory]
    [MemberData(nameof(All))]
    public void A_rule_finds_its_fault_and_leaves_the_rest_in_peace(RuleCase c)
    {
        var found = c.Stack.Read();
        var own = found.Where(f => f.Rule.Id == c.Rule).ToList();
        var all = string.Join("; ", found.Select(f => $"{f.Severity} {f.Rule.Id} ({f.Fault.Figure})"));
        Assert.True(c.Finds == (own.Count == 0 ? null : own.Min(f => f.Severity)), $"wanted {c.Finds?.ToString() ?? "silence"}; found: {all}");
    }

    [Theory]
    [MemberData(nameof(Rules))]
    public void Every_rule_has_its_fine_its_faulty_and_its_school_cases(string rule)
    {
        var own = Cases.Where(c => c.Rule == rule).ToList();
        Assert.Contains(own, c => c.Finds is null && c.School is null);
        Assert.Contains(own, c => c.Finds is not null);
        Assert.Empty(RuleBook.Of(rule)!.Schools.Except(own.Select(c => c.School ?? "")));
    }

    [Theory]
    [MemberData(nameof(All))]
    public void What_is_said_is_short_and_plain(RuleCase c) => Assert.All(c.Stack.Read(), f =>
    {
        Assert.InRange(f.Fault.What.Length, 10, LongestSentence);
        Assert.InRange(f.Fault.Why.Length, 10, LongestSentence);
        Assert.EndsWith(".", f.Fault.What, StringComparison.Ordinal);
        Assert.DoesNotContain("dE", f.Fault.What + f.Fault.Why, StringComparison.Ordinal);
        Assert.DoesNotContain("%", f.Fault.What + f.Fault.Why, StringComparison.Ordinal);
    });

    [Fact]
    public void A_finding_that_follows_a_school_names_it()
    {
        var heavy = Cases.Single(c => c.Rule == "heavy-wash" && c.Finds is not null).Stack.Read().Single(f => f.Rule.Id == "heavy-wash");
        Assert.Equal("Your school says two thin ones.", heavy.Fault.School);
    }

    [Fact]
    public void What_the_painter_knows_rests_until_the_coat_changes()
    {
        var stack = Cases.Single(c => c.Rule == "heavy-wash" && c.Finds is not null).Stack;
        var finding = stack.Read().Single(f => f.Rule.Id == "heavy-wash");
        var coat = stack.Coats[finding.Fault.At];
        var known = stack.Replace(coat with { Known = [new("heavy-wash", "", "it is meant", finding.Mark)] });
        Assert.Equal("it is meant", known.Read().Single(f => f.Rule.Id == "heavy-wash").Rests);
        var thinner = known.Replace(known.Coats[finding.Fault.At] with { Dilution = Dilution.Of(0.95) });
        Assert.Null(thinner.Read().Single(f => f.Rule.Id == "heavy-wash").Rests);
    }
}
