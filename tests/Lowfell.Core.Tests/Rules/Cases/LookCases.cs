using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Rules;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using static Lowfell.Core.Tests.Rules.Cases.Craft;
using static Lowfell.Core.Tests.Rules.Cases.RuleCase;

namespace Lowfell.Core.Tests.Rules.Cases;

/// <summary>Rules of the look and of the place.</summary>
internal static class LookCases
{
    // A streak of it on the usual green is lost from a metre and seen from close by.
    private const string BetweenTableAndLean = "#637258";

    public static RuleCase[] All { get; } =
    [
        // wash-on-flat
        Fine(
            "wash-on-flat",
            "a wash on rough stone",
            Stone,
            Primer(),
            Base(),
            Wash(),
            Matt()),
        Fault(
            "wash-on-flat",
            Severity.Risk,
            "a wash all over a smooth plate",
            Plate,
            Primer(),
            Base(),
            Wash(),
            Matt()),
        Fault(
            "wash-on-flat",
            Severity.Note,
            "one that is mostly medium",
            Plate,
            Primer(),
            Base(),
            Wash(0.4) with { Thinner = Thinner.AcrylicMedium },
            Matt()),
        Under(
            "wash-on-flat",
            null,
            "vehicleShade",
            "thinnedShade",
            Plate,
            Primer(),
            Base(),
            Wash(0.4) with { Thinner = Thinner.AcrylicMedium },
            Matt()),

        // heavy-wash
        Fine(
            "heavy-wash",
            "a wash thinned to four in ten",
            Stone,
            Primer(),
            Base(),
            Wash(0.4),
            Matt()),
        Fault(
            "heavy-wash",
            Severity.Note,
            "one generous wash, neat",
            Stone,
            Primer(),
            Base(),
            Wash(1),
            Matt()),
        Under(
            "heavy-wash",
            null,
            "wash",
            "oneGenerous",
            Stone,
            Primer(),
            Base(),
            Wash(1),
            Matt()),

        // pooling
        Fine(
            "pooling",
            "a middle hand",
            Stone,
            Primer(),
            Base(),
            Wash(0.4),
            Matt()),
        Fault(
            "pooling",
            Severity.Note,
            "a wash with a heavy hand",
            Stone,
            Primer(),
            Base(),
            Wash(0.4) with { Hand = 1.5 },
            Matt()),
        Fault(
            "pooling",
            Severity.Note,
            "matt brushed on twice",
            Stone,
            Primer(),
            Base(),
            Coat(Technique.Varnish, Of(Family.VarnishWater, sheen: Sheen.Matt), passes: 2)),

        // crackle-ground
        Fine(
            "crackle-ground",
            "medium, then one generous coat",
            Stone,
            Primer(),
            Base("#3a2c20"),
            Coat(Technique.CrackleMedium, Of(Family.CrackleMedium)),
            Base("#d8cfb4", 0.9),
            Matt()),
        Fault(
            "crackle-ground",
            Severity.Risk,
            "a thin coat over clear medium",
            Stone,
            Primer(),
            Base("#3a2c20"),
            Coat(Technique.CrackleMedium, Of(Family.CrackleMedium)),
            Base("#d8cfb4", 0.6),
            Matt()),
        Fault(
            "crackle-ground",
            Severity.Risk,
            "two passes over clear medium",
            Stone,
            Primer(),
            Base("#3a2c20"),
            Coat(Technique.CrackleMedium, Of(Family.CrackleMedium)),
            Base("#d8cfb4", 0.9, 2),
            Matt()),
        Fault(
            "crackle-ground",
            Severity.Risk,
            "another colour below than is wanted in the cracks",
            Stone with { CrackColour = Srgb.Parse("#b02a20") },
            Primer(),
            Base("#3a2c20"),
            Coat(Technique.CrackleMedium, Of(Family.CrackleMedium)),
            Base("#d8cfb4", 0.9),
            Matt()),

        // shading-lost
        Fine(
            "shading-lost",
            "a thin tone over a zenithal",
            Stone,
            Primer("#1f1f22"),
            Coat(Technique.Zenithal, Of(Family.AcrylicPaint, "#d8cfb4")),
            Airbrush(fraction: 0.4),
            Matt()),
        Fault(
            "shading-lost",
            Severity.Risk,
            "a wash under three opaque passes",
            Stone,
            Primer(),
            Base("#b59a6b", passes: 2),
            Wash(),
            Base("#8a8375", passes: 3),
            Matt()),
        Fault(
            "shading-lost",
            Severity.Note,
            "a zenithal that is hidden, and a wash shades anew",
            Stone with { Facing = Facing.Up },
            Primer("#1f1f22"),
            Coat(Technique.Zenithal, Of(Family.AcrylicPaint, "#d8cfb4"), passes: 2),
            Base("#5b6a50", passes: 3),
            Wash(),
            Matt()),

        // chroma-lost
        Fine(
            "chroma-lost",
            "a dull stone, dry brushed light",
            Stone,
            Primer(),
            Base("#8a8375", passes: 2),
            DryBrush()),
        Fault(
            "chroma-lost",
            Severity.Note,
            "white dragged over a strong red",
            Stone,
            Primer("#e8e6e0"),
            Base("#c01818", passes: 3),
            Coat(Technique.Overbrush, Of(Family.AcrylicPaint, "#f4f2ec")),
            Matt()),

        // modulation-over-preshade
        Fine(
            "modulation-over-preshade",
            "modulation on plain primer",
            Resin,
            Primer(),
            Coat(Technique.Modulation, Of(Family.AcrylicPaint, "#7a8f6a"), passes: 2),
            Matt()),
        Fault(
            "modulation-over-preshade",
            Severity.Note,
            "both on one panel",
            Resin,
            Primer("#b9b6ae"),
            Coat(Technique.PreShade, Of(Family.AcrylicPaint, "#2a2620")),
            Coat(Technique.Modulation, Of(Family.AcrylicPaint, "#7a8f6a"), passes: 2),
            Matt()),
        Under(
            "modulation-over-preshade",
            Severity.Note,
            "shading",
            "modulation",
            Resin,
            Primer("#b9b6ae"),
            Coat(Technique.PreShade, Of(Family.AcrylicPaint, "#2a2620")),
            Coat(Technique.Modulation, Of(Family.AcrylicPaint, "#7a8f6a"), passes: 2),
            Matt()),

        // colour-drift
        Fine(
            "colour-drift",
            "it lands where it should",
            Stone with { Target = Srgb.Parse("#5b6a50"), Tolerance = 5 },
            Primer(),
            Base("#5b6a50", passes: 3)),
        Fine(
            "colour-drift",
            "no target, no drift",
            Stone,
            Primer(),
            Base("#c01818", passes: 3)),
        Fault(
            "colour-drift",
            Severity.Risk,
            "a wash takes it away from its target",
            Stone with { Target = Srgb.Parse("#b59a6b"), Tolerance = 3 },
            Primer(),
            Base("#b59a6b", passes: 3),
            Wash(1)),

        // needs-light-ground
        Fine(
            "needs-light-ground",
            "yellow over white",
            Resin,
            Primer("#f2f0ea"),
            Base("#f0c020", passes: 2),
            Matt()),
        Fault(
            "needs-light-ground",
            Severity.Note,
            "yellow over black",
            Resin,
            Primer("#141416"),
            Base("#f0c020", 0.5, 4),
            Matt()),

        // filter-too-strong
        Fine(
            "filter-too-strong",
            "a weak filter",
            Resin,
            Primer(),
            Base(),
            Satin(),
            Coat(Technique.Filter, Of(Family.OilPaint, "#6a5a3a"), 0.05),
            Matt()),
        Fault(
            "filter-too-strong",
            Severity.Note,
            "white over black, hardly thinned",
            Resin,
            Primer("#141416"),
            Base("#1c1c1e", passes: 2),
            Satin(),
            Coat(Technique.Filter, Of(Family.AcrylicPaint, "#f4f2ec"), 0.6),
            Matt()),

        // no-visible-change
        Fine(
            "no-visible-change",
            "another tone is seen",
            Stone,
            Primer(),
            Base(passes: 2),
            DryBrush()),
        Fine(
            "no-visible-change",
            "a varnish is not there for its colour",
            Stone,
            Primer(),
            Base(passes: 2),
            Matt()),
        Fault(
            "no-visible-change",
            Severity.Note,
            "a dry brush of nearly the base",
            Stone,
            Primer(),
            Base("#5b6a50", passes: 3),
            DryBrush("#5c6b51"),
            Matt()),

        // unseen-work
        Fine(
            "unseen-work",
            "a wash on many copies is seen",
            Stone with { Copies = 12, AreaMm2 = 15_000 },
            Primer(),
            Base(passes: 2),
            Coat(Technique.Wash, Of(Family.AcrylicWash, "#3b2a1c")),
            DryBrush(),
            Matt()),
        Fine(
            "unseen-work",
            "a faint filter on one small copy takes no time",
            Stone with { Copies = 1, AreaMm2 = 2000 },
            Primer(),
            Base(passes: 2),
            Coat(Technique.Filter, Of(Family.AcrylicPaint, "#8a7a5a"), fraction: 0.05),
            Matt()),
        Fine(
            "unseen-work",
            "what may be left out is known to be faint",
            Stone with { Copies = 12, AreaMm2 = 15_000 },
            Primer(),
            Base("#5b6a50", passes: 3),
            Coat(Technique.Streak, Of(Family.AcrylicPaint, "#5f6e54")) with { Optional = true },
            Matt()),
        Fault(
            "unseen-work",
            Severity.Note,
            "streaks in nearly the tone of the face, on twelve copies",
            Stone with { Copies = 12, AreaMm2 = 15_000 },
            Primer(),
            Base("#5b6a50", passes: 3),
            Coat(Technique.Streak, Of(Family.AcrylicPaint, "#5f6e54")),
            Matt()),

        Under(
            "unseen-work",
            null,
            "contrast",
            "toScale",
            Stone with { Copies = 12, AreaMm2 = 15_000 },
            Primer(),
            Base("#5b6a50", passes: 3),
            Coat(Technique.Streak, Of(Family.AcrylicPaint, BetweenTableAndLean)),
            Matt()),
        Under(
            "unseen-work",
            Severity.Note,
            "contrast",
            "exaggerate",
            Stone with { Copies = 12, AreaMm2 = 15_000 },
            Primer(),
            Base("#5b6a50", passes: 3),
            Coat(Technique.Streak, Of(Family.AcrylicPaint, BetweenTableAndLean)),
            Matt()),
        Under(
            "unseen-work",
            null,
            "fidelity",
            "asReference",
            Stone with { Copies = 12, AreaMm2 = 15_000 },
            Primer(),
            Base("#5b6a50", passes: 3),
            Coat(Technique.Streak, Of(Family.AcrylicPaint, BetweenTableAndLean)),
            Matt()),

        // wrong-finish
        Fine(
            "wrong-finish",
            "matt as it should be",
            Stone,
            Primer(),
            Base(),
            Matt()),
        Fault(
            "wrong-finish",
            Severity.Risk,
            "gloss for matt",
            Stone,
            Primer(),
            Base(),
            Varnish(Sheen.Gloss)),
        Fault(
            "wrong-finish",
            Severity.Note,
            "satin for matt",
            Stone,
            Primer(),
            Base(),
            Varnish(Sheen.Satin)),

        // gloss-lost
        Fine(
            "gloss-lost",
            "matt over paint",
            Stone,
            Primer(),
            Base(),
            Matt()),
        Fault(
            "gloss-lost",
            Severity.Note,
            "matt over metal",
            Resin,
            Primer(),
            Coat(Technique.BaseCoat, Of(Family.AcrylicPaint, "#9a9a9e") with { Effect = Effect.Metallic }, passes: 2),
            Matt()),

        // build-fills-detail
        Fine(
            "build-fills-detail",
            "thin coats over fine lines",
            Resin with { SmallestDetailMm = 0.4 },
            Primer(),
            Base(),
            Matt()),
        Fine(
            "build-fills-detail",
            "no fine lines",
            Resin,
            Primer(),
            Base(passes: 8),
            Matt()),
        Fault(
            "build-fills-detail",
            Severity.Risk,
            "six brushed passes over a tenth of a millimetre",
            Resin with { SmallestDetailMm = 0.1 },
            Primer(),
            Base(fraction: 1, passes: 6),
            Matt()),

        // streak-too-wide, chip-too-big, grain-out-of-scale
        Fine(
            "streak-too-wide",
            "a third of a millimetre is two centimetres in life",
            Resin,
            Primer(),
            Base(),
            Coat(Technique.Streak, Of(Family.AcrylicPaint, "#6e4a2a")) with { Marks = new(6, 0.35, 9) },
            Matt()),
        Fault(
            "streak-too-wide",
            Severity.Note,
            "three millimetres",
            Resin,
            Primer(),
            Base(),
            Coat(Technique.Streak, Of(Family.AcrylicPaint, "#6e4a2a")) with { Marks = new(6, 3, 20) },
            Matt()),
        Under(
            "streak-too-wide",
            null,
            "contrast",
            "exaggerate",
            Resin,
            Primer(),
            Base(),
            Coat(Technique.Streak, Of(Family.AcrylicPaint, "#6e4a2a")) with { Marks = new(6, 1, 12) },
            Matt()),
        Under(
            "streak-too-wide",
            Severity.Note,
            "contrast",
            "toScale",
            Resin,
            Primer(),
            Base(),
            Coat(Technique.Streak, Of(Family.AcrylicPaint, "#6e4a2a")) with { Marks = new(6, 1, 12) },
            Matt()),
        Fine(
            "chip-too-big",
            "a chip of half a millimetre",
            Resin,
            Primer(),
            Base(),
            Coat(Technique.SpongeChipping, Of(Family.AcrylicPaint, "#3a2c20")) with { Marks = new(40, 0.4, 0.5) },
            Matt()),
        Fault(
            "chip-too-big",
            Severity.Note,
            "a chip of four millimetres",
            Resin,
            Primer(),
            Base(),
            Coat(Technique.SpongeChipping, Of(Family.AcrylicPaint, "#3a2c20")) with { Marks = new(6, 4, 4) },
            Matt()),
        Under(
            "chip-too-big",
            null,
            "contrast",
            "exaggerate",
            Resin,
            Primer(),
            Base(),
            Coat(Technique.SpongeChipping, Of(Family.AcrylicPaint, "#3a2c20")) with { Marks = new(6, 1.5, 1.5) },
            Matt()),
        Under(
            "chip-too-big",
            Severity.Note,
            "contrast",
            "toScale",
            Resin,
            Primer(),
            Base(),
            Coat(Technique.SpongeChipping, Of(Family.AcrylicPaint, "#3a2c20")) with { Marks = new(6, 1.5, 1.5) },
            Matt()),
        Fine(
            "grain-out-of-scale",
            "sand of three tenths",
            Stone,
            Coat(Technique.GritInGlue, Of(Family.Grit)) with { Marks = new(2000, 0.3, 0.3) },
            Primer(),
            Base()),
        Fault(
            "grain-out-of-scale",
            Severity.Note,
            "gravel of three millimetres",
            Stone,
            Coat(Technique.GritInGlue, Of(Family.Grit)) with { Marks = new(200, 3, 3) },
            Primer(),
            Base()),
        Under(
            "grain-out-of-scale",
            null,
            "contrast",
            "exaggerate",
            Stone,
            Coat(Technique.GritInGlue, Of(Family.Grit)) with { Marks = new(300, 1.8, 1.8) },
            Primer(),
            Base()),
        Under(
            "grain-out-of-scale",
            Severity.Note,
            "contrast",
            "toScale",
            Stone,
            Coat(Technique.GritInGlue, Of(Family.Grit)) with { Marks = new(300, 1.8, 1.8) },
            Primer(),
            Base()),
    ];
}
