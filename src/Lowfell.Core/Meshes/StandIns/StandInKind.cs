using Lowfell.Core.Wording;

namespace Lowfell.Core.Meshes.StandIns;

/// <summary>What a piece is shown as until it has a mesh of its own.</summary>
public enum StandInKind
{
    /// <summary>A plain block.</summary>
    [Said("plain block")]
    Block,

    /// <summary>A ruined wall with rubble.</summary>
    [Said("ruined wall")]
    RuinedWall,

    /// <summary>A straight wall of stones.</summary>
    [Said("straight wall")]
    StraightWall,

    /// <summary>A wall round a corner.</summary>
    [Said("corner wall")]
    CornerWall,

    /// <summary>A hall of corrugated sheet.</summary>
    [Said("hall of corrugated sheet")]
    Hall,

    /// <summary>A timber house with its roof.</summary>
    [Said("timber house")]
    House,

    /// <summary>A hull on its running gear, with panel lines, hatches and rivets.</summary>
    [Said("hull on running gear")]
    Hull,

    /// <summary>A turret.</summary>
    [Said("turret")]
    Turret,

    /// <summary>Running gear alone.</summary>
    [Said("running gear")]
    RunningGear,

    /// <summary>A gantry with pipes.</summary>
    [Said("gantry and pipes")]
    Gantry,

    /// <summary>A rock.</summary>
    [Said("rock")]
    Rock,

    /// <summary>A stair.</summary>
    [Said("stair")]
    Stair,

    /// <summary>A base with grit.</summary>
    [Said("base")]
    Base,

    /// <summary>A figure.</summary>
    [Said("figure")]
    Figure,

    /// <summary>A shallow pan on its hearth.</summary>
    [Said("pan on a hearth")]
    Pan,

    /// <summary>A gate of planks and straps.</summary>
    [Said("gate of planks")]
    Gate,
}
