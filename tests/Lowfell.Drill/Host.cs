using System.Diagnostics;
using System.Globalization;

namespace Lowfell.Drill;

/// <summary>A host as a process of its own, which is killed and started again on its port.</summary>
internal sealed class Host : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(90);
    private readonly Place place;
    private readonly string database;
    private Process? process;

    public Host(Place place, string database, bool demo = true)
    {
        (this.place, this.database, Demo, Port) = (place, database, demo, Place.FreePort());
        Http = new() { BaseAddress = new($"http://127.0.0.1:{Port}"), Timeout = TimeSpan.FromSeconds(20) };
    }

    /// <summary>Whether it loads the demo.</summary>
    public bool Demo { get; }

    /// <summary>Where it listens.</summary>
    public int Port { get; }

    /// <summary>A client of it.</summary>
    public HttpClient Http { get; }

    /// <summary>Starts it, without waiting.</summary>
    public void Start()
    {
        process?.Dispose();
        var start = new ProcessStartInfo("dotnet", [place.App, "--contentRoot", Path.GetDirectoryName(place.App)!, "--urls", Http.BaseAddress!.ToString()]) { RedirectStandardOutput = true };
        start.Environment["ConnectionStrings__Lowfell"] = $"{place.Serving};Database={database}";
        start.Environment["ConnectionStrings__Owner"] = $"{place.Owner};Database={database}";
        start.Environment["Demo"] = Demo ? "true" : "false";
        start.Environment["Backups__Folder"] = Path.Combine(place.Folder, "backups");
        start.Environment["Log__Folder"] = Path.Combine(place.Folder, "log");
        process = Process.Start(start)!;
        process.OutputDataReceived += (_, _) => { };
        process.BeginOutputReadLine();
    }

    /// <summary>Waits until it serves.</summary>
    /// <returns>How long that took.</returns>
    public async Task<TimeSpan> ReadyAsync()
    {
        var clock = Stopwatch.StartNew();
        while (clock.Elapsed < Patience)
        {
            if (process!.HasExited)
            {
                throw new DrillException($"The host on port {Port} ended by itself with {process.ExitCode}.");
            }

            try
            {
                using var answer = await Http.GetAsync(new Uri("/api/health/ready", UriKind.Relative));
                if (answer.IsSuccessStatusCode)
                {
                    return clock.Elapsed;
                }
            }
            catch (Exception e) when (e is HttpRequestException or TaskCanceledException)
            {
                // Not yet.
            }

            await Task.Delay(20);
        }

        throw new DrillException($"The host on port {Port} did not serve within {Patience.TotalSeconds:0} s.");
    }

    /// <summary>Kills it: nothing is put in order.</summary>
    public void Kill()
    {
        process!.Kill();
        process.WaitForExit();
    }

    /// <summary>Asks it to stop.</summary>
    /// <returns>Its exit code, and how long it took.</returns>
    public (int Code, TimeSpan Took) Stop()
    {
        var clock = Stopwatch.StartNew();
        using (var ask = Process.Start("kill", ["-TERM", process!.Id.ToString(CultureInfo.InvariantCulture)]))
        {
            ask.WaitForExit();
        }

        process.WaitForExit();
        return (process.ExitCode, clock.Elapsed);
    }

    /// <summary>Its working set, MB.</summary>
    public double WorkingSetMb()
    {
        process!.Refresh();
        return process.WorkingSet64 / 1e6;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        if (process is { HasExited: false })
        {
            Kill();
        }

        process?.Dispose();
        Http.Dispose();
    }
}

/// <summary>The drill has found something that must not be.</summary>
/// <param name="message">What.</param>
internal sealed class DrillException(string message) : Exception(message);
