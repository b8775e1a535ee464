using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Tests.Bases;

/// <summary>Bases to try things on.</summary>
internal static class Trays
{
    public static readonly BaseForm Round25 = new(BaseShape.Round, 25, 25), Round32 = new(BaseShape.Round, 32, 32), Round40 = new(BaseShape.Round, 40, 40), Round60 = new(BaseShape.Round, 60, 60);

    public static readonly (BaseForm Form, Stance Stance)[] Ten =
    [
        (Round25, Stance.TwoFeet), (new(BaseShape.Round, 28.5, 28.5), Stance.OneFoot), (Round32, Stance.TwoFeet), (Round40, Stance.TwoFeet), (Round60, Stance.Stem),
        (new(BaseShape.Oval, 60, 35), Stance.FourWheels), (new(BaseShape.Oval, 42, 75), Stance.FourWheels), (new(BaseShape.Rectangle, 25, 25), Stance.TwoFeet),
        (new(BaseShape.Rectangle, 50, 50), Stance.FourWheels), (new(BaseShape.Rectangle, 100, 30), Stance.None),
    ];

    public static Seat Seat(BaseForm form, Stance stance) => new(form, Figure.Usual(stance, form));

    public static IReadOnlyList<ElementStock> Stock(int times = 9) => [.. StarterBoxes.All.Select(s => s with { Count = s.Count * times })];

    public static IReadOnlyList<Element> Dealt(Seat seat, ulong seed, BaseFamily? family = null) => Deal.Of([new(seat, [])], Stock(), family ?? StarterFamilies.SaltCrust, seed).ByCopy[0];

    public static Layout Rolled(BaseForm form, Stance stance, ulong seed, BaseFamily? family = null, double effort = 1)
    {
        var seat = Seat(form, stance);
        return Roller.Roll(seat, Dealt(seat, Seeds.Of(seed, 1), family), seed, family ?? StarterFamilies.SaltCrust, effort);
    }

    public static Element At(string box, double x, double y, double angle = 0, uint seed = 1, int cluster = 0) =>
        Element.From(StarterBoxes.All.Single(s => s.Class.Name == box).Class, seed) with { X = x, Y = y, AngleDeg = angle, Cluster = cluster };
}
