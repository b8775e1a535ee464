using System.Text.Json.Serialization;
using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Stacks;

/// <summary>The least that a painter asks of what is below before a coat goes on, over what it needs anyway.</summary>
public enum Wait
{
    /// <summary>As long as it needs.</summary>
    [Said("as needed")]
    RecoatDry,

    /// <summary>A night.</summary>
    [Said("a night at least")]
    Overnight,

    /// <summary>Cured.</summary>
    [Said("until cured")]
    Cured,
}

/// <summary>Marks of a coat, where they are counted and measured.</summary>
/// <param name="Count">How many on one copy.</param>
/// <param name="WidthMm">Width of one on the model, mm; of grit the size of a grain.</param>
/// <param name="LengthMm">Length of one on the model, mm.</param>
/// <param name="Kind">What they are meant as; none where nobody said.</param>
/// <param name="StripMm2">Area of one copy that they are spread over by a technique that goes by area, mm2; none where they are made one by one.</param>
public sealed record Marks([MarkCountBound] int Count, [MarkWidthBound] double WidthMm, [MarkLengthBound] double LengthMm, MarkKind? Kind = null, [StripBound] double? StripMm2 = null)
{
    // Of the box round one, what it fills: a run fades out. Craft estimate.
    private const double Fills = 0.7;

    /// <summary>What they cover on one copy, mm2.</summary>
    [JsonIgnore]
    public double AreaMm2 => Count * WidthMm * LengthMm * Filled;

    /// <summary>What one fills of its box, 0..1: of a kind that is told, a run or patch fades out and a strip is not laid shut.</summary>
    [JsonIgnore]
    public double Filled => Kind is not { } kind ? 1 : kind.Facts() is { Length: null } strip ? strip.Share : Fills;

    // More for each copy when runs are drawn down, min. Craft estimate.
    private const double DrawnDownMin = 0.3;

    /// <summary>Hands-on minutes on one copy of drawing down and cleaning what was placed in spirit; 0 where nothing is.</summary>
    /// <param name="carrier">What it is borne by.</param>
    public double DownMinutesOf(Carrier carrier) => Kind?.Facts().DownSeconds is > 0 and var seconds && carrier == Carrier.WhiteSpirit ? (Count * seconds / 60) + DrawnDownMin : 0;

    /// <summary>Hands-on minutes on one copy, of a kind that is told.</summary>
    /// <param name="carrier">What it is borne by.</param>
    /// <param name="rateCm2PerMin">Area that the technique does in a minute, cm2.</param>
    public double MinutesOf(Carrier carrier, double rateCm2PerMin)
    {
        if (Kind is not { } kind)
        {
            return 0;
        }

        var facts = kind.Facts();
        return facts.MoreMin + (facts.IsField ? (StripMm2 ?? AreaMm2) / 100 / (facts.RateCm2PerMin > 0 ? facts.RateCm2PerMin : rateCm2PerMin) : Count * kind.SecondsEach(carrier) / 60);
    }
}

/// <summary>A coat that fades out with height.</summary>
/// <param name="FullMm">Height above the foot at which the film is full, mm.</param>
/// <param name="NoneMm">Height at which there is none, mm.</param>
public sealed record Fade([HeightBound] double FullMm, [HeightBound] double NoneMm)
{
    /// <summary>Share of the film at a height, 0..1: full beyond one end, none beyond the other, even between.</summary>
    public double At(double heightMm) => FullMm == NoneMm ? 1 : Math.Clamp((heightMm - NoneMm) / (FullMm - NoneMm), 0, 1);

    /// <summary>Mean share over a range of heights.</summary>
    public double Mean(double fromMm, double toMm)
    {
        // Even between the ends, flat outside: the integral of At in three pieces.
        if (toMm <= fromMm)
        {
            return At(fromMm);
        }

        double Integral(double h)
        {
            var (low, high) = (Math.Min(FullMm, NoneMm), Math.Max(FullMm, NoneMm));
            var (below, above) = (At(low), At(high));
            var within = Math.Clamp(h, low, high);
            return (Math.Min(h, low) * below) + ((within - low) * (below + At(within)) / 2) + (Math.Max(0, h - high) * above);
        }

        return (Integral(toMm) - Integral(fromMm)) / (toMm - fromMm);
    }
}

