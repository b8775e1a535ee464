namespace Lowfell.Core.Stacks;

/// <summary>Changes of a stack that follow each other closely are one sitting: what stood before it is a version worth going back to, not each keystroke.</summary>
public static class Sitting
{
    /// <summary>As long as a painter may stop to look or mix without having left.</summary>
    public static readonly TimeSpan Pause = TimeSpan.FromMinutes(10);

    /// <summary>Whether a change begins another sitting than the change before it.</summary>
    /// <param name="before">When the stack was changed last; null where that is not known.</param>
    /// <param name="now">The change.</param>
    public static bool IsAnother(DateTimeOffset? before, DateTimeOffset now) => before is not { } at || now - at > Pause || now < at;
}
