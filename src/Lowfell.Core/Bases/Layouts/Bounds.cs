using Lowfell.Core.Wording;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>A share of the ground, 0..1.</summary>
public sealed class GroundShareBoundAttribute() : FigureBoundAttribute(0, 1);

/// <summary>Shares of the textures.</summary>
public sealed class TextureSharesBoundAttribute() : LengthBoundAttribute(Cover.Kinds, Cover.Kinds);

/// <summary>Thickness of skim or crackle, mm.</summary>
public sealed class SkimBoundAttribute() : FigureBoundAttribute(0, 4, "mm");

/// <summary>How far the ground rises, mm.</summary>
public sealed class RiseBoundAttribute() : FigureBoundAttribute(0, 12, "mm");

/// <summary>Share of the ground that stays calm.</summary>
public sealed class CalmBoundAttribute() : FigureBoundAttribute(0.33, 0.95);

/// <summary>How much wider than usual the rim stays free, mm.</summary>
public sealed class WiderRimBoundAttribute() : FigureBoundAttribute(0, 10, "mm");

/// <summary>Fewest tufts together.</summary>
public sealed class LeastTuftsBoundAttribute() : FigureBoundAttribute(1, 9);

/// <summary>Clusters of a family.</summary>
public sealed class ClusterRulesBoundAttribute() : LengthBoundAttribute(0, 120);

/// <summary>Elements of a cluster.</summary>
public sealed class WishedBoundAttribute() : LengthBoundAttribute(0, 12);

/// <summary>Group of a cluster.</summary>
public sealed class GroupBoundAttribute() : FigureBoundAttribute(1, 30);

/// <summary>Size of base that a cluster is for, mm.</summary>
public sealed class BaseSizeBoundAttribute() : FigureBoundAttribute(0, 500, "mm");

/// <summary>How often a cluster is drawn.</summary>
public sealed class WeightBoundAttribute() : FigureBoundAttribute(0, 100, above: true);

/// <summary>Copies of a tray.</summary>
public sealed class TrayCopiesBoundAttribute() : LengthBoundAttribute(1, MostCopies)
{
    /// <summary>Most copies.</summary>
    public const int MostCopies = 200;
}

/// <summary>Bases that are previewed at once.</summary>
public sealed class PreviewBasesBoundAttribute() : LengthBoundAttribute(1, 4);

/// <summary>Boxes of a stock.</summary>
public sealed class BoxesBoundAttribute() : LengthBoundAttribute(0, 300);

/// <summary>Number of a copy.</summary>
public sealed class CopyNumberBoundAttribute() : FigureBoundAttribute(1, TrayCopiesBoundAttribute.MostCopies);

/// <summary>Rolls a copy to choose from.</summary>
public sealed class RollsBoundAttribute() : FigureBoundAttribute(1, 24);

/// <summary>Copies that are rolled anew.</summary>
public sealed class RolledCopiesBoundAttribute() : LengthBoundAttribute(0, TrayCopiesBoundAttribute.MostCopies);

/// <summary>Steps of a tray that are put into a stack.</summary>
public sealed class TextureStepsBoundAttribute() : LengthBoundAttribute(1, 12);

/// <summary>Related grounds of a tray; 0 for one.</summary>
public sealed class GroundsBoundAttribute() : FigureBoundAttribute(0, 5);

/// <summary>Width of a crack, mm.</summary>
public sealed class CrackWidthBoundAttribute() : FigureBoundAttribute(0.02, 2, "mm");

/// <summary>Thickness of crackle paste, mm.</summary>
public sealed class CrackleFilmBoundAttribute() : FigureBoundAttribute(0.05, 4, "mm");

/// <summary>Plates of crackle along 20 mm of a tile.</summary>
public sealed class PlatesBoundAttribute() : FigureBoundAttribute(1, 60);
