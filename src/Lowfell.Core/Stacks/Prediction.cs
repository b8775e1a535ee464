using Lowfell.Core.Colour;

namespace Lowfell.Core.Stacks;

/// <summary>What a stratum looks like at one height. Predictions, not promises: see <see cref="SpanDeltaE"/>.</summary>
/// <param name="Lab">CIELAB by a middle hand.</param>
/// <param name="Colour">Display colour by a middle hand.</param>
/// <param name="DeltaBelow">dE00 to the stratum below at this height.</param>
/// <param name="DeltaTarget">dE00 to the zone's target, where it has one.</param>
/// <param name="FilmUm">Dry film that this coat adds where it lies, um.</param>
/// <param name="Light">Display colour by a light hand (films x 0.7 throughout).</param>
/// <param name="Heavy">Display colour by a heavy hand (films x 1.3 throughout).</param>
/// <param name="SpanDeltaE">dE00 between the light and the heavy hand.</param>
public readonly record struct HeightColour(
    Lab Lab, Srgb Colour, double DeltaBelow, double? DeltaTarget, double FilmUm, Srgb Light, Srgb Heavy, double SpanDeltaE);

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

/// <summary>The predicted stack.</summary>
/// <param name="Substrate">The bare ground.</param>
/// <param name="Strata">One for each coat, skipped ones too (they change nothing).</param>
public sealed record Prediction(Stratum Substrate, IReadOnlyList<Stratum> Strata)
{
    /// <summary>The last stratum, or the substrate of an empty stack.</summary>
    public Stratum Top => Strata.Count > 0 ? Strata[^1] : Substrate;

    /// <summary>The stratum below coat <paramref name="index"/>.</summary>
    public Stratum Below(int index) => index == 0 ? Substrate : Strata[index - 1];
}
