using Lowfell.Core.Amounts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Safety;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Diagnosis;

/// <summary>A remedy as it can be done here.</summary>
/// <param name="Remedy">The remedy.</param>
/// <param name="Steps">Its steps.</param>
/// <param name="Cost">Minutes over all copies with what its risk counts for: they are offered in that order.</param>
/// <param name="Risk">What the rules say of it in this stack, in words; empty where nothing new.</param>
/// <param name="Ml">Of all its coats on all copies, ml.</param>
/// <param name="Missing">What it takes that is not on the shelf; empty where all is there.</param>
/// <param name="Cautions">Cautions.</param>
public sealed record Offer(Remedy Remedy, IReadOnlyList<RepairStep> Steps, double Cost, string Risk, double Ml, string Missing, IReadOnlyList<string> Cautions);

/// <summary>Remedies of a symptom in a stack, the cheapest first.</summary>
public static class RemedyOffers
{
    // What advice and a risk count for, minutes.
    private const double NoteMin = 5, RiskMin = 20;

    /// <summary>Lists them; one that would bring a stop is left out, and stripping where the ground would not bear it.</summary>
    /// <param name="of">The case.</param>
    /// <param name="before">Findings of the stack as it is planned.</param>
    /// <param name="shelf">What may be reached for.</param>
    /// <param name="newId">Gives a coat of a remedy its id.</param>
    public static IReadOnlyList<Offer> Of(MendCase of, IReadOnlyList<Finding> before, Shelf shelf, Func<Guid> newId)
    {
        ArgumentNullException.ThrowIfNull(of);
        var copies = Math.Max(1, of.Seen.Count);
        var offers = new List<Offer>();
        foreach (var remedy in of.Symptom.Remedies.Where(r => !RuledOut(of, r)))
        {
            if (Make(of, remedy, copies, before, shelf, newId) is { } offer)
            {
                offers.Add(offer);
            }
        }

        return [.. offers.OrderBy(o => o.Cost)];
    }

    private static bool RuledOut(MendCase of, Remedy remedy) => remedy.OnlyIf is { } question && of.Answers.TryGetValue(question, out var yes) && !yes;

    private static Offer? Make(MendCase of, Remedy remedy, int copies, IReadOnlyList<Finding> before, Shelf shelf, Func<Guid> newId)
    {
        var at = of.CoatAt;
        if (remedy.Kind == RemedyKind.Strip && of.Stack is { } bare && StripsWith(bare.Zone.Substrate).Count == 0)
        {
            return null;
        }

        var missing = new List<string>();
        var coats = new List<(Coat Coat, double Share)>();
        if (at >= 0)
        {
            foreach (var want in remedy.Coats)
            {
                if (CoatOf(of.Stack!, at, want, shelf) is { } coat)
                {
                    coats.Add((coat with { Id = newId() }, want.Share));
                }
                else
                {
                    missing.Add(want.Of);
                }
            }
        }

        var steps = Steps(remedy, coats, missing.Count > 0, newId);
        var (risk, worst) = at < 0 ? ("", (Severity?)null) : Judge(of.Stack!, at, coats, before);
        if (worst == Severity.Stop)
        {
            return null;
        }

        var ml = at < 0 ? 0 : coats.Where(c => c.Coat.LeavesFilm).Sum(c => CoatAmount.Of(c.Coat, [of.Stack!.Zone with { Copies = copies, AreaMm2 = of.Stack.Zone.AreaMm2 * c.Share }], Palette.Wet).TotalMl);
        var cost = (remedy.Minutes * copies) + worst switch { Severity.Risk => RiskMin, Severity.Note => NoteMin, _ => 0 };
        var does = remedy.Kind == RemedyKind.Strip && of.Stack is { } known ? remedy with { Does = $"{remedy.Does}; {known.Zone.Substrate.Facts().Word} bears {string.Join(" and ", StripsWith(known.Zone.Substrate))} scrubbed" } : remedy;
        return new(does, steps, cost, risk, ml, string.Join(", ", missing.Distinct().Select(Missing)), CautionsOf(remedy, coats.ConvertAll(c => c.Coat)));
    }

