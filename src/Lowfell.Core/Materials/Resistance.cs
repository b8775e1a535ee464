namespace Lowfell.Core.Materials;

/// <summary>How long a film has had before the next coat comes.</summary>
public enum FilmAge
{
    /// <summary>Dry enough for the next coat.</summary>
    RecoatDry,

    /// <summary>Through and through.</summary>
    Cured,
}

/// <summary>How a film or ground stands up to each carrier, at recoat-dry and cured.</summary>
/// <remarks>0 dissolves or melts, 1 gives when brushed, 2 holds unless scrubbed, 3 holds. Typical values for hobby materials.</remarks>
/// <param name="Water">Recoat-dry and cured, 0-3.</param>
/// <param name="Alcohol">Recoat-dry and cured, 0-3.</param>
/// <param name="WhiteSpirit">Recoat-dry and cured, 0-3.</param>
/// <param name="LacquerThinner">Recoat-dry and cured, 0-3.</param>
public sealed record Resistance(
    (int Recoat, int Cured) Water,
    (int Recoat, int Cured) Alcohol,
    (int Recoat, int Cured) WhiteSpirit,
    (int Recoat, int Cured) LacquerThinner)
{
    /// <summary>A row whose ground does not change with age.</summary>
    public static Resistance Fixed(int water, int alcohol, int whiteSpirit, int lacquerThinner) =>
        new((water, water), (alcohol, alcohol), (whiteSpirit, whiteSpirit), (lacquerThinner, lacquerThinner));

    /// <summary>Reads a row of eight figures: recoat-dry and cured for water, alcohol, white spirit, lacquer thinner.</summary>
    /// <exception cref="ArgumentException">There are not eight figures of 0-3.</exception>
    public static Resistance FromRow(IReadOnlyList<int> row) => row.Count == 8 && row.All(v => v is >= 0 and <= 3)
        ? new((row[0], row[1]), (row[2], row[3]), (row[4], row[5]), (row[6], row[7]))
        : throw new ArgumentException("A resistance row has eight figures of 0-3.", nameof(row));

    /// <summary>The row as eight figures, the inverse of <see cref="FromRow"/>.</summary>
    public int[] ToRow() =>
    [
        Water.Recoat, Water.Cured, Alcohol.Recoat, Alcohol.Cured,
        WhiteSpirit.Recoat, WhiteSpirit.Cured, LacquerThinner.Recoat, LacquerThinner.Cured,
    ];

    /// <summary>The figure for a carrier at an age; dry carriers harm nothing.</summary>
    public int Against(Carrier carrier, FilmAge age)
    {
        var (recoat, cured) = carrier switch
        {
            Carrier.Water => Water,
            Carrier.Alcohol => Alcohol,
            Carrier.WhiteSpirit => WhiteSpirit,
            Carrier.LacquerThinner => LacquerThinner,
            _ => (3, 3),
        };
        return age == FilmAge.Cured ? cured : recoat;
    }
}
