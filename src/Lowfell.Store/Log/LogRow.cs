using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;

namespace Lowfell.Store;

/// <summary>An entry of the log. Entries are only ever added; what was wrong is put right by another.</summary>
public sealed class LogRow : IBenchRow
{
    /// <summary>Identity, given by who writes it, so that the same entry sent twice is one.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>When it was done.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>What it tells.</summary>
    public LogKind Kind { get; set; }

    /// <summary>The zone.</summary>
    public Guid ZoneId { get; set; }

    /// <summary>The coat; null for what concerns no coat.</summary>
    public Guid? CoatId { get; set; }

    /// <summary>The piece that was fitted; null where none was.</summary>
    public Guid? PartId { get; set; }

    /// <summary>Which pass of it, from 1.</summary>
    public int Pass { get; set; } = 1;

    /// <summary>Number of the copy, from 1.</summary>
    public int Copy { get; set; }

    /// <summary>Hands-on minutes for this copy, where they were taken.</summary>
    public double? Minutes { get; set; }

    /// <summary>What it was painted with, as it was called then.</summary>
    public string Paint { get; set; } = "";

    /// <summary>Piece and zone, as they were called then.</summary>
    public string Label { get; set; } = "";

    /// <summary>Temperature of the room then, C.</summary>
    public double RoomC { get; set; }

    /// <summary>Humidity of the room then, 0..1.</summary>
    public double RoomHumidity { get; set; }

    /// <summary>Minutes of setting up before it, where they were taken.</summary>
    public double? SetUpMinutes { get; set; }

    /// <summary>Who did it.</summary>
    public string Who { get; set; } = "";

    /// <summary>Share of paint in what was laid on, 0..1, where it was not as planned.</summary>
    public double? PaintFraction { get; set; }

    /// <summary>The mix it was painted with, where one was recorded.</summary>
    public Guid? MixRecordId { get; set; }

    /// <summary>What was noticed of its time when it was written down: too soon, or past its window.</summary>
    public string Notice { get; set; } = "";

    /// <summary>What was done otherwise than planned.</summary>
    public string Deviation { get; set; } = "";

    /// <summary>Why it went wrong.</summary>
    public string Cause { get; set; } = "";

    /// <summary>What mended it.</summary>
    public string Remedy { get; set; } = "";

    /// <summary>Key of the symptom that is seen; empty where none of the list is named.</summary>
    public string Symptom { get; set; } = "";

    /// <summary>Key of the cause that it turned out to be; empty until the painter says so.</summary>
    public string CauseKey { get; set; } = "";

    /// <summary>Its picture.</summary>
    public Guid? PhotoId { get; set; }

    /// <summary>What went wrong, or a remark.</summary>
    public string Note { get; set; } = "";

    /// <summary>What was written down at once, on however many copies, has one of these; null for entries of before it was kept.</summary>
    public Guid? Press { get; set; }

    /// <summary>Technique of the step as it was then.</summary>
    public Technique? ThenTechnique { get; set; }

    /// <summary>Station of the step as it was then.</summary>
    public Station? ThenStation { get; set; }

    /// <summary>Leading material of what was laid then; null where nothing was.</summary>
    public Guid? ThenLeadId { get; set; }

    /// <summary>Hands-on minutes a copy as they were planned then; of what was found dry, the drying in the air between.</summary>
    public double? ThenMin { get; set; }

    /// <summary>How it was worked, where that was ticked.</summary>
    public WorkedWith WorkedWith { get; set; }

    /// <summary>The entry that this one takes back; null where it takes back a step, or nothing.</summary>
    public Guid? OfId { get; set; }

    /// <summary>What was taken from bottles for it, as JSON; empty where nothing was.</summary>
    public string Taken { get; set; } = "";

    /// <summary>What the step was then; null where that was not written down.</summary>
    public StepThen? Then => this is { ThenTechnique: { } technique, ThenStation: { } station, ThenMin: > 0 and var minutes } ? new(technique, station, ThenLeadId, minutes) : null;

    /// <summary>The step that it is about; null for what concerns none.</summary>
    public StepId? Step => PartId is { } part ? StepId.Fit(part) : CoatId is { } coat ? StepId.Coat(ZoneId, coat, Pass) : null;
}
