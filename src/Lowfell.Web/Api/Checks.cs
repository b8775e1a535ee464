using System.Numerics;
using Lowfell.Core.Colour;
using Lowfell.Core.Stacks;

namespace Lowfell.Web.Api;

/// <summary>Collects what is wrong with a request, field by field, and refuses it once.</summary>
/// <remarks>The preview runs on every keystroke, so a request that is right costs no allocation but this.</remarks>
public sealed class Checks
{
    /// <summary>Longest name.</summary>
    public const int LongestName = 120;

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

    /// <summary>A number within bounds; not-a-number is never within.</summary>
    public void Within<T>(string prefix, string field, T value, T least, T most, string unit = "")
        where T : INumber<T>
    {
        if (!(value >= least && value <= most))
        {
            Named(prefix + field, $"{value} is outside {least} to {most}{unit}.");
        }
    }

    /// <summary>As <see cref="Within"/>, where there is a number.</summary>
    public void WithinIfAny(string prefix, string field, double? value, double least, double most, string unit = "")
    {
        if (value is { } given)
        {
            Within(prefix, field, given, least, most, unit);
        }
    }

    /// <summary>A name of 1 to 120 characters without control characters.</summary>
    public void Name(string prefix, string field, string? value)
    {
        if (string.IsNullOrWhiteSpace(value))
        {
            Fault(prefix + field, "A name is needed.");
        }
        else
        {
            Text(prefix, field, value, LongestName);
        }
    }

    /// <summary>Free text up to a length.</summary>
    public void Text(string prefix, string field, string? value, int longest)
    {
        if (value is null)
        {
            return;
        }

        if (value.Length > longest)
        {
            Named(prefix + field, $"{value.Length} characters are too many; {longest} are allowed.");
        }
        else if (value.AsSpan().IndexOf('\0') >= 0)
        {
            Named(prefix + field, "The character U+0000 is not allowed.");
        }
    }

    /// <summary>A colour written #rrggbb, or none.</summary>
    public void Colour(string prefix, string field, string? value)
    {
        if (value is not null && !Srgb.TryParse(value, out _))
        {
            Named(prefix + field, $"'{(value.Length > 20 ? value[..20] + "…" : value)}' is not a colour written #rrggbb.");
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
