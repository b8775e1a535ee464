namespace Lowfell.Core.Techniques;

/// <summary>How a coat goes on.</summary>
public enum Technique
{
    /// <summary>Base coat by brush.</summary>
    BaseCoat,

    /// <summary>All round from a can.</summary>
    SprayCan,

    /// <summary>All round by airbrush.</summary>
    Airbrush,

    /// <summary>Light from above, by can or airbrush.</summary>
    Zenithal,

    /// <summary>Dark along panel lines, under thin coats.</summary>
    PreShade,

    /// <summary>Opaque lighter tones toward the light, panel by panel.</summary>
    Modulation,

    /// <summary>Damp brush, covers all but the recess.</summary>
    Overbrush,

    /// <summary>Nearly dry brush over the edges.</summary>
    DryBrush,

    /// <summary>Sponge dabbed in irregular fields.</summary>
    Sponge,

    /// <summary>Stippling brush.</summary>
    Stipple,

    /// <summary>Line along raised edges.</summary>
    EdgeHighlight,

    /// <summary>All over, straight.</summary>
    Wash,

    /// <summary>All over, thinned by half.</summary>
    ThinnedWash,

    /// <summary>Thin transparent coat that shifts a colour.</summary>
    Glaze,

    /// <summary>Very thin coat that unifies.</summary>
    Filter,

    /// <summary>Along creases and rivets, cleaned off the face.</summary>
    PinWash,

    /// <summary>Straight down from rivets and bars.</summary>
    Streak,

    /// <summary>Flicked dots.</summary>
    Speckle,

    /// <summary>Paint chips with a sponge.</summary>
    SpongeChipping,

    /// <summary>Soluble layer under a coat that is to be opened.</summary>
    ChippingFluid,

    /// <summary>Opening the coat above the fluid with a damp brush or pick.</summary>
    OpenChips,

    /// <summary>Pencil, chalk or tally mark.</summary>
    Marking,

    /// <summary>Dry pigment pressed in.</summary>
    Pigment,

    /// <summary>Solvent or binder that fixes pigment.</summary>
    FixPigment,

    /// <summary>Varnish by brush.</summary>
    Varnish,

    /// <summary>Varnish by can or airbrush.</summary>
    VarnishSpray,

    /// <summary>Sealer brushed into a thirsty or weak ground.</summary>
    Seal,

    /// <summary>Texture paste or skim.</summary>
    Texture,

    /// <summary>Sand or grit in wet glue.</summary>
    GritInGlue,

    /// <summary>Thinned glue dripped on loose grit.</summary>
    DripGlue,

    /// <summary>Paste that cracks as it dries.</summary>
    CracklePaste,

    /// <summary>Clear medium that cracks the next coat.</summary>
    CrackleMedium,

    /// <summary>Base again on the raised parts: covers face and edge, leaves the recess.</summary>
    Layer,

    /// <summary>Water drawn down through a washable marking.</summary>
    WetStreak,

    /// <summary>Cleaning a wash or streak off within its window.</summary>
    CleanUp,

    /// <summary>Softening the border of the coat below.</summary>
    Feather,

    /// <summary>Taking the excess off the coat below.</summary>
    Lift,

    /// <summary>Drawing the coat below downward.</summary>
    PullDown,

    /// <summary>Smudging the coat below off.</summary>
    SmudgeOff,

    /// <summary>Scraping the coat below.</summary>
    Scrape,

    /// <summary>Tufts pushed in or glued on.</summary>
    Tufts,

    /// <summary>Static grass or flock in glue.</summary>
    StaticGrass,

    /// <summary>Gluing a part on.</summary>
    GluePart,

    /// <summary>Washing the bare piece with soap.</summary>
    WashPiece,

    /// <summary>Filing and sanding the bare piece.</summary>
    Sand,

    /// <summary>Filling gaps of the bare piece.</summary>
    FillGaps,

    /// <summary>What is mended by hand, without a film of its own.</summary>
    Mend,
}
