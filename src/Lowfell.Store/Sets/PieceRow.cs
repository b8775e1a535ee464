using Lowfell.Core.Surfaces;

namespace Lowfell.Store;

/// <summary>One kind of thing in a set.</summary>
public sealed class PieceRow : IBenchRow, IVersionedRow, IDeletableRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>The set.</summary>
    public Guid SetId { get; set; }

    /// <summary>The set.</summary>
    public SetRow? Set { get; set; }

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

    /// <summary>It lies flat while it is painted, so that what goes all round is laid on one side, then on the other.</summary>
    public bool LiesFlat { get; set; }

    /// <summary>Order in the set.</summary>
    public int Position { get; set; }

    /// <summary>Deleted, and kept for undo.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>Its zones.</summary>
    public List<ZoneRow> Zones { get; set; } = [];

    /// <summary>Its tray, where it is a set of bases.</summary>
    public TrayRow? Tray { get; set; }

    /// <summary>What its tray lays on a copy, the mean of them, ml of paste; null without a tray.</summary>
    public double? LaidPasteMl { get; set; }

    /// <summary>Likewise of crackle paste, ml.</summary>
    public double? LaidCrackleMl { get; set; }

    /// <summary>Likewise of glue under the grit, ml.</summary>
    public double? LaidGlueMl { get; set; }

    /// <summary>Likewise of grit, ml as it is poured.</summary>
    public double? LaidGritMl { get; set; }

    /// <summary>Likewise of thinned glue on the grit, ml.</summary>
    public double? LaidDripMl { get; set; }

    /// <summary>How far it reaches above its foot, mm; null for a free shape, whose height nobody knows.</summary>
    public double? TallMm => Shape == PieceShape.Free ? null : HeightMm;

    /// <summary>Paintable area of one copy, mm2.</summary>
    public double AreaMm2 => PieceArea.Mm2(Shape, LengthMm, WidthMm, HeightMm, FreeAreaMm2);
}
