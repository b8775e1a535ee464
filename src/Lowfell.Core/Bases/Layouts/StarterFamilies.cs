using static Lowfell.Core.Bases.Elements.ElementKind;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>Families to begin with; a painter edits them.</summary>
public static class StarterFamilies
{
    private static readonly WishedElement SlateL = new(Slate, 16), SlateM = new(Slate, 10.5), SlateS = new(Slate, 6), CorkL = new(Cork, 18), CorkM = new(Cork, 11), BarkM = new(Bark, 9),
        StoneM = new(Stone, 6), StoneS = new(Stone, 4), Grain = new(Pebble, 2.3), Tuft6 = new(Tuft, 6), Tuft4 = new(Tuft, 4), Tuft2 = new(Tuft, 2.4), Scrap = new(Debris, 5), APost = new(Post, 7), APipe = new(Pipe, 11);

    private static readonly ClusterRule[] Shore =
    [
        new("slate and stone", 1, 0, 27, [SlateM, StoneS, Grain]),
        new("small slate", 1, 0, 27, [SlateS, StoneS, Grain]),
        new("stone", 1, 0, 27, [StoneM, StoneS, Grain]),
        new("bark", 1, 0, 27, [BarkM, Grain, Grain]),
        new("tufts", 2, 0, 27, [Tuft4, Tuft2, Tuft2]),
        new("stones", 3, 0, 27, [StoneS, Grain, Grain], 0.44),
        new("slates", 3, 0, 27, [SlateS, Grain, Grain], 0.44),
        new("a post", 3, 0, 27, [APost], 0.12),

        new("slate and stones", 1, 27, 34, [SlateM, SlateS, StoneS], 2),
        new("stones", 1, 27, 34, [StoneM, SlateS, StoneS]),
        new("cork and stones", 1, 27, 34, [CorkM, SlateS, StoneS]),
        new("tufts", 2, 27, 34, [Tuft4, Tuft4, Tuft2]),
        new("stones", 3, 27, 34, [StoneM, StoneS, Grain], 0.35),
        new("slates", 3, 27, 34, [SlateS, StoneS, Grain], 0.35),
        new("a post", 3, 27, 34, [APost, Grain, Grain], 0.3),

        new("slate", 1, 34, 48, [SlateM, SlateM, SlateS, StoneS, Grain], 2),
        new("cork and slate", 1, 34, 48, [CorkM, SlateM, SlateS, StoneS, Grain]),
        new("tufts", 2, 34, 48, [Tuft6, Tuft4, Tuft2]),
        new("stones", 3, 34, 48, [StoneM, StoneS, Grain]),
        new("driftwood", 4, 34, 48, [Scrap, Scrap, Scrap], 0.7),
        new("a pipe", 4, 34, 48, [APipe], 0.15),
        new("a post", 4, 34, 48, [APost], 0.15),
        new("small tufts", 5, 34, 48, [Tuft4, Tuft2, Tuft2]),

        new("slate", 1, 48, 500, [SlateL, SlateM, SlateM, SlateS, StoneS]),
        new("cork and slate", 1, 48, 500, [CorkL, SlateM, SlateM, SlateS, StoneS]),
        new("slates", 2, 48, 500, [SlateM, CorkM, SlateS]),
        new("stones", 3, 48, 500, [StoneM, StoneM, StoneS, Grain, Grain]),
        new("tufts", 4, 48, 500, [Tuft6, Tuft6, Tuft4, Tuft4, Tuft2]),
        new("small tufts", 5, 48, 500, [Tuft6, Tuft4, Tuft2]),
        new("a pipe", 6, 48, 500, [APipe], 0.3),
        new("nothing there", 6, 48, 500, [], 0.7),
        new("driftwood", 7, 48, 500, [Scrap, Scrap, Scrap]),
    ];

    /// <summary>Crust over pale clay with slate, tufts and driftwood.</summary>
    public static BaseFamily SaltCrust { get; } = new() { Name = "Salt crust", Clusters = Shore };

    /// <summary>Slate and weed: more rock, more green, no crust.</summary>
    public static BaseFamily SlateAndKelp { get; } = new()
    {
        Name = "Slate and kelp",
        Clusters = [.. Shore.Where(c => c.Elements.Count > 0 && c.Elements[0].Kind is not (Pipe or Post)),
            new("more slate", 8, 27, 500, [SlateS, StoneS, Grain]), new("more tufts", 9, 34, 500, [Tuft4, Tuft4, Tuft2])],
        Shares = [0, 0.26, 0.34, 0.2, 0.2],
        RiseMm = 2.8,
        SkimMm = 0.9,
        Calm = 0.55,
        Grass = 0.7,
        Ground = "#4b4a42",
        Light = "#a9a895",
        Tufts = "#56603a",
    };

    /// <summary>Wet sand: low and calm, a few stones, driftwood.</summary>
    public static BaseFamily WetSand { get; } = new()
    {
        Name = "Wet sand",
        Clusters =
        [
            new("stones", 1, 0, 34, [StoneS, Grain, Grain]),
            new("driftwood", 1, 0, 34, [Scrap, Grain, Grain]),
            new("small tufts", 2, 0, 34, [Tuft4, Tuft2, Tuft2], 0.5),
            new("nothing there", 2, 0, 34, [], 0.5),
            new("stones", 1, 34, 500, [StoneM, StoneS, StoneS, Grain, Grain]),
            new("driftwood", 2, 34, 500, [Scrap, Scrap, Scrap]),
            new("tufts", 3, 34, 500, [Tuft4, Tuft4, Tuft2]),
            new("a post", 4, 34, 500, [APost], 0.25),
            new("nothing there", 4, 34, 500, [], 0.75),
        ],
        Shares = [0, 0.04, 0.16, 0.6, 0.2],
        RiseMm = 1.2,
        Calm = 0.75,
        Grass = 0.2,
        Ground = "#5d5140",
        Light = "#b7a685",
    };

    /// <summary>All of them.</summary>
    public static IReadOnlyList<BaseFamily> All { get; } = [SaltCrust, SlateAndKelp, WetSand];
}
