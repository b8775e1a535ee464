using System.Text.Json;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Techniques;

/// <summary>What one pass leaves at the three heights.</summary>
/// <param name="WetFilmUm">Wet film where it lies: recess, face, edge, um.</param>
/// <param name="Coverage">Share of the height that it covers: recess, face, edge, 0..1.</param>
public sealed record Deposit(double[] WetFilmUm, double[] Coverage)
{
    /// <summary>Leaves nothing.</summary>
    public static Deposit None { get; } = new([0, 0, 0], [0, 0, 0]);

    /// <summary>Share of the face that so many passes cover, 0..1.</summary>
    public double FaceCovered(int passes) => 1 - Math.Pow(1 - Math.Min(1, Coverage[(int)ReliefHeight.Face]), passes);

    /// <summary>The same film over another share of the zone, spread over the heights as before.</summary>
    /// <param name="share">Share of the whole zone, 0 up; no height takes more than all of itself.</param>
    /// <param name="heights">Shares of the heights in the zone.</param>
    public Deposit Covering(double share, ReadOnlySpan<double> heights)
    {
        var usual = 0.0;
        for (var h = 0; h < heights.Length; h++)
        {
            usual += heights[h] * Coverage[h];
        }

        return usual <= 0 ? this : new(WetFilmUm, [.. Coverage.Select(c => Math.Min(1, c * share / usual))]);
    }
}

/// <summary>The technique kernels, what settles at the three heights: craft estimates, kept as data in <c>technique-kernels.json</c>.</summary>
public static class Kernels
{
    private static readonly string[] Reliefs = ["smooth", "panelled", "textured", "rough"];

    // By technique, relief and facing; what comes from above follows the facing.
    private static readonly Deposit[][][] Table = Load();

    /// <summary>The deposit of a technique on a zone.</summary>
    public static Deposit Deposit(Technique technique, Relief relief, Facing facing) => Table[(int)technique][(int)relief][(int)facing];

    // Film that lands on a facing over what lands on a surface that looks up. Craft estimates.
    private static double FromAbove(Facing facing) => facing switch { Facing.Up => 1, Facing.Slope => 0.7, Facing.Side => 0.3, Facing.Overhang => 0.05, _ => 0 };

    private static Deposit Slanted(Deposit deposit, Facing facing)
    {
        var film = FromAbove(facing);
        var cover = film == 0 ? 0 : 0.15 + (0.85 * Math.Sqrt(film));
        return facing == Facing.Up ? deposit : new([.. deposit.WetFilmUm.Select(w => w * film)], [.. deposit.Coverage.Select(c => c * cover)]);
    }

    private static Deposit[][][] Load()
    {
        using var stream = typeof(Kernels).Assembly.GetManifestResourceStream("technique-kernels.json")
            ?? throw new InvalidOperationException("The technique kernels are missing from the assembly.");
        using var json = JsonDocument.Parse(stream);
        var byName = json.RootElement.GetProperty("techniques").EnumerateArray().ToDictionary(e => e.GetProperty("name").GetString()!, Read);
        var none = Reliefs.Select(_ => Enum.GetValues<Facing>().Select(_ => Techniques.Deposit.None).ToArray()).ToArray();
        return [.. Enum.GetValues<Technique>().Select(t => t.Facts().Kernel is { } kernel ? byName[kernel] : none)];
    }

    private static Deposit[][] Read(JsonElement row)
    {
        double[] Three(string table, string relief) => [.. row.GetProperty(table).GetProperty(relief).EnumerateArray().Select(v => v.GetDouble())];
        var follows = row.GetProperty("followsFacing").GetBoolean();
        return [.. Reliefs.Select(r =>
        {
            var deposit = new Deposit(Three("wetFilmUm", r), Three("coverage", r));
            return Enum.GetValues<Facing>().Select(f => follows ? Slanted(deposit, f) : deposit).ToArray();
        })];
    }
}
