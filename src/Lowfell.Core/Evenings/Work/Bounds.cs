using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Work;

/// <summary>Where an evening begins, after midnight.</summary>
public sealed class EveningStartBoundAttribute() : FigureBoundAttribute(0, EveningEndBoundAttribute.DayMinutes - 1, "minutes after midnight");

/// <summary>Where an evening ends, after the midnight before it; beyond a day where it runs on into the next.</summary>
public sealed class EveningEndBoundAttribute() : FigureBoundAttribute(1, DayMinutes + (12 * 60), "minutes after midnight")
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

/// <summary>Weeks that are planned ahead.</summary>
public sealed class WeeksBoundAttribute() : FigureBoundAttribute(4, 52, "weeks");

/// <summary>Minutes after which hands and eyes have a pause.</summary>
public sealed class SittingBoundAttribute() : FigureBoundAttribute(10, 240, "min");

/// <summary>Minutes of such a pause.</summary>
public sealed class PauseBoundAttribute() : FigureBoundAttribute(1, 60, "min");
