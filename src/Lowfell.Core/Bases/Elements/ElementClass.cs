namespace Lowfell.Core.Bases.Elements;

/// <summary>A box of elements of one kind and size, as they lie on the shelf.</summary>
/// <param name="Id">Identity.</param>
/// <param name="Name">Name.</param>
/// <param name="Kind">Kind.</param>
/// <param name="LengthMm">Usual length, mm.</param>
/// <param name="WidthMm">Usual width, mm.</param>
/// <param name="HeightMm">Usual height, mm.</param>
/// <param name="Spread">How much they differ, as a part of each measure, 0..0.5.</param>
public sealed record ElementClass(Guid Id, string Name, ElementKind Kind, double LengthMm, double WidthMm, double HeightMm, double Spread = 0.15)
{
    /// <summary>Area that one takes, mm2, about.</summary>
    public double AreaMm2 => LengthMm * WidthMm;
}

/// <summary>A box with how many are in it.</summary>
/// <param name="Class">What is in it.</param>
/// <param name="Count">How many.</param>
public sealed record ElementStock(ElementClass Class, int Count);
