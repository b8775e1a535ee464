using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Ready;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Ready;

/// <summary>Ready schemes against shelves and tools of all kinds.</summary>
public sealed class ReadySchemeTests
{
    public static TheoryData<string> Names => [.. ReadySchemes.All.Select(s => s.Name)];

    [Fact]
    public void Twenty_schemes_and_forty_paints_each_by_a_name_of_its_own()
    {
        Assert.Equal(20, ReadySchemes.All.Select(s => s.Name).Distinct().Count());
        Assert.Equal(40, StarterShelf.Materials.Select(m => m.Name).Distinct().Count());
        Assert.Equal(40, StarterShelf.Materials.Select(m => m.Id).Distinct().Count());
        Assert.All(ReadySchemes.All, s => Assert.NotEmpty(s.Suits));
    }

    [Fact]
    public void No_two_written_looks_are_within_5_dE00()
    {
        var near = from a in ReadySchemes.All
                   from b in ReadySchemes.All
                   where string.CompareOrdinal(a.Name, b.Name) < 0
                   let off = Enumerable.Range(0, 3).Average(h => ColourDifference.Ciede2000(a.Look.ToLab()[h], b.Look.ToLab()[h]))
                   where off < 5
                   select $"{a.Name} and {b.Name}: {off:0.0}";
        Assert.Empty(near);
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void From_the_starter_shelf_it_comes_out_as_written_and_the_rules_have_nothing_against_it(string name)
    {
        var filled = Fill(name, StarterShelf.Shelf);
        Assert.True(filled.Farthest <= 3, $"{filled.Off}");
        Assert.Empty(Alarms(filled));
        Assert.All(filled.Roles, r => Assert.Equal(Filling.Own, r.Filling is Filling.LeftOut ? Filling.Own : r.Filling));
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Without_airbrush_and_white_it_comes_out_within_6(string name)
    {
        var shelf = new Shelf([.. StarterShelf.Materials.Where(m => m.Name != "White")]) { Tools = Tools.All with { Airbrush = false } };
        var filled = Fill(name, shelf);
        Assert.True(filled.Farthest <= 6, $"{filled.Off}");
        Assert.Empty(Alarms(filled));
        Assert.DoesNotContain(filled.Draft.Coats, c => c.Technique.Needs(c.Family) == Tool.Airbrush || c.Material!.Name == "White");
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Whatever_the_tools_no_coat_needs_one_that_is_not_there_and_none_is_a_stop(string name)
    {
        for (var set = 0; set < 32; set++)
        {
            var tools = new Tools(true, (set & 1) > 0, (set & 2) > 0, (set & 4) > 0, (set & 8) > 0, (set & 16) > 0);
            var filled = Fill(name, new Shelf(StarterShelf.Materials) { Tools = tools });
            Assert.All(filled.Draft.Coats, c => Assert.True(tools.Can(c.Technique, c.Family), $"{c.Label} with {tools}"));
            Assert.Empty(Alarms(filled));
        }
    }

    [Theory]
    [InlineData(Substrate.Foam)]
    [InlineData(Substrate.Mdf)]
    [InlineData(Substrate.Card)]
    [InlineData(Substrate.Plaster)]
    [InlineData(Substrate.Metal)]
    public void On_any_ground_no_scheme_is_a_stop_or_risk(Substrate ground)
    {
        foreach (var scheme in ReadySchemes.All)
        {
            var filled = SchemeFiller.Fill(scheme, scheme.Zone() with { Substrate = ground }, StarterShelf.Shelf, new Schools());
            Assert.True(Alarms(filled).Count == 0, $"{scheme.Name} on {ground}: {string.Join("; ", Alarms(filled).Select(f => f.Rule.Id))}");
        }
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Under_every_answer_of_the_schools_it_stays_without_stop_and_risk(string name)
    {
        foreach (var school in SchoolBook.All)
        {
            foreach (var answer in school.Choices)
            {
                var scheme = ReadySchemes.All.First(s => s.Name == name);
                var filled = SchemeFiller.Fill(scheme, scheme.Zone(), StarterShelf.Shelf, SchoolBook.With(new Schools(), school.Id, answer.Value));
                Assert.True(Alarms(filled).Count == 0, $"{school.Id} {answer.Value}: {string.Join("; ", Alarms(filled).Select(f => f.Rule.Id))}");
            }
        }
    }

    [Fact]
    public void An_empty_shelf_is_bought_from_what_most_benches_begin_with()
    {
        var filled = Fill("Sea-worn stone", new Shelf([]));
        Assert.All(filled.Roles, r => Assert.Equal(Filling.ToBuy, r.Filling));
        Assert.Contains(filled.Roles, r => r.Said == "Black primer can is missing: to buy.");
        Assert.True(filled.Farthest <= 3);
    }

    [Fact]
    public void What_is_missing_is_named_with_what_stands_in_and_how_that_differs()
    {
        var filled = Fill("Whitewashed brick", new Shelf([.. StarterShelf.Materials.Where(m => m.Name is not "White" and not "Ivory")]));
        var light = filled.Roles.Single(r => r.Role.Role == SchemeRole.Light);
        Assert.Equal(Filling.StandIn, light.Filling);
        Assert.Matches("^White is missing: .+ instead, (clearly|far) .+\\.$", light.Said);
        Assert.StartsWith("Recess ", filled.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void A_paint_that_is_another_colour_altogether_does_not_stand_in()
    {
        Material[] red = [Build.Paint("#a42a22", name: "Signal Red"), Build.Of(Family.PrimerWater, "#222222"), Build.Varnish(Core.Films.Sheen.Matt), Build.KelpWash];
        var light = Fill("Bleached bone", new Shelf(red)).Roles.Single(r => r.Role.Role == SchemeRole.Base);
        Assert.Equal(Filling.ToBuy, light.Filling);
        Assert.StartsWith("Bone is missing: to buy. The nearest is Signal Red, far ", light.Said, StringComparison.Ordinal);
    }

    [Fact]
    public void A_barrier_of_another_sheen_than_the_school_asks_for_is_none()
    {
        var filled = Fill("Marsh green by brush", new Shelf([.. StarterShelf.Materials.Where(m => m.Name is not "Satin varnish")]));
        var barrier = filled.Roles.Single(r => r.Role.Role == SchemeRole.Barrier);
        Assert.Equal((Filling.ToBuy, "Satin varnish is missing: to buy."), (barrier.Filling, barrier.Said));
    }

    [Fact]
    public void A_coat_that_nobody_would_see_is_left_out_and_said()
    {
        Material[] few = [Build.Of(Family.PrimerAerosol, "#232325"), Build.Paint("#85867f", name: "Pier Grey"), Build.Paint("#dccfae", name: "Bone"), Build.Paint("#211f1e", 0.6, family: Family.AcrylicWash, sheen: Core.Films.Sheen.Satin, solids: 0.12, undertone: 0.5, name: "Soot Wash"), Build.Varnish(Core.Films.Sheen.Matt)];
        var filled = Fill("Sea-worn stone", new Shelf(few));
        Assert.DoesNotContain(RuleBook.Read(filled.Draft, Predictor.Predict(filled.Draft)), f => f.Rule.Id == "no-visible-change");

        // With a single grey there is no light to brush over it.
        Material[] one = [.. few.Where(m => m.Name != "Bone")];
        var left = ReadySchemes.All.SelectMany(s => SchemeFiller.Fill(s, s.Zone(), new Shelf(one), new Schools()).Roles).Where(r => r.Filling == Filling.LeftOut && r.Said.Length > 0).ToList();
        Assert.NotEmpty(left);
        Assert.All(left, r => Assert.EndsWith("left out.", r.Said, StringComparison.Ordinal));
    }

    [Fact]
    public void What_is_there_but_wants_a_tool_that_is_not_says_so()
    {
        var filled = Fill("Chipped winter white", new Shelf(StarterShelf.Materials) { Tools = new Tools() });
        Assert.Contains(filled.Roles, r => r.Said.StartsWith("Grime wash wants oils and enamels: ", StringComparison.Ordinal));
        var brushed = Fill("Marsh green by airbrush", new Shelf(StarterShelf.Materials) { Tools = new Tools(Cans: false) });
        Assert.Contains(brushed.Roles, r => r.Role.Role == SchemeRole.Base && r.Said == "Base coat in place of airbrushed coat, for want of an airbrush.");
    }

    [Fact]
    public void A_ground_that_drinks_is_primed_with_what_seals_it()
    {
        var scheme = ReadySchemes.All.First(s => s.Name == "Tarred timber");
        Material[] paints = [.. StarterShelf.Materials.Where(m => m.Family == Family.AcrylicPaint)];
        var filled = SchemeFiller.Fill(scheme, scheme.Zone() with { Substrate = Substrate.Mdf }, new Shelf(paints), new Schools());
        Assert.Equal(Filling.ToBuy, filled.Roles[0].Filling);
        Assert.Empty(Alarms(filled));
    }

    [Fact]
    public void Own_paints_are_taken_by_what_the_finished_zone_would_look_like()
    {
        var filled = Fill("Sea-worn stone", new Shelf([.. StarterShelf.Materials, Build.Paint("#86877f", name: "Pier Grey"), Build.Paint("#ff00ff", name: "Pink")]));
        Assert.DoesNotContain(filled.Draft.Coats, c => c.Material!.Name == "Pink");
        Assert.True(filled.Farthest <= 3);
    }

    [Fact]
    public void The_same_shelf_gives_the_same_stack()
    {
        var one = Fill("Pan iron", StarterShelf.Shelf);
        var two = Fill("Pan iron", new Shelf([.. StarterShelf.Materials]));
        Assert.Equal(one.Draft.Coats.Select(c => (c.Id, c.Label, c.Passes)), two.Draft.Coats.Select(c => (c.Id, c.Label, c.Passes)));
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void A_stack_that_is_told_by_roles_comes_back_from_the_same_shelf(string name)
    {
        var first = Fill(name, StarterShelf.Shelf);
        var written = SchemeWriting.Of("Mine", first.Draft, [ThingKind.Wall]);
        var again = SchemeFiller.Fill(written, written.Zone(), StarterShelf.Shelf, new Schools());
        Assert.Equal(first.Draft.Coats.Select(c => (c.Label, c.Passes, Math.Round(c.Dilution.PaintFraction, 3))), again.Draft.Coats.Select(c => (c.Label, c.Passes, Math.Round(c.Dilution.PaintFraction, 3))));
        Assert.True(again.Farthest < 0.5, $"{again.Off}");
        var json = System.Text.Json.JsonSerializer.Serialize(written, ReadySchemes.Json);
        Assert.Equal(json, System.Text.Json.JsonSerializer.Serialize(System.Text.Json.JsonSerializer.Deserialize<ReadyScheme>(json, ReadySchemes.Json), ReadySchemes.Json));
    }

    [Fact]
    public void Everyday_stacks_told_by_roles_keep_every_coat()
    {
        foreach (var stack in Rules.TextbookStack.Everyday)
        {
            var written = SchemeWriting.Of("Mine", stack.Draft, []);
            var shelf = new Shelf([.. stack.Draft.Coats.SelectMany(c => c.Paint?.Content.Materials.Select(m => m.Material) ?? []).DistinctBy(m => (m.Family, m.Colour, m.Sheen))]);
            var again = SchemeFiller.Fill(written, stack.Draft.Zone, shelf, stack.Draft.Schools);
            var lost = written.Coats.Where(w => again.Roles.Any(r => r.Role == w && r.Coat is null)).Select(w => $"{w.Role} {w.By}").ToList();
            Assert.True(lost.Count == 0, $"{stack.Name}: {string.Join(", ", lost)}");
        }
    }

    [Theory]
    [InlineData("Straight wall", ThingKind.Wall)]
    [InlineData("Carrier", ThingKind.Vehicle)]
    [InlineData("Lift-off roof house", ThingKind.Building)]
    [InlineData("25 mm bases", ThingKind.Base)]
    [InlineData("wall of the mill", ThingKind.Building)]
    [InlineData("Something odd", ThingKind.Scatter)]
    public void A_name_says_what_kind_of_thing_it_is(string name, ThingKind kind) => Assert.Equal(kind, Things.Guess(name).Kind);

    [Fact]
    public void What_a_kind_proposes_is_there_and_shares_out_no_more_than_the_piece()
    {
        Assert.Equal(Enum.GetValues<ThingKind>().Order(), Things.All.Select(t => t.Kind).Order());
        Assert.All(Things.All, t => Assert.InRange(t.Zones.Sum(z => z.Share), 0.5, 1));
        Assert.All(Things.All.SelectMany(t => t.Zones), z => Assert.All(new[] { new Tools(), Tools.All }, tools => Assert.Contains(ReadySchemes.All, s => s.Name == z.SchemeWith(tools))));
    }

    private static FilledScheme Fill(string name, Shelf shelf)
    {
        var scheme = ReadySchemes.All.First(s => s.Name == name);
        return SchemeFiller.Fill(scheme, scheme.Zone(), shelf, new Schools());
    }

    private static List<Finding> Alarms(FilledScheme filled) => [.. RuleBook.Read(filled.Draft, Predictor.Predict(filled.Draft)).Where(f => f.Severity != Severity.Note)];
}
