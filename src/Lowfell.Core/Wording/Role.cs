namespace Lowfell.Core.Wording;

/// <summary>What a technique is there for. Rules, dilutions and mends go by it, so that a new technique of a known kind needs no more than its row.</summary>
public enum Role
{
    /// <summary>Covers by brush.</summary>
    Cover,

    /// <summary>Covers from a can or airbrush.</summary>
    Spray,

    /// <summary>Light and dark under thin coats.</summary>
    Shade,

    /// <summary>Opaque lighter tones, panel by panel.</summary>
    Modulation,

    /// <summary>Covers face and edge, leaves the recess.</summary>
    Raise,

    /// <summary>Touches the edges with hardly any paint.</summary>
    DryBrush,

    /// <summary>Irregular fields.</summary>
    Field,

    /// <summary>Dots that blend into a tone.</summary>
    Stipple,

    /// <summary>Lines on raised edges.</summary>
    Edge,

    /// <summary>Dark and thin, all over.</summary>
    AllOverWash,

    /// <summary>Thin and transparent: shifts a colour.</summary>
    Glaze,

    /// <summary>Thinner still: unifies.</summary>
    Filter,

    /// <summary>Along creases alone.</summary>
    PinWash,

    /// <summary>Single marks of wear and weather.</summary>
    Mark,

    /// <summary>Drawn by pencil or chalk.</summary>
    Drawing,

    /// <summary>Soluble layer under a coat that is to be opened.</summary>
    Fluid,

    /// <summary>Opens the coat over the fluid.</summary>
    Opening,

    /// <summary>Water drawn down through a washable marking.</summary>
    WetStreak,

    /// <summary>Dry powder.</summary>
    Powder,

    /// <summary>Binds powder.</summary>
    Fixer,

    /// <summary>Clear coat that protects and sets the sheen.</summary>
    Varnish,

    /// <summary>Closes a thirsty or weak ground.</summary>
    Seal,

    /// <summary>Makes the surface: paste, skim.</summary>
    Paste,

    /// <summary>Loose mineral in wet glue.</summary>
    Grit,

    /// <summary>Glue that runs into what is loose.</summary>
    Drip,

    /// <summary>Paste or paint that cracks as it dries.</summary>
    CracklePaste,

    /// <summary>Clear medium that cracks the coat laid over it.</summary>
    CrackleMedium,

    /// <summary>Work on the coat below while it is open, without a material.</summary>
    Handwork,

    /// <summary>Takes off what is too much of the coat below, within its window.</summary>
    CleanUp,

    /// <summary>Tufts and grass.</summary>
    Planting,

    /// <summary>Puts parts together.</summary>
    Assembly,

    /// <summary>Makes the bare piece fit for paint.</summary>
    Preparing,
}
