using Lowfell.Core.Colour;
using Lowfell.Core.Drying;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Web.Features.Benches;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Hosting;

namespace Lowfell.Web.Features.Stack;

/// <summary>Parses drafts into Core's types at the edge, and maps coats back.</summary>
public static class StackReader
{
    private const int LongestNote = 2000;

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
    public static StackDraft Read(ZoneDraft zone, IReadOnlyList<CoatDraft> coats, SchoolsView? schools, OpenShelf? shelf)
    {
        var checks = new Checks();
        zone.Check(checks, "zone.");
        CheckCoats(checks, coats, inlineAllowed: true);
        checks.Enforce();
        var read = new Coat[coats.Count];
        for (var i = 0; i < read.Length; i++)
        {
            read[i] = Read(coats[i], shelf, checks, Prefixes[i]);
        }

        checks.Enforce();
        return new(zone.ToCore(), schools?.ToCore() ?? new Schools(), read) { Climate = zone.Air?.ToCore() ?? Climate.Reference };
    }

    /// <summary>Checks coats that are previewed or kept.</summary>
    public static void CheckCoats(Checks checks, IReadOnlyList<CoatDraft> coats, bool inlineAllowed)
    {
        if (coats.Count > StackDraft.MostCoats)
        {
            checks.Fault("coats", $"{coats.Count} coats are too many; {StackDraft.MostCoats} are allowed.");
            return;
        }

        for (var i = 0; i < coats.Count; i++)
        {
            CheckCoat(checks, coats, i, inlineAllowed);
        }
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
            Wait = coat.Wait,
            MixedTo = coat.MixedTo?.ToString(),
            Deposit = coat.OwnDeposit is { } d ? new(d.WetFilmUm, d.Coverage) : null,
        };
        if (coat.Material is not { } material)
        {
            return draft;
        }

        return shelf?.Materials.ContainsKey(material.Id) == true
            ? draft with { MaterialId = material.Id, MixId = null, Material = null }
            : draft with { MaterialId = null, MixId = null, Material = MaterialDraft.Of(material) };
    }

    private static void CheckCoat(Checks checks, IReadOnlyList<CoatDraft> coats, int i, bool inlineAllowed)
    {
        var (coat, at) = (coats[i], Prefixes[i]);
        if (coat is null)
        {
            checks.Fault($"coats[{i}]", "A coat is missing here.");
            return;
        }

        for (var j = 0; j < i; j++)
        {
            if (coats[j]?.Id == coat.Id)
            {
                checks.Fault(at + "id", $"Coat {coat.Id} stands twice in the stack.");
            }
        }

        checks.Within(at, "passes", coat.Passes, 1, Coat.MostPasses);
        checks.Within(at, "hand", coat.Hand, 0.5, 2);
        checks.Colour(at, "mixedTo", coat.MixedTo);
        checks.Text(at, "note", coat.Note, LongestNote);
        if (!Dilution.IsValid(coat.PaintFraction))
        {
            checks.Fault(at + "paintFraction", $"{coat.PaintFraction} is outside 0 (not allowed itself) to 1.");
        }

        if (coat.Deposit is { } deposit)
        {
            CheckDeposit(checks, deposit, at + "deposit.");
        }

        CheckSource(checks, coat, at, inlineAllowed);
    }

    private static void CheckSource(Checks checks, CoatDraft coat, string at, bool inlineAllowed)
    {
        if (coat.Material is { } material)
        {
            if (inlineAllowed)
            {
                material.Check(checks, at + "material.");
            }
            else
            {
                checks.Fault(at + "material", "Only materials of the shelf can be kept; give materialId or mixId.");
            }
        }

        var named = (coat.MaterialId is null ? 0 : 1) + (coat.MixId is null ? 0 : 1) + (coat.Material is null ? 0 : 1);
        if (named > 1 || (named == 0 && coat.Technique != Technique.OpenChips))
        {
            checks.Fault(at + "materialId", "A coat is of exactly one material or mix.");
        }
    }

    private static void CheckDeposit(Checks checks, DepositDraft deposit, string at)
    {
        if (deposit.WetFilmUm.Count != 3 || deposit.Coverage.Count != 3)
        {
            checks.Fault(at + "wetFilmUm", "Three films and three coverages are needed: recess, face, edge.");
            return;
        }

        for (var h = 0; h < 3; h++)
        {
            checks.Within(at, "wetFilmUm", deposit.WetFilmUm[h], 0, 5000, " um");
            checks.Within(at, "coverage", deposit.Coverage[h], 0, 1);
        }
    }

    private static Coat Read(CoatDraft draft, OpenShelf? shelf, Checks checks, string at)
    {
        var coat = new Coat
        {
            Id = draft.Id,
            Technique = draft.Technique,
            MixedTo = draft.MixedTo is null ? null : Srgb.Parse(draft.MixedTo),
            Passes = draft.Passes,
            Dilution = Dilution.Of(draft.PaintFraction),
            Thinner = draft.Thinner,
            Hand = draft.Hand,
            OwnDeposit = draft.Deposit is { } d ? new([.. d.WetFilmUm], [.. d.Coverage]) : null,
            Hurried = draft.Hurried,
            Optional = draft.Optional,
            Skipped = draft.Skipped,
            Wait = draft.Wait,
        };
        if (draft.Technique == Technique.OpenChips)
        {
            return coat;
        }

        if (draft.Material is { } inline)
        {
            return coat.Of(inline.ToCore());
        }

        if (draft.MaterialId is { } materialId)
        {
            if (shelf?.Materials.TryGetValue(materialId, out var material) == true)
            {
                return coat.MixedTo is null ? coat with { Material = material, Paint = shelf.Paints[materialId] } : coat.Of(material);
            }

            checks.Fault(at + "materialId", $"There is no material {materialId} on this shelf.");
        }
        else if (draft.MixId is { } mixId)
        {
            if (shelf?.Paints.TryGetValue(mixId, out var paint) == true)
            {
                return coat with { Paint = paint };
            }

            checks.Fault(at + "mixId", shelf?.MixFaults.GetValueOrDefault(mixId) ?? $"There is no mix {mixId} on this bench.");
        }

        return coat;
    }
}
