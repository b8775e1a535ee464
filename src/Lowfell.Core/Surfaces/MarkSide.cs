using Lowfell.Core.Wording;

namespace Lowfell.Core.Surfaces;

/// <summary>The side of a piece that a mark lies on.</summary>
public enum MarkSide
{
    /// <summary>What looks to the front.</summary>
    [Said("front")]
    Front,

    /// <summary>What looks to the right.</summary>
    [Said("right")]
    Right,

    /// <summary>What looks to the rear.</summary>
    [Said("back")]
    Back,

    /// <summary>What looks to the left.</summary>
    [Said("left")]
    Left,

    /// <summary>What looks up.</summary>
    [Said("top")]
    Top,
}
