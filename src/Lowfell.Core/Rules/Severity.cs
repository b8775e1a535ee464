namespace Lowfell.Core.Rules;

/// <summary>How bad a finding is.</summary>
public enum Severity
{
    /// <summary>Will ruin it.</summary>
    Stop,

    /// <summary>May spoil it.</summary>
    Risk,

    /// <summary>Advice.</summary>
    Note,
}
