using System.Reflection;

namespace Lowfell.Web.Api;

/// <summary>The version that this host is of, as the build wrote it.</summary>
public static class AppVersion
{
    /// <summary>For example "0.10.0".</summary>
    public static string Now { get; } = typeof(AppVersion).Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()!.InformationalVersion;
}
