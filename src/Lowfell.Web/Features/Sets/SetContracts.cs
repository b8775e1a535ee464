using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Features.Stack;

namespace Lowfell.Web.Features.Sets;

/// <summary>A piece as it is drawn up.</summary>
public sealed record PieceDraft
{
    /// <summary>Name.</summary>
    [NameBound] public required string Name { get; init; }

    /// <summary>Kind of thing, such as wall or vehicle.</summary>
    [TagBound] public string Kind { get; init; } = "";

    /// <summary>Substrate.</summary>
    public Substrate Substrate { get; init; }

    /// <summary>Shape that its area comes from.</summary>
    public PieceShape Shape { get; init; }

    /// <summary>Length or diameter, mm; not read for a free shape.</summary>
    [SizeBound] public double LengthMm { get; init; } = 100;

    /// <summary>Width, mm.</summary>
    [SizeBound] public double WidthMm { get; init; } = 50;

    /// <summary>Height, mm.</summary>
    [SizeBound] public double HeightMm { get; init; } = 50;

    /// <summary>Area of a free shape, mm2.</summary>
    [AreaBound] public double FreeAreaMm2 { get; init; } = 5000;

    /// <summary>Copies.</summary>
    [CopiesBound] public int Copies { get; init; } = 1;

    /// <summary>The piece that it is fitted on when both are painted; none for what stands alone.</summary>
    public Guid? PartOfId { get; init; }

    /// <summary>Minutes to fit one copy.</summary>
    [FitBound] public double FitMin { get; init; } = 5;

    /// <summary>Minutes until its glue holds.</summary>
    [GlueBound] public double GlueMin { get; init; } = 60;

    /// <summary>It lies flat while it is painted: what goes all round is laid on one side, then on the other.</summary>
    public bool LiesFlat { get; init; }

    /// <summary>Copies the figures to a row.</summary>
    public void CopyTo(PieceRow row)
    {
        (row.Name, row.Kind, row.Substrate, row.Shape, row.Copies) = (Name.Trim(), Kind.Trim(), Substrate, Shape, Copies);
        (row.LengthMm, row.WidthMm, row.HeightMm, row.FreeAreaMm2) = (LengthMm, WidthMm, HeightMm, FreeAreaMm2);
        (row.PartOfId, row.FitMin, row.GlueMin, row.LiesFlat) = (PartOfId, FitMin, GlueMin, LiesFlat);
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
        LiesFlat = row.LiesFlat,
    };
}

/// <summary>A piece in the list of sets.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Piece">Its figures.</param>
/// <param name="AreaMm2">Area of one copy, mm2.</param>
/// <param name="Zones">Its zones.</param>
/// <param name="Judgement">What the rules find over all of them.</param>
/// <param name="Current">The judgement is of the stacks as they are now.</param>
public sealed record PieceView(Guid Id, int Version, PieceDraft Piece, double AreaMm2, IReadOnlyList<ZoneView> Zones, PieceJudgement Judgement, bool Current);

/// <summary>A piece by its name.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Name.</param>
public sealed record PieceName(Guid Id, string Name);

/// <summary>A piece, where it belongs and how far it is.</summary>
/// <param name="SetId">Its set.</param>
/// <param name="SetName">Name of the set.</param>
/// <param name="Scale">Scale, one to so many.</param>
/// <param name="Piece">The piece.</param>
/// <param name="Pieces">The pieces of the set in order, this one among them.</param>
/// <param name="Done">Steps that are done or left out, counted copy by copy.</param>
/// <param name="Steps">Steps in all, counted copy by copy.</param>
/// <param name="HasTray">Its copies are bases whose layouts are kept.</param>
public sealed record PiecePage(Guid SetId, string SetName, double Scale, PieceView Piece, IReadOnlyList<PieceName> Pieces, int Done, int Steps, bool HasTray);

