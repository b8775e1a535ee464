using System.Net.Sockets;
using System.Text.Json;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Lowfell.Web.Hosting;

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
            RefusedException refused => Results.ValidationProblem(refused.Errors, title: "Some of what was sent can't be taken.", statusCode: refused.Status),
            BadHttpRequestException bad => Unreadable(bad),
            DbUpdateConcurrencyException => Results.Problem(statusCode: 409, title: "Somebody else changed this meanwhile.", detail: "Load it again, then make your change."),
            DbUpdateException { InnerException: PostgresException { SqlState: PostgresErrorCodes.UniqueViolation } } =>
                Results.ValidationProblem(new Dictionary<string, string[]> { ["name"] = ["This name is taken; choose another."] }, title: "The name is taken.", statusCode: 409),
            DbUpdateException { InnerException: PostgresException { SqlState: PostgresErrorCodes.ForeignKeyViolation } } =>
                Results.Problem(statusCode: 409, title: "Something still uses this.", detail: "Take it out of the stacks and mixes that use it first."),
            _ when IsDatabaseAway(exception) => Away(httpContext),
            _ => null,
        };
        if (problem is null)
        {
            log.LogError(exception, "{Method} {Path} failed", httpContext.Request.Method, httpContext.Request.Path);
            problem = Results.Problem(statusCode: 500, title: "Lowfell has failed here.", detail: "Nothing was stored. The log of the host says more.");
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
        return Results.Problem(statusCode: 503, title: "The database is away.", detail: "Nothing was lost. Lowfell tries again by itself.");
    }

    private static IResult Unreadable(BadHttpRequestException bad)
    {
        if (bad.StatusCode == StatusCodes.Status413PayloadTooLarge)
        {
            return Results.Problem(statusCode: 413, title: "This is too large.", detail: bad.Message.StartsWith("A file", StringComparison.Ordinal) ? bad.Message : "A request may hold 1 MB at most.");
        }

        if (bad.InnerException is JsonException json)
        {
            var field = json.Path is null or "" or "$" ? "body" : json.Path.TrimStart('$').TrimStart('.');
            return Results.ValidationProblem(new Dictionary<string, string[]> { [field] = [Plain(json)] }, title: "The request can't be read.", statusCode: 400);
        }

        return Results.Problem(statusCode: bad.StatusCode, title: "The request can't be read.", detail: bad.Message);
    }

    private static string Plain(JsonException json)
    {
        var text = json.Message;
        var cut = text.IndexOf(" Path:", StringComparison.Ordinal);
        text = cut > 0 ? text[..cut] : text;
        return text.StartsWith("The JSON value could not be converted", StringComparison.Ordinal) ? "This value is of the wrong kind, or not one of those allowed." : text;
    }
}
