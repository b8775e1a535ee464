using Lowfell.Web.Features.Search;
using Lowfell.Web.Features.Bin;
using Lowfell.Web.Jobs;
using Lowfell.Store;
using Lowfell.Store.Backups;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Devices;
using Lowfell.Web.Features.Amounts;
using Lowfell.Web.Features.Bases;
using Lowfell.Web.Features.Begin;
using Lowfell.Web.Features.Benches;
using Lowfell.Web.Features.Boards;
using Lowfell.Web.Features.Craft;
using Lowfell.Web.Features.Evenings;
using Lowfell.Web.Features.Health;
using Lowfell.Web.Features.Log;
using Lowfell.Web.Features.Looks;
using Lowfell.Web.Features.Matching;
using Lowfell.Web.Features.References;
using Lowfell.Web.Features.Mend;
using Lowfell.Web.Features.Mixes;
using Lowfell.Web.Features.Sets;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Sight;
using Lowfell.Web.Features.Stack;
using Lowfell.Web.Features.Tiles;
using Lowfell.Web.Features.Weathering;
using Microsoft.AspNetCore.Http.Json;
using Hangfire;

namespace Lowfell.Web.Host;

/// <summary>Puts the host together.</summary>
public static class LowfellHost
{
    private const long MostBodyBytes = 1_000_000;

    /// <summary>Builds the host from the command line and environment.</summary>
    public static WebApplication Build(string[] args)
    {
        var builder = WebApplication.CreateBuilder(args);
        builder.AddLog();
        builder.AddTelemetry();
        builder.WebHost.ConfigureKestrel(o =>
        {
            o.Limits.MaxRequestBodySize = MostBodyBytes;
            o.AddServerHeader = false;
        });
        builder.Services.Configure<HostOptions>(o => o.ShutdownTimeout = TimeSpan.FromSeconds(5));
        builder.Services.AddHttpContextAccessor();
        builder.Services.AddScoped<OpenBench>();
        builder.Services.AddScoped<IBenchScope>(s => s.GetRequiredService<OpenBench>());
        var connection = BackupCommands.Connection(builder.Configuration);
        builder.Services.AddSingleton<SlowQueries>();
        builder.Services.AddSingleton<SlowJobs>();
        builder.Services.AddLowfellStore(connection, s => [s.GetRequiredService<SlowQueries>()]);
        builder.Services.AddSingleton(s => new BackupDesk(BackupCommands.Place(builder.Configuration, builder.Environment.ContentRootPath), s.GetRequiredService<TimeProvider>()));
        builder.Services.AddSingleton<Readiness>();
        builder.Services.AddHostedService<Preparation>();
        builder.Services.AddSingleton(s => new ShelfNews(connection, s.GetRequiredService<Readiness>()));
        builder.Services.AddHostedService(s => s.GetRequiredService<ShelfNews>());
        builder.Services.AddSingleton<ShelfCache>();
        builder.Services.AddSingleton<PreviewMemory>();
        builder.Services.AddSingleton(TimeProvider.System);
        builder.Services.AddScoped<DeviceMemory>();
        builder.Services.AddScoped<IBenchScale, SimulatedScale>();
        builder.Services.AddScoped<IColourReader, SimulatedReader>();
        builder.Services.AddSingleton<IRoomSensor, SimulatedRoom>();
        builder.Services.AddHostedService<RoomWatch>();
        builder.Services.AddHostedService<BinWatch>();
        builder.Services.AddSingleton<IDemoFiller, DemoFiller>();
        builder.Services.AddScoped<OtherBench>();
        builder.Services.AddScoped<PaintDesk>();
        builder.Services.AddScoped<BeginDesk>();
        builder.Services.AddScoped<SentActions>();
        builder.Services.AddScoped<LogDesk>();
        builder.Services.AddScoped<CaseReader>();
        builder.Services.AddScoped<RepairDesk>();
        builder.Services.AddScoped<AmountDesk>();
        builder.Services.AddScoped<PlanDesk>();
        builder.Services.AddScoped<TrayDesk>();
        builder.Services.AddSingleton<LayoutMemory>();
        builder.Services.AddScoped<WeatheringDesk>();
        builder.Services.AddScoped<LookDesk>();
        builder.Services.AddScoped<ReferenceDesk>();
        builder.Services.AddSingleton<LookQueue>();
        builder.Services.AddSingleton<LookWorks>();
        builder.Services.AddSingleton<MeshMemory>();
        builder.Services.AddSingleton<PlanKeep>();
        builder.Services.AddScoped<SetStamps>();
        builder.Services.AddScoped<SetCards>();
        builder.Services.AddSingleton<StampQueue>();
        builder.Services.AddJobs(connection, s => s.GetRequiredService<SlowJobs>());
        builder.Services.AddSingleton(WatchedJobs.Of<SolveRow>((jobs, row) => jobs.Enqueue<SolveJob>(j => j.RunAsync(row.BenchId, row.Id, CancellationToken.None)), "Hosts were lost over this search; the plan at once still stands."));
        builder.Services.AddSingleton(WatchedJobs.Of<TrayRollRow>((jobs, row) => jobs.Enqueue<TrayJob>(j => j.RunAsync(row.BenchId, row.Id, CancellationToken.None)), "Hosts were lost over this roll; the tray is as it was. Roll it again."));
        builder.Services.AddRateLimits();
        builder.Services.AddProblemDetails();
        builder.Services.AddExceptionHandler<ProblemHandler>();
        builder.Services.Configure<RouteHandlerOptions>(o => o.ThrowOnBadRequest = true);
        builder.Services.Configure<JsonOptions>(o => ApiJson.Configure(o.SerializerOptions));
        builder.Services.AddOpenApi("v1", OpenApiNames.Configure);
        builder.Services.AddResponseCompression(o => o.EnableForHttps = false);
        return Map(builder.Build());
    }

