using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;

namespace Lowfell.Web.Features.Shelf;

/// <summary>A bottle, pot or can as it is written down.</summary>
public sealed record BottleDraft
{
    /// <summary>What it held when new, ml.</summary>
    [BottleSizeBound] public double SizeMl { get; init; } = 17;

    /// <summary>What is left, ml, 0 to its size.</summary>
    [StockBound] public double LeftMl { get; init; } = 17;

    /// <summary>When it was opened; none while it is closed.</summary>
    public DateOnly? OpenedOn { get; init; }

    /// <summary>What it cost, in the painter's own money; none where that is not known.</summary>
    [PriceBound] public double? Price { get; init; }

    /// <summary>Batch or lot, as printed on it.</summary>
    [TagBound] public string Lot { get; init; } = "";

    /// <summary>Checks the figures.</summary>
    public void Check(Checks checks, string prefix, DateOnly today)
    {
        checks.Within(prefix + "leftMl", LeftMl, 0, Math.Max(BottleSizeBoundAttribute.Smallest, SizeMl), " ml");

        // A day's grace: the painter's midnight is not the host's.
        if (OpenedOn > today.AddDays(1) || OpenedOn < new DateOnly(1950, 1, 1))
        {
            checks.Fault(prefix + "openedOn", $"{OpenedOn:yyyy-MM-dd} is outside 1950-01-01 to today.");
        }
    }

    /// <summary>Copies the figures to a row.</summary>
    public void CopyTo(BottleRow row) => (row.SizeMl, row.LeftMl, row.OpenedOn, row.Price, row.Lot) = (SizeMl, LeftMl, OpenedOn, Price, Lot.Trim());
}

/// <summary>A bottle on the shelf.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Bottle">Its figures.</param>
/// <param name="WantsTest">It has been open for so long that it wants shaking, and a try on a scrap.</param>
public sealed record BottleView(Guid Id, int Version, BottleDraft Bottle, bool WantsTest)
{
    /// <summary>From a row.</summary>
    public static BottleView Of(BottleRow row, DateOnly today) => new(row.Id, row.Version, Draft(row), row.OpenedOn is { } opened && row.LeftMl > 0 && OpenBottles.WantsTest(opened, today));

    private static BottleDraft Draft(BottleRow row) => new() { SizeMl = row.SizeMl, LeftMl = row.LeftMl, OpenedOn = row.OpenedOn, Price = row.Price, Lot = row.Lot };
}

/// <summary>What there is of a material.</summary>
/// <param name="LeftMl">In all bottles together, ml.</param>
/// <param name="Low">Below its low-stock level.</param>
/// <param name="Bottles">The bottles, the first opened first.</param>
public sealed record StockView(double LeftMl, bool Low, IReadOnlyList<BottleView> Bottles)
{
    /// <summary>From a material with its bottles.</summary>
    public static StockView Of(MaterialRow row, DateOnly today)
    {
        var left = row.Bottles.Sum(b => b.LeftMl);
        return new(Math.Round(left, 2), left < row.LowStockMl, [.. row.Bottles.OrderBy(b => b.OpenedOn ?? DateOnly.MaxValue).ThenBy(b => b.Id).Select(b => BottleView.Of(b, today))]);
    }
}

/// <summary>A change of a bottle.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Bottle">What it should be.</param>
public sealed record BottleChange([VersionBound] int Version, BottleDraft Bottle);

/// <summary>A step of a drop calibration: so many drops counted, and what they weigh or measure.</summary>
/// <param name="Drops">Drops counted.</param>
/// <param name="Ml">Their volume, ml; or give grams.</param>
/// <param name="Grams">Their mass, g.</param>
public sealed record DropCalibration([WeighedDropsBound] int Drops, [WeighedVolumeBound] double? Ml = null, [WeighedMassBound] double? Grams = null);

/// <summary>What a calibration comes to.</summary>
/// <param name="DropsPerMl">Drops to the ml.</param>
/// <param name="DropMl">One drop, ml.</param>
/// <param name="DensityGPerMl">Density that a mass was turned to a volume with, g/ml.</param>
public sealed record CalibratedDrop(double DropsPerMl, double DropMl, double DensityGPerMl);

/// <summary>Something put on the simulated scale: so many drops of a material.</summary>
/// <param name="MaterialId">The material.</param>
/// <param name="Drops">Drops.</param>
public sealed record ScaleLoad(Guid MaterialId, [WeighedDropsBound] int Drops);

/// <summary>Where the simulated colour reader is aimed.</summary>
/// <param name="WhiteField">The white field; else the black one.</param>
/// <param name="MaterialId">Paint of the stripe; none for the bare field.</param>
/// <param name="DryFilmUm">Dry film of the stripe, um.</param>
public sealed record ReaderAim(bool WhiteField, Guid? MaterialId = null, [StripeFilmBound] double DryFilmUm = 20);
