using Lowfell.Core.Wording;

namespace Lowfell.Core.Surfaces;

/// <summary>An area on one copy.</summary>
public sealed class AreaBoundAttribute() : FigureBoundAttribute(1, 10_000_000, "mm2");

/// <summary>The share of a piece's area that a zone has.</summary>
public sealed class AreaShareBoundAttribute() : FigureBoundAttribute(0.001, 1);

/// <summary>A share of a whole.</summary>
public sealed class ShareBoundAttribute() : FigureBoundAttribute(0, 1);

/// <summary>The share of a zone that no hand reaches or eye sees: some of it has to be left to paint.</summary>
public sealed class UnseenBoundAttribute() : FigureBoundAttribute(0, 0.99);

/// <summary>Length, width or height of a piece.</summary>
public sealed class SizeBoundAttribute() : FigureBoundAttribute(0.1, Tallest, "mm")
{
    /// <summary>The longest and tallest piece, mm.</summary>
    public const double Tallest = 3000;
}

/// <summary>A height above the foot of a piece.</summary>
public sealed class HeightBoundAttribute() : FigureBoundAttribute(0, SizeBoundAttribute.Tallest, "mm");

/// <summary>Width of the smallest detail.</summary>
public sealed class DetailBoundAttribute() : FigureBoundAttribute(0.01, 50, "mm");

/// <summary>Length of all creases or edges on one copy.</summary>
public sealed class RunBoundAttribute() : FigureBoundAttribute(1, 1_000_000, "mm");

/// <summary>Room between two faces that fit against each other.</summary>
public sealed class ClearanceBoundAttribute() : FigureBoundAttribute(0, 50, "mm");

/// <summary>How far a finished colour may be from its target.</summary>
public sealed class ToleranceBoundAttribute() : FigureBoundAttribute(0.5, 50, "dE00");

/// <summary>Scale, one to so many.</summary>
public sealed class ScaleBoundAttribute() : FigureBoundAttribute(1, 1000);

/// <summary>Distance that a set is looked at from.</summary>
public sealed class ViewingBoundAttribute() : FigureBoundAttribute(100, 10_000, "mm");

/// <summary>How much more, or less, than usual a painter notices.</summary>
public sealed class TrialFactorBoundAttribute() : FigureBoundAttribute(0.25, 4);

/// <summary>Copies of a piece.</summary>
public sealed class CopiesBoundAttribute() : FigureBoundAttribute(1, Most, "copies")
{
    /// <summary>Most copies of a piece.</summary>
    public new const int Most = 1000;
}

/// <summary>Copies to try an amount with: none at all too.</summary>
public sealed class TrialCopiesBoundAttribute() : FigureBoundAttribute(0, CopiesBoundAttribute.Most, "copies");

/// <summary>Copies that are named one by one.</summary>
public sealed class CopyListBoundAttribute() : LengthBoundAttribute(1, CopiesBoundAttribute.Most);

/// <summary>Copies that may be named one by one; none of them too.</summary>
public sealed class AnyCopiesBoundAttribute() : LengthBoundAttribute(0, CopiesBoundAttribute.Most);

/// <summary>Zones of a piece, or of its set, that a zone names.</summary>
public sealed class ZoneListBoundAttribute() : LengthBoundAttribute(0, 600);

/// <summary>A pasted list of pieces.</summary>
public sealed class PieceTextBoundAttribute() : LengthBoundAttribute(1, 200_000);
