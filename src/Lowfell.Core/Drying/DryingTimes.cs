using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Drying;

/// <summary>When a coat is dry, and until when it can be worked.</summary>
/// <param name="TouchMin">Minutes to touch-dry.</param>
/// <param name="RecoatMin">Minutes to recoat-dry.</param>
/// <param name="OvernightMin">Minutes that count as a night for it: twelve hours, scaled like its drying, and recoat-dry at least.</param>
/// <param name="CuredMin">Minutes to cured, a night at least; 0 for what never cures.</param>
/// <param name="WorkMin">Minutes until it bears scrubbing or thick wet paste, where that is longer than recoat-dry.</param>
/// <param name="CleanFromMin">From when it can be cleaned up, minutes; null without such a window.</param>
/// <param name="CleanToMin">Until when.</param>
/// <param name="Factor">How much longer this air takes than the reference.</param>
public readonly record struct DryingTimes(
    double TouchMin, double RecoatMin, double OvernightMin, double CuredMin, double WorkMin, double? CleanFromMin, double? CleanToMin, double Factor)
{
    private const double NightMin = 12 * 60;

    /// <summary>Heights that it hardly touches do not count in a film of one's own.</summary>
    private const double LeastCoverage = 0.1;

    /// <summary>However thin or thick a spirit paint is laid, it dries no faster and no slower than so many times its reference. Craft estimates.</summary>
    private const double FastestSpirit = 0.05;
    private const double SlowestSpirit = 3;

    /// <summary>Nothing to dry.</summary>
    public static DryingTimes None { get; } = new(0, 0, 0, 0, 0, null, null, 1);

    /// <summary>Times of a coat on a zone in some air.</summary>
    public static DryingTimes Of(Coat coat, Zone zone, Climate climate) => Of(coat, zone, coat.What is { } what ? DryingModel.Factor(what.DryingKind, climate) : 1);

    /// <summary>As above, where the factor of the air is known.</summary>
    /// <param name="coat">The coat.</param>
    /// <param name="zone">What it is on.</param>
    /// <param name="air">Factor of the air for its family.</param>
    /// <remarks>
    /// <c>t = t_ref (film/film_ref)^n f_air</c>. The film that dries is the applied one, except where the technique says otherwise; oil and
    /// enamel that are thinned dry by the paint that is in them.
    /// </remarks>
    public static DryingTimes Of(Coat coat, Zone zone, double air)
    {
        if (!coat.LeavesFilm)
        {
            return None;
        }

        var (facts, how, row, habit) = (coat.What!, coat.How, coat.Paint!.Lead.Drying, coat.How.Drying);
        var factor = air * coat.Paint.Slowed;
        var water = facts.Carrier == Carrier.Water;
        var warm = coat.Hurried && row.WarmAirFactor is { } hurries ? hurries : 1;
        double touch, recoat, work = 0;
        var film = FilmFactor(coat, facts, how, row, habit);
        if (habit.RecoatMin > 0 && water)
        {
            (touch, recoat, work) = (habit.TouchMin * coat.Hand, habit.RecoatMin * coat.Hand, habit.WorkMin * coat.Hand);
        }
        else
        {
            (touch, recoat) = (row.TouchMin * film, row.RecoatMin * film);
        }

        if (habit.StandsInHollows && zone.Drinks > 1)
        {
            (touch, recoat) = (touch * DryingHabit.HollowFactor, recoat * DryingHabit.HollowFactor);
        }

        (touch, recoat, work) = (touch * factor * warm, recoat * factor * warm, work * factor * warm);

        // Warm air dries a skin; it hurries neither the night nor the cure.
        var night = Math.Max(NightMin * factor, recoat);
        var cured = row.CuredH > 0 ? Math.Max(row.CuredH * 60 * film * factor, night) : 0;
        var window = facts.CleanUpMin;
        return new(touch, recoat, night, cured, Math.Max(work, recoat), window is { } w ? w.From * factor : null, window is { } v ? v.To * factor : null, factor);
    }

    private static double FilmFactor(Coat coat, FamilyFacts facts, TechniqueFacts how, DryingRow row, DryingHabit habit)
    {
        // Oil and enamel dry by the paint that is in them.
        var paint = facts.DriesAtShare is { } usual ? Math.Clamp(coat.PaintShare / usual, FastestSpirit, SlowestSpirit) : 1;
        if (habit.Share > 0 || habit.RecoatMin > 0)
        {
            return (habit.Share > 0 ? habit.Share : 1) * coat.Hand * paint;
        }

        var wet = coat.OwnDeposit is { } own ? Thickest(own) : habit.WetFilmUm > 0 ? habit.WetFilmUm : how.AppliedUm;
        return row.FilmFactor(wet * coat.Hand) * paint;
    }

    private static double Thickest(Deposit deposit)
    {
        var thickest = 0.0;
        for (var h = 0; h < 3; h++)
        {
            thickest = deposit.Coverage[h] >= LeastCoverage ? Math.Max(thickest, deposit.WetFilmUm[h]) : thickest;
        }

        return thickest;
    }
}
