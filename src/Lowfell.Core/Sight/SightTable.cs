using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Sight;

/// <summary>The room that something is looked at in.</summary>
public enum SightRoom
{
    /// <summary>Under an evening lamp.</summary>
    [Said("evening lamp")]
    EveningLamp,

    /// <summary>A living room.</summary>
    [Said("living room")]
    LivingRoom,

    /// <summary>A club hall.</summary>
    [Said("club hall")]
    ClubHall,

    /// <summary>A bench lamp over it.</summary>
    [Said("bench lamp")]
    Bench,
}

/// <summary>Who looks.</summary>
public enum Eyes
{
    /// <summary>Eyes that see a minute of arc.</summary>
    [Said("sharp eyes")]
    Sharp,

    /// <summary>Weaker ones: everything is as if it were smaller.</summary>
    [Said("weaker eyes")]
    Weaker,
}

/// <summary>How well something is seen from a place.</summary>
public enum SightWord
{
    /// <summary>Not seen.</summary>
    [Said("lost")]
    Lost,

    /// <summary>Seen by who searches.</summary>
    [Said("barely")]
    Barely,

    /// <summary>Seen by who plays.</summary>
    [Said("seen")]
    Seen,

    /// <summary>Draws the eye.</summary>
    [Said("stands out")]
    StandsOut,
}

/// <summary>What is seen from where, in one word.</summary>
public enum SightVerdict
{
    /// <summary>Seen from two metres.</summary>
    [Said("seen at 2 m")]
    FarOff,

    /// <summary>Seen from the distance of the set.</summary>
    [Said("seen at the table")]
    AtTable,

    /// <summary>Barely seen from there.</summary>
    [Said("barely at the table")]
    BarelyAtTable,

    /// <summary>Seen when it is in the hand.</summary>
    [Said("only in the hand")]
    InHand,

    /// <summary>Seen from nowhere.</summary>
    [Said("never")]
    Never,
}

/// <summary>Figures of sight. Craft estimates but where a source is named.</summary>
public static class SightTable
{
    /// <summary>Least and most distance, m.</summary>
    public const double LeastM = 0.1, MostM = 5;

    /// <summary>In the hand, and far off, m.</summary>
    public const double HandM = Schools.InHandM, FarM = 2;

    /// <summary>Least and most size of a detail, mm.</summary>
    public const double LeastMm = 0.01, MostMm = 300;

    /// <summary>Times the laboratory's threshold from which something is seen without searching. Craft estimate.</summary>
    public const double SeenJ = 2.5;

    /// <summary>Distances that are told beside the set's own, m.</summary>
    public static IReadOnlyList<double> Distances { get; } = [HandM, Schools.LeaningM, 0.9, 1.2, FarM];

    /// <summary>White of a room, cd/m2.</summary>
    public static double White(this SightRoom room) => room switch { SightRoom.EveningLamp => 15, SightRoom.LivingRoom => 45, SightRoom.ClubHall => 150, _ => 300 };

    /// <summary>What eyes make of an angle.</summary>
    public static double Acuity(this Eyes eyes) => eyes == Eyes.Sharp ? 1 : 0.7;

    /// <summary>Distance from one feature of a relief to the next, mm; 0 where it has none.</summary>
    public static double PitchMm(this Relief relief) => relief switch { Relief.Smooth => 0, Relief.Panelled => 6, Relief.Textured => 1.5, _ => 4 };

    /// <summary>The word for so much over the threshold and so much colour left.</summary>
    /// <param name="j">Times the threshold of the laboratory.</param>
    /// <param name="left">What is left of the difference, dE00.</param>
    public static SightWord Word(double j, double left) =>
        j >= 5 && left >= 15 ? SightWord.StandsOut : j >= SeenJ && left >= 4 ? SightWord.Seen : j >= 1 && left >= 1 ? SightWord.Barely : SightWord.Lost;
}
