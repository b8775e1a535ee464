using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>Whether a coat beats the film below: the resistance matrix, the rub of the technique and the age of the film.</summary>
internal static class Solvents
{
    /// <summary>The resistance that a coat asks of what is below, for one of its carriers.</summary>
    /// <remarks>Water-borne washes and glazes are laid on and left, not worked, so they ask one step less than their spirit kin.</remarks>
    public static int Needed(Coat coat, Carrier carrier)
    {
        var rub = coat.Technique.Facts().Rub;
        var laidOn = coat.Technique is Technique.Wash or Technique.ThinnedWash or Technique.Glaze or Technique.Filter or Technique.PinWash;
        return carrier == Carrier.Water && laidOn ? rub - 1 : rub;
    }

    /// <summary>The worst that a coat does to a layer of this age: how far the resistance falls short, and to which carrier; 0 where it holds.</summary>
    public static (int Shortfall, int Has, Carrier Carrier) Worst(Coat coat, Layer layer, FilmAge age)
    {
        (int Shortfall, int Has, Carrier Carrier) worst = (0, 3, Carrier.None);
        foreach (var carrier in coat.Carriers)
        {
            if (carrier == Carrier.None)
            {
                continue;
            }

            var has = layer.Resistance.Against(carrier, age);
            var shortfall = Needed(coat, carrier) - has;
            if (shortfall > worst.Shortfall)
            {
                worst = (shortfall, has, carrier);
            }
        }

        return worst;
    }

    /// <summary>Layers whose troubles have a rule of their own.</summary>
    public static bool HasOwnRule(Layer layer, Zone zone) =>
        layer.Family is Family.ChippingMedium or Family.WashableMarking or Family.Pigment
        || (layer.Index < 0 && (zone.Substrate.Facts().Drinks || zone.Substrate == Substrate.Foam));

    /// <summary>Whether a coat at this place lifts nothing that it meets; <paramref name="strict"/> counts layers with rules of their own too.</summary>
    public static bool Safe(StackReading reading, int index, Coat coat, bool strict = false)
    {
        foreach (var layer in reading.Exposed(index))
        {
            var age = coat.Wait == Wait.Cured ? FilmAge.Cured : reading.Age(layer, index - 1);
            if ((strict || !HasOwnRule(layer, reading.Zone)) && Worst(coat, layer, age).Shortfall > 0)
            {
                return false;
            }
        }

        return true;
    }
}
