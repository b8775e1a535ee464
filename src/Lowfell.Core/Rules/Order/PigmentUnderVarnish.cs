using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>By school: varnish over pigment, or pigment that nothing fixes where it is handled.</summary>
public static class PigmentUnderVarnish
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("pigment-under-varnish", "Pigment and varnish", [Severity.Note], Reads.Order,
        "Varnish comes over pigment, or handled pigment stays loose, where the school says otherwise.")
    {
        Schools = ["pigments"],
        Check = Find,
        Mends = Mend,
    };

    private const string Loose = "loose";

    private static IEnumerable<Fault> Find(Reading reading)
    {
        var school = reading.Schools.Pigments;
        if (school == PigmentSchool.Varnished)
        {
            yield break;
        }

        foreach (var i in reading.Laid(Role.Powder))
        {
            var fix = reading.Laid(Role.Fixer).FirstOrDefault(k => k > i, -1);
            var varnish = reading.Applied.FirstOrDefault(k => k > i && reading.IsVarnish(k), -1);
            var buried = reading.Applied.Any(k => k > i && reading.Shields(k) && !reading.IsVarnish(k));
            var fixedFirst = fix >= 0 && (varnish < 0 || fix < varnish);
            if (buried)
            {
                continue;
            }

            if (varnish >= 0 && !fixedFirst)
            {
                yield return new(Severity.Note, i, "Varnish comes over loose pigment.", "It darkens and flattens the powder, and blows some of it away.")
                {
                    Gap = varnish,
                    With = varnish,
                    School = school == PigmentSchool.Loose ? "Your school leaves pigments loose." : "Your school fixes pigments.",
                };
            }
            else if (varnish < 0 && school == PigmentSchool.Fixed && reading.Zone.Handled && !fixedFirst)
            {
                yield return new(Severity.Note, i, "This pigment is handled and nothing fixes it.", "It comes off on fingers.") { Gap = i + 1, Aspect = Loose, School = "Your school fixes pigments." };
            }
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (reading, draft, coat) = (context.Reading, context.Draft, context.Coat);
        var loose = reading.Schools.Pigments == PigmentSchool.Loose;
        if (!loose)
        {
            yield return Alternatives.Fixed(draft, context.At, context.Shelf);
        }

        if (context.Finding.Fault.Aspect != Loose)
        {
            var moved = draft.MoveAbove(coat.Id, draft.Coats[reading.LastVarnish()].Id);
            yield return new("move", "Lay the pigment after the varnish", moved);
            if (!loose)
            {
                yield return Alternatives.Fixed(moved, moved.IndexOf(coat.Id), context.Shelf) with { Id = "move-fix", Label = "Lay the pigment after the varnish, and fix it" };
            }
        }
    }
}