/// <summary>A finding that the painter knows of: it rests until the coats that it is about change.</summary>
/// <param name="Rule">Its rule.</param>
/// <param name="Aspect">Which of several faults of that rule.</param>
/// <param name="Reason">Why it may rest.</param>
/// <param name="Mark">What the coats were then.</param>
public sealed record KnownFinding([TagBound] string Rule, [TagBound] string Aspect, [ReasonBound] string Reason, [TagBound] string Mark);

/// <summary>One application of one material or mix with one technique.</summary>
public sealed record Coat
{
    /// <summary>Most passes of a coat.</summary>
    public const int MostPasses = 20;

    /// <summary>Longest wait that a painter may set, minutes: sixty days.</summary>
    public const double LongestWaitMin = 60 * 24 * 60;

    /// <summary>Identity within the stack; findings and mends speak of it.</summary>
    public required Guid Id { get; init; }

    /// <summary>Technique.</summary>
    public required Technique Technique { get; init; }

    /// <summary>What goes on; null for techniques that need no material.</summary>
    public Paint? Paint { get; init; }

    /// <summary>Where the paint comes from, when it is a material: mends and the shelf speak of it.</summary>
    public Material? Material { get; init; }

    /// <summary>Colour that the material is mixed to by eye, in place of its own.</summary>
    public Srgb? MixedTo { get; init; }

    /// <summary>Passes, 1..20.</summary>
    public int Passes { get; init; } = 1;

    /// <summary>Dilution.</summary>
    public Dilution Dilution { get; init; } = Dilution.Neat;

    /// <summary>What it is thinned with.</summary>
    public Thinner Thinner { get; init; }

    /// <summary>Lighter or heavier hand: factor on the film, 0.5..2.</summary>
    public double Hand { get; init; } = 1;

    /// <summary>Own wet film and coverage in place of the technique's.</summary>
    public Deposit? OwnDeposit { get; init; }

    /// <summary>Dried with warm air.</summary>
    public bool Hurried { get; init; }

    /// <summary>May be left out if the evening gets short.</summary>
    public bool Optional { get; init; }

    /// <summary>Left out.</summary>
    public bool Skipped { get; init; }

    /// <summary>Laid while the coat below is still wet.</summary>
    public bool WhileWet { get; init; }

    /// <summary>What must have happened below first, over what it needs anyway.</summary>
    public Wait Wait { get; init; }

    /// <summary>The painter's own wait before it, minutes, longer or shorter than it needs; null for as long as it needs.</summary>
    public double? OwnWaitMin { get; init; }

    /// <summary>Its marks, where they are counted.</summary>
    public Marks? Marks { get; init; }

    /// <summary>How it fades out with height; null for the same film all over.</summary>
    public Fade? Fade { get; init; }

    /// <summary>Findings that the painter knows of.</summary>
    public IReadOnlyList<KnownFinding> Known { get; init; } = [];

    /// <summary>The painter's own note.</summary>
    public string Note { get; init; } = "";

    /// <summary>Facts of its technique.</summary>
    public TechniqueFacts How => Technique.Facts();

    /// <summary>It primes: a covering coat of a primer, however it is laid.</summary>
    public bool Primes => How.Covers && What?.Kind == Kind.Primer;

    /// <summary>What it is within a sentence: "primer", "base coat", "wash".</summary>
    public string Word => Primes ? Priming.Word : How.Word;

    /// <summary>What it is at the start of a line: "Prime", "Base coat", "Wash".</summary>
    public string Title => Primes ? Priming.Label : How.Label;

    /// <summary>What it is and its paint, as it stands in a list.</summary>
    public string Label => Paint is { } paint ? $"{Title}, {paint.Name}" : Title;

    /// <summary>Family that the rules go by.</summary>
    public Family? Family => Paint?.Lead.Family;

    /// <summary>Facts of that family.</summary>
    public FamilyFacts? What => Paint?.Lead.Family.Facts();

