namespace Lowfell.Web.Api;

/// <summary>Thrown at the edge when a request can't be taken; nothing has been stored.</summary>
/// <param name="errors">Messages by field; each names the value and what is allowed.</param>
/// <param name="status">HTTP status.</param>
public sealed class RefusedException(IDictionary<string, string[]> errors, int status = 400) : Exception("Refused: " + string.Join(", ", errors.Keys))
{
    /// <summary>Messages by field.</summary>
    public IDictionary<string, string[]> Errors { get; } = errors;

    /// <summary>HTTP status.</summary>
    public int Status { get; } = status;

    /// <summary>Why.</summary>
    public ProblemCode Code { get; init; } = status switch
    {
        StatusCodes.Status404NotFound => ProblemCode.Gone,
        StatusCodes.Status409Conflict => errors.ContainsKey("version") ? ProblemCode.Stale : ProblemCode.InUse,
        StatusCodes.Status413PayloadTooLarge => ProblemCode.TooLarge,
        _ => ProblemCode.OutOfBounds,
    };

    /// <summary>Refuses one field.</summary>
    public RefusedException(string field, string message, int status = 400)
        : this(new Dictionary<string, string[]> { [field] = [message] }, status)
    {
    }

    /// <summary>What was asked for by id is not on this bench.</summary>
    public static RefusedException NotFound(string field, Guid id) => new(field, $"There is nothing with the id {id} on this bench.", 404);
}
