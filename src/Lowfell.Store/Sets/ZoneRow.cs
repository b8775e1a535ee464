using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Surfaces;

namespace Lowfell.Store;

/// <summary>An area of a piece that gets its own coats.</summary>
public sealed class ZoneRow : IBenchRow, IVersionedRow, IDeletableRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>The piece.</summary>
    public Guid PieceId { get; set; }

    /// <summary>The piece.</summary>
    public PieceRow? Piece { get; set; }

    /// <summary>The scheme that its coats come from.</summary>
    public Guid SchemeId { get; set; }

    /// <summary>The scheme.</summary>
    public SchemeRow? Scheme { get; set; }

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>Share of the piece's area, 0..1; null where the area is given.</summary>
    public double? AreaShare { get; set; }

    /// <summary>Area as given, mm2.</summary>
    public double? OwnAreaMm2 { get; set; }

    /// <summary>Relief.</summary>
    public Relief Relief { get; set; }

    /// <summary>Facing.</summary>
    public Facing Facing { get; set; }

    /// <summary>Smallest engraved width, mm.</summary>
    public double? SmallestDetailMm { get; set; }

    /// <summary>Length of creases on one copy, mm, where measured.</summary>
    public double? CreaseMm { get; set; }

    /// <summary>Length of raised edges on one copy, mm, where measured.</summary>
    public double? EdgeMm { get; set; }

    /// <summary>Share of the raised edges that faces the light, 0..1.</summary>
    public double LitEdges { get; set; } = 1;

    /// <summary>Share of the zone that no hand reaches or eye sees, 0..1.</summary>
    public double Unseen { get; set; }

    /// <summary>Where it begins above the foot of the piece, mm; null where it is not told by height.</summary>
    public double? HeightFromMm { get; set; }

    /// <summary>Where it ends above the foot of the piece, mm.</summary>
    public double? HeightToMm { get; set; }

    /// <summary>Touched in play.</summary>
    public bool Handled { get; set; }

    /// <summary>Reaches to the rim.</summary>
    public bool Rim { get; set; }

    /// <summary>Has cut edges.</summary>
    public bool CutEdges { get; set; }

    /// <summary>Sheen wanted at the end.</summary>
    public Sheen Finish { get; set; } = Sheen.Matt;

    /// <summary>Target colour of the face.</summary>
    public string? Target { get; set; }

    /// <summary>Colour wanted in the recess.</summary>
    public string? TargetRecess { get; set; }

    /// <summary>Colour wanted on the edge.</summary>
    public string? TargetEdge { get; set; }

    /// <summary>Tolerance, dE00.</summary>
    public double Tolerance { get; set; } = 5;

    /// <summary>Colour that should show in the cracks of a crackle.</summary>
    public string? CrackColour { get; set; }

    /// <summary>Zones of the same piece that it touches.</summary>
    public List<Guid> Neighbours { get; set; } = [];

    /// <summary>Zones of the same set that it fits against, and how much room there is.</summary>
    public List<Mate> Mates { get; set; } = [];

    /// <summary>When it is painted, where parts are fitted on its piece or its piece is one.</summary>
    public Fitting Fitting { get; set; }

    /// <summary>Mends on some of its copies.</summary>
    public List<RepairRow> Repairs { get; set; } = [];

    /// <summary>Order on the piece.</summary>
    public int Position { get; set; }

    /// <summary>Deleted, and kept for undo.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>The zone as Core knows it; its piece and set have to be loaded.</summary>
    public Zone ToCore() => new()
    {
        Name = Name,
        Substrate = Piece!.Substrate,
        Relief = Relief,
        Facing = Facing,
        AreaMm2 = PieceArea.ZoneMm2(Piece.AreaMm2, AreaShare, OwnAreaMm2),
        Copies = Piece.Copies,
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
        Scale = Piece.Set!.Scale,
        ViewingMm = Piece.Set.ViewingMm,
        Tray = Facing == Facing.Up && Piece.LaidPasteMl is { } paste ? new(paste, Piece.LaidCrackleMl ?? 0, Piece.LaidGlueMl ?? 0, Piece.LaidGritMl ?? 0, Piece.LaidDripMl ?? 0) : null,
    };
}
