using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.EntityFrameworkCore;
using System.Net;

namespace Lowfell.Web.Benches;

/// <summary>
/// Decides which bench a request works on. Until accounts come there is the home bench and another beside it (one holds the demo, the other is one's own), open without a password to this machine
/// alone: the connection and the name that was asked for must both be loopback, so that neither a neighbour on the network nor a
/// foreign page that points its name here gets in.
/// </summary>
/// <param name="next">The rest of the pipeline.</param>
public sealed class BenchGate(RequestDelegate next)
{
    /// <summary>Names the bench that a browser has open.</summary>
    public const string Cookie = "lowfell-bench";

    /// <summary>What the cookie says of the other bench; anything else is the home bench.</summary>
    public const string OtherWord = "other";

    private static readonly HashSet<string> Proxies = new(StringComparer.OrdinalIgnoreCase) { "Forwarded", "Via", "X-Real-IP", "X-Client-IP", "CF-Connecting-IP", "True-Client-IP" };

    // Once it is there it stays.
    private volatile bool otherIsThere;

    /// <summary>Opens the bench or refuses.</summary>
    public async Task InvokeAsync(HttpContext context, OpenBench bench)
    {
        if (!context.Request.Path.StartsWithSegments("/api") || context.Request.Path.StartsWithSegments("/api/health"))
        {
            await next(context);
        }
        else if (IsLoopback(context))
        {
            bench.Open(await WantsOtherAsync(context, bench) ? OpenBench.Other : OpenBench.Home);
            await next(context);
        }
        else
        {
            await Problems.Of(ProblemCode.NotHere, "This bench opens only on its own machine.", "Open Lowfell at http://127.0.0.1 on the machine that runs it.").ExecuteAsync(context);
        }
    }

    // A browser may have the other bench open from before a backup was restored or everything was begun anew: then it is on the home bench again.
    private async Task<bool> WantsOtherAsync(HttpContext context, OpenBench bench)
    {
        if (context.Request.Cookies[Cookie] != OtherWord)
        {
            return false;
        }

        if (!otherIsThere)
        {
            bench.Open(OpenBench.Home);
            otherIsThere = await context.RequestServices.GetRequiredService<LowfellDb>().Benches.AnyAsync(b => b.Id == OpenBench.Other, context.RequestAborted);
        }

        return otherIsThere;
    }

    private static bool IsLoopback(HttpContext context)
    {
        // The test server has no connection and so no address.
        var address = context.Connection.RemoteIpAddress;
        var host = context.Request.Host.Host.TrimEnd('.');
        return (address is null || IPAddress.IsLoopback(address))
            && !context.Request.Headers.Keys.Any(IsOfProxy)
            && (string.Equals(host, "localhost", StringComparison.OrdinalIgnoreCase) || (IPAddress.TryParse(host.Trim('[', ']'), out var named) && IPAddress.IsLoopback(named)));
    }

    // What a proxy puts on what it passes on: whoever asked it is not on this machine, as far as anyone can tell.
    private static bool IsOfProxy(string header) =>
        Proxies.Contains(header) || header.StartsWith("X-Forwarded-", StringComparison.OrdinalIgnoreCase);
}
