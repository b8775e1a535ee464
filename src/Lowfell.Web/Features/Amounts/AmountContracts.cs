using Lowfell.Core.Amounts;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Web.Features.Amounts;

/// <summary>Another number of copies than is planned, to see what it would take.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Copies">Copies.</param>
public sealed record CopiesTrial(Guid PieceId, [TrialCopiesBound] int Copies);

/// <summary>Another dilution than is planned, to see what it would take.</summary>
/// <param name="SchemeId">The scheme.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="PaintFraction">Paint in the mix by volume.</param>
public sealed record DilutionTrial(Guid SchemeId, Guid CoatId, [PaintFractionBound] double PaintFraction);

/// <summary>A coat of a scheme.</summary>
/// <param name="SchemeId">The scheme.</param>
/// <param name="CoatId">The coat.</param>
public sealed record CoatOfScheme(Guid SchemeId, Guid CoatId);

/// <summary>What amounts are wanted of: a set, a piece, a scheme, or everything.</summary>
/// <param name="SetId">Only this set.</param>
/// <param name="SchemeId">Only this scheme.</param>
/// <param name="Palette">What is mixed on.</param>
/// <param name="Copies">Other numbers of copies.</param>
/// <param name="Dilutions">Other dilutions.</param>
/// <param name="Only">Only these coats, as for tonight; all of them where none are named.</param>
/// <param name="PieceId">Only this piece.</param>
public sealed record AmountsRequest(
    Guid? SetId = null, Guid? SchemeId = null, Palette Palette = Palette.Wet, [ManyBound] IReadOnlyList<CopiesTrial>? Copies = null, [ManyBound] IReadOnlyList<DilutionTrial>? Dilutions = null,
    [ManyBound] IReadOnlyList<CoatOfScheme>? Only = null, Guid? PieceId = null)
{
    /// <summary>Whether something is tried that is not planned.</summary>
    internal bool IsTrial => Copies is { Count: > 0 } || Dilutions is { Count: > 0 };
}

/// <summary>How the shelf stands to a need.</summary>
public enum StockVerdict
{
    /// <summary>There is enough.</summary>
    Enough,

    /// <summary>There is some, but not enough.</summary>
    Short,

    /// <summary>There is none.</summary>
    Gone,

    /// <summary>Nobody has counted its bottles: it may be there, and is not on the shopping list.</summary>
    NotCounted,
}

/// <summary>A material that is needed.</summary>
/// <param name="MaterialId">The material.</param>
/// <param name="Name">Its name.</param>
/// <param name="House">Its house.</param>
/// <param name="Colour">Its colour.</param>
/// <param name="Ml">Needed from the bottle, ml.</param>
/// <param name="Drops">The same in drops; none for what is scooped, sprayed or dusted.</param>
/// <param name="ReserveMl">Kept of it for touch-ups, beside what is needed, ml.</param>
/// <param name="LeftMl">On the shelf, ml.</param>
/// <param name="ShortMl">Missing, ml; 0 where there is enough.</param>
/// <param name="Verdict">How the shelf stands to it.</param>
/// <param name="OldestOpenedOn">When the oldest bottle that would be used was opened.</param>
/// <param name="OpenedLongAgo">Whether that is a year ago or more: shake it, and test it on a scrap.</param>
/// <param name="Lots">Different lots among its bottles, where bottles can be mixed.</param>
/// <param name="Coats">Coats that use it.</param>
/// <param name="Bottles">Whole bottles to buy, the touch-ups counted; 0 where there is enough, none where no bottle of it was ever counted.</param>
/// <param name="BottleMl">What such a bottle holds, ml.</param>
/// <param name="BuyPrice">What they cost; none where that is not known.</param>
public sealed record NeedView(
    Guid MaterialId,
    string Name,
    string House,
    string Colour,
    double Ml,
    int? Drops,
    double ReserveMl,
    double LeftMl,
    double ShortMl,
    StockVerdict Verdict,
    DateOnly? OldestOpenedOn,
    bool OpenedLongAgo,
    IReadOnlyList<string> Lots,
    int Coats,
    int? Bottles,
    double? BottleMl,
    double? BuyPrice);

/// <summary>A thinner that is needed; thinners are not counted on the shelf.</summary>
/// <param name="Thinner">The thinner.</param>
/// <param name="Ml">Ml.</param>
/// <param name="Drops">The same in drops.</param>
public sealed record ThinnerView(Thinner Thinner, double Ml, int Drops);

