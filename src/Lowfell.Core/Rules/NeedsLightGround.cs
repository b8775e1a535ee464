using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>More than three passes to cover on this ground.</summary>
internal static class NeedsLightGround
{
    public const string Id = "needs-light-ground";

    /// <summary>Passes that a painter puts up with.</summary>
    private const int Most = 3;
    private const int UndercoatSalt = 51;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        var shaded = false;
        var ground = new StackWalk(reading.Zone);
        var laid = 0;
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            shaded |= coat.Technique.Facts().Shades;

            // Over a pre-shade the coat is thin on purpose.
            if (shaded || !coat.Technique.Facts().Covers || coat.Paint is not { } paint
                || paint.Lead.Family is not (Family.AcrylicPaint or Family.Lacquer or Family.EnamelPaint))
            {
                continue;
            }

            for (; laid < i; laid++)
            {
                if (!reading.Coat(laid).Skipped)
                {
                    ground.LayFace(PreparedCoat.Of(reading.Coat(laid), reading.Zone, Predictor.Residue(reading.Draft, laid)));
                }
            }

            var passes = ColourHelp.PassesToCover(ground, coat, reading.Zone, ReliefHeight.Face);
            if (passes > Most)
            {
                findings.Add(new(
                    Id,
                    Severity.Note,
                    coat.Id,
                    i,
                    $"{paint.Name} needs {(passes > ColourHelp.MostPasses ? $"more than {ColourHelp.MostPasses}" : passes)} passes to cover here.",
                    "It hides little, and the ground is far from its colour; a nearer ground saves passes.",
                    () => Mends(reading, i, passes)));
            }
        }
    }

    private static IEnumerable<Mend> Mends(StackReading reading, int i, int passes)
    {
        var coat = reading.Coat(i);
        if (reading.Draft.Coats.Count >= StackDraft.MostCoats)
        {
            yield break;
        }

        (StackDraft Draft, Material Ground, int Own, int Then)? best = null;
        foreach (var ground in Candidates(reading, coat))
        {
            var under = Undercoat(reading, coat, ground);
            if (!Solvents.Safe(reading, i, under))
            {
                continue;
            }

            var draft = reading.Draft.Insert(i, under);
            var own = Math.Min(2, ColourHelp.PassesToCover(draft, i, ReliefHeight.Face));
            draft = draft.Replace(under with { Passes = own });
            var then = ColourHelp.PassesToCover(draft, i + 1, ReliefHeight.Face);
            if (then <= Most && own + then < passes && (best is null || own + then < best.Value.Own + best.Value.Then) && Solvents.Safe(reading.Of(draft), i + 1, coat))
            {
                best = (draft, ground, own, then);
            }
        }

        if (best is { } found)
        {
            yield return new("undercoat", $"Put {found.Ground.Name} under it ({found.Own} + {found.Then} passes, {passes - found.Own - found.Then} saved)", () => found.Draft);
        }
    }

    private static IEnumerable<Material> Candidates(StackReading reading, Coat coat)
    {
        var lab = coat.Paint!.Lead.Colour.ToLab();
        var primers = reading.Shelf.Materials.Where(m => m.Family.IsPrimer());
        var undercoats = reading.Shelf.Materials
            .Where(m => m.Family == Family.AcrylicPaint && m.ContrastRatio >= 0.85 && m.Effect == Effect.Plain && m.Id != coat.Material?.Id)
            .OrderBy(m => ColourDifference.Ciede2000(m.Colour.ToLab(), lab)).Take(4);
        return primers.Concat(undercoats);
    }

    private static Coat Undercoat(StackReading reading, Coat coat, Material ground) => new Coat
    {
        Id = reading.Draft.NewId(coat.Id, UndercoatSalt),
        Technique = ground.Family == Family.PrimerAerosol ? Technique.SprayCan : Technique.BaseCoat,
        Dilution = ground.Family == Family.PrimerAerosol ? Dilution.Neat : Dilution.Of(0.8),
        Thinner = ground.Family.Facts().OwnThinner,
    }.Of(ground);
}
