using Lowfell.Core.Evenings;
using Lowfell.Core.Stacks;

namespace Lowfell.Web.Features.Evenings;

/// <summary>The painter's words for techniques and stations, where no screen says them.</summary>
internal static class Labels
{
    public static string Of(Technique technique) => Capital(technique.Facts().Word);

    public static string Of(Station station) => station switch
    {
        Station.Brush => "Brush and palette",
        Station.Sponge => "Sponge",
        Station.DryBrush => "Dry brush",
        Station.Airbrush => "Airbrush",
        Station.Spirit => "Oils and spirit",
        Station.Can => "Spray can",
        _ => "Glue and clamps",
    };

    /// <summary>What fitting a part is called.</summary>
    public static string Fit(string part) => $"Fit {part}";

    private static string Capital(string word) => char.ToUpperInvariant(word[0]) + word[1..];
}
