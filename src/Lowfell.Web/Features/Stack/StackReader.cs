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
    private const int LongestNote = 2000;
    private const int LongestReason = 500;
    private const int MostKnown = 40;

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
        zone.Check(checks, "zone.");
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
        if (coat.PaintFraction is { } fraction && !Dilution.IsValid(fraction))
        {
            checks.Fault(at + "paintFraction", $"{fraction} is no share of paint; above 0 to 1 is.");
        }

        if (coat.WaitMinutes is { } wait && !(wait >= 0 && wait <= Coat.LongestWaitMin))
        {
            checks.Fault(at + "waitMinutes", $"A wait of {wait} minutes is outside 0 to {Coat.LongestWaitMin} (60 days).");
        }

        CheckMarks(checks, coat, at);
        CheckKnown(checks, coat, at);

        if (coat.Deposit is { } deposit)
        {
            CheckDeposit(checks, deposit, at + "deposit.");
        }

        if (coat.Fade is { } fade)
        {
            CheckFade(checks, fade, at, ZoneDraft.TallestMm);
        }

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

    private static void CheckMarks(Checks checks, CoatDraft coat, string at)
    {
        if (coat.Marks is not { } marks)
        {
            return;
        }

        checks.Within(at, "marks.count", marks.Count, 1, 100_000);
        if (!(marks.WidthMm > 0 && marks.WidthMm <= 500))
        {
            checks.Fault(at + "marks.widthMm", $"Marks {marks.WidthMm} mm wide can't be drawn; above 0 to 500 mm can.");
        }

        if (!(marks.LengthMm > 0 && marks.LengthMm <= 3000))
        {
            checks.Fault(at + "marks.lengthMm", $"Marks {marks.LengthMm} mm long can't be drawn; above 0 to 3000 mm can.");
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

            if (string.IsNullOrWhiteSpace(known.Reason))
            {
                checks.Fault(at + "known", "Say in a word why it may rest.");
            }

            checks.Text(at, "known", known.Reason, LongestReason);
            checks.Text(at, "known", known.Aspect, Checks.LongestName);
            checks.Text(at, "known", known.Mark, Checks.LongestName);
        }

        if (coat.Known.Count > MostKnown)
        {
            checks.Fault(at + "known", $"{coat.Known.Count} answers are too many; {MostKnown} are allowed.");
        }
    }

    private static void CheckFades(Checks checks, ZoneDraft zone, IReadOnlyList<CoatDraft> coats)
    {
        var top = zone.PieceHeightMm ?? ZoneDraft.TallestMm;
        for (var i = 0; i < Math.Min(coats.Count, Prefixes.Length); i++)
        {
            if (coats[i]?.Fade is not { } fade)
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
        checks.Within(at, "fade.fullMm", fade.FullMm, 0, top, " mm, the height of the piece");
        checks.Within(at, "fade.noneMm", fade.NoneMm, 0, top, " mm, the height of the piece");
        if (fade.FullMm == fade.NoneMm)
        {
            checks.Fault(at + "fade", $"It is full and gone at {fade.FullMm} mm alike; a coat that fades needs two heights.");
        }
    }

    private static string Short(string text) => text.Length > 40 ? text[..40] + "…" : text;

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
