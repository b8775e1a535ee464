using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Web.Hosting;

namespace Lowfell.Web.Features.Mixes;

/// <summary>A component: exactly one of material, mix and thinner.</summary>
/// <param name="Amount">How much, above 0 and up to 10000.</param>
/// <param name="Unit">In what.</param>
/// <param name="MaterialId">A material of the shelf.</param>
/// <param name="MixId">A mix of the bench.</param>
/// <param name="Thinner">A thinner.</param>
public sealed record MixComponentDraft(double Amount, MixUnit Unit, Guid? MaterialId = null, Guid? MixId = null, Thinner? Thinner = null);

/// <summary>A recipe as it is drawn up.</summary>
/// <param name="Name">Name, 1-120 characters.</param>
/// <param name="Components">1-40 components.</param>
public sealed record MixDraft(string Name, IReadOnlyList<MixComponentDraft> Components)
{
    /// <summary>Most components of a mix.</summary>
    public const int MostComponents = 40;

    /// <summary>Checks the figures.</summary>
    public void Check(Checks checks, string prefix)
    {
        checks.Name(prefix, "name", Name);
        if (Components.Count is 0 or > MostComponents)
        {
            checks.Fault(prefix + "components", $"{Components.Count} components; 1 to {MostComponents} are allowed.");
            return;
        }

        for (var i = 0; i < Components.Count; i++)
        {
            var at = $"{prefix}components[{i}].";
            var c = Components[i];
            if (c is null)
            {
                checks.Fault($"{prefix}components[{i}]", "A component is missing here.");
                continue;
            }

            checks.Within(at, "amount", c.Amount, 0.0001, 10_000);
            var named = (c.MaterialId is null ? 0 : 1) + (c.MixId is null ? 0 : 1) + (c.Thinner is null ? 0 : 1);
            if (named != 1)
            {
                checks.Fault(at + "materialId", "A component is exactly one of material, mix and thinner.");
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
public sealed record MixChange(int Version, MixDraft Mix);

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
