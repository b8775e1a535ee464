using Lowfell.Core.Diagnosis;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;
using static Lowfell.Core.Tests.Build;

namespace Lowfell.Core.Tests.Diagnosis;

/// <summary>The worked cases, from stacks and logs.</summary>
public sealed class CaseTests
{
    private const WorkedWith Quiet = WorkedWith.Shaken | WorkedWith.FreshWater;

    private static CaseEntry Entry(int copy, Coat coat, double at, double c = 20, double humidity = 0.5, WorkedWith worked = Quiet, int pass = 1) =>
        new(copy, coat.Id, pass, at, null, c, humidity, null, worked, $"{20 + ((int)at / 60)}:{at % 60:00}");

    private static Diagnosed Say(MendCase of) => Diagnosing.Of(of, Build.Shelf, Guid.NewGuid);

    private static MendCase Case(string symptom, StackDraft stack, Coat about, int[] seen, int[] sound, params CaseEntry[] log) =>
        new() { Symptom = SymptomBook.Book.Of(symptom)!, Stack = stack, CoatId = about.Id, Seen = seen, Sound = sound, Log = log };

    private static double Share(Diagnosed said, string cause) => said.Causes.First(c => c.Key == cause).Share * 100;

    [Fact]
    public void Frost_on_a_sea_wall_sprayed_in_damp_air()
    {
        var matt = Coat(Technique.VarnishSpray, Varnish(Sheen.Matt, Family.VarnishLacquer), fraction: 1);
        var stack = Stack(Zone() with { Copies = 8 }, Coat(Technique.BaseCoat, RopeTan), matt);
        var of = Case("frost", stack, matt, [1, 2, 3], [], [.. new[] { 1, 2, 3 }.Select(n => Entry(n, matt, n, humidity: 0.78))]);
        of = of with { Answers = new Dictionary<int, bool> { [1] = false, [2] = false } };
        var said = Say(of);
        Assert.Equal("damp", said.Causes[0].Key);
        Assert.Equal(93.0, Share(said, "damp"), 1.0);
        Assert.Contains(said.Causes[0].For, f => f.Contains("air at 78 %", StringComparison.Ordinal));
        Assert.StartsWith("Most likely", said.Said, StringComparison.Ordinal);
        Assert.Null(said.Ask);

        // Thin gloss into the white, then thin matt: six minutes a copy.
        Assert.Equal((0, 6.0), (said.Offers[0].Remedy.Place, said.Offers[0].Remedy.Minutes));
        Assert.Equal(["Gloss", "Matt"], said.Offers[0].Steps.Select(s => s.Coat.Paint!.Lead.Sheen.ToString()));
        Assert.Contains(said.Next, e => e.Sign == Sign.DampAir && e.Draft.Coats[1].Note.Contains("65 %", StringComparison.Ordinal));
    }

