using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Solving;

// Where the search begins: at the best plan so far.
internal sealed partial class VisitModel
{
    // Hints: what the plan has, with parts of one lot put in the order that the model asks for.
    private void Hint(Plan plan)
    {
        model.ClearHints();
        var places = task.Chains.SelectMany(c => c.Select((l, p) => ((l.Chain, l.Id), p))).ToDictionary(p => p.Item1, p => p.p);
        var planned = plan.Lots.ToDictionary(l => (l.Lot.Chain, places[(l.Lot.Chain, l.Lot.Id)]));
        var group = Enumerable.Range(0, task.Chains.Count).ToArray();
        foreach (var (first, second) in Alike())
        {
            group[second] = group[first];
        }

        var moved = new Dictionary<PlacedLot, PlannedLot>();
        foreach (var alike in Items.GroupBy(i => (group[i.Chain], i.Place)))
        {
            var lots = alike.Where(i => planned.ContainsKey((i.Chain, i.Place))).OrderBy(i => i.Chain).ToList();
            var times = lots.Select(i => planned[(i.Chain, i.Place)]).OrderBy(l => l.Start).ToList();
            for (var k = 0; k < lots.Count; k++)
            {
                moved[lots[k]] = times[k];
            }
        }

        HintVisits(moved);
    }

    private void HintVisits(Dictionary<PlacedLot, PlannedLot> moved)
    {
        var begins = moved.ToDictionary(m => m.Key, m => (long)Math.Round(m.Value.Start * PerMinute));
        var made = new Dictionary<Visit, (long From, long To)>();
        var visitOf = new Dictionary<PlacedLot, Visit>();
        foreach (var session in moved.GroupBy(m => m.Value.Session))
        {
            var rounds = new Dictionary<(Station, string), int>();
            Visit? current = null;
            foreach (var (item, _) in session.OrderBy(m => m.Value.Start))
            {
                var kind = (item.Lot.Station, item.Lot.Colour);
                if (current?.Kind != kind)
                {
                    var round = rounds.GetValueOrDefault(kind);
                    current = inside[item].Select(v => v.Visit).FirstOrDefault(v => v.Session == session.Key && v.Round == round);
                    rounds[kind] = round + 1;
                }

                if (current is not null)
                {
                    visitOf[item] = current;
                    made[current] = made.TryGetValue(current, out var known) ? (known.From, begins[item] + item.Size) : (begins[item] - item.SetUp, begins[item] + item.Size);
                }
            }
        }

        foreach (var item in moved.Keys)
        {
            model.AddHint(starts[item], begins[item]);
            foreach (var (visit, literal) in inside[item])
            {
                model.AddHint(literal, visitOf.GetValueOrDefault(item) == visit ? 1 : 0);
            }
        }

        foreach (var visit in visits)
        {
            var known = made.TryGetValue(visit, out var span);
            model.AddHint(visit.Made, known ? 1 : 0);
            model.AddHint(visit.From, known ? span.From : placement.Open(visit.Session));
            model.AddHint(visit.To, known ? span.To : placement.Open(visit.Session));
        }

        foreach (var evening in evenings)
        {
            var own = made.Where(m => m.Key.Session == evening.Session).Select(m => m.Value).ToList();
            model.AddHint(evening.Used, own.Count > 0 ? 1 : 0);
            model.AddHint(evening.From, own.Count > 0 ? own.Min(o => o.From) : placement.Open(evening.Session));
            model.AddHint(evening.To, own.Count > 0 ? own.Max(o => o.To) : placement.Open(evening.Session));
        }
    }

    private IEnumerable<(int First, int Second)> Alike()
    {
        bool Free(int chain) => task.Chains[chain].Count > 0 && !task.Touching.Any(t => t.A == chain || t.B == chain) && !task.Joins.Any(j => j.Before == chain || j.After == chain);
        return from c in Enumerable.Range(1, Math.Max(0, task.Chains.Count - 1))
               let before = c - 1
               where Free(before) && Free(c) && task.Chains[before].Count == task.Chains[c].Count
               where task.Chains[before][0].Id.Place == task.Chains[c][0].Id.Place && task.Chains[before][0].Copies.Count == task.Chains[c][0].Copies.Count
               where task.Chains[before].Zip(task.Chains[c]).All(z => z.First with { Chain = 0, Copies = z.Second.Copies } == z.Second with { Chain = 0 })
               select (before, c);
    }
}
