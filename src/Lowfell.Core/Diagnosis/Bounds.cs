using Lowfell.Core.Wording;

namespace Lowfell.Core.Diagnosis;

/// <summary>Answers to questions.</summary>
public sealed class AnswersBoundAttribute() : LengthBoundAttribute(0, Ranking.MostQuestions);

/// <summary>Number of a question.</summary>
public sealed class QuestionBoundAttribute() : FigureBoundAttribute(1, Ranking.MostQuestions, "");

/// <summary>Signs that a painter tells, or whose edits are taken.</summary>
public sealed class SignsBoundAttribute() : LengthBoundAttribute(0, 50);

/// <summary>Place of a remedy among those of its symptom.</summary>
public sealed class RemedyBoundAttribute() : FigureBoundAttribute(0, 20, "");

/// <summary>Entries of a log that comes with a draft.</summary>
public sealed class CaseLogBoundAttribute() : LengthBoundAttribute(0, 10_000);

/// <summary>Minutes from any origin, ten years either way.</summary>
public sealed class CaseMinutesBoundAttribute() : FigureBoundAttribute(-5_256_000, 5_256_000, "min");
