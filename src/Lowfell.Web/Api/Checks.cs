using Lowfell.Core.Colour;
using Lowfell.Core.Wording;

namespace Lowfell.Web.Api;

/// <summary>Collects what is wrong with a request, field by field, and refuses it once.</summary>
/// <remarks>The preview runs on every keystroke, so a request that is right costs no allocation but this.</remarks>
public sealed class Checks
{
    private static readonly Dictionary<string, string[]> Nothing = [];

    private Dictionary<string, string[]>? errors;

    /// <summary>What was wrong, by field.</summary>
    public IReadOnlyDictionary<string, string[]> Faults => errors ?? Nothing;

    /// <summary>Notes a fault; the message tells of which coat or other item it speaks.</summary>
    public void Fault(string field, string message) => Note(field, FieldWords.Item(field) is { Length: > 0 } item ? $"{item}: {message}" : message);

    private void Named(string field, string message) => Note(field, $"{FieldWords.Of(field)}: {message}");

    private void Note(string field, string message)
    {
        errors ??= [];
        if (errors.Count < 50)
        {
            errors[field] = errors.TryGetValue(field, out var before) ? [.. before, message] : [message];
        }
    }

    /// <summary>A figure within its bound.</summary>
    public void Figure(string path, double value, FigureBoundAttribute bound)
    {
        if (!bound.Holds(value))
        {
            Named(path, FormattableString.Invariant($"give {bound.Allowed}, not {value}."));
        }
    }

    /// <summary>A figure within bounds that follow from what there is; not-a-number is never within.</summary>
    public void Within(string path, double value, double least, double most, string unit = "")
    {
        if (!(value >= least && value <= most))
        {
            Named(path, FormattableString.Invariant($"give {least} to {most}{unit}, not {value}."));
        }
    }

    /// <summary>A text of its length, without control characters.</summary>
    public void Length(string path, string? text, LengthBoundAttribute length)
    {
        if (IsOfLength(text, length))
        {
            return;
        }

        Named(path, text is null || text.Length <= length.Most
            ? length.OneLine && !string.IsNullOrWhiteSpace(text) && !OneLine.Holds(text) && !text.Contains('\0', StringComparison.Ordinal) ? "write it on one line, without characters that nobody sees."
            : text?.Contains('\0', StringComparison.Ordinal) == true ? "take the character U+0000 out." : $"write something, 1 to {length.Most} characters."
            : $"shorten it to {length.Most} characters; it has {text.Length}.");
    }

    /// <summary>Whether a text is of its length, and without what can't be kept; one that must be there is more than blanks.</summary>
    public static bool IsOfLength(string? text, LengthBoundAttribute length) =>
        text is null ? length.Least == 0 : text.Length <= length.Most && !text.Contains('\0', StringComparison.Ordinal) && (length.Least == 0 || !string.IsNullOrWhiteSpace(text)) && (!length.OneLine || OneLine.Holds(text));

    /// <summary>A list of its length, where there is one.</summary>
    public void Count(string path, int? count, LengthBoundAttribute length)
    {
        if (count is { } given && (given < length.Least || given > length.Most))
        {
            Named(path, $"give {(given > length.Most ? $"at most {length.Most}" : $"{length.Least}{(length.Most > length.Least ? $" to {length.Most}" : "")}")}, not {given}.");
        }
    }

    /// <summary>A colour written #rrggbb, or none.</summary>
    public void Colour(string path, string? value)
    {
        if (value is not null && !Srgb.TryParse(value, out _))
        {
            Named(path, $"write a colour as #rrggbb, not '{(value.Length > 20 ? value[..20] + "…" : value)}'.");
        }
    }

    /// <summary>Refuses the request if anything was wrong.</summary>
    /// <exception cref="RefusedException">Something was.</exception>
    public void Enforce()
    {
        if (errors is not null)
        {
            throw new RefusedException(errors);
        }
    }
}
