using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Wording;

namespace Lowfell.Web.Features.Bases;

/// <summary>Form of a base.</summary>
/// <param name="Shape">Outline.</param>
/// <param name="LengthMm">Side to side or diameter, mm.</param>
/// <param name="WidthMm">Front to rear, mm.</param>
/// <param name="BevelMm">Bevel, mm.</param>
/// <param name="HeightMm">Height of its top face, mm.</param>
public sealed record BaseFormDraft(BaseShape Shape, [BaseSideBound] double LengthMm, [BaseSideBound] double WidthMm, [BevelBound] double BevelMm = 1, [BaseHeightBound] double HeightMm = 3.2)
{
    internal BaseForm ToCore() => new(Shape, LengthMm, WidthMm, BevelMm, HeightMm);

    internal static BaseFormDraft Of(BaseForm f) => new(f.Shape, f.LengthMm, f.WidthMm, f.BevelMm, f.HeightMm);
}

/// <summary>What stands on a base.</summary>
/// <param name="Stance">How it stands.</param>
/// <param name="LandingMm">Length of a foot or wheel, or diameter of a stem, mm.</param>
/// <param name="LandingWidthMm">Width of a foot or wheel, mm.</param>
/// <param name="SpreadMm">Between feet or wheels from side to side, mm.</param>
/// <param name="AxlesMm">Between axles, mm.</param>
/// <param name="AtXMm">Its middle, to the right, mm.</param>
/// <param name="AtYMm">Its middle, to the rear, mm.</param>
/// <param name="HemMm">Room under what hangs over, mm.</param>
/// <param name="OverhangMm">How far that reaches, mm.</param>
/// <param name="HullFree">The ground between the landings stays free.</param>
/// <param name="WeightG">What it weighs, g; 0 where that is not known.</param>
/// <param name="CentreMm">Its middle of mass above the base, mm.</param>
/// <param name="StonesMm">Flat stones under its landings in their order, mm thick; 0 or not named where one stands on the ground.</param>
public sealed record BaseFigureDraft(
    Stance Stance,
    [LandingBound] double LandingMm = 0,
    [LandingBound] double LandingWidthMm = 0,
    [LandingBound] double SpreadMm = 0,
    [LandingBound] double AxlesMm = 0,
    [PlaceBound] double AtXMm = 0,
    [PlaceBound] double AtYMm = 0,
    [LandingBound] double HemMm = 0,
    [LandingBound] double OverhangMm = 0,
    bool HullFree = false,
    [FigureWeightBound] double WeightG = 0,
    [LandingBound] double CentreMm = 0,
    [StonesBound, StoneBound] IReadOnlyList<double>? StonesMm = null)
{
    internal Figure ToCore() => new(Stance, LandingMm, LandingWidthMm, SpreadMm, AxlesMm, AtXMm, AtYMm, HemMm, OverhangMm, HullFree, StonesMm);

    internal static BaseFigureDraft Of(Figure f) => new(f.Stance, f.LandingMm, f.LandingWidthMm, f.SpreadMm, f.AxlesMm, f.AtXMm, f.AtYMm, f.HemMm, f.OverhangMm, f.HullFree, StonesMm: f.StonesMm);
}

/// <summary>An element of a base.</summary>
/// <param name="BoxId">The box it comes from.</param>
/// <param name="Name">What the box is called.</param>
/// <param name="Kind">Kind.</param>
/// <param name="Seed">Seed of its outline.</param>
/// <param name="LengthMm">Length, mm.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="X">Its middle, to the right, mm.</param>
/// <param name="Y">Its middle, to the rear, mm.</param>
/// <param name="AngleDeg">Turned counter-clockwise, degrees.</param>
/// <param name="Cluster">Its cluster, from 0.</param>
/// <param name="Heart">Its cluster gathers round it.</param>
/// <param name="Locked">It stays where it is.</param>
/// <param name="OverhangMm">How far it is to stand out over the edge, mm.</param>
/// <param name="InsteadOf">What it stands in for.</param>
public sealed record ElementDraft(
    Guid BoxId,
    [NameBound] string Name,
    ElementKind Kind,
    [SeedBound] long Seed,
    [ElementSizeBound] double LengthMm,
    [ElementSizeBound] double WidthMm,
    [ElementSizeBound] double HeightMm,
    [PlaceBound] double X,
    [PlaceBound] double Y,
    [TurnBound] double AngleDeg,
    [ClusterBound] int Cluster = 0,
    bool Heart = false,
    bool Locked = false,
    [OverhangBound] double OverhangMm = 0,
    [TagBound] string InsteadOf = "")
{
    internal Element ToCore() => new()
    {
        ClassId = BoxId,
        Name = Name,
        Kind = Kind,
        Seed = (ulong)Seed,
        LengthMm = LengthMm,
        WidthMm = WidthMm,
        HeightMm = HeightMm,
        X = X,
        Y = Y,
        AngleDeg = AngleDeg,
        Cluster = Cluster,
        Heart = Heart,
        Locked = Locked,
        OverhangMm = OverhangMm,
        InsteadOf = InsteadOf.Length > 0 ? InsteadOf : null,
    };

    internal static ElementDraft Of(Element e) => new(e.ClassId, e.Name, e.Kind, (long)e.Seed, e.LengthMm, e.WidthMm, e.HeightMm, e.X, e.Y, e.AngleDeg, e.Cluster, e.Heart, e.Locked, e.OverhangMm, e.InsteadOf ?? "");
}