    [Fact]
    public void Lifted_on_the_copy_that_was_hurried()
    {
        var (basis, wash) = (Coat(Technique.BaseCoat, RopeTan), Coat(Technique.Wash, KelpWash));
        var stack = Stack(Zone(Relief.Panelled, Substrate.Polystyrene) with { Copies = 3 }, basis, wash);
        var needed = new Reading(stack with { Climate = new(17, 0.6) }).Waits[1].NeededMin;
        Assert.Equal(30, needed, 1.0);
        var of = Case("lifted", stack, wash, [2], [1, 3],
            Entry(1, basis, 0, 17, 0.6), Entry(2, basis, 2, 17, 0.6), Entry(3, basis, 4, 17, 0.6), Entry(2, wash, 20, 17, 0.6), Entry(1, wash, 34, 17, 0.6), Entry(3, wash, 45, 17, 0.6));
        var said = Say(of);
        Assert.Equal(97.0, Share(said, "hurried"), 1.0);
        Assert.Null(said.Ask);
        Assert.Contains("18 min after", said.Causes[0].For[0], StringComparison.Ordinal);
        Assert.Contains("needed 30", said.Causes[0].For[0], StringComparison.Ordinal);
        Assert.Equal([RemedyKind.Wait, RemedyKind.Coats], said.Offers.Take(2).Select(o => o.Remedy.Kind));
        Assert.Contains("wait", said.Next[0].Words, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public void Lifted_by_spirit_scrubbed_over_paint_of_three_hours()
    {
        var (basis, pin) = (Coat(Technique.BaseCoat, RopeTan), Coat(Technique.PinWash, TarWash));
        var stack = Stack(Zone(Relief.Panelled, Substrate.Polystyrene), basis, pin);
        var of = Case("lifted", stack, pin, [1], [], Entry(1, basis, 0), Entry(1, pin, 180));
        of = of with { Answers = new Dictionary<int, bool> { [1] = false, [2] = true } };
        var said = Say(of);
        Assert.Equal("solvent", said.Causes[0].Key);
        Assert.Equal(79.0, Share(said, "solvent"), 1.5);
        Assert.Equal(17.0, Share(said, "scrub"), 1.5);

        // One mend for both: a varnish between, and its wait is far shorter than a cure of 36 h.
        var edit = said.Next.First(e => e.Sign == Sign.SolventLifts);
        Assert.Equal(Kind.Varnish, edit.Draft.Coats[1].What!.Kind);
        Assert.InRange(edit.WaitingMin, 0, 60);
    }

    [Fact]
    public void Rubbed_off_a_hauler_that_was_not_primed()
    {
        var (basis, satin) = (Coat(Technique.BaseCoat, RopeTan, fraction: 0.3), Coat(Technique.Varnish, Varnish(Sheen.Satin), fraction: 1));
        var stack = Stack(Zone(Relief.Panelled) with { Handled = true, Finish = Sheen.Satin }, basis, satin);
        var of = Case("ruboff", stack, satin, [1], [], Entry(1, basis, 0), Entry(1, satin, 400));
        var before = Say(of);
        Assert.Equal("unprimed", before.Causes[0].Key);
        Assert.Equal(1, before.Ask);
        var said = Say(of with { Answers = new Dictionary<int, bool> { [1] = true, [2] = false } });
        Assert.Equal(85.0, Share(said, "unprimed"), 2.0);
        Assert.Equal(10.0, Share(said, "weak"), 2.0);
        Assert.Equal([8.0, 60.0], said.Offers.Select(o => o.Remedy.Minutes));
        Assert.Contains("third of the edges", said.Strip, StringComparison.Ordinal);
        Assert.Equal(Kind.Primer, said.Next[0].Draft.Coats[0].What!.Kind);
    }

    [Fact]
    public void No_chips_nineteen_hours_later()
    {
        var (fluid, top, open) = (Coat(Technique.ChippingFluid, Of(Family.ChippingMedium)), Coat(Technique.Airbrush, RopeTan), Coat(Technique.OpenChips));
        var stack = Stack(Coat(Technique.BaseCoat, Paint("#5a3a2a")), fluid, top, open);
        var said = Say(Case("nochips", stack, open, [1], [], Entry(1, fluid, 0), Entry(1, top, 60), Entry(1, open, 60 + (19 * 60))));
        Assert.Equal("late", said.Causes[0].Key);
        Assert.Equal(85.0, Share(said, "late"), 2.0);
        Assert.Equal([4.0, 5.0], said.Offers.Select(o => o.Remedy.Minutes));
        Assert.Contains("fewer copies", said.Next[0].Words, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public void No_match_of_another_lot()
    {
        var basis = Coat(Technique.BaseCoat, RopeTan) with { MixedTo = Core.Colour.Srgb.Parse("#a08a60") };
        var stack = Stack(basis);
        var entry = Entry(1, basis, 0) with { MixRecorded = true, LotDeltaE = 4.6 };
        var of = Case("match", stack, basis, [1], [], entry) with { Told = new Dictionary<Sign, bool> { [Sign.OtherSheen] = false }, Answers = new Dictionary<int, bool> { [1] = false, [2] = false } };
        var said = Say(of);
        Assert.Equal(78.0, Share(said, "lot"), 1.0);

        // The same varnish is struck off by the answer.
        Assert.Equal(10.0, said.Offers[0].Remedy.Minutes);
        Assert.DoesNotContain(said.Offers, o => o.Remedy.Minutes == 3);
        Assert.Contains("4.6 dE00", said.Causes[0].For[0], StringComparison.Ordinal);
    }

    [Fact]
    public void Another_varnish_than_the_old_pieces_have_is_read_from_them()
    {
        var (matt, satin) = (Of(Family.VarnishWater), Of(Family.VarnishWater) with { Id = Guid.NewGuid(), Name = "Other varnish" });
        var (basis, last) = (Coat(Technique.BaseCoat, RopeTan), Coat(Technique.Varnish, matt));
        var of = Case("match", Stack(basis, last), basis, [1], []);
        ToldCause Varnish(params EarlierFinish[] earlier) => Say(of with { Earlier = earlier }).Causes.Single(c => c.Key == "varnish");
        var (unknown, same, other) = (Varnish(), Varnish(new EarlierFinish("Old, wall", matt), new EarlierFinish("Old, pier", satin)), Varnish(new EarlierFinish("Old, wall", satin)));
        Assert.True(same.Share < unknown.Share && unknown.Share < other.Share, $"{same.Share}, {unknown.Share}, {other.Share}");
        Assert.Contains("Old, wall has Other varnish", other.For[0], StringComparison.Ordinal);
        Assert.Contains("Old, wall has no varnish", Varnish(new EarlierFinish("Old, wall", null)).For[0], StringComparison.Ordinal);
    }

    [Fact]
    public void With_no_stack_and_no_log_it_is_a_general_answer_and_says_so()
    {
        var said = Say(new() { Symptom = SymptomBook.Book.Of("frost")! });
        Assert.Equal("pooled", said.Causes[0].Key);
        Assert.Equal(-1, said.CoatAt);
        Assert.Empty(said.Next);
        Assert.Contains("No piece is named", said.Notices[0], StringComparison.Ordinal);
        Assert.All(said.Offers, o => Assert.NotEmpty(o.Steps));
    }

    [Fact]
    public void A_log_out_of_order_leaves_waits_out_and_what_does_not_fit_is_asked()
    {
        var (basis, wash) = (Coat(Technique.BaseCoat, RopeTan), Coat(Technique.Wash, KelpWash));
        var of = Case("lifted", Stack(basis, wash), wash, [2], [], Entry(2, wash, 5), Entry(2, basis, 10));
        Assert.Contains("A coat is logged before one below it on copy 2: waits left out.", Say(of).Notices);
        Assert.DoesNotContain(Say(of).Causes.SelectMany(c => c.For), f => f.Contains("min after", StringComparison.Ordinal));
        Assert.Contains("There is no decal or marking in this stack. Go on anyway?", Say(of with { Symptom = SymptomBook.Book.Of("silver")!, CoatId = null }).Notices);
        Assert.Contains(Say(of with { Log = [] }).Notices, n => n.StartsWith("Nothing is logged here", StringComparison.Ordinal));
    }

    [Fact]
    public void What_the_product_cannot_know_is_asked_and_until_then_changes_nothing()
    {
        var matt = Coat(Technique.Varnish, Varnish(Sheen.Matt), fraction: 1);
        var of = Case("frost", Stack(Coat(Technique.BaseCoat, RopeTan), matt), matt, [1], [], Entry(1, matt, 0, worked: WorkedWith.Unsaid));
        var said = Say(of);
        Assert.Contains(said.AskSigns, a => a.Sign == Sign.NotShaken && a.Answer is null);
        Assert.Contains(said.AskSigns, a => a.Sign == Sign.HeavyHand);
        var told = Say(of with { Told = new Dictionary<Sign, bool> { [Sign.NotShaken] = true } });
        Assert.True(Share(told, "shaken") > Share(said, "shaken"));
        Assert.Contains(told.AskSigns, a => a.Sign == Sign.NotShaken && a.Answer == true);

        // The card's tick is the log: the painter's word does not overrule it.
        var ticked = Say(of with { Log = [Entry(1, matt, 0)], Told = new Dictionary<Sign, bool> { [Sign.NotShaken] = true } });
        Assert.Contains(ticked.Notices, n => n.Contains("otherwise than the log", StringComparison.Ordinal));
        Assert.DoesNotContain(ticked.AskSigns, a => a.Sign == Sign.NotShaken);
    }

    [Fact]
    public void Foam_and_card_are_not_stripped()
    {
        var basis = Coat(Technique.BaseCoat, RopeTan);
        foreach (var (substrate, strips) in new[] { (Substrate.Resin, true), (Substrate.Metal, true), (Substrate.Foam, false), (Substrate.Mdf, false), (Substrate.Card, false), (Substrate.Cork, false), (Substrate.Plaster, false) })
        {
            var said = Say(Case("ruboff", Stack(Zone(substrate: substrate), basis), basis, [1], []));
            Assert.Equal(strips, said.Offers.Any(o => o.Remedy.Kind == RemedyKind.Strip));
            Assert.Equal(!strips, said.Strip.Contains("not stripped", StringComparison.Ordinal));
            Assert.All(said.Offers.Where(o => o.Remedy.Kind == RemedyKind.Strip), o => Assert.Contains(o.Cautions, c => c.Contains("hidden spot", StringComparison.Ordinal)));
        }
    }

    [Fact]
    public void A_neighbour_that_was_sprayed_is_asked_about_unless_it_is_known_to_have_been_masked()
    {
        var basis = Coat(Technique.BaseCoat, RopeTan);
        var of = Case("overspray", Stack(basis), basis, [1], [], Entry(1, basis, 0));
        Assert.Contains(Say(of).AskSigns, a => a.Sign == Sign.NotMasked);
        bool Asks(params BesideEntry[] beside) => Say(of with { Beside = beside }).AskSigns.Any(a => a.Sign == Sign.NotMasked);
        var spray = new BesideEntry(1, "Deck", 60, 10, true);
        Assert.True(Asks(spray));
        Assert.False(Asks(spray with { Masked = true }));
        Assert.True(Asks(spray with { Masked = true }, spray));
        Assert.False(Asks(spray with { Sprayed = false }));
        Assert.True(Asks(spray with { Copy = 2, Masked = true }));
    }

    [Fact]
    public void What_touches_it_is_wet_for_as_long_as_it_is_not_touch_dry()
    {
        var (basis, wash) = (Coat(Technique.BaseCoat, RopeTan), Coat(Technique.Wash, KelpWash));
        var of = Case("ran", Stack(basis, wash), wash, [1], [], Entry(1, basis, 0), Entry(1, wash, 200));
        Diagnosed Beside(double at) => Say(of with { Beside = [new(1, "Walkway", at, 20, false)] });
        Assert.Contains(Beside(190).Causes.First(c => c.Key == "wet").For, f => f.Contains("Walkway beside it was wet", StringComparison.Ordinal));
        Assert.NotEmpty(Beside(100).Causes.First(c => c.Key == "wet").Against);
        Assert.Empty(Say(of).Causes.First(c => c.Key == "wet").Against);
    }

    [Fact]
    public void The_other_side_of_a_piece_that_lies_flat_counts_as_laid()
    {
        var (basis, wash) = (Coat(Technique.BaseCoat, RopeTan), Coat(Technique.Wash, KelpWash));
        var turned = Core.Evenings.Steps.TwoSided.Other(1);
        var of = Case("lifted", Stack(Zone(Relief.Panelled), basis, wash), wash, [1], [], Entry(1, basis, 0), Entry(1, basis, 100, pass: turned), Entry(1, wash, 105));
        Assert.Contains(Say(of).Causes[0].For, f => f.Contains("5 min after", StringComparison.Ordinal));
        Assert.DoesNotContain(Say(of with { Log = [.. of.Log.Where(l => l.Pass != turned)] }).Causes[0].For, f => f.Contains("min after", StringComparison.Ordinal));
    }

    // Stacks of every day, each with a fault or two that a painter may plan.
    private static IEnumerable<StackDraft> Everyday()
    {
        var random = new Random(11);
        Material[] paints = [RopeTan, Lampblack, SaltWhite, Paint("#7a8f6a"), Paint("#8a5a3a")];
        Material Any() => paints[random.Next(paints.Length)];
        for (var n = 0; n < Long.Times(60); n++)
        {
            var zone = Zone((Relief)random.Next(4), (Substrate)random.Next(9)) with { Handled = random.Next(2) == 0, AreaMm2 = random.Next(300, 9000), Copies = 4, SmallestDetailMm = random.Next(2) == 0 ? 0.3 : null, Rim = random.Next(3) == 0 };
            var coats = new List<Coat>();
            if (random.Next(2) == 0)
            {
                coats.Add(Coat(Technique.BaseCoat, Of(Family.PrimerWater)));
            }

            coats.Add(Coat(Technique.BaseCoat, Any(), random.Next(1, 3), fraction: random.Next(3) == 0 ? 0.3 : 0.7) with { Hand = random.Next(4) == 0 ? 1.6 : 1 });
            if (random.Next(4) == 0)
            {
                coats.Add(Coat(Technique.Varnish, Varnish((Sheen)random.Next(3)), fraction: 1));
            }

            coats.Add(random.Next(5) switch
            {
                0 => Coat(Technique.Wash, KelpWash),
                1 => Coat(Technique.PinWash, TarWash),
                2 => Coat(Technique.DryBrush, SaltWhite),
                3 => Coat(Technique.Pigment, Of(Family.Pigment)),
                _ => Coat(Technique.Filter, KelpWash),
            } with
            { OwnWaitMin = random.Next(4) == 0 ? 5 : null });
            if (random.Next(2) == 0)
            {
                coats.Add(Coat(random.Next(2) == 0 ? Technique.Varnish : Technique.VarnishSpray, Varnish(Sheen.Matt, random.Next(2) == 0 ? Family.VarnishWater : Family.VarnishLacquer), fraction: 1));
            }

            yield return Stack(zone, [.. coats]);
        }
    }

    [Fact]
    public void No_remedy_brings_a_stop_that_was_not_there()
    {
        foreach (var stack in Everyday())
        {
            var before = stack.Read();
            foreach (var symptom in SymptomBook.Book.Symptoms)
            {
                var of = new MendCase { Symptom = symptom, Stack = stack, Seen = [1] };
                foreach (var offer in RemedyOffers.Of(of, before, Build.Shelf, Guid.NewGuid))
                {
                    var mended = RemedyOffers.With(stack, of.CoatAt, [.. offer.Steps.Select(s => s.Coat)]);
                    var ids = offer.Steps.Select(s => s.Coat.Id).ToHashSet();
                    Assert.DoesNotContain(RuleBook.Read(mended, Predictor.PredictMiddle(mended)), f => f.Severity == Severity.Stop && ids.Contains(f.CoatId) && !before.Any(b => b.SameAs(f)));
                    Assert.All(offer.Steps, s => Assert.True(s.Minutes > 0 && s.Share is > 0 and <= 1));
                }
            }
        }
    }

    [Fact]
    public void Every_change_of_the_plan_takes_away_what_the_plan_itself_tells()
    {
        var (edits, gone) = (0, 0);
        foreach (var stack in Everyday())
        {
            foreach (var symptom in SymptomBook.Book.Symptoms)
            {
                var of = new MendCase { Symptom = symptom, Stack = stack, Seen = [1] };
                var reader = new SignReader(of);
                var found = reader.Read();
                foreach (var edit in symptom.Causes.SelectMany(c => NextCopies.Of(of, c, found, reader.Findings, Build.Shelf)).DistinctBy(e => e.Sign))
                {
                    edits++;
                    Assert.NotEqual(stack.Coats, edit.Draft.Coats);
                    var about = stack.Coats[of.CoatAt].Id;
                    var after = new SignReader(of with { Stack = edit.Draft, CoatId = about }).Read().FirstOrDefault(f => f.Sign == edit.Sign);
                    var reminder = edit.Draft.Coats.Count == stack.Coats.Count && edit.Draft.Coats.Zip(stack.Coats).All(p => (p.First with { Note = p.Second.Note }) == p.Second);
                    gone += after?.Seen == Presence.Present ? 0 : 1;
                    Assert.True(reminder || after?.Seen != Presence.Present, $"{symptom.Key}, {edit.Sign}: {edit.Words}");
                }
            }
        }

        Assert.InRange(edits, 50, int.MaxValue);
        Assert.InRange((double)gone / edits, 0.8, 1);
    }
}
