using System.Reflection;
using System.Text.Json;

namespace Lowfell.Core.Stacks;

/// <summary>One answer to a question on which good painters disagree.</summary>
/// <param name="Value">As it is chosen.</param>
/// <param name="Label">What it is called.</param>
/// <param name="Buys">What it buys.</param>
/// <param name="Costs">What it costs.</param>
public sealed record SchoolChoice(string Value, string Label, string Buys, string Costs);

/// <summary>A question on which good painters disagree.</summary>
/// <param name="Id">Its id: the preference that holds the choice.</param>
/// <param name="Question">As it is asked.</param>
/// <param name="Choices">The answers, the usual one first.</param>
public sealed record School(string Id, string Question, IReadOnlyList<SchoolChoice> Choices);

/// <summary>The questions whose answers change something, with what each answer buys and costs. A new question is one row and one preference.</summary>
public static class SchoolBook
{
    /// <summary>Every question, in the order of the work.</summary>
    public static IReadOnlyList<School> All { get; } =
    [
        Ask(nameof(Schools.GritGlue), "Glue for sand and grit",
            Answer(GritGlueSchool.Pva, "PVA", "Slow and cheap, reaches far when thinned.", "Wants a pass of thinned glue, or a covering coat, before brushes."),
            Answer(GritGlueSchool.SuperGlue, "Thick super glue", "Bonds in seconds and needs no sealing pass.", "Fumes, small areas at a time.")),
        Ask(nameof(Schools.Grit), "Grit before brushes",
            Answer(GritSchool.BrushOff, "Brush off what is loose", "On with it as soon as the glue is dry.", "A grain here and there comes off later."),
            Answer(GritSchool.GlueFirst, "Drip thinned glue over it", "Every grain holds.", "One more pass and its wait.")),
        Ask(nameof(Schools.Brittle), "Brittle crackle or texture",
            Answer(BrittleSchool.Gently, "Go on gently", "Wash and dry brush straight on it.", "A flake may come off under the brush."),
            Answer(BrittleSchool.SealFirst, "Two coats of varnish first", "It bears brushes and hands.", "An evening more.")),
        Ask(nameof(Schools.Shading), "Shading of a panel",
            Answer(ShadingSchool.PreShade, "Pre-shade", "Thin coats over a dark and light ground.", "One thick coat hides it."),
            Answer(ShadingSchool.Modulation, "Modulation", "Opaque tones put where you want them.", "More mixes to make and match.")),
        Ask(nameof(Schools.DryBrush), "Brush between dry-brush steps",
            Answer(ResidueSchool.Keep, "Keep the residue", "Soft steps: some of the last colour carries over.", "Less contrast."),
            Answer(ResidueSchool.Clean, "Clean it", "Crisp steps.", "A wipe and a wait each time.")),
        Ask(nameof(Schools.Highlights), "Edges that are highlighted",
            Answer(HighlightSchool.FacingLight, "Those that face the light", "Reads as light from above, and takes less time.", "The lower edges stay plain."),
            Answer(HighlightSchool.All, "All edges", "Every shape is drawn.", "More line to paint.")),
        Ask(nameof(Schools.Wash), "How much wash",
            Answer(WashSchool.TwoThin, "Two thin", "You stop when it is dark enough; no pools.", "Two coats to wait for."),
            Answer(WashSchool.OneGenerous, "One generous", "One go, darker recesses.", "Pools and rings where it stands.")),
        Ask(nameof(Schools.VehicleShade), "Shading a vehicle",
            Answer(VehicleShadeSchool.PinWash, "Pin wash over varnish", "Only the creases go dark.", "A varnish below it, and the cleaning up."),
            Answer(VehicleShadeSchool.ThinnedShade, "A shade in medium, panel by panel", "No varnish between, no spirit.", "Panels are shaded one by one."),
            Answer(VehicleShadeSchool.None, "None: edges and sponge", "Nothing to clean off.", "Panels read flat.")),
        Ask(nameof(Schools.Contrast), "Contrast of marks and edges",
            Answer(ContrastSchool.Exaggerate, "Exaggerate", "It reads from across the table.", "In the hand it looks drawn."),
            Answer(ContrastSchool.ToScale, "To scale", "Small chips and thin streaks, as in life.", "From the table much of it melts into one tone.")),
        Ask(nameof(Schools.Fidelity), "What it is held against",
            Answer(FidelitySchool.AsItReads, "How it reads at the table", "Minutes go where they are seen.", "It departs from the reference."),
            Answer(FidelitySchool.AsReference, "The reference", "Every detail is as it was, in the hand.", "Minutes go into what no one sees from the table.")),
        Ask(nameof(Schools.MarkPlaces), "Where marks of weather go",
            Answer(MarkPlaceSchool.Reasoned, "Where water stands and hands reach", "Every mark tells what happened there.", "What carries marks has to be counted."),
            Answer(MarkPlaceSchool.AtRandom, "At random", "Quick: nothing to count, and no two alike.", "A streak may begin where no water comes from.")),
        Ask(nameof(Schools.PinWashVarnish), "Varnish under a pin wash",
            Answer(PinWashSchool.Satin, "Satin", "The wash stays where it is put and still cleans off.", "It has to be led along the crease."),
            Answer(PinWashSchool.Gloss, "Gloss", "It runs furthest by itself and cleans off easiest.", "It may run too far.")),
        Ask(nameof(Schools.LayerVarnish), "Varnish between weathering layers",
            Answer(LayerVarnishSchool.OnceBefore, "Once before, then bare", "Layers blend into each other.", "A slip goes through to the layer below."),
            Answer(LayerVarnishSchool.AfterEach, "After each layer", "Each layer can be wiped off again.", "A coat and a wait for every layer.")),
        Ask(nameof(Schools.Pigments), "Pigments",
            Answer(PigmentSchool.Fixed, "Fix them", "They survive handling.", "Some of the powder look is lost."),
            Answer(PigmentSchool.Loose, "Leave them loose", "The dry look stays.", "Some falls off; no varnish after."),
            Answer(PigmentSchool.Varnished, "Varnish over them, layer by layer", "Nothing comes off any more.", "They darken and go flat; more is laid on to make up for it.")),
        Ask(nameof(Schools.FinalVarnish), "Final varnish on table pieces",
            Answer(FinalVarnishSchool.WhereHeld, "Where hands hold it", "Edges and rims are safe.", "One more coat there."),
            Answer(FinalVarnishSchool.None, "None", "Nothing to wait for; rubbed spots are touched up.", "Touching up after games."),
            Answer(FinalVarnishSchool.Always, "All that is handled, always", "Nothing rubs off.", "A coat over everything, and often an evening.")),
        Ask(nameof(Schools.Rim), "Rim of a base",
            Answer(RimSchool.NeutralDark, "One neutral dark for the whole force", "Everything belongs together, and a new base matches.", "Copies are told apart by a number underneath."),
            Answer(RimSchool.TeamColour, "The colour of its team, with copy numbers", "Teams and copies are told apart across the table.", "A number on each rim; a base changes teams with a new rim.")),
        Ask(nameof(Schools.WarmAir), "Hurrying with warm air",
            Answer(WarmAirSchool.BaseCoatsAndTextures, "Base coats and textures", "A base coat is ready in a quarter of the time.", "Never for washes, solvents or foam."),
            Answer(WarmAirSchool.CracklePaintToo, "Thin crackle paint too", "Its cracks open at once.", "Thick paste is spoiled by it all the same."),
            Answer(WarmAirSchool.Never, "Never", "Nothing skins over or warps.", "Every coat takes its time.")),
    ];