    // Work by hand is one step; coats are one each, and share the minutes.
    private static IReadOnlyList<RepairStep> Steps(Remedy remedy, List<(Coat Coat, double Share)> coats, bool someMissing, Func<Guid> newId)
    {
        Coat Hand() => new() { Id = newId(), Technique = Technique.Mend };
        List<(Coat Coat, double Share)> laid = [.. coats];
        if (laid.Count == 0 || (someMissing && laid.TrueForAll(c => !c.Coat.LeavesFilm)))
        {
            laid = [(Hand(), 1)];
        }

        var each = remedy.Minutes / laid.Count;
        return [.. laid.Select((c, i) => new RepairStep(c.Coat with { Note = Words.Capital(remedy.Does) + "." }, c.Share, Math.Max(0.2, each), i == laid.Count - 1 ? remedy.WaitMin : 0))];
    }

    /// <summary>Liquids that a bare ground bears scrubbed, in words; none where it is never stripped.</summary>
    internal static IReadOnlyList<string> StripsWith(Substrate substrate)
    {
        var facts = substrate.Facts();
        return facts.Melts || facts.Thirst != Thirst.None ? []
            : [.. new[] { (Carrier.Alcohol, "alcohol"), (Carrier.WhiteSpirit, "white spirit") }.Where(c => facts.Resistance.Against(c.Item1, Impact.Scrubbed) == Bears.RecoatDry).Select(c => c.Item2)];
    }

    private static string Missing(string of) => of switch
    {
        "finish" or "barrier" or "gloss" or "satin" or "matt" => of is "finish" or "barrier" ? "varnish" : $"{of} varnish",
        "same" or "base" or "dark" or "light" => "its paint",
        "medium" => "clear medium",
        _ => of,
    };

    private static IReadOnlyList<string> CautionsOf(Remedy remedy, List<Coat> coats)
    {
        List<string> cautions = [.. coats.SelectMany(Cautions.For).Select(c => c.Text).Distinct()];
        bool Says(string word) => remedy.Does.Contains(word, StringComparison.OrdinalIgnoreCase) || remedy.Takes.Contains(word, StringComparison.OrdinalIgnoreCase);
        if (remedy.Kind == RemedyKind.Strip)
        {
            cautions.Add(Cautions.Stripping);
        }

        if (Says("thinner") || Says("spirit"))
        {
            cautions.Add(Cautions.Wiping);
        }

        if (Says("sand,") || Says("rub down") || coats.Exists(c => c.Technique == Technique.Sand))
        {
            cautions.Add(Cautions.Rubbing);
        }

        if (Says("super glue"))
        {
            cautions.Add(Cautions.Glue);
        }

        return cautions;
    }

    // What the rules say anew of the stack with its coats put in above the one that it is about.
    private static (string Words, Severity? Worst) Judge(StackDraft stack, int at, List<(Coat Coat, double Share)> coats, IReadOnlyList<Finding> before)
    {
        if (coats.Count == 0)
        {
            return ("", null);
        }

        var mended = With(stack, at, coats.ConvertAll(c => c.Coat));
        if (mended.Coats.Count > StackDraft.MostCoats || mended.FirstImpossible() >= 0)
        {
            return ("", Severity.Stop);
        }

        // Only what is said of its own coats, or of others because of them.
        var ids = coats.Select(c => c.Coat.Id).ToHashSet();
        var after = RuleBook.Read(mended, Predictor.PredictMiddle(mended)).Where(f => (ids.Contains(f.CoatId) || (f.WithId is { } with && ids.Contains(with))) && !before.Any(b => b.SameAs(f))).ToList();
        return after.Count == 0 ? ("", null) : (after[0].Severity == Severity.Note ? "" : after[0].What, after[0].Severity);
    }

    /// <summary>The stack with coats of a remedy above the coat that it is about.</summary>
    internal static StackDraft With(StackDraft stack, int at, IReadOnlyList<Coat> coats)
    {
        var all = stack.Coats.ToList();
        all.InsertRange(at + 1, coats);
        return stack with { Coats = all };
    }

    private static Coat? CoatOf(StackDraft stack, int at, RemedyCoat want, Shelf shelf)
    {
        var about = stack.Coats[at];
        if (want.Of == "")
        {
            return new Coat { Id = Guid.Empty, Technique = want.Technique!.Value };
        }

        if (want.Technique is null)
        {
            return about.LeavesFilm ? about with { Known = [], Passes = 1, OwnWaitMin = null, WhileWet = false, Skipped = false, Optional = false, Hurried = false, Hand = Math.Min(1, about.Hand), OwnDeposit = null } : null;
        }

        return FromStack(stack, at, want.Of) is { } own ? Laid(own, want.Technique.Value, shelf) : FromShelf(stack, want.Of, shelf) is { } material ? Usual(want.Technique.Value, material) : null;
    }

