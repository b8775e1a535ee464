using System.Security.Cryptography;
using System.Text;

namespace Lowfell.Core.Bases.Elements;

/// <summary>Boxes that most shelves have, to begin with. Craft estimates of size and spread.</summary>
public static class StarterBoxes
{
    /// <summary>All of them, with how many are usual in one.</summary>
    public static IReadOnlyList<ElementStock> All { get; } =
    [
        Box("slate L", ElementKind.Slate, 16, 10, 4, 0.18, 6),
        Box("slate M", ElementKind.Slate, 10.5, 6.5, 3.2, 0.18, 22),
        Box("slate S", ElementKind.Slate, 6, 4, 2.4, 0.2, 30),
        Box("cork L", ElementKind.Cork, 18, 13, 5, 0.15, 3),
        Box("cork M", ElementKind.Cork, 11, 8, 4.5, 0.15, 8),
        Box("cork S", ElementKind.Cork, 6, 4.6, 3.5, 0.15, 14),
        Box("bark M", ElementKind.Bark, 9, 5, 3, 0.2, 14),
        Box("stone M", ElementKind.Stone, 6, 5, 3.8, 0.2, 20),
        Box("stone S", ElementKind.Stone, 4, 3.2, 2.4, 0.2, 40),
        Box("pebble", ElementKind.Pebble, 2.3, 1.9, 1.5, 0.2, 90),
        Box("tuft 6", ElementKind.Tuft, 6, 6, 5.5, 0.08, 20),
        Box("tuft 4", ElementKind.Tuft, 4, 4, 4.5, 0.08, 44),
        Box("tuft 2", ElementKind.Tuft, 2.4, 2.4, 3, 0.08, 60),
        Box("driftwood", ElementKind.Debris, 5, 1.1, 1, 0.25, 40),
        Box("rusted pipe", ElementKind.Pipe, 11, 2.6, 2.6, 0.15, 6),
        Box("post", ElementKind.Post, 7, 1.8, 1.8, 0.1, 8),
    ];

    private static ElementStock Box(string name, ElementKind kind, double length, double width, double height, double spread, int count) =>
        new(new(new Guid(MD5.HashData(Encoding.UTF8.GetBytes("box " + name))), name, kind, length, width, height, spread), count);
}