    private static WebApplication Map(WebApplication app)
    {
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.Use(PageHeaders.Set);
        app.UseMiddleware<SiteGate>();
        app.UseRateLimiter();
        app.UseMiddleware<ReadyGate>();
        app.UseMiddleware<BenchGate>();

        // What is looked at comes small over a slow network; what is asked on every keystroke does not wait for it.
        app.UseWhen(c => HttpMethods.IsGet(c.Request.Method) && c.Request.Path.StartsWithSegments("/api"), branch => branch.UseResponseCompression());
        app.MapOpenApi("/openapi/{documentName}.json");

        // Whatever is sent is held to its bounds before any endpoint sees it.
        var bound = app.MapGroup("").AddEndpointFilterFactory(Bounds.Filter);
        HealthEndpoints.Map(bound);
        LicenceEndpoints.Map(bound);
        BenchEndpoints.Map(bound);
        CraftEndpoints.Map(bound);
        SetEndpoints.Map(bound);
        PieceEndpoints.Map(bound);
        PasteEndpoints.Map(bound);
        ZoneEndpoints.Map(bound);
        SchemeEndpoints.Map(bound);
        ShelfEndpoints.Map(bound);
        BottleEndpoints.Map(bound);
        CalibrationEndpoints.Map(bound);
        ShelfFileEndpoints.Map(bound);
        PaintPasteEndpoints.Map(bound);
        BeginEndpoints.Map(bound);
        ReadyEndpoints.Map(bound);
        GroundEndpoints.Map(bound);
        AmountEndpoints.Map(bound);
        MixEndpoints.Map(bound);
        MixRecordEndpoints.Map(bound);
        TileEndpoints.Map(bound);
        CalendarEndpoints.Map(bound);
        PlanEndpoints.Map(bound);
        HeldPlanEndpoints.Map(bound);
        SolveEndpoints.Map(bound);
        FirstCopyEndpoints.Map(bound);
        LogEndpoints.Map(bound);
        PhotoEndpoints.Map(bound);
        ProgressEndpoints.Map(bound);
        MatchEndpoints.Map(bound);
        ReferenceEndpoints.Map(bound);
        FewerEndpoints.Map(bound);
        SearchEndpoints.Map(bound);
        BinEndpoints.Map(bound);
        FamilyEndpoints.Map(bound);
        TrayEndpoints.Map(bound);
        TraySheets.Map(bound);
        TrayFiles.Map(bound);
        TraySteps.Map(bound);
        TrayRim.Map(bound);
        BoardEndpoints.Map(bound);
        WeatheringEndpoints.Map(bound);
        LookEndpoints.Map(bound);
        SightEndpoints.Map(bound);
        StairEndpoints.Map(bound);
        SightTrial.Map(bound);
        SetSightEndpoints.Map(bound);
        SightChangeEndpoints.Map(bound);
        TableCheckEndpoints.Map(bound);
        MendEndpoints.Map(bound);
        CrackleEndpoints.Map(bound);
        TrayDust.Map(bound);
        PreviewEndpoints.Map(bound);
        app.MapFallback("/api/{**rest}", () => Problems.Of(ProblemCode.NoSuchAddress, "There is nothing at this address."));
        app.MapStaticAssets();
        app.MapPage();
        return app;
    }
}
