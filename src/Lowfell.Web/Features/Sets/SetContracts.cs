using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Pieces;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Hosting;

namespace Lowfell.Web.Features.Sets;

/// <summary>A piece as it is drawn up.</summary>
public sealed record PieceDraft
{
    /// <summary>Name, 1-120 characters.</summary>
    public required string Name { get; init; }

    /// <summary>Kind of thing, such as wall or vehicle.</summary>
    public string Kind { get; init; } = "";

    /// <summary>Substrate.</summary>
    public Substrate Substrate { get; init; }

    /// <summary>Shape that its area comes from.</summary>
    public PieceShape Shape { get; init; }

    /// <summary>Length or diameter, mm, above 0 to 3000; not read for a free shape.</summary>
    public double LengthMm { get; init; } = 100;

    /// <summary>Width, mm, above 0 to 3000.</summary>
    public double WidthMm { get; init; } = 50;

    /// <summary>Height, mm, above 0 to 3000.</summary>
    public double HeightMm { get; init; } = 50;

    /// <summary>Area of a free shape, mm2, above 0 to 10 million.</summary>
    public double FreeAreaMm2 { get; init; } = 5000;

    /// <summary>Copies, 1-1000.</summary>
    public int Copies { get; init; } = 1;

    /// <summary>The piece that it is fitted on when both are painted; none for what stands alone.</summary>
    public Guid? PartOfId { get; init; }

    /// <summary>Minutes to fit one copy, 0.5-240.</summary>
    public double FitMin { get; init; } = 5;

    /// <summary>Minutes until its glue holds, 0-2880.</summary>
    public double GlueMin { get; init; } = 60;

    /// <summary>Checks the figures.</summary>
    public void Check()
    {
        var checks = new Checks();
        checks.Within("", "fitMin", FitMin, 0.5, 240, " min");
        checks.Within("", "glueMin", GlueMin, 0, 2880, " min");
        checks.Name("", "name", Name);
        checks.Text("", "kind", Kind, Checks.LongestName);
        checks.Within("", "copies", Copies, 1, 1000);
        if (Shape == PieceShape.Free)
        {
            checks.Within("", "freeAreaMm2", FreeAreaMm2, 1, 10_000_000, " mm2");
        }
        else
        {
            checks.Within("", "lengthMm", LengthMm, 0.1, 3000, " mm");
            checks.Within("", "widthMm", WidthMm, 0.1, 3000, " mm");
            checks.Within("", "heightMm", HeightMm, 0.1, 3000, " mm");
        }

        checks.Enforce();
    }

    /// <summary>Copies the figures to a row.</summary>
    public void CopyTo(PieceRow row)
    {
        (row.Name, row.Kind, row.Substrate, row.Shape, row.Copies) = (Name.Trim(), Kind.Trim(), Substrate, Shape, Copies);
        (row.LengthMm, row.WidthMm, row.HeightMm, row.FreeAreaMm2) = (LengthMm, WidthMm, HeightMm, FreeAreaMm2);
        (row.PartOfId, row.FitMin, row.GlueMin) = (PartOfId, FitMin, GlueMin);
    }

    /// <summary>From a row.</summary>
    public static PieceDraft Of(PieceRow row) => new()
    {
        Name = row.Name,
        Kind = row.Kind,
        Substrate = row.Substrate,
        Shape = row.Shape,
        LengthMm = row.LengthMm,
        WidthMm = row.WidthMm,
        HeightMm = row.HeightMm,
        FreeAreaMm2 = row.FreeAreaMm2,
        Copies = row.Copies,
        PartOfId = row.PartOfId,
        FitMin = row.FitMin,
        GlueMin = row.GlueMin,
    };
}

/// <summary>A zone as it is drawn up.</summary>
public sealed record ZoneSettings
{
    /// <summary>Name, 1-120 characters.</summary>
    public required string Name { get; init; }

    /// <summary>Share of the piece's area, above 0 to 1; none where the area is given.</summary>
    public double? AreaShare { get; init; }

    /// <summary>Area as given, mm2.</summary>
    public double? OwnAreaMm2 { get; init; }

    /// <summary>Relief.</summary>
    public Relief Relief { get; init; } = Relief.Textured;

    /// <summary>Facing.</summary>
    public Facing Facing { get; init; } = Facing.Side;

    /// <summary>Smallest engraved width, mm.</summary>
    public double? SmallestDetailMm { get; init; }

    /// <summary>Length of creases on one copy, mm, where measured.</summary>
    public double? CreaseMm { get; init; }

    /// <summary>Length of raised edges on one copy, mm, where measured.</summary>
    public double? EdgeMm { get; init; }

    /// <summary>Touched in play.</summary>
    public bool Handled { get; init; }

    /// <summary>Has cut edges.</summary>
    public bool CutEdges { get; init; }

    /// <summary>Sheen wanted at the end.</summary>
    public Sheen Finish { get; init; } = Sheen.Matt;

    /// <summary>Target colour of the face.</summary>
    public string? Target { get; init; }

