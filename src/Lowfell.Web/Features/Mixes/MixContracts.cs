using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Web.Api;

namespace Lowfell.Web.Features.Mixes;

/// <summary>A component: exactly one of material, mix and thinner.</summary>
/// <param name="Amount">How much.</param>
/// <param name="Unit">In what.</param>
/// <param name="MaterialId">A material of the shelf.</param>
/// <param name="MixId">A mix of the bench.</param>
/// <param name="Thinner">A thinner.</param>
public sealed record MixComponentDraft([ComponentAmountBound] double Amount, MixUnit Unit, Guid? MaterialId = null, Guid? MixId = null, Thinner? Thinner = null);

/// <summary>A recipe as it is drawn up.</summary>
/// <param name="Name">Name.</param>
/// <param name="Components">1-40 components.</param>
/// <param name="CountsAs">What the rules, rates and drying take it for, where that is not its main paint: a wash or a skim made at home.</param>
public sealed record MixDraft([NameBound] string Name, [ComponentsBound] IReadOnlyList<MixComponentDraft> Components, Family? CountsAs = null)
{
    /// <summary>Checks that each component is one thing.</summary>
    public void Check(Checks checks, string prefix)
    {
        for (var i = 0; i < Components.Count; i++)
        {
            var c = Components[i];
            var named = (c.MaterialId is null ? 0 : 1) + (c.MixId is null ? 0 : 1) + (c.Thinner is null ? 0 : 1);
            if (named != 1)
            {
                checks.Fault($"{prefix}components[{i}].materialId", "A component is exactly one of material, mix and thinner.");
            }
        }
    }
}

/// <summary>A mix of the bench.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Mix">Its recipe.</param>
/// <param name="Preview">What it makes.</param>
/// <param name="UsedIn">Stacks and mixes that use it.</param>
public sealed record MixView(Guid Id, int Version, MixDraft Mix, MixPreview Preview, int UsedIn);

/// <summary>A change of a mix.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Mix">What it should be.</param>
public sealed record MixChange([VersionBound] int Version, MixDraft Mix);

/// <summary>One share of a mix.</summary>
/// <param name="Name">What.</param>
/// <param name="Colour">Its colour; none for a thinner.</param>
/// <param name="Share">Share of the volume, 0..1, nested mixes unfolded.</param>
public sealed record MixShare(string Name, string? Colour, double Share);

/// <summary>What a mix makes.</summary>
/// <param name="Shares">True shares by volume.</param>
/// <param name="PaintFraction">Share that is not thinner.</param>
/// <param name="OverBlack">Colour over black in 1, 2 and 3 passes.</param>
/// <param name="OverWhite">Colour over white in 1, 2 and 3 passes.</param>
/// <param name="MixesCarriers">Holds liquids that do not mix.</param>
public sealed record MixPreview(IReadOnlyList<MixShare> Shares, double PaintFraction, IReadOnlyList<string> OverBlack, IReadOnlyList<string> OverWhite, bool MixesCarriers);

/// <summary>A recipe, and what is to be known of it.</summary>
/// <param name="Components">1-40 components.</param>
/// <param name="CountsAs">What the rules take it for.</param>
/// <param name="Ground">Colour that it is shown on, #rrggbb.</param>
/// <param name="TotalMl">Volume that it is scaled to, ml.</param>
public sealed record MixQuestion([ComponentsBound] IReadOnlyList<MixComponentDraft> Components, Family? CountsAs = null, [ColourBound] string Ground = "#808080", [MixedVolumeBound] double TotalMl = 5);

/// <summary>One component of a scaled mix.</summary>
/// <param name="Name">What.</param>
/// <param name="Share">Its share of the volume, 0..1.</param>
/// <param name="Ml">Ml.</param>
/// <param name="Drops">Drops, to a tenth.</param>
/// <param name="Grams">Grams.</param>
public sealed record MixLineView(string Name, double Share, double Ml, double Drops, double Grams);

/// <summary>A mix in whole drops.</summary>
/// <param name="Drops">Drops of each component.</param>
/// <param name="Ml">What they come to, ml.</param>
/// <param name="WorstError">Largest error of a component's share, in percent of it.</param>
/// <param name="RoundsDrops">The same repeated until it comes to the wanted volume.</param>
/// <param name="RoundsMl">What that comes to, ml.</param>
public sealed record DropRecipeView(IReadOnlyList<int> Drops, double Ml, double WorstError, IReadOnlyList<int> RoundsDrops, double RoundsMl);

/// <summary>A technique that a mix is or is not of the right thickness for.</summary>
/// <param name="Technique">The technique.</param>
/// <param name="Fit">How the mix stands to it.</param>
/// <param name="Least">Least paint fraction for it.</param>
/// <param name="Most">Most paint fraction for it.</param>
public sealed record ToolView(Technique Technique, ToolFit Fit, double Least, double Most);

/// <summary>All there is to know of a recipe.</summary>
/// <param name="Made">What it makes.</param>
/// <param name="OverGround">Colour over the ground in 1 and 2 passes.</param>
/// <param name="Warnings">What is wrong with it.</param>
/// <param name="Tools">Techniques by thickness.</param>
/// <param name="Lines">Scaled to the wanted volume.</param>
/// <param name="Within2">The fewest whole drops within 2 % of every share; none where 400 are not enough.</param>
/// <param name="Within5">The fewest within 5 %.</param>
public sealed record MixSheet(
    MixPreview Made, IReadOnlyList<string> OverGround, IReadOnlyList<string> Warnings, IReadOnlyList<ToolView> Tools, IReadOnlyList<MixLineView> Lines, DropRecipeView? Within2, DropRecipeView? Within5);

/// <summary>Paints that a colour is to be mixed from.</summary>
/// <param name="MaterialIds">Two to four paints.</param>
/// <param name="Target">Wanted colour of the dry, hiding mix, #rrggbb.</param>
public sealed record RatioQuestion([RatioPaintsBound] IReadOnlyList<Guid> MaterialIds, [ColourBound] string Target);

/// <summary>A ratio in whole parts.</summary>
/// <param name="Parts">Parts of each paint, in the order asked.</param>
/// <param name="Colour">The dry, hiding mix.</param>
/// <param name="DeltaE">dE00 of it to what is wanted.</param>
public sealed record RatioView(IReadOnlyList<int> Parts, string Colour, double DeltaE);
