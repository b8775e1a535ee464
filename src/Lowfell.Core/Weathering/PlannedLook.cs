using Lowfell.Core.Meshes.Looks;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Weathering;

/// <summary>Planned marks as a look draws them.</summary>
public static class PlannedLook
{
    // Of more than are drawn, these stand for all by being larger.
    private const double MostLarger = 1.6;

    /// <summary>The marks of an entry on one copy, as a look draws them; zone and layer are the look's own.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="zone">The zone.</param>
    /// <param name="entry">The entry.</param>
    /// <param name="copy">Which copy, from 1.</param>
    public static IReadOnlyList<LookMark> Of(WeatherPiece piece, WeatherZone zone, MarkEntry entry, int copy)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(entry);
        var marks = new KindMarks(piece, zone, entry, MarkPlaces.MostOfCoat).On(Math.Clamp(copy, 1, piece.Copies));
        var larger = entry.How.Length is null ? 1 : Math.Min(MostLarger, Math.Sqrt(Math.Max(1, entry.Count / MarkPlaces.MostOfCoat)));
        return [.. marks.Select((m, i) => Drawn(m, entry, larger, i))];
    }

    private static LookMark Drawn(MarkPlace mark, MarkEntry entry, double larger, int number) => new(
        0, 0, mark.Side, entry.How.Shape, (float)mark.XMm, (float)(entry.How.Shape == MarkShape.Streak ? mark.YMm - (mark.LengthMm / 2) : mark.YMm), (float)(mark.WidthMm * larger), (float)(mark.LengthMm * larger), (float)mark.AngleDeg,
        (float)((Variation.Seed(entry.Id.ToString("n"), $"{number}") >> 40) / (double)(1 << 24)));
}
