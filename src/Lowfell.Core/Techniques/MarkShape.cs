namespace Lowfell.Core.Techniques;

/// <summary>How a single mark is drawn.</summary>
public enum MarkShape
{
    /// <summary>Drawn down: widest above, thin and faint at its foot.</summary>
    Streak,

    /// <summary>A ragged spot.</summary>
    Chip,

    /// <summary>A round spot.</summary>
    Dot,

    /// <summary>A line of one width.</summary>
    Line,

    /// <summary>A strip whose two long borders are soft and wander a little.</summary>
    Band,
}