/// <summary>A base of a tray: all that has to be kept of it.</summary>
/// <param name="Form">Form.</param>
/// <param name="Figure">What stands on it.</param>
/// <param name="Seed">Seed of its ground.</param>
/// <param name="Elements">Elements.</param>
/// <param name="Locked">The whole base stays as it is.</param>
public sealed record TrayCopyDraft(BaseFormDraft Form, BaseFigureDraft Figure, [SeedBound] long Seed, [ElementsBound] IReadOnlyList<ElementDraft> Elements, bool Locked = false)
{
    internal Seat Seat() => new(Form.ToCore(), Figure.ToCore());

    internal Plot Plot() => new(Seat(), [.. Elements.Select(e => e.ToCore())], (ulong)Seed);
}

/// <summary>Elements that a family wishes for.</summary>
/// <param name="Kind">Kind.</param>
/// <param name="LengthMm">About how long, mm.</param>
public sealed record WishedDraft(ElementKind Kind, [ElementSizeBound] double LengthMm);

/// <summary>A cluster of a family.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Group">One cluster of each group is laid on a base.</param>
/// <param name="FromMm">Smallest size of base it is for, mm.</param>
/// <param name="ToMm">Size up to which it is for, mm.</param>
/// <param name="Elements">Its elements, the heart first.</param>
/// <param name="Weight">How often it is drawn.</param>
public sealed record ClusterDraft([NameBound] string Name, [GroupBound] int Group, [BaseSizeBound] double FromMm, [BaseSizeBound] double ToMm, [WishedBound] IReadOnlyList<WishedDraft> Elements, [WeightBound] double Weight = 1);

/// <summary>A tile of one's own crackle paste: two fields of different thickness, looked at once they are dry.</summary>
/// <param name="ThinMm">Thickness of one field, mm.</param>
/// <param name="ThinCells">Plates along 20 mm of it.</param>
/// <param name="ThickMm">Thickness of the other, thicker field, mm.</param>
/// <param name="ThickCells">Plates along 20 mm of that.</param>
/// <param name="CrackMm">Width of a crack on the thicker, mm.</param>
public sealed record CrackleTileDraft([CrackleFilmBound] double ThinMm, [PlatesBound] double ThinCells, [CrackleFilmBound] double ThickMm, [PlatesBound] double ThickCells, [CrackWidthBound] double CrackMm)
{
    internal static CrackleTileDraft Shown(CrackleTile t) => new(t.ThinMm, Math.Round(t.ThinCells, 1), t.ThickMm, Math.Round(t.ThickCells, 1), Math.Round(t.CrackMm, 2));

    internal CrackleTile ToCore() => new(ThinMm, ThinCells, ThickMm, ThickCells, CrackMm);

    internal void Check(Api.Checks checks, string path)
    {
        if (ThickMm < ThinMm * CrackleTile.LeastStep)
        {
            checks.Fault($"{path}thickMm", FormattableString.Invariant($"The thicker field is {ThickMm:0.##} mm, the thinner {ThinMm:0.##} mm: at least {ThinMm * CrackleTile.LeastStep:0.##} mm is wanted to tell how plates grow with thickness."));
        }

        if (ThickCells > ThinCells)
        {
            checks.Fault($"{path}thickCells", FormattableString.Invariant($"Plates grow with thickness: {ThickCells:0.#} along 20 mm of the thicker field and {ThinCells:0.#} of the thinner can't be. Count again, or change them over."));
        }
    }
}

