using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Ready;

/// <summary>Tells a painter's own stack by roles, so that it can be painted from another shelf.</summary>
public static class SchemeWriting
{
    /// <summary>The stack as a scheme: what it comes out as now is what it should look like.</summary>
    /// <param name="name">Name.</param>
    /// <param name="draft">The stack; what is left out of it is not told.</param>
    /// <param name="suits">Kinds of things that it suits.</param>
    public static ReadyScheme Of(string name, StackDraft draft, IReadOnlyList<ThingKind> suits)
    {
        ArgumentNullException.ThrowIfNull(draft);
        var top = Predictor.PredictMiddle(draft).Top;
        return new()
        {
            Name = name,
            Suits = suits,
            Substrate = draft.Zone.Substrate,
            Relief = draft.Zone.Relief,
            Finish = draft.Zone.Finish,
            Look = new(top.Recess.Colour.ToString(), top.Face.Colour.ToString(), top.Edge.Colour.ToString()),
            Coats = [.. draft.Coats.Select((c, i) => (Coat: c, Place: i)).Where(c => !c.Coat.Skipped).Select(c => Of(draft, c.Coat, c.Place))],
        };
    }

    private static RoleCoat Of(StackDraft draft, Coat coat, int place)
    {
        var role = RoleOf(draft, coat, place);
        var clear = coat.Paint?.Lead.Clear != false;
        return new()
        {
            Role = role,
            By = coat.Technique,
            Family = coat.Family,
            Colour = clear ? null : ColourOf(draft, coat, place).ToString(),
            Sheen = coat.Family?.IsVarnish() == true ? coat.Paint!.Lead.Sheen : null,
            Metal = coat.Effect == Effect.Metallic,
            Passes = coat.Passes,
            Hand = coat.Hand,
            PaintFraction = coat.How.Thins && coat.LeavesFilm ? coat.Dilution.PaintFraction : null,
            Marks = coat.Marks,
            Fade = coat.Fade,
            WhileWet = coat.WhileWet,
            Optional = coat.Optional,
            Note = coat.Note,
        };
    }

    // Of a mix what it would be if it hid.
    private static Srgb ColourOf(StackDraft draft, Coat coat, int place) =>
        coat.MixedTo ?? coat.Material?.Colour ?? Predictor.WalkTo(draft, place).Masstone(1, Predictor.Prepare(draft, place, null)).ToSrgb();

    private static SchemeRole RoleOf(StackDraft draft, Coat coat, int place)
    {
        var role = (coat.How.Role, coat.What?.Kind) switch
        {
            (Role.Shade, _) => SchemeRole.Zenithal,
            (_, Kind.Primer) => SchemeRole.Primer,
            (Role.Varnish, _) => draft.Coats.Skip(place + 1).Any(c => !c.Skipped && c.LeavesFilm && c.What!.Kind != Kind.Powder && c.How.Role != Role.Fixer) ? SchemeRole.Barrier : SchemeRole.Seal,
            (Role.Seal or Role.Drip, _) => SchemeRole.Sealer,
            (Role.Field, _) => draft.Coats.Take(place).Any(c => c.How.Covers && c.What?.Kind == Kind.Paint) ? SchemeRole.Patches : SchemeRole.Base,
            (Role.DryBrush, _) => coat.Effect == Effect.Metallic ? SchemeRole.Metal : SchemeRole.Light,
            (Role.AllOverWash, _) => SchemeRole.Shade,
            _ => Plain.GetValueOrDefault(coat.Technique, SchemeRole.Other),
        };

        // What no way of the role is done so stays as it is written.
        return role.Ways().Any(w => w.Technique == coat.Technique && coat.Family is { } family && w.Families.Contains(family)) ? role : SchemeRole.Other;
    }

    private static readonly Dictionary<Technique, SchemeRole> Plain = new()
    {
        [Technique.BaseCoat] = SchemeRole.Base,
        [Technique.SprayCan] = SchemeRole.Base,
        [Technique.Airbrush] = SchemeRole.Base,
        [Technique.Overbrush] = SchemeRole.Overbrush,
        [Technique.Layer] = SchemeRole.Layer,
        [Technique.EdgeHighlight] = SchemeRole.Edge,
        [Technique.Glaze] = SchemeRole.Glaze,
        [Technique.Filter] = SchemeRole.Filter,
        [Technique.PinWash] = SchemeRole.PinWash,
        [Technique.SpongeChipping] = SchemeRole.Chips,
        [Technique.Stipple] = SchemeRole.Patches,
        [Technique.Speckle] = SchemeRole.Speckles,
        [Technique.Pigment] = SchemeRole.Dust,
        [Technique.FixPigment] = SchemeRole.Fixing,
        [Technique.Texture] = SchemeRole.Texture,
        [Technique.GritInGlue] = SchemeRole.Grit,
        [Technique.CracklePaste] = SchemeRole.Crackle,
    };
}
