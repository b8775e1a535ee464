using Lowfell.Core.Stacks;
using Lowfell.Tests;
using Xunit;

namespace Lowfell.Core.Tests;

/// <summary>Core's folders are rooms in a row: each uses those before it, and none after it.</summary>
public sealed class RoomTests
{
    private const string Root = "Lowfell.Core";

    private static readonly string[] Row =
    [
        "Wording", "Colour", "Films", "Surfaces", "Materials", "Mixes", "Techniques", "Stacks", "Safety", "Drying", "Prediction", "Amounts", "Matching", "Tiles", "Sight",
        "Rules", "Rules.Order", "Rules.Look", "Rules.Place", "Mending", "Finishing", "Ready",
        "Bases.Plane", "Bases.Forms", "Bases.Elements", "Bases.Layouts", "Bases.Likeness", "Bases.Making", "Bases.Drawing", "Bases.Sheets", "Boards",
        "Meshes.Geometry", "Meshes.Fields", "Meshes.Splitting", "Meshes.StandIns", "Meshes.Screen", "Meshes.Looks", "Weathering",
        "Evenings.Steps", "Evenings.Findings", "Evenings.Facts", "Evenings.Scheduling", "Evenings.Solving", "Evenings.Work", "Diagnosis",
    ];

    // Rules of one kind know nothing of those of another.
    private static readonly string[] Apart = ["Rules.Order", "Rules.Look", "Rules.Place"];

    [Fact]
    public void Arrows_point_one_way()
    {
        var wrong = Arrows.Of(typeof(StackDraft).Assembly)
            .Select(a => (From: a.From.Room(Root), To: a.To.Room(Root), Words: $"{a.From.FullName} uses {a.To.FullName}"))
            .Where(a => a.From != a.To && a.From != "" && a.To != "" && (Array.IndexOf(Row, a.From) < Array.IndexOf(Row, a.To) || (Apart.Contains(a.From) && Apart.Contains(a.To))))
            .Select(a => a.Words);
        Assert.Empty(wrong);
    }

    [Fact]
    public void Every_type_lives_in_a_room_of_the_row()
    {
        var strangers = typeof(StackDraft).Assembly.GetTypes().Where(t => t.Namespace?.StartsWith(Root, StringComparison.Ordinal) == true && !Row.Contains(t.Namespace[Math.Min(t.Namespace.Length, Root.Length + 1)..])).Select(t => t.FullName);
        Assert.Empty(strangers);
        Assert.All(Row, room => Assert.Contains(typeof(StackDraft).Assembly.GetTypes(), t => t.Namespace == $"{Root}.{room}"));
    }
}
