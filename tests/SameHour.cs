using System.Globalization;

namespace Lowfell.Tests;

/// <summary>
/// The demo's evenings are at half past seven of the calendar's zone: in the zone where it is just past five now, an
/// evening always lies ahead, whenever the tests run.
/// </summary>
internal static class SameHour
{
    private const int Hour = 17;

    /// <summary>The statement that moves every bench of a database there.</summary>
    public static string Statement => $"UPDATE benches SET \"TimeZone\" = '{Zone}'";

    private static string Zone
    {
        get
        {
            // Zones of the IANA database reach from twelve hours behind UTC to fourteen ahead, their names with the sign turned.
            var ahead = Hour - DateTime.UtcNow.Hour;
            return "Etc/GMT" + (ahead > 12 ? 24 - ahead : -ahead).ToString("+0;-0;+0", CultureInfo.InvariantCulture);
        }
    }
}
