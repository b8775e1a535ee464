using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;

namespace Lowfell.Web.Features.Matching;

/// <summary>One thing in the paint of a coat, as it was.</summary>
/// <param name="Material">The material as it was; none for a thinner.</param>
/// <param name="Thinner">A thinner.</param>
/// <param name="Share">Share of the volume of the material or mix.</param>
public sealed record PaintedPart(MaterialSnapshot? Material, Thinner? Thinner, double Share);

/// <summary>A coat as it was painted.</summary>
/// <param name="Coat">The coat.</param>
/// <param name="Paint">Name of its material or mix then; none for a coat without paint.</param>
/// <param name="CountsAs">What its mix counted as.</param>
/// <param name="Parts">What was in it.</param>
public sealed record PaintedCoat(CoatDraft Coat, string? Paint, Family? CountsAs, IReadOnlyList<PaintedPart> Parts);

/// <summary>A stack as it was painted, with all that it depends on.</summary>
/// <param name="Zone">The zone.</param>
/// <param name="Schools">The preferences.</param>
/// <param name="Coats">The coats, from the substrate up; skipped ones are left out.</param>
public sealed record PaintedStack(ZoneDraft Zone, Schools Schools, IReadOnlyList<PaintedCoat> Coats)
{
    /// <summary>Of a stack now.</summary>
    public static PaintedStack Of(ZoneDraft zone, Schools schools, IReadOnlyList<CoatDraft> drafts, StackDraft stack) =>
        new(zone, schools, [.. stack.Coats.Select((c, i) => (Coat: c, Draft: drafts[i])).Where(c => !c.Coat.Skipped).Select(c => Of(c.Draft, c.Coat))]);

    /// <summary>As Core knows it.</summary>
    public StackDraft ToCore() => new(Zone.ToCore(), Schools, [.. Coats.Select(ToCore)]);

    private static PaintedCoat Of(CoatDraft draft, Coat coat) => new(
        draft,
        coat.Paint?.Name,
        coat.Paint?.CountsAs,
        coat.Paint is not { } paint ? [] :
        [
            .. paint.Content.Materials.Select(m => new PaintedPart(MaterialSnapshot.Of(coat.Material ?? m.Material), null, m.Share)),
            .. paint.Content.Thinners.Select(t => new PaintedPart(null, t.Thinner, t.Share)),
        ]);

    private static Coat ToCore(PaintedCoat kept)
    {
        // The figures of a coat are read as any draft's; its paint is put together from what was kept.
        var bare = kept.Coat with { MaterialId = null, MixId = null, Material = null, Technique = Technique.OpenChips };
        var coat = StackReader.ReadKept(new Zone(), [bare], new Schools(), null).Coats[0] with { Technique = kept.Coat.Technique };
        if (kept.Parts.Count == 0)
        {
            return coat;
        }

        if (kept.Coat.MixId is null && kept.Parts is [{ Material: { } only }])
        {
            return coat.Of(only.ToCore());
        }

        var components = kept.Parts.Select(p => new MixComponent(p.Share, MixUnit.Ml, p.Material?.ToCore(), Thinner: p.Thinner));
        return coat with { Paint = Paint.Of(new Mix(kept.Paint ?? "mix", [.. components], kept.CountsAs)) };
    }
}
