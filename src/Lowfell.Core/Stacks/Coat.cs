using Lowfell.Core.Colour;
using Lowfell.Core.Drying;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;

namespace Lowfell.Core.Stacks;

/// <summary>What must have happened below before a coat goes on.</summary>
public enum Wait
{
    /// <summary>Recoat-dry.</summary>
    RecoatDry,

    /// <summary>Cured.</summary>
    Cured,
}

/// <summary>One application of one material or mix with one technique.</summary>
public sealed record Coat
{
    /// <summary>Most passes of a coat.</summary>
    public const int MostPasses = 20;

    /// <summary>Identity within the stack; findings and mends speak of it.</summary>
    public required Guid Id { get; init; }

    /// <summary>Technique.</summary>
    public required Technique Technique { get; init; }

    /// <summary>What goes on; null only for <see cref="Technique.OpenChips"/>.</summary>
    public Paint? Paint { get; init; }

    /// <summary>Where the paint comes from, when it is a material: mends and the shelf speak of it.</summary>
    public Material? Material { get; init; }

    /// <summary>Colour that the material is mixed to by eye, in place of its own.</summary>
    public Srgb? MixedTo { get; init; }

    /// <summary>Passes, 1..20.</summary>
    public int Passes { get; init; } = 1;

    /// <summary>Dilution.</summary>
    public Dilution Dilution { get; init; } = Dilution.Neat;

    /// <summary>What it is thinned with.</summary>
    public Thinner Thinner { get; init; }

    /// <summary>Lighter or heavier hand: factor on the film, 0.5..2.</summary>
    public double Hand { get; init; } = 1;

    /// <summary>Own wet film and coverage in place of the technique's.</summary>
    public Deposit? OwnDeposit { get; init; }

    /// <summary>Dried with warm air.</summary>
    public bool Hurried { get; init; }

    /// <summary>May be left out if the evening gets short.</summary>
    public bool Optional { get; init; }

    /// <summary>Left out.</summary>
    public bool Skipped { get; init; }

    /// <summary>What must have happened below first.</summary>
    public Wait Wait { get; init; }

    /// <summary>Family that the rules go by.</summary>
    public Family? Family => Paint?.Lead.Family;

    /// <summary>The liquids that this coat brings to the film below: its carrier and its thinner's; pigment is pressed in dry.</summary>
    public IEnumerable<Carrier> Carriers
    {
        get
        {
            if (Paint is null || Technique == Technique.Pigment)
            {
                yield break;
            }

            yield return Paint.Lead.Family.Facts().Carrier;
            if (Dilution.PaintFraction < 1)
            {
                yield return Thinner.AsCarrier();
            }
        }
    }

    /// <summary>The carrier of the paint itself.</summary>
    public Carrier Carrier => Paint?.Lead.Family.Facts().Carrier ?? Carrier.None;

    /// <summary>This coat of a material.</summary>
    public Coat Of(Material material) => this with
    {
        Material = material,
        Paint = Paint.Of(MixedTo is { } colour ? material with { Colour = colour, OwnFilm = null } : material),
    };
}

/// <summary>A whole stack as it is being planned: the unit of every preview.</summary>
/// <param name="Zone">What it goes on.</param>
/// <param name="Schools">The project's preferences.</param>
/// <param name="Coats">From the substrate up.</param>
public sealed record StackDraft(Zone Zone, Schools Schools, IReadOnlyList<Coat> Coats)
{
    /// <summary>Most coats of a stack.</summary>
    public const int MostCoats = 60;

    /// <summary>Air that the coats dry in.</summary>
    public Climate Climate { get; init; } = Climate.Reference;
}
