namespace Lowfell.Core.Materials;

/// <summary>What kind of material it is: the rules, thinners, limits and drying go by family.</summary>
public enum Family
{
    /// <summary>Water-borne acrylic paint.</summary>
    AcrylicPaint,

    /// <summary>Water-borne wash, stain or glaze.</summary>
    AcrylicWash,

    /// <summary>Solvent acrylic.</summary>
    Lacquer,

    /// <summary>Enamel paint.</summary>
    EnamelPaint,

    /// <summary>Enamel wash or filter as sold.</summary>
    EnamelWash,

    /// <summary>Oil paint.</summary>
    OilPaint,

    /// <summary>Water-borne varnish.</summary>
    VarnishWater,

    /// <summary>Lacquer varnish, mostly from a can.</summary>
    VarnishLacquer,

    /// <summary>Enamel varnish.</summary>
    VarnishEnamel,

    /// <summary>Primer from a can.</summary>
    PrimerAerosol,

    /// <summary>Water-borne primer.</summary>
    PrimerWater,

    /// <summary>Texture paste.</summary>
    TexturePaste,

    /// <summary>Thick paste that cracks as it dries.</summary>
    CracklePaste,

    /// <summary>Clear medium that cracks the coat painted over it.</summary>
    CrackleMedium,

    /// <summary>PVA glue.</summary>
    Pva,

    /// <summary>Home-made skim: filler, PVA and cheap paint.</summary>
    Skim,

    /// <summary>Thin or thick super glue.</summary>
    SuperGlue,

    /// <summary>Sand, grit and other loose mineral held by glue.</summary>
    Grit,

    /// <summary>Soluble layer that opens the coat above it.</summary>
    ChippingMedium,

    /// <summary>Washable marker or chalk.</summary>
    WashableMarking,

    /// <summary>Dry pigment.</summary>
    Pigment,

    /// <summary>Clear water-borne medium.</summary>
    AcrylicMedium,

    /// <summary>Water-borne ink.</summary>
    Ink,

    /// <summary>Oil wash or filter as sold.</summary>
    OilWash,

    /// <summary>Thin paint that cracks as it dries.</summary>
    CracklePaint,

    /// <summary>Coloured or graphite pencil.</summary>
    Pencil,

    /// <summary>Breaks the tension of water, so that paint flows.</summary>
    FlowAid,

    /// <summary>Slows the drying of water-borne paint.</summary>
    Retarder,

    /// <summary>Concentrated liquid colour.</summary>
    LiquidPigment,

    /// <summary>Tufts, flock and static grass.</summary>
    Tufts,
}
