using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Store;

namespace Lowfell.Web.Features.Stack;

/// <summary>Between coats as they are sent and as they are kept.</summary>
internal static class CoatRows
{
    public static CoatDraft Write(CoatRow c) => new()
    {
        Id = c.Id,
        Technique = c.Technique,
        MaterialId = c.MaterialId,
        MixId = c.MixId,
        MixedTo = c.MixedTo,
        Passes = c.Passes,
        PaintFraction = c.PaintFraction,
        DilutionForm = c.DilutionForm,
        Thinner = c.Thinner,
        Hand = c.Hand,
        Deposit = c.OwnDeposit is { Length: 6 } d ? new(d[..3], d[3..]) : null,
        Hurried = c.Hurried,
        Optional = c.Optional,
        Skipped = c.Skipped,
        WhileWet = c.WhileWet,
        Wait = c.Wait,
        WaitMinutes = c.WaitMinutes,
        Marks = c is { MarkCount: { } count, MarkWidthMm: { } width, MarkLengthMm: { } length } ? new(count, width, length, c.MarkKind, c.MarkStripMm2) : null,
        Fade = c is { FadeFullMm: { } full, FadeNoneMm: { } none } ? new(full, none) : null,
        Known = c.Known,
        Note = c.Note,
    };

    /// <summary>Makes the rows of a scheme those of a draft: kept ones change, gone ones go, new ones come.</summary>
    /// <param name="db">The database.</param>
    /// <param name="scheme">The scheme, its coats loaded.</param>
    /// <param name="coats">The coats as they should be.</param>
    /// <param name="families">Families of materials and mixes, by id.</param>
    public static void Replace(LowfellDb db, SchemeRow scheme, IReadOnlyList<CoatDraft> coats, IReadOnlyDictionary<Guid, Family> families)
    {
        var old = scheme.Coats.ToDictionary(c => c.Id);
        for (var i = 0; i < coats.Count; i++)
        {
            if (!old.Remove(coats[i].Id, out var row))
            {
                row = new CoatRow { Id = coats[i].Id, SchemeId = scheme.Id };
                scheme.Coats.Add(row);
                db.Coats.Add(row);
            }

            Copy(coats[i], (coats[i].MaterialId ?? coats[i].MixId) is { } of && families.TryGetValue(of, out var family) ? family : null, row, i);
        }

        foreach (var gone in old.Values)
        {
            scheme.Coats.Remove(gone);
            db.Coats.Remove(gone);
        }
    }

    // What was left to the family is kept as it was worked out, so that a later change of a table does not change a kept stack.
    private static void Copy(CoatDraft c, Family? family, CoatRow row, int position)
    {
        (row.Position, row.Technique, row.MaterialId, row.MixId, row.MixedTo) = (position, c.Technique, c.MaterialId, c.MixId, c.MixedTo);
        (row.Passes, row.PaintFraction, row.DilutionForm, row.Thinner, row.Hand) =
            (c.Passes, c.PaintFraction ?? (family is { } f ? c.Technique.UsualFraction(f) : 1), c.DilutionForm, c.Thinner ?? family?.Facts().OwnThinner ?? Thinner.Water, c.Hand);
        row.OwnDeposit = c.Deposit is { } d ? [.. d.WetFilmUm, .. d.Coverage] : null;
        (row.Hurried, row.Optional, row.Skipped, row.Note) = (c.Hurried, c.Optional, c.Skipped, c.Note);
        (row.WhileWet, row.Wait, row.WaitMinutes) = (c.WhileWet, c.Wait, c.WaitMinutes);
        (row.MarkCount, row.MarkWidthMm, row.MarkLengthMm, row.MarkKind, row.MarkStripMm2) = (c.Marks?.Count, c.Marks?.WidthMm, c.Marks?.LengthMm, c.Marks?.Kind, c.Marks?.StripMm2);
        (row.FadeFullMm, row.FadeNoneMm, row.Known) = (c.Fade?.FullMm, c.Fade?.NoneMm, [.. c.Known]);
    }
}
