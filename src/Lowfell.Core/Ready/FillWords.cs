using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Ready;

/// <summary>What is said of the filling of a role.</summary>
internal static class FillWords
{
    /// <summary>A role with its coat, where that comes from, and what should be known of it.</summary>
    public static FilledRole Tell(RoleCoat role, Coat? coat, bool bought, bool same, Shelf shelf, Tools tools)
    {
        if (coat is null)
        {
            return new(role, null, Filling.LeftOut, role.Role is SchemeRole.Barrier or SchemeRole.Fixing ? "" : $"Nothing on the shelf is there for the {role.Role.Word()}; it is left out.");
        }

        if (coat.Material is null)
        {
            return new(role, coat, Filling.Own, "");
        }

        if (bought)
        {
            return new(role, coat, Filling.ToBuy, $"{coat.Material!.Name} is missing: to buy.{Nearest(role, coat.Material, shelf)}");
        }

        var how = ByOther(role, coat, tools);
        if (role.Colour is null || same)
        {
            return new(role, coat, Filling.Own, how);
        }

        var asked = Name(role, coat.Material!);
        var instead = $"{coat.Material!.Name} instead, {Difference(role, coat.Material)}.";
        return new(role, coat, Filling.StandIn, HeldBack(role, shelf, tools) is { } tool
            ? $"{Words.Capital(asked)} wants {tool}: {instead}"
            : $"{Words.Capital(asked)} is missing: {instead}{(how.Length > 0 ? " " : "")}{how}");
    }

    /// <summary>A role whose coat would change nothing.</summary>
    public static FilledRole Unseen(RoleCoat role) => new(role, null, Filling.LeftOut, $"Nobody would see the {role.Role.Word()} from these paints; it is left out.");

    // It may be there, and only what it is laid with is not.
    private static string? HeldBack(RoleCoat role, Shelf shelf, Tools tools)
    {
        var asked = Srgb.Parse(role.Colour!).ToLab();
        return role.Role.Ways()
            .Where(w => shelf.Materials.Any(m => w.Families.Contains(m.Family) && !tools.Can(w.Technique, m.Family) && ColourDifference.Ciede2000(asked, m.Colour.ToLab()) <= SchemeFiller.SameSwatch))
            .Select(w => SaidAttribute.Of(typeof(Tool))[w.Technique.Needs(w.Families[0]).ToString()]).FirstOrDefault();
    }

    // The colour that is asked for, by the plain paint that comes nearest to it.
    private static string Name(RoleCoat role, Material filled)
    {
        var asked = Srgb.Parse(role.Colour!).ToLab();
        var kind = filled.Family.Facts().Kind;
        return StarterShelf.Materials.Where(m => m.Family.Facts().Kind == kind && m.Effect == filled.Effect).OrderBy(m => ColourDifference.Ciede2000(asked, m.Colour.ToLab())).Select(m => m.Name.ToLowerInvariant()).FirstOrDefault() ?? filled.Family.Facts().Word;
    }

    private static string Difference(RoleCoat role, Material material) => DifferenceWords.Of(Srgb.Parse(role.Colour!).ToLab(), material.Colour.ToLab());

    private static string Nearest(RoleCoat role, Material bought, Shelf shelf)
    {
        if (role.Colour is null || shelf.Nearest(Srgb.Parse(role.Colour), m => m.Family.Facts().Kind == bought.Family.Facts().Kind && m.Effect == bought.Effect) is not { } near)
        {
            return "";
        }

        return $" The nearest is {near.Name}, {Difference(role, near)}.";
    }

    private static string ByOther(RoleCoat role, Coat coat, Tools tools)
    {
        var usual = role.Role.Ways().FirstOrDefault(w => role.By is null || w.Technique == role.By);
        return usual is null || coat.Technique == usual.Technique || role.Role is SchemeRole.Barrier or SchemeRole.Seal || usual.Families.Any(f => tools.Can(usual.Technique, f))
            ? ""
            : $"{coat.How.Label} in place of {usual.Technique.Facts().Word}, for want of {usual.Technique.Needs(usual.Families[0]) switch { Tool.Airbrush => "an airbrush", Tool.Sponge => "a sponge", Tool.Oils => "oils", _ => "a can" }}.";
    }
}
