using System.Text.Json;

namespace Lowfell.Web.Api;

/// <summary>Why a request was not taken: told with every problem as its code, so that a program need not read the words.</summary>
public enum ProblemCode
{
    /// <summary>A field is out of its bounds, or does not fit the others.</summary>
    OutOfBounds,

    /// <summary>What is named is not on this bench, or not any more.</summary>
    Gone,

    /// <summary>It was changed meanwhile, by another window.</summary>
    Stale,

    /// <summary>The name is taken.</summary>
    Taken,

    /// <summary>Something else still uses it.</summary>
    InUse,

    /// <summary>It can't be read: no JSON, of an unknown kind, or with fields that nobody knows.</summary>
    Unreadable,

    /// <summary>It is larger than may be sent.</summary>
    TooLarge,

    /// <summary>The database does not answer; worth another try.</summary>
    DatabaseAway,

    /// <summary>The database is brought up to date; worth another try.</summary>
    Migrating,

    /// <summary>The bench does not open from here.</summary>
    NotHere,

    /// <summary>It comes from a page of another site.</summary>
    OtherSite,

    /// <summary>Too much was asked in too short a time; worth another try.</summary>
    TooMuch,

    /// <summary>It takes longer than an answer may, and is being made; worth asking again.</summary>
    BeingMade,

    /// <summary>There is nothing at the address.</summary>
    NoSuchAddress,

    /// <summary>The host has failed.</summary>
    Failed,
}

/// <summary>Problem details (RFC 9457), made by reason.</summary>
internal static class Problems
{
    /// <summary>A problem of the request as a whole.</summary>
    public static IResult Of(ProblemCode code, string title, string? detail = null, int? status = null) =>
        Results.Problem(statusCode: status ?? Status(code), title: title, detail: detail, extensions: Code(code));

    /// <summary>A problem of fields.</summary>
    public static IResult Of(ProblemCode code, string title, IDictionary<string, string[]> fields, int? status = null) =>
        Results.ValidationProblem(fields, title: title, statusCode: status ?? Status(code), extensions: Code(code));

    private static Dictionary<string, object?> Code(ProblemCode code) => new() { ["code"] = JsonNamingPolicy.CamelCase.ConvertName(code.ToString()) };

    private static int Status(ProblemCode code) => code switch
    {
        ProblemCode.OutOfBounds or ProblemCode.Unreadable => StatusCodes.Status400BadRequest,
        ProblemCode.NotHere => StatusCodes.Status401Unauthorized,
        ProblemCode.OtherSite => StatusCodes.Status403Forbidden,
        ProblemCode.TooMuch => StatusCodes.Status429TooManyRequests,
        ProblemCode.Gone or ProblemCode.NoSuchAddress => StatusCodes.Status404NotFound,
        ProblemCode.Stale or ProblemCode.Taken or ProblemCode.InUse => StatusCodes.Status409Conflict,
        ProblemCode.TooLarge => StatusCodes.Status413PayloadTooLarge,
        ProblemCode.BeingMade => StatusCodes.Status202Accepted,
        ProblemCode.DatabaseAway or ProblemCode.Migrating => StatusCodes.Status503ServiceUnavailable,
        _ => StatusCodes.Status500InternalServerError,
    };
}
