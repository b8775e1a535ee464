using System.Text.Json;

namespace Lowfell.Benchmarks;

/// <summary>Figures for the comparison with the last run: one JSON object a line, in the file that LOWFELL_BENCH names.</summary>
internal static class Noted
{
    /// <summary>Notes a figure of which less is better.</summary>
    public static void Less(string name, double value, string unit) => Write(new { name, value = Math.Round(value, 4), unit, better = "less" });

    /// <summary>Notes a figure of which more is better.</summary>
    public static void More(string name, double value, string unit) => Write(new { name, value = Math.Round(value, 4), unit, better = "more" });

    private static void Write(object figure)
    {
        if (Environment.GetEnvironmentVariable("LOWFELL_BENCH") is { Length: > 0 } file)
        {
            File.AppendAllText(file, JsonSerializer.Serialize(figure) + "\n");
        }
    }
}
