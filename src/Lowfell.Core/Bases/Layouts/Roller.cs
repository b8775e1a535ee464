using System.Globalization;
using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>Grows layouts from a seed: darts that hit legal ground, then annealing in which a hard limit is never traded.</summary>
public static class Roller
{
    /// <summary>Places are kept to a hundredth of a millimetre and a tenth of a degree; so much more than asked is kept clear, mm.</summary>
    private const double Slack = 0.03;

    private const int MostDarts = 500;
    private const int Enough = 5;
    private const int MostTakenOut = 6;

    /// <summary>Rolls a base: what is locked stays, the rest is laid anew. Pieces are taken out, the smallest first, until a third of the ground is calm.</summary>
    /// <param name="seat">Form and figure; without a fault.</param>
    /// <param name="dealt">Elements that were dealt to it.</param>
    /// <param name="seed">Seed.</param>
    /// <param name="family">Family.</param>
    /// <param name="effort">Part of the usual search, 0..1: a quarter while something is dragged.</param>
    public static Layout Roll(Seat seat, IReadOnlyList<Element> dealt, ulong seed, BaseFamily family, double effort = 1)
    {
        List<Element> left = [.. dealt];
        for (var taken = 0; ; taken++)
        {
            var layout = Lay(seat, left, seed, family, effort);
            if (layout.Cover.CalmShare >= BaseFamily.LeastCalm || taken == MostTakenOut || left.Where(e => !e.Locked && !e.Heart).MinBy(e => e.LengthMm * e.WidthMm) is not { } smallest)
            {
                return taken == 0 ? layout : Noted(layout, $"{taken} small {(taken == 1 ? "piece" : "pieces")} left out, so that a third stays calm.");
            }

            left.Remove(smallest);
        }
    }

    /// <summary>A layout as it stands: nothing is moved. Its notes tell what breaks a rule.</summary>
    public static Layout Read(Plot plot, BaseFamily family)
    {
        var ground = Ground.Of(plot.Seat, plot.Seed, family);
        var place = new Placement(plot.Seat, ground.Terrain, family.RimMm, -0.02);
        place.Bodies.AddRange(plot.Elements.Select(e => new Body(e)));
        List<LayoutNote> notes = [.. place.Bodies.Index().Select(b => (b.Index, b.Item, What: place.Of(b.Item, out var over), Over: over)).Where(b => b.What != Hindrance.None)
            .Select(b => new LayoutNote($"{b.Item.Source.Name} at {Mm(b.Item.X)}, {Mm(b.Item.Y)}: {Say(b.What, b.Over)}.", b.Index))];
        notes.AddRange(place.Bodies.Index().Where(b => !b.Item.Rigid && !b.Item.Source.Heart && place.Strays(b.Item)).Select(b => new LayoutNote($"{b.Item.Source.Name} at {Mm(b.Item.X)}, {Mm(b.Item.Y)}: {Say(Hindrance.Strays, "")}.", b.Index)));
        return Finished(plot, family, ground, place, notes);
    }

    /// <summary>A hindrance in the painter's words.</summary>
    public static string Say(Hindrance hindrance, string overhead) => hindrance switch
    {
        Hindrance.Rim => "it would reach into the rim, which stays free",
        Hindrance.Landing => "it would stand on a landing",
        Hindrance.Hull => "it would stand between the landings, where the ground is kept free",
        Hindrance.Overhead => $"it is too high under the {overhead}",
        Hindrance.Strays => "it stands more than 3 mm from the next tuft of its cluster",
        _ => "another stands there",
    };

    private static Layout Lay(Seat seat, List<Element> dealt, ulong seed, BaseFamily family, double effort)
    {
        var random = new Seeds(seed);
        var ground = Ground.Of(seat, seed, family);
        var place = new Placement(seat, ground.Terrain, family.RimMm, Slack);
        var notes = new List<LayoutNote>();
        foreach (var locked in dealt.Where(e => e.Locked))
        {
            var body = new Body(locked);
            place.Bodies.Add(body);
            if (place.Of(body, out var over) is not Hindrance.None and var hindrance)
            {
                notes.Add(new($"The locked {locked.Name} at {Mm(locked.X)}, {Mm(locked.Y)} stands in the way ({Say(hindrance, over)}). It stays; move it or unlock it.", place.Bodies.Count - 1));
            }
        }

        foreach (var element in dealt.Where(e => !e.Locked).OrderByDescending(e => e.Heart).ThenByDescending(e => e.LengthMm * e.WidthMm))
        {
            if (Throw(new Body(element), place, ground, random) is { } why)
            {
                notes.Add(new(why));
            }
        }

        LeaveOutLoneTufts(place, dealt, family, notes);
        var score = new Score(place, ground.RiseAngle, ground.Strata, family);
        score.LookAtAll();
        new Annealing(place, score, random).Run(effort);
        var plot = new Plot(seat, [.. place.Bodies.Select(b => b.ToElement())], seed);
        return Finished(plot, family, ground, place, notes);
    }

