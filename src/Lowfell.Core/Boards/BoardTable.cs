namespace Lowfell.Core.Boards;

/// <summary>A line as it begins when it is added.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Kind">What it keeps its height above.</param>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="WanderMm">How far it wanders, mm.</param>
public sealed record UsualLine(string Name, DatumKind Kind, double HeightMm, double WanderMm);

/// <summary>Figures of boards, mm. Craft estimates.</summary>
public static class BoardTable
{
    /// <summary>Most tilt of a foot, degrees.</summary>
    public const double MostTiltDeg = 30;

    /// <summary>Most copies on one board.</summary>
    public const int MostCopies = 500;

    /// <summary>Sides that are so far apart, or so far into each other, still meet.</summary>
    public const double GapMm = 2;

    /// <summary>Sides meet along at least so much.</summary>
    public const double MeetMm = 5;

    /// <summary>Feet may miss each other by so much before a measure is doubted; so much is no step either.</summary>
    public const double MissMm = 1;

    /// <summary>Heights are marked to so much.</summary>
    public const double MarkMm = 0.5;

    /// <summary>On a tilted foot a height is marked this often.</summary>
    public const double EveryMm = 50;

    /// <summary>So near a side a line no longer wanders, and a ground line fades where the ground steps.</summary>
    public const double CalmMm = 10;

    /// <summary>What a part hides while it moves gets so much of a line, share.</summary>
    public const double HiddenShare = 0.6;

    /// <summary>Lines that painters draw, as they begin: heights are those of a wall by the sea at the scale of 28 mm figures.</summary>
    public static IReadOnlyList<UsualLine> UsualLines { get; } =
    [
        new("Tide", DatumKind.Level, 22, 1.5),
        new("Damp", DatumKind.Level, 30, 2),
        new("Weed", DatumKind.Level, 18, 2),
        new("Dust", DatumKind.Ground, 4, 1),
        new("Mud", DatumKind.Ground, 8, 2),
    ];
}
