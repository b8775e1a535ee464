namespace Lowfell.Core.Wording;

/// <summary>
/// What a figure may be. Each kind of figure has one class, which stands in the room of the type that has it; whatever takes such a
/// figure is marked with it, and the host, the description of the API and the forms read it from there.
/// </summary>
/// <param name="least">The least.</param>
/// <param name="most">The most, itself allowed.</param>
/// <param name="unit">Unit in the painter's words; empty where it has none.</param>
/// <param name="above">The least itself is not allowed.</param>
[AttributeUsage(AttributeTargets.Property | AttributeTargets.Parameter)]
public abstract class FigureBoundAttribute(double least, double most, string unit = "", bool above = false) : Attribute
{
    /// <summary>The least.</summary>
    public double Least => least;

    /// <summary>The most, itself allowed.</summary>
    public double Most => most;

    /// <summary>Unit in the painter's words; empty where it has none.</summary>
    public string Unit => unit;

    /// <summary>The least itself is not allowed.</summary>
    public bool Above => above;

    /// <summary>Whether a value is allowed; not-a-number never is.</summary>
    public bool Holds(double value) => (above ? value > least : value >= least) && value <= most;

    /// <summary>What is allowed, as a painter reads it.</summary>
    public string Allowed => FormattableString.Invariant($"{(above ? "above " : "")}{least} to {most}{(unit.Length > 0 ? " " : "")}{unit}");
}

/// <summary>How long a text, or how many a list, may be.</summary>
/// <param name="least">The least; a text of at least one character is more than blanks.</param>
/// <param name="most">The most.</param>
[AttributeUsage(AttributeTargets.Property | AttributeTargets.Parameter)]
public abstract class LengthBoundAttribute(int least, int most) : Attribute
{
    /// <summary>The least.</summary>
    public int Least => least;

    /// <summary>The most.</summary>
    public int Most => most;

    /// <summary>It stands in lists and headings: on one line, and all of it is seen (<see cref="Wording.OneLine"/>).</summary>
    public virtual bool OneLine => false;
}

/// <summary>The name of something that a painter keeps.</summary>
public sealed class NameBoundAttribute() : LengthBoundAttribute(1, Longest)
{
    /// <summary>Longest name.</summary>
    public const int Longest = 120;

    /// <inheritdoc/>
    public override bool OneLine => true;
}

/// <summary>A few words beside a name: a house, a lot, a kind, who did it.</summary>
public sealed class TagBoundAttribute() : LengthBoundAttribute(0, NameBoundAttribute.Longest)
{
    /// <inheritdoc/>
    public override bool OneLine => true;
}

/// <summary>A note.</summary>
public sealed class NoteBoundAttribute() : LengthBoundAttribute(0, Longest)
{
    /// <summary>Longest note.</summary>
    public const int Longest = 2000;
}

/// <summary>A remark in one sentence.</summary>
public sealed class RemarkBoundAttribute() : LengthBoundAttribute(0, 500);

/// <summary>A reason, which must be given.</summary>
public sealed class ReasonBoundAttribute() : LengthBoundAttribute(1, 500);

/// <summary>A colour written #rrggbb.</summary>
[AttributeUsage(AttributeTargets.Property | AttributeTargets.Parameter)]
public sealed class ColourBoundAttribute : Attribute
{
    /// <summary>As a regular expression.</summary>
    public const string Pattern = "^#[0-9a-fA-F]{6}$";
}

/// <summary>The version that a change was made on.</summary>
public sealed class VersionBoundAttribute() : FigureBoundAttribute(0, int.MaxValue);
