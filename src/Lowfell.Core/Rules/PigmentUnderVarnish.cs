using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>By school: loose pigment under varnish, or unfixed pigment where it is handled.</summary>
internal static class PigmentUnderVarnish
{
    public const string Id = "pigment-under-varnish";

    private const int FixSalt = 71;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        var loose = reading.Draft.Schools.Pigments == PigmentSchool.Loose;
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.Family != Family.Pigment || coat.Technique != Technique.Pigment)
            {
                continue;
            }

            var above = reading.Applied.Where(a => a > i).ToList();
            var fix = above.FirstOrDefault(a => reading.Coat(a).Technique == Technique.FixPigment, -1);
            var varnish = above.FirstOrDefault(a => reading.Coat(a).Family?.IsVarnish() == true, -1);
            var unfixed = fix < 0 || (varnish >= 0 && varnish < fix);
            if (varnish >= 0 && unfixed)
            {
                var last = above.Last(a => reading.Coat(a).Family?.IsVarnish() == true);
                findings.Add(new(
                    Id,
                    Severity.Note,
                    coat.Id,
                    varnish,
                    "Varnish comes over loose pigment.",
                    "It darkens and flattens the powder, and blows some of it away.",
                    () => loose ? [MoveUp(reading, coat, last)] : [Fix(reading, i), MoveUpAndFix(reading, coat, last)]));
            }
            else if (!loose && reading.Zone.Handled && unfixed)
            {
                findings.Add(new(
                    Id,
                    Severity.Note,
                    coat.Id,
                    i + 1,
                    "This pigment is handled and nothing fixes it.",
                    "It comes off on fingers; your school fixes pigment with solvent or binder.",
                    () => [Fix(reading, i)]));
            }
        }
    }

    private static Mend MoveUp(StackReading reading, Coat coat, int above) =>
        new("move", "Move the pigment above the varnish", () => reading.Draft.MoveAbove(coat.Id, reading.Coat(above).Id));

    private static Mend MoveUpAndFix(StackReading reading, Coat coat, int above) =>
        new("move", "Move the pigment above the varnish and fix it", () =>
        {
            var moved = reading.Draft.MoveAbove(coat.Id, reading.Coat(above).Id);
            return moved.Insert(moved.IndexOf(coat.Id) + 1, FixCoat(moved, coat, reading.Shelf));
        });

    private static Mend Fix(StackReading reading, int i) =>
        new("fix", "Fix it with a drop of thinned medium", () => reading.Draft.Insert(i + 1, FixCoat(reading.Draft, reading.Coat(i), reading.Shelf)));

    private static Coat FixCoat(StackDraft draft, Coat pigment, Shelf shelf)
    {
        var binder = shelf.First(Family.AcrylicMedium) ?? Shelf.Staples.First(Family.AcrylicMedium)!;
        return new Coat { Id = draft.NewId(pigment.Id, FixSalt), Technique = Technique.FixPigment, Dilution = Dilution.Of(0.1) }.Of(binder);
    }
}
