namespace Lowfell.Core.Materials;

/// <summary>What an open bottle comes to.</summary>
public static class OpenBottles
{
    // After so many months a skin, a lump or a smell is no wonder. Craft estimate.
    private const int TestAfterMonths = 12;

    /// <summary>Whether what is in a bottle should be shaken and tried on a scrap before it is used.</summary>
    /// <param name="opened">The day on which it was opened.</param>
    /// <param name="today">Today.</param>
    public static bool WantsTest(DateOnly opened, DateOnly today) => opened <= today.AddMonths(-TestAfterMonths);
}
