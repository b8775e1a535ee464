using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>What was made for plans and still holds.</summary>
/// <param name="Mark">What it rests on, counted as it was made.</param>
/// <param name="From">The minute that it was made in.</param>
/// <param name="Until">The moment from which it is another one.</param>
/// <param name="Coats">Coats that it holds; none where it is an answer alone.</param>
/// <param name="What">The thing itself.</param>
internal sealed record KeptPlan(long Mark, Instant From, Instant Until, int Coats, object What);

/// <summary>So many coats of sources and planners, and so many answers, by when they were last asked for.</summary>
/// <param name="mostCoats">Coats in all.</param>
/// <param name="most">Entries in all.</param>
internal sealed class KeptPlans(long mostCoats, int most)
{
    private readonly Lock keeping = new();
    private readonly Dictionary<string, (KeptPlan Plan, long Used)> kept = [];
    private long uses;

    /// <summary>What is kept and still holds; null where nothing is.</summary>
    /// <param name="key">What it is.</param>
    /// <param name="mark">What it would rest on now, counted.</param>
    /// <param name="now">Now, in whole minutes.</param>
    public object? Find(string key, long mark, Instant now)
    {
        lock (keeping)
        {
            if (!kept.TryGetValue(key, out var have) || have.Plan.Mark != mark || now < have.Plan.From || now >= have.Plan.Until)
            {
                return null;
            }

            kept[key] = (have.Plan, ++uses);
            return have.Plan.What;
        }
    }

    /// <summary>Keeps it. What was longest not asked for goes first; this stays, however large it is.</summary>
    public void Keep(string key, KeptPlan made)
    {
        lock (keeping)
        {
            kept[key] = (made, ++uses);
            var coats = kept.Values.Sum(k => (long)k.Plan.Coats);
            foreach (var (old, (plan, _)) in kept.OrderBy(k => k.Value.Used).SkipLast(1).ToList())
            {
                if (coats <= mostCoats && kept.Count <= most)
                {
                    return;
                }

                // Where there are too many coats, an answer frees none.
                if (kept.Count > most || plan.Coats > 0)
                {
                    kept.Remove(old);
                    coats -= plan.Coats;
                }
            }
        }
    }
}
