using Lowfell.Core.Materials;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Ready;

/// <summary>What a coat of a ready scheme is there for. With what it is done follows from the shelf and the tools.</summary>
public enum SchemeRole
{
    /// <summary>Closes a ground that drinks or melts.</summary>
    [Said("sealer")]
    Sealer,

    /// <summary>Paste that makes the surface.</summary>
    [Said("texture")]
    Texture,

    /// <summary>Sand or grit in glue.</summary>
    [Said("grit")]
    Grit,

    /// <summary>Paste that cracks.</summary>
    [Said("crackle")]
    Crackle,

    /// <summary>First coat.</summary>
    [Said("primer")]
    Primer,

    /// <summary>Light from above over a dark ground.</summary>
    [Said("light from above")]
    Zenithal,

    /// <summary>The colour of the thing.</summary>
    [Said("base")]
    Base,

    /// <summary>The colour again on all but the recess.</summary>
    [Said("overbrush")]
    Overbrush,

    /// <summary>A covering tone on face and edge that leaves the recess.</summary>
    [Said("layer")]
    Layer,

    /// <summary>A lighter tone dusted on the edges.</summary>
    [Said("light")]
    Light,

    /// <summary>A line on the raised edges.</summary>
    [Said("edges")]
    Edge,

    /// <summary>Darkens what lies deep.</summary>
    [Said("shade")]
    Shade,

    /// <summary>Shifts the whole by a thin tint.</summary>
    [Said("filter")]
    Filter,

    /// <summary>A transparent colour.</summary>
    [Said("glaze")]
    Glaze,

    /// <summary>Varnish that protects from what comes after.</summary>
    [Said("barrier")]
    Barrier,

    /// <summary>Dark along creases alone.</summary>
    [Said("pin wash")]
    PinWash,

    /// <summary>Patches in another tone.</summary>
    [Said("patches")]
    Patches,

    /// <summary>Chips of the paint.</summary>
    [Said("chips")]
    Chips,

    /// <summary>Flicked spots.</summary>
    [Said("speckles")]
    Speckles,

    /// <summary>Dust.</summary>
    [Said("dust")]
    Dust,

    /// <summary>Binds dust.</summary>
    [Said("fixing")]
    Fixing,

    /// <summary>Last varnish.</summary>
    [Said("seal")]
    Seal,

    /// <summary>Bright metal on edges, after the seal.</summary>
    [Said("metal")]
    Metal,

    /// <summary>Something else, by the technique and family that it is written with.</summary>
    [Said("as written")]
    Other,
}

/// <summary>One way to do what a role is there for.</summary>
/// <param name="Technique">How it is laid.</param>
/// <param name="Families">Of which families.</param>
/// <param name="PaintFraction">How far it is thinned where that is not the family's usual.</param>
/// <param name="Medium">Thinned with medium in place of the family's own thinner.</param>
/// <param name="Passes">Passes where it takes more than one.</param>
public sealed record RoleWay(Technique Technique, IReadOnlyList<Family> Families, double? PaintFraction = null, bool Medium = false, int Passes = 1);

