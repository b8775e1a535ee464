namespace Lowfell.Core.Evenings.Steps;

/// <summary>What a step of the work is known by, in the plan, at the bench and in the log: a pass of a coat on a zone, or the fitting of a part.</summary>
public readonly record struct StepId
{
    private StepId(Guid zone, Guid coat, int pass, Guid part) => (ZoneId, CoatId, Pass, PartId) = (zone, coat, pass, part);

    /// <summary>The zone that is painted; empty where a part is fitted.</summary>
    public Guid ZoneId { get; }

    /// <summary>The coat; empty where a part is fitted.</summary>
    public Guid CoatId { get; }

    /// <summary>Which pass of it, from 1; <see cref="Step.CleanUpPass"/> for its clean-up.</summary>
    public int Pass { get; }

    /// <summary>The piece that is fitted; empty where a coat is laid.</summary>
    public Guid PartId { get; }

    /// <summary>Whether a part is fitted.</summary>
    public bool IsFit => PartId != Guid.Empty;

    /// <summary>What is worked on: the zone, or the part that is fitted.</summary>
    public Guid Place => IsFit ? PartId : ZoneId;

    /// <summary>A pass of a coat on a zone.</summary>
    public static StepId Coat(Guid zoneId, Guid coatId, int pass) => new(zoneId, coatId, pass, Guid.Empty);

    /// <summary>The fitting of a part.</summary>
    public static StepId Fit(Guid partId) => new(Guid.Empty, Guid.Empty, 1, partId);

    /// <summary>It on one copy.</summary>
    public CopyStep On(int copy) => new(this, copy);
}

/// <summary>A step on one copy.</summary>
/// <param name="Step">The step.</param>
/// <param name="Copy">Number of the copy, from 1.</param>
public readonly record struct CopyStep(StepId Step, int Copy);
