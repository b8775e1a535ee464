using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;

namespace Lowfell.Web.Features.Shelf;

/// <summary>How a material dries at 20 C, 50 % humidity, still air.</summary>
/// <param name="TouchMin">Minutes to touch-dry.</param>
/// <param name="RecoatMin">Minutes to recoat-dry.</param>
/// <param name="CuredH">Hours to cured; 0 for what never cures.</param>
/// <param name="ReferenceWetFilmUm">Wet film of these times, um.</param>
/// <param name="Exponent">n in t = t_ref (film/film_ref)^n.</param>
/// <param name="WarmAirFactor">Factor under warm air; none where it is not allowed.</param>
public sealed record DryingView([DryMinutesBound] double TouchMin, [DryMinutesBound] double RecoatMin, [CuredHoursBound] double CuredH, [DryingFilmBound] double ReferenceWetFilmUm, [DryingExponentBound] double Exponent, [WarmAirBound] double? WarmAirFactor = null)
{
    /// <summary>From Core.</summary>
    public static DryingView Of(DryingRow row) => new(row.TouchMin, row.RecoatMin, row.CuredH, row.ReferenceWetFilmUm, row.Exponent, row.WarmAirFactor);

    /// <summary>To Core.</summary>
    public DryingRow ToCore() => new(TouchMin, RecoatMin, CuredH, ReferenceWetFilmUm, Exponent, WarmAirFactor);
}

/// <summary>A material as it is drawn up: inline in a draft, or to be kept on the shelf. Family and colour are enough; whatever is not given is the family's.</summary>
public sealed record MaterialDraft
{
    /// <summary>Name; the family's word inline in a draft that gives none.</summary>
    [TagBound] public string Name { get; init; } = "";

    /// <summary>House that makes it.</summary>
    [TagBound] public string House { get; init; } = "";

    /// <summary>Family.</summary>
    public required Family Family { get; init; }

    /// <summary>Colour of the dry, hiding paint, #rrggbb; needed but for families without a colour of their own.</summary>
    [ColourBound] public string? Colour { get; init; }

    /// <summary>Contrast ratio at the reference film; none for what family and colour usually hide.</summary>
    [ContrastBound] public double? ContrastRatio { get; init; }

    /// <summary>Dry film of the contrast ratio, um; none for the usual one.</summary>
    [ReferenceFilmBound] public double? ReferenceFilmUm { get; init; }

    /// <summary>Dry over wet volume; none for the family's.</summary>
    [SolidsBound] public double? VolumeSolids { get; init; }

    /// <summary>Sheen; none for the family's.</summary>
    public Sheen? Sheen { get; init; }

    /// <summary>Undertone power, 0-1: 0 flat, about 0.5 for brown washes; none for the family's.</summary>
    [UndertoneBound] public double? UndertonePower { get; init; }

    /// <summary>How much a wet film scatters against the dry one: 0.8 as most, more than 1 for milky washes; none for as usual.</summary>
    [WetScatterBound] public double? WetScatter { get; init; }

    /// <summary>Metallic or fluorescent.</summary>
    public Effect Effect { get; init; }

    /// <summary>Drops to the ml where calibrated.</summary>
    [DropsPerMlBound] public double? DropsPerMl { get; init; }

    /// <summary>Ml below which it counts as running low; none where nobody minds. Not read in previews.</summary>
    [StockBound] public double? LowStockMl { get; init; }

    /// <summary>Own drying; none for the family's.</summary>
    public DryingView? Drying { get; init; }

    /// <summary>Own answers to the carriers; none for the family's.</summary>
    public Resistance? Resistance { get; init; }

