using CsCheck;
using Lowfell.Core.Drying;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Drying;

public sealed class ClimateTests
{
    private static readonly Gen<Climate> Rooms = Gen.Select(Gen.Double[5, 32], Gen.Double[0.2, 0.9], Gen.Bool).Select((t, h, f) => new Climate(t, h, f));

    [Fact]
    public void At_twenty_degrees_and_half_humidity_rows_hold_as_they_stand()
    {
        foreach (var kind in Enum.GetValues<DryingKind>())
        {
            Assert.Equal(1, DryingModel.Factor(kind, Climate.Reference), 9);
        }
    }

    // Saturation over water, hPa, from the tables of the World Meteorological Organization.
    [Theory]
    [InlineData(0, 6.11)]
    [InlineData(10, 12.27)]
    [InlineData(20, 23.37)]
    [InlineData(30, 42.43)]
    public void Saturation_follows_the_tables(double c, double hpa) => Assert.Equal(hpa, DryingModel.Saturation(c), hpa * 0.005);

    [Fact]
    public void Warmer_or_drier_air_never_slows_a_film() => Rooms.Sample(room =>
    {
        foreach (var kind in new[] { DryingKind.Water, DryingKind.Evaporation, DryingKind.Oxidation })
        {
            Assert.True(DryingModel.Factor(kind, room with { TemperatureC = room.TemperatureC + 1 }) < DryingModel.Factor(kind, room));
            Assert.True(DryingModel.Factor(kind, room with { Humidity = room.Humidity - 0.05 }) <= DryingModel.Factor(kind, room));
            Assert.True(DryingModel.Factor(kind, room with { Fan = true }) <= DryingModel.Factor(kind, room));
        }
    });

    [Fact]
    public void Humidity_is_nothing_to_a_solvent_and_a_cold_shed_is_much_to_an_oil()
    {
        Assert.Equal(DryingModel.Factor(DryingKind.Evaporation, new(20, 0.9)), DryingModel.Factor(DryingKind.Evaporation, new(20, 0.3)));
        Assert.InRange(DryingModel.Factor(DryingKind.Oxidation, new(10, 0.5)), 2, 2.6);
        Assert.InRange(DryingModel.Factor(DryingKind.Water, new(17, 0.6)), 1.4, 1.6);
        Assert.Equal(DryingModel.Factor(DryingKind.Water, new(20, 0.95)), DryingModel.Factor(DryingKind.Water, new(20, 1)));
    }

    [Fact]
    public void Touch_comes_before_recoat_and_recoat_before_cured() => Rooms.Sample(room =>
    {
        foreach (var (technique, material) in new[] { (Technique.BaseCoat, Build.RopeTan), (Technique.Wash, Build.KelpWash), (Technique.PinWash, Build.TarWash), (Technique.Varnish, Build.Varnish(Sheen.Matt)) })
        {
            var times = DryingTimes.Of(Build.Coat(technique, material), Build.Zone(), room);
            Assert.True(times.TouchMin > 0 && times.TouchMin <= times.RecoatMin && times.RecoatMin <= times.CuredMin);
        }
    });

    [Fact]
    public void An_enamel_pin_wash_has_a_window_and_opened_chips_dry_at_once()
    {
        var wash = DryingTimes.Of(Build.Coat(Technique.PinWash, Build.TarWash), Build.Zone(), Climate.Reference);
        Assert.Equal((10, 180), (wash.CleanFromMin, wash.CleanToMin));
        Assert.Null(DryingTimes.Of(Build.Coat(Technique.Wash, Build.KelpWash), Build.Zone(), Climate.Reference).CleanFromMin);
        Assert.Equal(DryingTimes.None, DryingTimes.Of(Build.Coat(Technique.OpenChips), Build.Zone(), Climate.Reference));
    }
}
