using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Web.Features.Shelf;

namespace Lowfell.Web.Features.Stack;

/// <summary>A scheme as it stood before a sitting changed it.</summary>
/// <param name="Id">Its id.</param>
/// <param name="From">Since when it stood so; none where that is not known.</param>
/// <param name="Until">Until when.</param>
/// <param name="Coats">Its coats, from the substrate up.</param>
public sealed record SchemeVersion(Guid Id, DateTimeOffset? From, DateTimeOffset Until, IReadOnlyList<CoatDraft> Coats);

/// <summary>A coat's own deposit in place of the technique's.</summary>
/// <param name="WetFilmUm">Wet film at recess, face, edge, um.</param>
/// <param name="Coverage">Coverage at recess, face, edge.</param>
public sealed record DepositDraft([ThreeHeightsBound, WetFilmBound] IReadOnlyList<double> WetFilmUm, [ThreeHeightsBound, ShareBound] IReadOnlyList<double> Coverage);

/// <summary>One coat as it is planned.</summary>
public sealed record CoatDraft
{
    /// <summary>Identity within the stack.</summary>
    public required Guid Id { get; init; }

    /// <summary>Technique.</summary>
    public required Technique Technique { get; init; }

    /// <summary>A material of the shelf; or give one inline, or a mix.</summary>
    public Guid? MaterialId { get; init; }

    /// <summary>A mix of the bench.</summary>
    public Guid? MixId { get; init; }

    /// <summary>A material inline, in previews only.</summary>
    public MaterialDraft? Material { get; init; }

    /// <summary>Colour that the material is mixed to by eye, #rrggbb.</summary>
    [ColourBound] public string? MixedTo { get; init; }

    /// <summary>Passes.</summary>
    [PassesBound] public int Passes { get; init; } = 1;

    /// <summary>Paint in the mix by volume; none for what the technique usually wants of the family.</summary>
    [PaintFractionBound] public double? PaintFraction { get; init; }

    /// <summary>How the painter said it.</summary>
    public DilutionForm DilutionForm { get; init; }

    /// <summary>What it is thinned with; none for the family's own.</summary>
    public Thinner? Thinner { get; init; }

    /// <summary>Hand: factor on the film.</summary>
    [HandBound] public double Hand { get; init; } = 1;

    /// <summary>Own deposit.</summary>
    public DepositDraft? Deposit { get; init; }

    /// <summary>Dried with warm air.</summary>
    public bool Hurried { get; init; }

    /// <summary>May be left out.</summary>
    public bool Optional { get; init; }

    /// <summary>Left out.</summary>
    public bool Skipped { get; init; }

    /// <summary>Laid while the coat below is still wet.</summary>
    public bool WhileWet { get; init; }

    /// <summary>The least that must have happened below first, over what it needs anyway.</summary>
    public Wait Wait { get; init; }

    /// <summary>The painter's own wait before it, minutes; none for as long as it needs.</summary>
    [WaitBound] public double? WaitMinutes { get; init; }

    /// <summary>Its marks, where they are counted.</summary>
    public Marks? Marks { get; init; }

    /// <summary>The heights between which it fades out; none for the same film all over.</summary>
    public Fade? Fade { get; init; }

    /// <summary>Findings that the painter knows of, with the mark that they came with.</summary>
    [KnownBound] public IReadOnlyList<KnownFinding> Known { get; init; } = [];

    /// <summary>Note.</summary>
    [NoteBound] public string Note { get; init; } = "";
}

/// <summary>A whole stack as it is planned.</summary>
/// <param name="Zone">What it goes on.</param>
/// <param name="Coats">From the substrate up.</param>
/// <param name="Schools">Preferences; the usual ones where none are given.</param>
public sealed record StackRequest(ZoneDraft Zone, [CoatsBound] IReadOnlyList<CoatDraft> Coats, Schools? Schools = null);

/// <summary>A stack, and the coat that colour help is wanted for.</summary>
/// <param name="Zone">What it goes on.</param>
/// <param name="Coats">From the substrate up.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="Schools">Preferences.</param>
public sealed record HelpRequest(ZoneDraft Zone, [CoatsBound] IReadOnlyList<CoatDraft> Coats, Guid CoatId, Schools? Schools = null);
