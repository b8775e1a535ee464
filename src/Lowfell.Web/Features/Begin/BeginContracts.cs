using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Materials;
using Lowfell.Core.Ready;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;
using Lowfell.Web.Features.Shelf;

namespace Lowfell.Web.Features.Begin;

/// <summary>The ready scheme that is chosen for a zone.</summary>
/// <param name="Line">Line of the pieces, from 1.</param>
/// <param name="Zone">Place of the zone, from 0.</param>
/// <param name="Scheme">Name of the scheme.</param>
public sealed record ZoneScheme([PlaceBound] int Line, [PlaceBound] int Zone, [TagBound] string Scheme);

/// <summary>The first hour in one go: what stands before the painter, the paints and tools there are, and by when.</summary>
/// <param name="SetId">Id of the set that it becomes, made up by whoever asks: sent twice, it is made once.</param>
/// <param name="Pieces">A piece a line: name, copies, size, zones; all but the name may be left out.</param>
/// <param name="Paints">A pasted table of paints; empty for what is on the shelf.</param>
/// <param name="Columns">What the columns tell, by hand.</param>
/// <param name="Starter">Paints of the starter shelf that are ticked.</param>
/// <param name="Tools">What there is to paint with; none for what was told before.</param>
/// <param name="Schemes">Schemes chosen in place of the proposed ones.</param>
/// <param name="Name">Name of the set; empty for that of its pieces.</param>
/// <param name="ReadyBy">The day on which it has to be done.</param>
/// <param name="Times">When somebody paints; read only where no evenings are told.</param>
/// <param name="TimeZone">Time zone of the painter, read only where no evenings are told; empty for the bench's.</param>
/// <param name="LeaveOut">Rows of paints that can't be taken are left out; else they refuse the whole.</param>
/// <param name="DryRun">Only says what it would make of it.</param>
public sealed record BeginRequest(
    Guid SetId,
    [ThingTextBound] string Pieces,
    [PaintTextBound] string Paints = "",
    [PaintColumnsBound] IReadOnlyList<PaintColumn>? Columns = null,
    [ManyBound] IReadOnlyList<Guid>? Starter = null,
    Tools? Tools = null,
    [ManyBound] IReadOnlyList<ZoneScheme>? Schemes = null,
    [TagBound] string Name = "",
    DateOnly? ReadyBy = null,
    PaintingTimes Times = PaintingTimes.TwoEvenings,
    [TagBound] string TimeZone = "",
    bool LeaveOut = false,
    bool DryRun = false);

/// <summary>Colours by height.</summary>
/// <param name="Recess">Recess.</param>
/// <param name="Face">Face.</param>
/// <param name="Edge">Edge.</param>
public sealed record LookView(string Recess, string Face, string Edge)
{
    /// <summary>From Core.</summary>
    internal static LookView Of(ByHeight<Core.Colour.Srgb> look) => new(look.Recess.ToString(), look.Face.ToString(), look.Edge.ToString());
}

/// <summary>A role with what fills it.</summary>
/// <param name="Role">What the coat is there for, in words.</param>
/// <param name="Coat">Technique and paint; empty where it is left out.</param>
/// <param name="Filling">Where its paint comes from.</param>
/// <param name="Said">What should be known of it; empty where all is as written.</param>
public sealed record RoleView(string Role, string Coat, Filling Filling, string Said);

/// <summary>A zone as it would be painted.</summary>
/// <param name="Name">Name.</param>
/// <param name="Scheme">Name of its scheme.</param>
/// <param name="Written">What the scheme should look like.</param>
/// <param name="Look">What it would look like.</param>
/// <param name="Words">How the two differ, in words.</param>
/// <param name="Roles">Its coats by what they are there for.</param>
public sealed record BegunZone(string Name, string Scheme, LookView Written, LookView Look, string Words, IReadOnlyList<RoleView> Roles);

/// <summary>A piece as it was read.</summary>
/// <param name="Line">Which line, from 1.</param>
/// <param name="Name">Name.</param>
/// <param name="Copies">Copies.</param>
/// <param name="Kind">What it was taken for, in words.</param>
/// <param name="Substrate">What it is taken to be made of.</param>
/// <param name="Size">Its size in words.</param>
/// <param name="Zones">Its zones.</param>
/// <param name="Fault">Why it can't be taken; none where it can.</param>
public sealed record BegunPiece(int Line, string Name, int Copies, string Kind, Substrate Substrate, string Size, IReadOnlyList<BegunZone> Zones, string? Fault);

/// <summary>What the first hour comes to.</summary>
/// <param name="Pieces">The pieces.</param>
/// <param name="Paints">The paints as they were read.</param>
/// <param name="ToBuy">Paints that nothing on the shelf stands in for.</param>
/// <param name="HasEvenings">Evenings are told already.</param>
/// <param name="SetId">The set that it became; none as long as it is only looked at.</param>
public sealed record BeginView(IReadOnlyList<BegunPiece> Pieces, PastedPaints Paints, IReadOnlyList<string> ToBuy, bool HasEvenings, Guid? SetId = null);

/// <summary>A zone's coats that are to be kept as a scheme of one's own.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="Name">Name.</param>
public sealed record OwnSchemeDraft(Guid ZoneId, [NameBound] string Name);

/// <summary>A ready scheme that is to go on a zone.</summary>
/// <param name="Scheme">Name of the scheme.</param>
/// <param name="Version">The version of the zone's scheme that was looked at.</param>
/// <param name="DryRun">Only says what it would come to.</param>
public sealed record TakeScheme([NameBound] string Scheme, [VersionBound] int Version = 0, bool DryRun = false);

/// <summary>A ready scheme as a zone would be painted by it.</summary>
/// <param name="Zone">The zone.</param>
/// <param name="ToBuy">Paints that nothing on the shelf stands in for.</param>
public sealed record TakenScheme(BegunZone Zone, IReadOnlyList<string> ToBuy);

/// <summary>A ready scheme as this bench would paint it.</summary>
/// <param name="Id">Its id, where it is one's own.</param>
/// <param name="Name">Name.</param>
/// <param name="About">What it looks like, in a sentence.</param>
/// <param name="Suits">Kinds of things that it suits.</param>
/// <param name="Written">What it should look like.</param>
/// <param name="Look">What it would look like from this shelf; from the starter shelf where this one is empty.</param>
/// <param name="Words">How the two differ, in words.</param>
/// <param name="DeltaE">The largest difference, dE00.</param>
/// <param name="Roles">Its coats by what they are there for.</param>
public sealed record ReadySchemeView(Guid? Id, string Name, string About, IReadOnlyList<ThingKind> Suits, LookView Written, LookView Look, string Words, double DeltaE, IReadOnlyList<RoleView> Roles);
