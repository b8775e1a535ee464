using Lowfell.Core.Wording;

namespace Lowfell.Core.Bases.Elements;

/// <summary>A measure of an element, mm.</summary>
public sealed class ElementSizeBoundAttribute() : FigureBoundAttribute(0.5, 80, "mm");

/// <summary>How much elements of a box differ, as a part of each measure.</summary>
public sealed class SpreadBoundAttribute() : FigureBoundAttribute(0, 0.5);

/// <summary>How many elements lie in a box.</summary>
public sealed class BoxCountBoundAttribute() : FigureBoundAttribute(0, 100_000);

/// <summary>Seed of a shape or a layout.</summary>
public sealed class SeedBoundAttribute() : FigureBoundAttribute(0, uint.MaxValue);

/// <summary>Cluster of an element, from 0.</summary>
public sealed class ClusterBoundAttribute() : FigureBoundAttribute(0, 99);

/// <summary>How far an element stands out over the edge, mm.</summary>
public sealed class OverhangBoundAttribute() : FigureBoundAttribute(0, 20, "mm");

/// <summary>How far an element is turned, degrees.</summary>
public sealed class TurnBoundAttribute() : FigureBoundAttribute(-360, 360, "degrees");

/// <summary>Elements of a base.</summary>
public sealed class ElementsBoundAttribute() : LengthBoundAttribute(0, 80);
