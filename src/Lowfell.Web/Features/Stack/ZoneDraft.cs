using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;
using Lowfell.Web.Api;

namespace Lowfell.Web.Features.Stack;

/// <summary>Air that coats dry in.</summary>
/// <param name="TemperatureC">Temperature, C.</param>
/// <param name="Humidity">Relative humidity.</param>
/// <param name="Fan">A fan moves it.</param>
public sealed record AirDraft([TemperatureBound] double TemperatureC, [HumidityBound] double Humidity, bool Fan = false)
{
    /// <summary>As Core knows it.</summary>
    public Climate ToCore() => new(TemperatureC, Humidity, Fan);
}

/// <summary>A zone as it is planned.</summary>
public sealed record ZoneDraft
{
    /// <summary>Substrate.</summary>
    public Substrate Substrate { get; init; }

    /// <summary>Relief.</summary>
    public Relief Relief { get; init; } = Relief.Textured;

    /// <summary>Facing.</summary>
    public Facing Facing { get; init; } = Facing.Side;

    /// <summary>Area on one copy, mm2.</summary>
    [AreaBound] public double AreaMm2 { get; init; } = 5000;

    /// <summary>Copies.</summary>
    [CopiesBound] public int Copies { get; init; } = 1;

    /// <summary>Smallest engraved width, mm.</summary>
    [DetailBound] public double? SmallestDetailMm { get; init; }

    /// <summary>Length of creases on one copy, mm, where measured.</summary>
    [RunBound] public double? CreaseMm { get; init; }

    /// <summary>Length of raised edges on one copy, mm, where measured.</summary>
    [RunBound] public double? EdgeMm { get; init; }

    /// <summary>Share of the raised edges that faces the light.</summary>
    [ShareBound] public double LitEdges { get; init; } = 1;

    /// <summary>Share of the zone that no hand reaches or eye sees.</summary>
    [UnseenBound] public double Unseen { get; init; }

    /// <summary>Where it begins above the foot of the piece, mm, where it is told by height.</summary>
    [HeightBound] public double? HeightFromMm { get; init; }

    /// <summary>Where it ends above the foot, mm, over where it begins.</summary>
    [HeightBound] public double? HeightToMm { get; init; }

    /// <summary>Height of the piece, mm, that heights are held against; none where it is not known.</summary>
    [SizeBound] public double? PieceHeightMm { get; init; }

    /// <summary>Touched in play.</summary>
    public bool Handled { get; init; }

    /// <summary>Reaches to the rim, where what overhangs is knocked off.</summary>
    public bool Rim { get; init; }

    /// <summary>Has cut edges.</summary>
    public bool CutEdges { get; init; }

    /// <summary>Sheen wanted at the end.</summary>
    public Sheen Finish { get; init; } = Sheen.Matt;

    /// <summary>Target colour of the face, #rrggbb.</summary>
    [ColourBound] public string? Target { get; init; }

    /// <summary>Colour wanted in the recess.</summary>
    [ColourBound] public string? TargetRecess { get; init; }

    /// <summary>Colour wanted on the raised edge.</summary>
    [ColourBound] public string? TargetEdge { get; init; }

    /// <summary>Tolerance, dE00.</summary>
    [ToleranceBound] public double Tolerance { get; init; } = 5;

    /// <summary>Colour that should show in the cracks of a crackle, #rrggbb.</summary>
    [ColourBound] public string? CrackColour { get; init; }

    /// <summary>Scale of the piece, one to so many.</summary>
    [ScaleBound] public double Scale { get; init; } = Zone.UsualScale;

    /// <summary>Distance that it is looked at from, mm.</summary>
    [ViewingBound] public double ViewingMm { get; init; } = Zone.UsualViewingMm;

    /// <summary>How much more, or less, than usual its painter notices, by trials.</summary>
    [TrialFactorBound] public double TrialFactor { get; init; } = 1;

    /// <summary>Air that the coats dry in; 20 C and 50 % humidity where none is given.</summary>
    public AirDraft? Air { get; init; }

    /// <summary>Checks that a zone lies within the height of its piece.</summary>
    internal static void CheckHeights(Checks checks, string prefix, (double? From, double? To, double? Piece) heights)
    {
        if (heights.Piece is { } top)
        {
            checks.Within(prefix + "heightFromMm", heights.From ?? 0, 0, top, " mm, the height of the piece");
            checks.Within(prefix + "heightToMm", heights.To ?? 0, 0, top, " mm, the height of the piece");
        }

        if (heights.From is null != heights.To is null)
        {
            checks.Fault(prefix + (heights.From is null ? "heightFromMm" : "heightToMm"), "A zone that is told by height needs both: from and to.");
        }
        else if (heights.From >= heights.To)
        {
            checks.Fault(prefix + "heightToMm", $"The heights are crossed: from {heights.From} mm to {heights.To} mm. The second has to be the higher one.");
        }
    }

    /// <summary>To Core, once checked.</summary>
    public Zone ToCore() => new()
    {
        Substrate = Substrate,
        Relief = Relief,
        Facing = Facing,
        AreaMm2 = AreaMm2,
        Copies = Copies,
        SmallestDetailMm = SmallestDetailMm,
        CreaseMm = CreaseMm,
        EdgeMm = EdgeMm,
        LitEdges = LitEdges,
        Unseen = Unseen,
        HeightFromMm = HeightFromMm,
        HeightToMm = HeightToMm,
        Handled = Handled,
        Rim = Rim,
        CutEdges = CutEdges,
        Finish = Finish,
        Target = Target is null ? null : Srgb.Parse(Target),
        TargetRecess = TargetRecess is null ? null : Srgb.Parse(TargetRecess),
        TargetEdge = TargetEdge is null ? null : Srgb.Parse(TargetEdge),
        Tolerance = Tolerance,
        CrackColour = CrackColour is null ? null : Srgb.Parse(CrackColour),
        Scale = Scale,
        ViewingMm = ViewingMm,
        TrialFactor = TrialFactor,
    };
}
