using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Web.Features.Mixes;

/// <summary>A mix that is being made.</summary>
/// <param name="TotalMl">How much, ml; or give drops.</param>
/// <param name="Drops">Whole drops of each component of the recipe, as counted.</param>
/// <param name="Note">Note.</param>
public sealed record MixMade([MixedVolumeBound] double? TotalMl = null, [ComponentsBound, CountedDropsBound] IReadOnlyList<int>? Drops = null, [NoteBound] string Note = "");

/// <summary>More of it, or a little of one thing.</summary>
/// <param name="Ml">How much, ml.</param>
/// <param name="MaterialId">Only this material; else the whole recipe.</param>
/// <param name="Thinner">Only this thinner.</param>
public sealed record TopUp([MixedVolumeBound] double Ml, Guid? MaterialId = null, Thinner? Thinner = null);

/// <summary>Some of a made mix being used.</summary>
/// <param name="Ml">Ml taken.</param>
/// <param name="PieceId">The piece; none where it was thrown away.</param>
/// <param name="Copies">Numbers of the copies, from 1.</param>
/// <param name="Note">Note.</param>
public sealed record MixUse([TakenVolumeBound] double Ml, Guid? PieceId = null, [AnyCopiesBound, CopiesBound] IReadOnlyList<int>? Copies = null, [NoteBound] string Note = "");

/// <summary>A mix being made again.</summary>
/// <param name="TotalMl">How much, ml.</param>
public sealed record MixAgain([MixedVolumeBound] double TotalMl);

/// <summary>What went into a mix.</summary>
/// <param name="Name">What.</param>
/// <param name="MaterialId">The material then.</param>
/// <param name="Colour">Its colour then; none for a thinner.</param>
/// <param name="Ml">Ml.</param>
/// <param name="Lot">Lot of the bottle.</param>
/// <param name="At">When it went in.</param>
public sealed record MixRecordLine(string Name, Guid? MaterialId, string? Colour, double Ml, string Lot, DateTimeOffset At);

/// <summary>Where some of it went.</summary>
/// <param name="At">When.</param>
/// <param name="PieceId">The piece.</param>
/// <param name="Piece">Its name; none where it was thrown away.</param>
/// <param name="Copies">Numbers of the copies.</param>
/// <param name="Ml">Ml.</param>
/// <param name="Note">Note.</param>
public sealed record MixUseView(DateTimeOffset At, Guid? PieceId, string? Piece, IReadOnlyList<int> Copies, double Ml, string Note);

/// <summary>A mix that was made.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Its version, which each use and top-up raises.</param>
/// <param name="MixId">The recipe; none once that is deleted.</param>
/// <param name="Name">Name of the mix then.</param>
/// <param name="MadeAt">When.</param>
/// <param name="MadeMl">How much, top-ups counted, ml.</param>
/// <param name="LeftMl">In the pot now, ml.</param>
/// <param name="Note">Note.</param>
/// <param name="Colour">The dry, hiding mix as predicted.</param>
/// <param name="Lines">What went in.</param>
/// <param name="Uses">What it was used on.</param>
/// <param name="ShelfSaidLess">Materials of which the shelf held less than went in; the bottles are empty there now.</param>
public sealed record MixRecordView(
    Guid Id,
    int Version,
    Guid? MixId,
    string Name,
    DateTimeOffset MadeAt,
    double MadeMl,
    double LeftMl,
    string Note,
    string Colour,
    IReadOnlyList<MixRecordLine> Lines,
    IReadOnlyList<MixUseView> Uses,
    IReadOnlyList<string>? ShelfSaidLess = null);

/// <summary>What making a mix again comes to.</summary>
/// <param name="Then">The dry, hiding mix as it was.</param>
/// <param name="Now">The same recipe from today's shelf; none where something is gone.</param>
/// <param name="DeltaE">dE00 between the two.</param>
/// <param name="Changes">What has changed since: lots, edited materials, what is gone or runs short.</param>
/// <param name="Lines">What to put in for the wanted volume.</param>
public sealed record MixAgainView(string Then, string? Now, double? DeltaE, IReadOnlyList<string> Changes, IReadOnlyList<MixAgainLine> Lines);

/// <summary>What to put in.</summary>
/// <param name="Name">What.</param>
/// <param name="Ml">Ml.</param>
/// <param name="Drops">Drops, to a tenth.</param>
/// <param name="Gone">No longer on the shelf.</param>
public sealed record MixAgainLine(string Name, double Ml, double Drops, bool Gone);
