using System.Globalization;
using System.Threading.RateLimiting;
using Lowfell.Web.Api;

namespace Lowfell.Web.Host;

/// <summary>
/// How often what costs much, or guards a secret, may be asked. Each kind has a bucket of tokens for the whole host; a painter with
/// several windows never comes near, a loop that runs away or a guess at a key is slowed down and told when to come again.
/// </summary>
internal static class RateLimits
{
    /// <summary>One kind of request.</summary>
    /// <param name="Name">Name.</param>
    /// <param name="Burst">So many at once.</param>
    /// <param name="PerSecond">So many a second, for as long as one likes.</param>
    internal sealed record Kind(string Name, int Burst, double PerSecond);

    /// <summary>The address of the calendar feed, whose key must not be guessed.</summary>
    internal static readonly Kind Feed = new("feed", 20, 0.5);

    /// <summary>Pictures.</summary>
    internal static readonly Kind Uploads = new("uploads", 40, 1);

    /// <summary>Files and pasted lists.</summary>
    internal static readonly Kind Imports = new("imports", 300, 20);

    /// <summary>Searches for names, and for better plans.</summary>
    internal static readonly Kind Searches = new("searches", 120, 30);

    /// <summary>Previews, as they follow each keystroke.</summary>
    internal static readonly Kind Previews = new("previews", 1_000, 500);

    private static readonly TokenBucketRateLimiterOptions Shape = new() { QueueLimit = 0, AutoReplenishment = true };

    /// <summary>Adds them.</summary>
    public static void AddRateLimits(this IServiceCollection services) => services.AddRateLimiter(o =>
    {
        o.GlobalLimiter = PartitionedRateLimiter.Create<HttpContext, string>(context => KindOf(context.Request) is { } kind
            ? RateLimitPartition.GetTokenBucketLimiter(kind.Name, _ => new()
            {
                TokenLimit = kind.Burst,
                QueueLimit = Shape.QueueLimit,
                AutoReplenishment = Shape.AutoReplenishment,
                TokensPerPeriod = (int)Math.Max(1, kind.PerSecond),
                ReplenishmentPeriod = TimeSpan.FromSeconds(Math.Max(1, 1 / kind.PerSecond)),
            })
            : RateLimitPartition.GetNoLimiter("other"));
        o.OnRejected = async (rejected, cancel) =>
        {
            var wait = rejected.Lease.TryGetMetadata(MetadataName.RetryAfter, out var after) ? Math.Max(1, Math.Ceiling(after.TotalSeconds)) : 1;
            rejected.HttpContext.Response.Headers.RetryAfter = wait.ToString(CultureInfo.InvariantCulture);
            await Problems.Of(ProblemCode.TooMuch, "Wait a moment: this was asked too often.", $"Ask again in {wait:0} s.").ExecuteAsync(rejected.HttpContext);
        };
    });

    /// <summary>What kind a request is; null for what may be asked as often as one likes.</summary>
    internal static Kind? KindOf(HttpRequest request)
    {
        var path = request.Path;
        var reads = HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method);
        return path.StartsWithSegments("/api/preview") ? Previews
            : reads && path.StartsWithSegments("/api/plan/feed", out var key) && key.HasValue && key.Value!.Length > 1 ? Feed
            : !reads && path.StartsWithSegments("/api/photos") ? Uploads
            : !reads && IsImport(path) ? Imports
            : path.StartsWithSegments("/api/search") || (!reads && path.StartsWithSegments("/api/plan/solves")) ? Searches
            : null;
    }

    private static bool IsImport(PathString path) =>
        path.StartsWithSegments("/api/shelf") || path.StartsWithSegments("/api/begin") || path.StartsWithSegments("/api/ready/file") || path.Value!.EndsWith("/tray/file", StringComparison.Ordinal) || path.Value.EndsWith("/pieces/paste", StringComparison.Ordinal);
}
