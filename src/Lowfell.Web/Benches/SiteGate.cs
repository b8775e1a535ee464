using Lowfell.Web.Api;

namespace Lowfell.Web.Benches;

/// <summary>
/// Refuses what changes something and comes from a page of another site: such a page can't read the answers, but without this it could send.
/// A browser says where a request comes from (Sec-Fetch-Site, W3C Fetch Metadata; Origin, RFC 6454); a program that says nothing is on this machine.
/// </summary>
/// <param name="next">The rest of the pipeline.</param>
public sealed class SiteGate(RequestDelegate next)
{
    /// <summary>Lets through or refuses.</summary>
    public Task InvokeAsync(HttpContext context) =>
        IsReading(context.Request.Method) || IsOwn(context.Request)
            ? next(context)
            : Problems.Of(ProblemCode.OtherSite, "A page of another site asked for a change.", "Open Lowfell itself and change it there.").ExecuteAsync(context);

    private static bool IsReading(string method) => HttpMethods.IsGet(method) || HttpMethods.IsHead(method) || HttpMethods.IsOptions(method);

    private static bool IsOwn(HttpRequest request)
    {
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        if (site.Length > 0 && site is not ("same-origin" or "none"))
        {
            return false;
        }

        var origin = request.Headers.Origin.ToString();
        return origin.Length == 0 || (Uri.TryCreate(origin, UriKind.Absolute, out var from) && string.Equals(from.Authority, request.Host.Value, StringComparison.OrdinalIgnoreCase) && string.Equals(from.Scheme, request.Scheme, StringComparison.OrdinalIgnoreCase));
    }
}
