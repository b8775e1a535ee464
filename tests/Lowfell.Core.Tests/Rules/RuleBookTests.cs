using System.Text.RegularExpressions;
using Lowfell.Core.Mending;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Rules;

/// <summary>The rule book, the schools, and that facts stand in tables alone.</summary>
public sealed partial class RuleBookTests
{
    [Fact]
    public void Every_rule_of_the_book_says_what_it_is()
    {
        Assert.Equal(RuleBook.Book.Count, RuleBook.Book.Select(r => r.Id).Distinct().Count());
        Assert.All(RuleBook.Book, r =>
        {
            Assert.Matches("^[a-z]+(-[a-z]+)*$", r.Id);
            Assert.NotEmpty(r.Severities);
            Assert.EndsWith(".", r.About, StringComparison.Ordinal);
            Assert.Same(r, RuleBook.Of(r.Id));
            Assert.All(r.Schools, s => Assert.NotNull(SchoolBook.Of(s)));
        });
        Assert.Null(RuleBook.Of("no-such-rule"));
    }

    [Fact]
    public void The_table_in_the_documentation_is_the_book()
    {
        string Words(IEnumerable<Severity> severities) => string.Join(", ", severities.Select(s => s.ToString().ToLowerInvariant()));
        var rows = RuleBook.Book.Select(r => $"| {r.Id} | {r.Scope.ToString().ToLowerInvariant()} | {Words(r.Severities)} | {string.Join(", ", r.Schools)} | {r.About} |");
        var text = File.ReadAllText(Path.Combine(Source(), "..", "..", "docs", "model.md"));
        Assert.Contains(string.Join("\n", rows) + "\n<!-- end of rules -->", text, StringComparison.Ordinal);
    }

    [Fact]
    public void The_first_answer_to_every_question_is_the_usual_one() =>
        Assert.All(SchoolBook.All, s => Assert.Equal(s.Choices[0].Value, SchoolBook.ValueOf(new(), s.Id)));

    [Fact]
    public void Every_answer_can_be_chosen_and_leaves_the_others_alone()
    {
        foreach (var school in SchoolBook.All)
        {
            foreach (var choice in school.Choices)
            {
                var chosen = SchoolBook.With(new(), school.Id, choice.Value);
                Assert.Equal(choice.Value, SchoolBook.ValueOf(chosen, school.Id));
                Assert.All(SchoolBook.All.Where(o => o.Id != school.Id), o => Assert.Equal(SchoolBook.ValueOf(new(), o.Id), SchoolBook.ValueOf(chosen, o.Id)));
            }
        }
    }

    [Fact]
    public void A_school_silences_or_softens_and_never_makes_everyday_work_a_stop()
    {
        foreach (var school in SchoolBook.All)
        {
            foreach (var choice in school.Choices)
            {
                Assert.All(TextbookStack.Everyday, s => Assert.DoesNotContain((s.Draft with { Schools = SchoolBook.With(new(), school.Id, choice.Value) }).Read(), f => f.Severity == Severity.Stop && f.Fault.School.Length > 0));
            }
        }
    }

    [Fact]
    public void What_a_choice_asks_for_is_costed_and_what_it_spares_is_saved()
    {
        var school = SchoolBook.Of("finalVarnish")!;
        var handled = Build.Stack(Build.Zone() with { Handled = true }, Build.Coat(Technique.BaseCoat, Build.RopeTan));
        var always = SchoolEffects.Of(school, [(handled, 1)], Build.Shelf).Single(e => e.Value == "always");
        Assert.Equal((1, 1, 1), (always.Asked, always.Cost.Coats, always.Touched));
        Assert.True(always.Cost.HandsOnMin > 0 && always.Cost.Ml > 0);

        var varnished = handled.Insert(1, Build.Coat(Technique.Varnish, Build.Varnish(Core.Films.Sheen.Matt)));
        var none = SchoolEffects.Of(school, [(varnished, 3)], Build.Shelf).Single(e => e.Value == "none");
        Assert.Equal((-3, 3), (none.Cost.Coats, none.Touched));
        Assert.True(none.Cost.HandsOnMin < 0);
        Assert.Equal(0, SchoolEffects.Of(school, [(varnished, 3)], Build.Shelf)[0].Touched);
    }

    // Lists of techniques or families outside their tables are facts of the craft that stand twice.
    [Fact]
    public void No_list_of_techniques_or_families_stands_outside_the_tables()
    {
        string[] tables = ["TechniqueTable.cs", "Families.cs", "Substrate.cs", "Thinner.cs", "Carrier.cs"];
        var faults = Directory.EnumerateFiles(Source(), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/bin/", StringComparison.Ordinal) && !tables.Contains(Path.GetFileName(f)))
            .SelectMany(f => Listed().Matches(File.ReadAllText(f)).Select(m => $"{Path.GetFileName(f)}: {m.Value}"));
        Assert.Empty(faults);
    }

    private static string Source([System.Runtime.CompilerServices.CallerFilePath] string here = "") => Path.Combine(Path.GetDirectoryName(here)!, "..", "..", "..", "src", "Lowfell.Core");

    [GeneratedRegex(@"\b(Technique|Family|Substrate)\.\w+ or (\1)\.\w+")]
    private static partial Regex Listed();
}
