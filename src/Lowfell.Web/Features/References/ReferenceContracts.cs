using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Web.Features.References;

/// <summary>Where a spot of a picture is, as a share of its width or height.</summary>
public sealed class SpotBoundAttribute() : FigureBoundAttribute(0, 1);

/// <summary>Spots of a picture.</summary>
public sealed class PicksBoundAttribute() : LengthBoundAttribute(0, 120);

/// <summary>A picture that is pinned.</summary>
/// <param name="Id">Identity, given by who pins it: sent twice, it is pinned once.</param>
/// <param name="PhotoId">The picture, kept before.</param>
/// <param name="Name">Name.</param>
/// <param name="PieceId">The piece; none for the whole set.</param>
public sealed record ReferenceDraft(Guid Id, Guid PhotoId, [NameBound] string Name, Guid? PieceId = null);

/// <summary>Something in a picture whose grey is known.</summary>
/// <param name="X">Share of the width.</param>
/// <param name="Y">Share of the height.</param>
/// <param name="Is">What it is, #rrggbb.</param>
public sealed record GreySpot([SpotBound] double X, [SpotBound] double Y, [ColourBound] string Is);

/// <summary>A spot whose colour a zone is to have.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="Height">Recess, face or edge.</param>
/// <param name="X">Share of the width.</param>
/// <param name="Y">Share of the height.</param>
/// <param name="OnPurpose">Why the zone departs from it on purpose; empty where it does not.</param>
public sealed record PickDraft(Guid ZoneId, ReliefHeight Height, [SpotBound] double X, [SpotBound] double Y, [RemarkBound] string OnPurpose = "");

/// <summary>A pinned picture as it should be.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Name">Name.</param>
/// <param name="Picks">Spots that were picked: one for each height of a zone at most.</param>
/// <param name="PieceId">The piece; none for the whole set.</param>
/// <param name="Grey">Something whose grey is known; none where there is nothing.</param>
public sealed record ReferenceChange([VersionBound] int Version, [NameBound] string Name, [PicksBound] IReadOnlyList<PickDraft> Picks, Guid? PieceId = null, GreySpot? Grey = null);

/// <summary>A spot with what it says.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="Zone">Its name.</param>
/// <param name="Piece">Name of its piece.</param>
/// <param name="Height">Recess, face or edge.</param>
/// <param name="X">Share of the width.</param>
/// <param name="Y">Share of the height.</param>
/// <param name="Colour">Its colour in even light.</param>
/// <param name="Now">What the zone would look like there.</param>
/// <param name="Words">How that differs.</param>
/// <param name="DeltaE">The same as dE00.</param>
/// <param name="OnPurpose">Why the zone departs from it on purpose.</param>
public sealed record PickView(Guid ZoneId, string Zone, string Piece, ReliefHeight Height, double X, double Y, string Colour, string Now, string Words, double DeltaE, string OnPurpose);

/// <summary>A pinned picture.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="SetId">Its set.</param>
/// <param name="PieceId">Its piece; none for the whole set.</param>
/// <param name="PhotoId">The picture.</param>
/// <param name="Name">Name.</param>
/// <param name="Width">Width, pixels.</param>
/// <param name="Height">Height, pixels.</param>
/// <param name="Grey">Something whose grey is known.</param>
/// <param name="Picks">Spots that were picked.</param>
public sealed record ReferenceView(Guid Id, int Version, Guid SetId, Guid? PieceId, Guid PhotoId, string Name, int Width, int Height, GreySpot? Grey, IReadOnlyList<PickView> Picks);
