using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Lowfell.Core.Tests.Rules;

namespace Lowfell.Core.Tests.Mending;

/// <summary>Stacks of everyday work, longer and in other colours, with one to three faults planted; the same for the same seed.</summary>
internal static class FaultyStacks
{
    public const int Fewest = 4;
    public const int Most = 12;
    private const int MostTries = 8;

    private static readonly string[] Colours = ["#5b6a50", "#8a8375", "#b59a6b", "#7a4030", "#33506b", "#d8cfb4", "#3a3a3c", "#c9a227"];

    private static readonly (string Name, Func<Random, StackDraft, StackDraft?> Plant)[] Faults =
    [
        ("a barrier dropped", DropBarrier),
        ("two coats swapped", Swap),
        ("a wrong thinner", WrongThinner),
        ("a wrong tool", WrongTool),
        ("a hurried wait", Hurry),
    ];

    /// <summary>One stack of a seed, and what was planted in it.</summary>
    public static (StackDraft Stack, string Planted) Of(int seed)
    {
        var random = new Random(seed);
        var everyday = TextbookStack.Everyday.Where(s => s.Draft.Coats.Count is >= Fewest and <= Most).ToList();
        var stack = Numbered(Recoloured(random, Longer(random, everyday[random.Next(everyday.Count)].Draft)));
        var planted = new List<string>();
        var faults = 1 + random.Next(3);
        for (var tries = MostTries; planted.Count < faults && tries > 0; tries--)
        {
            var (name, plant) = Faults[random.Next(Faults.Length)];
            if (plant(random, stack) is { } spoilt && spoilt.Coats.Count >= Fewest && spoilt.FirstImpossible() < 0)
            {
                stack = spoilt;
                planted.Add(name);
            }
        }

        return (stack, string.Join(", ", planted));
    }

    // A dry brush or two more, as painters add them before the last coats.
    private static StackDraft Longer(Random random, StackDraft stack)
    {
        for (var more = random.Next(3); more > 0 && stack.Coats.Count < Most; more--)
        {
            var at = Enumerable.Range(1, stack.Coats.Count - 1).FirstOrDefault(i => stack.Coats[i - 1].How.Covers && stack.Coats[i - 1].LeavesFilm, -1);
            if (at < 0)
            {
                break;
            }

            var paint = new Material { Name = "a lighter tone", Family = Family.AcrylicPaint, Colour = Srgb.Parse("#c8c0a8") };
            stack = stack.Insert(at, new Coat { Id = Guid.NewGuid(), Technique = Technique.DryBrush }.Of(paint));
        }

        return stack;
    }

    private static StackDraft Recoloured(Random random, StackDraft stack) => stack with
    {
        Coats = [.. stack.Coats.Select(c => c is { Material: { Family: Family.AcrylicPaint } paint, How.Covers: true } ? c.Of(paint with { Colour = Srgb.Parse(Colours[random.Next(Colours.Length)]) }) : c)],
    };

    private static StackDraft Numbered(StackDraft stack) => stack with { Coats = [.. stack.Coats.Select((c, i) => c with { Id = new(i + 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 3) })] };

    private static StackDraft? DropBarrier(Random random, StackDraft stack)
    {
        var barriers = stack.Coats.Where(c => c.How.ColourFree && c.LeavesFilm).ToList();
        return barriers.Count == 0 ? null : stack.Remove(c => c.Id == barriers[random.Next(barriers.Count)].Id);
    }

    private static StackDraft? Swap(Random random, StackDraft stack)
    {
        var coats = stack.Coats.ToList();
        var at = random.Next(coats.Count - 1);
        (coats[at], coats[at + 1]) = (coats[at + 1], coats[at]);
        return stack with { Coats = coats };
    }

    private static StackDraft? WrongThinner(Random random, StackDraft stack) => Changed(random, stack, c => c.LeavesFilm && c.Dilution.PaintFraction < 1, c => c with
    {
        Thinner = c.Thinner == Thinner.Water ? Thinner.WhiteSpirit : Thinner.Water,
    });

    private static StackDraft? WrongTool(Random random, StackDraft stack) => Changed(random, stack, c => c is { LeavesFilm: true, How.Sprayed: true } && !c.What!.InCan, c => c with
    {
        Technique = c.How.ColourFree ? Technique.Varnish : Technique.BaseCoat,
        Dilution = Dilution.Of((c.How.ColourFree ? Technique.Varnish : Technique.BaseCoat).UsualFraction(c.Family!.Value)),
    });

    private static StackDraft? Hurry(Random random, StackDraft stack) => Changed(random, stack, c => c.Id != stack.Coats[0].Id && !c.WhileWet, c => random.Next(2) == 0 ? c with { OwnWaitMin = 0 } : c with { Hurried = true });

    private static StackDraft? Changed(Random random, StackDraft stack, Func<Coat, bool> which, Func<Coat, Coat> change)
    {
        var some = stack.Coats.Where(which).ToList();
        return some.Count == 0 ? null : stack.Replace(change(some[random.Next(some.Count)]));
    }
}
