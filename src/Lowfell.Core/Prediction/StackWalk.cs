using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Prediction;

/// <summary>A coat made ready to be laid: optics, deposit and dry share, worked out once for every hand.</summary>
internal readonly struct PreparedCoat
{
    /// <summary>A film of this many um turns the surface into its own by 63 %. Craft estimate.</summary>
    public const double SurfaceDepthUm = 2;

    private PreparedCoat(Coat coat, FilmOptics[]? optics, Deposit deposit, double dryPerWet, double share)
    {
        Coat = coat;
        Optics = optics;
        Deposit = deposit;
        DryPerWet = dryPerWet;
        Share = share;
    }

    public Coat Coat { get; }

    /// <summary>Recess, face, edge; null where nothing is laid.</summary>
    public FilmOptics[]? Optics { get; }

    public Deposit Deposit { get; }

    /// <summary>Dry over wet volume.</summary>
    public double DryPerWet { get; }

    /// <summary>Share of the film that counts: less on a thirsty ground and where a coat fades out.</summary>
    public double Share { get; }

    /// <summary>The same coat with other optics at every height.</summary>
    public PreparedCoat With(FilmOptics optics) => new(Coat, [optics, optics, optics], Deposit, DryPerWet, Share);

    public double DryFilmUm(int height, double hand) => Deposit.WetFilmUm[height] * Coat.Hand * hand * DryPerWet * Share;

    /// <summary>Prepares a coat.</summary>
    /// <param name="coat">The coat.</param>
    /// <param name="zone">What it goes on.</param>
    /// <param name="residue">A dry-brush paint still in the brush, or null.</param>
    /// <param name="share">Share of the film that counts.</param>
    public static PreparedCoat Of(Coat coat, Zone zone, Paint? residue, double share = 1) =>
        coat.LeavesFilm ? Of(coat, coat.Paint!, coat.DepositOn(zone), residue, share) : new(coat, null, coat.DepositOn(zone), 0, share);

    /// <summary>A marking drawn down by water: its paint by the deposit of the streak.</summary>
    public static PreparedCoat Smeared(Coat streak, Coat marking, Zone zone) => Of(streak, marking.Paint!, streak.DepositOn(zone), null, 1);

    private static PreparedCoat Of(Coat coat, Paint paint, Deposit deposit, Paint? residue, double counts)
    {
        var share = coat.Dilution.PaintFraction;
        var mediumSolids = coat.Thinner.Facts().Binds ? (1 - share) * Thinners.MediumVolumeSolids : 0;
        var paintSolids = paint.VolumeSolids * share;
        var dryPerWet = paintSolids + mediumSolids;
        if (mediumSolids == 0 && residue is null)
        {
            return new(coat, (FilmOptics[])paint.Optics, deposit, dryPerWet, counts);
        }

        var optics = new FilmOptics[3];
        for (var h = 0; h < 3; h++)
        {
            if (h > 0 && ReferenceEquals(paint.Optics[h], paint.Optics[h - 1]) && (residue is null || ReferenceEquals(residue.Optics[h], residue.Optics[h - 1])))
            {
                optics[h] = optics[h - 1];
                continue;
            }

            var own = residue is null
                ? paint.Optics[h]
                : FilmOptics.Mixture([(paint.Optics[h], 1 - Schools.ResidueShare), (residue.Optics[h], Schools.ResidueShare)]);
            optics[h] = mediumSolids == 0 ? own : own.Let(paintSolids / dryPerWet, FilmOptics.Varnish(Sheen.Satin));
        }

        return new(coat, optics, deposit, dryPerWet, counts);
    }
}

/// <summary>The light state of a stack at recess, face and edge, coat by coat, for one or more hands side by side.</summary>
/// <remarks>Bodies are single precision: its grain is a ten-thousandth of a dE, and twice as many bands go through a vector.</remarks>
internal sealed class StackWalk
{
    private const int Heights = 3;
    private static readonly double[] Middle = [1];
    private readonly double[] hands;
    private readonly float[] body;
    private readonly double[] surface;
    private readonly double[] kappa;
    private StackWalk? underFluid;
    private StackWalk? beforeLast;

    /// <summary>Starts on the bare substrate, by a middle hand.</summary>
    public StackWalk(Zone zone)
        : this(zone, Middle)
    {
    }

