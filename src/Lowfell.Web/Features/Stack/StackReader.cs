using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Shelf;

namespace Lowfell.Web.Features.Stack;

/// <summary>Parses drafts into Core's types at the edge, and maps coats back.</summary>
public static class StackReader
{
    // Index fields are named only when something is wrong; these keep the right path free of strings.
    private static readonly string[] Prefixes = [.. Enumerable.Range(0, StackDraft.MostCoats).Select(i => $"coats[{i}].")];

    /// <summary>Whether any coat names the shelf.</summary>
    public static bool NamesShelf(IReadOnlyList<CoatDraft> coats)
    {
        foreach (var coat in coats)
        {
            if (coat is { MaterialId: not null } or { MixId: not null })
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>The draft in Core's terms.</summary>
    /// <exception cref="RefusedException">A field is out of bounds or names what is not on the shelf.</exception>
    public static StackDraft Read(ZoneDraft zone, IReadOnlyList<CoatDraft> coats, Schools? schools, OpenShelf? shelf)
    {
        var checks = new Checks();
        ZoneDraft.CheckHeights(checks, "zone.", (zone.HeightFromMm, zone.HeightToMm, zone.PieceHeightMm));
        CheckCoats(checks, coats, inlineAllowed: true);
        CheckFades(checks, zone, coats);
        checks.Enforce();
        var read = new Coat[coats.Count];
        for (var i = 0; i < read.Length; i++)
        {
            read[i] = Read(coats[i], shelf, checks, Prefixes[i]);
        }

        checks.Enforce();
        CheckWet(checks, read);
        checks.Enforce();
        return new(zone.ToCore(), schools ?? new Schools(), read) { Climate = zone.Air?.ToCore() ?? Climate.Reference };
    }

    /// <summary>A stack that was kept, once it had been checked.</summary>
    public static StackDraft ReadKept(Zone zone, IReadOnlyList<CoatDraft> coats, Schools schools, OpenShelf? shelf)
    {
        var checks = new Checks();
        var read = coats.Select((c, i) => Read(c, shelf, checks, Prefixes[i])).ToArray();
        checks.Enforce();
        return new(zone, schools, read);
    }

    /// <summary>Checks coats that are previewed or kept.</summary>
    public static void CheckCoats(Checks checks, IReadOnlyList<CoatDraft> coats, bool inlineAllowed)
    {
        for (var i = 0; i < coats.Count; i++)
        {
            CheckCoat(checks, coats, i, inlineAllowed);
        }
    }

    /// <summary>Checks that what is laid or worked wet lies on something that was wet.</summary>
    public static void CheckWet(Checks checks, IReadOnlyList<Coat> coats)
    {
        var impossible = new StackDraft(new Zone(), new Schools(), coats).FirstImpossible();
        if (impossible < 0)
        {
            return;
        }

        var coat = coats[impossible];
        var first = !coats.Take(impossible).Any(c => c.LeavesFilm);
        var what = coat.WhileWet ? "It can't go on while what is below is wet" : $"{Words.Capital(coat.How.Word)} works on the coat below while that is open";
        checks.Fault($"{Prefixes[impossible]}{(coat.WhileWet ? "whileWet" : "technique")}", $"{what}: {(first ? "there is no coat below." : "the coat below never was wet.")}");
    }

    /// <summary>A coat back in the contract's terms; what Core does not know is kept from the draft it came from.</summary>
    public static CoatDraft Write(Coat coat, IReadOnlyDictionary<Guid, CoatDraft> before, OpenShelf? shelf)
    {
        var old = before.GetValueOrDefault(coat.Id);
        var draft = (old ?? new CoatDraft { Id = coat.Id, Technique = coat.Technique }) with
        {
            Technique = coat.Technique,
            Passes = coat.Passes,
            PaintFraction = coat.Dilution.PaintFraction,
            Thinner = coat.Thinner,
            Hand = coat.Hand,
            Hurried = coat.Hurried,
            Optional = coat.Optional,
            Skipped = coat.Skipped,
            WhileWet = coat.WhileWet,
            Wait = coat.Wait,
            WaitMinutes = coat.OwnWaitMin,
            Marks = coat.Marks,
            Fade = coat.Fade,
            Known = coat.Known,
            Note = coat.Note,
            MixedTo = coat.MixedTo?.ToString(),
            Deposit = coat.OwnDeposit is { } d ? new(d.WetFilmUm, d.Coverage) : null,
        };
        if (coat.Material is not { } material)
        {
            return draft;
        }

        return shelf?.Find(material.Id) is not null
            ? draft with { MaterialId = material.Id, MixId = null, Material = null }
            : draft with { MaterialId = null, MixId = null, Material = MaterialDraft.Of(material) };
    }

    private static void CheckCoat(Checks checks, IReadOnlyList<CoatDraft> coats, int i, bool inlineAllowed)
    {
        var (coat, at) = (coats[i], Prefixes[i]);
        for (var j = 0; j < i; j++)
        {
            if (coats[j].Id == coat.Id)
            {
                checks.Fault(at + "id", $"Coat {coat.Id} stands twice in the stack.");
            }
        }

        CheckKnown(checks, coat, at);
        CheckSource(checks, coat, at, inlineAllowed);
    }

    private static void CheckSource(Checks checks, CoatDraft coat, string at, bool inlineAllowed)
    {
        if (coat.Material is { } material)
        {
            if (inlineAllowed)
            {
                material.Check(checks, at + "material.", named: false);
            }
            else
            {
                checks.Fault(at + "material", "Only materials of the shelf can be kept; give materialId or mixId.");
            }
        }

        var how = coat.Technique.Facts();
        var named = (coat.MaterialId is null ? 0 : 1) + (coat.MixId is null ? 0 : 1) + (coat.Material is null ? 0 : 1);
        if (named > 1 || (named == 0 && how.NeedsMaterial))
        {
            checks.Fault(at + "materialId", $"{Words.Capital(Words.A(how.Word))} is of exactly one material or mix.");
        }
    }

    private static void CheckKnown(Checks checks, CoatDraft coat, string at)
    {
        for (var k = 0; k < coat.Known.Count; k++)
        {
            var known = coat.Known[k];
            if (RuleBook.Of(known.Rule) is null)
            {
                checks.Fault(at + "known", $"'{Short(known.Rule)}' is no rule of the book.");
            }
        }
    }

    private static void CheckFades(Checks checks, ZoneDraft zone, IReadOnlyList<CoatDraft> coats)
    {
        var top = zone.PieceHeightMm ?? SizeBoundAttribute.Tallest;
        for (var i = 0; i < coats.Count; i++)
        {
            if (coats[i].Fade is not { } fade)
            {
                continue;
            }

            CheckFade(checks, fade, Prefixes[i], top);
            var (low, high) = (Math.Min(fade.FullMm, fade.NoneMm), Math.Max(fade.FullMm, fade.NoneMm));
            if (low >= zone.HeightToMm || high <= zone.HeightFromMm)
            {
                checks.Fault(Prefixes[i] + "fade", $"It fades between {low} and {high} mm, but the zone reaches from {zone.HeightFromMm} to {zone.HeightToMm} mm.");
            }
        }
    }

    private static void CheckFade(Checks checks, Fade fade, string at, double top)
    {
        checks.Within(at + "fade.fullMm", fade.FullMm, 0, top, " mm, the height of the piece");
        checks.Within(at + "fade.noneMm", fade.NoneMm, 0, top, " mm, the height of the piece");
        if (fade.FullMm == fade.NoneMm)
        {
            checks.Fault(at + "fade", $"It is full and gone at {fade.FullMm} mm alike; a coat that fades needs two heights.");
        }
    }

    private static string Short(string text) => text.Length > 40 ? text[..40] + "…" : text;

    private static Coat Read(CoatDraft draft, OpenShelf? shelf, Checks checks, string at)
    {
        var coat = new Coat
        {
            Id = draft.Id,
            Technique = draft.Technique,
            MixedTo = draft.MixedTo is null ? null : Srgb.Parse(draft.MixedTo),
            Passes = draft.Passes,
            Hand = draft.Hand,
            OwnDeposit = draft.Deposit is { } d ? new([.. d.WetFilmUm], [.. d.Coverage]) : null,
            Hurried = draft.Hurried,
            Optional = draft.Optional,
            Skipped = draft.Skipped,
            WhileWet = draft.WhileWet,
            Wait = draft.Wait,
            OwnWaitMin = draft.WaitMinutes,
            Marks = draft.Marks,
            Fade = draft.Fade,
            Known = draft.Known,
            Note = draft.Note,
        };
        if (!coat.How.NeedsMaterial)
        {
            return coat;
        }

        if (draft.Material is { } inline)
        {
            coat = coat.Of(inline.ToCore());
        }
        else if (draft.MaterialId is { } materialId)
        {
            if (shelf?.Find(materialId) is not { } material)
            {
                checks.Fault(at + "materialId", $"There is no material {materialId} on this shelf.");
                return coat;
            }

            coat = coat.MixedTo is null ? coat with { Material = material, Paint = shelf.Paints[materialId] } : coat.Of(material);
        }
        else if (draft.MixId is { } mixId)
        {
            if (shelf?.Paints.TryGetValue(mixId, out var paint) != true)
            {
                checks.Fault(at + "mixId", shelf?.MixFaults.GetValueOrDefault(mixId) ?? $"There is no mix {mixId} on this bench.");
                return coat;
            }

            coat = coat with { Paint = paint };
        }

        var family = coat.Family!.Value;
        return coat with
        {
            Dilution = Dilution.Of(draft.PaintFraction ?? draft.Technique.UsualFraction(family)),
            Thinner = draft.Thinner ?? family.Facts().OwnThinner,
        };
    }
}
