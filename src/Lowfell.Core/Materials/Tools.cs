using Lowfell.Core.Wording;

namespace Lowfell.Core.Materials;

/// <summary>What a painter may own to paint with.</summary>
public enum Tool
{
    /// <summary>Brushes.</summary>
    [Said("brushes")]
    Brushes,

    /// <summary>An airbrush.</summary>
    [Said("airbrush")]
    Airbrush,

    /// <summary>Spray cans.</summary>
    [Said("spray cans")]
    Cans,

    /// <summary>A booth, so that cans and airbrush do not wait for the weather.</summary>
    [Said("booth")]
    Booth,

    /// <summary>Sponge or foam.</summary>
    [Said("sponge")]
    Sponge,

    /// <summary>Oils and enamels with their spirit.</summary>
    [Said("oils and enamels")]
    Oils,
}

/// <summary>The tools of a bench.</summary>
/// <param name="Brushes">Brushes.</param>
/// <param name="Airbrush">An airbrush.</param>
/// <param name="Cans">Spray cans.</param>
/// <param name="Booth">A booth.</param>
/// <param name="Sponge">Sponge or foam.</param>
/// <param name="Oils">Oils and enamels with their spirit.</param>
public sealed record Tools(bool Brushes = true, bool Airbrush = false, bool Cans = true, bool Booth = false, bool Sponge = true, bool Oils = false)
{
    /// <summary>Everything, as long as nobody has told what there is.</summary>
    public static Tools All { get; } = new(true, true, true, true, true, true);

    /// <summary>Whether there is one.</summary>
    public bool Has(Tool tool) => tool switch
    {
        Tool.Airbrush => Airbrush,
        Tool.Cans => Cans,
        Tool.Booth => Booth,
        Tool.Sponge => Sponge,
        Tool.Oils => Oils,
        _ => Brushes,
    };
}
