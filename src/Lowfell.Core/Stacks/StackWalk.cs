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

/// <summary>The light state of a stack at recess, face and edge, coat by coat, for one hand.</summary>
internal sealed class StackWalk
{
    private const int Heights = 3;
    private readonly double hand;
    private readonly double[] body = new double[Heights * Spectra.Bands];
    private readonly double[] surface = new double[Heights];
    private readonly double[] kappa = new double[Heights];
    private StackWalk? underFluid;

    /// <summary>Starts on the bare substrate.</summary>
    public StackWalk(Zone zone, double hand)
        : this(zone.Substrate.Facts().Colour, zone.Substrate.Facts().Sheen, hand)
    {
    }

    private StackWalk(Srgb ground, Sheen sheen, double hand)
    {
        this.hand = hand;
        var reflectance = Spectra.FromSrgb(ground);
        var nominal = Surface.Term(sheen);
        var lowest = double.MaxValue;
        foreach (var r in reflectance)
        {
            lowest = Math.Min(lowest, r);
        }

        var own = Math.Min(nominal, lowest / 2);
        for (var h = 0; h < Heights; h++)
        {
            surface[h] = own;
            kappa[h] = own / nominal;
            for (var i = 0; i < Spectra.Bands; i++)
            {
                body[(h * Spectra.Bands) + i] = reflectance[i] - own;
            }
        }
    }

    private StackWalk(StackWalk other)
    {
        hand = other.hand;
        other.body.CopyTo(body, 0);
        other.surface.CopyTo(surface, 0);
        other.kappa.CopyTo(kappa, 0);
        underFluid = other.underFluid;
    }

    /// <summary>Starts on a glossy card.</summary>
    public static StackWalk OnCard(Srgb card) => new(card, Sheen.Gloss, 1);

    /// <summary>An independent copy, to try something on.</summary>
    public StackWalk Copy() => new(this);

    /// <summary>Predicted light at a height.</summary>
    public LinearRgb Colour(int height)
    {
        var light = Spectra.ToLinear(body.AsSpan(height * Spectra.Bands, Spectra.Bands));
        var s = surface[height];
        return new LinearRgb(light.R + s, light.G + s, light.B + s);
    }

    /// <summary>Lays a coat.</summary>
    /// <param name="coat">The coat.</param>
    /// <param name="fullCoverage">As within one mark, rather than the average of the zone.</param>
    public void Lay(in PreparedCoat coat, bool fullCoverage = false)
    {
        if (coat.Coat.Technique == Technique.OpenChips)
        {
            for (var h = 0; h < Heights; h++)
            {
                OpenAt(h, coat, fullCoverage);
            }

            return;
        }

        if (coat.Optics is null)
        {
            return;
        }

        if (coat.Coat.Technique == Technique.ChippingFluid)
        {
            underFluid = Copy();
        }

        for (var h = 0; h < Heights; h++)
        {
            LayAt(h, coat, fullCoverage ? 1 : coat.Deposit.Coverage[h], coat.Coat.Passes);
        }
    }

    /// <summary>Lays a coat on the face alone, for questions that concern nothing else.</summary>
    public void LayFace(in PreparedCoat coat)
    {
        const int Face = (int)ReliefHeight.Face;
        if (coat.Coat.Technique == Technique.OpenChips)
        {
            OpenAt(Face, coat, false);
        }
        else if (coat.Optics is not null)
        {
            underFluid = coat.Coat.Technique == Technique.ChippingFluid ? Copy() : underFluid;
            LayAt(Face, coat, coat.Deposit.Coverage[Face], coat.Coat.Passes);
        }
    }

    /// <summary>Lays one pass at one height only, as the passes-to-cover help does.</summary>
    public void LayAt(int height, in PreparedCoat coat, double coverage, int passes)
    {
        var optics = coat.Optics![height];
        var film = coat.DryFilmUm(height, hand);
        optics.Lay(body.AsSpan(height * Spectra.Bands, Spectra.Bands), film, coverage, passes);
        var taken = coverage * (1 - Math.Exp(-film / PreparedCoat.SurfaceDepthUm));
        taken = passes == 1 ? taken : 1 - Math.Pow(1 - taken, passes);
        if (optics.Clear)
        {
            surface[height] += taken * ((kappa[height] * optics.SurfaceTerm) - surface[height]);
        }
        else
        {
            surface[height] += taken * (optics.SurfaceTerm - surface[height]);
            kappa[height] += taken * (optics.Kappa - kappa[height]);
        }
    }

    /// <summary>What a film of this coat looks like when it hides the ground altogether.</summary>
    public LinearRgb Masstone(int height, in PreparedCoat coat)
    {
        const double HidingUm = 1e6;
        var optics = coat.Optics![height];
        Span<double> thick = stackalloc double[Spectra.Bands];
        body.AsSpan(height * Spectra.Bands, Spectra.Bands).CopyTo(thick);
        optics.Lay(thick, HidingUm, 1, 1);
        var light = Spectra.ToLinear(thick);
        return new LinearRgb(light.R + optics.SurfaceTerm, light.G + optics.SurfaceTerm, light.B + optics.SurfaceTerm);
    }

    // A chip shows what lay under the fluid.
    private void OpenAt(int height, in PreparedCoat coat, bool fullCoverage)
    {
        if (underFluid is null)
        {
            return;
        }

        var coverage = fullCoverage ? 1 : Math.Min(1, coat.Deposit.Coverage[height] * coat.Coat.Hand * hand);
        for (var pass = 0; pass < coat.Coat.Passes; pass++)
        {
            for (var i = height * Spectra.Bands; i < (height + 1) * Spectra.Bands; i++)
            {
                body[i] += coverage * (underFluid.body[i] - body[i]);
            }

            surface[height] += coverage * (underFluid.surface[height] - surface[height]);
            kappa[height] += coverage * (underFluid.kappa[height] - kappa[height]);
        }
    }
}