/// <summary>A zone by its names, to be chosen.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Name.</param>
/// <param name="PieceId">Its piece.</param>
/// <param name="Piece">Name of the piece.</param>
/// <param name="SetId">Its set.</param>
/// <param name="Set">Name of the set.</param>
/// <param name="Copies">Copies of the piece.</param>
/// <param name="Substrate">What the piece is made of.</param>
/// <param name="Relief">Relief of the zone.</param>
/// <param name="Scale">Scale of the set, one to so many.</param>
public sealed record ZoneName(Guid Id, string Name, Guid PieceId, string Piece, Guid SetId, string Set, int Copies, Substrate Substrate, Relief Relief, double Scale);

/// <summary>A set.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Name">Name.</param>
/// <param name="Scale">Scale, one to so many.</param>
/// <param name="ViewingMm">Distance that it is looked at from, mm.</param>
/// <param name="ReadyBy">The day on which it has to be done; none where there is no such day.</param>
/// <param name="Pieces">Its pieces.</param>
public sealed record SetView(Guid Id, int Version, string Name, double Scale, double ViewingMm, DateOnly? ReadyBy, IReadOnlyList<PieceView> Pieces);


/// <summary>A new order.</summary>
/// <param name="Ids">Every id once, in the wanted order.</param>
/// <param name="Was">Every id in the order that it was made on.</param>
public sealed record Order([ManyBound] IReadOnlyList<Guid> Ids, [ManyBound] IReadOnlyList<Guid> Was);

/// <summary>A set as it is drawn up.</summary>
/// <param name="Name">Name.</param>
/// <param name="Scale">Scale, one to so many.</param>
/// <param name="ViewingMm">Distance that it is looked at from, mm.</param>
/// <param name="ReadyBy">The day on which it has to be done; none where there is no such day.</param>
public record SetDraft([NameBound] string Name, [ScaleBound] double Scale = Zone.UsualScale, [ViewingBound] double ViewingMm = Zone.UsualViewingMm, DateOnly? ReadyBy = null)
{
    /// <summary>Copies the figures to a row. A day that has gone by stays as it is, but none is set anew.</summary>
    /// <param name="row">The row.</param>
    /// <param name="today">Today, wherever the painter is: a day's grace is given.</param>
    /// <exception cref="RefusedException">It is to be ready by a day that has gone by.</exception>
    public void CopyTo(SetRow row, DateOnly today)
    {
        if (ReadyBy != row.ReadyBy && (ReadyBy < today.AddDays(-1) || ReadyBy > today.AddYears(10)))
        {
            throw new RefusedException("readyBy", $"Choose a day from {today:yyyy-MM-dd} on, or none: ready by {ReadyBy:yyyy-MM-dd} can't be.");
        }

        (row.Name, row.Scale, row.ViewingMm, row.ReadyBy) = (Name.Trim(), Scale, ViewingMm, ReadyBy);
    }
}

/// <summary>A change with the version it was made on.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Name">Name.</param>
/// <param name="Scale">Scale, one to so many.</param>
/// <param name="ViewingMm">Distance that it is looked at from, mm.</param>
/// <param name="ReadyBy">The day on which it has to be done; none where there is no such day.</param>
public sealed record SetChange([VersionBound] int Version, string Name, double Scale = Zone.UsualScale, double ViewingMm = Zone.UsualViewingMm, DateOnly? ReadyBy = null) : SetDraft(Name, Scale, ViewingMm, ReadyBy);

/// <summary>A change with the version it was made on.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Piece">What it should be.</param>
public sealed record PieceChange([VersionBound] int Version, PieceDraft Piece);

/// <summary>A change with the version it was made on.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Settings">What it should be.</param>
public sealed record ZoneChange([VersionBound] int Version, ZoneSettings Settings);

/// <summary>A change of one of several zones.</summary>
/// <param name="Id">The zone.</param>
/// <param name="Version">The version that was changed.</param>
/// <param name="Settings">What it should be.</param>
public sealed record ChangedZone(Guid Id, [VersionBound] int Version, ZoneSettings Settings);

/// <summary>Changes of several zones at once.</summary>
/// <param name="Zones">Each zone once.</param>
public sealed record ZoneChanges([ManyBound] IReadOnlyList<ChangedZone> Zones);

/// <summary>Something new or deleted, by its id.</summary>
/// <param name="Id">Its id.</param>
public sealed record Created(Guid Id);