    // Half of the darts go round the heart of the cluster; of the first five that may stay the best is taken.
    private static string? Throw(Body body, Placement place, Ground ground, Seeds random)
    {
        var form = place.Seat.Form;
        List<Body> kin = [.. place.Bodies.Where(b => b.Source.Cluster == body.Source.Cluster && (b.Source.Heart || !b.Rigid))];
        var why = new Dictionary<(Hindrance, string), int>();
        var (found, best, at) = (0, double.MaxValue, (X: 0.0, Y: 0.0, Angle: 0.0));
        for (var dart = 0; dart < MostDarts && found < Enough; dart++)
        {
            var way = Point.Towards(random.In(0, 2 * Math.PI));
            var from = new Point(0, 0);
            double far;
            if (kin.Count > 0 && (dart < MostDarts / 2 || !body.Rigid))
            {
                var near = kin[kin.Count == 1 ? 0 : random.Below(kin.Count)];
                from = new(near.X, near.Y);
                far = ((near.Source.LengthMm + near.Source.WidthMm + body.Source.LengthMm + body.Source.WidthMm) / 4) + (body.Rigid ? random.In(-0.5, 2.5) : random.In(0.15, 2.8));
            }
            else
            {
                far = Math.Sqrt(random.Unit()) * form.Reach(way);
            }

            var (x, y) = (from.X + (far * way.X), from.Y + (far * way.Y));
            var angle = ground.Strata + random.In(-0.5, 0.5) + (dart > 200 ? random.In(0, Math.PI) : 0);
            body.Put(x, y, angle);
            var hindrance = place.Of(body, out var over);
            if (hindrance == Hindrance.None && place.Strays(body))
            {
                hindrance = Hindrance.Strays;
            }

            if (hindrance != Hindrance.None)
            {
                why[(hindrance, over)] = why.GetValueOrDefault((hindrance, over)) + 1;
                continue;
            }

            found++;
            var up = ((x * Steady.Cos(ground.RiseAngle)) + (y * Steady.Sin(ground.RiseAngle))) / form.Radius;
            var worth = (Math.Abs(up - 0.5) * (body.Source.Heart && place.Bodies.Count == 0 ? 1 : 0.2)) + (random.Unit() * 0.3);
            if (worth < best)
            {
                (best, at) = (worth, (x, y, angle));
            }
        }

        if (found > 0)
        {
            body.Put(at.X, at.Y, at.Angle);
            place.Bodies.Add(body);
            return null;
        }

        // The rim stops most darts whatever the reason; what else stopped them says more.
        var tries = why.Values.Sum();
        List<KeyValuePair<(Hindrance What, string Over), int>> others = [.. why.Where(w => w.Key.Item1 != Hindrance.Rim)];
        var top = (others.Sum(w => w.Value) > 15 ? others : [.. why]).MaxBy(w => w.Value);
        var rim = top.Key.What == Hindrance.Rim ? 0 : why.GetValueOrDefault((Hindrance.Rim, ""));
        return $"No room for {body.Source.Name}: {Say(top.Key.What, top.Key.Over)} ({top.Value} of {tries} tries{(rim > 0 ? $"; {rim} more would cross the rim" : "")}).";
    }

    // Tufts for which there was no room take the rest of their cluster with them, where too few are left.
    private static void LeaveOutLoneTufts(Placement place, List<Element> dealt, BaseFamily family, List<LayoutNote> notes)
    {
        foreach (var cluster in dealt.Where(e => !e.Kind.IsRigid()).GroupBy(e => e.Cluster))
        {
            List<Body> standing = [.. place.Bodies.Where(b => !b.Rigid && b.Source.Cluster == cluster.Key)];
            if (standing.Count > 0 && standing.Count < Math.Min(family.LeastTufts, cluster.Count()) && !standing.Exists(b => b.Source.Locked))
            {
                place.Bodies.RemoveAll(standing.Contains);
                notes.Add(new($"A cluster of tufts left out: there was room for {standing.Count} of {cluster.Count()}, and a lone tuft looks out of place."));
            }
        }
    }

    private static Layout Finished(Plot plot, BaseFamily family, Ground ground, Placement place, List<LayoutNote> notes)
    {
        // As it was rounded, so that it reads the same when it comes back.
        var kept = new Placement(plot.Seat, ground.Terrain, family.RimMm, 0);
        kept.Bodies.AddRange(plot.Elements.Select(e => new Body(e)));
        var score = new Score(kept, ground.RiseAngle, ground.Strata, family);
        score.LookAtAll();
        var total = score.Total();
        var row = plot.Elements.Select(e => e.Kind).Distinct().Select(kind => (kind, Worth: Marks.Row(kept.Bodies, kind))).OrderByDescending(r => r.Worth).FirstOrDefault();
        return new()
        {
            Plot = plot,
            Family = family,
            Terrain = ground.Terrain,
            RiseDeg = ground.RiseAngle * 180 / Math.PI,
            RiseMm = ground.RiseMm,
            Cover = Cover.Of(plot, kept.Bodies, ground, family),
            Score = total,
            Terms = Score.Names.Zip(score.Terms).ToDictionary(t => t.First, t => t.Second),
            Ring = Marks.Ring(kept.Bodies),
            Row = row.Worth > Marks.SeenRow ? $"three alike ({row.kind.Word()}) stand in a row" : null,
            Notes = notes,
        };
    }

    private static Layout Noted(Layout l, string note) => new()
    {
        Plot = l.Plot,
        Family = l.Family,
        Terrain = l.Terrain,
        RiseDeg = l.RiseDeg,
        RiseMm = l.RiseMm,
        Cover = l.Cover,
        Score = l.Score,
        Terms = l.Terms,
        Ring = l.Ring,
        Row = l.Row,
        Notes = [.. l.Notes, new(note)],
    };

    private static string Mm(double mm) => mm.ToString("0.0", CultureInfo.InvariantCulture);
}
