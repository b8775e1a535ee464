namespace Lowfell.Core.Tests;

/// <summary>How often a property is tried: usually as often as every run can bear, and far more often with <c>./lowfell test --long</c>.</summary>
internal static class Long
{
    /// <summary>So many times as usual in a long run.</summary>
    public const int More = 20;

    /// <summary>Whether this is a long run.</summary>
    public static bool Run { get; } = Environment.GetEnvironmentVariable("LOWFELL_LONG") == "1";

    /// <summary>Times to try something.</summary>
    public static int Times(int usually) => Run ? usually * More : usually;
}
