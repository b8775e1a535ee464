using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace Lowfell.Drill;

/// <summary>What the drill works on: the built host, a cluster of its own, and the command that keeps the cluster.</summary>
/// <param name="App">The built host.</param>
/// <param name="Lowfell">The command of this checkout.</param>
/// <param name="Serving">Connection of the role that serves, without a database.</param>
/// <param name="Owner">Connection of the owner, without a database.</param>
/// <param name="Folder">Where what the drill makes is put.</param>
internal sealed record Place(string App, string Lowfell, string Serving, string Owner, string Folder)
{
    /// <summary>As the command tells it.</summary>
    public static Place FromEnvironment()
    {
        static string Told(string name) => Environment.GetEnvironmentVariable(name) ?? throw new InvalidOperationException($"{name} is missing: run this with ./lowfell drill.");
        return new(Told("DRILL_APP"), Told("DRILL_LOWFELL"), Told("DRILL_SERVING"), Told("DRILL_OWNER"), Told("DRILL_FOLDER"));
    }

    /// <summary>The database is killed, as by a machine that loses its power: nothing is put in order.</summary>
    public void KillDatabase() => Run(Lowfell, "drill", "--kill-database");

    /// <summary>The database is started where it was.</summary>
    public void StartDatabase() => Run(Lowfell, "drill", "--start-database");

    /// <summary>A port that nobody listens on.</summary>
    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    private static void Run(string program, params string[] arguments)
    {
        using var process = Process.Start(new ProcessStartInfo(program, arguments) { RedirectStandardOutput = true })!;
        process.WaitForExit();
        if (process.ExitCode != 0)
        {
            throw new InvalidOperationException($"{string.Join(' ', arguments)} ended with {process.ExitCode}.");
        }
    }
}