    /// <summary>Checks the figures.</summary>
    /// <param name="checks">Where faults are noted.</param>
    /// <param name="prefix">Where the material stands in the request.</param>
    /// <param name="named">Whether it must have a name.</param>
    public void Check(Checks checks, string prefix, bool named = true)
    {
        if (named)
        {
            checks.Length(prefix + "name", Name, new NameBoundAttribute());
        }

        if (Colour is null && Family.Facts().LabelColour is null)
        {
            checks.Fault(prefix + "colour", $"{Words.Capital(Words.A(Family.Facts().Word))} needs a colour written #rrggbb.");
        }
    }

    /// <summary>To Core, once checked.</summary>
    public Material ToCore(Guid id = default) => new()
    {
        Id = id,
        Name = string.IsNullOrWhiteSpace(Name) ? Family.Facts().Word : Name,
        Family = Family,
        Colour = Srgb.Parse(Colour ?? Family.Facts().LabelColour!),
        OwnContrastRatio = ContrastRatio,
        OwnReferenceFilmUm = ReferenceFilmUm,
        OwnVolumeSolids = VolumeSolids,
        OwnSheen = Sheen,
        OwnUndertonePower = UndertonePower,
        OwnWetScatter = WetScatter,
        Effect = Effect,
        OwnDropsPerMl = DropsPerMl,
        OwnDrying = Drying?.ToCore(),
        OwnResistance = Resistance,
    };

    /// <summary>Copies the figures to a row.</summary>
    public void CopyTo(MaterialRow row)
    {
        (row.Name, row.House, row.Family) = (Name.Trim(), House.Trim(), Family);
        row.Colour = (Colour ?? Family.Facts().LabelColour!).ToLowerInvariant();
        (row.ContrastRatio, row.ReferenceFilmUm, row.VolumeSolids) = (ContrastRatio, ReferenceFilmUm, VolumeSolids);
        (row.Sheen, row.UndertonePower, row.Effect, row.DropsPerMl, row.LowStockMl) = (Sheen, UndertonePower, Effect, DropsPerMl, LowStockMl);
        row.WetScatter = WetScatter;
        row.Drying = Drying is { } d ? [d.TouchMin, d.RecoatMin, d.CuredH, d.ReferenceWetFilmUm, d.Exponent, d.WarmAirFactor ?? 0] : null;
        row.Resistance = Resistance?.ToRow();
    }

    /// <summary>From Core, for coats that a mend adds.</summary>
    public static MaterialDraft Of(Material m) => new()
    {
        Name = m.Name,
        Family = m.Family,
        Colour = m.Colour.ToString(),
        ContrastRatio = m.OwnContrastRatio,
        ReferenceFilmUm = m.OwnReferenceFilmUm,
        VolumeSolids = m.OwnVolumeSolids,
        Sheen = m.OwnSheen,
        UndertonePower = m.OwnUndertonePower,
        WetScatter = m.OwnWetScatter,
        Effect = m.Effect,
        DropsPerMl = m.OwnDropsPerMl,
        Drying = m.OwnDrying is null ? null : DryingView.Of(m.OwnDrying),
        Resistance = m.OwnResistance,
    };
}

/// <summary>A material on the shelf.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Material">Its figures.</param>
/// <param name="Facts">What follows from its family, where it has no figures of its own.</param>
/// <param name="UsedIn">Stacks and mixes that use it.</param>
/// <param name="Stock">What there is of it.</param>
/// <param name="CalibrationId">The painted stripe whose film is in force; none where it follows from the swatch.</param>
public sealed record MaterialView(Guid Id, int Version, MaterialDraft Material, MaterialFacts Facts, int UsedIn, StockView Stock, Guid? CalibrationId = null);

/// <summary>How near a swatch is to a picked colour.</summary>
/// <param name="Id">The material.</param>
/// <param name="DeltaE">dE00.</param>
public sealed record NearSwatch(Guid Id, double DeltaE);

/// <summary>What could stand in for a material.</summary>
/// <param name="Stacks">Zones whose stacks use it; without any there is nothing to judge by.</param>
/// <param name="Items">The best, the nearest first.</param>
public sealed record SubstitutesView(int Stacks, IReadOnlyList<SubstituteView> Items);

