using System.Security.Cryptography;

namespace Lowfell.Web.Host;

/// <summary>What every answer tells a browser of what it may do, and the page itself with its nonce.</summary>
internal static class PageHeaders
{
    /// <summary>Where the page has its nonce written in, as it is built.</summary>
    private const string Place = "nonce-of-this-answer";

    private const string NonceKey = "nonce";
    private const int NonceBytes = 18;
    private const string YearSeconds = "max-age=31536000";

    /// <summary>Sets the headers.</summary>
    public static Task Set(HttpContext context, RequestDelegate next)
    {
        var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(NonceBytes));
        context.Items[NonceKey] = nonce;
        var headers = context.Response.Headers;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "no-referrer";
        headers["Permissions-Policy"] = "camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=(), bluetooth=(), midi=(), display-capture=()";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        headers.ContentSecurityPolicy = $"default-src 'self'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data: blob:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
        if (context.Request.IsHttps)
        {
            headers.StrictTransportSecurity = YearSeconds;
        }

        if (context.Request.Path.StartsWithSegments("/api"))
        {
            // An endpoint that knows better says so itself.
            headers.CacheControl = "no-store";
        }

        return next(context);
    }

    /// <summary>The page, with the nonce of this answer: what it puts in as a style has to bear it.</summary>
    public static void MapPage(this WebApplication app)
    {
        string? page = null;
        app.MapFallback(async context =>
        {
            if (page is null)
            {
                var built = app.Environment.WebRootFileProvider.GetFileInfo("index.html");
                if (!built.Exists)
                {
                    context.Response.StatusCode = StatusCodes.Status404NotFound;
                    return;
                }

                using var file = new StreamReader(built.CreateReadStream());
                page = await file.ReadToEndAsync(context.RequestAborted);
            }

            context.Response.ContentType = "text/html; charset=utf-8";
            context.Response.Headers.CacheControl = "no-store";
            await context.Response.WriteAsync(page.Replace(Place, (string)context.Items[NonceKey]!, StringComparison.Ordinal), context.RequestAborted);
        });
    }
}
