namespace Lowfell.Store;

/// <summary>A plan of the evenings that was kept.</summary>
public sealed class PlanRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>When it was made.</summary>
    public DateTimeOffset MadeAt { get; set; }

    /// <summary>What was asked for, as JSON.</summary>
    public string Request { get; set; } = "";

    /// <summary>Its lots with their times, as JSON.</summary>
    public string Lots { get; set; } = "";

    /// <summary>What it came to, as JSON.</summary>
    public string Summary { get; set; } = "";

    /// <summary>Mark of the task that it was made for: what was proved of it holds for no other.</summary>
    public string TaskMark { get; set; } = "";

    /// <summary>The painter follows it; one of a bench at most.</summary>
    public bool InForce { get; set; }

    /// <summary>The plan that it took the place of.</summary>
    public Guid? ReplacesId { get; set; }
}
