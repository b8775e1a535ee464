using System.Data.Common;
using System.Diagnostics;
using Hangfire.Server;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Npgsql;
using OpenTelemetry.Metrics;
using OpenTelemetry.Trace;
using Serilog;
using Serilog.Events;
using Serilog.Formatting.Compact;

namespace Lowfell.Web.Host;

/// <summary>What a host tells of itself: a log for whoever sits at it, the same as JSON in a folder, and figures and traces for a collector where one is named.</summary>
internal static class Watching
{
    private const int MostFileBytes = 10_000_000;
    private const int MostFiles = 7;

    /// <summary>Where a collector of OpenTelemetry listens; without it nothing is measured or sent.</summary>
    private const string Collector = "OTEL_EXPORTER_OTLP_ENDPOINT";

    /// <summary>Adds the log.</summary>
    public static void AddLog(this WebApplicationBuilder builder)
    {
        builder.Logging.ClearProviders();
        builder.Services.AddSerilog(log =>
        {
            log.MinimumLevel.Information()
                .MinimumLevel.Override("Microsoft", LogEventLevel.Warning)
                .MinimumLevel.Override("Hangfire", LogEventLevel.Warning)
                .MinimumLevel.Override("Microsoft.EntityFrameworkCore", LogEventLevel.Fatal)
                .MinimumLevel.Override("Microsoft.AspNetCore.Diagnostics", LogEventLevel.Fatal)
                .Enrich.FromLogContext()
                .WriteTo.Console(outputTemplate: "{Timestamp:HH:mm:ss} {Level:u3} {Message:lj}{NewLine}{Exception}");
            if (builder.Configuration["Log:Folder"] is { Length: > 0 } folder)
            {
                // Two hosts write beside each other.
                log.WriteTo.File(
                    new CompactJsonFormatter(), Path.Combine(folder, $"lowfell-{Environment.ProcessId}-.json"), rollingInterval: RollingInterval.Day, fileSizeLimitBytes: MostFileBytes, rollOnFileSizeLimit: true, retainedFileCountLimit: MostFiles);
            }
        });
    }

    /// <summary>Adds figures and traces, where somebody listens.</summary>
    public static void AddTelemetry(this WebApplicationBuilder builder)
    {
        if (builder.Configuration[Collector] is not { Length: > 0 })
        {
            return;
        }

        builder.Services.AddOpenTelemetry()
            .WithMetrics(m => m.AddAspNetCoreInstrumentation().AddRuntimeInstrumentation().AddMeter("Npgsql").AddOtlpExporter())
            .WithTracing(t => t.AddAspNetCoreInstrumentation(o => o.Filter = IsTold).AddNpgsql().AddOtlpExporter());
    }

    // The address of the feed is a secret, and a trace tells addresses.
    private static bool IsTold(HttpContext context) => !context.Request.Path.StartsWithSegments("/api/plan/feed");
}

/// <summary>Notes what keeps the database busy for long: the statement without what was asked for, as figures and names are parameters.</summary>
/// <param name="log">Log.</param>
internal sealed class SlowQueries(ILogger<SlowQueries> log) : DbCommandInterceptor
{
    private static readonly TimeSpan Slow = TimeSpan.FromMilliseconds(500);
    private const int MostSaid = 400;

    /// <inheritdoc/>
    public override DbDataReader ReaderExecuted(DbCommand command, CommandExecutedEventData eventData, DbDataReader result)
    {
        Note(command, eventData.Duration);
        return base.ReaderExecuted(command, eventData, result);
    }

    /// <inheritdoc/>
    public override ValueTask<DbDataReader> ReaderExecutedAsync(DbCommand command, CommandExecutedEventData eventData, DbDataReader result, CancellationToken cancellationToken = default)
    {
        Note(command, eventData.Duration);
        return base.ReaderExecutedAsync(command, eventData, result, cancellationToken);
    }

    /// <inheritdoc/>
    public override ValueTask<int> NonQueryExecutedAsync(DbCommand command, CommandExecutedEventData eventData, int result, CancellationToken cancellationToken = default)
    {
        Note(command, eventData.Duration);
        return base.NonQueryExecutedAsync(command, eventData, result, cancellationToken);
    }

    private void Note(DbCommand command, TimeSpan took)
    {
        if (took > Slow)
        {
            log.LogWarning("A query took {Took:0} ms: {Query}", took.TotalMilliseconds, command.CommandText.Length > MostSaid ? command.CommandText[..MostSaid] + "…" : command.CommandText);
        }
    }
}

/// <summary>Notes how long jobs took that took long.</summary>
/// <param name="log">Log.</param>
internal sealed class SlowJobs(ILogger<SlowJobs> log) : IServerFilter
{
    private static readonly TimeSpan Slow = TimeSpan.FromSeconds(10);
    private const string Begun = "begun";

    /// <inheritdoc/>
    public void OnPerforming(PerformingContext context) => context.Items[Begun] = Stopwatch.GetTimestamp();

    /// <inheritdoc/>
    public void OnPerformed(PerformedContext context)
    {
        if (context.Items.TryGetValue(Begun, out var begun) && Stopwatch.GetElapsedTime((long)begun) is var took && took > Slow)
        {
            log.LogInformation("The job {Job} took {Took:0.0} s", context.BackgroundJob.Job.Type.Name, took.TotalSeconds);
        }
    }
}
