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
        Wait = c.Wait,
        Note = c.Note,
    };

    /// <summary>Makes the rows of a scheme those of a draft: kept ones change, gone ones go, new ones come.</summary>
    public static void Replace(LowfellDb db, SchemeRow scheme, IReadOnlyList<CoatDraft> coats)
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

            Copy(coats[i], row, i);
        }

        foreach (var gone in old.Values)
        {
            scheme.Coats.Remove(gone);
            db.Coats.Remove(gone);
        }
    }

    private static void Copy(CoatDraft c, CoatRow row, int position)
    {
        (row.Position, row.Technique, row.MaterialId, row.MixId, row.MixedTo) = (position, c.Technique, c.MaterialId, c.MixId, c.MixedTo);
        (row.Passes, row.PaintFraction, row.DilutionForm, row.Thinner, row.Hand) = (c.Passes, c.PaintFraction, c.DilutionForm, c.Thinner, c.Hand);
        row.OwnDeposit = c.Deposit is { } d ? [.. d.WetFilmUm, .. d.Coverage] : null;
        (row.Hurried, row.Optional, row.Skipped, row.Wait, row.Note) = (c.Hurried, c.Optional, c.Skipped, c.Wait, c.Note);
    }
}
