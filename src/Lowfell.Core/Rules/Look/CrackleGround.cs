using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Look;

/// <summary>What keeps a crackle from cracking, or shows the wrong colour in its cracks.</summary>
public static class CrackleGround
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("crackle-ground", "Crackle that will not crack", [Severity.Risk], Reads.Look,
        "A crackle goes on too thin or on a thirsty ground, or the coat over clear crackle medium is not one generous pass.")
    {
        Check = Find,
        Mends = Mend,
    };

    private const string Thin = "thin", Thirsty = "thirsty", Twice = "twice", Again = "again", Hidden = "colour";

    /// <summary>Least share of paste in what is laid. Craft estimate.</summary>
    private const double LeastPaste = 0.9;

    /// <summary>Least share of paint in the coat over clear medium. Craft estimate.</summary>
    private const double LeastOver = 0.8;

    /// <summary>How far the colour in the cracks may be from the one wanted, dE00. Craft estimate.</summary>
    private const double CrackTolerance = 10;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        foreach (var i in reading.Applied)
        {
            var role = reading.Coat(i).How.Role;
            var faults = role == Role.CracklePaste ? OfPaste(reading, i) : role == Role.CrackleMedium ? OfMedium(reading, i) : [];
            foreach (var fault in faults)
            {
                yield return fault;
            }
        }
    }

    private static IEnumerable<Fault> OfPaste(Reading reading, int i)
    {
        var coat = reading.Coat(i);
        if (coat.PaintShare < LeastPaste - 1e-9)
        {
            yield return new(Severity.Risk, i, "This crackle paste is too thin to crack.", "It works from thick paste; thinned, it dries in one skin.") { Aspect = Thin };
        }

        if (reading.Zone.Substrate.Facts().Thirst != Thirst.None && !reading.Applied.Any(k => k < i && reading.Coat(k).LeavesFilm))
        {
            yield return new(Severity.Risk, i, $"This crackle paste goes on {reading.Word(-1)}.", "A thirsty ground draws its water out, and it dries without cracks.") { Aspect = Thirsty };
        }

        foreach (var fault in Colour(reading, i))
        {
            yield return fault;
        }
    }

    private static IEnumerable<Fault> OfMedium(Reading reading, int i)
    {
        foreach (var fault in Colour(reading, i))
        {
            yield return fault;
        }

        var over = reading.Applied.FirstOrDefault(k => k > i && reading.Coat(k).LeavesFilm, -1);
        if (over < 0 || reading.IsVarnish(over))
        {
            yield break;
        }

        var coat = reading.Coat(over);
        if (coat.PaintShare < LeastOver - 1e-9)
        {
            yield return new(Severity.Risk, over, "This coat is too thin to crack.", "The medium cracks a generous coat; a thin one it just drinks.") { Aspect = Thin, With = i };
        }

        if (coat.Passes > 1)
        {
            yield return new(Severity.Risk, over, "A second pass closes the cracks again.", "The coat over crackle medium goes on once, and is not touched again.") { Aspect = Twice, With = i };
        }

        var again = reading.Next(over);
        if (again >= 0 && reading.Coat(again) is { How.Role: Role.Cover, LeavesFilm: true } next && next.Carrier == coat.Carrier)
        {
            yield return new(Severity.Risk, again, "This coat closes the cracks again.", "The coat over crackle medium goes on once; another fills what has opened.") { Aspect = Again, With = over };
        }
    }

    private static IEnumerable<Fault> Colour(Reading reading, int i)
    {
        if (reading.Zone.CrackColour is { } wanted && ColourDifference.Ciede2000(reading.Prediction.Below(i).Face.Lab, wanted.ToLab()) is > CrackTolerance and var off)
        {
            yield return new(Severity.Risk, i, "Another colour than you want will show in the cracks.", "The cracks show what lies right under the crackle.") { Aspect = Hidden, Figure = $"{off:0.0} dE00 from the colour wanted." };
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (draft, coat) = (context.Draft, context.Coat);
        switch (context.Finding.Fault.Aspect)
        {
            case Thin:
                yield return new("thicker", "Use it as thick as it comes", draft.Replace(coat with { Dilution = Dilution.Neat }));
                break;
            case Thirsty:
                foreach (var sealer in Barriers.Sealers(context.Shelf, 1))
                {
                    yield return new("seal-" + Barriers.Key(sealer), $"Seal with {sealer.Material!.Name} first", draft.InsertNew(context.At, sealer, coat.Id, Salt.Seal));
                }

                break;
            case Twice:
                yield return new("once", "Lay it once, generously", draft.Replace(coat with { Passes = 1, Dilution = Dilution.Of(Math.Max(LeastPaste, coat.Dilution.PaintFraction)) }));
                break;
            case Again:
                yield return new("drop", "Leave this coat out", draft.Remove(c => c.Id == coat.Id)) { GivesUpChoice = true };
                break;
            case Hidden when draft.Zone.CrackColour is { } wanted && context.Shelf.Nearest(wanted, m => m.Family.Facts() is { Kind: Kind.Paint, Carrier: Carrier.Water }) is { } paint:
                yield return new("under", $"Put {paint.Name} right under it", draft.InsertNew(context.At, Coat.Usual(paint.Family.Proposed(), paint) with { Passes = 2 }, coat.Id, Salt.Undercoat));
                break;
        }
    }
}
