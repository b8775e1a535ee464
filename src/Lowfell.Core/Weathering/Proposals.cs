using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Weathering;

/// <summary>An entry that is proposed, and why.</summary>
/// <param name="Entry">The entry.</param>
/// <param name="Why">What the piece went through, and the rule of place.</param>
/// <param name="Guess">Its number goes by hosts or edges that were guessed.</param>
public sealed record Proposal(MarkEntry Entry, string Why, bool Guess);

/// <summary>Proposes marks from what a piece went through.</summary>
public static class Proposals
{
    private const int MostPatches = 20_000;

    // At random, so much of the usual share at least; and what is said of it.
    private const double LeastRolled = 0.4;
    private const string Rolled = "Rolled: as many as fell, where they fell.";

    /// <summary>Proposes the marks of every zone.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="zones">Its zones.</param>
    /// <param name="history">What it went through.</param>
    /// <param name="shelf">What marks may be made with.</param>
    /// <param name="stand">Where the set is looked at from, and who.</param>
    /// <param name="kept">What stays as it is: no other is proposed for the same kind and zone.</param>
    public static IReadOnlyList<Proposal> Of(WeatherPiece piece, IReadOnlyList<WeatherZone> zones, PieceHistory history, Shelf shelf, SightFrom stand, IReadOnlyList<MarkEntry> kept)
    {
        ArgumentNullException.ThrowIfNull(zones);
        ArgumentNullException.ThrowIfNull(kept);
        var proposals = new List<Proposal>();
        foreach (var zone in zones)
        {
            var ground = zone.Stack.Coats.All(c => c.Skipped) ? null : Predictor.PredictMiddle(zone.Stack).Top;
            foreach (var (kind, times) in HistoryTable.Kinds(history))
            {
                if (!kept.Any(k => k.ZoneId == zone.Id && k.Kind == kind) && Propose(piece, zone, kind, times, history, shelf, stand, ground) is { } proposal)
                {
                    proposals.Add(proposal);
                }
            }
        }

        return proposals;
    }

    /// <summary>One kind on one zone, as it would be proposed; null where it has no place there.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="zone">The zone.</param>
    /// <param name="kind">The kind.</param>
    /// <param name="share">Times its usual share.</param>
    /// <param name="history">What the piece went through.</param>
    /// <param name="shelf">What marks may be made with.</param>
    /// <param name="stand">Where the set is looked at from, and who.</param>
    /// <param name="ground">The finished zone; none where nothing is on it.</param>
    public static Proposal? Propose(WeatherPiece piece, WeatherZone zone, MarkKind kind, double share, PieceHistory history, Shelf shelf, SightFrom stand, Stratum? ground)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(zone);
        ArgumentNullException.ThrowIfNull(history);
        var (surface, facts) = (zone.Surface, kind.Facts());
        if (!facts.Facings.Contains(surface.Facing))
        {
            return null;
        }

        var strip = HistoryTable.Strip(kind, history, surface.Scale, piece.Box.HeightMm);
        var entry = new MarkEntry(Id(piece, zone, kind), zone.Id, kind, 1, 0, 0) { FromMm = strip?.FromMm, ToMm = strip?.ToMm };
        var parts = Variation.Parts(piece.Box, zone, entry);
        if (kind == MarkKind.CreaseGrime && (surface.Relief is not (Relief.Panelled or Relief.Smooth) || zone.Stack.Coats.Any(c => !c.Skipped && c.How.Role is Role.PinWash or Role.AllOverWash)))
        {
            // On rough ground a wash does it, and where one lies it is done.
            return null;
        }

        if (strip is { } s && (s.ToMm - s.FromMm < 0.5 || parts.Count == 0))
        {
            return null;
        }

        if (facts is { Length: null, Width: { } across } && kind == MarkKind.Foot)
        {
            // A path down the middle.
            entry = entry with { WidthMm = Math.Round(Math.Sqrt(across.From * across.To) / surface.Scale, 1) };
        }

        if (facts.Length is null)
        {
            return new(entry, Why(history, kind), false);
        }

        var (times, seen) = Times(kind, zone, shelf, stand, ground);
        if (!seen)
        {
            return null;
        }

        var (width, length) = MarkScale.OnModel(kind, surface.Scale, times);
        if (piece.AtRandom)
        {
            share *= new Bases.Plane.Seeds(Variation.Seed(piece.Set, piece.Piece, zone.Id.ToString("n"), kind.ToString(), "share")).In(LeastRolled, 1);
        }

