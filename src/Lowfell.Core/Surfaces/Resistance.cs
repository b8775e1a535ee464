using Lowfell.Core.Wording;

namespace Lowfell.Core.Surfaces;

/// <summary>What a film or ground answers to a carrier: the least age at which it holds, or what remains at any age.</summary>
public enum Bears
{
    /// <summary>Holds once it is recoat-dry.</summary>
    [Said("once recoat-dry")]
    RecoatDry,

    /// <summary>Holds after a night.</summary>
    [Said("after a night")]
    Overnight,

    /// <summary>Holds once it has cured.</summary>
    [Said("once cured")]
    Cured,

    /// <summary>Gives a little at any age: advice.</summary>
    [Said("barely")]
    Note,

    /// <summary>May give; less so once it is left to cure on purpose.</summary>
    [Said("at a risk until cured")]
    RiskUntilCured,

    /// <summary>May give at any age.</summary>
    [Said("at a risk")]
    Risk,

    /// <summary>Gives way at any age.</summary>
    [Said("never")]
    Stop,

    /// <summary>Another rule speaks of it.</summary>
    [Said("always")]
    Silent,
}

/// <summary>A film or ground against one carrier.</summary>
/// <param name="Mist">Against a mist.</param>
/// <param name="Laid">Against a coat that is laid on.</param>
/// <param name="Scrubbed">Against scrubbing.</param>
public sealed record BearsRow(Bears Mist, Bears Laid, Bears Scrubbed)
{
    /// <summary>Its answer to an impact; what hardly touches it harms nothing.</summary>
    public Bears At(Impact impact) => impact switch
    {
        Impact.Mist => Mist,
        Impact.Laid => Laid,
        Impact.Scrubbed => Scrubbed,
        _ => Bears.RecoatDry,
    };
}

/// <summary>How a dry film or a bare ground stands up to each carrier by mist, laid on and scrubbed.</summary>
/// <remarks>Typical values for hobby materials, craft estimates tried on everyday and on faulty stacks; a painter may override a material's row.</remarks>
/// <param name="Water">Against water.</param>
/// <param name="Alcohol">Against alcohol.</param>
/// <param name="WhiteSpirit">Against white spirit.</param>
/// <param name="LacquerThinner">Against lacquer thinner and cans.</param>
public sealed record Resistance(BearsRow Water, BearsRow Alcohol, BearsRow WhiteSpirit, BearsRow LacquerThinner)
{
    private const int Carriers = 4;
    private const int Impacts = 3;

    /// <summary>Figures of a row as it is kept.</summary>
    public const int Figures = Carriers * Impacts;

    /// <summary>Figures of a row as it was kept before impacts were told apart: recoat-dry and cured against each carrier.</summary>
    public const int OldFigures = Carriers * 2;

    private static readonly BearsRow Dry = new(Bears.RecoatDry, Bears.RecoatDry, Bears.RecoatDry);

    private static readonly Dictionary<string, Bears> Signs = new()
    {
        ["d"] = Bears.RecoatDry,
        ["N"] = Bears.Overnight,
        ["C"] = Bears.Cured,
        ["n"] = Bears.Note,
        ["r>n"] = Bears.RiskUntilCured,
        ["r"] = Bears.Risk,
        ["s"] = Bears.Stop,
        ["-"] = Bears.Silent,
    };

    /// <summary>Bears everything once it is dry.</summary>
    public static Resistance Sound { get; } = new(Dry, Dry, Dry, Dry);

    /// <summary>Another rule speaks of it whatever comes.</summary>
    public static Resistance Silent { get; } = Parse("- - -", "- - -", "- - -", "- - -");

    /// <summary>The answer to a carrier at an impact; dry carriers harm nothing.</summary>
    public Bears Against(Carrier carrier, Impact impact) => carrier == Carrier.None ? Bears.RecoatDry : Rows(carrier).At(impact);

    /// <summary>Reads a row of the table in signs, one text of three for each carrier: d N C hold from recoat-dry, overnight, cured; n, r, s remain; r&gt;n is a risk until cured; - is silent.</summary>
    /// <exception cref="ArgumentException">A sign is unknown or missing.</exception>
    public static Resistance Parse(string water, string alcohol, string whiteSpirit, string lacquerThinner)
    {
        static BearsRow Row(string text)
        {
            var signs = text.Split(' ');
            return signs.Length == Impacts && Array.TrueForAll(signs, Signs.ContainsKey)
                ? new(Signs[signs[0]], Signs[signs[1]], Signs[signs[2]])
                : throw new ArgumentException($"'{text}' is no row of the solvent table.", nameof(text));
        }

        return new(Row(water), Row(alcohol), Row(whiteSpirit), Row(lacquerThinner));
    }

    /// <summary>Reads a kept row: twelve figures, or the eight of an older one.</summary>
    /// <remarks>
    /// Of the eight, recoat-dry and cured for each carrier, 0 dissolved, 1 gave when brushed, 2 held unless scrubbed, 3 held. So 0 becomes a stop,
    /// 1 bears a mist and else is a risk, 2 bears being laid on, 3 bears all; what only the cured film bore waits for the cure.
    /// </remarks>
    /// <exception cref="ArgumentException">There are neither twelve nor eight figures, or one is unknown.</exception>
    public static Resistance FromRow(IReadOnlyList<int> row)
    {
        if (row.Count == OldFigures && row.All(v => v is >= 0 and <= 3))
        {
            return new(FromOld(row[0], row[1]), FromOld(row[2], row[3]), FromOld(row[4], row[5]), FromOld(row[6], row[7]));
        }

        if (row.Count != Figures || !row.All(v => Enum.IsDefined((Bears)v)))
        {
            throw new ArgumentException("A resistance row has twelve figures.", nameof(row));
        }

        BearsRow At(int carrier) => new((Bears)row[carrier * Impacts], (Bears)row[(carrier * Impacts) + 1], (Bears)row[(carrier * Impacts) + 2]);
        return new(At(0), At(1), At(2), At(3));
    }

    /// <summary>The row as it is kept, the inverse of <see cref="FromRow"/>.</summary>
    public int[] ToRow() => [.. new[] { Water, Alcohol, WhiteSpirit, LacquerThinner }.SelectMany(r => new[] { (int)r.Mist, (int)r.Laid, (int)r.Scrubbed })];

    private BearsRow Rows(Carrier carrier) => carrier switch
    {
        Carrier.Water => Water,
        Carrier.Alcohol => Alcohol,
        Carrier.WhiteSpirit => WhiteSpirit,
        _ => LacquerThinner,
    };

    // What a mist, a laid coat and a scrubbed one asked of the older figures was 1, 2 and 3.
    private static BearsRow FromOld(int recoat, int cured)
    {
        Bears At(int asked) => recoat >= asked ? Bears.RecoatDry : cured >= asked ? Bears.Cured : cured == 0 ? Bears.Stop : Bears.Risk;
        return new(At(1), At(2), At(3));
    }
}