/// <summary>A substitute.</summary>
/// <param name="MaterialId">The material.</param>
/// <param name="Name">Its name.</param>
/// <param name="Colour">Its colour.</param>
/// <param name="MeanDeltaE">dE00 of the finished zones with it to those without, mean over the stacks.</param>
/// <param name="WorstDeltaE">The same where it shows most.</param>
/// <param name="WorstIn">The zone where it does.</param>
/// <param name="LeftMl">On the shelf, ml.</param>
public sealed record SubstituteView(Guid MaterialId, string Name, string Colour, double MeanDeltaE, double WorstDeltaE, string WorstIn, double LeftMl);

/// <summary>What is in force of a material: its own figures, else its family's.</summary>
/// <param name="Colour">Colour, or what is drawn as its label.</param>
/// <param name="Thinners">What it takes, its own first.</param>
/// <param name="LeastPaintFraction">Least paint fraction of a coat in its own thinner.</param>
/// <param name="ContrastRatio">Contrast ratio.</param>
/// <param name="ReferenceFilmUm">Dry film of the contrast ratio, um.</param>
/// <param name="VolumeSolids">Dry over wet volume.</param>
/// <param name="Sheen">Sheen.</param>
/// <param name="UndertonePower">Undertone power.</param>
/// <param name="WetScatter">How much a wet film scatters against the dry one.</param>
/// <param name="Drying">Drying.</param>
/// <param name="Resistance">What its dry film bears.</param>
/// <param name="DropsPerMl">Drops to the ml.</param>
public sealed record MaterialFacts(
    string Colour,
    IReadOnlyList<Thinner> Thinners,
    double LeastPaintFraction,
    double ContrastRatio,
    double ReferenceFilmUm,
    double VolumeSolids,
    Sheen Sheen,
    double UndertonePower,
    double WetScatter,
    DryingView Drying,
    Resistance Resistance,
    double DropsPerMl)
{
    /// <summary>Of a material.</summary>
    public static MaterialFacts Of(Material m)
    {
        var facts = m.Family.Facts();
        return new(
            m.Colour.ToString(),
            [facts.OwnThinner, .. facts.OtherThinners],
            facts.Thinned.Least,
            Math.Round(m.ContrastRatio, 4),
            Math.Round(m.ReferenceFilmUm, 1),
            m.VolumeSolids,
            m.Sheen,
            m.UndertonePower,
            m.WetScatter,
            DryingView.Of(m.Drying),
            m.Resistance,
            Math.Round(1 / m.DropMl, 1));
    }
}

/// <summary>A stripe over black that was read while it was wet.</summary>
/// <param name="Material">The material.</param>
/// <param name="WetOverBlack">What was read, #rrggbb.</param>
/// <param name="DryFilmUm">Film that it dries to, um.</param>
public sealed record WetStripe(MaterialDraft Material, [ColourBound] string WetOverBlack, [StripeFilmBound] double DryFilmUm = 20);

/// <summary>What a wet stripe comes to.</summary>
/// <param name="WetScatter">How much the wet film scatters against the dry one.</param>
public sealed record WetStripeView(double WetScatter);

/// <summary>A change of a material.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Material">What it should be.</param>
public sealed record MaterialChange([VersionBound] int Version, MaterialDraft Material);

/// <summary>A material over black and over white, in one and two passes of its usual technique.</summary>
/// <param name="OverBlack">Colour over black by passes: 1, 2, 3.</param>
/// <param name="OverWhite">Colour over white by passes: 1, 2, 3.</param>
/// <param name="Masstone">So thick that it hides.</param>
/// <param name="Facts">What follows from its family.</param>
public sealed record SwatchView(IReadOnlyList<string> OverBlack, IReadOnlyList<string> OverWhite, string Masstone, MaterialFacts Facts);
