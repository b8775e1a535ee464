using Lowfell.Core.Evenings.Findings;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Features.Stack;

namespace Lowfell.Web.Features.Sets;

/// <summary>A zone as it is drawn up.</summary>
public sealed record ZoneSettings
{
    /// <summary>Name.</summary>
    [NameBound] public required string Name { get; init; }

    /// <summary>Share of the piece's area; none where the area is given.</summary>
    [AreaShareBound] public double? AreaShare { get; init; }

    /// <summary>Area as given, mm2.</summary>
    [AreaBound] public double? OwnAreaMm2 { get; init; }

    /// <summary>Relief.</summary>
    public Relief Relief { get; init; } = Relief.Textured;

    /// <summary>Facing.</summary>
    public Facing Facing { get; init; } = Facing.Side;

    /// <summary>Smallest engraved width, mm.</summary>
    [DetailBound] public double? SmallestDetailMm { get; init; }

    /// <summary>Length of creases on one copy, mm, where measured.</summary>
    [RunBound] public double? CreaseMm { get; init; }

    /// <summary>Length of raised edges on one copy, mm, where measured.</summary>
    [RunBound] public double? EdgeMm { get; init; }

    /// <summary>Share of the raised edges that faces the light.</summary>
    [ShareBound] public double LitEdges { get; init; } = 1;

    /// <summary>Share of the zone that no hand reaches or eye sees.</summary>
    [UnseenBound] public double Unseen { get; init; }

    /// <summary>Where it begins above the foot of the piece, mm; none where it is not told by height.</summary>
    [HeightBound] public double? HeightFromMm { get; init; }

    /// <summary>Where it ends above the foot of the piece, mm.</summary>
    [HeightBound] public double? HeightToMm { get; init; }

    /// <summary>Touched in play.</summary>
    public bool Handled { get; init; }

    /// <summary>Reaches to the rim.</summary>
    public bool Rim { get; init; }

    /// <summary>Has cut edges.</summary>
    public bool CutEdges { get; init; }

    /// <summary>Sheen wanted at the end.</summary>
    public Sheen Finish { get; init; } = Sheen.Matt;

    /// <summary>Target colour of the face.</summary>
    [ColourBound] public string? Target { get; init; }

    /// <summary>Colour wanted in the recess.</summary>
    [ColourBound] public string? TargetRecess { get; init; }

    /// <summary>Colour wanted on the raised edge.</summary>
    [ColourBound] public string? TargetEdge { get; init; }

    /// <summary>Tolerance, dE00.</summary>
    [ToleranceBound] public double Tolerance { get; init; } = 5;

    /// <summary>Colour that should show in the cracks of a crackle.</summary>
    [ColourBound] public string? CrackColour { get; init; }

    /// <summary>Zones of the same piece that it touches.</summary>
    [NamedZonesBound] public IReadOnlyList<Guid> Neighbours { get; init; } = [];

    /// <summary>Zones of the same set that it fits against, and how much room there is, 0-50 mm.</summary>
    [ZoneListBound] public IReadOnlyList<Mate> Mates { get; init; } = [];

    /// <summary>When it is painted, where parts are fitted on its piece or its piece is one.</summary>
    public Fitting Fitting { get; init; }

    /// <summary>Scheme that its coats come from; a new, empty one where none is given.</summary>
    public Guid? SchemeId { get; init; }

    /// <summary>Checks the figures.</summary>
    public void Check(PieceRow piece, IReadOnlyCollection<Guid> siblings, Guid? self)
    {
        var checks = new Checks();
        ZoneDraft.CheckHeights(checks, "", (HeightFromMm, HeightToMm, piece.TallMm));
        if (AreaShare is null == OwnAreaMm2 is null)
        {
            checks.Fault("areaShare", "Give either a share of the piece's area or an area in mm2.");
        }

        foreach (var neighbour in Neighbours)
        {
            if (neighbour == self || !siblings.Contains(neighbour))
            {
                checks.Fault("neighbours", $"{neighbour} is no other zone of this piece.");
            }
        }

        for (var i = 0; i < Mates.Count; i++)
        {
            if (Mates[i].ZoneId == self)
            {
                checks.Fault($"mates[{i}].zoneId", "A zone can't fit against itself.");
            }
        }

        checks.Enforce();
    }

