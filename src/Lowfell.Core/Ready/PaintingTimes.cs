using Lowfell.Core.Wording;

namespace Lowfell.Core.Ready;

/// <summary>When somebody paints, where no evenings are told yet.</summary>
public enum PaintingTimes
{
    /// <summary>Two evenings of the week, and Sunday morning.</summary>
    [Said("Tuesday and Thursday evening, Sunday morning")]
    TwoEvenings,

    /// <summary>Every evening.</summary>
    [Said("every evening")]
    EveryEvening,

    /// <summary>Saturday and Sunday, morning and afternoon.</summary>
    [Said("Saturday and Sunday")]
    Weekend,
}
