using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Xunit;

namespace Lowfell.Core.Tests.Materials;

/// <summary>The film table, written down a second time: d holds recoat-dry, N after a night, C cured, n note, r risk, r>n risk until cured, s stop, - another rule speaks.</summary>
public sealed class FilmTableTests
{
    private static readonly Dictionary<string, Bears> Letters = new()
    {
        ["d"] = Bears.RecoatDry,
        ["N"] = Bears.Overnight,
        ["C"] = Bears.Cured,
        ["n"] = Bears.Note,
        ["r>n"] = Bears.RiskUntilCured,
        ["r"] = Bears.Risk,
        ["s"] = Bears.Stop,
        ["-"] = Bears.Silent,
    };

    [Theory]
    [InlineData(Family.AcrylicPaint, "d d N", "d r s", "d d r>n", "d s s")]
    [InlineData(Family.AcrylicWash, "d d r>n", "d r s", "d d r>n", "d s s")]
    [InlineData(Family.Ink, "d d r>n", "d r s", "d d r>n", "d s s")]
    [InlineData(Family.AcrylicMedium, "d d r>n", "d r s", "d d r>n", "d s s")]
    [InlineData(Family.Lacquer, "d d d", "d d r", "d d N", "d r s")]
    [InlineData(Family.EnamelPaint, "d d d", "d d r", "d d r>n", "C s s")]
    [InlineData(Family.VarnishEnamel, "d d d", "d d r", "d d r>n", "C s s")]
    [InlineData(Family.EnamelWash, "d d d", "d d r", "d N r>n", "N s s")]
    [InlineData(Family.OilPaint, "d d N", "d N r", "N C s", "C s s")]
    [InlineData(Family.OilWash, "d d N", "d N r", "N C s", "C s s")]
    [InlineData(Family.VarnishWater, "d d N", "d r r", "d d N", "d s s")]
    [InlineData(Family.VarnishLacquer, "d d d", "d d r", "d d d", "d r s")]
    [InlineData(Family.PrimerAerosol, "d d d", "d d r", "d d d", "d r r")]
    [InlineData(Family.PrimerWater, "d d N", "d r r", "d d N", "d s s")]
    [InlineData(Family.TexturePaste, "d d r>n", "d d r", "d d r>n", "d r s")]
    [InlineData(Family.CracklePaste, "d d r", "d d r", "d d r", "d r s")]
    [InlineData(Family.CracklePaint, "d d r", "d d r", "d d r", "d r s")]
    [InlineData(Family.Pva, "d d r>n", "d d r", "d d d", "d d r")]
    [InlineData(Family.Skim, "d d r>n", "d d r", "d d d", "d d r")]
    [InlineData(Family.SuperGlue, "d d d", "d d d", "d d d", "d d r")]
    [InlineData(Family.Pigment, "d r s", "d r s", "d r s", "d r s")]
    public void A_film_bears_what_the_table_says(Family family, string water, string alcohol, string spirit, string lacquer) =>
        Same(family.Facts().Resistance, water, alcohol, spirit, lacquer);

    [Theory]
    [InlineData(Substrate.Polystyrene, "d d d", "d d d", "d d r", "d s s")]
    [InlineData(Substrate.Resin, "d d d", "d d d", "d d d", "d d r")]
    [InlineData(Substrate.Metal, "d d d", "d d d", "d d d", "d d r")]
    [InlineData(Substrate.PrintedPlastic, "d d d", "d d d", "d d r", "d r r")]
    [InlineData(Substrate.Foam, "d d d", "d d d", "- - -", "- - -")]
    public void A_bare_ground_bears_what_the_table_says(Substrate substrate, string water, string alcohol, string spirit, string lacquer) =>
        Same(substrate.Facts().Resistance, water, alcohol, spirit, lacquer);

    [Fact]
    public void A_row_is_kept_in_twelve_figures_and_read_back()
    {
        foreach (var family in Enum.GetValues<Family>())
        {
            var row = family.Facts().Resistance;
            Assert.Equal(row, Resistance.FromRow(row.ToRow()));
        }
    }

    [Fact]
    public void The_eight_figures_of_before_are_read_with_what_they_meant()
    {
        // Recoat-dry and cured for each carrier: 0 dissolves, 1 gives, 2 holds unless scrubbed, 3 holds.
        var row = Resistance.FromRow([3, 3, 2, 2, 1, 1, 0, 0]);
        Assert.Equal(Row("d d d"), row.Water);
        Assert.Equal(Bears.RecoatDry, row.Alcohol.Laid);
        Assert.Equal(Bears.Risk, row.Alcohol.Scrubbed);
        Assert.Equal((Bears.RecoatDry, Bears.Risk), (row.WhiteSpirit.Mist, row.WhiteSpirit.Laid));
        Assert.Equal(Bears.Stop, row.LacquerThinner.Laid);
    }

    private static void Same(Resistance row, string water, string alcohol, string spirit, string lacquer)
    {
        Assert.Equal(Row(water), row.Water);
        Assert.Equal(Row(alcohol), row.Alcohol);
        Assert.Equal(Row(spirit), row.WhiteSpirit);
        Assert.Equal(Row(lacquer), row.LacquerThinner);
    }

    private static BearsRow Row(string letters) => letters.Split(' ') is [var mist, var laid, var scrubbed] ? new(Letters[mist], Letters[laid], Letters[scrubbed]) : throw new FormatException(letters);
}
