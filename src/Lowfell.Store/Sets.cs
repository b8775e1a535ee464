using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Pieces;
using Lowfell.Core.Stacks;

namespace Lowfell.Store;

/// <summary>Identical or related pieces painted to one scheme.</summary>
public sealed class SetRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>Order on the screen.</summary>
    public int Position { get; set; }

    /// <summary>Deleted, and kept for undo.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>Its pieces.</summary>
    public List<PieceRow> Pieces { get; set; } = [];
}

/// <summary>One kind of thing in a set.</summary>
public sealed class PieceRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>The set.</summary>
    public Guid SetId { get; set; }

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>What kind of thing: wall, building, vehicle, base.</summary>
    public string Kind { get; set; } = "";

    /// <summary>Substrate.</summary>
    public Substrate Substrate { get; set; }

    /// <summary>Shape that its area comes from.</summary>
    public PieceShape Shape { get; set; }

    /// <summary>Length or diameter, mm.</summary>
    public double LengthMm { get; set; }

    /// <summary>Width or depth, mm.</summary>
    public double WidthMm { get; set; }

    /// <summary>Height or thickness, mm.</summary>
    public double HeightMm { get; set; }

    /// <summary>Area as given, mm2, for a free shape.</summary>
    public double FreeAreaMm2 { get; set; }

    /// <summary>Copies.</summary>
    public int Copies { get; set; } = 1;

    /// <summary>The piece that this one is fitted on when both are painted; null for what stands alone.</summary>
    public Guid? PartOfId { get; set; }

    /// <summary>Minutes to fit one copy.</summary>
    public double FitMin { get; set; } = 5;

    /// <summary>Minutes until its glue holds.</summary>
    public double GlueMin { get; set; } = 60;

    /// <summary>Order in the set.</summary>
    public int Position { get; set; }

    /// <summary>Deleted, and kept for undo.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>Its zones.</summary>
    public List<ZoneRow> Zones { get; set; } = [];

    /// <summary>Paintable area of one copy, mm2.</summary>
    public double AreaMm2 => PieceArea.Mm2(Shape, LengthMm, WidthMm, HeightMm, FreeAreaMm2);
}

/// <summary>An area of a piece that gets its own coats.</summary>
public sealed class ZoneRow : IBenchRow, IVersionedRow
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

    /// <summary>Touched in play.</summary>
    public bool Handled { get; set; }

    /// <summary>Has cut edges.</summary>
    public bool CutEdges { get; set; }

    /// <summary>Sheen wanted at the end.</summary>
    public Sheen Finish { get; set; } = Sheen.Matt;

    /// <summary>Target colour of the face.</summary>
    public string? Target { get; set; }

    /// <summary>Tolerance, dE00.</summary>
    public double Tolerance { get; set; } = 5;

    /// <summary>Zones of the same piece that it touches.</summary>
    public List<Guid> Neighbours { get; set; } = [];

    /// <summary>When it is painted, where parts are fitted on its piece or its piece is one.</summary>
    public Fitting Fitting { get; set; }

    /// <summary>Order on the piece.</summary>
    public int Position { get; set; }

    /// <summary>Deleted, and kept for undo.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>The zone as Core knows it; its piece has to be loaded.</summary>
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
        Handled = Handled,
        CutEdges = CutEdges,
        Finish = Finish,
        Target = Target is null ? null : Srgb.Parse(Target),
        Tolerance = Tolerance,
    };
}