/// <summary>A family of bases.</summary>
/// <param name="Name">Name.</param>
/// <param name="Clusters">Clusters.</param>
/// <param name="Shares">Shares of crackle, coarse grit, fine grit, fine sand and bare skim; they add up to 1.</param>
/// <param name="SkimMm">Skim, mm.</param>
/// <param name="RiseMm">Rise, mm.</param>
/// <param name="CrackleMm">Crackle, mm.</param>
/// <param name="Calm">Share that stays calm.</param>
/// <param name="RimMm">How much wider than usual the rim stays free, mm.</param>
/// <param name="Grass">Static grass round the tufts.</param>
/// <param name="LeastTufts">Fewest tufts together.</param>
/// <param name="LivelyFront">The liveliest piece may stand before the feet.</param>
/// <param name="Ground">Colour of the ground.</param>
/// <param name="Crust">Colour of the crust.</param>
/// <param name="Crack">Colour in its cracks.</param>
/// <param name="Light">Colour of its edges.</param>
/// <param name="Tufts">Colour of its tufts.</param>
/// <param name="BareLandings">Landings are kept bare for glue.</param>
/// <param name="Tile">What a tile of its crackle paste showed; null where none was made.</param>
public sealed record BaseFamilyDraft(
    [NameBound] string Name,
    [ClusterRulesBound] IReadOnlyList<ClusterDraft> Clusters,
    [TextureSharesBound, GroundShareBound] IReadOnlyList<double> Shares,
    [SkimBound] double SkimMm,
    [RiseBound] double RiseMm,
    [SkimBound] double CrackleMm,
    [CalmBound] double Calm,
    [WiderRimBound] double RimMm,
    [GroundShareBound] double Grass,
    [LeastTuftsBound] int LeastTufts,
    bool LivelyFront,
    [ColourBound] string Ground,
    [ColourBound] string Crust,
    [ColourBound] string Crack,
    [ColourBound] string Light,
    [ColourBound] string Tufts,
    bool BareLandings = false,
    CrackleTileDraft? Tile = null)
{
    internal BaseFamily ToCore() => new()
    {
        Name = Name,
        Clusters = [.. Clusters.Select(c => new ClusterRule(c.Name, c.Group, c.FromMm, c.ToMm, [.. c.Elements.Select(e => new WishedElement(e.Kind, e.LengthMm))], c.Weight))],
        Shares = Shares,
        SkimMm = SkimMm,
        RiseMm = RiseMm,
        CrackleMm = CrackleMm,
        Calm = Calm,
        RimMm = RimMm,
        Grass = Grass,
        LeastTufts = LeastTufts,
        LivelyFront = LivelyFront,
        Ground = Ground,
        Crust = Crust,
        Crack = Crack,
        Light = Light,
        Tufts = Tufts,
        BareLandings = BareLandings,
        Tile = Tile?.ToCore(),
    };

    /// <summary>A family of Core's as it is kept.</summary>
    public static BaseFamilyDraft Of(BaseFamily f)
    {
        ArgumentNullException.ThrowIfNull(f);
        return new(
            f.Name, [.. f.Clusters.Select(c => new ClusterDraft(c.Name, c.Group, c.FromMm, c.ToMm, [.. c.Elements.Select(e => new WishedDraft(e.Kind, e.LengthMm))], c.Weight))],
            f.Shares, f.SkimMm, f.RiseMm, f.CrackleMm, f.Calm, f.RimMm, f.Grass, f.LeastTufts, f.LivelyFront, f.Ground, f.Crust, f.Crack, f.Light, f.Tufts, f.BareLandings,
            f.Tile is { } t ? new(t.ThinMm, t.ThinCells, t.ThickMm, t.ThickCells, t.CrackMm) : null);
    }

    internal void Check(Api.Checks checks, string path = "")
    {
        Tile?.Check(checks, $"{path}tile.");
        if (Shares.Any(s => s is < 0 or > 1) || Math.Abs(Shares.Sum() - 1) > 0.005)
        {
            checks.Fault($"{path}shares", FormattableString.Invariant($"Shares of the ground are {string.Join(", ", Shares.Select(s => $"{100 * s:0.#} %"))}, together {100 * Shares.Sum():0.#} %; they have to make 100 %."));
        }

        for (var i = 0; i < Clusters.Count; i++)
        {
            if (Clusters[i].FromMm >= Clusters[i].ToMm)
            {
                checks.Fault($"{path}clusters[{i}].toMm", FormattableString.Invariant($"It is for bases from {Clusters[i].FromMm:0.#} to {Clusters[i].ToMm:0.#} mm: that is none."));
            }
        }
    }
}

/// <summary>A family of the bench.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Family">The family.</param>
public sealed record BaseFamilyView(Guid Id, int Version, BaseFamilyDraft Family);

/// <summary>A change of a family.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Family">What it should be.</param>
public sealed record BaseFamilyChange([VersionBound] int Version, BaseFamilyDraft Family);

/// <summary>A box of elements.</summary>
/// <param name="Name">Name.</param>
/// <param name="Kind">Kind.</param>
/// <param name="LengthMm">Usual length, mm.</param>
/// <param name="WidthMm">Usual width, mm.</param>
/// <param name="HeightMm">Usual height, mm.</param>
/// <param name="Spread">How much they differ.</param>
/// <param name="Count">How many there are.</param>
public sealed record BoxDraft([NameBound] string Name, ElementKind Kind, [ElementSizeBound] double LengthMm, [ElementSizeBound] double WidthMm, [ElementSizeBound] double HeightMm, [SpreadBound] double Spread, [BoxCountBound] int Count);

/// <summary>A box of the bench.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Box">The box.</param>
public sealed record BoxView(Guid Id, [VersionBound] int Version, BoxDraft Box);

/// <summary>A change of a box.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Box">What it should be.</param>
public sealed record BoxChange([VersionBound] int Version, BoxDraft Box);
