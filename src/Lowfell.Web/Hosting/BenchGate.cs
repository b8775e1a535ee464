using System.Net;
using Lowfell.Store;

namespace Lowfell.Web.Hosting;

/// <summary>The bench that a request has opened.</summary>
public sealed class RequestBench : IBenchScope
{
    /// <inheritdoc/>
    public Guid BenchId { get; private set; }

    /// <summary>Opens a bench for the rest of the request.</summary>
    public void Open(Guid benchId) => BenchId = benchId;
}

/// <summary>
/// Decides which bench a request works on. Until accounts come there is the home bench, open without a password to this machine
/// alone: the connection and the name that was asked for must both be loopback, so that neither a neighbour on the network nor a
/// foreign page that points its name here gets in.
/// </summary>
/// <param name="next">The rest of the pipeline.</param>
public sealed class BenchGate(RequestDelegate next)
{
    /// <summary>Opens the bench or refuses.</summary>
    public Task InvokeAsync(HttpContext context, RequestBench bench)
    {
        if (!context.Request.Path.StartsWithSegments("/api") || context.Request.Path.StartsWithSegments("/api/health"))
        {
            return next(context);
        }

        if (IsLoopback(context))
        {
            bench.Open(StoreSetup.HomeBenchId);
            return next(context);
        }

        return Results.Problem(
            statusCode: StatusCodes.Status401Unauthorized,
            title: "This bench opens only on its own machine.",
            detail: "Open Lowfell at http://127.0.0.1 on the machine that runs it.").ExecuteAsync(context);
    }

    private static bool IsLoopback(HttpContext context)
    {
        // The test server has no connection and so no address.
        var address = context.Connection.RemoteIpAddress;
        var host = context.Request.Host.Host;
        return (address is null || IPAddress.IsLoopback(address))
            && !context.Request.Headers.ContainsKey("X-Forwarded-For")
            && (host == "localhost" || (IPAddress.TryParse(host.Trim('[', ']'), out var named) && IPAddress.IsLoopback(named)));
    }
}
