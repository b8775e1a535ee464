using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Prediction;

/// <summary>A paint over a black and over a white card, as swatches show it.</summary>
public static class Cards
{
    private const int MostPasses = 3;
    private const int HidingPasses = 200;
    internal static readonly Srgb Black = Srgb.Parse("#161616");
    private static readonly Srgb White = Srgb.Parse("#f2f2f0");
    private static readonly Zone Flat = new() { Relief = Relief.Smooth, Facing = Facing.Up };

    /// <summary>Over black, in 1, 2 and 3 passes of the paint's usual technique.</summary>
    public static string[] OverBlack(Paint paint) => Over(Black, paint);

    /// <summary>Over white, in 1, 2 and 3 passes of the paint's usual technique.</summary>
    public static string[] OverWhite(Paint paint) => Over(White, paint);

    /// <summary>So thick that no card shows.</summary>
    public static string Masstone(Material material) =>
        (material.Clear ? material.Colour : StackedCard.Colour(material.Colour, Paint.Of(material), Technique.BaseCoat, Flat, HidingPasses)).ToString();

    /// <summary>Over a card, in 1 to so many passes of the paint's usual technique.</summary>
    public static string[] Over(Srgb card, Paint paint, int mostPasses = MostPasses) =>
        [.. Enumerable.Range(1, mostPasses).Select(passes => StackedCard.Colour(card, paint, paint.Lead.Family.Proposed(), Flat, passes).ToString())];
}
