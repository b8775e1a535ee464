using Lowfell.Core.Colour;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Prediction;

/// <summary>What a stratum looks like at one height. Predictions, not promises: see <see cref="SpanDeltaE"/>.</summary>
/// <param name="Lab">CIELAB by a middle hand.</param>
/// <param name="Colour">Display colour by a middle hand.</param>
/// <param name="DeltaBelow">dE00 to the stratum below at this height.</param>
/// <param name="DeltaTarget">dE00 to what the zone wants at this height, where that is told.</param>
/// <param name="FilmUm">Dry film that this coat adds where it lies, um.</param>
/// <param name="ByLightHand">Light by a light hand (films x 0.7 throughout).</param>
/// <param name="ByHeavyHand">Light by a heavy hand (films x 1.3 throughout).</param>
public readonly record struct HeightColour(
    Lab Lab, Srgb Colour, double DeltaBelow, double? DeltaTarget, double FilmUm, LinearRgb ByLightHand, LinearRgb ByHeavyHand)
{
    /// <summary>Display colour by a light hand.</summary>
    public Srgb Light => ByLightHand.ToSrgb();

    /// <summary>Display colour by a heavy hand.</summary>
    public Srgb Heavy => ByHeavyHand.ToSrgb();

    /// <summary>dE00 between the light and the heavy hand: worked out when it is asked for, as no rule does.</summary>
    public double SpanDeltaE => ColourDifference.Ciede2000(ByLightHand.ToLab(), ByHeavyHand.ToLab());
}

/// <summary>One stratum of the core sample: the stack after one coat.</summary>
/// <param name="CoatId">The coat; empty for the substrate.</param>
/// <param name="Recess">In the recess.</param>
/// <param name="Face">On the face.</param>
/// <param name="Edge">On the raised edge.</param>
/// <param name="Mean">Mean colour of the zone, by the shares of its heights.</param>
/// <param name="Mark">A single streak, chip or speckle on the face, where the coat makes separate marks.</param>
/// <param name="TotalFilmUm">Dry film from the substrate up, mean of the zone, um.</param>
public sealed record Stratum(Guid CoatId, HeightColour Recess, HeightColour Face, HeightColour Edge, Srgb Mean, Srgb? Mark, double TotalFilmUm)
{
    /// <summary>The colour at a height.</summary>
    public HeightColour At(int height) => height switch { 0 => Recess, 1 => Face, _ => Edge };

    /// <summary>dE00 between recess and face: how much shading there is.</summary>
    public double Shading => ColourDifference.Ciede2000(Recess.Lab, Face.Lab);

    /// <summary>Largest step from the stratum below at any height, dE00.</summary>
    public double LargestStep => Math.Max(Recess.DeltaBelow, Math.Max(Face.DeltaBelow, Edge.DeltaBelow));
}

/// <summary>A zone at one height above the foot.</summary>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="Looks">Recess, face and edge after each coat, by a middle hand.</param>
public sealed record Elevation(double HeightMm, IReadOnlyList<ByHeight<Srgb>> Looks);

/// <summary>The predicted stack.</summary>
/// <param name="Substrate">The bare ground.</param>
/// <param name="Strata">One for each coat, skipped ones too (they change nothing).</param>
public sealed record PredictedStack(Stratum Substrate, IReadOnlyList<Stratum> Strata)
{
    /// <summary>Top, middle and foot, where the zone is told by height and a coat fades out over it; else null.</summary>
    public IReadOnlyList<Elevation>? Elevations { get; init; }

    /// <summary>The last stratum, or the substrate of an empty stack.</summary>
    public Stratum Top => Strata.Count > 0 ? Strata[^1] : Substrate;

    /// <summary>The stratum below coat <paramref name="index"/>.</summary>
    public Stratum Below(int index) => index == 0 ? Substrate : Strata[index - 1];
}