    /// <summary>Starts on the bare substrate.</summary>
    /// <param name="zone">What is painted.</param>
    /// <param name="hands">Factors on every film, one for each hand.</param>
    public StackWalk(Zone zone, double[] hands)
        : this(zone.Substrate.Facts().Colour, zone.Substrate.Facts().Sheen, hands)
    {
    }

    private StackWalk(Srgb ground, Sheen sheen, double[] hands)
    {
        this.hands = hands;
        body = new float[Heights * hands.Length * Spectra.Room];
        surface = new double[Heights * hands.Length];
        kappa = new double[surface.Length];
        var reflectance = Spectra.FromSrgb(ground);
        var nominal = Surface.Term(sheen);
        var own = Math.Min(nominal, Spectra.Lowest(reflectance) / 2);
        for (var state = 0; state < surface.Length; state++)
        {
            surface[state] = own;
            kappa[state] = own / nominal;
            for (var i = 0; i < Spectra.Bands; i++)
            {
                body[(state * Spectra.Room) + i] = (float)(reflectance[i] - own);
            }
        }
    }

    private StackWalk(StackWalk other)
    {
        hands = other.hands;
        body = [.. other.body];
        surface = [.. other.surface];
        kappa = [.. other.kappa];
        underFluid = other.underFluid;
        beforeLast = other.beforeLast;
    }

    /// <summary>How many hands it is walked by.</summary>
    public int Hands => hands.Length;

    /// <summary>Starts on a glossy card.</summary>
    public static StackWalk OnCard(Srgb card) => new(card, Sheen.Gloss, Middle);

    /// <summary>An independent copy, to try something on.</summary>
    public StackWalk Copy() => new(this);

    /// <summary>Predicted light at a height, by the hand of this place in the list.</summary>
    public LinearRgb Colour(int height, int hand = 0)
    {
        var state = (height * hands.Length) + hand;
        return Spectra.ToLinear(body.AsSpan(state * Spectra.Room, Spectra.Room)).Plus(surface[state]);
    }

    /// <summary>Linear light by a middle hand at a height, under a lamp.</summary>
    /// <param name="height">Height.</param>
    /// <param name="lamp">The lamp.</param>
    /// <param name="wet">Wet: water on it takes what the surface adds, down to that of gloss.</param>
    public LinearRgb Under(int height, Lamp lamp, bool wet = false)
    {
        var state = height * hands.Length;
        var added = wet ? Math.Min(surface[state], Surface.Term(Sheen.Gloss)) : surface[state];
        Span<float> light = stackalloc float[Spectra.Bands];
        for (var i = 0; i < light.Length; i++)
        {
            light[i] = body[(state * Spectra.Room) + i] + (float)added;
        }

        return Lamps.ToLinear(light, lamp);
    }

    /// <summary>Lays a coat.</summary>
    /// <param name="coat">The coat.</param>
    /// <param name="worked">Handwork follows while it is open: what lay below it is kept in mind.</param>
    public void Lay(in PreparedCoat coat, bool worked = false)
    {
        Remember(coat, worked);
        for (var h = 0; h < Heights; h++)
        {
            LayOn(h, coat, coat.Deposit.Coverage[h]);
        }
    }

    /// <summary>Lays a coat on the face alone, for questions that concern nothing else.</summary>
    public void LayFace(in PreparedCoat coat, bool worked = false)
    {
        const int Face = (int)ReliefHeight.Face;
        Remember(coat, worked);
        LayOn(Face, coat, coat.Deposit.Coverage[Face]);
    }

    /// <summary>Lays a coat as it lies within one mark: covering, at every height.</summary>
    public void LayWithinMark(in PreparedCoat coat)
    {
        for (var h = 0; h < Heights; h++)
        {
            LayOn(h, coat, 1);
        }
    }

    /// <summary>The face within one mark of this coat, by the first hand; the walk stays as it is.</summary>
    public LinearRgb MarkOnFace(in PreparedCoat coat)
    {
        var trial = Copy();
        trial.LayOn((int)ReliefHeight.Face, coat, 1);
        return trial.Colour((int)ReliefHeight.Face);
    }