    /// <summary>A question by its id; null where there is none.</summary>
    public static School? Of(string id) => All.FirstOrDefault(s => s.Id == id);

    /// <summary>What is chosen of a question.</summary>
    /// <param name="schools">The preferences.</param>
    /// <param name="id">The question, which has to be one of <see cref="All"/>.</param>
    public static string ValueOf(Schools schools, string id) => JsonNamingPolicy.CamelCase.ConvertName(Preference(id).GetValue(schools)!.ToString()!);

    /// <summary>The preferences with another answer.</summary>
    /// <param name="schools">The preferences.</param>
    /// <param name="id">The question, which has to be one of <see cref="All"/>.</param>
    /// <param name="value">One of its answers.</param>
    public static Schools With(Schools schools, string id, string value)
    {
        var changed = schools with { };
        var preference = Preference(id);
        preference.SetValue(changed, Enum.Parse(preference.PropertyType, value, ignoreCase: true));
        return changed;
    }

    private static PropertyInfo Preference(string id) => typeof(Schools).GetProperties().Single(p => JsonNamingPolicy.CamelCase.ConvertName(p.Name) == id);

    private static School Ask(string preference, string question, params SchoolChoice[] choices) => new(JsonNamingPolicy.CamelCase.ConvertName(preference), question, choices);

    private static SchoolChoice Answer<T>(T value, string label, string buys, string costs)
        where T : struct, Enum => new(JsonNamingPolicy.CamelCase.ConvertName(value.ToString()), label, buys, costs);
}
