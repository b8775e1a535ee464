using Lowfell.Core.Wording;

namespace Lowfell.Core.Stacks;

/// <summary>Coats of a stack.</summary>
public sealed class CoatsBoundAttribute() : LengthBoundAttribute(0, StackDraft.MostCoats);

/// <summary>Passes of a coat.</summary>
public sealed class PassesBoundAttribute() : FigureBoundAttribute(1, Coat.MostPasses);

/// <summary>Hand: factor on the film.</summary>
public sealed class HandBoundAttribute() : FigureBoundAttribute(0.5, 2);

/// <summary>The painter's own wait before a coat; sixty days at most.</summary>
public sealed class WaitBoundAttribute() : FigureBoundAttribute(0, Coat.LongestWaitMin, "min");

/// <summary>Wet film of a painter's own deposit.</summary>
public sealed class WetFilmBoundAttribute() : FigureBoundAttribute(0, 5000, "um");

/// <summary>What a painter's own deposit tells: recess, face, edge.</summary>
public sealed class ThreeHeightsBoundAttribute() : LengthBoundAttribute(3, 3);

/// <summary>How many marks a coat has.</summary>
public sealed class MarkCountBoundAttribute() : FigureBoundAttribute(1, 100_000);

/// <summary>Width of a mark.</summary>
public sealed class MarkWidthBoundAttribute() : FigureBoundAttribute(0, 500, "mm", above: true);

/// <summary>Length of a mark.</summary>
public sealed class MarkLengthBoundAttribute() : FigureBoundAttribute(0, 3000, "mm", above: true);

/// <summary>Area that marks are spread over on one copy.</summary>
public sealed class StripBoundAttribute() : FigureBoundAttribute(0, 10_000_000, "mm2", above: true);

/// <summary>Findings of a coat that a painter knows of.</summary>
public sealed class KnownBoundAttribute() : LengthBoundAttribute(0, 40);
