using Lowfell.Core.Wording;

namespace Lowfell.Core.Weathering;

/// <summary>What on a zone can carry marks.</summary>
public sealed class HostsBoundAttribute() : FigureBoundAttribute(0, 2000);

/// <summary>How many marks of a kind on one copy, the mean of all.</summary>
public sealed class MarkTallyBoundAttribute() : FigureBoundAttribute(0, 20_000);

/// <summary>A size of a planned mark; nothing for a strip.</summary>
public sealed class MarkSizeBoundAttribute() : FigureBoundAttribute(0, 500, "mm");

/// <summary>A place on a side of a piece, or a border of a strip on it.</summary>
public sealed class OnSideBoundAttribute() : FigureBoundAttribute(-100, 3000, "mm");

/// <summary>A turn of a mark.</summary>
public sealed class MarkTurnBoundAttribute() : FigureBoundAttribute(-360, 360, "degrees");

/// <summary>Which drawing of a plan.</summary>
public sealed class DrawingBoundAttribute() : FigureBoundAttribute(1, 100_000);

/// <summary>Which host a mark is on.</summary>
public sealed class HostPlaceBoundAttribute() : FigureBoundAttribute(-1, 2000);

/// <summary>Entries of a plan.</summary>
public sealed class EntriesBoundAttribute() : LengthBoundAttribute(0, EntriesBoundAttribute.MostEntries)
{
    /// <summary>Most entries of a plan.</summary>
    public const int MostEntries = 300;
}

/// <summary>Copies whose marks stay.</summary>
public sealed class HeldBoundAttribute() : LengthBoundAttribute(0, 1000);

/// <summary>Marks that stay on a copy.</summary>
public sealed class HeldMarksBoundAttribute() : LengthBoundAttribute(0, 400);

/// <summary>What a piece went through.</summary>
public sealed class WentBoundAttribute() : LengthBoundAttribute(0, 14);

/// <summary>Zones of a plan.</summary>
public sealed class WeatherZonesBoundAttribute() : LengthBoundAttribute(0, 60);

/// <summary>Lettering of a plan.</summary>
public sealed class LettersBoundAttribute() : LengthBoundAttribute(0, 20);

/// <summary>Texts of one lettering.</summary>
public sealed class TextsBoundAttribute() : LengthBoundAttribute(0, 200);

/// <summary>Height of letters.</summary>
public sealed class LetterBoundAttribute() : FigureBoundAttribute(0.5, 100, "mm");

/// <summary>Tones of a pattern.</summary>
public sealed class TonesBoundAttribute() : LengthBoundAttribute(0, 5);

/// <summary>Size of a patch in life.</summary>
public sealed class PatchBoundAttribute() : FigureBoundAttribute(50, 5000, "mm");

/// <summary>How many times longer than high a patch is.</summary>
public sealed class StretchBoundAttribute() : FigureBoundAttribute(0.3, 5);

/// <summary>What is left of the ground between two tones.</summary>
public sealed class PatternGapBoundAttribute() : FigureBoundAttribute(0, 10, "mm");