/// <summary>How the amount of one coat comes about.</summary>
/// <param name="SchemeId">Its scheme.</param>
/// <param name="Scheme">Name of the scheme.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="Technique">Technique.</param>
/// <param name="Title">What the coat is, at the start of a line.</param>
/// <param name="Paint">Name of the material or mix.</param>
/// <param name="PaintFraction">Paint in the mix by volume.</param>
/// <param name="Zones">Zones that share it.</param>
/// <param name="Copies">Copies over all of them.</param>
/// <param name="AreaCm2">Area over all of them, cm2.</param>
/// <param name="MeanWetUm">Wet film of a pass, mean of the area with its coverage, um.</param>
/// <param name="Passes">Passes.</param>
/// <param name="OnPieceMl">On the pieces, ml.</param>
/// <param name="TransferMl">Lost on the way, ml.</param>
/// <param name="LossMl">Left behind in brush, cup or sponge, ml, all batches together.</param>
/// <param name="TotalMl">Mix needed, ml.</param>
/// <param name="PaintMl">Paint in it, ml.</param>
/// <param name="ThinnerMl">Thinner in it, ml.</param>
/// <param name="Minutes">Hands-on as it is planned, cleaning it up counted, min.</param>
/// <param name="SetUpMin">Setting up for it, min.</param>
/// <param name="PaletteMin">Minutes that a batch stays workable; 0 where it does not go off.</param>
/// <param name="Batches">Mixes that are made for it.</param>
/// <param name="BatchMl">In each, the mean, ml.</param>
/// <param name="ReserveMl">Kept of the mix for touch-ups, beside the total, ml.</param>
/// <param name="Cost">What its paint costs, as far as prices are known.</param>
public sealed record CoatAmountView(
    Guid SchemeId,
    string Scheme,
    Guid CoatId,
    Technique Technique,
    string Title,
    string Paint,
    double PaintFraction,
    int Zones,
    int Copies,
    double AreaCm2,
    double MeanWetUm,
    int Passes,
    double OnPieceMl,
    double TransferMl,
    double LossMl,
    double TotalMl,
    double PaintMl,
    double ThinnerMl,
    double Minutes,
    double SetUpMin,
    int PaletteMin,
    int Batches,
    double BatchMl,
    double ReserveMl,
    double Cost);

/// <summary>What a piece takes.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Piece">Its name.</param>
/// <param name="Copies">Copies.</param>
/// <param name="TotalMl">Mix for what is open of it, ml.</param>
/// <param name="Minutes">Hands-on minutes of that.</param>
/// <param name="Cost">What its paint costs, as far as prices are known.</param>
/// <param name="CopyCost">The same of one copy that is open.</param>
public sealed record PieceAmountView(Guid PieceId, string Piece, int Copies, double TotalMl, double Minutes, double Cost, double CopyCost);

/// <summary>Stones, slates or tufts that trays of bases still take.</summary>
/// <param name="BoxId">Their box; one that is gone where the shelf has none.</param>
/// <param name="Name">Name.</param>
/// <param name="Needed">How many.</param>
/// <param name="Left">How many there are.</param>
/// <param name="Short">How many are missing.</param>
public sealed record ElementNeedView(Guid BoxId, string Name, int Needed, int Left, int Short);

/// <summary>Amounts of a set, a scheme or everything: of what is open, lot by lot as the plan mixes it.</summary>
/// <param name="Materials">From the bottles: what is missing first, then the most.</param>
/// <param name="Thinners">Thinners.</param>
/// <param name="Coats">How they come about, by scheme from below.</param>
/// <param name="Pieces">The same by piece, the dearest first.</param>
/// <param name="TotalMl">All mixes together, ml.</param>
/// <param name="Minutes">Hands-on minutes, as they are planned.</param>
/// <param name="SetUpMin">Minutes of setting up.</param>
/// <param name="Cost">What the paint costs, as far as prices are known.</param>
/// <param name="Unpriced">Materials among it whose price is not known.</param>
/// <param name="Elements">Stones, slates and tufts of the bases among it, what is missing first.</param>
/// <param name="SuperGlueDrops">Super glue under them, drops; 0 where the shelf has some, which then stands among the materials.</param>
/// <param name="Later">Sets that are not counted, as they are not begun within the weeks that are planned ahead.</param>
public sealed record AmountsView(
    IReadOnlyList<NeedView> Materials,
    IReadOnlyList<ThinnerView> Thinners,
    IReadOnlyList<CoatAmountView> Coats,
    IReadOnlyList<PieceAmountView> Pieces,
    double TotalMl,
    double Minutes,
    double SetUpMin,
    double Cost,
    int Unpriced,
    IReadOnlyList<ElementNeedView> Elements,
    double SuperGlueDrops,
    IReadOnlyList<string> Later);