    // What is there already: the painter has it, and it is of the piece's own colours.
    private static Coat? FromStack(StackDraft stack, int at, string of)
    {
        var laid = stack.Coats.Where(c => !c.Skipped && c.LeavesFilm).ToList();
        Coat? Below(Func<Coat, bool> which) => stack.Coats.Take(at + 1).LastOrDefault(c => !c.Skipped && c.LeavesFilm && which(c)) ?? laid.Find(c => which(c));
        return of switch
        {
            "same" => stack.Coats[at].LeavesFilm ? stack.Coats[at] : null,
            "base" => Below(c => c.What!.Kind == Kind.Paint && (c.How.Covers || c.How.Role is Role.Field or Role.Spray)) ?? Below(c => c.What!.Kind == Kind.Paint),
            "wash" => Below(c => c.What!.Kind == Kind.Wash),
            "dark" => laid.Where(c => c.What!.Kind == Kind.Paint).MinBy(c => c.Paint!.Lead.Colour.ToLab().L),
            "light" => laid.Where(c => c.What!.Kind == Kind.Paint).MaxBy(c => c.Paint!.Lead.Colour.ToLab().L),
            "pigment" => Below(c => c.What!.Kind == Kind.Powder),
            "grit" => Below(c => c.What!.Kind == Kind.Grit),
            "tufts" => Below(c => c.What!.Kind == Kind.Plants),
            _ => null,
        };
    }

    private static Material? FromShelf(StackDraft stack, string of, Shelf shelf)
    {
        Material? Varnish(Sheen sheen) => shelf.Varnishes(sheen).OrderBy(m => m.Family.Facts().Carrier != Carrier.Water).FirstOrDefault();
        Material? Of(Kind kind) => shelf.Materials.Where(m => m.Family.Facts().Kind == kind && m.Family.Facts().Carrier is Carrier.Water or Carrier.None).OrderBy(m => m.Name, StringComparer.Ordinal).FirstOrDefault();
        var ground = stack.Coats.LastOrDefault(c => !c.Skipped && c.LeavesFilm && c.How.Covers)?.Paint?.Lead.Colour;
        return of switch
        {
            "finish" => Varnish(stack.Zone.Finish.AsFilm()),
            "barrier" => Varnish(Sheen.Satin) ?? Varnish(Sheen.Matt) ?? Varnish(Sheen.Gloss),
            "gloss" => Varnish(Sheen.Gloss),
            "satin" => Varnish(Sheen.Satin),
            "matt" => Varnish(Sheen.Matt),
            "wash" => shelf.Materials.Where(m => m.Family == Family.AcrylicWash).MinBy(m => m.Colour.ToLab().L),
            "base" when ground is { } colour => shelf.Nearest(colour, m => m.Family == Family.AcrylicPaint),
            "dark" => shelf.Materials.Where(m => m.Family == Family.AcrylicPaint).MinBy(m => m.Colour.ToLab().L),
            "light" => shelf.Materials.Where(m => m.Family == Family.AcrylicPaint).MaxBy(m => m.Colour.ToLab().L),
            "medium" => Of(Kind.Medium),
            "glue" => shelf.First(Family.Pva),
            "grit" => Of(Kind.Grit),
            "pigment" => Of(Kind.Powder),
            "tufts" => Of(Kind.Plants),
            _ => null,
        };
    }

    private static Coat? Laid(Coat own, Technique technique, Shelf shelf)
    {
        if (own.Material is { } material)
        {
            // A can is not brushed: the nearest paint of the shelf is.
            var can = material.Family.Facts().InCan || material.Family == Family.Lacquer;
            var brushed = can ? shelf.Nearest((own.MixedTo ?? material.Colour), m => m.Family == Family.AcrylicPaint) : material;
            return brushed is null ? null : Usual(technique, brushed) is var usual && own.MixedTo is { } colour && !can ? (usual with { MixedTo = colour }).Of(brushed) : usual;
        }

        // A mix goes on as it is.
        var family = own.Paint!.Lead.Family;
        return new Coat
        {
            Id = Guid.Empty,
            Technique = technique,
            Paint = own.Paint,
            Dilution = Dilution.Of(technique.UsualFraction(family)),
            Thinner = family.Facts().OwnThinner,
        };
    }

    // Varnish goes on neat; a glaze in medium.
    private static Coat Usual(Technique technique, Material material)
    {
        var coat = Coat.Usual(technique, material);
        return coat.How.Role == Role.Varnish ? coat with { Dilution = Dilution.Neat }
            : coat.How.Stains && material.Family == Family.AcrylicPaint ? coat with { Thinner = Thinner.AcrylicMedium } : coat;
    }
}
