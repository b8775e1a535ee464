using System.Text;

namespace Lowfell.Web.Api;

/// <summary>What painters call a field of a request: <c>coats[2].material.volumeSolids</c> is the volume solids of coat 3.</summary>
internal static class FieldWords
{
    private static readonly string[] Units = ["Mm2", "Mm", "Um", "Ml", "Min", "Minutes", "H", "C", "Id", "Ids"];

    // Where the name of the field is not the painter's word.
    private static readonly Dictionary<string, string> Own = new()
    {
        ["de"] = "colour difference",
        ["paintFraction"] = "share of paint",
        ["leastPaintFraction"] = "least share of paint",
        ["edgeMm"] = "length of edges",
        ["creaseMm"] = "length of creases",
        ["smallestDetailMm"] = "smallest detail",
        ["heightFromMm"] = "height from",
        ["heightToMm"] = "height to",
        ["fullMm"] = "height at which it is full",
        ["noneMm"] = "height at which there is none",
        ["waitMinutes"] = "wait",
        ["litEdges"] = "share of edges in the light",
        ["unseen"] = "share that nobody sees",
        ["areaShare"] = "share of the area",
        ["ownAreaMm2"] = "area",
        ["viewingMm"] = "viewing distance",
        ["curedH"] = "hours to cured",
        ["touchMin"] = "minutes to touch-dry",
        ["recoatMin"] = "minutes to recoat-dry",
        ["roomC"] = "temperature",
        ["fitMin"] = "minutes to fit",
        ["glueMin"] = "minutes for the glue",
    };

    // What one of a list is called, where it is not the list's own word.
    private static readonly Dictionary<string, string> OfLists = new() { ["under"] = "ground coat", ["painted"] = "painted cell", ["weekly"] = "evening", ["assembly"] = "part", ["copies"] = "piece" };

    /// <summary>The items of lists that a field belongs to, the outermost first, such as "Zone 4, coat 3"; empty where it belongs to none.</summary>
    public static string Item(string path)
    {
        var items = new StringBuilder();
        for (var open = path.IndexOf('[', StringComparison.Ordinal); open > 0; open = path.IndexOf('[', open + 1))
        {
            var close = path.IndexOf(']', open);
            if (close < 0 || !int.TryParse(path.AsSpan(open + 1, close - open - 1), out var index))
            {
                break;
            }

            var list = Last(path[..open]);
            items.Append(items.Length == 0 ? "" : ", ").Append(OfLists.GetValueOrDefault(list) ?? Single(list)).Append(' ').Append(index + 1);
        }

        return Capital(items.ToString());
    }

    /// <summary>The field in the painter's words, with the item that it belongs to.</summary>
    public static string Of(string path)
    {
        var item = Item(path);
        var name = Last(path);
        if (name.EndsWith(']'))
        {
            return item.Length > 0 ? item : Capital(Split(name));
        }

        var word = Own.GetValueOrDefault(name) ?? Split(name);
        return item.Length > 0 ? $"{item}, {word}" : Capital(word);
    }

    private static string Last(string path) => path[(path.LastIndexOf('.') + 1)..];

    private static string Single(string word) => word.EndsWith("ies", StringComparison.Ordinal) ? word[..^3] + "y" : word.EndsWith('s') ? word[..^1] : word;

    private static string Capital(string word) => word.Length == 0 ? word : char.ToUpperInvariant(word[0]) + word[1..];

    private static string Split(string name)
    {
        var unit = Units.FirstOrDefault(u => name.Length > u.Length && name.EndsWith(u, StringComparison.Ordinal));
        var bare = unit is null ? name : name[..^unit.Length];
        var words = new StringBuilder();
        foreach (var letter in bare)
        {
            if (char.IsAsciiLetterUpper(letter))
            {
                words.Append(' ').Append(char.ToLowerInvariant(letter));
            }
            else
            {
                words.Append(letter);
            }
        }

        return words.ToString().TrimStart();
    }
}
