using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;

namespace Lowfell.Core.Stacks;

/// <summary>A coat made ready to be laid: optics, deposit and dry share, worked out once for every hand.</summary>
internal readonly struct PreparedCoat
{
    /// <summary>A film of this many um turns the surface into its own by 63 %. Craft estimate.</summary>
    public const double SurfaceDepthUm = 2;

    private PreparedCoat(Coat coat, FilmOptics[]? optics, Deposit deposit, double dryPerWet)
    {
        Coat = coat;
        Optics = optics;
        Deposit = deposit;
        DryPerWet = dryPerWet;
    }

    public Coat Coat { get; }

    /// <summary>Recess, face, edge; null where nothing is laid.</summary>
    public FilmOptics[]? Optics { get; }

    public Deposit Deposit { get; }

    /// <summary>Dry over wet film.</summary>
    public double DryPerWet { get; }

    /// <summary>The same coat with other optics at every height.</summary>
    public PreparedCoat With(FilmOptics optics) => new(Coat, [optics, optics, optics], Deposit, DryPerWet);

    public double DryFilmUm(int height, double hand) => Deposit.WetFilmUm[height] * Coat.Hand * hand * DryPerWet;

    /// <summary>Prepares a coat.</summary>
    /// <param name="coat">The coat.</param>
    /// <param name="zone">What it goes on.</param>
    /// <param name="residue">A dry-brush paint still in the brush, or null.</param>
    public static PreparedCoat Of(Coat coat, Zone zone, Paint? residue)
    {
        var deposit = coat.OwnDeposit ?? Kernels.Deposit(coat.Technique, zone.Relief, zone.Facing);
        if (coat.Paint is not { } paint || coat.Technique == Technique.OpenChips)
        {
            return new(coat, null, deposit, 0);
        }

        var share = coat.Dilution.PaintFraction;
        var mediumSolids = coat.Thinner == Thinner.AcrylicMedium ? (1 - share) * Thinners.MediumVolumeSolids : 0;
        var paintSolids = paint.VolumeSolids * share;
        var dryPerWet = paintSolids + mediumSolids;
        if (mediumSolids == 0 && residue is null)
        {
            return new(coat, (FilmOptics[])paint.Optics, deposit, dryPerWet);
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

        return new(coat, optics, deposit, dryPerWet);
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
    }

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

    /// <summary>Lays a coat.</summary>
    public void Lay(in PreparedCoat coat)
    {
        KeepUnderFluid(coat);
        for (var h = 0; h < Heights; h++)
        {
            LayOn(h, coat, coat.Deposit.Coverage[h]);
        }
    }

    /// <summary>Lays a coat on the face alone, for questions that concern nothing else.</summary>
    public void LayFace(in PreparedCoat coat)
    {
        const int Face = (int)ReliefHeight.Face;
        KeepUnderFluid(coat);
        LayOn(Face, coat, coat.Deposit.Coverage[Face]);
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

    private void KeepUnderFluid(in PreparedCoat coat)
    {
        if (coat.Coat.Technique == Technique.ChippingFluid && coat.Optics is not null)
        {
            underFluid = Copy();
        }
    }

    private void LayOn(int height, in PreparedCoat coat, double coverage)
    {
        if (coat.Coat.Technique == Technique.OpenChips)
        {
            OpenAt(height, coat, coverage);
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
    private void OpenAt(int height, in PreparedCoat coat, double coverage)
    {
        if (underFluid is null)
        {
            return;
        }

        for (var hand = 0; hand < hands.Length; hand++)
        {
            var state = (height * hands.Length) + hand;
            var one = coverage >= 1 ? 1 : Math.Min(1, coverage * coat.Coat.Hand * hands[hand]);
            var open = 1 - Math.Pow(1 - one, coat.Coat.Passes);
            var here = body.AsSpan(state * Spectra.Room, Spectra.Room);
            var below = underFluid.body.AsSpan(state * Spectra.Room, Spectra.Room);
            for (var i = 0; i < here.Length; i++)
            {
                here[i] += (float)open * (below[i] - here[i]);
            }

            surface[state] += open * (underFluid.surface[state] - surface[state]);
            kappa[state] += open * (underFluid.kappa[state] - kappa[state]);
        }
    }
}