    /// <summary>Lays passes at one height only, as the passes-to-cover help does.</summary>
    public void LayAt(int height, in PreparedCoat coat, double coverage, int passes)
    {
        var optics = coat.Optics![height];
        Span<float> films = stackalloc float[hands.Length];
        var first = height * hands.Length;
        for (var hand = 0; hand < films.Length; hand++)
        {
            var film = coat.DryFilmUm(height, hands[hand]);
            films[hand] = (float)film;
            var taken = coverage * (1 - Math.Exp(-film / PreparedCoat.SurfaceDepthUm));
            Wet(first + hand, optics, passes == 1 ? taken : 1 - Math.Pow(1 - taken, passes));
        }

        optics.Lay(body.AsSpan(first * Spectra.Room, films.Length * Spectra.Room), films, (float)coverage, passes);
    }

    /// <summary>Lays one film of known thickness at one height, covering.</summary>
    public void LayFilm(int height, FilmOptics optics, double dryFilmUm)
    {
        Span<float> films = stackalloc float[hands.Length];
        films.Fill((float)dryFilmUm);
        var first = height * hands.Length;
        for (var hand = 0; hand < films.Length; hand++)
        {
            Wet(first + hand, optics, 1 - Math.Exp(-dryFilmUm / PreparedCoat.SurfaceDepthUm));
        }

        optics.Lay(body.AsSpan(first * Spectra.Room, films.Length * Spectra.Room), films, 1, 1);
    }

    /// <summary>What a film of this coat looks like when it hides the ground altogether.</summary>
    public LinearRgb Masstone(int height, in PreparedCoat coat)
    {
        const float HidingUm = 1e6f;
        var optics = coat.Optics![height];
        Span<float> thick = stackalloc float[Spectra.Room];
        body.AsSpan(height * hands.Length * Spectra.Room, Spectra.Room).CopyTo(thick);
        optics.Lay(thick, [HidingUm], 1, 1);
        return Spectra.ToLinear(thick).Plus(optics.SurfaceTerm);
    }

    private void Remember(in PreparedCoat coat, bool worked)
    {
        if (coat.Coat.How.Role == Role.Fluid && coat.Optics is not null)
        {
            underFluid = Copy();
        }

        if (coat.Coat.How.Hand is null)
        {
            beforeLast = worked ? Copy() : null;
        }
    }

    private void LayOn(int height, in PreparedCoat coat, double coverage)
    {
        var how = coat.Coat.How;
        if (how.Role == Role.Opening)
        {
            OpenAt(height, coat, coverage);
        }
        else if (how.Hand is { } hand)
        {
            Toward(beforeLast, height, _ => 1 - hand.Keeps[height]);
        }
        else if (coat.Optics is not null)
        {
            LayAt(height, coat, coverage, coat.Coat.Passes);
        }
    }

    private void Wet(int state, FilmOptics optics, double taken)
    {
        if (optics.Clear)
        {
            surface[state] += taken * ((kappa[state] * optics.SurfaceTerm) - surface[state]);
        }
        else
        {
            surface[state] += taken * (optics.SurfaceTerm - surface[state]);
            kappa[state] += taken * (optics.Kappa - kappa[state]);
        }
    }

    // A chip shows what lay under the fluid. Within a chip the coverage is 1; over the zone it follows the hand.
    private void OpenAt(int height, PreparedCoat coat, double coverage) => Toward(underFluid, height, hand =>
    {
        var one = coverage >= 1 ? 1 : Math.Min(1, coverage * coat.Coat.Hand * hands[hand]);
        return 1 - Math.Pow(1 - one, coat.Coat.Passes);
    });

    // Coverage mixes in air, so taking a share of a coat off goes straight back toward what lay below it.
    private void Toward(StackWalk? below, int height, Func<int, double> shareByHand)
    {
        if (below is null)
        {
            return;
        }

        for (var hand = 0; hand < hands.Length; hand++)
        {
            var state = (height * hands.Length) + hand;
            var share = shareByHand(hand);
            var here = body.AsSpan(state * Spectra.Room, Spectra.Room);
            var there = below.body.AsSpan(state * Spectra.Room, Spectra.Room);
            for (var i = 0; i < here.Length; i++)
            {
                here[i] += (float)share * (there[i] - here[i]);
            }

            surface[state] += share * (below.surface[state] - surface[state]);
            kappa[state] += share * (below.kappa[state] - kappa[state]);
        }
    }
}
