using System.Text.Json.Serialization;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;

namespace Lowfell.Web.Features.Evenings;

/// <summary>A lot of a kept plan.</summary>
/// <param name="ZoneId">Zone; of a part the part.</param>
/// <param name="CoatId">Coat; of a part the part.</param>
/// <param name="Pass">Pass.</param>
/// <param name="Copies">Copies in their order.</param>
/// <param name="StartUtc">Hands-on work begins.</param>
/// <param name="MinutesPerCopy">Minutes a copy.</param>
/// <param name="SetUpMin">Setting up before it.</param>
/// <param name="Day">Day of its evening.</param>
/// <param name="OpenUtc">Its evening begins.</param>
/// <param name="CloseUtc">Its evening ends.</param>
internal sealed record KeptLot(
    Guid ZoneId, Guid CoatId, int Pass, IReadOnlyList<int> Copies, DateTimeOffset StartUtc, double MinutesPerCopy, double SetUpMin, DateOnly Day, DateTimeOffset OpenUtc, DateTimeOffset CloseUtc)
{
    /// <summary>The step.</summary>
    [JsonIgnore]
    public StepId Id => ZoneId == CoatId ? StepId.Fit(CoatId) : StepId.Coat(ZoneId, CoatId, Pass);

    /// <summary>A planned lot as it is kept.</summary>
    public static KeptLot Of(PlannedLot l, DateTimeOffset start, DateOnly day, DateTimeOffset open, DateTimeOffset close) =>
        new(l.Lot.Id.Place, l.Lot.Id.IsFit ? l.Lot.Id.PartId : l.Lot.Id.CoatId, l.Lot.Id.Pass, l.Lot.Copies, start, l.Lot.MinutesPerCopy, l.SetUpMin, day, open, close);
}
