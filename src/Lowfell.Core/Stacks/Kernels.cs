using System.Text.Json;

namespace Lowfell.Core.Stacks;

/// <summary>What one pass leaves at the three heights.</summary>
/// <param name="WetFilmUm">Wet film where it lies: recess, face, edge, um.</param>
/// <param name="Coverage">Share of the height that it covers: recess, face, edge, 0..1.</param>
public sealed record Deposit(double[] WetFilmUm, double[] Coverage);

/// <summary>Deposit of a technique by relief.</summary>
/// <param name="PaintFraction">Usual paint fraction.</param>
/// <param name="FollowsFacing">Comes from above: less of it reaches sides and undersides.</param>
/// <param name="ByRelief">Deposits by relief class.</param>
internal sealed record Kernel(double PaintFraction, bool FollowsFacing, Deposit[] ByRelief);

/// <summary>The technique kernels: craft estimates, kept as data in <c>technique-kernels.json</c>.</summary>
internal static class Kernels
{
    private static readonly Kernel[] Table = Load();

    // What comes from above, by technique, relief and facing.
    private static readonly Deposit[][][] FromAbove = [.. Table.Select(k => k.ByRelief.Select(d => Enum.GetValues<Facing>().Select(f => k.FollowsFacing ? Slanted(d, f) : d).ToArray()).ToArray())];

    public static Kernel Of(Technique technique) => Table[(int)technique];

    /// <summary>The deposit of a technique on a zone; what comes from above follows the facing.</summary>
    public static Deposit Deposit(Technique technique, Relief relief, Facing facing) => FromAbove[(int)technique][(int)relief][(int)facing];

    private static Deposit Slanted(Deposit deposit, Facing facing)
    {
        if (facing == Facing.Up)
        {
            return deposit;
        }

        var film = facing switch { Facing.Slope => 0.7, Facing.Side => 0.3, Facing.Overhang => 0.05, _ => 0 };
        var cover = film == 0 ? 0 : 0.15 + (0.85 * Math.Sqrt(film));
        return new([.. deposit.WetFilmUm.Select(w => w * film)], [.. deposit.Coverage.Select(c => c * cover)]);
    }

    private static Kernel[] Load()
    {
        using var stream = typeof(Kernels).Assembly.GetManifestResourceStream("technique-kernels.json")
            ?? throw new InvalidOperationException("The technique kernels are missing from the assembly.");
        using var json = JsonDocument.Parse(stream);
        var byName = json.RootElement.GetProperty("techniques").EnumerateArray().ToDictionary(e => e.GetProperty("name").GetString()!, Read);
        return [.. Enum.GetValues<Technique>().Select(t => byName[t.Facts().Kernel])];
    }

    private static Kernel Read(JsonElement row)
    {
        double[] Three(string table, string relief) => [.. row.GetProperty(table).GetProperty(relief).EnumerateArray().Select(v => v.GetDouble())];
        string[] reliefs = ["smooth", "panelled", "textured", "rough"];
        return new(
            row.GetProperty("paintFraction").GetDouble(),
            row.GetProperty("followsFacing").GetBoolean(),
            [.. reliefs.Select(r => new Deposit(Three("wetFilmUm", r), Three("coverage", r)))]);
    }
}