/// <summary>What a role may be done with, the usual way first. Craft knowledge; a new way is one row.</summary>
public static class RoleWays
{
    private static readonly Dictionary<SchemeRole, RoleWay[]> Rows = new()
    {
        [SchemeRole.Sealer] = [new(Technique.Seal, [Family.Pva]), new(Technique.Varnish, [Family.VarnishWater]), new(Technique.BaseCoat, [Family.PrimerWater])],
        [SchemeRole.Texture] = [new(Technique.Texture, [Family.TexturePaste, Family.Skim])],
        [SchemeRole.Grit] = [new(Technique.GritInGlue, [Family.Grit])],
        [SchemeRole.Crackle] = [new(Technique.CracklePaste, [Family.CracklePaste]), new(Technique.Texture, [Family.TexturePaste, Family.Skim])],
        [SchemeRole.Primer] = [new(Technique.SprayCan, [Family.PrimerAerosol]), new(Technique.Airbrush, [Family.PrimerWater], Passes: 2), new(Technique.BaseCoat, [Family.PrimerWater]), new(Technique.BaseCoat, [Family.AcrylicPaint])],
        [SchemeRole.Zenithal] = [new(Technique.Zenithal, [Family.AcrylicPaint, Family.PrimerWater]), new(Technique.Zenithal, [Family.PrimerAerosol]), new(Technique.Overbrush, [Family.AcrylicPaint])],
        [SchemeRole.Base] = [new(Technique.BaseCoat, [Family.AcrylicPaint]), new(Technique.Airbrush, [Family.AcrylicPaint, Family.Lacquer]), new(Technique.Sponge, [Family.AcrylicPaint]), new(Technique.BaseCoat, [Family.EnamelPaint])],
        [SchemeRole.Overbrush] = [new(Technique.Overbrush, [Family.AcrylicPaint]), new(Technique.Sponge, [Family.AcrylicPaint])],
        [SchemeRole.Layer] = [new(Technique.Layer, [Family.AcrylicPaint]), new(Technique.Overbrush, [Family.AcrylicPaint], Passes: 2)],
        [SchemeRole.Light] = [new(Technique.DryBrush, [Family.AcrylicPaint]), new(Technique.Sponge, [Family.AcrylicPaint])],
        [SchemeRole.Edge] = [new(Technique.EdgeHighlight, [Family.AcrylicPaint]), new(Technique.DryBrush, [Family.AcrylicPaint])],
        [SchemeRole.Shade] = [new(Technique.Wash, [Family.AcrylicWash]), new(Technique.ThinnedWash, [Family.Ink]), new(Technique.ThinnedWash, [Family.AcrylicPaint], 0.15, Medium: true)],
        [SchemeRole.Filter] = [new(Technique.Filter, [Family.EnamelWash, Family.OilWash]), new(Technique.Filter, [Family.AcrylicWash]), new(Technique.Glaze, [Family.AcrylicPaint], 0.15, Medium: true)],
        [SchemeRole.Glaze] = [new(Technique.Glaze, [Family.AcrylicWash, Family.Ink]), new(Technique.Glaze, [Family.AcrylicPaint], 0.3, Medium: true)],
        [SchemeRole.Barrier] = [new(Technique.VarnishSpray, [Family.VarnishLacquer]), new(Technique.VarnishSpray, [Family.VarnishWater], 1), new(Technique.Varnish, [Family.VarnishWater])],
        [SchemeRole.PinWash] = [new(Technique.PinWash, [Family.EnamelWash, Family.OilWash, Family.OilPaint]), new(Technique.PinWash, [Family.AcrylicWash])],
        [SchemeRole.Patches] = [new(Technique.Sponge, [Family.AcrylicPaint]), new(Technique.Stipple, [Family.AcrylicPaint])],
        [SchemeRole.Chips] = [new(Technique.SpongeChipping, [Family.AcrylicPaint]), new(Technique.Stipple, [Family.AcrylicPaint])],
        [SchemeRole.Speckles] = [new(Technique.Speckle, [Family.AcrylicPaint])],
        [SchemeRole.Dust] = [new(Technique.Pigment, [Family.Pigment]), new(Technique.DryBrush, [Family.AcrylicPaint])],
        [SchemeRole.Fixing] = [new(Technique.FixPigment, [Family.AcrylicMedium])],
        [SchemeRole.Seal] = [new(Technique.VarnishSpray, [Family.VarnishLacquer]), new(Technique.VarnishSpray, [Family.VarnishWater], 1), new(Technique.Varnish, [Family.VarnishWater]), new(Technique.Varnish, [Family.VarnishEnamel])],
        [SchemeRole.Metal] = [new(Technique.DryBrush, [Family.AcrylicPaint])],
        [SchemeRole.Other] = [],
    };

    /// <summary>The ways of a role, the usual one first.</summary>
    public static IReadOnlyList<RoleWay> Ways(this SchemeRole role) => Rows[role];

    /// <summary>Words of a role.</summary>
    public static string Word(this SchemeRole role) => Words[role.ToString()];

    private static readonly IReadOnlyDictionary<string, string> Words = SaidAttribute.Of(typeof(SchemeRole));
}
