using Lowfell.Core.Drying;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules;

/// <summary>A draft as the rules read it: its prediction, the film state that each coat meets, and how long each waits.</summary>
public sealed class Reading
{
    /// <summary>Share of the face that a film must cover to shield what is under it. Craft estimate.</summary>
    public const double ShieldingCoverage = 0.75;

    private readonly PredictedStack? predicted;
    private readonly bool[] shields;
    private readonly DryingTimes[] times;
    private readonly int[]?[] exposed;
    private readonly Lazy<StackWaits> waits;
    private readonly double[] air;

    /// <summary>Reads a draft.</summary>
    /// <param name="draft">The stack.</param>
    /// <param name="prediction">Its prediction; not needed where only waits are read.</param>
    public Reading(StackDraft draft, PredictedStack? prediction = null)
    {
        Draft = draft;
        predicted = prediction;
        var count = draft.Coats.Count;
        shields = new bool[count];
        times = new DryingTimes[count];
        exposed = new int[count + 1][];
        air = new double[Enum.GetValues<DryingKind>().Length];
        var applied = new List<int>(count);
        for (var i = 0; i < count; i++)
        {
            var coat = draft.Coats[i];
            if (coat.Skipped)
            {
                continue;
            }

            applied.Add(i);
            if (coat.LeavesFilm)
            {
                shields[i] = coat.How.Hides && coat.Fade is null && coat.DepositOn(draft.Zone).FaceCovered(coat.Passes) >= ShieldingCoverage;
                times[i] = DryingTimes.Of(coat, draft.Zone, Air(coat.What!.DryingKind));
            }
            else
            {
                times[i] = DryingTimes.None;
            }
        }

        Applied = [.. applied];
        waits = new(() => new StackWaits(this), LazyThreadSafetyMode.None);
    }

    /// <summary>The stack.</summary>
    public StackDraft Draft { get; }

    /// <summary>Its prediction.</summary>
    public PredictedStack Prediction => predicted ?? throw new InvalidOperationException("This reading was made without a prediction.");

    /// <summary>Places of the coats that are not skipped, from below.</summary>
    public IReadOnlyList<int> Applied { get; }

    /// <summary>What it is on.</summary>
    public Zone Zone => Draft.Zone;

    /// <summary>The painter's preferences.</summary>
    public Schools Schools => Draft.Schools;

    /// <summary>How long each coat waits, by place in the stack.</summary>
    public IReadOnlyList<StackWait> Waits => waits.Value.Waits;

    /// <summary>What no wait mends.</summary>
    public IReadOnlyList<Clash> Clashes => waits.Value.Clashes;

    /// <summary>All waits together, minutes.</summary>
    public double WaitingMin => waits.Value.TotalMin;

    /// <summary>A coat.</summary>
    public Coat Coat(int index) => Draft.Coats[index];

    /// <summary>Applied coats of a role.</summary>
    public IEnumerable<int> Laid(Role role)
    {
        foreach (var i in Applied)
        {
            if (Draft.Coats[i].How.Role == role)
            {
                yield return i;
            }
        }
    }

    /// <summary>When a film is dry, in the room's air.</summary>
    public DryingTimes Times(int film) => times[film];

    /// <summary>What a film bears; of the bare ground for -1. Grit bears what its glue does, and pigment that was fixed what its binder does.</summary>
    /// <param name="film">The film.</param>
    /// <param name="before">The coat that comes on it.</param>
    public Resistance Resistance(int film, int before)
    {
        if (film < 0)
        {
            return Zone.Substrate.Facts().Resistance;
        }

        var lead = Draft.Coats[film].Paint!.Lead;
        return (lead.OwnResistance, lead.Family.Facts().Kind) switch
        {
            ({ } own, _) => own,
            (_, Kind.Grit) when Schools.GritGlue == GritGlueSchool.SuperGlue => Family.SuperGlue.Facts().Resistance,
            (_, Kind.Powder) when IsFixed(film, before) => Family.AcrylicMedium.Facts().Resistance,
            _ => lead.Resistance,
        };
    }

