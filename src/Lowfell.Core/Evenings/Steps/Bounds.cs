using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Steps;

/// <summary>Minutes to fit a part on one copy.</summary>
public sealed class FitBoundAttribute() : FigureBoundAttribute(0.5, 240, "min");

/// <summary>Minutes until the glue of a part holds.</summary>
public sealed class GlueBoundAttribute() : FigureBoundAttribute(0, 2880, "min");

/// <summary>Pass of a step; 0 for cleaning a coat up, less for masking, unmasking and the other side of a piece that lies flat.</summary>
public sealed class StepPassBoundAttribute() : FigureBoundAttribute(Step.OtherSidePass - Coat.MostPasses, Coat.MostPasses);

/// <summary>Hands-on minutes of a step, all copies together.</summary>
public sealed class StepMinutesBoundAttribute() : FigureBoundAttribute(0, 1000, "min");

/// <summary>Minutes of setting up.</summary>
public sealed class SetUpBoundAttribute() : FigureBoundAttribute(0, 240, "min");

/// <summary>Ticks of how a coat was worked.</summary>
public sealed class TicksBoundAttribute() : LengthBoundAttribute(0, 4);