    /// <summary>Copies the figures to a row; the scheme is the caller's.</summary>
    public void CopyTo(ZoneRow row)
    {
        (row.Name, row.AreaShare, row.OwnAreaMm2, row.Relief, row.Facing) = (Name.Trim(), AreaShare, OwnAreaMm2, Relief, Facing);
        (row.CreaseMm, row.EdgeMm) = (CreaseMm, EdgeMm);
        (row.LitEdges, row.Unseen, row.HeightFromMm, row.HeightToMm) = (LitEdges, Unseen, HeightFromMm, HeightToMm);
        (row.SmallestDetailMm, row.Handled, row.Rim, row.CutEdges, row.Finish) = (SmallestDetailMm, Handled, Rim, CutEdges, Finish);
        row.CrackColour = CrackColour?.ToLowerInvariant();
        (row.Fitting, row.Mates) = (Fitting, [.. Mates.DistinctBy(m => m.ZoneId)]);
        (row.TargetRecess, row.TargetEdge) = (TargetRecess?.ToLowerInvariant(), TargetEdge?.ToLowerInvariant());
        (row.Target, row.Tolerance, row.Neighbours) = (Target?.ToLowerInvariant(), Tolerance, [.. Neighbours.Distinct()]);
    }

    /// <summary>From a row.</summary>
    public static ZoneSettings Of(ZoneRow z) => new()
    {
        Name = z.Name,
        AreaShare = z.AreaShare,
        OwnAreaMm2 = z.OwnAreaMm2,
        Relief = z.Relief,
        Facing = z.Facing,
        SmallestDetailMm = z.SmallestDetailMm,
        CreaseMm = z.CreaseMm,
        EdgeMm = z.EdgeMm,
        LitEdges = z.LitEdges,
        Unseen = z.Unseen,
        HeightFromMm = z.HeightFromMm,
        HeightToMm = z.HeightToMm,
        Handled = z.Handled,
        Rim = z.Rim,
        CutEdges = z.CutEdges,
        Finish = z.Finish,
        Target = z.Target,
        TargetRecess = z.TargetRecess,
        TargetEdge = z.TargetEdge,
        Tolerance = z.Tolerance,
        CrackColour = z.CrackColour,
        Neighbours = z.Neighbours,
        Mates = z.Mates,
        Fitting = z.Fitting,
        SchemeId = z.SchemeId,
    };
}

/// <summary>One stratum of a small core sample.</summary>
/// <param name="Recess">In the recess.</param>
/// <param name="Face">On the face.</param>
/// <param name="Edge">On the edge.</param>
/// <param name="Barrier">A clear band.</param>
public sealed record SampleStratum(string Recess, string Face, string Edge, bool Barrier)
{
    /// <summary>The core sample of a stack up to a coat, substrate first; coats that are skipped are not in it.</summary>
    public static IReadOnlyList<SampleStratum> Of(StackDraft stack, PredictedStack prediction, int coats)
    {
        static SampleStratum One(Stratum s, bool barrier) => new(s.Recess.Colour.ToString(), s.Face.Colour.ToString(), s.Edge.Colour.ToString(), barrier);
        return
        [
            One(prediction.Substrate, false),
            .. prediction.Strata.Take(coats).Select((s, i) => (Stratum: s, Coat: stack.Coats[i])).Where(s => !s.Coat.Skipped).Select(s => One(s.Stratum, s.Coat.Technique.Facts().ColourFree)),
        ];
    }
}

/// <summary>A zone in the list of sets.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Settings">Its settings.</param>
/// <param name="AreaMm2">Its area on one copy, mm2.</param>
/// <param name="SchemeName">Name of its scheme.</param>
/// <param name="Sample">Small core sample: substrate first.</param>
/// <param name="Findings">What the rules find.</param>
/// <param name="Current">Sample and findings are of the stack as it is now; else of how it was before, until they are worked out again.</param>
public sealed record ZoneView(Guid Id, int Version, ZoneSettings Settings, double AreaMm2, string SchemeName, IReadOnlyList<SampleStratum> Sample, OutcomeView Findings, bool Current);