        var (count, guess) = Count(kind, zone, parts, share * facts.Share, width, length);
        return width < WeatherTable.LeastMm || count < 0.5 ? null : new(entry with { Count = count, WidthMm = width, LengthMm = length }, piece.AtRandom ? Rolled : Why(history, kind), guess);
    }

    /// <summary>How many marks of a size a share makes, on one copy, and whether what it goes by is a guess.</summary>
    public static (double Count, bool Guess) Count(MarkKind kind, WeatherZone zone, IReadOnlyList<FacePart> parts, double share, double widthMm, double lengthMm)
    {
        ArgumentNullException.ThrowIfNull(zone);
        ArgumentNullException.ThrowIfNull(parts);
        var facts = kind.Facts();
        var each = Math.Max(1e-6, widthMm * lengthMm);
        switch (facts.By)
        {
            case MarksBy.Hosts:
                var (hosts, guessed) = zone.HostsOf(facts.Host);
                return (Math.Round(Math.Min(hosts, hosts * share)), guessed);
            case MarksBy.Edge:
                var (mm, guess) = zone.HotEdge;
                return (Math.Round(Math.Min(1, share) * mm / lengthMm), guess);
            default:
                // Of a strip: what the patches fill of their boxes is left out of the share.
                var area = facts.Strip is null ? zone.Surface.AreaMm2 : parts.Sum(p => p.Width * p.Height);
                return (Math.Round(Math.Min(MostPatches, Math.Min(1, share) * area / each / (facts.IsField ? new Marks(1, 1, 1, kind).Filled : 1))), false);
        }
    }

    // How large it is drawn: so that it is seen from where it has to be; what is not seen even in the hand is not worth its minutes.
    private static (double Times, bool Seen) Times(MarkKind kind, WeatherZone zone, Shelf shelf, SightFrom stand, Stratum? ground)
    {
        var schools = zone.Stack.Schools;
        if (ground is null || WeatherPaints.Nearest(kind, ground.Face.Colour, shelf) is not { } way)
        {
            return (MarkScale.Times(kind, schools, static _ => true).Times, true);
        }

        var scale = zone.Surface.Scale;
        var trial = Coat.Usual(way.Technique, way.Material) with { Id = zone.Id, Marks = new(1, 1, 1, kind) };
        if (Predictor.PredictMiddle(zone.Stack with { Coats = [.. zone.Stack.Coats, trial] }).Strata[^1].Mark is not { } mark)
        {
            return (MarkScale.Times(kind, schools, static _ => true).Times, true);
        }

        var (own, on) = (mark.ToLinear(), ground.Face.Lab.ToLinear());
        SightWord At(double times, double metres)
        {
            var (w, l) = MarkScale.OnModel(kind, scale, times);
            return Sights.At(new(Size(w), Size(l), own, on), stand with { Metres = metres }).Word;
        }

        var (drawn, seen) = MarkScale.Times(kind, schools, t => At(t, schools.WantedM(stand.Metres)) >= SightWord.Seen);
        return (drawn, seen || At(drawn, SightTable.HandM) >= SightWord.Barely);

        static double Size(double mm) => Math.Clamp(mm, SightTable.LeastMm, SightTable.MostMm);
    }

    /// <summary>Why a kind is there: what the piece went through, and the rule of place.</summary>
    public static string Why(PieceHistory history, MarkKind kind)
    {
        var because = HistoryTable.Because(history, kind);
        return because.Count == 0 ? kind.Facts().Place : $"{Words.Capital(string.Join(" and ", because.Select(w => SaidAttribute.Of(typeof(WentThrough))[w.ToString()])))}. {kind.Facts().Place}";
    }

    // The same proposal is the same entry, so that coats that were put in are found again.
    private static Guid Id(WeatherPiece piece, WeatherZone zone, MarkKind kind)
    {
        Span<byte> id = stackalloc byte[16];
        BitConverter.TryWriteBytes(id, Variation.Seed(piece.Set, piece.Piece, zone.Id.ToString("n"), kind.ToString()));
        BitConverter.TryWriteBytes(id[8..], Variation.Seed(kind.ToString(), zone.Id.ToString("n"), piece.Piece));
        return new(id);
    }
}
