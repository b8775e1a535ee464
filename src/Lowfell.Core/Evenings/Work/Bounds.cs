using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Work;

/// <summary>Where an evening begins, after midnight.</summary>
public sealed class EveningStartBoundAttribute() : FigureBoundAttribute(0, EveningEndBoundAttribute.DayMinutes - 1, "minutes after midnight");

/// <summary>Where an evening ends, after midnight.</summary>
public sealed class EveningEndBoundAttribute() : FigureBoundAttribute(1, DayMinutes, "minutes after midnight")
{
    /// <summary>Minutes of a day.</summary>
    public const int DayMinutes = 24 * 60;
}

/// <summary>Evenings of every week.</summary>
public sealed class WeeklyBoundAttribute() : LengthBoundAttribute(0, 30);

/// <summary>Days that are unlike their week.</summary>
public sealed class ExceptionsBoundAttribute() : LengthBoundAttribute(0, 400);

/// <summary>Sets, coats or trials that a question names.</summary>
public sealed class ManyBoundAttribute() : LengthBoundAttribute(0, 2000);

/// <summary>Seconds that a search for a better plan may take.</summary>
public sealed class SearchBoundAttribute() : FigureBoundAttribute(1, 300, "s");