    /// <summary>Tolerance, dE00.</summary>
    public double Tolerance { get; init; } = 5;

    /// <summary>Zones of the same piece that it touches.</summary>
    public IReadOnlyList<Guid> Neighbours { get; init; } = [];

    /// <summary>When it is painted, where parts are fitted on its piece or its piece is one.</summary>
    public Fitting Fitting { get; init; }

    /// <summary>Scheme that its coats come from; a new, empty one where none is given.</summary>
    public Guid? SchemeId { get; init; }

    /// <summary>Checks the figures.</summary>
    public void Check(IReadOnlyCollection<Guid> siblings, Guid? self)
    {
        var checks = new Checks();
        checks.Name("", "name", Name);
        checks.WithinIfAny("", "areaShare", AreaShare, 0.001, 1);
        checks.WithinIfAny("", "ownAreaMm2", OwnAreaMm2, 1, 10_000_000, " mm2");
        checks.WithinIfAny("", "smallestDetailMm", SmallestDetailMm, 0.01, 50, " mm");
        checks.WithinIfAny("", "creaseMm", CreaseMm, 1, 1_000_000, " mm");
        checks.WithinIfAny("", "edgeMm", EdgeMm, 1, 1_000_000, " mm");
        checks.Within("", "tolerance", Tolerance, 0.5, 50, " dE00");
        checks.Colour("", "target", Target);
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

        checks.Enforce();
    }

    /// <summary>Copies the figures to a row; the scheme is the caller's.</summary>
    public void CopyTo(ZoneRow row)
    {
        (row.Name, row.AreaShare, row.OwnAreaMm2, row.Relief, row.Facing) = (Name.Trim(), AreaShare, OwnAreaMm2, Relief, Facing);
        (row.CreaseMm, row.EdgeMm) = (CreaseMm, EdgeMm);
        (row.SmallestDetailMm, row.Handled, row.CutEdges, row.Finish) = (SmallestDetailMm, Handled, CutEdges, Finish);
        row.Fitting = Fitting;
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
        Handled = z.Handled,
        CutEdges = z.CutEdges,
        Finish = z.Finish,
        Target = z.Target,
        Tolerance = z.Tolerance,
        Neighbours = z.Neighbours,
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
    public static IReadOnlyList<SampleStratum> Of(StackDraft stack, Prediction prediction, int coats)
    {
        static SampleStratum One(Stratum s, bool barrier) => new(s.Recess.Colour.ToString(), s.Face.Colour.ToString(), s.Edge.Colour.ToString(), barrier);
        return
        [
            One(prediction.Substrate, false),
            .. prediction.Strata.Take(coats).Select((s, i) => (Stratum: s, Coat: stack.Coats[i])).Where(s => !s.Coat.Skipped).Select(s => One(s.Stratum, s.Coat.Technique.Facts().ColourFree)),
        ];
    }
}

/// <summary>How many findings of each severity.</summary>
/// <param name="Stop">Will ruin it.</param>
/// <param name="Risk">May spoil it.</param>
/// <param name="Note">Advice.</param>
public sealed record FindingCount(int Stop, int Risk, int Note);

/// <summary>A zone in the list of sets.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Settings">Its settings.</param>
/// <param name="AreaMm2">Its area on one copy, mm2.</param>
/// <param name="SchemeName">Name of its scheme.</param>
/// <param name="Sample">Small core sample: substrate first.</param>
/// <param name="Findings">What the rules find.</param>
public sealed record ZoneView(Guid Id, int Version, ZoneSettings Settings, double AreaMm2, string SchemeName, IReadOnlyList<SampleStratum> Sample, FindingCount Findings);

/// <summary>A piece in the list of sets.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Piece">Its figures.</param>
/// <param name="AreaMm2">Area of one copy, mm2.</param>
/// <param name="Zones">Its zones.</param>
public sealed record PieceView(Guid Id, int Version, PieceDraft Piece, double AreaMm2, IReadOnlyList<ZoneView> Zones);

/// <summary>A set.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Name">Name.</param>
/// <param name="Pieces">Its pieces.</param>
public sealed record SetView(Guid Id, int Version, string Name, IReadOnlyList<PieceView> Pieces);

/// <summary>Something new or deleted, by its id.</summary>
/// <param name="Id">Its id.</param>
public sealed record Created(Guid Id);

/// <summary>A new order.</summary>
/// <param name="Ids">Every id once, in the wanted order.</param>
public sealed record Order(IReadOnlyList<Guid> Ids);

/// <summary>A change with the version it was made on.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Name">Name, 1-120 characters.</param>
public sealed record SetChange(int Version, string Name);

/// <summary>A name for something new.</summary>
/// <param name="Name">Name, 1-120 characters.</param>
public sealed record SetDraft(string Name);

/// <summary>A change with the version it was made on.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Piece">What it should be.</param>
public sealed record PieceChange(int Version, PieceDraft Piece);

/// <summary>A change with the version it was made on.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Settings">What it should be.</param>
public sealed record ZoneChange(int Version, ZoneSettings Settings);
