namespace Lowfell.Core.Diagnosis;

/// <summary>What speaks for or against a cause, read from the stack, the log and the air; its words and what takes it away stand in <c>symptoms.json</c>.</summary>
public enum Sign
{
    /// <summary>The coat came before the one below was ready.</summary>
    Hurried,

    /// <summary>Its liquid beats the film below at that age.</summary>
    SolventLifts,

    /// <summary>No barrier between water-borne paint and scrubbing with spirit.</summary>
    NoBarrier,

    /// <summary>Damp air that evening.</summary>
    DampAir,

    /// <summary>Cold air.</summary>
    ColdAir,

    /// <summary>Thinned below what its family bears.</summary>
    OverThinned,

    /// <summary>Thinned with what belongs to another family.</summary>
    ForeignThinner,

    /// <summary>No primer on a slick ground.</summary>
    Unprimed,

    /// <summary>A thirsty or brittle ground that was not sealed.</summary>
    Unsealed,

    /// <summary>Matt below it.</summary>
    MattBelow,

    /// <summary>Gloss below a water-borne coat.</summary>
    GlossBelow,

    /// <summary>An all-over wash on a smooth flat.</summary>
    SmoothFlat,

    /// <summary>A heavy hand.</summary>
    HeavyHand,

    /// <summary>Hurried with warm air.</summary>
    WarmAir,

    /// <summary>Not shaken or stirred first.</summary>
    NotShaken,

    /// <summary>All films together fill the smallest detail.</summary>
    ThickBuild,

    /// <summary>This film is over twice what is usual.</summary>
    ThickCoat,

    /// <summary>This film is under half of what is usual.</summary>
    ThinCoat,

    /// <summary>Its time was over.</summary>
    WindowPassed,

    /// <summary>Its time had not come.</summary>
    WindowNotOpen,

    /// <summary>A varnish or spirit coat over what has to open.</summary>
    SealedOver,

    /// <summary>No record of the mix.</summary>
    NoRecord,

    /// <summary>The mix of today is of other paint than then.</summary>
    OtherLot,

    /// <summary>Pigment under a wet varnish.</summary>
    PigmentVarnished,

    /// <summary>The rinse water had not been changed.</summary>
    OldRinseWater,

    /// <summary>Handled before it had cured.</summary>
    HandledUncured,

    /// <summary>No final varnish on what hands touch.</summary>
    NoFinalSeal,

    /// <summary>Thick texture at the rim.</summary>
    TextureAtRim,

    /// <summary>Can, lacquer or spirit on bare foam.</summary>
    SolventOnFoam,

    /// <summary>Wet on one side only.</summary>
    OneSideWet,

    /// <summary>Super glue closed in within a day.</summary>
    FreshSuperGlue,

    /// <summary>Varnish sprayed over tufts, decal or pigment.</summary>
    SprayedOver,

    /// <summary>Marks wider than the scale bears.</summary>
    TooWide,

    /// <summary>What touches it was still wet.</summary>
    WetNeighbour,

    /// <summary>Another varnish than then.</summary>
    OtherSheen,

    /// <summary>Oil or enamel laid fat.</summary>
    FatOil,

    /// <summary>The plan itself ends this far off.</summary>
    PlannedDark,

    /// <summary>The last dry brush is a long step lighter than the face.</summary>
    BigStep,

    /// <summary>Crackle medium or chipping fluid below.</summary>
    CrackleUnder,

    /// <summary>Not masked from a neighbour that was sprayed.</summary>
    NotMasked,

    /// <summary>The plan itself leaves little of the colour.</summary>
    ColourLost,

    /// <summary>The plan itself paints over the shading.</summary>
    ShadingLost,

    /// <summary>A matt varnish over metal.</summary>
    ShineLost,

    /// <summary>Paint on faces that fit together.</summary>
    PaintInJoint,
}
