using Lowfell.Core.Colour;
using Lowfell.Core.Meshes.StandIns;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Web.Features.Looks;

/// <summary>A part of what a piece is shown as.</summary>
/// <param name="Name">As a painter calls it.</param>
/// <param name="ZoneId">The zone that it shows; null where the piece has none.</param>
public sealed record LookPart(string Name, Guid? ZoneId);

/// <summary>A coat as the scrubber names it.</summary>
/// <param name="Id">The coat.</param>
/// <param name="What">What is done, and with which paint.</param>
/// <param name="Skipped">Left out.</param>
public sealed record LookCoat(Guid Id, string What, bool Skipped);

/// <summary>A zone of a look.</summary>
/// <param name="Id">The zone.</param>
/// <param name="Name">Its name, with that of its piece where it is of a part that is fitted.</param>
/// <param name="Coats">Its coats from below.</param>
/// <param name="First">Its first row in the table.</param>
/// <param name="LevelsMm">Heights that its rows are told at; one where nothing fades out over its height.</param>
/// <param name="Shown">A part shows it.</param>
/// <param name="Layers">Its coats that are drawn mark by mark, from below; the rows of the zone itself are what lies beside all marks.</param>
public sealed record LookZone(Guid Id, string Name, IReadOnlyList<LookCoat> Coats, int First, IReadOnlyList<float> LevelsMm, bool Shown, IReadOnlyList<LookLayerView> Layers);

/// <summary>A coat that is drawn mark by mark.</summary>
/// <param name="Coat">Its place among the coats, from 0.</param>
/// <param name="First">First row of what is seen within a mark of it.</param>
public sealed record LookLayerView(int Coat, int First);

/// <summary>One mark, in millimetres of the side that it lies on.</summary>
/// <param name="Zone">Place of its zone.</param>
/// <param name="Layer">Which of the zone's coats of marks.</param>
/// <param name="Side">Side of the piece.</param>
/// <param name="Shape">How it is drawn.</param>
/// <param name="X">Middle of it from the left end of the side, mm.</param>
/// <param name="Y">Middle of it above the foot; on the top from the front border, mm.</param>
/// <param name="Width">Width, mm.</param>
/// <param name="Length">Length, mm.</param>
/// <param name="Angle">Turned against the clock, degrees.</param>
/// <param name="Seed">0..1: of its ragged borders.</param>
public sealed record LookMarkView(int Zone, int Layer, MarkSide Side, MarkShape Shape, float X, float Y, float Width, float Length, float Angle, float Seed);

/// <summary>Where the sides of a surface are: its box, mm.</summary>
/// <param name="Low">Lowest corner: x, y, z.</param>
/// <param name="High">Highest corner: x, y, z.</param>
public sealed record LookBox(IReadOnlyList<float> Low, IReadOnlyList<float> High);

/// <summary>How a piece looks, coat by coat: a surface and a table of colours.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Version">Version to send back with a choice; 0 where none was made.</param>
/// <param name="Kind">What it is shown as.</param>
/// <param name="Chosen">The painter chose it; else it is what is nearest.</param>
/// <param name="Parts">Its parts, in the order of the surface.</param>
/// <param name="Zones">The zones.</param>
/// <param name="Mesh">The surface, under /api/meshes.</param>
/// <param name="Lamp">The light that the colours are told under.</param>
/// <param name="Rows">Rows of the table.</param>
/// <param name="Table">Its texels as half floats, 16 columns of four for each row, in base 64: recess, face and edge by five facings, then gloss, metal and how much of what lies on top has run down. Each row stands twice, dry and wet.</param>
/// <param name="ViewingMm">Distance that it is looked at from, mm.</param>
/// <param name="Marks">The marks of its coats, those of lower coats first.</param>
/// <param name="Box">The box that marks are measured in.</param>
public sealed record PieceLook(Guid PieceId, int Version, StandInKind Kind, bool Chosen, IReadOnlyList<LookPart> Parts, IReadOnlyList<LookZone> Zones, Guid Mesh, Lamp Lamp, int Rows, string Table, double ViewingMm, IReadOnlyList<LookMarkView> Marks, LookBox Box);

/// <summary>What a piece is to be shown as.</summary>
/// <param name="Version">Version that the choice was made on; 0 where there was none.</param>
/// <param name="Kind">Kind of stand-in.</param>
/// <param name="ZoneIds">The zone that each of its parts shows, in their order; none where names decide.</param>
public sealed record LookChoice([VersionBound] int Version, StandInKind Kind, [PartZonesBound] IReadOnlyList<Guid>? ZoneIds = null);

/// <summary>A kind of stand-in with its parts.</summary>
/// <param name="Kind">Kind.</param>
/// <param name="Parts">Names of its parts.</param>
public sealed record ShownAsView(StandInKind Kind, IReadOnlyList<string> Parts);