    private bool IsFixed(int powder, int before)
    {
        for (var k = powder + 1; k < before; k++)
        {
            if (!Draft.Coats[k].Skipped && Draft.Coats[k].How.Role == Role.Fixer)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>The painter's word for a film, or for the bare ground.</summary>
    public string Word(int film) => film < 0 ? "bare " + Zone.Substrate.Facts().Word : Draft.Coats[film].What!.Word;

    /// <summary>Dry film of a coat on the face, um, weighted by what it covers.</summary>
    public double FaceFilmUm(int index)
    {
        var coat = Draft.Coats[index];
        return coat.Skipped || !coat.LeavesFilm ? 0 : Prediction.Strata[index].Face.FilmUm * coat.DepositOn(Zone).Coverage[(int)ReliefHeight.Face];
    }

    /// <summary>Whether a film shields what is under it.</summary>
    public bool Shields(int film) => shields[film];

    /// <summary>Every film that a coat touches, from the top down to the first that shields the rest; the bare ground, -1, where none does.</summary>
    /// <param name="index">Place of the coat; the count of coats for what lies open at the end.</param>
    public int[] Exposed(int index)
    {
        if (exposed[index] is { } known)
        {
            return known;
        }

        var films = new List<int>();
        for (var i = index - 1; ; i--)
        {
            if (i < 0)
            {
                films.Add(-1);
                break;
            }

            if (Draft.Coats[i].Skipped || !Draft.Coats[i].LeavesFilm)
            {
                continue;
            }

            films.Add(i);
            if (shields[i])
            {
                break;
            }
        }

        return exposed[index] = [.. films];
    }

    /// <summary>The film that a coat goes on: the nearest below; -1 for the bare ground.</summary>
    public int FilmBelow(int index) => Draft.FilmBelow(index);

    /// <summary>The next applied coat above, or -1.</summary>
    public int Next(int index)
    {
        for (var i = index + 1; i < Draft.Coats.Count; i++)
        {
            if (!Draft.Coats[i].Skipped)
            {
                return i;
            }
        }

        return -1;
    }

    /// <summary>Whether a coat is a varnish, brushed, sprayed or as a sealer.</summary>
    public bool IsVarnish(int index) => Draft.Coats[index].What?.Kind == Kind.Varnish;

    /// <summary>Place of the last applied varnish, or -1.</summary>
    public int LastVarnish()
    {
        for (var i = Draft.Coats.Count - 1; i >= 0; i--)
        {
            if (!Draft.Coats[i].Skipped && IsVarnish(i) && Draft.Coats[i].Marks?.Kind is null)
            {
                return i;
            }
        }

        return -1;
    }

    /// <summary>The sheen that a coat meets: of the last film below that covers and sets one, else of the bare ground.</summary>
    public Sheen SheenUnder(int index)
    {
        for (var i = index - 1; i >= 0; i--)
        {
            if (!Draft.Coats[i].Skipped && shields[i] && Draft.Coats[i].How.SetsSheen && Draft.Coats[i].Marks?.Kind is null)
            {
                return Draft.Coats[i].Paint!.Lead.Sheen.AsFilm();
            }
        }

        return Zone.Substrate.Facts().Sheen;
    }

    /// <summary>
    /// Whether nothing is to be said of a coat on a film: a mist of varnish, or a touch of gloss on a stain, is how a marking, pigment or chipped surface is sealed, and opening
    /// and streaking are wanted.
    /// </summary>
    internal bool IsSilent(int coat, int film)
    {
        var how = Draft.Coats[coat].How;
        return how.Role switch
        {
            // Opening is judged by what lies under the fluid, before the fluid goes on; a wet streak is wanted where it goes.
            Role.Opening => true,
            Role.WetStreak => film >= 0 && Draft.Coats[film].What!.Kind == Kind.Marking,
            Role.Varnish => film >= 0 && Draft.Coats[film].What!.SealedByMist && (how.Sprayed || Draft.Coats[coat].Marks?.Kind is not null),
            _ => false,
        };
    }

    private double Air(DryingKind kind)
    {
        ref var factor = ref air[(int)kind];
        return factor > 0 ? factor : factor = DryingModel.Factor(kind, Draft.Climate);
    }
}