    /// <summary>Leaves a film of its own.</summary>
    public bool LeavesFilm => Paint is not null && How.NeedsMaterial;

    /// <summary>Share of paint in what is laid on, that of a mix counted.</summary>
    public double PaintShare => Dilution.PaintFraction * (Paint?.PaintShare ?? 1);

    /// <summary>Effect of what it is made of.</summary>
    public Effect Effect => Paint?.Lead.Effect ?? Effect.Plain;

    /// <summary>The carrier of the paint itself.</summary>
    public Carrier Carrier => Paint?.Lead.Family.Facts().Carrier ?? How.Brings;

    /// <summary>Whether a liquid is in it: of any component, and of the thinner where there is some.</summary>
    public bool Brings(Carrier carrier)
    {
        if (carrier == Carrier.None || !How.NeedsMaterial)
        {
            return carrier != Carrier.None && How.Brings == carrier;
        }

        return Paint is { } paint && How.Impact != Impact.None && (paint.Holds(carrier) || (Dilution.PaintFraction < 1 && Thinner.AsCarrier() == carrier));
    }

    /// <summary>Whether a solvent is in it whose vapour matters.</summary>
    public bool BringsSolvent => Brings(Carrier.Alcohol) || Brings(Carrier.WhiteSpirit) || Brings(Carrier.LacquerThinner);

    /// <summary>How hard it works on what lies below: a spirit coat that is cleaned off scrubs.</summary>
    public Impact Impact => How.SpiritImpact is { } spirit && Carrier == Carrier.WhiteSpirit ? spirit : How.Impact;

    /// <summary>How one of its marks is drawn: as what it is meant as, else as its technique leaves it; none for what is laid as a film.</summary>
    public MarkShape? Shape => Marks?.Kind?.Facts().Shape ?? How.Shape;

    /// <summary>Its film, or the technique's on a zone; marks that are counted cover what they measure.</summary>
    public Deposit DepositOn(Zone zone)
    {
        if (OwnDeposit is { } own)
        {
            return own;
        }

        var usual = Kernels.Deposit(Technique, zone.Relief, zone.Facing);
        if (Marks is not { } marks || (How.GoesBy != GoesBy.Number && marks.Kind is null))
        {
            return usual;
        }

        // What is drawn on faces with the brush for edges lies on all heights alike.
        var spread = marks.Kind is { } kind && !kind.Facts().OnEdges && How.GoesBy is GoesBy.Edges or GoesBy.Creases ? new([usual.WetFilmUm.Max(), usual.WetFilmUm.Max(), usual.WetFilmUm.Max()], [1, 1, 1]) : usual;
        return spread.Covering(marks.AreaMm2 / zone.AreaMm2, zone.HeightShares);
    }

    /// <summary>Where it is done.</summary>
    public Station Station => Technique.StationFor(Family);

    /// <summary>This coat of a material.</summary>
    public Coat Of(Material material) => this with
    {
        Material = material,
        Paint = Paint.Of(MixedTo is { } colour ? material.MixedTo(colour) : material),
    };

    /// <summary>This coat of a material that stands in for its own: in its own thinner, no thinner than it bears.</summary>
    public Coat InsteadOf(Material material, Technique technique)
    {
        var facts = material.Family.Facts();
        var thinned = facts.ThinnedTo(technique.Facts().Role);
        var fraction = technique.Facts().Thins ? Math.Clamp(Dilution.PaintFraction, Math.Max(thinned.Least, 0.01), 1) : 1;
        return (this with { Technique = technique, MixedTo = null, Thinner = facts.OwnThinner, Dilution = Dilution.Of(fraction) }).Of(material);
    }

    /// <summary>A coat as it is usually done: the technique's dilution of the family, in its own thinner.</summary>
    public static Coat Usual(Technique technique, Material material) => new Coat
    {
        Id = Guid.Empty,
        Technique = technique,
        Dilution = Dilution.Of(technique.UsualFraction(material.Family)),
        Thinner = material.Family.Facts().OwnThinner,
    }.Of(material);
}
