using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;
using Lowfell.Store;
using Lowfell.Store.Demo;
using Lowfell.Web.Devices;
using Lowfell.Web.Features.Amounts;
using Lowfell.Web.Features.Benches;
using Lowfell.Web.Features.Evenings;
using Lowfell.Web.Features.Health;
using Lowfell.Web.Features.Log;
using Lowfell.Web.Features.Matching;
using Lowfell.Web.Features.Mixes;
using Lowfell.Web.Features.Sets;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;
using Lowfell.Web.Features.Tiles;
using Microsoft.AspNetCore.Http.Json;
using Serilog;
using Serilog.Events;

namespace Lowfell.Web.Hosting;

/// <summary>Puts the host together.</summary>
public static class LowfellHost
{
    private const long MostBodyBytes = 1_000_000;

    /// <summary>Builds the host from the command line and environment.</summary>
    public static WebApplication Build(string[] args)
    {
        var builder = WebApplication.CreateBuilder(args);
        builder.Logging.ClearProviders();
        builder.Services.AddSerilog(log => log
            .MinimumLevel.Information()
            .MinimumLevel.Override("Microsoft", LogEventLevel.Warning)
            .MinimumLevel.Override("Hangfire", LogEventLevel.Warning)
            .MinimumLevel.Override("Microsoft.EntityFrameworkCore", LogEventLevel.Fatal)
            .MinimumLevel.Override("Microsoft.AspNetCore.Diagnostics", LogEventLevel.Fatal)
            .WriteTo.Console(outputTemplate: "{Timestamp:HH:mm:ss} {Level:u3} {Message:lj}{NewLine}{Exception}"));
        builder.WebHost.ConfigureKestrel(o =>
        {
            o.Limits.MaxRequestBodySize = MostBodyBytes;
            o.AddServerHeader = false;
        });
        builder.Services.Configure<HostOptions>(o => o.ShutdownTimeout = TimeSpan.FromSeconds(5));
        builder.Services.AddHttpContextAccessor();
        builder.Services.AddScoped<RequestBench>();
        builder.Services.AddScoped<IBenchScope>(s => s.GetRequiredService<RequestBench>());
        var connection = builder.Configuration.GetConnectionString("Lowfell") ?? "Host=127.0.0.1;Database=lowfell";
        builder.Services.AddLowfellStore(connection);
        builder.Services.AddSingleton(new ShelfNews(connection));
        builder.Services.AddHostedService(s => s.GetRequiredService<ShelfNews>());
        builder.Services.AddSingleton<ShelfCache>();
        builder.Services.AddSingleton<PreviewMemory>();
        builder.Services.AddSingleton(TimeProvider.System);
        builder.Services.AddSingleton<IBenchScale, SimulatedScale>();
        builder.Services.AddSingleton<IColourReader, SimulatedReader>();
        builder.Services.AddSingleton<IRoomSensor, SimulatedRoom>();
        builder.Services.AddHostedService<RoomWatch>();
        builder.Services.AddScoped<PlanDesk>();
        builder.Services.AddJobs(connection);
        builder.Services.AddProblemDetails();
        builder.Services.AddExceptionHandler<ProblemHandler>();
        builder.Services.Configure<RouteHandlerOptions>(o => o.ThrowOnBadRequest = true);
        builder.Services.Configure<JsonOptions>(o => Json(o.SerializerOptions));
        builder.Services.AddOpenApi("v1", OpenApiNames.Configure);
        builder.Services.AddResponseCompression(o => o.EnableForHttps = false);
        return Map(builder.Build());
    }

    /// <summary>How the API reads and writes JSON.</summary>
    public static void Json(JsonSerializerOptions options)
    {
        options.NumberHandling = JsonNumberHandling.Strict;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull;
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
    }

    /// <summary>Brings the database up to date and, unless told otherwise, loads the demo into an empty bench.</summary>
    public static async Task PrepareDatabaseAsync(this WebApplication app)
    {
        // The document generator runs this program without a database.
        if (Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider")
        {
            return;
        }

        await using var scope = app.Services.CreateAsyncScope();
        scope.ServiceProvider.GetRequiredService<RequestBench>().Open(StoreSetup.HomeBenchId);
        var db = scope.ServiceProvider.GetRequiredService<LowfellDb>();
        await StoreSetup.MigrateAsync(db, CancellationToken.None);
        if (app.Configuration.GetValue("Demo", true))
        {
            var now = app.Services.GetRequiredService<TimeProvider>().GetUtcNow();
            if (await DemoLoader.LoadIfEmptyAsync(db, DateOnly.FromDateTime(now.UtcDateTime), CancellationToken.None))
            {
                await DemoHistory.AddAsync(db, scope.ServiceProvider.GetRequiredService<RequestBench>(), scope.ServiceProvider, app.Services.GetRequiredService<ShelfCache>(), now, CancellationToken.None);
            }
        }
    }

    private static WebApplication Map(WebApplication app)
    {
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.Use(SecurityHeaders);
        app.UseMiddleware<BenchGate>();
        app.MapOpenApi("/openapi/{documentName}.json");
        HealthEndpoints.Map(app);
        BenchEndpoints.Map(app);
        SetEndpoints.Map(app);
        PieceEndpoints.Map(app);
        ZoneEndpoints.Map(app);
        SchemeEndpoints.Map(app);
        ShelfEndpoints.Map(app);
        BottleEndpoints.Map(app);
        CalibrationEndpoints.Map(app);
        ShelfFileEndpoints.Map(app);
        AmountEndpoints.Map(app);
        MixEndpoints.Map(app);
        MixRecordEndpoints.Map(app);
        TileEndpoints.Map(app);
        CalendarEndpoints.Map(app);
        PlanEndpoints.Map(app);
        HeldPlanEndpoints.Map(app);
        SolveEndpoints.Map(app);
        LogEndpoints.Map(app);
        PhotoEndpoints.Map(app);
        ProgressEndpoints.Map(app);
        MatchEndpoints.Map(app);
        PreviewEndpoints.Map(app);
        app.MapFallback("/api/{**rest}", () => Results.Problem(statusCode: 404, title: "There is nothing at this address."));
        app.MapStaticAssets();
        app.MapFallbackToFile("index.html");
        return app;
    }

    private static Task SecurityHeaders(HttpContext context, RequestDelegate next)
    {
        var headers = context.Response.Headers;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "no-referrer";
        headers.ContentSecurityPolicy = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; frame-ancestors 'none'";
        return next(context);
    }
}
