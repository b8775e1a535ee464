using System.Diagnostics;
using System.Net.Sockets;
using System.Text.Json;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Lowfell.Web.Api;

/// <summary>Turns exceptions into problem details (RFC 9457) that say what the painter or client can do about it.</summary>
/// <param name="log">Where what nobody foresaw is written.</param>
public sealed class ProblemHandler(ILogger<ProblemHandler> log) : IExceptionHandler
{
    /// <inheritdoc/>
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        if (exception is OperationCanceledException && httpContext.RequestAborted.IsCancellationRequested)
        {
            httpContext.Response.StatusCode = 499;
            return true;
        }

        var problem = exception switch
        {
            RefusedException refused => Problems.Of(refused.Code, "Some of what was sent can't be taken.", refused.Errors, refused.Status),
            BadHttpRequestException bad => Unreadable(bad),
            InvalidOperationException { Message: var said } when said.Contains("charset", StringComparison.Ordinal) && said.Contains("not a known encoding", StringComparison.Ordinal) =>
                Problems.Of(ProblemCode.Unreadable, "The request can't be read.", "It says that it is written in a charset that nobody knows; send UTF-8.", StatusCodes.Status415UnsupportedMediaType),
            DbUpdateConcurrencyException => Problems.Of(ProblemCode.Stale, "Somebody else changed this meanwhile.", "Load it again, then make your change."),
            DbUpdateException { InnerException: PostgresException { SqlState: PostgresErrorCodes.UniqueViolation } } =>
                Problems.Of(ProblemCode.Taken, "The name is taken.", new Dictionary<string, string[]> { ["name"] = ["This name is taken; choose another."] }),
            DbUpdateException { InnerException: PostgresException { SqlState: PostgresErrorCodes.ForeignKeyViolation } } =>
                Problems.Of(ProblemCode.InUse, "Something still uses this.", "Take it out of the stacks and mixes that use it first."),
            KeptByNewerException newer => Problems.Of(ProblemCode.Unreadable, "Something here was kept by a newer Lowfell.", newer.Message, StatusCodes.Status500InternalServerError),
            BeingMadeException => BeingMade(httpContext),
            _ when IsDatabaseAway(exception) => Away(httpContext),
            _ => null,
        };
        if (problem is null)
        {
            // By its pattern, not as it was asked for: an address may hold a key.
            var place = (httpContext.Features.Get<IExceptionHandlerFeature>()?.Endpoint as RouteEndpoint)?.RoutePattern.RawText ?? "an address that is none";
            log.LogError(exception, "{Method} {Path} failed, trace {Trace}", httpContext.Request.Method, place, Activity.Current?.Id ?? httpContext.TraceIdentifier);
            problem = Problems.Of(ProblemCode.Failed, "Lowfell has failed here.", "Nothing was stored. The log of the host says more.");
        }

        await problem.ExecuteAsync(httpContext);
        return true;
    }

    /// <summary>Whether an exception means that the database cannot be reached now.</summary>
    public static bool IsDatabaseAway(Exception? exception) => exception switch
    {
        null => false,
        SocketException or TimeoutException => true,
        PostgresException p => p.SqlState.StartsWith("57P", StringComparison.Ordinal) || p.SqlState.StartsWith("08", StringComparison.Ordinal) || p.SqlState == "53300",
        NpgsqlException { InnerException: IOException or SocketException or TimeoutException or EndOfStreamException } => true,
        _ => IsDatabaseAway(exception.InnerException),
    };

    private static IResult Away(HttpContext context)
    {
        context.Response.Headers.RetryAfter = "2";
        return Problems.Of(ProblemCode.DatabaseAway, "The database is away.", "Nothing was lost. Lowfell tries again by itself.");
    }

    private static IResult BeingMade(HttpContext context)
    {
        context.Response.Headers.RetryAfter = "1";
        context.Response.Headers.CacheControl = "no-store";
        return Problems.Of(ProblemCode.BeingMade, "It is being made.", "Ask again in a moment.");
    }

    private static IResult Unreadable(BadHttpRequestException bad)
    {
        if (bad.StatusCode == StatusCodes.Status413PayloadTooLarge)
        {
            return Problems.Of(ProblemCode.TooLarge, "This is too large.", bad.Message.StartsWith("A file", StringComparison.Ordinal) ? bad.Message : "A request may hold 1 MB at most.");
        }

        if (bad.InnerException is JsonException json)
        {
            var field = json.Path is null or "" or "$" ? "body" : json.Path.TrimStart('$').TrimStart('.');
            return Problems.Of(ProblemCode.Unreadable, "The request can't be read.", new Dictionary<string, string[]> { [field] = [field == "body" ? Plain(json) : $"{FieldWords.Of(field)}: {Plain(json)}"] });
        }

        return Problems.Of(ProblemCode.Unreadable, "The request can't be read.", bad.Message, bad.StatusCode);
    }

    private static string Plain(JsonException json)
    {
        var text = json.Message;
        var cut = text.IndexOf(" Path:", StringComparison.Ordinal);
        text = cut > 0 ? text[..cut] : text;
        return text.Contains("could not be mapped to any .NET member", StringComparison.Ordinal) ? "nothing is called that here."
            : text.StartsWith("The JSON value could not be converted", StringComparison.Ordinal) ? "This value is of the wrong kind, or not one of those allowed."
            : text;
    }
}
