using Lowfell.Core.Wording;

namespace Lowfell.Core.Films;

/// <summary>Dry film of a painted stripe.</summary>
public sealed class StripeFilmBoundAttribute() : FigureBoundAttribute(0.5, 500, "um");
