using System.Collections.Concurrent;
using CsCheck;
using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Xunit;

namespace Lowfell.Core.Tests.Rules;

/// <summary>What must hold of every mend, on stacks as wild as a beginner's.</summary>
public sealed class MendTests
{
    private static readonly Material[] Anything =
    [
        .. Build.Shelf.Materials,
        .. Enum.GetValues<Family>().Select(f => Build.Of(f, "#6a5c48", f.Facts().Clear ? Sheen.Satin : Sheen.Matt)),
        Build.Varnish(Sheen.Matt, Family.VarnishLacquer), Build.Varnish(Sheen.Gloss, Family.VarnishEnamel),
        Build.Paint("#8a8a8a", 0.95, sheen: Sheen.Gloss, name: "Iron") with { Effect = Effect.Metallic },
    ];

    private static readonly Gen<Coat> AnyCoat = Gen.Select(
        Gen.Enum<Technique>(), Gen.OneOf(Anything), Gen.Int[1, 4], Gen.Double[0.05, 1], Gen.Enum<Thinner>(), Gen.Bool, Gen.Bool, Gen.Int[0, 9],
        (technique, material, passes, fraction, thinner, hurried, cured, chance) =>
        {
            var coat = new Coat
            {
                Id = Guid.NewGuid(),
                Technique = technique,
                Passes = passes,
                Dilution = Dilution.Of(chance < 5 ? Math.Max(0.5, fraction) : fraction),
                Thinner = chance < 7 ? material.Family.Facts().OwnThinner : thinner,
                Hurried = hurried && chance > 6,
                Wait = cured ? Wait.Cured : Wait.RecoatDry,
                Skipped = chance == 9,
            };
            return technique == Technique.OpenChips ? coat : coat.Of(material);
        });

    private static readonly Gen<Zone> AnyZone = Gen.Select(
        Gen.Enum<Relief>(), Gen.Enum<Facing>(), Gen.Enum<Substrate>(), Gen.Bool, Gen.Bool, Gen.OneOf<Srgb?>(null, Srgb.Parse("#8a7a58"), Srgb.Parse("#3d4a33")), Gen.OneOf<double?>(null, 0.3, 0.8),
        (relief, facing, substrate, handled, edges, target, detail) => new Zone
        {
            Relief = relief,
            Facing = facing,
            Substrate = substrate,
            Handled = handled,
            CutEdges = edges,
            Target = target,
            SmallestDetailMm = detail,
            AreaMm2 = 6000,
            Tolerance = 6,
        });

    private static readonly Gen<Schools> AnySchools = Gen.Select(
        Gen.OneOf(Sheen.Satin, Sheen.Gloss), Gen.Enum<WashSchool>(), Gen.Enum<PigmentSchool>(), Gen.Enum<WarmAirSchool>(), Gen.Enum<ShadingSchool>(), Gen.Enum<GritGlueSchool>(),
        (varnish, wash, pigments, air, shading, glue) => new Schools { PinWashVarnish = varnish, Wash = wash, Pigments = pigments, WarmAir = air, Shading = shading, GritGlue = glue });

    private static readonly Gen<StackDraft> AnyStack = Gen.Select(AnyZone, AnySchools, AnyCoat.Array[1, 9], (zone, schools, coats) => new StackDraft(zone, schools, coats));

    [Fact]
    public void Each_mend_removes_its_finding()
    {
        var seen = new ConcurrentDictionary<string, bool>();
        AnyStack.Sample(draft => MendAll(draft, seen), iter: 5000);

        // A property that never met a rule would hold for nothing.
        Assert.Equal(RuleBook.Ids.Order(), seen.Keys.Order());
    }

    private static void MendAll(StackDraft draft, ConcurrentDictionary<string, bool> seen)
    {
        foreach (var finding in draft.Read())
        {
            seen[finding.Rule] = true;
            foreach (var mend in finding.Mends)
            {
                var left = mend.Apply().Read();
                Assert.False(
                    left.Any(f => f.Rule == finding.Rule && f.CoatId == finding.CoatId && f.Aspect == finding.Aspect),
                    $"{finding.Rule}/{mend.Id} ({mend.Label}) leaves: {finding.What}\n{Tell(draft)}");
            }
        }
    }

    [Fact]
    public void A_mend_gives_a_sound_stack_and_leaves_the_old_one_alone() => AnyStack.Sample(
        draft =>
        {
            var before = draft.Coats.ToList();
            foreach (var (finding, mend) in draft.Read().SelectMany(f => f.Mends.Select(m => (f, m))))
            {
                var mended = mend.Apply();
                Assert.Equal(before, draft.Coats);
                Assert.Equal(mended.Coats.Count, mended.Coats.Select(c => c.Id).Distinct().Count());
                Assert.DoesNotContain(Guid.Empty, mended.Coats.Select(c => c.Id));
                Assert.All(mended.Coats, c => Assert.True(c.Passes is >= 1 and <= Coat.MostPasses && c.Dilution.PaintFraction is > 0 and <= 1));
                Assert.All(mended.Coats, c => Assert.True(c.Paint is not null || c.Technique == Technique.OpenChips));
                Assert.True(Shape(draft) != Shape(mended), $"{finding.Rule}/{mend.Id} changes nothing:\n{Tell(draft)}");
            }
        },
        iter: 1000);

    [Fact]
    public void Reading_a_stack_twice_finds_the_same() => AnyStack.Sample(
        draft => Assert.Equal(draft.Read().Select(f => (f.Rule, f.CoatId, f.Gap, f.What)), draft.Read().Select(f => (f.Rule, f.CoatId, f.Gap, f.What))),
        iter: 500);

    [Fact]
    public void Every_prediction_of_a_wild_stack_is_a_colour() => AnyStack.Sample(
        draft => Assert.All(Predictor.Predict(draft).Strata, s => Assert.True(double.IsFinite(s.Face.Lab.L) && s.Face.Lab.L is >= -0.01 and <= 100.5)),
        iter: 500);

    private static string Tell(StackDraft draft) =>
        $"{draft.Zone}\n{draft.Schools}\n" + string.Join("\n", draft.Coats.Select(c => $"{c.Technique} {c.Paint?.Lead.Name} ({c.Family}) x{c.Passes} {c.Dilution.PaintFraction:0.00} {c.Thinner} {c.Wait}{(c.Skipped ? " skipped" : "")}"));

    private static string Shape(StackDraft draft) => string.Join("|", draft.Coats);
}
